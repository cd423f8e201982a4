"""Outlines: what shows through is left out, strokes move the edge where they are drawn."""

import cv2
import numpy as np
import pytest

from lucid_swatch.core.garment.vocabulary import Category, PatternType
from lucid_swatch.core.photo.ground import open_holes, softened, with_linings, without_rug
from lucid_swatch.core.photo.outline import Outline, enlarged, find_outline, outline_polygons, without_card
from lucid_swatch.core.photo.strokes import Stroke, mend_outline
from lucid_swatch.core.problems import Refused
from lucid_swatch.demo.studio.cloth import Cloth
from lucid_swatch.demo.studio.scene import Room, Subject, photograph, room_picture


def scene(draw):
    """A pale noisy ground with something drawn on it, and its mask. draw(canvas) fills 1 where the thing is."""
    rng = np.random.default_rng(2)
    thing = np.zeros((360, 300), np.uint8)
    draw(thing)
    picture = np.where(thing[..., None] > 0, [60, 42, 30], [196, 200, 205]) + rng.normal(0, 3, (360, 300, 3))
    return picture.clip(0, 255).astype(np.uint8), thing > 0


def ring(canvas):
    cv2.ellipse(canvas, (150, 180), (110, 80), 0, 0, 360, 1, 26)


def test_what_shows_through_a_ring_is_not_cloth():
    picture, thing = scene(ring)
    filled = np.zeros(thing.shape, np.uint8)
    cv2.ellipse(filled, (150, 180), (123, 93), 0, 0, 360, 1, -1)
    filled = filled > 0
    opened = open_holes(softened(picture), filled)
    assert (opened & thing).sum() / (opened | thing).sum() > 0.9


def test_what_shows_through_a_handle_that_is_thin_in_places_is_not_cloth():
    def handle(canvas):
        cv2.ellipse(canvas, (150, 180), (110, 80), 0, 0, 360, 1, 30)
        cv2.rectangle(canvas, (0, 177), (57, 182), 0, -1)

    picture, _ = scene(handle)
    filled = np.zeros(picture.shape[:2], np.uint8)
    cv2.ellipse(filled, (150, 180), (125, 95), 0, 0, 360, 1, -1)
    cv2.rectangle(filled, (0, 177), (52, 182), 0, -1)
    opened = open_holes(softened(picture), filled > 0)
    assert not opened[140:220, 90:210].any()


def test_a_motif_that_only_comes_near_the_colour_of_the_ground_is_no_hole():
    """Eight units off the wall: near enough to be looked at, too far to be the wall behind."""
    picture, thing = scene(lambda canvas: cv2.rectangle(canvas, (60, 60), (240, 300), 1, -1))
    cv2.rectangle(picture, (100, 110), (200, 250), (200, 198, 190), -1)
    assert open_holes(softened(picture), thing)[115:245, 105:195].all()
    cv2.rectangle(picture, (100, 110), (200, 250), (196, 200, 205), -1)
    assert not open_holes(softened(picture), thing)[120:240, 110:190].any()


def test_cloth_in_the_colour_of_the_wall_stays():
    rng = np.random.default_rng(2)
    picture = (200 + rng.normal(0, 3, (360, 300, 3))).astype(np.uint8)
    mask = np.zeros((360, 300), bool)
    mask[80:280, 60:240] = True
    assert (open_holes(softened(picture), mask) == mask).all()


RUG = np.array([[120, 40, 40], [235, 225, 190], [40, 110, 130], [110, 120, 20]])


