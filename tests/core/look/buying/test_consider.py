"""Before buying: what a candidate opens, to the look, and the word that follows from it."""

from dataclasses import replace
from itertools import product

import numpy as np
import pytest

from lucid_swatch.core.client.colouring import Client
from lucid_swatch.core.client.reading import reading_of
from lucid_swatch.core.client.suits import cloth_colours, fit_of
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category, Undertone
from lucid_swatch.core.look.body import Zone
from lucid_swatch.core.look.buying.consider import PlainWord, consider
from lucid_swatch.core.look.buying.counted import Counted
from lucid_swatch.core.look.buying.gaps import gaps, opened_in, spread
from lucid_swatch.core.look.dressing.dress import zone_of
from lucid_swatch.core.look.dressing.outfits import GOOD
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.verdict import judge

C = Category
KINDS = (C.TOP, C.SHIRT, C.KNIT, C.TROUSERS, C.SKIRT, C.DRESS, C.JACKET, C.COAT, C.SHOES, C.BOOTS, C.BAG, C.BELT)
QUIET = [(15, 0, 0), (25, 1, -8), (40, 0, -2), (60, 8, 22), (78, 3, 12), (92, 1, 4), (33, 10, 14)]


def piece(id, category, lab, **values):
    return Piece(id, category, np.array([lab], float), np.ones(1), label=id.capitalize(), **values)


def random_rail(seed, count=13):
    """A rail with at least one of each that a base look needs, quiet and loud."""
    rng = np.random.default_rng(seed)
    kinds = [C.TOP, C.TROUSERS, C.SHOES, *rng.choice(np.array(KINDS, dtype=object), count - 3)]
    pieces = []
    for k, kind in enumerate(kinds):
        quiet = np.array(QUIET[rng.integers(len(QUIET))], float) + rng.normal(0, 2, 3)
        loud = np.array([rng.uniform(30, 75), *rng.normal(0, 28, 2)])
        pieces.append(piece(f"piece {k}", kind, quiet if rng.random() < 0.7 else loud))
    return tuple(pieces)


def brute_force(pieces, candidate):
    """Good base looks that hold a candidate or, for an accessory, that it makes good: one by one, as the scorer judges."""
    accessory = zone_of(candidate.category) not in (Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.FEET, Zone.LAYER)
    there = pieces if accessory else (*pieces, candidate)
    by_zone = {zone: [p for p in there if zone_of(p.category) is zone] for zone in Zone}
    halves = [*product(by_zone[Zone.UPPER], by_zone[Zone.LOWER]), *((one,) for one in by_zone[Zone.WHOLE])]
    layers = [(), *((one,) for one in by_zone[Zone.LAYER])]
    looks = [(*half, shoes, *layer) for half in halves for shoes in by_zone[Zone.FEET] for layer in layers]
    if not accessory:
        looks = [look for look in looks if candidate in look]
        return sum(verdict.overall >= GOOD for verdict in judge([Look("x", look) for look in looks])) if looks else 0
    bare = judge([Look("x", look) for look in looks])
    dressed = judge([Look("x", (*look, candidate)) for look in looks])
    return sum(one.overall < GOOD <= other.overall for one, other in zip(bare, dressed, strict=True))


@pytest.mark.parametrize("seed", range(6))
@pytest.mark.parametrize("kind", [C.KNIT, C.SKIRT, C.DRESS, C.SHOES, C.JACKET, C.BAG])
def test_what_a_candidate_opens_is_what_counting_one_by_one_gives(seed, kind):
    rail = random_rail(seed)
    lab = QUIET[seed % len(QUIET)] if seed % 2 else (48, 24, 30)
    candidate = piece("candidate", kind, lab)
    found = consider(Wardrobe(rail), candidate)
    assert found.opens == brute_force(rail, candidate)
    assert found.opens_within[0] <= found.opens <= found.opens_within[1]
    assert len(found.looks) == min(3, found.opens)
    assert all("candidate" in look.piece_ids and look.whole >= GOOD for look in found.looks)
    assert sorted(looks for _, looks in found.partners) == sorted((n for _, n in found.partners))


NAVY, CREAM, TAN, GREY = (22, 3, -18), (88, 2, 12), (55, 14, 28), (50, 0, -1)
RAIL = (
    piece("cream top", C.TOP, CREAM),
    piece("white shirt", C.SHIRT, (94, 0, 2)),
    piece("navy trousers", C.TROUSERS, NAVY),
    piece("camel skirt", C.SKIRT, (60, 9, 24)),
    piece("tan shoes", C.SHOES, TAN),
    piece("navy shoes", C.SHOES, NAVY),
    piece("camel coat", C.COAT, (58, 11, 27)),
    piece("tan belt", C.BELT, TAN),
)
WARM = Client(np.array([66.0, 13.0, 22.0]), np.array([30.0, 8.0, 12.0]), np.array([34.0, 9.0, 14.0]), Undertone.WARM)


