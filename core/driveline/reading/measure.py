"""Reading measurements as a fabricator types them, and writing them back.

The text is kept as typed; the value is derived from it. A number without a unit takes
the unit of its field. Nothing is guessed: what can't be read is refused with the fix.
"""

import math
import re
import unicodedata
from dataclasses import dataclass
from enum import StrEnum
from fractions import Fraction
from functools import lru_cache
from typing import Final

from driveline.errors import ImpossibleInput, UnreadableMeasurement
from driveline.figures import KG_PER_POUND, KM_PER_MILE, KW_PER_HORSEPOWER, MM_PER_INCH, NM_PER_POUND_FOOT
from driveline.words import Choice

FRACTION_U_MM: Final = MM_PER_INCH / 64 / math.sqrt(12)  # a fraction is read to 1/64 in at best
GREATEST_VALUE: Final = 1e7  # nothing on a vehicle reaches it; a stuck key does
LEAST_U: Final = 1e-6  # in any unit here: finer is a slip of the key, and its square is lost in the sums


class Quantity(StrEnum):
    """What a field measures; its canonical unit is the first of ``UNITS``."""

    LENGTH = "length"
    VEHICLE_LENGTH = "vehicle_length"  # wheelbase, track, roll-out: never a few millimetres
    ANGLE = "angle"
    TORQUE = "torque"
    SPIN = "spin"
    ROAD_SPEED = "road_speed"
    MASS = "mass"
    VEHICLE_MASS = "vehicle_mass"  # a vehicle's or an axle's: never a few kilograms
    POWER = "power"
    RATIO = "ratio"


class Tool(Choice):
    """What a length or angle was measured with."""

    TAPE = "tape"
    RULE = "rule", "steel rule"
    CALIPER = "caliper"
    MICROMETER = "micrometer"
    CALIPER_GROUND = "caliper_ground", "caliper on ground faces"
    DEPTH_GAUGE = "depth_gauge"
    SQUARE = "square", "combination square"
    PLUMB_LINE = "plumb_line"
    LEVEL = "level", "spirit level"
    INCLINOMETER = "inclinometer", "digital inclinometer"
    INDICATOR = "indicator", "dial indicator"
    CARD = "card", "traced card"
    SCANNER = "scanner", "hand-held scanner"


TOOL_U_MM: Final = {
    Tool.TAPE: 1.0,
    Tool.RULE: 0.5,
    Tool.CALIPER: 0.05,
    Tool.MICROMETER: 0.003,
    Tool.CALIPER_GROUND: 0.02,
    Tool.DEPTH_GAUGE: 0.05,
    Tool.SQUARE: 0.3,
    Tool.PLUMB_LINE: 1.0,
    Tool.INDICATOR: 0.01,
    Tool.CARD: 1.0,
    Tool.SCANNER: 0.5,
}
TOOL_U_DEG: Final = {Tool.LEVEL: 0.3, Tool.INCLINOMETER: 0.1}

