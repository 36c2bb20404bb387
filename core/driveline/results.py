"""What the benches share: defaults in use, work still to do, wanted margins, and figures for the screen."""

import math
from collections.abc import Iterator
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.checks import Result

COVERAGE_95: Final = 1.96  # standard uncertainties to a 95 % interval (GUM 6.2)


class Assumed(Result):
    """A default in use because nothing was entered, shown as one."""

    field: str
    text: str


class DrawnPiece(Result):
    """A convex piece to draw: its corners, a box's eight or two rings of a round one."""

    kind: str  # box or round
    corners_mm: tuple[tuple[float, float, float], ...]


class ToDo(Result):
    """Something to measure, look up or choose before an answer can be had."""

    field: str
    text: str


def assumed_in(result: object) -> Iterator[Assumed]:
    """Go through the defaults in use anywhere in a result."""
    if isinstance(result, Assumed):
        yield result
    elif isinstance(result, Result):
        for name in type(result).model_fields:
            yield from assumed_in(getattr(result, name))
    elif isinstance(result, tuple):
        for one in result:
            yield from assumed_in(one)


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
    return None if value is None or not math.isfinite(value) else float(f"{value:.{digits}g}")


class Notes:
    """Defaults and work to do, gathered on the way."""

    def __init__(self) -> None:
        self.assumed: list[Assumed] = []
        self.to_do: list[ToDo] = []
        self.queries: list[str] = []

    def default(self, value: float | None, field: str, default: float, text: str) -> float:
        """Return the value entered, or the default, noted as one."""
        if value is not None:
            return value
        self.assumed.append(Assumed(field=field, text=text))
        return default

    def need(self, is_known: bool, field: str, text: str) -> bool:
        """Note what is still to do unless it is known."""
        if not is_known:
            self.to_do.append(ToDo(field=field, text=text))
        return is_known
