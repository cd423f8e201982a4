"""Skin, hair and eyes on portraits rendered from spectra: eight depths of skin, three lights, with and without card.

Our own renderer grades itself here, so a check and no proof. Skin is a diffusing layer under one that melanin darkens:
absorption of melanin as large as after Jacques 1998 and flatter, of blood with more or less oxygen as published, and of
carotene; depth, redness and yellowness vary beyond the eight middles. Cameras, half-done white balance, tone curves and
noise are those of the card scenes."""

import multiprocessing
from concurrent.futures import ProcessPoolExecutor
from functools import cache

import cv2
import numpy as np

from lucid_swatch.core.client.face import place_spots
from lucid_swatch.core.client.portrait import SPOT_RADIUS, read_spots
from lucid_swatch.core.client.skin_seen import as_an_eye_sees
from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import rgb_linear_to_lab
from lucid_swatch.core.photo.card import NOMINAL, find_card, read_patches
from lucid_swatch.core.photo.card_light import light_from_card
from lucid_swatch.core.photo.light import relit
from lucid_swatch.core.photo.outline import find_outline
from lucid_swatch.core.photo.scene_light import estimate_light
from lucid_swatch.demo.studio.portrait import Sitter, draw_portrait
from lucid_swatch.files.photo import decode_photo
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.outside.faces import FaceCascade

from .card_scenes import CAMERAS, NANOMETRES, READER_NOISE, _developed, _lab, _printed, _reflectance, _seen, paint_card

DEPTHS = (0.013, 0.025, 0.045, 0.075, 0.115, 0.165, 0.235, 0.32)
"""Share of melanin in the outer skin, from the fairest to the deepest."""
LIGHTS = ("A", "D50", "LED-B3")
A_BAND = 54
STYLES = ("up", "short", "bob")


def portraits(a_band=A_BAND):
    """Figures for each depth: CIEDE2000 of the skin with the card and without, and how often a face was read."""
    jobs = [(depth, k) for depth in range(len(DEPTHS)) for k in range(a_band)]
    with ProcessPoolExecutor(2, mp_context=multiprocessing.get_context("spawn")) as pool:
        rows = list(pool.map(_portrait, jobs, chunksize=6))
    figures = {"portraits": len(rows), "a depth": a_band}
    for way, name in enumerate(("with the card", "without a card")):
        bands = []
        for depth in range(len(DEPTHS)):
            off = [r[way] for r, (d, _) in zip(rows, jobs, strict=True) if d == depth and r is not None]
            bands.append(round(float(np.median(off)), 2))
        every = [r[way] for r in rows if r is not None]
        figures[f"skin, {name}"] = {
            "median": round(float(np.median(every)), 2), "fairest to deepest": bands,
            "worst band against best": round(max(bands) / min(bands), 2),
        }  # fmt: skip
    missed = [
        sum(r is None for r, (d, _) in zip(rows, jobs, strict=True) if d == depth) for depth in range(len(DEPTHS))
    ]
    figures["not read, fairest to deepest"] = missed
    return figures


def skin_reflectance(melanin, blood, oxygen=0.65, carotene=0.25, slope=2.2):
    """Reflectance of skin over NANOMETRES.

    melanin: its share of the outer layer. blood: its share of the inner one. oxygen: how much of the blood carries it,
    0..1. carotene: of the inner layer, absorbing 10 per centimetre at 1. slope: how much more melanin takes
    of the blue. The colours span those that are published of people: L* 25 to 76, a* 3 to 14, b* 11 to 25."""
    nm = NANOMETRES
    bare = 0.244 + 85.3 * np.exp(-(nm - 154) / 66.2)
    outer = melanin * 505.0 * (nm / 550) ** -slope + (1 - melanin) * bare
    haemoglobin = np.exp(np.interp(nm, HAEMOGLOBIN[0], np.log(oxygen * HAEMOGLOBIN[1] + (1 - oxygen) * HAEMOGLOBIN[2])))
    inner = blood * PER_CENTIMETRE * haemoglobin + (1 - blood) * bare
    inner += carotene * 10.0 * np.exp(-(((nm - 460) / 40) ** 2))
    scatters = 2.0e5 * nm**-1.5 + 2e12 * nm**-4
    ratio = inner / (inner + scatters)
    diffuse = np.exp(-5.0 * np.sqrt(ratio / (1 + ratio) / 3)) * 0.92
    # light goes through the outer layer twice, aslant
    through = np.exp(-1.45 * outer * 0.006)
    return np.clip(0.02 + diffuse * through**2, 0.02, 0.9)


