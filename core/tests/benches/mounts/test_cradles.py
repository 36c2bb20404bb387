"""A mount that takes hold of the unit by a cradle and a strap."""

import io
import math
from typing import Any
from unittest import TestCase

from ezdxf.entities.lwpolyline import LWPolyline
from ezdxf.filemanagement import read
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.benches.mounts.patterns import parts_of
from driveline.benches.mounts.sheet import MountsSheet
from driveline.checks import Check, Verdict
from driveline.drawing.dxf import write_dxf
from driveline.job.file import REGISTRY, JobFile
from driveline.parts.drawings import part_drawings
from tests.benches.mounts.test_mounts import PLOVER, changed, mm, solved
from tests.workings.test_workings import faults_of

KEYS = ("strap", "strap_feet", "strap_proof", "seated", "slides", "cradle")
CRADLE: dict[str, Any] = {
    "cylinder": mm(200),
    "angle": {"text": "120°"},
    "friction": 0.3,
    "plate": mm(10),
    "width": mm(240),
    "height": mm(130),
    "flange": mm(60),
    "breadth": mm(60),
    "thickness": mm(10),
    "foot": mm(16),
    "thread": "M12",
    "property_class": "8.8",
    "condition": "oiled",
    "tightening": {"text": "30 N·m"},
    "clamps": mm(10),
    "screws": {"tapped": "nut", "washer": mm(2.5), "length": mm(40)},
}


def job(**more: Any) -> dict[str, Any]:
    return changed(PLOVER, {"mounts.0.grip": "strap", "mounts.0.cradle": CRADLE | more})


def checks(**more: Any) -> dict[str, Check]:
    found = solved(job(**more))[1]
    return {key: found[f"mounts.m1.{key}"] for key in KEYS}


def parts(**more: Any) -> dict[str, Any]:
    sheet = MountsSheet.model_validate(job(**more)["sheets"]["mounts"])
    return {part.key: part for part in parts_of(sheet) if part.key.startswith("mounts.m1_")}


class CradleTest(TestCase):
    def test_it_is_judged_in_place_of_ears_and_its_bolt(self) -> None:
        found = solved(job())[1]
        for gone in ("ears", "ear_bolt", "tube", "tube_length"):
            self.assertNotIn(f"mounts.m1.{gone}", found)
        for key in KEYS:
            check = found[f"mounts.m1.{key}"]
            self.assertIsNot(check.verdict, Verdict.NOT_KNOWN, check.says)
            self.assertEqual(faults_of(check, check.working), [])

    def test_the_bolts_by_hand_of_the_mounts_own_load(self) -> None:
        """30 N·m oiled on M12: 30 000/(0.15 × 12) = 16.7 kN, a quarter more, and half of up and aside."""
        result, found = solved(job())
        mean = 30_000 / (0.15 * 12)
        worst = max(max(-case.force_n[2], 0.0) + abs(case.force_n[1]) for case in result.mounts[0].cases)
        self.assertAlmostEqual(
            found["mounts.m1.strap_proof"].demand or 0, 1.25 * mean + worst / 2, delta=0.01 * 250 * 84.3
        )

    def test_between_the_torques_that_are_said_all_of_it_holds(self) -> None:
        says = checks()["strap_feet"].says
        self.assertIn("Between", says)
        least, most = (float(one.split("|")[0]) for one in says.split("⟨")[2:4])
        for torque in (least * 1.001, most * 0.999):
            found = checks(tightening={"text": f"{torque:.6f} N·m"})
            for key in ("strap", "strap_feet", "strap_proof", "seated", "slides"):
                self.assertGreaterEqual(found[key].margin or 0.0, found[key].wanted_margin, (torque, key))
        self.assertIs(checks(tightening={"text": f"{most * 1.6:.6f} N·m"})["strap_feet"].verdict, Verdict.FAILS)
        loose = checks(tightening={"text": f"{least / 1.7:.6f} N·m"})
        self.assertIn(Verdict.FAILS, {loose["seated"].verdict, loose["slides"].verdict})

    def test_where_no_torque_does_it_is_said(self) -> None:
        self.assertIn("No torque does", checks(thickness=mm(3))["strap_feet"].says)

    def test_what_is_left_out_is_asked_for_and_nothing_that_hangs_on_it_holds(self) -> None:
        unstrapped = tuple(key for key in KEYS if key != "strap_proof")  # a usual torque may fail it
        hangs = {"plate": ("cradle",), "width": ("cradle",), "height": ("cradle",), "tightening": unstrapped}
        found = checks(tightening={"text": "0 N·m"})
        for check in (found[key] for key in unstrapped):
            self.assertIs(check.verdict, Verdict.NOT_KNOWN)
            self.assertIn("how its strap's bolts are tightened", " ".join(check.missing))
        for name in CRADLE:
            if name in ("flange", "clamps", "screws"):  # of the drawing, and of how far its bolts go in
                continue
            found = checks(**{name: None})
            for key in hangs.get(name, KEYS[:-1]):
                self.assertIs(found[key].verdict, Verdict.NOT_KNOWN, (name, key))
                self.assertTrue(found[key].missing)

    @settings(max_examples=10, deadline=None)
    @given(st.sampled_from(("breadth", "thickness", "plate", "width")), st.floats(1.02, 1.6))
    def test_more_metal_is_never_worse(self, name: str, times: float) -> None:
        size = float(CRADLE[name]["text"].split()[0])
        before, after = checks(), checks(**{name: mm(size * times)})
        for key in KEYS:
            self.assertGreaterEqual((after[key].margin or 0.0) + 1e-9, before[key].margin or 0.0, key)

    def test_a_cradle_that_can_not_be_is_said_by_name(self) -> None:
        found = checks(angle={"text": "175°"})
        self.assertIs(found["seated"].verdict, Verdict.NOT_KNOWN)
        self.assertIn("angle of the cradle", " ".join(found["seated"].missing))


