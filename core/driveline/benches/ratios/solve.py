"""The Ratios bench: every way to gear it side by side, and the checks of the one chosen."""

from dataclasses import replace
from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.benches.brief.masses import Weights
from driveline.benches.brief.sheet import BriefSheet
from driveline.benches.ratios.as_it_was import WasResult, solve_as_it_was
from driveline.benches.ratios.candidates import (
    Candidate,
    Climb,
    Cloud,
    Must,
    Swept,
    candidate_of,
    climb_of,
    cloud_of,
    figures_of,
)
from driveline.benches.ratios.checks import not_laid_out, ratio_checks
from driveline.benches.ratios.gearing import (
    Gearing,
    Sweep,
    motors_of,
    peak_nm,
    pick_key,
    radius_m,
    rating_shares,
    road_of,
)
from driveline.benches.ratios.lanes import UNIT_LAYOUTS, plan_of
from driveline.benches.ratios.line import Line, solve_line
from driveline.benches.ratios.mend import Alternative, Mend, alternatives_of, mend_of
from driveline.benches.ratios.queries import as_it_was_queries, ratio_queries
from driveline.benches.ratios.safety import safety_checks
from driveline.benches.ratios.sheet import RatiosSheet
from driveline.benches.ratios.spreads import SpreadsResult, solve_spreads
from driveline.checks import Check, Result
from driveline.gearing.brief import Brief
from driveline.gearing.motor import Motor, PeakFigures
from driveline.gearing.pareto import beaten_by
from driveline.gearing.road import KMH_PER_MS, resistance_n
from driveline.gearing.sheets import GearUse, Layout
from driveline.gearing.sweep import Figures, road_figures
from driveline.gearing.tyre import Rolling
from driveline.margins import Margins
from driveline.results import ToDo, rounded
from driveline.shafts.coupler import DYNAMIC_FACTOR, CouplerStyle

MOST_COMBINATIONS: Final = 40_000
MOST_DETAILED: Final = 16
PLOT_POINTS: Final = 81
ESSENTIAL: Final = ("brief.motor.peak_torque", "brief.motor.greatest_rpm")  # without them there is no line
DRAWN_PAST: Final = 1.15  # so that the end of every curve is seen


class RatiosResult(Result):
    """The candidates, with what they are drawn against."""

    count: int
    unbeaten: int
    candidates: tuple[Candidate, ...]  # chosen, pinned, those that nothing beats, others: as many as are shown whole
    cloud: Cloud | None
    musts: tuple[Must, ...]
    not_judged: tuple[str, ...]  # what it must do besides, for which a figure is still missing
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


def solve_ratios(
    sheet: RatiosSheet, brief_sheet: BriefSheet, brief: Brief, weights: Weights, margins: Margins
) -> tuple[RatiosResult, Line | None, tuple[Check, ...]]:
    """Return every candidate, the Line of the chosen one (else the quickest that nothing beats), and its checks.

    While motor or tyre is missing, the checks stand there all the same, not known: what failed does not vanish.
    """
    to_do = _missing(sheet, brief)
    if any(one.field.startswith("ratios.") for one in to_do):
        missing = tuple(one.text.removesuffix(".") for one in to_do)
        return _empty(brief, to_do, ratio_queries(sheet, brief.layout)), None, (not_laid_out(missing, margins),)
    if to_do:
        checks = _solved(sheet, brief_sheet, _stand_in(brief), weights, margins)[2]
        empty = _empty(brief, to_do, ratio_queries(sheet, brief.layout))
        return empty, None, tuple(_without_line(check, to_do) for check in checks)
    return _solved(sheet, brief_sheet, brief, weights, margins)


def _stand_in(brief: Brief) -> Brief:
    """The brief with something where motor or tyre is missing, to lay the line out; nothing is judged on it."""
    motor = Motor(peak=PeakFigures(torque_nm=1.0), greatest_rpm=1000.0)
    rolling = Rolling(circumference_mm=2000.0, method="", u_mm=0.0)
    front_motor = brief.front_motor or (None if brief.is_front_known else motor)
    return replace(brief, motor=brief.motor or motor, front_motor=front_motor, rolling=brief.rolling or rolling)


