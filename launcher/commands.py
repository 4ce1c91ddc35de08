"""The words that `./tide` understands."""

import fcntl
import os
import shutil
import subprocess
from collections.abc import Callable
from pathlib import Path

from launcher import checks, data, server
from launcher.debian import ensure_chromium, ensure_openssl, ensure_server_packages
from launcher.environment import ensure_built, ensure_python
from launcher.lan import check_address, find_address
from launcher.places import ROOT, Places, settle
from launcher.say import Trouble, report, say

USAGE = """usage: ./tide COMMAND

  start               install what is missing, start everything, print the address; with --lan [ADDRESS]
                      also for devices in the same room, over TLS
  stop                stop the server and the database
  test [PYTEST WORDS] check and test all but what is long, or run pytest with the words given
  test quick          the inner loop: types, lint, core and units, in less than a minute
  test long           large random runs, every view, chaos, odd hours
  shots               make the screenshots in docs/screenshots anew from the demo
  bench [AREA]        measure what is promised about speed; --json for one object a line
  chaos [--runs N]    work sessions while network, browser, server and database fail; 200 if not said
  fuzz [--minutes N]  send whatever the description allows, and what it does not, to a real server; 10 if not said
  audit [FILE]        every locked package with its licence; with a file of advisories (OSV), what they are about
  machine KIND        a simulated lift-table or towel-warmer, until Ctrl+C; see docs/devices.md
  vectors             write the cases anew that hold the front end's own sums to the core's
  backup [DIR]        write all data to a file, read it back, and delete what has aged out; with
                      --passphrase FILE encrypted
  restore FILE        put the data of a backup in the place of what is there; asks first, unless told
                      --yes; what is there is backed up before
  drill               back up, restore into a database of its own, and compare row by row
  password EMAIL      print a one-time link that sets a new password; with --end-second-factor where the phone
                      with the codes is gone, too
  reset-demo [--yes]  put the demo practice back as it was shipped; asks first, unless told yes

settings, in the environment of ./tide start:
  TIDE_OPEN           what the door offers: demo, practices (anybody may open one), invited (who holds an invitation
                      may join); all of them on this machine, invited where TIDE_PUBLIC_URL is set or in the room
  TIDE_PORT           the port, if it is free; 8420 if not said"""


LEAST_FREE = 200_000_000
"""Bytes that must be free on the disk of our files before the database is started."""


def start(places: Places, words: list[str]) -> int:
    """Everything, from a bare machine to a printed address."""
    refuse_full_disk(shutil.disk_usage(places.state).free, places.state)
    lan = _lan(words)
    data.bring_up(places)
    running = server.start(places, server.cluster_of(places), lan)
    say(f"Mellow Tide is at {running.address}")
    if running.lan_address:
        say(f"  devices in the same room: {running.lan_address}")
        say(f"  the first time their browser warns them: {running.lan_address}/trust explains what to do")
    usual = "invited" if os.environ.get("TIDE_PUBLIC_URL") else server.EVERYTHING
    offers = [word.strip() for word in os.environ.get("TIDE_OPEN", usual).split(",") if word.strip()]
    say(f"  the door offers: {', '.join(offers) or 'sign-in only'}")
    if "demo" in offers:
        say("  the demo opens with one tap, or sign in as wenna@boatshed.example, password: slackwater")
    say("  ./tide stop ends it")
    return 0


def _lan(words: list[str]) -> str | None:
    """Where the local network finds this machine, if devices there are to be served."""
    if "--lan" not in words:
        return None
    ensure_openssl()
    named = words[words.index("--lan") + 1 :][:1]
    return check_address(named[0]) if named else find_address()


def refuse_full_disk(free: int, folder: Path) -> None:
    """Raise `Trouble` where too few bytes are free for the database to work."""
    if free < LEAST_FREE:
        what = f"the disk is nearly full: {free // 1_000_000} MB are free where {folder} lies"
        raise Trouble(what, f"free {LEAST_FREE // 1_000_000} MB at least and start again; nothing is lost")


def stop(places: Places, words: list[str]) -> int:
    """Server first, then database."""
    server.stop(places)
    server.cluster_of(places).stop()
    say("Mellow Tide is stopped. Everything is saved.")
    return 0


def shots(places: Places, words: list[str]) -> int:
    """Screenshots from a fresh demo on a database of their own."""
    ensure_chromium()
    ensure_server_packages()
    ensure_python(places, ("run", "dev"))
    ensure_built(places)
    return _python(places, "-m", "tests.browser.shots", *words)


def bench(places: Places, words: list[str]) -> int:
    """The benchmarks."""
    ensure_server_packages()
    ensure_python(places, ("run", "dev"))
    return _python(places, "-m", "benchmarks", *words)


def chaos(places: Places, words: list[str]) -> int:
    """Runs at the table while everything fails, on a world of their own."""
    ensure_chromium()
    ensure_server_packages()
    ensure_python(places, ("run", "dev"))
    ensure_built(places)
    return _python(places, "-m", "tests.chaos", *words)


def fuzz(places: Places, words: list[str]) -> int:
    """The described interface, fuzzed, on a world of its own."""
    ensure_server_packages()
    ensure_python(places, ("run", "dev"))
    ensure_built(places)
    return _python(places, "-m", "tests.fuzz", *words)


def audit(places: Places, words: list[str]) -> int:
    """What the product is made of, and what is known against it."""
    ensure_python(places, ("run", "dev"))
    return _python(places, "-m", "launcher.audit", *words)


def machine(places: Places, words: list[str]) -> int:
    """A simulated machine of the room; it remembers who is paired."""
    ensure_python(places, ("run",))
    memory = [str(places.state / f"{words[0]}.json")] if words else []
    try:
        return _python(places, "-m", "mellow_tide.devices", *words[:1], *memory)
    except KeyboardInterrupt:
        return 0


def vectors(places: Places, words: list[str]) -> int:
    """What the core says of made-up cases, for the front end to be held to."""
    ensure_python(places, ("run", "dev"))
    return _python(places, "-m", "tests.vectors")


def _python(places: Places, *words: str) -> int:
    env = {**os.environ, "PYTHONPATH": str(ROOT), "TIDE_WEB": str(places.built)}
    return subprocess.run([str(places.python), *words], cwd=ROOT, env=env).returncode


COMMANDS: dict[str, Callable[[Places, list[str]], int]] = {
    "start": start,
    "stop": stop,
    "test": checks.test,
    "shots": shots,
    "bench": bench,
    "chaos": chaos,
    "audit": audit,
    "machine": machine,
    "fuzz": fuzz,
    "vectors": vectors,
    "backup": data.backup,
    "restore": data.restore,
    "drill": data.drill,
    "password": data.password,
    "reset-demo": data.reset_demo,
}


def main(words: list[str]) -> int:
    """Carry out a command; the exit code."""
    if not words or words[0] not in COMMANDS:
        say(USAGE)
        return 0 if words and words[0] in ("help", "--help", "-h") else 2
    try:
        ensure_server_packages()
        places = settle()
        # Two starters take turns.
        with (places.state / "lock").open("w") as lock:
            if words[0] in ("start", "stop", "backup", "restore", "drill", "password", "reset-demo"):
                fcntl.flock(lock, fcntl.LOCK_EX)
            return COMMANDS[words[0]](places, words[1:])
    except Trouble as trouble:
        return report(trouble)
    except PermissionError as error:
        what = f"{error.filename} belongs to another user"
        return report(Trouble(what, "run this as the user who started it first, or in a copy of your own"))
    except KeyboardInterrupt:
        say("\nStopped half way. Run the same command again to continue.")
        return 130
