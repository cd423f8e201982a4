"""The database file: opened in WAL mode with foreign keys on, and brought to the newest tables."""

import os
import sqlite3
from collections.abc import Callable, Iterator
from contextlib import closing, contextmanager
from pathlib import Path
from threading import Lock

import sqlalchemy as sa
from sqlalchemy.orm import Session, sessionmaker

from lucid_swatch.core.problems import Refused

from .upgrade import STEPS, NewerTables, form_of, upgrade

FILE = "lucid-swatch.sqlite"
BUSY_SECONDS = 20


class Sessions:
    """Sessions on one database: `sessions()` to read, `with sessions.begin()` to change.

    A change begins with the write lock, so that what it reads is still so when it writes, and takes its turn with the
    other changes of this process, which is fairer than asking SQLite again and again."""

    def __init__(self, engine: sa.Engine) -> None:
        self.engine = engine
        self._reading = sessionmaker(engine, expire_on_commit=False)
        self._writing = sessionmaker(engine.execution_options(writing=True), expire_on_commit=False)

    def __call__(self) -> Session:
        return self._reading()

    @contextmanager
    def begin(self) -> Iterator[Session]:
        """Commits when all went well, rolls back when it did not; then does what was asked for afterwards."""
        with self._writing.begin() as session:
            yield session
        for act in session.info.get(AFTERWARDS, ()):
            act(self)

    def scrub(self) -> bool:
        """Rebuilds the file and empties the log, so that nothing that was removed stays in a freed page.

        Whether it was done: others may be reading, or the disk be full; the rows are gone in any case."""
        with closing(self.engine.raw_connection()) as connection:
            for statement in ("vacuum", "pragma wal_checkpoint(truncate)"):
                try:
                    connection.cursor().execute(statement).fetchall()
                except sqlite3.OperationalError:
                    return False
        return True

    def copy_to(self, file: Path) -> None:
        """Writes a consistent copy, while others go on reading and writing. Source: SQLite's online backup."""
        with closing(self.engine.raw_connection()) as connection, closing(sqlite3.connect(file)) as copy:
            source = connection.driver_connection
            assert isinstance(source, sqlite3.Connection)
            source.backup(copy, pages=1024)
            copy.execute("pragma journal_mode = delete")

    def close(self) -> None:
        """Lets go of the file."""
        self.engine.dispose()


AFTERWARDS = "afterwards"


def afterwards(session: Session, act: Callable[[Sessions], None]) -> None:
    """Has something done once a change is committed, and not when it is rolled back; the same thing once."""
    acts = session.info.setdefault(AFTERWARDS, [])
    if act not in acts:
        acts.append(act)


def open_database(folder: Path) -> Sessions:
    """Sessions on the database of a data folder, made or migrated where needed.

    Refused when the folder cannot be written or the file is no database of ours; it is then left as it is."""
    file = folder / FILE
    try:
        # clients' photos are nobody else's
        folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        os.close(os.open(file, os.O_RDWR | os.O_CREAT, 0o600))
        sessions = connect(folder)
        with sessions() as session:
            session.execute(sa.text("select count(*) from sqlite_master")).scalar_one()
        upgrade(file)
    except sa.exc.DatabaseError as problem:
        raise Refused(_what(problem), str(file), _DO) from None
    except NewerTables:
        raise Refused("the wardrobe was kept by a newer version.", str(file), "Start that version instead.") from None
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(
            f"the data folder cannot be used ({reason}).", str(folder), "Set LUCID_SWATCH_DATA to one that can."
        ) from None
    return sessions


_DO = "Nothing was changed. Run 'lucid-swatch check', or put a backup back with 'lucid-swatch restore FILE'."


def _what(problem: sa.exc.DatabaseError) -> str:
    reason = str(problem.orig).lower()
    if "full" in reason or "disk i/o" in reason:
        return "the disk is full or cannot be written."
    if "readonly" in reason or "read-only" in reason or "unable to open" in reason:
        return "the database cannot be written."
    if "locked" in reason:
        return "another program holds the database."
    return "this is not a whole database."


def connect(folder: Path) -> Sessions:
    """Sessions on an existing database, without touching its tables."""
    engine = sa.create_engine(
        f"sqlite:///{folder / FILE}",
        connect_args={"timeout": BUSY_SECONDS, "check_same_thread": False},
        poolclass=sa.pool.QueuePool,
        pool_size=8,
        max_overflow=-1,
        # what is kept about a client has no place in a log
        hide_parameters=True,
    )
    turn = Lock()

    def begin(connection: sa.Connection) -> None:
        if not connection.get_execution_options().get("writing"):
            connection.exec_driver_sql("begin")
            return
        turn.acquire()
        connection.info["has the turn"] = True
        connection.exec_driver_sql("begin immediate")

    def end(_: object, record: sa.pool.ConnectionPoolEntry) -> None:
        if record.info.pop("has the turn", False):
            turn.release()

    sa.event.listen(engine, "connect", _prepare)
    sa.event.listen(engine, "begin", begin)
    sa.event.listen(engine, "checkin", end)
    return Sessions(engine)


def _prepare(connection: sqlite3.Connection, _: object) -> None:
    connection.isolation_level = None  # what begins is said above
    cursor = connection.cursor()
    for pragma in ("journal_mode = wal", "foreign_keys = on", "synchronous = full", "secure_delete = on"):
        cursor.execute(f"pragma {pragma}")
    cursor.close()


def has_older_tables(folder: Path) -> bool:
    """Whether there is a database that will be migrated when it is opened. Whatever it cannot be told of is none."""
    file = folder / FILE
    if not file.is_file() or file.stat().st_size == 0:
        return False
    form = form_of(file)
    return form is not None and form in STEPS[:-1]
