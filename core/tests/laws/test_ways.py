"""Law 2: more load, speed, mass, torque, overhang or play never a better margin; more to bear it never a worse one."""

import copy
from typing import Any
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st

from driveline.checks import Check
from tests.laws.generated import Job, jobs
from tests.laws.test_taking_away import MANY, RANK, checks_of
from tests.laws.ways import WAYS, Way

SAME = 1e-9  # shares are worked out in floats
SOUGHT = {"placement.": 1e-3, "axles.": 1e-3}  # gaps through a travel are sought to a thousandth of a mm


def _place(sheets: Job, field: str) -> tuple[Any, Any] | None:
    *parents, last = (int(part) if part.isdigit() else part for part in field.split("."))
    place: Any = sheets
    for part in parents:
        try:
            place = place[part]
        except (KeyError, IndexError, TypeError):
            return None
    return place, last


def more_of(data: Job, way: Way, factor: float) -> Job | None:
    """Return the job with more of a figure; ``None`` where it has none."""
    changed = copy.deepcopy(data)
    found = _place(changed["sheets"], way.field)
    if found is None:
        return None
    place, last = found
    if "items" in way.field and not (isinstance(place, dict) and place.get("only_laden")):
        return None  # what is taken off, or always there, is no load
    try:
        figure = place[last]
    except (KeyError, IndexError):
        return None
    if figure is None:
        return None
    if isinstance(figure, dict):
        number, unit = figure["text"].split(" ", 1) if " " in figure["text"] else (figure["text"], way.unit)
        place[last] = {**figure, "text": f"{float(number) * factor + (0.01 if float(number) == 0 else 0)} {unit}"}
    else:
        place[last] = figure * factor
    return changed


def margin_of(check: Check) -> float | None:
    """Capacity over demand; without end where nothing is asked."""
    if check.demand is None or check.capacity is None:
        return None
    return float("inf") if check.demand == 0 and check.capacity >= 0 else check.margin


def same_for(key: str) -> float:
    return next((within for start, within in SOUGHT.items() if key.startswith(start)), SAME)


def broken(way: Way, before: dict[str, Check], after: dict[str, Check]) -> list[str]:
    """What moved against its way: a margin, or a verdict."""
    found = []
    for key, check in before.items():
        then = after.get(key)
        if then is None or not key.startswith(way.checks):
            continue
        one, other = margin_of(check), margin_of(then)
        if way.only_raises:
            check, then, one, other = then, check, other, one
        if one is not None and other is not None and other > one + same_for(key) * (1 + abs(one)):
            found.append(f"{key}: margin {one:.6g} becomes {other:.6g}")
        if check.is_so is not None and RANK[then.verdict] > RANK[check.verdict]:
            found.append(f"{key}: {check.verdict} becomes {then.verdict}")
    return found


class WaysTest(TestCase):
    tags = frozenset({"laws", "ways"})  # ./test runs them beside the others, and beside the other laws

    @MANY
    @given(jobs(), st.sampled_from((1.01, 1.1, 1.5)), st.data())
    def test_more_of_each_figure_moves_each_check_one_way(self, data: Job, factor: float, draw: st.DataObject) -> None:
        way = draw.draw(st.sampled_from(WAYS))
        if "curve" in data["sheets"]["brief"]["motor"] and way.field.startswith("brief.motor.peak"):
            return
        changed = more_of(data, way, factor)
        if changed is not None:
            self.assertEqual(broken(way, checks_of(data), checks_of(changed)), [], way.field)

    def test_every_way_is_walked_by_a_job_of_the_demo(self) -> None:
        """A table whose fields nobody has would prove nothing: each must move at least one margin of some job."""
        from tests.laws.generated import full_job

        for way in WAYS:
            with self.subTest(way.field):
                data = full_job(way.field)
                before = checks_of(data)
                changed = more_of(data, way, 1.3)
                self.assertIsNotNone(changed)
                after = checks_of(changed or {})
                moved = [
                    key
                    for key in before
                    if key.startswith(way.checks) and key in after and margin_of(before[key]) != margin_of(after[key])
                ]
                self.assertTrue(moved)
                self.assertEqual(broken(way, before, after), [])
