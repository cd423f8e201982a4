"""The few pieces that carry most good looks."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field
from functools import cached_property

import numpy as np

from ...colour.arrays import BoolArray, IntArray
from ...problems import Refused
from ..body import Zone
from ..dressing.dress import zone_of
from ..dressing.wardrobe import NOTHING
from ..making.wanted import Wanted
from .bound import Tables, most_looks, tables_of
from .by_parts import best_by_parts, own_places
from .good_looks import GoodLooks

SECONDS = 10.0
"""How long a solver looks for the best, where it is needed and nobody says."""
HANDS = 2
"""Threads that look for it."""
EFFORT = 400_000
"""Choices of shoes with layers that are gone through one by one, some fifteen seconds of them at most; what is left is a solver's."""


@dataclass(frozen=True, slots=True)
class Demand:
    """Something that a capsule has to dress for."""

    name: str
    wanted: Wanted
    """Its formality, weather and hour."""
    least: int = 1
    """Good looks that go to it, at least."""


@dataclass(frozen=True, slots=True)
class Asked:
    """What is asked of a capsule."""

    pieces: int
    """Clothes and shoes, at most; accessories do not count."""
    keep: tuple[str, ...] = ()
    """Ids of pieces that must be in it."""
    among: frozenset[str] | None = None
    """Ids of those that may be; None for all."""
    at_most: Mapping[Zone, int] = field(default_factory=dict)
    """How many of a zone, such as shoes."""
    demands: tuple[Demand, ...] = ()


@dataclass(frozen=True, slots=True)
class Capsule:
    """Some pieces, and the good looks that they carry."""

    piece_ids: tuple[str, ...]
    looks: int
    of: int
    """Good looks of the whole rail."""
    bound: int
    """What no choice of so many pieces can exceed, as far as is known."""
    without: Mapping[str, int]
    """Looks that would be lost without each piece, by id."""
    added: Mapping[str, int]
    """Looks that each piece left out would add, by id; those that would add none are left away."""
    unmet: tuple[str, ...] = ()
    """Names of demands that it does not dress for."""
    asked_for: int = 0
    """Pieces that were asked for; it holds fewer where no more of them are in a good look."""

    @property
    def proven(self) -> bool:
        """Whether no other choice is better."""
        return self.bound <= self.looks


Tell = Callable[[Capsule], bool]
"""Told of every better capsule; False stops the looking, and the best stays."""


def choose_capsule(
    good: GoodLooks, asked: Asked, tell: Tell = lambda capsule: True, seconds: float = SECONDS
) -> Capsule:
    """The pieces that carry most good looks: greedily at once, then exactly, as far as the time goes.

    Refused when more must be in than may be, or a piece that must be in is in no good look.

    Source: maximal coverage, Nemhauser, Wolsey and Fisher 1978; CP-SAT, Perron and Furnon, OR-Tools."""
    question = _Question(good, asked)
    chosen = question.improved(question.greedy())
    most = question.most
    best = question.told(chosen, most)
    if not tell(best) or (best.proven and not best.unmet):
        return best
    better, most = question.by_parts(chosen, most)
    if not asked.demands:
        # what is asked beside the number of pieces is kept to by parts as well
        chosen = better
        best = question.told(chosen, most)
        if best.proven or not tell(best):
            return best
    return question.exact(chosen, most, tell, seconds)


def capsule_of(good: GoodLooks, piece_ids: Sequence[str]) -> Capsule:
    """What given pieces carry, and the bound of so many. Refused where one of them is in no good look."""
    question = _Question(good, Asked(len(piece_ids), tuple(piece_ids)))
    return question.told(question.kept, question.most)


