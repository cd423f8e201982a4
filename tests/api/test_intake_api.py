"""Series, reader, card, rereading and the watched folder over HTTP."""

import time

import pytest

from lucid_swatch.assemble import make_application
from lucid_swatch.demo.hand import SampleHand
from lucid_swatch.outside.reader import SocketReader
from lucid_swatch.outside.reader_stand_in import ReaderStandIn
from lucid_swatch.settings import Settings
from tests.api.opened import open_http


@pytest.fixture
def http(demo):
    with ReaderStandIn(seed=3) as device:
        hand = SampleHand(device.port, demo / "samples")
        app = make_application(demo, Settings(workers=2), SocketReader(device.port), hand)
        with open_http(app) as http:
            yield http


@pytest.fixture
def client(http):
    return http.get("/api/clients").json()[0]["id"]


def photos_of(http, client):
    return {p["name"]: p for p in http.get(f"/api/clients/{client}/photos").json()}


def settled(http, client, wanted, within=90):
    """Asks until something is so."""
    end = time.monotonic() + within
    while not (found := wanted(photos_of(http, client))):
        assert time.monotonic() < end, "it took too long"
    return found


def test_the_light_of_a_photo_goes_to_those_that_wait(http, client):
    one = photos_of(http, client)["IMG_2208.jpg"]
    changed = http.post(f"/api/photos/{one['id']}/light/series", json={"photos": None}).json()
    assert {p["name"] for p in changed} == {"IMG_2207.jpg", "IMG_2209.jpg"}
    assert {p["series_from"] for p in changed} == {one["id"]}


def test_the_reader_wants_its_tile_and_then_reads(http, client):
    one = photos_of(http, client)["IMG_2208.jpg"]
    refused = http.post(f"/api/photos/{one['id']}/reader")
    assert refused.status_code == 422
    assert refused.json()["where"] == "reader"
    assert http.post("/api/reader/calibrate").status_code == 204
    assert len(http.post(f"/api/photos/{one['id']}/reader").json()["reader"]) == 3


def test_near_pieces_have_words_and_numbers(http, client):
    one = photos_of(http, client)["IMG_2207.jpg"]
    near = http.get(f"/api/photos/{one['id']}/neighbours").json()
    assert len(near) == 4
    assert [n["difference"] for n in near] == sorted(n["difference"] for n in near)
    assert {n["kin"] for n in near} <= {"match", "may match", "clash", "related", "apart"}


def test_the_card_is_served_in_two_sizes_only(http):
    for size in ("A6", "A4"):
        answer = http.get(f"/api/card/{size}.pdf")
        assert answer.headers["content-type"] == "application/pdf"
        assert answer.content.startswith(b"%PDF-")
    assert http.get("/api/card/A3.pdf").status_code == 422


def test_the_studio_tells_what_is_set_up(http, client, tmp_path):
    assert http.get("/api/studio").json() == {"card": None, "reader": "stand-in", "watched": None}
    http.post("/api/reader/calibrate")
    left = [http.post(f"/api/card/measure/{k}").json()["left"] for k in range(24)]
    assert left == list(range(23, -1, -1))
    phone = tmp_path / "phone"
    phone.mkdir()
    http.put("/api/studio/watched", json={"path": str(phone), "client_id": client})
    studio = http.get("/api/studio").json()
    assert len(studio["card"]) == 24
    assert studio["watched"]["path"] == str(phone)
    assert http.delete("/api/card/measure").status_code == 204
    assert http.delete("/api/studio/watched").status_code == 204
    assert http.get("/api/studio").json() == {"card": None, "reader": "stand-in", "watched": None}


def test_a_folder_that_is_none_is_refused(http, client):
    answer = http.put("/api/studio/watched", json={"path": "/no/such/place", "client_id": client})
    assert answer.status_code == 422
    assert "no such folder" in answer.json()["what"]


def test_nobody_without_photos_is_read_again(http):
    other = http.post("/api/clients", json={"name": "Roan", "consent": True}).json()["id"]
    answer = http.post(f"/api/clients/{other}/rereading")
    assert answer.status_code == 422
    assert "no photo" in answer.json()["what"]


def test_photos_are_kept_apart(http, client):
    photos = photos_of(http, client)
    one, other = photos["IMG_2207.jpg"]["id"], photos["IMG_2208.jpg"]["id"]
    assert http.post(f"/api/photos/{one}/apart", json={"other": other}).status_code == 200
    assert http.post(f"/api/photos/{one}/apart", json={"other": one}).status_code == 422
    assert http.post(f"/api/photos/{one}/apart", json={"other": "nobody"}).status_code == 404


def test_one_more_piece_is_read_on_its_own(http, client):
    one = photos_of(http, client)["IMG_2208.jpg"]
    copy = http.post(f"/api/photos/{one['id']}/another").json()
    assert copy["id"] != one["id"]
    done = settled(
        http,
        client,
        lambda photos: [
            p
            for p in http.get(f"/api/clients/{client}/photos").json()
            if p["id"] == copy["id"] and p["state"] == "read"
        ],
    )
    assert done[0]["alike"] is None


def test_a_measured_card_goes_to_another_studio(http):
    assert http.get("/api/card/measured.json").status_code == 422
    http.post("/api/reader/calibrate")
    for k in range(24):
        http.post(f"/api/card/measure/{k}")
    taken = http.get("/api/card/measured.json")
    before = http.get("/api/studio").json()["card"]
    http.delete("/api/card/measure")
    sent = {"card": ("reference-card.json", taken.content, "application/json")}
    assert http.post("/api/card/measured", files=sent).status_code == 204
    assert http.get("/api/studio").json()["card"] == before
    http.delete("/api/card/measure")


def test_a_card_that_is_none_is_refused(http):
    for content, what in (
        (b"\xff\xfe", "not UTF-8"),
        (b"[1,", "not JSON"),
        (b'{"format": "lucid-swatch/card"}', "missing"),
    ):
        answer = http.post("/api/card/measured", files={"card": ("card.json", content, "application/json")})
        assert answer.status_code == 422
        assert what in answer.json()["what"]
    assert http.get("/api/studio").json()["card"] is None
