"""A client goes, whatever else goes on; everything that is kept is checked."""

import os
import sqlite3
import threading
from dataclasses import replace
from datetime import date

import pytest

from lucid_swatch.assemble import open_data
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.store import database
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import FILE, open_database
from lucid_swatch.store.folder import Folder, photo_file
from lucid_swatch.store.going import Going, sweep
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.usecases.check import check
from lucid_swatch.usecases.clients import add_client
from lucid_swatch.usecases.erase import erase_client, scrub_when_due, traces_left
from lucid_swatch.usecases.holdings import holdings
from lucid_swatch.usecases.intake import take_in
from lucid_swatch.usecases.reading_photos import read_kept_photo
from lucid_swatch.usecases.tidy import Moved, delete_aside, list_aside, photo_aside, take_in_again, tidy
from lucid_swatch.usecases.watch import watch, watched
from tests.pictures import coat_photo
from tests.usecases.test_intake import client, coat, photo, take

__all__ = ["client", "coat", "take"]  # fixtures


def of(data, id):
    """Files that hold an id in their name or content."""
    files = [p for p in data.rglob("*") if p.is_file()]
    return [str(p.relative_to(data)) for p in files if id in str(p) or id.encode() in p.read_bytes()]


# erasing beside what goes on


class Slow:
    """Eyes that look for as long as they are told."""

    def __init__(self, eyes):
        self.eyes, self.looking, self.go_on = eyes, threading.Event(), threading.Event()

    def see(self, look, *at):
        self.looking.set()
        assert self.go_on.wait(30)
        return self.eyes.see(look, *at)


def test_erasing_waits_for_what_comes_in_and_takes_it_along(sessions, folder, eyes, client, data):
    slow, gone = Slow(eyes), []
    png = coat_photo_png()
    coming = threading.Thread(target=take_in, args=(sessions, folder, slow, client.id, [("coat.png", png)]))
    coming.start()
    slow.looking.wait(30)
    erasing = threading.Thread(target=lambda: gone.append(erase_client(sessions, folder, client.id)))
    erasing.start()
    while writes(folder, client.id):
        pass  # what begins once it is being erased is refused
    slow.go_on.set()
    coming.join()
    erasing.join()
    assert gone[0].rows["photo"] == 1
    assert gone[0].left == ()
    assert of(data, client.id) == []
    with pytest.raises(NotThere):
        take_in(sessions, folder, eyes, client.id, [("coat.jpg", coat_photo())])
    assert folder.all_photos() == []


def writes(folder, id):
    try:
        with folder.underway.writing(id):
            return True
    except Refused:
        return False


def coat_photo_png():
    from tests.pictures import coat_picture, encoded

    return encoded(coat_picture(), "PNG")


def test_erasing_gives_up_with_nothing_removed_when_it_does_not_end(folder, client, sessions):
    with (
        folder.underway.writing(client.id),
        pytest.raises(Refused, match="still coming in"),
        folder.underway.erasing(client.id, waits=0.01),
    ):
        pass
    with folder.underway.writing(client.id):  # and it goes on
        pass


def test_a_reading_that_ends_after_the_erasing_leaves_no_picture(sessions, folder, network, client, take, data):
    id = take(("coat.jpg", coat_photo()))[0].photo.id

    def erased_meanwhile(srgb):
        erase_client(sessions, folder, client.id)
        return network(srgb)

    read_kept_photo(sessions, folder, erased_meanwhile, id)
    assert of(data, id) == []
    assert folder.all_owners() == []


def test_a_photo_that_no_row_knows_goes_with_the_client_it_names(coat, sessions, folder, client, data):
    """A killed upload left one photo in place and one that a start has set aside, and a portrait half kept."""
    folder.keep_photo(photo_file(client.id, "one", ".jpg"), coat_photo())
    folder.keep_original("portrait", client.id, "as-sent", coat_photo())
    tidy(sessions, folder)
    folder.keep_photo(photo_file(client.id, "two", ".jpg"), coat_photo())
    erased = erase_client(sessions, folder, client.id)
    assert erased.left == ()
    assert sum("aside" in name for name in erased.files) == 3
    assert of(data, client.id) == []
    assert list_aside_names(sessions, folder) == []


