"""Holding a unit: five mounts with stops in every usual case, and a nudge of the whole job with mounts and brackets.

``python bench/mounts.py``: the cases against one small system solved after the other for each, in the same run; the
nudge of each demo job that has mounts against an evaluation of nothing new.
"""

import gc
from collections.abc import Callable
from typing import Any

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.cases import USUAL
from driveline.held.balance import arrays_of, inertia_wrench, scales, stiffness_at
from driveline.held.holds import Hold, rubber
from driveline.held.stops import Limit, hold_on_stops
from driveline.job.file import REGISTRY, JobFile
from evaluate import DEMO, answering, median_ms

PLACES = ((-300, 250, 0), (-300, -250, 0), (300, 250, -40), (300, -250, -40), (0, 0, 220))
TORQUE_NM = np.array([0.0, 2500.0, 0.0])
TRAVEL_MM = 6.0


def five_mounts() -> tuple[list[Hold], list[Limit | None], Floats]:
    stiffness = np.array([400.0, 250.0, 600.0])
    holds = [rubber(f"m{k}", np.array(at, float), stiffness, turn=np.eye(3)) for k, at in enumerate(PLACES)]
    limits: list[Limit | None] = [Limit(turn=np.eye(3), travel_mm=np.full(3, TRAVEL_MM)) for _ in holds]
    loads = [inertia_wrench(140.0, np.zeros(3), np.array(case.g_xyz, float), TORQUE_NM) for case in USUAL]
    return holds, limits, np.array(loads)


def one_after_the_other(holds: list[Hold], loads: Floats) -> Floats:
    """The same without stops, a system for each load."""
    reach, springs = arrays_of(holds)
    scale = scales(holds)
    stiffness = stiffness_at(reach, springs) / scale[:, None] / scale
    return np.array([np.linalg.solve(stiffness, load / scale) / scale for load in loads])


def nudges(job: JobFile, have: dict[str, str]) -> Callable[[], object]:
    """The chosen stand one step on, another each time, and all that follows."""
    entered, count = job.sheets.model_dump(mode="json"), iter(range(1, 10_000))
    place: dict[str, Any] = entered["placement"]["stands"][0]["at"]["x"]
    start = job.sheets.placement.stands[0].at.x
    at_mm = start.mm if start is not None else 0.0

    def change() -> None:
        place["text"] = f"{at_mm + 0.01 * next(count)} mm"

    return answering(job, entered, change, have)


def main() -> None:
    gc.freeze()
    holds, limits, loads = five_mounts()
    all_ms, each_ms = (
        median_ms(run)
        for run in (lambda: hold_on_stops(holds, limits, loads), lambda: one_after_the_other(holds, loads))
    )
    print(f"five mounts, {len(loads)} cases, with stops {all_ms:6.2f} ms, {all_ms / each_ms:.1f} of them one by one")
    for path in sorted(DEMO.glob("*.fernback.json")):
        job = JobFile.model_validate_json(path.read_bytes())
        if not job.sheets.mounts.mounts:
            continue
        have: dict[str, str] = {}
        nudge = nudges(job, have)
        nudge_ms, nothing_ms = (
            median_ms(nudge),
            median_ms(lambda job=job, have=have: REGISTRY.answer(job, have, records_key="as before")),
        )
        print(f"{job.name:10} nudged: {nudge_ms:6.1f} ms, {nudge_ms / nothing_ms:5.1f} of an answer with nothing new")


if __name__ == "__main__":
    main()
