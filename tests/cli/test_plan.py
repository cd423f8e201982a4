"""Days planned from files, as a person types it."""

import json

import pytest
from typer.testing import CliRunner

from lucid_swatch.cli import app
from tests.cli.test_make_and_turn import answer, rail
from tests.formats.test_calendar import calendar

__all__ = ["rail"]  # a fixture
run = CliRunner()
TOUR = (
    ("DTSTART:20310505T090000", "SUMMARY:Train", "X-LUCID-FORMALITY:2.5"),
    ("DTSTART:20310506T100000", "SUMMARY:Rehearsal", "RRULE:FREQ=DAILY;COUNT=2"),
    ("DTSTART:20310506T193000", "SUMMARY:Concert", "X-LUCID-FORMALITY:3"),
)


@pytest.fixture
def tour(tmp_path):
    file = tmp_path / "tour.ics"
    file.write_bytes(calendar(*TOUR))
    return file


def planned(rail, tour, *options):
    return answer("plan", rail, "--calendar", tour, "--days", "4", *options, "--json")


def test_days_are_answered_with_complete_looks_that_score_the_same(rail, tour, tmp_path):
    found = planned(rail, tour)
    assert found["format"] == "lucid-swatch/plan"
    assert [day["on"] for day in found["days"]] == ["2031-05-05", "2031-05-06", "2031-05-07", "2031-05-08"]
    assert [[one["name"] for one in day["occasions"]] for day in found["days"]] == [
        ["Train"],
        ["Rehearsal", "Concert"],
        ["Rehearsal"],
        [],
    ]
    looks = [look for day in found["days"] for look in day["looks"]]
    said = [one["look"] for day in found["days"] for one in day["occasions"] if one["look"]]
    assert [look["id"] for look in looks] == said
    assert len(looks) + len(found["unmet"]) == 4
    assert looks
    file = tmp_path / "looks.json"
    file.write_text(json.dumps({"format": "lucid-swatch/looks", "version": 1, "looks": looks}))
    scored = answer("score", file, "--brief", "--json")
    assert [one["overall"] for one in scored] == [one["verdict"]["overall"] for one in looks]
    worn = {piece["id"] for look in looks for piece in look["pieces"]}
    assert set(found["case"]) == worn


def test_what_rests_is_not_worn_the_next_day(rail, tour):
    found = planned(rail, tour, "--rest", "1")
    worn = [{piece["id"] for look in day["looks"] for piece in look["pieces"]} for day in found["days"]]
    resting = {
        one["id"] for one in json.loads(rail.read_text())["pieces"] if one["category"] in ("shirt", "top", "knit")
    }
    assert not worn[0] & worn[1] & resting
    assert not worn[1] & worn[2] & resting


def test_the_weather_is_dressed_for_and_told(rail, tour, tmp_path):
    forecast = tmp_path / "forecast.json"
    told = {
        "format": "lucid-swatch/forecast",
        "version": 1,
        "days": [{"on": "2031-05-05", "low": -2, "high": 3, "rain": 4}],
    }
    forecast.write_text(json.dumps(told))
    found = planned(rail, tour, "--forecast", forecast)
    assert found["days"][0]["weather"] == {"low": -2, "high": 3, "rain": 4}
    assert found["days"][1]["weather"] is None, "a forecast that ends early"
    for look in found["days"][0]["looks"]:
        assert {"coat", "jacket"} & {piece["category"] for piece in look["pieces"]}


def test_what_is_worn_goes_out_as_a_calendar(rail, tour, tmp_path):
    out = tmp_path / "worn.ics"
    found = planned(rail, tour, "--ics", str(out))
    text = out.read_text(encoding="utf-8")
    assert text.count("BEGIN:VEVENT") == sum(len(day["looks"]) for day in found["days"])
    done = run.invoke(app, ["plan", str(rail), "--calendar", str(tour), "--days", "4"])
    assert done.exit_code == 0
    assert "Concert" in done.stdout


@pytest.mark.parametrize(
    ("options", "said"),
    [
        (("--days", "0"), "--days"),
        (("--days", "400"), "--days"),
        (("--rest", "-1"), "--rest"),
        (("--ics", "/nowhere/at/all.ics"), "cannot be written"),
        (("--forecast", "/nowhere.json"), "cannot be opened"),
    ],
)
def test_what_cannot_be_answered_is_said_in_a_sentence(rail, tour, options, said):
    done = run.invoke(app, ["plan", str(rail), "--calendar", str(tour), *options])
    assert done.exit_code != 0
    assert said in done.stderr


def test_what_is_no_calendar_is_refused(rail):
    done = run.invoke(app, ["plan", str(rail), "--calendar", str(rail)])
    assert done.exit_code != 0
    assert "no calendar" in done.stderr
