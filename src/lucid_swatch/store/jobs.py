"""What takes long and is asked for, in the database: a closed browser or a killed server loses none of it."""

from collections.abc import Iterable
from datetime import UTC, datetime
from uuid import uuid4

import sqlalchemy as sa

from .book import Book
from .records import JobKind, JobRecord
from .tables import JobRow


class Jobs(Book[JobRecord]):
    """The jobs of all clients, the oldest first."""

    row, record, called, missing = JobRow, JobRecord, "work", "It may be done; load the page again."
    order = (JobRow.asked_at, JobRow.id)

    def ask(self, client_id: str, kind: JobKind, about: str) -> JobRecord:
        """Asks for something; what was asked about the same thing before falls away."""
        self.call_off([about])
        job = JobRecord(uuid4().hex, client_id, kind, about, datetime.now(UTC))
        self.add(job)
        return job

    def about(self, about: str) -> JobRecord | None:
        """What is to be done to something; None when nothing is."""
        row = self.session.scalar(sa.select(JobRow).where(JobRow.about == about))
        return None if row is None else self.of(row)

    def all(self) -> list[JobRecord]:
        """Everything that waits or is under way."""
        return [self.of(row) for row in self.session.scalars(sa.select(JobRow).order_by(*self.order))]

    def is_asked(self, id: str) -> bool:
        """Whether it is still to be done, and nobody called it off or asked anew."""
        return self.session.get(JobRow, id) is not None

    def call_off(self, about: Iterable[str]) -> None:
        """Nothing more is to be done to some things."""
        self.session.execute(sa.delete(JobRow).where(JobRow.about.in_(list(about))))
        self.session.flush()
