"""A client's record as a paper they can read: what is kept of them, since when, and what was done."""

from collections.abc import Iterator
from datetime import date, datetime
from zoneinfo import ZoneInfo

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.place_names import say_place, say_places
from mellow_tide.core.formats.paper import Paper
from mellow_tide.core.formats.whole_record import VisitKept, WholeRecord
from mellow_tide.core.meeting.field_rules import Group, read_field_rules
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.phrases.book import say
from mellow_tide.core.phrases.manner import Manner

CAUTION = say("papers.caution")


def print_client(whole: WholeRecord, time_zone: str, manner: Manner, catalogue: Catalogue) -> bytes:
    """The record as PDF. Dates are of the practice's time zone."""
    zone = ZoneInfo(time_zone)
    day = whole.exported_at.astimezone(zone).date()
    paper = Paper(whole.client.name, whole.exported_at, f"{whole.client.name} · {whole.practice}")
    paper.quiet(
        say(
            "papers.everything_kept",
            practice=whole.practice,
            client=whole.client.name,
            day=manner.say_day(day),
        )
    )
    paper.heading(say("papers.who_you_are"))
    paper.lines(_labelled(whole.client, "who", manner))
    paper.lines(_wishes(whole.client, catalogue))
    paper.heading("Health")
    paper.lines(_health(whole.client, day, manner, catalogue))
    paper.heading(say("papers.what_may_be_touched"))
    paper.lines(_consents(whole.client, catalogue))
    paper.heading("Visits")
    for visit in whole.visits:
        paper.lines(_visit(visit, zone, manner, catalogue))
    if not whole.visits:
        paper.sentence("None.")
    paper.heading(say("papers.where_it_came_from"))
    paper.lines(
        (
            manner.say_day(change.at.astimezone(zone)),
            f"{change.field.replace('_', ' ')} {change.item.replace('_', ' ')}".strip()
            + f": {_text(change.before) or 'nothing'} → {_text(change.after) or 'nothing'}; "
            + say("papers.by", source=say(f"sources.{change.source}"), by=change.by)
            + (say("papers.because", reason=change.reason) if change.reason else ""),
        )
        for change in whole.history
        if change.field != "merged"
    )
    paper.quiet(CAUTION)
    return paper.bytes()


def _labelled(client: ClientRecord, group: Group, manner: Manner) -> Iterator[tuple[str, str]]:
    for field, how in read_field_rules(ClientRecord):
        if how.group == group:
            value = getattr(client, field)
            yield how.label, manner.say_measure(how.measure, value) if how.measure and value else _text(value)


def _wishes(client: ClientRecord, catalogue: Catalogue) -> Iterator[tuple[str, str]]:
    names = {**catalogue.strokes, **catalogue.tools}
    yield (
        "Pressure",
        ", ".join(
            say("papers.wish", region=catalogue.regions[x.region].whole, depth=x.depth) for x in client.wishes
        ),
    )
    yield "Likes", ", ".join(names[id].name for id in sorted(client.likes))
    yield say("papers.does_not_like"), ", ".join(names[id].name for id in sorted(client.dislikes))
    yield "Tension", ", ".join(say_place(place, catalogue) for place in client.tension)


def _health(
    client: ClientRecord, day: date, manner: Manner, catalogue: Catalogue
) -> Iterator[tuple[str, str]]:
    yield (
        "Conditions",
        "; ".join(_condition(id, client, catalogue) for id in sorted(client.conditions))
        or say("papers.none_named"),
    )
    days = client.facts(day).gestation_days
    if client.due_date:
        weeks = say("papers.weeks_today", days=days) if days is not None else ""
        yield "Pregnancy", say("papers.due", day=manner.say_day(client.due_date), weeks=weeks)
    yield from _labelled(client, "health", manner)


def _condition(id: str, client: ClientRecord, catalogue: Catalogue) -> str:
    name = catalogue.conditions[id].name
    places = next((one.places for one in client.condition_places if one.condition == id), None)
    return name if places is None else f"{name} ({say_places(places, catalogue)})"


def _consents(client: ClientRecord, catalogue: Catalogue) -> Iterator[tuple[str, str]]:
    yield say("papers.yes_to"), ", ".join(catalogue.consents[id].name for id in sorted(client.consents))
    yield (
        say("papers.through_sheet"),
        ", ".join(catalogue.consents[id].name for id in sorted(client.through_cloth)),
    )
    yield say("papers.no_to"), ", ".join(catalogue.consents[id].name for id in sorted(client.declined))
    places = (
        say_place(place, catalogue) + (f" ({place.because})" if place.because else "")
        for place in client.excluded
    )
    yield say("papers.left_alone"), "; ".join(places)


def _visit(
    visit: VisitKept, zone: ZoneInfo, manner: Manner, catalogue: Catalogue
) -> Iterator[tuple[str, str]]:
    at: datetime = visit.starts_at.astimezone(zone)
    brief = visit.flow.brief
    words: list[str] = [
        say("papers.session_of", minutes=brief.booked_minutes, kind=catalogue.kinds[brief.kind].name)
    ]
    if visit.logs:
        log = visit.logs[-1]
        words += [
            log.note,
            log.client_words,
            say("papers.next_time_is", words=log.next_time) if log.next_time else "",
        ]
        words += [added.words for added in visit.additions]
    yield say_moment(at, manner), " ".join(filter(None, words))


def say_moment(at: datetime, manner: Manner) -> str:
    """Day and time of a local time."""
    return say("papers.moment", day=manner.say_day(at), time=manner.say_time(at.time()))


def _text(value: object) -> str:
    if value is None or value == "":
        return ""
    if isinstance(value, float):
        return f"{value:g}"
    return str(value).replace("_", " ")
