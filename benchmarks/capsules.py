"""Capsules: how near the proven best, how soon, beside a greedy choice and a local search from random starts in one run."""

import time

import numpy as np

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.planning.capsule import Asked, choose_capsule
from lucid_swatch.core.look.planning.good_looks import good_looks

from .buying import drawn_rail

SIZES = ((9, 25, 0), (12, 60, 120))
"""Pieces of a capsule, clothes and shoes of its rail, and accessories beside them."""
SEEDS = range(6)
RESTARTS = 30
ACCESSORIES = (Category.BAG, Category.BELT, Category.SCARF, Category.NECKLACE, Category.HAT)


def capsules():
    """Figures over drawn rails; seconds are those that a person waits."""
    figures = {}
    for count, clothes, accessories in SIZES:
        first, last, gap, greedy, search, proven, looks = [], [], [], [], [], 0, []
        for seed in SEEDS:
            rail = _rail(clothes, accessories, seed)
            begun, told = time.perf_counter(), []

            def tell(capsule, begun=begun, told=told):
                told.append((time.perf_counter() - begun, capsule.looks))
                return True

            good = good_looks(Wardrobe(rail))
            found = choose_capsule(good, Asked(count), tell)
            last.append(time.perf_counter() - begun)
            first.append(told[0][0])
            gap.append(found.bound / max(found.looks, 1) - 1)
            proven += found.proven
            looks.append(len(good.rows))
            greedy.append(_greedy(good, count) / max(found.looks, 1))
            search.append(_search(good, count, seed) / max(found.looks, 1))
        name = f"{count} of {clothes}" + (f" beside {accessories} accessories" if accessories else "")
        figures[f"{name}: good looks of a rail"] = f"{min(looks)} to {max(looks)}"
        figures[f"{name}: first answer, seconds, at most"] = round(max(first), 2)
        figures[f"{name}: done, seconds, in the middle and at most"] = (
            round(float(np.median(last)), 1),
            round(max(last), 1),
        )
        figures[f"{name}: proven"] = f"{proven} of {len(SEEDS)}"
        figures[f"{name}: below the bound, at most"] = round(max(gap), 3)
        figures[f"{name}: greedy alone, of it, mean"] = round(float(np.mean(greedy)), 3)
        figures[f"{name}: a local search from {RESTARTS} random starts, of it, mean"] = round(float(np.mean(search)), 3)
    return figures


def _rail(clothes, accessories, seed):
    pieces = [one for one in drawn_rail(4 * clothes, seed) if one.category not in ACCESSORIES][:clothes]
    rng = np.random.default_rng(seed)
    lab = rng.uniform([20, -30, -30], [90, 30, 30], (accessories, 3))
    kinds = rng.integers(0, len(ACCESSORIES), accessories)
    extra = [
        Piece(f"extra {k}", ACCESSORIES[kind], one[None], np.ones(1))
        for k, (kind, one) in enumerate(zip(kinds, lab, strict=True))
    ]
    return tuple([*pieces, *extra])


def _carried(good, chosen):
    return int(good.within(chosen).sum())


def _greedy(good, count):
    """Piece by piece, each time the one in most good looks."""
    chosen = np.zeros(len(good.pieces), dtype=bool)
    uses = np.bincount(good.rows[good.rows >= 0], minlength=len(good.pieces))
    chosen[np.argsort(-uses, kind="stable")[:count]] = True
    return _carried(good, chosen)


def _search(good, count, seed):
    """The best of exchanges of one piece, from random starts."""
    rng, best = np.random.default_rng(seed), 0
    number = len(good.pieces)
    for _ in range(RESTARTS):
        chosen = np.zeros(number, dtype=bool)
        chosen[rng.permutation(number)[: min(count, number)]] = True
        now = _carried(good, chosen)
        while True:
            swap = None
            for out in np.flatnonzero(chosen):
                for into in np.flatnonzero(~chosen):
                    other = chosen.copy()
                    other[[out, into]] = False, True
                    carried = _carried(good, other)
                    if carried > now:
                        now, swap = carried, other
            if swap is None:
                break
            chosen = swap
        best = max(best, now)
    return best
