"""The Ratios bench: every way to gear it side by side, and the checks of the one chosen."""

from typing import Final

import numpy as np

from driveline.benches.brief import Brief
from driveline.benches.common import Margins, ToDo, rounded
from driveline.benches.gearing import (
    Gearing,
    Performance,
    SpeedLimit,
    cruise_rpm,
    gearing,
    performance,
    picks,
    radius_m,
    slip_force_n,
    top_speed,
)
from driveline.benches.line import Line, solve_line
from driveline.benches.ratio_checks import ratio_checks
from driveline.checks import Check, Result
from driveline.motor import Motor
from driveline.road import KMH_PER_MS, resistance_n
from driveline.sheets.brief import Layout
from driveline.sheets.ratios import Choice, RatiosSheet
from driveline.tyre import Rolling

MOST_CANDIDATES: Final = 300
PLOT_POINTS: Final = 81
DRAWN_PAST: Final = 1.15  # so that the end of every curve is seen


class Candidate(Result):
    """One way to gear the vehicle, and what it gives and costs."""

    key: str
    reduction: str | None
    gear: str | None
    final_drive: str | None
    overall_ratio: float
    top_kmh: float
    top_set_by: str
    launch_wheel_nm: float
    launch_held_by_tyres: bool
    s_0_50: float | None
    s_0_100: float | None
    s_80_120: float | None
    s_0_60_mph: float | None
    hill_start_pct: float | None
    grade_at_50_pct: float | None
    cruise_rpm: float
    cruise_share: float | None
    falls_from_kmh: float
    wheel_nm: list[float | None]  # over RatiosResult.speed_kmh; None past the motor's top speed
    beaten_by: str | None
    is_chosen: bool


class RatiosResult(Result):
    """The candidates, with what they are drawn against."""

    candidates: tuple[Candidate, ...]
    speed_kmh: list[float]
    resistance_nm: list[float] | None
    hill_resistance_nm: list[float] | None
    slip_nm: float | None
    cruise_kmh: float
    chosen: str | None
    reason: str
    to_do: tuple[ToDo, ...]


def solve_ratios(
    sheet: RatiosSheet, layout: Layout, brief: Brief, margins: Margins
) -> tuple[RatiosResult, Line | None, tuple[Check, ...]]:
    """Return every candidate, the Line of the chosen one (else the first that nothing beats), and its checks."""
    to_do = _missing(sheet, layout, brief)
    every = picks(sheet, layout)
    if to_do or brief.motor is None or brief.rolling is None:
        return _empty(brief, to_do), None, ()
    motor, rolling = brief.motor, brief.rolling
    gearings = [gearing(pick, sheet, layout, brief, motor, rolling) for pick in every[:MOST_CANDIDATES]]
    chosen = _chosen(sheet.choice, gearings)
    result = _compare(gearings, brief, motor, rolling, chosen, sheet.choice)
    shown = chosen or next(g for g, c in zip(gearings, result.candidates, strict=True) if c.beaten_by is None)
    line = solve_line(shown, brief, motor, rolling, coupler=sheet.coupler, is_chosen=chosen is not None)
    own = next(candidate for candidate in result.candidates if candidate.key == shown.pick.key)
    checks = ratio_checks(
        shown,
        line,
        brief,
        sheet,
        margins,
        hill_start_pct=own.hill_start_pct,
        rolling=rolling,
        is_chosen=chosen is not None,
    )
    return result, line, checks


def _missing(sheet: RatiosSheet, layout: Layout, brief: Brief) -> tuple[ToDo, ...]:
    needs = [
        (brief.motor is not None, "brief.motor", "Give the motor's torque and top speed in the Brief."),
        (brief.rolling is not None, "brief.tyre", "Give the driven tyre in the Brief."),
        (
            layout is not Layout.KEPT_GEARBOX or bool(sheet.gearbox and sheet.gearbox.gears),
            "ratios.gearbox.gears",
            "Enter the gears of the kept gearbox.",
        ),
        (
            layout in (Layout.KEPT_GEARBOX, Layout.PROPSHAFT_REDUCTION) or bool(sheet.reductions),
            "ratios.reductions",
            "Enter the drive unit's own reduction.",
        ),
        (
            layout is Layout.AXLE_UNIT or bool(sheet.final_drives),
            "ratios.final_drives",
            "Enter the final drive: teeth as 37/9, or its ratio.",
        ),
    ]
    return tuple(ToDo(field=field, text=text) for is_there, field, text in needs if not is_there)


def _empty(brief: Brief, to_do: tuple[ToDo, ...]) -> RatiosResult:
    return RatiosResult(
        candidates=(),
        speed_kmh=[],
        resistance_nm=None,
        hill_resistance_nm=None,
        slip_nm=None,
        cruise_kmh=brief.cruise_kmh,
        chosen=None,
        reason="",
        to_do=to_do,
    )


