"""Serves the built front end: its files as they are, and its one page for every other address."""

from pathlib import Path

from fastapi import FastAPI
from fastapi.responses import FileResponse
from fastapi.staticfiles import StaticFiles
from starlette.exceptions import HTTPException


def install(app: FastAPI, built: Path) -> None:
    """Serve the folder `built`, made by the front end's build; file names under assets carry their hash."""
    app.mount("/assets", StaticFiles(directory=built / "assets"), name="assets")

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> FileResponse:
        if path.startswith("api/"):
            raise HTTPException(404, "There is no such address.")
        asked = (built / path).resolve()
        if path and asked.is_relative_to(built.resolve()) and asked.is_file():
            return FileResponse(asked)
        return FileResponse(built / "index.html", headers={"Cache-Control": "no-cache"})
