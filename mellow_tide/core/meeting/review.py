"""An intake as the therapist reads it: each answer with what it means for a session, and what accepting it changes."""

from collections.abc import Collection, Iterator
from datetime import date
from typing import Literal

from mellow_tide.core.care.pregnancy import gestation_days
from mellow_tide.core.care.restrict import restrict
from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.catalogue.rules import Condition
from mellow_tide.core.flow.brief import ClientFacts, Place
from mellow_tide.core.flow.place_names import say_place, say_places
from mellow_tide.core.meeting.answers import Answers
from mellow_tide.core.meeting.changes import place_key
from mellow_tide.core.meeting.field_rules import read_field_rules
from mellow_tide.core.meeting.questions import read_sections
from mellow_tide.core.meeting.record import ClientRecord, read_consents
from mellow_tide.core.phrases.book import say
from mellow_tide.core.phrases.manner import Manner

Level = Literal["refer", "ask", "adapt", "note"]
ASKED = {field: how for field, how in read_field_rules(ClientRecord) if how.asked}
"""The questions whose answer is kept as it is."""


class Item(Record):
    """One answer to accept or to question. `id` is stable; `before` is what was on record, if that was something else.

    `level`: how grave it is. `means`: what it means for a session, in plain words; empty where it is only noted.
    """

    id: str
    about: str
    answer: str
    means: str = ""
    level: Level = "note"
    before: str = ""


def review_answers(
    answers: Answers, record: ClientRecord, day: date, catalogue: Catalogue, manner: Manner
) -> tuple[Item, ...]:
    """Every answer, the gravest first, then in the order they were asked."""
    grave = {"refer": 0, "ask": 1, "adapt": 2, "note": 3}
    found = [
        *_conditions(answers, record, catalogue),
        *_pregnancy(answers, record, day, catalogue),
        *_places(answers, catalogue),
        *_consents(answers, record, catalogue),
        *_wishes(answers, record, day, catalogue),
        *_plain(answers, record, manner),
    ]
    return tuple(sorted(found, key=lambda item: grave[item.level]))


def accept_answers(record: ClientRecord, answers: Answers, ids: Collection[str]) -> ClientRecord:
    """The record with the answers accepted whose item's id is among `ids`."""
    taken = {field: getattr(answers, field) for field in ASKED if field in ids}
    conditions = {id for id in answers.ticked() if f"conditions {id}" in ids}
    kept_off = {place_key(place): place for place in record.excluded}
    kept_off |= {place_key(x): x for x in answers.excluded or () if f"excluded {place_key(x)}" in ids}
    wishes = {wish.region: wish for wish in record.wishes}
    wishes |= {wish.region: wish for wish in answers.wishes or () if f"wishes {wish.region}" in ids}
    made = record.model_copy(
        update={
            **taken,
            "conditions": record.conditions | conditions,
            "excluded": tuple(kept_off.values()),
            "wishes": tuple(wishes.values()),
            "tension": answers.tension if answers.tension and "tension" in ids else record.tension,
            "due_date": answers.due() if "pregnant" in ids else record.due_date,
        }
    )
    for id, answer in answers.consents.items():
        if f"consents {id}" in ids:
            made = made.answered(id, None if answer == "ask" else answer)
    told = (one for one in answers.condition_places if one.condition in conditions)
    return type(record).model_validate(dict(made.told_where(told)))


def _conditions(answers: Answers, record: ClientRecord, catalogue: Catalogue) -> Iterator[Item]:
    for id in sorted(answers.ticked()):
        condition = catalogue.conditions[id]
        yield Item(
            id=f"conditions {id}",
            about=condition.name,
            answer=_say_where(condition, answers.where().get(id), catalogue),
            means=condition.says,
            level=condition.level,
            before="yes" if id in record.conditions else "",
        )
    asked = {id for id, condition in catalogue.conditions.items() if condition.asked in answers.conditions}
    for id in sorted((record.conditions & asked) - answers.ticked()):
        yield Item(
            id=f"unnamed {id}",
            about=catalogue.conditions[id].name,
            answer=say("meeting.not_named"),
            means=say("meeting.stays_on_record"),
            level="ask",
            before=say("meeting.on_record"),
        )


def _say_where(condition: Condition, places: tuple[Place, ...] | None, catalogue: Catalogue) -> str:
    if not condition.needs_place:
        return condition.asks
    if places is None:
        return say("meeting.not_said_where", asks=condition.asks)
    return say("meeting.said_where", asks=condition.asks, where=say_places(places, catalogue))


