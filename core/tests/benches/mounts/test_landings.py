"""Brackets that are bolted on, folded, and written on the welder's sheet."""

import copy
import io
import math
from typing import Any
from unittest import TestCase

import numpy as np
from ezdxf.filemanagement import read
from hypothesis import given
from hypothesis import strategies as st

from driveline.benches.mounts.brackets import Arm
from driveline.benches.mounts.ears import ear_bolt_of
from driveline.benches.mounts.landing_picture import wall_stress
from driveline.benches.mounts.landings import LandingFound, bolt_pulls
from driveline.benches.mounts.sheet import Bracket
from driveline.checks import Check
from driveline.drawing.dxf import write_dxf
from driveline.drawing.model import Text
from driveline.figures import written
from driveline.job.file import REGISTRY, JobFile
from driveline.job.offered import sought
from driveline.metal.sections import box, channel, folded_channel
from driveline.metal.weld_pull import shim_stack
from driveline.parts.drawings import part_drawings
from tests.benches.mounts.test_mounts import BITTERN, FAILS, HOLDS, NOT_KNOWN, TIGHT, Job, changed, filled, mm, solved
from tests.benches.mounts.test_mounts import PLOVER as AS_SHOWN
from tests.workings.test_workings import faults_of

LANDING = "mounts.1.bracket.landing"
PLATE = {
    "is_there": True,
    "breadth": mm(150),
    "depth": mm(170),
    "thickness": mm(16),
    "across": mm(105),
    "upright": mm(125),
    "hole": mm(14),
    "thread": "M12",
    "property_class": "10.9",
    "through": "sleeves",
    "sleeve_outside": mm(28),
    "sleeve_inside": mm(12.5),
    "onto_across": mm(600),
    "onto_upright": mm(160),
    "goes_through": mm(60),
    "screws": {
        "condition": "oiled",
        "surface": "dry",
        "tapped": "nut",
        "washer": mm(2.5),
        "head": mm(30),
        "length": mm(100),
    },
}
PLOVER = changed(AS_SHOWN, {LANDING: PLATE, "mounts.1.bracket.length": mm(137)})  # on a rail twice as deep
FOUND = LandingFound(size_mm=(150, 170), thickness_mm=16, apart_mm=(100, 120))


NO_TWIST = np.zeros((1, 3))


def straight_arm(length_mm: float = 200) -> Arm:
    section = box(breadth_mm=70, depth_mm=80, wall_mm=6)
    return Arm(
        section=section,
        length_mm=length_mm,
        turn=np.eye(3),
        stiffness_n_per_mm=np.full(3, 1e5),
        turning_nmm_per_rad=np.full(3, 1e9),
    )


def check(changes: dict[str, Any], name: str) -> Check:
    return solved(changed(PLOVER, changes))[1][f"mounts.m2.{name}"]


