"""Whether a mount's ears land on the end of its arm."""

from dataclasses import dataclass
from typing import Final

from driveline.benches.mounts.holding_sheet import EarsStand
from driveline.benches.mounts.laid import has_ears
from driveline.benches.mounts.loaded import Loaded, field_inputs
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.sheet import positive_of
from driveline.working import Working, entered, step

PAIR: Final = 2
LANDS: Final = (
    "Over both ears along the bolt, and an ear's width at its foot square to it, against the face that they stand on."
)


def ears_land_checks(one: Loaded, judge: Judge) -> tuple[Check, ...]:
    """Return whether a mount's ears land on its arm; nothing of an arm without ears, or whose plate is on standoffs."""
    return (_lands(one, judge),) if has_ears(one.mount.sheet) else ()


@dataclass(frozen=True, slots=True, kw_only=True)
class _Stand:
    """What of a pair of ears takes most of the face that it stands on."""

    is_over: bool  # both and their gap; else one ear's foot
    needs_mm: float
    face_mm: float


def _tightest(one: Loaded) -> _Stand | None:
    sheet, arm, axis = one.mount.sheet, one.mount.arm.arm, one.bolt_axis
    ears = sheet.ears
    thick, root, gap = positive_of(ears.thickness), positive_of(ears.root), positive_of(sheet.tube.gap)
    if arm is None or axis is None or thick is None or root is None or ears.count is None or ears.stands is None:
        return None
    if ears.count == PAIR and gap is None:
        return None
    over = ears.count * thick + (ears.count - 1) * (gap or 0.0)
    foot = max(root, thick)
    along, across, upright = (abs(float(part)) for part in arm.turn.T @ axis)
    breadth, depth = arm.section.breadth_mm, arm.section.depth_mm
    if ears.stands is EarsStand.END:
        faces = (breadth, depth) if across >= upright else (depth, breadth)
        pairs = [(True, over, faces[0]), (False, foot, faces[1])]
    else:  # on a side of it there is the arm's whole length one way
        pairs = [(True, over, breadth)] if across >= along else [(False, foot, breadth)]
    is_over, needs, face = min(pairs, key=lambda pair: pair[2] / pair[1])
    return _Stand(is_over=is_over, needs_mm=needs, face_mm=face)


def _missing(one: Loaded) -> tuple[str, ...]:
    sheet, ears, name = one.mount.sheet, one.mount.sheet.ears, one.mount.sheet.name
    return missing_of(
        {
            f"{name}: how many ears take its bolt": ears.count,
            f"{name}: the thickness of its ears": positive_of(ears.thickness),
            f"{name}: the width of its ears at the foot": positive_of(ears.root),
            f"{name}: where on its bracket its ears stand": ears.stands,
            f"{name}: its bracket": one.mount.arm.arm,
            f"{name}: the gap between its ears, welded": ears.count == 1 or positive_of(sheet.tube.gap) is not None,
        }
    )


def _lands(one: Loaded, judge: Judge) -> Check:
    name, found = one.mount.sheet.name, _tightest(one)
    says = ""
    if found is not None:
        says = f"They take {fig(found.needs_mm, 'mm', 1)} of a face of {fig(found.face_mm, 'mm', 1)}."
        says += "" if found.needs_mm <= found.face_mm else " Plate its end over, or make them narrower."
    return judge.check(
        "clearance",
        key=f"{one.key}.ears_land",
        title=f"Ears of {name} land on its bracket",
        demand=None if found is None else found.needs_mm,
        capacity=None if found is None else found.face_mm,
        unit="mm",
        says=says,
        missing=_missing(one),
        inputs=field_inputs(one, "ears", "tube.gap", "bracket"),
        working=lambda: _working(one, found),
    )


def _working(one: Loaded, found: _Stand | None) -> Working:
    if found is None:
        return Working(source=LANDS)
    sheet, field = one.mount.sheet, one.mount.field
    t = entered("t", positive_of(sheet.ears.thickness) or 0.0, "mm", f"{field}.ears.thickness")
    if found.is_over:
        n = entered("n", float(sheet.ears.count or PAIR), "", f"{field}.ears.count")
        g = entered("g", positive_of(sheet.tube.gap) or 0.0, "mm", f"{field}.tube.gap")
        takes = step("b", "n * t + (n - 1) * g", n, t, g, value=found.needs_mm, unit="mm", decimals=1)
    else:
        r = entered("r", positive_of(sheet.ears.root) or 0.0, "mm", f"{field}.ears.root")
        takes = step("b", "max(r, t)", r, t, value=found.needs_mm, unit="mm", decimals=1)
    return Working(steps=(takes,), source=LANDS)
