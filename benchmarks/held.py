"""Pieces held up by a drawn hand: how much of it the outline still holds, and what that does to the colours."""

import multiprocessing
from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace

import cv2
import numpy as np
from threadpoolctl import threadpool_limits

from lucid_swatch.demo.studio.scene import photograph
from lucid_swatch.demo.wardrobe import SAMPLES
from lucid_swatch.files.photo import Photo
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.usecases.measure_photo import measure_photo

from .accuracy import there

SKINS = ((72.0, 12.0, 16.0), (60.0, 15.0, 20.0), (42.0, 14.0, 18.0), (30.0, 10.0, 12.0))
FIRST_SEED = 400
LEFT_OUT = 0.02
"""Of the piece: what an outline may hold beside it."""


def held(limit=None):
    """Figures for the project's own pieces, each held by a hand of one of four depths of skin, and by none."""
    with ProcessPoolExecutor(2, mp_context=multiprocessing.get_context("spawn")) as pool:
        rows = list(pool.map(_row, range(len(SAMPLES))[:limit]))
    return {
        "photos": len(rows),
        "hand left out": round(float(np.mean([row["beside"] < LEFT_OUT for row in rows])), 2),
        "outline overlap, median": round(float(np.median([row["overlap"] for row in rows])), 3),
        "outline overlap, one in ten below": round(float(np.quantile([row["overlap"] for row in rows], 0.1)), 3),
        "colours against the same photo without a hand, CIEDE2000, median, nine in ten below": [
            round(float(np.quantile([row["moved"] for row in rows], share)), 2) for share in (0.5, 0.9)
        ],
    }


def _row(number):
    cv2.setNumThreads(1)
    threadpool_limits(1)
    sample = SAMPLES[number]
    network = SalientObjectNetwork(1)
    read = {}
    for skin in (None, SKINS[number % len(SKINS)]):
        room = replace(sample.room, hand=skin)
        picture, truth = photograph(sample.subject, room, FIRST_SEED + number)
        rows, columns = picture.shape[:2]
        read[skin] = measure_photo(Photo(sample.file, columns, rows, "sRGB", "drawn", picture), network)
    mask = read[skin].outline.mask
    alone, with_hand = (r.measurement for r in read.values())
    return {
        "beside": float((mask & ~truth.mask).sum() / truth.mask.sum()),
        "overlap": float((mask & truth.mask).sum() / (mask | truth.mask).sum()),
        "moved": there((alone.lab, alone.share), (with_hand.lab, with_hand.share)),
    }
