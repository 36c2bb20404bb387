"""Workings of how far a screw goes in."""

from driveline.joints.preload_sums import (
    diameter_of,
    pitch_of,
    stress_area_step,
)
from driveline.joints.screws import (
    NUT_PER_DIAMETER,
    POINT_PITCHES,
    SHORT_OF_BLIND_PITCHES,
    Place,
    Worked,
    through_nut_mm,
)
from driveline.joints.sheet import Joint, Tapped
from driveline.metal.bolts import (
    Thread,
    quick_engagement_mm,
    sheared_mm2_per_mm,
    thread_limits,
)
from driveline.sheet import positive_of, value_of
from driveline.working import Given, Step, Working, entered, step, tabled, worked


def engagement_working(place: Place, worked_on: Worked | None, note: str) -> Working:
    """Return the turns of thread that hold, and those that outlast the screw."""
    if worked_on is not None and worked_on.joint.tapped is Tapped.NUT:
        return _nut_working(place, worked_on)
    return Working(
        steps=() if worked_on is None else (*_needed_steps(worked_on), *engaged_steps(place, worked_on)),
        source="So that the screw breaks before the thread strips (Machinery's Handbook; limits 6H/6g, ISO 965-1).",
        note=note,
    )


def _nut_working(place: Place, worked_on: Worked) -> Working:
    size = worked_on.size
    through = step(
        "L_nut",
        "m * d + k_point * p",
        tabled("m", NUT_PER_DIAMETER, "", "ISO 4032: greatest height of a nut, in diameters"),
        diameter_of(size),
        tabled("k_point", POINT_PITCHES, "", "pitches of the screw's point do not bear"),
        pitch_of(size),
        value=through_nut_mm(size),
        unit="mm",
        decimals=2,
    )
    known = place.length_mm is not None and place.grip_mm is not None
    steps = (through, reach_step(place, worked_on.joint, clipped=True)) if known else (through,)
    return Working(steps=steps, source="ISO 898-2: a nut of the screw's class outlasts it, once the screw is through.")


def _needed_steps(worked_on: Worked) -> tuple[Step, ...]:
    needed, strength, tapped_mpa, size = (
        worked_on.needed,
        worked_on.strength,
        worked_on.tapped_mpa,
        worked_on.size,
    )
    if not (needed and strength and tapped_mpa):
        return ()
    area, p = stress_area_step(size), pitch_of(size)
    screw, hole = sheared_steps(size)
    same = step("L_e", "2 * A_s / a_screw", area, screw, value=needed.same_strength_mm, unit="mm", decimals=2)
    tapped = worked("R_hole", tapped_mpa, "MPa", f"{worked_on.place.fields.joint}.tapped_mpa")
    of = tabled("R_screw", strength.tensile_mpa, "MPa", f"tensile of {strength.name}")
    ratio = step(
        "J", "a_screw * R_screw / (a_hole * R_hole)", screw, of, hole, tapped, value=needed.strength_ratio, decimals=2
    )
    least = step("L", "L_e * max(1, J)", same, ratio, value=needed.least_mm, unit="mm", decimals=2, words="needed")
    thumb = step(
        "k",
        "L / d",
        least,
        diameter_of(size),
        value=needed.least_mm / size.diameter_mm,
        decimals=2,
        words="in diameters; the thumb says 1 in steel, 1.5 to 2 in aluminium",
    )
    quick = step(
        "L_quick",
        "2 * A_s / (pi / 2 * (d - 0.64952 * p)) * max(1, R_screw / R_hole)",
        area,
        diameter_of(size),
        p,
        of,
        tapped,
        value=quick_engagement_mm(size=size, bolt_tensile_mpa=strength.tensile_mpa, tapped_tensile_mpa=tapped_mpa),
        unit="mm",
        decimals=1,
        words="quick form, which over-asks",
    )
    return area, screw, hole, same, ratio, least, thumb, quick


