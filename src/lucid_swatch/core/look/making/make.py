"""Looks made from a wardrobe: so many, all different, each whole."""

from collections.abc import Callable
from dataclasses import dataclass, field

import numpy as np

from ...colour.arrays import FloatArray, IntArray
from ..dressing.outfits import CHUNK, GOOD
from ..dressing.wardrobe import NOTHING, Wardrobe
from ..scorer.batch import INTENTS
from ..verdict import read_intents
from .added import Dressed, dress, packed, wide
from .bases import base_rows, best_with_shares
from .choice import Candidates, Chooser, Variety
from .judging import Judging
from .material import Kit, Material
from .wanted import Share, Wanted

DRESSED, DRESSED_FOR_EACH = 220, 7
"""Base looks that are dressed, at least, and how many for each look that is asked for."""
OF_EACH_PIECE, OF_ALL_PIECES = 10, 1000
"""Base looks of each piece that are dressed, where that makes no more than so many in all; of each two at least."""
PROMISING = 25.0
"""Points that dressing a base look may add: what lies lower is not worth it."""
SPARE = 3
"""Spare looks for each that is asked for, so that what is dropped has another at once."""
JITTER = 3.0
"""Points of the whole by which another seed may turn what lies near."""


class Stopped(Exception):
    """Making was called off."""


@dataclass(frozen=True, slots=True)
class MadeLook:
    """A look that was made."""

    piece_ids: tuple[str, ...]
    """Without what is always on."""
    whole: float
    """0..100."""
    start: int = 0
    """Which of the starts it holds."""


@dataclass(frozen=True, slots=True, eq=False)
class Made:
    """What was made."""

    looks: tuple[MadeLook, ...]
    """Best first; those that stay are among them."""
    spares: tuple[MadeLook, ...] = ()
    """What would come next."""
    base_looks: int = 0
    """Base looks that there are, of those that were scored."""
    good: int = 0
    """Different looks, by their clothes, that are good."""
    left_out: dict[str, str] = field(default_factory=dict)
    """Why pieces are in no look, by id."""
    material: Material | None = None
    pool: "Pool | None" = None


@dataclass(frozen=True, slots=True, eq=False)
class Pool:
    """Whole looks that were found."""

    rows: IntArray
    """(n, m), places, NOTHING elsewhere."""
    wholes: FloatArray
    values: FloatArray
    group: IntArray
    base_looks: int


Tell = Callable[[float, list[MadeLook]], bool]
"""Told how far making is, 0..1, and what is found so far; answers whether to go on."""


def make_looks(wardrobe: Wardrobe, wanted: Wanted, tell: Tell = lambda share, looks: True) -> Made:
    """Makes looks of a wardrobe. The same question has the same answer. Stopped when `tell` says so."""
    if not wardrobe.everything:
        return Made(())
    material = Material(wardrobe, wanted)
    judging = Judging(material)
    pool = find(judging, tell)
    return choose(judging, pool, tell)


def find(judging: Judging, tell: Tell = lambda share, looks: True) -> Pool:
    """The best whole looks of every start, dressed."""
    material, wanted = judging.material, judging.wanted
    parts: list[tuple[Dressed, int]] = []
    base_looks = 0
    starts = [kit for kit in material.starts if material.worn_together(kit.all)]
    for number, start in enumerate(material.starts):
        if start not in starts:
            continue
        rows, wholes = base_rows(judging, start)
        base_looks += len(rows)
        rows, wholes = _promising(judging, rows, wholes, len(starts))
        dressed = dress(judging, start, rows, wholes)
        parts.append((dressed, number))
        done = (len(parts)) / len(starts)
        if not tell(0.9 * done, _first(material, parts)):
            raise Stopped
    width = max([one.rows.shape[1] for one, _ in parts], default=1)
    rows = np.concatenate([np.zeros((0, width), np.intp), *(wide(one.rows, width) for one, _ in parts)])
    wholes = np.concatenate([np.zeros(0), *(one.wholes for one, _ in parts)])
    values = np.concatenate([np.zeros(0), *(one.values for one, _ in parts)])
    group = np.concatenate([np.zeros(0, np.intp), *(np.full(len(one.rows), k, np.intp) for one, k in parts)])
    # what joined a base look may have changed how formal it is
    goes = judging.goes(rows)
    values = values + _jitter(rows, wanted.seed)
    return Pool(rows[goes], wholes[goes], values[goes], group[goes], base_looks)


