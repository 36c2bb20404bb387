"""Laws of the small parts: arcs and placings of drawings, stack-ups, pressed joints, figures of CSV cells."""

import math
from unittest import TestCase

import numpy as np
from hypothesis import assume, given
from hypothesis import strategies as st

from driveline.drawing.arcs import arc_of
from driveline.drawing.model import Circle, Layer, Path, Placing, Text, Vertex, placed_entity, reflected_entity
from driveline.drawing.svg import path_data, write_svg
from driveline.errors import ImpossibleInput, UnknownFeature
from driveline.fits.interference import Elastic, bore_stress_mpa, fit_pressure_mpa, heating_k, warm_interference_mm
from driveline.fits.stackup import Link, stack_up
from driveline.network.align import laid_over
from driveline.reading.csv_in import UnreadableFile, decimal_mark, figure_of, is_figure, rows_of, text_of
from tests.drawing.test_drawing_and_cli import plate

coordinate = st.floats(-500, 500)
STEEL, ALUMINIUM = Elastic(modulus_mpa=206_000, poisson=0.3), Elastic(modulus_mpa=70_000, poisson=0.33)


class ArcTest(TestCase):
    @given(coordinate, coordinate, coordinate, coordinate, st.floats(-3, 3))
    def test_it_runs_from_its_vertex_to_the_next(
        self, x: float, y: float, to_x: float, to_y: float, bulge: float
    ) -> None:
        assume(abs(bulge) > 0.01 and math.hypot(to_x - x, to_y - y) > 0.1)
        arc = arc_of(Vertex(x_mm=x, y_mm=y, bulge=bulge), Vertex(x_mm=to_x, y_mm=to_y))
        for deg, (px, py) in ((arc.start_deg, (x, y)), (arc.start_deg + arc.sweep_deg, (to_x, to_y))):
            at = math.radians(deg)
            found = (arc.x_mm + arc.radius_mm * math.cos(at), arc.y_mm + arc.radius_mm * math.sin(at))
            np.testing.assert_allclose(found, (px, py), atol=1e-6 * (1 + arc.radius_mm))
        self.assertEqual(math.copysign(1, arc.sweep_deg), math.copysign(1, bulge))

    def test_a_half_circle_by_hand(self) -> None:
        arc = arc_of(Vertex(x_mm=10, y_mm=0, bulge=1), Vertex(x_mm=-10, y_mm=0))
        np.testing.assert_allclose((arc.x_mm, arc.y_mm, arc.radius_mm, arc.sweep_deg), (0, 0, 10, 180), atol=1e-9)


class PlacingTest(TestCase):
    @given(coordinate, coordinate, st.floats(0.05, 4), st.booleans(), coordinate, coordinate)
    def test_distances_scale_and_turns_keep_them(
        self, x: float, y: float, scale: float, is_turned: bool, at_x: float, at_y: float
    ) -> None:
        place = Placing(x_mm=at_x, y_mm=at_y, scale=scale, is_turned=is_turned)
        one, other = place.point(x, y), place.point(0, 0)
        self.assertAlmostEqual(math.dist(one, other), scale * math.hypot(x, y), places=6)
        circle = placed_entity(Circle(layer=Layer.CUT, part="hole:H1", x_mm=x, y_mm=y, radius_mm=5), place)
        assert isinstance(circle, Circle)
        self.assertAlmostEqual(circle.radius_mm, 5 * scale)

    def test_four_quarter_turns_are_none_and_bulges_stay(self) -> None:
        path = Path(layer=Layer.CUT, part="p", vertices=(Vertex(x_mm=1, y_mm=2, bulge=0.5), Vertex(x_mm=7, y_mm=3)))
        turned = path
        for _ in range(4):
            again = placed_entity(turned, Placing(x_mm=0, y_mm=0, is_turned=True))
            assert isinstance(again, Path)
            turned = again
        self.assertEqual(turned, path)

    def test_text_is_never_set_too_small_to_read_and_turns_along(self) -> None:
        text = Text(x_mm=1, y_mm=1, height_mm=3, text="H1")
        placed = placed_entity(text, Placing(x_mm=0, y_mm=0, scale=0.1, is_turned=True, least_text_mm=2.2))
        assert isinstance(placed, Text)
        self.assertEqual((placed.height_mm, placed.turned_deg), (2.2, 90))

    def test_turned_text_is_turned_in_svg(self) -> None:
        drawing = plate("engine")
        text = Text(x_mm=1, y_mm=2, height_mm=3, text="A & B", turned_deg=90)
        svg = write_svg(drawing.model_copy(update={"entities": (text,)}))
        self.assertIn('transform="rotate(-90 1.000 -2.000)"', svg)
        self.assertIn("A &amp; B", svg)

    def test_reflected_it_is_drawn_as_the_mirror_image(self) -> None:
        path = Path(
            layer=Layer.CUT,
            part="p",
            vertices=(Vertex(x_mm=10, y_mm=0, bulge=0.4), Vertex(x_mm=0, y_mm=9)),
            closed=False,
        )
        mirrored = reflected_entity(path)
        assert isinstance(mirrored, Path)
        self.assertEqual(path_data(mirrored)[:1], "M")
        self.assertEqual({(v.x_mm, v.y_mm) for v in mirrored.vertices}, {(-10, 0), (0, 9)})


