"""Which standard spline a count of teeth and a diameter over them speak for."""

from typing import Final

from driveline.figures import fig

MODULES_MM: Final = (0.5, 0.75, 1.0, 1.25, 1.5, 1.75, 2.0, 2.5, 3.0, 4.0, 5.0)
PITCHES: Final = (5, 6, 8, 10, 12, 16, 20, 24, 32, 40, 48)  # teeth on an inch of diameter
NEAR: Final = 0.006  # of the diameter: chamfered tips and a caliper's jaws
INCH_MM: Final = 25.4
FEWEST: Final = 10  # teeth: fewer are mostly square-sided, which no diameter tells apart


def spline_forms(*, teeth: int, outside_mm: float) -> tuple[str, ...]:
    """Return the involute splines of 30° that have so many teeth on so large a diameter, the nearest first.

    Args:
        teeth: Counted, 4 or more.
        outside_mm: Over the teeth, above 0.

    Source:
        The major diameter of an external flat root is m (z + 1), or (z + 1) / P inches (ISO 4156-1, ANSI B92.1).
    """
    if teeth < FEWEST:
        return ()
    found = [
        (abs(module * (teeth + 1) / outside_mm - 1), f"30° involute, module {fig(module)}, ISO 4156")
        for module in MODULES_MM
    ]
    found += [
        (abs(INCH_MM * (teeth + 1) / pitch / outside_mm - 1), f"30° involute, {pitch}/{2 * pitch} pitch, ANSI B92.1")
        for pitch in PITCHES
    ]
    return tuple(words for off, words in sorted(found) if off <= NEAR)
