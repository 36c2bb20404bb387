"""The candidates of a sweep as the screen takes them: some whole, all as columns."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.benches.ratios.gearing import Gearing, Sweep, pick_key, radius_m
from driveline.benches.ratios.line import top_set_by
from driveline.benches.ratios.sheet import Pick
from driveline.checks import Result
from driveline.gearing.brief import Brief
from driveline.gearing.motor import Motor
from driveline.gearing.road import KMH_PER_MS, equivalent_mass_kg
from driveline.gearing.sweep import RUNS_KMH, Figures, climb_curves_pct, drive_table, known_ms
from driveline.results import rounded, rounded_array, rounded_figure

MOST_POINTS: Final = 2000


class Candidate(Result):
    """One way to gear the vehicle, and what it gives and costs."""

    key: str
    pick: Pick
    overall_ratio: float  # of the rear or only lane
    top_kmh: float
    top_set_by: str
    is_top_known: bool  # False: a figure of the motor is missing, and it may well be less
    not_known: tuple[str, ...]  # of the times below: for want of a figure, not because it is never reached
    launch_wheel_nm: float
    launch_held_by_tyres: bool
    s_0_50: float | None
    s_0_100: float | None
    s_80_120: float | None
    s_0_30_mph: float | None
    s_0_60_mph: float | None
    hill_start_pct: float | None
    grade_at_50_pct: float | None
    cruise_rpm: float
    cruise_share: float | None
    falls_from_kmh: float
    rotor_as_mass_kg: float
    tightest_rating: float | None  # rating over design torque, of those that are known
    wheel_nm: list[float | None]  # over RatiosResult.speed_kmh; None past what is known of the motor
    beaten_by: str | None
    is_chosen: bool
    is_pinned: bool


class Option(Result):
    """A dimension of the sweep and the names that its numbers stand for."""

    field: str
    names: tuple[str | None, ...]


class Must(Result):
    """Something that the finished vehicle must do, and how many ways to gear it do it."""

    key: str
    text: str
    count: int


class Cloud(Result):
    """The sweep as columns, thinned where it is long: those that nothing beats are always in it."""

    options: tuple[Option, ...]
    picks: list[list[int]]  # a number into each option's names
    names: list[str]  # of each, as one is known to screen and sheet
    top_kmh: list[float]
    s_0_50: list[float | None]
    cruise_rpm: list[float]
    is_beaten: list[bool]
    does: list[int]  # a bit per must, in their order


class Climb(Result):
    """Grade held at each road speed, laden; ``None`` where any grade is held or the motor is out of speed."""

    speed_kmh: list[float]
    peak_pct: list[float | None]
    continuous_pct: list[float | None] | None


@dataclass(frozen=True, slots=True, kw_only=True)
class Swept:
    """The whole sweep with what it comes to."""

    sweep: Sweep
    motors: tuple[Motor, ...]
    figures: Figures
    ratings: Floats
    beaten: NDArray[np.int64]
    does: NDArray[np.int64]


def figures_of(figures: Figures, row: int) -> Figures:
    """Return the figures of one row."""
    return Figures(**{name: getattr(figures, name)[row : row + 1] for name in Figures.__dataclass_fields__})


def candidate_of(
    swept: Swept, row: int, one: Gearing, speed_kmh: Floats, *, chosen: int | None, pinned: list[int]
) -> Candidate:
    """Return one way to gear it, whole, with its torque over the speeds of the plot."""
    figures = figures_of(swept.figures, row)
    beaten = int(swept.beaten[row])
    rotor_kg = sum(
        float(equivalent_mass_kg(mass_kg=0.0, motor_inertia_kgm2=m.inertia_kgm2 or 0.0, rpm_per_ms=one.rpm_per_ms(k)))
        for k, m in enumerate(one.motors)
    )
    rating = float(swept.ratings[row])
    return Candidate(
        key=one.key,
        pick=one.pick,
        overall_ratio=one.lanes[0].chain.overall_ratio,
        top_kmh=float(figures.top_kmh[0]),
        top_set_by=top_set_by(one, figures),
        is_top_known=bool(figures.is_able_known[0]),
        not_known=_not_known(one, figures),
        launch_wheel_nm=float(figures.launch_n[0]) * radius_m(one.lanes[0].rolling),
        launch_held_by_tyres=bool(figures.launch_n[0] > figures.slip_n[0]),
        s_0_50=rounded_figure(float(figures.s_0_50[0])),
        s_0_100=rounded_figure(float(figures.s_0_100[0])),
        s_80_120=rounded_figure(float(figures.s_80_120[0])),
        s_0_30_mph=rounded_figure(float(figures.s_0_30_mph[0])),
        s_0_60_mph=rounded_figure(float(figures.s_0_60_mph[0])),
        hill_start_pct=rounded_figure(float(figures.hill_start_pct[0])),
        grade_at_50_pct=rounded_figure(float(figures.grade_at_50_pct[0])),
        cruise_rpm=float(figures.cruise_rpm[0]),
        cruise_share=rounded_figure(float(figures.cruise_share[0])),
        falls_from_kmh=float(figures.falls_from_kmh[0]),
        rotor_as_mass_kg=rotor_kg,
        tightest_rating=rounded_figure(rating, 4),
        wheel_nm=_drawn(one, speed_kmh),
        beaten_by=None if beaten < 0 else pick_key(swept.sweep.pick(beaten)),
        is_chosen=row == chosen,
        is_pinned=row in pinned,
    )


def _not_known(one: Gearing, figures: Figures) -> tuple[str, ...]:
    """The times, and the speed torque falls from, that hang on a grip or a torque that nobody has stated."""
    is_whole = all(motor.peak_known_rpm >= motor.greatest_rpm for motor in one.motors)
    known_rpm = [motor.peak_known_rpm for motor in one.motors]
    sure_kmh = np.inf if is_whole else KMH_PER_MS * float(known_ms(one.gearings, known_rpm)[0])
    is_grip_known = not np.isnan(figures.slip_n[0])
    times = tuple(key for key, (_, to_kmh) in RUNS_KMH.items() if not is_grip_known or to_kmh > sure_kmh)
    return times if figures.falls_from_kmh[0] <= sure_kmh else (*times, "falls_from_kmh")


def cloud_of(swept: Swept, *, keep: list[int]) -> Cloud:
    """Return the sweep as columns; ``keep`` and those that nothing beats are in it however long it is."""
    count = swept.sweep.plan.count
    rows = np.arange(count)
    if count > MOST_POINTS:
        thinned = np.linspace(0, count - 1, MOST_POINTS).round().astype(np.int64)
        rows = np.unique(np.concatenate([thinned, np.nonzero(swept.beaten < 0)[0], np.array(keep)]))
    figures = swept.figures
    return Cloud(
        options=tuple(Option(field=d.field, names=d.options) for d in swept.sweep.plan.dimensions),
        picks=swept.sweep.option_numbers(rows).tolist(),
        names=[pick_key(swept.sweep.pick(row)) for row in rows.tolist()],
        top_kmh=rounded(figures.top_kmh[rows], 4),
        s_0_50=[None if np.isnan(s) else s for s in np.round(figures.s_0_50[rows], 2).tolist()],
        cruise_rpm=rounded(figures.cruise_rpm[rows], 4),
        is_beaten=(swept.beaten[rows] >= 0).tolist(),
        does=swept.does[rows].tolist(),
    )


def climb_of(one: Gearing, brief: Brief) -> Climb | None:
    """Return the grade held at each speed; ``None`` while the laden mass is not known."""
    if brief.laden is None:
        return None
    speed_ms, peak, continuous = climb_curves_pct(one.gearings, one.motors, brief.laden)
    every = slice(None, None, 4)

    def figures(row: Floats) -> list[float | None]:
        return [None if np.isnan(pct) else pct for pct in row[every].round(2).tolist()]

    return Climb(
        speed_kmh=rounded(speed_ms[0, every] * KMH_PER_MS, 4),
        peak_pct=figures(peak[0]),
        continuous_pct=None if continuous is None else figures(continuous[0]),
    )


def _drawn(one: Gearing, speed_kmh: Floats) -> list[float | None]:
    """Peak torque at all driven wheels, over the speeds of the plot."""
    speed_ms, pulls = drive_table(one.gearings, one.motors)
    total_nm = sum(pulls[1:], pulls[0])[0] * radius_m(one.lanes[0].rolling)
    at_ms = speed_kmh / KMH_PER_MS
    torque_nm = rounded_array(np.interp(at_ms, speed_ms[0], total_nm), 4).tolist()
    sure_ms = min(speed_ms[0, -1], known_ms(one.gearings, [motor.peak_known_rpm for motor in one.motors])[0])
    in_reach = (at_ms <= sure_ms * (1 + 1e-9)).tolist()
    return [nm if ok else None for nm, ok in zip(torque_nm, in_reach, strict=True)]
