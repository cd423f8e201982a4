"""Time and memory, as ratios to something plain done in the same run."""

import io
import itertools
import tempfile
import time
import tracemalloc
from dataclasses import replace
from pathlib import Path

import numpy as np
from PIL import Image

from lucid_swatch.core.client.colouring import Client, read_colouring
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import Category
from lucid_swatch.core.look.batch import batch_of
from lucid_swatch.core.look.look import Conventions, Look
from lucid_swatch.core.look.table import build_table
from lucid_swatch.core.look.verdict import judge, score_batch
from lucid_swatch.files.photo import read_photo
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.usecases.measure_photo import measure_photo

TWELVE_MEGAPIXELS = (3000, 4000)
SENSOR_NOISE = 3.0
"""Of 255; with it a file has a megabyte and a half, still less than most phones write."""
CHUNK = 500


def _best(act, times=3):
    """The quickest of several runs: the machine's other work only ever slows one down."""
    took = []
    for _ in range(times):
        start = time.perf_counter()
        act()
        took.append(time.perf_counter() - start)
    return min(took)


def _as_from_a_phone(picture):
    """Twelve megapixels with the noise of a small sensor, without which a file decodes faster than any photo does."""
    large = np.asarray(picture.resize(TWELVE_MEGAPIXELS, Image.Resampling.BICUBIC), dtype=np.float32)
    noise = np.random.default_rng(4).normal(0, SENSOR_NOISE, large.shape)
    return Image.fromarray(np.clip(large + noise, 0, 255).astype(np.uint8))


def measuring(sample):
    """One measurement of a 12-megapixel photo against a bare decode of it."""
    network = SalientObjectNetwork()
    with tempfile.TemporaryDirectory() as folder:
        file = Path(folder) / "large.jpg"
        _as_from_a_phone(Image.open(sample)).save(file, quality=92)
        measure_photo(read_photo(file), network)
        content = file.read_bytes()
        decode = _best(lambda: np.asarray(Image.open(io.BytesIO(content)).convert("RGB")))
        whole = _best(lambda: measure_photo(read_photo(file), network))
    return {
        "measurement against bare decode": round(whole / decode, 1),
        "decode, s": round(decode, 3),
        "measurement, s": round(whole, 3),
    }


def scoring():
    """Looks scored in one batch against one at a time, and the memory of a large batch."""
    rng = np.random.default_rng(3)
    kinds = (Category.KNIT, Category.TROUSERS, Category.COAT, Category.SHOES, Category.BAG)
    rail = [
        Piece(f"{kind.value}-{k}", kind, np.array([[rng.uniform(10, 95), *rng.normal(0, 14, 2)]]), np.ones(1))
        for kind in kinds
        for k in range(7)
    ]
    by_kind = [[p for p in rail if p.category is kind] for kind in kinds]
    face = Client(np.array([60.0, 13, 20]), np.array([20.0, 6, 8]), np.array([28.0, 9, 16]))
    looks = [Look(str(k), chosen, face) for k, chosen in enumerate(itertools.product(*by_kind))]
    table = build_table(tuple(rail))
    row = {p.id: k for k, p in enumerate(rail)}
    index = np.array([[row[p.id] for p in look.pieces] for look in looks])

    def batched():
        for start in range(0, len(index), CHUNK):
            score_batch(batch_of(table, index[start : start + CHUNK], [Conventions()], [None], [read_colouring(face)]))

    together = len(looks) / _best(batched, 2)
    tracemalloc.start()
    batched()
    grown = tracemalloc.get_traced_memory()[1] / 2**20
    tracemalloc.stop()
    few = looks[:60]
    alone = len(few) / _best(lambda: [judge([replace(look)]) for look in few], 2)
    return {
        "looks": len(looks), "looks a second in a batch": round(together), "looks a second one at a time, with reasons": round(alone),
        "batch against one at a time": round(together / alone, 1), "memory of the batch, MB": round(grown),
    }  # fmt: skip
