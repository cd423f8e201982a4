"""Before buying over HTTP."""

import pytest

from lucid_swatch.assemble import make_application
from lucid_swatch.demo.hand import GOODS, SampleHand
from lucid_swatch.formats.piece import PieceDocument
from lucid_swatch.outside.reader import SocketReader
from lucid_swatch.outside.reader_stand_in import ReaderStandIn
from lucid_swatch.settings import Settings
from tests.api.opened import open_http
from tests.api.test_rail_api import send
from tests.core.look.making.rails import RAIL
from tests.pictures import coat_photo

CAMEL = [58, 11, 27]
TROUSERS = {"source": "by eye", "word": {"category": "trousers"}, "colours": [CAMEL]}


@pytest.fixture
def http(data):
    with ReaderStandIn(seed=3) as device:
        hand = SampleHand(device.port, data / "samples")
        app = make_application(data, Settings(workers=1), SocketReader(device.port), hand)
        with open_http(app) as http:
            yield http


@pytest.fixture
def client(http):
    told = [PieceDocument.from_core(p).model_dump(mode="json") for p in RAIL]
    document = {"format": "lucid-swatch/rail", "version": 1, "pieces": told}
    id = http.post("/api/clients", json={"name": "Maren", "consent": True}).json()["id"]
    assert send(http, f"/api/clients/{id}", document, apply=True).status_code == 200
    return id


def noted(http, client, **values):
    answer = http.post(f"/api/clients/{client}/candidates", json=TROUSERS | values)
    assert answer.status_code == 201, answer.text
    return answer.json()


def listed(http, client):
    return http.get(f"/api/clients/{client}/candidates").json()


def test_a_candidate_by_eye_is_weighed_bought_and_taken_back(http, client):
    one = noted(http, client)
    assert (one["piece"]["label"], one["judged"], one["photo"]) == ("Tan trousers", None, None)
    told = http.post(f"/api/candidates/{one['id']}/judge").json()
    assert told["word"] in ("buy", "wait", "leave")
    assert told["opens_least"] <= told["opens"] <= told["opens_most"]
    assert told["nearest"][0]["label"] in ("tan bag", "tan skirt", "tan shoes", "tan belt")
    assert all(one["id"] in look["pieces"] for look in told["looks"])
    drawn = http.post(f"/api/clients/{client}/figures", json={"looks": [{"pieces": told["looks"][0]["pieces"]}]})
    assert drawn.status_code == 200
    assert listed(http, client)[0]["judged"]["word"] == told["word"]
    piece = http.post(f"/api/candidates/{one['id']}/buy").json()
    assert piece["label"] == "Tan trousers"
    assert piece["kept"]["bought_on"]
    assert listed(http, client) == []
    assert http.post(f"/api/clients/{client}/undo").json()["told"] == "bought tan trousers"
    assert [other["id"] for other in listed(http, client)] == [one["id"]]


def test_a_photo_becomes_a_candidate_and_not_a_photo_of_the_intake(http, client):
    sent = {"pictures": ("coat.jpg", coat_photo(), "image/jpeg")}
    taken = http.post(f"/api/clients/{client}/candidates/pictures?off_a_screen=true", files=sent).json()
    http.app.state.context.queue.add(taken[0]["photo"]["id"]).result(timeout=120)
    (one,) = listed(http, client)
    assert (one["source"], one["category_said"]) == ("picture off a screen", False)
    assert one["photo"]["state"] == "read"
    assert one["category"] == one["photo"]["guesses"][0]["category"], "until the stylist says what it is"
    assert http.get(f"/api/clients/{client}/photos").json() == []
    assert http.get(f"/api/clients/{client}").json()["waiting"] == 0
    said = http.put(f"/api/candidates/{one['id']}", json={"word": {"category": "coat"}, "kept": {"price": 90}}).json()
    assert (said["category_said"], said["kept"]["price"]) == (True, 90)
    assert http.post(f"/api/candidates/{one['id']}/judge").json()["cost"]["a_wear"] > 0
    assert http.delete(f"/api/candidates/{one['id']}").status_code == 204
    assert http.get(f"/api/photos/{taken[0]['photo']['id']}").status_code == 404


