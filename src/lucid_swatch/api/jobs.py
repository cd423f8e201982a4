"""What takes long and goes on beside the screens."""

from fastapi import APIRouter

from lucid_swatch.store.clients import Clients
from lucid_swatch.store.jobs import Jobs

from .context import Id, ReadSession
from .documents.jobs import JobAnswer, job_answer

router = APIRouter(tags=["jobs"])


@router.get("/clients/{client_id}/jobs")
def list_jobs(session: ReadSession, client_id: Id) -> list[JobAnswer]:
    """What is still to be done for a client, the oldest first."""
    Clients(session).get(client_id)
    return [job_answer(job) for job in Jobs(session).of_client(client_id)]
