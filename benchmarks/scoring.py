"""The scorer: looks in a batch against the bare limit of gathering and adding, and one look with everything around it."""

import time
import tracemalloc
from dataclasses import replace

import numpy as np

from lucid_swatch.core.client.colouring import read_colouring
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.look.dressing.considered import consider
from lucid_swatch.core.look.dressing.outfits import CHUNK
from lucid_swatch.core.look.look import Conventions, Look
from lucid_swatch.core.look.scorer.batch import batch_of
from lucid_swatch.core.look.scorer.table import build_table
from lucid_swatch.core.look.verdict import judge, score_batch

from .own_pairs import CLIENTS, own_pairs

SLOTS = (
    (C.KNIT, C.TOP, C.SHIRT),
    (C.TROUSERS, C.SKIRT),
    (C.COAT, C.JACKET),
    (C.SHOES, C.BOOTS),
    (C.BAG,),
    (C.SCARF, C.BELT, C.NECKLACE, C.EARRINGS),
)
A_SLOT, PAIR_TABLES, PLACES = 20, 3, 6
LOOKS, TIMES = 200_000, 6


def scoring():
    """Six-piece looks of a rail of 120: both on one core, in turns, the best of several."""
    rail = _rail()
    face = CLIENTS["middle"]
    draw = np.random.default_rng(4)
    index = np.stack([draw.integers(0, A_SLOT, LOOKS) + slot * A_SLOT for slot in range(PLACES)], axis=1)
    table, colouring = build_table(rail), read_colouring(face)
    size = len(rail)
    tables = [draw.random(size * size, dtype=np.float32) for _ in range(PAIR_TABLES)]
    columns = [np.ascontiguousarray(index[:, slot]) for slot in range(PLACES)]

    def batched():
        for start in range(0, LOOKS, CHUNK):
            score_batch(batch_of(table, index[start : start + CHUNK], [Conventions()], [None], [colouring]))

    def bare():
        total = np.zeros(LOOKS, dtype=np.float32)
        for pairs in tables:
            for i in range(PLACES):
                for j in range(i + 1, PLACES):
                    total += pairs.take(columns[i] * size + columns[j])
        return total

    took = {act: [] for act in (batched, bare)}
    for _ in range(TIMES):
        for act, times in took.items():
            times.append(_took(act))
    ours, limit = (LOOKS / min(took[act]) for act in (batched, bare))
    tracemalloc.start()
    batched()
    grown = tracemalloc.get_traced_memory()[1] / 2**20
    tracemalloc.stop()
    looks = [Look(str(k), tuple(rail[i] for i in row), face) for k, row in enumerate(index[:60].tolist())]
    alone = len(looks) / min(_took(lambda: [judge([look]) for look in looks]) for _ in range(3))
    around = [replace(look, rail=rail) for look in looks[:20]]
    considered = [min(_took(lambda one=one: consider(one)) for _ in range(2)) for one in around]
    return {
        "looks a second in a batch": round(ours),
        "bare limit, looks a second": round(limit),
        "share of the bare limit": round(ours / limit, 3),
        "memory of the batch, MB": round(grown),
        "looks a second one at a time, with reasons": round(alone),
        "one look with reasons, mends and effects of the rail, ms": round(1000 * float(np.median(considered))),
    }


def _rail():
    """120 pieces of the project's own pairs of looks: their colours are those of wardrobes."""
    known = {}
    for pair in own_pairs():
        for piece in (*pair.better.pieces, *pair.worse.pieces):
            known.setdefault((piece.category, piece.lab.tobytes(), piece.pattern, piece.finish, piece.metal), piece)
    rail = []
    for slot in SLOTS:
        some = [piece for piece in known.values() if piece.category in slot][:A_SLOT]
        rail += [replace(piece, id=f"{len(rail) + k:03d}") for k, piece in enumerate(some)]
    return tuple(rail)


def _took(act):
    start = time.perf_counter()
    act()
    return time.perf_counter() - start
