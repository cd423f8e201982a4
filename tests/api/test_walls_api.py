"""Looks are made, kept, dropped and turned over HTTP."""

import time

import pytest

from lucid_swatch.assemble import make_application
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.formats.piece import PieceDocument
from lucid_swatch.settings import Settings
from lucid_swatch.usecases import walls
from tests.api.opened import open_http
from tests.api.test_rail_api import send
from tests.core.look.making.rails import RAIL

ASKED = {"name": "Tour", "number": 5}


@pytest.fixture
def http(data):
    with open_http(make_application(data, Settings(workers=1))) as http:
        yield http


@pytest.fixture
def client(http):
    told = [PieceDocument.from_core(p).model_dump(mode="json") for p in RAIL]
    document = {"format": "lucid-swatch/rail", "version": 1, "pieces": told}
    id = http.post("/api/clients", json={"name": "Maren", "consent": True}).json()["id"]
    assert send(http, f"/api/clients/{id}", document, apply=True).status_code == 200
    return id


def begun(http, client, **asked):
    answer = http.post(f"/api/clients/{client}/walls", json=ASKED | asked)
    assert answer.status_code == 201, answer.text
    return answer.json()


def made(http, client, **asked):
    return when_made(http, begun(http, client, **asked))


def when_made(http, wall):
    until = time.monotonic() + 60
    while wall["making"] is not None and time.monotonic() < until:
        wall = http.get(f"/api/walls/{wall['id']}").json()
    assert wall["making"] is None
    return wall


def test_looks_of_a_short_rail_are_answered_as_soon_as_the_first_is_found(http, client):
    skirts = [piece.id for piece in RAIL if piece.category is Category.SKIRT][:3]
    first = begun(http, client, start=skirts)
    assert 1 <= len(first["looks"]) < 5
    assert first["making"] is not None
    wall = when_made(http, first)
    assert len(wall["looks"]) == 5
    there = {frozenset(one["pieces"]): one["id"] for one in wall["looks"]}
    stayed = [one for one in first["looks"] if frozenset(one["pieces"]) in there]
    assert all(there[frozenset(one["pieces"])] == one["id"] for one in stayed), "a look that stays is the same look"


def test_a_short_rail_is_made_here(http, client):
    wall = made(http, client, formality={"low": 2, "high": 4})
    assert len(wall["looks"]) == 5
    assert wall["wanted"]["formality"] == {"low": 2, "high": 4}
    first = wall["looks"][0]
    assert first["because"].endswith(".")
    assert set(first["scores"]) == {"harmony", "contrast", "monochrome", "statement", "colouring"}
    listed = http.get(f"/api/clients/{client}/walls").json()
    assert [(one["id"], one["looks"], one["making"]) for one in listed] == [(wall["id"], 5, False)]


def test_a_longer_rail_is_made_by_a_job(http, client, monkeypatch):
    monkeypatch.setattr(walls, "AT_ONCE", 1)
    wall = made(http, client)
    assert len(wall["looks"]) == 5
    stopped = http.request("DELETE", f"/api/walls/{wall['id']}/making").json()
    assert len(stopped["looks"]) == 5


def test_a_look_is_kept_dropped_and_taken_back(http, client):
    wall = made(http, client)
    at = f"/api/walls/{wall['id']}"
    kept = http.put(f"{at}/looks/{wall['looks'][0]['id']}", json={"keep": True}).json()
    assert kept["looks"][0]["kept_as"] == http.get(f"/api/clients/{client}/looks").json()[0]["id"]
    after = http.delete(f"{at}/looks/{wall['looks'][1]['id']}").json()
    assert after["looks"][1]["id"] != wall["looks"][1]["id"]
    assert http.delete(f"{at}/looks/{wall['looks'][0]['id']}").status_code == 422
    http.post(f"/api/clients/{client}/undo")
    back = http.get(at).json()
    assert [one["id"] for one in back["looks"]] == [one["id"] for one in kept["looks"]]
    again = when_made(http, http.post(f"{at}/making", json=ASKED | {"seed": 4}).json())
    assert kept["looks"][0]["id"] in [one["id"] for one in again["looks"]]


def test_a_wall_leaves_as_looks_that_score_reads(http, client):
    wall = made(http, client)
    document = http.get(f"/api/walls/{wall['id']}/looks.json").json()
    assert document["format"] == "lucid-swatch/looks"
    assert [one["verdict"]["overall"] for one in document["looks"]] == [one["overall"] for one in wall["looks"]]


def test_a_wall_is_called_and_let_go(http, client):
    wall = made(http, client)
    assert http.put(f"/api/walls/{wall['id']}", json={"name": "Opening"}).json()["name"] == "Opening"
    assert http.delete(f"/api/walls/{wall['id']}").json()["change"] is not None
    assert http.get(f"/api/walls/{wall['id']}").status_code == 404


def test_what_a_piece_needs_and_how_a_look_turns(http, client):
    wall = made(http, client)
    ids = {p["label"]: p["id"] for p in http.get(f"/api/clients/{client}/rail").json()}
    need = http.get(f"/api/walls/{wall['id']}/need", params={"piece": ids["navy dress"]}).json()
    assert need["text"].startswith("in none")
    look = {"pieces": [ids[name] for name in ("cream shirt", "navy trousers", "navy shoes", "tan bag")]}
    turned = http.post(f"/api/clients/{client}/turn", json=look | {"to": "rain"}).json()
    assert turned["turns"]
    assert ids["navy shoes"] not in turned["turns"][0]["pieces"]
    stages = [{"when": "morning", "warmth": 3}, {"when": "evening", "formality": 4, "time": "evening"}]
    day = http.post(f"/api/clients/{client}/day", json=look | {"stages": stages}).json()
    assert [one["when"] for one in day["stages"]] == ["morning", "evening"]
    assert day["overall"] == min(one["overall"] for one in day["stages"])


@pytest.mark.parametrize(
    "wrong",
    [{"number": 0}, {"number": 501}, {"formality": {"low": 4, "high": 2}}, {"spread": True}, {"name": " "}],
    ids=["none", "too many", "backwards", "nothing to spread", "no name"],
)
def test_a_question_that_makes_no_sense_is_refused(http, client, wrong):
    answer = http.post(f"/api/clients/{client}/walls", json=ASKED | wrong)
    assert answer.status_code == 422
    assert http.get(f"/api/clients/{client}/walls").json() == []
