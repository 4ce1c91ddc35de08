"""What pregnancy changes, by its day: which rules hold in this house, and what is still to change."""

from datetime import date

from mellow_tide.core.care.pregnancy import SECOND_TRIMESTER, TERM_DAYS, THIRD_TRIMESTER, day_of
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.catalogue.rules import PregnancyRule
from mellow_tide.core.phrases.book import say
from mellow_tide.core.phrases.times import say_weeks


class Threshold(Record):
    """A day of a pregnancy, on the calendar and in weeks, from which something changes, and what."""

    on: date
    weeks: str
    says: str


def list_thresholds(due: date, after_days: int, catalogue: Catalogue) -> tuple[Threshold, ...]:
    """What is still to change in a pregnancy that is `after_days` old, in order; trimesters as ACOG counts them."""
    known = [
        (SECOND_TRIMESTER, say("care.second_trimester")),
        (THIRD_TRIMESTER, say("care.third_trimester")),
        *((rule.from_day, rule.says) for rule in catalogue.pregnancy_rules if holds(rule, catalogue)),
        *(
            (rule.until_day + 1, say("care.no_longer", says=rule.says))
            for rule in catalogue.pregnancy_rules
            if holds(rule, catalogue) and rule.until_day < TERM_DAYS
        ),
    ]
    return tuple(
        Threshold(on=day_of(due, days), weeks=say_weeks(days), says=says)
        for days, says in sorted(known)
        if days > after_days
    )


def holds(rule: PregnancyRule, catalogue: Catalogue) -> bool:
    """Whether the house works by a rule of pregnancy."""
    return all(catalogue.chosen[id] == choice for id, choice in rule.when.items())
