"""The checks of how far a screw goes in: far enough in the thread, and clear of what is behind."""

from driveline.checks import Check, Step, Working
from driveline.joints.screws import Place, Worked, room_behind_mm
from driveline.joints.sheet import Joint
from driveline.margins import Judge, missing_of, wanted_words
from driveline.metal.bolts import quick_engagement_mm, thread
from driveline.sheet import positive_of, value_of


def engagement_check(place: Place, worked: Worked | None, judge: Judge) -> Check:
    """Return the check of the turns of thread that hold, against those that outlast the screw (VDI 2230)."""
    missing: tuple[str, ...] = (f"{place.title}: which thread",)
    says, note = wanted_words(missing), ""
    steps: tuple[Step, ...] = ()
    if worked is not None:
        joint = worked.joint
        missing = missing_of(
            {
                "Property class": worked.strength,
                "What it is screwed into": worked.tapped_mpa,
                "Thickness of what is clamped": place.grip_mm,
                "Length of the screws": place.length_mm,
                "Thickness of the washer, 0 where there is none": value_of(joint.washer),
                "How deep the tapped holes have full thread: turns of a screw by hand × pitch": positive_of(
                    joint.thread_depth
                ),
                "Countersink of the tapped holes, 0 where there is none": value_of(joint.countersink),
            }
        )
        fits = f"; {' or '.join(f'{mm:g}' for mm in worked.result.stock_mm)} mm fits" if worked.result.stock_mm else ""
        says = wanted_words(missing)
        if worked.engaged_mm is not None and worked.needed is not None:
            in_thread = f"{worked.engaged_mm:.1f} mm in thread; {worked.needed.least_mm:.1f} needed{fits}"
            says = f"{in_thread}, at best. {says}" if missing else in_thread
        steps = _engagement_steps(worked)
        note = "; ".join(one.text for one in worked.result.assumed)
    return judge.check(
        "clearance",
        key=f"{judge.bench}.{place.name}_engagement",
        title=f"{place.title} far enough in",
        demand=worked.needed.least_mm if worked and worked.needed else None,
        capacity=worked.engaged_mm if worked else None,
        unit="mm",
        says=says,
        missing=missing,
        inputs=(place.fields.joint, place.fields.grip),
        working=Working(
            steps=steps,
            source="So that the screw breaks before the thread strips (Machinery's Handbook; limits 6H/6g, ISO 965-1).",
            note=note,
        ),
    )


def _engagement_steps(worked: Worked) -> tuple[Step, ...]:
    if not (worked.needed and worked.strength and worked.tapped_mpa):
        return ()
    quick = quick_engagement_mm(
        size=worked.size, bolt_tensile_mpa=worked.strength.tensile_mpa, tapped_tensile_mpa=worked.tapped_mpa
    )
    diameters = worked.needed.least_mm / worked.size.diameter_mm
    return (
        Step(formula="L_e, screw and hole alike", result=f"{worked.needed.same_strength_mm:.2f} mm"),
        Step(
            formula="J = A_s R_screw / (A_n R_tapped)",
            numbers=f"{worked.strength.tensile_mpa:g} on {worked.tapped_mpa:g} MPa",
            result=f"{worked.needed.strength_ratio:.2f}",
        ),
        Step(formula="L = L_e max(1, J)", result=f"{worked.needed.least_mm:.2f} mm"),
        Step(
            formula="in thread: reach − a pitch of point, no deeper than the thread, − countersink",
            result="" if worked.engaged_mm is None else f"{worked.engaged_mm:.2f} mm",
        ),
        Step(formula="in diameters; the thumb says 1 in steel, 1.5 to 2 in aluminium", result=f"{diameters:.2f} d"),
        Step(formula="quick form, which over-asks", result=f"{quick:.1f} mm"),
    )


def clear_check(place: Place, joint: Joint, judge: Judge) -> Check:
    """Return whether a joint's screws stop short of what is behind, and of a blind hole's last threads."""
    size = thread(joint.thread) if joint.thread else None
    room_mm = room_behind_mm(joint, place, size)
    blind: dict[str, object] = {}
    if joint.is_blind:
        blind = {
            f"Thread of the {place.name}'s screws": size,
            "How deep the tapped holes have full thread": positive_of(joint.thread_depth),
        }
    missing = missing_of(
        {
            f"Length of the {place.name}'s screws": place.length_mm,
            "Thickness of what is clamped": place.grip_mm,
            f"Depth behind the {place.name} face": place.depth_mm,
            f"Whether the {place.name}'s tapped holes go through or end": joint.is_blind is not None,
            **blind,
        }
    )
    reach = None
    if place.length_mm is not None and place.grip_mm is not None:  # without a washer it reaches deepest
        reach = place.length_mm - place.grip_mm - (value_of(joint.washer) or 0.0)
    says = wanted_words(missing)
    if missing == (f"Depth behind the {place.name} face",):
        says = f"Measure the depth behind the {place.name} face to finish this check."
    limit_mm = place.depth_mm if room_mm is None else room_mm
    if not missing and reach is not None and limit_mm is not None:
        end = "to the last threads that are full" if joint.is_blind else "to the first thing behind"
        says = f"reaches {reach:.1f} mm in; {limit_mm:.1f} {end}"
    return judge.check(
        "clearance",
        key=f"{judge.bench}.{place.clear_key}",
        title=f"{place.title} clear of what is behind",
        demand=max(reach, 0.0) if reach is not None else None,
        capacity=limit_mm,
        unit="mm",
        says=says,
        missing=missing,
        inputs=(place.fields.length, place.fields.depth, place.fields.grip),
        working=Working(
            steps=(
                Step(formula="screw − grip − washer", result="" if reach is None else f"{reach:.1f} mm"),
                Step(
                    formula="depth behind; in a blind hole no more than its full thread − 2 p",
                    result="" if limit_mm is None else f"{limit_mm:.1f} mm",
                ),
            ),
            source="A face is often tapped through, with a winding, fan or seal close behind: "
            "an over-long screw wrecks it. In a blind hole it jams on the last threads and clamps nothing.",
        ),
    )
