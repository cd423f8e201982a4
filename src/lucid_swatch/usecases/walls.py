"""Looks are made and hang on a wall: kept, dropped for another, asked for again, let go."""

from collections.abc import Callable, Iterable
from dataclasses import dataclass, replace
from datetime import UTC, datetime
from uuid import uuid4

from sqlalchemy.orm import Session

from lucid_swatch.core.garment.piece import Piece
from lucid_swatch.core.look.called import called_after
from lucid_swatch.core.look.dressing.dress import zone_of
from lucid_swatch.core.look.dressing.wardrobe import Wardrobe
from lucid_swatch.core.look.kept_look import LookParticulars
from lucid_swatch.core.look.look import Look
from lucid_swatch.core.look.making.apart import set_apart
from lucid_swatch.core.look.making.day import CLOTHES
from lucid_swatch.core.look.making.lacking import Need, need_of, why_fewer
from lucid_swatch.core.look.making.make import MadeLook, Stopped, Tell, make_looks
from lucid_swatch.core.look.making.material import Material
from lucid_swatch.core.look.making.wall import Spare, Wall, WallLook, as_spare
from lucid_swatch.core.look.making.wanted import Share, Wanted
from lucid_swatch.core.look.making.ways import another_way, many_ways, roles
from lucid_swatch.core.look.verdict import Verdict, judge
from lucid_swatch.core.problems import NotThere, Problem, Refused
from lucid_swatch.formats.made import look_of
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.database import Sessions
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import JobKind, JobState
from lucid_swatch.store.walls import Walls

from .changes import recorded
from .looks import keep_look
from .wardrobe import Setting, wardrobe_of

AT_ONCE, FEW = 60, 30
"""Pieces of a rail, and looks asked for, up to which they are made while one waits; more in a process of its own."""


def _wall(session: Session, id: str) -> Wall:
    """A wall, without knots of kept looks that were let go of elsewhere."""
    wall = Walls(session).get(id)
    kept = {look.id for look in Looks(session).of_client(wall.client_id)}
    looks = tuple(one if one.kept_as in kept else replace(one, kept_as=None) for one in wall.looks)
    return replace(wall, looks=looks)


def begin_wall(session: Session, client_id: str, name: str, wanted: Wanted) -> Wall:
    """A wall whose looks are still to be made, and the job that makes them."""
    Clients(session).get(client_id)
    wall = Wall(uuid4().hex, client_id, _named(name), wanted, datetime.now(UTC))
    Walls(session).add(wall)
    Jobs(session).ask(client_id, JobKind.MAKE, wall.id)
    return wall


def ask_again(session: Session, id: str, wanted: Wanted) -> Wall:
    """Asks a wall anew; what is kept on it stays, the rest until it is answered."""
    wall = Walls(session).change(id, lambda now: replace(now, asked=wanted))
    Jobs(session).ask(wall.client_id, JobKind.MAKE, id)
    return wall


def soon_made(session: Session, client_id: str, number: int) -> bool:
    """Whether so many looks of a client's rail are made while one waits."""
    return number <= FEW and Pieces(session).count(client_id) <= AT_ONCE


def make_wall(sessions: Sessions, id: str, seen: Callable[[], None] = lambda: None) -> None:
    """Makes the looks that a wall was asked for, and ends the job; nothing when it was called off.

    seen: called whenever looks hang on the wall that were not there before, for who watches."""
    with sessions.begin() as session:
        job = Jobs(session).about(id)
        if job is None:
            return
        Jobs(session).change(job.id, lambda now: replace(now, state=JobState.UNDER_WAY, done=0.0))
        wall = _wall(session, id)
        loaded = wardrobe_of(session, wall.client_id, Setting(by_log=wall.question.by_log))

    def tell(share: float, looks: list[MadeLook]) -> bool:
        with sessions.begin() as session:
            if not Jobs(session).is_asked(job.id):
                return False
            Jobs(session).change(job.id, lambda now: replace(now, done=share))
            if wall.made_at is None:
                Walls(session).change(id, lambda now: replace(now, looks=_on_the_wall(now, looks)))
        if looks and wall.made_at is None:
            seen()
        return True

    try:
        found = _found(loaded.wardrobe, wall.question, tell)
    except Stopped:
        return
    with sessions.begin() as session:
        if Jobs(session).is_asked(job.id):
            Jobs(session).remove(job.id)
            _hang(session, wall, found)


