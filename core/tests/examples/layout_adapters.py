"""What maps the examples of layouts to the core: what leaves a casing, and what holds it; a transfer box's chain."""

from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

from driveline.benches.ratios.leaving import leaving_of
from driveline.benches.ratios.line import station_of
from driveline.gearing.chain import Chain, Stage, StageKind
from driveline.gearing.design import design_torques
from driveline.gearing.sheets import Layout
from driveline.gearing.stations import TRUNK, LineStation
from driveline.held.balance import hold, inertia_wrench
from driveline.held.reaction import casing_moment_nm
from tests.examples.mount_adapters import holds_of

Given = Mapping[str, Any]
Found = dict[str, Any]


def _stations(chain: Chain, given: Given, motor_nm: float) -> list[LineStation]:
    designs = design_torques(
        chain,
        peak_nm=motor_nm,
        dynamic_factor=given["dynamic_factor"],
        slip_axle_nm=given["tyres_slip_at_axle_nm"],
        overrun_nm=given["motor_overrun_nm"],
    )
    return [
        LineStation(
            station=station_of(stage.kind.value, stage, TRUNK, design),
            motor=0,
            rpm_per_ms=None,
            driving=None,
            overrun=None,
        )
        for stage, design in zip(chain.stages, designs, strict=False)
    ]


def _leaving_nm(layout: Layout, chain: Chain, given: Given) -> dict[str, float]:
    forward = leaving_of(layout, _stations(chain, given, given["motor_nm"]))
    backward = leaving_of(layout, _stations(chain, given, given["motor_reverse_nm"]))
    assert forward.launch_nm is not None and forward.overrun_nm is not None
    assert forward.locked_nm is not None and backward.launch_nm is not None
    return {
        "none": 0.0,
        "launch": forward.launch_nm,
        "reverse": -backward.launch_nm,
        "overrun": -forward.overrun_nm,
        "locked, rolling forward": -forward.locked_nm,
        "locked, rolling back": forward.locked_nm,
    }


def transaxle(given: Given, _every: Mapping[str, Given]) -> Found:
    gear = Stage(
        kind=StageKind.GEARBOX, title="Gearbox", ratio=given["gear_ratio"], efficiency=given["gear_efficiency"]
    )
    final = Stage(
        kind=StageKind.FINAL_DRIVE,
        title="Final drive",
        ratio=given["final_drive_ratio"],
        efficiency=given["final_drive_efficiency"],
    )
    chain = Chain((gear, final))
    wheel = _leaving_nm(Layout.KEPT_TRANSAXLE, chain, given)
    shaft = _leaving_nm(Layout.KEPT_GEARBOX, chain, given)
    ways = {
        "transaxle": _held(given, wheel, given["axle_line"]),
        "lengthwise": _held(given, shaft, given["lengthwise_output_rotation_axis"]),
    }
    names = [one.name for one in holds_of(given)]
    worst = {way: {name: _worst(cases, name) for name in names} for way, cases in ways.items()}
    greatest = {way: {name: ways[way][worst[way][name]]["size_n"][name] for name in names} for way in ways}
    return {
        "wheel_torque_nm": {name: value for name, value in wheel.items() if name != "none"},
        "propshaft_torque_nm": {name: value for name, value in shaft.items() if name != "none"},
        **ways,
        "greatest_n": greatest,
        "worst_case_of_mount": worst["transaxle"],
        "transaxle_over_lengthwise": {
            name: greatest["transaxle"][name] / greatest["lengthwise"][name] for name in names
        },
    }


def _worst(cases: Found, name: str) -> str:
    """Return the case in which a mount bears most."""
    sizes = {case: found["size_n"][name] for case, found in cases.items()}
    return max(sizes, key=sizes.__getitem__)


def _held(given: Given, leaving_nm: Mapping[str, float], axis: list[float]) -> Found:
    holds = holds_of(given)
    moments = [casing_moment_nm([], [(leaving_nm[case["torque"]], np.array(axis, float))]) for case in given["cases"]]
    loads = np.array(
        [
            inertia_wrench(given["mass_kg"], np.array(given["cg_mm"], float), np.array(case["inertia_force_g"]), moment)
            for case, moment in zip(given["cases"], moments, strict=True)
        ]
    )
    held = hold(holds, loads)
    found: Found = {}
    for row, (case, moment) in enumerate(zip(given["cases"], moments, strict=True)):
        names = [one.name for one in holds]
        forces = dict(zip(names, held.forces_n[row], strict=True))
        found[case["name"]] = {
            "casing_moment_nm": moment.tolist(),
            "on_unit_n": {name: force.tolist() for name, force in forces.items()},
            "size_n": {name: float(np.linalg.norm(force)) for name, force in forces.items()},
            "turn_deg": np.degrees(held.turns_rad[row]).tolist(),
            "mount_move_mm": dict(zip(names, held.mount_moves_mm[row].tolist(), strict=True)),
        }
    return found


