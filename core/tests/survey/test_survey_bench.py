"""The survey bench: squares, tangents, sweeps and traces beside pairs; what to read next; routes; its laws."""

import json
import math
from typing import Any
from unittest import TestCase, mock

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.benches.plate.lay_out import lay_out
from driveline.benches.plate.sheet import PlateSheet
from driveline.network import Direction, Hole, Kind, Network, Observation, Turning, solve_network
from driveline.network import cofactors as cofactors_module
from driveline.network.adjust import adjust, readjusted_without
from driveline.network.equations import Equations
from driveline.network.start import start_unknowns
from driveline.survey.sheet import Survey
from driveline.survey.solve import Fit, solve_survey
from tests.demo import demo_json

# A flange drawn by hand: five holes about the shaft, and a bore that stands 0.4 to the right of it and 0.3 up.
TRUE = {
    "H1": (150.0, 0.0),
    "H2": (40.0, 145.0),
    "H3": (-120.0, 90.0),
    "H4": (-110.0, -95.0),
    "H5": (60.0, -140.0),
    "B1": (0.4, 0.3),
    "C": (0.0, 0.0),
}
HOLES = [{"id": f"H{k}", "diameter": {"text": "10"}} for k in range(1, 6)] + [
    {"id": "B1", "diameter": {"text": "118"}, "is_bore": True}
]
SIZES = {"C": 0.0, "B1": 118.0}


def inside(a: str, b: str) -> dict[str, Any]:
    mm = math.dist(TRUE[a], TRUE[b]) - (SIZES.get(a, 10.0) + SIZES.get(b, 10.0)) / 2
    return {"kind": "inside", "a": a, "b": b, "reading": {"text": f"{mm:.5f}", "tool": "caliper"}}


def radius(a: str, off_mm: float = 0.0) -> dict[str, Any]:
    mm = math.dist(TRUE[a], TRUE["C"]) + off_mm
    return {"kind": "radius", "a": a, "reading": {"text": f"{mm:.5f}", "tool": "square"}}


def axis(kind: str, a: str, edge: str = "centre", size_mm: float = 0.0) -> dict[str, Any]:
    """In a square whose corner lies at −200, −180, its foot turned 10° against the drawing."""
    turn = math.radians(10)
    x, y = TRUE[a][0] + 200, TRUE[a][1] + 180
    seen = (x * math.cos(turn) + y * math.sin(turn), y * math.cos(turn) - x * math.sin(turn))
    mm = seen[kind == "y"] + {"low": -1, "centre": 0, "high": 1}[edge] * size_mm / 2
    reading = {"text": f"{mm:.5f}", "tool": "square"}
    return {"kind": kind, "a": a, "frame": "square", "edge": edge, "reading": reading}


def sweep(**change: Any) -> dict[str, Any]:
    """A dial on the shaft round the bore, clockwise from H2: it reads least where the bore's centre lies."""
    start = math.degrees(math.atan2(TRUE["H2"][1], TRUE["H2"][0]))
    dial = []
    for clock in (0, 90, 180, 270):
        at = math.radians(start - clock)
        mm = 0.5 - (TRUE["B1"][0] * math.cos(at) + TRUE["B1"][1] * math.sin(at))
        dial.append({"clock": {"text": f"{clock} deg"}, "reading": {"text": f"{mm:.6f}"}})
    return {"kind": "sweep", "a": "B1", "towards": "H2", "runs": "clockwise", "dial": dial, **change}


PAIRS = [inside(f"H{i}", f"H{j}") for i in range(1, 6) for j in range(i + 1, 6)]
BORE = [inside(f"H{k}", "B1") for k in range(1, 6)]
RADII = [radius(f"H{k}") for k in range(1, 6)]
SQUARE = [axis(kind, a) for a in ("H1", "H2", "H3") for kind in ("x", "y")]
TANGENTS = [axis(kind, "C", edge, 28.0) for kind in ("x", "y") for edge in ("low", "high")]


def survey(*readings: dict[str, Any], **more: Any) -> Survey:
    return Survey.model_validate({"holes": HOLES, **more, "readings": list(readings)})


def places(found: Survey) -> dict[str, tuple[float, float]]:
    return {hole.id: (hole.x_mm, hole.y_mm) for hole in solve_survey(found).result.holes}


