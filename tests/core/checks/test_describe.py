from pathlib import Path

from mellow_tide.core.catalogue.loader import load_catalogue
from mellow_tide.core.checks.describe import checks_page
from mellow_tide.core.checks.registry import CHECKS

PAGE = Path(__file__).parents[3] / "docs" / "checks.md"


def test_the_list_of_checks_is_the_present_one():
    assert PAGE.read_text() == checks_page(CHECKS, load_catalogue())
