"""Edges of plates by hand: areas, lengths, distances, kerf, traces that are let out, and parts set out on a sheet."""

import math
from unittest import TestCase

import numpy as np
from hypothesis import given
from hypothesis import strategies as st
from shapely import Polygon

from driveline.errors import ImpossibleInput
from driveline.flat.nesting import GAP_MM, RIM_MM, nest
from driveline.flat.outline import (
    CircleEdge,
    Edge,
    HullEdge,
    OutlineVertex,
    edge_distances_mm,
    outline_area_mm2,
    outline_bounds_mm,
    outline_length_mm,
    traced_edge,
)

SQUARE = np.array([[0.0, 0.0], [100.0, 0.0], [100.0, 60.0], [0.0, 60.0]])
# name, edge, area, length, bounds: a rectangle 100 × 60 let out by 20 has sides, four strips and one whole circle.
EDGES: list[tuple[str, Edge, float, float, tuple[float, ...]]] = [
    (
        "hull",
        HullEdge(SQUARE, 20.0),
        100 * 60 + 2 * 20 * 160 + math.pi * 400,
        320 + 2 * math.pi * 20,
        (-20, -20, 120, 80),
    ),
    ("circle", CircleEdge(50.0), math.pi * 2500, 2 * math.pi * 50, (-50, -50, 50, 50)),
    ("trace", traced_edge(SQUARE, holes=np.array([[50.0, 30.0]]), radius_mm=5), 6000, 320, (0, 0, 100, 60)),
]


class OutlineTest(TestCase):
    def test_area_length_and_bounds_by_hand(self) -> None:
        for name, edge, area, length, bounds in EDGES:
            with self.subTest(name):
                self.assertAlmostEqual(outline_area_mm2(edge.vertices), area, places=6)
                self.assertAlmostEqual(outline_length_mm(edge.vertices), length, places=6)
                np.testing.assert_allclose(np.array(outline_bounds_mm(edge.vertices)), np.array(bounds), atol=1e-9)

    def test_a_kerf_lets_every_edge_out_by_its_half(self) -> None:
        for name, edge, *_ in EDGES:
            with self.subTest(name):
                least_x, least_y, greatest_x, greatest_y = outline_bounds_mm(edge.vertices)
                grown = outline_bounds_mm(edge.grown(0.1).vertices)
                np.testing.assert_allclose(
                    grown, (least_x - 0.1, least_y - 0.1, greatest_x + 0.1, greatest_y + 0.1), atol=1e-6
                )

    def test_distances_to_sides_and_arcs(self) -> None:
        distances = edge_distances_mm(np.array([[0, 0], [50, 30], [50, 0], [-14, -14]]), HullEdge(SQUARE, 20).vertices)
        np.testing.assert_allclose(distances, [20, 50, 20, 20 - math.hypot(14, 14)], atol=1e-9)
        np.testing.assert_allclose(edge_distances_mm(np.array([[0, 0], [30, 0]]), CircleEdge(50).vertices), [50, 20])

    @given(st.lists(st.tuples(st.floats(-200, 200), st.floats(-200, 200)), min_size=3, max_size=8), st.floats(5, 40))
    def test_against_the_polygon_of_its_flattened_arcs(self, points: list[tuple[float, float]], radius: float) -> None:
        centres = np.array(points)
        try:
            vertices = HullEdge(centres, radius).vertices
        except ImpossibleInput:
            return
        hull = Polygon(centres).convex_hull if len(centres) > 2 else None
        assert hull is not None
        flat = Polygon(np.array([[v.x_mm, v.y_mm] for v in vertices])).convex_hull
        self.assertGreaterEqual(outline_area_mm2(vertices), flat.area - 1e-6)
        self.assertGreater(outline_length_mm(vertices), 2 * math.pi * radius - 1e-6)

    def test_a_trace_is_let_out_where_a_hole_lies_too_near(self) -> None:
        edge = traced_edge(SQUARE, holes=np.array([[98.0, 30.0], [50.0, 30.0]]), radius_mm=15)
        self.assertAlmostEqual(outline_bounds_mm(edge.vertices)[2], 113, places=1)
        self.assertGreaterEqual(edge_distances_mm(np.array([[98.0, 30.0]]), edge.vertices)[0], 15 - 0.05)
        apart = traced_edge(SQUARE, holes=np.array([[300.0, 30.0], [50.0, 30.0]]), radius_mm=15)
        self.assertAlmostEqual(outline_bounds_mm(apart.vertices)[2], 315, places=1)

    def test_a_trace_that_crosses_itself_is_refused(self) -> None:
        bow_tie = np.array([[0.0, 0.0], [100.0, 60.0], [100.0, 0.0], [0.0, 60.0]])
        with self.assertRaises(ImpossibleInput):
            traced_edge(bow_tie, holes=np.array([[50.0, 30.0]]), radius_mm=5)

    def test_a_clockwise_trace_comes_out_anticlockwise(self) -> None:
        vertices = traced_edge(SQUARE[::-1], holes=np.array([[50.0, 30.0]]), radius_mm=5).vertices
        self.assertAlmostEqual(outline_area_mm2(vertices), 6000)
        self.assertIsInstance(vertices[0], OutlineVertex)


class NestingTest(TestCase):
    def test_by_hand_and_turned_where_that_gives_more(self) -> None:
        # 300 × 200 with gaps of 8 on 1000 × 500, 10 free round it: 3 × 2 = 6; turned, 4 × 1.
        found = nest(part_x_mm=300, part_y_mm=200, sheet_x_mm=1000, sheet_y_mm=500)
        self.assertEqual((found.columns, found.rows, found.is_turned, found.count), (3, 2, False, 6))
        turned = nest(part_x_mm=300, part_y_mm=200, sheet_x_mm=500, sheet_y_mm=1000)
        self.assertEqual((turned.count, turned.is_turned), (6, True))
        self.assertEqual(nest(part_x_mm=300, part_y_mm=200, sheet_x_mm=250, sheet_y_mm=250).count, 0)

    @given(st.floats(20, 500), st.floats(20, 500), st.floats(50, 3000), st.floats(50, 1500))
    def test_what_is_set_out_fits(self, part_x: float, part_y: float, sheet_x: float, sheet_y: float) -> None:
        found = nest(part_x_mm=part_x, part_y_mm=part_y, sheet_x_mm=sheet_x, sheet_y_mm=sheet_y)
        if found.count:
            self.assertLessEqual(found.columns * found.pitch_x_mm - GAP_MM + 2 * RIM_MM, sheet_x + 1e-6)
            self.assertLessEqual(found.rows * found.pitch_y_mm - GAP_MM + 2 * RIM_MM, sheet_y + 1e-6)

    def test_a_part_without_size_is_refused(self) -> None:
        with self.assertRaises(ImpossibleInput):
            nest(part_x_mm=0, part_y_mm=10, sheet_x_mm=100, sheet_y_mm=100)
