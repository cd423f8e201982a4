"""Which pieces are missing: over all kinds and the whole gamut of cloth, those that would open most good looks."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass

import numpy as np

from ...client.reading import FaceReading
from ...client.suits import cloth_colours, fit_of
from ...colour.arrays import FloatArray, IntArray
from ...colour.difference import pairwise_delta_e_2000
from ...colour.names import name_colours
from ...garment.neutrals import neutrality
from ...garment.piece import Piece
from ...garment.vocabulary import Category as C
from ..dressing.base_looks import BASE
from ..dressing.dress import zone_of
from ..dressing.wardrobe import Wardrobe
from .counted import Counted

ASKED = (
    C.TOP, C.SHIRT, C.KNIT, C.TROUSERS, C.SKIRT, C.DRESS, C.JACKET, C.COAT, C.SHOES, C.BOOTS, C.BAG, C.BELT, C.SCARF,
)  # fmt: skip
"""Categories that are asked for."""
COARSE = 72
"""Colours, spread over the gamut of cloth, in which each is asked first."""
LEADERS, FINER = 3, 10
"""Of those the best, round each of which so many more are asked."""
ROUGHLY = 1_500
"""Looks scored for a piece in one colour while the best are looked for."""
SETTLED, SETTLED_WITH = 8, 30_000
"""The best colours of a kind, and looks from which what they open is told in the end."""
MOST_OF_A_KIND = 3
REGION = 0.9
"""Of what the best colour of a region opens, what another one of it opens at least."""
APART = 18.0
"""CIEDE2000 between two gaps of one kind that are two."""
NEARLY = 0.95
"""Two colours of one kind that open so nearly as many are one gap, and the quieter of them is named."""
SUITS_FROM = 0.55
"""Of how well the best colour suits, from which a colour at the face is asked."""
AT_THE_FACE = frozenset({C.TOP, C.SHIRT, C.KNIT, C.DRESS, C.JACKET, C.COAT, C.SCARF})


@dataclass(frozen=True, slots=True, eq=False)
class Gap:
    """A piece that would open looks, as a region of colour."""

    category: C
    lab: FloatArray
    """(3,), in the middle of the region."""
    name: str
    """The colour and what it is, as in 'navy trousers'."""
    opens: int
    """Good looks that there would be more."""
    within: float
    """CIEDE2000 round lab in which that nearly holds."""


def gaps(
    wardrobe: Wardrobe,
    count: int = 8,
    reading: FaceReading | None = None,
    categories: Sequence[C] = ASKED,
    progress: Callable[[float], None] = lambda share: None,
) -> list[Gap]:
    """The pieces that are missing, most opening first.

    reading: of the client's colouring, so that nothing is asked at the face that does not sit with it. progress: told
    the share that is done."""
    colours = spread(cloth_colours(), COARSE)
    found: list[Gap] = []
    for k, category in enumerate(categories):
        found.extend(_of_category(wardrobe, category, colours, reading))
        progress((k + 1) / len(categories))
    found.sort(key=lambda gap: -gap.opens)
    return found[:count]


def _of_category(wardrobe: Wardrobe, category: C, colours: FloatArray, reading: FaceReading | None) -> Iterator[Gap]:
    """The gaps of one kind: coarse first, then round the best, then the best of all to the look."""
    asked = _suiting(colours, category, reading)
    if not len(asked):
        return
    opens = opened_in(wardrobe, category, asked, ROUGHLY)
    if opens.max() == 0:
        return
    finer = _suiting(_around(asked[np.argsort(-opens, kind="stable")[:LEADERS]]), category, reading)
    if len(finer):
        asked, opens = np.vstack([asked, finer]), np.concatenate([opens, opened_in(wardrobe, category, finer, ROUGHLY)])
    first = np.argsort(-opens, kind="stable")[:SETTLED]
    opens[first] = opened_in(wardrobe, category, asked[first], SETTLED_WITH)
    left = np.ones(len(asked), dtype=bool)
    for _ in range(MOST_OF_A_KIND):
        if not left.any() or opens[left].max() == 0:
            return
        near = np.flatnonzero(left & (opens >= NEARLY * opens[left].max()))
        place = int(near[np.argmin(_loud(asked[near]))])
        away = pairwise_delta_e_2000(asked[place][None], asked)[0]
        within = _within(away, opens, int(opens[place]))
        yield Gap(category, asked[place], _called(asked[place], category), int(opens[place]), within)
        left &= away > APART


def opened_in(wardrobe: Wardrobe, category: C, colours: FloatArray, most: int) -> IntArray:
    """How many good looks a plain piece of a kind opens in each colour. (n, 3) to (n,). most: looks scored for each."""
    strangers = [_plain(f"a stranger {k}", category, lab) for k, lab in enumerate(colours)]
    counted = Counted(wardrobe, strangers, most)
    if zone_of(category) in BASE:
        return np.array([counted.opened(one.id).count for one in strangers], dtype=np.intp)
    return np.array([counted.makes_anew(one.id, most) for one in strangers], dtype=np.intp)


def _plain(id: str, category: C, lab: FloatArray) -> Piece:
    return Piece(id, category, lab[None, :], np.ones(1), label=id)


def _suiting(colours: FloatArray, category: C, reading: FaceReading | None) -> FloatArray:
    """The colours of a kind that sit with the client, where they would lie at the face."""
    if reading is None or category not in AT_THE_FACE or not len(colours):
        return colours
    fit = fit_of(colours, reading)
    return colours[fit >= SUITS_FROM * float(fit_of(cloth_colours(), reading).max())]


def spread(colours: FloatArray, count: int) -> FloatArray:
    """Some colours as far from each other as can be, from the middle grey on: farthest point first. (n, 3) to (count, 3).

    Source: Gonzalez 1985, Theoretical Computer Science 38."""
    scaled = colours * np.array([0.7, 1.0, 1.0])
    chosen = [int(np.linalg.norm(scaled - [35.0, 0.0, 0.0], axis=1).argmin())]
    away = np.linalg.norm(scaled - scaled[chosen[0]], axis=1)
    while len(chosen) < min(count, len(colours)):
        chosen.append(int(away.argmax()))
        away = np.minimum(away, np.linalg.norm(scaled - scaled[chosen[-1]], axis=1))
    return colours[chosen]


def _around(leaders: FloatArray) -> FloatArray:
    """The colours of cloth nearest to some, those left out. (n, 3) to (m, 3)."""
    colours = cloth_colours()
    away = pairwise_delta_e_2000(leaders, colours)
    near = np.argsort(np.where(away > 0.5, away, np.inf), axis=1, kind="stable")[:, :FINER]
    return colours[np.unique(near)]


def _loud(lab: FloatArray) -> FloatArray:
    """How little quiet colours are: a gap is usually filled by one that goes with much. (n, 3) to (n,)."""
    return np.asarray(np.hypot(lab[:, 1], lab[:, 2]) - 12.0 * neutrality(lab))


def _within(away: FloatArray, opens: IntArray, own: int) -> float:
    """CIEDE2000 up to which every asked colour opens nearly as many."""
    order = np.argsort(away, kind="stable")
    worse = order[opens[order] < REGION * own]
    reach = away[worse[0]] if len(worse) else away.max()
    inside = away[order[away[order] < reach]]
    return round(float(max(inside.max() if len(inside) else 0.0, 0.5 * reach)), 1)


def _called(lab: FloatArray, category: C) -> str:
    name = name_colours(lab[None], neutrality(lab[None]) > 0.5)[0]
    return f"{name} {category.value.replace('-', ' ')}"
