"""The base looks of a rail too long for one table: groups that each hold their share of every zone stand for the whole.

What is known of pairs grows with the square of the pieces. A look of the whole rail is as likely in one of the groups as
any other, so that shares of good looks carry over; source: cluster sampling, Cochran 1977, chapter 9."""

from collections.abc import Sequence

import numpy as np

from ...client.colouring import Client
from ...garment.piece import Piece
from ..body import ZONES, Zone
from ..look import Conventions, in_order
from .considered import PIECES_AT_ONCE
from .outfits import BASE, MOST_SCORED, Counter, Outfits, looks_with

GROUP = 300
"""Pieces of a group."""
TRIED_GROUPS = 2
"""Groups in which a stranger is tried."""


def counter_of(
    pieces: list[Piece], client: Client | None, conventions: Conventions, strangers: Sequence[Piece] = ()
) -> "Counter | LongRail":
    """What counts the base looks of a rail, however long it is."""
    if len(pieces) <= PIECES_AT_ONCE:
        return Counter(pieces, client, conventions, strangers)
    return LongRail(pieces, client, conventions, strangers)


class LongRail:
    """The same questions as a Counter answers, answered by groups of the rail."""

    def __init__(
        self, pieces: list[Piece], client: Client | None, conventions: Conventions, strangers: Sequence[Piece]
    ) -> None:
        groups = _groups(pieces)
        most = max(MOST_SCORED // len(groups), GROUP)
        self.groups = [
            Counter(group, client, conventions, strangers if k < TRIED_GROUPS else (), most)
            for k, group in enumerate(groups)
        ]
        self.count = {zone: sum(1 for piece in pieces if ZONES[piece.category] is zone) for zone in Zone}

    def outfits(self) -> Outfits:
        """How many good looks there are, and how many each piece is in; all estimates."""
        halves = self.count[Zone.UPPER] * self.count[Zone.LOWER] + self.count[Zone.WHOLE]
        total = halves * max(self.count[Zone.FEET], 1) * (self.count[Zone.LAYER] + 1)
        found = [group.outfits() for group in self.groups]
        good = total * sum(one.good for one in found) / max(sum(one.looks for one in found), 1)
        each: dict[str, list[float]] = {}
        for group, one in zip(self.groups, found, strict=True):
            for piece in group.pieces:
                zone = ZONES[piece.category]
                there = looks_with(zone, _counts(group)) if zone in BASE else one.good
                everywhere = looks_with(zone, self.count) if zone in BASE else good
                each.setdefault(piece.id, []).append(one.each[piece.id] / max(there, 1) * everywhere)
        return Outfits(total, round(good), True, {id: round(float(np.mean(some))) for id, some in each.items()})

    def opened(self, candidate: Piece) -> int:
        """How many good base looks a stranger would open; an estimate. Nothing for an accessory."""
        zone = ZONES[candidate.category]
        if zone not in BASE:
            return 0
        shares = [
            group.opened(candidate) / max(looks_with(zone, _counts(group)), 1) for group in self.groups[:TRIED_GROUPS]
        ]
        return round(float(np.mean(shares)) * looks_with(zone, self.count))


def _counts(group: Counter) -> dict[Zone, int]:
    return {zone: len(places) for zone, places in group.places.items()}


def _groups(pieces: list[Piece]) -> list[list[Piece]]:
    """The pieces in groups with an equal share of every zone; a zone with fewer pieces than groups lends them to all."""
    number = -(-len(pieces) // GROUP)
    groups: list[list[Piece]] = [[] for _ in range(number)]
    draw = np.random.default_rng(8)
    for zone in Zone:
        there = [piece for piece in in_order(pieces) if ZONES[piece.category] is zone]
        if len(there) < number:
            for group in groups:
                group.extend(there)
            continue
        for place, k in enumerate(draw.permutation(len(there))):
            groups[place % number].append(there[k])
    return groups
