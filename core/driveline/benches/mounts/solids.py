"""A bracket as a body in the scene: to be drawn, and to keep off what stands beside it."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.brackets import LEAST_ARM_MM, Arm
from driveline.benches.mounts.ear_solids import ear_pieces
from driveline.benches.mounts.laid import LaidMount, in_line_mm
from driveline.benches.mounts.sheet import ArmKind, Bracket, Landing, LiesTo
from driveline.memory import kept
from driveline.metal.standoffs import Legs
from driveline.results import DrawnPiece
from driveline.sheet import positive_of, value_of
from driveline.space.bodies import Body, Piece, cylinder_between
from driveline.space.pose import AS_IS, Placed
from driveline.space.shapes import Box, Hull

MOST_OFF: Final = 0.9  # of its length, left away at its root
LEAST_SENSE: Final = 0.3  # of a way and what lies across the arm: less, and it says nothing
_WAYS: Final = {
    LiesTo.FRONT: np.array([1.0, 0.0, 0.0]),
    LiesTo.REAR: np.array([-1.0, 0.0, 0.0]),
    LiesTo.LEFT: np.array([0.0, 1.0, 0.0]),
    LiesTo.RIGHT: np.array([0.0, -1.0, 0.0]),
}
_ENDS: Final = ((-0.5, -0.5), (-0.5, 0.5), (0.5, -0.5), (0.5, 0.5))  # across and upright, as a box's corners run


@dataclass(frozen=True, kw_only=True)
class Solid:
    """A bracket where it stands, and how it is drawn."""

    body: Body
    drawn: tuple[DrawnPiece, ...]


def solid_of(mount: LaidMount, *, off_root_mm: float = 0.0, off_bolt_mm: float = 0.0) -> Solid | None:
    """Return a bracket's outside, its ears and their bolt; ``None`` with none, or while a size or place is not known.

    Where the load may pass beside it on either side it is as wide as both together.

    Args:
        mount: Where it stands.
        off_root_mm: Of its length at the root that is left away, its landing plate with it.
        off_bolt_mm: Of its length at the mount that is left away, its ears with it.
    """
    arm, bracket = mount.arm.arm, mount.sheet.bracket
    if arm is None or mount.at_mm is None or mount.rail_mm is None or mount.arm.missing:
        return None
    cut_mm = max(arm.length_mm - in_line_mm(mount.sheet), LEAST_ARM_MM)  # past it there are ears
    shares = (min(off_root_mm / cut_mm, MOST_OFF), min((arm.length_mm - off_bolt_mm) / cut_mm, 1.0))
    ears = () if off_bolt_mm else (*ear_pieces(mount), *_far_plate(mount, arm))
    rail_mm = mount.rail_mm
    return _made(mount.sheet.name, bracket, arm, (rail_mm, rail_mm + cut_mm * arm.turn[:, 0]), shares, ears)


@kept(100)
def _made(
    name: str,
    bracket: Bracket,
    arm: Arm,
    ends_mm: tuple[Floats, Floats],
    shares: tuple[float, float],
    ears: tuple[Piece, ...],
) -> Solid:
    rail_mm, along = ends_mm[0], ends_mm[1] - ends_mm[0]
    root, at_mm = (rail_mm + share * along for share in shares)
    pieces, drawn = list[Piece](), list[DrawnPiece]()
    if bracket.kind is ArmKind.TUBE and not value_of(bracket.beside):
        round_one = cylinder_between(root, at_mm, arm.section.depth_mm / 2)
        pieces.append(round_one)
        drawn.append(_drawn("round", round_one.corners_mm))
    elif arm.legs is not None and _across(bracket, arm)[0] == arm.section.breadth_mm:
        pieces += _on_legs(arm, arm.legs, rail_mm + arm.turn[:, 1] * _across(bracket, arm)[1], shares)
        drawn += [_drawn("box" if isinstance(one.shape, Box) else "round", one.corners_mm) for one in pieces]
    elif bracket.kind is ArmKind.GUSSETED:
        corners = _shelf_corners(bracket, arm, (root, at_mm), shares)
        pieces.append(Piece(Hull(corners), AS_IS))
        drawn.append(_drawn("box", corners))
    else:
        width, aside = _across(bracket, arm)
        middle = (root + at_mm) / 2 + arm.turn[:, 1] * aside
        pieces.append(_box(arm.turn, middle, float(np.linalg.norm(at_mm - root)), width, arm.section.depth_mm))
        drawn.append(_drawn("box", pieces[-1].corners_mm))
    plate = None if shares[0] else _plate(bracket.landing, arm, rail_mm)
    if plate is not None:
        pieces.append(plate)
        drawn.append(_drawn("box", plate.corners_mm))
    pieces += ears
    drawn += [_drawn("box" if isinstance(one.shape, Hull | Box) else "round", one.corners_mm) for one in ears]
    return Solid(body=Body(name, tuple(pieces)), drawn=tuple(drawn))


def _on_legs(arm: Arm, legs: Legs, rail_mm: Floats, shares: tuple[float, float]) -> list[Piece]:
    """A plate and its legs, as much of each as lies between two shares of the whole's length."""
    begin, end = (share * arm.length_mm for share in shares)
    below = arm.length_mm - arm.plate_mm  # of the plate
    found = list[Piece]()
    if end > below:
        middle = rail_mm + arm.turn[:, 0] * (below + end) / 2
        found.append(_box(arm.turn, middle, end - below, arm.section.breadth_mm, arm.section.depth_mm))
    for (y, z), length in zip(legs.places_mm.tolist(), legs.lengths_mm.tolist(), strict=True):
        foot, top = max(below - length, begin) if shares[0] else below - length, min(below, end)
        if top > foot:
            foot_mm, top_mm = (rail_mm + arm.turn @ np.array([x, y, z]) for x in (foot, top))
            found.append(cylinder_between(foot_mm, top_mm, legs.section.depth_mm / 2))
    return found


