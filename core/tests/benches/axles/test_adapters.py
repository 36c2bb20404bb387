"""Flange adapters: two bolt circles on one disc, what they carry, and what can't be."""

import copy
import io
import math
from typing import Any
from unittest import TestCase

from ezdxf.filemanagement import read
from hypothesis import given
from hypothesis import strategies as st

from driveline.benches.axles.adapters import circle_mm
from driveline.benches.axles.sheet import AdapterFace
from driveline.checks import Check, Verdict
from driveline.drawing.dxf import write_dxf
from driveline.job.evaluate import evaluate
from driveline.job.file import REGISTRY, JobFile
from driveline.parts.drawings import part_drawings
from driveline.sheet import Length
from tests.benches.axles.jobs import UNKNOWN, job


def adapter(**changes: Any) -> dict[str, Any]:
    return job("dunlin", **{f"adapters__0__{path}": value for path, value in changes.items()})


def check(data: dict[str, Any], name: str) -> Check:
    found = evaluate(JobFile.model_validate(data)).checks
    return next(one for one in found if one.key.startswith("axles.f1") and one.key.endswith(name))


def queries(data: dict[str, Any]) -> str:
    return " ".join(one.text for one in evaluate(JobFile.model_validate(data)).axles.queries)


class AdapterTest(TestCase):
    @given(st.integers(3, 24), st.floats(30, 300))
    def test_one_hole_to_the_next_gives_the_circle(self, count: int, whole_mm: float) -> None:
        chord = whole_mm * math.sin(math.pi / count)
        face = AdapterFace(count=count, chord=Length(text=f"{chord:.6f} mm"))
        self.assertAlmostEqual(circle_mm(face) or 0, whole_mm, places=3)

    def test_friction_by_hand(self) -> None:
        """Six M12 on 104 mm carry 6/6 × 104/60 × what the same six would on 60 mm, whatever their preload."""
        wide, narrow = (
            check(adapter(shaft__circle=size, shaft__chord=None), "shaft_friction").capacity or 0
            for size in ("104 mm", "60 mm")
        )
        self.assertAlmostEqual(wide / narrow, 104 / 60)

    def test_holes_as_near_as_by_hand(self) -> None:
        """Far holes half a pitch on from the near ones: √(52² + 30² - 2·52·30 cos 30°) - (10.2 + 11)/2 = 19.7 mm."""
        by_hand = math.sqrt(52**2 + 30**2 - 2 * 52 * 30 * math.cos(math.radians(30))) - (10.2 + 11) / 2
        far = evaluate(JobFile.model_validate(adapter()))
        part = REGISTRY.part(JobFile.model_validate(adapter()), "axles.f1")
        across = [one for one in part.ligaments if {name[0] for name in one.between} == {"S", "A"}]
        self.assertAlmostEqual(min(one.left_mm for one in across), by_hand, places=6)
        in_line = REGISTRY.part(JobFile.model_validate(adapter(turned="0 deg")), "axles.f1")
        self.assertAlmostEqual(min(one.left_mm for one in in_line.ligaments), 22 - 10.6, places=6)
        self.assertEqual(far.axles.adapters[0].part, "axles.f1")

    def test_what_is_not_given_is_not_known(self) -> None:
        for path, name in (
            ("shaft__hole", "ligament"),
            ("outside", "edge"),
            ("away__register_size", "centred"),
            ("thickness", "away_friction"),
            ("turned", "ligament"),
            ("bore", "ligament"),
        ):
            with self.subTest(path=path):
                self.assertIs(check(adapter(**{path: None}), name).verdict, UNKNOWN)
        self.assertIs(check(adapter(away__register_size="0 mm"), "centred").verdict, Verdict.FAILS)

    def test_what_cannot_be_is_asked_about(self) -> None:
        self.assertEqual(queries(adapter()), "")
        self.assertIn("from one hole to the next", queries(adapter(shaft__chord="50 mm")))
        self.assertIn("break out of its edge", queries(adapter(outside="112 mm")))
        self.assertIn("break into its bore", queries(adapter(bore="50 mm")))

    def test_it_is_drawn_with_every_hole_marked_for_the_drill(self) -> None:
        file = JobFile.model_validate(adapter())
        part = REGISTRY.part(file, "axles.f1")
        first, _ = part_drawings(part, file.name)
        space = read(io.StringIO(write_dxf(first))).modelspace()
        self.assertEqual(len([one for one in space.query("CIRCLE") if one.dxf.layer == "MARK"]), 12)
        engraved = [one for one in space.query("TEXT") if "THIS SIDE" in one.dxf.text]
        self.assertEqual(len(engraved), 1)
        half_mm = 0.62 * engraved[0].dxf.height * len(engraved[0].dxf.text) / 2
        place = engraved[0].dxf.align_point
        self.assertLess(math.hypot(abs(place.x) + half_mm, place.y), 68)

    def test_two_of_them_have_names_of_their_own(self) -> None:
        data = adapter()
        twice = data["sheets"]["axles"]["adapters"]
        twice.append(copy.deepcopy(twice[0]) | {"name": "axle end"})
        keys = [one.key for one in evaluate(JobFile.model_validate(data)).checks]
        self.assertEqual(len(keys), len(set(keys)))
