import copy
from typing import Any
from unittest import TestCase

from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.benches.placement.results import PlacementResult
from driveline.checks import Check, Verdict
from driveline.job.evaluate import evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.job.sureness import solve_sureness
from driveline.space.packing import packed
from tests.demo import demo_json

Sheets = dict[str, Any]


def mm(value: float) -> dict[str, str]:
    return {"text": f"{round(value, 3):.7g} mm"}


def spot(x: float, y: float, z: float) -> dict[str, Any]:
    return {"x": mm(x), "y": mm(y), "z": mm(z)}


def box(name: str, at: tuple[float, float, float], size: tuple[float, float, float], **more: Any) -> dict[str, Any]:
    length, width, height = map(mm, size)
    shape = {"shape": "box", "turned": "square", "at": spot(*at), "length": length, "width": width, "height": height}
    return {"name": name, **shape, **more}


def scene(**more: Any) -> Sheets:
    """A unit of one box, 100 mm from a wall ahead of it."""
    placement: Sheets = {
        "bodies": [box("wall", (255, 0, 300), (10, 800, 600), nature="fixed")],
        "none_near": ["hot", "steering"],
        "unit": {"bodies": [box("case", (0, 0, 0), (300, 300, 200))]},
        "stands": [
            {
                "name": "as made",
                "way": "as_made",
                "at": spot(0, 0, 300),
                "angles": {"roll": {"text": "0"}, "pitch": {"text": "0"}, "yaw": {"text": "0"}},
            }
        ],
    }
    return placement | more


def solved(placement: Sheets, layout: str = "axle_unit") -> tuple[PlacementResult, dict[str, Check]]:
    job = JobFile.model_validate({"name": "Test", "sheets": {"brief": {"layout": layout}, "placement": placement}})
    result = evaluate(job)
    return result.placement, {check.key: check for check in result.checks}


