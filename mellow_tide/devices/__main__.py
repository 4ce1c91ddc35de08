"""A simulated machine on loopback: `python -m mellow_tide.devices lift-table [FILE]`."""

import socket
import sys
from collections.abc import Callable
from pathlib import Path

import typer
import uvicorn
from fastapi import FastAPI

from mellow_tide.devices.lift_table import make_lift_table
from mellow_tide.devices.protocol import PORTS
from mellow_tide.devices.towel_warmer import make_towel_warmer

MACHINES: dict[str, Callable[[Path | None], FastAPI]] = {
    "lift-table": make_lift_table,
    "towel-warmer": make_towel_warmer,
}


def _listen(first: int) -> socket.socket:
    """A port for machines that is free: each kind begins with its own, to be found where it was."""
    for port in (*PORTS[first:], *PORTS[:first]):
        listening = socket.socket()
        listening.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
        try:
            listening.bind(("127.0.0.1", port))
            listening.listen()
        except OSError:
            listening.close()
            continue
        return listening
    sys.exit(f"the ports {PORTS[0]} to {PORTS[-1]} are all taken: end one of the machines")


def run(words: list[str]) -> None:
    """Be the machine that is named until it is ended; with a file it remembers who is paired."""
    if not words or words[0] not in MACHINES:
        sys.exit(f"name one machine: {', '.join(MACHINES)}")
    listening = _listen(list(MACHINES).index(words[0]))
    typer.echo(f"{words[0]} at http://127.0.0.1:{listening.getsockname()[1]}; Ctrl+C ends it")
    app = MACHINES[words[0]](Path(words[1]) if words[1:] else None)
    config = uvicorn.Config(app, log_level="warning", server_header=False)
    uvicorn.Server(config).run([listening])


if __name__ == "__main__":
    run(sys.argv[1:])
