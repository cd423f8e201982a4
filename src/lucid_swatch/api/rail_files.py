"""A rail leaves, and comes in."""

from typing import IO, Annotated

from fastapi import APIRouter, File, Form, Response, UploadFile
from sqlalchemy.orm import Session

from lucid_swatch.core.problems import Refused
from lucid_swatch.store.clients import Clients
from lucid_swatch.usecases.rail_in import open_rail, plan_rail, take_rail_in
from lucid_swatch.usecases.rail_out import file_name, rail_json, rail_table, write_rail_archive

from .context import Context, Id, InContext, ReadSession
from .documents.rail_files import ImportAnswer, import_answer
from .downloads import zip_download

router = APIRouter(tags=["rail"])


MAX_RAIL = 500 * 1024 * 1024


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
