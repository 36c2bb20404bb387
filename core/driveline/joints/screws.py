"""Screwed joints: which length fits, how tight, and the sleeves for holes that are too large."""

from dataclasses import dataclass
from typing import Final

from driveline.arrays import Floats
from driveline.checks import Result
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.joints.sheet import Condition, Joint, Surface, Tapped
from driveline.metal.bolts import (
    STOCK_MM,
    BoltClass,
    Engagement,
    Thread,
    bolt_class,
    embedding_loss_n,
    engagement,
    greatest_preload_n,
    least_preload_n,
    preload_n,
    proof_load_n,
    thread,
    thread_limits,
    usual_tightening_nm,
)
from driveline.metal.sleeves import sleeve
from driveline.results import Assumed
from driveline.sheet import positive_of, value_of
from driveline.tables.materials import Material

NUT_FACTOR: Final = {Condition.DRY: 0.20, Condition.OILED: 0.15, Condition.THREADLOCKER: 0.15}
USUAL_TENSILE_MPA: Final = {
    Tapped.STEEL: 400.0,
    Tapped.CAST_IRON: 200.0,
    Tapped.ALUMINIUM_WROUGHT: 310.0,
    Tapped.ALUMINIUM_CAST: 180.0,
}
NUT_PER_DIAMETER: Final = 0.925  # ISO 4032, the greatest height of nuts M6 to M16
FRICTION: Final = {Surface.DRY: 0.15, Surface.PLATED: 0.12, Surface.BLASTED: 0.20}
LEAST_FRICTION: Final = min(FRICTION.values())
POINT_PITCHES: Final = 1.0  # of a screw's point do not bear
SHORT_OF_BLIND_PITCHES: Final = 2.0  # kept free in a blind hole, where the last threads are not full
LOOSE_MM: Final = 0.5  # past the clearance hole of the thread a hole wants a sleeve


@dataclass(frozen=True, slots=True, kw_only=True)
class Pull:
    """What a case puts on the screw that is worst off, prying counted."""

    words: str  # of the case, within a sentence
    tension_n: float
    shear_n: float | None  # None: nothing lies on its friction


@dataclass(frozen=True, slots=True, kw_only=True)
class Loads:
    """What hangs on a joint and twists it, or pulls on its screws case by case; ``None`` is not known."""

    motor_kg: float | None  # with all that hangs on the plate with it
    torque_nm: float | None  # peak × dynamic factor, through a reduction that hangs on the plate
    missing: tuple[str, ...] = ()  # what keeps the torque from being known
    hung: str = ""  # what keeps the mass from being known, besides the motor's own
    pulls: tuple[Pull, ...] = ()

    @property
    def most_pulled(self) -> Pull | None:
        """The case that pulls most on a screw."""
        return max(self.pulls, key=lambda one: one.tension_n, default=None)


