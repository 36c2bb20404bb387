"""Registers as metal: by hand first, then what the whole bench says of them."""

import copy
from typing import Any
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.checks import Check, Verdict
from driveline.drawing.model import Circle, Text
from driveline.errors import ImpossibleInput
from driveline.flat.holes import Disc, ligaments
from driveline.flat.seats import Mate, Ring, Seat, SeatKind, behind_mm, held_mm, metal_left
from driveline.job.evaluate import JobResult, evaluate
from driveline.job.file import JobFile
from tests.demo import demo_json
from tests.jobs import check_of
from tests.laws.generated import STANDOFFS

SPIGOT, BORE = "spigot", "bore"


def mm(value: float, tool: str = "micrometer") -> dict[str, str]:
    return {"text": f"{value} mm", "tool": tool}


def register(size: float, side: str, kind: str, depth: float | None = None, **more: Any) -> dict[str, Any]:
    found = {"size": mm(size), "fit": "H7/g6", "side": side, "kind": kind, "chamfer": mm(0.5)}
    return found | ({} if depth is None else {"depth": mm(depth)}) | more


def ring(outside: float, depth: float, inside: float | None = None) -> dict[str, Any]:
    found = {"ring_outside": mm(outside), "ring_depth": mm(depth)}
    return found | ({} if inside is None else {"ring_inside": mm(inside)})


def located(
    *registers: dict[str, Any],
    bore: float | None = 100,
    motor: tuple[float, str, float] = (129.98, SPIGOT, 5),
    gearbox: tuple[float, str, float] = (150.01, BORE, 6),
    build: dict[str, Any] | None = None,
    **plate: Any,
) -> JobResult:
    """Wren, its plate of 10 mm located by the registers given."""
    data = demo_json("wren")
    sheet = data["sheets"]["plate"]
    sheet["plate"] |= {"register_plays": [], "registers": list(registers), "bore": bore and mm(bore)} | plate
    sheet["face"] |= {"register_size": mm(motor[0]), "register_kind": motor[1], "register_depth": mm(motor[2])}
    sheet["flange_register"] = {"size": mm(gearbox[0]), "kind": gearbox[1], "depth": mm(gearbox[2])}
    sheet |= {"build_up": build} if build else {}
    return evaluate(JobFile.model_validate(data))


def of(result: JobResult, what: str, number: int = 1) -> Check:
    return check_of(result, f"plate.register_{what}_{number}")


class MetalTest(TestCase):
    def test_metal_by_hand(self) -> None:
        sized = {"side": 0, "size_mm": 120.0, "chamfer_mm": 0.0}
        bore = Seat(id="R1", kind=SeatKind.BORE, mate=Mate.SPIGOT, depth_mm=6.0, **sized)  # type: ignore[arg-type]
        spigot = Seat(id="R1", kind=SeatKind.SPIGOT, mate=Mate.BORE, depth_mm=4.0, **sized)  # type: ignore[arg-type]
        sat = Ring(outside_mm=130.0, depth_mm=5.0, inside_mm=104.0)
        out = Seat(id="R1", kind=SeatKind.RING, mate=Mate.BORE, depth_mm=4.0, ring=sat, **sized)  # type: ignore[arg-type]
        about = Seat(id="R1", kind=SeatKind.RING, mate=Mate.SPIGOT, depth_mm=5.0, ring=sat, **sized)  # type: ignore[arg-type]
        cases: tuple[tuple[Seat, float, float, dict[str, float]], ...] = (
            (bore, 100, 0, {"beside the bore": 10, "of floor": 9}),
            (bore, 100, 7, {"beside the bore": 10, "of floor": 2}),
            (bore, 160, 0, {"beside the bore": -20, "of floor": 9}),
            (bore, 120, 0, {}),  # bored right through
            (spigot, 100, 0, {"of wall round the bore": 10}),
            (out, 100, 0, {"beside the bore": 15, "of floor": 10, "of ring": 8}),
            (out, 130, 0, {"of ring": 8}),  # sits in the bore itself
            (about, 130, 0, {"of ring round the spigot": 5}),
        )
        for seat, bore_mm, other_mm, expected in cases:
            with self.subTest(seat.kind, bore=bore_mm, other=other_mm):
                left = metal_left(seat, bore_mm=bore_mm, thickness_mm=15.0, other_into_mm=other_mm)
                self.assertEqual({one.where: one.left_mm for one in left}, expected)
                spare = [one.left_mm - one.wanted_mm for one in left]
                self.assertEqual(spare, sorted(spare))

    @given(st.floats(1, 20), st.floats(1, 20), st.floats(0, 3))
    def test_what_is_held_and_what_is_free_never_grow_together(self, deep: float, own: float, chamfer: float) -> None:
        seat = Seat(
            id="R1", side=0, kind=SeatKind.BORE, mate=Mate.SPIGOT, size_mm=100, depth_mm=deep, chamfer_mm=chamfer
        )
        self.assertAlmostEqual(behind_mm(seat, own, through_mm=None), deep - own)
        self.assertLessEqual(held_mm(seat, own), min(deep, own))
        self.assertAlmostEqual(held_mm(seat, own + 1) - held_mm(seat, own), min(deep, own + 1) - min(deep, own))

    def test_a_faces_own_shape_is_not_blamed_on_the_plate(self) -> None:
        """A register of 130 with holes of 11 on a circle of 149: 4 mm, and the face has it so."""
        hole, bore = Disc("M1", 74.5, 0, 11, owner="motor"), Disc("bore", 0, 0, 130, is_bore=True, owner="motor")
        (own,) = ligaments((hole, bore), factor=1.0)
        self.assertAlmostEqual(own.left_mm, 4.0)
        self.assertAlmostEqual(own.wanted_mm, 3.0)
        self.assertEqual(own.owner, "motor")
        (plates,) = ligaments((hole, Disc("bore", 0, 0, 130, is_bore=True)), factor=1.0)
        self.assertAlmostEqual(plates.wanted_mm, 22.0)