def list_aside_names(sessions, folder):
    with sessions() as session:
        return [one.name for one in list_aside(session, folder)]


def test_an_erased_client_is_watched_for_no_more(sessions, folder, client, tmp_path):
    (tmp_path / "phone").mkdir()
    with sessions.begin() as session:
        watch(session, folder, str(tmp_path / "phone"), client.id)
    erase_client(sessions, folder, client.id)
    with sessions() as session:
        assert watched(session) is None


def test_a_machine_that_goes_off_in_the_middle_of_erasing_goes_on_at_the_start(coat, sessions, folder, client, data):
    """The rows and the list of files are committed, and nothing more happened."""
    with sessions.begin() as session:
        file = Photos(session).get(coat).file
        Clients(session).erase(client.id)
        Going(session, folder).photo(file)
        Going(session, folder).pictures(coat)
        session.info.clear()  # the machine goes off here
    assert folder.photo(file).is_file()
    assert tidy(sessions, folder) == Moved(0, 0)
    assert folder.all_photos() == folder.all_owners() == []
    assert sweep(sessions, folder) == 0


@pytest.fixture
def impatient(monkeypatch):
    """Nobody waits long for a database that somebody else holds."""
    monkeypatch.setattr(database, "BUSY_SECONDS", 1)


def test_pages_that_could_not_be_scrubbed_now_are_at_the_next_start(impatient, coat, sessions, folder, client, data):
    """Somebody reads all the time: the log cannot be emptied, and the client is still in it."""
    reading = sessions()
    Clients(reading).get(client.id)
    erased = erase_client(sessions, folder, client.id)
    assert any(".sqlite" in name for name in erased.left)
    reading.close()
    sessions.close()
    again = open_data(data)
    scrub_when_due(again)
    again.close()
    assert of(data, client.id) == []


def test_the_search_finds_what_is_left_in_a_page(sessions, data, client):
    with sessions.begin() as session:
        Clients(session).change(
            client.id, lambda client: replace(client, note="Telltale of twenty-four letters and more")
        )
    assert traces_left(data, ["Telltale of twenty-four letters and more"]) != ()
    assert traces_left(data, ["Telltale of twenty-four letters and less"]) == ()
    assert traces_left(data, ["short"]) == ()


# what nobody knows


def test_photos_survive_a_database_that_is_missing_and_come_back_with_it(
    coat, sessions, folder, client, data, tmp_path
):
    before = {p.name for p in folder.all_photos()}
    sessions.close()
    for file in data.glob("*sqlite*"):
        os.rename(file, tmp_path / file.name)
    empty = open_database(data)
    assert tidy(empty, folder) == Moved(aside=2, back=0)
    assert folder.all_photos() == []
    with empty() as session:
        kinds = sorted(one.kind for one in list_aside(session, folder))
    assert kinds == ["photo", "pictures"]
    empty.close()
    for file in data.glob("*sqlite*"):
        file.unlink()
    for file in tmp_path.glob("*sqlite*"):
        os.rename(file, data / file.name)
    again = open_database(data)
    assert tidy(again, folder) == Moved(aside=0, back=2)
    assert {p.name for p in folder.all_photos()} == before
    assert folder.has_picture(coat, "relit.jpg")


