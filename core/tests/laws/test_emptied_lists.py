"""Law 8: an emptied list is not «none»: with any list of any sheet emptied, no check gets better."""

import copy
import re
from collections.abc import Iterator
from typing import Any, Final
from unittest import TestCase

from hypothesis import given
from hypothesis import strategies as st
from pydantic import ValidationError

from driveline.checks import Check, Verdict
from tests.demo import DEMOS, demo_json
from tests.laws.figures import Path, named
from tests.laws.generated import Job, jobs
from tests.laws.test_taking_away import MANY, RANK, checks_of

# The checks of these go with them, and nothing else does: what is judged is itself the list's.
SUBJECTS: Final = re.compile(
    r"^(axles\.(axles|lines|adapters)|axles\.lines\.\d+\.(joints|tubes)|mounts\.(mounts|crosses)|mounts\.frame\.stations"
    r"|plate\.plate\.registers|ratios\.\w+|ratios\.gearbox\.gears|ratios\.transfer\.ranges)$"
)
FREE: Final = re.compile(
    r"^(placement\.(points|tapes)|plate\.survey\.readings|mounts\.(left_out|own_cases))\b|\.matches$"
)
OTHER: Final = re.compile(r"^brief\.masses\.items$")  # without its load and parts a vehicle is another one
# With what comes off it a vehicle is another one on the road; shafts that nobody measures go by what is stated of them.
STATED: Final = re.compile(r"^placement\.bodies brief|^placement\.bodies ratios|^axles\.lines\S* ratios \S*propshaft\.")
ROOM: Final = ("placement.way_in", "placement.keep_clear", "mounts.gaps")


def lists_of(node: Any, path: Path = ()) -> Iterator[Path]:
    """The paths of all lists that hold something."""
    if isinstance(node, dict):
        for name, child in node.items():
            yield from lists_of(child, (*path, name))
    elif isinstance(node, list):
        if node:
            yield path
        for k, child in enumerate(node):
            yield from lists_of(child, (*path, k))


def emptied(data: Job, *paths: Path) -> Job:
    changed = copy.deepcopy(data)
    for path in paths:
        if path == ("placement", "bodies"):
            changed["sheets"]["placement"].pop("none_near", None)  # that there are none is a word of its own
        place: Any = changed["sheets"]
        for part in path[:-1]:
            place = place[part]
        place[path[-1]] = []
    return changed


def flattered(path: Path, before: dict[str, Check], after: dict[str, Check]) -> list[str]:
    found = []
    for key, check in before.items():
        then = after.get(key)
        if STATED.match(f"{named(path)} {check.bench} {key}"):
            continue
        if then is None:
            goes_too = check.bench == path[0] and SUBJECTS.match(named(path))
            found += [f"{key} failed and has vanished"] if check.verdict is Verdict.FAILS and not goes_too else []
        elif RANK[then.verdict] > RANK[check.verdict] and then.verdict is not Verdict.NOT_KNOWN:
            found.append(f"{key}: {check.verdict} becomes {then.verdict}")
    return found


def flattered_without(data: Job, path: Path, before: dict[str, Check]) -> list[str]:
    try:
        after = checks_of(emptied(data, path))
    except ValidationError:
        return []  # the model asks for it
    return flattered(path, before, after)


class EmptiedListsTest(TestCase):
    tags = frozenset({"laws"})

    def test_no_list_of_a_demo_job_flatters_when_it_is_emptied(self) -> None:
        for name in DEMOS:
            data = demo_json(name)
            before = checks_of(data)
            for path in [path for path in lists_of(data["sheets"]) if not FREE.search(named(path))]:
                with self.subTest(name, emptied=named(path)):
                    self.assertEqual(flattered_without(data, path, before), [])

    @MANY
    @given(jobs(), st.data())
    def test_nor_of_any_job_that_could_be(self, data: Job, draw: st.DataObject) -> None:
        paths = [one for one in lists_of(data["sheets"]) if not FREE.search(named(one)) and not OTHER.match(named(one))]
        path = draw.draw(st.sampled_from(paths))
        self.assertEqual(flattered_without(data, path, checks_of(data)), [], named(path))

    def test_a_unit_without_bodies_comes_near_nothing_and_nothing_holds_for_it(self) -> None:
        for name in DEMOS:
            data = demo_json(name)
            if not data["sheets"].get("placement", {}).get("unit", {}).get("bodies"):
                continue
            self.unknown_in(emptied(data, ("placement", "unit", "bodies")), name)

    def test_neither_does_it_in_a_vehicle_without_bodies(self) -> None:
        for name in DEMOS:
            data = demo_json(name)
            if not data["sheets"].get("placement", {}).get("bodies"):
                continue
            self.unknown_in(emptied(data, ("placement", "bodies")), name)

    def unknown_in(self, data: Job, name: str) -> None:
        for key, check in checks_of(data).items():
            if key in ROOM or key.startswith("placement.gap_") or re.match(r"mounts\.[mx]\d+\.(beside|goes_on)$", key):
                with self.subTest(name, check=key):
                    known = () if check.key != "placement.gap_ground" else (Verdict.HOLDS, Verdict.TIGHT, Verdict.FAILS)
                    self.assertIn(check.verdict, (Verdict.NOT_KNOWN, *known), check.says)

    def test_a_gearing_whose_reduction_is_no_longer_listed_is_not_chosen(self) -> None:
        data = emptied(demo_json("dunlin"), ("ratios", "reductions"))
        self.assertIs(checks_of(data)["ratios.choice"].verdict, Verdict.NOT_KNOWN)
