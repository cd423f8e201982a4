"""The installed command, as a person types it."""

import json

import numpy as np
import pytest
from PIL import Image
from typer.testing import CliRunner

from lucid_swatch.cli import app
from lucid_swatch.core.photo.card import NOMINAL
from lucid_swatch.formats.card import CardDocument
from tests.core.photo.test_card import photographed
from tests.formats.test_look import KNIT, LOOK

run = CliRunner()


@pytest.fixture
def coat(tmp_path):
    """A navy square on a pale wall."""
    picture = np.full((400, 320, 3), 205, np.uint8)
    picture[90:320, 80:240] = (40, 52, 88)
    file = tmp_path / "coat.png"
    Image.fromarray(picture).save(file)
    return file


def test_a_photo_is_measured(coat):
    done = run.invoke(app, ["measure", str(coat), "--json"])
    answer = json.loads(done.stdout)[0]
    assert done.exit_code == 0
    assert answer["format"] == "lucid-swatch/measurement"
    assert answer["light"]["reference"] == "estimated"
    assert sum(c["share"] for c in answer["colours"]) == pytest.approx(1)
    assert answer["pattern"]["type"] == "solid"


def test_a_neutral_may_be_pointed_at(coat, tmp_path):
    marks = tmp_path / "marks.json"
    marks.write_text(json.dumps({"coat.png": {"x": 0.05, "y": 0.05, "lightness": 82}}))
    by_option = run.invoke(app, ["measure", str(coat), "--neutral", "0.05,0.05", "--neutral-lightness", "82", "--json"])
    by_file = run.invoke(app, ["measure", str(coat), "--marks", str(marks), "--json"])
    assert json.loads(by_option.stdout) == json.loads(by_file.stdout)
    assert json.loads(by_file.stdout)[0]["light"]["reference"] == "neutral"


def test_one_bad_photo_does_not_stop_the_rest(coat, tmp_path):
    text = tmp_path / "letter.jpg"
    text.write_text("Dear wardrobe")
    done = run.invoke(app, ["measure", str(text), str(coat), "--json"])
    first, second = json.loads(done.stdout)
    assert done.exit_code == 1
    assert "not a photo" in first["error"]
    assert "colours" in second
    assert "letter.jpg: this is not a photo" in done.stderr


@pytest.mark.parametrize("option", [["--neutral", "here"], ["--neutral-lightness", "90"]])
def test_a_wrong_option_is_explained(coat, option):
    done = run.invoke(app, ["measure", str(coat), *option])
    assert done.exit_code == 1
    assert "--neutral" in done.stderr
    assert "Traceback" not in done.output


def test_a_rail_is_sorted(tmp_path):
    file = tmp_path / "rail.json"
    file.write_text(json.dumps({"format": "lucid-swatch/rail", "version": 1, "pieces": [KNIT]}))
    answer = json.loads(run.invoke(app, ["sort", str(file), "--json"]).stdout)
    assert answer[0]["bin"] == "cool neutral"
    assert set(answer[0]) >= {"id", "bin", "temperature", "undertone", "name", "confidence"}
    assert "charcoal" in run.invoke(app, ["sort", str(file)]).stdout


def test_a_look_is_scored(tmp_path):
    file = tmp_path / "look.json"
    file.write_text(json.dumps(LOOK))
    verdict = json.loads(run.invoke(app, ["score", str(file), "--json"]).stdout)[0]
    assert verdict["id"] == "monday"
    assert verdict["measures"]["colouring"] is None
    for measure in ("harmony", "contrast", "monochrome", "statement"):
        found = verdict["measures"][measure]
        assert found["start"] + sum(r["points"] for r in found["because"]) == pytest.approx(found["score"], abs=1e-6)
    assert "the whole" in run.invoke(app, ["score", str(file)]).stdout


@pytest.mark.parametrize("command", ["sort", "score"])
def test_a_wrong_file_ends_with_a_sentence_and_a_code(tmp_path, command):
    file = tmp_path / "look.json"
    file.write_text('{"format": "lucid-swatch/look", "version": 1, "pieces": [{"id": "a"}]}')
    done = run.invoke(app, [command, str(file)])
    assert done.exit_code == 1
    assert "$.pieces[0].category: this key is missing" in done.stderr
    missing = run.invoke(app, [command, str(tmp_path / "none.json")])
    assert missing.exit_code == 1
    assert "cannot be opened" in missing.stderr


