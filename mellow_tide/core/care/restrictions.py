"""What a client's health forbids, limits and advises, as one value. The strictest wins; nothing is averaged."""

from collections.abc import Iterable
from typing import Literal

from mellow_tide.core.care.pregnancy import weeks_words
from mellow_tide.core.catalogue.catalogue import Catalogue, unknown
from mellow_tide.core.catalogue.records import Depth, Record
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.refusal import UnknownReference

DEEPEST = 5


class Reason(Record):
    """Why something is restricted: the condition's name, how grave it is, and what it means in plain words."""

    name: str
    level: Literal["stop", "ask", "adapt"]
    says: str


class Cap(Record):
    """The most depth on a region, and why."""

    region: str
    depth: Depth
    because: str


class Restrictions(Record):
    """Depth caps by region, positions the client may not lie in with the reason, heat, and all reasons."""

    reasons: tuple[Reason, ...] = ()
    caps: tuple[Cap, ...] = ()
    no_positions: tuple[tuple[str, str], ...] = ()
    heat: bool = True

    def cap(self, region: str) -> int:
        """The most depth allowed on a region; 5 where nothing limits it."""
        return next((cap.depth for cap in self.caps if cap.region == region), DEEPEST)

    def why_capped(self, region: str) -> str:
        """The name of what limits the depth there."""
        return next((cap.because for cap in self.caps if cap.region == region), "")

    def why_not(self, position: str) -> str | None:
        """Why the client may not lie so, or None if they may."""
        return next((because for id, because in self.no_positions if id == position), None)

    @property
    def refer(self) -> tuple[Reason, ...]:
        """Reasons for which there is no session."""
        return tuple(reason for reason in self.reasons if reason.level == "stop")


def restrict(client: ClientFacts, catalogue: Catalogue) -> Restrictions:
    """Everything that `client`'s conditions and pregnancy restrict.

    Raises `UnknownReference` for a condition that the catalogue does not know.
    """
    problems = [
        unknown(catalogue.conditions, id, "conditions", "condition") for id in sorted(client.conditions)
    ]
    missing = [problem for problem in problems if problem]
    if missing:
        raise UnknownReference(*missing)
    rules = [catalogue.conditions[id] for id in catalogue.conditions if id in client.conditions]
    reasons = [Reason(name=c.name, level=c.level, says=c.says) for c in rules]
    limits = [(c.name, c.cap, c.no_positions) for c in rules]
    heat = all(not c.no_heat for c in rules)
    if client.gestation_days is not None:
        name = f"pregnancy, {weeks_words(client.gestation_days)}"
        heat = False
        for rule in catalogue.pregnancy_rules:
            if client.gestation_days >= rule.from_day:
                reasons.append(Reason(name=name, level="adapt", says=rule.says))
                limits.append((name, rule.cap, rule.no_positions))
    return Restrictions(
        reasons=tuple(reasons),
        caps=_caps(((name, cap) for name, cap, _ in limits), catalogue),
        no_positions=tuple((position, name) for name, _, positions in limits for position in positions),
        heat=heat,
    )


def _caps(limits: Iterable[tuple[str, dict[str, int]]], catalogue: Catalogue) -> tuple[Cap, ...]:
    strictest: dict[str, Cap] = {}
    for name, caps in limits:
        for region in catalogue.regions:
            depth = min(caps.get("all", DEEPEST), caps.get(region, DEEPEST))
            if depth < DEEPEST and (region not in strictest or depth < strictest[region].depth):
                strictest[region] = Cap(region=region, depth=depth, because=name)
    return tuple(strictest.values())