class _Question:
    """One question about a capsule, as arrays."""

    def __init__(self, good: GoodLooks, asked: Asked) -> None:
        self.good, self.asked = good, asked
        place = good.place
        missing = [id for id in asked.keep if id not in place]
        if missing:
            raise Refused(
                "a piece that has to be in it is in no good look.", missing[0], "Leave it out, or mend what it lacks."
            )
        if not 1 <= asked.pieces <= 200:
            raise Refused(f"{asked.pieces} pieces cannot be asked for.", "pieces", "Ask for 1 to 200.")
        if len(set(asked.keep)) > asked.pieces:
            raise Refused(
                f"{len(set(asked.keep))} pieces have to be in, and it holds {asked.pieces}.", "pieces", "Ask for more."
            )
        self.kept = np.zeros(len(good.pieces), dtype=bool)
        self.kept[[place[id] for id in asked.keep]] = True
        self.may = np.array([asked.among is None or piece.id in asked.among for piece in good.pieces], dtype=bool)
        self.may |= self.kept
        self.zones = [zone_of(piece.category) for piece in good.pieces]
        for zone, few in asked.at_most.items():
            in_zone = sum(self.zones[place[id]] is zone for id in set(asked.keep))
            if in_zone > few:
                what = f"{in_zone} pieces for the {zone.value} have to be in, and {few} may."
                raise Refused(what, zone.value, "Allow more of them, or leave one out.")
        # a look with a piece that may not be in counts for nobody
        some = good.within(self.may)
        self.rows: IntArray = good.rows[some]
        self.demands = [good.suiting(demand.wanted)[some] for demand in asked.demands]

    def carried(self, chosen: BoolArray) -> float:
        """Rows that a choice holds."""
        return float(np.append(chosen, True)[self.rows].all(axis=1).sum())

    def worth(self, chosen: BoolArray) -> float:
        """What a choice is worth: each demand that it meets before any look."""
        there = np.append(chosen, True)[self.rows].all(axis=1)
        met = sum(
            min(int((there & mask).sum()) / d.least, 1.0)
            for d, mask in zip(self.asked.demands, self.demands, strict=True)
        )
        return met * (len(self.rows) + 1) + float(there.sum())

    def room(self, chosen: BoolArray, place: int) -> bool:
        """Whether a piece may still come to a choice."""
        if chosen[place] or not self.may[place] or chosen.sum() >= self.asked.pieces:
            return False
        most = self.asked.at_most.get(self.zones[place])
        return most is None or sum(self.zones[k] is self.zones[place] for k in np.flatnonzero(chosen)) < most

    def greedy(self) -> BoolArray:
        """Piece by piece, each time the one after which most looks are complete, or are nearest to it."""
        chosen = self.kept.copy()
        while True:
            free = [k for k in range(len(chosen)) if self.room(chosen, k)]
            if not free:
                return chosen
            gains = self._gains(chosen)
            chosen[max(free, key=lambda k: (gains[k], -k))] = True

    def _gains(self, chosen: BoolArray) -> np.ndarray:
        """What each piece brings: looks that want few other pieces still count by how few. (pieces,)."""
        there = np.append(chosen, True)
        lacking = (~there[self.rows]).sum(axis=1)
        weight = np.where(lacking > 0, 8.0 ** -(lacking - 1.0), 0.0)
        for demand, mask in zip(self.asked.demands, self.demands, strict=True):
            if (mask & (lacking == 0)).sum() < demand.least:
                weight = weight + np.where(mask & (lacking > 0), len(self.rows) * 8.0 ** -(lacking - 1.0), 0.0)
        gains = np.zeros(len(chosen) + 1)
        for column in range(self.rows.shape[1]):
            wanted = ~there[self.rows[:, column]]
            np.add.at(gains, self.rows[wanted, column], weight[wanted])
        return gains[:-1]

    def improved(self, chosen: BoolArray) -> BoolArray:
        """Pieces exchanged one by one while that brings more."""
        chosen, now = chosen.copy(), self.worth(chosen)
        while True:
            best, swap = now, None
            for out in np.flatnonzero(chosen & ~self.kept):
                less = chosen.copy()
                less[out] = False
                gains = self._gains(less)
                free = [k for k in range(len(chosen)) if k != out and self.room(less, k)]
                for into in sorted(free, key=lambda k: -gains[k])[:TRIED]:
                    less[into] = True
                    worth = self.worth(less)
                    less[into] = False
                    if worth > best:
                        best, swap = worth, (int(out), int(into))
            if swap is None:
                return chosen
            chosen[swap[0]], chosen[swap[1]] = False, True
            now = best

    @cached_property
    def caps(self) -> dict[Zone, int]:
        """How many of each zone there may be."""
        return {zone: self.asked.at_most.get(zone, self.asked.pieces) for zone in Zone}

    @cached_property
    def tables(self) -> Tables:
        """The looks by what they are made of."""
        return tables_of(self.rows, self.zones)

    @property
    def most(self) -> int:
        """Rows that no choice holds more of, told at once."""
        return most_looks(self.tables, self.asked.pieces, self.caps) if len(self.rows) else 0

    def by_parts(self, chosen: BoolArray, most: int) -> tuple[BoolArray, int]:
        """A better choice, where there is one, and what none exceeds: most, or less where that is found."""
        if not len(self.rows):
            return chosen, most
        kept = frozenset(int(k) for k in np.flatnonzero(self.kept))
        own, reached = own_places(self.zones), self.carried(chosen)
        found = best_by_parts(self.tables, own, self.asked.pieces, self.caps, kept, reached, EFFORT)
        if found.chosen is not None:
            chosen = self.kept.copy()
            chosen[list(found.chosen)] = True
        return chosen, min(most, int(max(found.best, found.bound) + 1e-6))

    def told(self, chosen: BoolArray, most: int) -> Capsule:
        """A choice with what each piece of it carries, and what each left out would add. most: rows that none exceeds."""
        good, there = self.good, np.append(chosen, True)
        lacking = (~there[self.rows]).sum(axis=1)
        complete = self.rows[lacking == 0]
        ids = [piece.id for piece in good.pieces]
        places = [int(k) for k in np.flatnonzero(chosen)]
        without = {ids[k]: good.told(float((complete == k).any(axis=1).sum())) for k in places}
        near = self.rows[lacking == 1]
        wanted = near[~there[near]]
        found, counts = np.unique(wanted, return_counts=True)
        added = {ids[k]: good.told(float(n)) for k, n in zip(found.tolist(), counts.tolist(), strict=True)}
        unmet = tuple(
            demand.name
            for demand, mask in zip(self.asked.demands, self.demands, strict=True)
            if (mask & (lacking == 0)).sum() < demand.least
        )
        looks = good.told(float(len(complete)))
        of = good.told(float(len(good.rows)))
        bound = max(good.told(most), looks)
        return Capsule(tuple(ids[k] for k in places), looks, of, bound, without, added, unmet, self.asked.pieces)

    def exact(self, chosen: BoolArray, most: int, tell: Tell, seconds: float) -> Capsule:
        """The best choice by CP-SAT, from a good one on. most: rows that none exceeds."""
        # a first screen does not wait for it
        from ortools.sat.python import cp_model

        model = cp_model.CpModel()
        pieces = [model.new_bool_var(f"piece {k}") for k in range(len(chosen))]
        looks = [model.new_bool_var(f"look {k}") for k in range(len(self.rows))]
        model.add(sum(pieces) <= self.asked.pieces)
        for k, piece in enumerate(pieces):
            if self.kept[k] or not self.may[k]:
                model.add(piece == int(self.kept[k]))
            model.add_hint(piece, bool(chosen[k]))
        for zone, few in self.asked.at_most.items():
            model.add(sum(piece for piece, own in zip(pieces, self.zones, strict=True) if own is zone) <= few)
        there = np.append(chosen, True)
        for look, row in zip(looks, self.rows.tolist(), strict=True):
            model.add_hint(look, bool(there[row].all()))
            for k in row:
                if k != NOTHING:
                    model.add_implication(look, pieces[k])
        met = []
        for number, (demand, mask) in enumerate(zip(self.asked.demands, self.demands, strict=True)):
            one = model.new_bool_var(f"demand {number}")
            model.add(sum(looks[k] for k in np.flatnonzero(mask)) >= demand.least * one)
            met.append(one)
        model.add(sum(looks) <= most)
        # a demand that can be met comes before any look
        model.maximize(sum(looks) + (len(looks) + 1) * sum(met))
        best = [self.told(chosen, most)]
        solver = cp_model.CpSolver()
        solver.parameters.num_workers = HANDS
        solver.parameters.max_time_in_seconds = seconds
        question = self

        class Told(cp_model.CpSolverSolutionCallback):
            """Tells of every better choice."""

            def on_solution_callback(self) -> None:
                now = np.array([bool(self.value(piece)) for piece in pieces])
                bound = question.bound(self.best_objective_bound, sum(int(self.value(one)) for one in met))
                capsule = question.told(now, min(most, bound))
                if (len(capsule.unmet), -capsule.looks) < (len(best[0].unmet), -best[0].looks):
                    best[0] = capsule
                    if not tell(capsule):
                        self.stop_search()

        status = solver.solve(model, Told())
        if status in (cp_model.OPTIMAL, cp_model.FEASIBLE):
            now = np.array([bool(solver.value(piece)) for piece in pieces])
            bound = min(most, question.bound(solver.best_objective_bound, sum(int(solver.value(one)) for one in met)))
            found = self.told(now, bound)
            keeps = (len(best[0].unmet), -best[0].looks) < (len(found.unmet), -found.looks)
            return self.told(self._of(best[0]), bound) if keeps else found
        return best[0]

    def _of(self, capsule: Capsule) -> BoolArray:
        inside = set(capsule.piece_ids)
        return np.array([piece.id in inside for piece in self.good.pieces], dtype=bool)

    def bound(self, objective: float, dressed: int) -> int:
        """The rows in a bound of the objective, without what the demands put on it. dressed: demands that are met."""
        most = min(objective - dressed * (len(self.rows) + 1), float(len(self.rows)))
        return int(np.floor(most + 1e-6))


TRIED = 6
"""Pieces that are tried in the place of each one."""
