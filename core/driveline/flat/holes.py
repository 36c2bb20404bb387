"""The adapter plate's holes: two patterns on one centre, and what is left between them.

Everything is drawn from the engine side. The motor's face, seen looking at the motor, is reflected before
it is laid over the flange: a mirrored plate is the classic scrap part.
"""

import math
from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.figures import fig

LEAST_LIGAMENT_MM: Final = 6.0
OWN_WALL_MM: Final = 3.0  # between a face's register and its own holes: the face made them so near, and clamps there
MACHINING_MM: Final = 2.5  # registers are cut this much small on diameter and machined


@dataclass(frozen=True, slots=True)
class Disc:
    """A round hole in the plate."""

    id: str
    x_mm: float
    y_mm: float
    diameter_mm: float
    is_bore: bool = False  # for shaft or register
    owner: str = ""  # whose shape it is copied from, such as the motor's; empty: the plate's own


@dataclass(frozen=True, slots=True, kw_only=True)
class Ligament:
    """What is left between two holes, and what is wanted there."""

    between: tuple[str, str]
    left_mm: float
    wanted_mm: float
    apart_mm: float  # centre to centre
    sizes_mm: tuple[float, float]
    owner: str = ""  # whose own shape brings the two so near; empty: the plate's

    @property
    def share(self) -> float:
        """Left over wanted; 1 or more is enough."""
        return self.left_mm / self.wanted_mm


def bolt_circle_mm(*, count: int, circle_mm: float, first_at_deg: float) -> Floats:
    """Return hole centres of a bolt circle, anticlockwise from the first, (count, 2), mm.

    Args:
        count: Holes, 0 or more.
        circle_mm: Diameter through their centres; above 0.
        first_at_deg: Of the first, from +x.

    Raises:
        ImpossibleInput: If the circle is not above 0.

    Source:
        x + iy = ½ D e^{i(φ + 2πk/n)}.
    """
    if not circle_mm > 0:
        raise ImpossibleInput("bolt_circle", fig(circle_mm, "mm"), "above 0")
    angle = np.radians(first_at_deg + 360 / max(count, 1) * np.arange(count))
    return circle_mm / 2 * np.column_stack([np.cos(angle), np.sin(angle)])


def reflected(xy: Floats) -> Floats:
    """Return points as seen from the other side: x → −x."""
    seen: Floats = np.asarray(xy) * np.array([-1.0, 1.0])
    return seen


def turned(xy: Floats, angle_deg: float) -> Floats:
    """Return points turned anticlockwise as drawn.

    Args:
        xy: (n, 2), mm.
        angle_deg: Any.

    Source:
        Plane rotation.
    """
    angle = math.radians(angle_deg)
    cos, sin = math.cos(angle), math.sin(angle)
    after: Floats = np.asarray(xy) @ np.array([[cos, sin], [-sin, cos]])
    return after


def motor_on_plate(face_xy: Floats, turned_deg: float) -> Floats:
    """Return the motor's holes on the plate as drawn, from its face seen looking at the motor.

    Args:
        face_xy: (n, 2), mm, about the motor's axis, seen looking at its face.
        turned_deg: Clocking, anticlockwise seen from the engine side.

    Source:
        A face seen from its other side is mirrored; then a plane rotation.
    """
    return turned(reflected(face_xy), turned_deg)


def ligaments(discs: Sequence[Disc], *, factor: float) -> tuple[Ligament, ...]:
    """Return what is left between every two holes, the least share of the wanted first.

    Args:
        discs: All holes of the plate, the bore among them.
        factor: Wanted ligament over the larger hole of the two; never less than 6 mm is wanted.
            A bore counts as no more than twice the hole beside it: see ``wanted_ligament_mm``. Between a register and
            the holes of the same face 3 mm do: that shape is the face's, and no plate can be made otherwise.
    """
    if len(discs) < 2:
        return ()
    place = np.array([[disc.x_mm, disc.y_mm, disc.diameter_mm] for disc in discs])
    one, other = np.triu_indices(len(discs), k=1)
    x, y, sizes = place[one, 0] - place[other, 0], place[one, 1] - place[other, 1], place[:, 2]
    apart = np.hypot(x, y)
    left = apart - (sizes[one] + sizes[other]) / 2
    bores = np.array([disc.is_bore for disc in discs])
    wanted = wanted_ligament_mm(sizes[one], sizes[other], factor, has_bore=bores[one] | bores[other])
    owners = np.array([disc.owner for disc in discs])
    is_own = (owners[one] == owners[other]) & (owners[one] != "") & (bores[one] | bores[other])
    wanted = np.where(is_own, np.minimum(wanted, OWN_WALL_MM), wanted)
    ids = np.array([disc.id for disc in discs])
    # Registers share their middle with the bore, which is judged by itself; a slot is many discs of one name.
    is_pair = ~(bores[one] & bores[other]) & (ids[one] != ids[other])
    order = np.argsort(left / wanted, kind="stable")
    order = order[is_pair[order]]
    rows = zip(*(column[order].tolist() for column in (one, other, left, wanted, apart, is_own)), strict=True)
    least: dict[tuple[str, str], Ligament] = {}  # of a slot's many discs the nearest counts
    for i, j, left_mm, wanted_mm, apart_mm, own in rows:
        pair = (discs[i].id, discs[j].id)
        if pair in least or pair[::-1] in least:
            continue
        least[pair] = Ligament(
            between=pair,
            left_mm=left_mm,
            wanted_mm=wanted_mm,
            apart_mm=apart_mm,
            sizes_mm=(discs[i].diameter_mm, discs[j].diameter_mm),
            owner=discs[i].owner if own else "",
        )
    return tuple(least.values())


def wanted_ligament_mm(
    one_mm: float | Floats, other_mm: float | Floats, factor: float, *, has_bore: bool | NDArray[np.bool_] = False
) -> Floats:
    """Return the ligament wanted between two holes: factor × the larger, at least 6 mm.

    Where one of them is a bore, it counts as no more than twice the other: a wall as thick as a register is wide is
    nobody's rule.

    Args:
        one_mm: Diameter of a hole, above 0; a figure or an array, as the other.
        other_mm: Of the other.
        factor: Of the larger of the two.
        has_bore: Whether one of them is a bore.

    Source:
        Workshop rule; see ``ligaments``.
    """
    small, large = np.minimum(one_mm, other_mm), np.maximum(one_mm, other_mm)
    governing = np.where(has_bore, np.minimum(large, 2 * small), large)
    return np.maximum(LEAST_LIGAMENT_MM, factor * governing)
