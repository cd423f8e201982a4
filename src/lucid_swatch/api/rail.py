"""The rail: its pieces, what is said and kept about them, and every step back."""

from typing import IO, Annotated

from fastapi import APIRouter, File, Form, Path, Response, UploadFile
from pydantic import Field, TypeAdapter
from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Refused
from lucid_swatch.formats.kept import Kept
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.journal import Journal
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece
from lucid_swatch.usecases.changes import redo, undo
from lucid_swatch.usecases.neighbours import company_of
from lucid_swatch.usecases.rail import (
    change_piece,
    change_pieces,
    hanging,
    join_faces,
    take_off,
    take_off_all,
    the_rail,
)
from lucid_swatch.usecases.rail_in import open_rail, plan_rail, take_rail_in
from lucid_swatch.usecases.rail_out import file_name, rail_json, rail_table, write_rail_archive
from lucid_swatch.usecases.strips import strips_of

from .audit_documents import (
    ChangeAnswer,
    CompanyAnswer,
    ImportAnswer,
    UndoneAnswer,
    by_id,
    change_answer,
    company_answer,
    import_answer,
)
from .base import Request
from .context import Context, Id, InContext, ReadSession, UnitOfWork, in_one_change
from .downloads import zip_download
from .rail_documents import PieceAnswer, WordRequest, piece_answers, strip_answers

router = APIRouter(tags=["rail"])
PIECES = TypeAdapter(list[PieceAnswer])
MAX_RAIL = 500 * 1024 * 1024


class ChangeRequest(Request):
    """What changes on some pieces at once; what is left out stays."""

    pieces: list[str] = Field(min_length=1, max_length=5000)
    word: WordRequest = Field(default_factory=WordRequest)
    kept: Kept = Field(default_factory=Kept)


class TakeOffRequest(Request):
    """Pieces to take off the rail."""

    pieces: list[str] = Field(min_length=1, max_length=5000)


class FacesRequest(Request):
    """Two pieces that are the two faces of one."""

    first: str
    second: str


@router.get("/clients/{client_id}/rail", response_model=list[PieceAnswer])
def get_rail(session: ReadSession, client_id: Id) -> Response:
    """A client's pieces with where each hangs."""
    looks = _looks_by_piece(session, client_id)
    rail = the_rail(session, client_id)
    answers = piece_answers(rail, looks, strip_answers(client_id, [one.hung for one in rail]))
    # checked when they were made: five hundred pieces are not checked again on their way out
    return Response(PIECES.dump_json(answers), media_type="application/json")


def _looks_by_piece(session: Session, client_id: str) -> dict[str, list[str]]:
    found: dict[str, list[str]] = {}
    for look in Looks(session).of_client(client_id):
        for id in look.piece_ids:
            found.setdefault(id, []).append(look.name)
    return found


def answer_pieces(session: Session, hung: list[HungPiece]) -> list[PieceAnswer]:
    """Some pieces of one rail as it shows them."""
    client = Clients(session).get(hung[0].client_id)
    strips = strip_answers(client.id, Pieces(session).of_client(client.id))
    return piece_answers(hanging(client, hung), _looks_by_piece(session, client.id), strips)


@router.get("/clients/{client_id}/strips/{key}.jpg")
def get_strips(
    session: ReadSession, context: InContext, client_id: Id, key: Annotated[str, Path(pattern=r"^[0-9a-f]{1,64}$")]
) -> Response:
    """The strips of a whole rail as one picture."""
    content = strips_of(session, context.folder, client_id, key)
    return Response(content, media_type="image/jpeg", headers={"cache-control": "no-store"})


@router.patch("/pieces/{piece_id}")
def change(context: InContext, piece_id: str, word: WordRequest) -> PieceAnswer:
    """Writes the stylist's word over a piece."""
    with context.sessions.begin() as session:
        changed = change_piece(session, piece_id, word.to_word())
    with context.sessions() as session:
        return answer_pieces(session, [changed])[0]


@router.post("/clients/{client_id}/rail/change")
def change_many(context: InContext, client_id: Id, asked: ChangeRequest) -> list[PieceAnswer]:
    """Writes the stylist's word over some pieces, and what is kept about them, as one change."""
    kept = asked.kept.model_dump(mode="json", exclude_unset=True)
    with context.sessions.begin() as session:
        changed = change_pieces(session, client_id, asked.pieces, asked.word.to_word(), kept)
    with context.sessions() as session:
        return answer_pieces(session, changed)


