"""What the screens send and get about changes that can be taken back."""

from datetime import datetime

from lucid_swatch.store.records import ChangeRecord

from .base import Answer


class ChangeAnswer(Answer):
    """A change of the rail."""

    told: str
    made_at: datetime
    taken_back: bool


class LetGoAnswer(Answer):
    """Something was let go."""

    change: int | None
    """The change to take back; none when nothing was lost by it."""


class UndoneAnswer(Answer):
    """What was taken back or done again, and what comes next."""

    told: str
    back: str | None
    """What can be taken back."""
    again: str | None
    """What can be done again."""


def change_answer(change: ChangeRecord) -> ChangeAnswer:
    """A change in words."""
    return ChangeAnswer(told=change.told, made_at=change.made_at, taken_back=change.taken_back)
