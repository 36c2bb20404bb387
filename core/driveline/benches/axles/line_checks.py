"""Whether a line of propshafts runs evenly, straight and slowly enough, bears its torque, and finds its length."""

from collections.abc import Iterator
from typing import Final

from driveline.benches.axles.bar_checks import made_check
from driveline.benches.axles.bars import guide_mpa, load_missing
from driveline.benches.axles.line_workings import (
    joint_limit_working,
    joint_torque_working,
    slip_working,
    tube_working,
    uneven_working,
)
from driveline.benches.axles.lines import LineFound, squared_speed, tube_critical_rpm, tube_inside_mm
from driveline.benches.axles.needs import AxlesNeeds
from driveline.benches.axles.sheet import JointKind, PropLine, Tube
from driveline.benches.axles.workings import angle_working, whirl_working
from driveline.cardan.chains import rule_rad_s2
from driveline.cardan.lines import (
    COMFORTABLE_RAD_S2,
    LEAST_JOINT_DEG,
    MOST_AT_DRIVEN_END_RAD_S2,
    MOST_IN_MIDDLE_RAD_S2,
    allowed_joint_deg,
)
from driveline.cardan.slip import END_ROOM_MM
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.shafts.bars import MOST_OF_CRITICAL, MOST_OF_CRITICAL_TWO_PIECE, bar_shear_mpa
from driveline.sheet import positive_of, value_of
from driveline.working import fixed_working

ACCELERATION: Final = "rad/s²"
NO_LOOP: Final = "None is there: the shaft would dig into the road. Ask whoever passes the vehicle."


def line_checks(one: LineFound, needs: AxlesNeeds, judge: Judge) -> Iterator[Check]:
    """Return every check of a line of propshafts."""
    yield _even(one, judge)
    yield _middle(one, judge)
    for j in range(len(one.line.joints)):
        yield _runs(one, j, judge)
        yield _reach(one, j, judge)
        yield _joint_torque(one, j, needs, judge)
    for j, tube in enumerate(one.line.tubes):
        guarded = judge.guarding()
        yield _whirl(one, j, tube, guarded)
        yield _half(one, j, tube, judge)
        yield _shear(one, j, tube, needs, guarded)
        yield made_check(
            f"{one.key}.t{j + 1}",
            f"{one.line.name}, shaft {j + 1}",
            f"{one.field}.tubes.{j}.is_mock_up",
            is_mock_up=tube.is_mock_up,
            judge=judge,
        )
    yield _slip(one, judge)
    yield _hoop(one, judge)


def _rpm(one: LineFound) -> float | None:
    return None if one.load is None else one.load.rpm


def _speed_missing(one: LineFound) -> tuple[str, ...]:
    return missing_of({"Wanted top speed, and a gearing chosen that has the propshaft": _rpm(one)})


def _even(one: LineFound, judge: Judge) -> Check:
    rpm, worst = _rpm(one), None
    if one.posed and rpm is not None and not one.twist_missing:
        worst = max(
            ((posed, float(posed.drives[-1]) * squared_speed(rpm)) for posed in one.posed), key=lambda found: found[1]
        )
    says = ""
    if worst is not None and rpm is not None:
        rule = float(rule_rad_s2(worst[0].chain, rpm)[-1])
        says = (
            f"{fig(worst[1], ACCELERATION, 0)} {worst[0].name} at {fig(rpm, 'rpm', 0)}; by the rule of small angles "
            f"{fig(rule, ACCELERATION, 0)}. Comfortable is below {fig(COMFORTABLE_RAD_S2, ACCELERATION, 0)}."
        )
    return judge.check(
        "joint_excitation",
        key=f"{one.key}.even",
        title=f"{one.line.name}: the axle is driven evenly",
        demand=None if worst is None else worst[1],
        capacity=MOST_AT_DRIVEN_END_RAD_S2,
        unit=ACCELERATION,
        says=says,
        missing=_posed_missing(one),
        inputs=(f"{one.field}.tubes", f"{one.field}.pinion", f"{one.field}.box"),
        station=one.station,
        working=lambda: uneven_working(None if worst is None else worst[1], rpm),
    )


def _posed_missing(one: LineFound) -> tuple[str, ...]:
    return (
        *one.ends_missing,
        *one.twist_missing,
        *one.moves_missing,
        *one.standing_missing,
        *one.wind_missing,
        *_speed_missing(one),
    )


