"""Where things live, and as whom the servers run."""

import fcntl
import hashlib
import os
import pwd
import shutil
import subprocess
from dataclasses import dataclass
from pathlib import Path

from launcher.say import run, step

ROOT = Path(__file__).resolve().parent.parent
SERVER_USER = "mellow-tide"
DATABASE_USER = "postgres"


@dataclass(frozen=True)
class Places:
    """`state` holds all that is made here; `code` is the package as the server reads it."""

    state: Path
    code: Path

    @property
    def python(self) -> Path:
        """The project's own Python."""
        return self.state / "venv" / "bin" / "python"

    @property
    def built(self) -> Path:
        """The built front end."""
        return self.state / "web"


def am_root() -> bool:
    """Whether this runs as root."""
    return os.geteuid() == 0


def as_user(user: str, command: list[str]) -> list[str]:
    """The command to run as `user` when this is root, else the command itself."""
    if not am_root():
        return command
    entry = pwd.getpwnam(user)
    drop = ["setpriv", f"--reuid={entry.pw_uid}", f"--regid={entry.pw_gid}", "--clear-groups"]
    return [*drop, *command]


def own(path: Path, user: str) -> None:
    """Give `path` to `user` when this is root."""
    if am_root():
        entry = pwd.getpwnam(user)
        os.chown(path, entry.pw_uid, entry.pw_gid)


def settle() -> Places:
    """Choose where to keep state: inside the project, or below /var/lib when this is root and the servers'
    users cannot reach the project (a home of mode 700, say); then the package is copied there too.
    """
    if am_root():
        _make_server_user()
        if not all(_can_reach(user, ROOT) for user in (SERVER_USER, DATABASE_USER) if _exists(user)):
            return _outside()
    places = Places(ROOT / ".tide", ROOT)
    places.state.mkdir(exist_ok=True)
    return places


def _outside() -> Places:
    name = f"{ROOT.name}-{hashlib.sha256(str(ROOT).encode()).hexdigest()[:8]}"
    state = Path("/var/lib/mellow-tide") / name
    code = state / "code"
    (code / "mellow_tide").mkdir(parents=True, exist_ok=True)
    # Tests settle in several processes at once: they copy one after the other.
    with (state / "code.lock").open("w") as lock:
        fcntl.flock(lock, fcntl.LOCK_EX)
        fresh = state / "code.new"
        shutil.rmtree(fresh, ignore_errors=True)
        shutil.copytree(ROOT / "mellow_tide", fresh / "mellow_tide")
        shutil.rmtree(code)
        fresh.rename(code)
    return Places(state, code)


def _exists(user: str) -> bool:
    try:
        pwd.getpwnam(user)
    except KeyError:
        return False
    return True


def _can_reach(user: str, folder: Path) -> bool:
    command = as_user(user, ["test", "-x", str(folder), "-a", "-r", str(folder / "tide")])
    return subprocess.run(command, cwd="/", capture_output=True).returncode == 0


def _make_server_user() -> None:
    if _exists(SERVER_USER):
        return
    with step(f"making the unprivileged user {SERVER_USER} that the server runs as"):
        run(
            ["useradd", "--system", "--no-create-home", "--shell", "/usr/sbin/nologin", SERVER_USER],
            f"make a system user called {SERVER_USER} by hand and start again",
        )
