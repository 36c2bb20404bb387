"""What of a line of propshafts is still to be measured or said."""

from collections.abc import Iterator

from driveline.benches.axles.arc import arc_missing
from driveline.benches.axles.bars import load_at, load_missing
from driveline.benches.axles.measured import is_measured_to
from driveline.benches.axles.needs import AxlesNeeds
from driveline.benches.axles.sheet import JointKind, PropLine
from driveline.margins import missing_of
from driveline.sheet import value_of
from driveline.space.spots import Points, spot_missing


def joints_missing(line: PropLine, points: Points) -> tuple[str, ...]:
    """Return what keeps the line's joints from having places, in words."""
    missing = list[str]()
    for k, joint in enumerate(line.joints):
        if not k or not is_measured_to(line, k):
            missing += spot_missing(joint.at, points, f"{line.name}, joint {k + 1}")
    if len(line.joints) < 2:
        missing.append(f"{line.name}: where its joints are, two or more from the box on")
    elif len(line.tubes) != len(line.joints) - 1:
        missing.append(f"{line.name}: a shaft between each two joints")
    return tuple(missing)


def angles_missing(line: PropLine) -> tuple[str, ...]:
    """Return what keeps its joints' angles from being known, beside where they are, in words."""
    kinds = (f"{line.name}, joint {j + 1}: what it is" for j, one in enumerate(line.joints) if one.kind is None)
    return (*kinds, *directions_missing(line))


def directions_missing(line: PropLine) -> tuple[str, ...]:
    """Return what keeps the lines at its two ends from being known, in words."""
    return missing_of(
        {
            f"{line.name}: how the box's output line falls": value_of(line.box.falls),
            f"{line.name}: how the box's output line runs aside": value_of(line.box.left),
            f"{line.name}: how the pinion's line falls": value_of(line.pinion.falls),
            f"{line.name}: how the pinion's line runs aside": value_of(line.pinion.left),
        }
    )


def twist_missing(line: PropLine) -> Iterator[str]:
    """Return what keeps its yokes' twist from being known, in words."""
    for j, tube in enumerate(line.tubes):
        ends = [one.kind for one in line.joints[j : j + 2]]
        if len(ends) == 2 and all(one in (JointKind.CROSS, None) for one in ends) and tube.phasing is None:
            yield f"{line.name}, shaft {j + 1}: how its yokes stand to each other, 0 with inner ears in line"


def travel_missing(line: PropLine) -> tuple[str, ...]:
    """Return what keeps the axle's travel from being known, in words."""
    if line.is_fixed is None:
        return (f"{line.name}: whether the axle's housing is bolted to the vehicle",)
    if line.is_fixed:
        return ()
    stops = missing_of(
        {
            f"{line.name}: the axle's rise to the bump stop": value_of(line.bump),
            f"{line.name}: its droop": value_of(line.droop),
        }
    )
    return (*stops, *arc_missing(line))


def standing_missing(line: PropLine) -> tuple[str, ...]:
    """Return what keeps the heights at which its axle stands, and how it winds up, from being known, in words."""
    if line.is_fixed:
        return ()
    if line.is_fixed is None:
        return (f"{line.name}: whether the axle's housing is bolted to the vehicle",)
    stands = missing_of(
        {
            f"{line.name}: how much higher the axle stands laden": value_of(line.laden),
            f"{line.name}: how much lower it stands empty": value_of(line.empty),
        }
    )
    return (*stands, *arc_missing(line))


def wind_missing(line: PropLine, needs: AxlesNeeds) -> tuple[str, ...]:
    """Return what keeps the pinion's winding up and down from being known, in words."""
    if line.is_fixed is not False:
        return ()
    places = missing_of(
        {
            f"{line.name}: how far the pinion's joint stands ahead of the axle's centre": value_of(line.pinion_ahead),
            f"{line.name}: how far it stands above that, 0 where level": value_of(line.pinion_above),
        }
    )
    if line.wind_nm_per_deg is not None:
        return (*places, *load_missing("axle", line.name, load_at("axle", line.which, needs), needs))
    ways = {
        f"{line.name}: how far the pinion's nose winds up under launch, or by what torque a degree": line.winds_up,
        f"{line.name}: how far it winds down under overrun, reverse or brakes": line.winds_down,
    }
    return (*places, *missing_of(ways))
