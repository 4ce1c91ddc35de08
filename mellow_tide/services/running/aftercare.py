"""What a client may take home from a signed log."""

from datetime import datetime
from uuid import UUID
from zoneinfo import ZoneInfo

from mellow_tide.core.aftercare.aftercare import (
    PLACEHOLDERS,
    Aftercare,
    AftercareText,
    check_text,
    list_stretches,
    usual_text,
    write_aftercare,
)
from mellow_tide.core.booking.starts import LocalStart
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.phrases.book import say
from mellow_tide.core.phrases.manner import manner_of
from mellow_tide.core.refusal import FieldProblem
from mellow_tide.services.desk import Desk
from mellow_tide.services.refusals import BadEntry
from mellow_tide.services.running.logs import NotSigned, read_log
from mellow_tide.store.bookings import find_next_start
from mellow_tide.store.people import Practice, find_aftercare, find_practice, set_aftercare
from mellow_tide.store.sessions import find_session

SOME_SECONDS = 60
"""A region that was worked for less is not spoken of."""


class AftercareView(Record):
    """The words, and what they were made from.

    `stretches`: the regions of which a stretch may be told, `stretch` the one that is. `template` is the practice's
    text, `usual` the one that ships, `placeholders` what stands in it in braces.
    """

    text: str
    stretch: str | None
    stretches: tuple[str, ...]
    template: AftercareText
    usual: str
    placeholders: tuple[str, ...] = PLACEHOLDERS


def read_aftercare(desk: Desk, session_id: UUID, stretch: str | None = None) -> AftercareView:
    """What the client may take home: with the stretch of that region, or of the one worked longest.

    Empty for none. Raises `NotThere`, `NotSigned`, and `BadEntry` for a stretch that is not among those.
    """
    page = read_log(desk, session_id)
    if page.log is None or page.signed_by is None:
        raise NotSigned(FieldProblem("log", "log_not_signed"))
    with desk.reading() as t:
        row = find_session(t, session_id)
        practice = find_practice(t)
        template = find_aftercare(t) or usual_text()
        next_start = find_next_start(t, session_id)
    worked = sorted(page.done, key=lambda region: -region.taken)
    regions = tuple(region.region for region in worked if region.taken >= SOME_SECONDS)
    stretches = list_stretches(regions, row.facts, page.session.evaluation.restrictions)
    chosen = (stretches[0] if stretches else None) if stretch is None else stretch or None
    if chosen is not None and chosen not in stretches:
        raise BadEntry(FieldProblem("stretch", "no_such_stretch", known=", ".join(stretches) or "none"))
    filled = Aftercare(
        client=row.client.address_as or row.client.name,
        practice=practice.name,
        regions=regions,
        advice=page.log.aftercare,
        stretch=chosen,
        next_visit=_say_next(practice, next_start),
    )
    return AftercareView(
        text=write_aftercare(template, filled, desk.catalogue),
        stretch=chosen,
        stretches=stretches,
        template=template,
        usual=usual_text(),
    )


def print_aftercare_paper(desk: Desk, session_id: UUID, stretch: str | None = None) -> bytes:
    """The same as PDF. Raises as `read_aftercare` does."""
    # Making papers takes a second to load, which the start of the server does not wait for.
    from mellow_tide.core.formats.aftercare_paper import print_aftercare

    made = read_aftercare(desk, session_id, stretch)
    with desk.reading() as t:
        practice = find_practice(t)
        desk.note(t, "exported", "aftercare")
    return print_aftercare(made.text, practice.name, desk.db.now())


def change_aftercare(desk: Desk, text: AftercareText) -> None:
    """Keep the practice's own text; empty, or as it ships: the usual one. Raises `BadEntry`."""
    problems = tuple(check_text(text))
    if problems:
        raise BadEntry(*problems)
    own = "" if text.strip() == usual_text() else text.strip()
    with desk.writing() as t:
        set_aftercare(t, own)


def _say_next(practice: Practice, next_start: datetime | None) -> str:
    if next_start is None:
        return ""
    start = LocalStart.of(next_start, ZoneInfo(practice.time_zone))
    manner = manner_of(practice.country)
    return say("aftercare.next_booked", day=manner.say_day(start.day), time=manner.say_time(start.at))
