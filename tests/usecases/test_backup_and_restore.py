"""Everything in one file, and back."""

import hashlib
import json
import shutil
import sqlite3
import subprocess
import sys
import threading
import zipfile
from datetime import UTC, datetime, timedelta

import pytest

from lucid_swatch.core.problems import Refused
from lucid_swatch.files.sealed import unseal
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import FILE, open_database
from lucid_swatch.store.erased import digest, erased
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.photos import Photos
from lucid_swatch.usecases.backup import MANIFEST, Stopped, make_backup, read_backup
from lucid_swatch.usecases.backups import (
    KEPT_DAYS,
    clear_of,
    is_due,
    keep_backups_at,
    keeping,
    list_backups,
    make_daily,
)
from lucid_swatch.usecases.clients import add_client
from lucid_swatch.usecases.erase import erase_client
from lucid_swatch.usecases.intake import take_in
from lucid_swatch.usecases.restore import restore
from lucid_swatch.work.backups import Backups
from tests.pictures import coat_photo
from tests.usecases.test_intake import client, coat, take

__all__ = ["client", "coat", "take"]  # fixtures

NOW = datetime(2031, 5, 4, 10, 11, tzinfo=UTC)


def contents(data):
    """What is kept, by name; what belongs to a running application left out."""
    left_out = ("in-use", "key", "erased")
    files = [p for p in data.rglob("*") if p.is_file() and p.name not in left_out and ".sqlite" not in p.name]
    return {str(p.relative_to(data)): hashlib.sha256(p.read_bytes()).hexdigest() for p in files}


def rows(data):
    with sqlite3.connect(data / FILE) as connection:
        tables = [name for (name,) in connection.execute("select name from sqlite_master where type = 'table'")]
        return {table: sorted(map(repr, connection.execute(f"select * from {table}"))) for table in tables}


@pytest.fixture
def backup(coat, sessions, data, tmp_path):
    """A backup of a client with a read photo."""
    return make_backup(sessions, data, tmp_path / "backup.zip").file


def test_everything_comes_back_elsewhere_to_the_bit(backup, data, tmp_path):
    there = tmp_path / "other machine" / "data"
    done = restore(backup, there, None, NOW)
    assert done.before is None
    assert done.files == len(read_backup_names(backup))
    assert contents(there) == contents(data)
    assert rows(there) == rows(data)


def read_backup_names(backup):
    with zipfile.ZipFile(backup) as archive:
        return [one["name"] for one in json.loads(archive.read(MANIFEST))["files"]]


def test_what_is_there_is_kept_beside_what_comes(backup, sessions, data, client, take):
    take(("later.jpg", coat_photo()))
    was = contents(data)
    sessions.close()
    done = restore(backup, data, None, NOW)
    assert done.before.name == "data-before-2031-05-04-101100"
    assert contents(done.before) == was
    assert len(contents(data)) == len(was) - 1
    with open_database(data)() as session:
        assert [photo.name for photo in Photos(session).of_client(client.id)] == ["coat.jpg"]
    assert sorted(p.name for p in data.parent.iterdir() if p.name.startswith(".")) == []


@pytest.mark.parametrize("size", [0, 100, 5000])
def test_a_damaged_backup_changes_nothing(backup, data, size):
    was = contents(data)
    content = bytearray(backup.read_bytes())
    with zipfile.ZipFile(backup) as archive:
        largest = max(archive.infolist(), key=lambda one: one.compress_size)
    # of what is kept: the moment in a header, say, may be anything
    middle = largest.header_offset + 30 + len(largest.filename) + largest.compress_size // 2
    content[middle : middle + 8] = b"Telltale"
    backup.write_bytes(bytes(content[:size]) if size else bytes(content))
    with pytest.raises(Refused, match=r"damaged|no whole backup"):
        restore(backup, data, None, NOW)
    assert contents(data) == was
    assert [p.name for p in data.parent.iterdir() if p.name.startswith((".", "data-before"))] == []


def forged(backup, change):
    """The same backup with another list of files."""
    with zipfile.ZipFile(backup) as archive:
        files = {name: archive.read(name) for name in archive.namelist()}
    manifest = json.loads(files[MANIFEST])
    change(manifest, files)
    files[MANIFEST] = json.dumps(manifest).encode()
    with zipfile.ZipFile(backup, "w") as archive:
        for name, content in files.items():
            archive.writestr(name, content)
    return backup


