"""A watched folder, and files that nothing refers to."""

import pytest

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.photos import Photos
from lucid_swatch.usecases.tidy import Moved, tidy
from lucid_swatch.usecases.watch import look_again, stop_watching, watch, watched
from lucid_swatch.work.watching import FolderWatch
from tests.pictures import coat_photo, coat_picture, encoded
from tests.usecases.test_intake import client, coat, take

__all__ = ["client", "coat", "take"]  # fixtures


@pytest.fixture
def phone(tmp_path):
    place = tmp_path / "phone"
    place.mkdir()
    return place


@pytest.fixture
def look(sessions, folder, eyes, client, phone):
    with sessions.begin() as session:
        watch(session, folder, str(phone), client.id)
    sizes = {}

    def looked():
        return [one.name for one in look_again(sessions, folder, eyes, sizes)]

    return looked


def test_a_new_photo_is_taken_once_it_has_arrived_whole(look, phone, sessions, client):
    (phone / "coat.jpg").write_bytes(coat_photo()[:5000])
    assert look() == []
    (phone / "coat.jpg").write_bytes(coat_photo())
    assert look() == []  # it still grew since the last look
    assert look() == ["coat.jpg"]
    assert look() == []
    with sessions() as session:
        assert [p.name for p in Photos(session).of_client(client.id)] == ["coat.jpg"]


def test_other_files_and_hidden_ones_are_left_alone(look, phone):
    (phone / "notes.txt").write_text("shoes")
    (phone / ".coat.jpg").write_bytes(coat_photo())
    assert [look(), look()] == [[], []]


def test_what_is_no_photo_is_said_and_not_tried_again(look, phone, sessions):
    (phone / "letter.jpg").write_bytes(b"Dear wardrobe")
    look()
    assert look() == ["letter.jpg"]
    with sessions() as session:
        assert "letter.jpg" in watched(session).problem
    assert look() == []


def test_a_folder_that_went_away_is_said_and_comes_back(look, phone, sessions):
    phone.rmdir()
    assert look() == []
    with sessions() as session:
        assert "cannot be read" in watched(session).problem


def test_only_a_folder_can_be_watched(sessions, folder, client, tmp_path):
    (tmp_path / "file").write_text("x")
    for path in ("phone", str(tmp_path / "none"), str(tmp_path / "file")):
        with sessions.begin() as session, pytest.raises(Refused, match="no such folder"):
            watch(session, folder, path, client.id)


def test_watching_ends(look, phone, sessions):
    (phone / "coat.jpg").write_bytes(coat_photo())
    with sessions.begin() as session:
        stop_watching(session)
        assert watched(session) is None
    assert [look(), look()] == [[], []]


def test_the_watch_hands_on_what_it_took(look, phone, sessions, folder, eyes):
    (phone / "coat.jpg").write_bytes(coat_photo())
    added = []
    watching = FolderWatch(sessions, folder, eyes, added.append, every=0.01)
    watching.look()
    watching.look()
    assert len(added) == 1
    watching.start()
    watching.stop()


def test_what_nobody_knows_is_set_aside_and_everything_else_stays(coat, sessions, folder):
    folder.keep_photo("nobody.jpg", b"x")
    folder.keep_picture("nobody", "relit.jpg", b"x")
    (folder.path / "pictures" / coat / ".part-1").write_bytes(b"half")
    before = {p for p in folder.path.rglob("*") if p.is_file() and "nobody" not in str(p) and ".part-" not in p.name}
    assert tidy(sessions, folder) == Moved(aside=2, back=0)
    assert tidy(sessions, folder) == Moved(0, 0)
    assert {p for p in folder.path.rglob("*") if p.is_file()} >= {
        p for p in before if p.suffix in (".jpg", ".png", ".webp")
    }
    assert (folder.path / "aside/photos/nobody.jpg").read_bytes() == b"x"
    assert (folder.path / "aside/pictures/nobody/relit.jpg").read_bytes() == b"x"
    assert not list(folder.path.rglob(".part-*"))


def test_a_full_disk_is_said_and_tried_again(look, phone, sessions, folder, client):
    (phone / "coat.jpg").write_bytes(coat_photo())
    look()
    # a file where the folder of photos should be: nothing can be written there
    (folder.path / "photos").mkdir(exist_ok=True)
    (folder.path / "photos").rmdir()
    (folder.path / "photos").write_text("full")
    assert look() == []
    with sessions() as session:
        assert "could not be kept" in watched(session).problem
    (folder.path / "photos").unlink()
    assert look() == ["coat.jpg"]
    with sessions() as session:
        assert watched(session).problem == ""


# folders that would feed on themselves, and names that are none


@pytest.mark.parametrize("inside", ["", "photos", "pictures/x", ".."])
def test_the_data_folder_and_what_holds_it_are_not_watched(coat, sessions, folder, client, inside):
    place = folder.path / inside
    place.mkdir(parents=True, exist_ok=True)
    with sessions.begin() as session, pytest.raises(Refused, match="lies among them"):
        watch(session, folder, str(place), client.id)


def test_a_link_to_the_data_folder_is_the_data_folder(coat, sessions, folder, client, tmp_path):
    (tmp_path / "link").symlink_to(folder.path / "photos")
    with sessions.begin() as session, pytest.raises(Refused, match="lies among them"):
        watch(session, folder, str(tmp_path / "link"), client.id)


@pytest.mark.parametrize("place", ["/", "/etc", "/proc/self", "/usr/share", "/dev"])
def test_folders_of_the_system_are_not_watched(sessions, folder, client, place):
    with sessions.begin() as session, pytest.raises(Refused, match="belongs to the system"):
        watch(session, folder, place, client.id)


def test_a_link_to_a_photo_that_was_taken_in_is_passed_over(look, phone, folder, coat):
    (kept,) = folder.all_photos()
    (phone / "again.jpg").symlink_to(kept)
    assert [look(), look()] == [[], []]


def test_a_name_of_other_bytes_stops_nothing(look, phone, folder, sessions, client):
    (phone / "after.jpg").write_bytes(coat_photo())
    with open(bytes(phone) + b"/\xff\xfe coat.jpg", "wb") as file:
        file.write(coat_photo())
    look()
    assert len(look()) == 2
    assert look() == []
    with sessions() as session:
        names = [photo.name for photo in Photos(session).of_client(client.id)]
    assert "after.jpg" in names
    assert any("coat.jpg" in name for name in names)
    assert len(folder.all_photos()) == 2


def test_every_file_that_was_not_taken_is_named(look, phone, sessions):
    (phone / "letter.jpg").write_bytes(b"Dear wardrobe")
    (phone / "bill.png").write_bytes(b"Dear wardrobe")
    look()
    look()
    with sessions() as session:
        problem = watched(session).problem
    assert "letter.jpg" in problem
    assert "bill.png" in problem


def test_watching_that_ends_during_a_look_stays_ended(look, phone, sessions, folder, eyes, client):
    class Stopping:
        def see(self, look, *at):
            with sessions.begin() as session:
                stop_watching(session)
            return eyes.see(look, *at)

    (phone / "coat.png").write_bytes(encoded(coat_picture(), "PNG"))
    sizes = {}
    look_again(sessions, folder, Stopping(), sizes)
    assert len(look_again(sessions, folder, Stopping(), sizes)) == 1
    with sessions() as session:
        assert watched(session) is None
