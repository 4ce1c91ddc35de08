"""What the launcher tells the person at the terminal."""

import subprocess
import sys
import time
from collections.abc import Iterator, Sequence
from contextlib import contextmanager
from pathlib import Path


class Trouble(Exception):
    """A step failed: `what` happened, and what to `do` about it."""

    def __init__(self, what: str, do: str) -> None:
        super().__init__(what)
        self.what = what
        self.do = do


def say(words: str) -> None:
    """One line for the person."""
    print(words, flush=True)


@contextmanager
def step(doing: str) -> Iterator[None]:
    """Say what is being done, and how long it took if that was more than a moment."""
    say(f"· {doing} …")
    began = time.monotonic()
    yield
    took = time.monotonic() - began
    if took > 2:
        say(f"  done in {took:.0f} s")


def run(
    command: Sequence[str | Path],
    do: str,
    cwd: Path | None = None,
    env: dict[str, str] | None = None,
    log: Path | None = None,
) -> str:
    """Run a command quietly; what it printed. Raises `Trouble` with the end of that and the remedy `do`."""
    done = subprocess.run(
        [str(part) for part in command],
        cwd=cwd,
        env=env,
        stdin=subprocess.DEVNULL,
        stdout=subprocess.PIPE,
        stderr=subprocess.STDOUT,
        text=True,
    )
    if log:
        log.write_text(done.stdout, encoding="utf-8")
    if done.returncode:
        tail = "\n".join("    " + line for line in done.stdout.strip().splitlines()[-12:])
        # Whose user it ran as says nothing of what failed.
        words = [str(part) for part in command]
        name = Path(words[words.index("--clear-groups") + 1 if "--clear-groups" in words else 0]).name
        raise Trouble(f"“{name}” ended with {done.returncode}:\n{tail}", do)
    return done.stdout


def report(trouble: Trouble) -> int:
    """Print a trouble; the exit code to end with."""
    print(f"tide: {trouble.what}\n  What to do: {trouble.do}", file=sys.stderr, flush=True)
    return 1
