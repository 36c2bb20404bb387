"""The bolts of landing plate, ears and strap, judged as any other screws."""

from typing import Any
from unittest import TestCase

from driveline.benches.mounts.bolts import thread_of
from driveline.checks import Check
from tests.benches.mounts.test_cradles import checks as strapped
from tests.benches.mounts.test_landings import LANDING, PLATE, PLOVER
from tests.benches.mounts.test_mounts import FAILS, HOLDS, NOT_KNOWN, changed, mm, solved
from tests.workings.test_workings import faults_of

SCREWS: dict[str, Any] = PLATE["screws"]  # type: ignore[assignment]


def landing(changes: dict[str, Any]) -> dict[str, Check]:
    """Checks of the landing plate of Plover's right mount, its bolts tightened to 70 N·m."""
    screws = {f"{LANDING}.screws": SCREWS | {"tightening": {"text": "70 Nm"}}}
    every = solved(changed(PLOVER, screws | changes))[1]
    return {key.removeprefix("mounts.m2.landing_"): one for key, one in every.items() if "mounts.m2.landing_" in key}


def ear(changes: dict[str, Any]) -> dict[str, Check]:
    every = solved(changed(PLOVER, changes))[1]
    return {key.removeprefix("mounts.m1.ear_"): one for key, one in every.items() if "mounts.m1.ear_" in key}


class LandingBoltsTest(TestCase):
    def test_tightened_past_proof_they_hold_nothing(self) -> None:
        found = landing({f"{LANDING}.screws": SCREWS | {"tightening": {"text": "800 Nm"}}})
        for name in ("proof", "head", "strip", "friction", "crush"):
            self.assertIs(found[name].verdict, FAILS, name)
        for other in (landing({}), landing({f"{LANDING}.thread": None})):
            self.assertEqual(found["friction"].title, other["friction"].title)  # one question, whatever its answer

    def test_what_lies_under_the_nut_gives_before_a_bracket_of_better_steel(self) -> None:
        plain = landing({})["head"]
        self.assertEqual(landing({"mounts.1.bracket.yield_mpa": 690})["head"].capacity, plain.capacity)
        both = landing({"mounts.1.bracket.yield_mpa": 690, "mounts.1.bracket.rail": {"yield_mpa": 355}})["head"]
        self.assertEqual(both.capacity, 355)
        self.assertEqual(landing({"mounts.1.bracket.rail": {"yield_mpa": 150}})["head"].capacity, 150)

    def test_friction_is_what_the_pull_leaves_of_the_least_preload(self) -> None:
        """70/(0.15 × 12) = 38.9 kN; a quarter less, and what settling takes of 76 + 2.5 + 12 mm: 8 µm of them."""
        found = landing({})
        settles = 0.008 * 205_000 * 84.27 / (16 + 60 + 2.5 + 12)
        pulled = float(found["bolts"].says.split("|")[0].strip("⟨"))
        by_hand = 0.15 * (0.75 * 70_000 / (0.15 * 12) - settles - pulled)
        self.assertAlmostEqual(found["friction"].capacity or 0, by_hand, delta=0.01 * by_hand)
        self.assertAlmostEqual((found["proof"].demand or 0) - 1.25 * 70_000 / (0.15 * 12), pulled, delta=1)

    def test_a_bolt_too_short_for_its_nut_and_a_head_smaller_than_its_hole(self) -> None:
        short = landing({f"{LANDING}.screws": SCREWS | {"length": mm(85)}})
        self.assertIs(short["engagement"].verdict, FAILS)
        bare = landing({f"{LANDING}.screws": SCREWS | {"head": mm(13)}})
        self.assertIs(bare["head"].verdict, NOT_KNOWN)

    def test_what_is_left_out_is_asked_and_holds_nothing(self) -> None:
        for name, hangs in (
            ("condition", ("proof", "head", "friction", "bolts", "crush")),
            ("tapped", ("engagement",)),
        ):
            found = landing({f"{LANDING}.screws": {**SCREWS, name: None}})
            for check in hangs:
                self.assertIs(found[check].verdict, NOT_KNOWN, (name, check))
        self.assertIs(landing({f"{LANDING}.goes_through": None})["friction"].verdict, NOT_KNOWN)

    def test_screwed_into_metal_it_must_stop_short_of_what_is_behind(self) -> None:
        tapped = SCREWS | {"tapped": "steel", "thread_depth": mm(20), "countersink": mm(0), "is_blind": True}
        into = {
            f"{LANDING}.screws": tapped | {"length": mm(36), "depth_behind": mm(30)},
            f"{LANDING}.goes_through": mm(0),
        }
        self.assertIs(landing(into)["clear"].verdict, FAILS)  # 17.5 mm in, of 20 less two pitches
        into[f"{LANDING}.screws"] = into[f"{LANDING}.screws"] | {"length": mm(33)}
        self.assertIs(landing(into)["clear"].verdict, HOLDS)

    def test_their_workings_come_out(self) -> None:
        for check in (*landing({}).values(), *ear({}).values(), *strapped().values()):
            self.assertEqual(faults_of(check, check.working), [], check.key)


class EarBoltTest(TestCase):
    def test_it_is_tightened_on_its_tube_and_judged(self) -> None:
        found = ear({"mounts.0.ears.screw.tightening": {"text": "90 Nm"}})
        self.assertAlmostEqual(found["strip"].demand or 0, found["proof"].demand or 1)
        self.assertIs(ear({"mounts.0.ears.screw.tightening": {"text": "160 Nm"}})["proof"].verdict, FAILS)
        self.assertIs(ear({"mounts.0.ears.screw.length": mm(65)})["engagement"].verdict, FAILS)

    def test_without_a_tube_it_is_not_tightened_and_not_judged_so(self) -> None:
        self.assertNotIn("proof", ear({"mounts.0.tube.is_there": False}))

    def test_the_thread_is_the_coarse_one_of_the_bolt_s_diameter(self) -> None:
        self.assertEqual([thread_of(size) for size in (12.0, 11.98, 11.5, None)], ["M12", "M12", None, None])
