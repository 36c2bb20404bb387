"""The Ratios bench: every way to gear it side by side, and the checks of the one chosen."""

import math
from dataclasses import dataclass, replace
from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.benches.contract import LaidOut, Outcome, progress_of
from driveline.benches.ratios.as_it_was import solve_as_it_was
from driveline.benches.ratios.candidates import (
    Must,
    Swept,
    candidate_of,
    climb_of,
    cloud_of,
    drawn_nm,
    figures_of,
    listed,
)
from driveline.benches.ratios.casing import Casing, casing_of
from driveline.benches.ratios.checks import ON_NO_GEARING, not_laid_out, only_shown, ratio_checks
from driveline.benches.ratios.engaged import in_every_gear
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
from driveline.benches.ratios.lanes import plan_of
from driveline.benches.ratios.leaving import (
    CouplerLoad,
    LeavingTorque,
    ShaftAsked,
    coupler_load_of,
    gears_of,
    leaving_of,
    shafts_of,
    worst_coupler,
    worst_leaving,
    worst_shafts,
)
from driveline.benches.ratios.line import drive_of, stations_of
from driveline.benches.ratios.mend import alternatives_of, mend_of
from driveline.benches.ratios.needs import RatiosNeeds
from driveline.benches.ratios.queries import as_it_was_queries, ratio_queries
from driveline.benches.ratios.results import RatiosResult
from driveline.benches.ratios.safety import safety_checks
from driveline.benches.ratios.sheet import RatiosSheet
from driveline.benches.ratios.spreads import solve_spreads
from driveline.benches.ratios.standing import safety_view
from driveline.checks import Check
from driveline.figures import fig
from driveline.gearing.brief import Brief
from driveline.gearing.layouts import KEPT_BOX, OWN_FINAL_DRIVE, UNITS
from driveline.gearing.motor import Motor, PeakFigures
from driveline.gearing.pareto import beaten_by
from driveline.gearing.road import KMH_PER_MS, resistance_n
from driveline.gearing.stations import Drive, LineStation
from driveline.gearing.sweep import Figures, road_figures
from driveline.gearing.tyre import Rolling
from driveline.margins import Judge
from driveline.results import ToDo, rounded
from driveline.shafts.coupler import DYNAMIC_FACTOR, CouplerStyle

MOST_COMBINATIONS: Final = 40_000
MOST_DETAILED: Final = 16
PLOT_POINTS: Final = 81
DRAWN_PAST: Final = 1.15  # so that the end of every curve is seen


@dataclass(frozen=True, slots=True, kw_only=True)
class SolvedRatios:
    """What the benches behind the gearing take from it."""

    coupler: CouplerStyle | None
    casing: Casing
    coupler_load: CouplerLoad
    leaving: LeavingTorque
    shafts: tuple[ShaftAsked, ...]
    gears: tuple[tuple[str, float], ...]  # each gear's name, and its ratio over that of the chosen one
    gear: str  # that was chosen; empty where there is no choice


def run(sheet: RatiosSheet, _laid: LaidOut, needs: RatiosNeeds, judge: Judge) -> Outcome[SolvedRatios]:
    """Return every candidate, the stations of the chosen one (else the quickest that nothing beats), and its checks.

    While motor or tyre is missing, the checks stand there all the same, not known: what failed does not vanish.
    """
    to_do = _missing(sheet, needs)
    if any(one.field.startswith("ratios.") for one in to_do):
        missing = tuple(one.text.removesuffix(".") for one in to_do)
        return _outcome(
            sheet, needs, _Solved(result=_empty(sheet, needs, to_do), checks=(not_laid_out(missing, judge),))
        )
    if to_do:
        stood_in = _solved(sheet, replace(needs, brief=_stand_in(needs.brief)), judge)
        checks = tuple(_without_line(check, to_do) for check in stood_in.checks)
        result = _empty(sheet, needs, to_do).model_copy(update={"safety": stood_in.result.safety})
        return _outcome(sheet, needs, _Solved(result=result, checks=checks))
    return _outcome(sheet, needs, _solved(sheet, needs, judge))


@dataclass(frozen=True, slots=True, kw_only=True)
class _Solved:
    """A gearing as far as it goes."""

    result: RatiosResult
    checks: tuple[Check, ...]
    drive: Drive | None = None
    stations: tuple[LineStation, ...] = ()
    in_other_gears: tuple[tuple[LineStation, ...], ...] = ()  # that can be engaged


