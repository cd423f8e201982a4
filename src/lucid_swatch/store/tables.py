"""The tables. Words are stored as the open formats spell them."""

from collections.abc import Mapping
from datetime import UTC, date, datetime
from enum import Enum
from typing import Any

import sqlalchemy as sa
from sqlalchemy.orm import DeclarativeBase, Mapped, column_property, mapped_column, relationship

from lucid_swatch.core.client.about import About
from lucid_swatch.core.client.frame import Frame
from lucid_swatch.core.client.portrait import Spot
from lucid_swatch.core.client.reading import Veil
from lucid_swatch.core.client.trial import TrialReading
from lucid_swatch.core.colour.arrays import Lab
from lucid_swatch.core.garment.details import Details
from lucid_swatch.core.garment.particulars import Particulars
from lucid_swatch.core.garment.reading import Reading
from lucid_swatch.core.garment.seen import Seen
from lucid_swatch.core.garment.vocabulary import (
    Bin,
    Category,
    Finish,
    Length,
    Metal,
    Part,
    PatternType,
    Scale,
    Undertone,
    Volume,
    Worn,
)
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.look.book.kept_book import Holds, KeptPage, MadeAs, MadeFile, PaperSize
from lucid_swatch.core.look.buying.candidate import Judged, Source
from lucid_swatch.core.look.kept_look import LookParticulars, PastVerdict
from lucid_swatch.core.look.look import Conventions, Intent
from lucid_swatch.core.look.making.wall import Spare, WallLook
from lucid_swatch.core.look.making.wanted import Wanted
from lucid_swatch.core.look.planning.capsule import Capsule
from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.look.planning.kept_capsule import CapsuleWish
from lucid_swatch.core.look.planning.plan import Event
from lucid_swatch.core.look.wearing.wear import Felt
from lucid_swatch.core.photo.evidence import Evidence
from lucid_swatch.core.photo.light import Light, SeriesLight
from lucid_swatch.core.photo.likeness import PhotoMarks
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.core.photo.strokes import Stroke
from lucid_swatch.core.problems import ProblemText

from .records import FaceSource, HeldDrape, HeldPair, JobKind, JobState, NamedColour, PhotoState, Polygon, Side
from .values import KeptEvidence, KeptLight, KeptReading, KeptSeriesLight, Value


class Moment(sa.types.TypeDecorator[datetime]):
    """A point in time, kept in UTC: SQLite forgets the zone."""

    impl = sa.DateTime
    cache_ok = True

    def process_bind_param(self, value: datetime | None, dialect: sa.Dialect) -> datetime | None:
        return None if value is None else value.astimezone(UTC).replace(tzinfo=None)

    def process_result_value(self, value: datetime | None, dialect: sa.Dialect) -> datetime | None:
        return None if value is None else value.replace(tzinfo=UTC)


class Base(DeclarativeBase):
    """Naming of constraints, so that migrations can refer to them."""

    metadata = sa.MetaData(
        naming_convention={
            "ix": "ix_%(table_name)s_%(column_0_name)s",
            "uq": "uq_%(table_name)s_%(column_0_name)s",
            "fk": "fk_%(table_name)s_%(column_0_name)s",
            "pk": "pk_%(table_name)s",
        }
    )
    type_annotation_map = {  # noqa: RUF012
        Enum: sa.Enum(
            Enum, native_enum=False, create_constraint=False, length=32, values_callable=lambda e: [m.value for m in e]
        ),
        datetime: Moment,
        dict[str, Any]: sa.JSON,
        list[Any]: sa.JSON,
    }


def whose() -> Mapped[str]:
    """The client whose row it is: it goes with them. What else follows from it stands in owned.py."""
    return mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"), index=True)


