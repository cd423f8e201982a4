"""Plans in the database."""

from lucid_swatch.core.look.planning.plan import Plan

from .book import Book
from .tables import PlanRow


class Plans(Book[Plan]):
    """The plans of all clients, the latest days first."""

    row, record, called = PlanRow, Plan, "plan"
    missing = "It may have been let go; load the page again."
    order = (PlanRow.first.desc(), PlanRow.created_at.desc(), PlanRow.id)
