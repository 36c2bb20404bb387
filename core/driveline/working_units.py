"""The factor of the units in a working: from the units alone, and from nothing else.

A sum is done twice: with its numbers as they stand in a reader's units, and with the same in SI. The factor is what
lies between the two. A sum that does not come out to its result even in SI is wrong, and has no factor.
"""

import ast
import math
import operator
from collections.abc import Callable, Mapping
from typing import Final

from driveline.figures import System, shown_in
from driveline.working import Step

SOUGHT: Final = 1e-5  # a root that was sought comes out nearly, all else to rounding
TURN: Final = 1 / 60  # a turn is a count: a second of one turn a minute
SI: Final = {  # of the metric units that workings stand in
    "": 1.0,
    "%": 0.01,
    "mm": 1e-3,
    "m": 1.0,
    "mm²": 1e-6,
    "cm²": 1e-4,
    "m²": 1.0,
    "mm³": 1e-9,
    "mm⁴": 1e-12,
    "1/mm": 1e3,
    "N": 1.0,
    "kN": 1e3,
    "N·m": 1.0,
    "N·m/°": 180 / math.pi,
    "N·m/rad": 1.0,
    "N/mm": 1e3,
    "N/m": 1.0,
    "MPa": 1e6,
    "GPa": 1e9,
    "kg": 1.0,
    "kg/m³": 1.0,
    "kg·m²": 1.0,
    "kW": 1e3,
    "W": 1.0,
    "J": 1.0,
    "kJ": 1e3,
    "km/h": 1 / 3.6,
    "m/s": 1.0,
    "mm/s": 1e-3,
    "m/s²": 1.0,
    "rpm": TURN,
    "1/s": 1.0,
    "Hz": 1.0,
    "rad/s²": 1.0,
    "rad/s": 1.0,
    "°": math.pi / 180,
    "K": 1.0,
    "°C": 1.0,
    "1/K": 1.0,
    "s": 1.0,
    "min": 60.0,
    "h": 3600.0,
    "µm": 1e-6,
    "g": 1e-3,
    "g·mm": 1e-6,
}


class DoesNotComeOut(ValueError):
    """A sum that does not give its result, whatever its units."""


_OPERATORS: Final[dict[type, Callable[[float, float], float]]] = {
    ast.Add: operator.add,
    ast.Sub: operator.sub,
    ast.Mult: operator.mul,
    ast.Div: operator.truediv,
    ast.Pow: operator.pow,
}
_IN_DEGREES: Final[dict[str, Callable[..., float]]] = {
    "sqrt": math.sqrt,
    "abs": abs,
    "min": min,
    "max": max,
    "sin": lambda x: math.sin(math.radians(x)),
    "tan": lambda x: math.tan(math.radians(x)),
    "asin": lambda x: math.degrees(math.asin(x)),
    "cos": lambda x: math.cos(math.radians(x)),
    "atan": lambda x: math.degrees(math.atan(x)),
}


_IN_RADIANS: Final[dict[str, Callable[..., float]]] = _IN_DEGREES | {
    "sin": math.sin,
    "tan": math.tan,
    "asin": math.asin,
    "cos": math.cos,
    "atan": math.atan,
}


def unit_factor(one: Step, system: System) -> float:
    """Return what the sum of the plain numbers must be multiplied by, in a system's units; 1 where it is nought.

    Args:
        one: The step.
        system: In whose units its numbers and its result stand.

    Raises:
        DoesNotComeOut: If the sum does not give the step's value in SI units, or a unit is not known.
    """
    units = [one.unit, *(put.unit for put in one.given)]
    if unknown := [unit for unit in units if unit not in SI]:
        raise DoesNotComeOut(f"{one.symbol}: {unknown[0]}")
    names = {put.name: put.value * SI[put.unit] for put in one.given} | {"pi": math.pi}
    in_si = _of(_tree(one), names, _IN_RADIANS) / SI[one.unit]
    if not math.isclose(in_si, one.value, rel_tol=SOUGHT, abs_tol=1e-9):
        raise DoesNotComeOut(f"{one.symbol} = {one.expression}: {in_si:g}, not {one.value:g}")
    plain = plain_value(one, system)
    return in_si * _scale(one.unit, system) / plain if plain and in_si else 1.0


def plain_value(one: Step, system: System) -> float:
    """Return the sum of the plain numbers as they stand in a system's units; a percentage is its hundredth."""
    names = {put.name: put.value * _scale(put.unit, system) for put in one.given} | {"pi": math.pi}
    return _of(_tree(one), names, _IN_DEGREES)


def _scale(unit: str, system: System) -> float:
    return 0.01 if unit == "%" else shown_in(unit, system).factor


def _tree(one: Step) -> ast.expr:
    return ast.parse(one.expression, mode="eval").body


def _of(node: ast.expr, names: Mapping[str, float], functions: Mapping[str, Callable[..., float]]) -> float:
    match node:
        case ast.Constant(value=int() | float() as number):
            return float(number)
        case ast.Name(id=name):
            return names[name]
        case ast.UnaryOp(operand=operand):
            return -_of(operand, names, functions)
        case ast.BinOp(left=left, op=op, right=right):
            return _OPERATORS[type(op)](_of(left, names, functions), _of(right, names, functions))
        case ast.Call(func=ast.Name(id=name), args=arguments):
            return functions[name](*(_of(one, names, functions) for one in arguments))
    raise ValueError(ast.dump(node))
