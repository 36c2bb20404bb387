"""Figures in words: a sentence carries value, unit and decimals as data, and is written in the reader's units last.

``fig`` puts a figure into a sentence as ``⟨294.2|N·m|0⟩``; ``written`` turns it into ``294 N·m`` or ``217 lb-ft``. The
screen does the same by the same table (``units_for_screens``).
"""

import math
import re
from dataclasses import asdict, dataclass
from decimal import ROUND_HALF_UP, Decimal
from enum import StrEnum
from fractions import Fraction
from functools import lru_cache
from typing import Any, Final

from driveline.errors import ImpossibleInput

THIN_SPACE: Final = "\u202f"  # narrow, and no line ends there
NO_BREAK: Final = "\u00a0"
EXACT_DIGITS: Final = 6

# Exact by definition, horsepower apart, which is 550 ft·lbf/s of them.
MM_PER_INCH: Final = 25.4
M_PER_FOOT: Final = 0.3048
KM_PER_MILE: Final = 1.609344
KG_PER_POUND: Final = 0.45359237
N_PER_POUND_FORCE: Final = KG_PER_POUND * 9.80665
NM_PER_POUND_FOOT: Final = N_PER_POUND_FORCE * M_PER_FOOT
KW_PER_HORSEPOWER: Final = 550 * NM_PER_POUND_FOOT / 1000

_MARK: Final = re.compile(r"⟨([^|⟩]*)\|([^|⟩]*)\|(\d+|g)(?:\|([snu]+))?⟩")


class System(StrEnum):
    """Units that a person reads in. What was typed stays as typed."""

    METRIC = "metric"
    US = "us"
    US_FRACTIONS = "us_fractions"  # as US, with lengths to the nearest 1/64 in and how far that is off
    BRITISH = "british"


def decimal(system: System) -> System:
    """Return the same units with lengths as decimals: a machinist's sheet has no fractions."""
    return System.US if system is System.US_FRACTIONS else system


@dataclass(frozen=True, slots=True)
class Shown:
    """How a metric figure is shown: ``value × factor + offset``."""

    symbol: str
    factor: float = 1.0
    offset: float = 0.0


_ROAD: Final = {
    "N·m": Shown("lb-ft", 1 / NM_PER_POUND_FOOT),
    "N·m/°": Shown("lb-ft/°", 1 / NM_PER_POUND_FOOT),
    "km/h": Shown("mph", 1 / KM_PER_MILE),
    "kW": Shown("hp", 1 / KW_PER_HORSEPOWER),
}
_US: Final = _ROAD | {
    "mm": Shown("in", 1 / MM_PER_INCH),
    "mm²": Shown("in²", 1 / MM_PER_INCH**2),
    "cm²": Shown("in²", 100 / MM_PER_INCH**2),
    "mm³": Shown("in³", 1 / MM_PER_INCH**3),
    "mm⁴": Shown("in⁴", 1 / MM_PER_INCH**4),
    "m": Shown("ft", 1 / M_PER_FOOT),
    "m²": Shown("ft²", 1 / M_PER_FOOT**2),
    "m/s": Shown("ft/s", 1 / M_PER_FOOT),
    "m/s²": Shown("ft/s²", 1 / M_PER_FOOT),
    "kg": Shown("lb", 1 / KG_PER_POUND),
    "kg/m³": Shown("lb/ft³", M_PER_FOOT**3 / KG_PER_POUND),
    "kg·m²": Shown("lb·ft²", 1 / (KG_PER_POUND * M_PER_FOOT**2)),
    "N": Shown("lbf", 1 / N_PER_POUND_FORCE),
    "N/mm": Shown("lbf/in", MM_PER_INCH / N_PER_POUND_FORCE),
    "MPa": Shown("psi", MM_PER_INCH**2 / N_PER_POUND_FORCE),
    "K": Shown("°F", 1.8),
    "°C": Shown("°F", 1.8, 32.0),
    "1/K": Shown("1/°F", 1 / 1.8),
    "1/mm": Shown("1/in", MM_PER_INCH),
}
UNITS: Final[dict[System, dict[str, Shown]]] = {
    System.METRIC: {},
    System.US: _US,
    System.US_FRACTIONS: _US,
    System.BRITISH: _ROAD,
}


def units_for_screens() -> dict[str, Any]:
    """Return the table by system, for the screen's own copy of it."""
    return {system.value: {unit: asdict(shown) for unit, shown in table.items()} for system, table in UNITS.items()}


def shown_in(unit: str, system: System) -> Shown:
    """Return how figures of a metric unit are shown in a system; itself where the system leaves it alone."""
    return UNITS[system].get(unit) or Shown(unit)


def fig(value: float | None, unit: str = "", decimals: int | None = None, *, signed: bool = False) -> str:
    """Return a figure as it stands in a sentence until the sentence is written.

    Args:
        value: In the metric unit; ``None`` and what is not finite is written as "?".
        unit: Metric symbol, such as ``N·m``; one that no system shows otherwise is written as it is.
        decimals: That the figure deserves in that unit; ``None`` for a stated size, of which all digits are written.
        signed: Write a plus too.
    """
    return _mark(value, unit, decimals, "s" if signed else "")


