"""A client's record as a paper they can read: what is kept of them, since when, and what was done."""

from collections.abc import Iterator
from datetime import date, datetime
from zoneinfo import ZoneInfo

from mellow_tide.core.care.pregnancy import weeks_words
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.formats.paper import Paper
from mellow_tide.core.formats.whole_record import VisitKept, WholeRecord
from mellow_tide.core.meeting.field_rules import Group, read_field_rules
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.phrases.regions import say_place

SOURCES = {
    "by_hand": "written down",
    "intake": "from an intake",
    "day_question": "asked on the day",
    "plan": "on the plan",
    "import": "brought in",
    "merge": "from another entry",
    "learnt": "learnt from what was said",
}
CAUTION = (
    "Mellow Tide is an aid to planning for trained people. It does not diagnose. Local law, scope of practice, licence "
    "and the client’s own clinician decide."
)


def print_client(whole: WholeRecord, time_zone: str, catalogue: Catalogue) -> bytes:
    """The record as PDF. Dates are of the practice's time zone."""
    zone = ZoneInfo(time_zone)
    day = whole.exported_at.astimezone(zone).date()
    paper = Paper(whole.client.name, whole.exported_at, f"{whole.client.name} · {whole.practice}")
    paper.quiet(f"Everything that {whole.practice} keeps of {whole.client.name}, on {_day(day)}.")
    paper.heading("Who you are, and what you like")
    paper.lines(_labelled(whole.client, "who"))
    paper.lines(_wishes(whole.client, catalogue))
    paper.heading("Health")
    paper.lines(_health(whole.client, day, catalogue))
    paper.heading("What may be touched")
    paper.lines(_consents(whole.client, catalogue))
    paper.heading("Visits")
    for visit in whole.visits:
        paper.lines(_visit(visit, zone, catalogue))
    if not whole.visits:
        paper.sentence("None.")
    paper.heading("How it became known")
    paper.lines(
        (
            _day(change.at.astimezone(zone).date()),
            f"{change.field.replace('_', ' ')} {change.item.replace('_', ' ')}".strip()
            + f": {_text(change.before) or 'nothing'} → {_text(change.after) or 'nothing'}; "
            + f"{SOURCES.get(change.source, change.source)} by {change.by}"
            + (f", because: {change.reason}" if change.reason else ""),
        )
        for change in whole.history
        if change.field != "merged"
    )
    paper.quiet(CAUTION)
    return paper.bytes()


def _labelled(client: ClientRecord, group: Group) -> Iterator[tuple[str, str]]:
    for field, how in read_field_rules(ClientRecord):
        if how.group == group:
            yield how.label, _text(getattr(client, field))


def _wishes(client: ClientRecord, catalogue: Catalogue) -> Iterator[tuple[str, str]]:
    names = {**catalogue.strokes, **catalogue.tools}
    yield (
        "Pressure",
        ", ".join(f"{catalogue.regions[x.region].whole} {x.depth:g} of 5" for x in client.wishes),
    )
    yield "Likes", ", ".join(names[id].name for id in sorted(client.likes))
    yield "Does not like", ", ".join(names[id].name for id in sorted(client.dislikes))
    yield "Tension", ", ".join(say_place(place, catalogue) for place in client.tension)


def _health(client: ClientRecord, day: date, catalogue: Catalogue) -> Iterator[tuple[str, str]]:
    yield (
        "Conditions",
        "; ".join(catalogue.conditions[id].name for id in sorted(client.conditions)) or "none named",
    )
    days = client.facts(day).gestation_days
    if client.due_date:
        weeks = f", {weeks_words(days)} today" if days is not None else ""
        yield "Pregnancy", f"due {_day(client.due_date)}{weeks}"
    yield from _labelled(client, "health")


def _consents(client: ClientRecord, catalogue: Catalogue) -> Iterator[tuple[str, str]]:
    yield "Yes to", ", ".join(catalogue.consents[id].name for id in sorted(client.consents))
    yield "No to", ", ".join(catalogue.consents[id].name for id in sorted(client.declined))
    places = (
        say_place(place, catalogue) + (f" ({place.because})" if place.because else "")
        for place in client.excluded
    )
    yield "Left alone", "; ".join(places)


def _visit(visit: VisitKept, zone: ZoneInfo, catalogue: Catalogue) -> Iterator[tuple[str, str]]:
    at: datetime = visit.starts_at.astimezone(zone)
    brief = visit.flow.brief
    words = [f"{brief.booked_minutes} minutes, {catalogue.kinds[brief.kind].name}."]
    if visit.logs:
        log = visit.logs[-1]
        words += [log.note, log.client_words, f"Next time: {log.next_time}" if log.next_time else ""]
        words += [added.words for added in visit.additions]
    yield f"{_day(at.date())}, {at:%H:%M}", " ".join(filter(None, words))


def _day(day: date) -> str:
    return f"{day.day} {day:%B %Y}"


def _text(value: object) -> str:
    if value is None or value == "":
        return ""
    if isinstance(value, float):
        return f"{value:g}"
    return str(value).replace("_", " ")
