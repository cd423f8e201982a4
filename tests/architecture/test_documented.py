"""What can be set or typed is written down."""

from pathlib import Path

import pytest

from lucid_swatch.cli import app
from lucid_swatch.settings import Settings

DOCS = Path(__file__).parents[2] / "docs"
README = DOCS.parent / "README.md"


@pytest.mark.parametrize("name", Settings.model_fields)
def test_every_setting_is_documented(name):
    assert f"LUCID_SWATCH_{name.upper()}" in (DOCS / "settings.md").read_text()
    assert Settings.model_fields[name].description


@pytest.mark.parametrize(
    "command", [c for c in app.registered_commands if not c.hidden], ids=lambda c: c.callback.__name__
)
def test_every_command_is_documented(command):
    assert command.callback.__name__ in README.read_text().split("On the command line")[1]


def test_every_screen_has_a_picture():
    named = {line.split("](")[1].split(")")[0] for line in README.read_text().split("![")[1:]}
    assert {f"docs/screenshots/{p.name}" for p in (DOCS / "screenshots").glob("*.png")} == named
