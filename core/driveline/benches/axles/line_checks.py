"""Whether a line of propshafts runs evenly, finds its length, and is caught if it breaks."""

from collections.abc import Iterator
from typing import Final

from driveline.benches.axles.joint_checks import joint_checks
from driveline.benches.axles.life_checks import life_checks
from driveline.benches.axles.line_workings import slip_working, uneven_working
from driveline.benches.axles.lines import LineFound
from driveline.benches.axles.needs import AxlesNeeds
from driveline.benches.axles.posing import squared_speed
from driveline.benches.axles.sheet import JointKind
from driveline.benches.axles.tube_checks import tube_checks
from driveline.cardan.chains import rule_rad_s2
from driveline.cardan.lines import COMFORTABLE_RAD_S2, MOST_AT_DRIVEN_END_RAD_S2, MOST_IN_MIDDLE_RAD_S2
from driveline.cardan.slip import END_ROOM_MM
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.sheet import value_of
from driveline.working import fixed_working

ACCELERATION: Final = "rad/s²"
NO_LOOP: Final = "None is there: the shaft would dig into the road. Ask whoever passes the vehicle."


def line_checks(one: LineFound, needs: AxlesNeeds, judge: Judge) -> Iterator[Check]:
    """Return every check of a line of propshafts."""
    yield _even(one, judge)
    yield _middle(one, judge)
    yield from joint_checks(one, needs, judge)
    yield from tube_checks(one, needs, judge)
    yield from life_checks(one, needs, judge)
    yield _slip(one, judge)
    yield _hoop(one, judge)


def _even(one: LineFound, judge: Judge) -> Check:
    rpm, worst = one.rpm, one.worst_drive
    is_lone = sum(joint.kind in (JointKind.CROSS, None) for joint in one.line.joints) == 1  # none makes up for it
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
        capacity=COMFORTABLE_RAD_S2 if is_lone else MOST_AT_DRIVEN_END_RAD_S2,
        unit=ACCELERATION,
        says=says,
        missing=_posed_missing(one),
        inputs=(f"{one.field}.tubes", f"{one.field}.pinion", f"{one.field}.box"),
        station=one.station,
        working=lambda: uneven_working(None if worst is None else worst[1], one.worst_uneven, rpm),
    )


def _posed_missing(one: LineFound) -> tuple[str, ...]:
    return (
        *one.ends_missing,
        *one.twist_missing,
        *one.moves_missing,
        *one.standing_missing,
        *one.wind_missing,
        *one.speed_missing,
    )


def _middle(one: LineFound, judge: Judge) -> Check:
    rpm, worst, uneven, says = one.rpm, None, None, ""
    if one.posed and rpm is not None and not one.twist_missing:
        worst, uneven, where = 0.0, 0.0, None
        for posed, drives, coasts in zip(one.posed, one.drives, one.coasts, strict=True):
            for words, whole in (("driving", drives[:-1]), ("coasting", coasts[1:])):
                values = whole * squared_speed(rpm)
                if len(values) and float(values.max()) > worst:
                    worst, uneven = float(values.max()), float(whole.max())
                    where = (posed, words, int(values.argmax()))
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
        working=lambda: uneven_working(worst, uneven, rpm),
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
    lacking = [*one.joints_missing, *one.moves_missing, *one.travel_missing, *one.wind_missing]
    lacking += missing_of(
        {
            f"{words}, shaft {j + 1}: travel of its slip joint": travel,
            f"{words}, shaft {j + 1}: how far it is drawn out at ride height": drawn,
        }
    )
    demand = capacity = None
    is_in, says = True, ""
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
        working=lambda: slip_working(slip, demand, is_in=is_in),
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