def _without_line(check: Check, to_do: tuple[ToDo, ...]) -> Check:
    if check.key in ("parked.handbrake", "split.hubs") or check.key.startswith("turning."):
        return check  # these hang on neither motor nor tyre
    return check.not_known(tuple(one.text.removesuffix(".") for one in to_do), to_do[0].text)


def _solved(
    sheet: RatiosSheet, brief_sheet: BriefSheet, brief: Brief, weights: Weights, margins: Margins
) -> tuple[RatiosResult, Line | None, tuple[Check, ...]]:
    if brief.motor is None or brief.rolling is None:
        return _empty(brief, (), []), None, ()
    plan = plan_of(sheet, brief, brief.rolling)
    if plan.count > MOST_COMBINATIONS:
        text = (
            f"{plan.count} combinations are more than the {MOST_COMBINATIONS} that are compared: leave some parts out."
        )
        to_do = (ToDo(field="ratios.reductions", text=text),)
        return _empty(brief, to_do, []), None, (not_laid_out((text,), margins),)
    swept, musts, not_judged = _swept(sheet, Sweep(plan), brief, brief.motor, margins)
    chosen = None if sheet.choice is None else swept.sweep.row_of(sheet.choice)
    shown = chosen if chosen is not None else _quickest(swept)
    one = swept.sweep.gearing(shown, swept.motors)
    in_gear = _in_gear(swept, one, sheet)
    figures = figures_of(swept.figures, shown)
    is_chosen = chosen is not None
    line = solve_line(one, figures, brief, coupler=sheet.coupler, is_chosen=is_chosen)
    result = _result(swept, musts, not_judged, sheet, brief_sheet, brief, weights, chosen, shown, one)
    checks = ratio_checks(one, in_gear, figures, line, brief, sheet, margins, is_chosen=is_chosen)
    checks += safety_checks(one, in_gear, line, brief, brief_sheet, sheet, margins)
    return result, line, checks


def _in_gear(swept: Swept, one: Gearing, sheet: RatiosSheet) -> tuple[Gearing, ...]:
    """The gearing in every gear that can be engaged: all of them, unless the box is left in one."""
    gears = sheet.gearbox.gears if sheet.gearbox and one.pick.gear is not None else []
    if len(gears) < 2 or (sheet.gearbox and sheet.gearbox.use is GearUse.LEFT_IN_ONE):
        return (one,)
    picks = [one.pick.model_copy(update={"gear": gear.name}) for gear in gears]
    rows = dict.fromkeys(row for pick in picks if (row := swept.sweep.row_of(pick)) is not None)
    return tuple(swept.sweep.gearing(row, swept.motors) for row in rows)


def _missing(sheet: RatiosSheet, brief: Brief) -> tuple[ToDo, ...]:
    layout = brief.layout
    motor = next((one.text for one in brief.result.to_do if one.field in ESSENTIAL), "")
    needs = [
        (brief.motor is not None, "brief.motor", motor),
        (brief.is_front_known, "brief.front_motor", "Give the front unit's torque and top speed in the Brief."),
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
        not_judged=(),
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
) -> tuple[Swept, tuple[Must, ...], tuple[str, ...]]:
    motors = motors_of(sweep.plan, brief, motor)
    figures = road_figures(sweep.gearings, motors, road_of(brief))
    ratings = rating_shares(sweep, brief, motors, DYNAMIC_FACTOR[sheet.coupler or CouplerStyle.RIGID])
    asked, not_judged = _musts(figures, ratings, brief, margins)
    does = sum(
        (np.asarray(ok, dtype=np.int64) << k for k, (_, _, ok) in enumerate(asked)), np.zeros(len(ratings), np.int64)
    )
    swept = Swept(
        sweep=sweep, motors=motors, figures=figures, ratings=ratings, beaten=beaten_by(_qualities(figures)), does=does
    )
    musts = tuple(Must(key=key, text=text, count=int(np.count_nonzero(ok))) for key, text, ok in asked)
    return swept, musts, tuple(not_judged)


