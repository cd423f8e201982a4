"""A client's colouring with what is not known of it: from one portrait, from several, and after a trial."""

from dataclasses import dataclass, replace
from enum import StrEnum

import numpy as np

from ..colour.arrays import FloatArray
from ..colour.spaces import chroma
from ..photo.light import Light, light_doubt
from .colouring import SIDE, Client, skin_undertone, typology_angle
from .trial import TrialReading


class Veil(StrEnum):
    """What stands between the eye and the client's own colours in a portrait."""

    MAKE_UP = "make-up"
    DYED_HAIR = "dyed hair"
    TINTED_GLASSES = "tinted glasses"
    FLASH = "flash"


@dataclass(frozen=True, slots=True)
class Estimate:
    """A value and its standard deviation; both nan when nothing is known."""

    value: float
    doubt: float

    @property
    def known(self) -> bool:
        """Whether there is a value."""
        return not np.isnan(self.value)


UNKNOWN = Estimate(float("nan"), float("nan"))


@dataclass(frozen=True, slots=True)
class FaceReading:
    """What skin, hair and eyes say."""

    undertone: Estimate
    """-1 cool .. 1 warm."""
    depth: Estimate
    """0 light .. 1 deep, of the face as a whole."""
    clarity: Estimate
    """0 soft .. 1 clear."""
    contrast: Estimate
    """Largest difference of lightness among skin, hair and eyes, L*."""
    typology_angle: Estimate
    """Degrees, high for fair skin."""


READ_BY_READER = 1.0
"""CIEDE2000, standard deviation, of a colour that the handheld reader gave."""
SET_BY_EYE = 5.0
"""The same for a colour that was set by eye."""
SPOT_DOUBT = 1.6
"""CIEDE2000: where on a face one looks."""
UNDERTONE_FLOOR, DEPTH_FLOOR, CLARITY_FLOOR = 0.22, 0.06, 0.15
"""What colours alone leave open, however well they are known: people judge the whole face."""
VEILED = {
    Veil.MAKE_UP: {"skin": 6.0},
    Veil.DYED_HAIR: {"hair": 14.0},
    Veil.TINTED_GLASSES: {"eyes": 9.0, "skin": 1.5},
    Veil.FLASH: {"skin": 4.0, "hair": 5.0, "eyes": 4.0},
}
"""CIEDE2000 that a veil adds to the doubt of what it covers."""
WEIGHT_OF_PART = {"skin": 0.50, "hair": 0.35, "eyes": 0.15}
FACE_LIGHTEST, FACE_DEEPEST = 72.0, 20.0
"""L* of the whole face, its parts so weighed, of the lightest and the deepest colouring."""


def spot_doubts(parts: dict[str, FloatArray | None], light: Light | None, veils: frozenset[Veil]) -> dict[str, float]:
    """CIEDE2000, standard deviation, of each known part read from a portrait in some light."""
    doubts = {}
    for part, lab in parts.items():
        if lab is None:
            continue
        own = SPOT_DOUBT if light is None else float(np.hypot(SPOT_DOUBT, light_doubt(lab[None], light)[0]))
        veil = [VEILED[v][part] for v in veils if part in VEILED[v]]
        doubts[part] = float(np.sqrt(own**2 + sum(v**2 for v in veil)))
    return doubts


def read_face(parts: dict[str, FloatArray | None], doubts: dict[str, float]) -> FaceReading:
    """The colouring of a face. parts: CIELAB of skin, hair and eyes, (3,) each; doubts: CIEDE2000 of those known."""
    skin = parts.get("skin")
    known = {part: lab for part, lab in parts.items() if lab is not None}
    undertone = angle = UNKNOWN
    if skin is not None:
        side = skin_undertone(skin)
        degrees = np.degrees(doubts["skin"] / max(float(chroma(skin)), 6.0))
        # the undertone bends towards its ends: a degree off tells less there
        slope = (1 - 0.85 * side**2) / 6.0
        undertone = Estimate(side, float(np.hypot(UNDERTONE_FLOOR, 0.7 * slope * degrees)))
        turn = np.degrees(doubts["skin"] / max(float(np.hypot(skin[0] - 50, skin[2])), 8.0))
        angle = Estimate(typology_angle(skin), float(turn))
    depth = _depth(known, doubts)
    contrast = UNKNOWN
    if len(known) > 1:
        lightness = {part: float(lab[0]) for part, lab in known.items()}
        dark, light = min(lightness, key=lightness.__getitem__), max(lightness, key=lightness.__getitem__)
        # one light falls on both, so that half of what it leaves open cancels out
        contrast = Estimate(lightness[light] - lightness[dark], float(np.hypot(doubts[dark], doubts[light]) * 0.7 + 2))
    return FaceReading(undertone, depth, _clarity(parts, doubts, contrast), contrast, angle)