def make_while_seen(sessions: Sessions, id: str, seen: Callable[[], None]) -> None:
    """The same beside whoever asked, who may have been answered already: a making that fails is noted on the wall, which
    would be watched for ever. What went wrong is raised all the same."""
    try:
        make_wall(sessions, id, seen)
    except Exception:
        set_down_unmade(sessions, id)
        raise


@dataclass(frozen=True, slots=True)
class _Found:
    """What making brought."""

    looks: list[MadeLook]
    occasions: list[str]
    """Of each look, empty where it was made for none of its own."""
    spares: tuple[Spare, ...] = ()
    lack: str = ""
    base_looks: int = 0
    good: int = 0
    left_out: dict[str, str] | None = None


def _found(wardrobe: Wardrobe, wanted: Wanted, tell: Tell) -> _Found:
    if wanted.spread:
        ways = many_ways(wardrobe, wanted.start[0], wanted.number, wanted)
        count = len(ways)
        lack = (
            ""
            if count >= wanted.number
            else f"Only {count} of the {wanted.number} looks asked for: no others are good."
        )
        lack = lack if count else "No good look holds this piece as things are."
        return _Found([way.made for way in ways], [way.occasion for way in ways], lack=lack, good=len(ways))
    made = make_looks(wardrobe, wanted, tell)
    missing = why_fewer(wardrobe, wanted, made)
    return _Found(
        list(made.looks),
        [""] * len(made.looks),
        tuple(as_spare(one) for one in made.spares),
        "" if missing is None else missing.text,
        made.base_looks,
        made.good,
        made.left_out,
    )


def _on_the_wall(wall: Wall, looks: Iterable[MadeLook], occasions: Iterable[str] = ()) -> tuple[WallLook, ...]:
    """Made looks as they hang; one that was there already is the same look, and what is kept stays."""
    there = {frozenset(one.piece_ids): one for one in wall.looks}
    said = list(occasions)
    found = []
    for k, made in enumerate(looks):
        known = there.pop(frozenset(made.piece_ids), None)
        occasion = said[k] if said else ""
        hung = WallLook(uuid4().hex, made.piece_ids, made.start, occasion)
        found.append(hung if known is None else replace(known, start=made.start, occasion=occasion))
    return (*(one for one in there.values() if one.kept_as is not None), *found)


def _hang(session: Session, wall: Wall, found: _Found) -> None:
    told = f"made {len(found.looks)} looks: {wall.name}"
    now = _wall(session, wall.id)
    with recorded(session, wall.client_id, told) as change:
        change.touches("wall", wall.id)
        if wall.made_at is None:
            # before its first looks there was no wall to go back to
            change.before["wall", wall.id] = None
        Walls(session).change(
            wall.id,
            lambda before: replace(
                before,
                wanted=before.asked or before.wanted,
                asked=None,
                looks=_on_the_wall(now, found.looks, found.occasions),
                spares=found.spares,
                lack=found.lack,
                base_looks=found.base_looks,
                good=found.good,
                left_out=found.left_out or {},
                made_at=datetime.now(UTC),
            ),
        )


def stop_making(session: Session, id: str) -> Wall:
    """Calls the making off; what was found by now stays."""
    wall = Walls(session).get(id)
    Jobs(session).call_off([id])
    if wall.made_at is None:
        wall = Walls(session).change(id, lambda now: replace(now, made_at=datetime.now(UTC), lack="Stopped."))
    return wall


def set_down_unmade(sessions: Sessions, id: str, problem: Problem | None = None) -> None:
    """Notes on a wall that its looks could not be made, whatever the problem was, and ends the job."""
    with sessions.begin() as session:
        Jobs(session).call_off([id])
        told = "The looks could not be made: it took too long, or ended on the way. Ask for fewer, or again."
        Walls(session).change(id, lambda now: replace(now, lack=told, made_at=now.made_at or datetime.now(UTC)))


