"""What a bench is: a sheet that a person fills in, and what follows from it and the benches before it.

A bench is one folder beside this module and one line of the registry. It imports no other bench: what it needs of one
is a typed value of its own ``needs.py``, and the registry's wiring fills that in.
"""

from collections.abc import Callable, Mapping
from dataclasses import dataclass
from enum import StrEnum
from functools import cached_property
from typing import Any, Generic, TypeVar

from driveline.checks import Check, Result
from driveline.drawing.model import Drawing
from driveline.errors import NotDrawnYet
from driveline.gearing.stations import Drive, LineStation, Tick
from driveline.margins import Judge
from driveline.parts.made import FlatPart
from driveline.parts.ordered import MadePart
from driveline.results import ToDo
from driveline.sheet import Sheet

SheetT = TypeVar("SheetT", bound=Sheet)
LaidT = TypeVar("LaidT", bound="LaidOut")
NeedsT = TypeVar("NeedsT")
SolvedT = TypeVar("SolvedT")


class Progress(StrEnum):
    """How far a bench has come."""

    NOTHING_YET = "nothing yet"
    MEASURED = "measured"
    DESIGNED = "designed"
    RELEASED = "released"
    PROVED = "proved"


def progress_of(*, is_begun: bool, is_finished: bool) -> Progress:
    """Return how far a bench has come by itself; releases and deliveries of its parts come on top."""
    if not is_begun:
        return Progress.NOTHING_YET
    return Progress.DESIGNED if is_finished else Progress.MEASURED


@dataclass(frozen=True, kw_only=True)
class LaidOut:
    """What follows from a bench's own sheet by geometry alone, from chosen values: its parts, and what they want."""

    parts: tuple[FlatPart, ...] = ()
    to_do: tuple[ToDo, ...] = ()

    def part(self, key: str) -> FlatPart:
        """Return a part by its key.

        Raises:
            NotDrawnYet: If it can't be drawn.
        """
        for part in self.parts:
            if part.key == key:
                return part
        raise NotDrawnYet(" ".join(one.text for one in self.to_do))


@dataclass(frozen=True, slots=True, kw_only=True)
class Paper:
    """A sheet of paper that is no part's: drawn when it is asked for."""

    key: str  # a slug, ``bench.paper``
    title: str
    draw: Callable[[str, str], Drawing]  # the job's name, and which revision it shows
    is_full_size: bool = False  # a template: tiled at 1:1 over sheets of a printer's size


class SoughtField(Result):
    """A field, and what to type into it."""

    field: str
    text: str


class Patch(Result):
    """A triangle of a plate, with its stress."""

    x_mm: tuple[float, ...]
    y_mm: tuple[float, ...]
    mpa: float


class StressPicture(Result):
    """How stress lies in a plate."""

    yield_mpa: float
    peak_mpa: float
    patches: tuple[Patch, ...]


class Way(Result):
    """One way of several that a search found: its line of the table, and what to type in for it."""

    row: tuple[str, ...]
    fields: tuple[SoughtField, ...]


class Sought(Result):
    """What a search came to."""

    says: str
    about: str = ""  # the part that the ways are for, as its checks' keys begin
    ways: tuple[Way, ...] = ()  # the best first; which is offered is for the whole job's checks to say
    most: int = 5  # of the ways that are shown
    fields: tuple[SoughtField, ...]
    picture: StressPicture | None = None
    rows: tuple[tuple[str, ...], ...] = ()  # a table of sentences and figures, its head first


@dataclass(frozen=True, slots=True, kw_only=True)
class Seek:
    """A search that takes longer than a keystroke: it is made when somebody asks for it."""

    key: str  # a slug, ``bench.search``
    run: Callable[[], Sought]


@dataclass(frozen=True, kw_only=True)
class Outcome(Generic[SolvedT]):
    """What a bench comes to: for the benches after it (``solved``), for the screen, and for job, Line and steps."""

    solved: SolvedT
    show: Callable[[], Result]  # asked for once, and not where only checks are wanted
    check: Callable[[], tuple[Check, ...]]  # asked for once, and not where only what it solved is wanted
    to_do: tuple[ToDo, ...]
    progress: Progress
    stations: tuple[LineStation, ...] = ()
    ticks: tuple[Tick, ...] = ()  # on the Line's rule, beside those of the bench that knows what moves it
    drive: Drive | None = None  # of the bench that knows what moves the Line
    parts: tuple[MadePart, ...] = ()
    papers: tuple[Paper, ...] = ()
    seeks: tuple[Seek, ...] = ()

    @cached_property
    def result(self) -> Result:
        """What the screen shows."""
        return self.show()

    @cached_property
    def checks(self) -> tuple[Check, ...]:
        """Its checks, in its order."""
        return self.check()


@dataclass(frozen=True, kw_only=True)
class Bench(Generic[SheetT, LaidT, NeedsT, SolvedT]):
    """A bench as the registry knows it. ``lay_out`` and ``run`` depend on their arguments alone, and are remembered."""

    key: str  # of its sheet, its checks and its parts
    title: str
    word: str  # in a sentence: "adapter plate"
    letter: str  # that opens it, after g
    sheet: type[SheetT]
    result: type[Result]
    lay_out: Callable[[SheetT], LaidT]
    needs: Callable[["Given"], NeedsT]
    run: Callable[[SheetT, LaidT, NeedsT, Judge], Outcome[SolvedT]]
    leans_on: Callable[[SheetT], object] = lambda _sheet: None  # what beside its arguments both depend on, as it is now
    is_in_layout: Callable[["Given"], bool] = lambda _given: True  # by the sheets ahead of it


AnyBench = Bench[Any, Any, Any, Any]


class Given:
    """What stands before a bench: every sheet and layout of the job, and what the benches ahead of it solved."""

    def __init__(self, sheets: Mapping[str, Sheet], laid: Mapping[str, LaidOut], solved: Mapping[str, object]) -> None:
        self._sheets, self._laid, self._solved = sheets, laid, solved

    def sheet(self, bench: Bench[SheetT, Any, Any, Any]) -> SheetT:
        """Return a bench's sheet."""
        sheet: Any = self._sheets[bench.key]
        return sheet  # type: ignore[no-any-return]

    def laid(self, bench: Bench[Any, LaidT, Any, Any]) -> LaidT:
        """Return what a bench laid out."""
        laid: Any = self._laid[bench.key]
        return laid  # type: ignore[no-any-return]

    def solved(self, bench: Bench[Any, Any, Any, SolvedT]) -> SolvedT:
        """Return what a bench ahead solved."""
        solved: Any = self._solved[bench.key]
        return solved  # type: ignore[no-any-return]
