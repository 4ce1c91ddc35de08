"""Who is in the demo: one therapist and six clients of a small practice above an old boat shed."""

from dataclasses import dataclass
from uuid import UUID, uuid5

from mellow_tide.core.catalogue.house import House
from mellow_tide.core.flow.brief import Brief, ClientFacts, Wish

NAMESPACE = UUID("5d0f4a52-7d1e-4c39-9d0e-0c6f1b1d7a11")


def demo_id(name: str) -> UUID:
    """A stable id for something in the demo."""
    return uuid5(NAMESPACE, name)


PRACTICE_ID = demo_id("practice")
PRACTICE_NAME = "The Loft above the Boat Shed"
TIME_ZONE = "UTC"
THERAPIST_ID = demo_id("wenna")
THERAPIST_NAME = "Wenna Tidebrook"
THERAPIST_EMAIL = "wenna@boatshed.example"
THERAPIST_PASSWORD = "slackwater"

HOUSE = House(rules={"table_height": "lifts"})
"""The demo's house rules: the defaults, on a table that lifts."""

ASKED = ("hips", "chest", "face", "scalp", "foot")
"""Consents that most of the demo's clients have given."""


@dataclass(frozen=True)
class DemoClient:
    """A made-up client."""

    key: str
    name: str
    facts: ClientFacts
    know_first: str

    @property
    def client_id(self) -> UUID:
        """The client's stable id."""
        return demo_id(f"client {self.key}")


def _client(
    key: str,
    name: str,
    height_cm: int,
    know_first: str,
    conditions: tuple[str, ...] = (),
    consents: tuple[str, ...] = ASKED,
    wishes: tuple[Wish, ...] = (),
) -> DemoClient:
    facts = ClientFacts(
        height_cm=height_cm,
        consents=frozenset(consents),
        conditions=frozenset(conditions),
        wishes=wishes,
    )
    return DemoClient(key, name, facts, know_first)


CLIENTS = {
    c.key: c
    for c in (
        _client(
            "ottilie",
            "Ottilie Saltgrove",
            164,
            "Likes the calves lighter.",
            ("nut_allergy",),
            ("abdomen", *ASKED),
            (Wish(region="lower_leg_back", depth=2),),
        ),
        _client("bram", "Bram Lanternby", 188, "Long legs; face cradle a notch lower."),
        _client(
            "isolde",
            "Isolde Kelpworth",
            171,
            "Ticklish feet: slower and firmer, not lighter.",
            wishes=(Wish(region="foot", depth=4),),
        ),
        _client(
            "corin", "Corin Foghollow", 176, "Talks until the first turn, then sleeps.", ("contact_lenses",)
        ),
        _client(
            "piet", "Piet Gullander", 182, "Old ankle sprain on the right.", ("high_blood_pressure_treated",)
        ),
        _client("mirabel", "Mirabel Shoalcroft", 158, "Comes straight from work.", ("scent_sensitivity",)),
    )
}


@dataclass(frozen=True)
class DemoSession:
    """A session of the demo's day, at an hour of the practice's clock."""

    client: str
    hour: int
    minute: int
    brief: Brief


DAY = (
    DemoSession("ottilie", 9, 0, Brief(booked_minutes=75, focus=("back", "neck"))),
    DemoSession("bram", 11, 0, Brief(booked_minutes=90, focus=("hips",), pressure="firm")),
    DemoSession("isolde", 14, 0, Brief(booked_minutes=60, leave_out=("face",), close_with="feet")),
    DemoSession("corin", 16, 15, Brief(booked_minutes=75, focus=("neck", "shoulders"), pressure="light")),
)
