"""A working: the sums behind a check, each with its numbers, their units and where they are from.

A step can be done again by anybody: ``value`` is what the program came to, ``expression`` over ``given`` gives it anew.
"""

import re
from collections.abc import Callable
from dataclasses import dataclass
from enum import StrEnum


class Origin(StrEnum):
    """Where a number is from."""

    ENTERED = "entered"  # measured, looked up or chosen, in a field
    USUAL = "usual"  # taken until the field is filled
    TABLE = "table"  # of a standard, a text, or nature
    STEP = "step"  # an earlier line
    WORKED = "worked"  # worked out elsewhere


@dataclass(frozen=True, slots=True)
class Given:
    """A number that is put into a step."""

    name: str  # as it stands in the expression
    value: float
    unit: str
    origin: Origin
    where: str  # the field's path, or in words


@dataclass(frozen=True, slots=True)
class Step:
    """One sum, ``symbol = expression``: in Python's signs, with ``sqrt``, ``min``, ``max``, ``sin`` and their kin."""

    symbol: str
    expression: str
    given: tuple[Given, ...]
    value: float
    unit: str
    decimals: int
    words: str = ""  # what it is, or when it counts


@dataclass(frozen=True, slots=True)
class Fact:
    """One thing that was found and is no sum: for questions with a yes or a no."""

    what: str
    found: str


@dataclass(frozen=True, slots=True, kw_only=True)
class Working:
    """How a check came to its figures, and where the rule is from."""

    steps: tuple[Step | Fact, ...] = ()
    source: str = ""
    note: str = ""
    method: str = ""  # of a figure that was sought by repetition: how, how often, and what was left over


MakeWorking = Callable[[], Working]


def entered(name: str, value: float, unit: str, field: str) -> Given:
    """Return a number from a field of the sheets."""
    return Given(name, value, unit, Origin.ENTERED, field)


def entered_or_usual(name: str, value: float, unit: str, field: str, *, is_usual: bool) -> Given:
    """Return a number from a field, or the usual one that stands for it while the field is empty."""
    return Given(name, value, unit, Origin.USUAL if is_usual else Origin.ENTERED, field)


def tabled(name: str, value: float, unit: str, where: str) -> Given:
    """Return a number of a standard, a text, or nature."""
    return Given(name, value, unit, Origin.TABLE, where)


def worked(name: str, value: float, unit: str, where: str) -> Given:
    """Return a number that was worked out elsewhere."""
    return Given(name, value, unit, Origin.WORKED, where)


def step(
    symbol: str,
    expression: str,
    *given: Given | Step,
    value: float,
    unit: str = "",
    decimals: int = 0,
    words: str = "",
) -> Step:
    """Return a step; an earlier one among what is given goes by its symbol."""
    numbers = tuple(
        one if isinstance(one, Given) else Given(one.symbol, one.value, one.unit, Origin.STEP, one.symbol)
        for one in given
    )
    return Step(symbol, _tidied(expression), numbers, value, unit, decimals, words)


def _tidied(expression: str) -> str:
    """An expression put together of pieces, without factors of one, noughts and brackets round a single name."""
    shorter = re.sub(r"(?<=[(\s])1 \* |^1 \* | \* 1(?![\d.])| / \(1\)", "", expression)
    shorter = re.sub(r" - 0(?![.\d])", "", shorter)
    return re.sub(r"(?<!\w)\((\w+)\)", r"\1", shorter)


def fixed_working(source: str, *facts: Fact, note: str = "") -> MakeWorking:
    """Return a working without sums."""
    return lambda: Working(steps=facts, source=source, note=note)
