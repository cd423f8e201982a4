"""What the stylist's own verdicts say of the rules."""

from fastapi import APIRouter

from lucid_swatch.usecases.tastes import put_taste_back, take_taste_on, taste

from .context import ReadSession, UnitOfWork, in_one_change
from .documents.taste import MovedRuleAnswer, TasteAnswer

router = APIRouter(tags=["looks"])


@router.get("/taste")
def get_taste(session: ReadSession) -> TasteAnswer:
    """What the stylist's own verdicts say of the rules."""
    found = taste(session)
    asked, kept = (
        [MovedRuleAnswer(rule=rule, times=times, says=says) for rule, times, says in some]
        for some in (found.asked, found.kept)
    )
    return TasteAnswer(
        verdicts=found.verdicts, agreed=found.agreed, would_agree=found.would_agree, asked=asked, kept=kept
    )


@router.post("/taste", status_code=204)
@in_one_change
def move_rules(session: UnitOfWork) -> None:
    """Moves the rules as the verdicts ask."""
    take_taste_on(session)


@router.delete("/taste", status_code=204)
@in_one_change
def put_rules_back(session: UnitOfWork) -> None:
    """Judges by the rules that ship again."""
    put_taste_back(session)