HAEMOGLOBIN = np.array([
    [400, 410, 415, 420, 430, 440, 450, 460, 480, 500, 520, 530, 542, 550, 556, 560, 570, 577, 586, 600, 620, 650, 700],
    [266232, 466840, 524280, 480360, 246072, 102580, 62816, 44480, 26629, 20933, 24202, 39957, 53236, 43016, 33456,
     32613, 44496, 55540, 28324, 3200, 942, 368, 290],
    [223296, 303956, 346000, 407560, 528600, 413280, 103292, 23388, 14550, 20862, 31589, 39036, 48000, 53412, 54540,
     53788, 45072, 39000, 28300, 14677, 6509, 3750, 1794],
], float)  # fmt: skip
"""Nanometres; molar extinction of blood with oxygen and without, per centimetre and mole in a litre, near the table of
Prahl 1999, Oregon Medical Laser Center."""
PER_CENTIMETRE = 2.303 * 150 / 64500
"""From molar extinction to the absorption of whole blood, 150 g of haemoglobin in a litre."""


def _portrait(job):
    depth, number = job
    rng = np.random.default_rng(1000 * depth + number)
    melanin = DEPTHS[depth] * float(np.exp(rng.normal(0, 0.12)))
    skin = skin_reflectance(melanin, rng.uniform(0.005, 0.018), rng.uniform(0.4, 0.9), rng.uniform(0.05, 0.5))
    hair = np.clip(0.02 + rng.uniform(0.0, 0.25) * (NANOMETRES / 700) ** rng.uniform(1, 4), 0.02, 0.7)
    if depth > 3:
        hair = np.full_like(NANOMETRES, 0.022) + 0.006 * (NANOMETRES / 700)
    eyes = 0.03 + 0.12 * np.exp(-0.5 * ((NANOMETRES - rng.uniform(450, 680)) / 90) ** 2)
    materials = np.stack([skin, hair, eyes])
    camera, lamp = CAMERAS[number % 2], LIGHTS[number % 3]
    printed = _card(number % CARDS)
    paper = np.vstack([printed, np.full((1, len(NANOMETRES)), 0.035)])
    balanced = float(rng.uniform(0.6, 1.0))
    seen = _seen(np.vstack([materials, paper, _reflectance(rng, 0.1)[None]]), camera, lamp, balanced)
    # the drawing gives shape and light; its colours are those that the camera saw of the spectra
    lab = rgb_linear_to_lab(seen[:3] * 0.5)
    drawn = draw_portrait(
        Sitter(*(tuple(float(v) for v in c) for c in lab), STYLES[number % 3]), (1.0, 1.0, 1.0), number
    )
    encoded = drawn / 255.0
    light = np.where(encoded > 0.04045, ((encoded + 0.055) / 1.055) ** 2.4, encoded / 12.92) * 2.0
    cast = seen[-1] / max(float(seen[-1][1]), 1e-6)
    # the painted wall and smock are grey in the drawing: they take the cast that the lamp leaves on a grey
    light = np.where(_background(drawn, lab)[..., None], light * cast, light)
    bare = light.copy()
    paint_card(light, np.array([685, 830]), np.radians(rng.uniform(-12, 12)), 1.75, seen[3:-1])  # in the sitter's hand
    true = _lab(skin[None])[0]
    measured = _lab(printed) + rng.normal(0, READER_NOISE, NOMINAL.shape)
    middle = float(np.quantile(light.max(axis=-1), 0.97))
    exposure = 0.9 / middle * float(np.exp(rng.normal(0, 0.08)))
    off = []
    for picture, with_card in ((light, True), (bare, False)):
        found = _skin_of(_developed(picture * exposure, rng, curved=number % 4 < 2), measured if with_card else None)
        if found is None:
            return None
        off.append(float(delta_e_2000(found, true)))
    return off


CARDS = 5
"""Printed cards, each made anew by a printer that misses its colours."""


@cache
def _card(seed):
    rng = np.random.default_rng(9000 + seed)
    return np.stack([_printed(lab, k, rng) for k, lab in enumerate(NOMINAL)])


_network = None


def _skin_of(content, measured):
    global _network
    cv2.setNumThreads(1)
    _network = _network or SalientObjectNetwork(1)
    photo = decode_photo(content, "portrait.jpg", 1024)
    person = find_outline(photo.srgb, _network(photo.srgb), person=True).mask
    if measured is None:
        light = estimate_light(photo.rgb_linear, person)
    else:
        card = find_card(photo.largest).card
        if card is None:
            return None
        light = light_from_card(read_patches(photo.rgb_linear, card), measured)
    daylight = relit(photo.rgb_linear, light)
    placed = place_spots(rgb_linear_to_lab(daylight), FaceCascade()(photo.srgb), person)
    return as_an_eye_sees(read_spots(daylight, placed.skin, SPOT_RADIUS), light) if placed.skin else None


def _background(drawn, lab):
    """Wall and smock: what in the drawing has no colour of its own."""
    picture = cv2.cvtColor(drawn.astype(np.float32) / 255, cv2.COLOR_RGB2LAB)
    grey = np.hypot(picture[..., 1], picture[..., 2]) < 4.5
    near = np.zeros(grey.shape, np.uint8)
    near[60:620, 190:610] = 1
    return grey & (near == 0)
