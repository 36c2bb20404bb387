"""The checks of how far a screw goes in: far enough in the thread, and clear of what is behind."""

from driveline.checks import Check
from driveline.figures import fig, num
from driveline.joints.depth_workings import clear_working, engagement_working
from driveline.joints.screws import Place, Worked, room_behind_mm
from driveline.joints.sheet import Joint, Tapped
from driveline.margins import Judge, missing_of, wanted_words
from driveline.metal.bolts import thread
from driveline.sheet import positive_of, value_of


def engagement_check(place: Place, worked: Worked | None, judge: Judge) -> Check:
    """Return the check of the turns of thread that hold, against those that outlast the screw (VDI 2230)."""
    missing: tuple[str, ...] = (f"{place.title}: which thread",)
    says, note, wanted_mm = wanted_words(missing), "", worked.wanted_mm if worked else None
    if worked is not None:
        missing = engagement_missing(place, worked)
        stock = " or ".join(fig(mm, "mm") for mm in worked.result.stock_mm)
        fits = f"; {stock} fits" if stock else ""
        says = wanted_words(missing)
        if worked.engaged_mm is not None and wanted_mm is not None:
            where = "past the face, through its nut" if worked.joint.tapped is Tapped.NUT else "in thread"
            in_thread = f"{fig(worked.engaged_mm, 'mm', 1)} {where}; {num(wanted_mm, 'mm', 1)} needed{fits}"
            says = f"{in_thread}, at best. {says}" if missing else in_thread
        note = "; ".join(one.text for one in worked.result.assumed)
    return judge.check(
        "clearance",
        key=f"{judge.bench}.{place.name}_engagement",
        title=f"{place.title} far enough in",
        demand=wanted_mm,
        capacity=worked.engaged_mm if worked else None,
        unit="mm",
        says=says,
        missing=missing,
        inputs=(place.fields.joint, place.fields.grip),
        working=lambda: engagement_working(place, worked, note),
    )


def engagement_missing(place: Place, worked: Worked) -> tuple[str, ...]:
    """Return what keeps it from being known how much of a screw's thread bears."""
    joint = worked.joint
    known: dict[str, object] = {
        "Property class": worked.strength,
        "What it is screwed into": joint.tapped or worked.tapped_mpa,
        "Thickness of what is clamped": place.grip_mm,
        "Length of the screws": place.length_mm,
        "Thickness of the washer, 0 where there is none": value_of(joint.washer),
    }
    if joint.tapped is not Tapped.NUT:
        depth = "How deep the tapped holes have full thread: turns of a screw by hand × pitch"
        known[depth] = positive_of(joint.thread_depth)
        known["Countersink of the tapped holes, 0 where there is none"] = value_of(joint.countersink)
    return missing_of(known)


def clear_check(place: Place, joint: Joint, judge: Judge) -> Check:
    """Return whether a joint's screws stop short of what is behind, and of a blind hole's last threads."""
    size = thread(joint.thread) if joint.thread else None
    room_mm = room_behind_mm(joint, place, size)
    blind: dict[str, object] = {}
    is_blind = bool(joint.is_blind) and joint.tapped is not Tapped.NUT
    if is_blind:
        blind = {
            f"Thread of {place.whose}": size,
            "How deep the tapped holes have full thread": positive_of(joint.thread_depth),
        }
    missing = missing_of(
        {
            f"Length of {place.whose}": place.length_mm,
            "Thickness of what is clamped": place.grip_mm,
            place.behind: place.depth_mm,
            f"Whether the tapped holes of {place.whose} go through or end": joint.is_blind is not None
            or joint.tapped is Tapped.NUT,
            **blind,
        }
    )
    reach = None
    if place.length_mm is not None and place.grip_mm is not None:  # without a washer it reaches deepest
        reach = place.length_mm - place.grip_mm - (value_of(joint.washer) or 0.0)
    says = wanted_words(missing)
    if missing == (place.behind,):
        says = f"Measure the {place.behind[0].lower()}{place.behind[1:]} to finish this check."
    limit_mm = place.depth_mm if room_mm is None else room_mm
    if not missing and reach is not None and limit_mm is not None:
        end = "to the last threads that are full" if is_blind else "to the first thing behind"
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
