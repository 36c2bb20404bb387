"""Law 6: what was asked before changes no answer. Warm equals cold."""

import copy
import hashlib
from unittest import TestCase

from hypothesis import HealthCheck, given, settings
from hypothesis import strategies as st

from driveline.job.evaluate import evaluate
from driveline.job.file import JobFile
from driveline.memory import forget_everything
from tests.demo import DEMOS, demo_json
from tests.laws.figures import figures_of, without
from tests.laws.generated import Job, jobs
from tests.laws.test_taking_away import GENERATED

CHANGED = settings(
    max_examples=max(GENERATED // 25, 40),
    deadline=None,
    derandomize=True,
    database=None,
    suppress_health_check=list(HealthCheck),
)
STEPS = 5  # changes of each job, one upon another


def told_by(data: Job) -> str:
    """A hash of the whole answer, workings included in what its checks say."""
    return hashlib.sha256(evaluate(JobFile.model_validate(data)).model_dump_json().encode()).hexdigest()


def is_taken(data: Job) -> bool:
    try:
        JobFile.model_validate(data)
    except ValueError:
        return False
    return True


class WarmAndColdTest(TestCase):
    tags = frozenset({"laws", "ways"})

    @CHANGED
    @given(jobs(), st.data())
    def test_changed_jobs_are_answered_as_if_nothing_was_asked_before(self, data: Job, draw: st.DataObject) -> None:
        chain = [data]
        for _ in range(STEPS):
            path = draw.draw(st.sampled_from(sorted(figures_of(chain[-1]["sheets"]), key=str)))
            changed = {**chain[-1], "sheets": without(chain[-1]["sheets"], path)}
            chain += [changed] if is_taken(changed) else []
        chain.append(copy.deepcopy(data))
        warm = [told_by(one) for one in chain]
        for one, was in zip(chain, warm, strict=True):
            forget_everything()
            self.assertEqual(told_by(one), was)

    def test_so_is_each_job_of_the_demo_after_all_the_others(self) -> None:
        for name in DEMOS:
            evaluate(JobFile.model_validate(demo_json(name)))
        warm = {name: told_by(demo_json(name)) for name in DEMOS}
        for name in DEMOS:
            forget_everything()
            self.assertEqual(told_by(demo_json(name)), warm[name])
