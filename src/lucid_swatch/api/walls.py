"""Looks that are made, and looks that are turned."""

import json
from functools import partial
from typing import Annotated

from fastapi import APIRouter, Query, Response
from sqlalchemy.orm import Session

from lucid_swatch.core.look.verdict import judge
from lucid_swatch.formats.made import made_of_wardrobe
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.folder import Folder
from lucid_swatch.store.jobs import Jobs
from lucid_swatch.store.walls import Walls
from lucid_swatch.usecases.day import over_a_day, turn_look
from lucid_swatch.usecases.figures import Asked, DrawnLook, draw_looks
from lucid_swatch.usecases.rail_out import file_name
from lucid_swatch.usecases.walls import (
    Shown,
    ask_again,
    begin_wall,
    drop,
    keep_on_wall,
    let_wall_go,
    looks_of,
    make_while_seen,
    rename,
    shown,
    soon_made,
    stop_making,
    what_it_needs,
)

from .context import Context, Id, InContext, ReadSession
from .documents.changes import LetGoAnswer
from .documents.walls import (
    DayAnswer,
    DayRequest,
    KnotRequest,
    NeedAnswer,
    TurnRequest,
    TurnsAnswer,
    WallAnswer,
    WallInListAnswer,
    WallName,
    WallRequest,
    day_answer,
    need_answer,
    turned_answer,
    wall_answer,
    wall_in_list,
)
from .looks import setting_of

router = APIRouter(tags=["walls"])


@router.get("/clients/{client_id}/walls")
def list_walls(session: ReadSession, context: InContext, client_id: Id) -> list[WallInListAnswer]:
    """A client's walls, the newest first."""
    Clients(session).get(client_id)
    if not soon_made(session, client_id, 1):
        # who looks at walls makes one soon, and a process takes a while to be ready
        context.queue.make_ready()
    asked = {job.about for job in Jobs(session).of_client(client_id)}
    return [wall_in_list(wall, wall.id in asked) for wall in Walls(session).of_client(client_id)]


@router.post("/clients/{client_id}/walls", status_code=201)
def make_looks(context: InContext, client_id: Id, asked: WallRequest) -> WallAnswer:
    """Makes looks, answered once the first hangs there, of a long rail at once; the rest can be watched and stopped."""
    wanted = asked.to_core()
    with context.sessions.begin() as session:
        wall = begin_wall(session, client_id, asked.name, wanted)
        soon = soon_made(session, client_id, wanted.number)
    return _made(context, wall.id, soon)


@router.post("/walls/{wall_id}/making")
def make_again(context: InContext, wall_id: Id, asked: WallRequest) -> WallAnswer:
    """Asks a wall anew; what is kept on it stays."""
    wanted = asked.to_core()
    with context.sessions.begin() as session:
        wall = ask_again(session, wall_id, wanted)
        soon = soon_made(session, wall.client_id, wanted.number)
    return _made(context, wall_id, soon)


@router.delete("/walls/{wall_id}/making")
def stop_making_looks(context: InContext, wall_id: Id) -> WallAnswer:
    """Stops the making; what was found by now stays."""
    with context.sessions.begin() as session:
        stop_making(session, wall_id)
    context.queue.end([wall_id])
    return _answer(context, wall_id)


@router.get("/walls/{wall_id}")
def show_wall(session: ReadSession, wall_id: Id) -> WallAnswer:
    """A wall, judged anew."""
    return _shown(session, wall_id)


@router.put("/walls/{wall_id}")
def call_wall(context: InContext, wall_id: Id, asked: WallName) -> WallAnswer:
    """Gives a wall another name."""
    with context.sessions.begin() as session:
        rename(session, wall_id, asked.name)
    return _answer(context, wall_id)


@router.delete("/walls/{wall_id}")
def let_go_of_wall(context: InContext, wall_id: Id) -> LetGoAnswer:
    """Lets a wall go, which can be taken back; the looks that were kept of it stay."""
    with context.sessions.begin() as session:
        number = let_wall_go(session, wall_id)
    context.queue.end([wall_id])
    return LetGoAnswer(change=number)


