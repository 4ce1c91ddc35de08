"""Starts and stops the web server, in the background, as an unprivileged user."""

import json
import os
import signal
import socket
import subprocess
import time
from dataclasses import dataclass
from pathlib import Path

from launcher.cluster import OWNER, Cluster, free_port, port_is_free
from launcher.environment import package_hash, sources_hash
from launcher.lan import FIRST_PORT as LAN_PORT
from launcher.lan import ensure_certificate
from launcher.places import SERVER_USER, Places, as_user, own
from launcher.say import Trouble, run, say, step

FIRST_PORT = 8420

SETTINGS = ("TIDE_OPEN", "TIDE_PUBLIC_URL", "TIDE_PROXIES")
"""What whoever starts it may set, and the package reads."""


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
    room: dict[str, str] = {}
    lan_address, certificate = "", None
    if lan:
        certificate = ensure_certificate(places.state / "lan", lan)
        lan_port = free_port(LAN_PORT)
        lan_address = f"https://{lan}:{lan_port}"
        room = {"TIDE_AUTHORITY": str(certificate.authority)}
        room |= {} if "TIDE_PUBLIC_URL" in os.environ else {"TIDE_PUBLIC_URL": lan_address}
    process = _spawn(places, cluster, _listen("127.0.0.1", port), room)
    record = {"pid": process.pid, "address": f"http://127.0.0.1:{port}", "version": version}
    try:
        _await_answer(process, port, places.state / "server.out")
    except Trouble:
        # One that serves nobody would only hold the port.
        _end(process.pid)
        raise
    if lan and certificate:
        words = ("--key", str(certificate.key), "--certificate", str(certificate.certificate))
        room["TIDE_LOG"] = str(log_of(places).with_name("server-lan.log"))
        second = _spawn(places, cluster, _listen(lan, lan_port), room, *words)
        record |= {"lan_pid": second.pid, "lan_address": lan_address}
    (places.state / "server.json").write_text(json.dumps(record))
    return Running(f"http://127.0.0.1:{port}", lan_address)


def _listen(host: str, port: int) -> socket.socket:
    listener = socket.socket()
    listener.setsockopt(socket.SOL_SOCKET, socket.SO_REUSEADDR, 1)
    listener.bind((host, port))
    return listener


def stop(places: Places) -> None:
    """Stop the server if it runs; requests under way may end."""
    known = _known(places)
    if not known:
        return
    for pid in (int(str(known[key])) for key in ("pid", "lan_pid") if key in known):
        _end(pid)
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


def _await_answer(process: subprocess.Popen[bytes], port: int, log: Path) -> None:
    for _ in range(300):
        if process.poll() is not None:
            tail = "\n".join(log.read_text(errors="replace").strip().splitlines()[-8:])
            raise Trouble(f"the server ended at once:\n{tail}", f"read {log}")
        try:
            with socket.create_connection(("127.0.0.1", port), timeout=1) as probe:
                probe.sendall(b"GET /api/ready HTTP/1.0\r\nHost: 127.0.0.1\r\n\r\n")
                probe.settimeout(4)
                if probe.recv(12).endswith(b"204"):
                    return
        except OSError:
            pass
        time.sleep(0.1)
    raise Trouble("the server does not answer", f"read {log}")


def _known(places: Places) -> dict[str, object] | None:
    """What is recorded of the running server, if that process is still ours."""
    try:
        record = dict(json.loads((places.state / "server.json").read_text()))
    except (FileNotFoundError, ValueError):
        return None
    return record if _is_ours(int(str(record["pid"]))) else None


def _is_ours(pid: int) -> bool:
    try:
        words = (Path("/proc") / str(pid) / "cmdline").read_bytes()
        state = (Path("/proc") / str(pid) / "stat").read_text().rsplit(")", 1)[1].split()[0]
    except (OSError, IndexError):
        return False
    return b"mellow_tide.cli" in words and state != "Z"
