"""The words that `./tide` understands."""

import fcntl
import os
import shutil
import subprocess
import sys
import time
from collections.abc import Callable
from datetime import UTC, datetime
from pathlib import Path

from launcher import backups, checks, server
from launcher.cluster import DATABASE, Cluster
from launcher.debian import ensure_chromium, ensure_gpg, ensure_openssl, ensure_server_packages
from launcher.environment import ensure_built, ensure_python
from launcher.lan import check_address, find_address
from launcher.places import ROOT, Places, settle
from launcher.say import Trouble, report, say, step

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
  vectors             write the cases anew that hold the front end's own sums to the core's
  backup [DIR]        write all data to a file, read it back, and delete what has aged out; with
                      --passphrase FILE encrypted
  restore FILE        put the data of a backup in the place of what is there; asks first, unless told
                      --yes; what is there is backed up before
  drill               back up, restore into a database of its own, and compare row by row
  reset-demo [--yes]  put the demo practice back as it was shipped; asks first, unless told yes

settings, in the environment of ./tide start:
  TIDE_OPEN           what the door offers: demo (as usual), or nothing: TIDE_OPEN= ./tide start
  TIDE_PORT           the port, if it is free; 8420 if not said"""


LEAST_FREE = 200_000_000
"""Bytes that must be free on the disk of our files before the database is started."""


def start(places: Places, words: list[str]) -> int:
    """Everything, from a bare machine to a printed address."""
    refuse_full_disk(shutil.disk_usage(places.state).free, places.state)
    lan = _lan(words)
    _up(places)
    running = server.start(places, server.cluster_of(places), lan)
    say(f"Mellow Tide is at {running.address}")
    if running.lan_address:
        say(f"  devices in the same room: {running.lan_address}")
        say(f"  the first time they are told not to trust it: {running.lan_address}/trust says what to do")
    if "demo" in [word.strip() for word in os.environ.get("TIDE_OPEN", "demo").split(",")]:
        say("  the door offers the demo: sign in as wenna@boatshed.example, password: slackwater")
    else:
        say("  the door offers nothing but signing in: the demo is switched off (TIDE_OPEN)")
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
    say("Mellow Tide is stopped; nothing is lost.")
    return 0


def reset_demo(places: Places, words: list[str]) -> int:
    """The demo practice as shipped, once that is agreed to; other practices stay as they are."""
    if "--yes" not in words and not _agrees(
        "Everything that was made in the demo practice is lost. Go on? [y/N] "
    ):
        say("The demo practice stays as it is.")
        return 1
    _up(places)
    server.prepare(places, server.cluster_of(places), "reset-demo")
    say("The demo practice is as it was shipped. Other practices were not touched.")
    return 0


def backup(places: Places, words: list[str]) -> int:
    """All data in a file, read back after it was written."""
    words, passphrase = _passphrase(words)
    cluster = _running(places)
    folder = Path(words[0]) if words else _backups(places)
    with step("backing up"):
        made = backups.back_up(cluster, DATABASE, folder, passphrase, datetime.now(UTC))
    say(f"Backed up and read back: {made.file} ({made.size / 1e6:.1f} MB)")
    return 0


def restore(places: Places, words: list[str]) -> int:
    """The data of a backup in the place of what is there, but for the clients erased since."""
    words, passphrase = _passphrase(words)
    files = [word for word in words if word != "--yes"]
    if len(files) != 1:
        raise Trouble("which backup is not said", "name it: ./tide restore FILE")
    question = "What was written since that backup is in use no more; it is backed up first. Go on? [y/N] "
    if "--yes" not in words and not _agrees(question):
        say("Nothing was restored.")
        return 1
    backups.read_back(Path(files[0]), passphrase)
    ensure_python(places)
    cluster = _running(places)
    server.stop(places)
    with step("backing up what is there"):
        before = backups.back_up(cluster, DATABASE, _backups(places), passphrase, datetime.now(UTC))
    with step("restoring"):
        again = backups.restore(
            cluster, DATABASE, Path(files[0]), passphrase, lambda dsn: server.migrate(places, cluster, dsn)
        )
    backups.note_restored(cluster, DATABASE, Path(files[0]))
    say(f"Restored. What was there before: {before.file}")
    if again:
        say(f"  {again} erased {'client stays' if again == 1 else 'clients stay'} erased")
    say("  ./tide start serves it")
    return 0


def drill(places: Places, words: list[str]) -> int:
    """Whether a backup made now could be restored: done, in a database of its own."""
    _, passphrase = _passphrase(words)
    ensure_python(places)
    cluster = _running(places)
    spare = Cluster(places.state / "drill-postgres")
    folder = places.state / "drill"
    began = time.monotonic()
    try:
        made = backups.back_up(cluster, DATABASE, folder, passphrase, datetime.now(UTC))
        written = time.monotonic()
        spare.start()
        spare.ensure_roles()
        backups.restore(spare, DATABASE, made.file, passphrase, lambda dsn: None)
        rows = backups.compare((cluster, DATABASE), (spare, DATABASE))
    finally:
        spare.stop()
        shutil.rmtree(spare.folder, ignore_errors=True)
        shutil.rmtree(folder, ignore_errors=True)
    say(f"The drill went well: {sum(rows.values())} rows in {len(rows)} tables are the same after restoring.")
    wrote, restored = written - began, time.monotonic() - written
    say(f"  {made.size / 1e6:.1f} MB written in {wrote:.1f} s, restored in {restored:.1f} s")
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


def vectors(places: Places, words: list[str]) -> int:
    """What the core says of made-up cases, for the front end to be held to."""
    ensure_python(places, ("run", "dev"))
    return _python(places, "-m", "tests.vectors")


def _passphrase(words: list[str]) -> tuple[list[str], Path | None]:
    """The words without --passphrase FILE, and that file."""
    if "--passphrase" not in words:
        return words, None
    at = words.index("--passphrase")
    if at + 1 == len(words):
        raise Trouble("the passphrase's file is not said", "--passphrase FILE")
    ensure_gpg()
    return [*words[:at], *words[at + 2 :]], Path(words[at + 1])


def _backups(places: Places) -> Path:
    return places.state / "backups"


def _running(places: Places) -> Cluster:
    cluster = server.cluster_of(places)
    cluster.start()
    cluster.ensure_roles()
    return cluster


def _agrees(question: str) -> bool:
    """Whether somebody at a terminal says yes; nobody there is a no."""
    if not sys.stdin.isatty():
        say("Nobody is here to ask. Say it beforehand with --yes.")
        return False
    return input(question).strip().lower() in ("y", "yes")


def _python(places: Places, *words: str) -> int:
    env = {**os.environ, "PYTHONPATH": str(ROOT), "TIDE_WEB": str(places.built)}
    return subprocess.run([str(places.python), *words], cwd=ROOT, env=env).returncode


def _up(places: Places) -> None:
    ensure_python(places)
    ensure_built(places)
    server.prepare(places, _running(places), "prepare")


COMMANDS: dict[str, Callable[[Places, list[str]], int]] = {
    "start": start,
    "stop": stop,
    "test": checks.test,
    "shots": shots,
    "bench": bench,
    "chaos": chaos,
    "audit": audit,
    "fuzz": fuzz,
    "vectors": vectors,
    "backup": backup,
    "restore": restore,
    "drill": drill,
    "reset-demo": reset_demo,
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
            if words[0] in ("start", "stop", "backup", "restore", "drill", "reset-demo"):
                fcntl.flock(lock, fcntl.LOCK_EX)
            return COMMANDS[words[0]](places, words[1:])
    except Trouble as trouble:
        return report(trouble)
    except PermissionError as error:
        what = f"{error.filename} belongs to another user"
        return report(Trouble(what, "run this as the user who started it first, or in a copy of your own"))
    except KeyboardInterrupt:
        say("\nStopped half way; the same command goes on from here.")
        return 130
