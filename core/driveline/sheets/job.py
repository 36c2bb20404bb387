"""A whole job as a file holds it."""

from typing import Annotated, Literal

from pydantic import Field

from driveline.sheets.base import Name, Sheet, Words
from driveline.sheets.brief import BriefSheet
from driveline.sheets.build import BuildRecords
from driveline.sheets.masses import MassesSheet
from driveline.sheets.plate import PlateSheet
from driveline.sheets.ratios import RatiosSheet

Margin = Annotated[float, Field(gt=0, le=10)]


class WantedMargins(Sheet):
    """What each kind of check asks for; empty takes the usual figure, shown as a default."""

    maker_rating: Margin | None = None
    motor_top_speed: Margin | None = None
    shaft_speed: Margin | None = None
    grip: Margin | None = None
    wanted_performance: Margin | None = None
    load_rating: Margin | None = None
    clearance: Margin | None = None
    readings_agree: Margin | None = None
    friction_joint: Margin | None = None
    bolt_proof: Margin | None = None
    bracket_yield: Margin | None = None


USUAL_MARGINS = {
    "maker_rating": 1.0,
    "motor_top_speed": 1.05,
    "shaft_speed": 1 / 0.70,
    "grip": 1.0,
    "wanted_performance": 1.0,
    "load_rating": 1.05,
    "clearance": 1.0,
    "readings_agree": 1.0,
    "friction_joint": 1.5,
    "bolt_proof": 1.1,
    "bracket_yield": 1.5,
}


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
