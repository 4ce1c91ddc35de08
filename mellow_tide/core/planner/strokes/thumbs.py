"""A few minutes of thumbs where nothing feels as they do; they hardly change the seconds, so they come last."""

from collections.abc import Iterable, Mapping

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.flow import FIRM, Step
from mellow_tide.core.hands.load import THUMBS
from mellow_tide.core.hands.spread import STRONG
from mellow_tide.core.planner.strokes.repertoire import Touch

WISHED, MOST = 0.06, 0.1
"""The share of stroke time that thumbs should have, and the most (common practice: 4 to 10 %)."""

SLOTS = ("specific", "knead", "mobilise")

StepAt = tuple[str, int]
"""A region and the place of a step in it."""


def give_thumbs(
    steps: Mapping[str, tuple[Step, ...]],
    taken: Mapping[StepAt, int],
    fresh: Iterable[str],
    touches: Mapping[str, Touch],
    catalogue: Catalogue,
) -> dict[str, tuple[Step, ...]]:
    """The steps with thumbs in some of the `fresh` regions, so that all their time comes nearest to what is wished.

    `taken` are the whole seconds of every step, all its sides. An exact subset sum over the steps that a thumb could
    do. What the client dislikes, and what is deeper than a thumb should go, is left alone.
    """
    total = sum(taken.values())
    now = sum(
        taken[id, i] for id, here in steps.items() for i, step in enumerate(here) if step.tool in THUMBS
    )
    reach: dict[int, tuple[StepAt, ...]] = {0: ()}
    for at in _could_have(steps, fresh, touches, catalogue):
        for seconds, chosen in list(reach.items()):
            more = seconds + taken[at]
            if now + more <= MOST * total and more not in reach:
                reach[more] = (*chosen, at)
    best = min(reach, key=lambda seconds: abs(now + seconds - WISHED * total))
    changed: dict[str, tuple[Step, ...]] = {id: tuple(here) for id, here in steps.items()}
    for id, i in reach[best]:
        step = changed[id][i].model_copy(update={"tool": _thumb(changed[id][i], catalogue)})
        changed[id] = (*changed[id][:i], step, *changed[id][i + 1 :])
    return changed


def _could_have(
    steps: Mapping[str, tuple[Step, ...]],
    fresh: Iterable[str],
    touches: Mapping[str, Touch],
    catalogue: Catalogue,
) -> list[StepAt]:
    return [
        (id, i)
        for id in fresh
        for i, step in enumerate(steps[id])
        if step.slot in SLOTS
        and step.depth <= STRONG
        and step.tool not in (*THUMBS, *touches[id].likes)
        and _thumb(step, catalogue) not in (None, *touches[id].dislikes)
    ]


def _thumb(step: Step, catalogue: Catalogue) -> str | None:
    """The thumb that a step could be done with, as plans do: for strong work the one that the other hand backs."""
    tools = catalogue.planned_strokes[step.stroke].tools
    fit = ("reinforced_thumb",) if step.depth > FIRM else ("thumb", "reinforced_thumb")
    return next((tool for tool in fit if tool in tools), None)