class LaidOverTest(TestCase):
    @given(
        st.lists(st.tuples(coordinate, coordinate), min_size=3, max_size=9),
        st.floats(-math.pi, math.pi),
        coordinate,
        coordinate,
    )
    def test_what_was_turned_and_moved_is_laid_back(
        self, points: list[tuple[float, float]], turn: float, x: float, y: float
    ) -> None:
        xy = np.array(points)
        assume(np.hypot(*(xy - xy.mean(0)).T).max() > 1)
        cos, sin = math.cos(turn), math.sin(turn)
        target = xy @ np.array([[cos, sin], [-sin, cos]]) + [x, y]
        np.testing.assert_allclose(laid_over(xy, target).placed(xy), target, atol=1e-6)


class StackUpTest(TestCase):
    links = st.lists(st.tuples(st.floats(-200, 200), st.floats(0, 2)), min_size=1, max_size=8)

    @given(links)
    def test_worst_is_never_less_than_likely_and_shares_are_parts_of_one(
        self, found: list[tuple[float, float]]
    ) -> None:
        stack = stack_up([Link(f"link {k}", mm, either) for k, (mm, either) in enumerate(found)])
        self.assertGreaterEqual(stack.worst_mm, stack.likely_mm - 1e-9)
        self.assertAlmostEqual(stack.nominal_mm, sum(mm for mm, _ in found))
        self.assertTrue(abs(sum(stack.shares) - 1) < 1e-9 or not any(either for _, either in found))

    def test_by_hand(self) -> None:
        """Bell housing 82 over a bar of 12, shaft tip: 82 − 12 − 45 = 25; ± 0.3 and 0.4: 0.7 at worst, 0.5 likely."""
        stack = stack_up([Link("over the bar", 82, 0.3), Link("bar", -12, 0), Link("hub", -45, 0.4)])
        self.assertEqual((stack.nominal_mm, round(stack.worst_mm, 9), round(stack.likely_mm, 9)), (25, 0.7, 0.5))
        np.testing.assert_allclose(stack.shares, (0.36, 0, 0.64))


