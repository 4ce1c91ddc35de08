"""Recurring events against the examples of RFC 5545, section 3.8.5.3, and against dateutil read by itself.

All of the examples are at 9 in the morning in New York from 2 September 1997 on, if they say nothing else; the dates
are written down from the RFC.
"""

from datetime import UTC, date, datetime, timedelta
from zoneinfo import ZoneInfo

import pytest
from dateutil import tz
from dateutil.rrule import rrulestr

from mellow_tide.core.formats.calendar_file import CalendarEvent, read_calendar_file

NEW_YORK = ZoneInfo("America/New_York")
BEGIN, UNTIL = datetime(1997, 1, 1, tzinfo=UTC), datetime(2010, 1, 1, tzinfo=UTC)


def _calendar(*lines: str) -> str:
    event = ["BEGIN:VEVENT", "UID:1@example", "DTSTAMP:19970101T000000Z", *lines, "END:VEVENT"]
    return "\r\n".join(["BEGIN:VCALENDAR", "VERSION:2.0", "PRODID:-//x//y//EN", *event, "END:VCALENDAR", ""])


def _event(*lines: str, start: str = "19970902T090000", until: datetime = UNTIL) -> CalendarEvent:
    text = _calendar(f"DTSTART;TZID=America/New_York:{start}", "DURATION:PT1H", *lines)
    found = read_calendar_file(text, ZoneInfo("Europe/Berlin"), BEGIN, until)
    assert not found.unread
    return found.events[0]


def _local(event: CalendarEvent) -> list[datetime]:
    return [one.starts_at.astimezone(NEW_YORK).replace(tzinfo=None) for one in event.times]


def _days(year: int, *months: tuple[int, tuple[int, ...]]) -> list[date]:
    return [date(year, month, day) for month, days in months for day in days]


FIRST_MONTHS = ((9, tuple(range(2, 31))), (10, tuple(range(1, 32))), (11, tuple(range(1, 31))))

EXAMPLES = {
    "daily, 10 times": ("FREQ=DAILY;COUNT=10", "19970902T090000", _days(1997, (9, tuple(range(2, 12))))),
    "daily until 24 December": (
        "FREQ=DAILY;UNTIL=19971224T000000Z",
        "19970902T090000",
        _days(1997, *FIRST_MONTHS, (12, tuple(range(1, 24)))),
    ),
    "every ten days, 5 times": (
        "FREQ=DAILY;INTERVAL=10;COUNT=5",
        "19970902T090000",
        _days(1997, (9, (2, 12, 22)), (10, (2, 12))),
    ),
    "weekly, 10 times": (
        "FREQ=WEEKLY;COUNT=10",
        "19970902T090000",
        _days(1997, (9, (2, 9, 16, 23, 30)), (10, (7, 14, 21, 28)), (11, (4,))),
    ),
    "Tuesday and Thursday for five weeks": (
        "FREQ=WEEKLY;UNTIL=19971007T000000Z;WKST=SU;BYDAY=TU,TH",
        "19970902T090000",
        _days(1997, (9, (2, 4, 9, 11, 16, 18, 23, 25, 30)), (10, (2,))),
    ),
    "every other week on Tuesday and Thursday, 8 times": (
        "FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH",
        "19970902T090000",
        _days(1997, (9, (2, 4, 16, 18, 30)), (10, (2, 14, 16))),
    ),
    "monthly on the first Friday, 10 times": (
        "FREQ=MONTHLY;COUNT=10;BYDAY=1FR",
        "19970905T090000",
        [
            *_days(1997, (9, (5,)), (10, (3,)), (11, (7,)), (12, (5,))),
            *_days(1998, (1, (2,)), (2, (6,)), (3, (6,)), (4, (3,)), (5, (1,)), (6, (5,))),
        ],
    ),
    "monthly on the second-to-last Monday for 6 months": (
        "FREQ=MONTHLY;COUNT=6;BYDAY=-2MO",
        "19970922T090000",
        [
            *_days(1997, (9, (22,)), (10, (20,)), (11, (17,)), (12, (22,))),
            *_days(1998, (1, (19,)), (2, (16,))),
        ],
    ),
    "monthly on the first and last day, 10 times": (
        "FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1",
        "19970930T090000",
        [
            *_days(1997, (9, (30,)), (10, (1, 31)), (11, (1, 30)), (12, (1, 31))),
            *_days(1998, (1, (1, 31)), (2, (1,))),
        ],
    ),
    "the third Tuesday, Wednesday or Thursday, for 3 months": (
        "FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3",
        "19970904T090000",
        _days(1997, (9, (4,)), (10, (7,)), (11, (6,))),
    ),
    "yearly in June and July, 10 times": (
        "FREQ=YEARLY;COUNT=10;BYMONTH=6,7",
        "19970610T090000",
        [date(year, month, 10) for year in range(1997, 2002) for month in (6, 7)],
    ),
    "every third year on the 1st, 100th and 200th day, 10 times": (
        "FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200",
        "19970101T090000",
        [
            *_days(1997, (1, (1,)), (4, (10,)), (7, (19,))),
            *_days(2000, (1, (1,)), (4, (9,)), (7, (18,))),
            *_days(2003, (1, (1,)), (4, (10,)), (7, (19,))),
            date(2006, 1, 1),
        ],
    ),
    "weeks begin on Monday": (
        "FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO",
        "19970805T090000",
        _days(1997, (8, (5, 10, 19, 24))),
    ),
    "weeks begin on Sunday": (
        "FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU",
        "19970805T090000",
        _days(1997, (8, (5, 17, 19, 31))),
    ),
    "an invalid date is left out": (
        "FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5",
        "20070115T090000",
        _days(2007, (1, (15, 30)), (2, (15,)), (3, (15, 30))),
    ),
}


