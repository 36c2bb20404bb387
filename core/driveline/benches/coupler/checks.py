"""Whether the coupler carries its torque, stands its speed, goes on without harm, and runs true."""

from typing import Final

from driveline.benches.coupler.carriers import (
    DESIGN,
    IN_HUB,
    Carried,
    by_fit,
    by_key,
    by_spline,
    by_taper,
)
from driveline.benches.coupler.engaged import OnShafts
from driveline.benches.coupler.hub_checks import heat_check, hub_stress_check, runout_check, spun_check
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.kept_checks import kept_checks
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.runs_out import balance_check
from driveline.benches.coupler.shaft_checks import shaft_checks
from driveline.benches.coupler.sheet import ShaftKind
from driveline.benches.coupler.style_checks import (
    bolts_checks,
    clutch_check,
    flywheel_checks,
    spider_check,
    weld_checks,
)
from driveline.benches.coupler.wall_checks import wall_checks
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import CouplerStyle
from driveline.working import Working, step

KEY_SOURCE: Final = (
    "Key and fit are not added: the joint carries the better of the two alone, and the key is what holds when the fit "
    "slips. ISO 773, DIN 6892, DIN 7190; embedding 0.8 (Rz + Rz) comes off the least fit."
)


def strength_checks(
    inputs: CouplerInputs, needs: CouplerNeeds, style: CouplerStyle, on: OnShafts, judge: Judge
) -> tuple[Check, ...]:
    """Return the checks of a style.

    Args:
        inputs: Of the bench.
        needs: What it must carry, and how fast it turns.
        style: Of the coupler.
        on: How much of either shaft is in its hub.
        judge: Of the bench.
    """
    checks = [
        *_motor_joint(inputs, needs, on, judge),
        spun_check(inputs, needs, style, judge),
        runout_check(inputs, style, judge),
        balance_check(inputs, needs, judge),
        *shaft_checks(inputs, needs, style, on.motor_mm, judge),
        *wall_checks(inputs, needs, judge),
        *kept_checks(inputs, needs, style, judge),
    ]
    if style is not CouplerStyle.CLUTCH:
        checks.append(_gearbox_joint(inputs, needs, style, on.gearbox_mm, judge))
    if style is CouplerStyle.RIGID:
        checks += [*bolts_checks(inputs, needs, judge), *weld_checks(inputs, needs, judge)]
    if style is CouplerStyle.FLEXIBLE:
        checks.append(spider_check(inputs, needs, judge))
    if style is CouplerStyle.CLUTCH:
        checks += [clutch_check(inputs, needs, judge), *flywheel_checks(inputs, needs, judge)]
    return tuple(checks)


def _carries(
    ways: tuple[Carried, ...],
    needs: CouplerNeeds,
    judge: Judge,
    *,
    key: str,
    title: str,
    source: str,
    fields: tuple[str, ...],
) -> Check:
    """The best of several ways to carry the torque, each alone."""
    missing = (*missing_of({DESIGN: needs.design_nm}), *dict.fromkeys(name for way in ways for name in way.missing))
    known = [way for way in ways if way.nm is not None]
    best = max((way.nm or 0.0 for way in known), default=None) if len(known) == len(ways) else None
    says = wanted_words(missing)
    if best is not None and needs.design_nm is not None:
        held = ", ".join(f"the {way.what} {fig(way.nm, 'N·m', 0)}" for way in known)
        says = f"{held}; {fig(needs.design_nm, 'N·m', 0)} asked"

    def working() -> Working:
        steps = [one for way in ways for one in way.steps]
        if best is not None and len(ways) > 1:
            last = [way.steps[-1] for way in ways]
            names = ", ".join(one.symbol for one in last)
            steps.append(step("T", f"max({names})", *last, value=best, unit="N·m", decimals=0))
        return Working(steps=tuple(steps) if best is not None else (), source=source)

    return judge.check(
        "key_fit",
        key=key,
        title=title,
        demand=needs.design_nm,
        capacity=best,
        unit="N·m",
        says=says,
        missing=missing,
        inputs=fields,
        station="coupler",
        working=working,
    )


def _motor_joint(inputs: CouplerInputs, needs: CouplerNeeds, on: OnShafts, judge: Judge) -> list[Check]:
    shaft, hub = inputs.motor_shaft, inputs.hub
    key, title, fields = "coupler.motor_joint", "Hub on the motor's shaft", ("coupler.motor_shaft", "coupler.hub")
    if shaft.kind is ShaftKind.TAPERED:
        return [
            _carries(
                (by_taper(shaft),),
                needs,
                judge,
                key=key,
                title=title,
                source="T = μ F r/(sin α + μ cos α) at the nut's least preload, a quarter below its mean.",
                fields=fields,
            )
        ]
    if shaft.kind is ShaftKind.SPLINED:
        way = by_spline(shaft, on.motor_mm, missing_of({IN_HUB.format(shaft.word): on.motor_mm}))
        return [_carries((way,), needs, judge, key=key, title=title, source=SPLINE_SOURCE, fields=fields)]
    if shaft.kind is ShaftKind.KEYED:
        ways = (by_key(shaft, hub.made_of, on.motor_mm), by_fit(shaft, hub, needs.greatest_rpm, on.seat_mm))
        joint = _carries(ways, needs, judge, key=key, title=title, source=KEY_SOURCE, fields=fields)
        return [joint, hub_stress_check(inputs, needs, judge), heat_check(inputs, needs, judge)]
    unknown = Carried(what="joint", nm=None, missing=("How the motor's shaft takes its hub: key, spline or taper",))
    joint = _carries((unknown,), needs, judge, key=key, title=title, source="", fields=fields)
    return [joint, hub_stress_check(inputs, needs, judge), heat_check(inputs, needs, judge)]


SPLINE_SOURCE: Final = (
    "p = 2 T/(z d_m h l ψ); the lower end of the guide's range. The length engaged is that at the worst of all limits."
)


def _gearbox_joint(
    inputs: CouplerInputs, needs: CouplerNeeds, style: CouplerStyle, engaged_mm: float | None, judge: Judge
) -> Check:
    shaft = inputs.gearbox_shaft
    missing = missing_of({IN_HUB.format(shaft.word): engaged_mm})
    key, title = "coupler.gearbox_joint", "On the gearbox's shaft"
    fields = ("coupler.gearbox_shaft", "coupler.jaw" if style is CouplerStyle.FLEXIBLE else "coupler.hub")
    if style is CouplerStyle.FLEXIBLE and shaft.kind is ShaftKind.KEYED:
        way = by_key(shaft, inputs.hub.made_of, engaged_mm)
        return _carries((way,), needs, judge, key=key, title=title, source=KEY_SOURCE, fields=fields)
    if style is not CouplerStyle.FLEXIBLE or shaft.kind is ShaftKind.SPLINED:
        way = by_spline(shaft, engaged_mm, missing)
        return _carries((way,), needs, judge, key=key, title=title, source=SPLINE_SOURCE, fields=fields)
    unknown = Carried(what="joint", nm=None, missing=("How the gearbox's shaft takes its hub: key or spline",))
    return _carries((unknown,), needs, judge, key=key, title=title, source="", fields=fields)