class KindsOfReadingTest(TestCase):
    def test_each_route_alone_puts_the_shaft_where_it_is(self) -> None:
        for name, route in [("radii", RADII), ("tangents", [*SQUARE, *TANGENTS]), ("sweep", [*BORE, sweep()])]:
            with self.subTest(name):
                found = places(survey(*PAIRS, *route, *([] if name == "sweep" else BORE)))
                for hole, xy in TRUE.items():
                    np.testing.assert_allclose(found[hole], xy, atol=2e-3)

    def test_routes_are_put_side_by_side(self) -> None:
        shifted = [radius(f"H{k}", 0.3 if k in (1, 2) else 0.0) for k in range(1, 6)]
        readings = [*PAIRS, *BORE, *shifted, *SQUARE, *TANGENTS, sweep()]
        routes = {route.name: route for route in solve_survey(survey(*readings)).result.routes}
        self.assertEqual([route.readings for route in routes.values()], [5, 4, 1])
        apart = {name: route.apart_mm or 0 for name, route in routes.items()}
        self.assertGreater(apart["radii from the holes"], 3 * apart["indicator sweep"])
        self.assertEqual(solve_survey(survey(*PAIRS, *RADII)).result.routes, ())  # one route has nothing beside it

    def test_a_sweep_round_a_spigot_reads_the_other_way(self) -> None:
        dial = [{**one, "reading": {"text": f"{1 - float(one['reading']['text']):.6f}"}} for one in sweep()["dial"]]
        found = places(survey(*PAIRS, *BORE, sweep(surface="spigot", dial=dial)))
        np.testing.assert_allclose(found["B1"], TRUE["B1"], atol=2e-3)

    def test_a_standing_dial_and_too_few_places_say_nothing_of_the_shaft(self) -> None:
        for change, word in [
            ({"turned": "part"}, "what it turned about"),
            ({"dial": sweep()["dial"][:2]}, "three places"),
        ]:
            result = solve_survey(survey(*PAIRS, *BORE, *RADII, sweep(**change))).result
            self.assertIs(result.readings[-1].fit, Fit.ALONE)
            self.assertIn(word, result.readings[-1].says)

    def test_left_out_names_who_and_why(self) -> None:
        out = {**PAIRS[0], "left_out": True, "why": "jaws slipped", "left_out_by": "fabricator"}
        reading = solve_survey(survey(out, *PAIRS[1:], *RADII)).result.readings[0]
        self.assertEqual((reading.fit, reading.says), (Fit.LEFT_OUT, "Left out by fabricator: jaws slipped"))

    def test_a_traced_outline_comes_along_with_its_frame(self) -> None:
        corners = [(200.0, 0.0), (0.0, 200.0), (-200.0, 0.0), (0.0, -200.0)]
        turn = math.radians(10)
        seen = [
            {
                "x_mm": (x + 200) * math.cos(turn) + (y + 180) * math.sin(turn),
                "y_mm": (y + 180) * math.cos(turn) - (x + 200) * math.sin(turn),
            }
            for x, y in corners
        ]
        found = survey(*PAIRS, *RADII, *SQUARE, outline={"frame": "square", "points": seen})
        outline = solve_survey(found).result.outline
        np.testing.assert_allclose([(one.x_mm, one.y_mm) for one in outline], corners, atol=5e-3)
        sheet = PlateSheet.model_validate({"survey": found.model_dump(), "plate": {"outline_by": "flange"}})
        (part,) = lay_out(sheet).parts
        self.assertEqual({vertex.bulge for vertex in part.vertices}, {0.0})


