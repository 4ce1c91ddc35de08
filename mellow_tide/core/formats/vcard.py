"""Contacts as vCard (RFC 6350 and, as most address books write it, its version 3.0), by the package vobject."""

import re
from collections.abc import Iterable, Iterator
from typing import Any

import vobject

from mellow_tide.core.formats.contact import Contact, read_contact
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.refusal import FieldProblem, Refused


class UnreadableCards(Refused):
    """A text that is no vCard."""

    code = "unreadable-cards"


def write_vcard(records: Iterable[ClientRecord]) -> str:
    """The contacts as cards: name, how to address, phone, e-mail. Nothing of health goes out with them."""
    return "".join(_card(record).serialize() for record in records)


def read_vcard(text: str) -> tuple[Contact, ...]:
    """The contacts in a text of one or more cards, numbered from 1. Raises `UnreadableCards`."""
    try:
        cards = list(vobject.readComponents(text, ignoreUnreadable=True))
    except vobject.base.ParseError as error:
        line = getattr(error, "lineNumber", None)
        told = (
            FieldProblem("text", "cards_unreadable_at", line=line)
            if line
            else FieldProblem("text", "cards_unreadable")
        )
        raise UnreadableCards(told) from error
    if not cards:
        raise UnreadableCards(FieldProblem("text", "no_card"))
    return tuple(read_contact(number, dict(_values(card))) for number, card in enumerate(cards, start=1))


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
    for kind, field in (("nickname", "address_as"), ("tel", "phone"), ("email", "email"), ("note", "note")):
        yield field, _text(card, kind)
    year = re.match(r"\d{4}", _text(card, "bday"))
    yield "birth_year", year[0] if year else ""


def _text(card: Any, kind: str) -> str:
    """The first value of a kind, as text; some are lists."""
    if kind not in card.contents:
        return ""
    value = card.contents[kind][0].value
    return ", ".join(value) if isinstance(value, list) else str(value).removeprefix("tel:")