def _pregnancy(answers: Answers, record: ClientRecord, day: date, catalogue: Catalogue) -> Iterator[Item]:
    if answers.pregnant is None:
        return
    due = answers.due()
    days = gestation_days(due, day) if due else None
    before = (
        say("meeting.due", day=record.due_date.isoformat())
        if record.due_date and record.due_date != due
        else ""
    )
    if answers.pregnant == "no":
        if before:
            yield Item(
                id="pregnant",
                about="pregnancy",
                answer="no",
                means=say("meeting.ask_kindly"),
                level="ask",
                before=before,
            )
        return
    restricted = restrict(ClientFacts(gestation_days=days), catalogue)
    says = " ".join(reason.says for reason in restricted.reasons)
    yield Item(
        id="pregnant",
        about="pregnancy",
        answer=say("meeting.due_and_weeks", day=due.isoformat(), days=days)
        if due and days is not None
        else "yes",
        means=says or say("meeting.ask_how_far"),
        level="refer" if restricted.refer else "adapt" if says else "ask",
        before=before,
    )


def _places(answers: Answers, catalogue: Catalogue) -> Iterator[Item]:
    for place in answers.excluded or ():
        name = say_place(place, catalogue)
        means = say("meeting.leaves_the_plan")
        answer = place.because or say("meeting.not_to_be_touched")
        yield Item(id=f"excluded {place_key(place)}", about=name, answer=answer, means=means, level="adapt")
    if answers.tension:
        names = ", ".join(say_place(place, catalogue) for place in answers.tension)
        yield Item(
            id="tension",
            about="tension",
            answer=names,
            means=say("meeting.worth_more_time"),
        )


def _consents(answers: Answers, record: ClientRecord, catalogue: Catalogue) -> Iterator[Item]:
    known = {id: say(f"meeting.said_{answer}") for id, answer in read_consents(record).items()}
    means = {
        "yes": say("meeting.may_be_worked"),
        "through_cloth": say("meeting.worked_through_sheet"),
        "no": say("meeting.left_out"),
        "ask": say("meeting.ask_on_the_day"),
    }
    for id, answer in answers.consents.items():
        before = known.get(id, "")
        yield Item(
            id=f"consents {id}",
            about=catalogue.consents[id].name,
            answer=say(f"meeting.said_{answer}"),
            means=means[answer],
            level="adapt" if answer == "no" else "note",
            before=before if before != say(f"meeting.said_{answer}") else "",
        )


def _wishes(answers: Answers, record: ClientRecord, day: date, catalogue: Catalogue) -> Iterator[Item]:
    with_all = record.model_copy(
        update={
            "conditions": record.conditions | answers.ticked(),
            "due_date": answers.due() or record.due_date,
        }
    )
    limits = restrict(with_all.facts(day), catalogue)
    known = {wish.region: wish.depth for wish in record.wishes}
    for wish in answers.wishes or ():
        before = known.get(wish.region)
        yield Item(
            id=f"wishes {wish.region}",
            about=say("meeting.pressure", region=catalogue.regions[wish.region].whole),
            answer=say("meeting.depth", depth=wish.depth),
            means=_limited(wish.region, wish.depth, limits),
            before=say("meeting.depth", depth=before) if before not in (None, wish.depth) else "",
        )


def _limited(region: str, depth: float, limits: Restrictions) -> str:
    cap = limits.capped(region)
    return (
        say("meeting.held_to_depth", depth=cap.depth, because=cap.because)
        if cap and cap.depth < depth
        else say("meeting.begins_there")
    )


def _plain(answers: Answers, record: ClientRecord, manner: Manner) -> Iterator[Item]:
    asked = {question.field: question for section in read_sections() for question in section.questions}
    for field, how in ASKED.items():
        answer = getattr(answers, field)
        if answer in (None, ""):
            continue
        before = getattr(record, field)
        unsaid = type(record).model_fields[field].default
        reads = {option.value: option.reads for option in asked[field].options} if field in asked else {}
        if how.measure:
            reads = {str(amount): manner.say_measure(how.measure, amount) for amount in (answer, before)}
        yield Item(
            id=field,
            about=how.about or field,
            answer=reads.get(str(answer), str(answer)),
            means=how.means,
            level="ask" if how.grave else "note",
            before=reads.get(str(before), str(before)) if before not in (unsaid, answer) else "",
        )
