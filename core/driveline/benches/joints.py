"""The plate's screwed joints: which length fits, how tight, and the sleeves for holes that are too large."""

from dataclasses import dataclass
from typing import Final

from driveline.benches.common import Assumed
from driveline.bolts import (
    STOCK_MM,
    BoltClass,
    Engagement,
    Thread,
    bolt_class,
    embedding_loss_n,
    engagement,
    preload_n,
    thread,
    thread_limits,
    usual_tightening_nm,
)
from driveline.chain import Floats
from driveline.checks import Result
from driveline.errors import ImpossibleInput
from driveline.sheets.base import positive_of, value_of
from driveline.sheets.joints import Condition, Joint, Tapped
from driveline.sleeves import sleeve
from driveline.tables.materials import Material

NUT_FACTOR: Final = {Condition.DRY: 0.20, Condition.OILED: 0.15, Condition.THREADLOCKER: 0.15}
USUAL_TENSILE_MPA: Final = {
    Tapped.STEEL: 400.0,
    Tapped.CAST_IRON: 200.0,
    Tapped.ALUMINIUM_WROUGHT: 310.0,
    Tapped.ALUMINIUM_CAST: 180.0,
}
HEAD_PER_DIAMETER: Final = 1.6  # of a socket head cap screw, ISO 4762
LOOSE_MM: Final = 0.5  # past the clearance hole of the thread a hole wants a sleeve


@dataclass(frozen=True, slots=True, kw_only=True)
class Loads:
    """What the motor puts on the plate; ``None`` is not known."""

    motor_kg: float | None
    torque_nm: float | None  # peak × dynamic factor


@dataclass(frozen=True, slots=True, kw_only=True)
class Place:
    """Where a joint is: its screws as drawn, what they clamp, and how far the load hangs out from it."""

    name: str  # motor, flange
    title: str
    xy_mm: Floats
    holes: tuple[tuple[str, float], ...]  # name and diameter of each in the plate
    grip_mm: float | None
    length_mm: float | None
    depth_mm: float | None
    lever_mm: float | None
    heel_mm: float | None  # from the outermost screw to the edge that it would turn about
    material: Material | None  # of the plate


class SleeveResult(Result):
    """A sleeve to turn: which holes it is for, and its sizes."""

    holes: tuple[str, ...]
    hole_mm: float
    outside_mm: float
    inside_mm: float
    wall_mm: float
    length_mm: float | None
    can_be_turned: bool


class JointResult(Result):
    """A joint worked out so far; ``None`` is not known."""

    name: str
    count: int
    thread: str | None
    clearance_mm: float | None = None
    needed_in_mm: float | None = None  # in thread, with the point's first pitch and the countersink
    shortest_mm: float | None = None
    longest_mm: float | None = None
    stock_mm: list[float] = []  # usual lengths that fit
    tightening_nm: float | None = None  # stated, else for 72 % of proof
    tightening_is_usual: bool = False
    preload_n: float | None = None
    settles_n: float | None = None
    threadlocker: bool = False
    sleeves: tuple[SleeveResult, ...] = ()
    assumed: tuple[Assumed, ...] = ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Worked:
    """A joint with its thread, strength and preload, as far as they are known."""

    joint: Joint
    place: Place
    size: Thread
    strength: BoltClass | None
    needed: Engagement | None
    tapped_mpa: float | None
    reach_mm: float | None
    needed_in_mm: float | None
    preload_n: float | None
    settles_n: float | None
    head_mm: float
    result: JointResult