def on_a_rug(cloth):
    """A piece on a striped rug, and its mask. cloth: (rows, columns, 3) of a whole picture."""
    rows = np.mgrid[0:360, 0:300][0]
    thing = np.zeros((360, 300), bool)
    thing[60:220, 70:230] = True
    noise = np.random.default_rng(2).normal(0, 3, (360, 300, 3))
    return (np.where(thing[..., None], cloth, RUG[rows // 24 % 4]) + noise).clip(0, 255).astype(np.uint8), thing


def test_the_motifs_of_a_rug_are_no_part_of_what_lies_on_it():
    picture, thing = on_a_rug(np.full((360, 300, 3), (90, 60, 160)))
    taken = thing.copy()
    taken[230:310, 70:230] = (RUG[np.mgrid[0:360, 0:300][0] // 24 % 4] == RUG[2]).all(axis=-1)[230:310, 70:230]
    left = without_rug(softened(picture), taken)
    assert (left & thing).sum() / (left | thing).sum() > 0.97


def test_a_motif_in_a_colour_of_the_rug_stays_on_the_piece():
    columns = np.mgrid[0:360, 0:300][1]
    picture, thing = on_a_rug(np.where((columns // 10 % 3 == 0)[..., None], RUG[1], (90, 60, 160)))
    left = without_rug(softened(picture), thing)
    assert (left & thing).sum() / thing.sum() > 0.97


def test_a_plain_ground_is_no_rug():
    picture, thing = scene(lambda canvas: cv2.rectangle(canvas, (80, 60), (220, 300), 1, -1))
    taken = thing.copy()
    taken[300:340, 80:220] = True
    assert (without_rug(softened(picture), taken) == taken).all()


def test_the_sole_that_shows_in_a_shoe_is_part_of_it_and_the_ground_in_a_handle_is_not():
    picture, thing = scene(ring)
    inside = np.zeros(thing.shape, np.uint8)
    cv2.ellipse(inside, (150, 180), (97, 67), 0, 0, 360, 1, -1)
    assert (with_linings(softened(picture), thing) == thing).all()
    picture[inside > 0] = (190, 120, 70)
    whole = with_linings(softened(picture), thing)
    assert (whole == (thing | (inside > 0))).mean() > 0.99


def test_a_sure_network_is_followed():
    picture, thing = scene(lambda canvas: cv2.rectangle(canvas, (80, 60), (220, 300), 1, -1))
    found = find_outline(picture, thing.astype(float))
    assert (found.mask & thing).sum() / (found.mask | thing).sum() > 0.97
    assert found.confidence > 0.9
    polygon = np.array(outline_polygons(found.mask)[0])
    assert np.allclose(polygon.min(axis=0), [80 / 300, 60 / 360], atol=0.02)


def test_a_guess_without_the_network_says_how_unsure_it_is():
    picture, thing = scene(lambda canvas: cv2.rectangle(canvas, (80, 60), (220, 300), 1, -1))
    found = find_outline(picture, np.zeros(thing.shape))
    assert (found.mask & thing).sum() / (found.mask | thing).sum() > 0.8
    assert found.confidence <= 0.2
    assert "middle of the picture" in found.method


@pytest.mark.parametrize("seed", [3, 4])
@pytest.mark.parametrize("ground", ["wall", "wood", "sheet", "door", "carpet"])
def test_an_empty_room_is_refused(ground, seed):
    room = Room(ground)
    rng = np.random.default_rng(seed)
    picture = room_picture(room, rng)
    with pytest.raises(Refused, match="no garment could be found"):
        find_outline(picture, np.zeros(picture.shape[:2]))


@pytest.fixture
def half_found():
    """A square of which the network missed the lower half."""
    picture, thing = scene(lambda canvas: cv2.rectangle(canvas, (80, 60), (220, 300), 1, -1))
    found = thing.copy()
    found[180:] = False
    return picture, thing, Outline(found, 0.6, "network")


def test_a_stroke_brings_the_missing_cloth(half_found):
    picture, thing, found = half_found
    mended = mend_outline(picture, found, (Stroke(True, ((0.5, 0.6), (0.5, 0.8)), 0.03),))
    assert (mended.mask & thing).sum() / (mended.mask | thing).sum() > 0.95
    assert mended.method.endswith("mended by hand")


def test_a_later_stroke_wins(half_found):
    picture, _, found = half_found
    cloth, other = (Stroke(kind, ((0.5, 0.3), (0.6, 0.3)), 0.05) for kind in (True, False))
    assert not mend_outline(picture, found, (cloth, other)).mask[108, 165]
    assert mend_outline(picture, found, (other, cloth)).mask[108, 165]


def test_an_outline_without_strokes_is_the_one_found(half_found):
    picture, _, found = half_found
    assert mend_outline(picture, found, ()) is found


def test_everything_rubbed_out_is_refused(half_found):
    picture, _, found = half_found
    with pytest.raises(Refused, match="nothing of the garment"):
        mend_outline(picture, found, (Stroke(False, ((0.0, 0.3), (1.0, 0.3)), 0.9),))


def test_the_gap_between_two_legs_is_opened_and_a_white_stripe_is_kept():
    ground = np.full((300, 240, 3), 232, np.uint8)
    trousers = ground.copy()
    trousers[30:270, 60:180] = (40, 50, 90)
    trousers[110:270, 108:132] = 232
    mask = np.zeros((300, 240), bool)
    mask[30:270, 60:180] = True
    opened = open_holes(softened(trousers), mask)
    assert not opened[150:260, 112:128].any()
    striped = ground.copy()
    striped[30:270, 60:180] = (40, 50, 90)
    striped[100:130, 60:180] = 232
    assert open_holes(softened(striped), mask)[105:125, 80:160].all()


def on_wood(draw):
    """Softly grained wood with a white card on it, something drawn in cream, and its mask."""
    rows, columns = np.mgrid[0:360, 0:300]
    grain = 4 * np.sin(columns / 7 + np.sin(rows / 60))
    picture = np.array([196, 146, 96]) + grain[..., None] + np.random.default_rng(2).normal(0, 3, (360, 300, 3))
    picture[310:340, 20:50] = 248
    thing = np.zeros((360, 300), np.uint8)
    draw(thing)
    picture[thing > 0] = (240, 232, 214)
    return picture.clip(0, 255).astype(np.uint8), thing > 0


def beads(canvas):
    for turn in np.arange(0, 2 * np.pi, 2 * np.pi / 44):
        cv2.circle(canvas, (int(150 + 90 * np.cos(turn)), int(170 + 110 * np.sin(turn))), 6, 1, -1)


def test_the_ground_between_the_beads_of_a_string_is_left_out():
    picture, thing = on_wood(beads)
    taken = cv2.morphologyEx(thing.astype(np.uint8), cv2.MORPH_CLOSE, np.ones((13, 13), np.uint8))
    contours, _ = cv2.findContours(taken, cv2.RETR_EXTERNAL, cv2.CHAIN_APPROX_NONE)
    cv2.drawContours(taken, contours, -1, 1, cv2.FILLED)
    for at in ((150, 60), (60, 170)):
        cv2.rectangle(taken, (at[0] - 2, at[1] - 14), (at[0] + 2, at[1] + 14), 0, -1)
    opened = open_holes(softened(picture), taken > 0)
    assert (opened & thing).sum() / (opened | thing).sum() > 0.6
    assert not opened[120:220, 100:200].any()


def test_a_cardigan_nearly_in_the_colour_of_the_wood_is_no_string_round_it():
    picture, thing = on_wood(lambda canvas: cv2.rectangle(canvas, (60, 40), (240, 320), 1, 6))
    cloth = np.array([212, 166, 122]) + np.random.default_rng(5).normal(0, 3, (360, 300, 3))
    for rows, columns in ((slice(44, 317), slice(64, 237)), (slice(310, 324), slice(130, 150))):
        picture[rows, columns] = cloth[rows, columns]
    mask = np.zeros(thing.shape, bool)
    mask[38:323, 58:243] = True
    opened = open_holes(softened(picture), mask)
    assert opened[80:300, 80:220].all()


def test_the_pale_ground_of_a_print_stays_on_a_pale_wall():
    print_ = np.full((300, 240, 3), 228, np.uint8)
    rows, columns = np.mgrid[0:300, 0:240]
    print_[((rows // 12 + columns // 12) % 3 == 0) & (abs(rows - 150) < 120) & (abs(columns - 120) < 90)] = (70, 60, 50)
    mask = np.zeros((300, 240), bool)
    mask[30:270, 30:210] = True
    # one motif is closed and large enough for the wall to be seen through it
    print_[100:180, 70:150] = (70, 60, 50)
    print_[108:172, 78:142] = 228
    assert open_holes(softened(print_), mask)[110:170, 80:140].all()


def test_a_white_scarf_with_leaves_on_a_white_sheet_is_no_string_of_leaves():
    leaves = Cloth([(90, 0, 0), (40, -36, 4)], PatternType.GEOMETRIC, 0.16)
    picture, truth = photograph(Subject(Category.SCARF, leaves, size=0.62), Room("sheet", (1.02, 1.0, 0.96)), 7)
    small = cv2.resize(picture, (288, 384), interpolation=cv2.INTER_AREA)
    # as a network sees it: the gap between its ends is taken for cloth
    ends = cv2.convexHull(cv2.findNonZero(truth.mask.astype(np.uint8)))
    hull = cv2.fillConvexPoly(np.zeros(truth.mask.shape, np.uint8), ends, 1)
    taken, scarf = (
        cv2.resize(m.astype(np.uint8), (288, 384), interpolation=cv2.INTER_NEAREST) > 0 for m in (hull, truth.mask)
    )
    assert (open_holes(softened(small), taken) & scarf).sum() > 0.9 * scarf.sum()


def test_a_tapped_card_is_no_part_of_the_garment_but_a_tapped_garment_is():
    picture = np.full((200, 200, 3), 0.6)
    picture[40:160, 60:140] = (0.05, 0.08, 0.3)
    picture[50:80, 140:170] = 0.18
    mask = np.zeros((200, 200), bool)
    mask[40:160, 60:140] = True
    mask[50:80, 140:170] = True
    left = without_card(picture, mask, 155 / 200, 65 / 200)
    assert not left[54:76, 144:166].any()
    assert left[60:150, 70:130].all()
    assert (without_card(picture, mask, 0.5, 0.5) == mask).all()


def test_a_box_chooses_one_of_two_things():
    picture, both = scene(
        lambda canvas: [
            cv2.rectangle(canvas, (40, 60), (130, 160), 1, -1),
            cv2.rectangle(canvas, (170, 200), (260, 330), 1, -1),
        ]
    )
    rows, columns = both.shape
    box = Stroke(True, ((150 / columns, 180 / rows), (285 / columns, 350 / rows)), 0.03, box=True)
    mended = mend_outline(picture, Outline(both, 0.6, "network"), (box,)).mask
    assert not mended[:170].any()
    lower = both.copy()
    lower[:180] = False
    assert (mended & lower).sum() / (mended | lower).sum() > 0.9


def test_a_box_round_what_was_not_found_is_the_first_guess(half_found):
    picture, thing, _ = half_found
    rows, columns = thing.shape
    box = Stroke(True, ((70 / columns, 45 / rows), (232 / columns, 315 / rows)), 0.03, box=True)
    nothing = Outline(np.zeros(thing.shape, bool), 0.0, "outlined")
    mended = mend_outline(picture, nothing, (box,)).mask
    assert (mended & thing).sum() / (mended | thing).sum() > 0.85


def test_a_box_of_nothing_is_refused(half_found):
    picture, _, found = half_found
    with pytest.raises(Refused, match="box is too small"):
        mend_outline(picture, found, (Stroke(True, ((0.5, 0.5), (0.501, 0.5)), 0.03, box=True),))


def test_a_larger_picture_keeps_the_outline(half_found):
    _, _, found = half_found
    rows, columns = found.mask.shape
    larger = enlarged(found, (2 * rows, 2 * columns))
    assert larger.mask.shape == (2 * rows, 2 * columns)
    assert larger.share == pytest.approx(found.share, abs=0.01)


def test_a_piece_that_leaves_hardly_any_ground_is_found():
    cloth = np.zeros((384, 288), bool)
    cloth[:, :-1] = True
    noise = np.random.default_rng(2).normal(0, 3, (384, 288, 3))
    photo = (np.where(cloth[..., None], (60, 42, 30), (196, 200, 205)) + noise).clip(0, 255).astype(np.uint8)
    assert find_outline(photo, cloth.astype(float)).mask[:, :-8].mean() > 0.98
