"""Turning a look: the smallest changes that take it a notch up or down, to evening or day, to other weather."""

from collections.abc import Callable, Iterator, Sequence
from dataclasses import dataclass, replace
from enum import StrEnum
from functools import cached_property
from itertools import combinations

import numpy as np

from ...colour.arrays import BoolArray, FloatArray, IntArray
from ...garment.known import as_known
from ...garment.piece import Piece
from ...garment.vocabulary import SHINY_FINISHES, Category, Finish, Heel
from ..body import Zone
from ..dressing.dress import OVER, can_be_worn, is_split, joins, zone_of
from ..dressing.mends import Change, Mend, single_changes
from ..dressing.outfits import GOOD
from ..dressing.wardrobe import NOTHING, Wardrobe
from ..kept_look import TimeOfDay
from ..look import Look
from ..remarks.sense import Circumstances, out_of_place
from ..verdict import DIGITS, score_batch
from .clash import wearable_pairs
from .day import why_not_the_time


class Turn(StrEnum):
    """What a look is turned to."""

    UP = "up"
    DOWN = "down"
    DAY = "day"
    EVENING = "evening"
    WARMER = "warmer"
    COLDER = "colder"
    RAIN = "rain"


NOTCH: dict[Turn, float] = {
    Turn.UP: 0.35, Turn.DOWN: 0.35, Turn.EVENING: 0.25, Turn.DAY: 0.25, Turn.WARMER: 0.4, Turn.COLDER: 0.4, Turn.RAIN: 0.5,
}  # fmt: skip
"""How far a look has to move: steps of formality or warmth in the middle of it, or what is told of by `evening_of`."""
LEAST = 0.12
"""Share of a notch that one change has to do for itself to count as one that turns."""
HARDLY = 0.5
"""Share of a notch that will do where nothing goes all the way."""
TELLS = {Zone.FEET: 1.5, Zone.LAYER: 1.2, Zone.UPPER: 1.0, Zone.LOWER: 1.0, Zone.WHOLE: 1.4, Zone.HAND: 0.7}
"""How much what is worn somewhere says of how dressed a look is: shoes turn one more than their size."""
OTHERS_TELL = 0.4
WARMS = {Zone.LAYER: 1.4, Zone.UPPER: 1.0, Zone.WHOLE: 1.6, Zone.LOWER: 1.0, Zone.FEET: 0.8}
"""How much it says of how warm a look is."""
OTHERS_WARM = 0.3
HELPFUL, BESIDE = 22, 10
"""Single changes that turn a look and are put together, and how many that only go along with them."""
MOST_CHANGES, MOST_LOOKS = 3, 3
MOST_TRIED = 150
"""Pieces of a long rail that are tried: what turns a look most by itself."""
EACH_CHANGE, OF_CLOTHES = 3.0, 11.0
"""Points of the whole that one more change has to be worth; another top or skirt makes another look and turns none."""
MAY_COST = 8.0
"""Points of the whole that turning may cost, where the look is not good after it."""


@dataclass(frozen=True, slots=True, eq=False)
class Turned:
    """A look after its turn."""

    look: Look
    changes: tuple[Mend, ...]
    """One to three; the gain of each is what it would do to the whole alone."""
    whole: float


def turn(look: Look, to: Turn, most: int = MOST_LOOKS) -> list[Turned]:
    """The smallest changes that turn a look, fewest first. Empty where none does, or where nothing is to be done."""
    narrowed = replace(look, rail=_Turning(look, to).narrowed())
    found = _Turning(narrowed, to).run(most)
    full = (*look.pieces, *look.rail)
    return [replace(one, look=replace(one.look, rail=_without(full, one.look.pieces))) for one in found]


def needs_no_turn(look: Look, to: Turn) -> bool:
    """Whether a look can go where it is to be turned to as it is: into the rain, with nothing that suffers from it."""
    return to is Turn.RAIN and not any(_suffers(as_known(p)) for p in look.worn) and _has_cover(look.worn)


def _suffers(piece: Piece) -> bool:
    return out_of_place(piece, Circumstances(rain=True)) is not None


BODY = frozenset({Zone.UPPER, Zone.LOWER, Zone.WHOLE})
FOLLOWS = frozenset({Zone.HAND, Zone.WAIST, Zone.NECK, Zone.HEAD})
"""Zones of what may be exchanged only because something else was."""
COVER = frozenset({Category.COAT, Category.JACKET, Category.WRAP})


