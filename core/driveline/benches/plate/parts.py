"""The parts that a build-up asks for: which holes each has, which are cut and which are marked, and its edge."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.plate.buildup_sheet import BuildKind
from driveline.benches.plate.hole_made import holes_made, wanted_of_holes
from driveline.benches.plate.inputs import PlateInputs, mm_of
from driveline.benches.plate.reliefs import cutouts_of
from driveline.benches.plate.seats import all_wanted, seats_on
from driveline.benches.plate.sheet import Locating, OutlineBy, Process
from driveline.drawing.hole import PlateHole
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.flat.buildup import foot_holes
from driveline.flat.holes import LEAST_LIGAMENT_MM, Disc, bolt_circle_mm, motor_on_plate
from driveline.flat.outline import CircleEdge, Edge, HullEdge, edge_depths_mm, traced_edge
from driveline.flat.relief import Cutout
from driveline.flat.seats import SAME_MM, Seat
from driveline.margins import missing_of
from driveline.parts.made import FlatPart, Stock
from driveline.results import ToDo

EDGE_FACTOR: Final = {
    Process.LASER: 1.5,
    Process.WATERJET: 1.5,
    Process.MILLED: 1.5,
    Process.PLASMA: 2.0,
    Process.FLAME: 2.0,
}
LEAST_HOLE_PER_THICKNESS: Final = {
    Process.LASER: 1.0,
    Process.WATERJET: 1.0,
    Process.PLASMA: 1.5,
    Process.FLAME: 1.5,
    Process.MILLED: 0.0,
}
GREATEST_REACH_MM: Final = 5000.0
LIGAMENT_FACTOR: Final = 1.0
DRAWN_OVER_WANTED: Final = 1.15  # so that a kerf or a wandering cut does not eat into the edge distance


@dataclass(frozen=True, slots=True, kw_only=True)
class Patterns:
    """What the parts are made of, as measured and as chosen; seen from the engine side."""

    flange: tuple[Disc, ...]
    motor: tuple[Disc, ...]  # turned as chosen
    standoffs: tuple[Disc, ...]
    traced: Floats  # the flange's outline, (n, 2); empty when there is none


def patterns_of(inputs: PlateInputs, flange: tuple[Disc, ...], face_xy: Floats, traced: Floats) -> Patterns:
    """Return the hole patterns on the shaft's centre.

    Args:
        inputs: Of the bench.
        flange: The flange's holes that are settled.
        face_xy: The motor's holes seen looking at its face, (n, 2), mm.
        traced: The flange's outline, (n, 2), mm.
    """
    hole_mm = inputs.face.plate_hole_mm
    on_plate = motor_on_plate(face_xy, inputs.plate.turned_deg) if hole_mm and len(face_xy) else np.zeros((0, 2))
    motor = tuple(
        Disc(name, float(x), float(y), hole_mm or 0.0)
        for name, (x, y) in zip(motor_names(inputs, len(on_plate)), on_plate, strict=True)
    )
    return Patterns(flange=flange, motor=motor, standoffs=_standoffs(inputs), traced=traced)


def motor_names(inputs: PlateInputs, count: int) -> tuple[str, ...]:
    """Return what the motor's holes are called: as surveyed or listed, else M1, M2 and so on."""
    if inputs.face.survey is not None:
        names = [f"M{hole.id}" for hole in inputs.face.survey.holes if not hole.is_bore]
    else:
        names = [name for name, _, _ in inputs.face.holes]
    return tuple(names) if len(names) == count else tuple(f"M{k + 1}" for k in range(count))


def standoff_centres(inputs: PlateInputs) -> Floats:
    """Return where the standoffs stand, seen from the engine side, (n, 2), mm."""
    standoffs, circle_mm = inputs.built.legs, inputs.built.legs.circle_mm
    if not standoffs.count or circle_mm is None:
        return np.zeros((0, 2))
    return bolt_circle_mm(count=standoffs.count, circle_mm=circle_mm, first_at_deg=standoffs.first_at_deg)


def _standoffs(inputs: PlateInputs) -> tuple[Disc, ...]:
    hole_mm = inputs.built.legs.hole_mm
    if hole_mm is None:
        return ()
    return tuple(Disc(f"S{k + 1}", float(x), float(y), hole_mm) for k, (x, y) in enumerate(standoff_centres(inputs)))