class GapTest(TestCase):
    def test_the_mounts_travel_is_taken_off_the_gap(self) -> None:
        result, checks = solved(scene(travel=mm(8)))
        gap = next(one for one in result.gaps if one.other == "wall")
        self.assertAlmostEqual(gap.gap_mm, 100.0)
        self.assertAlmostEqual(checks["placement.gap_fixed"].capacity or 0, 92.0)
        self.assertAlmostEqual(checks["placement.gap_ground"].capacity or 0, 200 - 8)

    def test_a_usual_travel_is_named(self) -> None:
        result, checks = solved(scene())
        self.assertIn("placement.travel", [one.field for one in result.assumed])
        self.assertAlmostEqual(checks["placement.gap_fixed"].capacity or 0, 90.0)

    def test_what_stands_in_the_way_fails_by_its_depth(self) -> None:
        placement = scene(travel=mm(0))
        placement["stands"][0]["at"] = spot(130, 0, 300)
        result, checks = solved(placement)
        self.assertAlmostEqual(result.gaps[0].gap_mm, -30.0)
        self.assertIs(checks["placement.gap_fixed"].verdict, Verdict.FAILS)
        self.assertIn("overlap", checks["placement.gap_fixed"].says)

    def test_a_body_without_a_figure_is_not_known_and_named(self) -> None:
        for path in (("length",), ("at", "x"), ("turned",), ("shape",), ("nature",)):
            placement = scene()
            place: Any = placement["bodies"][0]
            for part in path[:-1]:
                place = place[part]
            place.pop(path[-1])
            with self.subTest(path):
                check = solved(placement)[1]["placement.gap_fixed"]
                self.assertIs(check.verdict, Verdict.NOT_KNOWN)
                self.assertIn("wall", check.missing[0])

    def test_a_body_longer_than_any_vehicle_is_asked_for_its_size(self) -> None:
        result, checks = solved(scene(bodies=[box("wall", (255, 0, 300), (10, 900_000, 600), nature="fixed")]))
        self.assertIs(checks["placement.gap_fixed"].verdict, Verdict.NOT_KNOWN)
        self.assertIn("wall: a size under", " ".join(checks["placement.gap_fixed"].missing))

    def test_a_kind_of_which_nothing_is_said_is_not_known(self) -> None:
        checks = solved(scene(none_near=["hot"]))[1]
        self.assertIs(checks["placement.gap_steering"].verdict, Verdict.NOT_KNOWN)
        self.assertIs(checks["placement.gap_hot"].verdict, Verdict.HOLDS)

    def test_what_goes_with_the_wheels_is_judged_through_all_its_travel(self) -> None:
        """A hose below and aside: it comes 40 up and 30 over, to 10 below and level with the case."""
        travel = {"up": mm(40), "down": mm(60), "aside": mm(30)}
        hose = box("hose", (0, 190, 140), (20, 20, 20), nature="steering", travel=travel)
        placement = scene(travel=mm(0))
        placement["bodies"].append(hose)
        result, checks = solved(placement)
        gap = next(one for one in result.gaps if one.other == "hose")
        self.assertAlmostEqual(gap.gap_mm, 10.0, places=2)
        self.assertIs(checks["placement.gap_steering"].verdict, Verdict.FAILS)
        hose["travel"] = {"up": mm(0), "down": mm(60), "aside": mm(0)}
        gap = next(one for one in solved(placement)[0].gaps if one.other == "hose")
        self.assertAlmostEqual(gap.gap_mm, (30**2 + 50**2) ** 0.5, places=2)
        hose["travel"].pop("aside")
        self.assertIs(solved(placement)[1]["placement.gap_steering"].verdict, Verdict.NOT_KNOWN)

    def test_what_touches_only_between_two_locks_touches(self) -> None:
        """A thin rod stands 20 aside of the case's thin fin: at -40, 0 and 40 of lock it is clear, at 20 it is not."""
        travel = {"up": mm(0), "down": mm(0), "aside": mm(40)}
        rod = box("rod", (0, -20, 300), (4, 4, 4), nature="steering", travel=travel)
        placement = scene(travel=mm(0), bodies=[rod], none_near=["hot", "fixed"])
        placement["unit"]["bodies"] = [box("fin", (0, 0, 0), (4, 4, 4))]
        result, checks = solved(placement)
        self.assertAlmostEqual(result.gaps[0].gap_mm, 0.0, places=3)
        self.assertIs(checks["placement.gap_steering"].verdict, Verdict.FAILS)

    @settings(max_examples=30, deadline=None)
    @given(st.floats(-90, 90), st.floats(-60, 90), st.floats(-90, 90), st.floats(-25, 25))
    def test_what_is_cut_is_cut_enough(self, x: float, y: float, z: float, pitch: float) -> None:
        """The rail without the stretch to be cut keeps the wanted distance, travel included, whatever the pose."""
        rail: dict[str, Any] = {"name": "rail", "shape": "rail", "width": mm(60), "height": mm(80), "nature": "fixed"}
        rail["along"] = [spot(-900, 120, 300), spot(900, 120, 300)]
        placement = scene(travel=mm(5), bodies=[{**rail, "fate": "cut"}])
        placement["stands"][0].update(at=spot(x, y, 300 + z))
        placement["stands"][0]["angles"]["pitch"] = {"text": f"{pitch:.4f}"}
        cut = solved(placement)[0].cuts[0]
        ends = ((-900, -900 + cut.from_mm), (-900 + cut.to_mm, 900))
        left = [{**rail, "along": [spot(a, 120, 300), spot(b, 120, 300)]} for a, b in ends if b - a > 1]
        check = solved({**placement, "bodies": left})[1]["placement.gap_fixed"]
        self.assertGreaterEqual(check.capacity or 0.0, 10 - 0.3)


