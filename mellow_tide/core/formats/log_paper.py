"""The log of one session as a paper to read."""

from collections.abc import Iterator
from zoneinfo import ZoneInfo

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.formats.client_paper import CAUTION, say_moment
from mellow_tide.core.formats.paper import Paper
from mellow_tide.core.formats.session_log import SessionLog
from mellow_tide.core.phrases.book import say
from mellow_tide.core.phrases.manner import Manner
from mellow_tide.core.run.log import describe_point


def print_log(log: SessionLog, time_zone: str, manner: Manner, catalogue: Catalogue) -> bytes:
    """The log as PDF. Times are of the practice's time zone."""
    zone = ZoneInfo(time_zone)
    begun, ended = log.begun_at.astimezone(zone), log.ended_at.astimezone(zone)
    title = f"{log.client}, {manner.say_day(begun)}"
    paper = Paper(title, log.logged_at, f"{title} · {log.practice}")
    from_to = {"begun": manner.say_time(begun.time()), "ended": manner.say_time(ended.time())}
    taken = sum(region.taken for region in log.regions)
    paper.sentence(say("papers.worked_from", **from_to, taken=taken, planned=log.planned_seconds))
    if log.halted is not None:
        paper.sentence(say("papers.stopped_early", reason=log.halted or say("papers.no_reason")))
    paper.heading(say("papers.by_region"))
    paper.lines(_regions(log, catalogue))
    paper.heading(say("papers.sore_points"))
    paper.lines(("", describe_point(point, catalogue)) for point in log.points)
    if not log.points:
        paper.sentence("None.")
    paper.heading(say("papers.in_words"))
    paper.lines(_words(log))
    paper.quiet(_signature(log, zone, manner))
    for added in log.additions:
        when = say_moment(added.at.astimezone(zone), manner)
        paper.lines([(say("papers.added_at", when=when), f"{added.words} ({added.by})")])
    paper.quiet(CAUTION)
    return paper.bytes()


def _regions(log: SessionLog, catalogue: Catalogue) -> Iterator[tuple[str, str]]:
    for region in log.regions:
        known = catalogue.regions.get(region.region)
        words = [
            say("papers.taken_of_planned", taken=region.taken, planned=region.planned)
            if region.planned
            else say("papers.taken_unplanned", taken=region.taken)
        ]
        depth = log.log.suited.get(region.region)
        words += [say("papers.depth_suited", depth=depth)] if depth else []
        words += (
            [say("papers.last_word", word=region.last_word.replace("_", " "))] if region.last_word else []
        )
        yield (known.whole if known else region.region).capitalize(), "; ".join(words)


def _words(log: SessionLog) -> Iterator[tuple[str, str]]:
    yield say("papers.what_happened"), log.log.note
    yield say("papers.client_said"), log.log.client_words
    yield say("papers.next_time"), log.log.next_time
    yield say("papers.for_hours_after"), "; ".join(log.log.aftercare)
    yield say("papers.wished_at_door"), log.log.door_wish
    yield say("papers.to_ask_clinician"), log.log.for_clinician
    yield say("papers.comes_again"), log.log.next_booking
    yield say("papers.left_out"), "; ".join(skip.reason or say("papers.not_said_why") for skip in log.skipped)


def _signature(log: SessionLog, zone: ZoneInfo, manner: Manner) -> str:
    when = say_moment(log.logged_at.astimezone(zone), manner)
    return (
        say("papers.signed_by", name=log.signed_by, when=when)
        if log.signed_by
        else say("papers.not_signed", when=when)
    )
