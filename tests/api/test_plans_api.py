"""Plans, capsules and the wear log over HTTP."""

import time
from datetime import UTC, datetime, timedelta

import pytest

from lucid_swatch.assemble import make_application
from lucid_swatch.formats.piece import PieceDocument
from lucid_swatch.settings import Settings
from lucid_swatch.usecases import filling
from tests.api.opened import open_http
from tests.api.test_rail_api import send
from tests.core.look.making.rails import RAIL
from tests.formats.test_calendar import calendar

TODAY = datetime.now(UTC).date()


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


def read(http, client, content, name="Tour.ics"):
    return http.post(f"/api/clients/{client}/plans/calendar", files={"calendar": (name, content)})


def tour():
    day = f"{TODAY:%Y%m%d}"
    return calendar((f"DTSTART:{day}T090000", "SUMMARY:Train"), (f"DTSTART:{day}T193000", "SUMMARY:Dinner"))


def until_done(http, at, name):
    end = time.monotonic() + 60
    while (found := http.get(at).json())[name] is not None and time.monotonic() < end:
        time.sleep(0.05)
    return found


def test_a_calendar_is_read_dressed_for_swapped_worn_and_taken_out(http, client):
    plan = read(http, client, tour()).json()["plan"]
    at = f"/api/plans/{plan['id']}"
    assert [(one["name"], one["told_by"], one["time"]) for one in plan["events"]] == [
        ("Train", "train", "day"),
        ("Dinner", "dinner", "evening"),
    ]
    assert [one["name"] for one in http.get(f"/api/clients/{client}/plans").json()] == ["Tour"]
    told = http.post(f"{at}/forecast", json={"place": "Vennby"}).json()
    assert set(told["weather"]) == {str(TODAY)}
    hand = {"on": str(TODAY), "weather": {"low": 12, "high": 18}}
    assert http.put(f"{at}/weather", json=hand).json()["weather"][str(TODAY)]["wet"] is False
    train, dinner = http.post(f"{at}/filling").json()["events"]
    assert train["pieces"]
    assert dinner["pieces"]
    swapped = http.post(f"{at}/swap", json={"one": train["id"], "other": dinner["id"]}).json()
    assert swapped["events"][0]["pieces"] == dinner["pieces"]
    others = http.get(f"{at}/events/{train['id']}/others").json()
    assert others["fit"] >= len(others["looks"])
    locked = http.put(f"{at}/events/{train['id']}", json={"locked": True, "people": ["quartet"]}).json()
    assert (locked["events"][0]["locked"], locked["events"][0]["people"]) == (True, ["quartet"])
    worn = http.post(f"{at}/events/{train['id']}/worn", json={"felt": "loved"}).json()
    assert worn["events"][0]["felt"] == "loved"
    assert http.get(f"/api/clients/{client}/wearing").json()["lines"] == 1
    for ending, kind in (("ics", "text/calendar"), ("csv", "text/csv"), ("pdf", "application/pdf")):
        answer = http.get(f"{at}/plan.{ending}")
        assert answer.headers["content-type"].startswith(kind)
        assert f'filename="tour.{ending}"' in answer.headers["content-disposition"]
    added = http.post(f"{at}/events", json={"on": str(TODAY), "name": "Encore", "time": "evening"}).json()
    assert added["event"] in {one["id"] for one in added["plan"]["events"]}
    assert len(http.request("DELETE", f"{at}/events/{added['event']}").json()["events"]) == 2
    ticked = http.put(at, json={"ticked": [dinner["pieces"][0]], "name": "Northern tour"}).json()
    assert ticked["name"] == "Northern tour"
    assert http.request("DELETE", at).json()["change"] is not None
    assert http.get(at).status_code == 404
    http.post(f"/api/clients/{client}/undo")
    assert http.get(at).json()["name"] == "Northern tour"


def test_many_days_are_filled_by_a_job(http, client, monkeypatch):
    monkeypatch.setattr(filling, "FEW_EVENTS", 1)
    plan = read(http, client, tour()).json()["plan"]
    http.post(f"/api/plans/{plan['id']}/filling")
    found = until_done(http, f"/api/plans/{plan['id']}", "filling")
    assert all(one["pieces"] for one in found["events"])
    stopped = http.request("DELETE", f"/api/plans/{plan['id']}/filling").json()
    assert stopped["filling"] is None


