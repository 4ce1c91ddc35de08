"""The shipped flows, read once: what each is called and good for, and what it is planned from."""

import tomllib
from functools import cache
from importlib import resources

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Named
from mellow_tide.core.flow.brief import Brief, ClientFacts


class ShippedFlow(Named):
    """A flow that ships. `note` says what it is good for; `gestation_days` for whom, if it is for one in pregnancy."""

    note: str
    brief: Brief
    gestation_days: int | None = None


def for_anybody(catalogue: Catalogue, gestation_days: int | None = None) -> ClientFacts:
    """Somebody of usual build who has said yes to everything: whom a flow is made for until it is somebody's."""
    return ClientFacts(consents=frozenset(catalogue.consents), gestation_days=gestation_days)


@cache
def shipped_flows() -> tuple[ShippedFlow, ...]:
    """All of them, in the order they are shown. Raises pydantic's `ValidationError` for data that cannot be read."""
    text = (resources.files("mellow_tide.core.library") / "shipped.toml").read_text(encoding="utf-8")
    return tuple(ShippedFlow.model_validate(entry) for entry in tomllib.loads(text)["flow"])
