"""Workings of what is held when parked, of what could burst, and of axles that turn at different speeds."""

import math
from typing import Final

from driveline.benches.ratios.gearing import Gearing, Lane
from driveline.benches.ratios.sums import (
    GRAVITY,
    balance_of,
    circumference,
    radius_step,
    ratios_of,
)
from driveline.figures import fig
from driveline.gearing.brief import Brief
from driveline.gearing.chain import StageKind
from driveline.gearing.sheets import Parking
from driveline.working import Given, Step, Working, entered, step, tabled, worked

WET: Final = tabled("μ", 0.3, "", "tyres on a wet road")
CAST_IRON_KGM3: Final = 7200.0
PARKED_PCT: Final = 25.0
BURST_NOTE: Final = "A burst clutch or flywheel goes through the floor. Keep the bell-housing closed and stand clear."


def handbrake_working(brief: Brief, parking: Parking, grip_pct: float | None) -> Working:
    """Return the grade that the handbrake has held, or its tyres would, and the one wanted."""
    steps: list[Step] = []
    held: list[Given | Step] = []
    if parking.handbrake_held_pct is not None:
        held.append(entered("G_held", parking.handbrake_held_pct, "%", "brief.parking.handbrake_held_pct"))
    balance = brief.laden_balance
    if balance is not None and grip_pct is not None:
        share, height, base = balance_of(balance, is_laden=True)
        mu = entered("μ", brief.grip, "", "brief.vehicle.tyre_grip")
        part = share.name if parking.handbrake_axle == "front" else f"(1 - {share.name})"
        expression = f"μ * {part} / (1 + μ * {height.name} / L)"
        steps.append(
            step(
                "G_grip",
                expression,
                mu,
                share,
                height,
                base,
                value=grip_pct,
                unit="%",
                decimals=1,
                words="grade that the braked tyres hold, facing the way that unloads them",
            )
        )
        held.append(steps[-1])
    if parking.handbrake_held_pct is not None:
        names = ", ".join(one.symbol if isinstance(one, Step) else one.name for one in held)
        least = min(one.value for one in held)
        steps.append(step("G", f"min({names})" if len(held) > 1 else names, *held, value=least, unit="%", decimals=1))
    return Working(
        steps=tuple(steps),
        source="Wanted: 1 in 4 without a pawl, 1 in 6.25 beside one. Laden, facing up and down; facing down the rear "
        "tyres carry less. Local codes may ask for more.",
        note="A driveline out of gear, or whose pawl lets go, has only the handbrake.",
    )


def pawl_working(lane: Lane, laden_kg: float | None, torque_nm: float | None) -> Working:
    """Return what a laden grade asks of the parking pawl."""
    steps: tuple[Step, ...] = ()
    if torque_nm and laden_kg is not None:
        mass = worked("m_laden", laden_kg, "kg", "brief.vehicle.laden_mass")
        radius = radius_step(lane)
        behind = [stage for stage in lane.chain.stages if stage.kind is StageKind.FINAL_DRIVE]
        product, given = ratios_of(behind)
        grade = tabled("G", PARKED_PCT, "%", "1 in 4")
        asked = step(
            "T",
            f"m_laden * g * sin(atan(G)) * r / ({product})",
            mass,
            GRAVITY,
            grade,
            radius,
            *given,
            value=torque_nm,
            unit="N·m",
        )
        steps = (radius, asked)
    return Working(
        steps=steps,
        source="The pawl at the unit's output, before any final drive; all of the weight on it.",
        note="Through an open differential one lifted wheel lets the vehicle roll.",
    )


def clutch_working(one: Gearing) -> Working:
    """Return how fast the clutch may turn."""
    top = entered("n_max", one.motors[0].greatest_rpm, "rpm", "brief.motor.greatest_rpm")
    return Working(
        steps=(step("n", "n_max", top, value=top.value, unit="rpm", words="in any gear or out of gear"),),
        source="Maker's burst or service speed of clutch cover and plate.",
        note=BURST_NOTE,
    )


def flywheel_working(one: Gearing, diameter_mm: float | None, stress_mpa: float | None) -> Working:
    """Return the stress in a flywheel's rim at the motor's top speed."""
    steps: tuple[Step, ...] = ()
    if diameter_mm and stress_mpa:
        wide = entered("D", diameter_mm, "mm", "ratios.clutch.flywheel_diameter")
        top = entered("n_max", one.motors[0].greatest_rpm, "rpm", "brief.motor.greatest_rpm")
        iron = tabled("ρ", CAST_IRON_KGM3, "kg/m³", "cast iron")
        rim_ms = math.pi * diameter_mm / 1000 * top.value / 60
        rim = step("v", "pi * D * n_max", wide, top, value=rim_ms, unit="m/s", decimals=1)
        steps = (rim, step("σ", "ρ * v**2", iron, rim, value=stress_mpa, unit="MPa", decimals=1))
    return Working(steps=steps, source=f"Thin rotating rim; cast iron {fig(CAST_IRON_KGM3, 'kg/m³')}.", note=BURST_NOTE)


def split_working(front: Lane, rear: Lane, differ_pct: float) -> Working:
    """Return by how much both axles' speeds differ."""
    steps = []
    for lane, side in ((front, "_f"), (rear, "_r")):
        rolls = circumference(lane, side)
        product, given = ratios_of(lane.chain.stages[lane.shared :], side)
        own = float(lane.chain.overall_ratio / lane.chain.speed_divisors[lane.shared])
        steps.append(
            step(
                f"k{side}",
                f"{product} / {rolls.name} * m_1",
                rolls,
                *given,
                tabled("m_1", 1.0, "m", "to begin with"),
                value=own / rolls.value * 1000,
                decimals=4,
                words=f"turns of the {lane.word} output in a metre",
            )
        )
    differ = step("d", "abs(k_f / k_r - 1)", *steps, value=differ_pct, unit="%", decimals=2)
    return Working(
        steps=(*steps, differ),
        source="Customary: within 1 % where the axles are locked together; a differential that always works wants oil, "
        "some 5 % at most.",
    )
