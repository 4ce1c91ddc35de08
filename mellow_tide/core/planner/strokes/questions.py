"""Asking about the pressure as often as it helps, and no more."""

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.checks.rules.hidden_face import LONGEST
from mellow_tide.core.flow.asked_before import AskedAt, list_covers
from mellow_tide.core.flow.flow import FIRM, Flow, Part
from mellow_tide.core.timing.run_sheet import Entry, lay_out
from mellow_tide.core.timing.tempo import Tempo

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
    settling = _Settling(flow, catalogue)
    for entry in lay_out(flow, catalogue, tempo).entries:
        settling.meet(entry)
    parts = (_asking(part, at, settling.changed) for at, part in enumerate(flow.parts))
    return flow.model_copy(update={"parts": tuple(parts)}) if settling.changed else flow


class _Settling:
    """What has been asked so far. `changed`: by part and step, whether it asks now."""

    def __init__(self, flow: Flow, catalogue: Catalogue) -> None:
        self._flow, self._catalogue = flow, catalogue
        self._covers = list_covers(flow.parts, catalogue)
        self._asked: dict[AskedAt, int] = {}
        self._silent_since = self._silent_before = 0
        self._spared: Entry | None = None
        self._in_time: Entry | None = None
        self._under: tuple[str, str] = "", ""
        self._last: Entry | None = None
        self.changed: dict[tuple[int, int], bool] = {}

    def meet(self, entry: Entry) -> None:
        """Settle whether a stroke asks; entries are met in their order."""
        end = entry.start + entry.seconds
        hidden = self._catalogue.positions[entry.position].face_hidden
        if not hidden:
            self._silent_since, self._spared, self._in_time = end, None, None
        if entry.step is None or entry.depth is None or entry.role != "work":
            return
        if end - self._silent_since > LONGEST - ROOM and (asks := self._spared or self._in_time):
            self._ask(asks)
        if hidden and entry.slot in ASKED_OVER:
            self._in_time = entry
        deeper = entry.depth > self._asked.get(self._covers[entry.part], 0)
        # The mirrored side is another cover, and is asked for its depth alone.
        under = entry.window, entry.window_side
        lately = not hidden or under != self._under or entry.start - self._silent_since <= ASKED_LATELY
        if entry.asks and not deeper and lately:
            self.changed[entry.part, entry.step] = False
            self._spared = entry
        elif entry.asks or (deeper and (entry.depth > FIRM or (hidden and self._is_first_firm(entry)))):
            self._ask(entry)

    def _ask(self, entry: Entry) -> None:
        place = entry.part, entry.step or 0
        here = self._covers[entry.part]
        self._ask_once_deeper(entry)
        self._under = entry.window, entry.window_side
        self._asked[here] = max(entry.depth or 0, self._asked.get(here, 0))
        self._silent_before = self._silent_since
        self._silent_since = entry.start + entry.seconds
        self._spared = self._in_time = None
        self.changed.pop(place, None)
        if not entry.asks:
            self.changed[place] = True

    def _ask_once_deeper(self, entry: Entry) -> None:
        """Leave out the question before, where it goes deeper so soon under the same cover that one is enough."""
        last = self._last
        self._last = entry
        if last is None or (last.part_id == entry.part_id and last.step == entry.step):
            return
        soon = entry.start - (last.start + last.seconds) <= SOON
        soon = soon and entry.start + entry.seconds - self._silent_before <= LONGEST
        if soon and self._cover(last) == self._cover(entry):
            self.changed[last.part, last.step or 0] = False

    def _cover(self, entry: Entry) -> tuple[AskedAt, str]:
        """What is felt as one on one side."""
        side = entry.side if entry.window == "none" else entry.window_side
        return self._covers[entry.part], side

    def _is_first_firm(self, entry: Entry) -> bool:
        steps = self._flow.parts[entry.part].steps
        return next((i for i, step in enumerate(steps) if step.depth >= FIRM), None) == entry.step


def _asking(part: Part, at: int, changed: dict[tuple[int, int], bool]) -> Part:
    if not any(where == at for where, _ in changed):
        return part
    steps = (
        step.model_copy(update={"check_in": changed[at, i]}) if (at, i) in changed else step
        for i, step in enumerate(part.steps)
    )
    return part.model_copy(update={"steps": tuple(steps)})
