"""The rail."""

from typing import Annotated

from fastapi import APIRouter, Path, Response
from pydantic import TypeAdapter
from sqlalchemy.orm import Session

from lucid_swatch.store.clients import Clients
from lucid_swatch.store.looks import Looks
from lucid_swatch.store.pieces import Pieces
from lucid_swatch.store.records import HungPiece
from lucid_swatch.store.wears import Wears
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
from lucid_swatch.usecases.strips import strips_of
from lucid_swatch.usecases.ways import studio_ways
from lucid_swatch.usecases.what import what_of_piece

from .context import Id, InContext, ReadSession, UnitOfWork, in_one_change
from .documents.company import CompanyAnswer, company_answer
from .documents.rail import (
    ChangeRequest,
    FacesRequest,
    PieceAnswer,
    TakeOffRequest,
    WordRequest,
    by_id,
    piece_answers,
    strip_answers,
)
from .documents.what import WhatAnswer, what_answer

router = APIRouter(tags=["rail"])

PIECES = TypeAdapter(list[PieceAnswer])


@router.get("/clients/{client_id}/rail", response_model=list[PieceAnswer])
def get_rail(session: ReadSession, client_id: Id) -> Response:
    """A client's pieces with where each hangs."""
    looks = _looks_by_piece(session, client_id)
    rail = the_rail(session, client_id)
    worn = Wears(session).tally(client_id)
    answers = piece_answers(rail, looks, strip_answers(client_id, [one.hung for one in rail]), worn)
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
    worn = Wears(session).tally(client.id)
    return piece_answers(hanging(client, hung, studio_ways(session)), _looks_by_piece(session, client.id), strips, worn)


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
    with context.sessions.begin() as session:
        changed = change_pieces(session, client_id, asked.pieces, asked.word.to_word(), asked.kept)
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


@router.get("/pieces/{piece_id}/what")
def get_what(session: ReadSession, context: InContext, piece_id: str) -> WhatAnswer:
    """What a piece on the rail is."""
    return what_answer(what_of_piece(session, context.folder, piece_id))


@router.get("/pieces/{piece_id}/company")
def get_company(session: ReadSession, piece_id: str) -> CompanyAnswer:
    """What matches a piece, what clashes, what it goes with best and what it fights with."""
    hung = Pieces(session).of_client(Pieces(session).get(piece_id).client_id)
    return company_answer(company_of(session, piece_id), by_id(hung))
