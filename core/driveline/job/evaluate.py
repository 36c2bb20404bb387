"""A job evaluated: every bench solved in order, each from its sheet and what stands before it."""

from driveline.job.file import REGISTRY, JobFile, JobResult

__all__ = ["JobResult", "evaluate"]


def evaluate(job: JobFile) -> JobResult:
    """Return everything that follows from a job.

    Raises:
        ImpossibleInput: If a figure can't be a real part's, with the field to mend.
    """
    return REGISTRY.evaluate(job)