def _promising(judging: Judging, rows: IntArray, wholes: FloatArray, starts: int) -> tuple[IntArray, FloatArray]:
    values = judging.values(rows, wholes)
    most = max(DRESSED, DRESSED_FOR_EACH * judging.wanted.number) // max(starts, 1)
    each = max(2, min(OF_EACH_PIECE, OF_ALL_PIECES // max(len(np.unique(rows)), 1)))
    best = best_with_shares(rows, values, most, each)
    best = best[wholes[best] >= GOOD - PROMISING]
    return rows[best], wholes[best]


def _first(material: Material, parts: list[tuple[Dressed, int]]) -> list[MadeLook]:
    """The best look of each start so far, to show while the others are looked for."""
    some = [(one, k, int(one.wholes.argmax())) for one, k in parts if len(one.wholes)]
    found = [made_look(material, one.rows[best], float(one.wholes[best]), k) for one, k, best in some]
    return [one for one in found if one.whole >= GOOD]


def _jitter(rows: IntArray, seed: int) -> FloatArray:
    """What a seed adds to each look, by its pieces and not by where it stands: the first seed adds nothing."""
    if seed == 0:
        return np.zeros(len(rows))
    each = np.append(np.random.default_rng(seed).uniform(-1, 1, int(rows.max(initial=0)) + 1), 0.0)
    return JITTER * np.tanh(each[rows].sum(axis=1))


def choose(judging: Judging, pool: Pool, tell: Tell = lambda share, looks: True) -> Made:
    """The varied choice among what was found; what stays is in it, what was dropped does not come."""
    material, wanted = judging.material, judging.wanted
    kept = kept_rows(material)
    width = max(kept.shape[1], pool.rows.shape[1])
    rows = packed(np.concatenate([wide(kept, width), wide(pool.rows, width)]))
    kept_wholes = judging.wholes(kept) if len(kept) else np.zeros(0)
    wholes = np.concatenate([kept_wholes, pool.wholes])
    values = np.concatenate([judging.values(kept, kept_wholes), pool.values])
    group = np.concatenate([_groups(material, kept), pool.group])
    stays = np.arange(len(kept))
    found = Candidates(rows, values, group, _intents(judging, rows))
    always = frozenset(material.place[piece.id] for piece in material.wardrobe.always)
    variety = Variety(material.wardrobe.everything, found, always)
    banned = wholes < GOOD
    banned |= np.isin(variety.key, variety.key[banned_by_drop(material, variety, wanted.dropped)])
    quotas = _quotas(len(material.starts), wanted)
    chooser = Chooser(variety, quotas, max(wanted.number, len(kept)), stays, banned)
    chosen = sorted(chooser.run(), key=lambda k: (-wholes[k], k))
    looks = [made_look(material, rows[k], float(wholes[k]), int(group[k])) for k in chosen]
    spare = [
        made_look(material, rows[k], float(wholes[k]), int(group[k])) for k in chooser.spares(SPARE * wanted.number)
    ]
    if not tell(1.0, looks):
        raise Stopped
    good = len(np.unique(variety.key[wholes >= GOOD]))
    return Made(tuple(looks), tuple(spare), pool.base_looks, good, material.left_out, material, pool)


def kept_rows(material: Material) -> IntArray:
    """The looks that stay, as far as their pieces still hang there. (n, m)."""
    known = [[material.place[id] for id in ids if id in material.place] for ids in material.wanted.kept]
    width = max((len(one) for one in known), default=1)
    return np.array([one + [NOTHING] * (width - len(one)) for one in known], dtype=np.intp).reshape(-1, width)


def banned_by_drop(material: Material, variety: Variety, dropped: tuple[tuple[str, ...], ...]) -> IntArray:
    """The candidates that are worn in the same clothes as a look that was dropped. Their indices."""
    found: list[int] = []
    garments = set(variety.garments.tolist())
    for ids in dropped:
        own = np.zeros(variety.clothes.shape[1], dtype=bool)
        places = [material.place[id] for id in ids if id in material.place]
        own[[k for k in places if k in garments]] = True
        found += np.flatnonzero((variety.clothes == own).all(axis=1)).tolist()
    return np.array(found, dtype=np.intp)


def _groups(material: Material, rows: IntArray) -> IntArray:
    """Which start each look that stays holds; the first where it holds none."""
    starts = material.starts
    held = [[set(kit.all) <= set(row) for kit in starts] for row in rows.tolist()]
    return np.array([one.index(True) if True in one else 0 for one in held], dtype=np.intp)


def _quotas(starts: int, wanted: Wanted) -> IntArray:
    if wanted.share is not Share.EVEN or starts < 2:
        return np.full(max(starts, 1), 10**6, dtype=np.intp)
    each, more = divmod(wanted.number, starts)
    return np.array([each + (k < more) for k in range(starts)], dtype=np.intp)


def _intents(judging: Judging, rows: IntArray) -> IntArray:
    batch = judging.material.wardrobe.batch
    found = [one for at in range(0, len(rows), CHUNK) for one in read_intents(batch(rows[at : at + CHUNK]))]
    return np.array([INTENTS.index(one) for one in found], dtype=np.intp)


def made_look(material: Material, row: IntArray, whole: float, start: int) -> MadeLook:
    """A row as a look, its pieces in the order in which they are worn."""
    on = {piece.id for piece in material.wardrobe.always}
    ids = tuple(piece.id for piece in material.pieces(row) if piece.id not in on)
    return MadeLook(ids, whole, start)


def starts_that_do_not_go(material: Material) -> list[Kit]:
    """What looks were to start from and cannot be worn at once."""
    return [kit for kit in material.starts if not material.worn_together(kit.all)]