def _has_cover(pieces: Sequence[Piece]) -> bool:
    return any(piece.category in COVER for piece in pieces)


def evening_of(piece: Piece) -> float:
    """How much a piece is of the evening, about -1 for straw by day .. 1 for sequins: its shine, its cloth, its heel."""
    told = 0.6 * bool(piece.finish & SHINY_FINISHES) + 0.35 * (Finish.VELVET in piece.finish)
    told += 0.3 * (Finish.LACE in piece.finish or Finish.SHEER in piece.finish)
    told -= 0.5 * bool(piece.finish & {Finish.DENIM, Finish.STRAW, Finish.QUILT, Finish.LINEN, Finish.CORDUROY})
    told += (
        {Heel.HIGH: 0.4, Heel.LOW: 0.1, Heel.FLAT: -0.25}.get(piece.details.heel, 0.0) if piece.details.heel else 0.0
    )
    # dark is dressed, and what is more formal is worn later
    told += 0.25 * float(np.clip((45 - piece.share @ piece.lab[:, 0]) / 30, -1, 1))
    return told if piece.formality is None else told + 0.3 * (piece.formality - 3)


@dataclass(frozen=True, slots=True)
class _Found:
    """A way to turn a look."""

    whole: float
    which: tuple[int, ...]
    """The single changes that it takes."""
    after: frozenset[int]
    """The places of the pieces after it."""