def _middle(one: LineFound, judge: Judge) -> Check:
    rpm, worst, says = _rpm(one), None, ""
    if one.posed and rpm is not None and not one.twist_missing:
        worst, where = 0.0, None
        for posed in one.posed:
            for words, whole in (("driving", posed.drives[:-1]), ("coasting", posed.coasts[1:])):
                values = whole * squared_speed(rpm)
                if len(values) and float(values.max()) > worst:
                    worst, where = float(values.max()), (posed, words, int(values.argmax()))
        says = f"{fig(worst, ACCELERATION, 0)}."
        if where is not None:
            posed, words, shaft = where
            rules = (
                rule_rad_s2(posed.chain, rpm) if words == "driving" else rule_rad_s2(posed.chain.reversed(), rpm)[::-1]
            )
            rule = float(rules[shaft if words == "driving" else shaft + 1])
            says = (
                f"{fig(worst, ACCELERATION, 0)}, shaft {shaft + 1} {words}, {posed.name}; by the rule of small angles "
                f"{fig(rule, ACCELERATION, 0)}."
            )
    return judge.check(
        "joint_excitation",
        key=f"{one.key}.middle",
        title=f"{one.line.name}: the shafts between turn evenly enough",
        demand=worst,
        capacity=MOST_IN_MIDDLE_RAD_S2,
        unit=ACCELERATION,
        says=says,
        missing=_posed_missing(one),
        inputs=(f"{one.field}.joints", f"{one.field}.pinion", f"{one.field}.box"),
        station=one.station,
        working=lambda: uneven_working(worst, rpm),
    )


def _runs(one: LineFound, j: int, judge: Judge) -> Check:
    """A cross where its axle stands: little enough for its speed, and enough for its needles to roll."""
    joint, rpm = one.line.joints[j], _rpm(one)
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
        missing=(*one.ends_missing, *one.standing_missing, *_speed_missing(one)),
        inputs=(f"{one.field}.joints.{j}",),
        station=one.station,
        working=lambda: joint_limit_working(limit, angle, where),
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
    lacking = [*one.ends_missing, *one.moves_missing, *one.travel_missing]
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
        working=lambda: angle_working(angle, "the worst of all heights and moves"),
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
        working=lambda: joint_torque_working(torque, rating, f"{one.field}.joints.{j}.rating"),
    )


def longest_mm(one: LineFound, j: int) -> float | None:
    """Return the longest that a shaft becomes."""
    return None if one.swept is None else float(one.swept.lengths_mm[:, j].max())


def _size_missing(one: LineFound, j: int, tube: Tube) -> tuple[str, ...]:
    words = f"{one.line.name}, shaft {j + 1}"
    known = {f"{words}: its diameter": positive_of(tube.outside), f"{words}: its wall": positive_of(tube.wall)}
    lacking = missing_of(known)
    return lacking or missing_of({f"{words}: a wall of half its diameter at the most": tube_inside_mm(tube)})


def critical_of(one: LineFound, j: int, tube: Tube) -> float | None:
    """Return the speed at which a shaft would whirl, drawn out as far as it goes."""
    longest = longest_mm(one, j)
    return None if longest is None else tube_critical_rpm(tube, longest)


def _whirl(one: LineFound, j: int, tube: Tube, judge: Judge) -> Check:
    critical, share = critical_of(one, j, tube), two_piece_share(one.line)
    return judge.check(
        "shaft_speed",
        key=f"{one.key}.t{j + 1}.whirl",
        title=f"{one.line.name}, shaft {j + 1}: turns well below its critical speed",
        demand=_rpm(one),
        capacity=None if critical is None else critical * share,
        unit="rpm",
        says="" if critical is None else f"Whirls at {fig(critical, 'rpm', 0)}, at its longest.",
        missing=(
            *joints_known(one),
            *_size_missing(one, j, tube),
            *one.travel_missing,
            *one.moves_missing,
            *_speed_missing(one),
        ),
        inputs=(f"{one.field}.tubes.{j}", "brief.wanted.top_speed"),
        station=one.station,
        working=lambda: whirl_working(
            longest_mm(one, j), positive_of(tube.outside), tube_inside_mm(tube), critical, share=share
        ),
    )


def joints_known(one: LineFound) -> tuple[str, ...]:
    """Return what keeps the joints' places from being known."""
    return () if one.swept is not None else one.ends_missing


def two_piece_share(line: PropLine) -> float:
    """Return what of a critical speed counts: a line of two pieces and more keeps farther off."""
    return 1.0 if len(line.tubes) < 2 else MOST_OF_CRITICAL_TWO_PIECE / MOST_OF_CRITICAL


def _half(one: LineFound, j: int, tube: Tube, judge: Judge) -> Check:
    critical, rpm = critical_of(one, j, tube), _rpm(one)
    meets = critical is not None and rpm is not None and critical / 2 <= rpm
    says = ""
    if critical is not None:
        says = f"{fig(critical / 2, 'rpm', 0)}: {'' if meets else 'not '}reached on the road."
        if meets:
            says = f"{says} Crosses push twice a turn, so it may hum there."
    lacking = (
        *joints_known(one),
        *_size_missing(one, j, tube),
        *one.travel_missing,
        *one.moves_missing,
        *_speed_missing(one),
    )
    has_cross = any(kind.kind in (JointKind.CROSS, None) for kind in one.line.joints)
    return judge.answer(
        is_so=None if lacking else True,
        has_catch=meets and has_cross,
        key=f"{one.key}.t{j + 1}.half",
        title=f"{one.line.name}, shaft {j + 1}: half its critical speed",
        says=says if not lacking else "",
        missing=lacking,
        inputs=(f"{one.field}.tubes.{j}",),
        station=one.station,
        working=fixed_working("Two pushes a turn meet a shaft's first bending at half its critical speed."),
    )


