"""Palettes in and out."""

import pytest
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.palette import ENDINGS, Palette, PaletteColour, read_palette, write_palette
from tests.strategies import lab_colours

letters = st.characters(codec="utf-8", exclude_categories=("C", "Z"), exclude_characters="*") | st.just(" ")
names = st.text(letters, max_size=30).map(lambda text: " ".join(text.split()))


@st.composite
def palettes(draw):
    colours = [
        PaletteColour(name=draw(names), lab=[round(float(v), 2) for v in draw(lab_colours())])
        for _ in range(draw(st.integers(1, 6)))
    ]
    return Palette(name=draw(names.filter(bool)), colours=colours)


@pytest.mark.parametrize("ending", ENDINGS)
@given(palettes())
def test_every_format_brings_names_and_colours_back_just_so(ending, palette):
    back = read_palette(write_palette(palette, ending).encode(), f"palette.{ending}")
    assert back.name == palette.name
    assert [c.lab for c in back.colours] == [c.lab for c in palette.colours]
    for written, read in zip(palette.colours, back.colours, strict=True):
        assert read.name == (written.name or (read.name if ending == "css" else ""))


def test_a_palette_of_another_program_is_read_by_its_rgb():
    text = b"GIMP Palette\nName: Harbour\nColumns: 4\n# made elsewhere\n 31  58  95\tdeep water\n255 255 255\n"
    palette = read_palette(text, "harbour.gpl")
    assert palette.name == "Harbour"
    assert [(c.name, c.hex) for c in palette.colours] == [("deep water", "#1f3a5f"), ("", "#ffffff")]


def test_a_colour_edited_in_another_program_is_taken_as_edited():
    palette = Palette(name="x", colours=[PaletteColour(name="navy", lab=[21, 4, -22])])
    text = write_palette(palette, "gpl").splitlines()
    text[-1] = "200   0   0\tnavy"
    assert read_palette("\n".join(text).encode(), "x.gpl").colours[0].hex == "#c80000"


def test_no_cell_of_the_table_is_run_as_a_formula():
    palette = Palette(name="=HYPERLINK()", colours=[PaletteColour(name="@cmd", lab=[50, 0, 0])])
    table = write_palette(palette, "csv")
    assert "'=HYPERLINK()" in table
    assert "'@cmd" in table


@pytest.mark.parametrize(
    ("content", "file", "what"),
    [
        (b"\xff\xfe\x00", "x.csv", "UTF-8"),
        (b"GIMP Palette\n300 0 0 red\n", "x.gpl", "0 to 255"),
        (b"GIMP Palette\nName: empty\n", "x.gpl", "no colour"),
        (b"name,L*,a*,b*\n=1+1,50,0,0\n", "x.csv", "formula"),
        (b"name,L*,a*,b*\nred,fifty,0,0\n", "x.csv", "three numbers"),
        (b"name,L*,a*,b*\nred,nan,0,0\n", "x.csv", "three numbers"),
        (b"name,hex\nred,#ff0000\n", "x.csv", "columns L"),
        (b'"open,quote\n', "x.csv", "CSV"),
        (b'{"format": "lucid-swatch/palette", "version": 1, "colours": [{"lab": [NaN, 0, 0]}]}', "x.json", "NaN"),
        (b'{"format": "lucid-swatch/rail", "version": 1}', "x.json", "lucid-swatch/palette"),
        (b"body { color: red }", "x.css", "no colour"),
        (b"hello", "x.txt", "no palette"),
        (b"", "x.gpl", "no palette"),
    ],
)
def test_what_is_malformed_is_refused_in_a_sentence(content, file, what):
    with pytest.raises(Refused, match=what):
        read_palette(content, file)
