"""Many looks as arrays: which pieces, how much of each is seen, and what is known of them.

The looks run along the last axis and the places of a look along the first, so that every rule is a few sums over
long rows."""

from collections.abc import Callable, Mapping, Sequence
from dataclasses import dataclass, field, fields
from functools import cached_property
from typing import Any

import numpy as np

from ...client.colouring import Colouring, read_colouring
from ...colour.arrays import BoolArray, IntArray, RealArray
from ...garment.piece import Piece
from ...garment.school import School
from ...garment.vocabulary import Category
from ..body import Zone
from ..look import Conventions, Intent, Look, in_order
from .asked import MARKED, NOTICED, REMEMBERED, SEEN, Rule, marks, noticed_features, seen_features
from .points import Points
from .table import PieceTable, table_of
from .weights import Weights, standard_weights

INTENTS: tuple[Intent | None, ...] = (None, *Intent)


@dataclass(frozen=True, eq=False)
class LookBatch:
    """n looks of up to m pieces from one table."""

    table: PieceTable
    rows: IntArray
    """(m, n), rows of the table; its blank row where a look has fewer pieces."""
    schools: dict[str, BoolArray]
    """(n,) each, by the field names of Conventions."""
    intent: IntArray
    """(n,), into INTENTS."""
    colouring: dict[str, RealArray]
    """(n,) each, by the field names of Colouring; nan where unknown."""
    has_client: BoolArray
    weights: Weights = field(default_factory=standard_weights)
    """What the rules are worth."""
    meant: Mapping[str, BoolArray] = field(default_factory=dict)
    """(n,) each, by the code of a rule: whether its cost is meant and does not count in the whole."""

    @cached_property
    def present(self) -> BoolArray:
        """Whether there is a piece. (m, n)."""
        present: BoolArray = self.rows < self.table.blank
        return present

    @cached_property
    def area(self) -> RealArray:
        """Share of the figure that shows the piece. (m, n), the places of a look sum to 1."""
        area = _seen_area(self)
        share: RealArray = area
        share /= np.maximum(area.sum(axis=0), 1e-9)
        return share

    @cached_property
    def area_root(self) -> RealArray:
        """The area to the power of 0.3, which runs from large to small as the eye does. (m, n)."""
        root: RealArray = self.area**0.3
        return root

    @cached_property
    def emphasis(self) -> RealArray:
        """How much each piece counts beside its area: small things are noticed. (m, n), the places sum to 1."""
        share: RealArray = self.area_root * self.area_root
        share /= np.maximum(share.sum(axis=0), 1e-9)
        return share

    @cached_property
    def _gathered(self) -> dict[object, Any]:
        return {}

    def of(self, feature: str | Rule) -> Any:
        """A feature of the table, or what a rule makes of each piece, for every place. (m, n)."""
        if feature not in self._gathered:
            gathered = self._gather(self.table.named(feature), self.rows)
            # what only one measure asks for, and once, is not kept: memory that is used again is still at hand
            if not isinstance(feature, str) and feature not in REMEMBERED:
                return gathered
            self._gathered[feature] = gathered
        return self._gathered[feature]

    def once(self, work: "Callable[[LookBatch], Any]") -> Any:
        """What several rules make of the batch alike, made once."""
        if work not in self._gathered:
            self._gathered[work] = work(self)
        return self._gathered[work]

    def seen(self, rule: Rule) -> RealArray:
        """The mean over a look by area, of a rule that is listed so. (n,)."""
        mean: RealArray = self._by_area[SEEN.index(rule)]
        return mean

    def noticed(self, rule: Rule) -> RealArray:
        """The mean over a look by emphasis, of a rule that is listed so. (n,)."""
        mean: RealArray = self._by_emphasis[NOTICED.index(rule)]
        return mean

    def some(self, rule: Rule) -> BoolArray:
        """Whether a marked rule holds for any piece. (n,)."""
        yes: BoolArray = (self._marks & self._marks.dtype.type(1 << MARKED.index(rule))) != 0
        return yes

    @cached_property
    def _by_area(self) -> RealArray:
        return self._mean(seen_features, self.area)

    @cached_property
    def _by_emphasis(self) -> RealArray:
        return self._mean(noticed_features, self.emphasis)

    def _mean(self, features: Rule, weight: RealArray) -> RealArray:
        values = self.table.derive(features)
        mean = np.zeros((self.rows.shape[1], values.shape[1]), dtype=np.float32)
        for rows, own in zip(self.rows, weight, strict=True):
            part = values.take(rows, axis=0, mode="wrap")
            part *= own[:, None]
            mean += part
        return np.ascontiguousarray(mean.T)

    @cached_property
    def _marks(self) -> IntArray:
        found: IntArray = np.bitwise_or.reduce(self._gather(self.table.derive(marks), self.rows), axis=0)
        return found

    def _gather(self, values: Any, rows: IntArray) -> Any:
        # every row is in the table, so nothing ever wraps: the mode only saves a check of each
        return values.take(rows, mode="wrap")

    def between(self, feature: str | Rule, looks: IntArray | None = None) -> Any:
        """The same of pairs, for every two places. (pairs, n), in the order of `across`. looks: only of these."""
        return self._gather(
            self.table.named(feature), self._cells if looks is None else self._cells.take(looks, axis=1)
        )

    @cached_property
    def _cells(self) -> IntArray:
        return across(np.add, self.rows, self.rows * (self.table.blank + 1))

    def beside(self, one: IntArray, feature: str) -> Any:
        """A feature of pairs between one place of each look and every place. one: (n,), places; to (m, n)."""
        leading = self.rows[one, np.arange(self.rows.shape[1])]
        return self._gather(self.table.named(feature), leading * (self.table.blank + 1) + self.rows)

    def best_with_any(self, pair_values: RealArray) -> RealArray:
        """The largest value that each place has with another. (pairs, n), at least 0, to (m, n)."""
        places = len(self.rows)
        best = np.zeros((places, pair_values.shape[1]), dtype=pair_values.dtype)
        done = 0
        for apart in range(1, places):
            some = pair_values[done : done + places - apart]
            np.maximum(best[:-apart], some, out=best[:-apart])
            np.maximum(best[apart:], some, out=best[apart:])
            done += places - apart
        return best

    def most(self, pair_values: RealArray) -> RealArray:
        """The largest value of any two places, 0 where a look has one. (pairs, n) to (n,)."""
        largest: RealArray = pair_values.max(axis=0, initial=0)
        return largest

    def silent(self, code: str) -> Points:
        """A rule that has nothing to say of any look."""
        none = np.zeros(self.rows.shape, dtype=bool)
        values = np.zeros(self.rows.shape[1], dtype=np.float32)
        return Points(code, values, lambda i: none[:, i], lambda i: "", silent=True)

    def only(self, looks: IntArray) -> "LookBatch":
        """Some looks of the batch, as a batch. looks: rising."""
        if len(looks) == self.rows.shape[1]:
            return self
        some = LookBatch(
            self.table,
            self.rows.take(looks, axis=1),
            {name: values[looks] for name, values in self.schools.items()},
            self.intent[looks],
            {name: values[looks] for name, values in self.colouring.items()},
            self.has_client[looks],
            self.weights,
            {code: mask[looks] for code, mask in self.meant.items()},
        )
        # what is known already is not worked out again
        for name in ("area", "area_root", "emphasis"):
            if name in self.__dict__:
                some.__dict__[name] = self.__dict__[name].take(looks, axis=1)
        return some

    def having(self, rule: Rule) -> "tuple[IntArray, LookBatch]":
        """The looks for which a marked rule holds for any piece, and a batch of them."""
        key = ("having", rule)
        if key not in self._gathered:
            looks = np.flatnonzero(self.some(rule))
            self._gathered[key] = looks, self.only(looks)
        found: tuple[IntArray, LookBatch] = self._gathered[key]
        return found

    def spread(self, points: Points, looks: IntArray) -> Points:
        """Points of some looks of the batch as points of all. looks: those of `only`."""
        count = self.rows.shape[1]
        if points.silent:
            return self.silent(points.code)
        if len(looks) == count:
            return points
        values = np.zeros(count, dtype=np.float32)
        values[looks] = points.values

        def place(i: int) -> int:
            return int(np.searchsorted(looks, i))

        return Points(points.code, values, lambda i: points.pieces(place(i)), lambda i: points.text(place(i)))

    def called(self, look: int, places: BoolArray) -> str:
        """The pieces at some places of one look, by name, for a sentence. places: (m,)."""
        names = [self.piece(look, int(p)).in_a_sentence for p in np.flatnonzero(places & self.present[:, look])]
        names = names or ["nothing"]
        return names[0] if len(names) == 1 else ", ".join(names[:-1]) + " and " + names[-1]

    def piece(self, look: int, place: int) -> Piece:
        """The piece at a place of a look."""
        return self.table.pieces[int(self.rows[place, look])]