def keep_on_wall(session: Session, id: str, look_id: str, keep: bool) -> Wall:
    """Keeps a look of a wall among the client's kept looks, or lets it go from there again."""
    wall, look = _with_look(session, id, look_id)
    if keep == (look.kept_as is not None):
        return wall
    told = "kept a look of" if keep else "kept a look no longer of"
    with recorded(session, wall.client_id, f"{told} '{wall.name}'") as change:
        change.touches("wall", id)
        if keep:
            wanted = wall.wanted
            told_of = LookParticulars(occasion=look.occasion, time=wanted.time, theme=wanted.theme)
            name = _called(session, wall, look)
            kept = keep_look(session, wall.client_id, name, look.piece_ids, wanted.intent, told_of)
            change.before["look", kept.id] = None
            kept_as = kept.id
        else:
            assert look.kept_as is not None
            if Looks(session).snapshot(look.kept_as) is not None:
                change.touches("look", look.kept_as)
                Looks(session).remove(look.kept_as)
            kept_as = None
        return _change_look(session, id, replace(look, kept_as=kept_as))


def drop(session: Session, id: str, look_id: str) -> Wall:
    """Lets a look of a wall go; another comes in its place that is worn in no clothes that were dropped."""
    wall, look = _with_look(session, id, look_id)
    if look.kept_as is not None:
        raise Refused("this look is kept.", wall.name, "Take the knot off first (K).")
    if Jobs(session).about(id) is not None:
        # what is being made would hang it there again
        raise Refused("the looks are still being made.", wall.name, "Drop it when all hang there.")
    loaded = wardrobe_of(session, wall.client_id, Setting(by_log=wall.wanted.by_log))
    dropped = (*wall.dropped, look.piece_ids)
    others = [one for one in wall.looks if one.id != look_id]
    another, spares = _next_spare(loaded.wardrobe, replace(wall, dropped=dropped, looks=tuple(others)), look)
    if another is None and wall.wanted.spread:
        way = another_way(loaded.wardrobe, wall.wanted, look.occasion, (*dropped, *(one.piece_ids for one in others)))
        another = None if way is None else as_spare(way)
    elif another is None:
        another, spares = _made_anew(loaded.wardrobe, wall, others, dropped)
    lack = wall.lack if another is not None else "No other good look is left that differs in its clothes."
    hung = [] if another is None else [WallLook(uuid4().hex, another.piece_ids, another.start, look.occasion)]
    place = [one.id for one in wall.looks].index(look_id)
    looks = (*others[:place], *hung, *others[place:])
    with recorded(session, wall.client_id, f"dropped a look of '{wall.name}'") as change:
        change.touches("wall", id)
        return Walls(session).change(
            id, lambda now: replace(now, looks=looks, spares=spares, dropped=dropped, lack=lack)
        )


def _next_spare(wardrobe: Wardrobe, wall: Wall, gone: WallLook) -> tuple[Spare | None, tuple[Spare, ...]]:
    """The first spare whose clothes are none of those there or dropped; of the same start where each has its share."""
    taken = {_clothes(wardrobe, one.piece_ids) for one in wall.looks} | {
        _clothes(wardrobe, ids) for ids in wall.dropped
    }
    even = wall.wanted.share is Share.EVEN
    for k, spare in enumerate(wall.spares):
        hangs = all(id in wardrobe.by_id and id not in wardrobe.barred for id in spare.piece_ids)
        if hangs and _clothes(wardrobe, spare.piece_ids) not in taken and (not even or spare.start == gone.start):
            return spare, wall.spares[:k] + wall.spares[k + 1 :]
    return None, wall.spares


def _clothes(wardrobe: Wardrobe, ids: tuple[str, ...]) -> frozenset[str]:
    known = [wardrobe.by_id[id] for id in ids if id in wardrobe.by_id]
    return frozenset(piece.id for piece in known if zone_of(piece.category) in CLOTHES)


def _made_anew(
    wardrobe: Wardrobe, wall: Wall, others: list[WallLook], dropped: tuple[tuple[str, ...], ...]
) -> tuple[Spare | None, tuple[Spare, ...]]:
    kept = tuple(one.piece_ids for one in others)
    made = make_looks(wardrobe, replace(wall.wanted, kept=kept, dropped=dropped, number=len(others) + 1))
    there = {frozenset(one.piece_ids) for one in others}
    new = [one for one in made.looks if frozenset(one.piece_ids) not in there]
    spares = tuple(as_spare(one) for one in made.spares)
    return (as_spare(new[0]) if new else None), spares


def rename(session: Session, id: str, name: str) -> Wall:
    """Gives a wall another name."""
    wall = Walls(session).get(id)
    with recorded(session, wall.client_id, f"called '{wall.name}' {name}") as change:
        change.touches("wall", id)
        return Walls(session).change(id, lambda now: replace(now, name=_named(name)))


