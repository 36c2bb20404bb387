"""Parallel keys: their size by the shaft's, and what they bear."""

from bisect import bisect_left
from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import MM_PER_INCH, fig
from driveline.words import Choice


class KeyEnds(Choice):
    """How a key's ends are shaped; a round end bears nothing."""

    SQUARE = "square", "square ends"
    ROUND = "round", "round ends"


@dataclass(frozen=True, slots=True, kw_only=True)
class KeySize:
    """A key's section and how deep it sits in the shaft, mm."""

    width_mm: float
    height_mm: float
    shaft_depth_mm: float  # t1


_TO_MM: Final = (30.0, 38.0, 44.0, 50.0, 58.0)
_SIZES: Final = ((8.0, 7.0, 4.0), (10.0, 8.0, 5.0), (12.0, 8.0, 5.0), (14.0, 9.0, 5.5), (16.0, 10.0, 6.0))
LEAST_SHAFT_MM: Final = 22.0  # over
REVERSING: Final = 0.5  # of what a key may bear, where the torque changes its way


_INCH_TO: Final = (1.25, 1.375, 1.75, 2.25)
_INCH_KEYS: Final = (0.25, 0.3125, 0.375, 0.5)
LEAST_INCH: Final = 0.875  # from


def inch_key(shaft_mm: float) -> KeySize | None:
    """Return the square key that the standard gives an inch shaft; ``None`` outside its table here.

    Args:
        shaft_mm: From 7/8 in, up to 2 1/4 in.

    Source:
        ASME B17.1, square keys, half of each in the shaft.
    """
    inches = shaft_mm / MM_PER_INCH
    if not LEAST_INCH <= inches <= _INCH_TO[-1]:
        return None
    side_mm = _INCH_KEYS[bisect_left(_INCH_TO, inches)] * MM_PER_INCH
    return KeySize(width_mm=side_mm, height_mm=side_mm, shaft_depth_mm=side_mm / 2)


def standard_key(shaft_mm: float) -> KeySize | None:
    """Return the key that the standard gives a shaft; ``None`` outside its table here.

    Args:
        shaft_mm: Over 22, up to 58.

    Source:
        ISO 773, DIN 6885-1.
    """
    if not LEAST_SHAFT_MM < shaft_mm <= _TO_MM[-1]:
        return None
    width, height, depth = _SIZES[bisect_left(_TO_MM, shaft_mm)]
    return KeySize(width_mm=width, height_mm=height, shaft_depth_mm=depth)


@dataclass(frozen=True, slots=True, kw_only=True)
class KeyStress:
    """What a torque does to a key, MPa."""

    effective_mm: float
    force_n: float
    shear_mpa: float
    bearing_hub_mpa: float
    bearing_shaft_mpa: float

    @property
    def bearing_mpa(self) -> float:
        """The worse of its two flanks."""
        return max(self.bearing_hub_mpa, self.bearing_shaft_mpa)


def key_stress(*, torque_nm: float, shaft_mm: float, key: KeySize, length_mm: float, ends: KeyEnds) -> KeyStress:
    """Return the stresses of a key.

    Args:
        torque_nm: 0 or more.
        shaft_mm: Diameter of the shaft, above the key's width.
        key: Its section.
        length_mm: Over all; with round ends the width of the key bears nothing.
        ends: Of the key.

    Raises:
        ImpossibleInput: If the key is as wide as the shaft, sits no higher than its seat, or is all ends.

    Source:
        F = 2T/d; shear F/(b l), bearing F/((h - t1) l) in the hub and F/(t1 l) in the shaft. Worked example key.
    """
    if not 0 < key.width_mm < shaft_mm:
        raise ImpossibleInput("key width", fig(key.width_mm, "mm"), f"above 0, below the shaft's {fig(shaft_mm, 'mm')}")
    if not 0 < key.shaft_depth_mm < key.height_mm:
        raise ImpossibleInput(
            "key depth in the shaft", fig(key.shaft_depth_mm, "mm"), f"below its height, {fig(key.height_mm, 'mm')}"
        )
    effective_mm = length_mm - (key.width_mm if ends is KeyEnds.ROUND else 0.0)
    if effective_mm <= 0:
        raise ImpossibleInput("key length", fig(length_mm, "mm"), f"above {fig(length_mm - effective_mm, 'mm')}")
    force_n = 2000 * torque_nm / shaft_mm
    return KeyStress(
        effective_mm=effective_mm,
        force_n=force_n,
        shear_mpa=force_n / (key.width_mm * effective_mm),
        bearing_hub_mpa=force_n / ((key.height_mm - key.shaft_depth_mm) * effective_mm),
        bearing_shaft_mpa=force_n / (key.shaft_depth_mm * effective_mm),
    )