UNITS: Final[dict[Quantity, dict[str, float]]] = {
    Quantity.LENGTH: {
        "mm": 1.0,
        "cm": 10.0,
        "m": 1000.0,
        "in": MM_PER_INCH,
        '"': MM_PER_INCH,
        "inch": MM_PER_INCH,
        "inches": MM_PER_INCH,
        "ft": 12 * MM_PER_INCH,
        "'": 12 * MM_PER_INCH,
        "thou": MM_PER_INCH / 1000,
    },
    Quantity.ANGLE: {"deg": 1.0, "°": 1.0, "degrees": 1.0, "rad": 180 / math.pi},
    Quantity.TORQUE: {
        "nm": 1.0,
        "n·m": 1.0,
        "n.m": 1.0,
        "ft-lb": NM_PER_POUND_FOOT,
        "ftlb": NM_PER_POUND_FOOT,
        "lb-ft": NM_PER_POUND_FOOT,
        "lbft": NM_PER_POUND_FOOT,
        "ft·lb": NM_PER_POUND_FOOT,
        "in-lb": NM_PER_POUND_FOOT / 12,
    },
    Quantity.SPIN: {"rpm": 1.0, "1/min": 1.0},
    Quantity.ROAD_SPEED: {"km/h": 1.0, "kmh": 1.0, "kph": 1.0, "mph": KM_PER_MILE, "m/s": 3.6},
    Quantity.MASS: {"kg": 1.0, "lb": KG_PER_POUND, "lbs": KG_PER_POUND, "g": 0.001, "t": 1000.0},
    Quantity.POWER: {"kw": 1.0, "w": 0.001, "hp": KW_PER_HORSEPOWER},
    Quantity.RATIO: {":1": 1.0, "to 1": 1.0, "": 1.0},
}
UNITS[Quantity.VEHICLE_LENGTH] = UNITS[Quantity.LENGTH]
UNITS[Quantity.VEHICLE_MASS] = UNITS[Quantity.MASS]
LENGTHS: Final = (Quantity.LENGTH, Quantity.VEHICLE_LENGTH)
UNIT_OF_NAME: Final = {
    Quantity.LENGTH: "mm",
    Quantity.VEHICLE_LENGTH: "mm",
    Quantity.VEHICLE_MASS: "kg",
    Quantity.ANGLE: "deg",
    Quantity.TORQUE: "Nm",
    Quantity.SPIN: "rpm",
    Quantity.ROAD_SPEED: "km/h",
    Quantity.MASS: "kg",
    Quantity.POWER: "kW",
    Quantity.RATIO: "",
}
SHOWN_UNIT: Final = {"Nm": "N·m", "deg": "°"}  # as figures are written; all others are written as they are named
_EXAMPLES: Final = {
    Quantity.LENGTH: "209.55, 8 1/4 in or 1' 2 1/2\"",
    Quantity.VEHICLE_LENGTH: "2350 mm or 7' 8 1/2\"",
    Quantity.VEHICLE_MASS: "1480 kg or 3260 lb",
    Quantity.ANGLE: "5.25 deg",
    Quantity.TORQUE: "62 Nm or 45 ft-lb",
    Quantity.SPIN: "3800 rpm",
    Quantity.ROAD_SPEED: "130 km/h or 81 mph",
    Quantity.MASS: "1480 kg or 3260 lb",
    Quantity.POWER: "88 kW or 118 hp",
    Quantity.RATIO: "4.11, or teeth 37/9",
}

# Why a comma before three digits can't always be told from a decimal one: both readings must be a real thing's.
PLAUSIBLE: Final = {
    Quantity.LENGTH: (0.0, 20_000.0),
    Quantity.VEHICLE_LENGTH: (100.0, 20_000.0),
    Quantity.ANGLE: (0.0, 360.0),
    Quantity.TORQUE: (2.0, 20_000.0),
    Quantity.SPIN: (100.0, 60_000.0),
    Quantity.ROAD_SPEED: (3.0, 400.0),
    Quantity.MASS: (0.0, 60_000.0),
    Quantity.VEHICLE_MASS: (100.0, 60_000.0),
    Quantity.POWER: (0.0, 2000.0),
    Quantity.RATIO: (0.1, 50.0),
}

_DECIMAL = r"(?:\d+(?:[.,]\d*)?|[.,]\d+)"
_FRACTION = r"\d+\s*/\s*\d+"
# "8 1/4", "8-1/4", "3/8", "209,55"
_NUMBER = re.compile(rf"(?:(?P<whole>\d+)(?:\s+|\s*-\s*))?(?P<fraction>{_FRACTION})|(?P<decimal>{_DECIMAL})")
_FEET = re.compile(rf"^(?P<feet>{_DECIMAL})\s*(?:'|ft)\s*-?\s*(?P<rest>\S.*)$")
_THOUSANDS = re.compile(r"^[1-9]\d{0,2},\d{3}$")
_TOLERANCE = re.compile(r"\s*(?:±|\+/-|\+-)\s*")
_LOOKALIKES = str.maketrans(
    {"″": '"', "”": '"', "“": '"', "′": "'", "’": "'", "–": "-", "−": "-", "⁄": "/"}
    | {mark: f" {unicodedata.normalize('NFKC', mark).replace('⁄', '/')}" for mark in "½¼¾⅛⅜⅝⅞⅓⅔"}
)
# How far a fraction is off, in inches, as Fernback writes it: 25/64" (−0.0031).
_OFF = re.compile(r"\s*\(([+-]\d*\.\d+)\)$")
# Groups of three as programs write them, "1 790": never before a fraction, where the space is that of "8 125/128".
_GROUPED = re.compile(r"(?<![\d.,/])([1-9]\d{0,2})((?:\s\d{3})+)(?!\d|\s*/|\s+\d)")


