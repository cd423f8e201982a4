"""What the screens send and get about a wardrobe read again."""

from pydantic import Field

from lucid_swatch.core.garment.vocabulary import Bin
from lucid_swatch.formats.measurement import MeasurementDocument
from lucid_swatch.store.records import PhotoState
from lucid_swatch.usecases.rereading import Change

from .base import Answer, Request
from .photos import _picture


class ReadingChange(Answer):
    """What a newer reading would change."""

    photo_id: str
    label: str
    hung: bool
    difference: float
    """CIEDE2000 between the main colours."""
    before: str
    after: str
    """Names of the main colour."""
    before_hex: str
    after_hex: str
    bin_before: Bin
    bin_after: Bin
    picture: str


class RereadingAnswer(Answer):
    """How far a rereading is, and what it would change."""

    waiting: int
    changes: list[ReadingChange]


class RereadRequest(Request):
    """The photos that are read anew."""

    photos: list[str] = Field(max_length=5000)


class TakeOverRequest(Request):
    """The photos whose newer reading is taken over; the others keep the older one."""

    photos: list[str] = Field(max_length=5000)


def reading_change(change: Change) -> ReadingChange:
    """A changed reading as the intake shows it."""
    before, after = (MeasurementDocument.model_validate(r.document) for r in (change.before, change.after))
    return ReadingChange(
        photo_id=change.photo.id,
        label=change.label,
        hung=change.photo.state is PhotoState.HUNG,
        difference=round(change.difference, 1),
        before=before.sort.name,
        after=after.sort.name,
        before_hex=before.colours[0].hex,
        after_hex=after.colours[0].hex,
        bin_before=before.sort.bin,
        bin_after=after.sort.bin,
        picture=_picture(change.photo, "thumbnail.jpg"),
    )
