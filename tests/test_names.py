"""One name, one thing: public type names are unique in the tree, and folders stay small."""

import ast
import json
import re
from collections import defaultdict
from pathlib import Path

ROOT = Path(__file__).parents[1]
FRONT_END = ROOT / "frontend" / "src"
GENERATED = "schema.d.ts"


def python_types():
    """Where each public class and type alias of the package is defined."""
    found = defaultdict(list)
    for file in sorted((ROOT / "mellow_tide").rglob("*.py")):
        for node in ast.parse(file.read_text()).body:
            names = []
            if isinstance(node, ast.ClassDef):
                names = [node.name]
            elif isinstance(node, ast.Assign):
                names = [target.id for target in node.targets if isinstance(target, ast.Name)]
            for name in names:
                if re.match(r"[A-Z]\w*[a-z]", name):
                    found[name].append(str(file.relative_to(ROOT)))
    return found


def screen_types():
    """Where each exported type of the front end is defined, and what it stands for if it is the server's."""
    found = defaultdict(list)
    for file in sorted(FRONT_END.rglob("*.ts*")):
        if file.name != GENERATED:
            for name, rest in re.findall(
                r"^export (?:interface|type|class) (\w+)(.*)$", file.read_text(), re.MULTILINE
            ):
                found[name].append((str(file.relative_to(FRONT_END)), rest))
    return found


def test_a_type_of_the_package_has_one_home():
    assert {name: homes for name, homes in python_types().items() if len(homes) > 1} == {}


def test_a_type_of_the_front_end_has_one_home():
    assert {name: homes for name, homes in screen_types().items() if len(homes) > 1} == {}


TWINS = ("tableside/", "api/client.ts", "phrases/words.ts")
"""What stands for the core's own where no server is at hand, held to it by shared vectors, or carries it."""


def test_where_both_have_a_type_of_one_name_it_is_the_same():
    known = python_types()
    apart = {
        name: homes
        for name, homes in screen_types().items()
        if name in known and not all("[" in rest or file.startswith(TWINS) for file, rest in homes)
    }
    assert apart == {}


def test_the_description_of_the_interface_needs_no_module_paths():
    described = json.loads((ROOT / "docs" / "openapi.json").read_text())["components"]["schemas"]
    assert [name for name in described if "__" in name] == []


def test_files_of_a_feature_are_found_by_what_a_person_does():
    """A folder holds some fifteen files of one kind at most; rules of checks and migrations aside."""
    folders = defaultdict(int)
    for file in [*(ROOT / "mellow_tide").rglob("*.py"), *FRONT_END.rglob("*.ts*")]:
        if ".test." not in file.name and file.parent.name not in ("rules", "migrations"):
            folders[str(file.parent.relative_to(ROOT))] += 1
    assert {folder: count for folder, count in folders.items() if count > 18} == {}
