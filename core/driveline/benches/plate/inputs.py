"""What the plate bench is worked out from: its sheet unwrapped once, in mm and degrees, what is not entered ``None``.

A size of nought is no size, so it counts as not entered; a depth, play or shift of nought is one.
"""

from dataclasses import dataclass
from typing import Literal

from driveline.benches.plate.buildup_sheet import BasePlate, BuildKind, BuildUp, Ring, Standoffs
from driveline.benches.plate.hole_sheet import HoleMade
from driveline.benches.plate.register_sheet import Facing, Register
from driveline.benches.plate.relief_sheet import Relief
from driveline.benches.plate.sheet import Locating, MotorFace, OutlineBy, Plate, PlateSheet, Process
from driveline.drawing.hole import HeldBy
from driveline.fits.interference import USUAL_SPAN, Span
from driveline.flat.seats import Mate, SeatKind
from driveline.joints.sheet import Joint, RegisterFit
from driveline.sheet import Angle, Length, positive_of, value_of
from driveline.survey.sheet import Survey
from driveline.tables.materials import PlateMaterial


@dataclass(frozen=True, slots=True)
class Sized:
    """A length above 0 with its standard uncertainty, where that is known."""

    mm: float
    u_mm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class OwnInputs:
    """What a face has to be located by."""

    size: Sized | None
    kind: Mate | None
    depth_mm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class RegisterInputs:
    """A register of the plate, as it is to be made."""

    size_mm: float
    fit: RegisterFit
    side: Facing | None
    kind: SeatKind | None
    depth_mm: float | None
    chamfer_mm: float | None
    ring_outside_mm: float | None
    ring_depth_mm: float | None
    ring_inside_mm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class HoleInputs:
    """How holes are made that are other than clearance holes."""

    which: str
    held: HeldBy | None
    thread: str | None
    size_mm: float | None
    slot_deg: float | None
    counterbore_mm: float | None
    counterbore_depth_mm: float | None
    counterbore_side: Facing | None
    clamps_mm: float | None
    clamps_of: PlateMaterial | None


@dataclass(frozen=True, slots=True, kw_only=True)
class FaceInputs:
    """The motor's face."""

    count: int
    circle_mm: float | None
    first_at_deg: float
    holes: tuple[tuple[str, float, float], ...]  # name and place, seen looking at the face
    survey: Survey | None
    terminals_at_deg: float | None
    terminals_arc_deg: float | None
    plate_hole_mm: float | None
    counterbore_mm: float | None
    counterbore_depth_mm: float | None
    register: OwnInputs
    screw_length_mm: float | None
    depth_behind_mm: float | None
    overhang_mm: float | None

    @property
    def register_mm(self) -> float | None:
        """Diameter of its register."""
        return mm_of(self.register.size)


@dataclass(frozen=True, slots=True, kw_only=True)
class MadeInputs:
    """The plate as it is to be made."""

    part_number: str
    quantity: int
    thickness: Sized | None
    material: str
    made_of: PlateMaterial | None
    outline_by: OutlineBy
    kerf_mm: float
    stock_mm: tuple[float | None, float | None]
    terminals_window_deg: tuple[float, float] | None
    process: Process
    turned_deg: float
    edge_factor: float | None
    ligament_factor: float | None
    locating: Locating
    register_plays_mm: tuple[float, ...]
    registers: tuple[RegisterInputs, ...]
    concentricity_mm: float | None
    out_of_parallel_mm: float | None
    bore_mm: float | None  # 0: none is wanted
    dowel_mm: float | None
    dowel_fit: RegisterFit | None
    holes: tuple[HoleInputs, ...]
    reliefs: tuple[Relief, ...]  # unwrapped where they are laid, by ``reliefs``

    @property
    def thickness_mm(self) -> float | None:
        """Its thickness."""
        return mm_of(self.thickness)


@dataclass(frozen=True, slots=True, kw_only=True)
class LegsInputs:
    """The standoffs."""

    count: int
    circle_mm: float | None
    first_at_deg: float
    fixing: Literal["bolted", "welded"] | None
    hole_mm: float | None
    diameter_mm: float | None
    bored_mm: float
    made_of: PlateMaterial | None
    joint: Joint
    ordered: Sized | None
    measured: tuple[Sized, ...]

    @property
    def is_measured(self) -> bool:
        """Whether every one of them is measured."""
        return bool(self.measured) and len(self.measured) == self.count


