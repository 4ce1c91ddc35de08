"""Installs what Debian provides, if it is missing."""

import os
import shutil
from pathlib import Path

from launcher.places import am_root
from launcher.say import Trouble, run, say, step

POSTGRES_BIN = Path("/usr/lib/postgresql/15/bin")
CHROMIUM = Path("/usr/bin/chromium")
PYTHONS = ("/usr/bin/python3.11", "/usr/bin/python3")
NO_MAIN_CLUSTER = Path("/etc/postgresql-common/createcluster.conf")


def ensure_server_packages() -> None:
    """PostgreSQL 15 and Python's venv module, from Debian's packages."""
    missing = []
    if not (POSTGRES_BIN / "initdb").exists():
        missing.append("postgresql-15")
    if not Path("/usr/lib/python3.11/ensurepip/__init__.py").exists():
        missing.append("python3-venv")
    _install(missing)


def ensure_chromium() -> None:
    """Chromium, for browser tests and screenshots."""
    _install([] if CHROMIUM.exists() else ["chromium", "fonts-liberation"])


def ensure_gpg() -> None:
    """GnuPG, for encrypted backups."""
    _install([] if shutil.which("gpg") else ["gnupg"])


def ensure_openssl() -> None:
    """OpenSSL, for the certificates of the local network."""
    _install([] if shutil.which("openssl") else ["openssl"])


def system_python() -> str:
    """A Python that every user of the machine can reach, with its venv module."""
    for path in PYTHONS:
        if Path(path).exists():
            return path
    raise Trouble("there is no Python in /usr/bin", "apt-get install python3 python3-venv")


def _install(packages: list[str]) -> None:
    if not packages:
        return
    names = " ".join(packages)
    by_hand = f"run “apt-get install {names}” as root and start again"
    if not shutil.which("apt-get"):
        raise Trouble(
            f"{names}: missing, and this is not Debian", "install PostgreSQL 15 and Python 3.11 by hand"
        )
    sudo = [] if am_root() else ["sudo"]
    if sudo and not shutil.which("sudo"):
        raise Trouble(f"{names}: missing, and neither root nor sudo is at hand", by_hand)
    quiet = {**os.environ, "DEBIAN_FRONTEND": "noninteractive"}
    with step(f"installing {names} from Debian's packages (a minute or two)"):
        if "postgresql-15" in packages and not NO_MAIN_CLUSTER.exists():
            say("  without Debian's own database cluster: the project has its own")
            run([*sudo, "mkdir", "-p", NO_MAIN_CLUSTER.parent], by_hand)
            run([*sudo, "sh", "-c", f"echo 'create_main_cluster = false' > {NO_MAIN_CLUSTER}"], by_hand)
        run([*sudo, "apt-get", "update", "-q"], "check the network and Debian's sources", env=quiet)
        keep = ["-o", "Dpkg::Options::=--force-confold"]
        run(
            [*sudo, "apt-get", "install", "-qy", "--no-install-recommends", *keep, *packages],
            by_hand,
            env=quiet,
        )
