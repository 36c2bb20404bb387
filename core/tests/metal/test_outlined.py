"""Sections from drawings: figures by their edge, torsion against closed forms, files that can't be taken."""

import math
from unittest import TestCase, mock

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.metal.outlined import outlined, shape_of, torsion_constant_mm4
from driveline.metal.section_dxf import read_section_dxf
from driveline.metal.sections import box, channel, tube
from driveline.reading.csv_in import UnreadableFile
from tests.metal.section_files import BOX_DXF, Ring, rectangle, section_dxf


def rings(*of: Ring) -> list[Floats]:
    return [np.array(ring, dtype=float) for ring in of]


def circle(radius: float, sides: int = 120) -> Ring:
    at = 2 * np.pi * np.arange(sides) / sides
    return [(radius * math.cos(one), radius * math.sin(one)) for one in at]


TROUGH = [(0, 0), (70, 0), (70, 110), (66, 110), (66, 4), (4, 4), (4, 110), (0, 110)]


class OutlinedTest(TestCase):
    def test_a_box_has_the_figures_of_a_box(self) -> None:
        found = outlined(rings(rectangle(70, 110), rectangle(70, 110, 4)))
        exact = box(breadth_mm=70, depth_mm=110, wall_mm=4)
        self.assertAlmostEqual(found.area_mm2, exact.area_mm2, places=6)
        self.assertAlmostEqual(found.level_mm4 / exact.upright_mm4, 1.0, places=9)
        self.assertAlmostEqual(found.sideways_mm4 / exact.across_mm4, 1.0, places=9)
        self.assertAlmostEqual(found.modulus_mm3 / exact.modulus_mm3, 1.0, places=9)
        self.assertAlmostEqual(found.torsion_mm4 / exact.torsion_mm4, 1.0, delta=0.04)  # its wall is no thin one

    def test_torsion_of_what_is_known_exactly(self) -> None:
        for words, of, exact in (
            ("a square bar", rings(rectangle(50, 50)), 0.14058 * 50**4),
            ("a flat bar", rings(rectangle(10, 100)), 100 * 10**3 / 3 * (1 - 0.63 * 0.1)),
            ("a round tube", rings(circle(38), circle(33)), tube(outside_mm=76, wall_mm=5).torsion_mm4),
            ("a thin box", rings(rectangle(150, 150), rectangle(150, 150, 1)), 149**3),
        ):
            with self.subTest(words):
                self.assertAlmostEqual(torsion_constant_mm4(shape_of(of)) / exact, 1.0, delta=0.01)

    def test_what_is_opened_has_next_to_no_torsion(self) -> None:
        closed = torsion_constant_mm4(shape_of(rings(rectangle(70, 110), rectangle(70, 110, 4))))
        opened = torsion_constant_mm4(shape_of(rings(TROUGH)))
        self.assertAlmostEqual(opened / ((70 + 2 * 106) * 4**3 / 3), 1.0, delta=0.02)
        self.assertLess(opened, 0.01 * closed)

    @settings(max_examples=20)
    @given(st.floats(0, 360), st.floats(-200, 200))
    def test_turned_and_moved_it_keeps_its_principal_axes(self, degrees: float, along: float) -> None:
        flat = channel(flange_mm=50, depth_mm=90, flange_thickness_mm=6, web_thickness_mm=5)
        corners = np.array([(0, 0), (50, 0), (50, 6), (5, 6), (5, 84), (50, 84), (50, 90), (0, 90)], dtype=float)
        turn = math.radians(degrees)
        turned = corners @ np.array([[math.cos(turn), math.sin(turn)], [-math.sin(turn), math.cos(turn)]]) + along
        greatest, least, _ = outlined([turned]).principal
        self.assertAlmostEqual(greatest / flat.upright_mm4, 1.0, places=6)
        self.assertAlmostEqual(least / flat.across_mm4, 1.0, places=6)

    def test_what_is_too_thin_for_how_far_it_reaches_is_refused_before_it_is_meshed(self) -> None:
        corner = [(0.0, 0.0), (4000.0, 0.0), (4000.0, 2.5), (2.5, 2.5), (2.5, 4000.0), (0.0, 4000.0)]
        with (
            mock.patch("driveline.metal.outlined.grid", side_effect=AssertionError),
            self.assertRaises(ImpossibleInput),
        ):
            outlined(rings(corner))

    def test_what_is_no_section_is_refused(self) -> None:
        crossed = [(0.0, 0.0), (50.0, 50.0), (50.0, 0.0), (0.0, 50.0)]
        for of in ([], rings([(0, 0), (1, 0)]), rings(crossed), rings(rectangle(20, 20), rectangle(60, 60, 30))):
            with self.subTest(of=len(of)), self.assertRaises(ImpossibleInput):
                outlined(of)


class SectionFileTest(TestCase):
    def test_a_hollow_section_is_read_from_its_lower_left_corner(self) -> None:
        box_rings = (rectangle(70, 110), rectangle(70, 110, 4))
        moved = section_dxf(*([(x - 300, y + 40) for x, y in ring] for ring in box_rings))
        for data in (BOX_DXF, moved):
            found = read_section_dxf(data)
            self.assertEqual([len(ring) for ring in found.rings_mm], [4, 4])
            np.testing.assert_allclose(np.ptp(found.rings_mm[0], axis=0), (70, 110))
            np.testing.assert_allclose(found.rings_mm[1].min(axis=0), (4, 4))
            self.assertEqual(found.notes, ())

    def test_plates_drawn_side_by_side_are_one_section_with_its_hollow(self) -> None:
        plates = (
            [(0, 0), (70, 0), (70, 4), (0, 4)],
            [(0, 106), (70, 106), (70, 110), (0, 110)],
            [(0, 4), (4, 4), (4, 106), (0, 106)],
            [(66, 4), (70, 4), (70, 106), (66, 106)],
        )
        found = outlined(read_section_dxf(section_dxf(*plates)).rings_mm)
        self.assertAlmostEqual(found.area_mm2, box(breadth_mm=70, depth_mm=110, wall_mm=4).area_mm2, places=6)
        self.assertTrue(found.is_closed)

    def test_a_tube_in_inches_comes_out_in_mm(self) -> None:
        found = read_section_dxf(section_dxf(circles=[(0, 0, 1.5), (0, 0, 1.3)], unit=1))
        self.assertAlmostEqual(outlined(found.rings_mm).area_mm2, math.pi * 25.4**2 * (1.5**2 - 1.3**2), delta=2.0)
        self.assertIn("units", found.notes[0])

    def test_a_section_without_a_hollow_is_said_to_be_taken_as_solid(self) -> None:
        self.assertIn("solid", read_section_dxf(section_dxf(rectangle(70, 110))).notes[0])

    def test_what_can_not_be_taken_says_why(self) -> None:
        comb = [(2.0 * (k // 2), 60.0 * ((k // 2 + k) % 2)) for k in range(800)]
        for words, data in {
            "can't be read|ASCII": b"\0\1",
            "no closed line": section_dxf(),
            "more than one section": section_dxf(rectangle(20, 20), [(x + 50, y) for x, y in rectangle(20, 20)]),
            "unit right": section_dxf(rectangle(2.75, 4.3)),
            "unit right|of all measure": section_dxf(rectangle(70_000, 110_000)),
            "too many corners": section_dxf([*comb, (800.0, -5.0), (0.0, -5.0)]),
        }.items():
            with self.subTest(words), self.assertRaisesRegex(UnreadableFile, words):
                read_section_dxf(data)
