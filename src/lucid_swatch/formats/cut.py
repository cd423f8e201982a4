"""The cut of a piece in the open formats, and what a photo tells of it."""

from pydantic import Field

from lucid_swatch.core.garment.details import Details
from lucid_swatch.core.garment.seen import Seen
from lucid_swatch.core.garment.vocabulary import (
    Closure,
    Finish,
    Heel,
    Length,
    Neckline,
    Size,
    Sleeve,
    Sole,
    Toe,
    Volume,
)

from .document import Document


class CutDocument(Document):
    """The cut beside length and volume; what is left out nobody has said."""

    sleeve: Sleeve | None = None
    neckline: Neckline | None = None
    closure: Closure | None = None
    heel: Heel | None = None
    toe: Toe | None = None
    sole: Sole | None = None
    size: Size | None = None

    def to_core(self) -> Details:
        """As the core sees it."""
        return Details(self.sleeve, self.neckline, self.closure, self.heel, self.toe, self.sole, self.size)

    @classmethod
    def from_core(cls, details: Details) -> "CutDocument":
        """The document of some details."""
        return cls(
            sleeve=details.sleeve,
            neckline=details.neckline,
            closure=details.closure,
            heel=details.heel,
            toe=details.toe,
            sole=details.sole,
            size=details.size,
        )


class Guessed(Document):
    """A guess."""

    confidence: float = Field(ge=0, le=1)


class LengthGuess(Guessed):
    """Where the piece may end."""

    length: Length


class VolumeGuess(Guessed):
    """How full it may be."""

    volume: Volume


class SleeveGuess(Guessed):
    """Where its sleeves may end."""

    sleeve: Sleeve


class NecklineGuess(Guessed):
    """How it may end at the neck."""

    neckline: Neckline


class ClosureGuess(Guessed):
    """How it may be closed."""

    closure: Closure


class ToeGuess(Guessed):
    """How a shoe may end in front."""

    toe: Toe


class HeelGuess(Guessed):
    """How high its heel may be."""

    heel: Heel


class FinishGuess(Guessed):
    """What the cloth may be."""

    finish: Finish


class CutGuesses(Document):
    """What a photo tells of a cut; each likeliest first, empty where it does not show."""

    length: list[LengthGuess] = Field(default_factory=list)
    volume: list[VolumeGuess] = Field(default_factory=list)
    sleeve: list[SleeveGuess] = Field(default_factory=list)
    neckline: list[NecklineGuess] = Field(default_factory=list)
    closure: list[ClosureGuess] = Field(default_factory=list)
    toe: list[ToeGuess] = Field(default_factory=list)
    heel: list[HeelGuess] = Field(default_factory=list)

    @classmethod
    def from_core(cls, seen: Seen) -> "CutGuesses":
        """The document of what was seen."""
        return cls(
            length=[LengthGuess(length=word, confidence=round(chance, 3)) for word, chance in seen.length],
            volume=[VolumeGuess(volume=word, confidence=round(chance, 3)) for word, chance in seen.volume],
            sleeve=[SleeveGuess(sleeve=word, confidence=round(chance, 3)) for word, chance in seen.sleeve],
            neckline=[NecklineGuess(neckline=word, confidence=round(chance, 3)) for word, chance in seen.neckline],
            closure=[ClosureGuess(closure=word, confidence=round(chance, 3)) for word, chance in seen.closure],
            toe=[ToeGuess(toe=word, confidence=round(chance, 3)) for word, chance in seen.toe],
            heel=[HeelGuess(heel=word, confidence=round(chance, 3)) for word, chance in seen.heel],
        )


class SeenDocument(CutGuesses):
    """What a photo tells of a piece beside its colours."""

    finish: list[FinishGuess] = Field(default_factory=list)

    def to_core(self) -> Seen:
        """As the core sees it."""
        return Seen(
            tuple((one.length, one.confidence) for one in self.length),
            tuple((one.volume, one.confidence) for one in self.volume),
            tuple((one.sleeve, one.confidence) for one in self.sleeve),
            tuple((one.neckline, one.confidence) for one in self.neckline),
            tuple((one.toe, one.confidence) for one in self.toe),
            tuple((one.heel, one.confidence) for one in self.heel),
            tuple((one.finish, one.confidence) for one in self.finish),
            tuple((one.closure, one.confidence) for one in self.closure),
        )

    @classmethod
    def of(cls, seen: Seen) -> "SeenDocument":
        """The document of what was seen."""
        cut = CutGuesses.from_core(seen)
        return cls(**dict(cut), finish=finish_guesses(seen))


def finish_guesses(seen: Seen) -> list[FinishGuess]:
    """What the cloth may be."""
    return [FinishGuess(finish=word, confidence=round(chance, 3)) for word, chance in seen.finish]
