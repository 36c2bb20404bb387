"""Wanted margins of a job, and checks that ask for them."""

from collections.abc import Mapping, Sequence
from typing import Annotated, Any

from pydantic import Field

from driveline.checks import Check
from driveline.sheet import Sheet

Margin = Annotated[float, Field(gt=0, le=10)]


class WantedMargins(Sheet):
    """What each kind of check asks for; empty takes the usual figure, shown as a default."""

    maker_rating: Margin | None = None
    motor_top_speed: Margin | None = None
    shaft_speed: Margin | None = None
    grip: Margin | None = None
    wanted_performance: Margin | None = None
    load_rating: Margin | None = None
    clearance: Margin | None = None
    readings_agree: Margin | None = None
    friction_joint: Margin | None = None
    bolt_proof: Margin | None = None
    bracket_yield: Margin | None = None


USUAL_MARGINS = {
    "maker_rating": 1.0,
    "motor_top_speed": 1.05,
    "shaft_speed": 1 / 0.70,
    "grip": 1.0,
    "wanted_performance": 1.0,
    "load_rating": 1.05,
    "clearance": 1.0,
    "readings_agree": 1.0,
    "friction_joint": 1.5,
    "bolt_proof": 1.1,
    "bracket_yield": 1.5,
}


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
