"""The answer to what is new today: kept, and in the plan at once."""

from collections.abc import Callable
from uuid import UUID

from mellow_tide.core.care.restrictions import refuse_unplaced
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.rules import Condition
from mellow_tide.core.flow.brief import ClientFacts, ConditionPlaces, merge_places
from mellow_tide.core.meeting import headache
from mellow_tide.core.meeting.changes import ItemChange, place_key
from mellow_tide.core.meeting.day import DayAnswer, add_day_answer
from mellow_tide.core.meeting.headache import Headache
from mellow_tide.core.meeting.record import ClientRecord
from mellow_tide.core.meeting.sides import name_condition_sides, name_sides
from mellow_tide.core.planner.plan import Plan
from mellow_tide.core.refusal import Refused
from mellow_tide.core.setting import Setting
from mellow_tide.services.designing.planning import plan_closest
from mellow_tide.services.designing.standing import PlanChange, Standing, load_standing, store_change
from mellow_tide.services.desk import Desk
from mellow_tide.services.meeting.evidence import Told, tell
from mellow_tide.services.session_view import SessionView
from mellow_tide.services.sessions import read_session
from mellow_tide.store.database import Transaction
from mellow_tide.store.meeting.evidence import Evidence, add_changes
from mellow_tide.store.sessions import ReadAt, lock_session, set_day_answer, set_known


def answer_day(desk: Desk, at: ReadAt, answer: DayAnswer, lasting: bool) -> SessionView:
    """Keep today's answer, and let the closest plan that obeys it stand; `lasting` keeps it for later visits too.

    Where a condition is that is on record is always kept there. The answer is kept whatever becomes of the plan: after
    a stop sign, or where no plan of the brief can obey it, the plan stays and its findings say so. Raises `NotThere`,
    `Stale`, `UnknownReference`, and `PlaceMissing` while nobody has told where a condition is.
    """
    answer = name_answer_sides(answer, desk.catalogue)
    stands = load_standing(desk, at.session_id)
    row = stands.row
    setting = stands.setting.with_client(add_day_answer(row.known, answer))
    if not row.begun:
        refuse_unplaced(setting.restrictions)
    made = _obeying(stands, setting)

    def keep(t: Transaction) -> None:
        set_day_answer(t, at.session_id, answer)
        said = answer.model_dump(mode="json", exclude_defaults=True) or "nothing new"
        asked = [ItemChange(field="today", item=row.day.isoformat(), after=said)]
        add_changes(t, row.client_id, asked, Evidence("day_question", desk.name(t)))
        if lasting or answer.condition_places:
            kept = answer if lasting else DayAnswer(condition_places=answer.condition_places)
            tell(t, desk, row.client_id, lambda record: add_lasting(record, kept), Told("day_question"))

    return _keep_with_plan(desk, at, stands, made, keep)


def judge_headache(desk: Desk, session_id: UUID, told: Headache) -> Condition:
    """The condition that a headache of the session's client is. Raises `NotThere`."""
    return desk.catalogue.conditions[headache.judge_headache(told, load_standing(desk, session_id).row.known)]


def tell_where(desk: Desk, at: ReadAt, told: ConditionPlaces) -> SessionView:
    """Keep where a condition of the session's client is, and let the closest plan that obeys it stand.

    It is kept where the condition is: on record, in today's answer, or in both. The plan stays where none can obey it
    yet. Raises `NotThere`, `Stale`, `UnknownReference`.
    """
    stands = load_standing(desk, at.session_id)
    row = stands.row
    (told,) = name_condition_sides((told,), desk.catalogue)
    places = merge_places(row.facts.condition_places, (told,))
    made = _obeying(
        stands, stands.setting.with_client(row.facts.model_copy(update={"condition_places": places}))
    )

    def keep(t: Transaction) -> None:
        tell(t, desk, row.client_id, lambda record: record.told_where((told,)), Told("plan"))
        if row.answer and told.condition in row.answer.conditions:
            answered = merge_places(row.answer.condition_places, (told,))
            set_day_answer(t, at.session_id, row.answer.model_copy(update={"condition_places": answered}))

    return _keep_with_plan(desk, at, stands, made, keep)


def _keep_with_plan(
    desk: Desk, at: ReadAt, stands: Standing, made: Plan | None, keep: Callable[[Transaction], None]
) -> SessionView:
    """Write what `keep` writes, and store `made` with it where it is another plan than the one that stands."""
    if made and made.flow != stands.plan.flow:
        return store_change(desk, at, PlanChange(made, stands.plan, also=keep))
    with desk.writing() as t:
        lock_session(t, at.session_id)
        keep(t)
        if made:
            # The plan obeys it as it is: that is no news to it.
            set_known(t, at.session_id)
    return read_session(desk, at.session_id)


def _obeying(stands: Standing, setting: Setting) -> Plan | None:
    """The closest plan that obeys what is known now; None where there is none, or no session."""
    row = stands.row
    if setting.restrictions.refer:
        return None
    if row.begun or _same(setting.client, row.facts):
        return stands.plan
    try:
        return plan_closest(stands.plan, setting)
    except Refused:
        # What cannot be planned is said by the findings of the plan that stands.
        return None


def mark_looked_at(desk: Desk, session_id: UUID) -> SessionView:
    """The plan is right as it is beside what became known of the client since. Raises `NotThere`."""
    with desk.reading() as t:
        lock_session(t, session_id)
        set_known(t, session_id)
    return read_session(desk, session_id)


def name_answer_sides(answer: DayAnswer, catalogue: Catalogue) -> DayAnswer:
    """The answer with its places as the catalogue has them: a region in the middle has no sides."""
    return answer.model_copy(
        update={
            "excluded": name_sides(answer.excluded, catalogue),
            "condition_places": name_condition_sides(answer.condition_places, catalogue),
        }
    )


def _same(facts: ClientFacts, before: ClientFacts) -> bool:
    told = ("conditions", "condition_places", "excluded")
    return all(getattr(facts, field) == getattr(before, field) for field in told)


def add_lasting(record: ClientRecord, answer: DayAnswer) -> ClientRecord:
    """What is known of the client, with what was answered kept for later visits too."""
    places = {place_key(place): place for place in (*answer.excluded, *record.excluded)}
    noted = record.model_copy(
        update={"conditions": record.conditions | answer.conditions, "excluded": tuple(places.values())}
    )
    return noted.told_where(answer.condition_places)
