"""Whether a cradle and its strap hold the unit: strap, feet, bolts, plates; that it neither lifts out nor slides."""

from collections.abc import Callable, Iterator
from typing import Final

from driveline.benches.mounts.bolts import strap_joint, strap_place
from driveline.benches.mounts.cradles import (
    PLATES,
    Bolted,
    CaseLoad,
    TorqueWindow,
    bolted,
    bolts_missing,
    leg_of,
    loads_on,
    plates_missing,
    strap_of,
    torque_window,
)
from driveline.benches.mounts.holding_sheet import Grip
from driveline.benches.mounts.loaded import Loaded, field_inputs
from driveline.benches.mounts.sheet import MountKind
from driveline.checks import Check
from driveline.figures import fig
from driveline.joints.pulled import pulled_checks
from driveline.joints.screws import Loads, Pull
from driveline.margins import Judge, MarginKind
from driveline.metal.bolts import SCATTER
from driveline.metal.straps import LEGS, Strap, foot_mpa, grips_n, pulled_mpa, unseats_n
from driveline.sheet import positive_of
from driveline.working import Given, MakeWorking, Step, Working, entered, step, tabled, worked

LEG: Final = (
    "Preload and a quarter more, and half of what lifts or pushes aside, in one leg of the strap; a foot is a "
    "cantilever from its bolt."
)
SEAT: Final = "It rolls over the cradle's edge once side over down passes tan of half the angle it is embraced by."
Worst = tuple[Strap, Bolted, CaseLoad]


def cradle_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the checks of a cradle and strap; none of a mount that grips otherwise."""
    if one.mount.sheet.kind is MountKind.ARM or one.mount.sheet.grip is not Grip.STRAP:
        return
    yield _strap(one, judge)
    yield _feet(one, judge)
    yield from _bolts(one, judge)
    yield _seated(one, judge)
    yield _slides(one, judge)
    yield _plates(one, judge)


def _worst(one: Loaded, value: Callable[[Strap, Bolted, CaseLoad], float]) -> Worst | None:
    """The case in which something is greatest."""
    strap, bolts, loads = strap_of(one.mount.sheet.cradle, "")[0], bolted(one.mount.sheet.cradle), loads_on(one)
    if strap is None or bolts is None or not loads:
        return None
    return strap, bolts, max(loads, key=lambda load: value(strap, bolts, load))


def _missing(one: Loaded) -> tuple[str, ...]:
    cradle, name = one.mount.sheet.cradle, one.mount.sheet.name
    return (*one.missing, *strap_of(cradle, name)[1], *bolts_missing(cradle, name))


def _leg_step(one: Loaded, worst: Worst) -> Step:
    _, bolts, load = worst
    return step(
        "F",
        "(1 + q) * P + (U + S) / n",
        tabled("q", SCATTER, "", "scatter of tightening"),
        worked("P", bolts.mean_n, "N", "preload by its torque"),
        worked("U", load.up_n, "N", f"up, {one.names[load.row]}"),
        worked("S", load.side_n, "N", "aside"),
        tabled("n", LEGS, "", "legs"),
        value=leg_of(bolts, load),
        unit="N",
    )


def _window_words(window: TorqueWindow | None) -> str:
    if window is None:
        return ""
    least, most = fig(window.least_nm, "N·m", 0), fig(window.most_nm, "N·m", 0)
    if window.least_nm > window.most_nm:
        return f"No torque does: {least} holds the unit, {most} is all that the strap bears."
    return f"Between {least} and {most} hold it and spare the strap."


def _judged(
    one: Loaded,
    judge: Judge,
    kind: MarginKind,
    part: str,
    title: str,
    *,
    demand: float | None,
    capacity: float | None,
    unit: str,
    says: str,
    working: MakeWorking,
) -> Check:
    """A check that hangs on strap, bolts and loads alike."""
    return judge.check(
        kind,
        key=f"{one.key}.{part}",
        title=f"{title} {one.mount.sheet.name}",
        demand=demand,
        capacity=capacity,
        unit=unit,
        says=says,
        missing=_missing(one),
        inputs=field_inputs(one, "cradle"),
        working=working,
    )


def _on_leg(one: Loaded, worst: Worst | None, stress: float | None, expression: str, *given: Given) -> Working:
    """The working of a stress that a leg's pull makes."""
    if worst is None or stress is None:
        return Working(source=LEG)
    leg = _leg_step(one, worst)
    return Working(steps=(leg, step("σ", expression, leg, *given, value=stress, unit="MPa", decimals=1)), source=LEG)


