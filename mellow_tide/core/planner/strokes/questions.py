"""Asking about the pressure as often as it helps, and no more."""

from typing import NamedTuple

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.in_house import in_session
from mellow_tide.core.checks.rules.hidden_face import LONGEST
from mellow_tide.core.flow.asked_before import AskedAt, list_covers
from mellow_tide.core.flow.brief import Side
from mellow_tide.core.flow.flow import FIRM, Flow, Part, Step
from mellow_tide.core.planner.strokes.rituals import LAST
from mellow_tide.core.timing.scene import Transition
from mellow_tide.core.timing.tempo import Tempo
from mellow_tide.core.timing.timed import Timed, go_through

ASKED_LATELY = 480
"""Seconds within which a client whose face is hidden is not asked again under one cover (common practice)."""


ROOM = 60
"""Seconds short of the longest silence at which one asks, so that a stroke more does not break it."""

ASKED_OVER = ("warm", "knead", "specific")
"""Slots over whose strokes one may ask where nothing else asks in time."""

SOON = 90
"""Seconds after one question within which another under the same cover stands for both (common practice)."""


def settle_questions(flow: Flow, catalogue: Catalogue, tempo: Tempo) -> Flow:
    """The flow with a question once under a cover, again where it goes deeper, or face down after eight minutes of it.

    One that is missing at the first firm stroke while the face is hidden comes in. Only where questions go over the
    stroke and take no time of their own; else the flow as it is.
    """
    if catalogue.clock.check_in:
        return flow
    catalogue = in_session(flow.brief.kind, flow.brief.surface, catalogue)
    every = list(go_through(flow, catalogue, tempo))
    ends = every[-1].start + every[-1].seconds if every else 0
    settling = _Settling(flow, catalogue, ends - LAST)
    for timed in every:
        settling.meet(timed)
    parts = (_asking(part, at, settling.changed) for at, part in enumerate(flow.parts))
    return flow.model_copy(update={"parts": tuple(parts)}) if settling.changed else flow


class _Worked(NamedTuple):
    """A step of a part that is work: the places of both, the seconds between which it is worked, and the open window
    with its side.
    """

    part: int
    at: int
    step: Step
    start: int
    end: int
    under: tuple[str, Side]


class _Settling:
    """What has been asked so far. `changed`: by part and step, whether it asks now.

    From the second `calm_from` on nobody is asked over work that is not firm.
    """

    def __init__(self, flow: Flow, catalogue: Catalogue, calm_from: int) -> None:
        self._flow, self._calm_from = flow, calm_from
        self._hidden = {id for id, position in catalogue.positions.items() if position.face_hidden}
        self._covers = list_covers(flow.parts, catalogue)
        self._asked: dict[AskedAt, int] = {}
        self._silent_since = self._silent_before = 0
        self._spared: _Worked | None = None
        self._in_time: _Worked | None = None
        self._last: _Worked | None = None
        self.changed: dict[tuple[int, int], bool] = {}

    def meet(self, timed: Timed) -> None:
        """Settle whether a stroke asks; all that is timed is met in its order."""
        part, scene, at, step, start, seconds, _ = timed
        hidden = scene.position in self._hidden
        if not hidden:
            self._silent_since, self._spared, self._in_time = start + seconds, None, None
        if at is None or isinstance(step, Transition) or self._flow.parts[part].role != "work":
            return
        now = _Worked(part, at, step, start, start + seconds, (scene.window, scene.window_side))
        if now.end - self._silent_since > LONGEST - ROOM and (asks := self._spared or self._in_time):
            self._ask(asks)
        if hidden and step.slot in ASKED_OVER:
            self._in_time = now
        deeper = step.depth > self._asked.get(self._covers[part], 0)
        # The mirrored side is another cover, and is asked for its depth alone.
        same = self._last is not None and self._last.under == now.under
        lately = not hidden or not same or start - self._silent_since <= ASKED_LATELY
        calm = start >= self._calm_from and step.depth < FIRM
        if step.check_in and (calm or (not deeper and lately)):
            self.changed[part, at] = False
            self._spared = now
        elif step.check_in or (deeper and (step.depth > FIRM or (hidden and self._is_first_firm(now)))):
            self._ask(now)

    def _ask(self, now: _Worked) -> None:
        here = self._covers[now.part]
        self._ask_once_deeper(now)
        self._asked[here] = max(now.step.depth, self._asked.get(here, 0))
        self._silent_before, self._silent_since = self._silent_since, now.end
        self._spared = self._in_time = None
        self.changed.pop((now.part, now.at), None)
        if not now.step.check_in:
            self.changed[now.part, now.at] = True

    def _ask_once_deeper(self, now: _Worked) -> None:
        """Leave out the question before, where it goes deeper so soon under the same cover that one is enough."""
        last, self._last = self._last, now
        if last is None or (last.part, last.at) == (now.part, now.at):
            return
        soon = now.start - last.end <= SOON and now.end - self._silent_before <= LONGEST
        if soon and self._felt_as_one(last) == self._felt_as_one(now):
            self.changed[last.part, last.at] = False

    def _felt_as_one(self, worked: _Worked) -> tuple[AskedAt, Side]:
        """What a question holds for, on one side."""
        window, side = worked.under
        return self._covers[worked.part], self._flow.parts[worked.part].side if window == "none" else side

    def _is_first_firm(self, now: _Worked) -> bool:
        steps = self._flow.parts[now.part].steps
        return next((i for i, step in enumerate(steps) if step.depth >= FIRM), None) == now.at


def _asking(part: Part, at: int, changed: dict[tuple[int, int], bool]) -> Part:
    if not any(where == at for where, _ in changed):
        return part
    steps = (
        step.model_copy(update={"check_in": changed[at, i]}) if (at, i) in changed else step
        for i, step in enumerate(part.steps)
    )
    return part.model_copy(update={"steps": tuple(steps)})
