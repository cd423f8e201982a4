"""A capsule chosen from a file, as a person types it."""

import json

import pytest
from typer.testing import CliRunner

from lucid_swatch.cli import app
from tests.cli.test_make_and_turn import answer, rail

__all__ = ["rail"]  # a fixture
run = CliRunner()


def test_a_capsule_is_answered_with_what_it_carries(rail):
    found = answer("capsule", rail, "--pieces", "6", "--json")
    assert found["format"] == "lucid-swatch/capsule"
    assert 0 < found["looks"] <= found["bound"] <= found["of"]
    assert len(found["pieces"]) <= 6
    assert set(found["without"]) == set(found["pieces"])
    assert not set(found["added"]) & set(found["pieces"])
    all_of_it = answer("capsule", rail, "--pieces", "40", "--json")
    assert all_of_it["looks"] == all_of_it["of"] == all_of_it["bound"]


def test_what_is_asked_of_it_is_kept_to(rail):
    one = answer("capsule", rail, "--pieces", "7", "--keep", "grey jacket", "--shoes", "1", "--json")
    assert "grey jacket" in one["pieces"]
    assert sum("shoes" in id for id in one["pieces"]) == 1
    asked = answer("capsule", rail, "--pieces", "5", "--for", "5-5", "--for", "3-4", "--json")
    assert set(asked["unmet"]) <= {"5-5", "3-4"}


def test_a_palette_leaves_what_is_in_it(rail, tmp_path):
    palette = tmp_path / "navy.csv"
    palette.write_text("name,L*,a*,b*\nnavy,21,4,-22\ncream,89,2,16\n")
    told = json.loads(rail.read_text())
    found = answer("capsule", rail, "--pieces", "6", "--palette", palette, "--json")
    near = {one["id"] for one in told["pieces"] if one["label"].startswith(("navy", "cream"))}
    assert found["pieces"]
    assert set(found["pieces"]) <= near


@pytest.mark.parametrize(
    ("options", "said"),
    [
        (("--pieces", "0"), "Ask for 1 to 200"),
        (("--pieces", "5", "--keep", "ghost"), "in no good look"),
        (("--pieces", "5", "--for", "grand"), "--for"),
        (("--pieces", "5", "--seconds", "0"), "--seconds"),
        (("--pieces", "5", "--palette", "nowhere.gpl"), "cannot be opened"),
    ],
)
def test_what_cannot_be_answered_is_said_in_a_sentence(rail, options, said):
    done = run.invoke(app, ["capsule", str(rail), *options])
    assert done.exit_code != 0
    assert said in done.stderr


def test_it_reads_as_a_table(rail):
    done = run.invoke(app, ["capsule", str(rail), "--pieces", "6"])
    assert done.exit_code == 0
    assert "good looks of" in done.stdout
    assert "none better" in done.stdout
