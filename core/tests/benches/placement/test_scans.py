"""Scans among the bodies: a wall that was scanned is judged as one typed as a box, less what it may be out."""

import hashlib
import tempfile
from pathlib import Path
from typing import Any
from unittest import TestCase

import numpy as np

from driveline.arrays import Floats
from driveline.benches.placement.results import PlacementResult
from driveline.checks import Verdict
from driveline.memory import forget_everything
from driveline.scans.prepare import prepare
from driveline.scans.store import is_ready, keep_scans_in, scan_folder
from driveline.space.pose import Pose
from driveline.space.shapes import Box, Faces
from tests.benches.placement.test_placement import box, mm, scene, solved, spot
from tests.scans.files import stl_bytes

SCANNER = Pose(310, -220, 95, 12, -7, 31).placed  # how the scanner's axes stand in the vehicle's
AT: Floats = np.array([[250, 400, 600], [250, -400, 600], [260, 400, 0], [260, -400, 0], [250, 0, 300]], dtype=float)


def wall_mesh(fine: int = 24) -> tuple[Floats, Faces]:
    """The near side of the scene's wall, x = 250, 800 wide and 600 high, in the vehicle's axes."""
    y, z = np.meshgrid(np.linspace(-400, 400, fine + 1), np.linspace(0, 600, fine + 1))
    corner = (np.arange(fine)[:, None] * (fine + 1) + np.arange(fine)).ravel()
    a, b, c, d = (corner + step for step in (0, 1, fine + 1, fine + 2))
    faces = np.concatenate([np.stack([a, c, b], -1), np.stack([b, c, d], -1)]).astype(np.int32)
    return np.column_stack([np.full(y.size, 250.0), y.ravel(), z.ravel()]), faces


class Store:
    """A store of scans for one test."""

    def __init__(self, test: TestCase) -> None:
        folder = tempfile.TemporaryDirectory()
        test.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        test.addCleanup(keep_scans_in, keep_scans_in(self.folder / "kept"))

    def holds(self, vertices: Floats, faces: Faces) -> str:
        data = stl_bytes(SCANNER.inverse.points(vertices), faces)
        source, sha256 = self.folder / "scan.stl", hashlib.sha256(data).hexdigest()
        source.write_bytes(data)
        prepare(source, "scan.stl", scan_folder(sha256), lambda _share: None)
        return sha256


def matches(at: Floats, off_mm: Floats | None = None) -> list[dict[str, Any]]:
    on_scan = SCANNER.inverse.points(at if off_mm is None else at + off_mm)
    return [
        {"at": spot(*there), "x": mm(x), "y": mm(y), "z": mm(z)}
        for there, (x, y, z) in zip(at.tolist(), on_scan.tolist(), strict=True)
    ]


def scanned(sha256: str, **more: Any) -> dict[str, Any]:
    scan = {"file": sha256, "unit": "mm", "laid": "points", "matches": matches(AT), "noise": mm(0.5), **more}
    return {"name": "wall", "shape": "scan", "nature": "fixed", "scan": scan}


def wall_gap_mm(result: PlacementResult) -> float:
    return next(one.gap_mm for one in result.gaps if one.other == "wall")


