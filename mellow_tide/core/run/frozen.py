"""What a session is worked by from its first touch on: nothing that changes later moves what was tapped."""

from mellow_tide.core.catalogue.house.house import House
from mellow_tide.core.catalogue.records import Record
from mellow_tide.core.timing.run_sheet import RunSheet
from mellow_tide.core.timing.tempo import Tempo


class FrozenRun(Record):
    """The run sheet as the device held it when work began, by its id, with the house and the tempo it was made in."""

    sheet_id: str
    sheet: RunSheet
    house: House
    tempo: Tempo
