"""The checks of how far a screw goes in: far enough in the thread, and clear of what is behind."""

from driveline.checks import Check
from driveline.figures import fig, num
from driveline.joints.depth_workings import clear_working, engagement_working
from driveline.joints.screws import Place, Worked, room_behind_mm
from driveline.joints.sheet import Joint
from driveline.margins import Judge, missing_of, wanted_words
from driveline.metal.bolts import thread
from driveline.sheet import positive_of, value_of


def engagement_check(place: Place, worked: Worked | None, judge: Judge) -> Check:
    """Return the check of the turns of thread that hold, against those that outlast the screw (VDI 2230)."""
    missing: tuple[str, ...] = (f"{place.title}: which thread",)
    says, note = wanted_words(missing), ""
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
        stock = " or ".join(fig(mm, "mm") for mm in worked.result.stock_mm)
        fits = f"; {stock} fits" if stock else ""
        says = wanted_words(missing)
        if worked.engaged_mm is not None and worked.needed is not None:
            in_thread = (
                f"{fig(worked.engaged_mm, 'mm', 1)} in thread; {num(worked.needed.least_mm, 'mm', 1)} needed{fits}"
            )
            says = f"{in_thread}, at best. {says}" if missing else in_thread
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
        working=lambda: engagement_working(place, worked, note),
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
        says = f"reaches {fig(reach, 'mm', 1)} in; {num(limit_mm, 'mm', 1)} {end}"
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
        working=lambda: clear_working(place, joint, size, limit_mm),
    )