@pytest.mark.parametrize(
    "name",
    ["../outside", "/etc/outside", "photos/../../outside", "photos\\..\\outside", "key", "in-use", "photos/a/b", "x"],
)
def test_no_name_in_a_backup_leads_out_of_the_folder(backup, data, tmp_path, name):
    def add(manifest, files):
        files[name] = b"x"
        manifest["files"].append({"name": name, "bytes": 1, "sha256": hashlib.sha256(b"x").hexdigest()})

    with pytest.raises(Refused, match="names files that none of ours does"):
        restore(forged(backup, add), data, None, NOW)
    assert not list(tmp_path.rglob("*outside*"))


def test_a_file_larger_than_it_says_is_not_unpacked(backup, data):
    def swell(manifest, files):
        name = next(one["name"] for one in manifest["files"] if one["name"].startswith("photos/"))
        files[name] = b"x" * 50_000_000

    with pytest.raises(Refused, match="damaged"):
        restore(forged(backup, swell), data, None, NOW)


def test_a_disk_that_is_too_small_is_said_before_anything(backup, data):
    def swell(manifest, files):
        manifest["files"][0]["bytes"] = 10**18

    with pytest.raises(Refused, match="MB are free"):
        restore(forged(backup, swell), data, None, NOW)


def test_a_backup_of_a_newer_version_is_refused(backup, data, tmp_path):
    with zipfile.ZipFile(backup) as archive:
        (tmp_path / "newer.sqlite").write_bytes(archive.read(FILE))
    with sqlite3.connect(tmp_path / "newer.sqlite") as connection:
        connection.execute("update alembic_version set version_num = '9999'")
    connection.close()
    content = (tmp_path / "newer.sqlite").read_bytes()

    def newer(manifest, files):
        files[FILE] = content
        own = next(one for one in manifest["files"] if one["name"] == FILE)
        own |= {"bytes": len(content), "sha256": hashlib.sha256(content).hexdigest()}

    was = contents(data)
    with pytest.raises(Refused, match="newer version"):
        restore(forged(backup, newer), data, None, NOW)
    assert contents(data) == was


def test_a_sealed_backup_opens_with_its_passphrase_alone(coat, sessions, data, tmp_path):
    sealed = make_backup(sessions, data, tmp_path / "sealed.zip", "four quiet harbour words").file
    assert read_backup(sealed).sealed
    assert b"coat.jpg" not in sealed.read_bytes()
    assert b"SQLite format" not in sealed.read_bytes()
    for wrong in (None, "", "four quiet harbour word"):
        with pytest.raises(Refused, match=r"sealed|does not open"):
            restore(sealed, tmp_path / "there", wrong, NOW)
    restore(sealed, tmp_path / "there", "four quiet harbour words", NOW)
    assert contents(tmp_path / "there") == contents(data)


def test_a_sealed_backup_is_the_open_format_that_it_says(coat, sessions, data, tmp_path):
    sealed = make_backup(sessions, data, tmp_path / "sealed.zip", "four quiet harbour words").file
    with zipfile.ZipFile(sealed) as archive:
        assert archive.read("key.age").startswith(b"age-encryption.org/v1\n-> scrypt ")
        assert archive.read("content.age").startswith(b"age-encryption.org/v1\n-> X25519 ")
    with (tmp_path / "opened.zip").open("wb") as out:
        unseal(sealed, out, "four quiet harbour words")
    assert zipfile.is_zipfile(tmp_path / "opened.zip")


def test_a_short_passphrase_is_refused_and_nothing_is_left(coat, sessions, data, tmp_path):
    place = tmp_path / "backups"
    with pytest.raises(Refused, match="fewer than 8 letters"):
        make_backup(sessions, data, place / "sealed.zip", "short")
    assert list(place.iterdir()) == []
    assert not list(data.glob(".backup-*"))


def test_a_backup_is_whole_although_photos_come_and_go_meanwhile(coat, sessions, folder, eyes, client, data, tmp_path):
    """Photos are taken in and removed all the time; every copy holds what its database names."""
    end = threading.Event()

    def busy():
        while not end.is_set():
            take_in(sessions, folder, eyes, client.id, [("more.jpg", coat_photo())])

    hand = threading.Thread(target=busy)
    hand.start()
    try:
        made = [make_backup(sessions, data, tmp_path / f"{k}.zip") for k in range(5)]
    finally:
        end.set()
        hand.join()
    for k, one in enumerate(made):
        assert one.missing == ()
        restore(one.file, tmp_path / f"there {k}", None, NOW)
        with open_database(tmp_path / f"there {k}")() as session:
            there = Folder(tmp_path / f"there {k}")
            assert all(there.photo(photo.file).is_file() for photo in Photos(session).of_client(client.id))


