"""A bracket welded in or bolted on, side by side: what it weighs, what is tightest, what it asks of whoever fits it."""

from collections.abc import Collection, Iterator
from dataclasses import dataclass, replace
from itertools import product
from typing import Final

from driveline.benches.contract import Sought, SoughtField, Way
from driveline.benches.mounts.laid import in_line_mm
from driveline.benches.mounts.landing_checks import EDGE_FACTOR
from driveline.benches.mounts.loaded import Loaded
from driveline.benches.mounts.mend import KG_PER_MM3
from driveline.benches.mounts.sheet import Landing
from driveline.benches.mounts.strength import hanging_on_it, strength_checks
from driveline.checks import Check, Verdict
from driveline.figures import fig
from driveline.joints.screws import NUT_FACTOR
from driveline.joints.sheet import Condition, PropertyClass, Tapped, Tightened
from driveline.margins import Judge
from driveline.metal.bolts import Thread, bolt_class, proof_load_n, thread
from driveline.metal.spanners import socket_mm
from driveline.sheet import Length, Reading, Torque, positive_of

THREADS: Final = ("M8", "M10", "M12", "M16")
CLASSES: Final = (PropertyClass.C8_8, PropertyClass.C10_9)
PLATES_MM: Final = (6.0, 8.0, 10.0, 12.0, 16.0, 20.0)
CLEARANCE_MM: Final = 1.0  # of a hole on its bolt
TIGHTENED: Final = 0.55  # of proof, on the mean
ROUND_MM: Final = 2.0  # sizes are rounded up to it
WASHER_WIDE: Final = 2.5  # over the bolt's diameter
WASHER_THICK: Final = 0.2
HEAD: Final = ("", "mass", "tightest", "")
WELDED: Final = "Stays there for good; heat in the rail, its paint and what lies behind it."
BOLTED: Final = "Comes off with its bolts and takes shims; welded on the bench, no heat in the vehicle. Say what its "
BOLTED_ON: Final = BOLTED + "bolts go through and how long they are: a hollow rail wants sleeves."


@dataclass(frozen=True, kw_only=True)
class _Fixing:
    words: str
    kg: float
    checks: tuple[Check, ...]  # of the whole bracket
    asked: tuple[Check, ...]  # that hang on how it is fixed
    landing: Landing

    @property
    def tightest(self) -> Check | None:
        """What is not known comes before what is."""
        unknown = next((one for one in self.checks if one.verdict is Verdict.NOT_KNOWN), None)
        asked = [one for one in self.checks if one.margin is not None]
        return unknown or min(asked, key=lambda one: (one.margin or 0.0) / one.wanted_margin, default=None)

    @property
    def holds(self) -> bool:
        """Whether all does that hangs on it."""
        return all(one.verdict is Verdict.HOLDS for one in self.asked)

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
    in_place = Landing(is_there=False)
    landings = [(bracket.landing, "bolted on, as it is")] if bracket.landing.is_there else list(_landings(one))
    tried = [_strength(one, landing, judge) for landing in (in_place, *(landing for landing, _ in landings))]
    asked = hanging_on_it(tried)
    welded = _fixed(one, in_place, tried[0], asked, kg, "welded in")
    bolted = [
        _fixed(one, landing, checks, asked, kg, words)
        for (landing, words), checks in zip(landings, tried[1:], strict=True)
    ]
    says, rows = "Under the loads of now.", (HEAD, welded.row(WELDED))
    if bracket.landing.is_there:
        return Sought(says=says, fields=(), rows=(*rows, bolted[0].row(BOLTED_ON)))
    holding = sorted((way for way in bolted if way.holds), key=lambda way: way.kg)
    if not holding:
        says += f" No landing plate of {fig(PLATES_MM[-1], 'mm', 0)} or less with bolts to {THREADS[-1]} holds it."
        return Sought(says=says, fields=(), rows=rows)
    ways = tuple(Way(row=way.row(BOLTED_ON), fields=tuple(_fields(one, way.landing))) for way in holding)
    return Sought(says=says, about=one.key, fields=(), rows=rows, ways=ways, most=1)


def _strength(one: Loaded, landing: Landing, judge: Judge) -> tuple[Check, ...]:
    sheet = one.mount.sheet
    changes = {"landing": landing, "length": _length(one, landing)}
    tried = sheet.model_copy(update={"bracket": sheet.bracket.model_copy(update=changes)})
    return strength_checks(replace(one, mount=replace(one.mount, sheet=tried)), judge)