def _chosen(choice: Choice | None, gearings: list[Gearing]) -> Gearing | None:
    if choice is None:
        return None
    wanted = (choice.reduction, choice.gear, choice.final_drive)

    def names(one: Gearing) -> tuple[str | None, ...]:
        return tuple(box.name if box else None for box in (one.pick.reduction, one.pick.gear, one.pick.final_drive))

    return next((one for one in gearings if names(one) == wanted), None)


def _compare(
    gearings: list[Gearing], brief: Brief, motor: Motor, rolling: Rolling, chosen: Gearing | None, choice: Choice | None
) -> RatiosResult:
    greatest_kmh = max(float(one.speed_ms[-1]) for one in gearings) * KMH_PER_MS * DRAWN_PAST
    speed_kmh = np.linspace(0, greatest_kmh, PLOT_POINTS)
    slip_n = slip_force_n(brief, brief.kerb, brief.grip)
    tops = [top_speed(one, brief.kerb, rolling) for one in gearings]
    runs = [performance(one, brief, motor, rolling) for one in gearings]
    rpms = [cruise_rpm(one, brief, rolling) for one in gearings]
    beaten = _beaten(gearings, tops, rpms, runs)
    falls_share = motor.falls_from_rpm() / motor.greatest_rpm
    candidates = tuple(
        Candidate(
            key=one.pick.key,
            reduction=one.pick.reduction and one.pick.reduction.name,
            gear=one.pick.gear and one.pick.gear.name,
            final_drive=one.pick.final_drive and one.pick.final_drive.name,
            overall_ratio=one.chain.overall_ratio,
            top_kmh=tops[k].kmh,
            top_set_by=tops[k].text,
            launch_wheel_nm=float(one.wheel_nm[0]),
            launch_held_by_tyres=slip_n is not None and float(one.drive_n[0]) > slip_n,
            s_0_50=runs[k].s_0_50,
            s_0_100=runs[k].s_0_100,
            s_80_120=runs[k].s_80_120,
            s_0_60_mph=runs[k].s_0_60_mph,
            hill_start_pct=runs[k].hill_start_pct,
            grade_at_50_pct=runs[k].grade_at_50_pct,
            cruise_rpm=rpms[k],
            cruise_share=runs[k].cruise_share,
            falls_from_kmh=float(one.speed_ms[-1]) * KMH_PER_MS * falls_share,
            wheel_nm=_drawn(one, speed_kmh),
            beaten_by=beaten[k],
            is_chosen=one is chosen,
        )
        for k, one in enumerate(gearings)
    )
    return RatiosResult(
        candidates=candidates,
        speed_kmh=rounded(speed_kmh),
        resistance_nm=_resistance_nm(brief, rolling, speed_kmh, 0.0, laden=False),
        hill_resistance_nm=_resistance_nm(brief, rolling, speed_kmh, brief.hill_start_pct, laden=True),
        slip_nm=None if slip_n is None else slip_n * radius_m(rolling),
        cruise_kmh=brief.cruise_kmh,
        chosen=chosen and chosen.pick.key,
        reason=choice.reason if choice and chosen else "",
        to_do=() if chosen else (ToDo(field="ratios.choice", text="Choose a gearing, and say why."),),
    )


def _drawn(one: Gearing, speed_kmh: np.ndarray) -> list[float | None]:
    in_reach = speed_kmh / KMH_PER_MS <= one.speed_ms[-1] * (1 + 1e-9)
    torque_nm = rounded(np.interp(speed_kmh / KMH_PER_MS, one.speed_ms, one.wheel_nm), 4)
    return [nm if ok else None for nm, ok in zip(torque_nm, in_reach.tolist(), strict=True)]


def _resistance_nm(
    brief: Brief, rolling: Rolling, speed_kmh: np.ndarray, grade_pct: float, *, laden: bool
) -> list[float] | None:
    body = brief.laden if laden else brief.kerb
    return (
        None if body is None else rounded(resistance_n(body, speed_kmh / KMH_PER_MS, grade_pct) * radius_m(rolling), 4)
    )


def _beaten(
    gearings: list[Gearing], tops: list[SpeedLimit], rpms: list[float], runs: list[Performance]
) -> list[str | None]:
    """For each candidate another that is at least as good in launch, top speed and cruise, and better in one."""
    launch = [
        -run.s_0_50 if run.s_0_50 is not None else float(one.drive_n[0]) - 1e9
        for one, run in zip(gearings, runs, strict=True)
    ]
    good = np.column_stack([launch, [top.kmh for top in tops], -np.array(rpms)]).round(3)
    at_least = np.all(good[None, :, :] >= good[:, None, :], axis=2)
    beats = np.logical_and(at_least, np.any(good[None, :, :] > good[:, None, :], axis=2))
    return [gearings[int(row.argmax())].pick.key if row.any() else None for row in beats]
