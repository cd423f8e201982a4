"""The database file: opened, migrated, or refused untouched."""

import multiprocessing
import resource
import signal
from pathlib import Path

import pytest
import sqlalchemy as sa
from alembic import command
from alembic.autogenerate import compare_metadata
from alembic.config import Config
from alembic.migration import MigrationContext

from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store import database
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import FILE, connect, open_database
from lucid_swatch.store.folder import Folder, write_atomically
from lucid_swatch.store.tables import Base

MIGRATIONS = Path(database.__file__).parent / "migrations"


def test_the_migrations_make_the_tables(sessions):
    with sessions() as session:
        context = MigrationContext.configure(session.connection(), opts={"compare_type": False})
        assert compare_metadata(context, Base.metadata) == []


def test_it_keeps_a_journal_and_its_references(sessions):
    with sessions() as session:
        assert session.execute(sa.text("pragma journal_mode")).scalar_one() == "wal"
        assert session.execute(sa.text("pragma foreign_keys")).scalar_one() == 1


@pytest.mark.parametrize("content", [b"Dear wardrobe" * 500, b"SQLite format 3\0" + b"\7" * 4000])
def test_a_broken_file_is_refused_and_left_as_it_is(data, content):
    data.mkdir()
    (data / FILE).write_bytes(content)
    with pytest.raises(Refused, match="not a whole database") as problem:
        open_database(data)
    assert "Nothing was changed" in problem.value.do
    assert (data / FILE).read_bytes() == content


def test_a_newer_database_is_refused(data):
    with open_database(data).begin() as session:
        session.execute(sa.text("update alembic_version set version_num = '9999'"))
    with pytest.raises(Refused, match="newer version"):
        open_database(data)


def test_a_folder_that_is_a_file_is_refused(tmp_path):
    (tmp_path / "data").write_text("not a folder")
    with pytest.raises(Refused, match="cannot be used") as problem:
        open_database(tmp_path / "data")
    assert "LUCID_SWATCH_DATA" in problem.value.do


def _write_too_much(path, answer):
    signal.signal(signal.SIGXFSZ, signal.SIG_IGN)
    resource.setrlimit(resource.RLIMIT_FSIZE, (1000, 1000))
    try:
        write_atomically(path, b"x" * 100_000)
    except Refused as problem:
        answer.put(problem.what)
    else:
        answer.put("written")


def test_a_file_that_does_not_fit_leaves_the_old_one(tmp_path):
    target = tmp_path / "photos" / "coat.jpg"
    write_atomically(target, b"the old photo")
    context = multiprocessing.get_context("fork")
    answer = context.Queue()
    writer = context.Process(target=_write_too_much, args=(target, answer))
    writer.start()
    assert "could not be kept" in answer.get(timeout=20)
    writer.join()
    assert target.read_bytes() == b"the old photo"
    assert [p.name for p in target.parent.iterdir()] == ["coat.jpg"]


@pytest.mark.parametrize("name", ["../../etc/passwd", "../lucid-swatch.sqlite", "/etc/passwd"])
def test_no_name_leads_out_of_the_folder(data, name):
    with pytest.raises(NotThere):
        Folder(data).picture("x/../..", name)


def test_faces_read_before_survive_the_new_tables(data):
    """A wardrobe of the version before, with a client, a portrait and a piece, opened by this one."""
    data.mkdir()
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["url"] = f"sqlite:///{data / FILE}"
    command.upgrade(config, "0002")
    with connect(data).begin() as session:
        session.execute(
            sa.text(
                "insert into client (id, name, note, consent_on, skin, hair, eyes, conventions, portrait, spots, created_at)"
                " values ('c', 'Maren', '', '2031-05-04', '[60, 13, 20]', 'null', null, '{}', 1,"
                " '{\"skin\": [[0.5, 0.5]]}', '2031-05-04 10:11:00')"
            )
        )
        session.execute(
            sa.text(
                "insert into piece (id, client_id, label, category, pattern, pattern_confidence, finish, metal, volume, created_at)"
                " values ('p', 'c', 'Coat', 'coat', 'solid', 1, '[]', 'none', 'easy', '2031-05-04 10:12:00')"
            )
        )
    with open_database(data)() as session:
        client = Clients(session).get("c")
        assert client.whole.client.skin.tolist() == [60, 13, 20]
        assert client.whole.client.hair is None
        assert (client.portrait.id, client.portrait.spots) == ("c", {"skin": ((0.5, 0.5),)})
        assert session.scalar(sa.text("select count(*) from piece")) == 1  # no cascade was set off
        # easy stood for whatever nobody had said
        kept = session.execute(sa.text("select volume, details, seen from piece")).one()
        assert kept == (None, "{}", "{}")


def test_a_colour_that_no_surface_has_is_bounded_when_it_was_kept_before(data):
    data.mkdir()
    config = Config()
    config.set_main_option("script_location", str(MIGRATIONS))
    config.attributes["url"] = f"sqlite:///{data / FILE}"
    command.upgrade(config, "0006")
    with connect(data).begin() as session:
        session.execute(
            sa.text(
                "insert into client (id, name, note, consent_on, consent_for, conventions, about, dismissed, created_at)"
                " values ('c', 'Maren', '', '2031-05-04', '', '{}',"
                ' \'{"lipstick": [120, 1e177, -3], "dyed_hair": {"on": null, "root": [-4, 2, 900]}}\', \'[]\', \'2031-05-04 10:11:00\')'
            )
        )
    with open_database(data)() as session:
        about = Clients(session).get("c").about
    assert about.lipstick == (100, 150, -3)
    assert about.dyed_hair.root == (0, 2, 150)
