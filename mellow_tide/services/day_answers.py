"""The question of the day: kept, and in the plan at once."""

from uuid import UUID

from psycopg import Connection

from mellow_tide.core.care.restrictions import restrict
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house import in_house
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.meeting.changes import ItemChange, place_key
from mellow_tide.core.meeting.day import DayAnswer, on_the_day
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.refusal import Refused
from mellow_tide.services.evidence import person_name, told
from mellow_tide.services.planning import closest
from mellow_tide.services.session_view import SessionView
from mellow_tide.services.sessions import session
from mellow_tide.services.standing import found, store_plan
from mellow_tide.store.clients import add_changes
from mellow_tide.store.database import Database, Row, Sight
from mellow_tide.store.people import SignedIn
from mellow_tide.store.sessions import lock_session, set_day_answer, set_known


def answer_day(
    db: Database,
    who: SignedIn,
    session_id: UUID,
    revision: int,
    answer: DayAnswer,
    lasting: bool,
    catalogue: Catalogue,
) -> SessionView:
    """Keep today's answer, and let the closest plan that obeys it stand; `lasting` keeps it for the next times too.

    The answer is kept whatever becomes of the plan: after a stop sign, or where no plan of the brief can obey it, the
    plan stays and its findings say so. Raises `NotThere`, `Stale`, `UnknownReference`.
    """
    row = found(db, who, session_id)
    before = Plan.model_validate(row.plan)
    facts = on_the_day(row.known, answer)
    restrictions = restrict(facts, in_house(row.house, catalogue))
    made: Plan | None = before
    if restrictions.refer:
        made = None
    elif not (row.begun or _same(facts, row.facts)):
        try:
            made = closest(before, facts, row, catalogue)
        except Refused:
            # What cannot be planned is said by the findings of the plan that stands.
            made = None

    def keep(c: Connection[Row]) -> None:
        set_day_answer(c, who.practice_id, session_id, answer)
        said = answer.model_dump(mode="json", exclude_defaults=True) or "nothing new"
        asked = [ItemChange(field="today", item=row.day.isoformat(), after=said)]
        add_changes(c, who.practice_id, row.client_id, asked, "day_question", person_name(c, who))
        if lasting:
            told(c, who, row.client_id, lambda record: _with(record, answer), "day_question", catalogue)

    if made and made.flow != before.flow:
        return store_plan(db, who, session_id, revision, made, catalogue, before, also=keep)
    with db.transaction(Sight(who.practice_id, who.person_id)) as c:
        lock_session(c, who.practice_id, session_id)
        keep(c)
        if made:
            # The plan obeys it as it is: that is no news to it.
            set_known(c, who.practice_id, session_id)
    return session(db, who, session_id, catalogue)


def looked_at(db: Database, who: SignedIn, session_id: UUID, catalogue: Catalogue) -> SessionView:
    """The plan is right as it is beside what became known of the client since. Raises `NotThere`."""
    with db.transaction(Sight(who.practice_id)) as c:
        lock_session(c, who.practice_id, session_id)
        set_known(c, who.practice_id, session_id)
    return session(db, who, session_id, catalogue)


def _same(facts: ClientFacts, before: ClientFacts) -> bool:
    return facts.conditions == before.conditions and facts.excluded == before.excluded


def _with(record: ClientRecord, answer: DayAnswer) -> ClientRecord:
    places = {place_key(place): place for place in (*answer.excluded, *record.excluded)}
    return record.model_copy(
        update={"conditions": record.conditions | answer.conditions, "excluded": tuple(places.values())}
    )
