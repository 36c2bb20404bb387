"""A frame that is cut, however its section is entered; and what is offered to make up for the cut."""

import copy
import math
from typing import Any
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.benches.mounts.frame import frame_sought, solve_frame
from driveline.benches.mounts.rails import rail_of
from driveline.benches.mounts.sheet import CutFrame, RailShape
from driveline.checks import Verdict
from driveline.job.file import REGISTRY, JobFile
from driveline.job.offered import sought
from tests.benches.mounts.test_mounts import BITTERN, changed, mm, solved
from tests.metal.section_files import rectangle

BOX = {"breadth": mm(70), "depth": mm(110), "wall": mm(4), "lid": mm(4), "under": mm(0)}


def plates(*lines: tuple[float, float, float, float, float]) -> dict[str, Any]:
    names = ("across_1", "up_1", "across_2", "up_2", "thickness")
    return {"kind": "plates", "plates": [dict(zip(names, map(mm, line), strict=True)) for line in lines]}


DRAWN = plates((2, 2, 68, 2, 4), (68, 2, 68, 108, 4), (68, 108, 2, 108, 4), (2, 108, 2, 2, 4))


def section(**shape: Any) -> Any:
    found, missing = rail_of(RailShape.model_validate(shape), "the rail")
    assert found is not None, missing
    return found.section


class RailTest(TestCase):
    def test_a_box_is_the_same_however_it_is_entered(self) -> None:
        trough, channel, drawn = section(**BOX), section(kind="channel", **BOX), section(**DRAWN)
        for one in (channel, drawn):
            self.assertAlmostEqual(one.area_mm2 / trough.area_mm2, 1.0, places=9)
            self.assertAlmostEqual(one.torsion_mm4 / trough.torsion_mm4, 1.0, places=9)
            self.assertAlmostEqual(one.level_mm4 / trough.level_mm4, 1.0, delta=0.003)
            self.assertAlmostEqual(one.sideways_mm4 / trough.sideways_mm4, 1.0, delta=0.005)

    def test_an_open_channel_has_next_to_no_torsion_and_closed_it_has(self) -> None:
        closed, opened = section(kind="channel", **BOX), section(kind="channel", **{**BOX, "lid": mm(0)})
        self.assertLess(opened.torsion_mm4, 0.01 * closed.torsion_mm4)
        self.assertAlmostEqual(opened.torsion_mm4, (110 + 66 + 66) * 4**3 / 3, delta=1.0)

    def test_a_round_tube_by_hand(self) -> None:
        found = section(kind="tube", depth=mm(60), wall=mm(5))
        self.assertAlmostEqual(found.level_mm4, 3.141592653589793 * (60**4 - 50**4) / 64, delta=1e-6)
        self.assertAlmostEqual(found.torsion_mm4, 2 * found.level_mm4, delta=1e-6)

    def test_a_drawn_box_is_a_box_and_when_it_folds_is_not_known(self) -> None:
        at = [
            {"points": [{"x_mm": x, "y_mm": y} for x, y in ring]}
            for ring in (rectangle(70, 110), rectangle(70, 110, 4))
        ]
        drawn = {"kind": "outline", "rings": at}
        for name in ("area_mm2", "level_mm4", "sideways_mm4", "modulus_mm3"):
            self.assertAlmostEqual(getattr(section(**drawn), name) / getattr(section(**BOX), name), 1.0, places=9)
        found = folds(BOX, drawn)
        self.assertEqual(found.folds, (None,))
        self.assertIn("when a drawn one", found.folds_missing[0])

    def test_what_is_wrong_or_missing_is_named(self) -> None:
        half = copy.deepcopy(DRAWN)
        half["plates"][1]["thickness"] = None
        half["plates"][2]["up_1"] = None
        for words, shape in {
            "Thickness of plate 2 of the rail": half,
            "Both ends of plate 3 of the rail": half,
            "plates that all meet": plates((0, 0, 50, 0, 3), (0, 20, 50, 20, 3)),
            "Plates of the rail": {"kind": "plates"},
            "Diameter of the rail": {"kind": "tube", "wall": mm(3)},
            "A tube that can be made": {"kind": "tube", "depth": mm(20), "wall": mm(11)},
            "what a plate below adds": {"kind": "tube", "depth": mm(60), "wall": mm(5), "under": mm(6)},
            "A wall below half of the depth": {"kind": "channel", **BOX, "wall": mm(60)},
            "A drawing of the rail": {"kind": "outline"},
            "a closed ring of three": {"kind": "outline", "rings": [{"points": [{"x_mm": 0, "y_mm": 0}]}]},
            "What closes its open side": {"kind": "channel", **BOX, "lid": None},
        }.items():
            with self.subTest(words):
                found, missing = rail_of(RailShape.model_validate(shape), "the rail")
                self.assertIsNone(found)
                self.assertTrue(any(words in one for one in missing), missing)


