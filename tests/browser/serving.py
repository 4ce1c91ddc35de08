"""The real server in a process of its own, on a socket that is bound before it starts."""

import os
import socket
import ssl
import subprocess
import sys
import time
from datetime import timedelta
from pathlib import Path

import httpx

from launcher.lan import Certificate
from mellow_tide.store.clock import OFFSET
from tests.browser.counted import UNDER_WAY
from tests.browser.pages import PATIENCE

ROOT = Path(__file__).parents[2]


class LiveServer:
    """Serves the application over `dsn`, its clock so far `ahead`; keeps its port over a restart.

    With a `certificate` it does so over TLS, as for devices in the same room.
    """

    def __init__(
        self,
        dsn: str,
        log: Path,
        ahead: timedelta = timedelta(),
        certificate: Certificate | None = None,
    ) -> None:
        self.ahead = ahead
        self.dsn = dsn
        self._certificate = certificate
        self.log = log
        self._listener = socket.socket()
        self._listener.bind(("127.0.0.1", 0))
        self._listener.listen(64)
        scheme = "https" if certificate else "http"
        self.url = f"{scheme}://127.0.0.1:{self._listener.getsockname()[1]}"
        self._process: subprocess.Popen | None = None

    def start(self) -> None:
        fd = self._listener.fileno()
        env = {**os.environ, "TIDE_DSN": self.dsn, "PYTHONPATH": str(ROOT)}
        env[OFFSET] = str(self.ahead.total_seconds())
        words, trusted = [sys.executable, "-m", "tests.browser.counted", "serve", "--fd", str(fd)], True
        if self._certificate:
            files = self._certificate
            words += ["--key", str(files.key), "--certificate", str(files.certificate)]
            env |= {
                "TIDE_PUBLIC_URL": self.url,
                "TIDE_AUTHORITY": str(files.authority),
                "TIDE_OPEN": "demo,practices,invited",
            }
            trusted = ssl.create_default_context(cafile=files.authority)
        with self.log.open("ab") as log:
            self._process = subprocess.Popen(
                words,
                env=env,
                pass_fds=[fd],
                stdout=log,
                stderr=log,
            )
        for _ in range(1200):
            if self._process.poll() is not None:
                break
            try:
                if httpx.get(self.url, timeout=1, verify=trusted).status_code == 200:
                    return
            except httpx.HTTPError:
                time.sleep(0.05)
        raise RuntimeError(f"the server did not answer:\n{self.log.read_text()}")

    def stop(self) -> None:
        if self._process:
            self._process.terminate()
            self._process.wait()
            self._process = None

    def kill(self) -> None:
        """As a machine's death would: at once, whatever is under way."""
        if self._process:
            self._process.kill()
            self._process.wait()
            self._process = None

    def finish(self) -> None:
        """Wait until all that it was asked to do is done, also for a browser that has gone."""
        until = time.monotonic() + PATIENCE / 1000
        while self._process and httpx.get(self.url + UNDER_WAY, timeout=PATIENCE / 1000).text != "0":
            if time.monotonic() > until:
                raise RuntimeError("the server does not finish what it was asked to do")
            time.sleep(0.01)

    def start_again(self) -> None:
        """Start it if it does not run."""
        if self._process is None:
            self.start()

    def close(self) -> None:
        self.stop()
        self._listener.close()
