"""What the screens get about what takes long."""

from lucid_swatch.store.records import JobKind, JobRecord, JobState

from .base import Answer


class JobAnswer(Answer):
    """Something that takes long: it waits, or is under way. What is done is not here any more."""

    id: str
    kind: JobKind
    about: str
    """Id of what it is done to."""
    state: JobState
    stage: str
    """What is being done right now."""
    done: float | None
    """Share that is done, where that is known."""


def job_answer(job: JobRecord) -> JobAnswer:
    """A job as the screens show it."""
    return JobAnswer(id=job.id, kind=job.kind, about=job.about, state=job.state, stage=job.stage, done=job.done)