def test_the_version_is_told():
    done = run.invoke(app, ["--version"])
    assert (done.exit_code, done.stdout.split()[0]) == (0, "lucid-swatch")
    assert done.stdout.split()[1].count(".") == 2


def test_every_command_has_help():
    listed = run.invoke(app, ["--help"]).stdout
    for command in app.registered_commands:
        name = command.name or command.callback.__name__
        assert command.hidden or name in listed
        assert command.callback.__doc__


def test_a_measured_card_changes_what_is_read_beside_it(tmp_path):
    # the printed colours miss what was asked for: only who has measured the card knows it
    printed = NOMINAL + np.where(np.arange(24)[:, None] < 6, 0, np.array([0.0, 12.0, -9.0]))
    picture = photographed(labs=printed)
    picture[700:880, 40:240] = (40, 52, 88)
    photo, card = tmp_path / "beside.png", tmp_path / "card.json"
    Image.fromarray(picture).save(photo)
    card.write_text(CardDocument.from_core(printed).model_dump_json())
    unmeasured = json.loads(run.invoke(app, ["measure", str(photo), "--json"]).stdout)[0]
    measured = json.loads(run.invoke(app, ["measure", str(photo), "--card", str(card), "--json"]).stdout)[0]
    assert unmeasured["light"]["reference"] == measured["light"]["reference"] == "card"
    assert measured["light"]["uncertainty"] < unmeasured["light"]["uncertainty"]
    card.write_text("[]")
    refused = run.invoke(app, ["measure", str(photo), "--card", str(card)])
    assert refused.exit_code != 0
    assert "lucid-swatch:" in refused.stderr


def test_looks_are_scored_in_brief_as_in_full(tmp_path):
    file = tmp_path / "looks.json"
    many = {"format": "lucid-swatch/looks", "version": 1, "looks": [{**LOOK, "id": f"look {k}"} for k in range(60)]}
    file.write_text(json.dumps(many))
    brief = json.loads(run.invoke(app, ["score", str(file), "--brief", "--json"]).stdout)
    full = json.loads(run.invoke(app, ["score", str(file), "--json"]).stdout)
    assert [one["id"] for one in brief] == [f"look {k}" for k in range(60)]
    for short, whole in zip(brief, full, strict=True):
        assert short["overall"] == whole["overall"]
        scores = {name: one and one["score"] for name, one in whole["measures"].items()}
        assert {name: short[name] for name in scores} == scores
    table = run.invoke(app, ["score", str(file), "--brief"])
    assert table.exit_code == 0
    assert "look 59" in table.stdout


def test_what_is_meant_and_the_theme_are_told_with_the_verdict(tmp_path):
    file = tmp_path / "look.json"
    file.write_text(json.dumps(LOOK))
    plain = json.loads(run.invoke(app, ["score", str(file), "--json"]).stdout)[0]
    cost = min((r for m in plain["measures"].values() if m for r in m["because"]), key=lambda r: r["points"])
    assert cost["points"] < 0
    theme = {"word": "as it is", "colours": [{"lab": LOOK["pieces"][0]["colours"][0]["lab"]}]}
    file.write_text(json.dumps({**LOOK, "meant": [{"code": cost["code"], "note": "so"}], "theme": theme}))
    meant = json.loads(run.invoke(app, ["score", str(file), "--json"]).stdout)[0]
    assert meant["overall_as_scored"] == plain["overall"] < meant["overall"]
    assert [r["code"] for m in meant["measures"].values() if m for r in m["because"] if r["meant"]] == [cost["code"]]
    assert meant["theme"]["share"] > 0.5
    file.write_text(json.dumps({**LOOK, "theme": {"word": "nothing"}}))
    refused = run.invoke(app, ["score", str(file)])
    assert refused.exit_code == 1
    assert "a colour or a surface" in refused.stderr