def across(act: np.ufunc, values: Any, others: Any = None) -> Any:
    """What an operation makes of every two places. (m, n), and (m, n) for the second of the two if they are others,
    to (pairs, n): all neighbours first, then those two apart, and so on."""
    others = values if others is None else others
    places, looks = values.shape
    made = np.empty((places * (places - 1) // 2, looks), dtype=values.dtype)
    done = 0
    for apart in range(1, places):
        act(values[:-apart], others[apart:], out=made[done : done + places - apart])
        done += places - apart
    return made


def count(places: BoolArray) -> Any:
    """How many places of each look. (m, n) to (n,)."""
    # numbers as small as they can be are counted several times as fast
    return np.add.reduce(places.view(np.int8), axis=0, dtype=np.int8 if len(places) < 128 else np.int32)


def make_batch(looks: list[Look]) -> LookBatch:
    """The arrays of some looks, which must follow one school of neutrals and one taste."""
    table, index = _placed([look.worn for look in looks], looks[0].conventions.school)
    faces = {id(look.client): look.client for look in looks}
    read = {key: None if face is None else read_colouring(face) for key, face in faces.items()}
    return batch_of(
        table,
        index,
        [look.conventions for look in looks],
        [look.intent for look in looks],
        [read[id(look.client)] for look in looks],
        [look.meant for look in looks],
    )


def make_batch_round(look: Look, others: Sequence[tuple[Piece, ...]], known: tuple[Piece, ...] = ()) -> LookBatch:
    """The arrays of a look, and of the same look with other pieces. others: the pieces of each, without what is always
    on. known: further pieces of the table, where one of them is at hand."""
    worn = [look.worn, *(pieces + look.always for pieces in others)]
    table, index = _placed(worn, look.conventions.school, known)
    colouring = None if look.client is None else read_colouring(look.client)
    return batch_of(table, index, [look.conventions], [look.intent], [colouring], [look.meant] * len(worn))


def _placed(
    worn: list[tuple[Piece, ...]], school: School, further: tuple[Piece, ...] = ()
) -> tuple[PieceTable, IntArray]:
    """The table of the pieces of some looks, and their rows in it. To (looks, places), the blank row where there is none."""
    known = _Known()
    for pieces in (further, *worn):
        for piece in pieces:
            known.add(piece)
    # in one order, so that the table of a rail is the same whichever of its looks is asked
    ordered = in_order(known.pieces)
    table = table_of(ordered, school)
    known.number(ordered)
    index = np.full((len(worn), max(map(len, worn))), table.blank, dtype=np.intp)
    for row, pieces in enumerate(worn):
        index[row, : len(pieces)] = [known.row(piece) for piece in pieces]
    # one order whatever they came in: among equals the first would lead
    index.sort(axis=1)
    return table, index


class _Known:
    """The different pieces of some looks. A piece is known by its id, and by all that a verdict may hang on where looks
    hold different ones under one id, as when one is worn open here and closed there."""

    def __init__(self) -> None:
        self.of_id: dict[str, list[Piece]] = {}
        self.rows: dict[str, list[int]] = {}

    def add(self, piece: Piece) -> None:
        some = self.of_id.setdefault(piece.id, [])
        if self._place(some, piece) is None:
            some.append(piece)

    @property
    def pieces(self) -> list[Piece]:
        return [piece for some in self.of_id.values() for piece in some]

    def number(self, pieces: tuple[Piece, ...]) -> None:
        """Says in which row of a table each stands."""
        rows = {}
        for row, piece in enumerate(pieces):
            rows[piece.id, self._place(self.of_id[piece.id], piece)] = row
        self.rows = {id: [rows[id, place] for place in range(len(some))] for id, some in self.of_id.items()}

    def row(self, piece: Piece) -> int:
        place = self._place(self.of_id[piece.id], piece)
        assert place is not None
        return self.rows[piece.id][place]

    @staticmethod
    def _place(some: list[Piece], piece: Piece) -> int | None:
        for place, one in enumerate(some):
            if one is piece or one.fingerprint() == piece.fingerprint():
                return place
        return None


def batch_of(
    table: PieceTable,
    index: IntArray,
    conventions: list[Conventions],
    intents: list[Intent | None],
    colourings: list[Colouring | None],
    meant: Sequence[Mapping[str, str]] = (),
) -> LookBatch:
    """Looks given as rows of a table. index: (n, m), -1 or the blank row where a look has fewer pieces. The lists hold
    one entry a look, or one for all; all follow the taste of the first. meant: of each look, by code, or of none."""
    count = len(index)

    def spread(values: list[Any], dtype: Any = None) -> Any:
        array = np.array(values, dtype=dtype)
        return array if len(array) == count else np.repeat(array, count)

    schools = {
        f.name: spread([getattr(c, f.name) for c in conventions])
        for f in fields(Conventions)
        if f.name not in ("leanings", "tastes")
    }
    unknown = Colouring(0.0, 0.0, float("nan"), float("nan"), float("nan"))
    colouring = {
        f.name: spread([getattr(c or unknown, f.name) for c in colourings], np.float32) for f in fields(Colouring)
    }
    return LookBatch(
        table,
        np.ascontiguousarray(np.where(index < 0, table.blank, index).T),
        schools,
        spread([INTENTS.index(i) for i in intents]),
        colouring,
        spread([c is not None for c in colourings]),
        standard_weights().moved(conventions[0].tastes),
        {code: np.array([code in one for one in meant]) for one in meant for code in one},
    )


def _coat(table: PieceTable) -> Any:
    return table.is_a(Category.COAT, Category.WRAP)


def _jacket(table: PieceTable) -> Any:
    return table.is_a(Category.JACKET, Category.WAISTCOAT)


def _closed_layer(table: PieceTable) -> Any:
    return table.closed & (_coat(table) | _jacket(table))


def _knit(table: PieceTable) -> Any:
    return table.is_a(Category.KNIT)


def _trousers(table: PieceTable) -> Any:
    return table.is_a(Category.TROUSERS)


def _shirt(table: PieceTable) -> Any:
    return table.is_a(Category.SHIRT)


OVER = (_coat, _jacket, _closed_layer, _knit, _trousers)
"""What lies over other pieces. A company of pieces is a number with a bit for each of them."""


def _lies_over(table: PieceTable) -> Any:
    """The bits of what a piece is of OVER."""
    bits = [rule(table).astype(np.uint8) << np.uint8(bit) for bit, rule in enumerate(OVER)]
    return np.bitwise_or.reduce(bits, axis=0)


def _area_in_company(table: PieceTable) -> Any:
    """Area of each piece in every company, in hundredths of a figure. (companies * (n + 1),), all pieces of the first
    company first. Layers are worn open unless the piece says closed."""
    coat, jacket, closed, knit, trousers = ((np.arange(1 << len(OVER)) & (1 << k)) != 0 for k in range(len(OVER)))
    layered, legs_hidden = coat | jacket, np.where(trousers, 0.2, 1.0)
    upper = np.where(layered, np.where(closed, 0.12, 10 / 28), 1.0)
    whole = np.where(layered, np.where(closed, 0.4, np.where(coat, 0.6, 0.75)), 1.0)
    lower = np.where(coat, np.where(closed, 0.5, 0.75), 1.0)
    under_a_coat = np.where(coat, np.where(closed, 0.15, 0.45), 1.0)
    shirt = upper * np.where(knit, 4 / 28, 1.0)
    seen = np.ones((len(coat), table.blank + 1))
    for worn, share in (
        (table.worn(Zone.LEGS), legs_hidden),
        (_jacket(table), under_a_coat),
        (table.worn(Zone.LOWER), lower),
        (table.worn(Zone.WHOLE), whole),
        (table.worn(Zone.UPPER), upper),
        (_shirt(table), shirt),
    ):
        seen[:, worn] = share[:, None]
    return (seen * table.area).ravel()


def _seen_area(batch: LookBatch) -> RealArray:
    """Area of each piece after what lies over it, in hundredths of a figure. (m, n)."""
    company = np.bitwise_or.reduce(batch.of(_lies_over), axis=0).astype(np.intp)
    area: RealArray = batch.table.derive(_area_in_company).take(
        batch.rows + company * (batch.table.blank + 1), mode="wrap"
    )
    return area
