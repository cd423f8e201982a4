"""What belongs to a client, told by the tables themselves, and what follows from it: how it is erased, taken out, tidied,
journalled. A new table that belongs to a client is named here once."""

from dataclasses import dataclass

import sqlalchemy as sa
from sqlalchemy.orm import Session

from .tables import (
    Base,
    CandidateRow,
    CapsuleRow,
    ChangeRow,
    ClientRow,
    ComparedPhotoRow,
    FaceRow,
    JobRow,
    LookBookRow,
    LookRow,
    PaletteRow,
    PhotoRow,
    PieceRow,
    PlanRow,
    SideBySideRow,
    TrialRow,
    WallRow,
    WearRow,
)


@dataclass(frozen=True, slots=True)
class Belongs:
    """How the rows of a table go with their client."""

    taken_out: str | None
    """The document of the client's archive that holds them; None with a reason in `why`."""
    journalled: str | None
    """The kind under which a change of them can be taken back; None with a reason in `why`."""
    pictures: bool = False
    """Whether files lie under the ids of the rows."""
    why: str = ""


OWNED: dict[type[Base], Belongs] = {
    PhotoRow: Belongs("rail.json", "photo", pictures=True),
    PieceRow: Belongs("rail.json", "piece"),
    LookRow: Belongs("looks.json", "look", pictures=True),
    FaceRow: Belongs("client.json", None, pictures=True, why="a portrait that is removed goes for good"),
    TrialRow: Belongs("client.json", "trial"),
    SideBySideRow: Belongs("client.json", "side by side"),
    ComparedPhotoRow: Belongs("compared/", None, pictures=True, why="a photo that is removed goes for good"),
    WallRow: Belongs("walls.json", "wall"),
    CandidateRow: Belongs("candidates.json", "candidate"),
    PaletteRow: Belongs("palettes.json", "palette"),
    CapsuleRow: Belongs("capsules.json", "capsule"),
    LookBookRow: Belongs("books.json", "lookbook", pictures=True),
    PlanRow: Belongs("plans.json", "plan"),
    WearRow: Belongs("wears.json", "wear"),
    ChangeRow: Belongs(None, None, why="the journal is how the studio steps back, and says nothing of its own"),
    JobRow: Belongs(None, None, why="what is still to be done is no record of anybody"),
}


def owned_tables() -> list[sa.Table]:
    """Every table whose rows go with a client, in the order in which they may go: what points at a row before the row."""
    return [table for table in reversed(Base.metadata.sorted_tables) if _way_to_client(table)]


def rows_of(table: sa.Table, client_id: str) -> sa.ColumnElement[bool]:
    """Which rows of a table belong to a client, found by its foreign keys. ValueError when none leads to a client."""
    for key in _way_to_client(table):
        if key.column.table.name == ClientRow.__tablename__:
            return key.parent == client_id
        owner = key.column.table
        return key.parent.in_(sa.select(key.column).where(rows_of(owner, client_id)))
    raise ValueError(f"{table.name} belongs to no client")


def _way_to_client(table: sa.Table) -> list[sa.ForeignKey]:
    """The foreign keys of a table that lead to a client, the straight one first."""
    keys = sorted(
        table.foreign_keys, key=lambda key: (key.column.table.name != ClientRow.__tablename__, str(key.parent))
    )
    return [key for key in keys if key.column.table.name == ClientRow.__tablename__ or _way_to_client(key.column.table)]


def owners_of_pictures(session: Session, client_id: str | None = None) -> list[str]:
    """Ids under which pictures lie, of one client or of all."""
    found: list[str] = []
    for row, belongs in OWNED.items():
        if belongs.pictures:
            table = row.__table__
            assert isinstance(table, sa.Table)
            wanted = sa.select(table.c.id)
            found += session.scalars(wanted if client_id is None else wanted.where(rows_of(table, client_id)))
    return found
