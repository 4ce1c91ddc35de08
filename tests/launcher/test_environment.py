"""The Python environment through the launcher."""

import subprocess
from pathlib import Path

from launcher.debian import system_python
from launcher.environment import ensure_python
from launcher.places import Places


def test_an_environment_that_was_left_half_made_is_made_anew(tmp_path: Path):
    places = Places(state=tmp_path, code=tmp_path)
    half = [system_python(), "-m", "venv", "--without-pip", tmp_path / "venv"]
    subprocess.run(half, check=True)
    ensure_python(places, locks=())
    subprocess.run([places.python, "-m", "pip", "--version"], check=True)
