"""A wardrobe as a table."""

import csv
import io
from datetime import UTC, date, datetime

import pytest
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.garment.particulars import DayVerdict, Season
from lucid_swatch.core.garment.sorting import sort_pieces
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.particulars import KeptDocument
from lucid_swatch.formats.piece import PieceDocument
from lucid_swatch.formats.rail import RailPieceDocument
from lucid_swatch.formats.rail_table import COLUMNS, read_table, write_table
from tests.strategies import pieces

# control characters become spaces: some programs take them for the end of a cell
words = st.text(
    st.characters(codec="utf-8", exclude_categories=("Cc", "Zl", "Zp", "Cs"), include_characters="\n"), max_size=20
)


@st.composite
def hung(draw, id):
    kept = KeptDocument(
        uses=draw(st.lists(st.sampled_from(["stage", "travel", "a, b"]), max_size=2, unique=True)),
        seasons=draw(st.lists(st.sampled_from(Season), unique=True)),
        verdict=draw(st.none() | st.sampled_from(DayVerdict)),
        fits=draw(st.none() | st.booleans()),
        price=draw(st.none() | st.floats(0, 1e6)),
        note=draw(words),
        care=draw(words),
        worn_on=draw(st.lists(st.dates(date(2030, 1, 1), date(2031, 1, 1)), max_size=3)),
        set=draw(words),
    )
    own = PieceDocument.from_core(draw(pieces(id))).model_dump()
    return RailPieceDocument(
        **own | {"label": draw(words), "kept": kept, "hung_at": datetime(2031, 5, 4, 10, 11, tzinfo=UTC)}
    )


@given(st.integers(1, 4).flatmap(lambda n: st.tuples(*(hung(f"p{k}") for k in range(n)))))
def test_a_table_brings_the_same_pieces_back(rail):
    table = write_table(rail, sort_pieces([p.to_core() for p in rail]))
    back = read_table(table.encode(), "rail.csv").pieces
    assert [p.model_dump() for p in back] == [p.model_dump() for p in rail]


def test_a_table_says_lab_lch_and_hex_of_every_colour():
    navy = RailPieceDocument(id="a", category="knit", colours=[{"lab": [21, 4, -22], "share": 1}])
    row = next(csv.DictReader(io.StringIO(write_table([navy], sort_pieces([navy.to_core()])))))
    assert (row["L*"], row["C*"], row["h"], row["hex"]) == ("21.0", "22.36", "280.3", "#213253")
    assert (row["hangs"], row["name"]) == ("cool neutral", "navy")


@pytest.mark.parametrize("text", ["A\r=1+1", "A\r\n=1+1", "A\x0b=1+1", "A\u2028=1+1", "\r=1+1", "\x85=1+1", "\t=1+1"])
def test_no_program_takes_what_is_written_for_a_formula(text):
    piece = RailPieceDocument(id="a", category="knit", label=text, colours=[{"lab": [21, 4, -22], "share": 1}])
    table = write_table([piece], sort_pieces([piece.to_core()]))
    assert len(list(csv.reader(io.StringIO(table, newline="")))) == 2
    assert [p.id for p in read_table(table.encode(), "rail.csv").pieces] == ["a"]


HEAD = b"id,label,category,L*,a*,b*,share\n"


@pytest.mark.parametrize(
    ("content", "what", "where"),
    [
        (b"id,label\n", "column category", "rail.csv"),
        (HEAD + b"a,=cmd(),knit,50,0,0,1\n", "formula", "line 2"),
        (HEAD + b"a,x,knit,inf,0,0,1\n", "no number", "line 2"),
        (HEAD + b"a,x,knit,50,,0,1\n", "number is missing", "line 2"),
        (HEAD + b"a,x,knit,50,0\n", "5 cells and not 7", "line 2"),
        (HEAD + b"a,x,spaceship,50,0,0,1\n", "'top'", "category"),
        (HEAD + b"a,x,knit,50,0,0,0.4\n", "sum to 0.40", "rail.csv"),
        (HEAD + "a,caf\xe9,knit,50,0,0,1\n".encode("latin-1"), "UTF-8", "byte"),
        (b"", "column id", "rail.csv"),
    ],
)
def test_what_is_malformed_is_refused_with_the_line(content, what, where):
    with pytest.raises(Refused, match=what) as refused:
        read_table(content, "rail.csv")
    assert where in refused.value.where


def test_a_short_table_of_another_program_is_enough():
    rail = read_table(HEAD + b"a,Old coat,coat,30,0,-5,1\n", "rail.csv")
    assert (rail.pieces[0].label, rail.pieces[0].colours[0].lab) == ("Old coat", [30, 0, -5])
    assert len(COLUMNS) == len(set(COLUMNS))
