"""What to change about a look for the evening, in words."""

from collections.abc import Mapping, Sequence

from ...garment.piece import Piece
from ..dressing.mends import Mend
from ..dressing.outfits import GOOD
from ..kept_look import TimeOfDay
from ..look import Look
from ..making.turning import MAY_COST, Turn, needs_no_turn, turn
from ..verdict import judge
from .words import sentence


def for_the_evening(look: Look, time: TimeOfDay = TimeOfDay.ANY) -> str:
    """The smallest change that takes a look into the evening. Empty where it is one for the evening, or where the rail has
    nothing that turns it and leaves it good."""
    if time is TimeOfDay.EVENING:
        return ""
    if needs_no_turn(look, Turn.EVENING):
        return "It can go into the evening as it is."
    turned = turn(look, Turn.EVENING, 1)
    if not turned or turned[0].whole < min(GOOD, judge([look])[0].overall - MAY_COST):
        return ""
    by_id = {piece.id: piece for piece in (*look.pieces, *look.rail)}
    return sentence(_told(turned[0].changes, by_id))


def _told(changes: Sequence[Mend], by_id: Mapping[str, Piece]) -> str:
    """Changes as one says them: 'the ink blouse for the ivory shirt, flat shoes for the boots, and the pearls'."""
    parts = []
    for change in sorted(changes, key=lambda one: ["swap", "add", "remove"].index(one.do)):
        piece = by_id[change.piece or ""].in_a_sentence
        if change.do == "swap":
            parts.append(f"the {by_id[change.with_piece or ''].in_a_sentence} for the {piece}")
        else:
            parts.append(f"the {piece} with it" if change.do == "add" else f"without the {piece}")
    return parts[0] if len(parts) == 1 else f"{', '.join(parts[:-1])}, and {parts[-1]}"
