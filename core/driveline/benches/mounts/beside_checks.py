"""Whether a bracket keeps off what stands beside it, and lets the unit past on its way in."""

from collections.abc import Iterator
from typing import Final

from driveline.benches.mounts.ear_solids import ear_solid_missing
from driveline.benches.mounts.laid import LaidMount
from driveline.benches.mounts.landings import FIXING
from driveline.benches.mounts.needs import Around, MetOnTheWay, MountsNeeds, NearBracket
from driveline.benches.mounts.sheet import GoesOn, MountKind
from driveline.benches.mounts.solids import Solid, solid_of
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge
from driveline.sheet import positive_of
from driveline.working import Working, fixed_working, step, worked

FAR_MM: Final = 18.0  # off everything, where nothing was found within what is looked at
PAST_WELD_MM: Final = 15.0  # of its length, and half its section: what a scan shows of what it is welded to
MOST_SHARE: Final = 0.5
HOT_WORK: Final = (
    "Welded with the unit in its place: electronics off and away, all shielded from sparks, the earth clamp beside "
    "the weld and never through its bearings."
)


def _near(mount: LaidMount, around: Around | None) -> NearBracket | None:
    """What a bracket stands on and comes near; ``None`` while it, or what is around, is not known."""
    whole, off_root = solid_of(mount), _off_root(mount)
    if around is None or whole is None or off_root is None or mount.rail_mm is None or mount.at_mm is None:
        return None
    if mount.is_member:
        return around.beside(whole.body, off_root.body, roots_mm=(mount.rail_mm, mount.at_mm), tip_mm=None)
    return around.beside(whole.body, off_root.body, roots_mm=(mount.rail_mm,), tip_mm=mount.at_mm)


def _off_root(mount: LaidMount) -> Solid | None:
    return solid_of(mount, off_root_mm=_end_mm(mount), off_bolt_mm=_end_mm(mount) if mount.is_member else 0.0)


def _off_tip(mount: LaidMount) -> Solid | None:
    """All of it where it holds nothing of the unit by itself."""
    return solid_of(mount, off_bolt_mm=0.0 if mount.is_member else _end_mm(mount))


def _end_mm(mount: LaidMount) -> float:
    """Of its length at an end that is fixed to something, with half its section for the weld or mount."""
    arm = mount.arm.arm
    if arm is None:
        return 0.0
    left_mm = PAST_WELD_MM + max(arm.section.depth_mm, arm.section.breadth_mm) / 2
    return min(left_mm, MOST_SHARE * arm.length_mm)


def _outside_missing(mount: LaidMount, needs: MountsNeeds) -> tuple[str, ...]:
    """What keeps its outside, or what stands round it, from being known."""
    missing = (*mount.arm.missing, *(() if mount.at_mm is not None else mount.missing))
    if needs.around is None:
        missing = (*missing, "What stands round the unit, at Placement")
    if mount.sheet.bracket.beside is None:
        missing = (*missing, f"{mount.sheet.name}: how far the load passes beside its bracket's middle")
    return (*missing, *_plate_missing(mount), *ear_solid_missing(mount))


def _plate_missing(mount: LaidMount) -> tuple[str, ...]:
    """What keeps the plate at its root from being known, or that there is none."""
    landing, name = mount.sheet.bracket.landing, mount.sheet.name
    if landing.is_there is None:
        return (FIXING.format(name),)
    sizes = [positive_of(size) for size in (landing.breadth, landing.depth, landing.thickness)]
    is_known = not landing.is_there or None not in sizes
    return () if is_known else (f"{name}: breadth, depth and thickness of its landing plate",)


def beside_checks(mount: LaidMount, key: str, needs: MountsNeeds, judge: Judge) -> Iterator[Check]:
    """Return the checks of a mount's bracket; nothing of an arm, or of a mount bolted straight on."""
    if mount.sheet.kind is MountKind.ARM or mount.arm.is_none:
        return
    yield _clear(mount, key, needs, judge)
    yield _goes_on(mount, key, needs, judge)


