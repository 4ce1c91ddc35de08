"""Clients: found again, added, described, put together, erased."""

from typing import Annotated
from uuid import UUID

from fastapi import APIRouter, Query
from pydantic import Field

from mellow_tide.core.meeting.record import ClientName, ClientRecord
from mellow_tide.services.meeting import clients
from mellow_tide.services.meeting.clients import ClientInList, ClientPage, Erased
from mellow_tide.services.session_view import Known as KnownOfClient
from mellow_tide.web.body import Body, Revision
from mellow_tide.web.guard import AtDesk

router = APIRouter(prefix="/clients", tags=["clients"])


class NewClient(Body):
    """A client in one line."""

    name: ClientName
    phone: Annotated[str, Field(max_length=40)] = ""


class RecordChange(Body):
    """What is now known of the client read at `revision`."""

    revision: Revision
    record: ClientRecord


class Merge(Body):
    """The other record of the same person."""

    other: UUID


class Erasure(Body):
    """The client's name, so that nobody is erased by a slip."""

    name: Annotated[str, Field(max_length=120)]


@router.get("")
def find_clients(
    desk: AtDesk, typed: Annotated[str, Query(max_length=80)] = "", archived: bool = False
) -> list[ClientInList]:
    """The clients that what was typed could mean."""
    return list(clients.find_clients(desk, typed, archived))


@router.post("", status_code=201)
def add_client(new: NewClient, desk: AtDesk) -> ClientPage:
    """Add a client."""
    return clients.add(desk, new.name, new.phone)


@router.get("/{client_id}")
def read_client(client_id: UUID, desk: AtDesk) -> ClientPage:
    """The client, and what to know before touching."""
    return clients.read_client(desk, client_id)


@router.put("/{client_id}")
def describe_client(client_id: UUID, change: RecordChange, desk: AtDesk) -> ClientPage:
    """Keep what is now known of a client; every item that changes is dated."""
    return clients.describe(desk, client_id, change.revision, change.record)


@router.get("/{client_id}/history")
def read_history(client_id: UUID, desk: AtDesk) -> list[KnownOfClient]:
    """Everything that became known, the newest first."""
    return list(clients.read_history(desk, client_id))


@router.post("/{client_id}/merge")
def merge_clients(client_id: UUID, merge: Merge, desk: AtDesk) -> ClientPage:
    """Make one of two entries of the same person; no visit is lost."""
    return clients.merge(desk, client_id, merge.other)


@router.post("/{client_id}/erase")
def erase_client(client_id: UUID, erasure: Erasure, desk: AtDesk) -> Erased:
    """Take everything of a client away, for good, and say what that was."""
    return clients.erase(desk, client_id, erasure.name)
