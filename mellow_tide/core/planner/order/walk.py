"""The cheapest way through legs in any order, and what a leg costs from each scene.

Scenes go by number here: hashing records is what would take the time.
"""

from collections.abc import Mapping, Sequence

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.flow.flow import Setup
from mellow_tide.core.planner.order.legs import Leg
from mellow_tide.core.timing.scene import Scene, StandingPlace, opening_scene
from mellow_tide.core.timing.transitions import approach

FAR = 10**8
"""More seconds than any session has; small enough to be added up."""

Ways = dict[int, int]
"""Least seconds to each scene, by its number."""

LegTimes = Mapping[int, tuple[int, int]]
"""Of a leg, from each scene: the seconds it takes to get through all of its setups, and the scene it leaves."""


def through(ways: Ways, legs: Sequence[LegTimes]) -> list[Ways]:
    """The cheapest ways through every set of `legs`, begun from `ways`; place i is the set whose bits i has.

    A programme over the sets of legs done so far (Held & Karp 1962) that keeps, for every scene a set can end in, the
    least seconds to there.
    """
    done: list[Ways] = [ways, *({} for _ in range((1 << len(legs)) - 1))]
    for mask, here in enumerate(done):
        for i, steps in enumerate(legs):
            if mask & 1 << i:
                continue
            grown = done[mask | 1 << i]
            for start, seconds in here.items():
                more, scene = steps[start]
                if seconds + more < grown.get(scene, FAR):
                    grown[scene] = seconds + more
    return done


def traced(done: Sequence[Ways], legs: Sequence[LegTimes], scene: int) -> tuple[list[int], int]:
    """The order of all `legs` that leads to `scene` in the least seconds, and the scene it begins in.

    `done` is what `through` found.
    """
    order: list[int] = []
    mask = len(done) - 1
    while mask:
        i, scene = _last_leg(done, legs, mask, scene)
        order.insert(0, i)
        mask ^= 1 << i
    return order, scene


def _last_leg(done: Sequence[Ways], legs: Sequence[LegTimes], mask: int, scene: int) -> tuple[int, int]:
    """The leg done last on the cheapest way through the set `mask` to `scene`, and the scene before it."""
    for i, steps in enumerate(legs):
        if not mask & 1 << i:
            continue
        for start, seconds in done[mask ^ 1 << i].items():
            more, reached = steps[start]
            if reached == scene and seconds + more == done[mask][scene]:
                return i, start
    raise ValueError("no leg leads there")


def between(setups: Sequence[Setup], catalogue: Catalogue) -> int:
    """Whole seconds of all transitions of a session that makes these setups in this order."""
    scene, seconds = opening_scene(setups[0], catalogue), 0
    for setup in setups[1:]:
        changes, scene = approach(scene, setup, catalogue)
        seconds += sum(transition.seconds for transition, _ in changes)
    return seconds


class LegSteps(dict[int, tuple[int, int]]):
    """The steps of one leg, each worked out when it is first asked for."""

    def __init__(self, leg: Leg, walk: "Walk") -> None:
        super().__init__()
        self._leg, self._walk = leg, walk

    def __missing__(self, start: int) -> tuple[int, int]:
        self[start] = found = self._walk.taken(self._leg, start)
        return found


class Walk:
    """The scenes met so far, by number, and the steps of every leg between them."""

    def __init__(self, catalogue: Catalogue) -> None:
        self._catalogue = catalogue
        self._scenes: list[Scene] = []
        self._numbers: dict[Scene, int] = {}
        self._steps: dict[Leg, LegSteps] = {}

    def number(self, scene: Scene) -> int:
        """The number of a scene."""
        number = self._numbers.setdefault(scene, len(self._scenes))
        if number == len(self._scenes):
            self._scenes.append(scene)
        return number

    def steps(self, leg: Leg) -> LegSteps:
        """The steps of a leg."""
        if leg not in self._steps:
            self._steps[leg] = LegSteps(leg, self)
        return self._steps[leg]

    def taken(self, leg: Leg, start: int) -> tuple[int, int]:
        """Seconds of getting through `leg` from a scene, and the scene it leaves."""
        scene, seconds = self._scenes[start], 0
        for setup in leg:
            changes, scene = approach(scene, setup, self._catalogue)
            seconds += sum(transition.seconds for transition, _ in changes)
        return seconds, self.number(scene)

    def ready_to_turn(self, number: int) -> tuple[int, Scene]:
        """What any turn begins with, whatever comes after it: covering, and putting the stool back."""
        scene = self._scenes[number]
        seconds = self._catalogue.windows[scene.window].close_seconds
        seconds += self._catalogue.clock.stool if scene.stool is not None else 0
        # Where the therapist stands is forgotten in a turn, but not when the client only sits back.
        place: StandingPlace = scene.place if self._catalogue.positions[scene.position].seated else "right"
        return seconds, scene._replace(window="none", window_side="mid", stool=None, place=place)
