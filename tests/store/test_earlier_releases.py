"""The data folder of every release, opened by this one: migrated after a backup, an old change taken back, exported."""

import shutil
import zipfile
from datetime import UTC, datetime
from pathlib import Path

import pytest

from lucid_swatch.assemble import open_data
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import has_older_tables
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.usecases.backups import list_backups, usual_place
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.check import check
from lucid_swatch.usecases.erase import erase_client
from lucid_swatch.usecases.rail_in import open_rail, plan_rail
from lucid_swatch.usecases.rail_out import rail_json
from lucid_swatch.usecases.restore import restore
from lucid_swatch.usecases.take_out import write_client_archive
from lucid_swatch.usecases.tidy import Moved, tidy
from tests.data.folders.make import CLIENT, PIECES, RENAMED

FOLDERS = Path(__file__).parents[1] / "data/folders"
RELEASES = sorted(path.stem for path in FOLDERS.glob("*.zip"))


@pytest.fixture(params=RELEASES)
def old(request, tmp_path):
    data = tmp_path / "data"
    with zipfile.ZipFile(FOLDERS / f"{request.param}.zip") as archive:
        archive.extractall(data)
    return data


def test_there_is_a_folder_of_a_release():
    assert "0.1.0" in RELEASES


def test_it_is_migrated_after_a_backup_and_nothing_of_it_is_lost(old):
    files = {p.name for p in (old / "photos").iterdir()}
    older = has_older_tables(old)
    sessions, folder = open_data(old), Folder(old)
    assert not has_older_tables(old)
    assert tidy(sessions, folder) == Moved(0, 0)
    backups = list_backups(usual_place(old))
    assert [one.file.name.startswith("before-upgrade") for one in backups] == [True] * older
    assert {p.name for p in folder.all_photos()} == files
    with sessions() as session:
        (client,) = Clients(session).all()
        labels = sorted(one.piece.label for one in Pieces(session).of_client(client.id))
        assert (client.name, len(client.faces)) == (CLIENT, 1)
        assert labels == sorted([RENAMED, PIECES[1]])
        assert len(Looks(session).of_client(client.id)) == 1
    sessions.close()
    assert check(old).wrong == []


def test_an_old_change_is_taken_back_and_done_again(old):
    sessions = open_data(old)
    with sessions.begin() as session:
        (client,) = Clients(session).all()
        undone = [undo(session, client.id).told for _ in range(2)]
        assert any(PIECES[0] in told or "label" in told for told in undone)
        assert sorted(one.piece.label for one in Pieces(session).of_client(client.id)) == sorted(PIECES)
        for _ in undone:
            redo(session, client.id)
        assert RENAMED in [one.piece.label for one in Pieces(session).of_client(client.id)]


def test_it_leaves_as_open_files_and_is_erased_with_proof(old, tmp_path):
    sessions, folder = open_data(old), Folder(old)
    with sessions() as session:
        (client,) = Clients(session).all()
        rail = rail_json(session, client.id).encode()
        assert plan_rail(session, client.id, open_rail(rail, "rail.json")).same == 2
        with (tmp_path / "out.zip").open("wb") as out:
            write_client_archive(session, folder, client.id, out)
    with zipfile.ZipFile(tmp_path / "out.zip") as archive:
        names = archive.namelist()
    assert sum(name.startswith("photos/") for name in names) == 3
    assert sum(name.startswith("portraits/") for name in names) == 1
    gone = erase_client(sessions, folder, client.id)
    assert gone.left == ()
    assert folder.all_photos() == folder.all_owners() == []


def test_the_backup_before_the_upgrade_can_be_put_back(old, tmp_path):
    if not has_older_tables(old):
        return  # of this very version: there was none to be made
    untouched = tmp_path / "untouched"
    shutil.copytree(old, untouched)
    open_data(old).close()
    (backup,) = list_backups(usual_place(old))
    restore(backup.file, tmp_path / "there", None, datetime.now(UTC))
    photos = {p.name: p.read_bytes() for p in (untouched / "photos").iterdir()}
    assert {p.name: p.read_bytes() for p in (tmp_path / "there/photos").iterdir()} == photos
    with open_data(tmp_path / "there")() as session:
        assert [client.name for client in Clients(session).all()] == [CLIENT]
