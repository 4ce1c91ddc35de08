"""The numbers of a practice as a table that other programs read (RFC 4180)."""

import csv
import io
from collections.abc import Iterable
from typing import Literal

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.numbers.numbers import DepthInMonth, HandsInWeek, MonthlyNumbers, RegionInMonth

NumbersPart = Literal["regions", "depth", "hands"]

ROWS: dict[NumbersPart, type[Record]] = {
    "regions": RegionInMonth,
    "depth": DepthInMonth,
    "hands": HandsInWeek,
}


def write_numbers(numbers: MonthlyNumbers, part: NumbersPart) -> str:
    """One of the three as CSV: a line of names, then a line each; days as ISO dates, times in whole seconds."""
    rows: Iterable[Record] = getattr(numbers, part)
    text = io.StringIO(newline="")
    table = csv.DictWriter(text, list(ROWS[part].model_fields), lineterminator="\r\n")
    table.writeheader()
    table.writerows(row.model_dump(mode="json") for row in rows)
    return text.getvalue()
