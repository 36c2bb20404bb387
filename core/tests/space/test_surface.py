"""Pieces against scanned surfaces: equal to a search over all triangles, however the surface is cut up."""

from unittest import TestCase

import numpy as np

from driveline.arrays import Floats
from driveline.space.bodies import Piece
from driveline.space.distance import nearest
from driveline.space.on_surface import depth_mm, hull_of, nearest_on, touching_spans
from driveline.space.pose import AS_IS, Placed, Pose
from driveline.space.shapes import Box, Cylinder, Faces, Hull, Mesh
from driveline.space.surface import LaidSurface, in_blocks


def rough_floor(rng: np.random.Generator, side: int = 12, length_mm: float = 400.0) -> tuple[Floats, Faces]:
    """A rough sheet about the origin, with a hole in it."""
    x, y = np.meshgrid(np.linspace(-0.5, 0.5, side + 1) * length_mm, np.linspace(-0.5, 0.5, side + 1) * length_mm)
    z = 25 * np.sin(x / 90) * np.cos(y / 70) + rng.normal(0, 1.5, x.shape)
    corner = (np.arange(side)[:, None] * (side + 1) + np.arange(side)).ravel()
    a, b, c, d = (corner + step for step in (0, 1, side + 1, side + 2))
    faces = np.concatenate([np.stack([a, c, b], -1), np.stack([b, c, d], -1)])
    hole = rng.integers(0, len(faces), 5)
    return np.column_stack([x.ravel(), y.ravel(), z.ravel()]), np.delete(faces, hole, axis=0).astype(np.int32)


def closed_ball(rng: np.random.Generator) -> tuple[Floats, Faces]:
    """A closed lump about the origin."""
    points = rng.normal(size=(60, 3))
    hull = Hull(points / np.linalg.norm(points, axis=1)[:, None] * 60)
    return hull.corners_mm, hull.faces


def any_piece(rng: np.random.Generator, reach_mm: float = 260.0) -> Piece:
    shape = (
        Box((120.0, 60.0, 40.0)),
        Cylinder(30.0, 150.0),
        Hull(rng.normal(0, 40, (12, 3))),
    )[int(rng.integers(3))]
    x, y, z = rng.uniform(-1, 1, 3) * reach_mm * np.array([1, 1, 0.6])
    roll, pitch, yaw = rng.uniform(-180, 180, 3).tolist()
    return Piece(shape, Pose(x, y, z, roll, pitch, yaw).placed)


def by_all_triangles(piece: Piece, triangles: Floats) -> float:
    """The least gap by a search that knows no blocks; nought where a triangle is met or held."""
    if piece.shape.holds(piece.placed.inverse.points(triangles.reshape(-1, 3))).any():
        return 0.0
    alone = Mesh(triangles.reshape(-1, 3), np.arange(3 * len(triangles), dtype=np.int32).reshape(-1, 3))
    fine = Piece(Hull(piece.shape.prism_mm(256)), piece.placed) if isinstance(piece.shape, Cylinder) else piece
    return nearest(fine, Piece(alone, AS_IS)).gap_mm


class NearestTest(TestCase):
    def test_it_is_what_a_search_over_all_triangles_gives(self) -> None:
        rng = np.random.default_rng(12)
        touched = 0
        for k in range(200):
            vertices, faces = closed_ball(rng) if k % 3 == 0 else rough_floor(rng, side=6)
            laid = LaidSurface(in_blocks(vertices, faces, most=9), 1.0, any_piece(rng).placed)
            piece = any_piece(rng)
            triangles = laid.placed.points(vertices[faces].reshape(-1, 3)).reshape(-1, 3, 3)
            found, want = nearest_on(piece, laid), by_all_triangles(piece, triangles)
            assert found is not None
            touched += want == 0
            self.assertAlmostEqual(found.gap_mm, want, delta=0.02, msg=f"case {k}")  # single figures are kept in blocks
            self.assertIs(found.depth_mm > 0, want == 0, f"case {k}")
            if found.gap_mm > 0:
                self.assertAlmostEqual(float(np.linalg.norm(found.on_first_mm - found.on_second_mm)), found.gap_mm, 6)
        self.assertGreater(touched, 15)

    def test_beyond_what_is_of_interest_is_none(self) -> None:
        vertices, faces = rough_floor(np.random.default_rng(1))
        laid = LaidSurface(in_blocks(vertices, faces, most=30), 1.0, AS_IS)
        high = Piece(Box((50.0, 50.0, 50.0)), Pose(z_mm=400).placed)
        self.assertIsNone(nearest_on(high, laid, within_mm=200))
        self.assertIsNotNone(nearest_on(high, laid, within_mm=400))

    def test_a_piece_wholly_in_a_surface_s_own_triangles_is_found(self) -> None:
        """A box round a small scanned lump: nothing crosses, yet it stands in it."""
        vertices, faces = closed_ball(np.random.default_rng(2))
        found = nearest_on(
            Piece(Box((300.0, 300.0, 300.0)), AS_IS), LaidSurface(in_blocks(vertices, faces), 1.0, AS_IS)
        )
        assert found is not None
        self.assertGreater(found.depth_mm, 180)

    def test_inches_are_turned_into_mm(self) -> None:
        vertices, faces = rough_floor(np.random.default_rng(3))
        piece = Piece(Box((60.0, 60.0, 60.0)), Pose(20, 30, 180, 10, 20, 30).placed)
        mm = nearest_on(piece, LaidSurface(in_blocks(vertices, faces), 1.0, AS_IS))
        inch = nearest_on(piece, LaidSurface(in_blocks(vertices / 25.4, faces), 25.4, AS_IS))
        assert mm is not None and inch is not None
        self.assertAlmostEqual(mm.gap_mm, inch.gap_mm, 3)


