"""What the repositories give and take: plain values, no rows."""

from dataclasses import dataclass, field
from datetime import date, datetime
from enum import StrEnum
from typing import Any

import numpy as np

from lucid_swatch.core.client.trial import TrialReading
from lucid_swatch.core.client.whole import FaceColours, WholeColouring, whole_colouring
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Undertone
from lucid_swatch.core.look.look import Conventions, Intent


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


@dataclass(frozen=True, slots=True)
class FaceRecord:
    """Skin, hair and eyes from one source, as kept. A portrait has its pictures under its id."""

    id: str
    client_id: str
    source: FaceSource
    created_at: datetime
    name: str = ""
    spots: dict[str, Any] = field(default_factory=dict)
    """Places of skin, hair and eyes, in fractions of the portrait."""
    neutral: dict[str, Any] | None = None
    veils: tuple[str, ...] = ()
    """What stands between: make-up, dyed hair, tinted glasses, flash."""
    light: dict[str, Any] | None = None
    note: str = ""
    """Why the stylist has to put the spots."""
    colours: dict[str, Any] = field(default_factory=dict)
    """CIELAB by part."""
    doubts: dict[str, float] = field(default_factory=dict)
    """CIEDE2000 by part."""
    in_use: bool = True
    reading_number: int = 0


@dataclass(frozen=True, slots=True)
class TrialRecord:
    """Drapes held to a client's face, as kept."""

    id: str
    client_id: str
    created_at: datetime
    drapes: tuple[dict[str, Any], ...]
    """Name, CIELAB and piece of each."""
    held: tuple[dict[str, Any], ...] = ()
    """Left, right and the verdict of each pair, in order."""
    ended_at: datetime | None = None
    reading: dict[str, Any] | None = None
    """What it has told so far."""


@dataclass(frozen=True, slots=True)
class SideBySide:
    """Two things that were compared at the face, as kept."""

    id: str
    client_id: str
    created_at: datetime
    left: dict[str, Any]
    right: dict[str, Any]
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
    light: dict[str, Any]
    ground: list[Any] | None
    """What lies behind the person, as the core tells it; none where too little is seen of it."""
    face: list[float] | None
    """Left, top, width and height of the frame round a near face, in pixels."""
    figure: list[float]
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
    about: dict[str, Any] = field(default_factory=dict)
    """What they dress for, refuse and always wear: the document of formats.client."""
    dismissed: tuple[str, ...] = ()
    """Notes on looks that the stylist waved away."""
    faces: tuple[FaceRecord, ...] = ()
    trial: dict[str, Any] | None = None
    """What the newest trial with a verdict has told."""

    @property
    def whole(self) -> WholeColouring:
        """Everything that is known of the colouring."""
        used = [face for face in self.faces if face.in_use]
        faces = [FaceColours({p: np.array(lab) for p, lab in f.colours.items()}, f.doubts) for f in used]
        trial = None if self.trial is None else TrialReading(**self.trial)
        return whole_colouring(faces, trial, self.undertone)

    @property
    def portrait(self) -> FaceRecord | None:
        """The portrait that stands for the client: the newest in use."""
        kept = [f for f in self.faces if f.source is FaceSource.PORTRAIT and f.reading_number]
        return max(kept, key=lambda f: (f.in_use, f.created_at)) if kept else None


@dataclass(frozen=True, slots=True)
class PhotoRecord:
    """A photo as kept."""

    id: str
    client_id: str
    name: str
    file: str
    created_at: datetime
    state: PhotoState = PhotoState.WAITING
    stage: str = ""
    problem: dict[str, Any] | None = None
    neutral: dict[str, Any] | None = None
    outline: list[Any] | None = None
    strokes: tuple[dict[str, Any], ...] = ()
    reading: dict[str, Any] | None = None
    light: dict[str, Any] | None = None
    series_light: dict[str, Any] | None = None
    reader: list[float] | None = None
    likeness: dict[str, Any] | None = None
    not_same: tuple[str, ...] = ()
    proposal: dict[str, Any] | None = None
    reading_number: int = 0
    revision: int = 0


@dataclass(frozen=True, slots=True)
class HungPiece:
    """A piece on a client's rail."""

    piece: Piece
    client_id: str
    created_at: datetime
    photo_id: str | None = None
    kept: dict[str, Any] = field(default_factory=dict)
    """What a wardrobe keeps about it: the document of formats.kept."""
    reading_number: int = 0
    """Of its photo, 0 before its pictures are made."""


@dataclass(frozen=True, slots=True)
class Entry:
    """One thing that a change touched. None stands for nothing there."""

    kind: str
    id: str
    before: dict[str, Any] | None
    after: dict[str, Any] | None


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
class PaletteRecord:
    """A few colours picked for a client, as kept."""

    id: str
    client_id: str
    name: str
    colours: tuple[dict[str, Any], ...]
    """CIELAB and name of each."""
    within: float
    created_at: datetime


@dataclass(frozen=True, slots=True)
class KeptLook:
    """A look as kept: its pieces by id. The verdict is always made anew."""

    id: str
    client_id: str
    name: str
    piece_ids: tuple[str, ...]
    created_at: datetime
    intent: Intent | None = None
    kept: dict[str, Any] = field(default_factory=dict)
    """What is kept about it: the document of formats.kept_look."""
    verdicts: tuple[dict[str, Any], ...] = ()
    """Version of the weights, the whole and the day, each time another version judged it."""
