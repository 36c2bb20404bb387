import itertools
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.space.bodies import Body, Piece, cylinder_between, tube
from driveline.space.distance import nearest
from driveline.space.neighbours import nearest_bodies
from driveline.space.pose import Placed, Pose
from driveline.space.shapes import Box, Cylinder, Hull, Mesh

sizes = st.floats(2, 300)
angles = st.floats(-180, 180)
coordinates = st.floats(-400, 400)
poses = st.builds(Pose, coordinates, coordinates, coordinates, angles, angles, angles).map(lambda pose: pose.placed)
shapes = st.one_of(
    st.builds(lambda x, y, z: Box((x, y, z)), sizes, sizes, sizes),
    st.builds(Cylinder, st.floats(2, 150), sizes),
)
pieces = st.builds(Piece, shapes, poses)
QUICK = settings(max_examples=80, deadline=None)
SHIFTED = Placed(np.eye(3), np.zeros(3))


def within(piece: Piece, rng: np.random.Generator, count: int = 200) -> Floats:
    """Points of a piece, inside and on its skin."""
    if isinstance(piece.shape, Box):
        own = (rng.random((count, 3)) - 0.5) * np.array(piece.shape.size_mm)
    else:
        assert isinstance(piece.shape, Cylinder)
        at, out = 2 * np.pi * rng.random(count), piece.shape.radius_mm * np.sqrt(rng.random(count))
        along = (rng.random(count) - 0.5) * piece.shape.length_mm
        own = np.column_stack([along, out * np.cos(at), out * np.sin(at)])
    return piece.placed.points(own)