class SureTest(TestCase):
    def test_a_gaps_plus_minus_is_that_of_the_readings_between(self) -> None:
        """Wall and unit by tape, 1 mm each; the sizes are exact: 1.96 √2 mm of gap, of 10 wanted."""
        placement = scene(travel=mm(0))
        placement["bodies"][0]["at"]["x"] = {"text": "255 mm", "tool": "tape"}
        placement["stands"][0]["at"]["x"] = {"text": "0 mm", "tool": "tape"}
        job = JobFile.model_validate({"name": "Test", "sheets": {"placement": placement}})
        found = next(one for one in solve_sureness(REGISTRY, job) if one.check == "placement.gap_fixed")
        assert found.least is not None and found.greatest is not None
        self.assertAlmostEqual((found.greatest - found.least) / 2, 1.96 * 2**0.5 / 10, places=4)


class MassTest(TestCase):
    def test_the_unit_and_what_comes_off_are_entered_once(self) -> None:
        data = demo_json("dunlin")
        masses = evaluate(JobFile.model_validate(data)).brief.masses
        was, kerb = (next(one for one in masses.standings if one.key == key) for key in ("was", "kerb"))
        self.assertAlmostEqual(kerb.mass_kg, was.mass_kg + 71 - 38)
        self.assertEqual([one.name for one in masses.elsewhere], ["old gearbox", "Cobbold 75 with 2.45 box"])
        data["sheets"]["placement"]["unit"].pop("mass")
        result = evaluate(JobFile.model_validate(data))
        self.assertNotIn("kerb", [one.key for one in result.brief.masses.standings])
        load = next(check for check in result.checks if check.key == "masses.rear_axle")
        self.assertIs(load.verdict, Verdict.NOT_KNOWN)
        data["sheets"]["placement"]["weighs_in"] = False
        self.assertEqual(evaluate(JobFile.model_validate(data)).brief.masses.elsewhere, ())

    def test_while_nobody_says_whether_the_brief_has_it_no_axle_load_is_known(self) -> None:
        data = demo_json("dunlin")
        before = {check.key: check for check in evaluate(JobFile.model_validate(data)).checks}
        data["sheets"]["placement"].pop("weighs_in")
        result = evaluate(JobFile.model_validate(data))
        after = {check.key: check for check in result.checks}
        self.assertIs(before["masses.front_axle"].verdict, Verdict.TIGHT)
        self.assertIs(after["masses.front_axle"].verdict, Verdict.NOT_KNOWN)
        self.assertIn("placement.weighs_in", [one.field for one in result.placement.to_do])


class LiftTest(TestCase):
    def test_it_hangs_with_its_centre_of_gravity_under_the_eye(self) -> None:
        placement = scene()
        placement["unit"] |= {"cg": spot(30, 0, 0), "eye": spot(0, 0, 100)}
        hangs = solved(placement)[0].hangs
        assert hangs is not None
        self.assertAlmostEqual(hangs.nose_down_deg, 16.699, places=3)  # atan 30/100
        placement["unit"]["eye"] = spot(0, 0, -10)
        self.assertIn("placement.unit.eye", [one.field for one in solved(placement)[0].queries])


class StandTest(TestCase):
    def test_end_for_end_turns_the_motor_round_and_stops_its_pump(self) -> None:
        data = demo_json("plover")
        data["sheets"]["placement"]["chosen"] = "end for end"
        result = evaluate(JobFile.model_validate(data))
        checks = {check.key: check for check in result.checks}
        self.assertIs(checks["placement.oil_pump"].verdict, Verdict.FAILS)
        self.assertIs(checks["placement.turning"].verdict, Verdict.FAILS)  # the gearing counts it as made
        stand = next(one for one in result.placement.stands if one.is_chosen)
        self.assertEqual((stand.turns_usual, stand.is_oiled), (False, False))

    def test_several_ways_and_none_chosen_judge_nothing(self) -> None:
        placement = scene()
        placement["stands"].append({**copy.deepcopy(placement["stands"][0]), "name": "other"})
        result, checks = solved(placement)
        self.assertIs(checks["placement.gap_fixed"].verdict, Verdict.NOT_KNOWN)
        self.assertIn("placement.chosen", [one.field for one in result.to_do])
        self.assertEqual([one.least_gap_mm for one in result.stands], [100.0, 100.0])  # all the same side by side

    def test_outputs_laid_on_the_wheels_line_run_straight(self) -> None:
        data = demo_json("plover")
        level = next(one for one in evaluate(JobFile.model_validate(data)).placement.offers if one.key == "level")
        stand = data["sheets"]["placement"]["stands"][0]
        stand["at"] = spot(level.x_mm, level.y_mm, level.z_mm)
        stand["angles"] = {
            "roll": {"text": f"{level.roll_deg}"},
            "pitch": {"text": f"{level.pitch_deg}"},
            "yaw": {"text": f"{level.yaw_deg}"},
        }
        found = evaluate(JobFile.model_validate(data)).placement.stands[0]
        self.assertLess(found.worst_ride_deg or 90, 0.05)

    def test_a_unit_too_low_is_offered_to_be_raised(self) -> None:
        placement = scene()
        placement["stands"][0]["at"] = spot(0, 0, 180)
        raised = next(one for one in solved(placement)[0].offers if one.key == "raise")
        placement["stands"][0]["at"] = spot(0, 0, raised.z_mm)
        self.assertIs(solved(placement)[1]["placement.gap_ground"].verdict, Verdict.TIGHT)


