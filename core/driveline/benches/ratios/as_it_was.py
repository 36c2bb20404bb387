"""The vehicle as it was: its engine through its own gears, on the axes that the new gearings are drawn on."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.ratios.gearing import radius_m
from driveline.benches.ratios.sheet import RatiosSheet
from driveline.checks import Result
from driveline.gearing.brief import Brief
from driveline.gearing.engine import Engine, engine_from_peaks, engine_from_points, wheel_torques_nm
from driveline.gearing.road import (
    FRONT_PULL,
    KMH_PER_MS,
    Balance,
    Body,
    Driven,
    Number,
    resistance_n,
    run_up,
    slip_limit_n,
)
from driveline.gearing.sheets import AsItWas
from driveline.gearing.tyre import Rolling
from driveline.memory import kept
from driveline.results import Assumed, rounded, rounded_figure
from driveline.sheet import positive_of

USUAL_EFFICIENCY: Final = 0.90
CHANGE_S: Final = 0.5
POINTS: Final = 241


class OldGearCurve(Result):
    """Torque at the wheels in one gear, over the speeds of the plot; ``None`` past the engine's top speed."""

    name: str
    wheel_nm: list[float | None]
    top_kmh: float


class WasResult(Result):
    """What it did before."""

    gears: tuple[OldGearCurve, ...]
    engine_rpm: list[float]
    engine_nm: list[float]
    crank_nm: float
    launch_wheel_nm: float
    top_kmh: float
    s_0_50: float | None
    s_0_100: float | None
    assumed: tuple[Assumed, ...]


def engine_of(was: AsItWas) -> Engine | None:
    """Return the engine, from its curve or else its peak figures; ``None`` while some are missing.

    Raises:
        ImpossibleInput: If the figures contradict each other.
    """
    if len(was.curve) >= 2:
        return engine_from_points(
            np.array([point.rpm for point in was.curve]), np.array([point.torque_nm for point in was.curve])
        )
    figures = [positive_of(f) for f in (was.peak_torque, was.peak_torque_at, was.peak_power, was.peak_power_at)]
    nm, nm_rpm, kw, kw_rpm = figures
    if nm is None or nm_rpm is None or kw is None or kw_rpm is None:
        return None
    return engine_from_peaks(
        peak_nm=nm,
        peak_nm_rpm=nm_rpm,
        peak_kw=kw,
        peak_kw_rpm=kw_rpm,
        greatest_rpm=max(positive_of(was.greatest_rpm) or kw_rpm, kw_rpm),
    )


def solve_as_it_was(
    was: AsItWas, sheet: RatiosSheet, brief: Brief, was_mass_kg: float | None, rolling: Rolling, speed_kmh: Floats
) -> WasResult | None:
    """Return what the vehicle did before; ``None`` while engine, gears or final drive are not known.

    Args:
        was: As entered; gears and final drive left out are those of the kept ones.
        sheet: For the kept gearbox and final drive.
        brief: For body and tyres.
        was_mass_kg: Its mass before.
        rolling: Of the tyres.
        speed_kmh: Of the plot.
    """
    engine = engine_of(was)
    assumed = []
    gears = [(gear.name, gear.ratio.value) for gear in was.gears]
    if not gears and sheet.gearbox:
        gears = [(gear.name, gear.ratio.value) for gear in sheet.gearbox.gears]
    final = was.final_drive or (sheet.final_drives[0].ratio if sheet.final_drives else None)
    if engine is None or not gears or final is None:
        return None
    if was.final_drive is None:
        assumed.append(Assumed(field="brief.was.final_drive", text=f"final drive {final.text}, the first one listed"))
    if was.efficiency is None:
        assumed.append(Assumed(field="brief.was.efficiency", text="0.90 of the crank's power at the wheels"))
    assumed.append(Assumed(field="brief.was", text=f"{CHANGE_S:g} s a gear change, clutch slipped at launch"))
    old = _Old(was=was, engine=engine, gears=gears, final=final.value, assumed=tuple(assumed))
    vehicle = _Vehicle(kerb=brief.kerb, balance=brief.balance, driven=brief.driven, grip=brief.grip)
    return _result(old, vehicle, was_mass_kg, rolling, speed_kmh)


