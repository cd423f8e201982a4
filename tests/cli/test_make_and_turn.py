"""Looks made and turned from files, as a person types it."""

import json

import pytest
from typer.testing import CliRunner

from lucid_swatch.cli import app
from lucid_swatch.formats.piece import PieceDocument
from tests.core.look.making.rails import RAIL

run = CliRunner()


@pytest.fixture
def rail(tmp_path):
    """A rail whose client refuses a pattern, reacts to nickel and always wears a scarf."""
    told = [PieceDocument.from_core(p).model_dump(mode="json") for p in RAIL]
    kept = {"tan belt": {"note": "nickel buckle"}, "grey skirt": {"verdict": "mend"}, "wine knit": {"fits": False}}
    for one in told:
        one["kept"] = kept.get(one["id"], {})
    document = {
        "format": "lucid-swatch/rail",
        "version": 1,
        "client": {"skin": {"lab": [60, 13, 20]}, "hair": {"lab": [20, 6, 8]}, "eyes": {"lab": [28, 9, 16]}},
        "about": {"allergies": ["nickel"], "always_on": ["wine scarf"], "refuses": {"materials": ["suede"]}},
        "pieces": told,
    }
    file = tmp_path / "rail.json"
    file.write_text(json.dumps(document))
    return file


def answer(*words):
    done = run.invoke(app, [str(word) for word in words])
    assert done.exit_code == 0, done.stderr
    return json.loads(done.stdout)


def test_what_is_made_is_scored_the_same_to_the_digit(rail, tmp_path):
    made = answer("make", rail, "--count", 5, "--intent", "tonal", "--json")
    file = tmp_path / "made.json"
    file.write_text(json.dumps(made))
    scored = answer("score", file, "--brief", "--json")
    assert [one["overall"] for one in scored] == [one["verdict"]["overall"] for one in made["looks"]]
    assert len(scored) == 5
    assert made["missing"] is None
    assert all(one["because"].endswith(".") for one in made["looks"])


def test_looks_keep_to_what_is_known_about_the_client(rail):
    made = answer("make", rail, "--count", 9, "--json")
    held = {p["id"] for one in made["looks"] for p in one["pieces"]}
    assert not held & {"tan belt", "grey skirt", "wine knit", "navy shoes"}
    assert all("wine scarf" in [p["id"] for p in one["pieces"]] for one in made["looks"])
    assert made["left_out"]["tan belt"] == "is marked with nickel, which irritates the client"
    assert made["left_out"]["grey skirt"] == "is at the mender's"
    assert made["left_out"]["wine knit"] == "does not fit"


def test_a_table_for_a_person_tells_the_looks_and_what_is_missing(rail):
    done = run.invoke(app, ["make", str(rail), "--count", "80", "--with", "navy trousers", "--formality", "2-4"])
    assert done.exit_code == 0
    assert "the whole" in done.stdout
    assert "of the 80 looks asked for" in done.stdout


def test_a_look_is_turned(rail, tmp_path):
    look = answer("make", rail, "--count", 3, "--json")["looks"][0]
    file = tmp_path / "look.json"
    file.write_text(json.dumps(look))
    found = answer("turn", file, "--rail", rail, "--to", "down", "--json")
    assert found
    for one in found:
        assert 1 <= len(one["changes"]) <= 3
        assert "wine scarf" in [p["id"] for p in one["look"]["pieces"]]
        again = tmp_path / "again.json"
        again.write_text(json.dumps(one["look"]))
        assert answer("score", again, "--brief", "--json")[0]["overall"] == one["verdict"]["overall"]
    bare = dict(look, pieces=[one for one in look["pieces"] if one["category"] in ("skirt", "trousers", "dress")])
    file.write_text(json.dumps(bare))
    said = run.invoke(app, ["turn", str(file), "--to", "up"])
    assert said.stdout == "Nothing here turns it that way.\n"


@pytest.mark.parametrize(
    ("words", "said"),
    [
        (("--count", "0"), "1 to 500 can be made at once"),
        (("--count", "3", "--all-of", "--even"), "not both"),
        (("--count", "3", "--formality", "smart"), "no span of formality"),
        (("--count", "3", "--formality", "4-2"), "formality runs from 1 to 5"),
        (("--count", "3", "--warmth", "9"), "warmth runs from 0 to 4"),
    ],
)
def test_a_question_that_makes_no_sense_is_explained(rail, words, said):
    done = run.invoke(app, ["make", str(rail), *words])
    assert done.exit_code == 1
    assert said in done.stderr


def test_more_looks_than_one_are_not_turned(rail, tmp_path):
    file = tmp_path / "made.json"
    file.write_text(json.dumps(answer("make", rail, "--count", 2, "--json")))
    done = run.invoke(app, ["turn", str(file), "--to", "up"])
    assert done.exit_code == 1
    assert "Turn one at a time." in done.stderr
