"""What this studio does otherwise than the rules that ship, as kept: its borders and its tastes."""

from typing import Any

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.school import Leaning

from .studio import Studio

LEANINGS, TASTES = "leanings", "tastes"
"""Keys among what is kept for the whole studio; each value is {"kept": [...]}."""


def studio_conventions(session: Session) -> dict[str, Any]:
    """The leanings and tastes of the studio, as the conventions of every client take them."""
    leanings = (Studio(session).get(LEANINGS) or {"kept": []})["kept"]
    tastes = (Studio(session).get(TASTES) or {"kept": []})["kept"]
    return {
        "leanings": tuple(Leaning(tuple(one["lab"]), one["warmth"], one["limit"]) for one in leanings),
        "tastes": tuple((one["rule"], one["times"]) for one in tastes),
    }
