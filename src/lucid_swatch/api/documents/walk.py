"""What the screens get about what is worth asking of a rail."""

from lucid_swatch.usecases.walk import By, Question

from .base import Answer


class OptionAnswer(Answer):
    """An answer to choose."""

    word: str
    value: str | float | bool
    chance: float


class QuestionAnswer(Answer):
    """Something worth asking about a piece."""

    piece: str
    by: By
    options: list[OptionAnswer]
    because: str
    looks: float
    """Share of the base looks that hang on it."""
    points: float
    """How far the whole of such a look moves, whichever way it turns out."""


def question_answer(question: Question) -> QuestionAnswer:
    """A question as the screen asks it."""
    return QuestionAnswer(
        piece=question.piece_id,
        by=question.by,
        options=[OptionAnswer(word=one.word, value=one.value, chance=one.chance) for one in question.options],
        because=question.because,
        looks=question.looks,
        points=question.points,
    )
