"""How well length, volume and sleeve are read from outlines whose cut is known: the project's own silhouettes, laid a
little otherwise each time, and nothing of them fitted.

Usage: python -m benchmarks.cut"""

import json

import numpy as np

from lucid_swatch.core.garment.cut import cut_seen
from lucid_swatch.core.garment.lengths import LENGTHS_OF
from lucid_swatch.core.garment.vocabulary import Category as C
from lucid_swatch.core.garment.vocabulary import Length as L
from lucid_swatch.core.garment.vocabulary import Sleeve as S
from lucid_swatch.core.garment.vocabulary import Volume as V

from .likely import laid, outlines

DRAWN = [
    (C.COAT, "", L.MIDI, V.EASY, S.LONG), (C.JACKET, "", L.HIP, V.EASY, S.LONG), (C.SHIRT, "", L.HIP, V.EASY, S.LONG),
    (C.KNIT, "", L.HIP, V.EASY, S.LONG), (C.TOP, "", L.HIP, V.EASY, S.SHORT), (C.DRESS, "", L.KNEE, V.EASY, S.SHORT),
    (C.DRESS, "long", L.FLOOR, V.EASY, S.SHORT), (C.TROUSERS, "", L.ANKLE, V.CLOSE, None),
    (C.TROUSERS, "wide", L.ANKLE, V.FULL, None), (C.SKIRT, "", L.MIDI, V.EASY, None),
]  # fmt: skip
"""What the silhouettes are drawn as."""
EACH, SEED = 30, 12


def main():
    rng = np.random.default_rng(SEED)
    length, within, volume, sleeve = [], [], [], []
    for category, style, ends, full, arm in DRAWN:
        for _ in range(EACH):
            seen, steps = cut_seen(laid(outlines(category, style), rng), category), LENGTHS_OF[category]
            off = abs(steps.index(seen.length[0][0]) - steps.index(ends))
            length.append(off == 0)
            within.append(off <= 1)
            volume.append(seen.volume[0][0] is full)
            if arm is not None:
                sleeve.append(seen.sleeve[0][0] is arm)
    told = {"length": length, "length within a step": within, "volume": volume, "sleeve": sleeve}
    print(json.dumps({name: round(float(np.mean(found)), 2) for name, found in told.items()}))


if __name__ == "__main__":
    main()
