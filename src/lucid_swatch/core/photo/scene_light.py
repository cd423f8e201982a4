"""The light estimated from a scene that holds no reference, and how far the estimate can be believed."""

import cv2
import numpy as np
from scipy.special import ndtri

from ..colour.arrays import BoolArray, FloatArray, RealArray, some_of
from ..colour.spaces import RGB_TO_XYZ
from .light import LAMP_LINE, Light, LightReference

USUAL_CAST = 0.09
"""Mean of what phones leave of indoor light, along LAMP_LINE: mostly a little, seldom much (exponential)."""
STEPS = np.linspace(0.0, 0.6, 121)

NEUTRAL_CENTRE = np.array([0.0, -0.04])
NEUTRAL_SPREAD = np.array([0.05, 0.08])
"""How white paint, paper and bed linen lie, in log ratios of red and blue to green: near neutral, a little creamy."""
COLOURED_CENTRE = np.array([0.30, -0.38])
COLOURED_SPREAD = np.array([0.38, 0.45])
"""How wood, rugs and blankets lie: mostly warm."""
BRIGHT, BRIGHT_WIDTH = 0.67, 0.05
"""Luminance above which the brightest thing in a room is probably a white one."""
SELDOM_NEUTRAL, MOSTLY_NEUTRAL = 0.05, 0.99
DIM = 0.3
AGREED, AGREEMENT = 0.10, 0.10
"""What the agreement of the estimators adds on anything brighter than dim, and the scatter at which it fades."""

USUAL_EXPOSURE = 0.43
"""Natural logarithm of how much amateur photos of clothes are exposed above the reflectance."""
USUAL_GARMENT = -1.33
"""Natural logarithm of the middle luminance that garments are recorded with."""
MIDDLE_OF = 20_000
"""Pixels from which that is taken."""
EXPOSURE_SHARE = 0.18
"""How much of a garment's unusual brightness is exposure rather than cloth (shrinkage)."""
EXPOSURE_SPREAD = 0.29
"""What is left: a photo without a reference does not hold its exposure."""
LEAST_FULL, MOST_FULL = 0.01, 0.9
"""Shares of the photo at the top of the scale between which more of it tells of more exposure."""
USUALLY_FULL = 0.115
"""Share at the top of the scale that tells nothing."""
FULL_SHARE = 0.15
"""How much exposure a standard deviation more of that share (as of a normal spread) tells, in natural logarithms."""
WHITE_LUMINANCE, WHITE_SPREAD = 0.80, 0.22
"""Luminance of white walls and linen where the light is full, and its spread in natural logarithms."""
CAST_SPREAD_FACTOR = 1.4
"""What the spread of the belief leaves out: lamps off the line, dyes that the camera sees otherwise."""
OVEREXPOSED = 0.96


def estimate_light(rgb_linear: FloatArray, mask: BoolArray) -> Light:
    """The light from the scene alone: the background as a probable neutral, weighed by how probable that is.

    rgb_linear: (rows, columns, 3). mask: (rows, columns), the garment, which is left out: a cloth-coloured
    scene is not pulled to grey. Four published estimators look at the background (its middle; shades of grey,
    Finlayson and Trezzi 2004; grey edge, van de Weijer, Gevers and Gijsenij 2007; its brightest part); how well
    they agree and how bright the brightest part is say how probably it is white. The exposure comes from what is
    usual, from such a white, and from how much of the whole photo reached the top of the scale."""
    belief, white, brightness = np.exp(-STEPS / USUAL_CAST), 0.0, 1.0
    seen = background_estimates(rgb_linear, mask)
    if seen is not None:
        estimates, brightness = seen
        as_white, as_dyed = _likelihood(estimates, brightness)
        white = float(belief @ as_white / (belief @ (as_white + as_dyed)))
        belief = belief * (as_white + as_dyed)
    belief = belief / belief.sum()
    middle = float(belief @ STEPS)
    spread = float(np.sqrt(belief @ (STEPS - middle) ** 2))
    garment = np.flatnonzero(mask)
    some = rgb_linear.reshape(-1, 3)[some_of(garment, MIDDLE_OF)]
    luminance = float(np.median(some @ RGB_TO_XYZ[1])) if len(some) else np.exp(USUAL_GARMENT)
    exposure = USUAL_EXPOSURE + EXPOSURE_SHARE * (np.log(max(luminance, 0.01)) - USUAL_GARMENT)
    trust = white * _bright(brightness) * EXPOSURE_SPREAD**2 / (EXPOSURE_SPREAD**2 + WHITE_SPREAD**2)
    exposure += trust * (np.log(brightness / WHITE_LUMINANCE) - exposure)
    exposure += _overflow(rgb_linear)
    exposure_spread = EXPOSURE_SPREAD * np.sqrt(1 - trust)
    rgb = np.exp(middle * LAMP_LINE)
    return Light(
        LightReference.ESTIMATED,
        rgb,
        float(np.exp(exposure)),
        max(CAST_SPREAD_FACTOR * spread, 0.03),
        float(exposure_spread),
    )