def test_what_lies_aside_is_taken_in_again_or_deleted_by_word(coat, sessions, folder, eyes, client, data):
    with sessions.begin() as session:
        other = add_client(session, "Tove", date(2031, 5, 4))
    file = photo_file("a" * 32, "b" * 32, ".jpg")
    folder.keep_photo(file, coat_photo())
    folder.keep_photo("old.jpg", b"no photo")
    folder.keep_original("somebody", other.id, "as-sent", coat_photo(lab=(66, 14, 18)))
    tidy(sessions, folder)
    with sessions() as session:
        found = {one.name: one for one in list_aside(session, folder)}
    assert {one.kind for one in found.values()} == {"photo", "person"}
    assert found["somebody"].client_id == other.id
    assert found[file].client_id is None  # nobody of that name is in the book
    assert photo_aside(folder, file) == coat_photo()
    taken = take_in_again(sessions, folder, eyes, [file, "old.jpg", "somebody"], other.id)
    assert [one.problem is None for one in taken] == [True, False, True]
    with sessions() as session:
        assert len(Photos(session).of_client(other.id)) == 1
        assert len(Clients(session).get(other.id).faces) == 1
    assert list_aside_names(sessions, folder) == ["old.jpg"]
    delete_aside(sessions, folder, ["old.jpg"])
    assert list_aside_names(sessions, folder) == []
    for name in ("../" + FILE, FILE, "old.jpg", "", "."):
        with pytest.raises(NotThere):
            photo_aside(folder, name)


def test_what_is_kept_is_told_by_client(coat, sessions, folder, client):
    with sessions() as session:
        found = holdings(session, folder)
    (own,) = found.clients
    assert (own.client.id, own.photos, own.portraits, own.pieces) == (client.id, 1, 0, 0)
    files = [folder.photo(p.name) for p in folder.all_photos()] + folder.pictures(coat)
    assert own.bytes == sum(p.stat().st_size for p in files)
    assert found.bytes > own.bytes


# the check


@pytest.fixture
def closed(coat, sessions, data):
    """A data folder on which nobody works."""
    sessions.close()
    return data


def test_a_whole_folder_is_whole(closed):
    found = check(closed)
    assert (found.clients, found.photos, found.mended, found.wrong) == (1, 1, [], [])


def test_what_can_be_mended_is_and_nothing_is_deleted(closed, coat):
    folder = Folder(closed)
    folder.keep_photo("nobody.jpg", coat_photo())
    folder.picture(coat, "relit.jpg").unlink()
    (closed / "photos").chmod(0o755)
    before = sum(1 for p in closed.rglob("*.jpg"))
    found = check(closed)
    assert found.wrong == []
    assert sorted(line.split()[0] for line in found.mended) == ["1", "1", "Pictures"]
    assert sum(1 for p in closed.rglob("*.jpg")) == before
    sessions = open_database(closed)
    with sessions() as session:
        assert [job.about for job in Jobs(session).all()] == [coat]
    assert photo(sessions, coat).state.value == "read"


def test_what_cannot_be_mended_is_named_with_what_to_do(closed, coat):
    folder = Folder(closed)
    (kept,) = folder.all_photos()
    kept.write_bytes(coat_photo()[:3000])
    (line,) = check(closed).wrong
    assert "coat.jpg" in line
    assert "damaged" in line
    kept.unlink()
    (line,) = check(closed).wrong
    assert "missing" in line
    assert "put a backup back" in line


def test_a_damaged_database_is_told_and_left(closed):
    file = closed / FILE
    content = bytearray(file.read_bytes())
    content[8192 : 8192 + 4096 * 6] = b"\x77" * 4096 * 6
    file.write_bytes(bytes(content))
    (line,) = check(closed).wrong
    assert "damaged" in line
    assert "lucid-swatch restore" in line
    assert file.read_bytes() == bytes(content)


def test_an_index_that_does_not_fit_is_made_anew(closed):
    """The pages of an index are emptied, as a bad disk does it; the table is whole."""
    with sqlite3.connect(closed / FILE) as connection:
        size = connection.execute("pragma page_size").fetchone()[0]
        named = "select rootpage from sqlite_master where name = 'ix_photo_client_id'"
        page = connection.execute(named).fetchone()[0]
        connection.execute("pragma wal_checkpoint(truncate)")
    connection.close()
    with (closed / FILE).open("r+b") as file:
        file.seek((page - 1) * size)
        file.write(b"\x0a\0\0\0\0" + size.to_bytes(2, "big") + b"\0" + bytes(size - 8))
    found = check(closed)
    assert found.wrong == []
    assert "index" in found.mended[0]


def test_a_folder_without_a_database_is_no_whole_one(tmp_path):
    assert "no database" in check(tmp_path).wrong[0]
