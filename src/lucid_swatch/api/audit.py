"""What a rail is made of, and how hard its pieces work."""

from fastapi import APIRouter

from lucid_swatch.usecases.audit import audit, work

from .context import Id, ReadSession
from .documents.audit import AuditAnswer, WorkAnswer, audit_answer, work_answer

router = APIRouter(tags=["audit"])

KINDS = {
    "gpl": "text/plain; charset=utf-8",
    "css": "text/css; charset=utf-8",
    "csv": "text/csv; charset=utf-8",
    "json": "application/json",
}


@router.get("/clients/{client_id}/audit")
def get_audit(session: ReadSession, client_id: Id) -> AuditAnswer:
    """What a rail is made of."""
    return audit_answer(audit(session, client_id))


@router.get("/clients/{client_id}/work")
def get_work(session: ReadSession, client_id: Id) -> WorkAnswer:
    """How many good looks each piece is in, and what is missing."""
    return work_answer(work(session, client_id))
