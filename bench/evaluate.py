"""How long a whole evaluation of each demo job takes in-process: ``python bench/evaluate.py``."""

import statistics
import time
from pathlib import Path

from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile

DEMO = Path(__file__).parents[1] / "server" / "jobs" / "demo"
ROUNDS = 40


def main() -> None:
    print(f"{'job':10} {'median ms':>10} {'worst ms':>10} {'answer kB':>10}")
    for path in sorted(DEMO.glob("*.fernback.json")):
        job = JobFile.model_validate_json(path.read_bytes())
        times_ms = []
        for _ in range(ROUNDS):
            begin = time.perf_counter()
            result = evaluate(job)
            times_ms.append(1e3 * (time.perf_counter() - begin))
        size_kb = len(result.model_dump_json()) / 1000
        print(f"{job.name:10} {statistics.median(times_ms):10.1f} {max(times_ms):10.1f} {size_kb:10.1f}")


if __name__ == "__main__":
    main()
