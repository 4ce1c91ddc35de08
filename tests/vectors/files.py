"""Which file holds which cases."""

import json
from collections.abc import Callable
from pathlib import Path

from tests.core import test_contractions, test_replan_table, test_run_state, test_treating
from tests.vectors import places, running

FOLDER = Path(__file__).parent

FILES: dict[str, Callable[[], object]] = {
    "contractions.json": test_contractions.vectors,
    "places.json": places.vectors,
    "replan.json": test_replan_table.vectors,
    "run_state.json": test_run_state.vectors,
    "running.json": running.vectors,
    "treating.json": test_treating.vectors,
}


def text_of(file: str) -> str:
    """What the core says now, as the file should read."""
    return json.dumps(FILES[file](), indent=1, ensure_ascii=False) + "\n"