def parts_of(inputs: PlateInputs, patterns: Patterns) -> tuple[tuple[FlatPart, ...], tuple[ToDo, ...]]:
    """Return the parts that can be drawn so far, and what keeps the others from being drawn."""
    kind = inputs.built.kind
    if kind is BuildKind.BASE:
        found = [_base_plate(inputs)]
    elif kind is BuildKind.TWO_PLATES:
        found = [_gearbox_plate(inputs, patterns), _motor_plate(inputs, patterns)]
    elif kind is BuildKind.RING:
        found = [_one_plate(inputs, patterns), _ring(inputs, patterns)]
    else:
        found = [_one_plate(inputs, patterns)]
    drawn = tuple(part for part in found if isinstance(part, FlatPart))
    return drawn, tuple(one for one in found if isinstance(one, ToDo))


def _one_plate(inputs: PlateInputs, patterns: Patterns) -> FlatPart | ToDo | None:
    holes = [*holes_made(inputs, "flange", patterns.flange), *holes_made(inputs, "motor", patterns.motor)]
    bore_mm = inputs.one_bore_mm
    return _part(
        inputs,
        name="plate",
        field="plate.face.count",
        title="Adapter plate",
        holes=holes,
        bore_mm=bore_mm,
        traced=patterns.traced,
        thickness_mm=inputs.plate.thickness_mm,
        faces=_faces_of_one(inputs),
    )


def _faces_of_one(inputs: PlateInputs) -> tuple[str, str]:
    """What a plate with both patterns lies against: with a spacer ring between, that."""
    if inputs.built.kind is not BuildKind.RING:
        return "MOTOR", "GEARBOX"
    return ("MOTOR", "RING") if inputs.built.ring.on == "gearbox" else ("RING", "GEARBOX")


def _gearbox_plate(inputs: PlateInputs, patterns: Patterns) -> FlatPart | ToDo | None:
    return _part(
        inputs,
        name="plate",
        field="plate.face.count",
        title="Gearbox plate",
        holes=[*holes_made(inputs, "flange", patterns.flange), *holes_made(inputs, "standoff", patterns.standoffs)],
        bore_mm=inputs.plate.bore_mm or None,
        traced=patterns.traced,
        thickness_mm=inputs.plate.thickness_mm,
        faces=("STANDOFFS", "GEARBOX"),
    )


def _motor_plate(inputs: PlateInputs, patterns: Patterns) -> FlatPart | ToDo | None:
    return _part(
        inputs,
        name="motor_plate",
        field="plate.face.count",
        short="MOTOR",
        title="Motor plate",
        holes=[*holes_made(inputs, "motor", patterns.motor), *holes_made(inputs, "standoff", patterns.standoffs)],
        bore_mm=inputs.motor_plate_bore_mm or None,
        traced=np.zeros((0, 2)),
        thickness_mm=mm_of(inputs.built.second),
        faces=("MOTOR", "STANDOFFS"),
    )


def _ring(inputs: PlateInputs, patterns: Patterns) -> FlatPart | ToDo | None:
    ring = inputs.built.ring
    is_gearbox = ring.on == "gearbox"
    holes = holes_made(inputs, "flange", patterns.flange) if is_gearbox else holes_made(inputs, "motor", patterns.motor)
    if ring.inside_mm is None:
        return ToDo(field="plate.build_up.ring.inside", text="Give the inside of the spacer ring.")
    return _part(
        inputs,
        name="ring",
        field="plate.build_up.ring",
        short="RING",
        title="Spacer ring",
        holes=holes,
        bore_mm=ring.inside_mm,
        traced=patterns.traced if is_gearbox else np.zeros((0, 2)),
        thickness_mm=mm_of(ring.thickness),
        faces=("PLATE", "GEARBOX") if is_gearbox else ("MOTOR", "PLATE"),
        is_round=not is_gearbox,
    )


def _base_plate(inputs: PlateInputs) -> FlatPart | ToDo | None:
    base = inputs.built.base
    along, across, hole_mm = base.along_mm, base.across_mm, base.hole_mm
    if along is None or across is None or hole_mm is None:
        return None
    rows = list(base.rows) or [("as placed", 0.0)]
    found = foot_holes(along_mm=along, across_mm=across, from_face_mm=base.from_face_mm, rows=rows)
    discs = tuple(Disc(hole.id, hole.x_mm, hole.y_mm, hole_mm) for hole in found)
    return _part(
        inputs,
        name="base_plate",
        field="plate.build_up.base",
        short="BASE",
        title="Base plate",
        holes=holes_made(inputs, "foot", discs),
        bore_mm=None,
        traced=np.zeros((0, 2)),
        thickness_mm=inputs.plate.thickness_mm,
        faces=("MOTOR", "FRAME"),
        sides=("above", "below"),
        labels=tuple((f"{chr(65 + k)}: {name}".upper(), found[4 * k].x_mm, 0.0) for k, (name, _) in enumerate(rows)),
    )


