"""The wear log: what was worn when, how it felt, and what follows from it."""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from datetime import UTC, date, datetime
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.kin import near_duplicates
from lucid_swatch.core.garment.particulars import seasons_of
from lucid_swatch.core.look.planning.days import Weather
from lucid_swatch.core.look.wearing.leaning import leaning
from lucid_swatch.core.look.wearing.tally import Group, Tally, chosen_of_two, grouped, tally
from lucid_swatch.core.look.wearing.wear import Felt, Wear
from lucid_swatch.core.problems import NotThere, Refused
from lucid_swatch.formats.ticks import is_ticks, read_ticks
from lucid_swatch.formats.wear_log import WornLine, read_log
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece
from lucid_swatch.store.wears import Wears

from .changes import recorded
from .rail import hanging
from .ways import studio_ways

MOST_LINES, MOST_PIECES = 20_000, 40
"""Lines of one log, and pieces of one line."""
EARLIEST = date(1950, 1, 1)


@dataclass(frozen=True, slots=True)
class ToLog:
    """Something worn that is to be written into the log."""

    on: date
    piece_ids: tuple[str, ...]
    look_id: str | None = None
    planned: str | None = None
    occasion: str = ""
    felt: Felt | None = None
    note: str = ""
    weather: Weather | None = None


def log(session: Session, client_id: str, what: ToLog) -> Wear:
    """Writes down what was worn; the pieces are those of the look where none is named.

    Refused for a day that cannot be, a piece of another rail, or nothing worn."""
    Clients(session).get(client_id)
    wear = _checked(session, client_id, what, uuid4().hex)
    if Wears(session).count(client_id) >= MOST_LINES:
        raise Refused(f"the log holds {MOST_LINES:,} lines already.", "log", "Take out what is long ago.")
    with recorded(session, client_id, f"worn on {wear.on:%-d %B}: {_called(session, client_id, wear)}") as change:
        change.touches("wear", wear.id)
        Wears(session).add(wear)
    return wear


def change_line(session: Session, id: str, what: ToLog) -> Wear:
    """Writes a line of the log anew: the look and the pieces that it held already may have gone since. NotThere when there is
    no such line."""
    before = Wears(session).get(id)
    now = _checked(session, before.client_id, what, id, before)
    with recorded(session, before.client_id, f"changed what was worn on {before.on:%-d %B}") as change:
        change.touches("wear", id)
        return Wears(session).change(id, lambda line: replace(now, created_at=line.created_at))


def take_line_out(session: Session, id: str) -> int | None:
    """Takes a line out of the log. The number of the change."""
    wear = Wears(session).get(id)
    with recorded(session, wear.client_id, f"took what was worn on {wear.on:%-d %B} out of the log") as change:
        change.touches("wear", id)
        Wears(session).remove(id)
    return change.number


def _checked(session: Session, client_id: str, what: ToLog, id: str, before: Wear | None = None) -> Wear:
    ids = what.piece_ids
    if what.look_id is not None and (before is None or what.look_id != before.look_id):
        look = Looks(session).get(what.look_id)
        if look.client_id != client_id:
            raise NotThere("this look is another client's.", look.name, "Load the page again.")
        ids = ids or look.piece_ids
    ids = tuple(dict.fromkeys(ids))
    if not ids:
        raise Refused("nothing is named that was worn.", "log", "Choose a look or at least one piece.")
    if len(ids) > MOST_PIECES:
        raise Refused(f"{len(ids)} pieces cannot be worn at once.", "log", f"Name up to {MOST_PIECES}.")
    known = {one.piece.id for one in Pieces(session).of_client(client_id, set(ids))}
    known |= set() if before is None else set(before.piece_ids)
    missing = next((one for one in ids if one not in known), None)
    if missing is not None:
        raise NotThere("this piece is not on the client's rail.", missing, "Load the page again.")
    check_day(what.on)
    now = datetime.now(UTC)
    return Wear(
        id, client_id, what.on, ids, now, what.look_id, what.planned, what.occasion, what.felt, what.note, what.weather
    )


def check_day(on: date) -> None:
    """Refused for a day that nobody can have worn anything on yet, or long before any photo was taken."""
    # by the clock that is furthest ahead, somewhere it is that day already
    if on > datetime.now(UTC).date() and (on - datetime.now(UTC).date()).days > 1:
        raise Refused(f"{on:%-d %B %Y} has not come yet.", "log", "Write down what was worn when it is over.")
    if on < EARLIEST:
        raise Refused(f"{on.isoformat()} is too long ago.", "log", f"Give a day from {EARLIEST:%Y} on.")


def _called(session: Session, client_id: str, wear: Wear) -> str:
    if wear.look_id is not None:
        return f"'{Looks(session).get(wear.look_id).name}'"
    if wear.occasion:
        return wear.occasion
    hung = Pieces(session).of_client(client_id, set(wear.piece_ids[:1]))
    more = len(wear.piece_ids) - 1
    return f"{hung[0].piece.in_a_sentence}{f' and {more} more' if more else ''}"


