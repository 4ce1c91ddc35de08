"""What goes on the skin instead of a lubricant that does not do."""

from mellow_tide.core.checks.check import Case, Repair
from mellow_tide.core.flow.edits import ChangeBrief
from mellow_tide.core.phrases.book import say


def offer_another_lubricant(case: Case) -> tuple[Repair, ...]:
    """The first in stock that the client may have on the skin; nothing where there is none."""
    barred = {x.id for x in case.restrictions.ingredients}
    for other in case.catalogue.lubricants.values():
        if other.in_stock and barred.isdisjoint(other.contains):
            words = say("repairs.take_lubricant", lubricant=other.name)
            return (Repair(words=words, edits=(ChangeBrief(lubricant=other.id),)),)
    return ()