class OnTheWayTest(TestCase):
    def test_first_contact_is_where_stepping_finds_it(self) -> None:
        rng = np.random.default_rng(5)
        met = 0
        for _ in range(25):
            vertices, faces = rough_floor(rng, side=8)
            laid = LaidSurface(in_blocks(vertices, faces, most=20), 1.0, AS_IS)
            piece, way = any_piece(rng), np.array([20.0, -10.0, -300.0])
            first, last = touching_spans(piece, vertices[faces], way)
            ahead = (last >= 0) & (first <= 1)
            contact = float(np.clip(first[ahead].min(), 0, 1)) if ahead.any() else None
            shares = np.linspace(0, 1, 21)
            stepped = [
                s
                for s in shares
                if (near := nearest_on(piece.moved(Placed(np.eye(3), s * way)), laid)) and not near.gap_mm
            ]
            if contact is None:
                self.assertEqual(stepped, [])
            elif stepped:
                met += 1
                self.assertLessEqual(contact, stepped[0] + 1e-6)
                # A cylinder stands here for a prism about it: a touch earlier than the rounder one that is stepped.
                self.assertGreaterEqual(contact, stepped[0] - 1 / 20 - 0.01)
        self.assertGreater(met, 12)

    def test_the_hull_of_a_way_comes_as_near_as_the_nearest_step(self) -> None:
        rng = np.random.default_rng(6)
        for _ in range(25):
            vertices, faces = rough_floor(rng, side=8)
            laid = LaidSurface(in_blocks(vertices, faces, most=20), 1.0, AS_IS)
            piece, way = any_piece(rng), rng.uniform(-150, 150, 3)
            swept = nearest_on(hull_of(piece, (AS_IS, Placed(np.eye(3), way))), laid)
            steps = [nearest_on(piece.moved(Placed(np.eye(3), s * way)), laid) for s in np.linspace(0, 1, 31)]
            least = min(near.gap_mm for near in steps if near is not None)
            assert swept is not None
            self.assertLessEqual(swept.gap_mm, least + 0.02)
            self.assertGreaterEqual(swept.gap_mm, least - float(np.linalg.norm(way)) / 60 - 0.05)

    def test_moved_by_its_depth_it_is_clear_and_by_less_it_is_not(self) -> None:
        rng = np.random.default_rng(7)
        seen = 0
        while seen < 20:
            vertices, faces = rough_floor(rng, side=8)
            laid = LaidSurface(in_blocks(vertices, faces, most=20), 1.0, AS_IS)
            piece = any_piece(rng, 120)
            if not (near := nearest_on(piece, laid)) or near.gap_mm > 0:
                continue
            seen += 1
            depth = depth_mm(piece, laid)
            ways = [sign * axis for axis in np.eye(3) for sign in (1, -1)]
            after = [nearest_on(piece.moved(Placed(np.eye(3), (depth + 0.05) * way)), laid) for way in ways]
            self.assertTrue(any(one is None or one.gap_mm > 0 for one in after))
            if isinstance(piece.shape, Box):
                less = [nearest_on(piece.moved(Placed(np.eye(3), (depth - 0.05) * way)), laid) for way in ways]
                self.assertTrue(all(one is not None and one.gap_mm == 0 for one in less))
