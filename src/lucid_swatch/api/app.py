"""The web application: the routers under /api, the built pages beside them."""

import sys
from collections.abc import AsyncIterator
from contextlib import asynccontextmanager
from pathlib import Path

from anyio import to_thread
from fastapi import APIRouter, FastAPI
from fastapi.responses import FileResponse, JSONResponse
from fastapi.routing import APIRoute
from starlette.formparsers import MultiPartParser
from starlette.staticfiles import StaticFiles

from . import (
    aside,
    audit,
    backups,
    books,
    candidates,
    capsules,
    changes,
    clients,
    compared_photos,
    faces,
    figures,
    follows,
    jobs,
    leanings,
    looks,
    palettes,
    photos,
    plans,
    rail,
    rail_files,
    rereading,
    rooms,
    side_by_side,
    studio,
    taste,
    trials,
    walk,
    walls,
    wears,
)
from .context import Context
from .guard import MAX_BODY, Guard
from .problems import ProblemDocument, answer, install

# what was sent and is not yet stripped never lies on a disk; the guard limits how much of it there is
MultiPartParser.spool_max_size = MAX_BODY

AT_ONCE = 10
"""Requests that are worked on at one time. One interpreter works on them in turns: more of them would all come later."""
TURNS = 0.001
"""Seconds of a turn. Whoever writes asks the database for many small things and waits for a turn after each."""
STATIC = Path(__file__).parents[1] / "static"


def operation_name(route: APIRoute) -> str:
    """The name of an operation in the generated client."""
    return route.name


def make_app(context: Context) -> FastAPI:
    """The application over a data folder. The reading queue lives as long as it does."""

    @asynccontextmanager
    async def life(app: FastAPI) -> AsyncIterator[None]:
        sys.setswitchinterval(TURNS)
        to_thread.current_default_thread_limiter().total_tokens = AT_ONCE
        context.queue.resume()
        context.watch.start()
        context.backups.start()
        yield
        context.first_seen.stop()
        context.watch.stop()
        context.backups.stop()
        context.queue.stop()
        context.sessions.close()

    app = FastAPI(
        title="Lucid Swatch",
        version="1",
        lifespan=life,
        docs_url=None,
        redoc_url=None,
        openapi_url=None,
        generate_unique_id_function=operation_name,
    )
    app.state.context = context
    install(app)
    app.include_router(api_router())
    app.add_middleware(Guard, key=context.key)
    _serve_pages(app)
    return app


def api_router() -> APIRouter:
    """Everything under /api."""
    problem = {"model": ProblemDocument}
    api = APIRouter(prefix="/api", responses={401: problem, 404: problem, 409: problem, 422: problem})
    for part in (
        clients,
        faces,
        trials,
        walk,
        follows,
        jobs,
        side_by_side,
        compared_photos,
        photos,
        rooms,
        rereading,
        rail,
        changes,
        rail_files,
        audit,
        palettes,
        leanings,
        looks,
        walls,
        plans,
        books,
        capsules,
        wears,
        candidates,
        figures,
        taste,
        studio,
        backups,
        aside,
    ):
        api.include_router(part.router)
    return api


def _serve_pages(app: FastAPI) -> None:
    if (STATIC / "assets").is_dir():
        app.mount("/assets", _Forever(directory=STATIC / "assets"))

    @app.get("/{path:path}", include_in_schema=False, response_model=None)
    def page(path: str) -> FileResponse | JSONResponse:
        if path.startswith("api/"):
            return answer(404, "there is nothing at this address.", f"/{path}", "Go back to the clients' book.")
        if not (STATIC / "index.html").is_file():
            return answer(503, "the pages have not been built.", "static", "Run make demo, which builds them.")
        icon = STATIC / "mark.svg"
        if path == "mark.svg" and icon.is_file():
            return FileResponse(icon)
        return FileResponse(STATIC / "index.html", headers={"cache-control": "no-cache"})


class _Forever(StaticFiles):
    """Built files carry their content in their name and never change."""

    def file_response(self, *arguments: object, **named: object) -> object:  # type: ignore[override]
        response = super().file_response(*arguments, **named)  # type: ignore[arg-type]
        response.headers["cache-control"] = "public, max-age=31536000, immutable"
        return response


def openapi_document() -> dict[str, object]:
    """The description from which the browser's client is generated."""
    app = FastAPI(title="Lucid Swatch", version="1", generate_unique_id_function=operation_name)
    app.include_router(api_router())
    return app.openapi()