class LandingTest(TestCase):
    def test_pull_and_shear_by_hand(self) -> None:
        """3 kN upright at 200 mm: 3000 × 200/(2 × 120) = 2500 N of pull, 750 N across; 10 mm beside: 96 N more."""
        (pull,) = bolt_pulls(FOUND, straight_arm(), 10.0, np.array([[0.0, 0.0, 3000.0]]), NO_TWIST)
        self.assertAlmostEqual(pull.pull_n, 2500)
        self.assertAlmostEqual(pull.shear_n, 750 + 30_000 / (4 * math.hypot(50, 60)))

    @given(st.tuples(*[st.floats(-9e3, 9e3)] * 3), st.floats(0, 40))
    def test_the_bolts_as_four_points_balance_what_pulls_them(
        self, force: tuple[float, float, float], beside: float
    ) -> None:
        """Four reactions that vary linearly over the plate, solved for: none is more than what is judged."""
        arm, forces = straight_arm(), np.array([force])
        (pull,) = bolt_pulls(FOUND, arm, beside, forces, NO_TWIST)
        along, across, upright = (abs(one) for one in force)
        moments = np.array([along, upright * arm.length_mm, across * arm.length_mm + along * beside])
        y, z = FOUND.bolts_mm.T
        plane = np.linalg.solve(np.array([[4, 0, 0], [0, (z**2).sum(), 0], [0, 0, (y**2).sum()]]), moments)
        self.assertAlmostEqual(float((plane[0] + plane[1] * z + plane[2] * y).max()), pull.pull_n, places=6)

    def test_weaker_bolts_thinner_plate_and_edges_too_near_fail(self) -> None:
        self.assertIs(check({}, "landing_bolts").verdict, HOLDS)
        self.assertIs(
            check({f"{LANDING}.thread": "M6", f"{LANDING}.property_class": "8.8"}, "landing_bolts").verdict, FAILS
        )
        self.assertIs(check({f"{LANDING}.thickness": mm(5)}, "landing_plate").verdict, FAILS)
        self.assertIs(check({f"{LANDING}.across": mm(130)}, "landing_edge").verdict, FAILS)

    def test_what_is_not_said_of_it_is_not_known(self) -> None:
        for field, name in (
            ("thread", "landing_bolts"),
            ("property_class", "landing_bolts"),
            ("thickness", "landing_plate"),
            ("thickness", "reach"),
            ("thickness", "base"),
            ("hole", "landing_edge"),
        ):
            with self.subTest(field=field):
                self.assertIs(check({f"{LANDING}.{field}": None}, name).verdict, NOT_KNOWN)

    def test_a_bolted_bracket_that_is_short_is_told_its_shims_and_reaches_with_them(self) -> None:
        """198.2 mm are wanted; 133.5, ears of 45 and a plate of 16 leave 3.7: three of 1 mm and one of a half."""
        short = {"mounts.1.bracket.length": mm(133.5)}
        alone = check(short, "reach")
        self.assertIs(alone.verdict, FAILS)
        self.assertIn("Shims of 3.5 mm", written(alone.says).replace("\u00a0", " "))
        self.assertIn("3 of 1.0 mm, 1 of 0.5 mm", written(alone.says).replace("\u00a0", " "))
        self.assertIs(check(short | {f"{LANDING}.shims": mm(3.5)}, "reach").verdict, HOLDS)
        far = check({"mounts.1.bracket.length": mm(80)}, "reach")
        self.assertIs(far.verdict, FAILS)
        self.assertIn("no work for shims", far.says)  # 57 mm of them would slip and bend the bolts
        long = check({"mounts.1.bracket.length": mm(139)}, "reach")
        self.assertIs(long.verdict, FAILS)
        self.assertIn("no shim mends that", long.says)

    @given(st.integers(0, 40), st.lists(st.sampled_from((1, 2, 4, 10)), min_size=1, unique=True))
    def test_a_stack_is_as_thick_as_it_must_be(self, least: int, sizes: list[int]) -> None:
        stock = [0.1, *(0.1 * size for size in sizes)]
        self.assertAlmostEqual(sum(shim_stack(0.1 * least, stock)), 0.1 * least)

    def test_its_plate_is_drawn_with_four_holes(self) -> None:
        part = REGISTRY.part(JobFile.model_validate(PLOVER), "mounts.m2_landing")
        self.assertEqual(
            sorted({(hole.x_mm, hole.y_mm) for hole in part.holes}),
            [(22.5, 22.5), (22.5, 147.5), (127.5, 22.5), (127.5, 147.5)],
        )


class SleeveTest(TestCase):
    def crush(self, **more: Any) -> Check:
        return check({f"{LANDING}.{name}": value for name, value in more.items()}, "landing_crush")

    def test_a_sleeve_by_hand(self) -> None:
        """M12 10.9: 0.875 × 830 MPa × 84.3 mm² is 61.2 kN, on π/4 (28² - 12.5²) = 493.0 mm²: 124 MPa."""
        found = self.crush()
        self.assertAlmostEqual(found.demand or 0, 0.875 * 830 * 84.3 / 493.0, delta=0.5)
        self.assertEqual(faults_of(found, found.working), [])
        self.assertLess(self.crush(sleeve_outside=mm(20)).margin or 0, found.margin or 0)

    def test_a_hollow_rail_without_sleeves_fails_and_solid_metal_asks_none(self) -> None:
        self.assertIs(self.crush(through="hollow").verdict, FAILS)
        self.assertIs(self.crush(through="solid").verdict, HOLDS)

    def test_what_is_not_said_or_can_not_be_is_not_known(self) -> None:
        for changes in (
            {"through": None},
            {"sleeve_outside": None},
            {"sleeve_inside": None},
            {"sleeve_inside": mm(28)},
            {"sleeve_inside": mm(11)},
            {"thread": None},
            {"property_class": None},
        ):
            with self.subTest(changes):
                found = self.crush(**changes)
                self.assertIs(found.verdict, NOT_KNOWN)
                self.assertTrue(found.missing)


