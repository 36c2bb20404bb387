"""A whole job as a file holds it."""

from typing import TYPE_CHECKING

from driveline.job.benches import BENCHES
from driveline.job.registry import AnswerBase, JobFileBase, JobResultBase, Registry, SheetsBase

REGISTRY = Registry(BENCHES)

if TYPE_CHECKING:
    Sheets = SheetsBase
    JobFile = JobFileBase
    JobResult = JobResultBase
    Answer = AnswerBase
else:
    Sheets = REGISTRY.Sheets
    JobFile = REGISTRY.JobFile
    JobResult = REGISTRY.JobResult
    Answer = REGISTRY.Answer
