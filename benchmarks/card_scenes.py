"""Scenes that hold the printed card, rendered from spectra: two cameras, six lamps, half-done white balance, tone curves.

Drawn by the same hand as the measuring, so a check and no proof; but nothing of it is made in the colour space that the
measuring works in: reflectances, lamps and sensitivities are spectra, and the printer misses its colours."""

import io
import multiprocessing
from concurrent.futures import ProcessPoolExecutor
from functools import cache

import colour
import cv2
import numpy as np
from PIL import Image

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import XYZ_TO_RGB, encode_srgb, xyz_to_lab
from lucid_swatch.core.garment.measurement import look_at_cloth, measure_cloth
from lucid_swatch.core.photo.card import (
    GREY_STEPS,
    HEIGHT,
    NOMINAL,
    WIDTH,
    find_card,
    marker_boxes,
    marker_cells,
    patch_boxes,
    read_patches,
)
from lucid_swatch.core.photo.card_light import light_from_card
from lucid_swatch.core.photo.scene_light import estimate_light
from lucid_swatch.files.photo import decode_photo

SHAPE = colour.SpectralShape(400, 700, 10)
NANOMETRES = np.arange(400, 701, 10.0)
LAMPS = ("A", "D50", "D65", "FL2", "LED-B1", "LED-B3")
CAMERAS = ("Nikon 5100 (NPL)", "Sigma SDMerill (NPL)")
ROWS, COLUMNS = 1400, 1050
READER_NOISE = 0.3
"""CIELAB units, standard deviation of a reading of the handheld colour reader."""


def card_scenes(count=72):
    """Figures over some scenes: CIEDE2000 of a plain garment with the card measured, unmeasured, and left out."""
    with ProcessPoolExecutor(2, mp_context=multiprocessing.get_context("spawn")) as pool:
        rows = list(pool.map(_scene, range(count), chunksize=4))
    found = [row for row in rows if row is not None]
    figures = {"scenes": count, "card found": len(found)}
    for k, name in enumerate(("card measured once", "card never measured", "no card")):
        values = np.array([row[k] for row in found])
        figures[name] = {"median": round(float(np.median(values)), 2), "p90": round(float(np.quantile(values, 0.9)), 2)}
    held = [row[0] <= row[3] for row in found]
    figures["held by the uncertainty, card measured"] = round(float(np.mean(held)), 3)
    ratio = figures["card measured once"]["median"] / figures["no card"]["median"]
    figures["median with the card against without"] = round(ratio, 2)
    return figures


def _scene(seed):
    rng = np.random.default_rng(seed)
    camera, lamp = CAMERAS[seed % 2], LAMPS[seed % len(LAMPS)]
    cloth, wall = _dyed(rng), _reflectance(rng, chroma=0.15)
    printed = np.stack([_printed(lab, k, rng) for k, lab in enumerate(NOMINAL)])
    materials = np.vstack([cloth[None], wall[None], printed, np.full((1, len(NANOMETRES)), 0.035)])
    rgb = _seen(materials, camera, lamp, float(rng.uniform(0.55, 1.0)))
    labels, mask = _layout(rng)
    picture = rgb[labels] * _light_and_folds(rng, mask)[..., None]
    # exposed for the middle of the picture, but so that little is lost at the bright end, as phones do
    middle, bright = float(np.median(picture[..., 1])), float(np.quantile(picture.max(axis=-1), 0.98))
    exposure = min(0.45 / max(middle, 0.05), 0.95 / bright) * float(np.exp(rng.normal(0, 0.1)))
    photo = _developed(picture * exposure, rng, curved=seed % 4 < 2)
    true = _lab(materials)
    read = decode_photo(photo, "scene.jpg")
    inside = cv2.resize(mask.astype(np.uint8), read.srgb.shape[1::-1], interpolation=cv2.INTER_NEAREST) > 0
    card = find_card(read.largest).card
    if card is None:
        return None
    patches = read_patches(read.rgb_linear, card)
    measured = true[2 : 2 + len(NOMINAL)] + rng.normal(0, READER_NOISE, NOMINAL.shape)
    lights = [light_from_card(patches, measured), light_from_card(patches), estimate_light(read.rgb_linear, inside)]
    answers = [measure_cloth(look_at_cloth(read.rgb_linear, inside, light)) for light in lights]
    off = [float(delta_e_2000(answer.lab[0], true[0])) for answer in answers]
    return [*off, float(answers[0].uncertainty[0])]


