import json
from dataclasses import replace
from pathlib import Path
from typing import Any
from unittest import TestCase

import numpy as np
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.errors import ImpossibleInput
from driveline.network import Direction, Hole, Kind, Network, Observation, Turning, indicator_sweep, solve_network
from driveline.network.judge import NetworkResult

SURVEY = json.loads((Path(__file__).parents[1] / "data" / "flange_survey_a.json").read_text())
HOLES = tuple(Hole(hole["id"], hole["diameter_mm"]) for hole in SURVEY["holes"])
READINGS = tuple(
    Observation(
        key=str(k), kind=Kind(one["kind"]), a=one["a"], b=one.get("b", "C"), value_mm=one["value_mm"], u_mm=one["u_mm"]
    )
    for k, one in enumerate(SURVEY["observations"])
)
WHOLE = Network(holes=HOLES, observations=READINGS, numbered=Turning.ANTICLOCKWISE, direction=Direction("H1", 0))
BLUNDER = str(SURVEY["truth"]["blunder_index"])


def coordinates(result: NetworkResult) -> dict[str, tuple[float, float]]:
    return {point.id: (point.x_mm, point.y_mm) for point in result.points}


def keeping(*keys: int) -> Network:
    return replace(WHOLE, observations=tuple(READINGS[k] for k in keys))


def exact(ids: dict[str, tuple[float, float]], pairs: list[tuple[str, str]], u_mm: float = 0.05) -> list[Observation]:
    return [
        Observation(
            key=f"{a}-{b}",
            kind=Kind.DISTANCE,
            a=a,
            b=b,
            value_mm=float(np.hypot(ids[a][0] - ids[b][0], ids[a][1] - ids[b][1])),
            u_mm=u_mm,
        )
        for a, b in pairs
    ]


class FlangeSurveyTest(TestCase):
    """The reference survey: nine holes, 32 readings, one of them 2 mm long."""

    def test_agrees_with_the_reference_with_and_without_the_wrong_reading(self) -> None:
        for network, name in (
            (WHOLE, "solution_with_all"),
            (WHOLE.without(frozenset({BLUNDER})), "solution_without_blunder"),
        ):
            expected = SURVEY["truth"][name]
            result = solve_network(network)
            found = coordinates(result)
            with self.subTest(name):
                for point, (x_mm, y_mm) in expected["xy"].items():
                    np.testing.assert_allclose(found[point], (x_mm, y_mm), atol=0.002)
                worst = max(result.readings, key=lambda fit: abs(fit.w or 0))
                self.assertEqual(worst.key, str(expected["worst_observation"]))
                self.assertAlmostEqual(worst.w or 0, expected["worst_w"], delta=0.01)
                least = min(fit.redundancy for fit in result.readings)
                self.assertAlmostEqual(least, expected["min_redundancy"], places=4)

    def test_names_the_wrong_reading_and_only_it(self) -> None:
        (suspect,) = solve_network(WHOLE).suspects
        self.assertEqual(suspect.key, BLUNDER)
        self.assertTrue(suspect.can_be_named)
        self.assertAlmostEqual(suspect.mistake_mm, SURVEY["truth"]["blunder_mm"], delta=0.2)

    def test_without_it_the_truth_lies_within_the_stated_errors(self) -> None:
        """Each true hole, turned to the same direction, within three times its 95 % ellipse's major axis."""
        result = solve_network(WHOLE.without(frozenset({BLUNDER})))
        truth = SURVEY["truth"]["truth_mm"]
        azimuth = np.arctan2(*reversed(truth["H1"]))
        for point in result.points:
            if point.id == "C":
                continue
            x, y = truth[point.id]
            turned = (x * np.cos(azimuth) + y * np.sin(azimuth), y * np.cos(azimuth) - x * np.sin(azimuth))
            self.assertIsNotNone(point.ellipse)
            allowed = 1.5 * point.ellipse.major_mm if point.ellipse else 0
            self.assertLess(np.hypot(point.x_mm - turned[0], point.y_mm - turned[1]), max(allowed, 0.2))

    def test_diameters_can_be_readings_too(self) -> None:
        network = replace(WHOLE, holes=tuple(replace(hole, u_mm=0.05) for hole in HOLES))
        self.assertEqual(solve_network(network).suspects[0].key, BLUNDER)

    def test_the_smallest_mistake_that_shows_is_that_of_the_theory(self) -> None:
        for fit in solve_network(WHOLE).readings:
            u_mm = READINGS[int(fit.key)].u_mm
            self.assertAlmostEqual(fit.smallest_shown_mm or 0, 4.13 * u_mm / fit.redundancy**0.5)

    @settings(max_examples=15, deadline=None)
    @given(st.permutations(range(len(READINGS))), st.floats(-180, 180))
    def test_order_and_direction_change_nothing_else(self, order: list[int], at_deg: float) -> None:
        base = coordinates(solve_network(WHOLE))
        mixed = replace(WHOLE, observations=tuple(READINGS[k] for k in order), direction=Direction("H1", at_deg))
        angle = np.radians(at_deg)
        for point, (x, y) in coordinates(solve_network(mixed)).items():
            before = base[point]
            turned = (
                before[0] * np.cos(angle) - before[1] * np.sin(angle),
                before[0] * np.sin(angle) + before[1] * np.cos(angle),
            )
            np.testing.assert_allclose((x, y), turned, atol=1e-4)

    def test_numbered_the_other_way_it_is_the_mirror_image(self) -> None:
        mirrored = coordinates(solve_network(replace(WHOLE, numbered=Turning.CLOCKWISE)))
        for point, (x, y) in coordinates(solve_network(WHOLE)).items():
            np.testing.assert_allclose(mirrored[point], (x, -y), atol=1e-4)

    @settings(max_examples=10, deadline=None)
    @given(st.floats(0.02, 50))
    def test_scale_of_the_flange_changes_nothing_else(self, factor: float) -> None:
        scaled = replace(
            WHOLE,
            holes=tuple(Hole(hole.id, hole.diameter_mm * factor) for hole in HOLES),
            observations=tuple(replace(r, value_mm=r.value_mm * factor, u_mm=r.u_mm * factor) for r in READINGS),
        )
        result, base = solve_network(scaled), solve_network(WHOLE)
        self.assertAlmostEqual(result.chi_square / base.chi_square, 1, places=5)
        self.assertAlmostEqual(result.point("H5").x_mm / base.point("H5").x_mm, factor, delta=1e-5 * factor)


