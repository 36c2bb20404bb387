"""The Ratios bench: every way to gear it side by side, and the checks of the one chosen."""

from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.benches.as_it_was import WasResult, solve_as_it_was
from driveline.benches.brief import Brief
from driveline.benches.common import Margins, ToDo, rounded, rounded_array, rounded_figure
from driveline.benches.gearing import Gearing, Sweep, motors_of, peak_nm, pick_key, radius_m, rating_shares, road_of
from driveline.benches.lanes import UNIT_LAYOUTS, plan_of
from driveline.benches.line import Line, solve_line, top_set_by
from driveline.benches.masses import Weights
from driveline.benches.mend import Alternative, Mend, alternatives_of, mend_of
from driveline.benches.queries import as_it_was_queries, ratio_queries
from driveline.benches.ratio_checks import ratio_checks
from driveline.benches.safety_checks import safety_checks
from driveline.benches.spreads import SpreadsResult, solve_spreads
from driveline.chain import Floats
from driveline.checks import Check, Result
from driveline.design import DYNAMIC_FACTOR
from driveline.motor import Motor
from driveline.pareto import beaten_by
from driveline.road import KMH_PER_MS, equivalent_mass_kg, resistance_n
from driveline.sheets.brief import BriefSheet, Layout
from driveline.sheets.ratios import CouplerStyle, Pick, RatiosSheet
from driveline.sweep import Figures, climb_curves_pct, drive_table, road_figures
from driveline.tyre import Rolling

MOST_COMBINATIONS: Final = 50_000
MOST_DETAILED: Final = 16
MOST_POINTS: Final = 2000
PLOT_POINTS: Final = 81
DRAWN_PAST: Final = 1.15  # so that the end of every curve is seen


class Candidate(Result):
    """One way to gear the vehicle, and what it gives and costs."""

    key: str
    pick: Pick
    overall_ratio: float  # of the rear or only lane
    top_kmh: float
    top_set_by: str
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
    wheel_nm: list[float | None]  # over RatiosResult.speed_kmh; None past the motor's top speed
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


