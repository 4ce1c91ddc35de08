"""Why no flow meets a brief, and what would help."""

from mellow_tide.core.planner.choice.choice import Chooser
from mellow_tide.core.planner.question.asked import Asked
from mellow_tide.core.planner.question.question import PlanQuestion
from mellow_tide.core.refusal import DoesNotFit, FieldProblem


def explain_impossible(asked: Asked, question: PlanQuestion, chooser: Chooser) -> DoesNotFit:
    """The refusal for a question that no set of regions answers."""
    brief, catalogue = asked.brief, asked.catalogue
    before_after = asked.kind.before_after_minutes(brief.first_visit)
    must = tuple(sorted(question.must))
    most = -(-chooser.most_seconds() // 60) + before_after
    if brief.booked_minutes > most - 1:
        return DoesNotFit(
            FieldProblem("leave_out", "cannot_fill", minutes=brief.booked_minutes, most=most - 1)
        )
    if not must:
        return DoesNotFit(FieldProblem("booked_minutes", "too_short_for_any", minutes=brief.booked_minutes))
    needed = -(-chooser.least_seconds(must) // 60) + before_after
    names = tuple(catalogue.regions[id].whole for id in must)
    return DoesNotFit(
        FieldProblem("focus", "focus_needs_minutes", regions=names, needed=needed),
        FieldProblem("booked_minutes", "minutes_too_few", minutes=brief.booked_minutes, needed=needed),
    )
