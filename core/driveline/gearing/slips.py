"""How near two figures must be for one to be taken for the other."""

from typing import Final

SAME_SHARE: Final = 0.008  # two sizes closer than this are taken for the same one
MPH_MIX: Final = (1.5, 1.7)  # km/h over mph is 1.61: a figure so far off was read in the other unit


def is_same(one: float, other: float) -> bool:
    """Say whether two sizes are taken for the same one."""
    return abs(one / other - 1) < SAME_SHARE
