"""A propshaft measured by slope, way in plan and length instead of its joints' places."""

import math
from typing import Any
from unittest import TestCase

import numpy as np

from driveline.benches.axles.measured import joints_mm
from driveline.benches.axles.sheet import AxlesSheet, PropLine
from driveline.checks import Verdict
from tests.benches.axles.jobs import UNKNOWN, check_of, job


def wren_line(data: dict[str, Any]) -> PropLine:
    return AxlesSheet.model_validate(data["sheets"]["axles"]).lines[0]


def by_slopes(**changes: Any) -> dict[str, Any]:
    """Wren, its second joint's place left out and what an inclinometer and a tape read of the shaft put in."""
    places = joints_mm(wren_line(job("wren")), {})
    assert places is not None
    way = places[1] - places[0]
    data = job("wren")
    line = data["sheets"]["axles"]["lines"][0]
    line["joints"][1].pop("at")
    fall = math.degrees(math.asin(-way[2] / np.linalg.norm(way)))
    left = math.degrees(math.atan2(way[1], -way[0]))
    line["tubes"][0] |= {
        "runs": {"falls": {"text": f"{fall:.6f}°"}, "left": {"text": f"{left:.6f}°"}},
        "centres": {"text": f"{float(np.linalg.norm(way)):.5f} mm"},
    }
    line["tubes"][0]["runs"] |= {k: v for k, v in changes.items() if k in ("falls", "left")}
    line["tubes"][0] |= {k: v for k, v in changes.items() if k == "centres"}
    line |= {k: v for k, v in changes.items() if k == "zero"}
    return data


class SlopesTest(TestCase):
    def test_it_comes_to_the_same_as_the_joints_places(self) -> None:
        for key in ("l1.even", "l1.j1.reach", "l1.j2.reach", "l1.slip"):
            plain, sloped = check_of(job("wren"), key), check_of(by_slopes(), key)
            self.assertIs(plain.verdict, sloped.verdict)
            self.assertAlmostEqual(plain.margin or 0.0, sloped.margin or 0.0, places=3)

    def test_one_reading_less_and_the_joint_has_no_place(self) -> None:
        for gone in ("falls", "left", "centres"):
            self.assertIs(check_of(by_slopes(**{gone: None}), "l1.even").verdict, UNKNOWN, gone)

    def test_what_the_instrument_reads_on_level_ground_is_taken_off_every_slope(self) -> None:
        """Read half a degree too steep everywhere: with its zero stated, the angles are those of a true one."""
        true = by_slopes()
        line = true["sheets"]["axles"]["lines"][0]
        steep = by_slopes(zero={"text": "0.5°"})
        off = steep["sheets"]["axles"]["lines"][0]
        for part in (off["tubes"][0]["runs"], off["box"], off["pinion"]):
            part["falls"] = {"text": f"{float(part['falls']['text'].rstrip('°').split()[0]) + 0.5:.6f}°"}
        self.assertAlmostEqual(
            check_of(true, "l1.even").margin or 0.0, check_of(steep, "l1.even").margin or 0.0, places=3
        )
        self.assertIsNot(check_of(true, "l1.even").verdict, UNKNOWN)
        self.assertNotEqual(line["box"], off["box"])
        self.assertIsNot(check_of(steep, "l1.even").verdict, Verdict.NOT_KNOWN)
