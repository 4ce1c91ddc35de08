"""The list of what the product is made of, and advisories held against it."""

import json

import pytest

from launcher.audit import Package, find_advised, list_packages, read_advisories

PACKAGES = [
    Package("PyPI", "fast-boat", "2.5.1", "MIT", True),
    Package("npm", "fast-boat", "1.0.0", "MIT", True),
    Package("npm", "slow-boat", "3.0.0-beta.2", "MIT", False),
]


def advisory(ecosystem, name, *events, **more):
    about = {
        "package": {"ecosystem": ecosystem, "name": name},
        "ranges": [{"type": "ECOSYSTEM", "events": events}],
    }
    return {"id": f"A-{name}", "affected": [{**about, **more}]}


@pytest.mark.parametrize(
    ("events", "is_found"),
    [
        (({"introduced": "0"}, {"fixed": "2.5.1"}), False),
        (({"introduced": "0"}, {"fixed": "2.5.2"}), True),
        (({"introduced": "2.5.1"},), True),
        (({"introduced": "2.6"},), False),
        (({"introduced": "0"}, {"last_affected": "2.5.1"}), True),
        (({"introduced": "0"}, {"fixed": "1.0"}, {"introduced": "2.5"}, {"fixed": "2.6"}), True),
        (({"introduced": "0"}, {"fixed": "not a version"}), True),
    ],
)
def test_a_version_is_found_where_the_advisory_says_so(events, is_found):
    found = list(find_advised(PACKAGES, [advisory("PyPI", "Fast_Boat", *events)]))
    assert found == ([(PACKAGES[0], "A-Fast_Boat")] if is_found else [])


def test_versions_named_one_by_one_and_withdrawn_advisories():
    named = advisory("npm", "slow-boat", versions=["3.0.0-beta.2"])
    assert list(find_advised(PACKAGES, [named])) == [(PACKAGES[2], "A-slow-boat")]
    assert list(find_advised(PACKAGES, [{**named, "withdrawn": "2026-01-01T00:00:00Z"}])) == []


def test_advisories_come_as_a_list_alone_or_a_line_each():
    one = advisory("npm", "a")
    several = f"{json.dumps(one)}\n{json.dumps(one)}\n"
    assert [len(read_advisories(text)) for text in (json.dumps([one]), json.dumps(one), several)] == [1, 1, 2]
    for text in ("", "[]x", '{"id": 1}', "[1]"):
        with pytest.raises(ValueError, match=r"advisories|JSON|Expecting|Extra data"):
            read_advisories(text)


def test_everything_that_is_locked_is_listed_with_its_licence():
    listed = {(one.ecosystem, one.name): one for one in list_packages()}
    assert listed["PyPI", "fastapi"].shipped
    assert listed["npm", "react"].shipped
    assert not listed["PyPI", "pytest"].shipped
    assert not listed["npm", "vite"].shipped
    unsaid = [
        one.name
        for one in listed.values()
        if one.shipped and one.licence in ("not said", "not installed here")
    ]
    assert unsaid == []
