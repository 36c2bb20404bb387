"""A small evaluator of workings, apart from the program's own: units by pint, sums by Python's syntax tree."""

import ast
import math
import operator
from collections.abc import Callable
from typing import Any, Final

import pint

from driveline.working import Step

REGISTRY: Final[pint.UnitRegistry[Any]] = pint.UnitRegistry()
# A turn is a count here: n = v / C is in turns a minute.
UNITS: Final = {
    "": "dimensionless",
    "mm": "mm",
    "m": "m",
    "mm²": "mm**2",
    "m²": "m**2",
    "mm³": "mm**3",
    "mm⁴": "mm**4",
    "1/mm": "1/mm",
    "N·m": "N*m",
    "1/s": "1/s",
    "rad/s²": "1/s**2",
    "Hz": "1/s",
    "N": "N",
    "kW": "kW",
    "kg": "kg",
    "kg/m³": "kg/m**3",
    "MPa": "MPa",
    "km/h": "km/hour",
    "m/s": "m/s",
    "mm/s": "mm/s",
    "m/s²": "m/s**2",
    "rpm": "1/minute",
    "h": "hour",
    "J": "joule",
    "kg·m²": "kilogram * meter**2",
    "°": "degree",
    "%": "percent",
    "K": "delta_degC",
    "1/K": "1/delta_degC",
}
OPERATORS: Final[dict[type, Callable[[Any, Any], Any]]] = {
    ast.Add: operator.add,
    ast.Sub: operator.sub,
    ast.Mult: operator.mul,
    ast.Div: operator.truediv,
    ast.Pow: operator.pow,
}


def _plain(value: Any) -> float:
    return float(REGISTRY.Quantity(value).to("dimensionless").magnitude)


def _radians(value: Any) -> float:
    return float(REGISTRY.Quantity(value).to("radian").magnitude)


FUNCTIONS: Final[dict[str, Callable[..., Any]]] = {
    "sqrt": lambda x: x**0.5,
    "abs": abs,
    "min": lambda *all_of: min(all_of),
    "max": lambda *all_of: max(all_of),
    "sin": lambda x: math.sin(_radians(x)),
    "cos": lambda x: math.cos(_radians(x)),
    "tan": lambda x: math.tan(_radians(x)),
    "asin": lambda x: REGISTRY.Quantity(math.asin(_plain(x)), "radian"),
    "atan": lambda x: REGISTRY.Quantity(math.atan(_plain(x)), "radian"),
}


class Missing(Exception):
    """The expression has a name that is not given."""


def value_of(step: Step) -> float:
    """Return what the step's numbers give in the unit that it states.

    Raises:
        Missing: If a name is not given.
        pint.DimensionalityError: If the units don't make the one stated.
    """
    names: dict[str, Any] = {one.name: REGISTRY.Quantity(one.value, UNITS[one.unit]) for one in step.given}
    names["pi"] = math.pi
    found = _of(ast.parse(step.expression, mode="eval").body, names)
    # Nought, and what is compared with it, has every unit.
    return float(REGISTRY.Quantity(found).to(UNITS[step.unit]).magnitude) if found is not None else math.nan


def _of(node: ast.expr, names: dict[str, Any]) -> Any:
    match node:
        case ast.Constant(value=int() | float() as number):
            return number
        case ast.Name(id=name):
            if name not in names:
                raise Missing(name)
            return names[name]
        case ast.UnaryOp(op=ast.USub(), operand=operand):
            return -_of(operand, names)
        case ast.BinOp(left=left, op=op, right=right):
            return OPERATORS[type(op)](_of(left, names), _of(right, names))
        case ast.Call(func=ast.Name(id=name), args=arguments):
            return FUNCTIONS[name](*_alike([_of(one, names) for one in arguments]))
    raise Missing(ast.dump(node))


def _alike(values: list[Any]) -> list[Any]:
    """A bare nought takes the unit of what it is compared with."""
    units = next((one.units for one in values if isinstance(one, REGISTRY.Quantity) and not one.unitless), None)
    if units is None or len(values) == 1:
        return values
    return [REGISTRY.Quantity(0, units) if isinstance(one, int | float) and one == 0 else one for one in values]
