"""Reliefs of the plate: what stands out of the faces, what is cut for it, and whether that is enough."""

from dataclasses import dataclass

import numpy as np
from shapely.geometry.base import BaseGeometry

from driveline.benches.plate.inputs import PlateInputs
from driveline.benches.plate.register_sheet import Facing
from driveline.benches.plate.relief_sheet import Relief
from driveline.benches.plate.seats import plate_mm
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig, num
from driveline.flat.holes import motor_on_plate
from driveline.flat.relief import GAP_MM, OVER_MM, Cutout, ReliefCut, Spare, cutout, outline_of, spares
from driveline.margins import Judge, missing_of, wanted_words
from driveline.parts.made import FlatPart
from driveline.sheet import positive_of, value_of
from driveline.working import Step, Working, step, worked


@dataclass(frozen=True, slots=True, kw_only=True)
class StandsOut:
    """Something that stands out of a face, as far as it is known."""

    sheet: Relief
    shape: BaseGeometry | None  # as the plate is drawn
    missing: tuple[str, ...]


def stands_out(inputs: PlateInputs, relief: Relief) -> StandsOut:
    """Return what stands out, as the plate is drawn: the motor's turns with it."""
    name, cut = relief.name, relief.cut
    points = np.array([[one.x.mm, one.y.mm] for one in relief.points]).reshape(-1, 2)
    missing = list(
        missing_of(
            {
                f"{name}: which face it stands out of": relief.side,
                f"{name}: points of its outline": bool(len(points)),
                f"{name}: how far it stands out": positive_of(relief.stands_out),
                f"{name}: what is cut for it": cut,
                f"{name}: room cut round it": cut in (None, ReliefCut.NOTHING) or value_of(relief.room),
                f"{name}: depth of its pocket": cut is not ReliefCut.POCKET or positive_of(relief.depth),
            }
        )
    )
    if relief.side is Facing.MOTOR:
        points = motor_on_plate(points, inputs.plate.turned_deg)
    try:
        shape = outline_of(points, positive_of(relief.width))
    except ImpossibleInput as error:
        return StandsOut(sheet=relief, shape=None, missing=(*missing, f"{name}: {error.field}, {error.rule}"))
    return StandsOut(sheet=relief, shape=shape, missing=tuple(missing))


def cutouts_of(inputs: PlateInputs, faces: tuple[str, str]) -> tuple[Cutout, ...]:
    """Return what is cut or milled out of a part that lies against the faces named."""
    found = []
    for number, relief in enumerate(inputs.plate.reliefs, start=1):
        known = stands_out(inputs, relief)
        if known.missing or known.shape is None or relief.cut is ReliefCut.NOTHING or relief.side is None:
            continue
        if relief.side.value.upper() in faces:
            found.append(
                cutout(
                    f"P{number}",
                    faces.index(relief.side.value.upper()),
                    known.shape,
                    room_mm=value_of(relief.room) or 0.0,
                    depth_mm=positive_of(relief.depth) if relief.cut is ReliefCut.POCKET else None,
                )
            )
    return tuple(found)


def relief_checks(
    inputs: PlateInputs, parts: tuple[FlatPart, ...], holes_wanted: tuple[str, ...], judge: Judge
) -> tuple[Check, ...]:
    """Return whether the plate is clear of each thing that stands out of a face, and keeps its metal beside it.

    Args:
        inputs: Of the bench.
        parts: As drawn.
        holes_wanted: What of the holes is not known yet.
        judge: Of the bench.
    """
    return tuple(
        _check(inputs, stands_out(inputs, relief), number, parts, holes_wanted, judge)
        for number, relief in enumerate(inputs.plate.reliefs, start=1)
    )


def _check(
    inputs: PlateInputs,
    known: StandsOut,
    number: int,
    parts: tuple[FlatPart, ...],
    holes_wanted: tuple[str, ...],
    judge: Judge,
) -> Check:
    relief, side = known.sheet, known.sheet.side
    part = next((one for one in parts if side is not None and side.value.upper() in one.faces), None)
    thickness_mm = None if side is None else plate_mm(inputs, side)
    missing = (
        known.missing
        or missing_of(
            {
                "The plate's edge and holes": part,
                "Thickness of the plate": thickness_mm,
                "Bore through the plate": relief.cut is not ReliefCut.NOTHING or inputs.plate.bore_mm,
            }
        )
        or holes_wanted  # a hole that is not drawn can't be too near
    )
    worst: Spare | None = None
    if not missing and part is not None and known.shape is not None and thickness_mm is not None:
        made = next((one for one in part.cutouts if one.id == f"P{number}"), None)
        worst = spares(
            known.shape,
            made,
            stands_out_mm=value_of(relief.stands_out) or 0.0,
            thickness_mm=thickness_mm,
            edge=part.vertices,
            discs=(*part.discs, *part.seat_discs),
            room_mm=value_of(relief.room) or 0.0,
            others=[one for one in part.cutouts if one is not made],
        )[0]
    says = wanted_words(missing)
    if worst is not None:
        says = f"{fig(worst.left_mm, 'mm', 1)} {worst.where}; {num(worst.wanted_mm, 'mm', 1)} wanted"
        if worst.left_mm < 0:
            says = f"its relief runs out {worst.where}: make the plate larger there, or move what is in the way"
        elif worst.left_mm == 0 and relief.cut is ReliefCut.NOTHING:
            says = f"it stands {fig(value_of(relief.stands_out), 'mm')} out under the plate, and nothing is cut for it"
        elif worst.left_mm < worst.wanted_mm and worst.where == "free past its end":
            says += ": a deeper relief, or a ring under the plate"
    return judge.check(
        "clearance",
        key=f"plate.relief_{number}",
        title=f"Plate clear of {relief.name}",
        demand=worst.wanted_mm if worst else None,
        capacity=max(worst.left_mm, 0.0) if worst else None,
        unit="mm",
        says=says,
        missing=missing,
        inputs=(f"plate.plate.reliefs.{number - 1}", "plate.plate.thickness"),
        working=lambda: _working(worst),
    )


def _working(worst: Spare | None) -> Working:
    steps: tuple[Step, ...] = ()
    if worst is not None:
        left = worked("a_l", worst.left_mm, "mm", f"{worst.where}, between the outlines as drawn")
        free = max(worst.left_mm, 0.0)
        steps = (step("a", "max(a_l, 0)", left, value=free, unit="mm", decimals=2, words=worst.where),)
    return Working(
        steps=steps,
        source=f"Plane distances as drawn; workshop rule: {fig(GAP_MM, 'mm')} round what stands out and "
        f"{fig(OVER_MM, 'mm')} past its end, for castings are rough.",
    )
