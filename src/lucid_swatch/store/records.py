"""What the repositories give and take: plain values, no rows."""

from collections.abc import Mapping
from dataclasses import dataclass, field
from datetime import date, datetime
from enum import StrEnum
from typing import Any

import numpy as np

from lucid_swatch.core.client.about import About
from lucid_swatch.core.client.frame import Frame
from lucid_swatch.core.client.portrait import Spot
from lucid_swatch.core.client.reading import Veil
from lucid_swatch.core.client.trial import Held, TrialReading
from lucid_swatch.core.client.whole import FaceColours, WholeColouring, whole_colouring
from lucid_swatch.core.colour.arrays import Lab
from lucid_swatch.core.garment.particulars import Particulars
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.garment.vocabulary import Undertone
from lucid_swatch.core.look.look import Conventions
from lucid_swatch.core.photo.evidence import Evidence
from lucid_swatch.core.photo.light import Light, SeriesLight
from lucid_swatch.core.photo.likeness import PhotoMarks
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.photo.strokes import Point, Stroke
from lucid_swatch.core.problems import ProblemText


class PhotoState(StrEnum):
    """How far a photo has come."""

    WAITING = "waiting"
    READING = "reading"
    READ = "read"
    FAILED = "failed"
    HUNG = "hung"
    NOT_NOW = "not now"


class FaceSource(StrEnum):
    """Where the colours of a face come from."""

    PORTRAIT = "portrait"
    READER = "colour reader"
    EYE = "by eye"


class JobKind(StrEnum):
    """What takes long and is done beside the screens."""

    READ = "read"
    """A photo that came in, or was corrected."""
    READ_AGAIN = "read again"
    """A photo, beside what was read of it before."""
    TAKE_OVER = "take over"
    """A newer reading of a photo, in the place of the older."""
    PICTURES = "pictures"
    """Those of a photo that is read already and came from elsewhere, or lost them."""
    MAKE = "make"
    """The looks of a wall."""
    CAPSULE = "capsule"
    """The pieces of a capsule."""
    FILL = "fill"
    """The days of a plan."""
    BOOK = "book"
    """The files of a book."""


class JobState(StrEnum):
    """How far a job has come. What is done, or was stopped, is no job any more."""

    WAITING = "waiting"
    UNDER_WAY = "under way"


class SideKind(StrEnum):
    """What is on a side of a comparison."""

    PIECE = "piece"
    LOOK = "look"
    PHOTO = "photo"
    NOTHING = "nothing"


@dataclass(frozen=True, slots=True)
class JobRecord:
    """Something that takes long, from when it is asked for until it is done."""

    id: str
    client_id: str
    kind: JobKind
    about: str
    """Id of what it is done to."""
    asked_at: datetime
    state: JobState = JobState.WAITING
    stage: str = ""
    """What is being done right now, in words."""
    done: float | None = None
    """Share that is done, 0..1, where that is known."""


@dataclass(frozen=True, slots=True)
class FaceRecord:
    """Skin, hair and eyes from one source, as kept. A portrait has its pictures under its id."""

    id: str
    client_id: str
    source: FaceSource
    created_at: datetime
    name: str = ""
    spots: Mapping[str, tuple[Spot, ...]] = field(default_factory=dict)
    """Places of skin, hair and eyes, in fractions of the portrait."""
    neutral: NeutralPoint | None = None
    veils: tuple[Veil, ...] = ()
    """What stands between: make-up, dyed hair, tinted glasses, flash."""
    light: Light | None = None
    note: str = ""
    """Why the stylist has to put the spots."""
    colours: Mapping[str, Lab] = field(default_factory=dict)
    """By part."""
    doubts: Mapping[str, float] = field(default_factory=dict)
    """CIEDE2000 by part."""
    in_use: bool = True
    """Whether it counts for the client's colouring."""
    reading_number: int = 0


@dataclass(frozen=True, slots=True)
class HeldDrape:
    """A cloth that is held to the face."""

    name: str
    lab: Lab
    piece_id: str | None = None
    """The piece that lends it."""


@dataclass(frozen=True, slots=True)
class HeldPair:
    """Two drapes, by their places, and the verdict on them."""

    left: int
    right: int
    held: Held


@dataclass(frozen=True, slots=True)
class TrialRecord:
    """Drapes held to a client's face, as kept."""

    id: str
    client_id: str
    created_at: datetime
    drapes: tuple[HeldDrape, ...]
    held: tuple[HeldPair, ...] = ()
    """In order."""
    ended_at: datetime | None = None
    reading: TrialReading | None = None
    """What it has told so far."""


@dataclass(frozen=True, slots=True)
class Side:
    """What was on a side of a comparison, with the name it had then."""

    kind: SideKind
    id: str
    label: str


@dataclass(frozen=True, slots=True)
class SideBySide:
    """Two things that were compared at the face, as kept."""

    id: str
    client_id: str
    created_at: datetime
    left: Side
    right: Side
    better: str | None = None
    note: str = ""