@pytest.mark.parametrize("example", EXAMPLES)
def test_examples_of_the_standard(example: str) -> None:
    rule, start, days = EXAMPLES[example]
    local = _local(_event(f"RRULE:{rule}", start=start))
    assert [one.date() for one in local] == days
    assert {(one.hour, one.minute) for one in local} == {(9, 0)}, "nine in the morning, summer or winter"


@pytest.mark.parametrize("example", EXAMPLES)
def test_the_same_as_dateutil_with_its_own_zones(example: str) -> None:
    rule, start, _ = EXAMPLES[example]
    begins = datetime.strptime(start, "%Y%m%dT%H%M%S").replace(tzinfo=tz.gettz("America/New_York"))
    read = [one.starts_at for one in _event(f"RRULE:{rule}", start=start).times]
    assert read == [one.astimezone(UTC) for one in rrulestr(rule, dtstart=begins)]


def test_friday_the_thirteenth_without_the_day_it_was_written() -> None:
    """RFC 5545: the start is one of the times unless it is excluded."""
    event = _event(
        "EXDATE;TZID=America/New_York:19970902T090000", "RRULE:FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13"
    )
    assert [one.date() for one in _local(event)][:5] == [
        date(1998, 2, 13),
        date(1998, 3, 13),
        date(1998, 11, 13),
        date(1999, 8, 13),
        date(2000, 10, 13),
    ]


def test_an_anniversary_has_no_hour() -> None:
    """RFC 5545, 3.6.1: the wedding anniversary, each year on 2 November, taking no time."""
    text = _calendar(
        "DTSTART;VALUE=DATE:19971102",
        "SUMMARY:Our Blissful Anniversary",
        "TRANSP:TRANSPARENT",
        "RRULE:FREQ=YEARLY",
    )
    event = read_calendar_file(text, NEW_YORK, BEGIN, datetime(2000, 1, 1, tzinfo=UTC)).events[0]
    assert event.whole_days
    assert event.keeps_free
    assert [one.mark for one in event.times] == ["1997-11-02", "1998-11-02", "1999-11-02"]
    assert [one.ends_at - one.starts_at for one in event.times] == [timedelta(days=1)] * 3
    assert _local(event)[0] == datetime(1997, 11, 2)


