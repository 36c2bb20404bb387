from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput, UnreadableMeasurement
from driveline.reading.measure import Quantity, Tool, measured, read_value

READS = [  # text, quantity, value in the canonical unit
    ("8 1/4 in", Quantity.LENGTH, 209.55),
    ('8-1/4"', Quantity.LENGTH, 209.55),
    ("8 – 1/4”", Quantity.LENGTH, 209.55),
    ("3/8 in", Quantity.LENGTH, 9.525),
    ("1' 2 1/2\"", Quantity.LENGTH, 368.3),
    ("1 ft 2 in", Quantity.LENGTH, 355.6),
    ("6'", Quantity.LENGTH, 1828.8),
    ("209.55", Quantity.LENGTH, 209.55),
    ("209,55 mm", Quantity.LENGTH, 209.55),
    ('.030"', Quantity.LENGTH, 0.762),
    ("30 thou", Quantity.LENGTH, 0.762),
    ("14mm", Quantity.LENGTH, 14),
    ("-3.2 mm", Quantity.LENGTH, -3.2),
    ("21 cm", Quantity.LENGTH, 210),
    ("5.25 deg", Quantity.ANGLE, 5.25),
    ("-5°", Quantity.ANGLE, -5),
    ("45 ft-lb", Quantity.TORQUE, 61.0118),
    ("62 Nm", Quantity.TORQUE, 62),
    ("3800 rpm", Quantity.SPIN, 3800),
    ("1 790 mm", Quantity.LENGTH, 1790),  # as Fernback and others write it: with a space, a thin and a hard one
    ("1\u2009790 mm", Quantity.LENGTH, 1790),
    ("12\u202f345.6 mm", Quantity.LENGTH, 12345.6),
    ("4\u2009092\u2009rpm", Quantity.SPIN, 4092),
    ("−0.05 mm", Quantity.LENGTH, -0.05),
    ("8¼″", Quantity.LENGTH, 209.55),
    ("½ in", Quantity.LENGTH, 12.7),
    ("2 ft 3 in", Quantity.LENGTH, 685.8),
    ("8 125/128 in", Quantity.LENGTH, 228.0046875),
    ("234.6 N·m", Quantity.TORQUE, 234.6),
    ("81 mph", Quantity.ROAD_SPEED, 130.357),
    ("3260 lb", Quantity.MASS, 1478.711),
    ("118 hp", Quantity.POWER, 87.9926),
    ("37/9", Quantity.RATIO, 4.11111),
]
REFUSED = [  # text, quantity, a word of what is said
    ("", Quantity.LENGTH, "Nothing is typed"),
    ("about 5", Quantity.LENGTH, "does not start with a number"),
    ("8 5/4", Quantity.LENGTH, "not below 1"),
    ("3/0", Quantity.LENGTH, "divides by zero"),
    ("1,209.55", Quantity.LENGTH, "two decimal marks"),
    ("12 rpm", Quantity.LENGTH, "unit of spin"),
    ("12 furlongs", Quantity.LENGTH, "not a unit known"),
    ("9" * 400, Quantity.LENGTH, "too large"),
    ("1e5", Quantity.LENGTH, "not a unit"),
    ("nan", Quantity.LENGTH, "does not start with a number"),
]


class ReadValueTest(TestCase):
    def test_what_a_fabricator_types(self) -> None:
        for text, quantity, expected in READS:
            with self.subTest(text):
                self.assertAlmostEqual(read_value(text, quantity) / expected, 1, places=5)

    def test_a_bare_number_takes_the_fields_unit(self) -> None:
        self.assertAlmostEqual(read_value("8 1/4", default_unit="in"), 209.55)

    def test_refusals_say_what_is_wrong_and_what_to_type(self) -> None:
        for text, quantity, word in REFUSED:
            with self.subTest(text[:20]), self.assertRaisesRegex(UnreadableMeasurement, word) as caught:
                read_value(text, quantity)
            self.assertTrue(caught.exception.fix)

    @given(st.floats(0, 9999), st.sampled_from(["mm", "in"]))
    def test_decimals_read_back(self, value: float, unit: str) -> None:
        factor = 25.4 if unit == "in" else 1
        self.assertAlmostEqual(read_value(f"{value:.4f} {unit}"), round(value, 4) * factor, places=6)

    @given(st.text(max_size=20))
    def test_any_text_is_read_or_refused(self, text: str) -> None:
        try:
            value = read_value(text)
        except UnreadableMeasurement:
            return
        self.assertEqual(value, value)


class AsWrittenTest(TestCase):
    @given(st.integers(1, 9_999_999), st.integers(0, 3), st.sampled_from(("\u2009", "\u202f", "\u00a0", " ")))
    def test_a_figure_in_groups_of_three_reads_back(self, thousandths: int, decimals: int, space: str) -> None:
        value = round(thousandths / 10**decimals, decimals)
        text = f"{value:,.{decimals}f}".replace(",", space)
        self.assertEqual(read_value(f"{text} mm"), value)


class MeasuredTest(TestCase):
    def test_uncertainty_is_the_stated_one_then_the_typed_one_then_the_tools(self) -> None:
        self.assertEqual(measured("209.5 ±0.1", tool=Tool.TAPE, u=0.2).u, 0.2)
        self.assertAlmostEqual(measured("209.5 ±0.1", tool=Tool.TAPE).u or 0, 0.1 / 3**0.5)
        self.assertAlmostEqual(measured("8 in +/- .01").u or 0, 0.254 / 3**0.5)
        self.assertEqual(measured("209.5", tool=Tool.TAPE).u, 1.0)
        self.assertIsNone(measured("209.5").u)

    def test_a_fraction_carries_its_own_rounding(self) -> None:
        self.assertAlmostEqual(measured("4 1/8 in", tool=Tool.CALIPER).u or 0, 0.12503, places=4)

    def test_the_text_is_kept_as_typed(self) -> None:
        self.assertEqual(measured(" 8-1/4” ").text, " 8-1/4” ")

    def test_an_uncertainty_of_nothing_is_refused(self) -> None:
        with self.assertRaises(ImpossibleInput):
            measured("10", u=0)
