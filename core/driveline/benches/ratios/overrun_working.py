"""The working of overrun against grip."""

from driveline.benches.ratios.gearing import Gearing, radius_m
from driveline.benches.ratios.slowing import Held, Slowing
from driveline.benches.ratios.sums import (
    GRAVITY,
    above_nought,
    balance_of,
    gains_of,
    grip_steps,
    mass_of,
    radius_step,
    side_of,
)
from driveline.gearing.brief import Brief
from driveline.working import Given, Step, Working, entered, step


def overrun_working(
    one: Gearing,
    brief: Brief,
    mu: Given,
    slowing: Slowing,
    empty: Held | None,
    laden: Held | None,
    *,
    is_asked: bool,
) -> Working:
    """Return the force of overrun against what the tyres hold, empty and laden."""
    steps = _force_steps(one, brief, slowing.force_n) if is_asked else []
    limits = []
    for held, is_laden in ((empty, False), (laden, True)):
        found = _held_steps(brief, mu, slowing, steps, held, is_laden=is_laden) if held else []
        steps = [*steps, *found]
        limits += found[-1:]
    if limits:
        least = min(limits, key=lambda one: one.value)
        names = ", ".join(limit.symbol for limit in limits)
        expression = f"min({names})" if len(limits) > 1 else names
        steps.append(step("F_hold", expression, *limits, value=least.value, unit="N", words="the tyres hold"))
    return Working(
        steps=tuple(steps),
        source="Rear μ m g (1−s)/(1 + μ h/L), front μ m g s/(1 − μ h/L), all μ m g; the first to lock ends it. A front "
        "motor is judged by itself too: what the rear presses on to it may fade first.",
        note="A locked rear axle spins the vehicle round. Turn the overrun down, or let it fade with the brakes.",
    )


def _force_steps(one: Gearing, brief: Brief, force_n: float) -> list[Step]:
    steps, forces = [], []
    for lane in one.lanes:
        side, torque_nm = side_of(one, lane), brief.overruns_nm[lane.motor] or 0.0
        motor = "front_motor" if lane.motor else "motor"
        asked = entered(f"T_regen{side}", torque_nm, "N·m", f"brief.{motor}.overrun_torque")
        product, given = gains_of(lane.chain.stages, side, is_overrun=True)
        part = [] if lane.share == 1 else [entered(f"s{side}", lane.share, "", "ratios.split")]
        radius = radius_step(lane, side)
        force = step(
            f"F_slow{side}" if len(one.lanes) > 1 else "F",
            " * ".join([asked.name, *(one.name for one in part), product]) + f" / {radius.symbol}",
            asked,
            *part,
            *given,
            radius,
            value=torque_nm * float(lane.chain.overrun_multipliers[-1]) / radius_m(lane.rolling),
            unit="N",
            words="" if len(one.lanes) > 1 else "slows the vehicle",
        )
        steps += [radius, force]
        forces.append(force)
    if len(forces) == 1:
        return steps
    total = " + ".join(force.symbol for force in forces)
    return [*steps, step("F", total, *forces, value=force_n, unit="N", words="slows the vehicle")]


def _held_steps(
    brief: Brief, mu: Given, slowing: Slowing, before: list[Step], held: Held, *, is_laden: bool
) -> list[Step]:
    body, balance = (brief.laden, brief.laden_balance) if is_laden else (brief.kerb, brief.balance)
    if body is None or balance is None:
        return []
    limit_n = held.together_n
    steps = list(grip_steps(body, balance, slowing.share, mu, is_laden=is_laden, is_slowing=True, limit_n=limit_n))
    forces = {one.symbol: one for one in before}
    if held.alone_n is None or "F_slow_f" not in forces:
        return steps
    share, height, base = balance_of(balance, is_laden=is_laden)
    mass, of = mass_of(body, is_laden=is_laden), "_laden" if is_laden else ""
    lever, left = f"{mu.name} * {height.name} / L", 1 - mu.value * height.value / base.value
    alone = step(
        f"F_alone{of}",
        f"{mu.name} * {mass.name} * g * min(1, {share.name} / {above_nought(f'1 - {lever}', left)})",
        mu,
        mass,
        GRAVITY,
        share,
        height,
        base,
        value=held.alone_n,
        unit="N",
        words="the front tyres hold, were they slowing alone",
    )
    total, front = forces["F"], forces["F_slow_f"]
    least = step(
        f"F_least{of}",
        f"min({steps[-1].symbol}, {alone.symbol} * F / F_slow_f)",
        steps[-1],
        alone,
        total,
        front,
        value=held.limit_n,
        unit="N",
    )
    return [*steps, alone, least]