class DistanceTest(TestCase):
    @QUICK
    @given(pieces, pieces, poses)
    def test_it_is_the_same_both_ways_and_wherever_the_scene_stands(self, one: Piece, other: Piece, at: Placed) -> None:
        near = nearest(one, other)
        # A round piece that does not settle is a prism of 256 sides: 0.011 mm on a radius of 150.
        self.assertAlmostEqual(nearest(other, one).gap_mm, near.gap_mm, delta=0.025)
        self.assertAlmostEqual(nearest(one.moved(at), other.moved(at)).gap_mm, near.gap_mm, delta=0.025)

    @QUICK
    @given(pieces, pieces, st.integers(0, 1000))
    def test_no_two_points_of_them_are_nearer(self, one: Piece, other: Piece, seed: int) -> None:
        rng, near = np.random.default_rng(seed), nearest(one, other)
        apart = np.linalg.norm(within(one, rng)[:, None] - within(other, rng)[None], axis=2)
        self.assertLessEqual(near.gap_mm, apart.min() + 1e-6)

    @QUICK
    @given(pieces, pieces)
    def test_its_points_lie_on_both(self, one: Piece, other: Piece) -> None:
        near = nearest(one, other)
        if near.gap_mm == 0:
            return
        for piece, point in ((one, near.on_first_mm), (other, near.on_second_mm)):
            own = piece.placed.inverse.points(point)
            if isinstance(piece.shape, Box):
                self.assertTrue((np.abs(own) <= np.array(piece.shape.size_mm) / 2 + 1e-3).all())
            else:
                assert isinstance(piece.shape, Cylinder)
                self.assertLessEqual(abs(own[0]), piece.shape.length_mm / 2 + 0.02)
                self.assertLessEqual(np.hypot(own[1], own[2]), piece.shape.radius_mm + 0.02)

    @QUICK
    @given(pieces, pieces)
    def test_an_overlap_is_as_deep_as_the_least_move_that_clears_it(self, one: Piece, other: Piece) -> None:
        near = nearest(one, other)
        if near.depth_mm == 0:
            return
        for axis in np.vstack([np.eye(3), -np.eye(3)]):  # no move shorter than the depth clears it, any way
            shorter = one.moved(Placed(np.eye(3), 0.95 * near.depth_mm * axis))
            self.assertLess(nearest(shorter, other).gap_mm, 0.02 * near.depth_mm + 1e-6)

    def test_by_hand(self) -> None:
        box = Piece(Box((100, 60, 40)), SHIFTED)
        for x, gap, depth in ((80.0, 20.0, 0.0), (60.0, 0.0, 0.0), (55.0, 0.0, 5.0)):
            with self.subTest(x):
                near = nearest(box, Piece(Box((20, 200, 200)), Placed(np.eye(3), np.array([x, 0.0, 0.0]))))
                self.assertAlmostEqual(near.gap_mm, gap, places=6)
                self.assertAlmostEqual(near.depth_mm, depth, places=6)
        pipe = cylinder_between(np.array([-50.0, 0, 100]), np.array([50.0, 0, 100]), 15)
        self.assertAlmostEqual(nearest(box, pipe).gap_mm, 65.0, places=4)

    def test_a_lump_beside_a_pipe_by_hand(self) -> None:
        lump = Piece(Hull(Box((100, 60, 40)).corners_mm), SHIFTED)
        pipe = cylinder_between(np.array([-50.0, 0, 100]), np.array([50.0, 0, 100]), 15)
        for gap in (nearest(lump, pipe).gap_mm, nearest(pipe, lump).gap_mm):
            self.assertLessEqual(gap, 65.0 + 1e-9)
            self.assertGreater(gap, 64.99)

    def test_a_bend_is_never_less_than_it_is(self) -> None:
        line = np.array([[0.0, 0, 0], [300, 0, 0], [300, 200, 0]])
        bent = Body("rail", tube(line, width_mm=40, height_mm=60))
        at_the_corner = Body("probe", (Piece(Box((2, 2, 2)), Placed(np.eye(3), np.array([330.0, -30, 0]))),))
        near = nearest_bodies(bent, at_the_corner)
        assert near is not None
        self.assertLessEqual(near.gap_mm, np.hypot(9, 9) + 1e-6)  # the mitred corner stands at 320, -20
        self.assertIsNone(nearest_bodies(bent, at_the_corner, within_mm=2.0))

    def test_what_has_no_size_is_refused_by_name(self) -> None:
        with self.assertRaisesRegex(ImpossibleInput, "width"):
            Box((10, 0, 5))
        with self.assertRaisesRegex(ImpossibleInput, "length"):
            cylinder_between(np.zeros(3), np.zeros(3), 5)
        for faces in ([[0, 1, 3]], [[-1, 0, 1]]):
            with self.assertRaises(ImpossibleInput):
                Mesh(np.zeros((3, 3)), np.array(faces, dtype=np.int32))
        with self.assertRaises(ImpossibleInput):
            Mesh(np.full((3, 3), np.nan), np.array([[0, 1, 2]], dtype=np.int32))


def triangles(mesh: Piece) -> Floats:
    assert isinstance(mesh.shape, Mesh)
    found: Floats = mesh.placed.points(mesh.shape.vertices_mm)[mesh.shape.faces]
    return found


def to_triangle(point: Floats, triangle: Floats) -> float:
    """A point's distance, by its foot on the plane where that is inside, else by the edges."""
    a, b, c = triangle
    normal = np.cross(b - a, c - a)
    if np.linalg.norm(normal) > 1e-9:
        foot = point - normal * ((point - a) @ normal) / (normal @ normal)
        if all(float(np.cross(v - u, foot - u) @ normal) >= 0 for u, v in ((a, b), (b, c), (c, a))):
            return float(np.linalg.norm(point - foot))
    return min(segments_apart(point, point, u, v) for u, v in ((a, b), (b, c), (c, a)))


