"""Driver errors, translated once into the store's own."""

from collections.abc import Iterator
from contextlib import contextmanager

import psycopg
from psycopg_pool import PoolTimeout


class StoreError(Exception):
    """The store could not do what was asked; nothing was changed."""


class StoreUnavailable(StoreError):
    """PostgreSQL does not answer."""


class DiskFull(StoreError):
    """PostgreSQL has no room left to write."""


class TookTooLong(StoreError):
    """A statement or a lock took longer than is allowed."""


class PracticeShut(StoreError):
    """The practice is switched off: nothing of it is read or written."""


class NotThere(StoreError):
    """No such row, or none that this practice may see."""


class Stale(StoreError):
    """The row was changed by somebody else since it was read."""


class Differs(StoreError):
    """There is such a row already, with other content; it is never written over."""


class Conflict(StoreError):
    """A constraint refuses the write; `constraint` is its name."""

    def __init__(self, constraint: str) -> None:
        super().__init__(constraint)
        self.constraint = constraint


@contextmanager
def translated() -> Iterator[None]:
    """Raise the store's errors in place of the driver's."""
    try:
        yield
    except psycopg.errors.IntegrityError as error:
        raise Conflict(error.diag.constraint_name or "unnamed") from error
    except psycopg.errors.DiskFull as error:
        raise DiskFull("the disk is full") from error
    except (psycopg.errors.QueryCanceled, psycopg.errors.LockNotAvailable) as error:
        raise TookTooLong(str(error)) from error
    except (psycopg.OperationalError, PoolTimeout) as error:
        raise StoreUnavailable("the database does not answer") from error