def _reflectance(rng, chroma=1.0):
    """A smooth reflectance: a level and some broad rises and falls, as dyes have."""
    level = rng.uniform(-2.6, 1.6)
    bumps = sum(
        rng.normal(0, 1.3 * chroma) * np.exp(-0.5 * ((NANOMETRES - rng.uniform(400, 700)) / rng.uniform(40, 110)) ** 2)
        for _ in range(4)
    )
    return 0.03 + 0.87 / (1 + np.exp(-(level + bumps)))


def _dyed(rng):
    """A cloth that a screen can show: what lies far outside no camera of this kind records either."""
    while True:
        reflectance = _reflectance(rng)
        rgb = _xyz(reflectance[None])[0] @ XYZ_TO_RGB.T
        if rgb.min() > -0.02:
            return reflectance


INKS = {"cyan": (620, 62), "magenta": (545, 38), "yellow": (435, 42)}


def _printed(lab, number, rng):
    """A patch as a home printer makes it: three inks and black on paper, near the colour asked for and not on it."""
    paper = 0.88 - 0.03 * np.exp(-0.5 * ((NANOMETRES - 420) / 25) ** 2)
    if number == 0:
        return paper
    if number < GREY_STEPS:
        # greys are printed with black alone
        wanted = ((lab[0] + 16) / 116) ** 3
        return paper * np.clip(wanted * np.exp(rng.normal(0, 0.12)) / 0.88, 0.03, 1.0) * np.ones_like(NANOMETRES)
    from scipy.optimize import minimize

    curves = np.stack([np.exp(-0.5 * ((NANOMETRES - at) / wide) ** 2) for at, wide in INKS.values()])

    def off(amounts):
        made = paper * 10 ** -(np.abs(amounts[:3]) @ curves + abs(amounts[3]))
        return float(((_lab(made[None])[0] - lab) ** 2).sum())

    amounts = minimize(off, [0.3, 0.3, 0.3, 0.1], method="Nelder-Mead", options={"maxiter": 200}).x
    missed = np.abs(amounts) * np.exp(rng.normal(0, 0.18, 4))
    return paper * 10 ** -(missed[:3] @ curves + missed[3])


@cache
def _spectra():
    observer = colour.MSDS_CMFS["CIE 1931 2 Degree Standard Observer"].copy().align(SHAPE).values
    lamps = {name: colour.SDS_ILLUMINANTS[name].copy().align(SHAPE).values for name in LAMPS}
    cameras = {name: colour.MSDS_CAMERA_SENSITIVITIES[name].copy().align(SHAPE).values for name in CAMERAS}
    return observer, lamps, cameras


def _xyz(reflectances):
    observer, lamps, _ = _spectra()
    weight = observer * lamps["D65"][:, None]
    return reflectances @ weight / weight[:, 1].sum()


def _lab(reflectances):
    xyz = _xyz(reflectances)
    white = _xyz(np.ones((1, len(NANOMETRES))))[0]
    return xyz_to_lab(xyz / white * np.array([0.95047, 1.0, 1.08883]))


def maker_matrix(sensitivities):
    """From white-balanced raw under D65 to linear sRGB, fitted on some hundred reflectances, as makers do."""
    rng = np.random.default_rng(77)
    training = np.stack([_reflectance(rng) for _ in range(300)])
    raw = _raw(training, sensitivities, _spectra()[1]["D65"])
    wanted = _xyz(training) @ XYZ_TO_RGB.T
    matrix, *_ = np.linalg.lstsq(raw, wanted, rcond=None)
    return matrix / matrix.sum(axis=0)


def _raw(reflectances, sensitivities, lamp):
    daylight = _spectra()[1]["D65"]
    weight = sensitivities * lamp[:, None]
    return reflectances @ weight / (np.ones(len(NANOMETRES)) @ (sensitivities * daylight[:, None]))


def seen_by(reflectances, sensitivities, matrix, lamp, balanced):
    """Linear sRGB as a camera gives it, its white balance done only in part. (n, 31) to (n, 3).

    sensitivities: (31, 3). matrix: its maker's. lamp: (31,), its power. balanced: 0..1."""
    raw = _raw(reflectances, sensitivities, lamp)
    white = _raw(np.ones((1, len(NANOMETRES))), sensitivities, lamp)[0]
    return np.maximum(raw / (white / white[1]) ** balanced / white[1] @ matrix, 0.0)