class RegisterTest(TestCase):
    good = (register(130, "motor", "bore", 5.5), register(150, "gearbox", "ring", 5, **ring(150, 1, 110)))

    def test_both_sides_hold(self) -> None:
        result = located(*self.good)
        for number in (1, 2):
            self.assertIs(of(result, "metal", number).verdict, Verdict.HOLDS)
            self.assertIs(of(result, "matches", number).verdict, Verdict.HOLDS)
        self.assertAlmostEqual(of(result, "metal").capacity or 0, 10 - 5.5 - 1)
        self.assertIs(of(result, "sits", 2).verdict, Verdict.HOLDS)
        self.assertEqual(result.plate.proposals, ())

    def test_what_has_no_metal_is_refused_with_the_way_out(self) -> None:
        check = of(located(register(120, "motor", "bore", 5.5), bore=160, motor=(119.98, SPIGOT, 5)), "metal")
        self.assertIs(check.verdict, Verdict.FAILS)
        self.assertTrue(check.guards_release)
        for words in ("no metal", "ring", "second plate"):
            self.assertIn(words, check.says)

    def test_each_way_of_being_wrong_fails(self) -> None:
        cases: tuple[tuple[str, dict[str, Any], dict[str, Any]], ...] = (
            ("metal", register(130, "motor", "bore", 8), {}),  # 2 mm of floor
            ("metal", register(130, "motor", "bore", 5.5), {"bore": 140}),
            ("metal", register(108, "gearbox", "spigot", 5), {"gearbox": (108.01, BORE, 6)}),  # 4 mm of wall
            ("sits", register(130, "motor", "bore", 5.2), {}),  # its end touches: 0.2 free
            ("sits", register(130, "motor", "bore", 5), {"motor": (129.98, SPIGOT, 3.5)}),  # 2.5 straight
            ("matches", register(130, "motor", "bore", 5.5), {"motor": (130.06, SPIGOT, 5)}),  # does not go in
            ("matches", register(130, "motor", "spigot", 5.5), {}),  # both stand out
            ("matches", register(150, "gearbox", "bore", 5.5), {}),  # both are sunk
        )
        for what, one, more in cases:
            with self.subTest(what, **one):
                self.assertIs(of(located(one, **more), what).verdict, Verdict.FAILS)

    def test_what_is_not_said_is_asked_and_never_holds(self) -> None:
        for name in ("side", "kind", "depth"):
            one = {key: value for key, value in self.good[0].items() if key != name}
            with self.subTest(name):
                result = located(one, self.good[1])
                self.assertIs(of(result, "metal").verdict, Verdict.NOT_KNOWN)
                self.assertIs(check_of(result, "plate.ligament").verdict, Verdict.NOT_KNOWN)
        self.assertIs(of(located(*self.good, bore=None), "metal").verdict, Verdict.NOT_KNOWN)

    def test_two_registers_on_one_side_locate_one_face(self) -> None:
        twice = located(self.good[0], register(140, "motor", "bore", 3))
        self.assertIn("Play or fit of the register on each of 2 faces", check_of(twice, "plate.on_centre").missing)

    def test_a_worn_spigot_counts_as_measured(self) -> None:
        new, worn = (
            check_of(located(*self.good, motor=(size, SPIGOT, 5)), "plate.on_centre").demand or 0.0
            for size in (129.98, 129.70)
        )
        self.assertGreater(worn - new, 0.1)

    def test_another_hole_keeps_off_a_register(self) -> None:
        """Gearbox holes on Ø250 of 10.5 mm: a ring of 236 leaves 1.75 mm, though the bore is far away."""
        wide = register(236, "motor", "bore", 5.5)
        near = check_of(located(wide, self.good[1]), "plate.ligament")
        self.assertIs(near.verdict, Verdict.FAILS)
        self.assertIn("R1", near.says)

    def test_it_is_drawn_with_its_words_on_either_side(self) -> None:
        result = located(*self.good)
        plate = next(part for part in result.parts if part.key == "plate.plate")
        for view, where in zip(plate.views, ("this", "far"), strict=True):
            circles = [e for e in view.drawing.entities if isinstance(e, Circle) and e.part == "register:R1"]
            words = [e.text for e in view.drawing.entities if isinstance(e, Text) and e.part == "register:R1"]
            self.assertEqual([2 * circle.radius_mm for circle in circles], [130.0])
            self.assertIn(f"{where} side", words[0])
        section = result.plate.section
        assert section is not None
        self.assertLessEqual({"metal:plate.plate", "ring:R2", "axis"}, {one.part for one in section.entities})

    def test_a_spigot_asks_for_thicker_stock(self) -> None:
        result = located(register(150, "gearbox", "spigot", 5))
        plate = next(part for part in result.parts if part.key == "plate.plate")
        assert plate.cut is not None
        self.assertAlmostEqual(plate.cut.thickness_mm or 0, 15.0)

    def test_each_register_is_in_the_part_that_lies_against_its_face(self) -> None:
        spacer = {"kind": "ring", "ring": {"thickness": mm(8), "inside": mm(110), "on": "gearbox"}}
        two = {"kind": "two_plates", "second_thickness": mm(12), "standoffs": STANDOFFS}
        for build, keys in ((spacer, ("plate.plate", "plate.ring")), (two, ("plate.motor_plate", "plate.plate"))):
            with self.subTest(build["kind"]):
                result = located(*self.good, build=copy.deepcopy(build))
                found = {
                    (entity.part, part.key)
                    for part in result.parts
                    if part.key.startswith("plate.")
                    for entity in part.views[0].drawing.entities
                    if entity.part.startswith("register:")
                }
                self.assertEqual(found, {("register:R1", keys[0]), ("register:R2", keys[1])})
        ring = located(*self.good, build=spacer)
        self.assertAlmostEqual(of(ring, "metal", 2).capacity or 0, 8 - 1)  # of the ring's own 8 mm

    def test_a_sunk_register_finds_metal_in_the_motors_own_plate(self) -> None:
        two = {"kind": "two_plates", "second_thickness": mm(12), "standoffs": STANDOFFS}
        one = register(130, "motor", "spigot", 5)
        check = of(located(one, build=two, motor=(130.01, BORE, 6)), "metal")
        self.assertAlmostEqual(check.capacity or 0, (130 - 100) / 2)

    def test_a_size_of_kilometres_is_refused_by_name(self) -> None:
        far = register(130, "gearbox", "ring", 5, **ring(150, 1, 9_000_000))
        for one in (register(9_000_000, "motor", "bore", 5), register(130, "motor", "bore", 9_000_000), far):
            with self.assertRaisesRegex(ImpossibleInput, "registers and reliefs"):
                located(one)


