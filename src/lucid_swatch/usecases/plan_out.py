"""A plan leaves the application: as iCalendar, as a table, and on paper."""

from sqlalchemy.orm import Session

from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.files.plan_pdf import Cloth, PackedLine, PaperDay, PlanOnPaper, plan_pdf
from lucid_swatch.formats.calendar import write_calendar
from lucid_swatch.formats.planned import PlannedLine, write_plan
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece

from .plans import ShownPlan, shown_plan


def plan_calendar(session: Session, id: str) -> tuple[str, bytes]:
    """A plan as iCalendar, and its name: read in again it says the same occasions of the same formality."""
    found, rail = _shown(session, id)
    entries = [
        (one.event.on, one.event.name, ", ".join(_names(one.event.piece_ids, rail)) or "nothing yet", sum(one.span) / 2)
        for one in found.events
    ]
    return found.plan.name, write_calendar(entries)


def plan_table(session: Session, id: str) -> tuple[str, str]:
    """A plan as CSV, and its name: read in again it hangs the same looks on the same days."""
    found, rail = _shown(session, id)
    lines = [
        PlannedLine(
            one.event.on,
            one.event.name,
            one.span,
            one.event.time,
            one.event.begins,
            one.event.ends,
            one.event.people,
            found.plan.weather.get(one.event.on),
            _names(one.event.piece_ids, rail),
            one.event.piece_ids,
            one.whole,
            one.event.locked,
        )
        for one in found.events
    ]
    busy = {line.on for line in lines}
    lines += [PlannedLine(on, weather=found.plan.weather.get(on)) for on in found.plan.dates if on not in busy]
    return found.plan.name, write_plan(sorted(lines, key=lambda line: line.on))


def plan_paper(session: Session, id: str) -> tuple[str, bytes]:
    """A plan on paper, and its name: the days with what is worn, and the case with boxes to tick."""
    found, rail = _shown(session, id)
    plan = found.plan
    days = tuple(
        PaperDay(
            f"{one.event.on:%A %-d %B}",
            one.event.name,
            _sky(plan.weather.get(one.event.on)),
            tuple(_cloth(rail[piece]) for piece in one.event.piece_ids if piece in rail),
            tuple(f"{stage.when}: {', '.join(_names(stage.piece_ids, rail))}" for stage in one.event.stages),
        )
        for one in found.events
    )
    case = tuple(
        PackedLine(piece.called, piece.id in plan.ticked, found.often.get(piece.id, 1)) for piece in found.case
    )
    travels = ", ".join(_names(found.travels, rail))
    until = f"{plan.first:%-d %B} to {plan.last:%-d %B %Y}"
    paper = PlanOnPaper(plan.name, until, plan.place, days, case, travels, plan.unmet)
    return plan.name, plan_pdf(paper)


def _shown(session: Session, id: str) -> tuple[ShownPlan, dict[str, HungPiece]]:
    found = shown_plan(session, id)
    return found, {one.piece.id: one for one in Pieces(session).of_client(found.plan.client_id)}


def _names(ids: tuple[str, ...], rail: dict[str, HungPiece]) -> tuple[str, ...]:
    return tuple(rail[id].piece.called for id in ids if id in rail)


def _cloth(hung: HungPiece) -> Cloth:
    piece = hung.piece
    return Cloth(piece.called, tuple((piece.lab[k], float(piece.share[k])) for k in range(len(piece.lab))))


def _sky(weather: Weather | None) -> str:
    if weather is None:
        return ""
    rain = f", rain {weather.rain:g} mm" if weather.wet else ""
    return f"{weather.low:g} to {weather.high:g} °C{rain}"
