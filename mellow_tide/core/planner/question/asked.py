"""What is asked of the planner: a brief for a client, in the house and at the pace it is to be worked."""

from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property, lru_cache
from typing import Literal, Self

from mellow_tide.core.care.restrict import for_minutes, restrict
from mellow_tide.core.care.restrictions import Restrictions
from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.house.in_house import in_session
from mellow_tide.core.catalogue.records import Stroke
from mellow_tide.core.catalogue.rules import Kind
from mellow_tide.core.flow.brief import Brief, ClientFacts, check_brief, wished_depth
from mellow_tide.core.planner.question.rests import bearable_rituals, open_for
from mellow_tide.core.planner.strokes.repertoire import Touch
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import hands_on_seconds
from mellow_tide.core.timing.tempo import Tempo

THROUGH_SHEET = ("compression", "rocking", "hold", "labour")
"""Families of strokes that work through the sheet."""

OneSided = tuple[tuple[str, Literal["left", "right"]], ...]
"""Regions of which one side is left alone, with the side that is worked."""


@dataclass(frozen=True)
class Asked:
    """A brief for a client; the catalogue is the house's, with regions of one side where the other is left alone.

    What the client wants worked through the sheet is covered in it. `present` are the regions of the plan that is to be
    changed, `by_hand` those of them whose minutes were set by hand.
    """

    brief: Brief
    client: ClientFacts
    catalogue: Catalogue
    tempo: Tempo
    present: frozenset[str] = frozenset()
    by_hand: frozenset[str] = frozenset()

    @classmethod
    def of(cls, brief: Brief, setting: Setting) -> Self:
        """What is asked. Raises `UnknownReference` or `BadBrief` for a brief that cannot be read."""
        check_brief(brief, setting.catalogue)
        here = open_for(brief.booked_minutes, in_session(brief.kind, brief.surface, setting.catalogue))
        sides = _one_sided(setting.restrictions, here)
        covered = tuple(c.region for c in here.consents.values() if c.id in setting.client.through_cloth)
        spared = _spared(sides, covered, here) if sides or covered else here
        if here.schools[brief.school].one_side:
            spared = _whole_from_behind(spared)
        restricted = for_minutes(setting.restrictions, hands_on_seconds(brief, here), here)
        positions, unwanted = here.kinds[brief.kind].positions, _unwanted(brief, setting.client)
        rested = bearable_rituals(restricted, unwanted, positions, spared)
        return cls(brief, setting.client, rested, setting.tempo)

    @cached_property
    def restrictions(self) -> Restrictions:
        """What the client's health and wishes take away in a session of these minutes."""
        seconds = hands_on_seconds(self.brief, self.catalogue)
        return for_minutes(restrict(self.client, self.catalogue), seconds, self.catalogue)

    @property
    def kind(self) -> Kind:
        """The kind of session."""
        return self.catalogue.kinds[self.brief.kind]

    @cached_property
    def barred(self) -> Mapping[str, frozenset[str]]:
        """By region, the strokes that may not be done there, by health or for want of a yes."""
        return {region: self._barred_on(region) for region in self.catalogue.regions}

    def _barred_on(self, region: str) -> frozenset[str]:
        restrictions = self.restrictions
        barred: set[str] = set()
        if self.catalogue.regions[region].covered:
            barred.update(id for id, stroke in self.catalogue.strokes.items() if not _through_sheet(stroke))
        # Most clients have nothing that bars a stroke, and this is asked for every plan.
        if restrictions.strokes or restrictions.heat or restrictions.caps:
            strokes = self.catalogue.strokes
            barred |= {id for id, stroke in strokes.items() if not restrictions.allows(stroke, region)}
        if not self._lies_face_up(region):
            barred.update(x.id for x in self._lifting if region in x.lifts_head)
        for consent in self.catalogue.consents.values():
            if consent.region == region and consent.strokes:
                asked = consent.needs_yes(self.brief.kind)
                if consent.id in self.client.declined or (asked and consent.id not in self.client.consents):
                    barred.update(consent.strokes)
        return frozenset(barred)

    @cached_property
    def _lifting(self) -> list[Stroke]:
        """The strokes that lift the head."""
        return [stroke for stroke in self.catalogue.strokes.values() if stroke.lifts_head]

    def _lies_face_up(self, region: str) -> bool:
        """Whether the client lies face up wherever the school works a region."""
        blocks = self.catalogue.schools[self.brief.school].blocks
        return all(self.catalogue.positions[b.position].face_up for b in blocks if region in b.regions())

    def touch(self, region: str) -> Touch:
        """How a region may be worked."""
        known = self._touches
        if region not in known:
            known[region] = self._touch_on(region)
        return known[region]

    @cached_property
    def _touches(self) -> dict[str, Touch]:
        return {}

    def _touch_on(self, region: str) -> Touch:
        zones = {x.zone for x in self.restrictions.excluded if x.region == region and x.zone}
        if self.client.gestation_days is not None and self.catalogue.chosen["prenatal_points"] != "disregard":
            points = self.catalogue.prenatal_points.values()
            zones.update(zone for point in points for zone in point.zones.get(region, ()))
        return Touch(
            wished_depth(self.catalogue.regions[region], self.brief, self.client),
            self.restrictions.cap(region),
            frozenset(zones),
            self.barred[region],
            self.kind.clothed,
            self._likes,
            self._dislikes,
        )

    @cached_property
    def _likes(self) -> frozenset[str]:
        """Strokes and tools that the client likes, or the session is to have; what is disliked is not among them."""
        return (self.client.likes | set(self.brief.with_strokes)) - self._dislikes

    @cached_property
    def _dislikes(self) -> frozenset[str]:
        return _unwanted(self.brief, self.client)


def _unwanted(brief: Brief, client: ClientFacts) -> frozenset[str]:
    """Strokes and tools that the client dislikes, or the session is to do without."""
    return client.dislikes | set(brief.without_strokes)


def _through_sheet(stroke: Stroke) -> bool:
    """Whether a stroke is one for work through the sheet on the table: what kneads or rubs bunches the cloth.

    Common practice.
    """
    return stroke.family in THROUGH_SHEET


def _one_sided(restrictions: Restrictions, catalogue: Catalogue) -> OneSided:
    whole = {(x.region, x.side) for x in restrictions.excluded if x.zone is None}
    found: list[tuple[str, Literal["left", "right"]]] = []
    for id, region in catalogue.regions.items():
        gone = {side for excluded, side in whole if excluded == id}
        if region.sides == "pair" and gone in ({"left"}, {"right"}):
            found.append((id, "right" if gone == {"left"} else "left"))
    return tuple(found)


@lru_cache(maxsize=64)
def _spared(sides: OneSided, covered: tuple[str, ...], catalogue: Catalogue) -> Catalogue:
    """The catalogue with regions worked on one side only, and others through the sheet.

    The same ones give the very same value.
    """
    regions = dict(catalogue.regions)
    for id, side in sides:
        regions[id] = regions[id].model_copy(update={"only": side})
    for id in covered:
        regions[id] = regions[id].model_copy(update={"covered": True})
    return catalogue.changed(("spared", sides, covered), regions=regions)


@lru_cache(maxsize=64)
def _whole_from_behind(catalogue: Catalogue) -> Catalogue:
    """The catalogue with no region worked in halves: both are reached from behind in one position on the side."""
    regions = {id: region.model_copy(update={"halves": False}) for id, region in catalogue.regions.items()}
    return catalogue.changed(("whole_from_behind",), regions=regions)