@router.put("/walls/{wall_id}/looks/{look_id}")
def tie(context: InContext, wall_id: Id, look_id: Id, asked: KnotRequest) -> WallAnswer:
    """Keeps a look of a wall, or keeps it no longer."""
    with context.sessions.begin() as session:
        keep_on_wall(session, wall_id, look_id, asked.keep)
    return _answer(context, wall_id)


@router.delete("/walls/{wall_id}/looks/{look_id}")
def drop_look(context: InContext, wall_id: Id, look_id: Id) -> WallAnswer:
    """Drops a look of a wall; another comes in its place."""
    with context.sessions.begin() as session:
        drop(session, wall_id, look_id)
    return _answer(context, wall_id)


@router.get("/walls/{wall_id}/need")
def tell_need(session: ReadSession, wall_id: Id, piece: Annotated[str, Query(max_length=200)]) -> NeedAnswer:
    """What a piece that no look of a wall uses would need."""
    return need_answer(what_it_needs(session, wall_id, piece))


@router.get("/walls/{wall_id}/looks.json")
def take_looks_out(session: ReadSession, wall_id: Id) -> Response:
    """The looks of a wall in the open format."""
    wall, wardrobe, looks, because = looks_of(session, wall_id)
    document = made_of_wardrobe(wardrobe, looks, because, judge(looks) if looks else [], wall.wanted.theme)
    told = json.dumps(document.model_dump(mode="json", by_alias=True), indent=1)
    headers = {"content-disposition": f'attachment; filename="{file_name(wall.name)}.json"'}
    return Response(told, media_type="application/json", headers=headers)


@router.post("/clients/{client_id}/turn")
def turn(session: ReadSession, client_id: Id, asked: TurnRequest) -> TurnsAnswer:
    """The smallest changes that turn a look up or down, to evening or day, to other weather."""
    found, as_it_is = turn_look(session, client_id, tuple(asked.pieces), asked.intent, setting_of(asked), asked.to)
    return TurnsAnswer(turns=[turned_answer(one) for one in found], as_it_is=as_it_is)


@router.post("/clients/{client_id}/day")
def lay_over_a_day(session: ReadSession, client_id: Id, asked: DayRequest) -> DayAnswer:
    """A look in the stages of a day: layers and shoes change, what is under them stays on."""
    stages = [one.to_core() for one in asked.stages]
    return day_answer(over_a_day(session, client_id, tuple(asked.pieces), asked.intent, setting_of(asked), stages))


def _made(context: Context, wall_id: str, soon: bool) -> WallAnswer:
    if soon:
        # the job stands in the database all the same: what a kill cuts off is made at the next start
        with context.first_seen.of(partial(make_while_seen, context.sessions, wall_id)):
            return _answer(context, wall_id, drawn=True)
    context.queue.add(wall_id)
    return _answer(context, wall_id)


def _answer(context: Context, wall_id: str, drawn: bool = False) -> WallAnswer:
    """drawn: whether looks that hang there while others are made come drawn, so that nobody waits twice for the first."""
    with context.sessions() as session:
        return _shown(session, wall_id, context.folder if drawn else None)


def _shown(session: Session, wall_id: str, folder: Folder | None = None) -> WallAnswer:
    found = shown(session, wall_id)
    job = Jobs(session).about(wall_id)
    if job is None:
        return wall_answer(found, None)
    return wall_answer(found, job.done or 0.0, [] if folder is None else _drawn(session, folder, found))


def _drawn(session: Session, folder: Folder, found: Shown) -> list[DrawnLook]:
    always = [piece.id for piece in found.wardrobe.always if piece.id in found.wardrobe.by_id]
    asked = [Asked((*one.piece_ids, *always)) for one in found.looks]
    return draw_looks(session, folder, found.wall.client_id, asked)