def _stage(kind: StageKind, one: Given, **more: Any) -> Stage:
    sense = one.get("sense", 1)
    return Stage(kind=kind, title=kind.value, ratio=one["ratio"], efficiency=one["efficiency"], sense=sense, **more)


def _axle_chain(given: Given, name: str, ahead: list[Stage]) -> Chain:
    """From the motor to one axle: past the box its share of the torque, and all of it where that is locked."""
    axle, front = given["axles"][name], given["front_share"]
    return Chain(
        (
            *ahead,
            Stage(
                kind=StageKind.PROPSHAFT,
                title="Propshaft",
                efficiency=axle["propshaft_efficiency"],
                share=front if name == "front" else 1 - front,
                strength_share=1.0 if given["locked"] else None,
            ),
            Stage(
                kind=StageKind.FINAL_DRIVE,
                title="Final drive",
                ratio=axle["final_drive_ratio"],
                efficiency=axle["final_drive_efficiency"],
            ),
        )
    )


def transfer(given: Given, _every: Mapping[str, Given]) -> Found:
    ranges = {name: _in_range(given, one) for name, one in given["ranges"].items()}
    low, high = (ranges[name]["transfer_out_total_nm"] for name in ("low", "high"))
    return {"ranges": ranges, "low_over_high_torque": low / high}


def _in_range(given: Given, span: Given) -> Found:
    ahead = [_stage(StageKind.GEARBOX, one) for one in given["stages_ahead"]]
    box = _stage(StageKind.TRANSFER, span)
    chains = {name: _axle_chain(given, name, [*ahead, box]) for name in ("front", "rear")}
    whole, at = chains["front"], len(ahead)
    torque, turns, motor_rpm = given["motor_nm"] * whole.unsplit_multipliers, whole.speed_divisors, given["motor_rpm"]
    # As the sweep has it: the motor turns by the mean of what both axles ask, weighed by their share.
    asks = {
        name: chain.overall_ratio * 60_000 / given["axles"][name]["circumference_mm"] for name, chain in chains.items()
    }
    front = given["front_share"]
    speed_ms = motor_rpm / (front * asks["front"] + (1 - front) * asks["rear"])
    axles = {name: _axle(given, name, chain, speed_ms) for name, chain in chains.items()}
    shafts = [axles[name]["propshaft_rpm"] for name in ("front", "rear")]
    km = [1e6 / given["axles"][name]["circumference_mm"] * given["axles"][name]["final_drive_ratio"] for name in axles]
    return {
        "shafts": [
            {"after": one["name"], "torque_nm": torque[k + 1], "rpm": motor_rpm / turns[k + 1]}
            for k, one in enumerate(given["stages_ahead"])
        ],
        "transfer_in": {"torque_nm": torque[at], "rpm": motor_rpm / turns[at]},
        "transfer_out_total_nm": torque[at + 1],
        **axles,
        "speed_kmh": speed_ms * 3.6,
        "front_propshaft_faster_pct": 100 * (shafts[0] / shafts[1] - 1),
        "between_outputs_rpm": abs(shafts[0] - shafts[1]),
        "wheel_torque_total_nm": sum(one["axle_torque_nm"] for one in axles.values()),
        "thrust_total_n": sum(one["thrust_n"] for one in axles.values()),
        "wind_up_if_locked_turns_per_km": abs(km[0] - km[1]),
        "overrun_axle_nm": {
            name: -given["overrun_motor_nm"] * float(chain.overrun_multipliers[-1]) for name, chain in chains.items()
        },
    }


def _axle(given: Given, name: str, chain: Chain, speed_ms: float) -> Found:
    axle, last = given["axles"][name], len(chain.stages)
    usual, everything = chain.driving_multipliers * given["motor_nm"], chain.unsplit_multipliers * given["motor_nm"]
    designs = design_torques(
        chain,
        peak_nm=given["motor_nm"],
        dynamic_factor=given["dynamic_factor"],
        slip_axle_nm=axle["tyres_slip_at_axle_nm"],
        overrun_nm=given["overrun_motor_nm"],
    )
    wheel_rpm = speed_ms * 60_000 / axle["circumference_mm"]
    return {
        "propshaft_torque_nm": usual[last - 2],
        "propshaft_rpm": wheel_rpm * axle["final_drive_ratio"],
        "axle_torque_nm": usual[last],
        "each_wheel_nm": usual[last] / 2,
        "wheel_rpm": wheel_rpm,
        "thrust_n": usual[last] / (axle["circumference_mm"] / 2000 / np.pi),
        "all_on_this_axle_nm": everything[last],
        "propshaft_all_nm": everything[last - 2],
        "design_axle_nm": designs[last].design_nm,
        "design_governed_by": designs[last].governed_by,
        "design_propshaft_nm": designs[last - 2].design_nm,
    }


ADAPTERS: Final[dict[str, Callable[[Given, Mapping[str, Given]], Found]]] = {
    "transaxle-mount-reactions": transaxle,
    "transfer-box-chain": transfer,
}
