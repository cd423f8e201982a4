"""Which pieces are missing: over all kinds and the whole gamut of cloth, those that would open most good looks."""

from collections.abc import Callable, Collection, Iterator, Sequence
from dataclasses import dataclass, replace

import numpy as np

from ...client.reading import FaceReading
from ...client.suits import cloth_colours, fit_of
from ...colour.arrays import FloatArray, IntArray
from ...colour.difference import pairwise_delta_e_2000
from ...colour.names import name_colours
from ...garment.neutrals import neutrality
from ...garment.piece import Piece
from ...garment.usual_finishes import USUAL_FINISHES
from ...garment.vocabulary import Category as C
from ...garment.vocabulary import Finish, PatternType
from ..dressing.dress import zone_of
from ..dressing.wardrobe import Wardrobe
from .counted import Counted

ASKED = (
    C.TOP, C.SHIRT, C.KNIT, C.TROUSERS, C.SKIRT, C.DRESS, C.JACKET, C.COAT, C.SHOES, C.BOOTS, C.BAG, C.BELT, C.SCARF,
    C.TUNIC, C.JUMPSUIT, C.SHORTS, C.WAISTCOAT, C.WRAP, C.HOSIERY, C.HAT, C.HEADSCARF, C.GLOVES, C.TIE,
)  # fmt: skip
"""Categories that are asked for: all but those whose colour is their metal or their stone."""
WHERE_WORN = frozenset(ASKED[13:])
"""Categories that are missed only where one hangs already."""
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
A_FEW = 6
"""Looks from which one more or less is nothing."""
SUITS_FROM = 0.55
"""Of how well the best colour suits, from which a colour at the face is asked."""
ONE_WITHIN, ONE_FROM = 6.0, 0.6
"""CIEDE2000 within which gaps of one place are one, and how much of the best another has to open to be told with it."""
LOUD_AT, LOUD_COSTS = 50.0, 0.25
"""Loudness from which a colour is as loud as can be, and the share of its looks that this takes from its worth."""
SKIRTED = frozenset({C.SKIRT, C.DRESS})
"""Categories that are missed only where one of them hangs."""
CLEARLY = 1.12
"""Of what a plain cloth opens, from which a pattern or a surface is asked for instead."""
SURFACES = 2
"""Of the usual ones of a kind, that are tried."""
PATTERNED = frozenset({C.TOP, C.SHIRT, C.KNIT, C.SKIRT, C.DRESS, C.TROUSERS, C.JACKET, C.COAT, C.SCARF})
"""Categories that are tried in a pattern, each colour with the farther of two grounds, half and half."""
GROUNDS, HALVES = np.array([[92.0, 0.0, 5.0], [20.0, 0.0, -3.0]]), np.array([0.5, 0.5])
HOW = {"stripe": "striped", "check": "checked", "dot": "dotted", "pleat": "pleated", "quilt": "quilted"}
"""What a pattern or a surface is called before a piece, where that is another word."""
AT_THE_FACE = frozenset(
    {C.TOP, C.SHIRT, C.KNIT, C.DRESS, C.JACKET, C.COAT, C.SCARF, C.TUNIC, C.JUMPSUIT, C.WAISTCOAT, C.WRAP, C.HAT,
     C.HEADSCARF, C.TIE}
)  # fmt: skip


Refused = Callable[[Sequence[Piece]], Collection[str]]
"""The ids of those of some pieces that a client would not wear."""


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
    pattern: PatternType = PatternType.SOLID
    """Another one where it opens clearly more than a plain cloth, and so the finish."""
    finish: tuple[Finish, ...] = ()
    ground: FloatArray | None = None
    """(3,), the other colour of a pattern."""


@dataclass(frozen=True, slots=True, eq=False)
class OneGap:
    """Gaps of several kinds that are worn in one place and are of one colour: any of them would fill it."""

    gap: Gap
    """The one that opens most."""
    categories: tuple[C, ...]

    @property
    def worth(self) -> float:
        """The looks that it opens, of a loud colour somewhat less: what goes with much is what a gap usually is."""
        return self.gap.opens * float(quietness(self.gap.lab[None])[0])


