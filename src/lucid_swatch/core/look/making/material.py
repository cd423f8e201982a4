"""What looks can be made of: the pieces that may come, the sets that are not parted, and what each look starts from."""

from dataclasses import dataclass
from functools import cached_property

import numpy as np

from ...colour.arrays import BoolArray, IntArray
from ...garment.known import as_known
from ...garment.piece import Piece
from ..body import Zone
from ..dressing.base_looks import BASE, COLUMNS
from ..dressing.dress import OVER, can_be_worn, zone_of
from ..dressing.wardrobe import NOTHING, Wardrobe
from .clash import wearable_pairs
from .day import why_left_out
from .wanted import Share, Wanted

MOST_PIECES = 600
"""Pieces that looks are made of at once: what is known of pairs grows with the square of them."""


@dataclass(frozen=True, slots=True)
class Kit:
    """Pieces that come together or not at all, by place."""

    base: tuple[int, ...]
    """Those that stand in a base look."""
    more: tuple[int, ...]
    """Those that join it: accessories, and a second piece of one zone."""

    @property
    def all(self) -> tuple[int, ...]:
        """Every piece of it."""
        return self.base + self.more


class Material:
    """The pieces of a wardrobe as looks are made of them. Pieces are known by their place in `wardrobe.everything`."""

    def __init__(self, wardrobe: Wardrobe, wanted: Wanted) -> None:
        self.wardrobe, self.wanted = wardrobe, wanted
        self.place = {piece.id: k for k, piece in enumerate(wardrobe.everything)}
        self.known = tuple(as_known(piece) for piece in wardrobe.everything)
        self.left_out = self._left_out()
        self.refused_start = tuple(id for id in wanted.start if id in self.left_out)
        """Pieces that were to be in and may not come."""
        self.usable = self._usable()
        self.sets = self._sets()
        self.pairs: BoolArray = wearable_pairs(self.known)

    def _left_out(self) -> dict[str, str]:
        """Why pieces of the rail are in no look, by id."""
        found = dict(self.wardrobe.barred)
        on = {piece.id for piece in self.wardrobe.always}
        for piece in self.wardrobe.pieces:
            why = (
                None
                if piece.id in found or piece.id in on
                else why_left_out(self.known[self.place[piece.id]], self.wanted)
            )
            if why is not None:
                found[piece.id] = why
        for one in self.wardrobe.sets:
            held_back = sorted(one & found.keys())
            if held_back and self._wearable_set(one):
                of = self.wardrobe.by_id.get(held_back[0])
                called = held_back[0] if of is None else of.in_a_sentence
                found |= {id: f"goes with {called}, which {found[held_back[0]]}" for id in one - found.keys()}
        return found

    def _wearable_set(self, ids: frozenset[str]) -> bool:
        return can_be_worn([self.known[self.place[id]].category for id in ids if id in self.place])

    def _usable(self) -> tuple[int, ...]:
        may = [k for k in self.wardrobe.free if self.wardrobe.pieces[k].id not in self.left_out]
        if len(may) <= MOST_PIECES:
            return tuple(may)
        # of a longer rail as many of each zone as it has a share of, and all that was asked for
        start = {self.place[id] for id in self.wanted.start if id in self.place}
        draw = np.random.default_rng(self.wanted.seed).permutation(len(may))
        taken = [may[k] for k in draw if may[k] in start] + [may[k] for k in draw if may[k] not in start]
        by_zone = {zone: [k for k in taken if zone_of(self.known[k].category) is zone] for zone in Zone}
        share = MOST_PIECES / len(may)
        return tuple(sorted(k for some in by_zone.values() for k in some[: max(1, round(len(some) * share))]))

    def _sets(self) -> tuple[Kit, ...]:
        """The sets that a look can hold whole."""
        usable = set(self.usable)
        kits = []
        for one in self.wardrobe.sets:
            places = [self.place[id] for id in one if id in self.place]
            if self._wearable_set(one) and all(place in usable for place in places):
                kits.append(self.kit(places))
        return tuple(kits)

    def kit(self, places: list[int]) -> Kit:
        """Some pieces as they come together: one a column of a base look, the outer one where two share it."""
        base: dict[int, int] = {}
        more: list[int] = []
        for place in sorted(places, key=self._outermost):
            category = self.known[place].category
            zone = zone_of(category)
            column = COLUMNS.get(zone)
            whole = any(zone_of(self.known[p].category) is Zone.WHOLE for p in places)
            inner = zone is Zone.UPPER and whole
            if column is None or column in base or inner:
                more.append(place)
            else:
                base[column] = place
        return Kit(tuple(base.values()), tuple(more))

    def _outermost(self, place: int) -> tuple[int, int]:
        return -len(OVER.get(self.known[place].category, ())), place

    @cached_property
    def starts(self) -> tuple[Kit, ...]:
        """What looks start from: each holds exactly one of these whole. One of nothing where any will do."""
        on = {piece.id for piece in self.wardrobe.always}
        asked = [id for id in self.wanted.start if id not in on]
        there = [self.place[id] for id in asked if self.place.get(id) in self.usable]
        if not there:
            return () if asked else (Kit((), ()),)
        if self.wanted.share is Share.ALL:
            return (self.kit(sorted({k for place in there for k in self.with_set(place)})),)
        kits: dict[tuple[int, ...], Kit] = {}
        for place in there:
            whole = tuple(sorted(self.with_set(place)))
            kits.setdefault(whole, self.kit(list(whole)))
        return tuple(kits.values())

    def with_set(self, place: int) -> tuple[int, ...]:
        """A piece and what it is never parted from."""
        own = next((kit for kit in self.sets if place in kit.all), None)
        return (place,) if own is None else own.all

    def others(self, start: Kit) -> frozenset[int]:
        """What may not be in a look that starts from one kit: the other starts."""
        return frozenset(k for kit in self.starts if kit is not start for k in kit.all) - set(start.all)

    def worn_together(self, places: tuple[int, ...]) -> bool:
        """Whether some pieces go into one look, with what is always on."""
        always = [piece.category for piece in self.wardrobe.always]
        return can_be_worn([self.known[k].category for k in places] + always)

    @property
    def beside_a_start(self) -> tuple[int, ...]:
        """The pieces that may come and could be worn with something that looks start from, or are that."""
        able = (k for k in self.usable if any(self.worn_together(tuple({*kit.all, k})) for kit in self.starts))
        return tuple(able)

    def of_zone(self, zone: Zone, start: Kit) -> list[int]:
        """The pieces of a zone that a base look of one start may hold."""
        fixed = [k for k in start.base if zone_of(self.known[k].category) is zone]
        if fixed:
            return fixed
        barred = self.others(start) | set(start.more) | {k for kit in self.sets for k in kit.more}
        return [k for k in self.usable if k not in barred and zone_of(self.known[k].category) is zone]

    def added(self, start: Kit) -> list[tuple[int, ...]]:
        """What may be added to the base looks of one start: accessories, a second upper piece or layer, and sets of
        accessories as one."""
        in_sets = {k for kit in self.sets for k in kit.all}
        barred = self.others(start) | in_sets | set(start.all)
        alone = [(k,) for k in self.usable if k not in barred and self._is_added(k)]
        whole = [
            kit.more for kit in self.sets if not kit.base and not set(kit.more) & (self.others(start) | set(start.all))
        ]
        return alone + whole

    def _is_added(self, place: int) -> bool:
        category = self.known[place].category
        return (
            zone_of(category) not in BASE or bool(OVER.get(category)) or any(category in some for some in OVER.values())
        )

    def whole_sets(self, rows: IntArray) -> tuple[BoolArray, IntArray]:
        """Which base looks part no set, and what has to join each for that. rows: (n, m), places, NOTHING elsewhere; to
        (n,) and (n, k)."""
        able = np.ones(len(rows), dtype=bool)
        joins = [np.full((len(rows), 0), NOTHING, dtype=np.intp)]
        for kit in self.sets:
            held = np.isin(rows, kit.base).sum(axis=1)
            able &= (held == 0) | (held == len(kit.base))
            if kit.base and kit.more:
                joins.append(np.where((held > 0)[:, None], np.array(kit.more, dtype=np.intp), NOTHING))
        return able, np.concatenate(joins, axis=1)

    def pieces(self, row: IntArray) -> tuple[Piece, ...]:
        """The pieces of one look, in the order of the row."""
        return tuple(self.wardrobe.everything[int(k)] for k in row if k != NOTHING)
