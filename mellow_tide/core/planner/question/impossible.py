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
        what = f"these regions cannot fill {brief.booked_minutes} minutes"
        return DoesNotFit(
            FieldProblem("leave_out", what, f"leave out fewer regions, or book about {most - 1} minutes")
        )
    if not must:
        what = f"{brief.booked_minutes} minutes are too few for any region of this session"
        return DoesNotFit(FieldProblem("booked_minutes", what, "book more minutes"))
    needed = -(-chooser.least_seconds(must) // 60) + before_after
    *others, last = (catalogue.regions[id].whole for id in must)
    names = f"{', '.join(others)} and {last}" if others else last
    return DoesNotFit(
        FieldProblem(
            "focus",
            f"{names} cannot be worked in less than {needed} booked minutes",
            "take a region out of the focus",
        ),
        FieldProblem(
            "booked_minutes", f"{brief.booked_minutes} minutes are too few", f"book {needed} minutes or more"
        ),
    )
