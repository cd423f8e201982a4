"""A look is turned for the day, and laid out over one in stages."""

from collections.abc import Sequence
from dataclasses import replace

from sqlalchemy.orm import Session

from lucid_swatch.core.look.kept_look import DayStage
from lucid_swatch.core.look.look import Intent, Look
from lucid_swatch.core.look.making.stages import Stage, stages
from lucid_swatch.core.look.making.turning import Turn, Turned, needs_no_turn, turn

from .wardrobe import Setting, wardrobe_of


def turn_look(
    session: Session, client_id: str, piece_ids: tuple[str, ...], intent: Intent | None, setting: Setting, to: Turn
) -> tuple[list[Turned], bool]:
    """The smallest changes that turn a look, and whether it can go as it is. NotThere when a piece is not on the rail."""
    look = _look(session, client_id, piece_ids, intent, setting)
    return turn(look, to), needs_no_turn(look, to)


def over_a_day(
    session: Session,
    client_id: str,
    piece_ids: tuple[str, ...],
    intent: Intent | None,
    setting: Setting,
    asked: Sequence[DayStage],
) -> list[Stage]:
    """A look at every stage of a day. NotThere when a piece is not on the rail."""
    look = _look(session, client_id, piece_ids, intent, setting)
    return stages(look, asked)


def _look(
    session: Session, client_id: str, piece_ids: tuple[str, ...], intent: Intent | None, setting: Setting
) -> Look:
    # where it is turned to is another day than the one that it is for: what that bars does not count
    usual = replace(setting, formality=None, warmth=None, rain=False)
    return replace(wardrobe_of(session, client_id, usual).look(piece_ids, intent), meant=setting.meant)
