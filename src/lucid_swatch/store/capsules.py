"""Capsules in the database."""

from lucid_swatch.core.look.planning.kept_capsule import KeptCapsule

from .book import Book
from .tables import CapsuleRow


class Capsules(Book[KeptCapsule]):
    """The capsules of all clients, the newest first."""

    row, record, called = CapsuleRow, KeptCapsule, "capsule"
    missing = "It may have been let go; load the page again."
    order = (CapsuleRow.created_at.desc(), CapsuleRow.id)