def _goes_on(mount: LaidMount, key: str, needs: MountsNeeds, judge: Judge) -> Check:
    """Whether the unit passes it on the way in, or it goes on with the unit in its place."""
    name, bracket = mount.sheet.name, mount.sheet.bracket
    missing, is_so, says = list[str](), None, ""
    if bracket.goes_on is None:
        missing.append(f"{name}: whether its bracket goes on before the unit or after")
    elif bracket.goes_on is GoesOn.AFTER and bracket.landing.is_there is None:
        missing.append(FIXING.format(name))
    elif bracket.goes_on is GoesOn.AFTER:
        lacking = (*_outside_missing(mount, needs), *needs.unit.missing, *needs.around_missing)
        missing += lacking
        is_so = None if lacking else True
        says = "Bolted on with the unit in its place." if bracket.landing.is_there else HOT_WORK
    else:
        met, lacking = _met(mount, needs)
        missing += lacking
        if met is not None and not missing:
            is_so = met.step is None
            says = "The unit passes it on its way in."
            if met.step is not None:
                says = f"{met.part} meets it in move {met.step} of the way in: bolt it on after the unit."
    return judge.answer(
        is_so=is_so,
        has_catch=bracket.goes_on is GoesOn.AFTER and not bracket.landing.is_there,
        key=f"{key}.goes_on",
        title=f"{mount.bracket_title} and the unit can both be got in",
        says=says,
        missing=tuple(dict.fromkeys(missing)),
        inputs=(f"{mount.field}.bracket.goes_on", f"{mount.field}.bracket", "placement.way_in"),
        working=fixed_working(
            "Each move of the way in swept past the bracket's outside; its last stretch, to which the unit is bolted, "
            "is left out."
        ),
    )


def _met(mount: LaidMount, needs: MountsNeeds) -> tuple[MetOnTheWay | None, tuple[str, ...]]:
    missing, body = _outside_missing(mount, needs), _off_tip(mount)
    if missing or needs.around is None or body is None:
        return None, missing
    met = needs.around.met_by(body.body)
    return met, met.missing


def _clear(mount: LaidMount, key: str, needs: MountsNeeds, judge: Judge) -> Check:
    missing = (*_outside_missing(mount, needs), *needs.unit.missing, *needs.around_missing)
    near = _near(mount, needs.around)
    gap = None if near is None else FAR_MM if near.gap_mm is None else near.gap_mm
    return judge.check(
        "clearance",
        key=f"{key}.beside",
        title=f"{mount.bracket_title} clear of what is beside it",
        demand=None if near is None else near.wanted_mm,
        capacity=gap,
        unit="mm",
        says="" if near is None else _says(near),
        missing=tuple(dict.fromkeys(missing)),
        inputs=(f"{mount.field}.bracket", f"{mount.field}.rail", "placement.bodies"),
        working=lambda: _working(near, gap),
    )


def _says(near: NearBracket) -> str:
    on = f"It stands on {near.stands_on}." if near.stands_on else "Nothing that is entered stands where it is welded."
    if near.gap_mm is None:
        return f"Nothing else near it. {on}"
    at_rest = near.gap_mm + near.taken_mm
    how = "they overlap" if at_rest <= 0 else fig(at_rest, "mm", 1)
    moves = f", less {fig(near.taken_mm, 'mm', 0)} that the unit may move" if near.taken_mm else ""
    return f"To {near.other}: {how}{moves}; {fig(near.wanted_mm, 'mm', 0)} is wanted. {on}"


def _working(near: NearBracket | None, gap_mm: float | None) -> Working:
    source = "Least distance of its outside to every body but those it is fixed to, the unit's moved any way. "
    source += (
        "Of a scan what lies round its root is left out. Its ears are in it, with their bolt as thick as its washers "
    )
    source += "and its own diameter past them at either end; a cradle and the bolts of a landing are not."
    if near is None or gap_mm is None:
        return Working(source=source)
    taken = near.taken_mm
    apart = worked("g", gap_mm + taken, "mm", f"to {near.other}" if near.other else "nothing is nearer")
    give = worked("t", taken, "mm", "what the unit may move any way, at Placement" if taken else "neither moves")
    return Working(steps=(step("c", "g - t", apart, give, value=gap_mm, unit="mm", decimals=1),), source=source)