def _seen(reflectances, camera, lamp, balanced):
    _, lamps, cameras = _spectra()
    return seen_by(reflectances, cameras[camera], _camera_matrix(camera), lamps[lamp], balanced)


@cache
def _camera_matrix(camera):
    return maker_matrix(_spectra()[2][camera])


def _layout(rng):
    """Which material lies where: 0 cloth, 1 wall, 2 and on the patches, the last the black of the marks."""
    labels = np.ones((ROWS, COLUMNS), np.int32)
    mask = np.zeros((ROWS, COLUMNS), np.uint8)
    left, width = rng.integers(60, 120), rng.integers(520, 600)
    shirt = np.array(
        [[0.1, 0.0], [0.9, 0.0], [1.05, 0.3], [0.9, 0.36], [0.88, 1.0], [0.12, 1.0], [0.1, 0.36], [-0.05, 0.3]]
    )
    cv2.fillPoly(mask, [np.rint(shirt * [width, 1000] + [left, 180]).astype(np.int32)], 1)
    labels[mask > 0] = 0
    turn, size = np.radians(rng.uniform(0, 360)), rng.uniform(2.0, 2.6)
    middle = np.array([COLUMNS - 205, rng.uniform(300, ROWS - 300)])
    paint_card(labels, middle, turn, size, np.arange(2, len(NOMINAL) + 3), rng.normal(0, 6, (4, 2)))
    return labels, (labels == 0) & (mask > 0)


def paint_card(picture, middle, turn, size, values, shaken=0.0):
    """Paints the card into a picture, of labels or of light.

    middle: where its middle lies, pixels. turn: radians. size: pixels to the millimetre. values: what to paint for each
    patch, the first of which is the paper too, and last for the black of the marks. shaken: (4, 2), its corners off."""
    spin = np.array([[np.cos(turn), -np.sin(turn)], [np.sin(turn), np.cos(turn)]]) * size
    whole = np.array([[0, 0], [WIDTH, 0], [WIDTH, HEIGHT], [0, HEIGHT]])
    corners = (whole - [WIDTH / 2, HEIGHT / 2]) @ spin.T + middle + shaken
    homography = cv2.getPerspectiveTransform(whole.astype(np.float32), corners.astype(np.float32))

    def fill(box, value):
        x0, y0, x1, y1 = box
        points = np.array([[[x0, y0], [x1, y0], [x1, y1], [x0, y1]]], np.float32)
        place = np.zeros(picture.shape[:2], np.uint8)
        seen = cv2.perspectiveTransform(points, homography)[0]
        cv2.fillPoly(place, [np.rint(seen * 16).astype(np.int32)], 1, 8, 4)
        picture[place > 0] = value

    fill((0, 0, WIDTH, HEIGHT), values[0])
    for number, box in enumerate(marker_boxes()):
        cells = marker_cells(number)
        side = (box[2] - box[0]) / len(cells)
        for row, column in zip(*np.nonzero(cells), strict=True):
            x, y = box[0] + column * side, box[1] + row * side
            fill((x, y, x + side, y + side), values[-1])
    for k, box in enumerate(patch_boxes()):
        fill(box, values[k])


def _light_and_folds(rng, mask):
    y, x = np.mgrid[0:ROWS, 0:COLUMNS] / ROWS
    fall = 1.0 - 0.10 * np.hypot(x - rng.uniform(0, 0.7), y - rng.uniform(0, 1))
    folds = np.ones((ROWS, COLUMNS))
    for _ in range(7):
        at, lean, wide = rng.uniform(0, 0.7), rng.uniform(-0.5, 0.5), rng.uniform(0.01, 0.04)
        folds *= 1 - rng.uniform(0.05, 0.35) * np.exp(-0.5 * ((x - at - lean * (y - 0.5)) / wide) ** 2)
    return fall * np.where(mask, folds, 1.0)


def _developed(light, rng, curved):
    """A JPEG: noise, a soft end, for some cameras a tone curve. light: linear sRGB."""
    light = cv2.GaussianBlur(light, (0, 0), 0.8)
    light = light + rng.standard_normal(light.shape) * (0.002 + 0.008 * np.sqrt(np.clip(light, 0, 1)))
    encoded = encode_srgb(light)
    if curved:
        encoded = encoded + 0.35 * (encoded * encoded * (3 - 2 * encoded) - encoded)
    out = io.BytesIO()
    Image.fromarray(np.rint(encoded * 255).astype(np.uint8)).save(out, "JPEG", quality=92)
    return out.getvalue()
