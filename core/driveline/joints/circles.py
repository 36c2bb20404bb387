"""Screws evenly on a circle through a flange, which carry torque by friction."""

import numpy as np

from driveline.arrays import Floats
from driveline.checks import Check
from driveline.flat.holes import bolt_circle_mm
from driveline.joints.checks import joint_checks
from driveline.joints.screws import JointFields, Loads, Place, worked_joint
from driveline.joints.sheet import Bolts
from driveline.margins import Judge
from driveline.sheet import positive_of, value_of
from driveline.tables.materials import Material


def circle_xy_mm(count: int, circle_mm: float | None, first_at_deg: float = 0.0) -> Floats:
    """Return the screws' places, (n, 2); none while the circle is not known.

    Source:
        As ``bolt_circle_mm``.
    """
    if not count or circle_mm is None:
        return np.zeros((0, 2))
    return bolt_circle_mm(count=count, circle_mm=circle_mm, first_at_deg=first_at_deg)


def circle_place(
    bolts: Bolts,
    xy_mm: Floats,
    *,
    name: str,
    title: str,
    fields: JointFields,
    grip_mm: float | None,
    made_of: Material | None,
) -> Place:
    """Return where a circle of screws is: nothing hangs on it but the torque.

    Args:
        bolts: As entered.
        xy_mm: Their places, (n, 2).
        name: Of the joint in its bench.
        title: Of the joint, in words.
        fields: That it hangs on.
        grip_mm: Thickness of what they clamp.
        made_of: What that is.

    Source:
        As entered.
    """
    hole_mm = positive_of(bolts.hole)
    return Place(
        name=name,
        title=title,
        clear_key=f"{name}_clear",
        fields=fields,
        xy_mm=xy_mm,
        holes=tuple((f"B{k}", hole_mm) for k in range(1, bolts.count + 1)) if hole_mm else (),
        grip_mm=grip_mm,
        length_mm=positive_of(bolts.joint.length),
        depth_mm=value_of(bolts.joint.depth_behind),
        lever_mm=0.0,
        heel_mm=None,
        hangs=False,
        material=made_of,
        is_whole=bool(len(xy_mm)),
    )


def circle_checks(
    bolts: Bolts, place: Place, torque_nm: float | None, missing: tuple[str, ...], judge: Judge
) -> tuple[Check, ...]:
    """Return whether a circle of screws stands its tightening and carries a torque.

    Source:
        As ``joint_checks``.
    """
    loads = Loads(motor_kg=0.0, torque_nm=torque_nm, missing=() if torque_nm else missing)
    return joint_checks(worked_joint(bolts.joint, place), bolts.joint, place, loads, judge)