def _across(bracket: Bracket, arm: Arm) -> tuple[float, float]:
    """How wide an arm is, and how far beside the load its middle lies: either way, it is as wide as both together."""
    breadth = positive_of(bracket.breadth) or arm.section.breadth_mm
    beside = value_of(bracket.beside) or 0.0
    if bracket.kind in (ArmKind.CHANNEL, ArmKind.FOLDED):
        web = positive_of(bracket.web if bracket.kind is ArmKind.CHANNEL else bracket.wall) or 0.0
        beside += (web - breadth) / 2  # from its web, and its flanges reach back from there
    sense = 0.0 if bracket.lies_to is None else float(arm.turn[:, 1] @ _WAYS[bracket.lies_to])
    if abs(sense) < LEAST_SENSE:
        return breadth + 2 * abs(beside), 0.0
    return breadth, math.copysign(1.0, sense) * beside


def _shelf_corners(bracket: Bracket, arm: Arm, ends_mm: tuple[Floats, Floats], shares: tuple[float, float]) -> Floats:
    """Of a shelf with its gussets, root first: the load comes onto the shelf, its gussets hang below."""
    (width, aside), depth = _across(bracket, arm), arm.section.depth_mm
    top, nose = (positive_of(bracket.wall) or 0.0) / 2, positive_of(bracket.nose) or depth
    ends = [(end, depth + (nose - depth) * share) for end, share in zip(ends_mm, shares, strict=True)]
    return np.array(
        [
            place + arm.turn @ np.array([0.0, aside + side * width, top if up > 0 else top - deep])
            for place, deep in ends
            for side, up in _ENDS
        ]
    )


def _box(turn: Floats, middle_mm: Floats, *size_mm: float) -> Piece:
    length, width, height = size_mm
    return Piece(Box((length, width, height)), Placed(turn, middle_mm))


def _plate(landing: Landing, arm: Arm, rail_mm: Floats) -> Piece | None:
    thick, breadth, depth = (positive_of(one) for one in (landing.thickness, landing.breadth, landing.depth))
    if not landing.is_there or thick is None or breadth is None or depth is None:
        return None
    return _box(arm.turn, rail_mm + arm.turn[:, 0] * thick / 2, thick, breadth, depth)


def _far_plate(mount: LaidMount, arm: Arm) -> tuple[Piece, ...]:
    """A cross member has a landing plate at its other end too."""
    landing, at = mount.sheet.bracket.landing, mount.at_mm
    if not mount.is_member or at is None:
        return ()
    plate = _plate(landing, arm, at - arm.turn[:, 0] * (positive_of(landing.thickness) or 0.0))
    return () if plate is None else (plate,)


def _drawn(kind: str, corners_mm: Floats) -> DrawnPiece:
    rows = [tuple(round(float(one), 2) for one in corner) for corner in corners_mm]
    return DrawnPiece(kind=kind, corners_mm=tuple((row[0], row[1], row[2]) for row in rows))
