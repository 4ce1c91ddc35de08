"""Starts and stops the web server, in the background, as an unprivileged user."""

import json
import os
import signal
import socket
import ssl
import subprocess
import time
from contextlib import suppress
from dataclasses import dataclass
from pathlib import Path
from typing import Self
from urllib.request import urlopen

from launcher.cluster import OWNER, Cluster, free_port, port_is_free
from launcher.environment import package_hash, sources_hash
from launcher.lan import FIRST_PORT as LAN_PORT
from launcher.lan import Certificate, ensure_certificate
from launcher.places import SERVER_USER, Places, as_user, own
from launcher.say import Trouble, run, say, step

FIRST_PORT = 8420

SETTINGS = ("TIDE_OPEN", "TIDE_PUBLIC_URL", "TIDE_PROXIES")
"""What whoever starts it may set, and the package reads."""

EVERYTHING = "demo,practices,invited"
"""What the door may offer."""


def cluster_of(places: Places) -> Cluster:
    """The product's own cluster."""
    return Cluster(places.state / "postgres")


def environment_of(places: Places, cluster: Cluster, owner: bool) -> dict[str, str]:
    """What a process of the package is told; only migrations and the demo see the owner's address."""
    env = {key: value for key, value in os.environ.items() if not key.startswith("TIDE_")}
    env |= {key: os.environ[key] for key in SETTINGS if key in os.environ}
    env |= {"PYTHONPATH": str(places.code), "TIDE_DSN": cluster.dsn(), "TIDE_WEB": str(places.built)}
    env |= {"TIDE_OWNER_DSN": cluster.dsn(OWNER)} if owner else {}
    return env


def prepare(places: Places, cluster: Cluster, *words: str) -> None:
    """Migrate and load the demo; what was told on the way is told on."""
    command = [str(places.python), "-m", "mellow_tide.cli", *words]
    do = "read the message above; nothing half-done is kept"
    env = environment_of(places, cluster, owner=True)
    with step("bringing the data up to date"):
        told = run(as_user(SERVER_USER, command), do, cwd=Path("/"), env=env)
    if told.strip():
        say(told.rstrip())


def migrate(places: Places, cluster: Cluster, owner_dsn: str) -> None:
    """Bring another database of the cluster up to the newest migration, and make no demo in it."""
    command = [str(places.python), "-m", "mellow_tide.cli", "prepare"]
    env = environment_of(places, cluster, owner=True) | {"TIDE_OWNER_DSN": owner_dsn, "TIDE_OPEN": ""}
    run(as_user(SERVER_USER, command), "read the message above", cwd=Path("/"), env=env)


def make_password_link(places: Places, cluster: Cluster, words: list[str]) -> str:
    """The secret part of a link that sets a new password; `words` are the e-mail and switches."""
    command = [str(places.python), "-m", "mellow_tide.cli", "password", *words]
    env = environment_of(places, cluster, owner=True)
    do = "give the e-mail that they sign in with"
    return run(as_user(SERVER_USER, command), do, cwd=Path("/"), env=env).strip()


def address_of(places: Places) -> str:
    """Where the server is, if it runs; else where it would be."""
    return str(_recorded(places).get("address", f"http://127.0.0.1:{FIRST_PORT}"))


@dataclass(frozen=True)
class Running:
    """Where the product is reached: on this machine, and from devices in the same room if that was asked for."""

    address: str
    lan_address: str = ""


def start(places: Places, cluster: Cluster, lan: str | None = None) -> Running:
    """Where the running server is; starts it if it does not run, is older than its sources or is set otherwise.

    `lan` is this machine's address in its local network, if devices there are served as well.
    """
    settings = "|".join(os.environ.get(key, "as usual") for key in SETTINGS)
    version = package_hash(places) + sources_hash() + settings + (lan or "")
    known = _known(places)
    if known and known["version"] == version:
        return Running(str(known["address"]), str(known.get("lan_address", "")))
    stop(places)
    wanted = int(os.environ.get("TIDE_PORT", FIRST_PORT))
    port = free_port(wanted)
    if port != wanted:
        say(f"· port {wanted} is taken; using {port}")
    room = _Room.at(lan, places) if lan else None
    running = Running(f"http://127.0.0.1:{port}", room.address if room else "")
    record: dict[str, object] = {
        "address": running.address,
        "lan_address": running.lan_address,
        "version": version,
    }
    here = dict(room.env) if room else {}
    if room and "TIDE_PUBLIC_URL" not in os.environ:
        # The address is the room's; whoever is at this machine is still offered everything.
        here["TIDE_OPEN"] = os.environ.get("TIDE_OPEN", EVERYTHING)
    process = _spawn(places, cluster, _listen("127.0.0.1", port), here)
    _remember(places, record | {"pid": process.pid})
    _await_answer(process, running.address, places)
    if room:
        env = room.env | {"TIDE_LOG": str(log_of(places).with_name("server-lan.log"))}
        second = _spawn(places, cluster, _listen(room.host, room.port), env, *room.words)
        _remember(places, record | {"pid": process.pid, "lan_pid": second.pid})
        _await_answer(second, room.address, places, room.certificate.authority)
    return running