@dataclass(frozen=True, slots=True, kw_only=True)
class Measured:
    """A measured value with what it takes to trust it.

    ``value`` and ``u`` are in the canonical unit of ``quantity``; ``u`` is the standard
    uncertainty, ``None`` when neither it nor the tool is stated.
    """

    value: float
    quantity: Quantity
    text: str
    tool: Tool | None = None
    u: float | None = None

    @property
    def unit(self) -> str:
        """The canonical unit of ``value`` and ``u``."""
        return UNIT_OF_NAME[self.quantity]


@lru_cache(maxsize=4096)  # a keystroke reads its whole sheet anew, and but one text of it is new
def measured(
    text: str,
    quantity: Quantity = Quantity.LENGTH,
    *,
    default_unit: str | None = None,
    tool: Tool | None = None,
    u: float | None = None,
) -> Measured:
    """Return a measurement as typed, with its uncertainty found in this order: stated, ±typed, the tool's.

    Args:
        text: As typed; may carry a tolerance, ``209.5 ±0.1``, taken as ±t limits: u = t/√3.
        quantity: What the field measures.
        default_unit: Unit of a bare number; the canonical unit when left out.
        tool: What it was measured with.
        u: Standard uncertainty in the canonical unit, above 0.

    Returns:
        The value in the canonical unit, with its text untouched. A length typed as a fraction
        carries the rounding to 1/64 in on top of its tool's u.

    Raises:
        ImpossibleInput: If ``u`` is below ``LEAST_U`` or beyond all measure.
        UnreadableMeasurement: If the text can't be read, or its limits are nought.

    Source:
        Tools' defaults are workshop figures; limits to u by GUM 4.3.7 (rectangular).
    """
    if u is not None and not LEAST_U <= u < GREATEST_VALUE:
        raise ImpossibleInput("u", u, f"from {LEAST_U:g} up")
    nominal, *limits = _TOLERANCE.split(text, maxsplit=1)
    value = read_value(nominal, quantity, default_unit=default_unit)
    if u is None and limits:
        unit_of_nominal = _typed_unit(nominal, quantity) or default_unit
        u = read_value(limits[0], quantity, default_unit=unit_of_nominal) / math.sqrt(3)
        if not u >= LEAST_U:
            fix = "Leave the ± out, or type what the tool is good for, such as ±0.1."
            raise UnreadableMeasurement(text, "Nothing is measured to ±0.", fix)
    if u is None and tool is not None:
        u = (TOOL_U_DEG if quantity is Quantity.ANGLE else TOOL_U_MM).get(tool)
        if u is not None and quantity in LENGTHS and "/" in nominal.translate(_LOOKALIKES):
            u = math.hypot(u, FRACTION_U_MM)
    return Measured(value=value, quantity=quantity, text=text, tool=tool, u=u)


def read_value(text: str, quantity: Quantity = Quantity.LENGTH, *, default_unit: str | None = None) -> float:
    """Return the number that a person typed, in the canonical unit of the quantity.

    Reads decimals with point or comma, fractions, whole and fraction, feet and inches; and whatever Fernback writes
    itself, with its thin spaces, minus signs, printed fractions and how far a fraction is off.

    Args:
        text: As typed, for example ``8-1/4"``, ``1' 2 1/2"``, ``209,55 mm``, ``30 thou``, ``81 mph``.
        quantity: What the field measures.
        default_unit: Unit of a bare number; the canonical unit when left out.

    Returns:
        The value in mm, deg, Nm, rpm, km/h, kg or kW.

    Raises:
        UnreadableMeasurement: With what is wrong and what to type instead.
    """
    cleaned = _cleaned(text)
    example = f"Type it like {_EXAMPLES[quantity]}."
    if not cleaned:
        raise UnreadableMeasurement(text, "Nothing is typed here.", example)
    sign = -1.0 if cleaned.startswith("-") else 1.0
    cleaned = cleaned.lstrip("+-").strip()
    off = _OFF.search(cleaned) if quantity in LENGTHS else None
    if off:
        return sign * _read_one(text, cleaned[: off.start()], quantity, "in", example) - float(off[1]) * MM_PER_INCH
    feet = _FEET.match(cleaned) if quantity in LENGTHS else None
    if feet:
        inches_mm = _read_one(text, feet["rest"], quantity, "in", example)
        feet_mm = _decimal(text, feet["feet"], quantity, 12 * MM_PER_INCH) * 12 * MM_PER_INCH
        return sign * _within_reason(text, feet_mm + inches_mm, example)
    return sign * _read_one(text, cleaned, quantity, default_unit or UNIT_OF_NAME[quantity], example)