@dataclass(frozen=True, slots=True)
class ComparedPhoto:
    """A photo of a client, taken to compare, as kept. Its pictures lie under its id."""

    id: str
    client_id: str
    created_at: datetime
    name: str
    rows: int
    columns: int
    """Of the relit picture."""
    light: Light
    ground: tuple[tuple[float, ...], ...] | None
    """What lies behind the person, as the core tells it; none where too little is seen of it."""
    face: Frame | None
    """The frame round a near face, in pixels."""
    figure: Frame
    """The same of the whole figure."""


@dataclass(frozen=True, slots=True)
class ClientRecord:
    """A client as kept."""

    id: str
    name: str
    consent_on: date
    created_at: datetime
    note: str = ""
    consent_for: str = ""
    consent_withdrawn_on: date | None = None
    archived_at: datetime | None = None
    undertone: Undertone | None = None
    """The stylist's verdict."""
    conventions: Conventions = field(default_factory=Conventions)
    about: About = field(default_factory=About)
    """What they dress for, refuse and always wear."""
    dismissed: tuple[str, ...] = ()
    """Notes on looks that the stylist waved away."""
    faces: tuple[FaceRecord, ...] = ()
    trial: TrialReading | None = None
    """What the newest trial with a verdict has told."""

    @property
    def whole(self) -> WholeColouring:
        """Everything that is known of the colouring."""
        used = [face for face in self.faces if face.in_use]
        faces = [FaceColours({p: np.array(lab) for p, lab in f.colours.items()}, dict(f.doubts)) for f in used]
        return whole_colouring(faces, self.trial, self.undertone)

    @property
    def portrait(self) -> FaceRecord | None:
        """The portrait that stands for the client: the newest in use."""
        kept = [f for f in self.faces if f.source is FaceSource.PORTRAIT and f.reading_number]
        return max(kept, key=lambda f: (f.in_use, f.created_at)) if kept else None


Polygon = tuple[Point, ...]


@dataclass(frozen=True, slots=True)
class PhotoRecord:
    """A photo as kept."""

    id: str
    client_id: str
    name: str
    file: str
    """Name in the photos folder."""
    created_at: datetime
    state: PhotoState = PhotoState.WAITING
    problem: ProblemText | None = None
    """Why it could not be read."""
    neutral: NeutralPoint | None = None
    """What the stylist tapped."""
    outline: tuple[Polygon, ...] | None = None
    """Closed, in fractions of the photo."""
    strokes: tuple[Stroke, ...] = ()
    """What the stylist drew to mend the outline, oldest first."""
    reading: Reading | None = None
    light: Light | None = None
    """What it was last read in, so that others of the same series can take it."""
    series_light: SeriesLight | None = None
    reader: Lab | None = None
    """The cloth as the colour reader read it."""
    likeness: PhotoMarks | None = None
    not_same: tuple[str, ...] = ()
    """Ids of photos that the stylist says show something else."""
    newer: Reading | None = None
    """A newer reading that was not taken over yet."""
    evidence: Evidence | None = None
    """What it tells of the light by itself, and of the ground that links it to others."""
    paper: bool | None = None
    """Whether what may be paper in it is paper, where the stylist said so."""
    room: str | None = None
    """The photo whose room the stylist says it belongs to: itself where it begins one. None where its ground tells."""
    lent_by: str | None = None
    """The photo whose paper, card or mark told the light it was last read in."""
    taken_at: float | None = None
    """Seconds by the clock of the camera, where the file said so."""
    camera: str | None = None
    """The same for photos of one make and model of camera, where the file said so."""
    sent_with: str | None = None
    """The same for photos that came in one go."""
    reading_number: int = 0
    """Rises with every reading that made pictures, so that those of an older one are not shown; 0 before any."""


@dataclass(frozen=True, slots=True)
class HungPiece:
    """A piece on a client's rail."""

    piece: Piece
    client_id: str
    created_at: datetime
    photo_id: str | None = None
    particulars: Particulars = field(default_factory=Particulars)
    reading_number: int = 0
    """Of its photo, 0 before its pictures are made."""


Snapshot = dict[str, Any]
"""All values of a thing as the journal keeps them, as JSON takes them."""


@dataclass(frozen=True, slots=True)
class Entry:
    """One thing that a change touched. None stands for nothing there."""

    kind: str
    id: str
    before: Snapshot | None
    after: Snapshot | None


@dataclass(frozen=True, slots=True)
class ChangeRecord:
    """A change of a rail, as kept."""

    id: int
    client_id: str
    told: str
    entries: tuple[Entry, ...]
    made_at: datetime
    taken_back: bool = False


@dataclass(frozen=True, slots=True)
class NamedColour:
    """A colour of a palette."""

    name: str
    lab: Lab


@dataclass(frozen=True, slots=True)
class PaletteRecord:
    """A few colours picked for a client, as kept."""

    id: str
    client_id: str
    name: str
    colours: tuple[NamedColour, ...]
    within: float
    """CIEDE2000 up to which a piece is in it."""
    created_at: datetime
