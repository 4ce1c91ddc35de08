"""Who is in the demo: one therapist and thirteen clients of a small practice above an old boat shed."""

from dataclasses import dataclass
from datetime import date, time, timedelta
from typing import Any
from uuid import UUID, uuid5

from mellow_tide.core.booking.hours import Hours, Lunch
from mellow_tide.core.care.pregnancy import TERM_DAYS
from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.flow.brief import Brief, Excluded, Place, Wish
from mellow_tide.core.meeting.answers import Answers
from mellow_tide.core.meeting.record import ClientRecord

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

HOURS = Hours(days=tuple(range(7)), lunch=Lunch(starts=time(13), minutes=45))
"""The demo's day is today, whichever weekday that is."""

ASKED = ("hips", "chest", "face", "scalp", "foot")
"""Consents that most of the demo's clients have given."""


@dataclass(frozen=True)
class DemoClient:
    """A made-up client; `weeks` of pregnancy on the day the demo is loaded, if there is one."""

    key: str
    record: ClientRecord
    weeks: int | None = None

    @property
    def client_id(self) -> UUID:
        """The client's stable id."""
        return demo_id(f"client {self.key}")

    @property
    def name(self) -> str:
        """The client's name."""
        return self.record.name

    def known(self, day: date) -> ClientRecord:
        """What is known of the client on a day."""
        if self.weeks is None:
            return self.record
        due = day + timedelta(days=TERM_DAYS - 7 * self.weeks)
        return self.record.model_copy(update={"due_date": due})


def _client(
    key: str, name: str, height_cm: int, know_first: str, weeks: int | None = None, **more: Any
) -> DemoClient:
    told = {"name": name, "height_cm": height_cm, "know_first": know_first, "consents": ASKED, **more}
    return DemoClient(key, ClientRecord.model_validate(told), weeks)


def _wish(**depths: float) -> tuple[Wish, ...]:
    return tuple(Wish(region=region, depth=depth) for region, depth in depths.items())


CLIENTS = {
    c.key: c
    for c in (
        _client(
            "ottilie",
            "Ottilie Saltgrove",
            164,
            "Likes the calves lighter.",
            conditions=("nut_allergy",),
            consents=("abdomen", *ASKED),
            wishes=_wish(lower_leg_back=2),
            phone="01632 555 014",
        ),
        _client("bram", "Bram Lanternby", 188, "Long legs; face cradle a notch lower."),
        _client(
            "isolde",
            "Isolde Kelpworth",
            171,
            "Ticklish feet: slower and firmer, not lighter.",
            wishes=_wish(foot=4),
        ),
        _client(
            "corin",
            "Corin Foghollow",
            176,
            "Talks until the first turn, then sleeps.",
            conditions=("contact_lenses",),
        ),
        _client(
            "piet",
            "Piet Gullander",
            182,
            "Old ankle sprain on the right.",
            conditions=("high_blood_pressure_treated",),
        ),
        _client(
            "mirabel",
            "Mirabel Shoalcroft",
            158,
            "Comes straight from work.",
            conditions=("scent_sensitivity",),
            clothing="Work dress; brings a shirt for the chair.",
            chair_set_up="Seat at 4, chest pad one notch up, face rest level.",
        ),
        _client(
            "nerys",
            "Nerys Hullwright",
            167,
            "Left side first; an extra pillow under the belly.",
            weeks=27,
            address_as="Nerys",
            emergency_contact="Dai Hullwright, 01632 555 027",
            aims="To sleep through a night again.",
            tension=(Place(region="back", side="mid", zone="lower_back"), Place(region="hips")),
        ),
        _client(
            "gethin",
            "Gethin Oarsby",
            179,
            "Sits up slowly.",
            conditions=("high_blood_pressure_treated", "nut_allergy"),
            birth_year=1958,
            medicines="Something for the blood pressure, in the morning.",
            talk="talk",
        ),
        _client(
            "sable",
            "Sable Driftmoor",
            169,
            "Tattoo on the right arm is two weeks old.",
            excluded=(Excluded(region="arm", side="right", because="fresh tattoo"),),
            music="none",
        ),
        _client(
            "hollis",
            "Hollis Peatcombe",
            173,
            "Coughs when flat: on the side, or half sitting.",
            conditions=("cannot_lie_flat", "asthma_reflux"),
        ),
        _client(
            "averil",
            "Averil Thornquay",
            161,
            "Nobody touches the neck. Say what comes before it comes.",
            conditions=("previous_bad_experience",),
            consents=("foot", "scalp"),
            declined=("face", "chest"),
            excluded=(Excluded(region="neck", side="mid", because="afraid of it"),),
            talk="quiet",
        ),
        _client(
            "rafe",
            "Rafe Cinderlock",
            185,
            "Runs long distances; firm, and says so if it is too much.",
            wishes=_wish(thigh_back=4, lower_leg_back=4, thigh_front=4, foot=4),
            likes=("stripping", "forearm_glide"),
            oil="little",
        ),
        _client(
            "linnet",
            "Linnet Marrowby",
            165,
            "The back lighter than it used to be.",
            wishes=_wish(back=3, shoulders=4),
        ),
    )
}

REGULARS = {
    c.key: c
    for c in (
        _client(
            "tamsin",
            "Tamsin Reedholm",
            168,
            "Mends nets: the left shoulder blade is where it gathers.",
            address_as="Tam",
            phone="01632 555 031",
        ),
        _client("jory", "Jory Beaconsall", 181, "Came by way of a friend; likes to know what comes next."),
        _client("elowen", "Elowen Spraddon", 160, "First massage ever, three weeks ago."),
    )
}
"""Who has been coming: ten times, three times, once."""

EARLIER_WISHES = _wish(back=4.5, shoulders=3)
"""What Linnet wished for when she came first; what she wishes now was told later."""


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

VISIT_BEFORE = DemoSession("linnet", 10, 0, Brief(booked_minutes=60, focus=("back",)))
"""A visit of four weeks ago."""

MIRABEL_SAYS = Answers.model_validate(
    {
        "address_as": "Mira",
        "language": "English, and Dutch",
        "conditions": {
            "today": [],
            "clinician": [],
            "usual": ["varicose_veins"],
            "allergies": ["scent_sensitivity"],
        },
        "medicines": "Aspirin, a small one every day",
        "pregnant": "no",
        "aims": "An hour in which nobody wants anything.",
        "tension": [{"region": "shoulders"}, {"region": "neck", "side": "mid"}],
        "excluded": [{"region": "foot", "side": "left", "because": "a plaster on the heel"}],
        "wishes": [{"region": "back", "depth": 4}, {"region": "lower_leg_back", "depth": 4}],
        "consents": {
            "abdomen": "no",
            "hips": "ask",
            "chest": "yes",
            "face": "yes",
            "scalp": "yes",
            "foot": "yes",
        },
        "talk": "quiet",
        "music": "soft",
    }
)
"""An intake that was handed in and that nobody has read yet."""