@router.post("/clients/{client_id}/rail/take-off", status_code=204)
@in_one_change
def take_many(session: UnitOfWork, client_id: Id, asked: TakeOffRequest) -> None:
    """Takes pieces off the rail; their photos wait in the intake again."""
    take_off_all(session, client_id, asked.pieces)


@router.post("/clients/{client_id}/rail/faces", status_code=204)
@in_one_change
def join(session: UnitOfWork, client_id: Id, asked: FacesRequest) -> None:
    """Says that two pieces are the two faces of one reversible piece."""
    join_faces(session, client_id, asked.first, asked.second)


@router.delete("/pieces/{piece_id}", status_code=204)
@in_one_change
def take(session: UnitOfWork, piece_id: str) -> None:
    """Takes a piece off the rail; its photo waits in the intake again."""
    take_off(session, piece_id)


@router.get("/pieces/{piece_id}/company")
def get_company(session: ReadSession, piece_id: str) -> CompanyAnswer:
    """What matches a piece, what clashes, what it goes with best and what it fights with."""
    hung = Pieces(session).of_client(Pieces(session).get(piece_id).client_id)
    return company_answer(company_of(session, piece_id), by_id(hung))


@router.get("/clients/{client_id}/changes")
def list_changes(session: ReadSession, client_id: Id) -> list[ChangeAnswer]:
    """Every change of a rail, newest first."""
    Clients(session).get(client_id)
    return [change_answer(one) for one in Journal(session).of_client(client_id)]


@router.post("/clients/{client_id}/undo")
@in_one_change
def undo_change(session: UnitOfWork, client_id: Id, change: int | None = None) -> UndoneAnswer:
    """Takes back the newest change of a rail; a change that is named, only while it is the newest."""
    return _undone(session, client_id, undo(session, client_id, change).told)


@router.post("/clients/{client_id}/redo")
@in_one_change
def redo_change(session: UnitOfWork, client_id: Id) -> UndoneAnswer:
    """Does again what was taken back last."""
    return _undone(session, client_id, redo(session, client_id).told)


def _undone(session: Session, client_id: str, told: str) -> UndoneAnswer:
    back, again = Journal(session).newest(client_id), Journal(session).oldest_taken_back(client_id)
    return UndoneAnswer(
        told=told, back=None if back is None else back.told, again=None if again is None else again.told
    )


@router.get("/clients/{client_id}/rail.json")
def get_rail_json(session: ReadSession, client_id: Id) -> Response:
    """The rail in the open format."""
    return _file(rail_json(session, client_id), "application/json", _name(session, client_id, "json"))


@router.get("/clients/{client_id}/rail.csv")
def get_rail_table(session: ReadSession, client_id: Id) -> Response:
    """The rail as a table."""
    return _file(rail_table(session, client_id), "text/csv; charset=utf-8", _name(session, client_id, "csv"))


@router.get("/clients/{client_id}/rail.zip")
def get_rail_archive(session: ReadSession, context: InContext, client_id: Id) -> Response:
    """The rail with its photos."""

    def write(out: IO[bytes]) -> None:
        write_rail_archive(session, context.folder, client_id, out)

    return zip_download(context, _name(session, client_id, "zip"), write)


def _name(session: Session, client_id: str, ending: str) -> str:
    return f"{file_name(Clients(session).get(client_id).name)}-rail.{ending}"


def _file(content: str | bytes, kind: str, name: str) -> Response:
    return Response(content, media_type=kind, headers={"content-disposition": f'attachment; filename="{name}"'})


@router.post("/clients/{client_id}/rail/import")
def import_rail(
    context: InContext, client_id: Id, rail: Annotated[UploadFile, File()], apply: Annotated[bool, Form()] = False
) -> ImportAnswer:
    """Says what taking a rail in would do, and does it when that is asked."""
    content, name = rail.file.read(MAX_RAIL + 1), rail.filename or "rail"
    if len(content) > MAX_RAIL:
        raise Refused("the file has more than 500 MB.", name, "Send it in parts.")
    sent = open_rail(content, name)
    if apply:
        plan = take_rail_in(context.sessions, context.folder, context.queue, client_id, sent)
        _make_pictures(context, plan.to_read)
        return import_answer(plan)
    with context.sessions() as session:
        return import_answer(plan_rail(session, client_id, sent))


def _make_pictures(context: Context, photo_ids: tuple[str, ...]) -> None:
    for id in photo_ids:
        context.queue.add(id)
