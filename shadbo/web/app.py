"""The application: API and front end from one process, at one address."""

import os
from importlib.metadata import version
from pathlib import Path

from fastapi import FastAPI, HTTPException, Request
from fastapi.responses import FileResponse, HTMLResponse, Response
from fastapi.staticfiles import StaticFiles
from sqlalchemy import Engine
from starlette.routing import Match
from starlette.types import Scope

from shadbo.store.database import VARIABLE, engine
from shadbo.web import problems
from shadbo.web.api_page import STYLE, api_page
from shadbo.web.bounds import Bounds
from shadbo.web.headers import Headers
from shadbo.web.logs import Requests
from shadbo.web.routers import (
    bench,
    cutter,
    doors,
    exercises,
    house,
    jobs,
    layouts,
    learned,
    lengths,
    papers,
    people,
    photos,
    plans,
    practice,
    record,
    schedule,
    stock,
    traced,
    work,
)
from shadbo.web.variables import UNLOCKED
from shadbo.web.waiting import WaitingRoom
from shadbo.work.queue import Queue

METHODS = ("GET", "HEAD", "POST", "PUT", "PATCH", "DELETE", "OPTIONS", "TRACE")
ALL = ("/api/{path:path}", "/{path:path}")
FRONTEND = Path(__file__).parents[2] / "frontend" / "dist"


def create_app(
    database: Engine | None = None,
    frontend: Path = FRONTEND,
    unlocked: bool | None = None,
    queue: Queue | None = None,
) -> FastAPI:
    """An application on the given database, or on the one that the environment names.

    Heavy work goes through the ``queue``; without one it is done in the request. An ``unlocked`` house serves
    whoever comes as the owner of its first workshop; the environment says where it is.
    """
    app = FastAPI(
        title="Shadbo", version=version("shadbo"), docs_url=None, redoc_url=None, openapi_url="/api/openapi.json"
    )
    if database is None and os.environ.get(VARIABLE):
        database = engine()
    app.state.engine = database
    app.state.queue = queue
    app.state.waiting = WaitingRoom(lambda: app.state.engine)
    app.state.unlocked = os.environ.get(UNLOCKED) == "yes" if unlocked is None else unlocked
    problems.install(app)
    app.add_middleware(Bounds)
    app.add_middleware(Requests)
    app.add_middleware(Headers)
    parts = (
        house,
        doors,
        exercises,
        people,
        jobs,
        lengths,
        plans,
        bench,
        photos,
        papers,
        layouts,
        learned,
        cutter,
        stock,
        traced,
        practice,
        record,
        schedule,
        work,
    )
    for router in (*(part.router for part in parts), schedule.feeds, jobs.files, photos.asides, people.tablets):
        app.include_router(router)
    _serve_api_page(app)
    _serve_nothing(app)
    _serve_frontend(app, frontend)
    return app


def _serve_api_page(app: FastAPI) -> None:
    @app.get("/api/", include_in_schema=False)
    def about() -> HTMLResponse:
        """What the API takes and answers."""
        return HTMLResponse(api_page(app.openapi()))

    @app.get("/api/page.css", include_in_schema=False)
    def style() -> Response:
        """Its style: pages carry none of their own."""
        return Response(STYLE, media_type="text/css")


def _serve_nothing(app: FastAPI) -> None:
    """Whatever else is asked of the API: that there is no such thing, or that it is not done this way."""

    @app.api_route(ALL[0], methods=list(METHODS), include_in_schema=False)
    def nothing(request: Request, path: str) -> None:
        done = [m for m in METHODS if _is_done(app, {**request.scope, "method": m})]
        if done:
            raise HTTPException(405, "That is not done this way", {"Allow": ", ".join(done)})
        raise HTTPException(404, f"There is nothing at /api/{path}")


def _is_done(app: FastAPI, scope: Scope) -> bool:
    """Whether a request of this method and path has a route of its own."""
    own = (r for r in app.router.routes if getattr(r, "path", "") not in ALL)
    return any(r.matches(scope)[0] == Match.FULL for r in own)


def _serve_frontend(app: FastAPI, frontend: Path) -> None:
    if (frontend / "assets").is_dir():
        app.mount("/assets", StaticFiles(directory=frontend / "assets"), name="assets")

    @app.get("/notices.txt", include_in_schema=False)
    def notices() -> FileResponse:
        """Whose work ships with this; written when the front end is built."""
        if not (frontend / "notices.txt").is_file():
            raise HTTPException(404, "The notices were not written when this was built")
        return FileResponse(frontend / "notices.txt", media_type="text/plain; charset=utf-8")

    @app.get(ALL[1], include_in_schema=False)
    def page(path: str) -> FileResponse:
        """The one page; its own router shows what the address names."""
        if path.startswith(("api/", "assets/")) or not (frontend / "index.html").is_file():
            raise HTTPException(404, "There is nothing at this address")
        return FileResponse(frontend / "index.html", headers={"Cache-Control": "no-cache"})
