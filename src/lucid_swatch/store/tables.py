"""The tables. Words are stored as the open formats spell them."""

from datetime import UTC, date, datetime
from enum import Enum
from typing import Any

import sqlalchemy as sa
from sqlalchemy.orm import DeclarativeBase, Mapped, column_property, mapped_column, relationship

from lucid_swatch.core.garment.vocabulary import (
    Bin,
    Category,
    Length,
    Metal,
    Part,
    PatternType,
    Scale,
    Undertone,
    Volume,
    Worn,
)
from lucid_swatch.core.look.look import Intent

from .records import FaceSource, PhotoState


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
    conventions: Mapped[dict[str, Any]]
    about: Mapped[dict[str, Any]] = mapped_column(default=dict)
    """What they dress for, refuse and always wear."""
    dismissed: Mapped[list[Any]] = mapped_column(default=list)
    """Notes on looks that the stylist waved away, by their keys."""
    created_at: Mapped[datetime]
    faces: Mapped[list["FaceRow"]] = relationship(order_by="FaceRow.created_at", lazy="selectin", viewonly=True)
    trials: Mapped[list["TrialRow"]] = relationship(order_by="TrialRow.created_at", lazy="selectin", viewonly=True)


class FaceRow(Base):
    """Skin, hair and eyes of a client from one source."""

    __tablename__ = "face"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"), index=True)
    source: Mapped[FaceSource]
    name: Mapped[str] = mapped_column(default="")
    spots: Mapped[dict[str, Any]]
    neutral: Mapped[dict[str, Any] | None]
    veils: Mapped[list[Any]]
    light: Mapped[dict[str, Any] | None]
    note: Mapped[str] = mapped_column(default="")
    colours: Mapped[dict[str, Any]]
    doubts: Mapped[dict[str, Any]]
    in_use: Mapped[bool] = mapped_column(default=True)
    """Whether it counts for the client's colouring."""
    reading_number: Mapped[int] = mapped_column(default=0)
    created_at: Mapped[datetime]


class TrialRow(Base):
    """Drapes held to a client's face, two at a time."""

    __tablename__ = "trial"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"), index=True)
    drapes: Mapped[list[Any]]
    held: Mapped[list[Any]]
    reading: Mapped[dict[str, Any] | None]
    created_at: Mapped[datetime]
    ended_at: Mapped[datetime | None]


class SideBySideRow(Base):
    """Two things compared at a client's face."""

    __tablename__ = "side_by_side"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"), index=True)
    left: Mapped[dict[str, Any]]
    right: Mapped[dict[str, Any]]
    better: Mapped[str | None]
    note: Mapped[str] = mapped_column(default="")
    created_at: Mapped[datetime]


class ComparedPhotoRow(Base):
    """A photo of a client, taken to compare."""

    __tablename__ = "compared_photo"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"), index=True)
    name: Mapped[str]
    rows: Mapped[int]
    columns: Mapped[int]
    light: Mapped[dict[str, Any]]
    ground: Mapped[list[Any] | None]
    face: Mapped[list[Any] | None]
    figure: Mapped[list[Any]]
    created_at: Mapped[datetime]


class PhotoRow(Base):
    """A photo of a garment and what was read from it."""

    __tablename__ = "photo"

    id: Mapped[str] = mapped_column(primary_key=True)
    client_id: Mapped[str] = mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"), index=True)
    name: Mapped[str]
    file: Mapped[str]
    """Name in the photos folder."""
    state: Mapped[PhotoState]
    stage: Mapped[str] = mapped_column(default="")
    """What is being done with it right now."""
    problem: Mapped[dict[str, Any] | None]
    """What, where and what to do, when it could not be read."""
    neutral: Mapped[dict[str, Any] | None]
    """The tapped neutral: x, y and lightness."""
    outline: Mapped[list[Any] | None]
    """Closed polygons, in fractions of the photo."""
    strokes: Mapped[list[Any]] = mapped_column(default=list)
    """What the stylist drew to mend the outline, oldest first."""
    reading: Mapped[dict[str, Any] | None]
    """The measurement document; a stylist's word lies in the piece and never here."""
    light: Mapped[dict[str, Any] | None]
    """The light it was last read in, so that others of the same series can take it."""
    series_light: Mapped[dict[str, Any] | None]
    """The light taken from another photo of the series, and the id of that photo."""
    reader: Mapped[list[Any] | None]
    """CIELAB of the cloth as the colour reader read it."""
    likeness: Mapped[dict[str, Any] | None]
    """What tells whether another photo shows the same: the hash of the picture and the shape of the piece."""
    not_same: Mapped[list[Any]] = mapped_column(default=list)
    """Ids of photos that the stylist says show something else."""
    proposal: Mapped[dict[str, Any] | None]
    """A newer reading that was not taken over yet."""
    reading_number: Mapped[int] = mapped_column(default=0)
    """Rises with every reading that made pictures, so that those of an older one are not shown; 0 before any."""
    revision: Mapped[int] = mapped_column(default=0)
    """Rises with every correction, so that a reading that began before it is not taken for the answer to it."""
    created_at: Mapped[datetime]


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
    client_id: Mapped[str] = mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"), index=True)
    photo_id: Mapped[str | None] = mapped_column(sa.ForeignKey("photo.id", ondelete="SET NULL"), unique=True)
    label: Mapped[str]
    category: Mapped[Category]
    pattern: Mapped[PatternType]
    pattern_confidence: Mapped[float]
    scale: Mapped[Scale | None]
    finish: Mapped[list[Any]]
    metal: Mapped[Metal]
    volume: Mapped[Volume]
    length: Mapped[Length | None]
    formality: Mapped[float | None]
    warmth: Mapped[float | None]
    statement: Mapped[float | None]
    worn: Mapped[Worn | None]
    bin_said: Mapped[Bin | None]
    """Where the stylist hangs it, when that is not where the colours say."""
    kept: Mapped[dict[str, Any]] = mapped_column(default=dict)
    """What a wardrobe keeps about it beside its look: use, season, price, size, care, wear, the verdict of the day."""
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
    client_id: Mapped[str] = mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"), index=True)
    name: Mapped[str]
    intent: Mapped[Intent | None]
    kept: Mapped[dict[str, Any]] = mapped_column(default=dict)
    """Occasion, time of day, seasons, notes, ratings, and the look that it varies."""
    verdicts: Mapped[list[Any]] = mapped_column(default=list)
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


class ChangeRow(Base):
    """A change of a rail, with what was before and after it, so that it can be taken back."""

    __tablename__ = "change"

    id: Mapped[int] = mapped_column(primary_key=True, autoincrement=True)
    client_id: Mapped[str] = mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"), index=True)
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
    client_id: Mapped[str] = mapped_column(sa.ForeignKey("client.id", ondelete="CASCADE"), index=True)
    name: Mapped[str]
    colours: Mapped[list[Any]]
    """CIELAB and name of each."""
    within: Mapped[float]
    """CIEDE2000 up to which a piece is in it."""
    created_at: Mapped[datetime]