class EarBoltTest(TestCase):
    def test_double_shear_by_hand(self) -> None:
        """10 kN across M12 in two planes: √3 × 5000/(0.78 × 113.1) = 98.2 MPa."""
        found = ear_bolt_of(12, 2, np.array([0, 6000, 8000.0]), np.array([1.0, 0, 0]), 0)
        self.assertAlmostEqual(found.stress_mpa, 98.17, places=1)
        self.assertIs(check({"mounts.1.ears.bolt_class": None}, "ear_bolt").verdict, NOT_KNOWN)
        self.assertIs(check({"mounts.1.ears.bolt": mm(3)}, "ear_bolt").verdict, FAILS)


class FoldedTest(TestCase):
    FOLDED = {"kind": "folded", "bend": mm(6), "breadth": mm(60), "depth": mm(90), "wall": mm(6)}

    def test_it_is_less_than_a_channel_with_sharp_corners(self) -> None:
        folded = folded_channel(flange_mm=60, depth_mm=90, thickness_mm=6, inside_mm=6)
        sharp = channel(flange_mm=60, depth_mm=90, flange_thickness_mm=6, web_thickness_mm=6)
        self.assertAlmostEqual(sharp.area_mm2 - folded.area_mm2, 2 * (1 - math.pi / 4) * (12**2 - 6**2))
        self.assertLess(folded.upright_mm4, sharp.upright_mm4)
        self.assertLess(folded.across_mm4, sharp.across_mm4)

    def test_it_is_drawn_flat_with_its_bends_marked_and_not_cut(self) -> None:
        job = copy.deepcopy(PLOVER)
        job["sheets"]["mounts"]["mounts"][0]["bracket"] |= self.FOLDED
        file = JobFile.model_validate(job)
        part = REGISTRY.part(file, "mounts.m1_fold")
        space = read(io.StringIO(write_dxf(part_drawings(part, file.name)[0]))).modelspace()
        lines = [one for one in space if one.dxf.layer == "MARK" and one.dxftype() in ("LINE", "LWPOLYLINE")]
        self.assertEqual(len(lines), 2)
        width = 48 + 66 + 48 + 2 * math.pi / 2 * (6 + 0.325 * 6)
        self.assertAlmostEqual(max(vertex.y_mm for vertex in part.vertices), width, places=6)
        self.assertTrue({"mounts.m1.walls", "mounts.m1.arm"} <= set(solved(job)[1]))


class ShelfTest(TestCase):
    SIZES = {"breadth": mm(80), "depth": mm(90), "wall": mm(8), "gusset": mm(8), "nose": mm(30), "length": mm(150)}
    SHELF = {"kind": "gusseted", "gussets": 2, **SIZES}

    def job(self, **change: Any) -> Job:
        job = copy.deepcopy(BITTERN)
        mount = job["sheets"]["mounts"]["mounts"][0]
        mount["bracket"] |= self.SHELF | change
        mount["tube"] |= {"gap": mm(30), "length": mm(30)}  # narrower ears than its shelf is broad
        mount["ears"] |= {"height": mm(21)}
        return job

    def test_it_is_judged_where_it_is_worst_and_not_only_at_its_root(self) -> None:
        check = solved(self.job())[1]["mounts.m1.arm"]
        self.assertIn("from its root", check.says)
        self.assertGreater(check.demand or 0, solved(self.job(nose=mm(90)))[1]["mounts.m1.arm"].demand or 0)
        self.assertEqual(faults_of(check, check.working), [])

    def test_each_size_that_is_left_out_is_asked_for(self) -> None:
        for name in ("gussets", "gusset", "nose", "wall", "breadth"):
            checks = solved(self.job(**{name: None}))[1]
            for key in ("arm", "weld", "walls", "base"):
                self.assertIs(checks[f"mounts.m1.{key}"].verdict, NOT_KNOWN, (name, key))

    def test_a_nose_deeper_than_the_root_can_not_be(self) -> None:
        check = solved(self.job(nose=mm(95)))[1]["mounts.m1.arm"]
        self.assertTrue(any("no deeper than the root" in one for one in check.missing), check.missing)

    def test_its_plates_stand_together_as_it_is_measured(self) -> None:
        file = JobFile.model_validate(self.job())
        gusset, shelf = (REGISTRY.part(file, f"mounts.m1_{name}") for name in ("gusset", "shelf"))
        self.assertEqual((gusset.stock.quantity, shelf.stock.quantity), (2, 1))
        for part, wide, high in ((gusset, 150, 82), (shelf, 150, 80)):
            x, y = ([getattr(one, name) for one in part.vertices] for name in ("x_mm", "y_mm"))
            self.assertAlmostEqual(max(x) - min(x), wide, delta=0.05)
            self.assertAlmostEqual(max(y) - min(y), high, delta=0.05)
        at_nose = [one.y_mm for one in gusset.vertices if abs(one.x_mm - 150) < 0.05]
        self.assertAlmostEqual(max(at_nose) - min(at_nose) + 8, 30, delta=0.05)

    def test_gussets_to_a_point_are_drawn_too(self) -> None:
        part = REGISTRY.part(JobFile.model_validate(self.job(nose=mm(8))), "mounts.m1_gusset")
        self.assertEqual(len(part.vertices), 3)

    def test_it_is_mended_by_thicker_plates_or_boxed(self) -> None:
        thin = self.job(wall=mm(1.5), gusset=mm(1.5))
        self.assertIs(solved(thin)[1]["mounts.m1.walls"].verdict, FAILS)
        found = sought(REGISTRY, JobFile.model_validate(thin), "mounts.m1_mend")
        mended = self.job(**{one.field.split(".")[-1]: _typed(one.field, one.text) for one in found.fields})
        self.assertIs(solved(mended)[1]["mounts.m1.arm"].verdict, HOLDS)


