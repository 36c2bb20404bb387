"""What follows from a list of benches: the job file's model, its evaluation, its parts. No bench is known by name."""

from collections.abc import Collection, Mapping, Sequence
from dataclasses import dataclass, replace
from functools import cached_property
from typing import TYPE_CHECKING, Annotated, Any, Literal

from pydantic import WrapValidator, create_model, model_validator

from driveline.benches.contract import AnyBench, Given, LaidOut, Outcome, Paper, Progress, Sought
from driveline.checks import Check, Result, Verdict, worst_first, worst_verdict
from driveline.errors import NotDrawnYet
from driveline.figures import System
from driveline.job.line import Line, LineJudged, Motion, judged_by, motion_key, solve_line
from driveline.job.versions import VERSION, brought_up
from driveline.margins import Judge, Margins, WantedMargins
from driveline.memory import AsAsked, Aside, Memory, Same, Told, key_of, read_once, told
from driveline.parts.checks import release_checks
from driveline.parts.made import FlatPart
from driveline.parts.ordered import MadePart
from driveline.parts.records import BuildRecords
from driveline.parts.results import PartResult
from driveline.parts.state import are_accepted, are_released, part_state
from driveline.results import assumed_in
from driveline.sheet import Name, Sheet, Words
from driveline.written_working import WrittenWorking, written_working


class SheetsBase(Sheet):
    """What a person entered, bench by bench: a field for each bench's key."""

    margins: WantedMargins = WantedMargins()

    if TYPE_CHECKING:

        def __getattr__(self, key: str) -> Any:
            """The sheet of a bench; the registry makes these fields."""


class JobFileBase(Sheet):
    """The job file, NAME.fernback.json."""

    format: Literal["fernback-job"] = "fernback-job"
    version: Literal[2] = VERSION
    name: Name
    about: Words = ""
    sheets: SheetsBase = SheetsBase()
    build: BuildRecords = BuildRecords()

    @model_validator(mode="before")
    @classmethod
    def _brought_up(cls, data: object) -> object:
        return brought_up(data) if isinstance(data, dict) and not isinstance(data.get("sheets"), Sheet) else data


class BenchState(Result):
    """A bench in the steps."""

    bench: str
    title: str
    word: str
    letter: str
    progress: Progress
    worst: Verdict | None  # None: it has no checks yet
    to_do: int
    is_in_layout: bool  # False: the job's layout has no use for it, and nothing is entered there


class JobResultBase(Result):
    """Everything that follows from a job's sheets: a field for each bench's result besides these."""

    line: Line | None
    parts: tuple[PartResult, ...]
    checks: tuple[Check, ...]  # worst first
    worst: Verdict
    benches: tuple[BenchState, ...]

    if TYPE_CHECKING:

        def __getattr__(self, key: str) -> Any:
            """The result of a bench; the registry makes these fields."""


@dataclass(frozen=True, kw_only=True)
class BenchAnswer:
    """What a bench comes to in this job, with its parts as they stand and the checks of those."""

    bench: AnyBench
    outcome: Outcome[Any]
    parts: tuple[PartResult, ...]
    checks: tuple[Check, ...]
    key: str  # differs when anything of it may differ
    is_in_layout: bool = True

    @cached_property
    def progress(self) -> Progress:
        """Released once every part stands as it was released, proved once each was accepted on delivery as well."""
        own = self.outcome.progress
        if own is not Progress.DESIGNED or not are_released(self.parts):
            return own
        return Progress.PROVED if are_accepted(self.parts) else Progress.RELEASED

    def state(self) -> BenchState:
        """As the steps show it."""
        return BenchState(
            bench=self.bench.key,
            title=self.bench.title,
            word=self.bench.word,
            letter=self.bench.letter,
            progress=self.progress,
            worst=worst_verdict(self.checks) if self.checks else None,
            to_do=len(self.outcome.to_do) if self.is_in_layout else 0,
            is_in_layout=self.is_in_layout,
        )


@dataclass(frozen=True, slots=True, kw_only=True)
class Evaluation:
    """Everything that follows from a job, piece by piece."""

    answers: tuple[BenchAnswer, ...]
    line: Line | None
    line_key: str
    motion_key: str