class PressedTest(TestCase):
    @given(st.floats(0.005, 0.2), st.floats(20, 150), st.floats(1.2, 4), st.floats(1.05, 2))
    def test_more_interference_and_a_thicker_ring_press_harder(
        self, interference: float, joint: float, ring: float, factor: float
    ) -> None:
        def pressure(interference_mm: float, outside_mm: float) -> float:
            return fit_pressure_mpa(
                interference_mm=interference_mm,
                joint_mm=joint,
                outside_mm=outside_mm,
                inside_mm=0,
                outer=ALUMINIUM,
                inner=STEEL,
            )

        base = pressure(interference, ring * joint)
        self.assertAlmostEqual(pressure(factor * interference, ring * joint) / base, factor, places=6)
        self.assertGreater(pressure(interference, factor * ring * joint), base)
        self.assertEqual(pressure(-interference, ring * joint), 0)
        stress = bore_stress_mpa(pressure_mpa=base, joint_mm=joint, outside_mm=ring * joint)
        self.assertGreater(stress, base)

    def test_unlike_metals_let_go_as_they_warm_and_alike_ones_do_not(self) -> None:
        for outer, left in [(23e-6, 0.06 - 11.5e-6 * 80 * 35), (11.5e-6, 0.06)]:
            found = warm_interference_mm(
                interference_mm=0.06, joint_mm=35, warmer_k=80, outer_per_k=outer, inner_per_k=11.5e-6
            )
            self.assertAlmostEqual(found, left)

    def test_small_joints_want_at_least_three_hundredths_to_slip_on(self) -> None:
        self.assertAlmostEqual(heating_k(interference_mm=0.02, joint_mm=20, expansion_per_k=11.5e-6), 0.05 / 2.3e-4)

    def test_a_ring_smaller_than_its_joint_is_refused(self) -> None:
        for inside, joint, outside in [(0, 50, 50), (50, 50, 80), (-1, 50, 80), (0, math.nan, 80)]:
            with self.assertRaises(ImpossibleInput):
                fit_pressure_mpa(
                    interference_mm=0.1,
                    joint_mm=joint,
                    outside_mm=outside,
                    inside_mm=inside,
                    outer=STEEL,
                    inner=STEEL,
                )


class CsvCellTest(TestCase):
    def test_figures_as_people_write_them(self) -> None:
        for cell, decimal, value in [
            ("1.5", ".", 1.5),
            ("1,5", ",", 1.5),
            ("1 250,5", ",", 1250.5),
            ("1.250,5", ",", 1250.5),
            ("1.250", ",", 1250),
            ("1.250", ".", 1.25),
            ("1,234.5", ".", 1234.5),
            ("1,234,567", ",", 1234567),
            ("0.125", ",", 0.125),
            ("-3", ".", -3),
            ("1e3", ".", 1000),
        ]:
            self.assertEqual(figure_of(cell, decimal), value, cell)

    def test_the_mark_is_told_from_the_whole_file_or_asked_for(self) -> None:
        for figures, mark in [
            (["1.000", "2.5"], "."),
            (["1.000", "2,5"], ","),
            (["12", "3"], "."),
            (["1.000.000"], ","),
        ]:
            self.assertEqual(decimal_mark(figures), mark, figures)
        for unsure in (["1.000", "2.000"], ["1.000", "2.5", "3,5"]):
            with self.assertRaisesRegex(UnreadableFile, "can be a thousand times"):
                decimal_mark(unsure)

    def test_what_is_no_figure(self) -> None:
        for cell in ("", "x", "nan", "inf", "-Infinity", "1.2.3", "0x10"):
            self.assertFalse(is_figure(cell), cell)

    def test_rows_keep_their_numbers_in_the_file(self) -> None:
        rows, decimal = rows_of("# remark\n\na;b\n\n1;2,5\n", most_rows=10, example="a;b")
        self.assertEqual((rows, decimal), ([(3, ["a", "b"]), (5, ["1", "2,5"])], ","))

    def test_text_of_other_code_pages_is_read(self) -> None:
        self.assertEqual(text_of("é".encode("cp1252"), greatest_bytes=10, what="a table", example="a"), "é")
        with self.assertRaisesRegex(UnreadableFile, "a table never is"):
            text_of(b"12345678901", greatest_bytes=10, what="a table", example="a")

    def test_errors_say_what_they_are_about(self) -> None:
        self.assertIn("has no hole H9", str(UnknownFeature("hole H9")))
