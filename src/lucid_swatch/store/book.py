"""What every repository does: find, list, write and let go of records, and say what one is for the journal."""

from collections.abc import Callable
from dataclasses import fields
from typing import Any, ClassVar, Generic, TypeVar, get_type_hints

import sqlalchemy as sa
from sqlalchemy.orm import Session

from lucid_swatch.core.problems import NotThere

from .records import Snapshot
from .tables import Base
from .values import Value, adapter_of, written

Record = TypeVar("Record")


class Book(Generic[Record]):
    """Records of one kind, each in a row whose columns have the names of its fields."""

    row: ClassVar[type[Any]]
    record: ClassVar[type[Any]]
    order: ClassVar[tuple[Any, ...]]
    """How a client's records are listed."""
    called: ClassVar[str]
    missing: ClassVar[str] = "Load the page again."
    """What to do when there is no such record."""

    def __init__(self, session: Session) -> None:
        self.session = session

    def get(self, id: str) -> Record:
        """One record. NotThere when there is none."""
        return self.of(self._row(id))

    def of_client(self, client_id: str) -> list[Record]:
        """A client's records, in the order of this book."""
        mine = sa.select(self.row).where(self.row.client_id == client_id).order_by(*self.order)
        return [self.of(row) for row in self.session.scalars(mine)]

    def add(self, record: Record) -> None:
        """Writes a new record. ValueError when a value is of another kind than its field."""
        row = self.row()
        self._fill(row, record)
        self.session.add(row)
        self.session.flush()

    def change(self, id: str, turn: Callable[[Record], Record]) -> Record:
        """Writes a record as some turn makes it of what it is now. NotThere when there is none."""
        row = self._row(id)
        self._fill(row, turn(self.of(row)))
        self.session.flush()
        return self.of(row)

    def remove(self, id: str) -> None:
        """Removes a record. NotThere when there is none."""
        self.session.delete(self._row(id))
        self.session.flush()

    def snapshot(self, id: str) -> Snapshot | None:
        """All values of a record; None when there is none."""
        row = self.session.get(self.row, id)
        return None if row is None else self.values(self.of(row))

    def restore(self, id: str, snapshot: Snapshot | None) -> None:
        """Makes a record what a snapshot says, which may be gone."""
        there = self.session.get(self.row, id) is not None
        if snapshot is None:
            if there:
                self.remove(id)
            return
        record = self._of_values(id, snapshot)
        if there:
            self.change(id, lambda now: record)
        else:
            self.add(record)

    def _row(self, id: str) -> Any:
        row = self.session.get(self.row, id)
        if row is None:
            raise NotThere(f"there is no such {self.called}.", id, self.missing)
        return row

    @classmethod
    def _names(cls) -> tuple[str, ...]:
        return tuple(one.name for one in fields(cls.record))

    @classmethod
    def of(cls, row: Any) -> Record:
        """The record in a row."""
        found: Record = cls.record(**{name: getattr(row, name) for name in cls._names()})
        return found

    def _fill(self, row: Base, record: Record) -> None:
        for name in self._names():
            setattr(row, name, getattr(record, name))

    @classmethod
    def values(cls, record: Record) -> Snapshot:
        """All values of a record as JSON takes them."""
        return {name: written(cls._kind(name), getattr(record, name)) for name in cls._names()}

    @classmethod
    def _of_values(cls, id: str, snapshot: Snapshot) -> Record:
        told = snapshot | {"id": id}
        values = {
            name: adapter_of(cls._kind(name)).validate_python(told[name]) for name in cls._names() if name in told
        }
        record: Record = cls.record(**values)
        return record

    @classmethod
    def _kind(cls, name: str) -> Any:
        """Of what kind a field is, in the words of its column where it has one."""
        column = cls.row.__table__.c.get(name)
        if column is not None and isinstance(column.type, Value):
            return column.type.kind | None if column.nullable else column.type.kind
        return get_type_hints(cls.record)[name]
