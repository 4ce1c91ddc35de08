"""Serves the built front end: its files as they are, and its one page for every other address."""

from pathlib import Path
from typing import Any

from fastapi import FastAPI
from fastapi.responses import FileResponse
from fastapi.staticfiles import StaticFiles
from starlette.exceptions import HTTPException
from starlette.middleware.gzip import GZipMiddleware
from starlette.responses import Response


class Hashed(StaticFiles):
    """Files whose names change with what is in them: a browser that has one need never ask again."""

    def file_response(self, *args: Any, **kwargs: Any) -> Response:
        """The file, to be kept for a year."""
        response = super().file_response(*args, **kwargs)
        response.headers["Cache-Control"] = "public, max-age=31536000, immutable"
        return response


def install(app: FastAPI, built: Path, authority: Path | None = None) -> None:
    """Serve the folder `built`, made by the front end's build; file names under assets carry their hash.

    `authority` is a certificate that devices install, if there is one.
    """
    assets = GZipMiddleware(Hashed(directory=built / "assets"))
    app.mount("/assets", assets, name="assets")

    @app.get("/authority.crt", include_in_schema=False)
    def read_authority() -> FileResponse:
        if authority is None:
            raise HTTPException(404)
        return FileResponse(authority, media_type="application/x-x509-ca-cert")

    @app.get("/{path:path}", include_in_schema=False)
    def page(path: str) -> FileResponse:
        if path.startswith("api/"):
            raise HTTPException(404)
        asked = (built / path).resolve()
        if path and asked.is_relative_to(built.resolve()) and asked.is_file():
            return FileResponse(asked)
        return FileResponse(built / "index.html", headers={"Cache-Control": "no-cache"})
