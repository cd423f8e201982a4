"""A photo is read at the size its cloth needs."""

import io

import numpy as np
import pytest
from PIL import Image

from lucid_swatch.files.photo import FINER_SIDE, WORKING_SIDE, decode_photo
from lucid_swatch.usecases.measure_photo import measure_photo

ROWS, COLUMNS = 1600, 1200
GROUND, PALE, DARK = (196, 200, 205), (214, 190, 120), (40, 52, 96)
PIECE = np.s_[300:1300, 250:950]
Y, X = np.mgrid[0:ROWS, 0:COLUMNS]
LINES = (Y // 6) % 2 == 0
INNER = (np.abs(Y - 800) < 320) & (np.abs(X - 600) < 220)


def photo_of(dark):
    """A pale piece on a grey wall, dark where it is told."""
    noise = np.random.default_rng(5).normal(0, 1.5, (ROWS, COLUMNS, 3))
    picture = np.full((ROWS, COLUMNS, 3), GROUND, dtype=float)
    picture[PIECE] = PALE
    mask = np.zeros((ROWS, COLUMNS), bool)
    mask[PIECE] = True
    picture[mask & dark] = DARK
    file = io.BytesIO()
    Image.fromarray((picture + noise).clip(0, 255).astype(np.uint8)).save(file, "PNG")
    return decode_photo(file.getvalue(), "piece.png")


def seen(srgb):
    """What stands out: the piece, wherever it is."""
    return (np.abs(srgb.astype(float) - GROUND).max(axis=-1) > 30).astype(float)


@pytest.mark.parametrize(
    ("dark", "side"),
    [(np.zeros_like(LINES), WORKING_SIDE), (LINES, FINER_SIDE), (LINES & ~INNER, FINER_SIDE)],
    ids=["plain", "fine lines", "fine lines round a plain middle"],
)
def test_fine_cloth_is_read_from_more_pixels(dark, side):
    reading = measure_photo(photo_of(dark), seen)
    assert max(reading.photo.srgb.shape) == side
    assert reading.outline.mask.shape == reading.photo.srgb.shape[:2]