class CutTest(TestCase):
    def test_a_box_drawn_by_plates_in_place_of_itself_leaves_all_of_it(self) -> None:
        frame = CutFrame.model_validate({"is_cut": True, "old": BOX, "stations": [{"name": "here", **DRAWN}]})
        weakest = solve_frame(frame).weakest
        assert weakest is not None
        self.assertAlmostEqual(weakest.least, 1.0, delta=0.005)

    def test_a_narrower_rail_is_weaker_sideways_and_that_is_said(self) -> None:
        narrow = {**BOX, "breadth": mm(40), "lid": mm(12), "wall": mm(8)}
        frame = CutFrame.model_validate({"is_cut": True, "old": BOX, "stations": [{"name": "here", **narrow}]})
        weakest = solve_frame(frame).weakest
        assert weakest is not None
        self.assertEqual(weakest.least_is, "I across")
        self.assertLess(weakest.least, 1.0)

    def test_the_plates_that_are_offered_make_up_for_the_cut(self) -> None:
        weak = changed(BITTERN, {"frame.stations.0.wall": mm(4)})
        self.assertIs(solved(weak)[1]["mounts.frame"].verdict, Verdict.FAILS)
        found = sought(REGISTRY, JobFile.model_validate(weak), "mounts.frame_mend")
        taken = {one.field.removeprefix("mounts."): {"text": one.text} for one in found.fields}
        checks = solved(changed(weak, taken))[1]
        self.assertGreaterEqual(checks["mounts.frame"].margin or 0.0, 1.0)
        self.assertGreaterEqual(checks["mounts.frame_folds"].margin or 0.0, 1.0)
        masses = [row[4] for row in found.rows[1:]]
        self.assertEqual(masses, sorted(masses, key=lambda cell: float(cell.split("|")[0].strip("⟨"))))

    def test_what_can_not_be_tried_and_what_may_not_be_welded_is_said(self) -> None:
        drawn = CutFrame.model_validate({"is_cut": True, "old": BOX, "stations": [{"name": "here", **DRAWN}]})
        self.assertIn("one by one", frame_sought(drawn, 1.0).says)
        hard = {"is_cut": True, "is_heat_treated": True, "old": BOX, "stations": [{"name": "here", **BOX}]}
        self.assertIn("weld nothing", frame_sought(CutFrame.model_validate(hard), 1.0).says)

    def test_where_no_plate_does_it_is_said(self) -> None:
        low = {"name": "here", **BOX, "depth": mm(20)}
        frame = CutFrame.model_validate({"is_cut": True, "old": BOX, "stations": [low]})
        self.assertIn("here", frame_sought(frame, 1.0).says)
        self.assertEqual(frame_sought(frame, 1.0).rows, ())


def folds(old: Any, new: Any, yield_mpa: float | None = 355.0) -> Any:
    frame = {"is_cut": True, "yield_mpa": yield_mpa, "old": old, "stations": [{"name": "here", **new}]}
    return solve_frame(CutFrame.model_validate(frame))


class FoldTest(TestCase):
    def test_a_side_that_is_opened_folds_by_its_free_edge(self) -> None:
        thin = {**BOX, "wall": mm(2), "lid": mm(2)}
        found = folds(thin, {**thin, "lid": mm(0)})
        assert found.folded is not None and found.folds_first is not None
        now = found.folds_first.fold
        self.assertEqual((now.panel.words, now.panel.has_free_edge, now.panel.breadth_mm), ("side", True, 108.0))
        by_hand = 0.43 * math.pi**2 * 205_000 / (12 * (1 - 0.29**2)) * (2 / 108) ** 2
        self.assertAlmostEqual(now.found.buckling_mpa, by_hand, delta=0.02 * by_hand)
        self.assertLess(found.folds_first.moment_nm, 0.2 * found.folded.moment_nm)

    def test_what_is_left_as_it_was_folds_as_it_did_however_it_is_entered(self) -> None:
        for shape in (BOX, {"kind": "channel", **BOX}, {"kind": "tube", "depth": mm(76), "wall": mm(3)}, DRAWN):
            with self.subTest(shape=shape.get("kind")):
                found = folds(shape, shape)
                assert found.folded is not None and found.folds_first is not None
                self.assertEqual(found.folds_first.moment_nm, found.folded.moment_nm)

    @given(st.floats(1, 9), st.floats(0.1, 3), st.sampled_from(("wall", "lid", "under")))
    def test_a_thicker_plate_never_folds_sooner(self, wall_mm: float, more_mm: float, which: str) -> None:
        thin = {**BOX, "wall": mm(wall_mm), "under": mm(wall_mm), "under_breadth": mm(60)}
        size = 4.0 if which == "lid" else wall_mm
        moments = [
            one.folds_first.moment_nm
            for one in (folds(BOX, thin), folds(BOX, {**thin, which: mm(size + more_mm)}))
            if one.folds_first is not None
        ]
        self.assertGreaterEqual(moments[1], moments[0] * (1 - 1e-9))

    def test_of_two_places_of_one_name_the_weaker_still_governs(self) -> None:
        thin, thick = ({"name": "here", **BOX, "wall": mm(wall), "lid": mm(0)} for wall in (2, 4))
        for stations in ([thin, thick], [thick, thin]):
            frame = CutFrame.model_validate({"is_cut": True, "yield_mpa": 355, "old": BOX, "stations": stations})
            first = solve_frame(frame).folds_first
            assert first is not None
            self.assertEqual(first.fold.panel.thickness_mm, 2.0)

    def test_what_is_not_known_of_it_is_asked(self) -> None:
        flat = plates((0, 0, 50, 0, 5), (50, 0, 90, 0, 5))
        for words, found in {
            "Yield of the rail's steel": folds(BOX, BOX, None),
            "meet, at here": folds(BOX, flat),
            "meet, at the rail as it was": folds(flat, BOX),
        }.items():
            with self.subTest(words):
                self.assertTrue(any(words in one for one in found.folds_missing), found.folds_missing)
        self.assertIs(
            solved(changed(BITTERN, {"frame.yield_mpa": None}))[1]["mounts.frame_folds"].verdict, Verdict.NOT_KNOWN
        )


