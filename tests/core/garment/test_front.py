"""What shows on the front of a piece: drawn tops whose neck and buttons are known."""

import cv2
import numpy as np
import pytest

from lucid_swatch.core.garment.cut import cut_seen
from lucid_swatch.core.garment.front import NOTHING_ON_IT, Front, Neck, look_at_front
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Closure, Neckline

CLOTH, SHADE, BUTTON = (60.0, 10.0, -20.0), (46.0, 8.0, -18.0), (92.0, 0.0, 4.0)
SIDE = 420


def drawn(neck=None, buttons=(), turn=0.0, cloth=CLOTH):
    """A top with long sides and short sleeves. neck: corners of its inside. buttons: rows and columns from the middle."""
    lab = np.full((SIDE, SIDE, 3), (80.0, 0.0, 2.0), np.float32)
    right = [(250, 40), (330, 70), (360, 150), (310, 165), (300, 120), (300, 380)]
    body = [*right, *[(420 - x, y) for x, y in reversed(right)]]
    mask = np.zeros((SIDE, SIDE), np.uint8)
    cv2.fillPoly(mask, [np.array(body, np.int32)], 1)
    lab[mask > 0] = cloth
    if neck is not None:
        inside = np.zeros_like(mask)
        cv2.fillPoly(inside, [np.array(neck, np.int32)], 1)
        lab[(inside & mask) > 0] = SHADE
    for row, column in buttons:
        cv2.circle(lab, (210 + column, row), 4, BUTTON, -1)
    lab += np.random.default_rng(3).normal(0, 1.0, lab.shape).astype(np.float32)
    place = cv2.getRotationMatrix2D((SIDE / 2, SIDE / 2), turn, 1.0)
    return (
        cv2.warpAffine(lab, place, (SIDE, SIDE), borderMode=cv2.BORDER_REPLICATE),
        cv2.warpAffine(mask, place, (SIDE, SIDE), flags=cv2.INTER_NEAREST) > 0,
    )


def curve(half, deep):
    angles = np.linspace(0, np.pi, 40)
    return [(210 + half * np.cos(one), 40 + deep * np.sin(one)) for one in angles]


def seen(category, **how):
    lab, inside = drawn(**how)
    return cut_seen(inside, category, look_at_front(lab, inside))


@pytest.mark.parametrize("turn", [0.0, 12.0])
def test_a_round_neck_is_told_from_a_pointed_one(turn):
    assert seen(C.TOP, neck=curve(38, 42), turn=turn).neckline[0][0] is Neckline.ROUND
    assert seen(C.TOP, neck=[(176, 38), (244, 38), (210, 120)], turn=turn).neckline[0][0] is Neckline.POINTED


def test_a_neck_that_reaches_far_out_is_wide():
    wide = cut_seen(drawn()[1], C.TOP, Front(Neck(0.32, 0.1, 0.9)))
    assert wide.neckline[0][0] is Neckline.WIDE


def test_cloth_without_an_opening_tells_no_neckline():
    lab, inside = drawn()
    assert look_at_front(lab, inside) == NOTHING_ON_IT
    assert cut_seen(inside, C.TOP, NOTHING_ON_IT).neckline == ()


def test_a_neck_that_stands_up_is_high():
    _, inside = drawn()
    inside[14:42, 180:240] = True
    assert cut_seen(inside, C.KNIT).neckline[0][0] is Neckline.HIGH


@pytest.mark.parametrize("columns", [(0,), (-26, 26)])
def test_a_row_of_buttons_closes_a_coat(columns):
    rows = [(row, column) for row in (150, 200, 250, 300) for column in columns]
    found = seen(C.COAT, buttons=rows, turn=8.0).closure
    assert found[0][0] is Closure.BUTTONS
    assert found[0][1] < 1


@pytest.mark.parametrize(
    "buttons",
    [
        [(150, 0), (250, 0)],
        [(150, 0), (170, 0), (290, 0)],
        [(150, 82), (200, 82), (250, 82)],
        [(row, column) for row in range(80, 360, 24) for column in range(-80, 81, 24)],
    ],
    ids=["two", "uneven", "at the side", "dots all over"],
)
def test_what_only_resembles_buttons_closes_nothing(buttons):
    assert seen(C.COAT, buttons=buttons).closure == ()


def test_a_shirt_has_buttons_that_nobody_sees():
    assert seen(C.SHIRT).closure[0] == (Closure.BUTTONS, 0.95)


def test_what_is_never_buttoned_has_no_buttons():
    assert seen(C.SCARF, buttons=[(150, 0), (200, 0), (250, 0)]).closure == ()