def num(value: float | None, unit: str = "", decimals: int | None = None) -> str:
    """Return a figure as ``fig`` does, to be written without its symbol, as in "294 of 320 N·m"."""
    return _mark(value, unit, decimals, "n")


def unit_symbol(unit: str) -> str:
    """Return the symbol that a system shows a metric unit by, as it stands in a text until that is written."""
    return _mark(1.0, unit, 0, "u")


def _mark(value: float | None, unit: str, decimals: int | None, flags: str) -> str:
    if value is None or not math.isfinite(value):
        return "?"
    kept = "g" if decimals is None else str(decimals)
    return f"⟨{value:.10g}|{unit}|{kept}{'|' if flags else ''}{flags}⟩"


def written(text: str, system: System = System.METRIC) -> str:
    """Return a text with its figures written in a system's units."""
    return _MARK.sub(lambda mark: _written_mark(mark, system), text) if "⟨" in text else text


def _written_mark(mark: re.Match[str], system: System) -> str:
    value, unit, decimals, flags = mark.groups()
    if flags == "u":
        return shown_in(unit, system).symbol
    return figure(
        float(value),
        unit,
        None if decimals == "g" else int(decimals),
        system,
        is_signed="s" in (flags or ""),
        is_bare="n" in (flags or ""),
    )


def figure(
    value: float,
    unit: str,
    decimals: int | None,
    system: System = System.METRIC,
    *,
    is_signed: bool = False,
    is_bare: bool = False,
) -> str:
    """Return a metric figure as a system writes it, with its symbol.

    Args:
        value: In the metric unit.
        unit: Metric symbol.
        decimals: As for ``fig``.
        system: To write it in.
        is_signed: Write a plus too.
        is_bare: Leave the symbol out.
    """
    shown = shown_in(unit, system)
    fraction = _fraction(value, decimals) if system is System.US_FRACTIONS and unit == "mm" else None
    if fraction:
        return f"+{fraction}" if is_signed and value > 0 else fraction
    number = grouped(value * shown.factor + shown.offset, shown_decimals(value, unit, decimals, system))
    if is_signed and value > 0 and re.search(r"[1-9]", number):
        number = f"+{number}"
    return number if is_bare or not shown.symbol else f"{number}{'' if shown.symbol == '°' else NO_BREAK}{shown.symbol}"


def shown_decimals(value: float, unit: str, decimals: int | None, system: System) -> int:
    """Return the decimals that keep a figure as fine as it was, within a factor of 2; below 0 it is rounded to tens."""
    factor = shown_in(unit, system).factor
    own = _decimals_of(value) if decimals is None else decimals
    if factor == 1:
        return own
    return math.ceil((max(own, 1) if decimals is None else own) - math.log10(2 * factor))


@lru_cache(1024)
def _decimals_of(value: float) -> int:
    """Decimals of a stated size: 10.5 has one."""
    digits = f"{value:.{EXACT_DIGITS}g}"
    return max(0, -int(Decimal(digits).normalize().as_tuple().exponent))


def grouped(value: float, decimals: int) -> str:
    """Return 1790.25 as ``1 790.3``: halves go up, thousands stand apart, what rounds to nought has no sign."""
    rounded = Decimal(value).quantize(Decimal(1).scaleb(-decimals), ROUND_HALF_UP)
    whole, _, part = f"{abs(rounded):f}".partition(".")
    sign = "−" if rounded < 0 else ""
    return f"{sign}{int(whole):,}".replace(",", THIN_SPACE) + (f".{part}" if part else "")


def _fraction(value_mm: float, decimals: int | None) -> str | None:
    """A length to the nearest 1/64 in with how far that is off; ``None`` for what is finer than that."""
    nearest = nearest_fraction(value_mm, 64)
    off_in = nearest.error_mm / MM_PER_INCH
    if (decimals or 0) > 2 or not re.search("[1-9]", nearest.text):
        return None
    error = f" ({'+' if off_in > 0 else '−'}{abs(off_in):.4f})" if abs(off_in) >= 5e-5 else ""
    return nearest.text.replace("-", "−") + error


@dataclass(frozen=True, slots=True)
class NearestFraction:
    """A length written to the nearest fraction of an inch."""

    text: str
    error_mm: float  # what is written minus the length


def nearest_fraction(length_mm: float, denominator: int) -> NearestFraction:
    """Return a length to the nearest 1/16, 1/32 or 1/64 inch, with the error that makes.

    Args:
        length_mm: Any finite length; a negative one keeps its sign.
        denominator: 16, 32 or 64.

    Returns:
        Text such as ``8 1/4"`` and the error of that text.

    Raises:
        ImpossibleInput: If the denominator is not one of a rule's.
    """
    if denominator not in (16, 32, 64):
        raise ImpossibleInput("denominator", denominator, "16, 32 or 64")
    parts = round(abs(length_mm) / MM_PER_INCH * denominator)
    whole, rest = divmod(Fraction(parts, denominator), 1)
    words = [str(whole)] if whole or not rest else []
    if rest:
        words.append(f"{rest.numerator}/{rest.denominator}")
    sign = -1 if length_mm < 0 and parts else 1
    written_mm = sign * parts / denominator * MM_PER_INCH
    return NearestFraction(text=("-" if sign < 0 else "") + " ".join(words) + '"', error_mm=written_mm - length_mm)