NOTCH = {"kind": "notched", "notch": mm(40), "notch_from": "above", "lid": mm(0)}


class NotchTest(TestCase):
    """A channel of 70 by 110 by 4, open to the right, and a box of the same, cut into."""

    def found(self, old: dict[str, Any], **cut: Any) -> Any:
        frame = CutFrame.model_validate({"old": old, "stations": [{"name": "notch", **NOTCH, **cut}]})
        return solve_frame(frame)

    def left(self, old: dict[str, Any], **cut: Any) -> dict[str, float]:
        found = self.found(old, **cut)
        self.assertEqual(found.missing, ())
        ratios: dict[str, float] = found.stations[0].ratios
        return ratios

    def test_a_notch_that_is_closed_again_is_a_box_less_deep(self) -> None:
        """From above by 40, closed by 4: the box of 70 by 70 by 4."""
        notched = self.left(BOX, lid=mm(4))
        low = section(**{**BOX, "depth": mm(70)})
        whole = section(**BOX)
        self.assertAlmostEqual(notched["I"], low.level_mm4 / whole.level_mm4, delta=0.003)
        self.assertAlmostEqual(notched["J"], low.torsion_mm4 / whole.torsion_mm4, delta=0.003)

    def test_left_open_a_box_loses_its_torsion(self) -> None:
        self.assertLess(self.left(BOX)["J"], 0.02)

    def test_whichever_side_it_is_cut_from_plates_make_up_for_it_and_outside_for_more(self) -> None:
        for side in ("above", "below", "left", "right"):
            with self.subTest(side):
                bare = self.left(BOX, notch_from=side, notch=mm(20), lid=mm(4))
                inside = self.left(BOX, notch_from=side, notch=mm(20), lid=mm(4), plated=mm(5), plated_on="inside")
                outside = self.left(BOX, notch_from=side, notch=mm(20), lid=mm(4), plated=mm(5), plated_on="outside")
                for name, share in bare.items():
                    self.assertLess(share, 1.0, name)
                    self.assertGreater(inside[name], share, name)
                self.assertGreater(outside["I across"], inside["I across"])

    def test_a_channel_is_plated_on_its_web_alone(self) -> None:
        channel = {**BOX, "kind": "channel", "lid": mm(0)}
        bare = self.left(channel, notch_from="right", notch=mm(20))
        plated = self.left(channel, notch_from="right", notch=mm(20), plated=mm(4), plated_on="inside")
        whole = section(**channel).area_mm2
        self.assertAlmostEqual((plated["area"] - bare["area"]) * whole, 4 * 110, delta=40)

    def test_what_is_not_said_of_it_is_asked_and_what_can_not_be_is_refused(self) -> None:
        for change, words in (
            ({"notch": None}, "How deep the notch is"),
            ({"notch_from": None}, "From which side"),
            ({"lid": None}, "what closes it"),
            ({"plated": mm(5)}, "inside or outside"),
            ({"notch": mm(108)}, "leaves some of the rail"),
        ):
            with self.subTest(words):
                found = self.found(BOX, **change)
                self.assertEqual(found.stations, ())
                self.assertIn(words, found.missing[0])
        self.assertIn("a notch in it", self.found({"kind": "tube", "depth": mm(60), "wall": mm(4)}).missing[0])
        self.assertIn("A section of its own", self.found({**BOX, "kind": "notched"}).missing[0])
