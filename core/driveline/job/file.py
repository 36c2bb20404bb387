"""A whole job as a file holds it."""

from typing import Literal

from driveline.benches.brief.masses_sheet import MassesSheet
from driveline.benches.brief.sheet import BriefSheet
from driveline.benches.plate.sheet import PlateSheet
from driveline.benches.ratios.sheet import RatiosSheet
from driveline.margins import WantedMargins
from driveline.parts.records import BuildRecords
from driveline.sheet import Name, Sheet, Words


class Sheets(Sheet):
    """What a person entered, bench by bench."""

    margins: WantedMargins = WantedMargins()
    brief: BriefSheet = BriefSheet()
    masses: MassesSheet = MassesSheet()
    ratios: RatiosSheet = RatiosSheet()
    plate: PlateSheet = PlateSheet()


class JobFile(Sheet):
    """The job file, NAME.fernback.json."""

    format: Literal["fernback-job"] = "fernback-job"
    version: Literal[1] = 1
    name: Name
    about: Words = ""
    sheets: Sheets = Sheets()
    build: BuildRecords = BuildRecords()
