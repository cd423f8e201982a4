"""A problem becomes an answer: one table from kind to status, three parts for a person to read."""

import logging

import sqlalchemy as sa
from fastapi import FastAPI, Request
from fastapi.exceptions import RequestValidationError
from fastapi.responses import JSONResponse
from pydantic import BaseModel
from starlette.exceptions import HTTPException

from lucid_swatch.core.problems import AlreadyThere, NotThere, Problem, Refused

log = logging.getLogger(__name__)

STATUS: dict[type[Problem], int] = {NotThere: 404, AlreadyThere: 409, Refused: 422}


class ProblemDocument(BaseModel):
    """What is wrong, where, and what to do."""

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

    @app.exception_handler(sa.exc.OperationalError)
    def _database(request: Request, problem: sa.exc.OperationalError) -> JSONResponse:
        log.error("the database refused", exc_info=problem)
        reason = str(problem.orig).lower()
        what = "the disk is full." if "full" in reason else "the database could not be used."
        return answer(503, what, "data folder", "Nothing was changed. Make room or wait a moment, then try again.")

    @app.exception_handler(Exception)
    def _unknown(request: Request, problem: Exception) -> JSONResponse:
        log.error("a request failed", exc_info=problem)
        return answer(500, "something went wrong on our side.", request.url.path, "Nothing was changed. Load the page again.")  # fmt: skip
