"""Which of these navies match, and which two off-blacks quarrel."""

import numpy as np
import pytest

from lucid_swatch.core.garment.kin import Kin, how_near, near_duplicates, neighbours
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.sorting import sort_pieces
from lucid_swatch.core.garment.vocabulary import Category


def piece(id, lab, doubt=1.0, category=Category.KNIT):
    return Piece(id, category, np.array([lab], float), np.ones(1), uncertainty=np.array([doubt]))


def kin_of(one, *others):
    sorts = sort_pieces([one, *others])
    return {n.piece.id: n.kin for n in neighbours(one, sorts[0], list(others), sorts[1:])}


def test_navies_match_or_are_only_related():
    found = kin_of(
        piece("coat", [21, 4, -22]),
        piece("same", [21.5, 4, -21]),
        piece("blue", [30, 4, -26]),
        piece("red", [44, 60, 36]),
    )
    assert found == {"same": Kin.MATCH, "blue": Kin.RELATED, "red": Kin.APART}


def test_two_off_blacks_and_two_beiges_quarrel():
    assert kin_of(piece("warm", [14, 3, 4]), piece("cool", [15, 0, -4]))["cool"] is Kin.CLASH
    assert kin_of(piece("sand", [75, 4, 16]), piece("putty", [73, 1, 7]))["putty"] is Kin.CLASH


def test_what_the_readings_leave_open_is_said():
    assert kin_of(piece("a", [40, 2, -18], 5), piece("b", [44, 2, -19], 5))["b"] is Kin.PERHAPS
    assert kin_of(piece("a", [40, 2, -18], 1), piece("b", [44, 2, -19], 1))["b"] is Kin.RELATED


@pytest.mark.parametrize("difference", [0.5, 4.0, 7.0, 30.0])
def test_a_larger_difference_is_never_nearer(difference):
    order = [Kin.MATCH, Kin.PERHAPS, Kin.RELATED, Kin.APART]
    near, far = (order.index(how_near(d, 5.0, (0.2, 0.2), False)) for d in (difference, difference + 1))
    assert near <= far


def test_duplicates_are_of_one_kind_and_one_colour():
    rail = [
        piece("a", [21, 4, -22]),
        piece("b", [21.4, 4, -22]),
        piece("c", [21, 4, -22], category=Category.COAT),
        piece("d", [60, 0, 0]),
    ]
    assert [(x.id, y.id) for x, y, _ in near_duplicates(rail)] == [("a", "b")]
    assert near_duplicates([]) == []
