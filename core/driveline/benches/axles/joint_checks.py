"""Whether each joint of a line of propshafts is bent little enough, and bears its torque."""

from collections.abc import Iterator

from driveline.benches.axles.bars import load_missing
from driveline.benches.axles.line_workings import CUSTOMARY, joint_torque_working
from driveline.benches.axles.lines import LineFound
from driveline.benches.axles.needs import AxlesNeeds
from driveline.benches.axles.sheet import JointKind
from driveline.benches.axles.workings import angle_working
from driveline.cardan.lines import LEAST_JOINT_DEG, allowed_joint_deg
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge
from driveline.sheet import positive_of
from driveline.working import fixed_working


def joint_checks(one: LineFound, needs: AxlesNeeds, judge: Judge) -> Iterator[Check]:
    """Return the checks of every joint of a line."""
    for j in range(len(one.line.joints)):
        yield _runs(one, j, judge)
        yield _reach(one, j, judge)
        yield _joint_torque(one, j, needs, judge)


def _runs(one: LineFound, j: int, judge: Judge) -> Check:
    """A cross where its axle stands: little enough for its speed, and enough for its needles to roll."""
    joint, rpm = one.line.joints[j], one.rpm
    words = f"{one.line.name}, joint {j + 1}"
    is_even = joint.kind in (JointKind.CV, JointKind.DOUBLE, JointKind.RUBBER)
    angles = {posed.name: float(posed.chain.angles_deg[j]) for posed in one.standing}
    where = max(angles, key=lambda name: angles[name], default="")
    angle = angles.get(where)
    still = one.at_ride is not None and float(one.at_ride.angles_deg[j]) < LEAST_JOINT_DEG
    limit = None if rpm is None or is_even else allowed_joint_deg(rpm)
    if is_even:
        return judge.answer(
            is_so=True,
            key=f"{one.key}.j{j + 1}.runs",
            title=f"{words}: straight enough for its speed",
            says="It turns evenly at any angle that its maker allows.",
            inputs=(f"{one.field}.joints.{j}",),
            station=one.station,
            working=fixed_working("A constant-velocity joint, a double cross that is centred, a rubber coupling."),
        )
    says = ""
    if angle is not None:
        says = f"{fig(angle, '°', 1)} {where}."
        if still:
            least = fig(LEAST_JOINT_DEG, "°", 1)
            says = f"{says} Below {least} at ride height its needles do not roll, and print themselves in."
    check = judge.check(
        "clearance",
        key=f"{one.key}.j{j + 1}.runs",
        title=f"{words}: straight enough for its speed",
        demand=angle,
        capacity=limit,
        unit="°",
        says=says,
        missing=(*one.rest_missing, *one.standing_missing, *one.speed_missing),
        inputs=(f"{one.field}.joints.{j}",),
        station=one.station,
        working=lambda: angle_working(
            None if limit is None else angle, one.lines_of(where, j), where, source=CUSTOMARY
        ),
    )
    if still:
        return check.model_copy(update={"demand": None, "capacity": None, "is_so": False}).with_working(
            fixed_working("At least half a degree, so that needle bearings roll (joint makers' practice).")
        )
    return check


def _reach(one: LineFound, j: int, judge: Judge) -> Check:
    joint, words = one.line.joints[j], f"{one.line.name}, joint {j + 1}"
    angle = None if one.swept is None or not one.posed else float(one.swept.angles_deg[:, j].max())
    limit = positive_of(joint.angle)
    lacking = [*one.ends_missing, *one.moves_missing, *one.travel_missing, *one.wind_missing]
    if limit is None:
        lacking.append(f"{words}: the greatest angle that its maker allows")
    return judge.check(
        "clearance",
        key=f"{one.key}.j{j + 1}.reach",
        title=f"{words}: its angle through all travel",
        demand=angle,
        capacity=limit,
        unit="°",
        says="" if angle is None else f"{fig(angle, '°', 1)} at the most.",
        missing=tuple(lacking),
        inputs=(f"{one.field}.joints.{j}.angle",),
        station=one.station,
        working=lambda: angle_working(
            angle, None if one.swept is None else one.swept.worst_lines(j), "the worst of all heights and moves"
        ),
    )


def _joint_torque(one: LineFound, j: int, needs: AxlesNeeds, judge: Judge) -> Check:
    joint, words = one.line.joints[j], f"{one.line.name}, joint {j + 1}"
    rating, torque = positive_of(joint.rating), None if one.load is None else one.load.design_nm
    lacking = [*load_missing("propshaft", one.line.name, one.load, needs)]
    if rating is None:
        lacking.append(f"{words}: the greatest torque that its maker allows")
    return judge.check(
        "maker_rating",
        key=f"{one.key}.j{j + 1}.torque",
        title=f"{words}: its torque",
        demand=torque,
        capacity=rating,
        unit="N·m",
        says="" if torque is None else f"{fig(torque, 'N·m', 0)} at the most.",
        missing=tuple(lacking),
        inputs=(f"{one.field}.joints.{j}.rating",),
        station=one.station,
        working=lambda: joint_torque_working(torque),
    )
