"""Other good answers to the same brief, that differ in kind: another school, or another way to begin."""

from collections.abc import Iterator

from mellow_tide.core.catalogue.catalogue import Catalogue
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.planner.traits import Traits, measure_traits
from mellow_tide.core.refusal import Refused
from mellow_tide.core.setting import Setting
from mellow_tide.core.timing.run_sheet import RunSheet

MOST = 2
"""Alternatives that are offered at the same time."""


class Alternative(Record):
    """A brief that differs from the present one in school or beginning, laid out, with its traits."""

    brief: Brief
    sheet: RunSheet
    traits: Traits


class Alternatives(Record):
    """The traits of the present flow, and up to two others to choose from."""

    present: Traits
    others: tuple[Alternative, ...]


def find_alternatives(
    flow: Flow,
    setting: Setting,
) -> Alternatives:
    """Up to two proven plans for the brief of `flow` in another school, or beginning another way.

    One that cannot be planned, or comes to the same parts in the same order, is not offered.
    """
    present = _laid_out(flow, setting)
    seen = {_shape(flow)}
    others: list[Alternative] = []
    for brief in list_variants(flow.brief, setting.catalogue):
        if len(others) == MOST:
            break
        try:
            made = plan(brief, setting).flow
        except Refused:
            continue
        if _shape(made) not in seen:
            seen.add(_shape(made))
            others.append(_laid_out(made, setting))
    return Alternatives(present=present.traits, others=tuple(others))


def list_variants(brief: Brief, catalogue: Catalogue) -> Iterator[Brief]:
    """The brief in the kind's other schools, then in its own but beginning in another position."""
    for school in catalogue.schools.values():
        if school.kind == brief.kind and school.offered and school.id != brief.school:
            yield brief.model_copy(update={"school": school.id, "first_position": None})
    blocks = catalogue.schools[brief.school].blocks
    first = brief.first_position or blocks[0].position
    for block in blocks:
        if block.position != first:
            yield brief.model_copy(update={"first_position": block.position})


def _shape(flow: Flow) -> tuple[tuple[str, str, str], ...]:
    return tuple((part.region, part.side, part.position) for part in flow.parts)


def _laid_out(flow: Flow, setting: Setting) -> Alternative:
    sheet = setting.lay_out(flow)
    return Alternative(
        brief=flow.brief, sheet=sheet, traits=measure_traits(sheet, flow.brief, setting.catalogue)
    )
