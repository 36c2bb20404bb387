"""What the jobs API takes and gives."""

from datetime import datetime
from typing import Annotated, Any
from uuid import UUID

from ninja import Schema
from pydantic import Field

from driveline.benches.contract import Progress
from driveline.benches.ratios.sheet import Choice
from driveline.checks import Verdict
from driveline.figures import System
from driveline.job.file import Answer, Sheets
from driveline.job.sureness_results import Sureness
from driveline.sheet import Name, Words
from fernback.inputs import Input
from jobs.reading import ReadBack, Typed


class JobIn(Input):
    """A new job."""

    shop_id: int
    name: Name
    about: Words = ""
    sheets: Sheets | None = None


class DeleteIn(Input):
    """The job's name, typed by whoever takes it away."""

    name: str = Field(max_length=80)


class VersionIn(Input):
    """Sheets to save, and the version that they were edited from."""

    based_on: int = Field(ge=1)
    sheets: Sheets
    note: str = Field(default="", max_length=200)


class EvaluateIn(Input):
    """Sheets to evaluate without saving; the newest saved ones when left out."""

    sheets: Sheets | None = None
    have: dict[Annotated[str, Field(max_length=40)], Annotated[str, Field(max_length=40)]] = Field(
        default={}, max_length=40, description="Key of each piece of the answer that is on the screen already"
    )
    typed: Typed | None = Field(default=None, description="A figure just typed, to be read back with the answer")


class EvaluateOut(Schema):
    """What follows from the sheets, and what the typed figure was read as."""

    read: ReadBack | None
    answer: Answer


class WorkingsIn(Input):
    """Which workings to write, of sheets as they stand or of the newest saved ones, and in whose units."""

    sheets: Sheets | None = None
    checks: list[Annotated[str, Field(max_length=120)]] | None = Field(
        default=None, max_length=200, description="Keys of the checks; all of them when left out"
    )
    units: System = System.METRIC


class SeekIn(Input):
    """In sheets as they stand or in the newest saved ones."""

    sheets: Sheets | None = None


class SurenessIn(Input):
    """In sheets as they stand or in the newest saved ones."""

    sheets: Sheets | None = None


class SurenessOut(Schema):
    """How sure each margin is; while another job's are being worked out, none, and the question is to come again."""

    is_busy: bool
    ranges: list[Sureness]


class VersionLine(Schema):
    """A version in the history."""

    number: int
    author: str
    saved_at: datetime
    note: str
    worst: Verdict


class GearingChoice(Schema):
    """A gearing as it was chosen: when, by whom, and why; empty where the choice was taken back."""

    version: int
    author: str
    saved_at: datetime
    choice: Choice | None
    name: str  # of what was chosen; empty where the choice was taken back


class MarginChange(Schema):
    """A wanted margin as it was stated: when, by whom, and why; empty where it went back to the usual one."""

    version: int
    author: str
    saved_at: datetime
    kind: str
    margin: float | None
    why: str


class StepLine(Schema):
    """How a bench stood when the job was saved."""

    title: str
    progress: Progress
    worst: Verdict | None


class FieldIn(Input):
    """A field by its path in the sheets; a row by its name where it has one, else by its place."""

    path: list[Annotated[str, Field(max_length=80)] | int] = Field(min_length=1, max_length=12)


class FieldChange(Schema):
    """A field as it was changed: when, by whom, from what and to what, as it stands in the sheet."""

    version: int
    author: str
    saved_at: datetime
    note: str
    was: Any
    now: Any


class JobSummary(Schema):
    """A job's Line and steps, small; empty for what was saved before they were kept."""

    line: list[str] = []
    benches: list[StepLine] = []


class JobLine(Schema):
    """A job in the list."""

    id: UUID
    name: str
    about: str
    shop: str
    stage: str
    worst: Verdict
    worst_title: str
    fails: int
    not_known: int
    summary: JobSummary
    version: int
    saved_at: datetime
    saved_by: str
    is_put_away: bool
    may_edit: bool
    may_delete: bool  # put away, and this person owns the shop


class CopyIn(Input):
    """What a copy is called."""

    name: str = Field(min_length=1, max_length=80)


class PutAwayIn(Input):
    """Whether a job is put away."""

    is_put_away: bool
    although_open: bool = Field(default=False, description="Though others have it open, who were named")


class VersionOut(VersionLine):
    """A version with its sheets."""

    sheets: Sheets


class BenchOut(Schema):
    """A bench: its key, what it is called, and the letter that opens it; in the order of the work."""

    key: str
    title: str
    letter: str


class JobOut(Schema):
    """A job with its newest version, and the benches that it goes through."""

    id: UUID
    name: str
    about: str
    shop: str
    may_edit: bool
    version: VersionOut
    benches: list[BenchOut]