def let_wall_go(session: Session, id: str) -> int | None:
    """Lets a wall go; the looks that were kept of it stay. The number of the change."""
    wall = Walls(session).get(id)
    Jobs(session).call_off([id])
    with recorded(session, wall.client_id, f"let '{wall.name}' go") as change:
        change.touches("wall", id)
        Walls(session).remove(id)
    return change.number


@dataclass(frozen=True, slots=True)
class Shown:
    """A wall with what is made anew of it whenever it is shown."""

    wall: Wall
    wardrobe: Wardrobe
    looks: list[WallLook]
    """Those whose pieces all hang there still."""
    verdicts: list[Verdict]
    because: list[str]
    worn: list[tuple[Piece, ...]]
    """The pieces of each look, with what is always on."""
    roles: list[str]
    """What the one piece does in each, where one is spread."""
    uses: dict[str, int]
    """In how many looks each usable piece is, by id."""
    lost: int
    """Looks that hold pieces that no longer hang there."""


def shown(session: Session, id: str) -> Shown:
    """A wall as it is shown."""
    wall = _wall(session, id)
    wardrobe = wardrobe_of(session, wall.client_id).wardrobe
    hung = [one for one in wall.looks if all(piece in wardrobe.by_id for piece in one.piece_ids)]
    looks = [_look(wardrobe, wall, one) for one in hung]
    verdicts = judge(looks) if looks else []
    doing = roles(looks, verdicts, wall.wanted.start[0]) if wall.wanted.spread and looks else [""] * len(looks)
    # while looks are still being found nobody asks which pieces are left
    material = Material(wardrobe, wall.wanted) if wardrobe.everything and wall.made_at is not None else None
    uses = {} if material is None else {wardrobe.pieces[k].id: 0 for k in material.beside_a_start}
    for one in hung:
        for piece in one.piece_ids:
            uses[piece] = uses.get(piece, 0) + 1
    return Shown(
        wall,
        wardrobe,
        hung,
        verdicts,
        set_apart(looks, verdicts),
        [look.worn for look in looks],
        doing,
        uses,
        len(wall.looks) - len(hung),
    )


def what_it_needs(session: Session, id: str, piece_id: str) -> Need:
    """What a piece that no look of a wall uses would need. NotThere when it is not on the rail."""
    wall = Walls(session).get(id)
    wardrobe = wardrobe_of(session, wall.client_id).wardrobe
    if piece_id not in wardrobe.by_id:
        raise NotThere("this piece is not on the client's rail.", piece_id, "Load the page again.")
    left_out = Material(wardrobe, wall.wanted).left_out.get(piece_id)
    if left_out is not None:
        return Need(piece_id, f"in none: {left_out}.", 0)
    return need_of(wardrobe, replace(wall.wanted, spread=False), wardrobe.by_id[piece_id])


def looks_of(session: Session, id: str) -> tuple[Wall, Wardrobe, list[Look], list[str]]:
    """The looks of a wall as they go out, with the sentence of each."""
    found = shown(session, id)
    intent = found.wall.wanted.intent
    looks = [look_of(found.wardrobe, one.id, one.piece_ids, intent) for one in found.looks]
    return found.wall, found.wardrobe, looks, found.because


def _look(wardrobe: Wardrobe, wall: Wall, one: WallLook) -> Look:
    return replace(wardrobe.look(one.id, one.piece_ids, wall.wanted.intent), theme=wall.wanted.theme)


def _with_look(session: Session, id: str, look_id: str) -> tuple[Wall, WallLook]:
    wall = _wall(session, id)
    look = next((one for one in wall.looks if one.id == look_id), None)
    if look is None:
        raise NotThere("this look does not hang on the wall.", wall.name, "Load the page again.")
    return wall, look


def _change_look(session: Session, id: str, look: WallLook) -> Wall:
    def changed(wall: Wall) -> Wall:
        return replace(wall, looks=tuple(look if one.id == look.id else one for one in wall.looks))

    return Walls(session).change(id, changed)


def _named(name: str) -> str:
    if not name.strip():
        raise Refused("the wall has no name.", "name", "Write what it is for, such as 'Tour in March'.")
    return name.strip()


def _called(session: Session, wall: Wall, look: WallLook) -> str:
    """What a kept look is called at first: by what it is built on."""
    by_id = wardrobe_of(session, wall.client_id).wardrobe.by_id
    return called_after(by_id[id] for id in look.piece_ids if id in by_id) or wall.name
