import json
import math
import re
from pathlib import Path
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.figures import System, fig, figure, nearest_fraction, num, written
from driveline.reading.measure import UNITS, Quantity, inch_text, read_value

WRITTEN = Path(__file__).parent / "data" / "written.json"  # the screen's own formatter is held to it too
READABLE = {
    "mm": Quantity.LENGTH,
    "N·m": Quantity.TORQUE,
    "km/h": Quantity.ROAD_SPEED,
    "kg": Quantity.MASS,
    "kW": Quantity.POWER,
    "rpm": Quantity.SPIN,
    "°": Quantity.ANGLE,
}


class WrittenTest(TestCase):
    def test_one_sentence_in_every_system(self) -> None:
        for case in json.loads(WRITTEN.read_text()):
            for system, text in case["written"].items():
                with self.subTest(case["text"], system=system):
                    self.assertEqual(written(case["text"], System(system)), text)

    def test_marks_are_what_the_table_holds(self) -> None:
        self.assertEqual(fig(294.234, "N·m", 0), "⟨294.234|N·m|0⟩")
        self.assertEqual(fig(-0.05, "mm", 2, signed=True), "⟨-0.05|mm|2|s⟩")
        self.assertEqual(num(294.234, "N·m", 0), "⟨294.234|N·m|0|n⟩")
        self.assertEqual(fig(None, "mm"), "?")
        self.assertEqual(fig(math.nan, "mm"), "?")

    @given(
        st.floats(-9e4, 9e4), st.sampled_from(sorted(READABLE)), st.sampled_from(System), st.integers(0, 4) | st.none()
    )
    def test_whatever_is_written_is_read_to_the_same_value(
        self, value: float, unit: str, system: System, decimals: int | None
    ) -> None:
        text = figure(value, unit, decimals, system)
        read = read_value(text, READABLE[unit])
        if text.endswith(('"', ")")):  # a fraction, with how far it is off
            self.assertAlmostEqual(read, value, delta=25.4 * 6e-5)
            return
        symbol = text.lstrip("−0123456789.\u202f").strip()
        factor = UNITS[READABLE[unit]][{"°": "deg"}.get(symbol, symbol.lower())]
        number = float(re.sub("[^0-9.]", "", text)) * math.copysign(1, value)
        self.assertAlmostEqual(read, number * factor, delta=1e-9 * max(1.0, abs(value)))

    @given(st.floats(-9e4, 9e4), st.sampled_from(sorted(READABLE)), st.sampled_from(System), st.integers(0, 4))
    def test_other_units_are_as_fine_as_the_figure(
        self, value: float, unit: str, system: System, decimals: int
    ) -> None:
        text = figure(value, unit, decimals, system)
        self.assertLessEqual(abs(read_value(text, READABLE[unit]) - value), 10.0**-decimals * 1.0001 + 1e-9)

    def test_what_resists_twist_is_told_in_the_reader_s_own_torque(self) -> None:
        self.assertEqual(written(fig(13.558179, "N·m/°", 2), System.US), "10.00\u00a0lb-ft/°")


class NearestFractionTest(TestCase):
    def test_a_length_in_decimal_inches(self) -> None:
        self.assertEqual(inch_text(209.55), "8.250 in")

    def test_hand_worked(self) -> None:
        for length_mm, denominator, text in [
            (209.55, 16, '8 1/4"'),
            (9.525, 64, '3/8"'),
            (0.1, 16, '0"'),
            (-12.7, 32, '-1/2"'),
            (25.4, 64, '1"'),
        ]:
            with self.subTest(length_mm):
                self.assertEqual(nearest_fraction(length_mm, denominator).text, text)

    @given(st.floats(-5000, 5000), st.sampled_from([16, 32, 64]))
    def test_the_error_is_within_half_a_part_and_the_text_reads_back(self, length_mm: float, denominator: int) -> None:
        written = nearest_fraction(length_mm, denominator)
        self.assertLessEqual(abs(written.error_mm), 25.4 / denominator / 2 + 1e-9)
        self.assertAlmostEqual(read_value(written.text), length_mm + written.error_mm, places=6)