class AnswerBase(Result):
    """What a change comes to, piece by piece: those that the asker has under the same key are left out.

    A bench's piece is its result with its checks and parts; the Line is one of its own, and its motion another. There
    is a field for each bench's result besides these.
    """

    keys: dict[str, str]  # of every piece, also of those left out
    line: LineJudged | None = None
    motion: Motion | None = None
    parts: dict[str, tuple[PartResult, ...]]  # by bench
    checks: dict[str, tuple[Check, ...]]  # by bench, in the bench's order
    benches: tuple[BenchState, ...]


class Registry:
    """Benches in the order of the work, and what they make of a job."""

    def __init__(self, benches: Sequence[AnyBench], *, remembers: int = 400) -> None:
        self.benches = tuple(benches)
        self.memory = Memory(remembers)
        self._last_told: dict[str, Told[Sheet]] = {}
        fields: dict[str, Any] = {
            bench.key: (Annotated[bench.sheet, WrapValidator(read_once(self.memory, bench.key))], bench.sheet())
            for bench in benches
        }
        self.Sheets: type[SheetsBase] = create_model(
            "Sheets", __base__=SheetsBase, __doc__=SheetsBase.__doc__, **fields
        )
        self.JobFile: type[JobFileBase] = create_model(
            "JobFile", __base__=JobFileBase, __doc__=JobFileBase.__doc__, sheets=(self.Sheets, self.Sheets())
        )
        results: dict[str, Any] = {bench.key: (bench.result, ...) for bench in benches}
        self.JobResult: type[JobResultBase] = create_model(
            "JobResult", __base__=JobResultBase, __doc__=JobResultBase.__doc__, **results
        )

        answers: dict[str, Any] = {bench.key: (bench.result | None, None) for bench in benches}
        self.Answer: type[AnswerBase] = create_model(
            "Answer", __base__=AnswerBase, __doc__=AnswerBase.__doc__, **answers
        )

    def evaluate(self, job: JobFileBase) -> JobResultBase:
        """Return everything that follows from a job.

        Args:
            job: Any job that its model accepts; what is missing leaves checks not known.

        Raises:
            ImpossibleInput: If a figure can't be a real part's, with the field to mend.
        """
        found = self.evaluation(job)
        checks = worst_first([check for answer in found.answers for check in answer.checks])
        return self.JobResult(
            line=found.line,
            parts=tuple(part for answer in found.answers for part in answer.parts),
            checks=checks,
            worst=worst_verdict(checks),
            benches=tuple(answer.state() for answer in found.answers),
            **{answer.bench.key: answer.outcome.result for answer in found.answers},
        )

    def answer(self, job: JobFileBase, have: Mapping[str, str], *, records_key: str | None = None) -> AnswerBase:
        """Return the same without the pieces that the asker has.

        Args:
            job: As in ``evaluate``.
            have: The key of each piece that the asker holds.
            records_key: Of the job's name and records, where the caller knows one: it differs when they do.
        """
        found = self.evaluation(job, records_key=records_key)
        keys = {answer.bench.key: answer.key for answer in found.answers} | {
            "line": found.line_key,
            "motion": found.motion_key,
        }
        news = [answer for answer in found.answers if have.get(answer.bench.key) != answer.key]
        return self.Answer(
            keys=keys,
            line=None if found.line is None or have.get("line") == found.line_key else found.line.judged(),
            motion=None if found.line is None or have.get("motion") == found.motion_key else found.line.motion(),
            parts={answer.bench.key: answer.parts for answer in news},
            checks={answer.bench.key: answer.checks for answer in news},
            benches=tuple(answer.state() for answer in found.answers),
            **{answer.bench.key: answer.outcome.result for answer in news},
        )

    def evaluation(self, job: JobFileBase, *, records_key: str | None = None) -> Evaluation:
        """Return the same piece by piece, each with a key that tells whether it is still the same."""
        own = (job.name, job.build)
        records = told(own) if records_key is None else Told(own, records_key)
        return self._with_line(tuple(self._answer(*one, records, job) for one in self._outcomes(job)))

    def own_checks(self, job: JobFileBase, benches: Collection[str] | None = None) -> tuple[Check, ...]:
        """Return the checks of the benches alone, without those of parts released and delivered: what sheets decide.

        Args:
            job: As in ``evaluate``.
            benches: Whose checks are wanted, by key; all of them when left out. What these do not need is not run.
        """
        return tuple(check for _, outcome in self._outcomes(job, benches) for check in outcome.value.checks)

    def _outcomes(
        self, job: JobFileBase, wanted: Collection[str] | None = None
    ) -> list[tuple[AnyBench, Told[Outcome[Any]]]]:
        """Run each bench that is wanted, and those before it that it needs."""
        sheets = self.sheets_of(job)
        by_key = {bench.key: bench for bench in self.benches}
        judging = told(job.sheets.margins)
        laid = AsAsked[Told[LaidOut]](lambda key: self._laid_out(by_key[key], sheets[key]))
        bare = AsAsked[LaidOut](lambda key: laid[key].value)

        def ran(key: str) -> tuple[AnyBench, Told[Outcome[Any]]]:
            bench = by_key[key]
            needs = bench.needs(Given(sheets, bare, AsAsked(lambda ahead: found[ahead][1].value.solved)))
            return bench, self.memory.told(
                _ran, key, Aside(bench), self._told(key, sheets[key]), laid[key], told(needs), judging
            )

        found = AsAsked(ran)
        return [found[bench.key] for bench in self.benches if wanted is None or bench.key in wanted]

    def workings(
        self, job: JobFileBase, keys: Collection[str] | None, system: System, *, records_key: str | None = None
    ) -> tuple[WrittenWorking, ...]:
        """Return the workings of some checks, or of all, written in a system's units; of a check not there, none.

        Args:
            job: The job as it stands.
            keys: Of the checks; all of them when left out.
            system: Of the reader.
            records_key: As for ``evaluation``.
        """
        found = self.evaluation(job, records_key=records_key)
        usual = frozenset(one.field for answer in found.answers for one in assumed_in(answer.outcome.result))
        checks = worst_first([check for answer in found.answers for check in answer.checks])
        return tuple(written_working(one, system, usual) for one in checks if keys is None or one.key in keys)

    def laid_out(self, job: JobFileBase) -> dict[str, LaidOut]:
        """Return what every bench lays out, by its key: enough for drawings and releases."""
        sheets = self.sheets_of(job)
        return {bench.key: self._laid_out(bench, sheets[bench.key]).value for bench in self.benches}

    def leans_on(self, job: JobFileBase) -> tuple[object, ...]:
        """Return what the answer depends on beside the job: where it differs, so may the answer."""
        sheets = self.sheets_of(job)
        return tuple(bench.leans_on(sheets[bench.key]) for bench in self.benches)

    def _told(self, key: str, sheet: Sheet) -> Told[Sheet]:
        last = self._last_told.get(key)
        if last is None or last.value is not sheet:  # a change leaves the sheets of all other benches as they are
            last = self._last_told[key] = told(sheet)
        return last

    def made_part(self, job: JobFileBase, key: str) -> MadePart:
        """Return a part of a job by its key, cut or ordered.

        Raises:
            NotDrawnYet: If it can't be drawn, or no bench has such a part.
        """
        for _, outcome in self._outcomes(job):
            for part in outcome.value.parts:
                if part.key == key:
                    return part
        return self.part(job, key)

    def part(self, job: JobFileBase, key: str) -> FlatPart:
        """Return a part of a job that is cut, by its key.

        Raises:
            NotDrawnYet: If it can't be drawn, or no bench has such a part.
        """
        laid = self.laid_out(job).get(key.split(".")[0])
        if laid is None:
            raise NotDrawnYet("")
        return laid.part(key)

    def paper(self, job: JobFileBase, key: str) -> Paper:
        """Return a sheet of paper of a job by its key.

        Raises:
            NotDrawnYet: If it can't be drawn, or no bench has such a sheet.
        """
        for _, outcome in self._outcomes(job):
            for paper in outcome.value.papers:
                if paper.key == key:
                    return paper
        raise NotDrawnYet("")

    def sought(self, job: JobFileBase, key: str) -> Sought:
        """Return what a search of a bench comes to.

        Raises:
            NotDrawnYet: If there is nothing to search with yet, or no bench has such a search.
        """
        for _, outcome in self._outcomes(job):
            for seek in outcome.value.seeks:
                if seek.key == key:
                    return seek.run()
        raise NotDrawnYet("")

    def parts(self, job: JobFileBase) -> tuple[FlatPart, ...]:
        """Return every part to cut that can be drawn so far."""
        return tuple(part for laid in self.laid_out(job).values() for part in laid.parts)

    def sheets_of(self, job: JobFileBase) -> Mapping[str, Sheet]:
        """Return each bench's sheet, by its key."""
        return {bench.key: getattr(job.sheets, bench.key) for bench in self.benches}

    def _laid_out(self, bench: AnyBench, sheet: Sheet) -> Told[LaidOut]:
        leans_on = told(bench.leans_on(sheet))
        return self.memory.told(_laid, bench.key, Aside(bench), self._told(bench.key, sheet), leans_on)

    def _answer(
        self, bench: AnyBench, outcome: Told[Outcome[Any]], records: Told[tuple[str, BuildRecords]], job: JobFileBase
    ) -> BenchAnswer:
        answered = self.memory.told(self._answered, bench.key, Aside(bench), outcome, records, told(job.sheets.margins))
        sheets = self.sheets_of(job)
        is_in = bench.is_in_layout(Given(sheets, {}, {})) or sheets[bench.key] != bench.sheet()
        return replace(answered.value, key=str(answered.mark), is_in_layout=is_in)

    def _answered(
        self,
        _key: str,
        bench: AnyBench,
        outcome: Outcome[Any],
        records: tuple[str, BuildRecords],
        margins: WantedMargins,
    ) -> BenchAnswer:
        # The same part under the same records stands as it did, whatever else of its bench has changed.
        own = told(records) if outcome.parts else Told(records, "")  # once: a long record takes a while to be told
        parts = tuple(self.memory.of(_part_state, Same(part), own) for part in outcome.parts)
        of_releases = release_checks(parts, records[1], Judge(bench.key, Margins(margins)))
        return BenchAnswer(bench=bench, outcome=outcome, parts=parts, checks=outcome.checks + of_releases, key="")

    def _with_line(self, answers: Sequence[BenchAnswer]) -> Evaluation:
        drive = next((one for answer in answers if (one := answer.outcome.drive)), None)
        stations = [station for answer in answers for station in answer.outcome.stations]
        judged = {one.station.bench for one in stations if one.is_judged_by_checks}
        worst = {one.bench.key: judged_by(one.checks) for one in answers if one.bench.key in judged}
        ticks = [tick for answer in answers for tick in answer.outcome.ticks]
        line = None if drive is None else self.memory.of(solve_line, drive, stations, worst, ticks)
        return Evaluation(
            answers=tuple(_on_line(one, line) for one in answers),
            line=line,
            line_key=key_of(drive, stations, worst, ticks),
            motion_key=motion_key(drive, stations),
        )


def _on_line(answer: BenchAnswer, line: Line | None) -> BenchAnswer:
    """A check that names a station which this Line does not have names none."""
    stations = {station.key for station in line.stations} if line else set()
    if line is None or all(check.station is None or check.station in stations for check in answer.checks):
        return answer
    checks = tuple(
        check if check.station in stations else check.model_copy(update={"station": None}) for check in answer.checks
    )
    return replace(answer, checks=checks)


def _laid(_key: str, bench: AnyBench, sheet: Sheet, _leans_on: object) -> LaidOut:
    laid: LaidOut = bench.lay_out(sheet)
    return laid


def _ran(
    _key: str, bench: AnyBench, sheet: Sheet, laid: LaidOut, needs: object, margins: WantedMargins
) -> Outcome[Any]:
    return bench.run(sheet, laid, needs, Judge(bench.key, Margins(margins)))


def _part_state(part: MadePart, records: tuple[str, BuildRecords]) -> PartResult:
    return part_state(part, job_name=records[0], records=records[1])