class MostRoomTest(TestCase):
    def test_it_slides_to_the_middle_between_two_walls(self) -> None:
        walls = [box("wall", (x, 0, 300), (10, 800, 600), nature="fixed") for x in (215, -175)]
        placement = scene(travel=mm(0), bodies=walls)
        sheets = {"brief": {"layout": "axle_unit"}, "placement": placement}
        found = REGISTRY.sought(JobFile.model_validate({"name": "Test", "sheets": sheets}), "placement.most_room")
        x = float(found.fields[0].text.split()[0])
        self.assertAlmostEqual(x, 20.0, delta=0.3)
        self.assertIn("stops it", found.says)

    def test_it_gains_room_at_no_joints_cost(self) -> None:
        data = demo_json("plover")
        found = REGISTRY.sought(JobFile.model_validate(data), "placement.most_room")
        stand = data["sheets"]["placement"]["stands"][0]
        self.assertEqual([one.field for one in found.fields], [f"placement.stands.0.at.{axis}" for axis in "xyz"])

        def spare(at: list[float]) -> float:
            stand["at"] = spot(*at)
            gaps = evaluate(JobFile.model_validate(data)).placement.gaps
            return float(min(gap.least_mm - gap.wanted_mm for gap in gaps))

        best = [float(one.text.split()[0]) for one in found.fields]
        here = spare(best)
        self.assertGreater(here, spare([-10, -23, 302]))
        stand["at"] = spot(*best)
        checks = {check.key: check for check in evaluate(JobFile.model_validate(data)).checks}
        for key in ("placement.joints_ride", "placement.joints_travel", "placement.gap_fixed"):
            self.assertIsNot(checks[key].verdict, Verdict.FAILS, key)


class PaperTest(TestCase):
    def test_the_views_are_to_scale_and_on_the_sheet(self) -> None:
        job = JobFile.model_validate({"name": "Test", "sheets": {"placement": scene()}})
        drawing = REGISTRY.paper(job, "placement.views").draw("Test", "rev 1")
        texts = [one.text for one in drawing.entities if one.shape == "text"]
        scale = int(next(text for text in texts if "scale" in text).split("1:")[1].split(";")[0])
        cut = [one for one in drawing.entities if one.shape == "path" and one.layer == "CUT"]
        wide = [max(v.x_mm for v in one.vertices) - min(v.x_mm for v in one.vertices) for one in cut]
        self.assertEqual(sorted(round(one * scale) for one in wide), [300, 300, 300])  # side, top and rear
        for one in drawing.entities:
            if one.shape == "path":
                self.assertTrue(all(0 <= v.x_mm <= 297 and 0 <= v.y_mm <= 210 for v in one.vertices))

    def test_an_opening_in_a_floor_is_drawn_at_full_size_with_where_it_lies(self) -> None:
        sheet = scene()
        sheet["bodies"].append(box("floor", (0, 0, 300), (2000, 1500, 1.5), nature="fixed", fate="cut"))
        job = JobFile.model_validate({"name": "Test", "sheets": {"placement": sheet}})
        (found,) = REGISTRY.evaluate(job).placement.openings
        paper = REGISTRY.paper(job, found.paper)
        self.assertTrue(paper.is_full_size)
        drawing = paper.draw("Test", "rev 1")
        (cut,) = [one for one in drawing.entities if one.shape == "path" and one.layer == "CUT"]
        wide = max(v.x_mm for v in cut.vertices) - min(v.x_mm for v in cut.vertices)
        self.assertAlmostEqual(wide, found.size_mm[0], places=6)
        texts = " ".join(one.text for one in drawing.entities if one.shape == "text")
        self.assertIn("forward", texts)
        self.assertIn("floor seen from above", texts)
        self.assertIn("lines, wires and fuel", texts)


