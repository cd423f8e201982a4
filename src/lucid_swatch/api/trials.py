"""Holding to the face, what follows, and side by side."""

from fastapi import APIRouter
from sqlalchemy.orm import Session

from lucid_swatch.store.clients import Clients
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import SideBySide
from lucid_swatch.store.trials import Comparisons, Trials
from lucid_swatch.usecases.side_by_side import forget_side_by_side, keep_side_by_side
from lucid_swatch.usecases.suits import what_follows
from lucid_swatch.usecases.trial import begin_trial, end_trial, forget_trial, judge_pair, under_way, undo_pair

from .audit_documents import LetGoAnswer
from .colouring_documents import (
    FollowsAnswer,
    HeldRequest,
    SideAnswer,
    SideBySideAnswer,
    SideBySideRequest,
    TrialAnswer,
    follows_answer,
    trial_answer,
)
from .context import Id, ReadSession, UnitOfWork, in_one_change

router = APIRouter(tags=["colouring"])


def _cloth(session: Session, client_id: str) -> dict[str, str]:
    hung = Pieces(session).of_client(client_id)
    return {one.piece.id: f"/api/photos/{one.photo_id}/pictures/cloth.jpg" for one in hung if one.photo_id is not None}


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


@router.get("/clients/{client_id}/follows")
def get_follows(session: ReadSession, client_id: Id) -> FollowsAnswer | None:
    """What suits a client's colouring, and which pieces of the rail are in it."""
    follows = what_follows(session, client_id)
    return None if follows is None else follows_answer(follows, _cloth(session, client_id))


@router.get("/clients/{client_id}/side-by-side")
def list_side_by_side(session: ReadSession, client_id: Id) -> list[SideBySideAnswer]:
    """What was held side by side, the newest first."""
    Clients(session).get(client_id)
    return [_answer(compared) for compared in Comparisons(session).of_client(client_id)]


@router.post("/clients/{client_id}/side-by-side", status_code=201)
@in_one_change
def keep_compared(session: UnitOfWork, client_id: Id, asked: SideBySideRequest) -> SideBySideAnswer:
    """Keeps two things side by side with what was found."""
    left, right = (asked.left.kind, asked.left.id), (asked.right.kind, asked.right.id)
    return _answer(keep_side_by_side(session, client_id, left, right, asked.better, asked.note))


@router.delete("/side-by-side/{compared_id}")
@in_one_change
def forget_compared(session: UnitOfWork, compared_id: Id) -> LetGoAnswer:
    """Forgets a comparison, which can be taken back."""
    return LetGoAnswer(change=forget_side_by_side(session, compared_id))


def _answer(compared: SideBySide) -> SideBySideAnswer:
    return SideBySideAnswer(
        id=compared.id,
        created_at=compared.created_at,
        left=SideAnswer(**compared.left),
        right=SideAnswer(**compared.right),
        better=compared.better,
        note=compared.note,
    )
