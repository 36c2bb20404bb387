"""Several people in one job: who else has it open, and whether somebody saved."""

from uuid import UUID

from django.http import HttpRequest
from django.shortcuts import get_object_or_404
from ninja import Router, Schema
from pydantic import Field

from accounts.queries import person
from fernback.inputs import Input
from fernback.problems import Problem
from jobs.api import newest_of, version_line
from jobs.queries import jobs_visible_to
from jobs.schemas import VersionLine
from jobs.together import seen

router = Router(tags=["jobs"])


class HereIn(Input):
    """The tab that a job is open in, and the bench that it shows."""

    tab: UUID
    bench: str = Field(max_length=40)


class Other(Schema):
    """Somebody else's tab, or another of one's own."""

    name: str
    bench: str
    is_me: bool


class Together(Schema):
    """Who else has the job open, and its newest revision."""

    others: list[Other]
    newest: VersionLine


@router.post("/{uuid:job_id}/here", response={200: Together, 404: Problem, 422: Problem}, operation_id="job_here")
def say_here(request: HttpRequest, job_id: UUID, payload: HereIn) -> Together:
    """Say that a job is open here; hear who else has it open, and who saved last."""
    user = person(request)
    job = get_object_or_404(jobs_visible_to(user), pk=job_id)
    others = seen(job=job, user=user, tab=payload.tab, bench=payload.bench)
    return Together(
        others=[Other(name=str(one.user), bench=one.bench, is_me=one.user_id == user.pk) for one in others],
        newest=version_line(newest_of(job)),
    )
