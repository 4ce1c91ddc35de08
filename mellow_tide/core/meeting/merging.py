"""Two entries of one person as one record. Where they differ the stricter holds; nothing that was told is dropped."""

from datetime import date

from mellow_tide.core.flow.brief import ConditionPlaces, Excluded, Place, Wish
from mellow_tide.core.meeting.changes import place_key
from mellow_tide.core.meeting.field_rules import read_field_rules
from mellow_tide.core.meeting.record import ClientRecord


def merge_records(kept: ClientRecord, other: ClientRecord) -> ClientRecord:
    """`kept` with what only `other` knows.

    Conditions, where they are, and places to keep off add up, a no goes before “through the sheet” and that before a
    yes, the lighter of two wishes stands, and of two due dates the earlier. Text is joined, cut at the record's bounds.
    """
    rules = dict(read_field_rules(ClientRecord))
    unknown = type(kept)(name=kept.name)
    own = {
        field: getattr(other, field)
        for field, rule in rules.items()
        if rule.merge == "first" and getattr(kept, field) == getattr(unknown, field)
    }
    joined = {
        field: _joined(kept, other, field, rule.between)
        for field, rule in rules.items()
        if rule.merge == "join"
    }
    declined = kept.declined | other.declined
    through_cloth = (kept.through_cloth | other.through_cloth) - declined
    dislikes = kept.dislikes | other.dislikes
    return type(kept).model_validate(
        {
            **dict(kept),
            **own,
            **joined,
            "conditions": kept.conditions | other.conditions,
            "condition_places": _condition_places(kept, other),
            "declined": declined,
            "through_cloth": through_cloth,
            "consents": (kept.consents | other.consents) - declined - through_cloth,
            "dislikes": dislikes,
            "likes": (kept.likes | other.likes) - dislikes,
            "excluded": _kept_off(kept, other),
            "tension": tuple({place_key(place): place for place in (*other.tension, *kept.tension)}.values()),
            "wishes": _wishes(kept, other),
            "due_date": _earlier(kept.due_date, other.due_date),
        }
    )


def _joined(kept: ClientRecord, other: ClientRecord, field: str, between: str) -> str:
    mine, theirs = getattr(kept, field), getattr(other, field)
    if not theirs or theirs in mine:
        return str(mine)
    words = between.join(filter(None, (mine, theirs)))
    bound = next(m.max_length for m in ClientRecord.model_fields[field].metadata if hasattr(m, "max_length"))
    return words[:bound]


def _kept_off(kept: ClientRecord, other: ClientRecord) -> tuple[Excluded, ...]:
    return tuple({place_key(place): place for place in (*other.excluded, *kept.excluded)}.values())


def _condition_places(kept: ClientRecord, other: ClientRecord) -> tuple[ConditionPlaces, ...]:
    found: dict[str, dict[str, Place]] = {}
    for one in (*kept.condition_places, *other.condition_places):
        found.setdefault(one.condition, {}).update({place_key(place): place for place in one.places})
    return tuple(ConditionPlaces(condition=id, places=tuple(x.values())) for id, x in found.items())


def _wishes(kept: ClientRecord, other: ClientRecord) -> tuple[Wish, ...]:
    lightest: dict[str, Wish] = {}
    for wish in (*kept.wishes, *other.wishes):
        known = lightest.get(wish.region)
        lightest[wish.region] = wish if known is None or wish.depth < known.depth else known
    return tuple(lightest.values())


def _earlier(a: date | None, b: date | None) -> date | None:
    return min(filter(None, (a, b)), default=None)