class ProposalTest(TestCase):
    def test_each_pair_of_diameters_by_what_it_needs(self) -> None:
        cases: tuple[tuple[tuple[float, str, float], float, str | None, str], ...] = (
            ((130, SPIGOT, 4), 100, "bore", "needs a bore"),
            ((120, SPIGOT, 5), 160, "ring", "second plate"),
            ((130, SPIGOT, 9), 100, None, "right through"),
            ((150, BORE, 6), 100, "ring", "separate ring"),
            ((104, BORE, 6), 100, None, "no wall"),
        )
        for motor, bore, kind, words in cases:
            with self.subTest(motor=motor, bore=bore):
                found = located(bore=bore, motor=motor).plate.proposals[0]
                self.assertEqual((found.side, found.kind), ("motor", kind))
                self.assertIn(words, found.says)

    def test_what_is_proposed_holds_when_it_is_taken(self) -> None:
        for motor, gearbox, bore in (
            ((129.98, SPIGOT, 5), (150.01, BORE, 6), 100),
            ((119.98, SPIGOT, 4), (180.01, BORE, 6), 140),
            ((110.00, BORE, 5), (120.00, SPIGOT, 4.5), 80),
        ):
            with self.subTest(motor=motor, gearbox=gearbox):
                given = {"motor": motor, "gearbox": gearbox, "bore": bore, "thickness": mm(16, "caliper")}
                taken = [
                    {"fit": "H7/h6"}
                    | {"side": one.side.value, "kind": one.kind and one.kind.value}
                    | {
                        name: {"text": text}
                        for name in ("size", "depth", "chamfer", "ring_outside", "ring_depth", "ring_inside")
                        if (text := getattr(one, name))
                    }
                    for one in located(**given).plate.proposals  # type: ignore[arg-type]
                ]
                result = located(*taken, **given)  # type: ignore[arg-type]
                for number in (1, 2):
                    for what in ("metal", "sits", "matches"):
                        self.assertIn(of(result, what, number).verdict, (Verdict.HOLDS, Verdict.TIGHT), what)
