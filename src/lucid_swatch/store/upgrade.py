"""Tables brought to the newest form, step by step. Alembic is loaded only where there is a step to take."""

import sqlite3
from contextlib import closing
from pathlib import Path

MIGRATIONS = Path(__file__).parent / "migrations"
STEPS = tuple(sorted(file.name.split("_")[0] for file in (MIGRATIONS / "versions").glob("[0-9]*_*.py")))
"""Every form that tables have had, by its number, the newest last."""


class NewerTables(Exception):
    """The tables have a form that is not known here."""


def form_of(file: Path) -> str | None:
    """The form of the tables of a database; None where none is written or it cannot be read."""
    try:
        with closing(sqlite3.connect(f"file:{file}?mode=ro", uri=True)) as connection:
            found = connection.execute("select version_num from alembic_version").fetchall()
    except sqlite3.Error:
        return None
    return str(found[0][0]) if found else None


def upgrade(file: Path) -> None:
    """Brings the tables of a database to the newest form. NewerTables when they are newer."""
    form = form_of(file)
    if form == STEPS[-1]:
        return
    if form is not None and form not in STEPS:
        raise NewerTables(form)
    from alembic import command
    from alembic.config import Config

    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["url"] = f"sqlite:///{file}"
    command.upgrade(config, "head")