@dataclass(frozen=True, slots=True, kw_only=True)
class RingInputs:
    """The spacer ring."""

    thickness: Sized | None
    inside_mm: float | None
    on: Literal["gearbox", "motor"]


@dataclass(frozen=True, slots=True, kw_only=True)
class BaseInputs:
    """The base plate under a motor with feet."""

    along_mm: float | None
    across_mm: float | None
    from_face_mm: float
    hole_mm: float | None
    shaft_height_mm: float | None
    bed_height_mm: float | None
    rows: tuple[tuple[str, float], ...]  # name and shift, mm

    @property
    def is_known(self) -> bool:
        """Whether its feet are measured."""
        return None not in (self.along_mm, self.across_mm, self.hole_mm)


@dataclass(frozen=True, slots=True, kw_only=True)
class BuiltInputs:
    """What stands between the faces."""

    kind: BuildKind
    second: Sized | None  # the motor's plate, where there are two
    legs: LegsInputs
    ring: RingInputs
    base: BaseInputs
    wanted_apart_mm: float | None  # as entered, be it 0

    @property
    def is_base(self) -> bool:
        """Whether the motor stands on feet: then no plate hangs between two faces."""
        return self.kind is BuildKind.BASE

    @property
    def is_on_standoffs(self) -> bool:
        """Whether there are two plates with standoffs between."""
        return self.kind is BuildKind.TWO_PLATES


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateInputs:
    """The whole sheet. The surveys and joints are unwrapped where they are worked out, by ``survey`` and ``joints``."""

    survey: Survey
    face: FaceInputs
    flange_register: OwnInputs
    plate: MadeInputs
    built: BuiltInputs
    motor_joint: Joint
    flange_joint: Joint
    span: Span = USUAL_SPAN  # of the job; drawn is the same whatever it is

    @property
    def motor_plate_bore_mm(self) -> float | None:
        """Through the motor's own plate, where there are two: for its spigot; as entered, where it is sunk."""
        return self.plate.bore_mm if self.face.register.kind is Mate.BORE else self.face.register_mm

    @property
    def one_bore_mm(self) -> float | None:
        """Through a plate that takes both patterns: as entered, else the motor's register."""
        return self.face.register_mm if self.plate.bore_mm is None else self.plate.bore_mm or None


def mm_of(length: Sized | None) -> float | None:
    """Return a length by itself, mm."""
    return length.mm if length else None


def inputs_of(sheet: PlateSheet) -> PlateInputs:
    """Return the bench's sheet, unwrapped."""
    return PlateInputs(
        survey=sheet.survey,
        face=_face(sheet.face),
        flange_register=_own(sheet.flange_register.size, sheet.flange_register.kind, sheet.flange_register.depth),
        plate=_plate(sheet.plate),
        built=_built(sheet.build_up),
        motor_joint=sheet.motor_joint,
        flange_joint=sheet.flange_joint,
    )


def _face(face: MotorFace) -> FaceInputs:
    return FaceInputs(
        count=face.count,
        circle_mm=positive_of(face.bolt_circle),
        first_at_deg=face.first_at.deg,
        holes=tuple((hole.id, hole.x.mm, hole.y.mm) for hole in face.holes),
        survey=face.survey,
        terminals_at_deg=value_of(face.terminals_at),
        terminals_arc_deg=value_of(face.terminals_arc),
        plate_hole_mm=positive_of(face.plate_hole),
        counterbore_mm=positive_of(face.counterbore),
        counterbore_depth_mm=positive_of(face.counterbore_depth),
        register=_own(face.register_size, face.register_kind, face.register_depth),
        screw_length_mm=value_of(face.screw_length),
        depth_behind_mm=value_of(face.depth_behind),
        overhang_mm=value_of(face.overhang),
    )


