"""What the screens get about what a piece is: cloth, cut, formality, warmth and statement."""

from pydantic import Field

from lucid_swatch.core.garment.known import unknown_of, unsaid_of
from lucid_swatch.core.garment.proposals import Proposal
from lucid_swatch.core.garment.vocabulary import Category, Finish
from lucid_swatch.core.look.figure.marks import Mark, Pulls
from lucid_swatch.formats.cut import CutDocument, SeenDocument
from lucid_swatch.store.records import PhotoRecord
from lucid_swatch.usecases.what import ClothGuess, What

from .base import Answer
from .figures import FigureAnswer, figure_answer
from .rail import Sayable, sayable


class ClothAnswer(Answer):
    """A finish that the piece may have."""

    finish: Finish
    confidence: float
    because: str
    picture: str | None
    """Where the close look is that tells of it."""


class StopAnswer(Answer):
    """Where a mark stands for a word, centimetres from the middle and below the crown."""

    word: str
    x: float
    y: float


class MarkAnswer(Answer):
    """A mark of the cut that can be pulled."""

    pulls: Pulls
    stops: list[StopAnswer]


class ProposalAnswer(Answer):
    """A value on a tape: as said, else as proposed."""

    value: float
    said: bool
    proposed: float
    doubt: float
    """Half the stretch that holds what a person would say, nine times in ten; of the proposal."""
    because: str


class WhatAnswer(Answer):
    """What a piece is, as it is known."""

    category: Category
    finish: list[Finish]
    cloths: list[ClothAnswer]
    """What it may be made of, likeliest first."""
    length: str | None
    volume: str | None
    cut: CutDocument
    seen: SeenDocument
    """What the photo tells, with chances."""
    figure: FigureAnswer
    """The piece on the client."""
    marks: list[MarkAnswer]
    asked: list[Sayable]
    """What else of the cut such a piece has."""
    formality: ProposalAnswer
    warmth: ProposalAnswer | None
    """None for what is worn in any weather."""
    statement: ProposalAnswer
    unknown: list[Sayable]
    unsaid: list[Sayable] = Field(default_factory=list)
    """What stands here by the photo or as a proposal."""


def what_answer(what: What) -> WhatAnswer:
    """What a piece is."""
    piece, known = what.piece, what.known
    return WhatAnswer(
        category=piece.category,
        finish=sorted(known.finish),
        cloths=[_cloth(one, what.photo) for one in what.cloths],
        length=known.length,
        volume=known.volume,
        cut=CutDocument.from_core(known.details),
        seen=SeenDocument.of(piece.seen),
        figure=figure_answer(what.figure, what.stature),
        marks=[_mark(one) for one in what.marks],
        asked=sayable(what.asked),
        formality=_on_tape(what.formality, piece.formality),
        warmth=None if what.warmth is None else _on_tape(what.warmth, piece.warmth),
        statement=_on_tape(what.statement, piece.statement),
        unknown=sayable(unknown_of(known)),
        unsaid=sayable(unsaid_of(piece, known)),
    )


def _cloth(guess: ClothGuess, photo: PhotoRecord | None) -> ClothAnswer:
    picture = None
    if photo is not None and guess.picture is not None:
        picture = f"/api/photos/{photo.id}/pictures/{guess.picture}?reading={photo.reading_number}"
    return ClothAnswer(finish=guess.finish, confidence=guess.confidence, because=guess.because, picture=picture)


def _mark(mark: Mark) -> MarkAnswer:
    return MarkAnswer(pulls=mark.pulls, stops=[StopAnswer(word=stop.word, x=stop.x, y=stop.y) for stop in mark.stops])


def _on_tape(proposal: Proposal, said: float | None) -> ProposalAnswer:
    return ProposalAnswer(
        value=proposal.value if said is None else said,
        said=said is not None,
        proposed=proposal.value,
        doubt=round(proposal.doubt, 2),
        because=proposal.because,
    )
