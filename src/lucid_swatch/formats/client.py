"""What a stylist knows about a client beside colours: the occasions, the refusals, what is always worn."""

from dataclasses import asdict
from datetime import date
from typing import Annotated, Literal

from pydantic import ConfigDict, Field, TypeAdapter

from lucid_swatch.core.client.about import About
from lucid_swatch.core.client.wishes import Bare, Longer, Place, Stature
from lucid_swatch.core.garment.vocabulary import Finish, Length, Metal, PatternType

from .document import Document, Titled
from .piece import Lab

Words = Annotated[list[Annotated[str, Field(max_length=80)]], Field(max_length=40)]


class RefusalsDocument(Document):
    """What the client will not wear."""

    lengths: list[Length] = Field(default_factory=list)
    sheer: bool = False
    """Whether sheer cloth is refused."""
    heel: float | None = Field(default=None, ge=0, le=20)
    """The highest heel that is worn, in centimetres."""
    materials: list[Finish] = Field(default_factory=list)
    patterns: list[PatternType] = Field(default_factory=list)
    metals: list[Metal] = Field(default_factory=list)
    colours: Words = Field(default_factory=list)
    """Colours in words."""


class WishesDocument(Document):
    """Wishes for proportion; what is left out is free."""

    full: list[Place] = Field(default_factory=list)
    """Where fullness is welcome."""
    not_full: list[Place] = Field(default_factory=list)
    """Where it is not."""
    longer: Longer | None = None
    shown: list[Bare] = Field(default_factory=list)
    covered: list[Bare] = Field(default_factory=list)
    stature: Stature | None = None


class DyedHairDocument(Document):
    """Hair that is dyed."""

    on: date | None = None
    """When it was dyed last."""
    root: Lab | None = None
    """CIELAB of what grows."""


class AboutDocument(Document):
    """What is known about a client."""

    model_config = ConfigDict(extra="forbid")

    dresses_for: str = Field(default="", max_length=1000)
    refuses: RefusalsDocument = Field(default_factory=RefusalsDocument)
    allergies: Words = Field(default_factory=list)
    """What irritates the skin, such as nickel."""
    metal: Metal | None = None
    """The metal that is worn every day."""
    shoes: str = Field(default="", max_length=200)
    """The shoes that are worn all day."""
    always_on: list[str] = Field(default_factory=list, max_length=20)
    """Ids of pieces that join every look: glasses, a ring, a headscarf."""
    dyed_hair: DyedHairDocument | None = None
    height: int | None = Field(default=None, ge=120, le=220)
    """In centimetres; the figure is drawn in this proportion."""
    seated: bool = False
    """Whether the client is mostly seen seated."""
    tan: bool = False
    """Whether the skin is tanned now."""
    lipstick: Lab | None = None
    """CIELAB of the lipstick that is worn, a colour at the face."""
    wishes: WishesDocument = Field(default_factory=WishesDocument)
    """For the proportions of a look."""

    def to_core(self) -> About:
        """What is known as the core sees it."""
        return ABOUT.validate_python(self.model_dump())

    @classmethod
    def from_core(cls, about: About) -> "AboutDocument":
        """The document of what is known about a client."""
        return cls.model_validate(asdict(about))


ABOUT = TypeAdapter(About)


class ClientDocument(Titled):
    """A client as it leaves the application."""

    format: Literal["lucid-swatch/client"] = "lucid-swatch/client"
    id: str
    name: str
    note: str = ""
    consent_on: date
    consent_for: str = ""
    consent_withdrawn_on: date | None = None
    about: AboutDocument = Field(default_factory=AboutDocument)
    faces: list[dict[str, object]] = Field(default_factory=list)
    trials: list[dict[str, object]] = Field(default_factory=list)
    side_by_side: list[dict[str, object]] = Field(default_factory=list)
