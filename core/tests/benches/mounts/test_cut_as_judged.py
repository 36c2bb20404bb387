"""What is cut is what was judged: every outline and hole against the sizes that the strength was worked out on."""

from collections.abc import Sequence
from typing import Any
from unittest import TestCase

import numpy as np
from shapely import LineString, Polygon
from shapely import box as rectangle

from driveline.benches.mounts.brackets import arm_of
from driveline.benches.mounts.ears import ears_of
from driveline.benches.mounts.landings import landing_of
from driveline.benches.mounts.patterns import parts_of
from driveline.benches.mounts.sheet import CrossMember, Mount, MountsSheet
from driveline.metal.gusseted import gusseted
from driveline.parts.made import FlatPart
from driveline.sheet import positive_of
from tests.benches.mounts.test_landings import PLOVER
from tests.demo import demo_json

JOBS: dict[str, Any] = {"plover": PLOVER, "bittern": demo_json("bittern"), "wren": demo_json("wren")}


def parts(kind: str) -> list[tuple[Mount | CrossMember, FlatPart]]:
    """Every part of a kind that the jobs have, with its mount or cross member."""
    found = []
    for job in JOBS.values():
        sheet = MountsSheet.model_validate(job["sheets"]["mounts"])
        for part in parts_of(sheet):
            name, _, last = part.key.removeprefix("mounts.").partition("_")
            if last == kind:
                owners: Sequence[Mount | CrossMember] = sheet.crosses if name.startswith("x") else sheet.mounts
                found.append((owners[int(name[1:]) - 1], part))
    return found


def outline(part: FlatPart) -> Polygon:
    return Polygon([(one.x_mm, one.y_mm) for one in part.vertices])


def depth_at(cut: Polygon, x_mm: float) -> float:
    _, low, _, high = cut.bounds
    return float(cut.intersection(LineString([(x_mm, low - 1), (x_mm, high + 1)])).length)


class CutTest(TestCase):
    def test_an_ear_has_the_foot_hole_edge_and_height_that_were_judged(self) -> None:
        for mount, part in parts("ear"):
            assert isinstance(mount, Mount)
            ear, _ = ears_of(mount.ears, "")
            assert ear is not None
            cut, (hole,) = outline(part), part.holes
            foot = cut.intersection(LineString([(-999, 0), (999, 0)]))
            self.assertAlmostEqual(foot.length, ear.root_mm)
            self.assertEqual(
                (hole.y_mm, hole.finished_mm, part.thickness_mm), (ear.height_mm, ear.hole_mm, ear.thickness_mm)
            )
            self.assertAlmostEqual(cut.bounds[3] - hole.y_mm - ear.hole_mm / 2, ear.edge_mm)
            across = cut.intersection(LineString([(-999, hole.y_mm), (999, hole.y_mm)]))
            self.assertGreaterEqual(across.length, ear.width_mm - 1e-6)
            self.assertEqual(part.stock.quantity, mount.ears.count)

    def test_a_landing_plate_has_the_size_bolts_and_thickness_that_were_judged(self) -> None:
        self.assertGreater(len(parts("landing")), 1)
        for mount, part in parts("landing"):
            found = landing_of(mount.bracket.landing)
            assert found is not None
            self.assertTrue(outline(part).equals(rectangle(0, 0, *found.size_mm)))
            middle = np.array(found.size_mm) / 2
            cut = {(hole.x_mm, hole.y_mm) for hole in part.holes}
            self.assertEqual(cut, {(float(x), float(y)) for x, y in found.bolts_mm + middle})
            self.assertEqual(part.thickness_mm, found.thickness_mm)

    def test_a_box_s_plates_make_the_box_that_was_judged(self) -> None:
        for (mount, side), (_, top) in zip(parts("side"), parts("top"), strict=True):
            bracket = mount.bracket
            breadth, depth, wall = (positive_of(one) or 0.0 for one in (bracket.breadth, bracket.depth, bracket.wall))
            for part, size in ((side, depth), (top, breadth)):
                x_0, y_0, x_1, y_1 = outline(part).bounds
                self.assertAlmostEqual(y_1 - y_0, size)
                self.assertAlmostEqual(x_1 - x_0, positive_of(bracket.length) or 0.0)
                self.assertEqual((part.thickness_mm, part.stock.quantity), (wall, 2))

    def test_a_gusset_is_as_deep_everywhere_as_it_was_judged(self) -> None:
        self.assertGreater(len(parts("gusset")), 1)
        for mount, part in parts("gusset"):
            assert isinstance(mount, Mount)
            bracket, ears = mount.bracket, positive_of(mount.ears.height) or 0.0
            whole = (positive_of(bracket.length) or 0.0) + ears
            arm = arm_of(bracket, "", np.zeros(3), np.array([0.0, whole, 0.0]), ears_mm=ears).arm
            assert arm is not None
            cut, shelf = outline(part), positive_of(bracket.wall) or 0.0
            root = 0.0 if depth_at(cut, 1.0) > depth_at(cut, cut.bounds[2] - 1.0) else cut.bounds[2]
            for lever, section in arm.taper[1:-1]:
                again = gusseted(
                    breadth_mm=positive_of(bracket.breadth) or 0.0,
                    shelf_mm=shelf,
                    gusset_mm=part.thickness_mm or 0.0,
                    count=part.stock.quantity,
                    depth_mm=shelf + depth_at(cut, abs(root - (whole - lever))),
                )
                self.assertAlmostEqual(again.upright_mm4 / section.upright_mm4, 1.0, places=6)