@dataclass(frozen=True)
class _Room:
    """Where devices in the same room are served, and with which certificate."""

    host: str
    port: int
    certificate: Certificate

    @classmethod
    def at(cls, host: str, places: Places) -> Self:
        return cls(host, free_port(LAN_PORT, host), ensure_certificate(places.state / "lan", host))

    @property
    def address(self) -> str:
        return f"https://{self.host}:{self.port}"

    @property
    def words(self) -> tuple[str, ...]:
        return ("--key", str(self.certificate.key), "--certificate", str(self.certificate.certificate))

    @property
    def env(self) -> dict[str, str]:
        """What both servers are told: links begin with this address unless another one was set."""
        public = os.environ.get("TIDE_PUBLIC_URL", self.address)
        return {"TIDE_AUTHORITY": str(self.certificate.authority), "TIDE_PUBLIC_URL": public}


def _listen(host: str, port: int) -> socket.socket:
    listener = socket.socket()
    listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    listener.bind((host, port))
    return listener


def stop(places: Places) -> None:
    """Stop the server if it runs; requests under way may end."""
    known = _recorded(places)
    for pid in (int(str(known[key])) for key in ("pid", "lan_pid") if key in known):
        _end(pid)
    if "address" not in known:
        return
    # A dying process lets go of its port last.
    port = int(str(known["address"]).rsplit(":", 1)[1])
    for _ in range(40):
        if port_is_free(port):
            return
        time.sleep(0.05)


def _end(pid: int) -> None:
    if not _is_ours(pid):
        return
    os.kill(pid, signal.SIGTERM)
    if not _gone(pid):
        os.kill(pid, signal.SIGKILL)
        _gone(pid)


def _gone(pid: int) -> bool:
    """Whether the process ends within 5 s."""
    for _ in range(100):
        if not _is_ours(pid):
            return True
        time.sleep(0.05)
    return False


def log_of(places: Places) -> Path:
    """Where the server logs, in a folder that only it can read."""
    folder = places.state / "log"
    folder.mkdir(mode=0o700, exist_ok=True)
    own(folder, SERVER_USER)
    return folder / "server.log"


def _spawn(
    places: Places, cluster: Cluster, listener: socket.socket, room: dict[str, str], *words: str
) -> subprocess.Popen[bytes]:
    fd = str(listener.fileno())
    command = [str(places.python), "-m", "mellow_tide.cli", "serve", "--fd", fd, *words]
    # What is printed before the log is open: of use only if that is as far as it gets.
    printed = places.state / "server.out"
    printed.touch(mode=0o600)
    env = environment_of(places, cluster, owner=False) | {"TIDE_LOG": str(log_of(places)), **room}
    with printed.open("ab") as log:
        process = subprocess.Popen(
            as_user(SERVER_USER, command),
            cwd="/",
            env=env,
            umask=0o077,
            pass_fds=[listener.fileno()],
            stdin=subprocess.DEVNULL,
            stdout=log,
            stderr=log,
            start_new_session=True,
        )
    listener.close()
    return process


def _await_answer(
    process: subprocess.Popen[bytes], address: str, places: Places, authority: Path | None = None
) -> None:
    """Wait until the server says that it is ready. Ends it, and raises `Trouble`, where it does not."""
    printed = places.state / "server.out"
    trusting = ssl.create_default_context(cafile=authority) if authority else None
    for _ in range(300):
        if process.poll() is not None:
            tail = "\n".join(printed.read_text(errors="replace").strip().splitlines()[-8:])
            raise Trouble(f"the server ended at once:\n{tail}", f"read {printed} and {log_of(places)}")
        with suppress(OSError), urlopen(f"{address}/api/ready", timeout=4, context=trusting):
            return
        time.sleep(0.1)
    # One that serves nobody would only hold the port.
    _end(process.pid)
    raise Trouble("the server does not answer", f"read {log_of(places)}")


def _remember(places: Places, record: dict[str, object]) -> None:
    (places.state / "server.json").write_text(json.dumps(record))


def _recorded(places: Places) -> dict[str, object]:
    """What is recorded of the server, whether or not it still runs; empty if nothing is."""
    try:
        return dict(json.loads((places.state / "server.json").read_text()))
    except (FileNotFoundError, ValueError):
        return {}


def _known(places: Places) -> dict[str, object] | None:
    """What is recorded of the server, if all of it still runs."""
    record = _recorded(places)
    pids = [int(str(record[key])) for key in ("pid", "lan_pid") if key in record]
    return record if pids and all(_is_ours(pid) for pid in pids) else None


def _is_ours(pid: int) -> bool:
    try:
        words = (Path("/proc") / str(pid) / "cmdline").read_bytes()
        state = (Path("/proc") / str(pid) / "stat").read_text().rsplit(")", 1)[1].split()[0]
    except (OSError, IndexError):
        return False
    return b"mellow_tide.cli" in words and state != "Z"
