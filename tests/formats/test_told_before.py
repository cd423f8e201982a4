"""Pieces that many looks of a file share are read once, and every look is read as if it stood alone."""

import copy

import pytest

from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.look import parse_looks

KNIT = {"id": "knit", "label": "blue knit", "category": "knit", "colours": [{"lab": [40, 0, -25], "share": 1}]}
SHOES = {"id": "shoes", "label": "tan shoes", "category": "shoes", "colours": [{"lab": [57, 15, 29], "share": 1}]}


def looks_of(*some):
    looks = [{"id": f"look {k}", "pieces": copy.deepcopy(list(pieces))} for k, pieces in enumerate(some)]
    return {"format": "lucid-swatch/looks", "version": 1, "looks": looks}


def test_the_same_piece_is_made_once():
    first, second = parse_looks(looks_of((KNIT, SHOES), (SHOES, KNIT)))
    assert first.pieces[0] is second.pieces[1]
    assert first.pieces[1] is second.pieces[0]


def test_another_piece_under_the_same_id_stays_another():
    paler = {**KNIT, "colours": [{"lab": [70, 0, -25], "share": 1}]}
    first, second, third = parse_looks(looks_of((KNIT, SHOES), (paler, SHOES), (KNIT, SHOES)))
    assert [one.pieces[0].lab[0, 0] for one in (first, second, third)] == [40, 70, 40]


@pytest.mark.parametrize(
    ("spoiled", "where"),
    [
        ({**KNIT, "category": "sail"}, "$.looks[1].pieces[0].category"),
        ({**KNIT, "colours": []}, "$.looks[1].pieces[0].colours"),
        (7, "$.looks[1].pieces[0]"),
    ],
)
def test_a_bad_piece_is_named_where_it_stands_whatever_was_read_before(spoiled, where):
    with pytest.raises(Refused) as refused:
        parse_looks(looks_of((KNIT, SHOES), (spoiled, SHOES)))
    assert refused.value.where.startswith(where)
    assert "look 1" in refused.value.where


def test_many_different_pieces_under_one_id_are_each_read_as_told():
    some = [{**KNIT, "colours": [{"lab": [20 + k / 10, 0, -25], "share": 1}]} for k in range(200)]
    looks = parse_looks(looks_of(*((one, SHOES) for one in (*some, *some))))
    assert [round(float(one.pieces[0].lab[0, 0]), 1) for one in looks] == [
        round(20 + k / 10, 1) for k in range(200)
    ] * 2
    assert len({id(one.pieces[0]) for one in looks}) == 200
