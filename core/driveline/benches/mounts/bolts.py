"""The bolts of landing plate, ears and strap as screwed joints, judged as any other."""

from dataclasses import replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.landings import LandingFound
from driveline.benches.mounts.loaded import Loaded
from driveline.joints.screws import JointFields, Place, Worked, worked_joint
from driveline.joints.sheet import Joint, Screwed
from driveline.metal.bolts import thread, thread_names
from driveline.sheet import positive_of, value_of

SAME_MM: Final = 0.05  # of a bolt as measured and the thread it has


def thread_of(diameter_mm: float | None) -> str | None:
    """Return the thread that a bolt of a diameter has, the coarse one of two; ``None`` where none is known here."""
    if diameter_mm is None:
        return None
    return next((one for one in thread_names() if abs(thread(one).diameter_mm - diameter_mm) < SAME_MM), None)


def landing_joint(one: Loaded) -> Joint:
    """Return the screws of a landing plate."""
    landing = one.mount.sheet.bracket.landing
    return _joint(landing.screws, thread=landing.thread, property_class=landing.property_class)


def landing_place(one: Loaded, found: LandingFound | None) -> Place:
    """Return where the screws of a landing plate are."""
    landing, name = one.mount.sheet.bracket.landing, one.mount.sheet.name
    clamped = (positive_of(landing.thickness), value_of(landing.goes_through))
    grip = None if None in clamped else sum(size or 0.0 for size in (*clamped, value_of(landing.shims)))
    hole = positive_of(landing.hole)
    return _place(
        one,
        name="landing",
        title=f"Bolts of {name}'s landing plate",
        at="bracket.landing",
        screws="bracket.landing.screws",
        xy_mm=np.zeros((0, 2)) if found is None else found.bolts_mm,
        hole_mm=hole,
        grip_mm=grip,
        sheet=landing.screws,
        gives=_weaker(one),
    )


def _weaker(one: Loaded) -> tuple[float, str]:
    """What lies under head and nut, or holds the thread, gives first of plate and vehicle, MPa, and whose field."""
    rail = one.mount.sheet.bracket.rail.yield_mpa or STEEL.yield_mpa
    at = f"{one.mount.field}.bracket"
    return (rail, f"{at}.rail.yield_mpa") if rail < one.yield_mpa else (one.yield_mpa, f"{at}.yield_mpa")


def landing_worked(one: Loaded, found: LandingFound | None) -> Worked | None:
    """Return the screws of a landing plate, worked out as far as they are known."""
    return worked_joint(landing_joint(one), landing_place(one, found))


def strap_joint(one: Loaded) -> Joint:
    """Return the bolts of a strap."""
    cradle = one.mount.sheet.cradle
    own = {"thread": cradle.thread, "property_class": cradle.property_class}
    return _joint(cradle.screws, **own, condition=cradle.condition, tightening=cradle.tightening)


def strap_place(one: Loaded) -> Place:
    """Return where the bolts of a strap are: one at each foot."""
    cradle, name = one.mount.sheet.cradle, one.mount.sheet.name
    clamped = (positive_of(cradle.thickness), value_of(cradle.clamps))
    off = (positive_of(cradle.cylinder) or 0.0) / 2 + (positive_of(cradle.foot) or 0.0)
    size = thread(cradle.thread) if cradle.thread else None
    return _place(
        one,
        name="strap",
        title=f"Bolts of the strap over {name}",
        at="cradle",
        screws="cradle.screws",
        xy_mm=np.array([[-off, 0.0], [off, 0.0]]),
        hole_mm=None if size is None else size.clearance_mm or size.diameter_mm,
        grip_mm=None if None in clamped else sum(one or 0.0 for one in clamped),
        sheet=cradle.screws,
    )


def ear_joint(one: Loaded) -> Joint:
    """Return the bolt through two ears."""
    ears = one.mount.sheet.ears
    return _joint(ears.screw, thread=thread_of(positive_of(ears.bolt)), property_class=ears.bolt_class)


def ear_place(one: Loaded) -> Place:
    """Return where the bolt through two ears is: it clamps both, and the tube between them."""
    ears, tube, name = one.mount.sheet.ears, one.mount.sheet.tube, one.mount.sheet.name
    thick, gap = positive_of(ears.thickness), positive_of(tube.gap)
    return _place(
        one,
        name="ear",
        title=f"Bolt through the ears of {name}",
        at="ears",
        screws="ears.screw",
        xy_mm=np.zeros((1, 2)),
        hole_mm=positive_of(ears.hole),
        grip_mm=None if thick is None or gap is None else 2 * thick + gap,
        sheet=ears.screw,
    )


def ear_worked(one: Loaded) -> Worked | None:
    """Return the bolt through two ears, worked out as far as it is known."""
    return worked_joint(ear_joint(one), ear_place(one))


def _joint(screws: Screwed, **own: object) -> Joint:
    return Joint.model_construct(**{name: getattr(screws, name) for name in type(screws).model_fields} | own)


def _place(
    one: Loaded,
    *,
    name: str,
    title: str,
    at: str,
    screws: str,
    xy_mm: Floats,
    hole_mm: float | None,
    grip_mm: float | None,
    sheet: Screwed,
    gives: tuple[float, str] | None = None,
) -> Place:
    yield_mpa, made_of = gives or (one.yield_mpa, f"{one.mount.field}.bracket.yield_mpa")
    field, joint = f"{one.mount.field}.{at}", f"{one.mount.field}.{screws}"
    return Place(
        name=f"{one.key.partition('.')[2]}.{name}",
        title=title,
        clear_key=f"{one.key.partition('.')[2]}.{name}_clear",
        fields=JointFields(
            joint=joint,
            length=f"{joint}.length",
            depth=f"{joint}.depth_behind",
            grip=field,
            made_of=made_of,
            load=(field,),
            torque=(field,),
        ),
        xy_mm=xy_mm,
        holes=() if hole_mm is None else tuple((f"B{k + 1}", hole_mm) for k in range(len(xy_mm))),
        grip_mm=grip_mm,
        length_mm=positive_of(sheet.length),
        depth_mm=value_of(sheet.depth_behind),
        lever_mm=0.0,
        heel_mm=None,
        hangs=False,
        material=replace(STEEL, yield_mpa=yield_mpa),
        is_whole=bool(len(xy_mm)),
    )
