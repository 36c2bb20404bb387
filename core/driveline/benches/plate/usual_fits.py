"""Customary figures of fits."""

from typing import Final

FRICTION: Final = 0.12  # pressed dry, DIN 7190's cautious figure
