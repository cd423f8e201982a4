"""A piece: one garment or accessory as the core sees it."""

from dataclasses import dataclass, field

from ..colour.arrays import FloatArray
from .details import UNSAID, Details
from .seen import NOTHING, Seen
from .vocabulary import Bin, Category, Finish, Length, Metal, Part, PatternType, Scale, Volume, Worn


@dataclass(frozen=True, slots=True, eq=False)
class Piece:
    """One garment or accessory."""

    id: str
    category: Category
    lab: FloatArray
    """(n, 3), CIELAB D65 2°, largest share first."""
    share: FloatArray
    """(n,), sums to 1."""
    label: str = ""
    parts: tuple[Part, ...] = ()
    """One a colour, or empty where all is cloth."""
    uncertainty: FloatArray | None = None
    """(n,), CIEDE2000."""
    pattern: PatternType = PatternType.SOLID
    pattern_confidence: float = 0.95
    scale: Scale | None = None
    finish: frozenset[Finish] = field(default_factory=frozenset)
    metal: Metal = Metal.NONE
    volume: Volume | None = None
    length: Length | None = None
    details: Details = UNSAID
    formality: float | None = None
    warmth: float | None = None
    statement: float | None = None
    worn: Worn | None = None
    bin_said: Bin | None = None
    """Where the stylist hangs it, when that is not where its colours say."""
    seen: Seen = NOTHING
    """What its photo tells of what nobody has said."""

    def fingerprint(self) -> tuple[object, ...]:
        """All that a verdict may hang on, so that equal ones are one piece. Hashable."""
        return (
            self.id,
            self.category,
            self.lab.tobytes(),
            self.share.tobytes(),
            self.label,
            self.parts,
            self.pattern,
            self.scale,
            self.finish,
            self.metal,
            self.volume,
            self.length,
            self.details,
            self.formality,
            self.warmth,
            self.statement,
            self.worn,
            self.bin_said,
        )

    @property
    def called(self) -> str:
        """The label, or the category where there is none."""
        return self.label or self.category.value.replace("-", " ")

    @property
    def in_a_sentence(self) -> str:
        """The name as it stands inside a sentence; initials and codes keep their capitals."""
        name = self.called
        return name[:1].lower() + name[1:] if name[1:2].islower() else name
