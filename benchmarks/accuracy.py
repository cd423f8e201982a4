"""Colours read against colours known, beside plain k-means on the same photos."""

import json
import multiprocessing
from concurrent.futures import ProcessPoolExecutor
from pathlib import Path

import cv2
import numpy as np
from scipy.optimize import minimize
from threadpoolctl import threadpool_limits

from lucid_swatch.core.colour.difference import pairwise_delta_e_2000
from lucid_swatch.core.colour.spaces import lab_to_rgb_linear, rgb_linear_to_lab
from lucid_swatch.core.garment.measurement import look_at_cloth, measure_cloth
from lucid_swatch.core.photo.neutral import NeutralPoint
from lucid_swatch.files.photo import read_photo
from lucid_swatch.files.pictures import read_mask
from lucid_swatch.outside.cut_out import SalientObjectNetwork
from lucid_swatch.usecases.measure_photo import LightSource, measure_photo

K_MEANS_COLOURS = 5
LEAST_SHARE = 0.03
PLAIN = ("solid", "marl")


def accuracy(folder, limit=None):
    """Figures for a folder with truth.json: photos with the colours, shares, pattern, mask and neutral of each."""
    truths = json.loads((folder / "truth.json").read_text(encoding="utf-8"))[:limit]
    # a fork would inherit the locks of the network's threads
    with ProcessPoolExecutor(2, mp_context=multiprocessing.get_context("spawn")) as pool:
        rows = list(pool.map(_row, [(str(folder), truth) for truth in truths]))
    names = (
        "measured",
        "with the true outline",
        "with the true outline and an ideal light",
        "k-means of the photo",
        "k-means inside the true outline",
    )
    figures = {name: _spread([row[name] for row in rows]) for name in names}
    there = {
        name: _spread([row["there"] for row in rows if row["neutral"] is kind])
        for name, kind in (("neutral marked", True), ("no reference", False))
    }
    scaled = [row["scale"] for row in rows if row["scale"] is not None]
    return {
        "photos": len(rows),
        "difference": figures,
        "true colours to the nearest measured": there,
        "colours reported for each that is there": round(
            float(np.mean([row["reported"] for row in rows]) / np.mean([row["true"] for row in rows])), 2
        ),
        "pattern type right": round(float(np.mean([row["pattern"] for row in rows])), 3),
        "scale right": round(float(np.mean(scaled)), 3) if scaled else None,
        "median against k-means of the photo": round(
            figures["measured"]["median"] / figures["k-means of the photo"]["median"], 2
        ),
        "median against k-means inside the outline": round(
            figures["measured"]["median"] / figures["k-means inside the true outline"]["median"], 2
        ),
        "outline overlap, median": round(float(np.median([row["overlap"] for row in rows])), 3),
        "plain or patterned right": round(float(np.mean([row["plain"] for row in rows])), 3),
        "held by the uncertainty": round(float(np.mean([row["held"] for row in rows])), 3),
    }


def _spread(values):
    if not values:
        return None
    middle, high = np.median(values), np.quantile(values, 0.9)
    return {"median": round(float(middle), 2), "mean": round(float(np.mean(values)), 2), "p90": round(float(high), 2)}


def _row(task):
    folder, truth = Path(task[0]), task[1]
    cv2.setNumThreads(1)
    threadpool_limits(1)
    photo = read_photo(folder / truth["file"])
    true = _colours(truth)
    neutral = truth.get("neutral")
    point = NeutralPoint(neutral["x"], neutral["y"], neutral.get("lightness", neutral.get("L"))) if neutral else None
    reading = measure_photo(photo, SalientObjectNetwork(1), LightSource(point))
    read = reading.measurement
    mask = _mask(folder / truth["mask"], photo.srgb.shape[:2])
    shot = rgb_linear_to_lab(photo.rgb_linear)
    largest = true[0][int(np.argmax(true[1]))]
    nearest = pairwise_delta_e_2000(largest[None], read.lab)[0]
    photo = reading.photo
    inside = _mask(folder / truth["mask"], photo.srgb.shape[:2])
    outlined = measure_cloth(look_at_cloth(photo.rgb_linear, inside, read.light))
    pattern, accepted = truth["pattern"], truth["pattern"].get("accept", [truth["pattern"]["type"]])
    wanted = pattern.get("scale") if pattern["type"] not in ("marl", "colour-block") else None
    return {
        "measured": difference(true, (read.lab, read.share)),
        "neutral": point is not None,
        "there": there(true, (read.lab, read.share)),
        "with the true outline": difference(true, (outlined.lab, outlined.share)),
        "with the true outline and an ideal light": _ideal(true, outlined),
        "reported": int((read.share >= LEAST_SHARE).sum()),
        "true": len(truth["colours"]),
        "pattern": read.pattern.type.value in accepted,
        "scale": None if wanted is None else read.pattern.scale is not None and read.pattern.scale.value == wanted,
        "k-means of the photo": difference(true, _k_means(shot.reshape(-1, 3))),
        "k-means inside the true outline": difference(true, _k_means(shot[mask])),
        "overlap": float((inside & reading.outline.mask).sum() / (inside | reading.outline.mask).sum()),
        "plain": (read.pattern.type.value in PLAIN) == (truth["pattern"]["type"] in PLAIN),
        "held": bool(nearest.min() <= read.uncertainty[int(nearest.argmin())]),
    }


def difference(true, read):
    """CIEDE2000: the mean of every true colour to the nearest read one, by share, and the other way round."""
    apart = pairwise_delta_e_2000(true[0], read[0])
    back = apart.min(axis=0) @ (read[1] / read[1].sum())
    return float((there(true, read) + back) / 2)


def there(true, read):
    """CIEDE2000 of every true colour to the nearest read one, by share."""
    return float(pairwise_delta_e_2000(true[0], read[0]).min(axis=1) @ (true[1] / true[1].sum()))


def _ideal(true, outlined):
    """The difference that folds and camera leave once red, green and blue are each scaled as well as can be."""
    light, share = lab_to_rgb_linear(outlined.lab), outlined.share

    def off(gains):
        return difference(true, (rgb_linear_to_lab(np.maximum(light * np.exp(gains), 0.0)), share))

    starts = [np.full(3, g) for g in (-0.3, 0.0, 0.3)]
    return min(float(minimize(off, start, method="Nelder-Mead", options={"maxiter": 200}).fun) for start in starts)


def _colours(truth):
    if truth.get("mean_lab"):
        return np.array([truth["mean_lab"]], dtype=float), np.ones(1)
    return np.array([c["lab"] for c in truth["colours"]], dtype=float), np.array([c["share"] for c in truth["colours"]])


def _mask(path, shape):
    mask = read_mask(path.read_bytes()).astype(np.uint8)
    return cv2.resize(mask, shape[::-1], interpolation=cv2.INTER_NEAREST) > 0


def _k_means(lab):
    few = lab[:: max(1, len(lab) // 20_000)].astype(np.float32)
    cv2.setRNGSeed(1)
    criteria = (cv2.TERM_CRITERIA_EPS + cv2.TERM_CRITERIA_MAX_ITER, 40, 0.1)
    _, labels, centres = cv2.kmeans(few, K_MEANS_COLOURS, None, criteria, 2, cv2.KMEANS_PP_CENTERS)
    share = np.bincount(labels[:, 0], minlength=K_MEANS_COLOURS) / len(few)
    kept = share >= LEAST_SHARE
    return centres[kept].astype(float), share[kept]
