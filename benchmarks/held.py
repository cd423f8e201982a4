"""Pieces held up by a drawn hand, or with a paper tag on: whether the outline leaves it out, and what the colours do."""

import multiprocessing
from concurrent.futures import ProcessPoolExecutor
from dataclasses import replace

import cv2
import numpy as np
from threadpoolctl import threadpool_limits

from lucid_swatch.core.photo.hand import without_hand
from lucid_swatch.core.photo.outline import edge_size
from lucid_swatch.core.photo.second_look import agreement
from lucid_swatch.core.photo.tag import without_tag
from lucid_swatch.demo.studio.scene import photograph
from lucid_swatch.demo.wardrobe import SAMPLES
from lucid_swatch.files.photo import Photo
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.usecases.find_garment import find_garment
from lucid_swatch.usecases.measure_photo import measure_photo

from .accuracy import there

SKINS = ((72.0, 12.0, 16.0), (60.0, 15.0, 20.0), (42.0, 14.0, 18.0), (30.0, 10.0, 12.0))
FIRST_SEED = 400
LEFT = 0.1
"""Of a hand or a tag: what an outline may hold of it."""
SEEN = 12
"""Of 255: change of a channel from which a place is where the hand is."""


def held(limit=None):
    """Figures for the project's own pieces, each held by a hand of one of four depths of skin, and by none."""
    with ProcessPoolExecutor(2, mp_context=multiprocessing.get_context("spawn")) as pool:
        rows = list(pool.map(_row, range(len(SAMPLES))[:limit]))
    return {
        "photos": len(rows),
        "hand left out": round(float(np.mean([row["hand"] < LEFT for row in rows])), 2),
        "paper tag left out": round(float(np.mean([row["tag"] < LEFT for row in rows])), 2),
        "outline whole where there is neither": round(float(np.mean([row["alone"] == 1 for row in rows])), 2),
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
    read, pictures = {}, []
    for skin in (None, SKINS[number % len(SKINS)]):
        room = replace(sample.room, tag=False, hand=skin)
        picture, truth = photograph(sample.subject, room, FIRST_SEED + number)
        pictures.append(picture.astype(np.int16))
        rows, columns = picture.shape[:2]
        read[skin] = measure_photo(Photo(sample.file, columns, rows, "sRGB", "drawn", picture), network)
    tagged, untagged = photograph(sample.subject, replace(sample.room, tag=True, hand=None), FIRST_SEED + number)
    bare, whole = photograph(sample.subject, replace(sample.room, tag=False, hand=None), FIRST_SEED + number)
    tag = whole.mask & ~untagged.mask
    mask = read[skin].outline.mask
    hand = (np.abs(pictures[1] - pictures[0]).max(axis=2) > SEEN) & ~truth.mask
    alone, with_hand = (r.measurement for r in read.values())
    return {
        "tag": float((find_garment(tagged, network).mask & tag).sum() / max(tag.sum(), 1)),
        "alone": _searched(bare, whole.mask),
        "hand": float((mask & hand).sum() / hand.sum()),
        "overlap": agreement(mask, truth.mask),
        "moved": there((alone.lab, alone.share), (with_hand.lab, with_hand.share)),
    }


def _searched(picture, mask):
    """Agreement of an outline with what the search for hands and tags leaves of it."""
    size = edge_size(mask.shape)
    small = cv2.resize(picture, size, interpolation=cv2.INTER_AREA)
    own = cv2.resize(mask.astype(np.uint8), size, interpolation=cv2.INTER_NEAREST) > 0
    return agreement(own, without_tag(small, without_hand(small, own)))
