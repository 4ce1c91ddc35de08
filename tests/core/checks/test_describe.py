from pathlib import Path

from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.checks.describe import describe_checks
from mellow_tide.core.checks.registry import CHECKS

PAGE = Path(__file__).parents[3] / "docs" / "checks.md"


def test_the_list_of_checks_is_the_present_one():
    assert PAGE.read_text() == describe_checks(CHECKS, load_catalogue())
