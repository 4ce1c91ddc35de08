"""What a session is planned, checked and worked in: the practice, the client as they are that day, the tempo."""

from dataclasses import dataclass, replace
from functools import cached_property
from typing import Self

from mellow_tide.core.care.restrict import restrict
from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.timing.run_sheet import RunSheet, lay_out
from mellow_tide.core.timing.tempo import OwnPace, Tempo, tempo_of


@dataclass(frozen=True)
class Setting:
    """A practice's catalogue, what of the client changes a plan on the day, and how fast this therapist works on them.

    Made once for a session and handed down whole.
    """

    catalogue: Catalogue
    client: ClientFacts
    tempo: Tempo

    @classmethod
    def of(cls, client: ClientFacts, catalogue: Catalogue, pace: OwnPace | None = None) -> Self:
        """The setting of a client in a practice, at the therapist's own pace or at the usual one."""
        return cls(catalogue, client, tempo_of(client, pace))

    def with_client(self, client: ClientFacts) -> Self:
        """The same setting, with something else known of the client; the tempo follows height and breath."""
        tempo = replace(self.tempo, height_cm=client.height_cm, breaths_per_minute=client.breaths_per_minute)
        return replace(self, client=client, tempo=tempo)

    @cached_property
    def restrictions(self) -> Restrictions:
        """What the client's health and wishes take away. Raises `UnknownReference`, as `restrict` does."""
        return restrict(self.client, self.catalogue)

    def lay_out(self, flow: Flow) -> RunSheet:
        """A flow that `check_flow` has passed, on the clock."""
        return lay_out(flow, self.catalogue, self.tempo)
