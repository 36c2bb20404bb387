"""How long a sweep of many gearings takes, how it grows, and against a plain loop: ``python bench/ratios.py``."""

import statistics
import time
from collections.abc import Callable
from pathlib import Path

import numpy as np

from driveline.benches.brief.masses import Weights, solve_masses
from driveline.benches.brief.solve import solve_brief
from driveline.benches.ratios.gearing import Sweep, motors_of, road_of
from driveline.benches.ratios.lanes import plan_of
from driveline.benches.ratios.sheet import RatiosSheet, TyreOption
from driveline.benches.ratios.solve import solve_ratios
from driveline.gearing.brief import Brief
from driveline.gearing.sheets import Box, Gearbox
from driveline.gearing.sweep import road_figures
from driveline.job.file import JobFile, Sheets
from driveline.margins import Margins

WREN = Path(__file__).parents[1] / "server" / "jobs" / "demo" / "wren.fernback.json"
SIZES = ((10, 10, 10, 1), (10, 10, 10, 10), (20, 10, 20, 10))  # reductions and none, gears, final drives, tyres
LOOPED = 200
ROUNDS = 7


def boxes(count: int, least: float, greatest: float) -> list[Box]:
    return [
        Box.model_validate({"name": f"{ratio:.3f}", "ratio": {"text": f"{ratio:.3f}"}, "rating": {"text": "400 Nm"}})
        for ratio in np.linspace(least, greatest, count).tolist()
    ]


def sheet_of(reductions: int, gears: int, finals: int, tyres: int) -> RatiosSheet:
    return RatiosSheet(
        reductions=boxes(reductions - 1, 1.2, 2.8),
        gearbox=Gearbox(gears=boxes(gears, 0.8, 3.8)),
        final_drives=boxes(finals, 2.5, 5.1),
        tyres=[
            TyreOption.model_validate({"name": f"tyre {k}", "tyre": {"code": f"{165 + 10 * k}/70R14"}})
            for k in range(tyres - 1)
        ],
    )


def median_ms(run: Callable[[], object]) -> float:
    times = []
    for _ in range(ROUNDS):
        begin = time.perf_counter()
        run()
        times.append(1e3 * (time.perf_counter() - begin))
    return statistics.median(times)


def one_size(sheet: RatiosSheet, sheets: Sheets, brief: Brief, weights: Weights) -> tuple[int, float, float, float]:
    """Return how many ways, the whole bench's answer, the sweep alone, and a plain loop of it, ms."""
    if brief.motor is None or brief.rolling is None:
        raise SystemExit("the demo job lacks a motor or a tyre")
    plan = plan_of(sheet, brief, brief.rolling)
    sweep, road = Sweep(plan), road_of(brief)
    motors = motors_of(plan, brief, brief.motor)
    every = sweep.gearings
    some = np.linspace(0, plan.count - 1, LOOPED).astype(int)

    def loop() -> None:
        for row in some.tolist():
            road_figures(every.rows(slice(row, row + 1)), motors, road)

    answer_ms = median_ms(lambda: solve_ratios(sheet, sheets.brief, brief, weights, Margins(sheets.margins)))
    return plan.count, answer_ms, median_ms(lambda: road_figures(every, motors, road)), median_ms(loop) / LOOPED


def main() -> None:
    sheets = JobFile.model_validate_json(WREN.read_bytes()).sheets
    weights = solve_masses(sheets.masses, sheets.brief.vehicle, None)
    brief = solve_brief(sheets.brief, weights)
    print(f"{'ways':>7} {'answer ms':>10} {'sweep ms':>10} {'µs a way':>9} {'plain loop / sweep':>19}")
    for size in SIZES:
        count, answer_ms, sweep_ms, each_ms = one_size(sheet_of(*size), sheets, brief, weights)
        print(
            f"{count:7} {answer_ms:10.1f} {sweep_ms:10.1f} {1e3 * sweep_ms / count:9.2f} "
            f"{each_ms * count / sweep_ms:18.1f}×"
        )


if __name__ == "__main__":
    main()
