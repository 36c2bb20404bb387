"""How long a sweep of many gearings takes, how it grows, and against Python floats: ``python bench/ratios.py``."""

import gc
import statistics
import time
from collections.abc import Callable
from pathlib import Path

import numpy as np

from driveline.benches.ratios.gearing import Sweep, motors_of, road_of
from driveline.benches.ratios.lanes import plan_of
from driveline.benches.ratios.sheet import RatiosSheet, TyreOption
from driveline.gearing.brief import Brief
from driveline.gearing.motor import Motor
from driveline.gearing.sheets import Box, Gearbox
from driveline.gearing.sweep import Figures, Gearings, Road, road_figures
from driveline.job.file import REGISTRY, JobFile
from driveline.memory import forget_everything
from plain_road import Way, plain_figures

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
    gc.collect()
    for _ in range(ROUNDS):
        forget_everything()
        begin = time.process_time()
        run()
        times.append(1e3 * (time.process_time() - begin))
    return statistics.median(times)


def plain_ms(every: Gearings, motor: Motor, road: Road, swept: Figures) -> float:
    """Return the plain loop's time a way, ms, having seen that it says what the sweep says."""
    front = np.broadcast_to(np.ravel(every.front_pull.least), len(every.shaft_limit_ms))
    rows = np.linspace(0, len(front) - 1, LOOPED).astype(int).tolist()
    columns = (every.rpm_per_ms[:, 0], every.pull_per_nm[:, 0], front, every.shaft_limit_ms)
    ways = [Way(*(float(column[k]) for column in columns)) for k in rows]
    for row, way in zip(rows, ways, strict=True):
        for name, value in plain_figures(way, motor, road).items():
            found = float(getattr(swept, name)[row])
            if not np.isclose(value, found, rtol=1e-9, atol=1e-12, equal_nan=True):
                raise SystemExit(f"row {row}: the plain loop says {name} {value}, the sweep {found}")
    return median_ms(lambda: [plain_figures(way, motor, road) for way in ways]) / LOOPED


def one_size(sheet: RatiosSheet, job: JobFile, brief: Brief) -> tuple[int, float, float, float]:
    """Return how many ways, the whole job's answer, the sweep alone and the plain loop's time a way, ms."""
    if brief.motor is None or brief.rolling is None:
        raise SystemExit("the demo job lacks a motor or a tyre")
    plan = plan_of(sheet, brief, brief.rolling)
    road, motors = road_of(brief), motors_of(plan, brief, brief.motor)
    every = Sweep(plan).gearings
    many = job.model_copy(update={"sheets": job.sheets.model_copy(update={"ratios": sheet})})
    each_ms = plain_ms(every, motors[0], road, road_figures(every, motors, road))
    return (
        plan.count,
        median_ms(lambda: REGISTRY.evaluation(many)),
        median_ms(lambda: road_figures(every, motors, road)),
        each_ms,
    )


def main() -> None:
    job = JobFile.model_validate_json(WREN.read_bytes())
    brief: Brief = REGISTRY.evaluation(job).answers[0].outcome.solved.brief
    print(f"{'ways':>7} {'job ms':>10} {'sweep ms':>10} {'µs a way':>9} {'plain µs':>9} {'plain / sweep':>14}")
    for size in SIZES:
        count, answer_ms, sweep_ms, each_ms = one_size(sheet_of(*size), job, brief)
        print(
            f"{count:7} {answer_ms:10.1f} {sweep_ms:10.1f} {1e3 * sweep_ms / count:9.2f} {1e3 * each_ms:9.1f} "
            f"{each_ms * count / sweep_ms:13.1f}×"
        )


if __name__ == "__main__":
    main()