def test_words_are_taught_and_forgotten(http, client):
    word = {"word": "Dinner", "formality": {"low": 4, "high": 5}}
    assert http.put(f"/api/clients/{client}/occasion-words", json=word).status_code == 204
    assert http.get("/api/occasion-words").json() == [{"word": "dinner", "formality": {"low": 4.0, "high": 5.0}}]
    plan = read(http, client, tour()).json()["plan"]
    assert plan["events"][1]["formality"] == {"low": 4.0, "high": 5.0}
    assert http.request("DELETE", f"/api/clients/{client}/occasion-words/dinner").status_code == 204
    assert http.get("/api/occasion-words").json() == []


def test_a_capsule_is_chosen_walked_and_let_go(http, client):
    asked = {
        "name": "Seven",
        "pieces": 7,
        "shoes": 1,
        "purposes": [{"name": "work", "formality": {"low": 2, "high": 4}}],
    }
    made = http.post(f"/api/clients/{client}/capsules", json=asked)
    assert made.status_code == 201
    at = f"/api/capsules/{made.json()['id']}"
    found = until_done(http, at, "choosing")
    point = next(one for one in found["curve"] if one["number"] == 7)
    assert point["proven"]
    assert len(point["pieces"]) <= 7
    assert set(point["without"]) == set(point["pieces"])
    assert found["purposes"] == ["work"]
    assert http.put(at, json={"pieces": 8}).json()["number"] == 8
    document = http.get(f"{at}/capsule.json").json()
    assert document["format"] == "lucid-swatch/capsule"
    assert [one["id"] for one in http.get(f"/api/clients/{client}/capsules").json()] == [found["id"]]
    assert http.request("DELETE", f"{at}/choosing").json()["choosing"] is None
    http.request("DELETE", at)
    assert http.get(at).status_code == 404


def test_the_log_is_written_listed_taken_out_and_in(http, client):
    at = f"/api/clients/{client}"
    made = http.post(f"{at}/wears", json={"on": str(TODAY), "pieces": ["navy coat"], "felt": "fine"}).json()
    changed = {"on": str(TODAY - timedelta(1)), "pieces": ["navy coat", "navy dress"], "note": "windy"}
    assert http.put(f"/api/wears/{made['id']}", json=changed).json()["note"] == "windy"
    span = {"first": str(TODAY - timedelta(7)), "last": str(TODAY)}
    (line,) = http.get(f"{at}/wears", params=span).json()
    assert line["pieces"] == ["navy coat", "navy dress"]
    table = http.get(f"{at}/wears.csv")
    assert table.headers["content-disposition"].endswith('filename="maren-worn.csv"')
    assert http.request("DELETE", f"/api/wears/{made['id']}").json()["change"] is not None
    assert http.get(f"{at}/wears", params=span).json() == []
    taken = http.post(f"{at}/wears/file", files={"log_file": ("worn.csv", table.content)}).json()
    assert taken == {"added": 1, "same": 0, "refused": []}


@pytest.mark.parametrize(
    ("content", "said"),
    [
        (b"no calendar", "no calendar"),
        (b"BEGIN:VCALENDAR\r\nVERSION:2.0\r\nPRODID:x\r\nEND:VCALENDAR\r\n", "nothing happens"),
    ],
)
def test_what_is_no_calendar_is_refused_in_words(http, client, content, said):
    answer = read(http, client, content)
    assert answer.status_code == 422
    assert said in answer.json()["what"]


def test_values_out_of_range_are_refused_with_their_place(http, client):
    wrong = [
        (f"/api/clients/{client}/plans", {"name": "x", "first": str(TODAY), "days": 400}),
        (f"/api/clients/{client}/capsules", {"name": "x", "pieces": 0}),
        (f"/api/clients/{client}/wears", {"on": "2999-01-01", "pieces": ["navy coat"]}),
        (f"/api/clients/{client}/wears", {"on": str(TODAY), "pieces": ["navy coat"], "weather": {"low": 9, "high": 2}}),
    ]
    for path, body in wrong:
        answer = http.post(path, json=body)
        assert answer.status_code == 422, path
        assert answer.json()["what"]
