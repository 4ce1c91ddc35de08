"""The words of `./tide` that are about the data: the demo put back, backups, and a password that was forgotten."""

import os
import shutil
import sys
from datetime import UTC, datetime
from pathlib import Path

from launcher import backups, server
from launcher.cluster import DATABASE, Cluster
from launcher.debian import ensure_gpg
from launcher.drill import drill as run_drill
from launcher.environment import ensure_built, ensure_python
from launcher.places import Places
from launcher.say import Trouble, say, step


def reset_demo(places: Places, words: list[str]) -> int:
    """The demo practice as shipped, once that is agreed to; other practices stay as they are."""
    if "--yes" not in words and not _agrees(
        "Everything that was made in the demo practice is lost. Go on? [y/N] "
    ):
        say("The demo practice was not reset.")
        return 1
    bring_up(places)
    server.prepare(places, server.cluster_of(places), "reset-demo")
    say("The demo practice is reset. Other practices were not touched.")
    return 0


def backup(places: Places, words: list[str]) -> int:
    """All data in a file, read back after it was written."""
    words, passphrase = _passphrase(words)
    cluster = run_cluster(places)
    folder = Path(words[0]) if words else _backups(places)
    with step("backing up"):
        made = backups.back_up(backups.Source(cluster, DATABASE), folder, passphrase, datetime.now(UTC))
    say(f"Backed up and checked: {made.file} ({made.size / 1e6:.1f} MB)")
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
    cluster = run_cluster(places)
    server.stop(places)
    with step("backing up what is there"):
        before = backups.back_up(
            backups.Source(cluster, DATABASE), _backups(places), passphrase, datetime.now(UTC)
        )
    with step("restoring"):
        again = backups.restore(
            cluster, DATABASE, Path(files[0]), passphrase, lambda dsn: server.migrate(places, cluster, dsn)
        )
    backups.note_restored(cluster, DATABASE, Path(files[0]))
    say(f"Restored. What was there before: {before.file}")
    if again:
        say(f"  {again} deleted {'client stays' if again == 1 else 'clients stay'} deleted")
    say("  ./tide start serves it")
    return 0


def drill(places: Places, words: list[str]) -> int:
    """Whether a backup made now could be restored: done, in a database of its own."""
    _, passphrase = _passphrase(words)
    spare = Cluster(places.state / "drill-postgres")
    try:
        cluster = run_cluster(places)
        spare.start()
        spare.ensure_roles()
        done = run_drill(cluster, DATABASE, spare, passphrase)
    finally:
        spare.stop()
        shutil.rmtree(spare.folder, ignore_errors=True)
    say(
        f"The drill went well: {sum(done.rows.values())} rows in {len(done.rows)} tables are the same after restoring."
    )
    say(f"  {done.size / 1e6:.1f} MB written in {done.wrote:.1f} s, restored in {done.restored:.1f} s")
    return 0


def password(places: Places, words: list[str]) -> int:
    """A one-time link for somebody who forgot their password."""
    emails = [word for word in words if not word.startswith("--")]
    if len(emails) != 1:
        raise Trouble("whose password is not said", "name the e-mail: ./tide password EMAIL")
    ensure_python(places)
    cluster = run_cluster(places)
    token = server.make_password_link(places, cluster, words)
    address = os.environ.get("TIDE_PUBLIC_URL") or server.address_of(places)
    say(f"It sets a new password once, within a day: {address}/password#{token}")
    return 0


def bring_up(places: Places) -> None:
    """All that the server needs, and its data brought up to date."""
    ensure_python(places)
    ensure_built(places)
    server.prepare(places, run_cluster(places), "prepare")


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


def run_cluster(places: Places) -> Cluster:
    """The product's own cluster, started."""
    cluster = server.cluster_of(places)
    cluster.start()
    cluster.ensure_roles()
    return cluster


def _agrees(question: str) -> bool:
    """Whether somebody at a terminal says yes; nobody there is a no."""
    if not sys.stdin.isatty():
        say("There is no terminal to ask at. Answer beforehand with --yes.")
        return False
    return input(question).strip().lower() in ("y", "yes")
