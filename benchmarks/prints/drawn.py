"""A piece in one of the drawn cloths: on a silhouette, in folds, through a camera."""

from dataclasses import dataclass, replace

import cv2
import numpy as np

from lucid_swatch.core.colour.difference import delta_e_2000
from lucid_swatch.core.colour.spaces import decode_srgb, encode_srgb, lab_to_rgb_linear, rgb_linear_to_lab
from lucid_swatch.core.garment.vocabulary import PLAIN_PATTERNS, Category, PatternType
from lucid_swatch.demo.studio.noise import creases, smooth_noise
from lucid_swatch.demo.studio.silhouettes import Part, parts_of, smooth

from .fields import FAMILIES

CATEGORIES = tuple(
    Category(name)
    for name in ["top", "shirt", "knit", "jacket", "coat", "dress", "skirt", "trousers", "shoes", "bag", "scarf", "hat"]
)
COUNTS = {PatternType.COLOUR_BLOCK: (2, 2, 3), PatternType.ABSTRACT: (2, 3, 3, 4, 4, 5)}
"""How many colours a kind has where it is not as with the rest."""
FINE_GRAIN = 1.7
"""Pixels."""
LIGHT = np.array([-0.45, -0.60, 0.66])


@dataclass(frozen=True, eq=False)
class DrawnPiece:
    """What was drawn."""

    rgb_linear: np.ndarray
    """(rows, columns, 3), as a camera gives it."""
    mask: np.ndarray
    """(rows, columns)."""
    kind: PatternType
    family: str
    repeat: float
    """Of the width of the body."""


def draw_piece(seed):
    """A piece with a pattern by chance. The same seed draws the same."""
    rng = np.random.default_rng(seed)
    category = CATEGORIES[rng.integers(len(CATEGORIES))]
    kind = _kind(rng)
    body = float(np.exp(rng.uniform(np.log(140), np.log(430))))
    places = _places(category, body, rng)
    rows, columns = (int(np.ceil(n)) + 24 for n in np.concatenate([o for _, o in places]).max(axis=0)[::-1])
    shape = (rows, columns)
    repeat = float(np.exp(rng.uniform(np.log(0.022), np.log(0.34))))
    family, labels, colours = _cloth(kind, rng, shape, body, repeat)
    light, mask = _dressed(_trimmed(places, kind, rng), shape, body, labels, colours, rng)
    return DrawnPiece(_through_camera(light, rng), _outlined(mask, rng), kind, family, repeat)


def draw_swatch(seed):
    """A flat square of a cloth by chance, as a scarf is laid or a sample is cut."""
    rng = np.random.default_rng([seed, 1])
    kind = _kind(rng)
    body = float(rng.uniform(200, 460))
    shape = (round(body * rng.uniform(0.8, 1.3)) + 24, round(body) + 24)
    repeat = float(np.exp(rng.uniform(np.log(0.022), np.log(0.34))))
    family, labels, colours = _cloth(kind, rng, shape, body, repeat, bent=rng.random() < 0.5)
    mask = np.zeros(shape, bool)
    mask[12:-12, 12:-12] = True
    shade = 1 - rng.uniform(0, 0.12) * (0.5 + 0.5 * smooth_noise(rng, shape, (body / 3, body / 3)))
    light = lab_to_rgb_linear(colours)[np.asarray(labels).astype(int)] * np.clip(shade, 0.3, 1.2)[..., None]
    return DrawnPiece(_through_camera(light, rng), mask, kind, family, repeat)


def _kind(rng):
    """Plain pieces are a fifth of them, marls a tenth."""
    chance = {k: 1.0 for k in FAMILIES} | {PatternType.SOLID: 2.4, PatternType.MARL: 1.2, PatternType.ANIMAL: 1.4}
    kinds = list(chance)
    weights = np.array([chance[k] for k in kinds])
    return kinds[rng.choice(len(kinds), p=weights / weights.sum())]


def _places(category, body, rng):
    """The parts of a silhouette and their outlines in pixels, turned a little and stretched a little."""
    parts = []
    for part in parts_of(category, ""):
        parts.append((part, smooth(part.points)))
        if part.both:
            parts.append((part, smooth([(-x, y) for x, y in reversed(part.points)])))
    lean = np.radians(rng.normal(0, 8))
    turn = np.array([[np.cos(lean), -np.sin(lean)], [np.sin(lean), np.cos(lean)]])
    stretch = rng.uniform(0.88, 1.14, 2) * body
    turned = [(part, outline * stretch @ turn.T) for part, outline in parts]
    least = np.concatenate([outline for _, outline in turned]).min(axis=0) - 12
    return [(part, outline - least) for part, outline in turned]


