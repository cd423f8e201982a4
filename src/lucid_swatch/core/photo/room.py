"""The light of photos that were taken in one room, solved together from the ground that they share."""

from dataclasses import dataclass

import numpy as np
from scipy.special import logsumexp

from ..colour.arrays import FloatArray
from ..colour.spaces import RGB_TO_XYZ
from .lamps import belief_in, belief_of, log_chances, under_lamp
from .light import ACROSS_LAMPS, LAMP_LINE, Light, LightReference, across_lamps, along_lamps
from .neutral import settled
from .room_ground import FULL, Ground

OWN_WORD = (LightReference.READER, LightReference.CARD, LightReference.NEUTRAL)
"""What outranks a room."""
KNOWN = (*OWN_WORD, LightReference.PAPER)
"""What tells the light of a room, and not only a guess at it."""
CAST_LINK, EXPOSURE_LINK = 0.03, 0.09
"""What the ground leaves of the cast and of the logarithm of the exposure between two photos: shade, uneven light, tone."""
ACROSS_BETWEEN, ACROSS_SHARED = 0.03, 0.05
"""How far photos of a room differ from each other across lamps, and their lamp from all."""
LEVEL_NOISE, CLIPPED_NOISE = 0.02, 0.35
"""Of a channel's gain where all its levels are whole, and where none is, in natural logarithms."""
ESTIMATES_SHARE = 0.10
"""What estimates of the exposure in one room have in common, and no number of photos takes away."""
SHIFTS = np.linspace(-0.3, 0.9, 481)
"""Places along LAMP_LINE."""


@dataclass(frozen=True, slots=True, eq=False)
class RoomPhoto:
    """A photo of a room: its ground, and what it tells of its light by itself."""

    ground: Ground
    own: Light
    guessed: Light
    """The estimate from its scene alone."""
    sheet: FloatArray | None = None
    """(3,), linear sRGB as shot of paper of which nobody said how light it is."""


def lights_of_room(photos: list[RoomPhoto]) -> list[Light]:
    """The light of every photo of a room, from all that any of them tells. In their order.

    Between photos the ground tells gain and balance; where all of them lie together is told by paper, cards, taps and the
    reader, or else by the estimates, which look at one ground and are one opinion of its colour, but as many as there are
    of the exposure; and by what no camera leaves of a lamp. A photo with a word of its own keeps it."""
    gains, along, across = _gains(np.stack([photo.ground.levels for photo in photos]))
    known = [k for k, photo in enumerate(photos) if photo.own.reference in KNOWN]
    belief, shift, shift_spread = _along(photos, known, along)
    sideways, sideways_spread = _across(photos, known, across)
    casts = (along + shift)[:, None] * LAMP_LINE + (across + sideways)[:, None] * ACROSS_LAMPS
    rgb = np.exp(casts - casts[:, [1]])
    recorded = gains + np.log(rgb @ RGB_TO_XYZ[1])
    exposure, exposure_spread = _exposure(photos, known, recorded)
    cast_spread = float(np.hypot(np.hypot(shift_spread, CAST_LINK), 0.5 * sideways_spread))
    lights = []
    for k, photo in enumerate(photos):
        if photo.own.reference in OWN_WORD:
            # the reader told the cloth itself: nothing is left for the lamp
            by_reader = photo.own.reference is LightReference.READER
            lights.append(photo.own if by_reader else under_lamp(photo.own, belief))
            continue
        light = Light(
            LightReference.PAPER if photo.own.reference is LightReference.PAPER else LightReference.SERIES,
            rgb[k],
            float(np.exp(recorded[k] + exposure)),
            min(cast_spread, photo.own.cast_spread) if photo.own.reference in KNOWN else cast_spread,
            float(np.hypot(exposure_spread, EXPOSURE_LINK)),
            note=photo.own.note,
        )
        lights.append(under_lamp(light, belief))
    return lights


def lent_by(photos: list[RoomPhoto]) -> list[int | None]:
    """Whose light each photo is read in: the place of the surest one that knows, itself where it does; None where none."""
    known = [k for k, photo in enumerate(photos) if photo.own.reference in KNOWN]
    if not known:
        return [None] * len(photos)
    order = {reference: place for place, reference in enumerate(LightReference)}
    surest = min(known, key=lambda k: (order[photos[k].own.reference], photos[k].own.cast_spread))
    return [k if k in known else surest for k in range(len(photos))]