def worked_joint(joint: Joint, place: Place) -> Worked | None:
    """Return a joint worked out as far as it goes; ``None`` while its thread is not named."""
    if joint.thread is None:
        return None
    size = thread(joint.thread)
    strength = bolt_class(joint.property_class.value, size.diameter_mm) if joint.property_class else None
    tapped_mpa, assumed = _tapped(joint, place)
    needed = None
    if strength and tapped_mpa:
        needed = engagement(
            size=size, sizes=thread_limits(size), bolt_tensile_mpa=strength.tensile_mpa, tapped_tensile_mpa=tapped_mpa
        )
    needed_in = None if needed is None else needed.least_mm + size.pitch_mm + (value_of(joint.countersink) or 0.0)
    under_head = None if place.grip_mm is None else place.grip_mm + (value_of(joint.washer) or 0.0)
    shortest = None if needed_in is None or under_head is None else under_head + needed_in
    longest = None if place.depth_mm is None or under_head is None else under_head + place.depth_mm
    tightening, is_usual = _tightening(joint, size, strength)
    preload = None
    if tightening and joint.condition:
        preload = preload_n(
            tightening_nm=tightening, nut_factor=NUT_FACTOR[joint.condition], diameter_mm=size.diameter_mm
        )
    settles = embedding_loss_n(size=size, grip_mm=under_head) if under_head else None
    stock = [float(mm) for mm in STOCK_MM if shortest and mm >= shortest and (longest is None or mm <= longest)]
    result = JointResult(
        name=place.name,
        count=len(place.xy_mm),
        thread=size.name,
        clearance_mm=size.clearance_mm,
        needed_in_mm=needed_in,
        shortest_mm=shortest,
        longest_mm=longest,
        stock_mm=stock[:3],
        tightening_nm=tightening,
        tightening_is_usual=is_usual,
        preload_n=preload,
        settles_n=settles,
        threadlocker=joint.condition is Condition.THREADLOCKER,
        sleeves=_sleeves(place, size),
        assumed=assumed,
    )
    return Worked(
        joint=joint,
        place=place,
        size=size,
        strength=strength,
        needed=needed,
        tapped_mpa=tapped_mpa,
        reach_mm=None if place.length_mm is None or under_head is None else place.length_mm - under_head,
        needed_in_mm=needed_in,
        preload_n=preload,
        settles_n=settles,
        head_mm=positive_of(joint.head) or HEAD_PER_DIAMETER * size.diameter_mm,
        result=result,
    )


def _tapped(joint: Joint, place: Place) -> tuple[float | None, tuple[Assumed, ...]]:
    """Tensile strength of what the screw is screwed into: as stated, else the least of its kind, said as assumed."""
    if joint.tapped_mpa is not None or joint.tapped is None:
        return joint.tapped_mpa, ()
    tapped_mpa = USUAL_TENSILE_MPA[joint.tapped]
    return tapped_mpa, (Assumed(field=f"{place.name}.tapped_mpa", text=f"{joint.tapped.value} {tapped_mpa:g} MPa"),)


def _tightening(joint: Joint, size: Thread, strength: BoltClass | None) -> tuple[float | None, bool]:
    """Tightening torque, and whether it is the usual one because none is stated."""
    stated = positive_of(joint.tightening)
    if stated is not None or strength is None or joint.condition is None:
        return stated, False
    return usual_tightening_nm(size=size, strength=strength, nut_factor=NUT_FACTOR[joint.condition]), True


def _sleeves(place: Place, size: Thread) -> tuple[SleeveResult, ...]:
    """One sleeve for each size of hole that is too large for the screw."""
    found = []
    fits_mm = (size.clearance_mm or size.diameter_mm) + LOOSE_MM
    for hole_mm in sorted({round(mm, 3) for _, mm in place.holes if mm > fits_mm}):
        try:
            made = sleeve(hole_mm=hole_mm, screw_mm=size.diameter_mm)
        except ImpossibleInput:
            continue
        found.append(
            SleeveResult(
                holes=tuple(name for name, mm in place.holes if round(mm, 3) == hole_mm),
                hole_mm=hole_mm,
                outside_mm=made.outside_mm,
                inside_mm=made.inside_mm,
                wall_mm=made.wall_mm,
                length_mm=place.grip_mm,
                can_be_turned=made.can_be_turned,
            )
        )
    return tuple(found)
