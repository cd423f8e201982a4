"""A rail leaves and comes back the same; what is broken is refused and changes nothing."""

import json
import zipfile
from datetime import date
from io import BytesIO

import pytest

from lucid_swatch.core.garment.vocabulary import Bin, Category
from lucid_swatch.core.garment.word import Word
from lucid_swatch.core.look.wearing.tally import days_of
from lucid_swatch.core.look.wearing.wear import Wear
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.particulars import ParticularsDocument
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import open_database
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.photos import Photos
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import PhotoState
from lucid_swatch.store.wears import Wears
from lucid_swatch.usecases.changes import undo
from lucid_swatch.usecases.clients import withdraw_consent
from lucid_swatch.usecases.intake import take_in
from lucid_swatch.usecases.rail import change_pieces, hang_photo, join_faces
from lucid_swatch.usecases.rail_in import open_rail, plan_rail, take_rail_in
from lucid_swatch.usecases.rail_out import rail_json, rail_table, write_rail_archive
from lucid_swatch.usecases.reading_photos import read_kept_photo
from tests.pictures import coat_photo

from .rails import NOW, a_client, hang_all


@pytest.fixture
def maren(sessions):
    with sessions.begin() as session:
        client = a_client(session)
        hang_all(session, client)
        change_pieces(
            session, client, ["cream top"], Word(bin=Bin.TONE), ParticularsDocument(verdict="mend", price=49.5)
        )
        join_faces(session, client, "red knit", "olive skirt")
        Wears(session).add(Wear("w", client, date(2031, 5, 1), ("cream top", "olive skirt"), NOW))
    return client


@pytest.fixture
def elsewhere(tmp_path):
    """Another machine."""
    return open_database(tmp_path / "elsewhere"), Folder(tmp_path / "elsewhere")


def pieces_of(sessions, client):
    with sessions() as session:
        book = Pieces(session)
        ids = [one.piece.id for one in book.of_client(client)]
        return {id: {k: v for k, v in book.snapshot(id).items() if k not in ("client_id", "photo_id")} for id in ids}


def worn(sessions, client):
    with sessions() as session:
        return days_of(Wears(session).lines(client))


@pytest.mark.parametrize(("write", "file"), [(rail_json, "rail.json"), (rail_table, "rail.csv")])
def test_the_same_rail_comes_back_elsewhere(sessions, maren, elsewhere, eyes, write, file):
    with sessions() as session:
        content = write(session, maren).encode()
    other, folder = elsewhere
    with other.begin() as session:
        client = a_client(session, "The same")
    plan = take_rail_in(other, folder, eyes, client, open_rail(content, file))
    assert (len(plan.added), plan.changed, plan.same, plan.dropped) == (6, (), 0, ())
    assert pieces_of(other, client) == pieces_of(sessions, maren)
    assert (
        worn(other, client)
        == worn(sessions, maren)
        == {"cream top": (date(2031, 5, 1),), "olive skirt": (date(2031, 5, 1),)}
    )
    with sessions() as session:
        assert plan_rail(session, maren, open_rail(content, file)).same == 6


def test_it_says_what_it_would_do_does_it_and_takes_it_back(sessions, folder, eyes, maren):
    before = pieces_of(sessions, maren)
    with sessions() as session:
        value = json.loads(rail_json(session, maren))
    value["pieces"][0]["label"] = "Renamed"
    value["pieces"][1] = {"id": "new", "category": "hat", "colours": [{"lab": [50, 0, 0], "share": 1}], "shelf": 3}
    sent = open_rail(json.dumps(value).encode(), "rail.json")
    with sessions.begin() as session:
        plan = plan_rail(session, maren, sent)
    assert pieces_of(sessions, maren) == before
    assert plan.added == ("hat",)
    assert [what for _, what in plan.changed] == [("label",)]
    assert plan.same == 4
    assert plan.dropped == ("keys nobody here knows: shelf",)
    assert take_rail_in(sessions, folder, eyes, maren, sent) == plan
    assert len(pieces_of(sessions, maren)) == 7  # what is not in the file stays
    with sessions.begin() as session:
        undo(session, maren)
    assert pieces_of(sessions, maren) == before


def test_a_rail_of_another_client_gets_ids_of_its_own(sessions, folder, eyes, maren):
    with sessions.begin() as session:
        content = rail_json(session, maren).encode()
        tobe = a_client(session, "Tobe")
    take_rail_in(sessions, folder, eyes, tobe, open_rail(content, "rail.json"))
    with sessions() as session:
        own = Pieces(session).of_client(tobe)
    assert {one.piece.id for one in own}.isdisjoint(pieces_of(sessions, maren))
    faces = {one.piece.label: one for one in own}
    assert faces["red knit"].particulars.other_face == faces["olive skirt"].piece.id


@pytest.fixture
def archive(sessions, folder, eyes, network):
    """The archive of a rail with one photographed coat."""
    with sessions.begin() as session:
        client = a_client(session)
    id = take_in(sessions, folder, eyes, client, [("coat.jpg", coat_photo())])[0].photo.id
    read_kept_photo(sessions, folder, network, id)
    with sessions.begin() as session:
        hang_photo(session, id, Word(category=Category.COAT, label="Coat"))
        out = BytesIO()
        write_rail_archive(session, folder, client, out)
        return out.getvalue()


