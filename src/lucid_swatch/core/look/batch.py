"""Many looks as arrays: which pieces, how much of each is seen, and what is known of them."""

from dataclasses import dataclass, field, fields
from typing import Any

import numpy as np

from ..client.colouring import Colouring, read_colouring
from ..colour.arrays import BoolArray, FloatArray, IntArray
from ..garment.piece import Piece
from ..garment.vocabulary import Category
from .body import Zone
from .look import Conventions, Intent, Look, in_order
from .table import CATEGORIES, ZONE_ORDER, PieceTable, build_table
from .weights import Weights, standard_weights

INTENTS: tuple[Intent | None, ...] = (None, *Intent)


@dataclass(frozen=True, slots=True, eq=False)
class LookBatch:
    """n looks of up to m pieces from one table."""

    table: PieceTable
    index: IntArray
    """(n, m), rows of the table, -1 where a look has fewer pieces."""
    present: BoolArray
    area: FloatArray
    """(n, m), share of the figure that shows the piece; a row sums to 1."""
    schools: dict[str, BoolArray]
    """(n,) each, by the field names of Conventions."""
    intent: IntArray
    """(n,), into INTENTS."""
    colouring: dict[str, FloatArray]
    """(n,) each, by the field names of Colouring; nan where unknown."""
    has_client: BoolArray
    weights: Weights = field(default_factory=standard_weights)
    """What the rules are worth."""

    def of(self, values: Any, empty: Any = 0) -> Any:
        """A feature of the table for every place: (n, m), `empty` where there is no piece."""
        gathered = values[np.maximum(self.index, 0)]
        return np.where(self.present.reshape(self.present.shape + (1,) * (gathered.ndim - 2)), gathered, empty)

    def between(self, pair_values: Any, empty: Any = 0) -> Any:
        """A pair table for every two places: (n, m, m), `empty` where one is missing or on the diagonal."""
        rows = np.maximum(self.index, 0)
        gathered = pair_values[rows[:, :, None], rows[:, None, :]]
        both = self.present[:, :, None] & self.present[:, None, :]
        return np.where(both & ~np.eye(rows.shape[1], dtype=bool), gathered, empty)

    def zone(self, *zones: Zone) -> BoolArray:
        """Whether each place is worn in one of the zones. (n, m)."""
        inside: BoolArray = np.isin(self.of(self.table.zone, -1), [ZONE_ORDER.index(z) for z in zones])
        return inside

    def category(self, *categories: Category) -> BoolArray:
        """Whether each place holds one of the categories. (n, m)."""
        inside: BoolArray = np.isin(self.of(self.table.category, -1), [CATEGORIES.index(c) for c in categories])
        return inside

    def called(self, look: int, places: BoolArray) -> str:
        """The pieces at some places of one look, by name, for a sentence. places: (m,)."""
        names = [self.piece(look, int(place)).in_a_sentence for place in np.flatnonzero(places & self.present[look])]
        names = names or ["nothing"]
        return names[0] if len(names) == 1 else ", ".join(names[:-1]) + " and " + names[-1]

    def piece(self, look: int, place: int) -> Piece:
        """The piece at a place of a look."""
        return self.table.pieces[int(self.index[look, place])]


def make_batch(looks: list[Look]) -> LookBatch:
    """The arrays of some looks, which must follow one school of neutrals and one taste."""
    order: dict[int, int] = {}
    pieces: list[Piece] = []
    for piece in (p for look in looks for p in look.worn):
        if id(piece) not in order:
            order[id(piece)] = len(pieces)
            pieces.append(piece)
    table = build_table(tuple(pieces), looks[0].conventions.school)
    most = max(len(look.worn) for look in looks)
    index = np.full((len(looks), most), -1, dtype=np.intp)
    for row, look in enumerate(looks):
        # one order whatever they came in: among equals the first would lead
        index[row, : len(look.worn)] = [order[id(p)] for p in in_order(look.worn)]
    faces = {id(look.client): look.client for look in looks}
    read = {key: None if face is None else read_colouring(face) for key, face in faces.items()}
    return batch_of(
        table,
        index,
        [look.conventions for look in looks],
        [look.intent for look in looks],
        [read[id(look.client)] for look in looks],
    )


def batch_of(
    table: PieceTable,
    index: IntArray,
    conventions: list[Conventions],
    intents: list[Intent | None],
    colourings: list[Colouring | None],
) -> LookBatch:
    """Looks given as rows of a table. index: (n, m). The lists hold one entry a look, or one for all;
    all follow the taste of the first."""
    count = len(index)

    def spread(values: list[Any]) -> Any:
        array = np.array(values)
        return array if len(array) == count else np.repeat(array, count)

    schools = {
        f.name: spread([getattr(c, f.name) for c in conventions])
        for f in fields(Conventions)
        if f.name not in ("leanings", "tastes")
    }
    unknown = Colouring(0.0, 0.0, float("nan"), float("nan"), float("nan"))
    colouring = {f.name: spread([getattr(c or unknown, f.name) for c in colourings]) for f in fields(Colouring)}
    present = index >= 0
    bare = LookBatch(
        table, index, present, present.astype(float), schools, spread([INTENTS.index(i) for i in intents]),
        colouring, spread([c is not None for c in colourings]), standard_weights().moved(conventions[0].tastes),
    )  # fmt: skip
    area = _seen_area(bare)
    return LookBatch(
        table, index, present, area / np.maximum(area.sum(axis=1, keepdims=True), 1e-9), schools, bare.intent,
        colouring, bare.has_client, bare.weights,
    )  # fmt: skip


def _seen_area(batch: LookBatch) -> FloatArray:
    """Area of each piece after what lies over it. Layers are worn open unless the piece says closed."""
    area = batch.of(batch.table.area, 0.0)
    closed = batch.of(batch.table.closed, False)
    coat, jacket = (
        batch.category(Category.COAT, Category.WRAP),
        batch.category(Category.JACKET, Category.WAISTCOAT),
    )
    some = {
        "coat": coat.any(axis=1, keepdims=True),
        "jacket": jacket.any(axis=1, keepdims=True),
        "closed": ((coat | jacket) & closed).any(axis=1, keepdims=True),
        "knit": batch.category(Category.KNIT).any(axis=1, keepdims=True),
        "trousers": batch.category(Category.TROUSERS).any(axis=1, keepdims=True),
    }
    layered = some["coat"] | some["jacket"]
    factor = np.ones_like(area)

    def cover(places: BoolArray, seen: Any) -> None:
        factor[...] = np.where(places, factor * seen, factor)

    cover(batch.zone(Zone.UPPER) & layered, np.where(some["closed"], 0.12, 10 / 28))
    cover(batch.zone(Zone.WHOLE) & layered, np.where(some["closed"], 0.4, np.where(some["coat"], 0.6, 0.75)))
    cover(batch.zone(Zone.LOWER) & some["coat"], np.where(some["closed"], 0.5, 0.75))
    cover(jacket & some["coat"], np.where(some["closed"], 0.15, 0.45))
    cover(batch.category(Category.SHIRT) & some["knit"], 4 / 28)
    cover(batch.zone(Zone.LEGS) & some["trousers"], 0.2)
    return area * factor
