"""What the screens send and get about the stylist's own verdicts."""

from .base import Answer


class MovedRuleAnswer(Answer):
    """A rule whose points are multiplied."""

    rule: str
    says: str
    times: float


class TasteAnswer(Answer):
    """What the stylist's own verdicts say of the rules."""

    verdicts: int
    agreed: int
    would_agree: int
    asked: list[MovedRuleAnswer]
    kept: list[MovedRuleAnswer]
