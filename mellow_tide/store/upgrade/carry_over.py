"""Runs that were stored before run sheets were frozen: each gets the sheet it was worked by, and taps their addresses.

It runs after the migrations, which cannot lay out a flow. What is carried over once is never touched again.
"""

from dataclasses import dataclass
from typing import Any, Literal

import psycopg
from psycopg.types.json import Jsonb

from mellow_tide.core.catalogue.catalogue import ShippedCatalogue
from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.catalogue.house.in_house import in_house
from mellow_tide.core.flow.brief import ClientFacts
from mellow_tide.core.flow.flow import Flow
from mellow_tide.core.timing.run_sheet import RunSheet, lay_out, sheet_id
from mellow_tide.core.timing.tempo import OwnPace, Tempo, tempo_of
from mellow_tide.store.queries import query

READ = ("session", "client", "practice", "own_pace", "run_event", "begun_run")


@dataclass
class CarriedOver:
    """How many runs and taps were carried over; `beyond`: taps that pointed past the end of their sheet."""

    runs: int = 0
    taps: int = 0
    beyond: int = 0

    def __str__(self) -> str:
        """What was done, in one line."""
        beyond = f", {self.beyond} of them past the end of their sheet" if self.beyond else ""
        return f"run sheets frozen: {self.runs}; taps carried over to addresses: {self.taps}{beyond}"


def freeze_stored_runs(owner_dsn: str, shipped: ShippedCatalogue) -> CarriedOver:
    """Freeze the run sheet of every session that has begun without one, all or nothing; what was done.

    The sheet is the one that was read until now: of the plan that stands, in the practice's house, at the client's
    height and breath, and at the pace that had been accepted when the run began.
    """
    done = CarriedOver()
    with psycopg.connect(owner_dsn) as connection:
        # The owner, too, sees no practice's rows while row-level security is forced.
        for table in READ:
            connection.execute(_forcing(table, "NO FORCE"))
        for row in connection.execute(query("unfrozen_runs")).fetchall():
            practice_id, session_id, flow, client, house, pace = row
            tempo = tempo_of(_scaled(client), OwnPace(factors=pace) if pace else None)
            sheet = lay_out(Flow.model_validate(flow), in_house(House.model_validate(house), shipped), tempo)
            key = {"practice_id": practice_id, "session_id": session_id}
            connection.execute(query("freeze_run"), {**key, **_stored(sheet, house, tempo)})
            for event_id, event in connection.execute(query("taps_by_place"), key).fetchall():
                moved = _by_address(event, sheet, done)
                values = {**key, "event_id": event_id, "event": Jsonb(moved)}
                connection.execute(query("replace_event"), values)
            done.runs += 1
        for table in READ:
            connection.execute(_forcing(table, "FORCE"))
    return done


def _forcing(table: str, how: Literal["FORCE", "NO FORCE"]) -> psycopg.sql.Composed:
    return psycopg.sql.SQL("ALTER TABLE {} {} ROW LEVEL SECURITY").format(
        psycopg.sql.Identifier(table), psycopg.sql.SQL(how)
    )


def _scaled(client: dict[str, Any]) -> ClientFacts:
    """What of a client scales the clock."""
    return ClientFacts(height_cm=client["height_cm"], breaths_per_minute=client["breaths_per_minute"])


def _stored(sheet: RunSheet, house: dict[str, Any], tempo: Tempo) -> dict[str, Any]:
    at = {
        "height_cm": tempo.height_cm,
        "breaths_per_minute": tempo.breaths_per_minute,
        "factors": tempo.factors,
    }
    return {
        "sheet_id": sheet_id(sheet),
        "sheet": Jsonb(sheet.model_dump(mode="json")),
        "house": Jsonb(house),
        "tempo": Jsonb(at),
    }


def _by_address(event: dict[str, Any], sheet: RunSheet, done: CarriedOver) -> dict[str, Any]:
    """A tap that named entries by their place in the sheet, naming them by address."""
    if event["kind"] == "began":
        return {**event, "sheet_id": sheet_id(sheet)}
    done.taps += 1
    if event["kind"] == "moved":
        return {**event, "to": _address(event["to"], sheet, done)}
    return {**event, "entries": [_address(place, sheet, done) for place in event["entries"]]}


def _address(place: int, sheet: RunSheet, done: CarriedOver) -> str:
    last = len(sheet.entries) - 1
    done.beyond += place > last
    return sheet.entries[min(place, last)].address
