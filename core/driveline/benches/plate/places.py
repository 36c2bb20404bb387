"""Where the plate's screwed joints are: their screws as drawn, what they clamp, how far the load hangs out."""

from dataclasses import replace
from functools import partial
from typing import Final

import numpy as np

from driveline.benches.plate.buildup_sheet import BuildKind
from driveline.benches.plate.floor import sunk_of
from driveline.benches.plate.hole_made import clamped_of, grip_mm, in_joint, odd_sunk, under_heads
from driveline.benches.plate.inputs import PlateInputs, mm_of
from driveline.benches.plate.lay_out import LaidPlate
from driveline.benches.plate.stack import stack_of
from driveline.flat.holes import Disc
from driveline.joints.screws import JointFields, Place
from driveline.sheet import value_of
from driveline.tables.materials import material


def _fields(joint: str) -> JointFields:
    return JointFields(
        joint=joint,
        length=f"{joint}.length",
        depth=f"{joint}.depth_behind",
        grip="plate.plate.thickness",
        made_of="plate.plate.made_of",
        load=("brief.motor.mass", "plate.face.overhang"),
        torque=("brief.motor.peak_torque", "ratios.coupler", "ratios.choice"),
    )


MOTOR_FIELDS: Final = replace(  # its screws' length and depth stand with the motor's face
    _fields("plate.motor_joint"), length="plate.face.screw_length", depth="plate.face.depth_behind"
)


def places_of(inputs: PlateInputs, laid: LaidPlate) -> tuple[Place, ...]:
    """Return the joints of the motor, of the gearbox and of bolted standoffs."""
    face, thickness_mm = inputs.face, inputs.plate.thickness_mm
    overhang_mm, stack = face.overhang_mm, stack_of(inputs)
    is_two = inputs.built.is_on_standoffs
    motor_plate_mm = mm_of(inputs.built.second) if is_two else thickness_mm
    ring_mm = mm_of(inputs.built.ring.thickness) if inputs.built.kind is BuildKind.RING else 0.0
    under_motor, under_flange = (0.0, ring_mm) if inputs.built.ring.on == "gearbox" else (ring_mm, 0.0)
    sunk = {pattern: sunk_of(inputs, pattern) for pattern in ("motor", "flange")}
    from_flange_mm = _sum(overhang_mm, stack.nominal_mm if stack else None)
    legs = inputs.built.legs
    is_loose = any(hole.is_loose and not hole.is_bore for hole in laid.survey.result.holes)
    place = partial(_place, inputs, laid)
    found = (
        place(
            "motor",
            "Motor screws",
            laid.patterns.motor,
            fields=MOTOR_FIELDS,
            clear_key="screw_clear",
            grip_mm=grip_mm(inputs, "motor", _sum(motor_plate_mm, under_motor, _less(sunk["motor"]))),
            length_mm=face.screw_length_mm,
            depth_mm=face.depth_behind_mm,
            lever_mm=overhang_mm,
        ),
        place(
            "flange",
            "Gearbox screws",
            laid.patterns.flange,
            fields=_fields("plate.flange_joint"),
            clear_key="flange_screw_clear",
            is_whole=not is_loose,
            grip_mm=grip_mm(inputs, "flange", _sum(thickness_mm, under_flange, _less(sunk["flange"]))),
            length_mm=value_of(inputs.flange_joint.length),
            depth_mm=value_of(inputs.flange_joint.depth_behind),
            lever_mm=from_flange_mm,
        ),
    )
    if not is_two or legs.fixing == "welded":
        return found
    at_legs = place(
        "standoff",
        "Standoff screws",
        laid.patterns.standoffs,
        fields=_fields("plate.build_up.standoffs.joint"),
        clear_key="standoff_screw_clear",
        grip_mm=_thicker_mm(thickness_mm, motor_plate_mm),
        length_mm=value_of(legs.joint.length),
        depth_mm=value_of(legs.joint.depth_behind),
        lever_mm=from_flange_mm,
    )
    return (*found, at_legs)


def _place(
    inputs: PlateInputs,
    laid: LaidPlate,
    name: str,
    title: str,
    discs: tuple[Disc, ...],
    *,
    fields: JointFields,
    clear_key: str,
    is_whole: bool = True,
    **more: float | None,
) -> Place:
    held = in_joint(inputs, name, discs)
    return Place(
        name=name,
        title=title,
        clear_key=clear_key,
        fields=fields,
        xy_mm=np.array([[disc.x_mm, disc.y_mm] for disc in held]).reshape(-1, 2),
        holes=under_heads(inputs, name, held),
        hangs=True,
        heel_mm=min((edge.depth_mm for edge in laid.edges), default=None),
        material=material(made_of) if (made_of := clamped_of(inputs, name)) else None,
        # A head sunk unlike its pattern's reaches farther or less far: the joint is not judged without it.
        is_whole=bool(discs) and is_whole and not odd_sunk(inputs, discs),
        **more,
    )


def _thicker_mm(*thicknesses_mm: float | None) -> float | None:
    """One screw serves both ends: the thicker plate takes more of it. Not known while either is not."""
    known = [mm for mm in thicknesses_mm if mm is not None]
    return max(known) if len(known) == len(thicknesses_mm) else None


def _less(length_mm: float | None) -> float | None:
    return None if length_mm is None else -length_mm


def _sum(*lengths_mm: float | None) -> float | None:
    """Not known as soon as one of them is."""
    known = [mm for mm in lengths_mm if mm is not None]
    return sum(known) if len(known) == len(lengths_mm) else None
