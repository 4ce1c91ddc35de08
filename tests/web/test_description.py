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


def test_whatever_may_be_sent_is_bounded():
    """Every text, number and list of every request has a most; so nothing of it runs over on its way."""
    described = make_app("").openapi()
    schemas = described["components"]["schemas"]
    seen: set[str] = set()
    unbounded: list[str] = []

    def look(schema: dict, at: str) -> None:
        name = schema.get("$ref", "").rsplit("/", 1)[-1]
        if name:
            if name not in seen:
                seen.add(name)
                look(schemas[name], name)
            return
        for branch in (*schema.get("anyOf", ()), *schema.get("oneOf", ()), *schema.get("allOf", ())):
            look(branch, at)
        wanted = {
            "string": {"maxLength", "format", "enum", "const"},
            "integer": {"maximum", "enum", "const"},
            "number": {"maximum", "enum", "const"},
            "array": {"maxItems"},
        }.get(schema.get("type", ""))
        of_words = "enum" in schema.get("items", {})
        if wanted and not wanted & schema.keys() and not of_words:
            unbounded.append(at)
        if isinstance(schema.get("items"), dict):
            look(schema["items"], f"{at}[]")
        for field, of_field in schema.get("properties", {}).items():
            look(of_field, f"{at}.{field}")
        if isinstance(schema.get("additionalProperties"), dict):
            if "maxProperties" not in schema:
                unbounded.append(at)
            look(schema["additionalProperties"], f"{at}{{}}")

    for path, ways in described["paths"].items():
        for method, operation in ways.items():
            for parameter in operation.get("parameters", []):
                look(parameter["schema"], f"{method} {path} {parameter['name']}")
            for content in operation.get("requestBody", {}).get("content", {}).values():
                look(content["schema"], f"{method} {path}")
    assert len(seen) > 50
    assert unbounded == []