class ClientRow(Base):
    """A client."""

    __tablename__ = "client"

    id: Mapped[str] = mapped_column(primary_key=True)
    name: Mapped[str]
    note: Mapped[str] = mapped_column(default="")
    consent_on: Mapped[date]
    """The day on which the client agreed to be photographed."""
    consent_for: Mapped[str] = mapped_column(default="")
    """What for, in the client's words."""
    consent_withdrawn_on: Mapped[date | None]
    archived_at: Mapped[datetime | None]
    undertone: Mapped[Undertone | None]
    conventions: Mapped[Conventions] = mapped_column(Value(Conventions))
    """The schools of a client; what the whole studio does otherwise is kept with the studio."""
    about: Mapped[About] = mapped_column(Value(About), default=About)
    dismissed: Mapped[tuple[str, ...]] = mapped_column(Value(tuple[str, ...]), default=())
    """Notes on looks that the stylist waved away, by their keys."""
    created_at: Mapped[datetime]
    faces: Mapped[list["FaceRow"]] = relationship(order_by="FaceRow.created_at", lazy="selectin", viewonly=True)
    trials: Mapped[list["TrialRow"]] = relationship(order_by="TrialRow.created_at", lazy="selectin", viewonly=True)


class FaceRow(Base):
    """Skin, hair and eyes of a client from one source."""

    __tablename__ = "face"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    source: Mapped[FaceSource]
    name: Mapped[str] = mapped_column(default="")
    spots: Mapped[dict[str, tuple[Spot, ...]]] = mapped_column(Value(dict[str, tuple[Spot, ...]]))
    neutral: Mapped[NeutralPoint | None] = mapped_column(Value(NeutralPoint))
    veils: Mapped[tuple[Veil, ...]] = mapped_column(Value(tuple[Veil, ...]))
    light: Mapped[Light | None] = mapped_column(Value(KeptLight))
    note: Mapped[str] = mapped_column(default="")
    colours: Mapped[dict[str, Lab]] = mapped_column(Value(dict[str, Lab]))
    doubts: Mapped[dict[str, float]] = mapped_column(Value(dict[str, float]))
    in_use: Mapped[bool] = mapped_column(default=True)
    reading_number: Mapped[int] = mapped_column(default=0)
    created_at: Mapped[datetime]


class TrialRow(Base):
    """Drapes held to a client's face, two at a time."""

    __tablename__ = "trial"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    drapes: Mapped[tuple[HeldDrape, ...]] = mapped_column(Value(tuple[HeldDrape, ...]))
    held: Mapped[tuple[HeldPair, ...]] = mapped_column(Value(tuple[HeldPair, ...]))
    reading: Mapped[TrialReading | None] = mapped_column(Value(TrialReading))
    created_at: Mapped[datetime]
    ended_at: Mapped[datetime | None]


class SideBySideRow(Base):
    """Two things compared at a client's face."""

    __tablename__ = "side_by_side"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    left: Mapped[Side] = mapped_column(Value(Side))
    right: Mapped[Side] = mapped_column(Value(Side))
    better: Mapped[str | None]
    note: Mapped[str] = mapped_column(default="")
    created_at: Mapped[datetime]


class ComparedPhotoRow(Base):
    """A photo of a client, taken to compare."""

    __tablename__ = "compared_photo"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    name: Mapped[str]
    rows: Mapped[int]
    columns: Mapped[int]
    light: Mapped[Light] = mapped_column(Value(KeptLight))
    ground: Mapped[tuple[tuple[float, ...], ...] | None] = mapped_column(Value(tuple[tuple[float, ...], ...]))
    face: Mapped[Frame | None] = mapped_column(Value(Frame))
    figure: Mapped[Frame] = mapped_column(Value(Frame))
    created_at: Mapped[datetime]


