"""A book made from files, as a person types it."""

import json
import zipfile

import pypdfium2
import pytest
from typer.testing import CliRunner

from lucid_swatch.cli import app
from tests.cli.test_make_and_turn import answer, rail
from tests.pictures import coat_photo

__all__ = ["rail"]  # a fixture
run = CliRunner()


@pytest.fixture
def looks(rail, tmp_path):
    made = answer("make", rail, "--count", "3", "--json")
    made["looks"][0] |= {"name": "For the talk", "when": "Monday 5", "occasion": "talk"}
    file = tmp_path / "looks.json"
    file.write_text(json.dumps(made))
    return file


def book(*arguments):
    return run.invoke(app, ["book", *map(str, arguments)])


def test_a_book_is_made_as_its_name_says(looks, tmp_path):
    for ending in ("pdf", "html", "zip"):
        out = tmp_path / f"book.{ending}"
        done = book(looks, "-o", out, "--title", "Three looks")
        assert done.exit_code == 0, done.stderr
        assert done.stdout.startswith("3 looks")
    text = "".join(page.get_textpage().get_text_range() for page in pypdfium2.PdfDocument(tmp_path / "book.pdf"))
    assert "Three looks" in text
    assert "For the talk" in text
    assert (tmp_path / "book.html").read_text().count('class="page look"') == 3
    names = zipfile.ZipFile(tmp_path / "book.zip").namelist()
    assert names[:2] == ["001 1080x1350.png", "001 2160x3840.png"]
    assert len(names) == 6


def test_photos_are_cut_out_and_a_client_gives_name_height_and_face(looks, tmp_path):
    photos = tmp_path / "photos"
    photos.mkdir()
    first = json.loads(looks.read_text())["looks"][0]["pieces"][0]["id"]
    (photos / f"{first}.jpg").write_bytes(coat_photo())
    client = tmp_path / "client.json"
    told = {"format": "lucid-swatch/client", "version": 1, "id": "t", "name": "Tilde", "consent_on": "2031-05-04",
            "about": {"height": 181}, "faces": [{"colours": {"skin": [62, 14, 22], "hair": [20, 4, 6]}}]}  # fmt: skip
    client.write_text(json.dumps(told))
    out = tmp_path / "book.html"
    done = book(looks, "--photos", photos, "--client", client, "-o", out)
    assert done.exit_code == 0, done.stderr
    assert "it is drawn" in done.stderr  # the other pieces have no photo
    html = out.read_text()
    assert "for Tilde" in html
    assert html.count('<symbol id="cut-') == 1
    assert 'id="colouring"' in html


@pytest.mark.parametrize(
    ("out", "options", "said"),
    [
        ("book.doc", (), "is not made as '.doc'"),
        ("book.pdf", ("--paper", "B7"), "no paper of a book"),
        ("book.pdf", ("--photos", "nowhere"), "the folder cannot be opened"),
        ("book.pdf", ("--client", "nowhere.json"), "cannot be opened"),
    ],
)
def test_what_cannot_be_made_is_refused_in_words(looks, tmp_path, out, options, said):
    done = book(looks, "-o", tmp_path / out, *options)
    assert done.exit_code == 1
    assert said in done.stderr
    assert "Traceback" not in done.stderr


def test_a_file_without_looks_is_refused(tmp_path):
    empty = tmp_path / "none.json"
    empty.write_text('{"format": "lucid-swatch/looks", "version": 1, "looks": []}')
    done = book(empty, "-o", tmp_path / "a.pdf")
    assert done.exit_code == 1
    assert "no look is in this file" in done.stderr
    assert not (tmp_path / "a.pdf").exists()