def _part(
    inputs: PlateInputs,
    *,
    name: str,
    field: str,
    title: str,
    holes: list[PlateHole],
    bore_mm: float | None,
    traced: Floats,
    thickness_mm: float | None,
    faces: tuple[str, str],
    sides: tuple[str, str] = ("engine side", "gearbox side"),
    short: str = "",
    is_round: bool = False,
    labels: tuple[tuple[str, float, float], ...] = (),
) -> FlatPart | ToDo | None:
    if len(holes) < 3:
        says = f"The {title.lower()} has {len(holes)} of the three holes or more that an outline is drawn round."
        return ToDo(field=field, text=says) if holes else None
    centres = np.array([[hole.x_mm, hole.y_mm] for hole in holes])
    seats, cutouts = seats_on(inputs, faces), cutouts_of(inputs, faces)
    reach_mm = _reach_mm(centres, holes, bore_mm, seats, cutouts)
    if reach_mm > GREATEST_REACH_MM:
        raise ImpossibleInput(
            f"{title.lower()} holes, registers and reliefs",
            f"{fig(reach_mm, 'mm', 0)} from the shaft",
            "within 5 m. Another unit?",
        )
    radius_mm = edge_factor(inputs) * max(hole.finished_mm for hole in holes)
    try:
        edge = _edge_of(inputs, centres, radius_mm, traced, is_round)
        vertices = edge.vertices
    except ImpossibleInput as error:
        return ToDo(field=field, text=f"The {title.lower()}'s outline can't be drawn: {error.rule}.")
    if bore_mm:
        holes = [*holes, *holes_made(inputs, "bore", (Disc("bore", 0.0, 0.0, bore_mm),))]
    return FlatPart(
        key=f"plate.{name}",
        title=title,
        short=short,
        holes=tuple(_marked(inputs, hole, thickness_mm) for hole in holes),
        edge=edge,
        vertices=vertices,
        thickness_mm=thickness_mm,
        faces=faces,
        sides=sides,
        look_at="gearbox" if "GEARBOX" in faces else "motor",
        stock=_stock(inputs),
        labels=labels,
        ligament_factor=inputs.plate.ligament_factor or LIGAMENT_FACTOR,
        seats=seats,
        cutouts=cutouts,
        owners=_owners(inputs, holes, seats, bore_mm),
    )


def _reach_mm(
    centres: Floats,
    holes: Sequence[PlateHole],
    bore_mm: float | None,
    seats: Sequence[Seat],
    cutouts: Sequence[Cutout],
) -> float:
    """How far from the shaft anything of the part is."""
    reaches = [float(np.abs(centres).max()) + max(hole.takes_mm for hole in holes), bore_mm or 0.0]
    reaches += [max(seat.keeps_mm, seat.into_mm, seat.out_mm) for seat in seats]
    reaches += [seat.ring.inside_mm or 0.0 for seat in seats if seat.ring]
    return max(reaches + [float(np.abs(one.corners_mm).max()) for one in cutouts])


def _owners(
    inputs: PlateInputs, holes: Sequence[PlateHole], seats: Sequence[Seat], bore_mm: float | None
) -> dict[str, str]:
    """Whose shape each hole and register is copied from: the motor's screws and its register can't be moved apart."""
    found = {hole.id: hole.kind for hole in holes if hole.kind in ("motor", "flange")}
    found |= {seat.id: ("motor", "flange")[seat.side] for seat in seats}
    for owner, own in (("motor", inputs.face.register), ("flange", inputs.flange_register)):
        if bore_mm and own.size is not None and abs(own.size.mm - bore_mm) <= SAME_MM:
            found["bore"] = owner
    return found


def _stock(inputs: PlateInputs) -> Stock:
    plate = inputs.plate
    long_mm, wide_mm = plate.stock_mm
    return Stock(
        number=plate.part_number,
        quantity=plate.quantity,
        material=plate.material,
        made_of=plate.made_of,
        process=plate.process.value,
        kerf_mm=plate.kerf_mm,
        sheet_mm=None if long_mm is None or wide_mm is None else (long_mm, wide_mm),
    )