@dataclass(frozen=True, slots=True, kw_only=True)
class JointFields:
    """The fields that a joint's checks hang on."""

    joint: str
    length: str
    depth: str
    grip: str
    made_of: str
    load: tuple[str, ...]
    torque: tuple[str, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Place:
    """Where a joint is: its screws as drawn, what they clamp, and how far the load hangs out from it."""

    name: str  # of the joint in its bench: motor, flange, standoff
    title: str
    clear_key: str  # of the check that its screws stop short of what is behind
    fields: JointFields
    xy_mm: Floats
    holes: tuple[tuple[str, float], ...]  # name and diameter of each in what is clamped
    grip_mm: float | None
    length_mm: float | None
    depth_mm: float | None
    lever_mm: float | None
    heel_mm: float | None  # from the outermost screw to the edge that it would turn about
    material: Material | None  # of what is clamped
    hangs: bool = True  # a motor hangs out from it; else its screws bear a torque alone
    is_whole: bool = True  # False: holes of the pattern are still missing

    @property
    def whose(self) -> str:
        """Its screws, within a sentence."""
        return f"the {self.name}'s screws" if self.hangs else self.title[0].lower() + self.title[1:]

    @property
    def behind(self) -> str:
        """What is asked for of the room behind the face that they are screwed into."""
        return f"Depth behind the {self.name} face" if self.hangs else f"Depth behind the threads of {self.whose}"


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
    needed_in_mm: float | None = None  # into the hole: in thread, and the point's first pitch and the countersink
    thread_depth_mm: float | None = None
    shortest_mm: float | None = None
    longest_mm: float | None = None
    stock_mm: list[float] = []  # usual lengths that fit
    tightening_nm: float | None = None  # stated, else for 70 % of proof
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
    reach_mm: float | None  # past the face, at most: without a washer that is not stated
    needed_in_mm: float | None
    engaged_mm: float | None  # in full thread, at most while something is missing
    preload_n: float | None
    settles_n: float | None
    head_mm: float
    result: JointResult

    @property
    def wanted_mm(self) -> float | None:
        """How much of the screw must be in thread, or past the face through its nut."""
        if self.joint.tapped is Tapped.NUT:
            return through_nut_mm(self.size)
        return None if self.needed is None else self.needed.least_mm

    @property
    def greatest_n(self) -> float | None:
        """The preload that tightening by torque may reach."""
        return None if self.preload_n is None else greatest_preload_n(self.preload_n)

    @property
    def least_n(self) -> float | None:
        """The preload that is left for certain."""
        if self.preload_n is None or self.settles_n is None:
            return None
        return least_preload_n(self.preload_n, self.settles_n)

    @property
    def proof_n(self) -> float | None:
        """What the screw is proved for."""
        return None if self.strength is None else proof_load_n(self.size, self.strength)

    @property
    def is_past_proof(self) -> bool:
        """Whether tightening alone may stretch it for good: nothing can be counted on its clamp then."""
        return self.greatest_n is not None and self.proof_n is not None and self.greatest_n > self.proof_n


def worked_joint(joint: Joint, place: Place) -> Worked | None:
    """Return a joint worked out as far as it goes; ``None`` while its thread is not named."""
    if joint.thread is None:
        return None
    size = thread(joint.thread)
    strength = bolt_class(joint.property_class.words, size.diameter_mm) if joint.property_class else None
    tapped_mpa, assumed = _tapped(joint, place)
    needed = _needed(size, strength, tapped_mpa)
    countersink_mm = value_of(joint.countersink) or 0.0
    needed_in = None if needed is None else needed.least_mm + POINT_PITCHES * size.pitch_mm + countersink_mm
    if joint.tapped is Tapped.NUT:
        needed_in = through_nut_mm(size)
    under_head = None if place.grip_mm is None else place.grip_mm + (value_of(joint.washer) or 0.0)
    shortest = None if needed_in is None or under_head is None else under_head + needed_in
    room_mm = room_behind_mm(joint, place, size)
    longest = None if room_mm is None or under_head is None else under_head + room_mm
    tightening, is_usual = _tightening(joint, size, strength)
    preload = _preload_n(joint, tightening, size)
    settles = embedding_loss_n(size=size, grip_mm=under_head) if under_head and under_head > 0 else None
    reach_mm = None if place.length_mm is None or under_head is None else place.length_mm - under_head
    stock = [float(mm) for mm in STOCK_MM if shortest and mm >= shortest and (longest is None or mm <= longest)]
    result = JointResult(
        name=place.name,
        count=len(place.xy_mm),
        thread=size.name,
        clearance_mm=size.clearance_mm,
        needed_in_mm=needed_in,
        thread_depth_mm=positive_of(joint.thread_depth),
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
        reach_mm=reach_mm,
        needed_in_mm=needed_in,
        engaged_mm=None if reach_mm is None else _engaged_mm(joint, reach_mm, size),
        preload_n=preload,
        settles_n=settles,
        head_mm=positive_of(joint.head) or size.head_mm,
        result=result,
    )


def _needed(size: Thread, strength: BoltClass | None, tapped_mpa: float | None) -> Engagement | None:
    if not strength or not tapped_mpa:
        return None
    sizes = thread_limits(size)
    return engagement(size=size, sizes=sizes, bolt_tensile_mpa=strength.tensile_mpa, tapped_tensile_mpa=tapped_mpa)


def _preload_n(joint: Joint, tightening_nm: float | None, size: Thread) -> float | None:
    if not tightening_nm or not joint.condition:
        return None
    factor = NUT_FACTOR[joint.condition]
    return preload_n(tightening_nm=tightening_nm, nut_factor=factor, diameter_mm=size.diameter_mm)


def room_behind_mm(joint: Joint, place: Place, size: Thread | None) -> float | None:
    """Return how far past the face a screw may reach: to what is behind, and short of a blind hole's last threads.

    ``None`` while it is not known whether the hole is blind, or how deep thread or hole are.

    Args:
        joint: Of the screw.
        place: Where it stands, with what is behind the face.
        size: Of its thread; ``None`` is not known.

    Source:
        Two pitches are left free, for the last threads of a blind hole are not full.
    """
    if joint.tapped is not Tapped.NUT and joint.is_blind is None:
        return None
    if joint.tapped is Tapped.NUT or not joint.is_blind or place.depth_mm is None:
        return place.depth_mm
    thread_mm = positive_of(joint.thread_depth)
    if thread_mm is None or size is None:
        return None
    return min(place.depth_mm, thread_mm - SHORT_OF_BLIND_PITCHES * size.pitch_mm)


def through_nut_mm(size: Thread) -> float:
    """Return how far past the face a screw must reach to be through a nut by a pitch.

    Args:
        size: Of the thread.

    Source:
        Nuts M6 to M16 are at most 0.925 d high (ISO 4032); one of the screw's class outlasts it (ISO 898-2).
    """
    return NUT_PER_DIAMETER * size.diameter_mm + POINT_PITCHES * size.pitch_mm


def _engaged_mm(joint: Joint, reach_mm: float, size: Thread) -> float:
    """What of the screw stands in full thread: its reach less the point, as deep as the thread, less countersink."""
    if joint.tapped is Tapped.NUT:
        return max(reach_mm, 0.0)
    in_mm = reach_mm - POINT_PITCHES * size.pitch_mm
    thread_mm = positive_of(joint.thread_depth)
    deepest_mm = in_mm if thread_mm is None else min(in_mm, thread_mm)
    return max(deepest_mm - (value_of(joint.countersink) or 0.0), 0.0)


def friction_of(joint: Joint) -> float:
    """Return the friction between the clamped faces: of the surface stated, else the least of those known."""
    return LEAST_FRICTION if joint.surface is None else FRICTION[joint.surface]


def _tapped(joint: Joint, place: Place) -> tuple[float | None, tuple[Assumed, ...]]:
    """Tensile strength of what the screw is screwed into: as stated, else the least of its kind, said as assumed."""
    if joint.tapped_mpa is not None or joint.tapped is None or joint.tapped is Tapped.NUT:
        return joint.tapped_mpa, ()
    tapped_mpa = USUAL_TENSILE_MPA[joint.tapped]
    text = f"{joint.tapped.words} {fig(tapped_mpa, 'MPa')}"
    return tapped_mpa, (Assumed(field=f"{place.fields.joint}.tapped_mpa", text=text),)


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