def _trimmed(places, kind, rng):
    """Now and then another part, or a band along a side, is of another cloth."""
    often = 0.45 if kind in PLAIN_PATTERNS else 0.15
    if rng.random() < often and len(places) > 1:
        sizes = [np.prod(np.ptp(outline, axis=0)) for _, outline in places]
        largest = int(np.argmax(sizes))
        other = [k for k in range(len(places)) if k != largest and sizes[k] < 0.5 * sizes[largest]]
        for k in rng.permutation(other)[: int(rng.integers(1, 4))]:
            places[k] = (replace(places[k][0], role="trim"), places[k][1])
    if rng.random() < 0.6 * often:
        every = np.concatenate([outline for _, outline in places])
        low, high = every.min(axis=0), every.max(axis=0)
        start = rng.choice([0.0, rng.uniform(0.1, 0.85), 0.93])
        top, thick = low[1] + start * (high[1] - low[1]), rng.uniform(0.02, 0.12) * (high[1] - low[1])
        band = np.array([[low[0], top], [high[0], top], [high[0], top + thick], [low[0], top + thick]])
        places.append((Part([], "band"), band))
    return places


def _cloth(kind, rng, shape, body, repeat, bent=True):
    """Which family, which colour lies where, and the colours in CIELAB."""
    if kind is PatternType.SOLID:
        return "plain", np.zeros(shape, int), _colours(rng, 1)
    if kind is PatternType.MARL:
        return _yarns(rng, shape, body)
    choice = FAMILIES[kind]
    family = choice[rng.integers(len(choice))]
    count = int(rng.choice(COUNTS.get(kind, (2, 2, 3, 3, 4, 5))))
    period = max(repeat * body, 5.0)
    lean = _grain(kind, rng)
    y, x = np.mgrid[0 : shape[0], 0 : shape[1]].astype(float)
    x, y = x - shape[1] * rng.uniform(0.4, 0.6), y - shape[0] * rng.uniform(0.35, 0.65)
    bend = rng.uniform(0.0, 0.05) * body * smooth_noise(rng, shape, (body / 2, body / 2)) * bent
    scale = body if kind is PatternType.COLOUR_BLOCK else period
    u = (x * np.cos(lean) + y * np.sin(lean) + bend) / scale
    v = (-x * np.sin(lean) + y * np.cos(lean) + bend) / scale
    labels = family(u, v, rng, count)
    colours = _colours(rng, count, fur=kind is PatternType.ANIMAL and rng.random() < 0.65)
    if family.__name__ == "plaid":
        colours = _crossed(colours)
    if kind is not PatternType.ANIMAL and rng.random() < 0.3:
        # the ground may be any of the colours
        colours[:count] = colours[:count][rng.permutation(count)]
    return family.__name__, labels, colours


def _grain(kind, rng):
    """Radians that a pattern is turned against the piece."""
    if kind is PatternType.STRIPE:
        return np.radians(rng.choice([0, 0, 90, 90, 45, -35]) + rng.normal(0, 3))
    if kind in (PatternType.CHECK, PatternType.GEOMETRIC):
        return np.radians(rng.choice([0, 0, 0, 90, 45]) + rng.normal(0, 3))
    if kind is PatternType.COLOUR_BLOCK:
        return np.radians(rng.choice([0, 0, 0, 90, 180, rng.uniform(0, 180)]) + rng.normal(0, 5))
    return rng.uniform(0, 2 * np.pi) if rng.random() < 0.4 else 0.0


def _colours(rng, count, fur=False):
    """Colours that a person tells apart, (count, 3)."""
    found = []
    apart = rng.uniform(12, 30)
    for tries in range(200):
        if fur:
            lightness = rng.uniform(12, 95)
            lab = np.array([lightness, rng.uniform(-1, 12), rng.uniform(2, 36) * (rng.random() < 0.7)])
        else:
            hue, strength = rng.uniform(0, 2 * np.pi), rng.gamma(1.6, 16)
            lab = np.array([rng.uniform(14, 95), strength * np.cos(hue), strength * np.sin(hue)])
        rgb = lab_to_rgb_linear(lab)
        if (rgb < 0.006).any() or (rgb > 0.93).any():
            continue
        if not found or float(np.min(delta_e_2000(np.array(found), lab))) > apart * (0.97**tries):
            found.append(lab)
        if len(found) == count:
            break
    while len(found) < count:
        found.append(found[-1] * np.array([0.6, 1.0, 1.0]))
    return np.array(found)


def _crossed(colours):
    """The colours of a plaid, and after them those of every two threads that cross."""
    light = lab_to_rgb_linear(colours)
    both = rgb_linear_to_lab((light[:, None] + light[None]).reshape(-1, 3) / 2)
    return np.concatenate([colours, both])


