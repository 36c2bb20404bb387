"""Overrun against grip: whether the tyres hold what the motors slow with."""

from driveline.benches.ratios.gearing import Gearing
from driveline.benches.ratios.overrun_working import overrun_working
from driveline.benches.ratios.safety_workings import WET
from driveline.benches.ratios.slowing import held_by, slowing_of
from driveline.checks import Check
from driveline.figures import fig
from driveline.gearing.brief import Brief
from driveline.margins import Judge, missing_of, wanted_words
from driveline.working import entered


def overrun_check(one: Gearing, brief: Brief, judge: Judge, *, is_wet: bool) -> Check:
    """Return whether the tyres hold what the motors slow with, empty and laden."""
    grip = WET if is_wet else entered("μ", brief.grip, "", "brief.vehicle.tyre_grip")
    is_asked = all(torque is not None for torque in brief.overruns_nm[: len(one.motors)])
    slowing = slowing_of(one, brief)
    empty = held_by(slowing, brief.kerb, brief.balance, grip.value)
    laden = held_by(slowing, brief.laden, brief.laden_balance, grip.value)
    limits_n = [held.limit_n for held in (empty, laden) if held is not None]
    missing = missing_of(
        {
            "Greatest overrun torque of the motor, 0 where there is none": bool(is_asked),
            "Kerb mass, front share, height and wheelbase": empty,
            "Laden mass, and where the load stands": laden,
        }
    )
    says, road = "", "wet" if is_wet else "dry"
    if limits_n and is_asked:
        hold = f"the driven tyres hold {fig(min(limits_n), 'N', 0)} on μ {grip.value:g}"
        says = f"slows with {fig(slowing.force_n, 'N', 0)}; {hold}"
    return judge.check(
        "grip",
        key=f"road.overrun_{road}",
        title=f"Overrun grip on a {road} road",
        demand=slowing.force_n if is_asked else None,
        capacity=min(limits_n, default=None),
        unit="N",
        says=says if not missing else f"{says}, at best. {wanted_words(missing)}".removeprefix(", at best. "),
        station="wheel",
        missing=missing,
        inputs=("brief.motor.overrun_torque", "brief.vehicle", "brief.masses", "brief.tyre", "ratios.choice"),
        working=lambda: overrun_working(one, brief, grip, slowing, empty, laden, is_asked=is_asked),
    )
