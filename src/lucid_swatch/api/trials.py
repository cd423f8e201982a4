"""Drapes held to the face."""

from typing import Annotated

import numpy as np
from fastapi import APIRouter, Path, Response
from sqlalchemy.orm import Session

from lucid_swatch.core.client.drape_cloth import drape_cloth
from lucid_swatch.core.colour.spaces import decode_srgb, rgb_linear_to_lab
from lucid_swatch.files.pictures import jpeg
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.trials import Trials
from lucid_swatch.usecases.trial import begin_trial, end_trial, forget_trial, judge_pair, under_way, undo_pair

from .context import Id, ReadSession, UnitOfWork, in_one_change
from .documents.changes import LetGoAnswer
from .documents.rail import cloth_of
from .documents.trials import HeldRequest, TrialAnswer, trial_answer

router = APIRouter(tags=["colouring"])


def _cloth(session: Session, client_id: str) -> dict[str, str]:
    return cloth_of(Pieces(session).of_client(client_id))


@router.get("/drape-cloth/{colour}.jpg")
def plain_cloth(colour: Annotated[str, Path(pattern=r"^[0-9a-f]{6}$")]) -> Response:
    """A plain drape of an sRGB colour, written as six hexadecimal digits."""
    lab = rgb_linear_to_lab(decode_srgb(np.array(list(bytes.fromhex(colour))) / 255.0))
    # nobody's cloth: a browser may keep it
    return Response(jpeg(drape_cloth(lab), 92), media_type="image/jpeg", headers={"cache-control": "max-age=86400"})


@router.get("/clients/{client_id}/trials")
def list_trials(session: ReadSession, client_id: Id) -> list[TrialAnswer]:
    """A client's trials, the newest first, each with all its pairs."""
    cloth = _cloth(session, client_id)
    return [trial_answer(under_way(trial), cloth) for trial in Trials(session).of_client(client_id)]


@router.post("/clients/{client_id}/trials", status_code=201)
@in_one_change
def begin(session: UnitOfWork, client_id: Id) -> TrialAnswer:
    """Begins a trial with the client's own cloth where it is as good as plain cloth."""
    return trial_answer(begin_trial(session, client_id), _cloth(session, client_id))


@router.get("/trials/{trial_id}")
def get_trial(session: ReadSession, trial_id: Id) -> TrialAnswer:
    """One trial."""
    trial = Trials(session).get(trial_id)
    return trial_answer(under_way(trial), _cloth(session, trial.client_id))


@router.post("/trials/{trial_id}/held")
@in_one_change
def hold(session: UnitOfWork, trial_id: Id, asked: HeldRequest) -> TrialAnswer:
    """The verdict on the pair that is held."""
    now = judge_pair(session, trial_id, asked.left, asked.right, asked.held)
    return trial_answer(now, _cloth(session, now.trial.client_id))


@router.delete("/trials/{trial_id}/held/last")
@in_one_change
def undo_held(session: UnitOfWork, trial_id: Id) -> TrialAnswer:
    """Takes the last verdict back."""
    now = undo_pair(session, trial_id)
    return trial_answer(now, _cloth(session, now.trial.client_id))


@router.post("/trials/{trial_id}/end")
@in_one_change
def end(session: UnitOfWork, trial_id: Id) -> TrialAnswer:
    """Ends a trial before it is sure."""
    now = end_trial(session, trial_id)
    return trial_answer(now, _cloth(session, now.trial.client_id))


@router.delete("/trials/{trial_id}")
@in_one_change
def forget(session: UnitOfWork, trial_id: Id) -> LetGoAnswer:
    """Forgets a trial and what it told, which can be taken back."""
    return LetGoAnswer(change=forget_trial(session, trial_id))