@dataclass(frozen=True, slots=True)
class Wearing:
    """What the log tells of a rail."""

    lines: int
    first: date | None
    by_piece: dict[str, Tally]
    """Of every piece of the rail that was worn, by id."""
    families: tuple[Group, ...]
    seasons: tuple[Group, ...]
    of_two: tuple[tuple[str, str], ...]
    """Of two that are alike, the one that is chosen and the one that is left, by id."""
    leaning: dict[str, float]
    """What the log would say to who makes looks: points of the whole, by piece id."""


def wearing(session: Session, client_id: str) -> Wearing:
    """What the log of a client tells of their rail."""
    client = Clients(session).get(client_id)
    hung = Pieces(session).of_client(client_id)
    lines = Wears(session).lines(client_id)
    found = tally(lines)
    there = {one.piece.id: one for one in hung}
    rail = hanging(client, hung, studio_ways(session))
    prices = {id: one.particulars.price for id, one in there.items()}
    families = {one.hung.piece.id: [one.sorted.family] for one in rail}
    seasons = {
        one.hung.piece.id: [season.value for season in seasons_of(one.hung.particulars, one.known.warmth)]
        for one in rail
    }
    alike = [(one.id, other.id) for one, other, _ in near_duplicates([one.piece for one in hung])]
    return Wearing(
        len(lines),
        min((line.on for line in lines), default=None),
        {id: one for id, one in found.items() if id in there},
        tuple(grouped(families, found, prices)),
        tuple(grouped(seasons, found, prices)),
        tuple(chosen_of_two(alike, found)),
        leaning(lines, {id: one.created_at.date() for id, one in there.items()}, datetime.now(UTC).date()),
    )


def log_out(session: Session, client_id: str) -> list[WornLine]:
    """The whole log as it goes out, the earliest day first."""
    Clients(session).get(client_id)
    called = {one.piece.id: one.piece.called for one in Pieces(session).of_client(client_id)}
    looks = {look.id: look.name for look in Looks(session).of_client(client_id)}
    return [
        WornLine(
            on=wear.on,
            pieces=wear.piece_ids,
            called=tuple(called.get(id, id) for id in wear.piece_ids),
            look=looks.get(wear.look_id or "", ""),
            occasion=wear.occasion,
            felt=wear.felt,
            note=wear.note,
            weather=wear.weather,
        )
        for wear in reversed(Wears(session).of_client(client_id))
    ]


@dataclass(frozen=True, slots=True)
class TakenIn:
    """What a log that came in brought."""

    added: int
    same: int
    """Lines that were there already."""
    refused: tuple[str, ...]
    """Sentences, each on a line that could not be taken."""


def take_log_in(session: Session, client_id: str, content: bytes, file: str) -> TakenIn:
    """Takes lines from a file into the log, as one change; what is there already stays. Refused when it is no log."""
    lines, first, called = (
        (read_ticks(content, file), 1, "Tick") if is_ticks(content) else (read_log(content, file), 2, "Line")
    )
    hung = Pieces(session).of_client(client_id)
    looks = {name: look.id for look in Looks(session).of_client(client_id) for name in (look.name, look.id)}
    there = {_same(wear.on, wear.piece_ids, wear.occasion) for wear in Wears(session).of_client(client_id)}
    names = by_name(hung)
    added, same, refused = 0, 0, []
    with recorded(session, client_id, f"took {file} into the log") as change:
        for number, line in enumerate(lines, start=first):
            ids = tuple(dict.fromkeys(names.get(name, "") for name in line.pieces))
            unknown = [name for name in line.pieces if name not in names]
            try:
                check_day(line.on)
            except Refused as problem:
                refused.append(f"{called} {number}: {problem.what}")
                continue
            if unknown or not ids:
                told = f"'{unknown[0]}' is no piece of this rail" if unknown else "it names no piece"
                refused.append(f"{called} {number}: {told}.")
                continue
            if _same(line.on, ids, line.occasion) in there:
                same += 1
                continue
            if len(there) >= MOST_LINES:
                refused.append(f"{called} {number}: the log is full.")
                continue
            there.add(_same(line.on, ids, line.occasion))
            wear = Wear(
                uuid4().hex,
                client_id,
                line.on,
                ids,
                datetime.now(UTC),
                looks.get(line.look),
                None,
                line.occasion,
                line.felt,
                line.note,
                line.weather,
            )
            change.touches("wear", wear.id)
            Wears(session).add(wear)
            added += 1
    return TakenIn(added, same, tuple(refused))


def _same(on: date, ids: Sequence[str], occasion: str) -> tuple[date, frozenset[str], str]:
    return on, frozenset(ids), occasion


def by_name(hung: Sequence[HungPiece]) -> dict[str, str]:
    """The pieces of a rail by what a line may call them: their id, or a name that only one has."""
    names: dict[str, list[str]] = {}
    for one in hung:
        names.setdefault(one.piece.called, []).append(one.piece.id)
    found = {name: ids[0] for name, ids in names.items() if len(ids) == 1}
    return found | {one.piece.id: one.piece.id for one in hung}
