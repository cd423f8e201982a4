"""The wear log as a table: written, read again, and refused with its line."""

from datetime import date

import pytest
from hypothesis import given
from hypothesis import strategies as st

from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.look.wearing.wear import Felt
from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.wear_log import WornLine, read_log, write_log

words = st.text(st.characters(blacklist_categories=("Cs", "Cc", "Zl", "Zp")), max_size=20).map(str.strip)
lines = st.builds(
    WornLine,
    st.dates(date(2000, 1, 1), date(2031, 1, 1)),
    st.lists(st.text("abc- ", min_size=1).map(str.strip).filter(bool), min_size=1, max_size=3).map(tuple),
    occasion=words,
    felt=st.none() | st.sampled_from(Felt),
    note=words,
    weather=st.none() | st.builds(Weather, st.integers(-20, 5), st.integers(6, 30), st.integers(0, 20)),
)


@given(st.lists(lines, max_size=5))
def test_a_log_is_read_as_it_was_written(log):
    assert read_log(write_log(log).encode(), "worn.csv") == log


def test_names_do_where_no_id_is_written():
    (line,) = read_log(b"on,called\n2031-05-04,Camel coat; Oat knit\n", "worn.csv")
    assert line.pieces == ("Camel coat", "Oat knit")


@pytest.mark.parametrize(
    ("text", "said"),
    [
        ("", "no wear log"),
        ("day,what\n1,2\n", "no wear log"),
        ("on,pieces\nyesterday,a\n", "'yesterday' is no day"),
        ("on,pieces,felt\n2031-05-04,a,great\n", "no word for how it felt"),
        ("on,pieces,low,high\n2031-05-04,a,9,2\n", "makes no sense"),
        ("on,pieces\n2031-05-04,=1+1\n", "formula"),
    ],
)
def test_what_is_no_log_is_refused_with_its_line(text, said):
    with pytest.raises(Refused, match=said):
        read_log(text.encode(), "worn.csv")