def _outcome(sheet: RatiosSheet, needs: RatiosNeeds, solved: _Solved) -> Outcome[SolvedRatios]:
    gears = gears_of(sheet.gearbox, solved.stations)
    # What is only shown until one is chosen is not what will be driven: nothing behind it is judged on it.
    in_gears = (solved.stations, *solved.in_other_gears) if solved.result.chosen is not None else ((),)
    return Outcome(
        solved=SolvedRatios(
            coupler=sheet.coupler,
            casing=casing_of(sheet, needs.brief),
            coupler_load=worst_coupler([coupler_load_of(one, needs.brief) for one in in_gears]),
            leaving=worst_leaving(
                [leaving_of(needs.brief.layout, one, with_transfer=sheet.transfer.in_one_casing) for one in in_gears]
            ),
            shafts=worst_shafts([shafts_of(one, needs.brief) for one in in_gears]),
            gears=gears,
            gear=next((name for name, share in gears if math.isclose(share, 1.0)), ""),
        ),
        show=lambda: solved.result,
        check=lambda: solved.checks,
        to_do=solved.result.to_do,
        progress=progress_of(is_begun=bool(solved.result.candidates), is_finished=solved.result.chosen is not None),
        stations=solved.stations,
        drive=solved.drive,
    )


def _stand_in(brief: Brief) -> Brief:
    """The brief with something where motor or tyre is missing, to lay the line out; nothing is judged on it."""
    motor = Motor(peak=PeakFigures(torque_nm=1.0), greatest_rpm=1000.0)
    rolling = Rolling(circumference_mm=2000.0, method="", u_mm=0.0)
    front_motor = brief.front_motor or (None if brief.is_front_known else motor)
    return replace(brief, motor=brief.motor or motor, front_motor=front_motor, rolling=brief.rolling or rolling)


def _without_line(check: Check, to_do: tuple[ToDo, ...]) -> Check:
    if check.key in ON_NO_GEARING or check.key.startswith("turning."):
        return check  # these hang on neither motor nor tyre
    return check.not_known(tuple(one.text.removesuffix(".") for one in to_do), to_do[0].text)


def _solved(sheet: RatiosSheet, needs: RatiosNeeds, judge: Judge) -> _Solved:
    brief = needs.brief
    if brief.motor is None or brief.rolling is None:
        return _Solved(result=_empty(sheet, needs, ()), checks=())
    plan = plan_of(sheet, brief, brief.rolling, needs.propshafts)
    if plan.count > MOST_COMBINATIONS:
        text = (
            f"{plan.count} combinations are more than the {MOST_COMBINATIONS} that are compared: leave some parts out."
        )
        to_do = (ToDo(field="ratios.reductions", text=text),)
        return _Solved(result=_empty(sheet, needs, to_do), checks=(not_laid_out((text,), judge),))
    swept, musts, not_judged = _swept(sheet, Sweep(plan), brief, brief.motor, judge)
    chosen = None if sheet.choice is None else swept.sweep.row_of(sheet.choice)
    shown = chosen if chosen is not None else _quickest(swept, brief.wanted_top_kmh)
    one = swept.sweep.gearing(shown, swept.motors)
    in_gear = in_every_gear(swept, one, sheet)
    figures = figures_of(swept.figures, shown)
    is_chosen = chosen is not None
    drive = drive_of(one, figures, brief, is_chosen=is_chosen)
    stations = {gearing.key: stations_of(gearing, brief, sheet.coupler) for gearing in (*in_gear, one)}
    checks = ratio_checks(one, in_gear, stations, figures, drive, brief, sheet, judge, is_chosen=is_chosen)
    checks += safety_checks(one, in_gear, needs, sheet, judge)
    return _Solved(
        result=_result(swept, musts, not_judged, sheet, needs, chosen, shown, one),
        checks=checks if is_chosen else tuple(only_shown(check) for check in checks),
        drive=drive,
        stations=stations[one.key],
        in_other_gears=tuple(found for key, found in stations.items() if key != one.key),
    )


def _missing(sheet: RatiosSheet, needs: RatiosNeeds) -> tuple[ToDo, ...]:
    brief, layout = needs.brief, needs.brief.layout
    wanted = [
        (brief.motor is not None, "brief.motor", needs.motor_wanted),
        (brief.is_front_known, "brief.front_motor", "Give the front unit's torque and top speed in the Brief."),
        (brief.rolling is not None, "brief.tyre", "Give the driven tyre in the Brief."),
        (
            layout not in KEPT_BOX or bool(sheet.gearbox and sheet.gearbox.gears),
            "ratios.gearbox.gears",
            "Enter the gears of the kept gearbox.",
        ),
        (
            layout not in UNITS or bool(sheet.reductions),
            "ratios.reductions",
            "Enter the drive unit's own reduction.",
        ),
        (
            layout not in OWN_FINAL_DRIVE or bool(sheet.final_drives),
            "ratios.final_drives",
            "Enter the final drive: teeth as 37/9, or its ratio.",
        ),
    ]
    return tuple(ToDo(field=field, text=text) for is_there, field, text in wanted if not is_there)


def _empty(sheet: RatiosSheet, needs: RatiosNeeds, to_do: tuple[ToDo, ...]) -> RatiosResult:
    brief = needs.brief
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
        queries=tuple(ratio_queries(sheet, brief.layout, brief.driven)),
        safety=safety_view(None, needs, sheet),
        to_do=to_do,
    )