def _musts(
    figures: Figures, ratings: Floats, brief: Brief, margins: Margins
) -> tuple[list[tuple[str, str, NDArray[np.bool_]]], list[str]]:
    """Key, words, and which rows do it; and the words of what can't be judged yet."""
    found, not_judged = [], []
    if brief.wanted_top_kmh is not None:
        asked = brief.wanted_top_kmh * margins.wanted("wanted_performance")
        words = f"reach {brief.wanted_top_kmh:.0f} km/h"
        is_judged = figures.is_able_known & brief.is_battery_known | (figures.top_kmh < asked)
        if is_judged.all():
            found.append(("speed", words, figures.top_kmh >= asked))
        else:
            not_judged.append(words)
    for key, words, values, does in (
        (
            "grade",
            f"start laden on {brief.hill_start_pct:g} %",
            figures.hill_start_pct,
            figures.hill_start_pct >= brief.hill_start_pct,
        ),
        (
            "cruise",
            f"keep up {brief.cruise_kmh:.0f} km/h for good",
            figures.cruise_share if brief.is_battery_known else np.array([np.nan]),
            figures.cruise_share <= 1,
        ),
    ):
        if np.isfinite(values).any():
            found.append((key, words, does))
        else:
            not_judged.append(words)
    if np.isfinite(ratings).any():
        found.append(("rating", "keep every known rating", ratings >= margins.wanted("maker_rating")))
    return found, not_judged


def _qualities(figures: Figures) -> Floats:
    """Launch, top speed and slow cruise, more is better; what never reaches 50 km/h ranks last, by its pull."""
    launch = np.where(np.isnan(figures.s_0_50), np.nan_to_num(figures.launch_n) - 1e9, -figures.s_0_50)
    return np.column_stack([launch, figures.top_kmh, -figures.cruise_rpm]).round(3)


def _quickest(swept: Swept) -> int:
    """The row shown while none is chosen: of those that nothing beats, the one that does most of what it must."""
    unbeaten = np.nonzero(swept.beaten < 0)[0]
    done = np.array([int(bits).bit_count() for bits in swept.does[unbeaten].tolist()])
    best = unbeaten[done == done.max()]
    return int(best[np.argmax(_qualities(swept.figures)[best, 0])])


def _result(
    swept: Swept,
    musts: tuple[Must, ...],
    not_judged: tuple[str, ...],
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
            candidate_of(swept, row, gearings[row], speed_kmh, chosen=chosen, pinned=pinned) for row in rows
        ),
        cloud=cloud_of(swept, keep=rows),
        musts=musts,
        not_judged=not_judged,
        speed_kmh=rounded(speed_kmh),
        resistance_nm=_resistance_nm(brief, rolling, speed_kmh, 0.0, laden=False),
        hill_resistance_nm=_resistance_nm(brief, rolling, speed_kmh, brief.hill_start_pct, laden=True),
        slip_nm=None if np.isnan(slip_n) else slip_n * radius_m(rolling),
        cruise_kmh=brief.cruise_kmh,
        wanted_top_kmh=brief.wanted_top_kmh,
        chosen=None if chosen is None else pick_key(swept.sweep.pick(chosen)),
        reason=sheet.choice.reason if sheet.choice and chosen is not None else "",
        climb=climb_of(one, brief),
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


def _resistance_nm(
    brief: Brief, rolling: Rolling, speed_kmh: Floats, grade_pct: float, *, laden: bool
) -> list[float] | None:
    body = brief.laden if laden else brief.kerb
    return (
        None if body is None else rounded(resistance_n(body, speed_kmh / KMH_PER_MS, grade_pct) * radius_m(rolling), 4)
    )
