"""Clients in and out: cards, tables, whole records."""

from typing import Annotated, Literal
from uuid import UUID

from fastapi import APIRouter, Response
from pydantic import Field

from mellow_tide.core.formats.contact_table import ColumnField, Table, read_table
from mellow_tide.core.formats.whole_record import WholeRecord, make_schema
from mellow_tide.services.meeting import exchange
from mellow_tide.services.meeting.exchange import Arrival, BroughtIn
from mellow_tide.web.body import Body
from mellow_tide.web.guard import AtDesk
from mellow_tide.web.straight import as_file, file_of

router = APIRouter(tags=["in and out"])

Text = Annotated[str, Field(min_length=1, max_length=10_000_000)]


class Brought(Body):
    """A table's text, whose columns are yet to be matched."""

    text: Text


class Matched(Body):
    """Contacts to bring in: cards, or a table with its columns, counted from 0, matched to fields."""

    kind: Literal["vcard", "table"]
    text: Text
    matching: Annotated[dict[Annotated[int, Field(ge=0, le=1000)], ColumnField], Field(max_length=1000)] = {}


class Taken(Matched):
    """What to bring in, but for the lines left out."""

    leave_out: Annotated[list[Annotated[int, Field(ge=0, le=100_000)]], Field(max_length=10_000)] = []


@router.post("/clients-in/columns")
def read_columns(brought: Brought, desk: AtDesk) -> Table:
    """The columns of a table, and the fields they seem to be."""
    return read_table(brought.text)


@router.post("/clients-in/preview")
def preview_clients(matched: Matched, desk: AtDesk) -> list[Arrival]:
    """What bringing them in would do, line by line; nothing is changed."""
    found = exchange.read_brought(matched.kind, matched.text, matched.matching)
    return list(exchange.preview_contacts(desk, found))


@router.post("/clients-in", status_code=201)
def bring_in_clients(taken: Taken, desk: AtDesk) -> BroughtIn:
    """Add them: all that are not left out, or none."""
    found = exchange.read_brought(taken.kind, taken.text, taken.matching)
    return exchange.bring_in(desk, found, set(taken.leave_out))


@router.get("/clients-out/cards", response_class=Response, responses=file_of("text/vcard"))
def read_cards(desk: AtDesk, client_id: UUID | None = None) -> Response:
    """The contact of a client, or of all, as vCard."""
    text = exchange.write_cards(desk, client_id)
    return as_file(text.encode(), "text/vcard; charset=utf-8", "contact.vcf" if client_id else "contacts.vcf")


@router.get("/clients/{client_id}/record.json", response_model=WholeRecord)
def read_whole_record(client_id: UUID, desk: AtDesk) -> Response:
    """Everything that is kept of a client, as the schema says it."""
    whole = exchange.read_whole_record(desk, client_id)
    return as_file(whole.model_dump_json(indent=1).encode(), "application/json", "client-record.json")


@router.get("/clients/{client_id}/record.pdf", response_class=Response, responses=file_of("application/pdf"))
def read_client_paper(client_id: UUID, desk: AtDesk) -> Response:
    """Everything that is kept of a client, to read."""
    _, paper = exchange.print_record(desk, client_id)
    return as_file(paper, "application/pdf", "client-record.pdf")


@router.get("/client-record-schema")
def read_record_schema(desk: AtDesk) -> dict[str, object]:
    """The JSON Schema of a client's whole record."""
    return make_schema()
