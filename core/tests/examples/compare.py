"""An example's expected values against those found, and a whole file of them."""

import json
from collections.abc import Iterator, Mapping
from dataclasses import dataclass
from pathlib import Path
from typing import Any

from tests.examples.adapters import ADAPTERS


@dataclass(frozen=True, slots=True, kw_only=True)
class Line:
    """One expected value; ``got`` is ``None`` where the core gives none of that name."""

    example: str
    name: str
    expected: Any
    got: Any
    agrees: bool


@dataclass(frozen=True, slots=True, kw_only=True)
class Run:
    """A file of examples, run."""

    lines: tuple[Line, ...]
    not_built: tuple[str, ...]  # kinds that have no adapter yet

    @property
    def disagreeing(self) -> tuple[Line, ...]:
        """The values that don't agree."""
        return tuple(line for line in self.lines if not line.agrees)


def run_file(path: Path) -> Run:
    """Return a file of worked examples, run through the adapters."""
    examples = json.loads(path.read_text())["examples"]
    every = {one["id"]: one["given"] for one in examples}
    lines: list[Line] = []
    not_built: list[str] = []
    for example in examples:
        adapter = ADAPTERS.get(example["kind"])
        if adapter is None:
            not_built.append(example["kind"])
            continue
        try:
            found: Mapping[str, Any] = adapter(example["given"], every)
        except (ValueError, LookupError, ArithmeticError) as error:
            lines.append(Line(example=example["id"], name="*", expected="an answer", got=repr(error), agrees=False))
            continue
        lines += _compared(example, found)
    return Run(lines=tuple(lines), not_built=tuple(not_built))


def _compared(example: Mapping[str, Any], found: Mapping[str, Any]) -> Iterator[Line]:
    for name, expected in example["expect"].items():
        got = found.get(name)
        tolerances = (example["relative_tolerance"], example.get("absolute_tolerances", {}))
        yield Line(
            example=example["id"],
            name=name,
            expected=expected,
            got=got,
            agrees=got is not None and agrees(name, expected, got, *tolerances),
        )


def agrees(name: str, expected: Any, got: Any, relative: float, absolute: Mapping[str, float]) -> bool:
    """Say whether a value agrees: figures of a list within the tolerance of their largest, text and yes or no exactly.

    Args:
        name: Of the value; one among ``absolute`` is compared within that figure instead.
        expected: A figure, text, a yes or no, or a list or mapping of such.
        got: As found.
        relative: Tolerance.
        absolute: Tolerances of their own, by name.
    """
    if isinstance(expected, Mapping):
        return isinstance(got, Mapping) and all(
            key in got and agrees(key, one, got[key], relative, absolute) for key, one in expected.items()
        )
    if isinstance(expected, bool | str) or expected is None:
        return bool(expected == got)
    if isinstance(expected, list):
        if not isinstance(got, list | tuple) or len(got) != len(expected):
            return False
        if all(isinstance(one, int | float) for one in expected):
            scale = max((abs(one) for one in expected), default=0.0)
            within = absolute.get(name, relative * scale)
            return all(abs(one - other) <= max(within, 1e-12) for one, other in zip(expected, got, strict=True))
        return all(agrees(name, one, other, relative, absolute) for one, other in zip(expected, got, strict=True))
    if isinstance(got, bool | str):
        return False
    return bool(abs(got - expected) <= absolute.get(name, max(relative * abs(expected), 1e-12)))
