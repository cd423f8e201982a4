"""The wear log."""

from datetime import date
from typing import Annotated

from fastapi import APIRouter, File, Query, Response, UploadFile

from lucid_swatch.formats.plain_text import MAX_TEXT_BYTES
from lucid_swatch.formats.wear_log import write_log
from lucid_swatch.store.clients import Clients
from lucid_swatch.store.wears import Wears
from lucid_swatch.usecases.rail_out import file_name
from lucid_swatch.usecases.wear_log import change_line, log, log_out, take_line_out, take_log_in, wearing

from .context import Id, ReadSession, UnitOfWork, in_one_change
from .documents.changes import LetGoAnswer
from .documents.wears import (
    LogTakenAnswer,
    WearAnswer,
    WearingAnswer,
    WearRequest,
    taken_answer,
    wear_answer,
    wearing_answer,
)

router = APIRouter(tags=["wear log"])


@router.get("/clients/{client_id}/wears")
def list_wears(
    session: ReadSession, client_id: Id, first: Annotated[date, Query()], last: Annotated[date, Query()]
) -> list[WearAnswer]:
    """What was worn on some days, the latest first."""
    Clients(session).get(client_id)
    return [wear_answer(one) for one in Wears(session).between(client_id, first, last)]


@router.post("/clients/{client_id}/wears", status_code=201)
@in_one_change
def add_wear(session: UnitOfWork, client_id: Id, asked: WearRequest) -> WearAnswer:
    """Writes down what was worn on a day."""
    return wear_answer(log(session, client_id, asked.to_core()))


@router.put("/wears/{wear_id}")
@in_one_change
def change_wear(session: UnitOfWork, wear_id: Id, asked: WearRequest) -> WearAnswer:
    """Writes a line of the log anew."""
    return wear_answer(change_line(session, wear_id, asked.to_core(Wears(session).get(wear_id).planned)))


@router.delete("/wears/{wear_id}")
@in_one_change
def take_wear_out(session: UnitOfWork, wear_id: Id) -> LetGoAnswer:
    """Takes a line out of the log, which can be taken back."""
    return LetGoAnswer(change=take_line_out(session, wear_id))


@router.get("/clients/{client_id}/wearing")
def tell_wearing(session: ReadSession, client_id: Id) -> WearingAnswer:
    """What the log tells of a rail: what is loved, what is left, what it costs a wear."""
    return wearing_answer(wearing(session, client_id))


@router.get("/clients/{client_id}/wears.csv")
def take_wears_out(session: ReadSession, client_id: Id) -> Response:
    """The whole log as CSV."""
    name = file_name(Clients(session).get(client_id).name)
    headers = {"content-disposition": f'attachment; filename="{name}-worn.csv"'}
    return Response(write_log(log_out(session, client_id)), media_type="text/csv; charset=utf-8", headers=headers)


@router.post("/clients/{client_id}/wears/file")
@in_one_change
def send_wears(session: UnitOfWork, client_id: Id, log_file: Annotated[UploadFile, File()]) -> LogTakenAnswer:
    """Takes lines from a file into the log; what is there already stays."""
    name, content = log_file.filename or "log", log_file.file.read(MAX_TEXT_BYTES + 1)
    return taken_answer(take_log_in(session, client_id, content, name))