def _typed(field: str, text: str) -> Any:
    return text if field.endswith("kind") else {"text": text}


class WeldSheetTest(TestCase):
    def test_it_names_every_bracket_its_gap_and_the_order(self) -> None:
        paper = REGISTRY.paper(JobFile.model_validate(PLOVER), "mounts.welding")
        drawing = paper.draw("Plover", "rev 1")
        texts = [written(one.text) for one in drawing.entities if isinstance(one, Text)]
        whole = " ".join(texts)
        for wanted in ("left mount", "right mount", "Tack opposite corners", "Jig", "bearing", "qualified"):
            self.assertIn(wanted, whole)
        lowest = min(one.y_mm for one in drawing.entities if isinstance(one, Text))
        self.assertGreater(lowest, 12)
        self.assertLess(max(map(len, texts)), 110)


class FixingTest(TestCase):
    """Welded in and bolted on, side by side."""

    def test_what_is_offered_to_bolt_it_on_holds_once_it_is_taken(self) -> None:
        found = sought(REGISTRY, JobFile.model_validate(PLOVER), "mounts.m1_fixing")
        taken = filled(PLOVER, found)
        checks = solved(taken)[1]
        self.assertIs(checks["mounts.m1.landing_crush"].verdict, NOT_KNOWN)  # it is for the fabricator to say
        said = {"goes_through": mm(60), "screws.length": mm(120)}
        checks = solved(changed(taken, {f"mounts.0.bracket.landing.{name}": size for name, size in said.items()}))[1]
        for part in (
            "landing_bolts",
            "landing_proof",
            "landing_friction",
            "landing_engagement",
            "landing_plate",
            "landing_edge",
            "weld",
            "base",
            "reach",
        ):
            self.assertIs(checks[f"mounts.m1.{part}"].verdict, HOLDS, part)

    def test_welded_in_it_is_as_the_bench_judges_it_and_lighter(self) -> None:
        rows = sought(REGISTRY, JobFile.model_validate(PLOVER), "mounts.m1_fixing").rows[1:]
        (_, light, margin, says), (_, heavy, *_) = rows
        figure = [float(cell.split("|")[0].strip("⟨")) for cell in (light, heavy, margin)]
        self.assertLess(figure[0], figure[1])
        checks = solved(PLOVER)[1]
        own = [one for key, one in checks.items() if key.startswith("mounts.m1.") and one.margin is not None]
        own = [one for one in own if not one.key.endswith((".load", ".beside"))]  # of the bracket itself
        tightest = min(own, key=lambda one: (one.margin or 0) / one.wanted_margin)
        self.assertAlmostEqual(figure[2], tightest.margin or 0, places=6)
        self.assertIn(tightest.title, says)

    def test_one_that_is_bolted_has_nothing_offered_and_what_is_not_known_comes_first(self) -> None:
        no_base = changed(PLOVER, {"mounts.1.bracket.base": None})
        found = sought(REGISTRY, JobFile.model_validate(no_base), "mounts.m2_fixing")
        self.assertEqual(found.fields, ())
        self.assertIn("not known", found.rows[1][-1])


