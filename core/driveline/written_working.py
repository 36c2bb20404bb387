"""A working as a reader sees it: symbol, formula, numbers put in, result, in the reader's units.

Where units don't multiply out by themselves (miles an hour over inches in turns a minute) the sum carries one factor
more, shown as what it is, so that it can be done again on a pocket calculator.
"""

import math
import re
from collections.abc import Collection, Mapping
from typing import Final

from driveline.checks import Check, Result
from driveline.figures import NO_BREAK, System, figure, grouped, shown_in, written
from driveline.working import Fact, Given, Origin, Step
from driveline.working_units import DoesNotComeOut, unit_factor

SHOWN_DIGITS: Final = 5
NO_FACTOR: Final = 1e-6
NOT_SO: Final = " – which these numbers do not come to: do not rely on this line"
_TOKEN: Final = re.compile(r"(?P<name>[^\W\d]\w*)|(?P<number>\d[\d.]*(?:e-?\d+)?)|(?P<sign>\*\*\d?|[-+*/(),])|\s+")
_FIELD: Final = re.compile(r"(?P<path>[a-z]+(?:\.[a-z_]+)+)(?:: (?P<words>.+))?$")
_SIGNS: Final = {"*": " × ", "/": " / ", "+": " + ", "-": " − ", ",": ", ", "**2": "²", "**3": "³", "**4": "⁴"}
POWERS: Final = ("²", "³", "⁴")
_FUNCTIONS: Final = {"sqrt": "√", "pi": "π"}


class Put(Result):
    """A piece of a sum with its numbers put in; a number says where it is from."""

    text: str
    origin: Origin | None = None
    where: str = ""  # in words
    field: str = ""  # to go to, where it is of one


class WrittenStep(Result):
    """One sum, or one thing that was found."""

    symbol: str
    words: str
    formula: str
    put: tuple[Put, ...]
    result: str


class WrittenWorking(Result):
    """A check's working, written."""

    key: str
    bench: str
    title: str
    says: str
    steps: tuple[WrittenStep, ...]
    method: str
    note: str
    source: str


def written_working(check: Check, system: System, usual: Collection[str]) -> WrittenWorking:
    """Return a check's working in a reader's units.

    Args:
        check: With its working.
        system: Of the reader.
        usual: Paths of the fields that are empty and go by a usual value.
    """
    working = check.working
    return WrittenWorking(
        key=check.key,
        bench=check.bench,
        title=check.title,
        says=written(check.says, system),
        steps=tuple(_written(one, system, usual) for one in working.steps),
        method=written(working.method, system),
        note=written(working.note, system),
        source=written(working.source, system),
    )


def _written(one: Step | Fact, system: System, usual: Collection[str]) -> WrittenStep:
    if isinstance(one, Fact):
        return WrittenStep(symbol="", words=one.what, formula="", put=(), result=written(one.found, system))
    return WrittenStep(
        symbol=one.symbol,
        words=written(one.words, system),
        formula="".join(_formula(one.expression)),
        put=_put(one, system, usual),
        result=figure(one.value, one.unit, one.decimals, system),
    )


def _formula(expression: str, numbers: Mapping[str, str] | None = None) -> list[str]:
    """The pieces of an expression as they are printed, its names as they are or with their numbers put in."""
    pieces, before = [], "("
    for found in _TOKEN.finditer(expression):
        text = found[0]
        if found["name"]:
            text = _FUNCTIONS.get(text) or (numbers or {}).get(text, text)
        elif found["sign"]:
            is_lone = text == "-" and before in "(,+-*/"
            text = "−" if is_lone else _SIGNS.get(text, text)
        if not found[0].isspace():
            before = found[0][-1]
            pieces.append(text)
    return pieces


def _put(one: Step, system: System, usual: Collection[str]) -> tuple[Put, ...]:
    """The expression with its numbers put in, and the factor of the units where there is one."""
    given = {put.name: put for put in one.given}
    pieces: list[Put] = []
    for text in _formula(one.expression, {name: f"⟨{name}⟩" for name in given}):
        number = given.get(text[1:-1]) if text.startswith("⟨") else None
        if number is not None:
            origin = Origin.USUAL if _place_of(number.where)[0] in usual else number.origin
            shown = _shown(number, system)
            text = f"({shown})" if shown.startswith("−") else shown
            field, words = _place_of(number.where)
            pieces.append(Put(text=text, origin=origin, where=written(words, system), field=field))
        elif text in POWERS and NO_BREAK in pieces[-1].text:  # of the unit too
            pieces[-1] = pieces[-1].model_copy(update={"text": f"({pieces[-1].text})"})
            pieces.append(Put(text=text))
        elif pieces and pieces[-1].origin is None:
            pieces[-1] = Put(text=pieces[-1].text + text)
        else:
            pieces.append(Put(text=text))
    try:
        factor = unit_factor(one, system)
    except DoesNotComeOut:
        return (*pieces, Put(text=NOT_SO))
    if abs(factor - 1) > NO_FACTOR:
        pieces += [Put(text=" × "), Put(text=_significant(factor), origin=Origin.TABLE, where="for the units")]
    return tuple(pieces)


def _place_of(where: str) -> tuple[str, str]:
    """The field's path where a number is of one, and where it is from in words."""
    found = _FIELD.match(where)
    if found is None:
        return "", where
    bench, *names = found["path"].split(".")
    return found["path"], found["words"] or f"{bench}: {', '.join(names).replace('_', ' ')}"


def _shown(number: Given, system: System) -> str:
    shown = shown_in(number.unit, system)
    text = _significant(number.value * shown.factor)
    return f"{text}{'' if shown.symbol in ('°', '') else NO_BREAK}{shown.symbol}"


def _significant(value: float) -> str:
    """A number that is put into a sum, to five significant digits: enough for a result of four."""
    if value == 0:
        return "0"
    if not 1e-4 <= abs(value) < 1e7:
        mantissa, exponent = f"{value:.{SHOWN_DIGITS - 1}e}".split("e")
        digits = mantissa.rstrip("0").rstrip(".").replace("-", "−")
        return f"{digits} × 10^{int(exponent)}".replace("-", "−")
    decimals = max(SHOWN_DIGITS - 1 - math.floor(math.log10(abs(value))), 0)
    text = grouped(value, decimals)
    return text.rstrip("0").rstrip(".") if "." in text else text
