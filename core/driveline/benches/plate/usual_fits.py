"""Customary figures of fits."""

from typing import Final

COLD_K: Final = 40.0  # a yard at -20 °C against a shop at 20 °C
FRICTION: Final = 0.12  # pressed dry, DIN 7190's cautious figure