class NextReadingTest(TestCase):
    def test_in_order_while_loose_then_cover_then_enough(self) -> None:
        ring = {f"H{k + 1}": (150 * math.cos(0.65 * k), 150 * math.sin(0.65 * k)) for k in range(9)} | {"C": (0.0, 0.0)}
        holes = [{"id": name, "diameter": {"text": "10"}} for name in ring if name != "C"]
        asked: list[str] = []
        taken: list[dict[str, Any]] = []
        for _ in range(45):
            suggestion = solve_survey(Survey.model_validate({"holes": holes, "readings": taken})).result.next_reading
            if suggestion is None:
                break
            asked.append(suggestion.why.split(":")[0])
            apart = math.dist(ring[suggestion.a], ring[suggestion.b]) - (10 if suggestion.kind == "inside" else 0)
            reading = {"text": f"{apart:.4f}", "tool": "caliper"}
            taken.append({"kind": suggestion.kind, "a": suggestion.a, "b": suggestion.b, "reading": reading})
        self.assertEqual(asked[0], "the next in order")
        self.assertEqual(asked[-1], "it checks a reading that nothing checks")
        pairs = {frozenset((one["a"], one.get("b", "C"))) for one in taken}
        self.assertEqual(len(pairs), len(taken))  # never the same pair twice
        self.assertLess(len(taken), 40)  # it stops asking long before all 45 pairs are read

    def test_a_hole_that_only_a_tape_has_seen_is_asked_for(self) -> None:
        def by_tape(reading: dict[str, Any]) -> dict[str, Any]:
            return {**reading, "reading": {**reading["reading"], "tool": "tape"}}

        radii = [{**one, "reading": {**one["reading"], "tool": "caliper"}} for one in RADII]
        readings = [by_tape(one) if "H5" in (one["a"], one.get("b")) else one for one in (*PAIRS[:-1], *radii)]
        suggestion = solve_survey(survey(*readings, holes=HOLES[:5])).result.next_reading
        assert suggestion is not None
        self.assertIn("it makes H5 surer", suggestion.why)
        self.assertEqual({suggestion.a, suggestion.b}, {"H4", "H5"})

    def test_the_reading_that_sharpens_does_what_was_foretold(self) -> None:
        observations = tuple(
            Observation(key=f"{a}{b}", kind=Kind.DISTANCE, a=a, b=b, value_mm=math.dist(TRUE[a], TRUE[b]), u_mm=0.1)
            for a, b in [("H1", "C"), ("H2", "C"), ("H3", "C"), ("H4", "C"), ("H1", "H2"), ("H2", "H3"), ("H3", "H4")]
            + [("H4", "H1"), ("H1", "H3")]
        )
        holes = tuple(Hole(f"H{k}", 10) for k in range(1, 5))
        network = Network(
            holes=holes, observations=observations, numbered=Turning.ANTICLOCKWISE, direction=Direction("H1", 0)
        )
        foretold = solve_network(network).sharpening
        assert foretold is not None
        a, b = foretold.pair
        more = Observation(key="new", kind=Kind.DISTANCE, a=a, b=b, value_mm=math.dist(TRUE[a], TRUE[b]), u_mm=0.1)
        after = solve_network(
            Network(
                holes=holes,
                observations=(*observations, more),
                numbered=Turning.ANTICLOCKWISE,
                direction=Direction("H1", 0),
            )
        )
        ellipse = after.point(foretold.point).ellipse
        assert ellipse is not None
        self.assertAlmostEqual(ellipse.major_mm, foretold.then_mm, places=6)


class LawsTest(TestCase):
    """What a survey must not hang on."""

    def plate(self, data: dict[str, Any]) -> dict[str, tuple[float, float]]:
        (part,) = lay_out(PlateSheet.model_validate(data)).parts
        return {f"{hole.kind} {hole.id}": (hole.x_mm, hole.y_mm) for hole in part.holes}

    def wren(self) -> dict[str, Any]:
        data: dict[str, Any] = json.loads(json.dumps(demo_json("wren")["sheets"]["plate"]))
        data["survey"]["readings"][11]["reading"]["text"] = "96.47"
        return data

    def test_a_mirrored_survey_mirrors_the_flange_exactly(self) -> None:
        """The same readings with the numbers running the other way, and the first hole's angle mirrored."""
        data = self.wren()
        mirrored = self.wren()
        mirrored["survey"] |= {"numbered": "clockwise", "direction_at": {"text": "175 deg"}}
        front, back = self.plate(data), self.plate(mirrored)
        for name, (x, y) in front.items():
            if name.startswith("flange"):
                np.testing.assert_allclose(back[name], (-x, y), atol=1e-6)

    @settings(max_examples=12, deadline=None)
    @given(st.randoms(use_true_random=False), st.sampled_from(["mm", "cm", "in"]))
    def test_order_of_readings_and_units_change_nothing(self, dice: Any, unit: str) -> None:
        data = self.wren()
        dice.shuffle(data["survey"]["readings"])
        per_mm = {"mm": 1.0, "cm": 10.0, "in": 25.4}[unit]
        for reading in data["survey"]["readings"]:
            text = reading["reading"]["text"]
            mm = float(text.removesuffix(" in")) * (25.4 if text.endswith("in") else 1.0)
            reading["reading"]["text"] = f"{mm / per_mm:.9f} {unit}"
        expected = self.plate(self.wren())
        for name, xy in self.plate(data).items():
            np.testing.assert_allclose(xy, expected[name], atol=1e-5)

    @settings(max_examples=8, deadline=None)
    @given(st.integers(0, 7))
    def test_where_the_numbering_begins_and_which_hole_sets_the_angle_only_turn_it(self, start: int) -> None:
        base = self.plate(self.wren())
        data = self.wren()
        holes = data["survey"]["holes"]
        data["survey"]["holes"] = holes[start:] + holes[:start]
        datum = f"H{start + 1}"
        x, y = base[f"flange {datum}"]
        data["survey"] |= {"direction_of": datum, "direction_at": {"text": f"{math.degrees(math.atan2(y, x)):.9f} deg"}}
        for name, xy in self.plate(data).items():
            np.testing.assert_allclose(xy, base[name], atol=1e-5)


