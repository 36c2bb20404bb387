"""Limits of size for registers, dowels and bores: ISO 286, over 3 up to 500 mm."""

import re
from bisect import bisect_left
from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.tables.loader import table

LEAST_MM: Final = 3.0
GREATEST_MM: Final = 500.0
_ZONE = re.compile(r"^([A-Za-z])(\d)$")


@dataclass(frozen=True, slots=True, kw_only=True)
class Limits:
    """Least and greatest size of a toleranced diameter, mm."""

    zone: str
    least_mm: float
    greatest_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Fit:
    """A bore and what goes into it. Play below 0 is interference."""

    bore: Limits
    shaft: Limits

    @property
    def least_play_mm(self) -> float:
        """Tightest bore on the largest shaft."""
        return self.bore.least_mm - self.shaft.greatest_mm

    @property
    def greatest_play_mm(self) -> float:
        """Widest bore on the smallest shaft."""
        return self.bore.greatest_mm - self.shaft.least_mm


def limits(nominal_mm: float, zone: str) -> Limits:
    """Return the limits of a tolerance zone at a nominal size.

    Args:
        nominal_mm: Over 3, up to and including 500.
        zone: H for bores, g h k n p s for shafts, with grade 6, 7 or 8, such as ``H7``.

    Raises:
        ImpossibleInput: If size or zone is outside the range stated above.

    Source:
        ISO 286-1 and 286-2: a fundamental deviation nearest the nominal size, and the standard tolerance from it.
    """
    if not LEAST_MM < nominal_mm <= GREATEST_MM:
        raise ImpossibleInput(
            "nominal_mm", fig(nominal_mm, "mm"), f"over {fig(LEAST_MM, 'mm')}, up to {fig(GREATEST_MM, 'mm')}"
        )
    found, data = _ZONE.match(zone), table("fits")
    letter, grade = (found[1], f"IT{found[2]}") if found else ("", "")
    if letter not in data["deviations"] or grade not in data["grades"]:
        raise ImpossibleInput("zone", zone, "one of H, g, h, k, n, p, s with grade 6, 7 or 8")
    tolerance_um = data["grades"][grade][bisect_left(data["grades"]["to_mm"], nominal_mm)]
    row = data["deviations"][letter]
    at = bisect_left(row["to_mm"], nominal_mm)
    lower_um = row["lower"][at] if "lower" in row else row["upper"][at] - tolerance_um
    return Limits(
        zone=zone,
        least_mm=nominal_mm + lower_um / 1000,
        greatest_mm=nominal_mm + (lower_um + tolerance_um) / 1000,
    )


def limits_within(nominal_mm: float, zone: str) -> Limits | None:
    """Return the limits of a zone; ``None`` where the size is outside the tables.

    Args:
        nominal_mm: Above 0.
        zone: As for ``limits``.

    Source:
        ISO 286-1.
    """
    return limits(nominal_mm, zone) if LEAST_MM < nominal_mm <= GREATEST_MM else None


def fit(nominal_mm: float, name: str) -> Fit:
    """Return a fit by its name, bore first, such as ``H7/g6``.

    Args:
        nominal_mm: Above 1, to 500.
        name: Zone of the bore, zone of the shaft.

    Raises:
        ImpossibleInput: If size or a zone is outside the tables, or the name is not two zones.

    Source:
        ISO 286-1 and -2.
    """
    bore, _, shaft = name.partition("/")
    return Fit(bore=limits(nominal_mm, bore), shaft=limits(nominal_mm, shaft))


def fit_within(nominal_mm: float, name: str) -> Fit | None:
    """Return a fit by its name; ``None`` where the size is outside the tables.

    Args:
        nominal_mm: Above 0.
        name: As for ``fit``.

    Source:
        ISO 286-1.
    """
    return fit(nominal_mm, name) if LEAST_MM < nominal_mm <= GREATEST_MM else None