def as_one(found: Sequence[Gap]) -> list[OneGap]:
    """Some gaps, those that are nearly one told once, the worthiest first."""
    groups: list[list[Gap]] = []
    for gap in sorted(found, key=lambda gap: -gap.opens):
        for group in groups:
            first = group[0]
            near = float(pairwise_delta_e_2000(first.lab[None], gap.lab[None])[0, 0]) <= ONE_WITHIN
            if near and zone_of(first.category) is zone_of(gap.category) and gap.opens >= ONE_FROM * first.opens:
                group.append(gap)
                break
        else:
            groups.append([gap])
    told = [OneGap(group[0], tuple(dict.fromkeys(gap.category for gap in group))) for group in groups]
    return sorted(told, key=lambda one: -one.worth)


def gaps(
    wardrobe: Wardrobe,
    count: int = 8,
    reading: FaceReading | None = None,
    categories: Sequence[C] = ASKED,
    refused: Refused = lambda pieces: (),
) -> list[Gap]:
    """The pieces that are missing, most opening first; of kinds that the client does not wear none.

    reading: of the client's colouring, so that nothing is asked at the face that does not sit with it. refused: ids of
    pieces that the client would not wear."""
    colours = spread(cloth_colours(), COARSE)
    found: list[Gap] = []
    for category in worn_kinds(wardrobe, categories):
        found.extend(_of_category(wardrobe, category, colours, reading, refused))
    found.sort(key=lambda gap: -gap.opens)
    return found[:count]


def worn_kinds(wardrobe: Wardrobe, categories: Sequence[C]) -> list[C]:
    """Those of some categories that the client wears: who has neither skirt nor dress, or no hat, is asked to buy none."""
    there = {piece.category for piece in wardrobe.pieces}
    return [
        one for one in categories if (one not in SKIRTED or there & SKIRTED) and (one not in WHERE_WORN or one in there)
    ]


def _of_category(
    wardrobe: Wardrobe, category: C, colours: FloatArray, reading: FaceReading | None, refused: Refused
) -> Iterator[Gap]:
    """The gaps of one kind: coarse first, then round the best, then the best of all to the look."""

    def may_be(some: FloatArray) -> FloatArray:
        some = suiting(some, category, reading)
        out = set(refused([plain(str(k), category, lab) for k, lab in enumerate(some)]))
        return some[[str(k) not in out for k in range(len(some))]] if out else some

    asked = may_be(colours)
    if not len(asked):
        return
    opens = opened_in(wardrobe, category, asked, ROUGHLY)
    if opens.max() == 0:
        return
    finer = may_be(_around(asked[np.argsort(-opens, kind="stable")[:LEADERS]]))
    if len(finer):
        asked, opens = np.vstack([asked, finer]), np.concatenate([opens, opened_in(wardrobe, category, finer, ROUGHLY)])
    first = np.argsort(-opens, kind="stable")[:SETTLED]
    opens[first] = opened_in(wardrobe, category, asked[first], SETTLED_WITH)
    left = np.ones(len(asked), dtype=bool)
    for number in range(MOST_OF_A_KIND):
        if not left.any() or opens[left].max() == 0:
            return
        near = np.flatnonzero(left & (opens >= _nearly(int(opens[left].max()))))
        place = int(near[np.argmin(loudness(asked[near]))])
        away = pairwise_delta_e_2000(asked[place][None], asked)[0]
        within = _within(away, opens, int(opens[place]))
        gap = Gap(category, asked[place], called(asked[place], category), int(opens[place]), within)
        yield gap if number else _made_of(wardrobe, gap, refused)
        left &= away > APART


def _nearly(most: int) -> float:
    """From how many looks a colour opens nearly as many as the best: of a dozen, one more or less is nothing."""
    return min(NEARLY * most, most - 1.0) if most >= A_FEW else NEARLY * most


