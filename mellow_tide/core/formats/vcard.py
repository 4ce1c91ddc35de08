"""Contacts as vCard (RFC 6350 and, as most address books write it, its version 3.0), by the package vobject."""

import re
from collections.abc import Iterable, Iterator
from dataclasses import dataclass, field
from typing import Any

import vobject
from vobject.base import VObjectError, textLineToContentLine

from mellow_tide.core.formats.contact import Contact, read_contact
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.refusal import FieldProblem, Refused

MOST_CARDS = 5000
DEEPEST = 3
"""Cards in one text, and how deep one may lie in another."""

LONGEST_HEADING = 1000
"""Characters before the colon of a line: more is no heading, and takes long to find out."""


class UnreadableCards(Refused):
    """A text that is no vCard."""

    code = "unreadable-cards"


def write_vcard(records: Iterable[ClientRecord]) -> str:
    """The contacts as cards: name, how to address, phone, e-mail. Nothing of health goes out with them."""
    return "".join(_card(record).serialize() for record in records)


def read_vcard(text: str) -> tuple[Contact, ...]:
    """The contacts in a text of one or more cards, numbered from 1, with the lines of each that cannot be read.

    Raises `UnreadableCards`.
    """
    read = _readable(text)
    try:
        cards = list(vobject.readComponents("\r\n".join(read.lines)))
    except VObjectError as error:
        raise UnreadableCards(FieldProblem("text", "cards_unreadable")) from error
    if not cards:
        raise UnreadableCards(FieldProblem("text", "no_card"))
    return tuple(
        read_contact(number, dict(_values(card)), tuple(read.unread.get(number, ())))
        for number, card in enumerate(cards, start=1)
    )


@dataclass
class _Readable:
    """The lines that can be read, and by card, counted from 1, the numbers of those that cannot."""

    lines: list[str] = field(default_factory=list)
    unread: dict[int, list[int]] = field(default_factory=dict)


def _readable(text: str) -> _Readable:
    """What of a text can be read. Raises `UnreadableCards` for too many cards, and for cards within cards."""
    read, cards, depth = _Readable(), 0, 0
    for number, line in _unfold(text):
        try:
            if len(line.partition(":")[0]) > LONGEST_HEADING:
                raise VObjectError("too long a heading")
            content = textLineToContentLine(line, number)
        except VObjectError:
            read.unread.setdefault(max(1, cards), []).append(number)
            continue
        depth += {"BEGIN": 1, "END": -1}.get(content.name, 0)
        cards += content.name == "BEGIN" and depth == 1
        if depth > DEEPEST or cards > MOST_CARDS:
            code = "cards_nested" if depth > DEEPEST else "too_many_cards"
            raise UnreadableCards(FieldProblem("text", code, line=number, most=MOST_CARDS))
        read.lines.append(line)
    return read


def _unfold(text: str) -> Iterator[tuple[int, str]]:
    """The lines of a text, each with its number and with what is folded into the next ones (RFC 6350, 3.2)."""
    begun, unfolded = 1, ""
    for number, line in enumerate(re.split(r"\r\n|\n|\r", text.removeprefix("\ufeff")), start=1):
        if line[:1] in (" ", "\t"):
            unfolded += line[1:]
            continue
        if unfolded.strip():
            yield begun, unfolded
        begun, unfolded = number, line
    if unfolded.strip():
        yield begun, unfolded


def _card(record: ClientRecord) -> Any:
    card = vobject.vCard()
    card.add("fn").value = record.name
    given, _, family = record.name.rpartition(" ")
    card.add("n").value = vobject.vcard.Name(family=family, given=given)
    for kind, value in (("nickname", record.address_as), ("tel", record.phone), ("email", record.email)):
        if value:
            card.add(kind).value = value
    return card


def _values(card: Any) -> Iterator[tuple[str, str]]:
    name = _text(card, "fn")
    if not name and "n" in card.contents:
        parts = card.n.value
        name = " ".join(filter(None, (str(parts.given), str(parts.family))))
    yield "name", name
    for kind, of_ours in (("nickname", "address_as"), ("tel", "phone"), ("email", "email"), ("note", "note")):
        yield of_ours, _text(card, kind)
    year = re.match(r"\d{4}", _text(card, "bday"))
    yield "birth_year", year[0] if year else ""


def _text(card: Any, kind: str) -> str:
    """The first value of a kind, as text; some are lists."""
    if kind not in card.contents:
        return ""
    value = card.contents[kind][0].value
    return ", ".join(value) if isinstance(value, list) else str(value).removeprefix("tel:")