def segments_apart(p: Floats, q: Floats, u: Floats, v: Floats) -> float:
    """Two segments' distance, by trying every end and both free."""
    d, e, r = q - p, v - u, p - u
    tries = [(s, float(np.clip((r + s * d) @ e / max(float(e @ e), 1e-12), 0, 1))) for s in (0.0, 1.0)]
    tries += [(float(np.clip((t * e - r) @ d / max(float(d @ d), 1e-12), 0, 1)), t) for t in (0.0, 1.0)]
    cross = (d @ d) * (e @ e) - (d @ e) ** 2
    if cross > 1e-9:
        s = ((d @ e) * (r @ e) - (e @ e) * (r @ d)) / cross
        t = ((d @ d) * (r @ e) - (d @ e) * (r @ d)) / cross
        if 0 <= s <= 1 and 0 <= t <= 1:
            tries.append((float(s), float(t)))
    return min(float(np.linalg.norm(r + s * d - t * e)) for s, t in tries)


def pierces(p: Floats, q: Floats, triangle: Floats) -> bool:
    a, b, c = triangle
    normal = np.cross(b - a, c - a)
    from_p, from_q = (p - a) @ normal, (q - a) @ normal
    if from_p * from_q > 0 or from_p == from_q:
        return False
    at = p + (q - p) * from_p / (from_p - from_q)
    return all(float(np.cross(v - u, at - u) @ normal) >= 0 for u, v in ((a, b), (b, c), (c, a)))


def brute_mm(one: Piece, other: Piece) -> float:
    best = np.inf
    for first, second in itertools.product(triangles(one), triangles(other)):
        sides = [[(t[0], t[1]), (t[1], t[2]), (t[2], t[0])] for t in (first, second)]
        if any(pierces(*side, second) for side in sides[0]) or any(pierces(*side, first) for side in sides[1]):
            return 0.0
        best = min(best, *(to_triangle(point, second) for point in first), *(to_triangle(p, first) for p in second))
        best = min(best, *(segments_apart(*a, *b) for a, b in itertools.product(*sides)))
    return float(best)


def random_mesh(rng: np.random.Generator, kind: int) -> Piece:
    """An open fan, a closed box, or a box so large that the other may be inside it."""
    at = Placed(np.eye(3), rng.uniform(-60, 60, 3))
    if kind == 0:
        return Piece(Mesh(rng.uniform(-40, 40, (6, 3)), rng.integers(0, 6, (4, 3)).astype(np.int32)), at)
    x, y, z = (rng.uniform(20, 60, 3) * (4 if kind == 2 else 1)).tolist()
    box = Box((x, y, z))
    return Piece(Mesh(box.corners_mm, box.faces), at)


class MeshTest(TestCase):
    def test_it_equals_brute_force_over_all_triangles(self) -> None:
        """200 pairs: open, closed, touching, and inside one another."""
        rng = np.random.default_rng(11)
        touching = inside = 0
        for k in range(200):
            one, other = random_mesh(rng, k % 3), random_mesh(rng, (k // 3) % 3)
            brute, found = brute_mm(one, other), nearest(one, other)
            with self.subTest(k):
                self.assertAlmostEqual(found.gap_mm, brute, delta=1e-6 * (1 + brute))
            touching += brute == 0
            inside += k % 3 == 2 and brute > 0
        self.assertGreater(touching, 20)
        self.assertGreater(inside, 5)

    def test_one_that_overlaps_comes_clear_by_its_depth(self) -> None:
        rng = np.random.default_rng(3)
        box = random_mesh(rng, 1)
        other = Piece(Box((30, 30, 30)), box.placed)
        depth = nearest(box, other).depth_mm
        self.assertGreater(depth, 5)
        clear = [nearest(box.moved(Placed(np.eye(3), depth * axis)), other).gap_mm for axis in np.eye(3)]
        clear += [nearest(box.moved(Placed(np.eye(3), -depth * axis)), other).gap_mm for axis in np.eye(3)]
        self.assertGreaterEqual(max(clear), 0.0)
        self.assertAlmostEqual(min(abs(gap) for gap in clear), 0.0, places=1)
