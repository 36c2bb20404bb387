"""A bracket welded in or bolted on, side by side: what it weighs, what is tightest, what it asks of whoever fits it."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import product
from typing import Final

from driveline.benches.contract import Sought, SoughtField
from driveline.benches.mounts.bracket_checks import bracket_checks
from driveline.benches.mounts.buckling_checks import buckling_checks
from driveline.benches.mounts.landing_checks import EDGE_FACTOR, landing_checks
from driveline.benches.mounts.loaded import Loaded
from driveline.benches.mounts.mend import KG_PER_MM3
from driveline.benches.mounts.sheet import Landing
from driveline.checks import Check, Verdict
from driveline.figures import fig
from driveline.joints.sheet import PropertyClass
from driveline.margins import Judge
from driveline.metal.bolts import thread
from driveline.sheet import Length, positive_of

THREADS: Final = ("M8", "M10", "M12", "M16")
CLASSES: Final = (PropertyClass.C8_8, PropertyClass.C10_9)
PLATES_MM: Final = (6.0, 8.0, 10.0, 12.0, 16.0, 20.0)
CLEARANCE_MM: Final = 1.0  # of a hole on its bolt
SPANNER: Final = 1.6  # bolt diameters from the arm's wall to a bolt's middle
ROUND_MM: Final = 2.0  # sizes are rounded up to it
ON_IT: Final = ("weld", "base", "fatigue", "landing_bolts", "landing_plate", "landing_edge")
HEAD: Final = ("", "mass", "tightest", "")
WELDED: Final = "Stays there for good; heat in the rail, its paint and what lies behind it."
BOLTED: Final = "Comes off with its bolts and takes shims; welded on the bench, no heat in the vehicle. Say what its "
BOLTED_ON: Final = BOLTED + "bolts go through: a hollow rail wants sleeves."


@dataclass(frozen=True, kw_only=True)
class _Fixing:
    words: str
    kg: float
    checks: tuple[Check, ...]
    landing: Landing

    @property
    def tightest(self) -> Check | None:
        """Of what hangs on how it is fixed; what is not known comes before what is."""
        unknown = next((one for one in self.checks if one.verdict is Verdict.NOT_KNOWN), None)
        asked = [one for one in self.checks if one.margin is not None]
        return unknown or min(asked, key=lambda one: (one.margin or 0.0) / one.wanted_margin, default=None)

    @property
    def holds(self) -> bool:
        """Whether all of it does."""
        return bool(self.checks) and all(one.verdict is Verdict.HOLDS for one in self.checks)

    def row(self, says: str) -> tuple[str, ...]:
        """Its line of the table."""
        tightest = self.tightest
        margin = "–" if tightest is None or tightest.margin is None else fig(tightest.margin, "", 2)
        what = "" if tightest is None else f"{tightest.title}: {tightest.verdict.value.replace('_', ' ')}. "
        return self.words, fig(self.kg, "kg", 2), margin, f"{what}{says}"


def fixing_sought(one: Loaded, judge: Judge) -> Sought:
    """Return a bracket welded in and bolted on; where it has no landing plate, with the lightest that would hold."""
    bracket = one.mount.sheet.bracket
    arm = one.mount.arm.arm
    assert arm is not None
    kg = arm.volume_mm3 * KG_PER_MM3
    welded = _fixed(one, Landing(is_there=False), judge, kg, "welded in")
    if bracket.landing.is_there:
        bolted: _Fixing | None = _fixed(one, bracket.landing, judge, kg, "bolted on, as it is")
    else:
        bolted = min((way for way in _ways(one, judge, kg) if way.holds), key=lambda way: way.kg, default=None)
    rows = [welded.row(WELDED)]
    if bolted is not None:
        rows.append(bolted.row(BOLTED_ON))
    says = "Under the loads of now."
    if bolted is None:
        says += f" No landing plate of {fig(PLATES_MM[-1], 'mm', 0)} or less with bolts to {THREADS[-1]} holds it."
    is_offered = bolted is not None and not bracket.landing.is_there
    fields = tuple(_fields(bolted.landing, one.mount.field)) if bolted is not None and is_offered else ()
    return Sought(says=says, fields=fields, rows=(HEAD, *rows))


def _fixed(one: Loaded, landing: Landing, judge: Judge, arm_kg: float, words: str) -> _Fixing:
    sheet = one.mount.sheet
    tried = sheet.model_copy(update={"bracket": sheet.bracket.model_copy(update={"landing": landing})})
    loaded = replace(one, mount=replace(one.mount, sheet=tried))
    every = (*bracket_checks(loaded, judge), *buckling_checks(loaded, judge), *landing_checks(loaded, judge))
    sizes = [positive_of(size) or 0.0 for size in (landing.breadth, landing.depth, landing.thickness)]
    plate = sizes[0] * sizes[1] * sizes[2] * KG_PER_MM3 if landing.is_there else 0.0
    asked = tuple(check for check in every if check.key.removeprefix(f"{one.key}.") in ON_IT)
    return _Fixing(words=words, kg=arm_kg + plate, checks=asked, landing=landing)


def _ways(one: Loaded, judge: Judge, arm_kg: float) -> Iterator[_Fixing]:
    for name, strength, plate_mm in product(THREADS, CLASSES, PLATES_MM):
        landing = _landing(one, name, strength, plate_mm)
        words = f"bolted on, four {name} {strength.words}, plate {fig(plate_mm, 'mm', 0)}"
        yield _fixed(one, landing, judge, arm_kg, words)


def _landing(one: Loaded, name: str, strength: PropertyClass, plate_mm: float) -> Landing:
    """Bolts as near the arm as a spanner goes, the plate as far past them as a hole wants."""
    arm = one.mount.arm.arm
    assert arm is not None
    bolt = thread(name).diameter_mm
    hole = bolt + CLEARANCE_MM
    breadth = positive_of(one.mount.sheet.bracket.breadth) or arm.section.breadth_mm
    across, upright = (_up(size + 2 * SPANNER * bolt) for size in (breadth, arm.section.depth_mm))
    edge = _up(1.1 * EDGE_FACTOR * hole)
    return Landing(
        is_there=True,
        breadth=Length.of_mm(across + 2 * edge),
        depth=Length.of_mm(upright + 2 * edge),
        thickness=Length.of_mm(plate_mm),
        across=Length.of_mm(across),
        upright=Length.of_mm(upright),
        hole=Length.of_mm(hole),
        thread=name,
        property_class=strength,
    )


def _up(mm: float) -> float:
    return -(-mm // ROUND_MM) * ROUND_MM


def _fields(landing: Landing, mount: str) -> Iterator[SoughtField]:
    at = f"{mount}.bracket.landing"
    for name in ("breadth", "depth", "thickness", "across", "upright", "hole"):
        size: Length | None = getattr(landing, name)
        if size is not None:
            yield SoughtField(field=f"{at}.{name}", text=size.text)
    yield SoughtField(field=f"{at}.thread", text=landing.thread or "")
    yield SoughtField(field=f"{at}.property_class", text=landing.property_class.value if landing.property_class else "")
