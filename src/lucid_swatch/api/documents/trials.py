"""What the screens send and get about drapes held to the face."""

from datetime import datetime

import numpy as np
from pydantic import Field

from lucid_swatch.core.client.reading import FaceReading, after_trial
from lucid_swatch.core.client.trial import Held
from lucid_swatch.core.colour.spaces import lab_to_hex
from lucid_swatch.usecases.trial import UnderWay

from .base import Answer, Request
from .colouring import ColouringAnswer, colouring_answer


class DrapeAnswer(Answer):
    """A cloth that is held to the face."""

    name: str
    hex: str
    lab: list[float]
    picture: str | None
    """The cloth of the client's own piece, where it is one."""


class HeldAnswer(Answer):
    """A pair that was judged, and what was believed after it."""

    left: int
    right: int
    held: Held
    warm: float
    """Chance that the undertone is on the warm side."""
    colouring: ColouringAnswer


class TrialAnswer(Answer):
    """A trial by drapes."""

    id: str
    created_at: datetime
    ended: bool
    drapes: list[DrapeAnswer]
    held: list[HeldAnswer]
    pair: list[int] | None
    """The drapes to hold left and right now, by place in drapes."""
    in_doubt: list[str]
    warm: float | None
    balanced: float | None


class HeldRequest(Request):
    """The verdict on the pair that is held."""

    left: int = Field(ge=0)
    right: int = Field(ge=0)
    held: Held


def trial_answer(now: UnderWay, cloth: dict[str, str]) -> TrialAnswer:
    """A trial. cloth: the address of the cloth of a piece, by piece id."""
    drapes = [
        DrapeAnswer(name=d.name, lab=list(d.lab), hex=lab_to_hex(np.array(d.lab)), picture=cloth.get(d.piece_id or ""))
        for d in now.trial.drapes
    ]
    held = [
        HeldAnswer(
            left=h.left, right=h.right, held=h.held, warm=round(step.warm, 3), colouring=_known(after_trial(None, step))
        )
        for h, step in zip(now.trial.held, now.steps, strict=True)
    ]
    return TrialAnswer(
        id=now.trial.id,
        created_at=now.trial.created_at,
        ended=now.trial.ended_at is not None,
        drapes=drapes,
        held=held,
        pair=None if now.pair is None else list(now.pair),
        in_doubt=list(now.in_doubt),
        warm=None if now.reading is None else round(now.reading.warm, 3),
        balanced=None if now.reading is None else round(now.reading.balanced, 3),
    )


def _known(reading: FaceReading | None) -> ColouringAnswer:
    answer = colouring_answer(reading)
    assert answer is not None
    return answer