class _Turning:
    def __init__(self, look: Look, to: Turn) -> None:
        self.look, self.to = look, to
        self.wardrobe = Wardrobe.round(look)
        self.known = tuple(as_known(piece) for piece in self.wardrobe.everything)
        self.place = {piece.id: k for k, piece in enumerate(self.wardrobe.everything)}
        self.own = frozenset(self.place[piece.id] for piece in look.pieces)
        self.measure = self._measure()
        suffering = sum(_suffers(self.known[k]) for k in self.own) if to is Turn.RAIN else 0
        # all that suffers from rain goes; where nothing does, something is put over it
        self.notch = float(suffering) or NOTCH[to]

    def narrowed(self) -> tuple[Piece, ...]:
        """The pieces of a long rail that turn the look most by themselves, and what may follow them."""
        if len(self.look.rail) <= MOST_TRIED:
            return self.look.rail
        changes = [*single_changes(self.look), *_layers_over(self.look)]
        far = self.measure(
            self._rows([self.own, *(frozenset(self.place[p.id] for p in after) for _, after in changes)])
        )
        helps: dict[str, float] = {}
        for (change, _), gain in zip(changes, (far[1:] - far[0]).tolist(), strict=True):
            new = change.with_piece if change.do == "swap" else change.piece
            if new is not None and self._may_come(change):
                helps[new] = max(gain, helps.get(new, -np.inf))
        taken = set(sorted(helps, key=lambda id: -helps[id])[:MOST_TRIED])
        return tuple(piece for piece in self.look.rail if piece.id in taken)

    def run(self, most: int) -> list[Turned]:
        changes = [*single_changes(self.look), *_layers_over(self.look)]
        singles = [one for one in changes if self._may_come(one[0])]
        self.price = [self._price(change) for change, _ in singles]
        self.follows = [change.do == "swap" and self._zone(change) in FOLLOWS for change, _ in singles]
        rows = [frozenset(self.place[p.id] for p in after) for _, after in singles]
        before = float(self._whole([self.own])[0])
        wholes = self._whole(rows)
        far = self.measure(self._rows([self.own, *rows]))
        gain = far[1:] - far[0]
        promising = self._promising(wholes, gain)
        combined = list(self._combined(singles, promising))
        if not combined:
            return []
        after_all = [after for _, after in combined]
        moved = self.measure(self._rows(after_all)) - far[0]
        worn = [k for k in range(len(combined)) if self._goes(after_all[k])]
        reached = [k for k in worn if moved[k] >= self.notch - 1e-9]
        if not reached and self.to is not Turn.RAIN:
            reached = [k for k in worn if moved[k] >= HARDLY * self.notch - 1e-9]
        wholes_after = self._whole([after_all[k] for k in reached])
        found = [_Found(float(whole), *combined[k]) for k, whole in zip(reached, wholes_after, strict=True)]
        good = [one for one in found if one.whole >= min(GOOD, before - MAY_COST)]
        # where every way costs much, the one that costs least is told all the same
        chosen = self._smallest(good, most) if good else self._smallest(found, 1)
        return [self._told(one, singles, wholes - before) for one in chosen]

    @cached_property
    def pairs(self) -> BoolArray:
        """Which two pieces go into one look."""
        return wearable_pairs(self.known)

    def _may_come(self, change: Mend) -> bool:
        new = change.with_piece if change.do == "swap" else change.piece if change.do == "add" else None
        if new is None:
            # people have to carry their things whatever the weather
            return self.known[self.place[change.piece or ""]].category is not Category.BAG
        piece = self.known[self.place[new]]
        if self.to is Turn.RAIN:
            return not _suffers(piece)
        if self.to in (Turn.EVENING, Turn.DAY):
            return why_not_the_time(piece, TimeOfDay(self.to.value)) is None
        return True

    def _price(self, change: Mend) -> float:
        return OF_CLOTHES if change.do == "swap" and self._zone(change) in BODY else EACH_CHANGE

    def _zone(self, change: Mend) -> Zone:
        return zone_of(self.known[self.place[change.piece or ""]].category)

    def _measure(self) -> Callable[[IntArray], FloatArray]:
        """How far looks are where they are to be turned to. Of rows, (n, m) to (n,)."""
        known = self.known
        zones = [zone_of(p.category) for p in known]
        if self.to in (Turn.UP, Turn.DOWN):
            tells = [TELLS.get(zone, OTHERS_TELL) for zone in zones]
            return _mean(1.0 if self.to is Turn.UP else -1.0, [p.formality for p in known], tells)
        if self.to in (Turn.WARMER, Turn.COLDER):
            layers = np.array([0.5 * (zone is Zone.LAYER) for zone in zones] + [0.0])
            sign = 1.0 if self.to is Turn.COLDER else -1.0
            warms = [WARMS.get(zone, OTHERS_WARM) for zone in zones]
            mean = _mean(sign, [p.warmth for p in known], warms)
            return lambda rows: mean(rows) + sign * layers[rows].sum(axis=1)
        if self.to is Turn.RAIN:
            suffers = np.array([float(_suffers(p)) for p in known] + [0.0])
            cover = np.array([p.category in COVER for p in known] + [False])
            covers = 0.0 if suffers[list(self.own)].any() else 0.5
            return lambda rows: covers * cover[rows].any(axis=1) - suffers[rows].sum(axis=1)
        tells = [TELLS.get(zone, OTHERS_TELL) for zone in zones]
        return _mean(1.0 if self.to is Turn.EVENING else -1.0, [evening_of(p) for p in known], tells)

    def _promising(self, wholes: FloatArray, gain: FloatArray) -> list[int]:
        worth = wholes + 12 * np.minimum(gain / self.notch, 1.5)
        helps = [int(k) for k in np.argsort(-worth, kind="stable") if gain[k] > LEAST * self.notch][:HELPFUL]
        # a bag may have to go with the shoes without being any more dressed itself
        beside = [int(k) for k in np.argsort(-wholes, kind="stable") if gain[k] > -0.1 and self.follows[k]]
        beside = [k for k in beside if k not in helps]
        beside = beside[:BESIDE]
        return helps + beside

    def _combined(
        self, singles: list[Change], promising: list[int]
    ) -> Iterator[tuple[tuple[int, ...], frozenset[int]]]:
        """One to three changes that touch different pieces, and the places after them."""
        for count in range(1, MOST_CHANGES + 1):
            for which in combinations(promising, count):
                gone, come = [], []
                for k in which:
                    change = singles[k][0]
                    own = self.place[change.piece or ""]
                    gone += [] if change.do == "add" else [own]
                    come += [self.place[change.with_piece or ""]] if change.do == "swap" else []
                    come += [own] if change.do == "add" else []
                if len(set(gone)) == len(gone) and len(set(come)) == len(come) and not set(gone) & set(come):
                    yield which, (self.own - set(gone)) | set(come)

    def _goes(self, after: frozenset[int]) -> bool:
        places = sorted(after)
        worn = [self.known[k] for k in places] + list(self.look.always)
        if not can_be_worn([piece.category for piece in worn]):
            return False
        new = [k for k in places if k not in self.own]
        # what was there already and does not go together is the stylist's own affair
        if any(not self.pairs[one, other] for one in new for other in places if other != one):
            return False
        ids = {self.wardrobe.everything[k].id for k in places} | {piece.id for piece in self.look.always}
        return is_split(self.look.ids, self.look.sets) or not is_split(ids, self.look.sets)

    def _rows(self, looks: Sequence[frozenset[int]]) -> IntArray:
        width = max(len(one) for one in looks)
        return np.array([sorted(one) + [NOTHING] * (width - len(one)) for one in looks], dtype=np.intp)

    def _whole(self, looks: Sequence[frozenset[int]]) -> FloatArray:
        if not looks:
            return np.zeros(0)
        return score_batch(self.wardrobe.batch(self._rows(looks), self.look.intent, self.look.meant)).overall

    def _smallest(self, found: list[_Found], most: int) -> list[_Found]:
        """The best with each number of changes, where more changes are worth it, then others that change other pieces."""

        def worth(one: _Found) -> float:
            return one.whole - sum(self.price[k] for k in one.which)

        by_worth = sorted(found, key=lambda one: (-worth(one), len(one.which), one.which))
        taken: list[_Found] = []
        for one in by_worth:
            # the same change with more beside it is no other way
            if any(set(one.which) <= set(other.which) or set(other.which) <= set(one.which) for other in taken):
                continue
            taken.append(one)
            if len(taken) == most:
                break
        return sorted(taken, key=lambda one: (len(one.which), -one.whole))

    def _told(self, one: _Found, singles: list[Change], alone: FloatArray) -> Turned:
        which, after = one.which, one.after
        there = [piece for piece in self.look.pieces if self.place[piece.id] in after]
        come = [self.wardrobe.everything[k] for k in sorted(after - self.own)]
        changes = tuple(replace(singles[k][0], gain=round(float(alone[k]), DIGITS)) for k in which)
        pieces = (*there, *come)
        left = _without((*self.look.pieces, *self.look.rail), pieces)
        return Turned(replace(self.look, pieces=pieces, rail=left), changes, round(one.whole, DIGITS))


