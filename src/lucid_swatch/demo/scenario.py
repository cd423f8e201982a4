"""What a sample client is made of. All of them are made up."""

from dataclasses import dataclass, field

from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Finish as F
from lucid_swatch.core.garment.vocabulary import PatternType as P
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.look.kept_look import TimeOfDay
from lucid_swatch.core.look.look import Intent

from .studio.cloth import Cloth
from .studio.portrait import Lab, Sitter
from .studio.scene import Room, Subject

BULB = (1.13, 1.0, 0.74)
LED = (1.05, 1.0, 0.86)
DAY = (1.0, 1.0, 1.0)
SHADE = (0.96, 1.0, 1.06)
GOLD = (72.0, 4.0, 33.0)
STEEL = (68.0, 0.0, -2.0)
LEATHER = (F.LEATHER,)


@dataclass(frozen=True)
class Sample:
    """A piece, the photo of it, and what the stylist says of it."""

    file: str
    subject: Subject
    room: Room
    word: Word
    hung: bool = True
    """False for the ones that wait in the intake."""


def sample(
    file: str,
    label: str,
    category: C,
    lab: tuple[tuple[float, float, float], ...],
    room: Room,
    *,
    pattern: P = P.SOLID,
    repeat: float = 0.1,
    finish: tuple[F, ...] = (),
    style: str = "",
    size: float = 0.46,
    folds: float = 1.0,
    hardware: tuple[float, float, float] = (30.0, 3.0, 5.0),
    lining: tuple[float, float, float] = (28.0, 2.0, 4.0),
    hung: bool = True,
    pattern_said: P | None = None,
    **said: object,
) -> Sample:
    cloth = Cloth(lab, pattern, repeat, finish, folds)
    subject = Subject(category, cloth, style, lining=lining, hardware=hardware, size=size)
    word = Word(category=category, label=label, finish=finish or None, pattern=pattern_said, **said)  # type: ignore[arg-type]
    return Sample(file, subject, room, word, hung)


@dataclass(frozen=True)
class SampleLook:
    """A look that is kept for the sample client."""

    name: str
    pieces: tuple[str, ...]
    intent: Intent | None = None


@dataclass(frozen=True)
class SampleWall:
    """Looks that are made for the sample client, and how many of them are kept."""

    name: str
    number: int
    kept: int
    start: tuple[str, ...] = ()
    """Files of the pieces that they start from, each its share."""
    formality: tuple[float, float] | None = None
    warmth: float | None = None
    time: TimeOfDay = TimeOfDay.ANY


@dataclass(frozen=True)
class SampleCandidate:
    """A piece that the sample client may buy."""

    sample: Sample
    price: float
    size: str
    seen_at: str
    off_a_screen: bool = False


@dataclass(frozen=True)
class SampleWear:
    """What the sample client wore some days ago."""

    days_ago: int
    pieces: tuple[str, ...]
    """Files."""
    occasion: str = ""
    felt: str = ""
    note: str = ""


@dataclass(frozen=True)
class SampleEvent:
    """Something that happens on a day of a plan."""

    day: int
    """From the first day on."""
    name: str
    hour: int | None = None
    """None for what takes the whole day."""
    people: tuple[str, ...] = ()


@dataclass(frozen=True)
class SamplePlan:
    """Days that the sample client is dressed for."""

    name: str
    place: str
    first: int
    """Days from today on, or before it where it is less than none."""
    days: int
    events: tuple[SampleEvent, ...]
    locked: int | None = None
    """The place of the occasion whose look is locked."""
    word: str = ""
    """What the book of it says to the client; empty where there is no book."""


@dataclass(frozen=True)
class SampleCapsule:
    """The few pieces that are chosen for the sample client."""

    name: str
    pieces: int


@dataclass(frozen=True)
class SamplePortrait:
    """A portrait as it is sent in."""

    file: str
    lamp: tuple[float, float, float]
    veils: tuple[str, ...] = ()


@dataclass(frozen=True)
class SampleComparison:
    """A photo taken to compare: a cloth worn at the face, in the lamp and the exposure that the phone made of it."""

    file: str
    cloth: Lab
    lamp: tuple[float, float, float]


@dataclass(frozen=True)
class SampleClient:
    """A client with rail, looks and colouring."""

    name: str
    note: str
    sitter: Sitter
    portraits: tuple[SamplePortrait, ...]
    samples: tuple[Sample, ...]
    looks: tuple[SampleLook, ...]
    walls: tuple[SampleWall, ...] = ()
    candidates: tuple[SampleCandidate, ...] = ()
    consent_for: str = "Colour reading and looks, kept by the studio."
    about: dict[str, object] = field(default_factory=dict)
    kept: dict[str, dict[str, object]] = field(default_factory=dict)
    """What is kept about some pieces, by file."""
    wears: tuple[SampleWear, ...] = ()
    plans: tuple[SamplePlan, ...] = ()
    capsules: tuple[SampleCapsule, ...] = ()
    newest: tuple[str, ...] = ()
    """Files of the pieces that were hung at the last visit; the others hang for some weeks."""
    compared: tuple[SampleComparison, ...] = ()
    """The second one was found better."""
    trial: bool = False
    """Whether drapes have been held to the face."""