class TooFewReadingsTest(TestCase):
    SQUARE = {"C": (0.0, 0.0), "H1": (100.0, 0.0), "H2": (0.0, 100.0), "H3": (-100.0, 0.0), "H4": (0.0, -100.0)}

    def network(self, pairs: list[tuple[str, str]], extra: tuple[Observation, ...] = ()) -> Network:
        return Network(
            holes=tuple(Hole(name, 10.0) for name in self.SQUARE if name != "C"),
            observations=(*exact(self.SQUARE, pairs), *extra),
            numbered=Turning.ANTICLOCKWISE,
            direction=Direction("H1", 0),
        )

    RADII = [(hole, "C") for hole in ("H1", "H2", "H3", "H4")]

    def test_nothing_read_leaves_everything_loose(self) -> None:
        self.assertEqual(len(solve_network(self.network([])).loose), 5)

    def test_a_hole_on_a_single_arm_is_loose_and_named(self) -> None:
        result = solve_network(self.network([*self.RADII, ("H1", "H2"), ("H2", "H3")]))
        self.assertEqual(result.loose, ("H4",))
        self.assertIsNone(result.point("H4").ellipse)

    def test_a_hole_held_by_two_readings_can_flip(self) -> None:
        result = solve_network(self.network([*self.RADII, ("H1", "H2"), ("H2", "H3"), ("H1", "H3"), ("H3", "H4")]))
        self.assertEqual(result.loose, ())
        self.assertIn((("H4",), {"C", "H3"}), [(flip.points, set(flip.across)) for flip in result.flips])

    def test_just_enough_readings_check_nothing(self) -> None:
        result = solve_network(self.network([*self.RADII, ("H1", "H2"), ("H2", "H3"), ("H3", "H4")]))
        self.assertEqual(result.redundancy, 0)
        self.assertIsNone(result.worst_w)
        self.assertEqual(len(result.unchecked), 7)

    def test_with_one_to_spare_a_mistake_shows_but_cannot_be_named(self) -> None:
        pairs = [*self.RADII, ("H1", "H2"), ("H2", "H3"), ("H3", "H4"), ("H4", "H1")]
        network = self.network(pairs)
        wrong = replace(network.observations[4], value_mm=network.observations[4].value_mm + 2)
        result = solve_network(
            replace(network, observations=(*network.observations[:4], wrong, *network.observations[5:]))
        )
        w = [abs(fit.w) for fit in result.readings if fit.w is not None]
        np.testing.assert_allclose(w, w[0], rtol=1e-3)
        self.assertFalse(result.suspects[0].can_be_named)

    def test_an_unchecked_reading_gets_the_reading_that_would_check_it(self) -> None:
        pairs = [*self.RADII, ("H1", "H2"), ("H2", "H3"), ("H1", "H3"), ("H3", "H4")]
        result = solve_network(self.network(pairs))
        covers = {one.key: one.cover for one in result.unchecked}
        self.assertIn("H3-H4", covers)
        self.assertIn("H4", covers["H3-H4"] or ())

    def test_unsound_readings_are_refused_by_name(self) -> None:
        good = self.network(self.RADII).observations[0]
        for wrong in ({"a": "H9"}, {"u_mm": 0.0}, {"value_mm": -3.0}, {"b": "H1"}, {"kind": Kind.X}):
            with self.subTest(wrong), self.assertRaises(ImpossibleInput):
                replace(self.network(self.RADII), observations=(replace(good, **wrong),))


