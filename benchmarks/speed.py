"""Time and memory, as ratios to something plain done in the same run."""

import io
import json
import tempfile
import time
from pathlib import Path

import numpy as np
from PIL import Image

from lucid_swatch.files.photo import read_photo
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.usecases.measure_photo import measure_photo

TWELVE_MEGAPIXELS = (3000, 4000)
SENSOR_NOISE = 3.0
"""Of 255; with it a file has a megabyte and a half, still less than most phones write."""


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


def measuring_some(folder, every=4):
    """The same for every fourth photo of a folder with truth.json, enlarged to twelve megapixels."""
    truths = json.loads((folder / "truth.json").read_text(encoding="utf-8"))[::every]
    ratios = {truth["file"]: measuring(folder / truth["file"])["measurement against bare decode"] for truth in truths}
    return {"photos": len(ratios), "median": float(np.median(list(ratios.values()))), "each": ratios}
