"""Imports run one way, here and in the front end, and never in a circle."""

import re
from pathlib import Path

import grimp
import pytest

FRONT_END = Path(__file__).parents[1] / "frontend" / "src"

# What each part of the front end may import, besides itself; a feature only ever imports itself of the features.
MAY_USE = {
    "api": set(),
    "lib": set(),
    "tableside": {"api"},
    "phrases": {"api", "tableside"},
    "ui": {"lib", "api", "phrases"},
    "tideline": {"lib", "ui", "api", "phrases"},
    "tableplan": {"lib", "ui", "api", "phrases"},
    "compare": {"lib", "ui", "api", "phrases", "tideline"},
    "meeting": {"lib", "ui", "api", "phrases", "tableplan", "compare"},
    "features": {"lib", "ui", "api", "phrases", "tideline", "tableplan", "compare", "meeting", "tableside"},
    "app": {"lib", "ui", "api", "phrases", "tideline", "tableplan", "compare", "meeting", "features"},
}


@pytest.mark.parametrize("package", ["mellow_tide", "launcher"])
def test_no_module_imports_itself_by_a_detour(package):
    graph = grimp.build_graph(package, include_external_packages=False)
    for module in graph.modules:
        for imported in graph.find_modules_directly_imported_by(module):
            back = graph.find_shortest_chain(importer=imported, imported=module)
            assert back is None, f"{module} -> {' -> '.join(back)}"


def front_end_imports():
    for file in sorted(FRONT_END.rglob("*.ts*")):
        for target in re.findall(r'from "(\.[^"]+)"', file.read_text()):
            yield (
                file.relative_to(FRONT_END),
                (file.parent / target).resolve().relative_to(FRONT_END.resolve()),
            )


def test_the_front_end_imports_only_downward():
    seen = 0
    for file, target in front_end_imports():
        seen += 1
        part, used = file.parts[0], target.parts[0]
        assert used == part or used in MAY_USE[part], f"{file} imports {target}"
        if part == used == "features":
            assert file.parts[1] == target.parts[1], f"{file} reaches into another feature: {target}"
    assert seen > 50


def test_no_file_of_the_front_end_imports_itself_by_a_detour():
    imports = {}
    for file, target in front_end_imports():
        imports.setdefault(file.with_suffix(""), set()).add(target)
    # Taking away what imports nothing that is left, over and over, leaves the circles.
    while free := [file for file, used in imports.items() if not used & imports.keys()]:
        for file in free:
            del imports[file]
    assert sorted(map(str, imports)) == []


def test_pictures_are_laid_out_apart_from_drawing():
    for picture, names in {
        "tideline": ("layout", "labels", "profile", "hand/landing", "hand/view", "hand/pull"),
        "tableplan": (
            "layout",
            "geometry",
            "postures",
            "lying",
            "seated",
            "onTheSide",
            "zones",
            "arrows",
            "cloth",
        ),
    }.items():
        for name in names:
            assert "react" not in (FRONT_END / picture / f"{name}.ts").read_text()
