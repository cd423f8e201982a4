"""Where this studio's borders lie beside the usual ones, as kept."""

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.school import Leaning

from .studio import Studio

LEANINGS = "leanings"
"""Key among what is kept for the whole studio; the value is {"kept": [...]}, each with why."""


def studio_leanings(session: Session) -> tuple[Leaning, ...]:
    """The leanings of the studio, the oldest first."""
    kept = (Studio(session).get(LEANINGS) or {"kept": []})["kept"]
    return tuple(Leaning(tuple(one["lab"]), one["warmth"], one["limit"]) for one in kept)