class RatiosResult(Result):
    """The candidates, with what they are drawn against."""

    count: int
    unbeaten: int
    candidates: tuple[Candidate, ...]  # chosen, pinned, those that nothing beats, others: as many as are shown whole
    cloud: Cloud | None
    musts: tuple[Must, ...]
    speed_kmh: list[float]
    resistance_nm: list[float] | None
    hill_resistance_nm: list[float] | None
    slip_nm: float | None
    cruise_kmh: float
    wanted_top_kmh: float | None
    chosen: str | None
    reason: str
    climb: Climb | None
    was: WasResult | None
    spreads: SpreadsResult | None
    mend: Mend | None
    alternatives: tuple[Alternative, ...]
    queries: tuple[str, ...]
    to_do: tuple[ToDo, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class _Swept:
    """The whole sweep with what it comes to."""

    sweep: Sweep
    motors: tuple[Motor, ...]
    figures: Figures
    ratings: Floats
    beaten: NDArray[np.int64]
    does: NDArray[np.int64]


def solve_ratios(
    sheet: RatiosSheet, brief_sheet: BriefSheet, brief: Brief, weights: Weights, margins: Margins
) -> tuple[RatiosResult, Line | None, tuple[Check, ...]]:
    """Return every candidate, the Line of the chosen one (else the quickest that nothing beats), and its checks."""
    to_do = _missing(sheet, brief)
    if to_do or brief.motor is None or brief.rolling is None:
        return _empty(brief, to_do, ratio_queries(sheet, brief.layout)), None, ()
    plan = plan_of(sheet, brief, brief.rolling)
    if plan.count > MOST_COMBINATIONS:
        text = (
            f"{plan.count} combinations are more than the {MOST_COMBINATIONS} that are compared: leave some parts out."
        )
        return _empty(brief, (ToDo(field="ratios.reductions", text=text),), []), None, ()
    swept, musts = _swept(sheet, Sweep(plan), brief, brief.motor, margins)
    chosen = None if sheet.choice is None else swept.sweep.row_of(sheet.choice)
    shown = chosen if chosen is not None else _quickest(swept)
    one = swept.sweep.gearing(shown, swept.motors)
    figures = _row(swept.figures, shown)
    is_chosen = chosen is not None
    line = solve_line(one, figures, brief, coupler=sheet.coupler, is_chosen=is_chosen)
    result = _result(swept, musts, sheet, brief_sheet, brief, weights, chosen, shown, one)
    checks = ratio_checks(one, figures, line, brief, sheet, margins, is_chosen=is_chosen)
    checks += safety_checks(one, line, brief, brief_sheet, sheet, margins)
    return result, line, checks


def _missing(sheet: RatiosSheet, brief: Brief) -> tuple[ToDo, ...]:
    layout = brief.layout
    needs = [
        (brief.motor is not None, "brief.motor", "Give the motor's torque and top speed in the Brief."),
        (brief.rolling is not None, "brief.tyre", "Give the driven tyre in the Brief."),
        (
            layout is not Layout.KEPT_GEARBOX or bool(sheet.gearbox and sheet.gearbox.gears),
            "ratios.gearbox.gears",
            "Enter the gears of the kept gearbox.",
        ),
        (
            layout not in UNIT_LAYOUTS or bool(sheet.reductions),
            "ratios.reductions",
            "Enter the drive unit's own reduction.",
        ),
        (
            layout in (Layout.AXLE_UNIT, Layout.TWO_UNITS) or bool(sheet.final_drives),
            "ratios.final_drives",
            "Enter the final drive: teeth as 37/9, or its ratio.",
        ),
    ]
    return tuple(ToDo(field=field, text=text) for is_there, field, text in needs if not is_there)


def _empty(brief: Brief, to_do: tuple[ToDo, ...], queries: list[str]) -> RatiosResult:
    return RatiosResult(
        count=0,
        unbeaten=0,
        candidates=(),
        cloud=None,
        musts=(),
        speed_kmh=[],
        resistance_nm=None,
        hill_resistance_nm=None,
        slip_nm=None,
        cruise_kmh=brief.cruise_kmh,
        wanted_top_kmh=brief.wanted_top_kmh,
        chosen=None,
        reason="",
        climb=None,
        was=None,
        spreads=None,
        mend=None,
        alternatives=(),
        queries=tuple(queries),
        to_do=to_do,
    )


def _swept(
    sheet: RatiosSheet, sweep: Sweep, brief: Brief, motor: Motor, margins: Margins
) -> tuple[_Swept, tuple[Must, ...]]:
    motors = motors_of(sweep.plan, brief, motor)
    figures = road_figures(sweep.gearings, motors, road_of(brief))
    ratings = rating_shares(sweep, brief, motors, DYNAMIC_FACTOR[sheet.coupler or CouplerStyle.RIGID])
    asked = _musts(figures, ratings, brief, margins)
    does = sum(
        (np.asarray(ok, dtype=np.int64) << k for k, (_, _, ok) in enumerate(asked)), np.zeros(len(ratings), np.int64)
    )
    swept = _Swept(
        sweep=sweep, motors=motors, figures=figures, ratings=ratings, beaten=beaten_by(_qualities(figures)), does=does
    )
    musts = tuple(Must(key=key, text=text, count=int(np.count_nonzero(ok))) for key, text, ok in asked)
    return swept, musts


def _musts(
    figures: Figures, ratings: Floats, brief: Brief, margins: Margins
) -> list[tuple[str, str, NDArray[np.bool_]]]:
    """Key, words, and which rows do it."""
    found = []
    if brief.wanted_top_kmh is not None:
        ok = figures.top_kmh >= brief.wanted_top_kmh * margins.wanted("wanted_performance")
        found.append(("speed", f"reach {brief.wanted_top_kmh:.0f} km/h", ok))
    if brief.laden is not None:
        ok = figures.hill_start_pct >= brief.hill_start_pct
        found.append(("grade", f"start laden on {brief.hill_start_pct:g} %", ok))
    if np.isfinite(figures.cruise_share).any():
        found.append(("cruise", f"keep up {brief.cruise_kmh:.0f} km/h for good", figures.cruise_share <= 1))
    if np.isfinite(ratings).any():
        found.append(("rating", "keep every known rating", ratings >= margins.wanted("maker_rating")))
    return found


def _qualities(figures: Figures) -> Floats:
    """Launch, top speed and slow cruise, more is better; what never reaches 50 km/h ranks last, by its pull."""
    launch = np.where(np.isnan(figures.s_0_50), np.nan_to_num(figures.launch_n) - 1e9, -figures.s_0_50)
    return np.column_stack([launch, figures.top_kmh, -figures.cruise_rpm]).round(3)


def _quickest(swept: _Swept) -> int:
    """The row shown while none is chosen: of those that nothing beats, the one that does most of what it must."""
    unbeaten = np.nonzero(swept.beaten < 0)[0]
    done = np.array([int(bits).bit_count() for bits in swept.does[unbeaten].tolist()])
    best = unbeaten[done == done.max()]
    return int(best[np.argmax(_qualities(swept.figures)[best, 0])])


def _row(figures: Figures, row: int) -> Figures:
    return Figures(**{name: getattr(figures, name)[row : row + 1] for name in Figures.__dataclass_fields__})


def _result(
    swept: _Swept,
    musts: tuple[Must, ...],
    sheet: RatiosSheet,
    brief_sheet: BriefSheet,
    brief: Brief,
    weights: Weights,
    chosen: int | None,
    shown: int,
    one: Gearing,
) -> RatiosResult:
    rolling = one.lanes[0].rolling
    pinned = [row for pick in sheet.compared if (row := swept.sweep.row_of(pick)) is not None]
    unbeaten = np.nonzero(swept.beaten < 0)[0]
    beaten = np.nonzero(swept.beaten >= 0)[0]
    in_turn = (*_spread_out(unbeaten, swept.figures).tolist(), *beaten[:MOST_DETAILED].tolist())
    rows = list(dict.fromkeys([shown, *pinned, *in_turn]))[:MOST_DETAILED]
    gearings = {row: swept.sweep.gearing(row, swept.motors) for row in rows}
    greatest_kmh = max(each.greatest_kmh for each in gearings.values()) * DRAWN_PAST
    speed_kmh = np.linspace(0, greatest_kmh, PLOT_POINTS)
    slip_n = float(swept.figures.slip_n[shown])
    was = solve_as_it_was(brief_sheet.was, sheet, brief, weights, rolling, speed_kmh)
    queries = ratio_queries(sheet, brief.layout)
    if was:
        queries += as_it_was_queries(
            wanted_kmh=brief.wanted_top_kmh,
            was_top_kmh=was.top_kmh,
            motor_nm=(peak_nm(one.motors[0]), float(swept.figures.launch_n[shown]) * radius_m(rolling)),
            engine_nm=(was.crank_nm, was.launch_wheel_nm),
        )
    return RatiosResult(
        count=swept.sweep.plan.count,
        unbeaten=len(unbeaten),
        candidates=tuple(
            _candidate(swept, row, gearings[row], speed_kmh, chosen=chosen, pinned=pinned) for row in rows
        ),
        cloud=_cloud(swept, keep=rows),
        musts=musts,
        speed_kmh=rounded(speed_kmh),
        resistance_nm=_resistance_nm(brief, rolling, speed_kmh, 0.0, laden=False),
        hill_resistance_nm=_resistance_nm(brief, rolling, speed_kmh, brief.hill_start_pct, laden=True),
        slip_nm=None if np.isnan(slip_n) else slip_n * radius_m(rolling),
        cruise_kmh=brief.cruise_kmh,
        wanted_top_kmh=brief.wanted_top_kmh,
        chosen=None if chosen is None else pick_key(swept.sweep.pick(chosen)),
        reason=sheet.choice.reason if sheet.choice and chosen is not None else "",
        climb=_climb(one, brief),
        was=was,
        spreads=solve_spreads(one, brief, brief_sheet),
        mend=mend_of(swept.sweep, shown, swept.does, swept.beaten, swept.figures, musts_count=len(musts), brief=brief),
        alternatives=alternatives_of(swept.sweep, shown, swept.does, swept.figures, musts_count=len(musts)),
        queries=tuple(queries),
        to_do=() if chosen is not None else (ToDo(field="ratios.choice", text="Choose a gearing, and say why."),),
    )


def _spread_out(rows: NDArray[np.int64], figures: Figures) -> NDArray[np.int64]:
    """As many rows as are shown whole, evenly from the fastest to the quickest."""
    order = rows[np.argsort(-figures.top_kmh[rows], kind="stable")]
    if len(order) <= MOST_DETAILED:
        return order
    picked: NDArray[np.int64] = order[np.linspace(0, len(order) - 1, MOST_DETAILED).round().astype(int)]
    return picked


def _candidate(
    swept: _Swept, row: int, one: Gearing, speed_kmh: Floats, *, chosen: int | None, pinned: list[int]
) -> Candidate:
    figures = _row(swept.figures, row)
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


def _cloud(swept: _Swept, *, keep: list[int]) -> Cloud:
    count = swept.sweep.plan.count
    rows = np.arange(count)
    if count > MOST_POINTS:
        thinned = np.linspace(0, count - 1, MOST_POINTS).round().astype(np.int64)
        rows = np.unique(np.concatenate([thinned, np.nonzero(swept.beaten < 0)[0], np.array(keep)]))
    figures = swept.figures
    return Cloud(
        options=tuple(Option(field=d.field, names=d.options) for d in swept.sweep.plan.dimensions),
        picks=swept.sweep.option_numbers(rows).tolist(),
        top_kmh=rounded(figures.top_kmh[rows], 4),
        s_0_50=[None if np.isnan(s) else s for s in np.round(figures.s_0_50[rows], 2).tolist()],
        cruise_rpm=rounded(figures.cruise_rpm[rows], 4),
        is_beaten=(swept.beaten[rows] >= 0).tolist(),
        does=swept.does[rows].tolist(),
    )


def _climb(one: Gearing, brief: Brief) -> Climb | None:
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
    in_reach = (at_ms <= speed_ms[0, -1] * (1 + 1e-9)).tolist()
    return [nm if ok else None for nm, ok in zip(torque_nm, in_reach, strict=True)]


def _resistance_nm(
    brief: Brief, rolling: Rolling, speed_kmh: Floats, grade_pct: float, *, laden: bool
) -> list[float] | None:
    body = brief.laden if laden else brief.kerb
    return (
        None if body is None else rounded(resistance_n(body, speed_kmh / KMH_PER_MS, grade_pct) * radius_m(rolling), 4)
    )
