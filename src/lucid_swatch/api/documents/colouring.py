"""What the screens send and get about a client's colouring."""

from typing import Any

import numpy as np

from lucid_swatch.core.client.colouring import read_colouring
from lucid_swatch.core.client.reading import Estimate, FaceReading, after_trial
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.core.garment.vocabulary import Undertone
from lucid_swatch.store.records import ClientRecord

from .base import Answer


class FaceColour(Answer):
    """A colour of a face."""

    lab: list[float]
    hex: str


class EstimateAnswer(Answer):
    """A value with its standard deviation."""

    value: float
    doubt: float


class ColouringAnswer(Answer):
    """Undertone, depth, clarity and contrast; null where nothing is known."""

    undertone: EstimateAnswer | None
    """-1 cool to 1 warm."""
    depth: EstimateAnswer | None
    """0 light to 1 deep."""
    clarity: EstimateAnswer | None
    """0 soft to 1 clear."""
    contrast: EstimateAnswer | None
    """L* between the lightest and the darkest of skin, hair and eyes."""
    typology_angle: EstimateAnswer | None
    """Degrees, high for fair skin."""


class FaceAnswer(Answer):
    """A client's colouring."""

    skin: FaceColour | None
    hair: FaceColour | None
    eyes: FaceColour | None
    undertone: Undertone | None
    """The stylist's verdict, where there is one."""
    trust: float
    """How far the undertone is trusted, 0 to 1."""
    read: ColouringAnswer | None
    """What portraits and readings say together."""
    held: ColouringAnswer | None
    """What the newest trial says."""
    counts: ColouringAnswer | None
    """What looks are judged against."""
    disagree: list[str]
    """In what the portraits contradict each other."""


def face_colour(lab: Any) -> FaceColour:
    """A colour of a face."""
    return FaceColour(lab=[round(float(v), 1) for v in lab], hex=lab_to_hex(np.asarray(lab, dtype=float)))


def colouring_answer(reading: FaceReading | None) -> ColouringAnswer | None:
    """A colouring; what is unknown is null."""
    if reading is None:
        return None

    def told(estimate: Estimate) -> EstimateAnswer | None:
        return (
            EstimateAnswer(value=round(estimate.value, 3), doubt=round(estimate.doubt, 3)) if estimate.known else None
        )

    return ColouringAnswer(
        undertone=told(reading.undertone),
        depth=told(reading.depth),
        clarity=told(reading.clarity),
        contrast=told(reading.contrast),
        typology_angle=told(reading.typology_angle),
    )


def face_answer(client: ClientRecord) -> FaceAnswer:
    """A client's colouring as the screens show it."""
    whole = client.whole
    face, read = whole.client, read_colouring(whole.client)

    def colour(lab: Any) -> FaceColour | None:
        return None if lab is None else face_colour(lab)

    return FaceAnswer(
        skin=colour(face.skin),
        hair=colour(face.hair),
        eyes=colour(face.eyes),
        undertone=client.undertone,
        trust=0.0 if read is None else round(read.undertone_trust, 2),
        read=colouring_answer(whole.read),
        held=colouring_answer(None if whole.trial is None else after_trial(None, whole.trial)),
        counts=colouring_answer(whole.counts),
        disagree=list(whole.disagree),
    )