def _without(pieces: tuple[Piece, ...], worn: tuple[Piece, ...]) -> tuple[Piece, ...]:
    there = {piece.id for piece in worn}
    return tuple(piece for piece in pieces if piece.id not in there)


def _layers_over(look: Look) -> list[Change]:
    """A knit or jacket put over what is worn without taking its place, and the upper one of two taken off again."""
    worn = [piece.category for piece in look.worn]
    upper = [piece for piece in look.pieces if zone_of(piece.category) is Zone.UPPER]
    over = [
        (Mend("add", p.id, None, None, f"put the {p.in_a_sentence} over it", 0.0), (*look.pieces, p))
        for p in look.rail
        if p.id not in look.ids | look.barred
        and zone_of(p.category) in (Zone.UPPER, Zone.LAYER)
        # one more garment is a layer, two are a heap
        and sum(zone_of(q.category) is zone_of(p.category) for q in look.worn) < 2
        and OVER.get(p.category, frozenset()) & set(worn)
        and joins(p.category, worn)
    ]
    off = [
        (
            Mend("remove", p.id, None, None, f"take off the {p.in_a_sentence}", 0.0),
            tuple(q for q in look.pieces if q is not p),
        )
        for p in upper
        if len(upper) > 1 and OVER.get(p.category, frozenset()) & {q.category for q in upper if q is not p}
    ]
    return over + off


def _mean(sign: float, values: Sequence[float | None], weights: Sequence[float]) -> Callable[[IntArray], FloatArray]:
    """The weighted mean of what is known of each look, 0 where nothing is. Of rows, (n, m) to (n,)."""
    each = np.array([0.0 if one is None else sign * one for one in values] + [0.0])
    weight = np.array([0.0 if v is None else w for v, w in zip(values, weights, strict=True)] + [0.0])

    def mean(rows: IntArray) -> FloatArray:
        found: FloatArray = (each * weight)[rows].sum(axis=1) / np.maximum(weight[rows].sum(axis=1), 1e-9)
        return found

    return mean
