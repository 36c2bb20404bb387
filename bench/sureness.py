"""How sure every margin of each demo job is: how many evaluations it takes, against as many of the whole job from cold.

``python bench/sureness.py [NAME]``: one process, *Bittern* without its scan; the server spreads the work over several.
"""

import gc
import sys
from collections.abc import Collection, Sequence
from time import perf_counter

from driveline.job.file import REGISTRY, JobFile
from driveline.job.moved import Margins, Mover, Steps
from driveline.job.sureness import solve_sureness
from driveline.memory import forget_everything
from evaluate import DEMO, median_ms


def main(names: Sequence[str]) -> None:
    gc.freeze()
    for path in sorted(DEMO.glob("*.fernback.json")):
        job = JobFile.model_validate_json(path.read_bytes())
        if names and job.name.lower() not in names:
            continue
        mover, count = Mover.apart(REGISTRY, job), 0

        def work(moves: Sequence[Steps], benches: Collection[str] | None, mover: Mover = mover) -> list[Margins]:
            nonlocal count
            count += len(moves)
            return mover.many(moves, benches)

        def cold(job: JobFile = job) -> object:
            forget_everything()
            return REGISTRY.own_checks(job)

        cold_ms = median_ms(cold)
        begun = perf_counter()
        ranges = solve_sureness(REGISTRY, job, work=work)
        took_s = perf_counter() - begun
        share = took_s * 1000 / (count * cold_ms)
        made = f"{len(ranges):3} margins, {count:4} evaluations: {took_s:5.1f} s"
        print(f"{job.name:10} {made}, {share:.2f} of as many from cold")


if __name__ == "__main__":
    main([name.lower() for name in sys.argv[1:]])