class ScannedWallTest(TestCase):
    def setUp(self) -> None:
        self.store = Store(self)
        self.wall = self.store.holds(*wall_mesh())

    def test_it_is_as_far_off_as_the_box_less_what_it_may_be_out(self) -> None:
        for at, want in (((0, 0, 300), 100.0), ((40, 20, 350), 60.0), ((130, 0, 300), -30.0)):
            placement = scene(travel=mm(0), bodies=[scanned(self.wall)])
            placement["stands"][0]["at"] = spot(*at)
            result, checks = solved(placement)
            self.assertAlmostEqual(wall_gap_mm(result), want - 0.5, 2)
            self.assertIs(checks["placement.scans"].verdict, Verdict.HOLDS)

    def test_what_it_lacks_is_named_and_nothing_holds_without_it(self) -> None:
        for change, name in (
            ({"file": None}, "its file"),
            ({"file": "0" * 64}, "does not hold"),
            ({"unit": None}, "unit"),
            ({"noise": None}, "may be out"),
            ({"laid": None}, "how it is laid"),
            ({"matches": matches(AT[:2])}, "three points or more"),
        ):
            _, checks = solved(scene(bodies=[scanned(self.wall, **change)]))
            for key in ("placement.gap_fixed", "placement.scans"):
                self.assertIs(checks[key].verdict, Verdict.NOT_KNOWN, change)
                self.assertTrue(any(name in one for one in checks[key].missing), checks[key].missing)

    def test_a_scan_that_arrives_later_is_seen(self) -> None:
        other = wall_mesh(10)
        data = stl_bytes(SCANNER.inverse.points(other[0]), other[1])
        placement = scene(bodies=[scanned(hashlib.sha256(data).hexdigest())])
        self.assertIs(solved(placement)[1]["placement.gap_fixed"].verdict, Verdict.NOT_KNOWN)
        self.assertTrue(is_ready(self.store.holds(*other)))
        self.assertIsNot(solved(placement)[1]["placement.gap_fixed"].verdict, Verdict.NOT_KNOWN)

    def test_the_matched_point_that_is_40_mm_off_is_named(self) -> None:
        off = np.zeros(AT.shape)
        off[2] = [0, 40, 0]
        result, checks = solved(scene(bodies=[scanned(self.wall, matches=matches(AT, off))]))
        self.assertIs(checks["placement.scans"].verdict, Verdict.FAILS)
        self.assertIn("point 3 does not fit", checks["placement.scans"].says)
        self.assertEqual([one.label for one in result.scans[0].misfits if one.is_suspect], ["point 3"])

    def test_another_unit_is_said_to_be_one(self) -> None:
        result, _ = solved(scene(bodies=[scanned(self.wall, unit="cm", matches=matches(AT))]))
        self.assertEqual(result.scans[0].says, "")  # the points were typed in mm: they fit whatever the file is in
        wide = [
            {**one, **{axis: mm(10 * float(one[axis]["text"].split()[0])) for axis in "xyz"}} for one in matches(AT)
        ]
        result, _ = solved(scene(bodies=[scanned(self.wall, matches=wide)]))
        self.assertIn("0.1 times", result.scans[0].says)

    def test_laid_by_a_typed_pose_it_stands_there_and_that_it_lies_true_is_not_known(self) -> None:
        turned = {"roll": {"text": "12"}, "pitch": {"text": "-7"}, "yaw": {"text": "31"}}
        by_pose = {"laid": "pose", "up": "z", "at": spot(310, -220, 95), "angles": turned, "matches": []}
        result, checks = solved(scene(travel=mm(0), bodies=[scanned(self.wall, **by_pose)]))
        self.assertAlmostEqual(wall_gap_mm(result), 99.5, 2)
        self.assertIs(checks["placement.scans"].verdict, Verdict.NOT_KNOWN)

    def test_one_that_steers_is_judged_through_its_travel(self) -> None:
        placement = scene(travel=mm(0), none_near=["hot", "fixed"])
        travel = {"up": mm(60), "down": mm(80), "aside": mm(0)}
        lying = np.array([[250.0, y, z] for y in (-50, 50) for z in (40, 60)])
        faces = np.array([[0, 1, 2], [1, 3, 2]], dtype=np.int32)
        under = lying.copy()
        under[:, 0] = 50.0  # below the unit, whose underside is at 200: 140 mm off, 80 once it has gone up
        for vertices, want in ((under, 79.5), (lying, float(np.hypot(100, 80)) - 0.5)):
            body = scanned(self.store.holds(vertices, faces)) | {"nature": "steering", "travel": travel}
            result, _ = solved({**placement, "bodies": [body]})
            self.assertAlmostEqual(wall_gap_mm(result), want, 2)

    def test_what_is_to_be_cut_of_it_is_said_from_the_datum(self) -> None:
        placement = scene(travel=mm(0), bodies=[scanned(self.wall) | {"fate": "cut"}])
        placement["stands"][0]["at"] = spot(130, 0, 300)
        cuts = {one.axis: (one.from_mm, one.to_mm) for one in solved(placement)[0].cuts}
        step = 800 / 24  # a triangle's side: it is cut whole
        self.assertLess(cuts["left"][0], -150)
        self.assertGreater(cuts["left"][0], -160.5 - 2 * step)
        self.assertGreater(cuts["up"][1], 400)
        self.assertAlmostEqual(cuts["forward"][0], 250, 3)

    def test_on_the_way_in_it_is_met_where_the_box_is(self) -> None:
        moves = [{"way": "forward", "by": mm(200)}]
        turning = [*moves, {"way": "up", "by": mm(20), "turn": "nose_left", "angle": {"text": "20"}}]
        for way_in in (moves, turning):
            for x in (0, 30, 130):
                found = []
                for body in (scanned(self.wall), box("wall", (255, 0, 300), (10, 800, 600), nature="fixed")):
                    placement = scene(travel=mm(0), bodies=[body], way_in=way_in)
                    placement["stands"][0]["at"] = spot(x, 0, 300)
                    found.append(solved(placement)[0].way_in)
                for scan, typed in zip(*found, strict=True):
                    self.assertEqual(scan.contact_at is None, typed.contact_at is None, (x, scan, typed))
                    if scan.contact_at is not None and typed.contact_at is not None:
                        self.assertAlmostEqual(scan.contact_at, typed.contact_at, delta=0.02)
                    elif scan.gap_mm is not None and typed.gap_mm is not None:
                        self.assertAlmostEqual(scan.gap_mm, typed.gap_mm - 0.5, delta=0.6)