class ManyReadingsTest(TestCase):
    """Sparse, and by updating what is known, the same as whole matrices afresh."""

    def network(self, holes: int, seed: int = 3) -> Network:
        dice = np.random.default_rng(seed)
        angle = np.linspace(0, 2 * np.pi, holes, endpoint=False)
        xy = 300 * np.column_stack([np.cos(angle), np.sin(angle)]) * (1 + 0.1 * np.sin(5 * angle))[:, None]
        found = []
        for k in range(holes):
            found.append((f"H{k + 1}", "C", float(np.hypot(*xy[k]))))
            for step in (1, 2, 3):
                other = (k + step) % holes
                found.append((f"H{k + 1}", f"H{other + 1}", float(np.hypot(*(xy[k] - xy[other])))))
        observations = [
            Observation(key=str(n), kind=Kind.DISTANCE, a=a, b=b, value_mm=mm + dice.normal(0, 0.05), u_mm=0.05)
            for n, (a, b, mm) in enumerate(found)
        ]
        observations[17] = Observation(
            key="17", kind=Kind.DISTANCE, a=found[17][0], b=found[17][1], value_mm=found[17][2] + 1.5, u_mm=0.05
        )
        return Network(
            holes=tuple(Hole(f"H{k + 1}", 10) for k in range(holes)),
            observations=tuple(observations),
            numbered=Turning.ANTICLOCKWISE,
            direction=Direction("H1", 0),
        )

    def test_sparse_and_whole_agree(self) -> None:
        network = self.network(110)
        self.assertGreater(Equations(network).count, cofactors_module.MOST_DENSE)
        sparse = solve_network(network)
        with mock.patch("driveline.network.adjust.MOST_DENSE", 10_000):
            whole = solve_network(network)
        for one, other in zip(sparse.points, whole.points, strict=True):
            self.assertAlmostEqual(one.x_mm, other.x_mm, places=6)
            assert one.ellipse is not None and other.ellipse is not None
            self.assertAlmostEqual(one.ellipse.major_mm, other.ellipse.major_mm, places=6)
        for one_fit, other_fit in zip(sparse.readings, whole.readings, strict=True):
            self.assertAlmostEqual(one_fit.redundancy, other_fit.redundancy, places=6)
        self.assertEqual([one.key for one in sparse.suspects], [one.key for one in whole.suspects])
        self.assertEqual(sparse.suspects[0].key, "17")
        self.assertAlmostEqual(float(sparse.mean_mm2[0, 0]), float(whole.mean_mm2[0, 0]), places=9)

    def test_a_loose_hole_among_many_is_still_named(self) -> None:
        network = self.network(110)
        keys = {one.key for one in network.observations if "H50" in (one.a, one.b)}
        self.assertEqual(solve_network(network.without(frozenset(sorted(keys)[1:]))).loose, ("H50",))

    def test_left_out_by_updating_is_left_out_afresh(self) -> None:
        network = self.network(9)
        equations = Equations(network)
        updated = readjusted_without(adjust(equations, start_unknowns(equations)), 17)
        fewer = Equations(network.without(frozenset({"17"})))
        afresh = adjust(fewer, start_unknowns(fewer))
        self.assertAlmostEqual(updated.chi_square, afresh.chi_square, places=4)
        self.assertEqual(updated.redundancy, afresh.redundancy)
        rows = np.delete(updated.cofactors.leverages(updated.weighted), 17)
        np.testing.assert_allclose(rows, afresh.cofactors.leverages(afresh.weighted), atol=1e-3)
