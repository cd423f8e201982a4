"""A candidate considered and gaps told from files, as a person types it."""

import json

import pytest
from typer.testing import CliRunner

from lucid_swatch.cli import app
from tests.cli.test_make_and_turn import answer, rail
from tests.pictures import coat_photo

__all__ = ["rail"]  # a fixture
run = CliRunner()


def candidate(tmp_path, **values):
    told = {"id": "new", "label": "Camel trousers", "category": "trousers"}
    told |= {"colours": [{"lab": [58, 11, 27], "share": 1.0, "uncertainty": 2.0}]} | values
    file = tmp_path / "candidate.json"
    file.write_text(json.dumps(told))
    return file


def test_a_candidate_is_answered_with_looks_that_score_the_same(rail, tmp_path):
    found = answer("consider", rail, candidate(tmp_path), "--json")
    assert found["word"] in ("buy", "wait", "leave")
    assert 0 <= found["suits"] <= 1
    assert found["opens_least"] <= found["opens"] <= found["opens_most"]
    assert len(found["partners"]) == len(set(found["partners"]))
    file = tmp_path / "looks.json"
    file.write_text(json.dumps({"format": "lucid-swatch/looks", "version": 1, "looks": found["looks"]}))
    scored = answer("score", file, "--brief", "--json")
    assert [one["overall"] for one in scored] == [one["verdict"]["overall"] for one in found["looks"]]
    assert all("new" in [piece["id"] for piece in look["pieces"]] for look in found["looks"])


def test_what_the_client_cannot_bear_is_left(rail, tmp_path):
    found = answer("consider", rail, candidate(tmp_path, kept={"care": "a nickel zip"}), "--json")
    assert found["word"] == "leave"
    assert "nickel" in found["because"][0]


def test_a_photo_is_a_candidate_once_it_is_said_what_it_is(rail, tmp_path):
    photo = tmp_path / "in-the-shop.jpg"
    photo.write_bytes(coat_photo())
    found = answer("consider", rail, photo, "--category", "coat", "--json")
    assert found["opens_most"] >= found["opens"] >= found["opens_least"]
    refused = run.invoke(app, ["consider", str(rail), str(photo)])
    assert refused.exit_code != 0
    assert "--category" in refused.stderr


@pytest.mark.parametrize(
    ("values", "said"),
    [({"id": "tan belt"}, "hangs on this rail"), ({"colours": []}, "colours"), ({"category": "hut"}, "category")],
)
def test_a_candidate_that_is_none_is_refused_in_a_sentence(rail, tmp_path, values, said):
    done = run.invoke(app, ["consider", str(rail), str(candidate(tmp_path, **values))])
    assert done.exit_code != 0
    assert said in done.stderr
    assert "Traceback" not in done.stderr


def test_gaps_are_told_most_opening_first(rail):
    found = answer("gaps", rail, "--count", 4, "--json")
    assert 1 <= len(found) <= 4
    assert [one["opens"] for one in found] == sorted((one["opens"] for one in found), reverse=True)
    always, patterned = {"category", "lab", "name", "opens", "within"}, {"pattern", "finish", "ground"}
    assert all(always <= set(one) <= always | patterned for one in found)
    assert run.invoke(app, ["gaps", str(rail), "--count", "0"]).exit_code != 0
    told = run.invoke(app, ["gaps", str(rail)])
    assert found[0]["name"] in told.stdout
