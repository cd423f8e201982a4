"""Smooth randomness: what cloth, plaster and wood are drawn from."""

import cv2
import numpy as np

from lucid_swatch.core.colour.arrays import FloatArray


def smooth_noise(rng: np.random.Generator, shape: tuple[int, int], wavelength: tuple[float, float]) -> FloatArray:
    """Noise of about unit spread whose bumps are as long as a wavelength down and across, in pixels."""
    rows = max(2, round(shape[0] / wavelength[0]) + 3)
    columns = max(2, round(shape[1] / wavelength[1]) + 3)
    grid = rng.standard_normal((rows, columns)).astype(np.float32)
    wide = cv2.resize(
        grid, (round(columns * wavelength[1]), round(rows * wavelength[0])), interpolation=cv2.INTER_CUBIC
    )
    top = int(rng.integers(0, max(1, wide.shape[0] - shape[0])))
    left = int(rng.integers(0, max(1, wide.shape[1] - shape[1])))
    cut = wide[top : top + shape[0], left : left + shape[1]]
    if cut.shape != shape:
        cut = cv2.resize(cut, (shape[1], shape[0]), interpolation=cv2.INTER_CUBIC)
    return cut.astype(np.float64)


def layered_noise(rng: np.random.Generator, shape: tuple[int, int], wavelength: float, layers: int = 4) -> FloatArray:
    """Noise with finer and finer detail."""
    return sum(
        smooth_noise(rng, shape, (max(w, 1.0), max(w, 1.0))) * 0.5**k for k in range(layers) if (w := wavelength / 2**k)
    )  # type: ignore[return-value]


def creases(
    rng: np.random.Generator, shape: tuple[int, int], wavelength: float, lean: float, stretch: float
) -> FloatArray:
    """The height of cloth with folds.

    wavelength: across the folds, pixels. lean: degrees off the vertical. stretch: length over width of a fold."""
    side = int(np.hypot(*shape)) + 2
    drape = smooth_noise(rng, (side, side), (wavelength * stretch, wavelength))
    drift = smooth_noise(rng, (side, side), (wavelength * 1.5, wavelength * 2))
    y, x = np.mgrid[0:side, 0:side].astype(np.float32)
    bent = cv2.remap(
        drape.astype(np.float32),
        x + np.float32(wavelength * 0.5) * drift.astype(np.float32),
        y,
        cv2.INTER_LINEAR,
        borderMode=cv2.BORDER_REFLECT,
    )
    turned = cv2.warpAffine(
        bent, cv2.getRotationMatrix2D((side / 2, side / 2), lean, 1), (side, side), borderMode=cv2.BORDER_REFLECT
    )
    top, left = (side - shape[0]) // 2, (side - shape[1]) // 2
    cut = turned[top : top + shape[0], left : left + shape[1]].astype(np.float64)
    # sharp valleys between soft ridges, as cloth has them
    return np.sqrt(cut**2 + 0.05) * 0.7 + cut * 0.3