def _gains(levels: FloatArray) -> tuple[FloatArray, FloatArray, FloatArray]:
    """How much more each photo recorded of the same ground: gains, and casts along and across lamps. Three times (n,).

    levels: (n, levels, 3). Between every two by the median over levels that are whole in both, then all at once by least
    squares; a channel that is overexposed counts for little, and the lamp's line stands in for it."""
    whole = levels < np.log(FULL)
    both = whole[:, None] & whole[None]
    apart = np.where(both, levels[:, None] - levels[None], np.nan)
    weight = both.sum(axis=2).astype(float)
    difference = np.where(weight > 0, _median(apart), levels[:, None, 0] - levels[None, :, 0])
    weight = np.maximum(weight, 0.1)
    channels = np.stack([_levelled(difference[..., c], weight[..., c]) for c in range(3)], axis=1)
    share = whole.mean(axis=1)
    noise = LEVEL_NOISE + CLIPPED_NOISE * (1.0 - share) ** 2
    told = []
    for k in range(len(levels)):
        terms = np.stack([np.ones(3), LAMP_LINE, ACROSS_LAMPS], axis=1) / noise[k][:, None]
        held = np.diag([1e-4, 1 / 0.3, 1 / ACROSS_BETWEEN])
        told.append(np.linalg.lstsq(np.vstack([terms, held]), np.append(channels[k] / noise[k], np.zeros(3)))[0])
    found = np.array(told)
    return found[:, 0], found[:, 1], found[:, 2]


def _median(apart: FloatArray) -> FloatArray:
    """The median over the third axis, what is not a number left out; 0 where nothing is left."""
    ordered = np.sort(apart, axis=2)
    count = np.isfinite(apart).sum(axis=2)
    low, high = np.maximum((count - 1) // 2, 0), np.maximum(count // 2, 0)
    picked = [np.take_along_axis(ordered, place[:, :, None], axis=2)[:, :, 0] for place in (low, high)]
    return np.nan_to_num((picked[0] + picked[1]) / 2)


def _levelled(difference: FloatArray, weight: FloatArray) -> FloatArray:
    """Values of which every two differ as told, nearly. (n, n) and (n, n) to (n,), summing to 0."""
    linked = weight - np.diag(np.diag(weight))
    system = np.diag(linked.sum(axis=1)) - linked
    values = np.linalg.lstsq(system, (linked * difference).sum(axis=1))[0]
    levelled: FloatArray = values - values.mean()
    return levelled


def _along(photos: list[RoomPhoto], known: list[int], along: FloatArray) -> tuple[FloatArray, float, float]:
    """How far each kind of lamp is believed, (kinds,), and by how much all lie farther along LAMP_LINE, with its spread."""
    chances = np.zeros(len(SHIFTS))
    if known:
        for k in known:
            own = photos[k].own
            off = (SHIFTS - (float(along_lamps(own.rgb)) - along[k])) / np.hypot(own.cast_spread, CAST_LINK)
            chances -= 0.5 * np.minimum(off**2, 25.0)
    else:
        guessed = [float(along_lamps(photo.guessed.rgb)) for photo in photos]
        spread = float(np.mean([photo.guessed.cast_spread for photo in photos]))
        chances -= 0.5 * ((SHIFTS - float(np.mean(guessed - along))) / spread) ** 2
    by_kind = chances[:, None] + log_chances(SHIFTS[:, None] + along)
    belief = belief_of(logsumexp(by_kind, axis=0))
    weight = np.exp(logsumexp(by_kind, axis=1) - logsumexp(by_kind))
    middle = float(weight @ SHIFTS)
    return belief, middle, float(np.sqrt(weight @ (SHIFTS - middle) ** 2))


def _across(photos: list[RoomPhoto], known: list[int], across: FloatArray) -> tuple[float, float]:
    """By how much all lie farther across lamps, and its spread."""
    total, weight = 0.0, 1 / ACROSS_SHARED**2
    for k in known:
        own = photos[k].own
        trust = 1 / (own.cast_spread**2 + CAST_LINK**2)
        total += trust * float(across_lamps(own.rgb) - across[k])
        weight += trust
    return total / weight, float(weight**-0.5)


def _exposure(photos: list[RoomPhoto], known: list[int], recorded: FloatArray) -> tuple[float, float]:
    """What is to be added to the recorded light of the ground to be the exposure, in logarithms, and its spread."""
    each = np.array([photo.guessed.exposure_spread for photo in photos]) ** -2.0
    guesses = np.log([photo.guessed.exposure for photo in photos]) - recorded
    weight = 1 / (1 / each.sum() + ESTIMATES_SHARE**2)
    total = weight * float(each @ guesses / each.sum())
    for k in known:
        if photos[k].sheet is None:
            trust = 1 / (photos[k].own.exposure_spread ** 2 + EXPOSURE_LINK**2)
            total, weight = total + trust * float(np.log(photos[k].own.exposure) - recorded[k]), weight + trust
    exposure, spread = total / weight, weight**-0.5
    for k in known:
        sheet = photos[k].sheet
        if sheet is not None:
            # which of the usual greys it is, the whole room helps to tell
            found, spread = settled(sheet, float(recorded[k] + exposure), float(np.hypot(spread, EXPOSURE_LINK)))
            exposure = found - float(recorded[k])
    return exposure, spread


def light_alone(light: Light) -> Light:
    """The light of a photo that belongs to no room: its lamp is told by its own cast, where that is known."""
    if light.reference not in KNOWN or light.reference is LightReference.READER:
        return light
    return under_lamp(light, belief_in(light))
