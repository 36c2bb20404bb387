"""What the driver may engage: every gear of the gearbox in every range of the transfer box."""

from driveline.benches.ratios.candidates import Swept
from driveline.benches.ratios.gearing import Gearing
from driveline.benches.ratios.sheet import RatiosSheet
from driveline.gearing.sheets import GearUse


def in_every_gear(swept: Swept, one: Gearing, sheet: RatiosSheet) -> tuple[Gearing, ...]:
    """Return the gearing in every gear and range that can be engaged: all of them, unless a box is left in one."""
    gears = [one.pick.gear]
    if sheet.gearbox and one.pick.gear is not None and sheet.gearbox.use is not GearUse.LEFT_IN_ONE:
        gears = [gear.name for gear in sheet.gearbox.gears]
    ranges = [one.pick.transfer]
    if one.pick.transfer is not None and sheet.transfer.use is not GearUse.LEFT_IN_ONE:
        ranges = [box.name for box in sheet.transfer.ranges]
    if len(gears) * len(ranges) < 2:
        return (one,)
    picks = [one.pick.model_copy(update={"gear": gear, "transfer": span}) for span in ranges for gear in gears]
    rows = dict.fromkeys(row for pick in picks if (row := swept.sweep.row_of(pick)) is not None)
    return tuple(swept.sweep.gearing(row, swept.motors) for row in rows)
