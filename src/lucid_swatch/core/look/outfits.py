"""How many good looks a rail holds, and how many each piece is in: every base look scored, or a fair draw of them."""

from dataclasses import dataclass
from itertools import product

import numpy as np

from ..client.colouring import Client, read_colouring
from ..colour.arrays import BoolArray, FloatArray, IntArray
from ..garment.piece import Piece
from .batch import batch_of
from .body import ZONES, Zone
from .look import Conventions, in_order
from .table import PieceTable, build_table
from .verdict import score_batch

GOOD = 70.0
"""The whole from which a look is good."""
MOST_SCORED = 6000
"""Base looks that are scored; of more, that many are drawn."""
DRAWN_FOR_EXTRAS = 40
"""Good base looks on which each accessory is tried."""
CHUNK = 1000
BASE = (Zone.UPPER, Zone.LOWER, Zone.WHOLE, Zone.FEET, Zone.LAYER)
EXTRA = (Zone.HEAD, Zone.NECK, Zone.WAIST, Zone.HAND, Zone.LEGS)
NOTHING = -1


@dataclass(frozen=True, slots=True)
class Outfits:
    """The base looks of a rail: a top and a lower half or one whole piece, shoes where there are some, and at most
    one layer."""

    looks: int
    """How many there are."""
    good: int
    """How many of them are good; an estimate where they were drawn."""
    drawn: bool
    """Whether only a draw of them was scored."""
    each: dict[str, int]
    """How many good looks each piece is in, by id. An accessory counts with the share of good base looks that stay
    good with it."""


class Counter:
    """The base looks of a rail, scored once, so that additions can be tried against them."""

    def __init__(self, pieces: list[Piece], client: Client | None, conventions: Conventions) -> None:
        self.pieces = in_order(pieces)
        self.conventions = conventions
        self.colouring = None if client is None else read_colouring(client)
        self.places = {zone: [k for k, p in enumerate(self.pieces) if ZONES[p.category] is zone] for zone in Zone}
        self.index, self.total = self._base()
        self.good = (
            self._good(build_table(self.pieces, conventions.school), self.index)
            if len(self.index)
            else np.zeros(0, bool)
        )

    def outfits(self) -> Outfits:
        """How many good looks there are, and how many each piece is in."""
        scored = max(len(self.index), 1)
        scale = self.total / scored
        good = self.good.sum() * scale
        each = {}
        for k, piece in enumerate(self.pieces):
            if ZONES[piece.category] in BASE:
                each[piece.id] = round(float((self.good & (self.index == k).any(axis=1)).sum() * scale))
        each |= {self.pieces[k].id: round(share * good) for k, share in self._extras().items()}
        return Outfits(self.total, round(good), len(self.index) < self.total, each)

    def opened(self, candidate: Piece) -> int:
        """How many good base looks a piece that is not on the rail would open; an estimate."""
        zone = ZONES[candidate.category]
        if zone not in BASE:
            return 0
        rows = self._with(zone)
        if not len(rows):
            return 0
        draw = np.random.default_rng(7).permutation(len(rows))[: DRAWN_FOR_EXTRAS * 4]
        tried = rows[draw]
        table = build_table((*self.pieces, candidate), self.conventions.school)
        tried = np.where(tried == len(self.pieces) + 1, len(self.pieces), tried)
        return round(float(self._good(table, tried).mean()) * self._count_with(zone))

    def _base(self) -> tuple[IntArray, int]:
        lists = [self._choices(zones) for zones in ((Zone.UPPER, Zone.LOWER), (Zone.WHOLE,))]
        feet, layers = self.places[Zone.FEET] or [NOTHING], [NOTHING, *self.places[Zone.LAYER]]
        halves = [(u, low) for u, low in lists[0]] + [(w, NOTHING) for (w,) in lists[1]]
        total = len(halves) * len(feet) * len(layers)
        if total <= MOST_SCORED:
            rows = [(*half, foot, layer) for half, foot, layer in product(halves, feet, layers)]
        else:
            draw = np.random.default_rng(5)
            picks = np.unique(draw.integers(0, total, MOST_SCORED))
            across = len(feet) * len(layers)
            rows = [
                (*halves[k // across], feet[k % across // len(layers)], layers[k % len(layers)]) for k in picks.tolist()
            ]
        return np.array(rows, dtype=np.intp).reshape(-1, 4), total

    def _choices(self, zones: tuple[Zone, ...]) -> list[tuple[int, ...]]:
        return list(product(*(self.places[zone] for zone in zones)))

    def _with(self, zone: Zone) -> IntArray:
        """Base looks with a stranger in one zone, who stands one past the end."""
        stranger = len(self.pieces) + 1
        column = {Zone.UPPER: 0, Zone.WHOLE: 0, Zone.LOWER: 1, Zone.FEET: 2, Zone.LAYER: 3}[zone]
        rows = self.index.copy()
        if not len(rows):
            return rows
        whole = rows[:, 1] == NOTHING
        if zone is Zone.WHOLE:
            rows[:, 1] = NOTHING
        elif zone in (Zone.UPPER, Zone.LOWER):
            rows = rows[~whole]
        rows[:, column] = stranger
        unique: IntArray = np.unique(rows, axis=0)
        return unique

    def _count_with(self, zone: Zone) -> int:
        upper, lower, whole = (len(self.places[z]) for z in (Zone.UPPER, Zone.LOWER, Zone.WHOLE))
        feet, layers = max(len(self.places[Zone.FEET]), 1), len(self.places[Zone.LAYER]) + 1
        halves = upper * lower + whole
        return {
            Zone.UPPER: lower * feet * layers, Zone.LOWER: upper * feet * layers, Zone.WHOLE: feet * layers,
            Zone.FEET: halves * layers, Zone.LAYER: halves * feet,
        }[zone]  # fmt: skip

    def _extras(self) -> dict[int, float]:
        """For each accessory the share of good base looks that stay good with it."""
        extras = [k for zone in EXTRA for k in self.places[zone]]
        base = self.index[self.good]
        if not extras or not len(base):
            return dict.fromkeys(extras, 0.0)
        draw = np.random.default_rng(6).permutation(len(base))[:DRAWN_FOR_EXTRAS]
        rows = np.concatenate([np.column_stack([base[draw], np.full(len(draw), k)]) for k in extras])
        good = self._good(build_table(self.pieces, self.conventions.school), rows).reshape(len(extras), len(draw))
        return {k: float(good[row].mean()) for row, k in enumerate(extras)}

    def _good(self, table: PieceTable, rows: IntArray) -> BoolArray:
        places = {piece.id: place for place, piece in enumerate(in_order(table.pieces))}
        rank = np.array([places[piece.id] for piece in table.pieces])
        # in the one order of a look, and what is missing last
        order = np.argsort(np.where(rows == NOTHING, len(rank), rank[rows]), axis=1, kind="stable")
        rows = np.take_along_axis(rows, order, axis=1)
        scores: list[FloatArray] = []
        for start in range(0, len(rows), CHUNK):
            some = rows[start : start + CHUNK]
            batch = batch_of(
                table, some, [self.conventions] * len(some), [None] * len(some), [self.colouring] * len(some)
            )
            scores.append(score_batch(batch).overall)
        answer: BoolArray = np.concatenate(scores) >= GOOD
        return answer


def count_outfits(pieces: list[Piece], client: Client | None, conventions: Conventions) -> Outfits:
    """How many good base looks a rail holds, and how many each piece is in."""
    return Counter(pieces, client, conventions).outfits()
