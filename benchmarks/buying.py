"""Before buying: how soon a candidate is answered, and how near the best gap comes to the best of a fine grid."""

import time
from itertools import combinations

import numpy as np

from lucid_swatch.core.client.suits import cloth_colours
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.buying.consider import consider
from lucid_swatch.core.look.buying.gaps import ASKED, gaps, opened_in, plain, spread
from lucid_swatch.core.look.buying.pair import best_pair, opened_together
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe

C = Category
KINDS = (
    C.TOP,
    C.SHIRT,
    C.KNIT,
    C.TROUSERS,
    C.SKIRT,
    C.DRESS,
    C.JACKET,
    C.COAT,
    C.SHOES,
    C.BOOTS,
    C.BAG,
    C.BELT,
    C.SCARF,
)
OFTEN = np.array([10, 8, 8, 12, 8, 4, 6, 4, 8, 4, 5, 3, 4], dtype=float)
QUIET = np.array(
    [(15, 0, 0), (25, 1, -8), (40, 0, -2), (60, 8, 22), (78, 3, 12), (92, 1, 4), (33, 10, 14)], dtype=float
)
LOUD = 0.35
"""Of the pieces of a rail that is drawn."""
GRID, SCORED = 300, 30_000
"""Colours of the grid that the gaps are held against, and looks scored for each."""


def buying():
    """Figures over drawn rails; seconds are those that a person waits."""
    figures = {}
    for count in (60, 120):
        rail = Wardrobe(drawn_rail(count, count))
        for kind in (C.KNIT, C.SHOES, C.COAT, C.BAG):
            begun = time.perf_counter()
            consider(rail, Piece("candidate", kind, np.array([[46.0, 20.0, 26.0]]), np.ones(1), label="Candidate"))
            figures[f"a {kind.value} considered, rail of {count}, seconds"] = round(time.perf_counter() - begun, 2)
    rail = Wardrobe(drawn_rail(60, 60))
    begun = time.perf_counter()
    found = gaps(rail, 8)
    figures["gaps of a rail of 60, seconds"] = round(time.perf_counter() - begun, 1)
    begun = time.perf_counter()
    gaps(rail, 8, categories=[C.DRESS])
    figures["the first of them, seconds"] = round(time.perf_counter() - begun, 2)
    begun = time.perf_counter()
    pair = best_pair(rail, gaps(rail, 60))
    figures["the pair that belongs together, seconds beside its gaps"] = round(
        time.perf_counter() - begun - figures["gaps of a rail of 60, seconds"], 1
    )
    told = [plain(f"gap {k}", gap.category, gap.lab) for k, gap in enumerate(found)]
    counts = [opened_together(rail, one, other).both for one, other in combinations(told, 2)]
    figures["that pair against the best two of eight gaps"] = round(pair.both / max(max(counts), 1), 2)
    grid = spread(cloth_colours(), GRID)
    best = max(int(opened_in(rail, kind, grid, SCORED).max()) for kind in ASKED)
    figures["best gap against the best of a grid of 300 colours by all kinds"] = round(found[0].opens / max(best, 1), 3)
    return figures


def drawn_rail(count, seed):
    """A made-up rail, quiet and loud pieces of the usual kinds."""
    rng = np.random.default_rng(seed)
    kinds = rng.choice(np.array(KINDS, dtype=object), count, p=OFTEN / OFTEN.sum())
    pieces = []
    for k, kind in enumerate(kinds):
        quiet = QUIET[rng.integers(len(QUIET))] + rng.normal(0, 3, 3)
        loud = np.array([rng.uniform(25, 80), *rng.normal(0, 30, 2)])
        lab = loud if rng.random() < LOUD else quiet
        pieces.append(Piece(f"piece {k}", kind, np.clip(lab, [8, -90, -90], [96, 90, 90])[None], np.ones(1)))
    return tuple(pieces)