def _cleaned(text: str) -> str:
    """A text with the marks of print as they are typed, and the groups of a large figure put together."""
    typed = text.translate(_LOOKALIKES).strip().lower()
    return _GROUPED.sub(lambda found: found[1] + "".join(found[2].split()), typed)


def _read_one(text: str, cleaned: str, quantity: Quantity, default_unit: str, example: str) -> float:
    number = _NUMBER.match(cleaned)
    if not number:
        raise UnreadableMeasurement(text, f"“{text}” does not start with a number.", example)
    unit = cleaned[number.end() :].strip()
    factor = UNITS[quantity].get(unit or default_unit.lower())
    if factor is None:
        raise UnreadableMeasurement(text, *_unit_problem(unit, quantity, example))
    return _within_reason(text, _number(text, number, quantity, factor, example) * factor, example)


def _within_reason(text: str, value: float, example: str) -> float:
    if not value < GREATEST_VALUE:
        raise UnreadableMeasurement(text, "That is too large to be real.", example)
    return value


def _unit_problem(unit: str, quantity: Quantity, example: str) -> tuple[str, str]:
    if re.match(r"[.,]\d", unit):
        return "It has two decimal marks.", "Leave out the thousands mark: 1209.55."
    if re.match(r"[\d./-]", unit):
        return f"“{unit}” after the number can't be read.", example
    other = next((kind for kind, units in UNITS.items() if unit in units), None)
    if other:
        return (
            f"“{unit}” is a unit of {other.replace('_', ' ')}.",
            f"This field wants {quantity.replace('_', ' ')}: {example}",
        )
    return f"“{unit}” is not a unit known here.", f"Use one of {', '.join(UNITS[quantity])}."


def _number(text: str, number: re.Match[str], quantity: Quantity, factor: float, example: str) -> float:
    if number["decimal"]:
        return _decimal(text, number["decimal"], quantity, factor)
    over, under = (int(part) for part in number["fraction"].split("/"))
    if under == 0:
        raise UnreadableMeasurement(text, "The fraction divides by zero.", example)
    if number["whole"] and over >= under:
        raise UnreadableMeasurement(
            text, f"{over}/{under} after a whole number is not below 1.", "Type 8 1/4, not 8 5/4."
        )
    return float(int(number["whole"] or 0) + Fraction(over, under))


def _decimal(text: str, digits: str, quantity: Quantity, factor: float) -> float:
    """A comma is decimal, but before three digits it may part thousands: then only one reading may make sense."""
    decimal = float(digits.replace(",", "."))
    if not _THOUSANDS.match(digits):
        return decimal
    thousands = float(digits.replace(",", ""))
    least, greatest = PLAUSIBLE[quantity]
    sound = [value for value in (decimal, thousands) if least < value * factor <= greatest]
    if len(sound) == 1:
        return sound[0]
    raise UnreadableMeasurement(
        text, f"“{digits}” can be {decimal:g} or {thousands:g}.", f"Type {thousands:g}, or {decimal:g} with a point."
    )


def is_in_inches(text: str) -> bool:
    """Say whether a length was typed in inches or feet."""
    return _typed_unit(text.partition("±")[0], Quantity.LENGTH) in ("in", "ft")


def _typed_unit(text: str, quantity: Quantity) -> str | None:
    cleaned = _cleaned(text).lstrip("+-").strip()
    if quantity in LENGTHS and _FEET.match(cleaned):
        return "in"
    number = _NUMBER.match(cleaned)
    return (cleaned[number.end() :].strip() if number else "") or None


def inch_text(length_mm: float, decimals: int = 3) -> str:
    """Return a length as decimal inches, ``8.250 in``."""
    return f"{length_mm / MM_PER_INCH:.{decimals}f} in"


def quantities_for_screens() -> dict[str, str]:
    """Return the unit that a bare number of each quantity means, as figures are written, for the screen's own copy."""
    return {quantity.value: SHOWN_UNIT.get(unit, unit) for quantity, unit in UNIT_OF_NAME.items()}
