"""The database file: opened in WAL mode with foreign keys on, and brought to the newest tables."""

from pathlib import Path

import sqlalchemy as sa
from alembic import command
from alembic.config import Config
from alembic.util.exc import CommandError
from sqlalchemy.orm import Session, sessionmaker

from lucid_swatch.core.problems import Refused

FILE = "lucid-swatch.sqlite"
BUSY_SECONDS = 20

Sessions = sessionmaker[Session]


def open_database(folder: Path) -> Sessions:
    """Sessions on the database of a data folder, made or migrated where needed.

    Refused when the folder cannot be written or the file is no database of ours; it is then left as it is."""
    file = folder / FILE
    try:
        # clients' photos are nobody else's
        folder.mkdir(mode=0o700, parents=True, exist_ok=True)
        sessions = connect(folder)
        with sessions.begin() as session:
            session.execute(sa.text("select count(*) from sqlite_master")).scalar_one()
        _migrate(file)
    except sa.exc.DatabaseError as problem:
        raise Refused(_what(problem), str(file), _DO) from None
    except CommandError:
        raise Refused("the wardrobe was kept by a newer version.", str(file), "Start that version instead.") from None
    except OSError as problem:
        reason = (problem.strerror or "unknown reason").lower()
        raise Refused(
            f"the data folder cannot be used ({reason}).", str(folder), "Set LUCID_SWATCH_DATA to one that can."
        ) from None
    return sessions


_DO = "Move the file aside and put a backup in its place, or start afresh without it; nothing in it was changed."


def _what(problem: sa.exc.DatabaseError) -> str:
    reason = str(problem.orig).lower()
    if "full" in reason:
        return "the disk is full."
    if "readonly" in reason or "read-only" in reason or "unable to open" in reason:
        return "the database cannot be written."
    return "this is not a whole database."


def connect(folder: Path) -> Sessions:
    """Sessions on an existing database, without touching its tables."""
    engine = sa.create_engine(f"sqlite:///{folder / FILE}", connect_args={"timeout": BUSY_SECONDS})
    sa.event.listen(engine, "connect", _prepare)
    return sessionmaker(engine, expire_on_commit=False)


def _prepare(connection: sa.engine.interfaces.DBAPIConnection, _: object) -> None:
    cursor = connection.cursor()
    for pragma in ("journal_mode = wal", "foreign_keys = on", "synchronous = full", "secure_delete = on"):
        cursor.execute(f"pragma {pragma}")
    cursor.close()


def _migrate(file: Path) -> None:
    config = Config()
    config.set_main_option("script_location", str(Path(__file__).parent / "migrations"))
    config.attributes["url"] = f"sqlite:///{file}"
    command.upgrade(config, "head")
