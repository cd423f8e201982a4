"""A problem becomes an answer: one table from kind to status, three parts for a person to read."""

import logging
import traceback

import sqlalchemy as sa
from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel, ConfigDict
from starlette.exceptions import HTTPException
from starlette.requests import ClientDisconnect

from lucid_swatch.core.problems import AlreadyThere, NotThere, Problem, Refused

log = logging.getLogger(__name__)

STATUS: dict[type[Problem], int] = {NotThere: 404, AlreadyThere: 409, Refused: 422}


class ProblemDocument(BaseModel):
    """What is wrong, where, and what to do."""

    model_config = ConfigDict(json_schema_serialization_defaults_required=True)

    what: str
    where: str = ""
    do: str = ""

    @classmethod
    def of(cls, problem: Problem) -> "ProblemDocument":
        """The three parts of a problem."""
        return cls(what=problem.what, where=problem.where, do=problem.do)


def answer(status: int, what: str, where: str = "", do: str = "") -> JSONResponse:
    """A problem as a response."""
    return JSONResponse(ProblemDocument(what=what, where=where, do=do).model_dump(), status)


def _sentence(message: str) -> str:
    """The framework's message as ours begin and end."""
    begin = message[:1].lower() if message[1:2].islower() else message[:1]
    return f"{begin}{message[1:].rstrip('.')}."


def install(app: FastAPI) -> None:
    """Every failure, ours or the framework's, becomes such an answer; no trace reaches a person."""

    @app.exception_handler(Problem)
    def _known(request: Request, problem: Problem) -> JSONResponse:
        return answer(STATUS.get(type(problem), 400), problem.what, problem.where, problem.do)

    @app.exception_handler(RequestValidationError)
    def _invalid(request: Request, problem: RequestValidationError) -> JSONResponse:
        fault = problem.errors()[0]
        where = ".".join(str(part) for part in fault["loc"] if part != "body")
        return answer(422, _sentence(str(fault["msg"])), where, "Correct it and try again.")

    @app.exception_handler(HTTPException)
    def _framework(request: Request, problem: HTTPException) -> JSONResponse:
        return answer(
            problem.status_code, _sentence(str(problem.detail)), request.url.path, "Go back to the clients' book."
        )

    @app.exception_handler(sa.exc.IntegrityError)
    def _gone(request: Request, problem: sa.exc.IntegrityError) -> JSONResponse:
        return answer(409, "something that this belongs to went meanwhile.", request.url.path, "Load the page again.")

    @app.exception_handler(sa.exc.DatabaseError)
    def _database(request: Request, problem: sa.exc.DatabaseError) -> JSONResponse:
        reason = str(problem.orig).lower()
        log.error("the database refused: %s", reason)
        if "malformed" in reason or "not a database" in reason or "corrupt" in reason:
            do = "Stop the application, run 'lucid-swatch check', and put a backup back if it says so."
            return answer(503, "the database is damaged.", "data folder", do)
        what = "the disk is full." if "full" in reason else "the database could not be used."
        return answer(503, what, "data folder", "Nothing was changed. Make room or wait a moment, then try again.")

    @app.exception_handler(FileNotFoundError)
    def _file_gone(request: Request, problem: FileNotFoundError) -> JSONResponse:
        return answer(404, "a file of this is not there.", request.url.path, "Load the page again.")

    @app.exception_handler(OSError)
    def _file(request: Request, problem: OSError) -> JSONResponse:
        reason = (problem.strerror or "unknown reason").lower()
        return answer(
            503, f"a file could not be used ({reason}).", "data folder", "Make room or wait a moment, then try again."
        )

    @app.exception_handler(ClientDisconnect)
    def _left(request: Request, problem: ClientDisconnect) -> JSONResponse:
        return answer(400, "the request was cut short.", request.url.path, "Send it again.")

    @app.exception_handler(Exception)
    def _unknown(request: Request, problem: Exception) -> JSONResponse:
        # what an error says may hold what is kept about a client: its kind and place are enough to find it
        log.error(
            "a request failed: %s\n%s", type(problem).__name__, "".join(traceback.format_tb(problem.__traceback__)[-4:])
        )
        return answer(
            500, "something went wrong on our side.", request.url.path, "Nothing was changed. Load the page again."
        )
