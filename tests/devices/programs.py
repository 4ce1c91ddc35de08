"""Simulated machines as processes of their own, for tests."""

import subprocess
import sys
from collections.abc import Iterator
from contextlib import contextmanager
from dataclasses import dataclass
from pathlib import Path

import httpx

ROOT = Path(__file__).parents[2]

FROM_PAGE = {"x-from-page": "1"}


@dataclass
class Program:
    """A machine that runs, and the page it has."""

    process: subprocess.Popen[str]
    port: int

    def face(self) -> dict:
        """What the machine shows to whoever stands before it."""
        return httpx.get(f"http://127.0.0.1:{self.port}/face", headers=FROM_PAGE).raise_for_status().json()

    def behave(self, behaves: str) -> None:
        """Let it answer well, slowly, never, or with nonsense."""
        sent = httpx.post(
            f"http://127.0.0.1:{self.port}/behave", headers=FROM_PAGE, json={"behaves": behaves}
        )
        sent.raise_for_status()

    def kill(self) -> None:
        """Pull the plug."""
        self.process.kill()
        self.process.wait()


@contextmanager
def running(kind: str, memory: Path | None = None) -> Iterator[Program]:
    """A machine that runs until the block ends."""
    words = [sys.executable, "-m", "mellow_tide.devices", kind, *([str(memory)] if memory else [])]
    process = subprocess.Popen(words, cwd=ROOT, stdout=subprocess.PIPE, text=True)
    try:
        assert process.stdout
        line = process.stdout.readline()
        program = Program(process, int(line.split("127.0.0.1:")[1].split(";")[0]))
        _await(program)
        yield program
    finally:
        process.kill()
        process.wait()


def _await(program: Program) -> None:
    # The socket listens already: the connection waits until the program answers.
    httpx.get(f"http://127.0.0.1:{program.port}/machine", timeout=60).raise_for_status()