def _plate(plate: Plate) -> MadeInputs:
    return MadeInputs(
        part_number=plate.part_number,
        quantity=plate.quantity,
        thickness=_sized(plate.thickness),
        material=plate.material,
        made_of=plate.made_of,
        outline_by=plate.outline_by,
        kerf_mm=value_of(plate.kerf) or 0.0,
        stock_mm=(positive_of(plate.sheet_long), positive_of(plate.sheet_wide)),
        terminals_window_deg=_window_deg(plate.terminals_from, plate.terminals_to),
        process=plate.process,
        turned_deg=plate.turned.deg,
        edge_factor=plate.edge_factor,
        ligament_factor=plate.wanted_ligament_factor,
        locating=plate.locating,
        register_plays_mm=tuple(play.mm for play in plate.register_plays),
        registers=tuple(map(_register, plate.registers)),
        concentricity_mm=value_of(plate.concentricity),
        out_of_parallel_mm=value_of(plate.out_of_parallel),
        bore_mm=value_of(plate.bore),
        dowel_mm=positive_of(plate.dowel_size),
        dowel_fit=plate.dowel_fit,
        holes=tuple(map(_hole, plate.holes)),
        reliefs=tuple(plate.reliefs),
    )


def _own(size: Length | None, kind: Mate | None, depth: Length | None) -> OwnInputs:
    return OwnInputs(size=_sized(size), kind=kind, depth_mm=positive_of(depth))


def _register(register: Register) -> RegisterInputs:
    return RegisterInputs(
        size_mm=register.size.mm,
        fit=register.fit,
        side=register.side,
        kind=register.kind,
        depth_mm=positive_of(register.depth),
        chamfer_mm=value_of(register.chamfer),
        ring_outside_mm=positive_of(register.ring_outside),
        ring_depth_mm=positive_of(register.ring_depth),
        ring_inside_mm=positive_of(register.ring_inside),
    )


def _hole(hole: HoleMade) -> HoleInputs:
    return HoleInputs(
        which=hole.which,
        held=hole.held,
        thread=hole.thread,
        size_mm=positive_of(hole.size),
        slot_deg=positive_of(hole.slot),
        counterbore_mm=positive_of(hole.counterbore),
        counterbore_depth_mm=positive_of(hole.counterbore_depth),
        counterbore_side=hole.counterbore_side,
        clamps_mm=positive_of(hole.clamps),
        clamps_of=hole.clamps_of,
    )


def _built(build: BuildUp) -> BuiltInputs:
    return BuiltInputs(
        kind=build.kind,
        second=_sized(build.second_thickness),
        legs=_legs(build.standoffs),
        ring=_ring(build.ring),
        base=_base(build.base),
        wanted_apart_mm=value_of(build.wanted_apart),
    )


def _legs(legs: Standoffs) -> LegsInputs:
    return LegsInputs(
        count=legs.count,
        circle_mm=positive_of(legs.circle),
        first_at_deg=legs.first_at.deg,
        fixing=legs.fixing,
        hole_mm=positive_of(legs.hole),
        diameter_mm=positive_of(legs.diameter),
        bored_mm=value_of(legs.bored) or 0.0,
        made_of=legs.made_of,
        joint=legs.joint,
        ordered=_sized(legs.length),
        measured=tuple(Sized(one.mm, one.u_mm) for one in legs.measured),
    )


def _ring(ring: Ring) -> RingInputs:
    return RingInputs(thickness=_sized(ring.thickness), inside_mm=positive_of(ring.inside), on=ring.on)


def _base(base: BasePlate) -> BaseInputs:
    return BaseInputs(
        along_mm=positive_of(base.along),
        across_mm=positive_of(base.across),
        from_face_mm=value_of(base.from_face) or 0.0,
        hole_mm=positive_of(base.hole),
        shaft_height_mm=positive_of(base.shaft_height),
        bed_height_mm=positive_of(base.bed_height),
        rows=tuple((row.name, row.shift.mm) for row in base.rows),
    )


def _sized(length: Length | None) -> Sized | None:
    return None if length is None or not length.mm else Sized(length.mm, length.u_mm)


def _window_deg(start: Angle | None, end: Angle | None) -> tuple[float, float] | None:
    return None if start is None or end is None else (start.deg, end.deg)