def _swept(
    sheet: RatiosSheet, sweep: Sweep, brief: Brief, motor: Motor, judge: Judge
) -> tuple[Swept, tuple[Must, ...], tuple[str, ...]]:
    motors = motors_of(sweep.plan, brief, motor)
    figures = road_figures(sweep.gearings, motors, road_of(brief))
    ratings = rating_shares(sweep, brief, motors, DYNAMIC_FACTOR[sheet.coupler or CouplerStyle.RIGID])
    asked, not_judged = _musts(figures, ratings, brief, judge)
    does = sum(
        (np.asarray(ok, dtype=np.int64) << k for k, (_, _, ok) in enumerate(asked)), np.zeros(len(ratings), np.int64)
    )
    swept = Swept(
        sweep=sweep, motors=motors, figures=figures, ratings=ratings, beaten=beaten_by(_qualities(figures)), does=does
    )
    musts = tuple(Must(key=key, text=text, count=int(np.count_nonzero(ok))) for key, text, ok in asked)
    return swept, musts, tuple(not_judged)


def _musts(
    figures: Figures, ratings: Floats, brief: Brief, judge: Judge
) -> tuple[list[tuple[str, str, NDArray[np.bool_]]], list[str]]:
    """Key, words, and which rows do it; and the words of what can't be judged yet."""
    found, not_judged = [], []
    if brief.wanted_top_kmh is not None:
        asked = brief.wanted_top_kmh * judge.margins.wanted("wanted_performance")
        words = f"reach {fig(brief.wanted_top_kmh, 'km/h', 0)}"
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
            f"keep up {fig(brief.cruise_kmh, 'km/h', 0)} for good",
            figures.cruise_share if brief.is_battery_known else np.array([np.nan]),
            figures.cruise_share <= 1,
        ),
    ):
        if np.isfinite(values).any():
            found.append((key, words, does))
        else:
            not_judged.append(words)
    if np.isfinite(ratings).any():
        found.append(("rating", "keep every known rating", ratings >= judge.margins.wanted("maker_rating")))
    return found, not_judged


def _qualities(figures: Figures) -> Floats:
    """Launch, top speed and slow cruise, more is better; what never reaches 50 km/h ranks last, by its pull."""
    launch = np.where(np.isnan(figures.s_0_50), np.nan_to_num(figures.launch_n) - 1e9, -figures.s_0_50)
    return np.column_stack([launch, figures.top_kmh, -figures.cruise_rpm]).round(3)


def _quickest(swept: Swept, wanted_kmh: float | None) -> int:
    """The row shown while none is chosen: of those that nothing beats, the one that does most of what it must.

    One that can't reach the wanted speed at best is not shown where another may.
    """
    unbeaten = np.nonzero(swept.beaten < 0)[0]
    done = np.array([int(bits).bit_count() for bits in swept.does[unbeaten].tolist()])
    best = unbeaten[done == done.max()]
    may = swept.figures.top_kmh[best] >= (wanted_kmh or 0.0)
    best = best[may] if may.any() else best
    return int(best[np.argmax(_qualities(swept.figures)[best, 0])])


def _result(
    swept: Swept,
    musts: tuple[Must, ...],
    not_judged: tuple[str, ...],
    sheet: RatiosSheet,
    needs: RatiosNeeds,
    chosen: int | None,
    shown: int,
    one: Gearing,
) -> RatiosResult:
    brief, rolling = needs.brief, one.lanes[0].rolling
    pinned = [row for pick in sheet.compared if (row := swept.sweep.row_of(pick)) is not None]
    unbeaten = np.nonzero(swept.beaten < 0)[0]
    beaten = np.nonzero(swept.beaten >= 0)[0]
    in_turn = (*_spread_out(unbeaten, swept.figures).tolist(), *beaten[:MOST_DETAILED].tolist())
    rows = list(dict.fromkeys([shown, *pinned, *in_turn]))[:MOST_DETAILED]
    gearings = {row: swept.sweep.gearing(row, swept.motors) for row in rows}
    greatest_kmh = max(each.greatest_kmh for each in gearings.values()) * DRAWN_PAST
    speed_kmh = np.linspace(0, greatest_kmh, PLOT_POINTS)
    drawn = drawn_nm(swept, rows, [radius_m(one.lanes[0].rolling) for one in gearings.values()], speed_kmh)
    slip_n = float(swept.figures.slip_n[shown])
    was = solve_as_it_was(needs.was, sheet, brief, needs.was_mass_kg, rolling, speed_kmh)
    queries = ratio_queries(sheet, brief.layout, brief.driven)
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
            candidate_of(swept, row, gearings[row], at, wheel_nm, chosen=chosen, pinned=pinned)
            for row, at, wheel_nm in zip(rows, listed(swept.figures, rows), drawn, strict=True)
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
        spreads=solve_spreads(one, brief, needs.measured),
        mend=mend_of(swept.sweep, shown, swept.does, swept.beaten, swept.figures, musts_count=len(musts), brief=brief),
        alternatives=()  # who knows what another does that is not known of this one
        if not_judged
        else alternatives_of(swept.sweep, shown, swept.does, swept.figures, musts_count=len(musts)),
        queries=tuple(queries),
        safety=safety_view(one, needs, sheet),
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
