"""What the screens send and get about a rail that comes in."""

from lucid_swatch.usecases.rail_in import Plan

from .base import Answer


class ImportAnswer(Answer):
    """What taking a rail in does, or would do."""

    added: list[str]
    changed: dict[str, list[str]]
    same: int
    photos: int
    dropped: list[str]


def import_answer(plan: Plan) -> ImportAnswer:
    """What taking a rail in does."""
    return ImportAnswer(
        added=list(plan.added),
        changed={label: list(what) for label, what in plan.changed},
        same=plan.same,
        photos=plan.photos,
        dropped=list(plan.dropped),
    )
