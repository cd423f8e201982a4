"""The base looks of a rail too long for one table: groups that each hold their share of every zone stand for the whole.

What is known of pairs grows with the square of the pieces. A look of the whole rail is as likely in one of the groups as
any other, so that shares of good looks carry over; source: cluster sampling, Cochran 1977, chapter 9."""

from dataclasses import replace

import numpy as np

from ...garment.piece import Piece
from ..body import Zone
from ..look import in_order
from .around import PIECES_AT_ONCE
from .base_looks import BASE, looks_with
from .dress import zone_of
from .outfits import KINDS, MOST_SCORED, Counter, Kind, Outfits
from .wardrobe import Wardrobe

GROUP = 300
"""Pieces of a group."""


def counter_of(wardrobe: Wardrobe) -> "Counter | LongRail":
    """What counts the base looks of a rail, however long it is."""
    if len(wardrobe.pieces) <= PIECES_AT_ONCE:
        return Counter(wardrobe)
    return LongRail(wardrobe)


class LongRail:
    """The same questions as a Counter answers, answered by groups of the rail."""

    def __init__(self, wardrobe: Wardrobe) -> None:
        groups = _groups(wardrobe)
        most = max(MOST_SCORED // len(groups), GROUP)
        self.groups = [Counter(replace(wardrobe, pieces=group), most) for group in groups]
        free = [wardrobe.pieces[place] for place in wardrobe.free]
        self.count = {zone: sum(1 for piece in free if zone_of(piece.category) is zone) for zone in Zone}

    def outfits(self) -> Outfits:
        """How many good looks there are, and how many each piece is in; all estimates."""
        number = self._of_each_kind()
        total, found = sum(number.values()), [group.outfits() for group in self.groups]
        kinds = [group.by_kind() for group in self.groups]
        good = 0.0
        for kind, count in number.items():
            scored, fine = (sum(one[kind][k] for one in kinds) for k in (0, 1))
            good += count * fine / max(scored, 1)
        each: dict[str, list[float]] = {}
        for group, one in zip(self.groups, found, strict=True):
            for id, count in one.each.items():
                zone = zone_of(group.wardrobe.by_id[id].category)
                there = looks_with(zone, _counts(group)) if zone in BASE else one.good
                everywhere = looks_with(zone, self.count) if zone in BASE else good
                each.setdefault(id, []).append(count / max(there, 1) * everywhere)
        return Outfits(total, round(good), True, {id: round(float(np.mean(some))) for id, some in each.items()})

    def _of_each_kind(self) -> dict[Kind, int]:
        """How many base looks there are. Of a larger rail fewer are of a whole garment, or without a layer: the shares of
        good ones carry over from the groups kind by kind."""
        halves, whole = self.count[Zone.UPPER] * self.count[Zone.LOWER], self.count[Zone.WHOLE]
        shod = max(self.count[Zone.FEET], 1)
        return {
            (is_whole, layered): (whole if is_whole else halves) * shod * (self.count[Zone.LAYER] if layered else 1)
            for is_whole, layered in KINDS
        }


def _counts(group: Counter) -> dict[Zone, int]:
    return {zone: len(places) for zone, places in group.places.items()}


def _groups(wardrobe: Wardrobe) -> list[tuple[Piece, ...]]:
    """The pieces in groups with an equal share of every zone; a zone with fewer pieces than groups lends them to all,
    and so is what is always on."""
    on = tuple(piece for piece in wardrobe.always if piece.id in wardrobe.by_id)
    pieces = in_order(wardrobe.pieces[place] for place in wardrobe.free)
    number = max(-(-len(pieces) // GROUP), 1)
    groups: list[list[Piece]] = [list(on) for _ in range(number)]
    draw = np.random.default_rng(8)
    for zone in Zone:
        there = [piece for piece in pieces if zone_of(piece.category) is zone]
        if len(there) < number:
            for group in groups:
                group.extend(there)
            continue
        for place, k in enumerate(draw.permutation(len(there))):
            groups[place % number].append(there[k])
    return [tuple(group) for group in groups]