class PhotoRow(Base):
    """A photo of a garment and what was read from it."""

    __tablename__ = "photo"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    name: Mapped[str]
    file: Mapped[str]
    state: Mapped[PhotoState]
    problem: Mapped[ProblemText | None] = mapped_column(Value(ProblemText))
    neutral: Mapped[NeutralPoint | None] = mapped_column(Value(NeutralPoint))
    outline: Mapped[tuple[Polygon, ...] | None] = mapped_column(Value(tuple[Polygon, ...]))
    strokes: Mapped[tuple[Stroke, ...]] = mapped_column(Value(tuple[Stroke, ...]), default=())
    reading: Mapped[Reading | None] = mapped_column(Value(KeptReading))
    """The measurement document; a stylist's word lies in the piece and never here."""
    light: Mapped[Light | None] = mapped_column(Value(KeptLight))
    series_light: Mapped[SeriesLight | None] = mapped_column(Value(KeptSeriesLight))
    reader: Mapped[Lab | None] = mapped_column(Value(Lab))
    likeness: Mapped[PhotoMarks | None] = mapped_column(Value(PhotoMarks))
    not_same: Mapped[tuple[str, ...]] = mapped_column(Value(tuple[str, ...]), default=())
    newer: Mapped[Reading | None] = mapped_column(Value(KeptReading))
    evidence: Mapped[Evidence | None] = mapped_column(Value(KeptEvidence))
    paper: Mapped[bool | None]
    room: Mapped[str | None]
    lent_by: Mapped[str | None]
    taken_at: Mapped[float | None]
    camera: Mapped[str | None]
    sent_with: Mapped[str | None]
    reading_number: Mapped[int] = mapped_column(default=0)
    created_at: Mapped[datetime]


class JobRow(Base):
    """Something that takes long: asked for, or under way."""

    __tablename__ = "job"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    kind: Mapped[JobKind]
    about: Mapped[str] = mapped_column(index=True)
    state: Mapped[JobState]
    stage: Mapped[str] = mapped_column(default="")
    done: Mapped[float | None]
    asked_at: Mapped[datetime]


class StudioRow(Base):
    """Something kept for the whole studio and not for one client: the measured card, the watched folder."""

    __tablename__ = "studio"

    key: Mapped[str] = mapped_column(primary_key=True)
    value: Mapped[dict[str, Any]]


class GoingRow(Base):
    """A file or folder of pictures that was let go of and is still to be removed."""

    __tablename__ = "going"

    kind: Mapped[str] = mapped_column(primary_key=True)
    """The folder it lies in, below the data folder."""
    name: Mapped[str] = mapped_column(primary_key=True)


class PieceRow(Base):
    """A piece on a rail."""

    __tablename__ = "piece"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    photo_id: Mapped[str | None] = mapped_column(sa.ForeignKey("photo.id", ondelete="SET NULL"), unique=True)
    label: Mapped[str]
    category: Mapped[Category]
    pattern: Mapped[PatternType]
    pattern_confidence: Mapped[float]
    scale: Mapped[Scale | None]
    finish: Mapped[tuple[Finish, ...]] = mapped_column(Value(tuple[Finish, ...]))
    metal: Mapped[Metal]
    volume: Mapped[Volume | None]
    length: Mapped[Length | None]
    details: Mapped[Details] = mapped_column(Value(Details), default=Details)
    seen: Mapped[Seen] = mapped_column(Value(Seen), default=Seen)
    """What its photo tells of what nobody has said."""
    formality: Mapped[float | None]
    warmth: Mapped[float | None]
    statement: Mapped[float | None]
    worn: Mapped[Worn | None]
    bin_said: Mapped[Bin | None]
    """Where the stylist hangs it, when that is not where the colours say."""
    particulars: Mapped[Particulars] = mapped_column(Value(Particulars), default=Particulars)
    created_at: Mapped[datetime]
    reading_number: Mapped[int | None] = column_property(
        sa.select(PhotoRow.reading_number).where(PhotoRow.id == photo_id).correlate_except(PhotoRow).scalar_subquery()
    )
    """Of its photo: the pictures that are there."""
    colours: Mapped[list["PieceColourRow"]] = relationship(
        cascade="all, delete-orphan", order_by="PieceColourRow.position", lazy="selectin"
    )