@dataclass(frozen=True, slots=True, kw_only=True)
class _Vehicle:
    """What of the brief the old drive hangs on: a change of anything else leaves it as it was."""

    kerb: Body | None
    balance: Balance | None
    driven: Driven
    grip: float


@dataclass(frozen=True, slots=True, kw_only=True)
class _Old:
    """Engine, gears and final drive as they were."""

    was: AsItWas
    engine: Engine
    gears: list[tuple[str, float]]
    final: float
    assumed: tuple[Assumed, ...]


@kept(64)
def _result(old: _Old, brief: _Vehicle, was_mass_kg: float | None, rolling: Rolling, speed_kmh: Floats) -> WasResult:
    engine, gears = old.engine, old.gears
    ratios = np.array([ratio for _, ratio in gears]) * old.final
    efficiency = old.was.efficiency or USUAL_EFFICIENCY

    def torques(speed_ms: Floats) -> Floats:
        return wheel_torques_nm(
            engine,
            overall_ratios=ratios,
            efficiency=efficiency,
            circumference_mm=rolling.circumference_mm,
            speed_ms=speed_ms,
        )

    tops_ms = engine.greatest_rpm / ratios * rolling.circumference_mm / 60_000
    fine_ms = np.linspace(0, float(tops_ms.max()), POINTS)
    by_gear = torques(fine_ms)
    best = np.nanmax(by_gear, axis=0)
    in_gear = np.nanargmax(by_gear, axis=0)
    top_ms, times = _road(best, in_gear, fine_ms, brief, rolling, mass_kg=was_mass_kg)
    drawn = torques(speed_kmh / KMH_PER_MS)
    return WasResult(
        gears=tuple(
            OldGearCurve(
                name=name,
                wheel_nm=[None if np.isnan(nm) else float(f"{nm:.4g}") for nm in row.tolist()],
                top_kmh=float(top) * KMH_PER_MS,
            )
            for (name, _), row, top in zip(gears, drawn, tops_ms, strict=True)
        ),
        engine_rpm=rounded(engine.rpm, 4),
        engine_nm=rounded(engine.torque_nm, 4),
        crank_nm=engine.peak_nm,
        launch_wheel_nm=engine.peak_nm * float(ratios.max()) * efficiency,
        top_kmh=top_ms * KMH_PER_MS,
        s_0_50=times[0],
        s_0_100=times[1],
        assumed=old.assumed,
    )


def _road(
    wheel_nm: Floats, in_gear: Floats, speed_ms: Floats, brief: _Vehicle, rolling: Rolling, *, mass_kg: float | None
) -> tuple[float, tuple[float | None, ...]]:
    """Top speed, and times to 50 and 100 km/h in the best gear at each speed, with the changes between."""
    if brief.kerb is None:
        return float(speed_ms[-1]), (None, None)
    body = Body(mass_kg=mass_kg or brief.kerb.mass_kg, crr=brief.kerb.crr, cda_m2=brief.kerb.cda_m2)
    slip_n: Number = np.inf
    if brief.balance:
        slip_n = slip_limit_n(
            mass_kg=body.mass_kg, balance=brief.balance, front_pull=FRONT_PULL[brief.driven], mu=brief.grip
        )
    drive_n = wheel_nm / radius_m(rolling)
    resisting_n = resistance_n(body, speed_ms)
    run = run_up(speed_ms, np.minimum(drive_n, slip_n) - resisting_n, np.full_like(speed_ms, body.mass_kg))
    short = np.nonzero(drive_n < resisting_n)[0]
    top_ms = float(speed_ms[short[0] - 1]) if short.size and short[0] else float(speed_ms[-1])

    def time_s(kmh: float) -> float | None:
        driven_s = float(run.between_s(0, kmh / KMH_PER_MS))
        changes = int(np.count_nonzero(np.diff(in_gear[speed_ms <= kmh / KMH_PER_MS])))
        return rounded_figure(driven_s + CHANGE_S * changes, 4)

    return top_ms, (time_s(50), time_s(100))