def test_bad_pictures_say_why_and_nothing_of_them_is_kept(http, client):
    sent = {"pictures": ("notes.txt", b"no picture", "text/plain")}
    (refused,) = http.post(f"/api/clients/{client}/candidates/pictures", files=sent).json()
    assert refused["problem"]["where"] == "notes.txt"
    assert listed(http, client) == []


def test_the_reader_reads_what_lies_in_the_shop(http, client):
    body = {"word": {"category": "scarf"}}
    assert http.post(f"/api/clients/{client}/candidates/reader", json=body).status_code == 422
    http.post("/api/reader/calibrate")
    one = http.post(f"/api/clients/{client}/candidates/reader", json=body).json()
    assert one["source"] == "colour reader"
    assert one["piece"]["colours"][0]["lab"] == pytest.approx(list(GOODS), abs=1.5)


def test_two_stand_side_by_side(http, client):
    one, other = noted(http, client), noted(http, client, word={"category": "knit"}, colours=[[78, 3, 12]])
    found = http.get(
        f"/api/clients/{client}/candidates/together", params={"one": one["id"], "other": other["id"]}
    ).json()
    assert found["all"] == found["first"] + found["second"] + found["both"]
    assert http.get(f"/api/clients/{client}/candidates/together", params={"one": "x", "other": "y"}).status_code == 404


def test_from_a_gap_to_a_card(http, client):
    gaps = http.get(f"/api/clients/{client}/gaps", params={"kinds": ["trousers", "skirt"]}).json()
    assert gaps == sorted(gaps, key=lambda gap: -gap["worth"])
    first = gaps[0]
    assert len(first["region"]) == 4
    told = [{name: gap[name] for name in ("category", "lab", "opens", "within")} for gap in gaps]
    pair = http.post(f"/api/clients/{client}/gaps/pair", json={"gaps": told}).json()
    assert pair["both"] > 0
    word = {"category": first["category"], "label": first["name"], "pattern": first["pattern"]}
    one = noted(
        http, client, source="gap", word=word, colours=first["colours"], uncertainty=first["within"], seen_at=""
    )
    for kind, begins in (("pdf", b"%PDF"), ("png", b"\x89PNG")):
        card = http.get(f"/api/candidates/{one['id']}/card.{kind}")
        assert card.content.startswith(begins)
        assert f"to-look-for.{kind}" in card.headers["content-disposition"]
    assert len(http.get(f"/api/clients/{client}/map").json()["pieces"]) == len(RAIL)


@pytest.mark.parametrize(
    "body",
    [
        TROUSERS | {"colours": []},
        TROUSERS | {"colours": [[50, 0]]},
        TROUSERS | {"colours": [[400, 0, 0]]},
        TROUSERS | {"source": "photo"},
        TROUSERS | {"word": {}},
        TROUSERS | {"uncertainty": -1},
        TROUSERS | {"price": 4},
    ],
)
def test_what_makes_no_sense_is_refused_in_words(http, client, body):
    answer = http.post(f"/api/clients/{client}/candidates", json=body)
    assert answer.status_code == 422
    assert answer.json()["do"]
    assert listed(http, client) == []


def test_what_is_not_there_says_so(http, client):
    for way, place in (("POST", "judge"), ("POST", "buy"), ("POST", "seen"), ("GET", "card.pdf")):
        assert http.request(way, f"/api/candidates/nobody/{place}").status_code == 404
    assert http.get(f"/api/clients/{client}/gaps", params={"kinds": ["armour"]}).status_code == 422
    assert http.get("/api/clients/nobody/map").status_code == 404
