"""The log of one session as a paper to read."""

from collections.abc import Iterator
from zoneinfo import ZoneInfo

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.formats.client_paper import CAUTION
from mellow_tide.core.formats.paper import Paper
from mellow_tide.core.formats.session_log import SessionLog
from mellow_tide.core.phrases.times import say_span
from mellow_tide.core.run.log import describe_point


def print_log(log: SessionLog, time_zone: str, catalogue: Catalogue) -> bytes:
    """The log as PDF. Times are of the practice's time zone."""
    zone = ZoneInfo(time_zone)
    begun, ended = log.begun_at.astimezone(zone), log.ended_at.astimezone(zone)
    title = f"{log.client}, {begun.day} {begun:%B %Y}"
    paper = Paper(title, log.logged_at, f"{title} · {log.practice}")
    taken = sum(region.taken for region in log.regions)
    paper.sentence(
        f"Worked from {begun:%H:%M} to {ended:%H:%M}; {say_span(taken)} on the regions, "
        f"{say_span(log.planned_seconds)} planned from first touch to last."
    )
    if log.halted is not None:
        paper.sentence(f"Stopped for safety: {log.halted or 'no reason noted'}.")
    paper.heading("By region, both sides together")
    paper.lines(_regions(log, catalogue))
    paper.heading("Sore points, before to after")
    paper.lines(("", describe_point(point, catalogue)) for point in log.points)
    if not log.points:
        paper.sentence("None.")
    paper.heading("In words")
    paper.lines(_words(log))
    paper.quiet(_signature(log, zone))
    for added in log.additions:
        at = added.at.astimezone(zone)
        paper.lines([(f"Added {at.day} {at:%B %Y}, {at:%H:%M}", f"{added.words} ({added.by})")])
    paper.quiet(CAUTION)
    return paper.bytes()


def _regions(log: SessionLog, catalogue: Catalogue) -> Iterator[tuple[str, str]]:
    for region in log.regions:
        known = catalogue.regions.get(region.region)
        words = [
            f"{say_span(region.taken)} of {say_span(region.planned)}"
            if region.planned
            else f"{say_span(region.taken)}, added"
        ]
        depth = log.log.suited.get(region.region)
        words += [f"depth {depth} suited"] if depth else []
        words += [f"said “{region.last_word.replace('_', ' ')}”"] if region.last_word else []
        yield (known.whole if known else region.region).capitalize(), "; ".join(words)


def _words(log: SessionLog) -> Iterator[tuple[str, str]]:
    yield "What happened", log.log.note
    yield "The client said", log.log.client_words
    yield "Next time", log.log.next_time
    yield "For the hours after", "; ".join(log.log.aftercare)
    yield "Wished at the door", log.log.door_wish
    yield "To ask a clinician", log.log.for_clinician
    yield "Comes again", log.log.next_booking
    yield "Left out", "; ".join(skip.reason or "not said why" for skip in log.skipped)


def _signature(log: SessionLog, zone: ZoneInfo) -> str:
    at = log.logged_at.astimezone(zone)
    when = f"{at.day} {at:%B %Y}, {at:%H:%M}"
    return f"Signed by {log.signed_by}, {when}." if log.signed_by else f"Not signed; saved {when}."
