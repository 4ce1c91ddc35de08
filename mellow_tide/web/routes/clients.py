"""Clients: found again, added, described."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query
from pydantic import Field, StringConstraints

from mellow_tide.services import clients
from mellow_tide.services.clients import ClientInList, ClientPage, Contact
from mellow_tide.web.body import Body, Revision
from mellow_tide.web.guard import Db, Known, Who

router = APIRouter(prefix="/clients", tags=["clients"])


class NewClient(Body):
    """A client in one line."""

    name: Annotated[str, StringConstraints(strip_whitespace=True, min_length=1, max_length=120)]
    phone: Annotated[str, Field(max_length=40)] = ""


class ContactChange(Body):
    """What is said of the client read at `revision`."""

    revision: Revision
    contact: Contact


@router.get("")
def find_clients(
    db: Db, who: Who, typed: Annotated[str, Query(max_length=80)] = "", archived: bool = False
) -> list[ClientInList]:
    """The clients that what was typed could mean."""
    return list(clients.found(db, who, typed, archived))


@router.post("", status_code=201)
def add_client(new: NewClient, db: Db, who: Who, known: Known) -> ClientPage:
    """Add a client."""
    return clients.add(db, who, new.name, new.phone, known)


@router.get("/{client_id}")
def read_client(client_id: UUID, db: Db, who: Who, known: Known) -> ClientPage:
    """The client, and what to know before touching."""
    return clients.page(db, who, client_id, known)


@router.put("/{client_id}")
def describe_client(client_id: UUID, change: ContactChange, db: Db, who: Who, known: Known) -> ClientPage:
    """Describe, archive or bring back a client."""
    return clients.describe(db, who, client_id, change.revision, change.contact, known)