def _made_of(wardrobe: Wardrobe, gap: Gap, refused: Refused) -> Gap:
    """A gap as the surface or the pattern that opens clearly more than a plain cloth of its colour would; else as it is."""
    made = [replace(_piece(gap), id=f"of {finish}", finish=frozenset({finish})) for finish in _finishes(gap.category)]
    if gap.category in PATTERNED:
        second = GROUNDS[int(np.abs(GROUNDS[:, 0] - gap.lab[0]).argmax())]
        made += [
            replace(_piece(gap), id=f"in a {pattern}", lab=np.stack([gap.lab, second]), share=HALVES, pattern=pattern)
            for pattern in (PatternType.STRIPE, PatternType.CHECK)
        ]
    out = set(refused(made))
    made = [one for one in made if one.id not in out]
    if not made:
        return gap
    opens = opened_by(wardrobe, made, SETTLED_WITH)
    best = int(opens.argmax())
    if opens[best] < CLEARLY * gap.opens:
        return gap
    one = made[best]
    kind = gap.category.value.replace("-", " ")
    how = one.pattern.value if one.finish == frozenset() else next(iter(one.finish)).value
    colour = gap.name.removesuffix(kind).strip()
    said = f"{colour} {HOW.get(how, how)} {kind}"
    ground = one.lab[1] if len(one.lab) > 1 else None
    return replace(gap, name=said, opens=int(opens[best]), pattern=one.pattern, finish=tuple(one.finish), ground=ground)


def _finishes(category: C) -> list[Finish]:
    usual = USUAL_FINISHES[category]
    return sorted(usual, key=lambda one: -usual[one])[:SURFACES]


def _piece(gap: Gap) -> Piece:
    return plain("a gap", gap.category, gap.lab)


def opened_in(wardrobe: Wardrobe, category: C, colours: FloatArray, most: int) -> IntArray:
    """How many good looks a plain piece of a kind opens in each colour. (n, 3) to (n,). most: looks scored for each."""
    return opened_by(wardrobe, [plain(f"a stranger {k}", category, lab) for k, lab in enumerate(colours)], most)


def opened_by(wardrobe: Wardrobe, strangers: Sequence[Piece], most: int) -> IntArray:
    """How many good looks each of some strangers opens; an accessory those that none which hangs there makes good.

    most: looks scored for each. To (n,)."""
    return Counted(wardrobe, strangers, most).opens([one.id for one in strangers])


def plain(id: str, category: C, lab: FloatArray) -> Piece:
    """A piece of one colour of which nothing else is known. lab: (3,)."""
    return Piece(id, category, lab[None, :], np.ones(1), label=id)


def suiting(colours: FloatArray, category: C, reading: FaceReading | None) -> FloatArray:
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


def loudness(lab: FloatArray) -> FloatArray:
    """How little quiet colours are: a gap is usually filled by one that goes with much. (n, 3) to (n,)."""
    return np.asarray(np.hypot(lab[:, 1], lab[:, 2]) - 12.0 * neutrality(lab))


def quietness(lab: FloatArray) -> FloatArray:
    """What a colour that opens so many looks is worth against a quiet one that does. (n, 3) to (n,), 0.75..1."""
    return np.asarray(1 - LOUD_COSTS * np.clip(loudness(lab) / LOUD_AT, 0, 1))


def _within(away: FloatArray, opens: IntArray, own: int) -> float:
    """CIEDE2000 up to which every asked colour opens nearly as many."""
    order = np.argsort(away, kind="stable")
    worse = order[opens[order] < REGION * own]
    reach = away[worse[0]] if len(worse) else away.max()
    inside = away[order[away[order] < reach]]
    return round(float(max(inside.max() if len(inside) else 0.0, 0.5 * reach)), 1)


def called(lab: FloatArray, category: C) -> str:
    """What a piece of a colour is called, as in 'navy trousers'. lab: (3,)."""
    name = name_colours(lab[None], neutrality(lab[None]) > 0.5)[0]
    return f"{name} {category.value.replace('-', ' ')}"
