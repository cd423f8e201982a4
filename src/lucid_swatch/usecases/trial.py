"""Drapes held to a client's face: begun, judged pair by pair, taken back, ended and replayed."""

from dataclasses import dataclass, replace
from datetime import UTC, datetime
from functools import lru_cache
from uuid import uuid4

import numpy as np
from sqlalchemy.orm import Session

from lucid_swatch.core.client.drapes import Drape, choose_drapes, places_of
from lucid_swatch.core.client.trial import (
    MOST_PAIRS,
    VERDICTS,
    Held,
    TrialDesign,
    TrialReading,
    in_doubt,
    next_pair,
    read_trial,
    updated,
)
from lucid_swatch.core.colour.arrays import FloatArray, Lab, rounded
from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.garment.vocabulary import PLAIN_PATTERNS
from lucid_swatch.core.problems import Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HeldDrape, HeldPair, TrialRecord
from lucid_swatch.store.trials import Trials

from .changes import recorded


@dataclass(frozen=True, slots=True)
class UnderWay:
    """Where a trial stands."""

    trial: TrialRecord
    pair: tuple[int, int] | None
    """The drapes to hold left and right now; None when it has ended."""
    reading: TrialReading | None
    in_doubt: tuple[str, ...]
    steps: tuple[TrialReading, ...]
    """What was believed after each verdict."""


def begin_trial(session: Session, client_id: str) -> UnderWay:
    """Lays out the drapes: the client's own plain cloth where it is as good, plain cloth elsewhere."""
    Clients(session).get(client_id)
    own = tuple(_drape(hung.piece) for hung in Pieces(session).of_client(client_id) if _plain(hung.piece))
    drapes = tuple(HeldDrape(d.name, rounded(d.lab), d.piece_id) for d in choose_drapes(own))
    trial = TrialRecord(uuid4().hex, client_id, datetime.now(UTC), drapes)
    Trials(session).add(trial)
    return under_way(trial)


def _plain(piece: Piece) -> bool:
    return piece.pattern in PLAIN_PATTERNS and len(piece.lab) > 0


def _drape(piece: Piece) -> Drape:
    return Drape(piece.label, piece.lab[0], piece.id)


def judge_pair(session: Session, id: str, left: int, right: int, held: Held) -> UnderWay:
    """The verdict on the pair that is held now; the trial ends by itself when it is sure.

    Refused when another pair is held, as after a double key."""
    trial = Trials(session).get(id)
    now = under_way(trial)
    if now.pair is None:
        raise Refused("the trial has ended.", "trial", "Undo the last verdict, or begin another trial.")
    if now.pair != (left, right):
        raise Refused("another pair is held now.", "trial", "Load the page again.")
    return _kept(session, trial, (*trial.held, HeldPair(left, right, held)))


def undo_pair(session: Session, id: str) -> UnderWay:
    """Takes the last verdict back. Refused when there is none."""
    trial = Trials(session).get(id)
    if not trial.held:
        raise Refused("there is no verdict to undo.", "trial", "Hold the first pair.")
    return _kept(session, trial, trial.held[:-1])


def end_trial(session: Session, id: str) -> UnderWay:
    """Ends a trial before it is sure: people grow tired."""
    trial = Trials(session).get(id)
    if trial.ended_at is None:
        trial = Trials(session).change(id, lambda now: replace(now, ended_at=datetime.now(UTC)))
    return under_way(trial)


def forget_trial(session: Session, id: str) -> int | None:
    """Forgets a trial and what it told. The number of the change, to take it back; None when no pair was held."""
    trial = Trials(session).get(id)
    if not trial.held:
        Trials(session).remove(id)
        return None
    pairs = "one pair" if len(trial.held) == 1 else f"{len(trial.held)} pairs"
    with recorded(session, trial.client_id, f"forgot a trial of {pairs}") as change:
        change.touches("trial", id)
        Trials(session).remove(id)
    return change.number


def _kept(session: Session, trial: TrialRecord, held: tuple[HeldPair, ...]) -> UnderWay:
    reading = _steps(_labs(trial), held)[-1] if held else None
    over = reading is not None and (not in_doubt(reading) or len(held) >= MOST_PAIRS)
    ended = datetime.now(UTC) if over else None
    changed = Trials(session).change(
        trial.id, lambda before: replace(before, held=held, reading=reading, ended_at=ended)
    )
    return under_way(changed)


def under_way(trial: TrialRecord) -> UnderWay:
    """Where a trial stands, from its verdicts alone."""
    design = _design(_labs(trial))
    steps, belief = _followed(_labs(trial), trial.held)
    reading = steps[-1] if steps else None
    pair = None
    if trial.ended_at is None:
        pair = next_pair(design, belief, [(pair.left, pair.right) for pair in trial.held])
    doubt = ("undertone", "depth", "clarity") if reading is None else in_doubt(reading)
    return UnderWay(trial, pair, reading, doubt, steps)


Labs = tuple[Lab, ...]


def _labs(trial: TrialRecord) -> Labs:
    return tuple(drape.lab for drape in trial.drapes)


def _steps(labs: Labs, held: tuple[HeldPair, ...]) -> tuple[TrialReading, ...]:
    return _followed(labs, held)[0]


@lru_cache(maxsize=3)
def _design(labs: Labs) -> TrialDesign:
    return TrialDesign(places_of(np.array(labs)))


@lru_cache(maxsize=6)
def _followed(labs: Labs, pairs: tuple[HeldPair, ...]) -> tuple[tuple[TrialReading, ...], FloatArray]:
    """What was believed after each verdict, and the belief after the last: never kept, always followed anew."""
    design = _design(labs)
    belief = design.start()
    steps: list[TrialReading] = []
    for one in pairs:
        pair, mirrored = design.pair_of(one.left, one.right)
        number = VERDICTS.index(one.held)
        belief = updated(design, belief, np.array([pair]), np.array([mirrored]), np.array([number]))
        steps.append(read_trial(design, belief)[0])
    return tuple(steps), belief