def test_dates_beside_the_rule() -> None:
    event = _event("RDATE;TZID=America/New_York:19970910T140000", "RRULE:FREQ=WEEKLY;COUNT=2")
    assert [(one.day, one.hour) for one in _local(event)] == [(2, 9), (9, 9), (10, 14)]


OTHER = """BEGIN:VEVENT\r
UID:1@example\r
DTSTAMP:19970101T000000Z\r
{lines}\r
END:VEVENT\r
END:VCALENDAR"""


def _with_part(*lines: str) -> CalendarEvent:
    whole = _calendar(
        "DTSTART;TZID=America/New_York:19970902T090000", "DURATION:PT1H", "RRULE:FREQ=WEEKLY;COUNT=4"
    )
    text = whole.replace("END:VCALENDAR", OTHER.format(lines="\r\n".join(lines)))
    return read_calendar_file(text, NEW_YORK, BEGIN, UNTIL).events[0]


def test_one_time_moved_keeps_its_mark() -> None:
    event = _with_part(
        "RECURRENCE-ID;TZID=America/New_York:19970909T090000",
        "DTSTART;TZID=America/New_York:19970911T150000",
        "DTEND;TZID=America/New_York:19970911T153000",
    )
    assert [(one.day, one.hour) for one in _local(event)] == [(2, 9), (11, 15), (16, 9), (23, 9)]
    assert event.times[1].mark == "1997-09-09T13:00:00+00:00"
    assert event.times[1].ends_at - event.times[1].starts_at == timedelta(minutes=30)
    assert event.moved == 1


def test_one_time_cancelled_is_gone() -> None:
    event = _with_part("RECURRENCE-ID:19970909T130000Z", "STATUS:CANCELLED", "DTSTART:19970909T130000Z")
    assert [one.day for one in _local(event)] == [2, 16, 23]


def test_this_and_all_later_moved() -> None:
    event = _with_part(
        "RECURRENCE-ID;RANGE=THISANDFUTURE;TZID=America/New_York:19970916T090000",
        "DTSTART;TZID=America/New_York:19970916T110000",
        "DTEND;TZID=America/New_York:19970916T113000",
    )
    assert [(one.day, one.hour) for one in _local(event)] == [(2, 9), (9, 9), (16, 11), (23, 11)]
    assert event.times[3].ends_at - event.times[3].starts_at == timedelta(minutes=30)


def test_what_is_cancelled_whole_does_not_come_in() -> None:
    text = _calendar("DTSTART:19970902T130000Z", "STATUS:CANCELLED")
    assert read_calendar_file(text, NEW_YORK, BEGIN, UNTIL).events == ()


@pytest.mark.parametrize(
    "rule",
    ["FREQ=SECONDLY", "FREQ=NEVER", "FREQ=WEEKLY;BYDAY=XX", "INTERVAL=0"],
)
def test_a_rule_that_cannot_be_followed_is_named_and_the_rest_is_read(rule: str) -> None:
    good = "BEGIN:VEVENT\r\nUID:2@example\r\nDTSTART:19970902T130000Z\r\nSUMMARY:Good\r\nEND:VEVENT\r\nEND:VCALENDAR"
    text = _calendar("DTSTART:19970902T130000Z", "SUMMARY:Odd", f"RRULE:{rule}").replace(
        "END:VCALENDAR", good
    )
    found = read_calendar_file(text, NEW_YORK, BEGIN, UNTIL)
    assert [event.title for event in found.events] == ["Good"]
    assert found.unread == ("Odd",)


def test_a_rule_whose_dates_never_come_ends() -> None:
    event = _event("RRULE:FREQ=DAILY;COUNT=5;BYMONTH=2;BYMONTHDAY=30")
    assert len(event.times) == 1, "only the start itself"