WORD_DOUBT = 0.15
"""Standard deviation of an undertone that the stylist has said."""


def reading_of(client: Client) -> FaceReading | None:
    """The colouring of a client as it is set or was measured once; None where no undertone follows from it."""
    parts = {"skin": client.skin, "hair": client.hair, "eyes": client.eyes}
    read = read_face(parts, {part: SET_BY_EYE for part, lab in parts.items() if lab is not None})
    if client.undertone is not None:
        read = replace(read, undertone=Estimate(SIDE[client.undertone], WORD_DOUBT))
    elif client.settled is not None:
        doubt = float(np.interp(client.settled.trust, [0.0, 1.0], [1.0, WORD_DOUBT]))
        read = replace(read, undertone=Estimate(client.settled.undertone, doubt))
    return read if read.undertone.known else None


def _depth(known: dict[str, FloatArray], doubts: dict[str, float]) -> Estimate:
    if not known:
        return UNKNOWN
    weights = np.array([WEIGHT_OF_PART[part] for part in known])
    lightness = np.array([lab[0] for lab in known.values()])
    mean = float(weights @ lightness / weights.sum())
    reach = FACE_LIGHTEST - FACE_DEEPEST
    blur = float(np.sqrt(((weights * [doubts[p] for p in known]) ** 2).sum()) / weights.sum()) / reach
    missing = 0.25 * (1 - float(weights.sum()))
    value = float(np.clip((FACE_LIGHTEST - mean) / reach, 0, 1))
    return Estimate(value, float(np.sqrt(DEPTH_FLOOR**2 + blur**2 + missing**2)))


def _clarity(parts: dict[str, FloatArray | None], doubts: dict[str, float], contrast: Estimate) -> Estimate:
    eyes, skin = parts.get("eyes"), parts.get("skin")
    if eyes is None or skin is None:
        return UNKNOWN
    value = float(np.clip(0.15 + float(chroma(eyes)) / 45 + contrast.value / 110, 0, 1))
    return Estimate(value, float(np.hypot(CLARITY_FLOOR, doubts["eyes"] / 45 + contrast.doubt / 110)))


DISAGREE = 2.0
"""Standard deviations between two portraits beyond which they say different things."""


def combined(readings: list[FaceReading]) -> FaceReading:
    """Several readings of one client, each weighed by how much it is trusted. At least one."""
    names = ("undertone", "depth", "clarity", "contrast", "typology_angle")
    return FaceReading(*(_joined([getattr(r, name) for r in readings]) for name in names))


def _joined(estimates: list[Estimate]) -> Estimate:
    known = [e for e in estimates if e.known]
    if not known:
        return UNKNOWN
    value, doubt = np.array([e.value for e in known]), np.array([max(e.doubt, 1e-6) for e in known])
    weight = 1 / doubt**2
    mean = float(weight @ value / weight.sum())
    spread = float(np.sqrt(weight @ (value - mean) ** 2 / weight.sum()))
    # portraits that disagree are trusted less together than each alone would be
    return Estimate(mean, float(np.hypot(1 / np.sqrt(weight.sum()), spread)))


def joined_colours(labs: list[FloatArray], doubts: list[float]) -> FloatArray:
    """One colour of several readings of the same, each weighed by its doubt. (3,)."""
    weight = 1 / np.maximum(np.array(doubts), 0.3) ** 2
    joined: FloatArray = weight @ np.array(labs) / weight.sum()
    return joined


def disagreements(readings: list[FaceReading]) -> tuple[str, ...]:
    """In what some readings contradict each other."""
    said = []
    for name in ("undertone", "depth", "clarity", "contrast"):
        known = [e for r in readings if (e := getattr(r, name)).known]
        apart = [abs(a.value - b.value) / max(np.hypot(a.doubt, b.doubt), 1e-6) for a in known for b in known]
        if apart and max(apart) > DISAGREE:
            said.append(name)
    return tuple(said)


def after_trial(read: FaceReading | None, trial: TrialReading | None) -> FaceReading | None:
    """What counts: the trial for what was held, the portraits for the rest; None when there is neither."""
    if trial is None:
        return read
    held = (
        Estimate(trial.undertone, trial.undertone_doubt),
        Estimate(trial.depth, trial.depth_doubt),
        Estimate(trial.clarity, trial.clarity_doubt),
    )
    return FaceReading(*held, *((UNKNOWN, UNKNOWN) if read is None else (read.contrast, read.typology_angle)))
