"""CPU time of evaluating a job in-process, against a bare NumPy pass of its sweep and adjustment in the same run.

``python bench/evaluate.py``: cold (nothing remembered), and warm after one keystroke in each bench. The bare pass does
the arithmetic that can't be left out: every gearing over every speed, and the flange adjusted to rest, with arrays made
beforehand, no checks, no words and no models.
"""

import gc
import statistics
import time
from collections.abc import Callable
from functools import partial
from pathlib import Path
from typing import Any

import numpy as np

from driveline.benches.ratios.gearing import Sweep, motors_of, road_of
from driveline.benches.ratios.lanes import plan_of
from driveline.gearing.road import KMH_PER_MS
from driveline.job.file import REGISTRY, JobFile, Sheets
from driveline.memory import forget_everything
from driveline.network.adjust import adjust
from driveline.network.equations import Equations
from driveline.network.rows import Rows
from driveline.network.start import start_unknowns
from driveline.survey.readings import network_of, usable

DEMO = Path(__file__).parents[1] / "server" / "jobs" / "demo"
ROUNDS = 30
SPREAD_ROWS = 19  # the study of spreads moves nine figures up and down
STEPS = 6
KEYSTROKES: dict[str, tuple[str, str]] = {  # bench, the field that is typed in, what is typed
    "brief": ("motor.greatest_rpm", "{} rpm"),
    "ratios": ("axle_rating", "{} Nm"),
    "placement": ("stands.0.at.x", "-{} mm"),
    "coupler": ("hub.flange", "1{} mm"),
    "plate": ("plate.turned", "0.{} deg"),
}


def median_ms(run: Callable[[], object]) -> float:
    times = []
    for _ in range(ROUNDS):
        begin = time.process_time()
        run()
        times.append(1e3 * (time.process_time() - begin))
    return statistics.median(times)


def bare_sweep(job: Any) -> Callable[[], object]:
    """Pull, resistance, grip and running times of every gearing and of the spreads' rows, on arrays."""
    sheet = job.sheets.brief
    brief = REGISTRY.evaluation(job).answers[0].outcome.solved.brief
    plan = plan_of(job.sheets.ratios, brief, brief.rolling)
    every, motors, road = Sweep(plan).gearings, motors_of(plan, brief, brief.motor), road_of(brief)
    picked = np.concatenate([np.arange(plan.count), np.zeros(SPREAD_ROWS, dtype=int)])
    rpm_per_ms, pull_per_nm = every.rpm_per_ms[picked], every.pull_per_nm[picked]
    curves = [(np.linspace(0, m.greatest_rpm, 161), m.peak_nm(np.linspace(0, m.greatest_rpm, 161))) for m in motors]
    body = road.kerb
    if body is None or not sheet.layout:
        raise SystemExit("the demo job lacks its kerb mass")
    slip_n = 0.5 * 9.80665 * float(np.ravel(body.mass_kg)[0]) * 0.9
    even = np.linspace(0, 1, 161)

    def run() -> object:
        greatest_ms = (np.array([c[0][-1] for c in curves]) / rpm_per_ms).min(axis=1, keepdims=True)
        speed_ms = greatest_ms * even
        drive_n = sum(
            pull_per_nm[:, k : k + 1] * np.interp(speed_ms * rpm_per_ms[:, k : k + 1], *curve)
            for k, curve in enumerate(curves)
        )
        spare_n = np.minimum(drive_n, slip_n) - (100.0 + 0.5 * 1.225 * body.cda_m2 * speed_ms**2)
        moving = np.maximum(spare_n, 1e-3)
        time_s = np.cumsum(2 * body.mass_kg * speed_ms[:, 1:2] / (moving[:, 1:] + moving[:, :-1]), axis=1)
        top = np.argmax(spare_n < 0, axis=1)
        runs = [
            time_s[np.arange(len(top)), np.minimum((kmh / KMH_PER_MS / speed_ms[:, 1]).astype(int), 159)]
            for kmh in (50, 100)
        ]
        return top, runs

    return run


def bare_adjustment(job: Any) -> Callable[[], object]:
    """Gauss-Newton with whole matrices, and the cofactors by eigenvalues."""
    survey = job.sheets.plate.survey
    if len(survey.holes) < 2:
        return lambda: None
    equations = Equations(network_of(survey, usable(survey)))
    at_rest = adjust(equations, start_unknowns(equations)).unknowns
    weight = equations.weight[:, None]

    def run() -> object:
        unknowns = at_rest
        for _ in range(STEPS):
            expected, derivatives = equations.evaluate(unknowns)
            matrix = Rows(equations.pattern, derivatives).sparse().toarray() * weight
            normal = matrix.T @ matrix + 1e-9 * np.eye(matrix.shape[1])
            unknowns = unknowns + np.linalg.solve(
                normal, matrix.T @ ((equations.value_mm - expected) * equations.weight)
            )
        return np.linalg.eigh(normal)

    return run


def keystrokes(job: Any, bench: str) -> Callable[[], object]:
    """Type in one field of a bench, another figure each time, and work out what follows."""
    field, text = KEYSTROKES[bench]
    entered, count = job.sheets.model_dump(mode="json"), iter(range(5000, 10_000))
    *parents, last = field.split(".")
    place = entered[bench]
    for name in parents:
        place = place[int(name) if isinstance(place, list) else name]

    def change() -> None:
        place[last] = {"text": text.format(next(count))}

    return answering(job, entered, change, {})


def answering(
    job: Any, entered: dict[str, Any], change: Callable[[], object], have: dict[str, str]
) -> Callable[[], object]:
    """Change what is entered, and work out what follows as the server does: ``have`` is what the screen holds."""

    def run() -> object:
        change()
        now = job.model_copy(update={"sheets": Sheets.model_validate(entered)})
        answer = REGISTRY.answer(now, have, records_key="as before")
        have.update(answer.keys)
        return answer.model_dump_json()

    run()
    return run


def cold(job: Any) -> object:
    forget_everything()
    return REGISTRY.evaluate(job)


def main() -> None:
    gc.freeze()
    gc.set_threshold(50_000, 20, 20)  # as the server has it
    print(
        f"{'job':10}{'bare ms':>9}{'cold ms':>9}{'÷ bare':>8}"
        + "".join(f"{bench + ' key':>12}{'÷ bare':>8}" for bench in KEYSTROKES)
    )
    for path in sorted(DEMO.glob("*.fernback.json")):
        job = JobFile.model_validate_json(path.read_bytes())
        REGISTRY.evaluate(job)
        sweep, adjustment = bare_sweep(job), bare_adjustment(job)
        bare_ms = median_ms(sweep) + median_ms(adjustment)
        cold_ms = median_ms(partial(cold, job))
        line = f"{job.name:10}{bare_ms:9.2f}{cold_ms:9.1f}{cold_ms / bare_ms:8.1f}"
        for bench in KEYSTROKES:
            key_ms = median_ms(keystrokes(job, bench))
            line += f"{key_ms:12.1f}{key_ms / bare_ms:8.1f}"
        print(line)


if __name__ == "__main__":
    main()