def sheared_steps(size: Thread) -> tuple[Step, Step]:
    """What is sheared in the screw's thread and in the hole's, for each mm of length."""
    limits, p, iso = thread_limits(size), pitch_of(size), "ISO 965-1, 6H on 6g"
    minor = tabled("K_n", limits.minor_internal_max_mm, "mm", iso)
    major = tabled("D_s", limits.major_external_min_mm, "mm", iso)
    outer = tabled("E_s", limits.pitch_external_min_mm, "mm", iso)
    inner = tabled("E_n", limits.pitch_internal_max_mm, "mm", iso)
    of_screw, of_hole = sheared_mm2_per_mm(size, limits)
    return (
        step(
            "a_screw",
            "pi * K_n / p * (p / 2 + 0.57735 * (E_s - K_n))",
            minor,
            p,
            outer,
            value=of_screw,
            unit="mm",
            decimals=2,
            words="sheared in the screw's thread, in area for its length",
        ),
        step(
            "a_hole",
            "pi * D_s / p * (p / 2 + 0.57735 * (D_s - E_n))",
            major,
            p,
            inner,
            value=of_hole,
            unit="mm",
            decimals=2,
            words="sheared in the hole's thread, in area for its length",
        ),
    )


def engaged_steps(place: Place, worked_on: Worked) -> tuple[Step, ...]:
    """Return how much of a screw stands in full thread; empty while that is not known."""
    if worked_on.engaged_mm is None or place.length_mm is None or place.grip_mm is None:
        return ()
    joint, size, field = worked_on.joint, worked_on.size, place.fields.joint
    reach = reach_step(place, joint, clipped=False)
    depth_mm = positive_of(joint.thread_depth)
    p = pitch_of(size)
    sunk = entered("c", value_of(joint.countersink) or 0.0, "mm", f"{field}.countersink")
    point = tabled("k_point", POINT_PITCHES, "", "pitches of the screw's point do not bear")
    within: tuple[Given, ...] = ()
    inside = "x - k_point * p"
    if depth_mm is not None:
        within = (entered("t", depth_mm, "mm", f"{field}.thread_depth"),)
        inside = f"min({inside}, t)"
    engaged = step(
        "L_in",
        f"max({inside} - c, 0)",
        reach,
        point,
        p,
        *within,
        sunk,
        value=worked_on.engaged_mm,
        unit="mm",
        decimals=2,
        words="in full thread",
    )
    return reach, engaged


def reach_step(place: Place, joint: Joint, *, clipped: bool) -> Step:
    """Return how far a screw reaches past the face; what it clamps and its length are known."""
    long_mm, grip_mm = place.length_mm or 0.0, place.grip_mm or 0.0
    washer_mm = value_of(joint.washer) or 0.0
    reach_mm = long_mm - grip_mm - washer_mm
    return step(
        "x",
        "max(l - t_grip - w, 0)" if clipped else "l - t_grip - w",
        entered("l", long_mm, "mm", place.fields.length),
        worked("t_grip", grip_mm, "mm", place.fields.grip),
        entered("w", washer_mm, "mm", f"{place.fields.joint}.washer"),
        value=max(reach_mm, 0.0) if clipped else reach_mm,
        unit="mm",
        decimals=2,
        words="past the face",
    )


def clear_working(place: Place, joint: Joint, size: Thread | None, limit_mm: float | None) -> Working:
    """Return how far a screw reaches, and how far it may."""
    steps: list[Step] = []
    if limit_mm is not None and place.depth_mm is not None:
        depth = entered("z", place.depth_mm, "mm", place.fields.depth)
        thread_mm = positive_of(joint.thread_depth)
        is_blind = joint.is_blind and joint.tapped is not Tapped.NUT
        if is_blind and thread_mm is not None and size is not None:
            full = entered("t", thread_mm, "mm", f"{place.fields.joint}.thread_depth")
            short = tabled("k_short", SHORT_OF_BLIND_PITCHES, "", "pitches kept free in a blind hole")
            steps.append(
                step(
                    "room",
                    "min(z, t - k_short * p)",
                    depth,
                    full,
                    short,
                    pitch_of(size),
                    value=limit_mm,
                    unit="mm",
                    decimals=2,
                )
            )
        else:
            steps.append(step("room", "z", depth, value=limit_mm, unit="mm", decimals=2))
    if place.length_mm is not None and place.grip_mm is not None:
        steps.append(reach_step(place, joint, clipped=True))
    return Working(
        steps=tuple(steps),
        source="A face is often tapped through, with a winding, fan or seal close behind: "
        "an over-long screw wrecks it. In a blind hole it jams on the last threads and clamps nothing.",
    )
