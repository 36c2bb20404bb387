"""What the benches share: defaults in use, work still to do, wanted margins, and figures for the screen."""

from collections.abc import Mapping, Sequence
from typing import Any

import numpy as np

from driveline.chain import Floats
from driveline.checks import Check, Result
from driveline.sheets.job import USUAL_MARGINS, WantedMargins


class Assumed(Result):
    """A default in use because nothing was entered, shown as one."""

    field: str
    text: str


class ToDo(Result):
    """Something to measure, look up or choose before an answer can be had."""

    field: str
    text: str


class Margins:
    """Wanted margins of a job, each with whether it is the usual figure."""

    def __init__(self, stated: WantedMargins) -> None:
        self._stated = stated.model_dump()

    def wanted(self, kind: str) -> float:
        """Return the margin that the job wants of a kind of check."""
        stated: float | None = self._stated[kind]
        return USUAL_MARGINS[kind] if stated is None else stated

    def check(self, kind: str, **fields: Any) -> Check:
        """Return a check that asks for the job's margin of that kind."""
        return Check(wanted_margin=self.wanted(kind), wanted_is_default=self._stated[kind] is None, **fields)

    def answer(self, *, is_so: bool | None, **fields: Any) -> Check:
        """Return a check of a question with a yes or a no; ``None`` is not known and ``missing`` says what to do."""
        return Check(is_so=is_so, demand=None, capacity=None, unit="", wanted_margin=1.0, **fields)


def missing_of(known: Mapping[str, object]) -> tuple[str, ...]:
    """Return the names of what is not known: ``None``, or ``False`` for what was to be settled. Nought is known."""
    return tuple(name for name, value in known.items() if value is None or value is False)


def wanted_words(missing: Sequence[str]) -> str:
    """Return the first thing that is missing, as a sentence; empty where nothing is."""
    return f"Still wanted: {missing[0][0].lower()}{missing[0][1:]}." if missing else ""


def rounded_array(values: Floats, digits: int) -> Floats:
    """Return figures to so many significant digits: a plot needs no more, and the answer stays small."""
    scale = 10.0 ** (digits - 1 - np.floor(np.log10(np.maximum(np.abs(values), 1e-12))))
    result: Floats = np.round(values * scale) / scale
    return result


def rounded(values: Floats, digits: int = 5) -> list[float]:
    """Return figures to so many significant digits, as a list."""
    return list(rounded_array(np.asarray(values, dtype=float), digits).tolist())


def rounded_figure(value: float | None, digits: int = 6) -> float | None:
    """Return one figure to so many significant digits; ``None`` stays, and what is not finite becomes ``None``."""
    return None if value is None or not np.isfinite(value) else float(f"{value:.{digits}g}")