def _shear(one: LineFound, j: int, tube: Tube, needs: AxlesNeeds, judge: Judge) -> Check:
    outside, inside, words = positive_of(tube.outside), tube_inside_mm(tube), f"{one.line.name}, shaft {j + 1}"
    torque = None if one.load is None else one.load.design_nm
    stress = None
    if torque is not None and outside is not None and inside is not None:
        stress = bar_shear_mpa(torque, outside_mm=outside, inside_mm=inside)
    guide = guide_mpa(tube)
    lacking = [*_size_missing(one, j, tube), *load_missing("propshaft", one.line.name, one.load, needs)]
    if guide is None:
        lacking.append(f"{words}: what it is made of")
    return judge.check(
        "bar_shear",
        key=f"{one.key}.t{j + 1}.shear",
        title=f"{words}: its torsion",
        demand=stress,
        capacity=guide,
        unit="MPa",
        says="" if stress is None else f"{fig(stress, 'MPa', 0)} at {fig(torque, 'N·m', 0)}.",
        missing=tuple(lacking),
        inputs=(f"{one.field}.tubes.{j}",),
        station=one.station,
        working=lambda: tube_working(torque, outside, inside, stress, f"{one.field}.tubes.{j}"),
    )


def _slip(one: LineFound, judge: Judge) -> Check:
    words, tubes = one.line.name, one.line.tubes
    slipping = [j for j, tube in enumerate(tubes) if tube.slips]
    common = {
        "key": f"{one.key}.slip",
        "title": f"{words}: its slip joint reaches both ways",
        "inputs": (f"{one.field}.tubes",),
        "station": one.station,
    }
    plunging = any(joint.kind is JointKind.CV for joint in one.line.joints)
    if not slipping:
        known = bool(tubes) and not one.travel_missing
        return judge.answer(
            is_so=False if known and not plunging else None,
            says="Nothing of it takes up length: not one of its shafts has a slip joint."
            if known and not plunging
            else "",
            missing=() if known and not plunging else (*one.travel_missing, f"{words}: which shaft slips"),
            working=fixed_working("Axle and unit move against each other; something must take up the length."),
            **common,  # type: ignore[arg-type]
        )
    j = slipping[0]
    tube, slip = tubes[j], one.slips.get(j)
    travel, drawn = value_of(tube.slip), value_of(tube.drawn)
    lacking = [*joints_known(one), *one.moves_missing, *one.travel_missing]
    lacking += missing_of(
        {
            f"{words}, shaft {j + 1}: travel of its slip joint": travel,
            f"{words}, shaft {j + 1}: how far it is drawn out at ride height": drawn,
        }
    )
    demand = capacity = None
    says = ""
    if slip is not None:
        says = f"{fig(slip.in_mm, 'mm', 1)} in and {fig(slip.out_mm, 'mm', 1)} out from ride height"
        says = f"{says}, and {fig(END_ROOM_MM, 'mm', 0)} left at each end."
        pushed, pulled = slip.in_mm + END_ROOM_MM, slip.out_mm + END_ROOM_MM
        if drawn is not None and travel is not None and drawn <= travel:
            is_in = drawn / pushed <= (travel - drawn) / pulled
            demand, capacity = (pushed, drawn) if is_in else (pulled, travel - drawn)
            says = f"{says} It is tighter {'shut' if is_in else 'drawn out'}."
    return judge.check(
        "clearance",
        demand=demand,
        capacity=capacity,
        unit="mm",
        says=says,
        missing=tuple(lacking),
        working=lambda: slip_working(slip, demand, capacity),
        **common,  # type: ignore[arg-type]
    )


def _hoop(one: LineFound, judge: Judge) -> Check:
    has_hoop = one.line.has_hoop
    return judge.answer(
        is_so=None if has_hoop is None else True,
        has_catch=has_hoop is False,
        key=f"{one.key}.hoop",
        title=f"{one.line.name}: a loop catches it if its front joint breaks",
        says="" if has_hoop is None else "A loop is there." if has_hoop else NO_LOOP,
        missing=() if has_hoop is not None else (f"{one.line.name}: whether a loop stands round its front end",),
        inputs=(f"{one.field}.has_hoop",),
        working=fixed_working("A shaft that comes off in front lifts the vehicle over it."),
    )