class PieceColourRow(Base):
    """One colour of a piece."""

    __tablename__ = "piece_colour"

    piece_id: Mapped[str] = mapped_column(sa.ForeignKey("piece.id", ondelete="CASCADE"), primary_key=True)
    position: Mapped[int] = mapped_column(primary_key=True)
    lightness: Mapped[float]
    a: Mapped[float]
    b: Mapped[float]
    share: Mapped[float]
    part: Mapped[Part]
    uncertainty: Mapped[float | None]


class LookRow(Base):
    """A kept look."""

    __tablename__ = "look"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    name: Mapped[str]
    intent: Mapped[Intent | None]
    particulars: Mapped[LookParticulars] = mapped_column(Value(LookParticulars), default=LookParticulars)
    verdicts: Mapped[tuple[PastVerdict, ...]] = mapped_column(Value(tuple[PastVerdict, ...]), default=())
    """Version of the weights, the whole and the day, each time another version judged it."""
    created_at: Mapped[datetime]
    pieces: Mapped[list["LookPieceRow"]] = relationship(
        cascade="all, delete-orphan", order_by="LookPieceRow.position", lazy="selectin"
    )


class LookPieceRow(Base):
    """A piece of a kept look."""

    __tablename__ = "look_piece"

    look_id: Mapped[str] = mapped_column(sa.ForeignKey("look.id", ondelete="CASCADE"), primary_key=True)
    position: Mapped[int] = mapped_column(primary_key=True)
    piece_id: Mapped[str] = mapped_column(sa.ForeignKey("piece.id", ondelete="RESTRICT"), index=True)


class WallRow(Base):
    """Looks that were made for one question, side by side."""

    __tablename__ = "wall"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    name: Mapped[str]
    wanted: Mapped[Wanted] = mapped_column(Value(Wanted))
    asked: Mapped[Wanted | None] = mapped_column(Value(Wanted))
    looks: Mapped[tuple[WallLook, ...]] = mapped_column(Value(tuple[WallLook, ...]), default=())
    """By the ids of their pieces: what no longer hangs on the rail is left away where they are shown."""
    spares: Mapped[tuple[Spare, ...]] = mapped_column(Value(tuple[Spare, ...]), default=())
    dropped: Mapped[tuple[tuple[str, ...], ...]] = mapped_column(Value(tuple[tuple[str, ...], ...]), default=())
    lack: Mapped[str] = mapped_column(default="")
    base_looks: Mapped[int] = mapped_column(default=0)
    good: Mapped[int] = mapped_column(default=0)
    left_out: Mapped[dict[str, str]] = mapped_column(Value(dict[str, str]), default=dict)
    made_at: Mapped[datetime | None]
    created_at: Mapped[datetime]


class CandidateRow(Base):
    """A piece that may be bought."""

    __tablename__ = "candidate"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    source: Mapped[Source]
    word: Mapped[Word] = mapped_column(Value(Word), default=Word)
    photo_id: Mapped[str | None] = mapped_column(sa.ForeignKey("photo.id", ondelete="SET NULL"), unique=True)
    colours: Mapped[tuple[Lab, ...]] = mapped_column(Value(tuple[Lab, ...]), default=())
    uncertainty: Mapped[float | None]
    particulars: Mapped[Particulars] = mapped_column(Value(Particulars), default=Particulars)
    seen_at: Mapped[str] = mapped_column(default="")
    judged: Mapped[Judged | None] = mapped_column(Value(Judged))
    before: Mapped[Judged | None] = mapped_column(Value(Judged))
    created_at: Mapped[datetime]


class CapsuleRow(Base):
    """A few pieces that carry most good looks."""

    __tablename__ = "capsule"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    name: Mapped[str]
    wish: Mapped[CapsuleWish] = mapped_column(Value(CapsuleWish))
    pieces: Mapped[int]
    curve: Mapped[tuple[Capsule, ...]] = mapped_column(Value(tuple[Capsule, ...]), default=())
    """By the ids of their pieces: what no longer hangs on the rail is left away where they are shown."""
    bag_ids: Mapped[tuple[str, ...]] = mapped_column(Value(tuple[str, ...]), default=())
    lack: Mapped[str] = mapped_column(default="")
    chosen_at: Mapped[datetime | None]
    created_at: Mapped[datetime]