def _length(one: Loaded, landing: Landing) -> Length | None:
    """What its arm is cut to: where it is bolted on that was welded in, or the other way, by its plate less or more."""
    bracket, thickness = one.mount.sheet.bracket, positive_of(landing.thickness) or 0.0
    if bracket.length is None or bool(landing.is_there) is bool(bracket.landing.is_there) or one.mount.arm.arm is None:
        return bracket.length
    whole = one.mount.arm.arm.length_mm - in_line_mm(one.mount.sheet)
    return Length.of_mm(round(whole - (thickness if landing.is_there else 0.0), 1))


def _fixed(
    one: Loaded, landing: Landing, checks: tuple[Check, ...], asked: Collection[str], arm_kg: float, words: str
) -> _Fixing:
    sizes = [positive_of(size) or 0.0 for size in (landing.breadth, landing.depth, landing.thickness)]
    plate = sizes[0] * sizes[1] * sizes[2] * KG_PER_MM3 if landing.is_there else 0.0
    judged = tuple(check for check in checks if not _is_open(check, one))
    hanging = tuple(check for check in judged if check.key in asked)
    return _Fixing(words=words, kg=arm_kg + plate, checks=judged, asked=hanging, landing=landing)


def _is_open(check: Check, one: Loaded) -> bool:
    """What the bolts go through, and how far, is not said before there are bolts: the answer says that it is to be."""
    said = {f"{one.key}.landing_{name}" for name in ("crush", "through", "engagement", "strip")}
    return check.key in said and check.verdict is Verdict.NOT_KNOWN


def _landings(one: Loaded) -> Iterator[tuple[Landing, str]]:
    for name, strength, plate_mm in product(THREADS, CLASSES, PLATES_MM):
        words = f"bolted on, four {name} {strength.words}, plate {fig(plate_mm, 'mm', 0)}"
        yield _landing(one, name, strength, plate_mm), words


def _landing(one: Loaded, name: str, strength: PropertyClass, plate_mm: float) -> Landing:
    """Bolts as near the arm as a socket goes beside its weld, the plate as far past them as a hole wants."""
    arm = one.mount.arm.arm
    assert arm is not None
    bolt = thread(name).diameter_mm
    hole = bolt + CLEARANCE_MM
    breadth = positive_of(one.mount.sheet.bracket.breadth) or arm.section.breadth_mm
    leg = positive_of(one.mount.sheet.bracket.leg) or 0.0
    beside = 1.1 * max(socket_mm(thread(name)), _up(WASHER_WIDE * bolt)) / 2 + leg
    across, upright = (_up(size + 2 * beside) for size in (breadth, arm.section.depth_mm))
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
        # Judged as if they clamped nothing but the plate: with more between them they lose less as it settles.
        goes_through=Length.of_mm(0.0),
        screws=_screws(thread(name), strength),
    )


def _screws(size: Thread, strength: PropertyClass) -> Tightened:
    """Oiled, with a nut and a wide washer; tightened less than is usual, which leaves room for what pulls on them."""
    proof_n = proof_load_n(size, bolt_class(strength.words, size.diameter_mm))
    torque_nm = NUT_FACTOR[Condition.OILED] * size.diameter_mm / 1000 * TIGHTENED * proof_n
    return Tightened(
        condition=Condition.OILED,
        tightening=Torque.of_nm(round(torque_nm)),
        tapped=Tapped.NUT,
        washer=Length.of_mm(_up(WASHER_THICK * size.diameter_mm)),
        head=Length.of_mm(_up(WASHER_WIDE * size.diameter_mm)),
    )


def _up(mm: float) -> float:
    return -(-mm // ROUND_MM) * ROUND_MM


def _fields(one: Loaded, landing: Landing) -> Iterator[SoughtField]:
    bracket, length = f"{one.mount.field}.bracket", _length(one, landing)
    at = f"{bracket}.landing"
    if length is not None:
        yield SoughtField(field=f"{bracket}.length", text=length.text)
    yield SoughtField(field=f"{at}.is_there", text="true")
    for name in ("breadth", "depth", "thickness", "across", "upright", "hole"):
        size: Length | None = getattr(landing, name)
        if size is not None:
            yield SoughtField(field=f"{at}.{name}", text=size.text)
    screws = landing.screws
    for name, words in (("condition", screws.condition), ("tapped", screws.tapped)):
        if words is not None:
            yield SoughtField(field=f"{at}.screws.{name}", text=words.value)
    readings: tuple[tuple[str, Reading | None], ...] = (
        ("washer", screws.washer),
        ("head", screws.head),
        ("tightening", screws.tightening),
    )
    for name, reading in readings:
        if reading is not None:
            yield SoughtField(field=f"{at}.screws.{name}", text=reading.text)
    yield SoughtField(field=f"{at}.thread", text=landing.thread or "")
    yield SoughtField(field=f"{at}.property_class", text=landing.property_class.value if landing.property_class else "")