def _sizes(one: Loaded, strap: Strap, *names: str) -> tuple[Given, ...]:
    sizes = {
        "foot": ("a", strap.foot_mm),
        "breadth": ("b", strap.breadth_mm),
        "thickness": ("t", strap.thickness_mm),
    }
    return tuple(entered(*sizes[name], "mm", f"{one.mount.field}.cradle.{name}") for name in names)


def _strap(one: Loaded, judge: Judge) -> Check:
    worst = _worst(one, lambda strap, bolts, load: pulled_mpa(strap, leg_of(bolts, load)))
    stress = None if worst is None else pulled_mpa(worst[0], leg_of(*worst[1:]))
    given = () if worst is None else _sizes(one, worst[0], "breadth", "thickness")
    return _judged(
        one,
        judge,
        "bracket_yield",
        "strap",
        "Strap over",
        demand=stress,
        capacity=one.yield_mpa,
        unit="MPa",
        says="" if worst is None else f"{fig(leg_of(*worst[1:]), 'N', 0)} in a leg, in {one.names[worst[2].row]}.",
        working=lambda: _on_leg(one, worst, stress, "F / (b * t)", *given),
    )


def _feet(one: Loaded, judge: Judge) -> Check:
    """Each a cantilever from its bolt."""
    worst = _worst(one, lambda strap, bolts, load: foot_mpa(strap, leg_of(bolts, load)))
    stress = None if worst is None else foot_mpa(worst[0], leg_of(*worst[1:]))
    given = () if worst is None else _sizes(one, worst[0], "foot", "breadth", "thickness")
    window = _window_words(torque_window(one, judge.margins))
    return _judged(
        one,
        judge,
        "bracket_yield",
        "strap_feet",
        "Feet of the strap over",
        demand=stress,
        capacity=one.yield_mpa,
        unit="MPa",
        says=" ".join(("" if stress is None else f"{fig(stress, 'MPa', 0)} beside the upright.", window)).strip(),
        working=lambda: _on_leg(one, worst, stress, "6 * F * a / (b * t**2)", *given),
    )


def _bolts(one: Loaded, judge: Judge) -> tuple[Check, ...]:
    """As any other screws: on its preload comes half of what lifts or pushes aside."""
    loads = Loads(
        motor_kg=None,
        torque_nm=None,
        missing=_missing(one),
        pulls=tuple(
            Pull(words=one.names[load.row], tension_n=(load.up_n + load.side_n) / LEGS, shear_n=None)
            for load in loads_on(one)
        ),
    )
    return pulled_checks(strap_joint(one), strap_place(one), loads, judge, slips=False)


def _seated(one: Loaded, judge: Judge) -> Check:
    worst = _worst(one, lambda strap, _bolts, load: unseats_n(strap, up_n=load.up_n, side_n=load.side_n))
    demand = None if worst is None else unseats_n(worst[0], up_n=worst[2].up_n, side_n=worst[2].side_n)
    capacity = None if worst is None else LEGS * worst[1].least_n

    def working() -> Working:
        if worst is None or demand is None or capacity is None:
            return Working(source=SEAT)
        strap, bolts, load = worst
        lifts = step(
            "L",
            "U + S / tan(h)",
            worked("U", load.up_n, "N", f"up, {one.names[load.row]}"),
            worked("S", load.side_n, "N", "aside"),
            worked("h", strap.half_deg, "°", "half of the cradle's angle"),
            value=demand,
            unit="N",
        )
        scatter, legs = tabled("q", SCATTER, "", "scatter of tightening"), tabled("n", LEGS, "", "legs")
        mean = worked("P", bolts.mean_n, "N", "preload by its torque")
        held = step("H", "n * (1 - q) * P", legs, scatter, mean, value=capacity, unit="N")
        return Working(steps=(lifts, held), source=SEAT)

    return _judged(
        one,
        judge,
        "friction_joint",
        "seated",
        "Unit stays in the cradle of",
        demand=demand,
        capacity=capacity,
        unit="N",
        says="" if worst is None else f"It would lift out in {one.names[worst[2].row]} first.",
        working=working,
    )