class LookBookRow(Base):
    """What a client takes home."""

    __tablename__ = "look_book"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    title: Mapped[str]
    pages: Mapped[tuple[KeptPage, ...]] = mapped_column(Value(tuple[KeptPage, ...]), default=())
    """By the ids of their pieces: what no longer hangs on the rail is told where they are shown."""
    holds: Mapped[Holds] = mapped_column(Value(Holds))
    by: Mapped[str] = mapped_column(default="")
    word: Mapped[str] = mapped_column(default="")
    paper: Mapped[PaperSize]
    asked: Mapped[tuple[MadeAs, ...]] = mapped_column(Value(tuple[MadeAs, ...]), default=())
    made: Mapped[tuple[MadeFile, ...]] = mapped_column(Value(tuple[MadeFile, ...]), default=())
    lack: Mapped[str] = mapped_column(default="")
    created_at: Mapped[datetime]
    changed_at: Mapped[datetime]


class PlanRow(Base):
    """Some days with the looks that hang on them."""

    __tablename__ = "plan"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    name: Mapped[str]
    first: Mapped[date]
    days: Mapped[int]
    place: Mapped[str] = mapped_column(default="")
    events: Mapped[tuple[Event, ...]] = mapped_column(Value(tuple[Event, ...]), default=())
    weather: Mapped[Mapping[date, Weather]] = mapped_column(Value(dict[date, Weather]), default=dict)
    forecast: Mapped[str] = mapped_column(default="")
    rest: Mapped[int | None]
    away: Mapped[Mapping[str, date]] = mapped_column(Value(dict[str, date]), default=dict)
    capsule: Mapped[str | None]
    ticked: Mapped[tuple[str, ...]] = mapped_column(Value(tuple[str, ...]), default=())
    unmet: Mapped[tuple[str, ...]] = mapped_column(Value(tuple[str, ...]), default=())
    filled_at: Mapped[datetime | None]
    created_at: Mapped[datetime]


class WearRow(Base):
    """Pieces that were worn together on a day."""

    __tablename__ = "wear"
    __table_args__ = (sa.Index("ix_wear_client_id_on", "client_id", "on"),)

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"))
    on: Mapped[date]
    piece_ids: Mapped[tuple[str, ...]] = mapped_column(Value(tuple[str, ...]))
    look_id: Mapped[str | None]
    planned: Mapped[str | None]
    occasion: Mapped[str] = mapped_column(default="")
    felt: Mapped[Felt | None]
    note: Mapped[str] = mapped_column(default="")
    weather: Mapped[Weather | None] = mapped_column(Value(Weather))
    created_at: Mapped[datetime]


class ChangeRow(Base):
    """A change of a rail, with what was before and after it, so that it can be taken back."""

    __tablename__ = "change"

    id: Mapped[int] = mapped_column(primary_key=True, autoincrement=True)
    client_id: Mapped[str] = whose()
    format: Mapped[int] = mapped_column(default=1)
    """Of the entries: see journal_formats.py."""
    told: Mapped[str]
    """What was done, in words."""
    entries: Mapped[list[Any]]
    """Kind, id, before and after of everything it touched."""
    made_at: Mapped[datetime]
    taken_back: Mapped[bool] = mapped_column(default=False)


class PaletteRow(Base):
    """A few colours picked for a client."""

    __tablename__ = "palette"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = whose()
    name: Mapped[str]
    colours: Mapped[tuple[NamedColour, ...]] = mapped_column(Value(tuple[NamedColour, ...]))
    within: Mapped[float]
    """CIEDE2000 up to which a piece is in it."""
    created_at: Mapped[datetime]