def test_one_that_opens_much_and_sits_with_the_client_is_one_to_buy():
    found = consider(Wardrobe(RAIL, WARM), piece("camel trousers", C.TROUSERS, (58, 11, 27)), reading_of(WARM))
    assert found.word is PlainWord.BUY
    assert found.because[0].startswith(f"It opens {found.opens} good looks")
    assert "fewer than" in found.otherwise


def test_what_hangs_there_already_is_no_reason_to_buy():
    rail = (*RAIL, piece("sky shirt", C.SHIRT, (78, -3, -14)), piece("navy jacket", C.JACKET, NAVY))
    found = consider(Wardrobe(rail), piece("more navy trousers", C.TROUSERS, (22.4, 3.2, -17.6)))
    assert [one.piece.id for one in found.doubles] == ["navy trousers"]
    assert found.word is PlainWord.WAIT
    assert found.otherwise == "It would be one to buy if navy trousers went."
    twice = (*rail, piece("other navy trousers", C.TROUSERS, (21.8, 2.8, -18.2)))
    assert consider(Wardrobe(twice), piece("more", C.TROUSERS, NAVY)).word is PlainWord.LEAVE


def test_what_the_client_refuses_is_left_whatever_itopened_in():
    found = consider(Wardrobe(RAIL), piece("wool knit", C.KNIT, CREAM), barred="wool")
    assert found.word is PlainWord.LEAVE
    assert found.because[0] == "The client will not wear it: wool."


def test_what_goes_with_nothing_is_left():
    found = consider(Wardrobe(RAIL[:3]), piece("lime coat", C.COAT, (82, -40, 72)))
    assert found.opens == 0
    assert found.word is PlainWord.LEAVE
    assert found.because[0].startswith("It opens no good look")


def test_a_colour_that_is_badly_known_opens_a_range_and_a_known_one_hardly():
    def width(radius):
        candidate = piece("knit", C.KNIT, (48, 24, 30))
        candidate = replace(candidate, uncertainty=np.array([radius]))
        low, high = consider(Wardrobe(random_rail(3, 20)), candidate).opens_within
        return high - low

    assert width(12.0) > width(0.3)


def test_what_wakes_a_piece_that_is_in_no_good_look_says_so():
    rail = (*RAIL[:3], piece("lonely skirt", C.SKIRT, (60, 9, 24)))
    assert Counted(Wardrobe(rail)).good == 0, "no look is whole without shoes"
    found = consider(Wardrobe(rail), piece("tan shoes", C.SHOES, TAN))
    assert set(found.woken) >= {id for id, _ in found.partners}


def test_the_best_gap_opens_what_considering_it_says_and_nearly_as_much_as_a_fine_grid():
    wardrobe = Wardrobe(RAIL)
    found = gaps(wardrobe, 6, categories=(C.KNIT, C.TROUSERS, C.SHOES))
    assert [gap.opens for gap in found] == sorted((gap.opens for gap in found), reverse=True)
    best = found[0]
    assert consider(wardrobe, piece("it", best.category, best.lab)).opens == best.opens
    grid = spread(cloth_colours(), 300)
    most = max(int(opened_in(wardrobe, kind, grid, 50_000).max()) for kind in (C.KNIT, C.TROUSERS, C.SHOES))
    assert best.opens >= 0.95 * most


def test_nothing_is_missing_at_the_face_that_does_not_sit_with_the_client():
    reading = reading_of(WARM)
    for gap in gaps(Wardrobe(RAIL, WARM), 9, reading, (C.TOP, C.KNIT)):
        assert fit_of(gap.lab[None], reading)[0] > 0.25


def test_an_accessory_is_missing_only_where_none_that_hangs_does_as_well():
    belts = gaps(Wardrobe(RAIL[:-1]), 3, categories=(C.BELT,))
    with_one = gaps(Wardrobe(RAIL), 3, categories=(C.BELT,))
    assert sum(gap.opens for gap in with_one) <= sum(gap.opens for gap in belts)


def test_a_rail_that_holds_no_whole_look_is_missing_nothing_in_particular():
    assert gaps(Wardrobe((piece("a belt", C.BELT, TAN),)), 5, categories=(C.TOP, C.SHOES)) == []
