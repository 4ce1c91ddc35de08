"""The server's log: what went wrong and where, and never a word of anybody."""

import logging
import traceback
from types import TracebackType
from typing import Any

MOST_BYTES, KEPT = 1_000_000, 5
"""A log file is put aside at this size; so many of those are kept."""

Raised = tuple[type[BaseException], BaseException, TracebackType | None]


class WithoutContent(logging.Formatter):
    """Tells errors by their kind and by where they were raised: their messages quote what people wrote."""

    def formatException(self, ei: Raised | tuple[None, None, None]) -> str:  # noqa: N802 (the library's name)
        """The kinds of the error and of its causes, each with the lines it passed."""
        told: list[str] = []
        error = ei[1]
        while error is not None:
            told.append(f"{type(error).__module__}.{type(error).__qualname__}")
            frames = traceback.extract_tb(error.__traceback__)
            told += [f"  {frame.filename}:{frame.lineno} in {frame.name}" for frame in frames]
            error = error.__cause__ or error.__context__
        return "\n".join(told)


def make_log_config(file: str | None) -> dict[str, Any]:
    """How the server logs: to `file`, put aside when it is large, or to the terminal; libraries say nothing."""
    handler: dict[str, Any] = (
        {
            "class": "logging.handlers.RotatingFileHandler",
            "filename": file,
            "maxBytes": MOST_BYTES,
            "backupCount": KEPT,
            "encoding": "utf-8",
        }
        if file
        else {"class": "logging.StreamHandler"}
    )
    return {
        "version": 1,
        "disable_existing_loggers": False,
        "formatters": {
            "plain": {"()": WithoutContent, "format": "%(asctime)s %(levelname)s %(name)s %(message)s"}
        },
        "handlers": {
            "ours": {**handler, "formatter": "plain"},
            "nowhere": {"class": "logging.NullHandler"},
        },
        # Libraries quote what they were given; the pool only tells that the database is away.
        "root": {"handlers": ["nowhere"], "level": "WARNING"},
        "loggers": {
            name: {"handlers": ["ours"], "level": "INFO", "propagate": False}
            for name in ("mellow_tide", "psycopg.pool", "uvicorn")
        },
    }
