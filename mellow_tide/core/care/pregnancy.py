"""How far along a pregnancy is on a day.

Sources (from memory): Naegele's rule, 280 days from the first day of the last period; ACOG usage for trimesters, which
begin at 14w0d and 28w0d.
"""

from datetime import date, timedelta

TERM_DAYS = 280
SECOND_TRIMESTER = 14 * 7
THIRD_TRIMESTER = 28 * 7


def due_date_of(last_period: date) -> date:
    """The due date for the first day of the last period."""
    return last_period + timedelta(days=TERM_DAYS)


def gestation_days(due: date, on: date) -> int | None:
    """Days of pregnancy on a day; None before it began or more than four weeks past the due date."""
    days = TERM_DAYS - (due - on).days
    return days if 0 <= days <= TERM_DAYS + 28 else None


def day_of(due: date, days: int) -> date:
    """The date on which a pregnancy is so many days old."""
    return due - timedelta(days=TERM_DAYS - days)


def trimester(days: int) -> int:
    """1, 2 or 3."""
    return 1 + (days >= SECOND_TRIMESTER) + (days >= THIRD_TRIMESTER)