def laid_scan(sha256: str, case: Box) -> dict[str, Any]:
    """A scan of a unit, laid by four of its case's corners."""
    found = matches(case.corners_mm[:4])
    return {"file": sha256, "unit": "mm", "laid": "points", "noise": mm(0.5), "matches": found}


class ScannedUnitTest(TestCase):
    def test_a_unit_s_own_scan_is_lumps_that_hold_it(self) -> None:
        store = Store(self)
        case = Box((300.0, 300.0, 200.0))
        fine = halved_often(case.corners_mm, case.faces, 4)
        sha256 = store.holds(*fine)
        scan = laid_scan(sha256, case)
        placement = scene(travel=mm(0))
        placement["unit"]["bodies"] = [{"name": "case", "shape": "scan", "scan": scan}]
        result, _ = solved(placement)
        wall = next(one for one in result.gaps if one.other == "wall")
        self.assertLess(wall.gap_mm, 99.51)
        self.assertGreater(wall.gap_mm, 98.5)
        body = next(one for one in result.bodies if one.is_unit)
        self.assertEqual((body.pieces, body.scan is not None), ((), True))

    def test_bits_that_are_left_out_in_one_job_still_count_in_another(self) -> None:
        store = Store(self)
        case, bit = Box((300.0, 300.0, 200.0)), Box((4.0, 4.0, 4.0))
        fine, faces = halved_often(case.corners_mm, case.faces, 4)
        sha256 = store.holds(
            np.concatenate([fine, bit.corners_mm + [190, 0, 0]]), np.concatenate([faces, bit.faces + len(fine)])
        )
        scan = laid_scan(sha256, case)
        placement = scene(travel=mm(0))

        def gap_mm(*, without_bits: bool) -> float:
            own = {**scan, "leave_out_bits": without_bits}
            placement["unit"]["bodies"] = [{"name": "case", "shape": "scan", "scan": own}]
            return next(one for one in solved(placement)[0].gaps if one.other == "wall").gap_mm

        whole, without = gap_mm(without_bits=False), gap_mm(without_bits=True)
        self.assertLess(whole + 30, without)
        self.assertEqual(gap_mm(without_bits=False), whole)
        forget_everything()
        self.assertEqual(gap_mm(without_bits=True), without)


def halved_often(vertices: Floats, faces: Faces, times: int) -> tuple[Floats, Faces]:
    """The same surface, each triangle in four, so often."""
    for _ in range(times):
        corners = vertices[faces]
        a, b, c = corners.transpose(1, 0, 2)
        ab, bc, ca = (a + b) / 2, (b + c) / 2, (c + a) / 2
        triangles = np.concatenate([np.stack(one, 1) for one in ((a, ab, ca), (ab, b, bc), (ca, bc, c), (ab, bc, ca))])
        vertices, faces = triangles.reshape(-1, 3), np.arange(3 * len(triangles), dtype=np.int32).reshape(-1, 3)
    return vertices, faces
