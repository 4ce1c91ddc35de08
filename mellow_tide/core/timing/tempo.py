"""How fast this therapist works on this client."""

from dataclasses import dataclass
from functools import cached_property
from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import ClientFacts


class OwnPace(Record):
    """The therapist's own pace: seconds taken over seconds planned (0.5 to 2), by stroke or by `stroke/region`."""

    factors: dict[str, Annotated[float, Field(ge=0.5, le=2)]] = {}


@dataclass(frozen=True)
class Tempo:
    """All that scales the seconds of a stroke: the client's height (cm) and breaths a minute, the therapist's pace."""

    height_cm: int = 170
    breaths_per_minute: int = 12
    factors: tuple[tuple[str, float], ...] = ()

    @cached_property
    def _by_stroke(self) -> dict[str, float]:
        return dict(self.factors)

    def factor(self, stroke: str, region: str) -> float:
        """The therapist's factor for a stroke on a region; 1 where none is known."""
        if not self.factors:
            return 1.0
        return self._by_stroke.get(f"{stroke}/{region}", self._by_stroke.get(stroke, 1.0))


USUAL = Tempo()


def tempo_of(client: ClientFacts, pace: OwnPace | None = None) -> Tempo:
    """The tempo of working `client` at `pace`, or at the usual one."""
    factors = tuple(sorted(pace.factors.items())) if pace else ()
    return Tempo(client.height_cm, client.breaths_per_minute, factors)
