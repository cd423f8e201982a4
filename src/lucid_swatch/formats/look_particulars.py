"""What is kept about a look beside its pieces, in the open formats."""

from dataclasses import asdict
from datetime import date
from typing import Literal

from pydantic import ConfigDict, Field, TypeAdapter

from lucid_swatch.core.garment.particulars import Season
from lucid_swatch.core.garment.vocabulary import Worn
from lucid_swatch.core.look.kept_look import DayStage, LookParticulars, TimeOfDay

from .document import Document
from .look import ConventionsDocument, MeantDocument, ThemeDocument


class WornPhotoDocument(Document):
    """A photo of the look as it was worn."""

    model_config = ConfigDict(extra="forbid")

    number: int = Field(ge=1)
    """Counts up with every new photo."""
    feet: bool
    """Whether it shows the look down to the shoes."""
    on: date


class StageDocument(Document):
    """A stage of a day."""

    model_config = ConfigDict(extra="forbid")

    when: str = Field(min_length=1, max_length=60)
    formality: float | None = Field(default=None, ge=1, le=5)
    warmth: float | None = Field(default=None, ge=0, le=4)
    wet: bool = False
    time: TimeOfDay = TimeOfDay.ANY

    def to_core(self) -> DayStage:
        """The stage as the core sees it."""
        return DayStage(self.when, self.formality, self.warmth, self.wet, self.time)


class LookParticularsDocument(Document):
    """What a look is for, and how it was found."""

    model_config = ConfigDict(extra="forbid")

    occasion: str = Field(default="", max_length=120)
    time: Literal["", "day", "evening"] = ""
    seasons: list[Season] = Field(default_factory=list)
    note: str = Field(default="", max_length=2000)
    stylist_rating: int | None = Field(default=None, ge=1, le=5)
    client_rating: int | None = Field(default=None, ge=1, le=5)
    parent: str | None = Field(default=None, max_length=200)
    """The look that this one varies."""
    worn: dict[str, Worn] = Field(default_factory=dict, max_length=30)
    """How pieces are worn here, by id, where it is not as they usually are."""
    seated: bool | None = None
    """Whether it is seen seated, where it is not as the client usually is."""
    formality: int | None = Field(default=None, ge=1, le=5)
    """Of the occasion, 1 beach and garden .. 5 black tie."""
    warmth: int | None = Field(default=None, ge=0, le=4)
    """That the weather asks for, 0 bare summer .. 4 deep winter."""
    photo: WornPhotoDocument | None = None
    conventions: ConventionsDocument | None = None
    """The school this look follows, where it is not the client's."""
    meant: list[MeantDocument] = Field(default_factory=list, max_length=40)
    """Reasons that are broken knowingly here."""
    theme: ThemeDocument | None = None
    stages: list[StageDocument] = Field(default_factory=list, max_length=6)
    """Of the day over which it is worn."""

    def to_core(self) -> LookParticulars:
        """The particulars as the core sees them."""
        told = {
            "conventions": None if self.conventions is None else self.conventions.to_core(),
            "meant": {one.code: one.note for one in self.meant},
            "theme": None if self.theme is None else self.theme.to_core(),
        }
        return LOOK_PARTICULARS.validate_python(self.model_dump() | told)

    @classmethod
    def from_core(cls, particulars: LookParticulars) -> "LookParticularsDocument":
        """The document of what is kept about a look."""
        schools, theme = particulars.conventions, particulars.theme
        told = asdict(particulars) | {
            "time": particulars.time.value,
            "conventions": None if schools is None else ConventionsDocument.from_core(schools),
            "meant": [{"code": code, "note": note} for code, note in particulars.meant.items()],
            "theme": None if theme is None else ThemeDocument.from_core(theme),
        }
        return cls.model_validate(told)


LOOK_PARTICULARS = TypeAdapter(LookParticulars)