def _yarns(rng, shape, body):
    """Two or three yarns, in grains of a few pixels, or some flecks of a yarn."""
    colours = _colours(rng, 1)
    others = int(rng.choice([1, 1, 2]))
    away = rng.normal(0, 1, (others, 3)) * np.array([26, 10, 13]) * rng.uniform(0.5, 1.5)
    colours = np.concatenate([colours, np.clip(colours + away, [8, -60, -60], [96, 60, 60])])
    grain = float(np.exp(rng.uniform(np.log(0.8), np.log(max(3.8, 0.016 * body)))))
    field = smooth_noise(rng, shape, (grain, grain * rng.uniform(0.6, 2.5))) + rng.uniform(
        0, 0.6
    ) * rng.standard_normal(shape)
    edges = np.quantile(field[:: max(1, shape[0] // 300)], np.sort(rng.uniform(0.4, 0.97, others)))
    labels = np.digitize(field, edges)
    if rng.random() < 0.35:
        size = float(np.exp(rng.uniform(np.log(2.0), np.log(max(4.0, 0.02 * body)))))
        fleck = smooth_noise(rng, shape, (size, size))
        labels[fleck > np.quantile(fleck, rng.uniform(0.9, 0.985))] = others
        return "flecks", labels, colours
    return "fine yarns" if grain < FINE_GRAIN else "coarse yarns", labels, colours


def _dressed(places, shape, body, labels, colours, rng):
    """The light that a piece in a cloth scatters, (rows, columns, 3), and where it is."""
    light, mask = np.zeros((*shape, 3)), np.zeros(shape, bool)
    cloth = lab_to_rgb_linear(colours)[np.asarray(labels).astype(int)]
    other = {role: lab_to_rgb_linear(_colours(rng, 1)[0]) for role in ("trim", "lining", "hardware")}
    matching = rng.random() < 0.4
    fold = creases(rng, shape, body * rng.uniform(0.1, 0.3), float(rng.uniform(-10, 10)), rng.uniform(2, 5))
    height = body * rng.uniform(0.003, 0.022) * fold
    down, across = np.gradient(cv2.GaussianBlur(height, (0, 0), 1.6))
    normal = np.stack([-across, -down, np.ones(shape)], axis=-1)
    normal /= np.linalg.norm(normal, axis=-1, keepdims=True)
    shade = 0.45 + 0.55 * np.clip(normal @ LIGHT, 0, None) / LIGHT[2]
    shade = shade * (1 + rng.uniform(0.0, 0.05) * rng.standard_normal(shape))
    half = LIGHT + np.array([0, 0, 1.0])
    shine = (
        rng.uniform(0.1, 0.5)
        * (rng.random() < 0.25)
        * np.clip(normal @ half / np.linalg.norm(half), 0, 1) ** rng.uniform(30, 90)
    )
    sleeves = rng.uniform(10, 40)
    for part, outline in places:
        # a sleeve hangs beside the body, and its grain with it
        turn = np.sign(outline[:, 0].mean() - shape[1] / 2) * sleeves if part.both and labels.max() else 0.0
        held = np.zeros(shape, np.uint8)
        cv2.fillPoly(held, [np.rint(outline * 16).astype(np.int32)], 255, cv2.LINE_AA, 4)
        inside = held > 127
        if part.role == "band":
            inside &= mask
        if part.role in ("cloth", "inside") or (part.role == "trim" and matching):
            own = (_turned(cloth, outline, turn) if turn else cloth) * (0.55 if part.role == "inside" else 1.0)
        else:
            own = np.broadcast_to(other.get(part.role, other["trim"]), cloth.shape)
        rim = 1 - 0.35 * np.clip(1 - cv2.distanceTransform(held, cv2.DIST_L2, 3) / (0.03 * body), 0, 1) ** 2
        light[inside] = (own * (shade * rim)[..., None] + shine[..., None])[inside]
        mask |= inside
    return light, mask


def _turned(cloth, outline, degrees):
    """A cloth turned round the middle of an outline. (rows, columns, 3)."""
    middle = tuple(float(n) for n in outline.mean(axis=0))
    turn = cv2.getRotationMatrix2D(middle, degrees, 1.0)
    size = (cloth.shape[1], cloth.shape[0])
    return cv2.warpAffine(cloth, turn, size, flags=cv2.INTER_LINEAR, borderMode=cv2.BORDER_REFLECT)


def _through_camera(light, rng):
    """A little blur and noise, and what is left of it in a JPEG."""
    seen = np.clip(cv2.GaussianBlur(light, (0, 0), rng.uniform(0.4, 1.2)), 0, None) * rng.uniform(0.75, 1.15)
    seen = seen * np.array([1 + rng.normal(0, 0.06), 1.0, 1 + rng.normal(0, 0.08)])
    seen = seen + rng.standard_normal(seen.shape) * (0.002 + rng.uniform(0.003, 0.014) * np.sqrt(np.clip(seen, 0, 1)))
    eight = np.rint(encode_srgb(np.clip(seen, 0, 1)) * 255).astype(np.uint8)
    _, packed = cv2.imencode(".jpg", eight[..., ::-1], [cv2.IMWRITE_JPEG_QUALITY, int(rng.integers(80, 96))])
    return decode_srgb(cv2.imdecode(packed, cv2.IMREAD_COLOR)[..., ::-1].astype(np.float32) / 255).astype(np.float32)


def _outlined(mask, rng):
    """The outline as it is found: a pixel more or less."""
    by = int(rng.integers(-2, 2))
    if by == 0:
        return mask
    kernel = np.ones((2 * abs(by) + 1,) * 2, np.uint8)
    found = (cv2.erode if by < 0 else cv2.dilate)(mask.astype(np.uint8), kernel) > 0
    return found if found.any() else mask