def background_estimates(rgb_linear: FloatArray, mask: BoolArray) -> tuple[FloatArray, float] | None:
    """What four estimators say of the light on the background, and the luminance of its brightest part.

    rgb_linear: (rows, columns, 3). mask: the garment. Returns (4, 2), log ratios of red and blue to green: middle,
    shades of grey, grey edge, brightest; None where no background is left."""
    step = max(1, round(max(mask.shape) / 340))
    small, margin = np.ascontiguousarray(rgb_linear[::step, ::step], dtype=np.float32), 6
    garment = cv2.dilate(mask[::step, ::step].astype(np.uint8), np.ones((2 * margin + 1, 2 * margin + 1), np.uint8)) > 0
    readable = ~garment & (_largest(small) < OVEREXPOSED)
    if readable.sum() < max(100, 0.02 * mask[::step, ::step].size):
        readable = ~garment
    if readable.sum() < 100:
        return None
    background = small[readable]
    calm = cv2.GaussianBlur(small, (0, 0), 1.0)
    edges = np.abs(cv2.Sobel(calm, cv2.CV_32F, 1, 0)) + np.abs(cv2.Sobel(calm, cv2.CV_32F, 0, 1))
    luminance = background @ RGB_TO_XYZ[1]
    bright = luminance >= np.quantile(luminance, 0.97)
    surfaces = np.stack(
        [
            np.median(background, axis=0),
            np.mean(background**6, axis=0) ** (1 / 6),
            np.mean(edges[readable] ** 5, axis=0) ** (1 / 5),
            np.median(background[bright], axis=0),
        ]
    )
    safe = np.maximum(surfaces, 0.004)
    ratios = np.log(safe[:, [0, 2]] / safe[:, [1]])
    return ratios, float(np.quantile(luminance, 0.97))


def _likelihood(estimates: FloatArray, brightness: float) -> tuple[FloatArray, FloatArray]:
    """How likely each step along LAMP_LINE makes the brightest thing of the background, if it is white or if it is
    dyed; both already weighed by how probable that is. Two times (len(STEPS),)."""
    scatter = float(np.median(np.abs(estimates - estimates[3]).sum(axis=1)))
    neutral = SELDOM_NEUTRAL + (AGREED * np.exp(-scatter / AGREEMENT) if brightness > DIM else 0.0)
    neutral += (MOSTLY_NEUTRAL - neutral) * _bright(brightness)
    left = estimates[3] - STEPS[:, None] * LAMP_LINE[[0, 2]]
    white = np.exp(-0.5 * (((left - NEUTRAL_CENTRE) / NEUTRAL_SPREAD) ** 2).sum(axis=1)) / NEUTRAL_SPREAD.prod()
    dyed = np.exp(-0.5 * (((left - COLOURED_CENTRE) / COLOURED_SPREAD) ** 2).sum(axis=1)) / COLOURED_SPREAD.prod()
    return neutral * white, (1 - neutral) * dyed


def _overflow(rgb_linear: FloatArray) -> float:
    """What the share of the photo that reached the top of the scale adds to its exposure, in natural logarithms.

    The light in a room is spread about normally in logarithms, so that share is a place in a normal spread."""
    step = max(1, round(max(rgb_linear.shape) / 340))
    full = float((_largest(rgb_linear[::step, ::step]) >= OVEREXPOSED).mean())
    places = ndtri([np.clip(full, LEAST_FULL, MOST_FULL), USUALLY_FULL])
    return FULL_SHARE * float(places[0] - places[1])


def _largest(rgb_linear: RealArray) -> RealArray:
    """The largest channel: slices are compared sooner than short rows."""
    return np.maximum(np.maximum(rgb_linear[..., 0], rgb_linear[..., 1]), rgb_linear[..., 2])


def _bright(luminance: float) -> float:
    """How surely a luminance is that of a white thing, 0..1."""
    return float(1 / (1 + np.exp(-(luminance - BRIGHT) / BRIGHT_WIDTH)))