class PictureTest(TestCase):
    def test_what_the_wall_of_an_arm_hands_on_is_its_force_and_its_moments(self) -> None:
        """Summed over a fine grid: 2 kN along the arm, 3 kN at 200 mm and 40 N·m of twist level across it."""
        arm = straight_arm()
        forces, twist = np.array([[2000.0, 1000.0, 3000.0]]), np.array([[0.0, 4e4, 0.0]])
        (pull,) = bolt_pulls(FOUND, arm, 10.0, forces, twist)
        bracket = Bracket.model_validate({"kind": "box", "wall": mm(6)})
        step = 0.1
        grid = np.stack(np.meshgrid(np.arange(-45, 45, step) + step / 2, np.arange(-45, 45, step) + step / 2))
        force = wall_stress(bracket, arm, pull, 10.0)(grid) * step**2
        self.assertAlmostEqual(force.sum() / 2000.0, 1.0, places=3)
        self.assertAlmostEqual((force * grid[1]).sum() / (3000.0 * 200 + 4e4), 1.0, places=3)
        self.assertAlmostEqual((force * grid[0]).sum() / (1000.0 * 200 + 2000.0 * 10), 1.0, places=3)

    def test_a_landing_plate_is_looked_at_and_by_hand_is_near_it(self) -> None:
        found = sought(REGISTRY, JobFile.model_validate(PLOVER), "mounts.m2_landing")
        assert found.picture is not None
        by_hand = check({}, "landing_plate").demand or 0.0
        self.assertTrue(0.5 < found.picture.peak_mpa / by_hand < 1.5, (found.picture.peak_mpa, by_hand))
        self.assertIn("with prying", found.says)

    def test_bolts_that_no_spanner_reaches_beside_the_arm_are_asked_for(self) -> None:
        inside = {f"{LANDING}.across": mm(60), f"{LANDING}.upright": mm(60)}
        one = check(inside, "landing_plate")
        self.assertIs(one.verdict, NOT_KNOWN)
        self.assertIn("stand beside its arm", " ".join(one.missing))


class LandsTest(TestCase):
    """Where a bracket meets the vehicle: its root on the face, its bolts through it."""

    def test_bolts_farther_apart_than_the_rail_is_deep_clamp_nothing(self) -> None:
        found = check({f"{LANDING}.onto_upright": mm(80)}, "landing_through")
        self.assertIs(found.verdict, FAILS)
        self.assertAlmostEqual(found.demand or 0, 125 + 28)  # sleeves of 28 mm, 125 mm apart
        self.assertIs(check({}, "landing_through").verdict, TIGHT)  # 153 of 160
        self.assertIs(check({f"{LANDING}.onto_upright": mm(200)}, "landing_through").verdict, HOLDS)
        for name in ("onto_upright", "onto_across", "through", "hole"):
            self.assertIs(check({f"{LANDING}.{name}": None}, "landing_through").verdict, NOT_KNOWN, name)
        # One way is past it already: that the other is not known makes it no better.
        both = {f"{LANDING}.onto_upright": mm(80), f"{LANDING}.onto_across": None}
        self.assertIs(check(both, "landing_through").verdict, FAILS)

    def test_a_square_end_gapes_on_a_face_that_it_does_not_meet_squarely(self) -> None:
        """Plover's right mount is 8 mm below the rail's place over 198 mm across: 80 mm of depth gape 3.2 mm."""
        square = check({"mounts.1.bracket.root_cut": "square"}, "root_gap")
        self.assertIs(square.verdict, FAILS)
        self.assertIn("3.23", square.says)
        self.assertIs(check({"mounts.1.bracket.root_cut": None}, "root_gap").verdict, NOT_KNOWN)
        self.assertIs(check({"mounts.1.bracket.root_cut": "fitted"}, "root_gap").verdict, TIGHT)
        steep = {"mounts.1.bracket.root_cut": "square", "mounts.1.rail.z": mm(300)}
        self.assertIs(check(steep, "root_gap").verdict, FAILS)

    def test_an_ear_is_no_lower_than_it_is_round(self) -> None:
        """A hole of 12.5 with 14 mm to the edge is round by 20.25 mm: at 18 mm its foot would bulge."""
        found = check({"mounts.1.ears.height": mm(18)}, "ears")
        self.assertIs(found.verdict, NOT_KNOWN)
        self.assertIn("round past their hole", " ".join(found.missing))
