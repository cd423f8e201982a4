"""A made-up observer who judges drapes by the true colouring of a sample client, with a finger that slips."""

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.drapes import places_of
from lucid_swatch.core.client.reading import read_face
from lucid_swatch.core.client.trial import VERDICTS, chances, distances
from lucid_swatch.core.colour.arrays import FloatArray
from lucid_swatch.usecases.trial import begin_trial, judge_pair

from .studio.portrait import Sitter

SLOPE = np.array(3.5)


def hold_drapes(session: Session, client_id: str, sitter: Sitter, seed: int) -> None:
    """Holds drapes to the face of a sample client until the trial is sure."""
    rng = np.random.default_rng(seed)
    own = place_of(sitter)
    now = begin_trial(session, client_id)
    drapes = places_of(np.array([drape.lab for drape in now.trial.drapes]))
    while now.pair is not None:
        left, right = now.pair
        apart = distances(own[None], drapes[[left, right]])[0]
        chance = chances(np.array(apart[1] - apart[0]), SLOPE, np.array(0.0))
        verdict = VERDICTS[int(rng.choice(3, p=chance / chance.sum()))]
        now = judge_pair(session, now.trial.id, left, right, verdict)


def place_of(sitter: Sitter) -> FloatArray:
    """Undertone, depth and clarity of a sitter whose colours are known. (3,)."""
    parts: dict[str, FloatArray | None] = {p: np.array(getattr(sitter, p)) for p in ("skin", "hair", "eyes")}
    read = read_face(parts, dict.fromkeys(parts, 0.5))
    return np.array([read.undertone.value, read.depth.value, read.clarity.value])
