"""What of a day's bookings does not go together: with the therapist's hours, with one another, with the hands."""

from collections.abc import Iterable, Iterator, Sequence
from dataclasses import dataclass
from datetime import datetime, timedelta
from typing import Literal
from uuid import UUID
from zoneinfo import ZoneInfo

from pydantic import AwareDatetime

from mellow_tide.core.booking.hours import Hours, MinuteSpan, minute_of
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.hands.load import DayLoad
from mellow_tide.core.phrases.book import say
from mellow_tide.core.phrases.manner import Manner

ClashKind = Literal[
    "day_off",
    "too_early",
    "too_late",
    "in_lunch",
    "overlap",
    "gap_short",
    "blocked",
    "client_elsewhere",
    "hands_strained",
    "thumbs_strained",
]


class Booked(Record):
    """A booking: whose, from when, for how many minutes."""

    session_id: UUID
    client_name: str
    starts_at: AwareDatetime
    minutes: int

    @property
    def ends_at(self) -> AwareDatetime:
        """When the whole booking is over."""
        return self.starts_at + timedelta(minutes=self.minutes)


class BlockedTime(Record):
    """Time of a therapist in which no session is to be: from when to when, what it is called, whether whole days."""

    block_id: UUID
    title: str
    starts_at: AwareDatetime
    ends_at: AwareDatetime
    whole_days: bool


class Clash(Record):
    """One thing that does not go together: at which session, and in words."""

    session_id: UUID
    kind: ClashKind
    says: str


@dataclass(frozen=True)
class DayRules:
    """What a therapist keeps to: hours, which are local times in `zone`, and blocked time; `manner` words times."""

    hours: Hours
    zone: ZoneInfo
    manner: Manner
    blocks: Sequence[BlockedTime] = ()


def find_clashes(booked: Sequence[Booked], rules: DayRules) -> tuple[Clash, ...]:
    """What of the bookings does not go with what is kept; the earliest first.

    How long apart two sessions are is told by real time, so that it holds where clocks change.
    """
    ordered = sorted(booked, key=lambda one: (one.starts_at, one.session_id))
    found = [
        *_alone(ordered, rules),
        *_side_by_side(ordered, rules.hours),
        *_find_blocked(ordered, rules),
    ]
    place = {one.session_id: n for n, one in enumerate(ordered)}
    return tuple(sorted(found, key=lambda clash: place[clash.session_id]))


def judge_booking(others: Sequence[Booked], wanted: Booked, rules: DayRules) -> tuple[Clash, ...]:
    """What a booking would bring into the day that was not in it before; `others` are the therapist's own."""
    before = {(clash.session_id, clash.kind) for clash in find_clashes(others, rules)}
    after = find_clashes([*others, wanted], rules)
    return tuple(clash for clash in after if (clash.session_id, clash.kind) not in before)


def find_elsewhere(of_client: Iterable[Booked], wanted: Booked) -> tuple[Clash, ...]:
    """The bookings that the same client has at the same time, with whomever."""
    return tuple(
        _clash(wanted, "client_elsewhere", name=wanted.client_name)
        for one in of_client
        if one.starts_at < wanted.ends_at and wanted.starts_at < one.ends_at
    )[:1]


def judge_hands(wanted: Booked, before: DayLoad, after: DayLoad) -> tuple[Clash, ...]:
    """Where a booking makes the day too full for the hands: the strain index, and the minutes of the thumbs."""
    found = []
    if after.hazardous and after.strain > before.strain:
        found.append(_clash(wanted, "hands_strained", strain=after.strain))
    over = after.thumb_seconds > after.thumb_budget_seconds
    if over and after.thumb_seconds > before.thumb_seconds:
        minutes, budget = (round(s / 60) for s in (after.thumb_seconds, after.thumb_budget_seconds))
        found.append(_clash(wanted, "thumbs_strained", minutes=minutes, budget=budget))
    return tuple(found)


def _alone(booked: Iterable[Booked], rules: DayRules) -> Iterator[Clash]:
    hours, manner = rules.hours, rules.manner
    for one in booked:
        start = one.starts_at.astimezone(rules.zone).replace(tzinfo=None)
        begins = minute_of(start.time())
        if start.weekday() not in hours.days:
            yield _clash(one, "day_off", name=one.client_name)
            continue
        if start.time() < hours.first_start:
            yield _clash(one, "too_early", name=one.client_name, at=manner.say_time(hours.first_start))
        if start.time() > hours.last_start:
            yield _clash(one, "too_late", name=one.client_name, at=manner.say_time(hours.last_start))
        taken = MinuteSpan(begins=begins, ends=begins + one.minutes)
        if hours.lunch and hours.lunch.span.touches(taken):
            yield _clash(one, "in_lunch", name=one.client_name, at=manner.say_time(hours.lunch.starts))


def _side_by_side(ordered: Sequence[Booked], hours: Hours) -> Iterator[Clash]:
    for n, following in enumerate(ordered[1:], 1):
        # The booking that is over last is not always the one that began last.
        one = max(ordered[:n], key=lambda before: before.ends_at)
        names = {"name": following.client_name, "before": one.client_name}
        between = round((following.starts_at - one.ends_at).total_seconds() / 60)
        if between < 0:
            yield _clash(following, "overlap", **names)
        elif between < hours.gap_minutes:
            yield _clash(following, "gap_short", **names, minutes=between, gap=hours.gap_minutes)


def _find_blocked(booked: Iterable[Booked], rules: DayRules) -> Iterator[Clash]:
    def say_time(at: datetime) -> str:
        return rules.manner.say_time(at.astimezone(rules.zone).time())

    for one in booked:
        hit = next((b for b in rules.blocks if b.starts_at < one.ends_at and one.starts_at < b.ends_at), None)
        if hit:
            # What the time is blocked for is the therapist's own affair: somebody else may be booking.
            hours = say("booking.from_to", begins=say_time(hit.starts_at), ends=say_time(hit.ends_at))
            when = say("booking.all_day") if hit.whole_days else hours
            yield _clash(one, "blocked", name=one.client_name, when=when)


def _clash(one: Booked, kind: ClashKind, **data: object) -> Clash:
    return Clash(session_id=one.session_id, kind=kind, says=say(f"booking.{kind}", **data))
