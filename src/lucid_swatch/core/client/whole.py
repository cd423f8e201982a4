"""Everything that is known of a client's colouring, put together."""

from dataclasses import dataclass
from math import erf

import numpy as np

from ..colour.arrays import FloatArray
from ..garment.vocabulary import Undertone
from .colouring import Client, Settled
from .reading import Estimate, FaceReading, after_trial, combined, disagreements, joined_colours, read_face
from .trial import TrialReading

PARTS = ("skin", "hair", "eyes")
PHOTO_TRUST = 0.7
"""The most that portraits alone are trusted; a trial may go further."""
LEAST_TRUST, TRIAL_TRUST = 0.1, 0.97


@dataclass(frozen=True, slots=True, eq=False)
class FaceColours:
    """Colours of a face from one source, and how well each is known."""

    parts: dict[str, FloatArray]
    """CIELAB, (3,), of those of PARTS that are known."""
    doubts: dict[str, float]
    """CIEDE2000, standard deviation, of the same."""


@dataclass(frozen=True, slots=True, eq=False)
class WholeColouring:
    """A client's colouring from all that is kept."""

    client: Client
    """What looks are judged against."""
    read: FaceReading | None
    """What the faces say together."""
    trial: TrialReading | None
    counts: FaceReading | None
    """What counts: the trial where there was one, else the faces."""
    disagree: tuple[str, ...]
    """In what the faces contradict each other."""


def whole_colouring(
    faces: list[FaceColours], trial: TrialReading | None = None, said: Undertone | None = None
) -> WholeColouring:
    """The colouring of a client. faces: one for each portrait or reading; said: the stylist's own verdict."""
    known = [face for face in faces if face.parts]
    readings = [read_face(dict(face.parts), face.doubts) for face in known]
    read = combined(readings) if readings else None
    counts = after_trial(read, trial)
    skin, hair, eyes = (_joined(known, part) for part in PARTS)
    settled = None
    if counts is not None and counts.undertone.known:
        trust = _trust(counts.undertone, trial)
        settled = Settled(counts.undertone.value, trust, counts.clarity.value)
    return WholeColouring(Client(skin, hair, eyes, said, settled), read, trial, counts, disagreements(readings))


def _joined(faces: list[FaceColours], part: str) -> FloatArray | None:
    own = [face for face in faces if part in face.parts]
    return joined_colours([f.parts[part] for f in own], [f.doubts[part] for f in own]) if own else None


def _trust(undertone: Estimate, trial: TrialReading | None) -> float:
    """How far the undertone is trusted: twice the chance that its side is right, less one."""
    if trial is not None:
        # between the sides there is nothing to be wrong about
        sure = max(trial.side_sure, trial.balanced)
        return float(np.clip(2 * sure - 1, LEAST_TRUST, TRIAL_TRUST))
    chance = 0.5 * (1 + erf(abs(undertone.value) / max(undertone.doubt, 1e-6) / 2**0.5))
    return float(np.clip(2 * chance - 1, LEAST_TRUST, PHOTO_TRUST))
