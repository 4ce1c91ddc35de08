"""Contacts as a table of comma-separated values (RFC 4180, and its kin with semicolons or tabs)."""

import csv
import io
import re
from collections.abc import Mapping
from typing import Literal

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.formats.contact import Contact, ContactField, read_contact
from mellow_tide.core.refusal import FieldProblem, Refused

ColumnField = ContactField | Literal["given_name", "family_name"]
"""What a column may be: names often come in two."""

MOST_LINES, MOST_COLUMNS = 5000, 200
SAMPLES = 3

HEADINGS: Mapping[ColumnField, tuple[str, ...]] = {
    "given_name": ("given name", "first name", "forename"),
    "family_name": ("family name", "last name", "surname"),
    "name": ("name", "full name", "client", "client name", "display name"),
    "address_as": ("nickname", "called", "known as", "preferred name"),
    "phone": ("phone", "mobile", "telephone", "tel", "cell", "phone number", "mobile phone"),
    "email": ("email", "e mail", "mail", "email address"),
    "emergency_contact": ("emergency contact", "emergency", "in case of emergency"),
    "birth_year": ("birth year", "year of birth", "born"),
    "language": ("language", "languages"),
    "height_cm": ("height", "height cm", "height in cm", "height ft in"),
    "note": ("note", "notes", "comment", "comments", "remarks"),
    "know_first": ("know first", "to know first", "alert", "alerts"),
}
"""Headings by which a column is taken to be a field, until it is said otherwise."""


class UnreadableTable(Refused):
    """A text that is no table."""

    code = "unreadable-table"


class Column(Record):
    """A column of the table: its heading, the first values in it, and the field that it seems to be."""

    heading: str
    samples: tuple[str, ...]
    field: ColumnField | None


class Table(Record):
    """A table as read: the columns, and how many lines stand below the headings."""

    columns: tuple[Column, ...]
    lines: int


def read_table(text: str) -> Table:
    """The columns of a table whose first line is its headings. Raises `UnreadableTable`."""
    headings, rows = _read(text)
    taken: set[str] = set()
    columns = []
    for index, heading in enumerate(headings):
        field = next((f for f in _meant(heading) if f not in taken), None)
        taken |= {field} if field else set()
        samples = tuple(row[index] for _, row in rows[:SAMPLES] if index < len(row) and row[index].strip())
        columns.append(Column(heading=heading, samples=samples, field=field))
    return Table(columns=tuple(columns), lines=len(rows))


def read_contacts(text: str, matching: Mapping[int, ColumnField]) -> tuple[Contact, ...]:
    """The contacts of a table whose columns, counted from 0, are matched to fields; two of one field are joined.

    `line` counts from 1 at the headings, as editors do. Raises `UnreadableTable`.
    """
    _, rows = _read(text)
    found = []
    for line, row in rows:
        values: dict[str, str] = {}
        for index, field in sorted(matching.items()):
            if index < len(row) and row[index].strip():
                values[field] = " ".join(filter(None, (values.get(field), row[index].strip())))
        halves = " ".join(values.pop(half) for half in ("given_name", "family_name") if half in values)
        found.append(read_contact(line, {"name": halves, **values}))
    return tuple(found)


def _read(text: str) -> tuple[list[str], list[tuple[int, list[str]]]]:
    text = text.removeprefix("\ufeff")
    first = text.split("\n", 1)[0]
    delimiter = max(",;\t", key=first.count)
    reader = csv.reader(io.StringIO(text, newline=""), delimiter=delimiter, strict=True)
    rows = []
    try:
        line = 1
        for row in reader:
            if any(cell.strip() for cell in row):
                rows.append((line, row))
            line = reader.line_num + 1
    except csv.Error as error:
        problem = FieldProblem("text", "table_unreadable", line=reader.line_num, error=str(error))
        raise UnreadableTable(problem) from error
    columns = max((len(row) for _, row in rows), default=0)
    if columns > MOST_COLUMNS:
        raise UnreadableTable(FieldProblem("text", "too_many_columns", columns=columns, most=MOST_COLUMNS))
    if len(rows) < 2:
        raise UnreadableTable(FieldProblem("text", "no_lines"))
    if len(rows) - 1 > MOST_LINES:
        raise UnreadableTable(FieldProblem("text", "too_many_lines", lines=len(rows) - 1, most=MOST_LINES))
    return [heading.strip() for heading in rows[0][1]], rows[1:]


def _meant(heading: str) -> list[ColumnField]:
    words = re.sub(r"[^a-z]+", " ", heading.lower()).strip()
    return [field for field, known in HEADINGS.items() if words in known]