def test_a_backup_that_is_stopped_leaves_nothing(coat, sessions, data, tmp_path):
    with pytest.raises(Stopped):
        make_backup(sessions, data, tmp_path / "b" / "x.zip", stopped=lambda: True)
    assert list((tmp_path / "b").iterdir()) == []


def test_no_file_is_written_over(backup, sessions, data):
    was = backup.read_bytes()
    with pytest.raises(Refused, match="of that name already"):
        make_backup(sessions, data, backup)
    assert backup.read_bytes() == was


def test_who_was_erased_does_not_come_back_with_a_backup(backup, sessions, folder, client, data):
    erase_client(sessions, folder, client.id)
    sessions.close()
    done = restore(backup, data, None, NOW)
    assert done.erased_again == 1
    with open_database(data)() as session:
        assert Clients(session).all() == []
    assert Folder(data).all_photos() == []
    assert Folder(data).all_owners() == []
    assert erased(data) == {digest(client.id)}


# by itself


def test_the_last_seven_days_are_kept_and_what_was_made_by_hand_stays(coat, sessions, data):
    with sessions() as session:
        place = keeping(session, data).place
    by_hand = place / "by-hand-2031-01-01-000000.zip"
    make_backup(sessions, data, by_hand)
    for day in range(KEPT_DAYS + 3):
        make_daily(sessions, data, NOW + timedelta(days=day))
    names = sorted(one.file.name for one in list_backups(place))
    assert by_hand.name in names
    assert names[1:] == [f"daily-2031-05-{day:02d}-101100.zip" for day in range(7, 14)]


def test_one_is_due_a_day_after_the_last(coat, sessions, data):
    clock = [datetime.now(UTC)]
    backups = Backups(sessions, data, clock=lambda: clock[0])
    assert backups.look()
    assert not backups.look()
    clock[0] += timedelta(hours=23)
    assert not backups.look()
    clock[0] += timedelta(hours=2)
    assert backups.look()


def test_a_place_that_cannot_be_written_is_said_and_tried_again(coat, sessions, data, tmp_path):
    with sessions.begin() as session:
        keep_backups_at(session, data, str(tmp_path / "disk"))
    shutil.rmtree(tmp_path / "disk")
    (tmp_path / "disk").write_text("gone")
    with pytest.raises(Refused, match="could not be written"):
        make_daily(sessions, data, NOW)
    with sessions() as session:
        assert "could not be written" in keeping(session, data).problem
    (tmp_path / "disk").unlink()
    make_daily(sessions, data, NOW)
    with sessions() as session:
        assert keeping(session, data).problem == ""
    assert is_due(tmp_path / "disk", datetime.now(UTC) + timedelta(hours=25))


@pytest.mark.parametrize("place", ["relative", "/proc/lucid", "/dev/null/x", "a\0b"])
def test_backups_lie_where_they_can(sessions, data, place):
    with sessions.begin() as session, pytest.raises(Refused):
        keep_backups_at(session, data, place)


def test_backups_do_not_lie_in_what_they_save(sessions, data):
    with sessions.begin() as session, pytest.raises(Refused, match="lost with it"):
        keep_backups_at(session, data, str(data / "backups"))


def test_backups_that_hold_an_erased_client_are_replaced(coat, sessions, folder, client, data):
    with sessions.begin() as session:
        other = add_client(session, "Tove", NOW.date())
    make_daily(sessions, data, NOW - timedelta(days=1))
    with sessions() as session:
        place = keeping(session, data).place
    make_backup(sessions, data, place / "by-hand-2031-05-03-000000.zip")
    erase_client(sessions, folder, client.id)
    cleared = clear_of(sessions, data, client.id, NOW)
    assert cleared.replaced == 1
    assert [path.split("/")[-1] for path in cleared.left] == ["by-hand-2031-05-03-000000.zip"]
    (fresh,) = [one for one in list_backups(place) if one.file.name.startswith("daily")]
    assert fresh.clients == (digest(other.id),)
    assert client.id.encode() not in fresh.file.read_bytes()


def test_the_command_makes_one_while_the_application_runs(coat, sessions, data, tmp_path):
    with sessions.begin():  # somebody is just writing
        done = subprocess.run(
            [sys.executable, "-m", "lucid_swatch", "backup", str(tmp_path / "b.zip"), "--data", str(data)],
            capture_output=True,
            text=True,
            timeout=120,
            check=False,
        )
    assert done.returncode == 0, done.stderr
    assert "whole" in done.stdout
    assert read_backup(tmp_path / "b.zip").files > 5