def test_photos_come_with_the_archive_without_metadata_and_get_their_pictures(archive, eyes, network, elsewhere):
    other, there = elsewhere
    with other.begin() as session:
        client = a_client(session, "The same")
    plan = take_rail_in(other, there, eyes, client, open_rail(archive, "rail.zip"))
    assert (plan.photos, len(plan.to_read)) == (1, 1)
    with other() as session:
        assert [job.about for job in Jobs(session).all()] == list(plan.to_read)
    read_kept_photo(other, there, network, plan.to_read[0])
    with other.begin() as session:
        photo, hung = Photos(session).get(plan.to_read[0]), Pieces(session).of_client(client)[0]
        assert (photo.state, Jobs(session).about(photo.id), hung.photo_id) == (PhotoState.HUNG, None, photo.id)
        assert there.has_picture(photo.id, "cloth.jpg")
        undo(session, client)
        assert Photos(session).get(photo.id).state is PhotoState.READ  # waits in the intake, not lost
        assert Pieces(session).of_client(client) == []


def test_no_photos_come_for_a_client_who_withdrew_consent(archive, eyes, elsewhere):
    other, there = elsewhere
    with other.begin() as session:
        client = a_client(session, "The same")
        withdraw_consent(session, client)
    with pytest.raises(Refused, match="withdrew consent"):
        take_rail_in(other, there, eyes, client, open_rail(archive, "rail.zip"))
    assert there.all_photos() == []
    assert pieces_of(other, client) == {}


def zipped(**files):
    out = BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        for name, content in files.items():
            archive.writestr(name.replace("_", "."), content)
    return out.getvalue()


@pytest.mark.parametrize(
    ("content", "file", "what"),
    [
        (b'{"format": "lucid-swatch/rail", "version": 1, "pieces": [{"id": "a"}]}', "r.json", "key is missing"),
        (b'{"format": "lucid-swatch/rail", "version": 1, "pieces": [], "x": NaN}', "r.json", "NaN"),
        (b'{"format": "lucid-swatch/look", "version": 1}', "r.json", "lucid-swatch/rail"),
        (b"[" * 100_000, "r.json", "not JSON"),
        (zipped(other_json="{}"), "r.zip", "no rail.json"),
        (zipped(rail_json="{}"), "r.zip", "key is missing"),
        (b"PK\x03\x04broken", "r.zip", "no whole zip"),
        (b"", "r.json", "column id"),
        (b"\x89PNG\r\n\x1a\n", "r.png", "UTF-8"),
    ],
)
def test_what_is_malformed_is_refused_and_nothing_changes(sessions, folder, eyes, maren, content, file, what):
    before = pieces_of(sessions, maren)
    with pytest.raises(Refused, match=what):
        take_rail_in(sessions, folder, eyes, maren, open_rail(content, file))
    assert pieces_of(sessions, maren) == before


def test_the_schools_of_the_file_are_told_apart_from_the_client(sessions, maren):
    with sessions() as session:
        assert json.loads(rail_json(session, maren))["conventions"]["neutrals"] == "broad"
        assert not Clients(session).get(maren).conventions.strict_neutrals


def test_an_archive_in_which_many_pieces_name_one_photo_is_refused(elsewhere):
    """Each of them would get a copy: a small archive would become a large folder."""
    _, there = elsewhere
    piece = {"category": "knit", "colours": [{"lab": [50, 0, 0], "share": 1}], "photo": {"file": "one.jpg"}}
    rail = {"format": "lucid-swatch/rail", "version": 1, "pieces": [{"id": f"p{k}", **piece} for k in range(40)]}
    out = BytesIO()
    with zipfile.ZipFile(out, "w") as archive:
        archive.writestr("rail.json", json.dumps(rail))
        archive.writestr("photos/one.jpg", coat_photo())
    with pytest.raises(Refused, match="40 pieces name one photo"):
        open_rail(out.getvalue(), "rail.zip")
    assert there.all_photos() == []


def test_a_damaged_member_is_refused_however_it_was_packed(archive):
    for how in (zipfile.ZIP_LZMA, zipfile.ZIP_BZIP2, zipfile.ZIP_DEFLATED):
        out = BytesIO()
        with zipfile.ZipFile(out, "w", how) as packed:
            packed.writestr("rail.json", "x" * 5000)
        content = bytearray(out.getvalue())
        content[60:90] = b"\xff" * 30
        with pytest.raises(Refused):
            open_rail(bytes(content), "rail.zip")


def test_a_rail_has_an_end_that_is_said(sessions, folder, eyes, maren, monkeypatch):
    monkeypatch.setattr("lucid_swatch.usecases.rail.MOST_PIECES", 6)
    more = {"id": "more", "category": "knit", "colours": [{"lab": [50, 0, 0], "share": 1}]}
    rail = {"format": "lucid-swatch/rail", "version": 1, "pieces": [more]}
    with pytest.raises(Refused, match="holds up to 6 pieces"):
        take_rail_in(sessions, folder, eyes, maren, open_rail(json.dumps(rail).encode(), "rail.json"))
