"""Who is meant by a name: a client of the practice, somebody new, or nobody that can be told."""

from collections.abc import Iterable
from dataclasses import dataclass
from uuid import UUID

from mellow_tide.core.refusal import FieldProblem
from mellow_tide.services.refusals import BadEntry
from mellow_tide.store.meeting.clients import ContactRow


@dataclass(frozen=True)
class Whom:
    """A client of the practice, or somebody new by name."""

    client_id: UUID | None
    new_name: str | None = None


class ClientNames:
    """The clients by name; who shares a name with somebody is not guessed."""

    def __init__(self, contacts: Iterable[ContactRow]) -> None:
        self._by_name: dict[str, ContactRow | None] = {}
        for row in contacts:
            key = fold_name(row.name)
            self._by_name[key] = None if key in self._by_name else row

    def find_in(self, title: str) -> ContactRow | None:
        """The client whose whole name stands in a title; of several the longest name."""
        words = f" {fold_name(title)} "
        found = [(len(key), row) for key, row in self._by_name.items() if row and f" {key} " in words]
        return max(found, key=lambda one: one[0])[1] if found else None

    def find_whom(self, called: str | None) -> Whom:
        """Who is meant. Raises `BadEntry` where nobody is named, or two clients are."""
        if called is None:
            raise BadEntry(FieldProblem("chosen", "nobody_named"))
        key = fold_name(called)
        if key not in self._by_name:
            return Whom(None, called)
        row = self._by_name[key]
        if row is None:
            raise BadEntry(FieldProblem("chosen", "name_shared", name=called))
        return Whom(row.client_id)


def fold_name(name: str) -> str:
    """A name without what people write differently: capitals, dots, spaces."""
    return " ".join("".join(c if c.isalnum() else " " for c in name.casefold()).split())
