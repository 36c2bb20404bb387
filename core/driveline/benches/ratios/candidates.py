"""The candidates of a sweep as the screen takes them: some whole, all as columns."""

import math
from collections.abc import Sequence
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
from driveline.gearing.sweep import RUNS_KMH, Figures, TopSpeedBy, climb_curves_pct, drive_table, known_ms
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


def listed(figures: Figures, rows: Sequence[int]) -> list[dict[str, float]]:
    """Return the figures of some rows, by name: all are taken out of their arrays at once."""
    names = list(Figures.__dataclass_fields__)
    columns = np.stack([getattr(figures, name)[list(rows)] for name in names]).T.tolist()
    return [dict(zip(names, row, strict=True)) for row in columns]


def candidate_of(
    swept: Swept,
    row: int,
    one: Gearing,
    at: dict[str, float],
    wheel_nm: list[float | None],
    *,
    chosen: int | None,
    pinned: list[int],
) -> Candidate:
    """Return one way to gear it, whole: its figures as ``listed``, its torque over speed as ``drawn_nm`` gives it."""
    beaten = int(swept.beaten[row])
    rotor_kg = sum(
        float(equivalent_mass_kg(mass_kg=0.0, motor_inertia_kgm2=m.inertia_kgm2 or 0.0, rpm_per_ms=one.rpm_per_ms(k)))
        for k, m in enumerate(one.motors)
    )
    return Candidate(
        key=one.key,
        pick=one.pick,
        overall_ratio=one.lanes[0].chain.overall_ratio,
        top_kmh=at["top_kmh"],
        top_set_by=top_set_by(one, TopSpeedBy(int(at["top_by"]))),
        is_top_known=bool(at["is_able_known"]),
        not_known=_not_known(one, at),
        launch_wheel_nm=at["launch_n"] * radius_m(one.lanes[0].rolling),
        launch_held_by_tyres=at["launch_n"] > at["slip_n"],
        s_0_50=rounded_figure(at["s_0_50"]),
        s_0_100=rounded_figure(at["s_0_100"]),
        s_80_120=rounded_figure(at["s_80_120"]),
        s_0_30_mph=rounded_figure(at["s_0_30_mph"]),
        s_0_60_mph=rounded_figure(at["s_0_60_mph"]),
        hill_start_pct=rounded_figure(at["hill_start_pct"]),
        grade_at_50_pct=rounded_figure(at["grade_at_50_pct"]),
        cruise_rpm=at["cruise_rpm"],
        cruise_share=rounded_figure(at["cruise_share"]),
        falls_from_kmh=at["falls_from_kmh"],
        rotor_as_mass_kg=rotor_kg,
        tightest_rating=rounded_figure(float(swept.ratings[row]), 4),
        wheel_nm=wheel_nm,
        beaten_by=None if beaten < 0 else pick_key(swept.sweep.pick(beaten)),
        is_chosen=row == chosen,
        is_pinned=row in pinned,
    )


def _not_known(one: Gearing, at: dict[str, float]) -> tuple[str, ...]:
    """What hangs on a grip, a torque, a mass or a drag that nobody has stated."""
    is_whole = all(motor.peak_known_rpm >= motor.greatest_rpm for motor in one.motors)
    known_rpm = [motor.peak_known_rpm for motor in one.motors]
    sure_kmh = math.inf if is_whole else KMH_PER_MS * float(known_ms(one.gearings, known_rpm)[0])
    is_grip_known = not math.isnan(at["slip_n"])
    times = tuple(key for key, (_, to_kmh) in RUNS_KMH.items() if not is_grip_known or to_kmh > sure_kmh)
    unknown = [name for name in ("hill_start_pct", "grade_at_50_pct", "cruise_share") if math.isnan(at[name])]
    unknown += [] if at["is_able_known"] else ["top_kmh"]
    unknown += [] if at["falls_from_kmh"] <= sure_kmh else ["falls_from_kmh"]
    return *times, *unknown


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


def drawn_nm(
    swept: Swept, rows: Sequence[int], radii_m: Sequence[float], speed_kmh: Floats
) -> list[list[float | None]]:
    """Return peak torque at all driven wheels over the speeds of the plot, a list a row; ``None`` past what is known.

    Args:
        swept: The sweep.
        rows: Of it, those that are drawn.
        radii_m: Rolling radius of each.
        speed_kmh: Of the plot.
    """
    gearings = swept.sweep.gearings.rows(np.array(rows))
    speed_ms, pulls = drive_table(gearings, swept.motors)
    total_nm = sum(pulls[1:], pulls[0]) * np.array(radii_m)[:, None]
    at_ms = speed_kmh / KMH_PER_MS
    torque_nm = rounded_array(np.stack([np.interp(at_ms, *row) for row in zip(speed_ms, total_nm, strict=True)]), 4)
    known = known_ms(gearings, [motor.peak_known_rpm for motor in swept.motors])
    in_reach = at_ms <= np.minimum(speed_ms[:, -1], known)[:, None] * (1 + 1e-9)
    shown = torque_nm.astype(object)
    shown[~in_reach] = None
    return shown.tolist()  # type: ignore[no-any-return]
