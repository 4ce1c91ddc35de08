"""What a school gives each region: two schools side by side, as they are planned."""

from collections import Counter
from typing import Annotated

from pydantic import Field

from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.flow.brief import Brief
from mellow_tide.core.planner.plan import plan
from mellow_tide.core.refusal import Refused
from mellow_tide.core.setting import Setting


class SchoolMinutes(Record):
    """Minutes of work by region in a session of `booked_minutes`, both sides together; why there is no plan, if so."""

    booked_minutes: int
    minutes: dict[str, Annotated[float, Field(ge=0)]]
    refused: str = ""


def measure_school(brief: Brief, setting: Setting) -> SchoolMinutes:
    """How the minutes of a session that is planned for `brief` are shared out."""
    try:
        made = plan(brief, setting).flow
    except Refused as refused:
        return SchoolMinutes(
            booked_minutes=brief.booked_minutes, minutes={}, refused=refused.problems[0].what
        )
    seconds: Counter[str] = Counter()
    for entry in setting.lay_out(made).entries:
        part = made.parts[entry.part]
        if part.role == "work" and entry.working:
            seconds[part.region] += entry.seconds
    minutes = {id: round(total / 60, 1) for id, total in seconds.items()}
    return SchoolMinutes(booked_minutes=brief.booked_minutes, minutes=minutes)