class FramesTest(TestCase):
    """Squares, traces and scans: each with its own shift, turn and, where free, scale."""

    TRUE = {"C": (0.0, 0.0), "H1": (150.0, 10.0), "H2": (20.0, 140.0), "H3": (-130.0, 30.0), "H4": (-40.0, -120.0)}

    def framed(self, frame: str, shift: tuple[float, float], turn_deg: float, scale: float = 1.0) -> list[Observation]:
        angle, found = np.radians(turn_deg), []
        for point, (x, y) in self.TRUE.items():
            seen = (
                scale * (x * np.cos(angle) + y * np.sin(angle)) + shift[0],
                scale * (y * np.cos(angle) - x * np.sin(angle)) + shift[1],
            )
            for kind, value in zip((Kind.X, Kind.Y), seen, strict=True):
                key = f"{frame} {point} {kind}"
                found.append(Observation(key=key, kind=kind, a=point, frame=frame, value_mm=float(value), u_mm=0.3))
        return found

    def network(self, observations: list[Observation], direction: str = "square", **more: Any) -> Network:
        return Network(
            holes=tuple(Hole(name, 12.0) for name in self.TRUE if name != "C"),
            observations=tuple(observations),
            numbered=Turning.ANTICLOCKWISE,
            direction=Direction(direction, 0),
            **more,
        )

    def test_one_square_gives_the_coordinates_about_the_shaft(self) -> None:
        found = coordinates(solve_network(self.network(self.framed("square", (200, 180), 0))))
        for point, xy in self.TRUE.items():
            np.testing.assert_allclose(found[point], xy, atol=1e-6)

    def test_two_frames_and_distances_meet_in_one_drawing(self) -> None:
        observations = [
            *self.framed("square", (200, 180), 0),
            *self.framed("trace", (-35, 410), 37, 1.012),
            *exact(self.TRUE, [("H1", "H2"), ("H3", "H4")]),
        ]
        result = solve_network(self.network(observations, scaled_frames=("trace",)))
        self.assertLess(result.chi_square, 1e-6)
        for point, xy in self.TRUE.items():
            np.testing.assert_allclose(coordinates(result)[point], xy, atol=1e-5)

    def test_a_stretched_trace_held_to_scale_shows(self) -> None:
        observations = [*self.framed("square", (0, 0), 0), *self.framed("trace", (0, 0), 10, 1.03)]
        self.assertGreater(solve_network(self.network(observations)).chi_square, 50)

    def test_a_trace_read_from_the_wrong_side_runs_against_the_numbering(self) -> None:
        wrong_way = replace(self.network(self.framed("square", (0, 0), 0)), numbered=Turning.CLOCKWISE)
        self.assertTrue(solve_network(wrong_way).is_against_numbering)

    def test_two_tangents_put_the_shaft_between_them(self) -> None:
        """A square dropped on both sides of a shaft of unknown size: the centre is midway."""
        holes = [one for one in self.framed("square", (200, 180), 0) if one.a != "C"]
        tangents = [
            Observation(
                key=f"{kind} {edge}",
                kind=kind,
                a="C",
                frame="square",
                edge=edge,
                value_mm=middle + edge * 17.5,
                u_mm=0.3,
            )
            for kind, middle in ((Kind.X, 200.0), (Kind.Y, 180.0))
            for edge in (-1, 1)
        ]
        result = solve_network(self.network([*holes, *tangents]))
        self.assertAlmostEqual(result.point("C").diameter_mm, 35, places=5)
        np.testing.assert_allclose(coordinates(result)["H1"], self.TRUE["H1"], atol=1e-6)

    def test_inside_and_outside_over_equal_holes_cancel_a_wrong_diameter(self) -> None:
        pairs = [(a, b) for a in self.TRUE for b in self.TRUE if a < b and "C" not in (a, b)]
        both = [
            replace(one, key=f"{one.key} {kind}", kind=kind, value_mm=one.value_mm + sign * 12.6)
            for one in exact(self.TRUE, pairs)
            for kind, sign in ((Kind.INSIDE, -1), (Kind.OUTSIDE, 1))
        ]
        radii = exact(self.TRUE, [(hole, "C") for hole in self.TRUE if hole != "C"])
        network = replace(
            self.network([*both, *radii], direction="H1"),
            holes=tuple(Hole(h, 12.0, u_mm=1.0) for h in self.TRUE if h != "C"),
        )
        result = solve_network(network)
        self.assertAlmostEqual(result.point("H2").diameter_mm, 12.6, delta=0.02)


class IndicatorSweepTest(TestCase):
    @given(st.floats(-1, 1), st.floats(-1, 1), st.lists(st.integers(0, 71), min_size=3, max_size=20, unique=True))
    def test_any_three_positions_give_the_offset_back(self, a: float, b: float, places: list[int]) -> None:
        clock = [5.0 * place for place in places]
        reading = [0.2 + a * np.cos(np.radians(t)) + b * np.sin(np.radians(t)) for t in clock]
        found = indicator_sweep(clock, reading)
        np.testing.assert_allclose((found.x_mm, found.y_mm), (a, b), atol=1e-6)

    def test_too_few_positions(self) -> None:
        for clock, reading in (([0, 90], [1, 2]), ([0, 0, 90, 90], [1, 1, 2, 2]), ([0, 90, 180], [1, 2])):
            with self.assertRaises(ImpossibleInput):
                indicator_sweep(clock, reading)