def _slides(one: Loaded, judge: Judge) -> Check:
    """The case that is worst is where least is left of what grips it."""

    def used(strap: Strap, bolts: Bolted, load: CaseLoad) -> float:
        grip = grips_n(strap, preload_n=bolts.least_n, up_n=load.up_n)
        return load.along_n / grip if grip > 0 else float("inf")

    worst = _worst(one, used)
    capacity = None if worst is None else grips_n(worst[0], preload_n=worst[1].least_n, up_n=worst[2].up_n)
    source = "Coulomb: strap and cradle press on it with both bolts' least preload each, less what lifts it."

    def working() -> Working:
        if worst is None or capacity is None:
            return Working(source=source)
        strap, bolts, load = worst
        given = (
            entered("m", strap.friction, "", f"{one.mount.field}.cradle.friction"),
            tabled("n", 2 * LEGS, "", "two bolts, above and below"),
            tabled("q", SCATTER, "", "scatter of tightening"),
            worked("P", bolts.mean_n, "N", "preload by its torque"),
            worked("U", load.up_n, "N", f"up, {one.names[load.row]}"),
        )
        last = step("H", "max(m * (n * (1 - q) * P - U), 0)", *given, value=capacity, unit="N")
        return Working(steps=(last,), source=source)

    return _judged(
        one,
        judge,
        "friction_joint",
        "slides",
        "Unit does not slide along the cradle of",
        demand=None if worst is None else worst[2].along_n,
        capacity=capacity,
        unit="N",
        says="" if worst is None else f"Pushed along itself in {one.names[worst[2].row]}.",
        working=working,
    )


def _plates(one: Loaded, judge: Judge) -> Check:
    cradle, bolts, loads = one.mount.sheet.cradle, bolted(one.mount.sheet.cradle), loads_on(one)
    plate, width, height = (positive_of(size) for size in (cradle.plate, cradle.width, cradle.height))
    source = "Each of two plates a cantilever from its foot, pressed by both bolts' greatest preload and the weight."
    missing = (*one.missing, *bolts_missing(cradle, one.mount.sheet.name))
    missing += plates_missing(cradle, one.mount.sheet.name)
    last: Step | None = None
    row = 0
    if bolts is not None and loads and plate is not None and width is not None and height is not None:
        steps = [_plate_step(bolts, load, plate, width, height, one) for load in loads]
        last, row = max(((each, load.row) for each, load in zip(steps, loads, strict=True)), key=lambda it: it[0].value)
    return judge.check(
        "bracket_yield",
        key=f"{one.key}.cradle",
        title=f"Plates of the cradle of {one.mount.sheet.name}",
        demand=None if last is None else last.value,
        capacity=one.yield_mpa,
        unit="MPa",
        says="" if last is None else f"{fig(last.value, 'MPa', 0)} at their foot in {one.names[row]}.",
        missing=missing,
        inputs=field_inputs(one, "cradle"),
        working=lambda: Working(source=source) if last is None else Working(steps=(last,), source=source),
    )


def _plate_step(bolts: Bolted, load: CaseLoad, plate: float, width: float, height: float, one: Loaded) -> Step:
    field = one.mount.field
    bent = 6 * height * (load.along_n / (width * plate**2) + load.side_n / (plate * width**2)) / PLATES
    pressed = (LEGS * bolts.most_n + load.down_n) / (PLATES * width * plate)
    return step(
        "σ",
        "6 * h * (A / (w * t**2) + S / (t * w**2)) / n + (2 * (1 + q) * P + D) / (n * w * t)",
        entered("h", height, "mm", f"{field}.cradle.height"),
        worked("A", load.along_n, "N", f"along, {one.names[load.row]}"),
        entered("w", width, "mm", f"{field}.cradle.width"),
        entered("t", plate, "mm", f"{field}.cradle.plate"),
        worked("S", load.side_n, "N", "aside"),
        tabled("n", PLATES, "", "plates"),
        tabled("q", SCATTER, "", "scatter of tightening"),
        worked("P", bolts.mean_n, "N", "preload by its torque"),
        worked("D", load.down_n, "N", "down"),
        value=bent + pressed,
        unit="MPa",
        decimals=1,
    )
