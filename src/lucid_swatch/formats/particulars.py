"""What a wardrobe keeps about a piece beside its look, in the open formats."""

from dataclasses import asdict, replace
from datetime import date
from typing import Annotated

from pydantic import ConfigDict, Field, TypeAdapter

from lucid_swatch.core.garment.particulars import DayVerdict, Particulars, Season

from .document import Document


class ParticularsDocument(Document):
    """What is kept about a piece."""

    model_config = ConfigDict(extra="forbid")

    uses: list[Annotated[str, Field(min_length=1, max_length=40, pattern=r"^[^;\s][^;]*$")]] = Field(
        default_factory=list, max_length=20
    )
    """What it is worn for."""
    seasons: list[Season] = Field(default_factory=list)
    """When it is worn; empty for what its warmth says."""
    verdict: DayVerdict | None = None
    fits: bool | None = None
    """Whether it fits now."""
    size: str = Field(default="", max_length=40)
    price: float | None = Field(default=None, ge=0, le=1e7)
    bought_on: date | None = None
    care: str = Field(default="", max_length=500)
    note: str = Field(default="", max_length=2000)
    set: str = Field(default="", max_length=80)
    """The set that it belongs to and is never parted from."""
    other_face: str | None = Field(default=None, max_length=200)
    """The piece that is the other face of this reversible one."""

    def to_core(self) -> Particulars:
        """The particulars as the core sees them."""
        return PARTICULARS.validate_python(self.model_dump(include=set(ParticularsDocument.model_fields)))

    def over(self, before: Particulars) -> Particulars:
        """What was said here in the place of what was known; what was not said stays."""
        said = self.to_core()
        told = self.model_fields_set & ParticularsDocument.model_fields.keys()
        return replace(before, **{name: getattr(said, name) for name in told})

    @classmethod
    def from_core(cls, particulars: Particulars) -> "ParticularsDocument":
        """The document of what is kept about a piece."""
        return cls.model_validate(asdict(particulars))


class KeptDocument(ParticularsDocument):
    """What a file tells of a piece: the same, with its days in the log."""

    worn_on: list[date] = Field(default_factory=list, max_length=5000)
    """Days on which it was worn."""


PARTICULARS = TypeAdapter(Particulars)