def _edge_of(inputs: PlateInputs, centres: Floats, radius_mm: float, traced: Floats, is_round: bool) -> Edge:
    if is_round:
        return CircleEdge(float(np.hypot(*centres.T).max()) + radius_mm)
    if inputs.plate.outline_by is OutlineBy.FLANGE and len(traced):
        return traced_edge(traced, holes=centres, radius_mm=radius_mm)
    return HullEdge(centres, radius_mm)


def _marked(inputs: PlateInputs, hole: PlateHole, thickness_mm: float | None) -> PlateHole:
    """A hole too small for the process is marked and drilled by hand."""
    least_mm = LEAST_HOLE_PER_THICKNESS[inputs.plate.process] * (thickness_mm or 0.0)
    return hole if hole.cut_mm is None or hole.cut_mm >= least_mm else hole.without_cut()


def edge_factor(inputs: PlateInputs) -> float:
    """Return the distance from a hole's centre to the edge as drawn, over the hole's diameter."""
    return inputs.plate.edge_factor or DRAWN_OVER_WANTED * EDGE_FACTOR[inputs.plate.process]


@dataclass(frozen=True, slots=True, kw_only=True)
class EdgeShare:
    """How far inside the edge a hole's centre lies, and how far it should."""

    hole: str
    depth_mm: float
    wanted_mm: float
    size_mm: float
    factor: float  # of the size
    wall_mm: float  # past that: round a bore, a wall as wide as the largest of the other holes, at least 6 mm


def edge_shares(inputs: PlateInputs, part: FlatPart) -> tuple[EdgeShare, ...]:
    """Return how far inside the edge each hole of a part lies."""
    holes = (*part.holes, *holes_made(inputs, "bore", part.seat_discs))
    spots = [(k, spot) for k, hole in enumerate(holes) for spot in hole.spots_mm]
    depths = np.full(len(holes), np.inf)
    of_spots = edge_depths_mm(np.array([spot for _, spot in spots]), part.vertices)
    np.minimum.at(depths, [k for k, _ in spots], of_spots)
    wall_mm = max([LEAST_LIGAMENT_MM, *(hole.finished_mm for hole in part.drilled)])
    found = []
    for hole, depth_mm in zip(holes, depths.tolist(), strict=True):
        factor, wall = (0.5, wall_mm) if hole.kind == "bore" else (EDGE_FACTOR[inputs.plate.process], 0.0)
        found.append(
            EdgeShare(
                hole=hole.id,
                depth_mm=depth_mm,
                wanted_mm=factor * hole.finished_mm + wall,
                size_mm=hole.finished_mm,
                factor=factor,
                wall_mm=wall,
            )
        )
    return tuple(found)


def holes_wanted(inputs: PlateInputs, patterns: Patterns, loose: tuple[str, ...]) -> tuple[str, ...]:
    """Return what of the build-up's holes is not known yet: what is not drawn can't be too near to anything.

    Args:
        inputs: Of the bench.
        patterns: As far as they are known.
        loose: Flange holes that the readings don't settle.
    """
    build = inputs.built
    if build.is_base:
        return missing_of({"Holes of the motor's feet, along, across and their size": build.base.is_known})
    is_two = build.is_on_standoffs
    sunk = (inputs.face.counterbore_mm is None) is (inputs.face.counterbore_depth_mm is None)
    bore_mm = inputs.plate.bore_mm or None if is_two else inputs.one_bore_mm
    return missing_of(
        {
            "Holes of the flange": bool(patterns.flange),
            f"Readings that settle {', '.join(loose[:3])}": not loose,
            "Holes of the motor's face, and the clearance hole for its screws": bool(patterns.motor),
            "Counterbore of the motor's screws: diameter and depth": sunk,
            "Bore through the plate": bore_mm,
            "Register of the motor, for the motor plate's bore": not is_two or inputs.motor_plate_bore_mm,
            "Standoffs: how many, on what circle, with what hole": not is_two or bool(patterns.standoffs),
            "Inside of the ring": build.kind is not BuildKind.RING or build.ring.inside_mm,
            "Registers, or their play as measured": inputs.plate.locating is not Locating.REGISTERS
            or bool(inputs.plate.registers or inputs.plate.register_plays_mm),
            **dict.fromkeys((*all_wanted(inputs), *wanted_of_holes(inputs)), False),
        }
    )
