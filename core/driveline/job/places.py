"""Every reading of a job: where it is, what it is called, and the job with it changed."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass

from pydantic import BaseModel

from driveline.sheet import Ratio, Reading, Sheet
from driveline.survey.sheet import AxisReading, FlangeHole, PairReading
from driveline.survey.solve import label_of

Path = tuple[str | int, ...]


@dataclass(frozen=True, slots=True)
class Place:
    """A reading, where it is, and what it is called."""

    path: Path
    reading: Reading
    what: str

    @property
    def field(self) -> str:
        """Its path as fields are named by."""
        return ".".join(str(one) for one in self.path)

    @property
    def is_counted(self) -> bool:
        """A ratio by its teeth is exact."""
        return isinstance(self.reading, Ratio) and "/" in self.reading.text


def places_in(sheet: BaseModel, path: Path = ()) -> Iterator[Place]:
    """Go through what is measured or looked up in sheets; a wish is neither."""
    if not (isinstance(sheet, Sheet) and sheet.is_wish):
        for name in type(sheet).model_fields:
            yield from _within(getattr(sheet, name), (*path, name), sheet)


def _within(value: object, path: Path, parent: BaseModel) -> Iterator[Place]:
    if isinstance(value, Reading):
        yield Place(path, value, _called(path, parent))
    elif isinstance(value, BaseModel):
        yield from places_in(value, path)
    elif isinstance(value, list | tuple):
        for k, one in enumerate(value):
            yield from _within(one, (*path, k), parent)


def _called(path: Path, parent: BaseModel) -> str:
    if isinstance(parent, PairReading | AxisReading):
        return label_of(parent)
    names = [str(one + 1) if isinstance(one, int) else one.replace("_", " ") for one in path]
    if isinstance(parent, FlangeHole):
        return f"{parent.id} {names[-1]}"
    return " ".join(names[1:])


def with_moved(value: object, steps: Sequence[tuple[Path, float]]) -> object:
    """Return sheets with the readings at some paths moved; what can't be below nought goes down to nought."""
    if isinstance(value, Reading):
        return _moved(value, sum(step for _, step in steps))
    within: dict[str | int, list[tuple[Path, float]]] = {}
    for path, step in steps:
        within.setdefault(path[0], []).append((path[1:], step))
    if isinstance(value, BaseModel):
        parts = {str(name): with_moved(getattr(value, str(name)), inner) for name, inner in within.items()}
        return value.model_copy(update=parts)
    assert isinstance(value, list | tuple)
    return type(value)(with_moved(one, within[k]) if k in within else one for k, one in enumerate(value))


def _moved(was: Reading, step: float) -> Reading:
    value = was.measured.value + step
    if not was.may_be_negative:
        value = max(value, 0.0)
    return type(was)(text=f"{value:.9f}", unit=was.measured.unit or None, tool=was.tool, u=was.measured.u)