class WayInTest(TestCase):
    def test_a_bracket_in_the_way_goes_on_after(self) -> None:
        data = demo_json("plover")
        bracket = data["sheets"]["placement"]["bodies"][6]
        self.assertEqual(bracket["name"], "tail bracket")
        self.assertIs(self.way_in(data).verdict, Verdict.HOLDS)
        bracket["after_step"] = None
        self.assertIs(self.way_in(data).verdict, Verdict.FAILS)
        self.assertIn("tail bracket", self.way_in(data).says)

    def way_in(self, data: Sheets) -> Check:
        checks = evaluate(JobFile.model_validate(data)).checks
        return next(check for check in checks if check.key == "placement.way_in")

    def test_half_a_move_is_asked_for(self) -> None:
        for move in ({"way": "up"}, {"by": mm(10)}, {"way": "up", "by": mm(10), "turn": "nose_down"}, {}):
            with self.subTest(move):
                check = solved(scene(way_in=[move]))[1]["placement.way_in"]
                self.assertIs(check.verdict, Verdict.NOT_KNOWN)
                self.assertIn("Move 1", check.missing[0])

    def test_it_is_played_to_where_it_stands(self) -> None:
        moves = [{"way": "up", "by": mm(200)}, {"turn": "nose_down", "angle": {"text": "10"}}]
        result = solved(scene(way_in=moves))[0]
        self.assertEqual(result.way_in[0].frames[0].at_mm, (0.0, 0.0, 100.0))
        self.assertEqual(result.way_in[-1].frames[-1], result.stands[0].frame)


class RoomTest(TestCase):
    def test_boxes_go_into_the_room_that_is_left(self) -> None:
        room = {
            "corner": spot(-300, -400, 500),
            **{
                f"{prefix}{side}": mm(size)
                for prefix, sizes in (("", (700, 720, 150)), ("box_", (340, 160, 120)))
                for side, size in zip(("length", "width", "height"), sizes, strict=True)
            },
            "gap": mm(8),
            "box_mass": {"text": "11 kg"},
        }
        found = solved(scene(room=room))[0].room
        assert found is not None
        blocks = packed(room_mm=(700, 720, 150), box_mm=(340, 160, 120), gap_mm=8, may_stand=False)
        self.assertEqual(found.count, sum(block.count for block in blocks))
        self.assertEqual(found.mass_kg, 11 * found.count)
        self.assertIsNone(solved(scene(room={**room, "gap": None}))[0].room)


class OddTest(TestCase):
    def test_what_can_t_be_is_asked_about_by_name(self) -> None:
        cases = (
            ({"points": [{"name": "A"}, {"name": "A"}]}, "placement.points.1.name"),
            ({"tapes": [{"a": "A", "b": "B"}]}, "placement.tapes.0"),
            ({"bodies": [box("arm", (0, 0, 0), (1, 1, 1), nature="hot", travel={"up": mm(3)})]}, "placement.bodies.0"),
        )
        for more, field in cases:
            with self.subTest(field):
                self.assertIn(field, [one.field for one in solved(scene(**more))[0].queries])
