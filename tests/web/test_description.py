import json
from pathlib import Path

from mellow_tide.app import make_app

ROOT = Path(__file__).parents[2]


def test_the_written_description_of_the_interface_is_the_present_one():
    written = json.loads((ROOT / "docs" / "openapi.json").read_text())
    assert written == json.loads(json.dumps(make_app("").openapi()))


def test_operations_are_named_after_their_functions():
    paths = make_app("").openapi()["paths"]
    names = [way["operationId"] for ways in paths.values() for way in ways.values()]
    assert len(names) == len(set(names))
    assert "change_brief" in names