class CradlePartsTest(TestCase):
    def test_plates_and_strap_are_drawn_and_no_ear(self) -> None:
        found = parts()
        self.assertIn("mounts.m1_cradle", found)
        self.assertIn("mounts.m1_strap", found)
        self.assertNotIn("mounts.m1_ear", found)
        self.assertEqual(found["mounts.m1_cradle"].stock.quantity, 2)

    def test_the_strap_folded_back_has_its_bolts_where_they_are_judged(self) -> None:
        """Flat, from bolt to bolt: both feet to their bends' inner faces, the uprights, the half round; less what
        two bends save."""
        strap = parts()["mounts.m1_strap"]
        (first, last), (at_1, at_2) = strap.holes, (bend.from_mm[0] for bend in strap.bends)
        thick, foot, flange, cylinder, inside = 10, 16, 60, 200, 10
        neutral = (inside + thick * (0.65 + 0.5 * math.log10(inside / thick)) / 2) * math.pi / 2
        upright = flange - thick - inside  # straight, from the cylinder's middle to the bend
        level = thick + foot - thick - inside  # straight, from the bend to the bolt
        by_hand = 2 * (level + neutral + upright) + math.pi * (cylinder + thick) / 2
        self.assertAlmostEqual(last.x_mm - first.x_mm, by_hand, places=6)
        self.assertAlmostEqual(at_1 - first.x_mm, level + neutral / 2, places=6)
        self.assertAlmostEqual(last.x_mm - at_2, level + neutral / 2, places=6)

    def test_the_plate_embraces_its_cylinder_by_the_angle_and_is_read_again(self) -> None:
        """Its rim is R cos 60° below the cylinder's middle, and as wide there as R sin 60° leaves it."""
        file = JobFile.model_validate(job())
        part = REGISTRY.part(file, "mounts.m1_cradle")
        space = read(io.StringIO(write_dxf(part_drawings(part, file.name)[0]))).modelspace()
        cut = [one for one in space if isinstance(one, LWPolyline) and one.dxf.layer == "CUT"]
        places = [(x, y) for one in cut for x, y in one.get_points("xy")]
        rim = sorted({round(x, 3) for x, y in places if abs(y - (130 - 50)) < 0.01})
        inner = 100 * math.sin(math.radians(60))
        self.assertEqual(len(rim), 4)
        for x, by_hand in zip(rim, (-120, -inner, inner, 120), strict=True):
            self.assertAlmostEqual(x, by_hand, delta=0.05)

    def test_a_cylinder_that_does_not_fit_its_plates_has_none(self) -> None:
        self.assertNotIn("mounts.m1_cradle", parts(width=mm(150)))
        self.assertNotIn("mounts.m1_cradle", parts(height=mm(90)))
        self.assertNotIn("mounts.m1_strap", parts(flange=mm(1), cylinder=mm(4)))
