"""Sums that several workings of the ratios bench share: speeds, pulls and grips, from the fields they come of."""

from collections.abc import Sequence
from typing import Final

import numpy as np

from driveline.benches.ratios.gearing import Gearing, Lane
from driveline.gearing.chain import Stage, StageKind
from driveline.gearing.road import AIR_KGM3, GRAVITY_MS2, Balance, Body, FrontPull
from driveline.working import Given, Step, entered, entered_or_usual, step, tabled, worked

SHORT: Final = {
    StageKind.COUPLER: "coupler",
    StageKind.REDUCTION: "red",
    StageKind.DRIVE_UNIT: "unit",
    StageKind.GEARBOX: "box",
    StageKind.TRANSFER: "tr",
    StageKind.PROPSHAFT: "shaft",
    StageKind.FINAL_DRIVE: "fd",
    StageKind.AXLE: "axle",
}
FIELD_OF: Final = {
    StageKind.COUPLER: "ratios.coupler",
    StageKind.REDUCTION: "ratios.reductions",
    StageKind.DRIVE_UNIT: "ratios.reductions",
    StageKind.GEARBOX: "ratios.gearbox",
    StageKind.TRANSFER: "ratios.transfer",
    StageKind.PROPSHAFT: "ratios.propshaft",
    StageKind.FINAL_DRIVE: "ratios.final_drives",
    StageKind.AXLE: "ratios.axle_rating",
}
LEAST_DIVISOR: Final = 1e-12
GRAVITY: Final = tabled("g", GRAVITY_MS2, "m/s²", "standard gravity")


def side_of(one: Gearing, lane: Lane) -> str:
    """Return what tells a lane's symbols from the other's: ``_f``, ``_r``, or nothing where there is one lane."""
    return "" if len(one.lanes) == 1 else "_f" if lane.is_front else "_r"


def ratios_of(stages: Sequence[Stage], side: str = "") -> tuple[str, list[Given]]:
    """Return the product of the stages' ratios as an expression, and its numbers."""
    given = [
        entered(f"i_{SHORT[stage.kind]}{side}", stage.ratio, "", FIELD_OF[stage.kind])
        for stage in stages
        if stage.ratio != 1
    ]
    return " * ".join(one.name for one in given) or "1", given


def gains_of(stages: Sequence[Stage], side: str = "", *, is_overrun: bool = False) -> tuple[str, list[Given]]:
    """Return the product of ratios and efficiencies, or of ratios over efficiencies, and its numbers."""
    expression, given = ratios_of(stages, side)
    for stage in stages:
        if stage.efficiency != 1:
            lost = entered_or_usual(
                f"η_{SHORT[stage.kind]}{side}",
                stage.efficiency,
                "",
                FIELD_OF[stage.kind],
                is_usual=stage.efficiency_is_default,
            )
            given.append(lost)
            expression += f" {'/' if is_overrun else '*'} {lost.name}"
    return expression, given


def circumference(lane: Lane, side: str = "") -> Given:
    """Return a lane's rolling circumference."""
    return worked(f"C{side}", lane.rolling.circumference_mm, "mm", "brief.front_tyre" if side == "_f" else "brief.tyre")


def radius_step(lane: Lane, side: str = "") -> Step:
    """Return the rolling radius of a lane's wheels."""
    rolls = circumference(lane, side)
    return step(f"r{side}", f"{rolls.name} / (2 * pi)", rolls, value=rolls.value / 2 / np.pi, unit="mm", decimals=1)


def motor_speed_steps(one: Gearing, motor: int, speed: Given | Step, symbol: str = "n") -> tuple[Step, ...]:
    """Return the speed of a motor at a road speed; past a centre differential it is the mean of both sides."""
    lanes = [lane for lane in one.lanes if lane.motor == motor]
    name = speed.name if isinstance(speed, Given) else speed.symbol
    speed_ms = speed.value / 3.6
    if len(lanes) == 1:
        side = side_of(one, lanes[0])
        product, given = ratios_of(lanes[0].chain.stages, side)
        rolls = circumference(lanes[0], side)
        rpm = speed_ms * lanes[0].rpm_per_ms
        return (step(symbol, f"{name} / {rolls.name} * {product}", speed, rolls, *given, value=rpm, unit="rpm"),)
    steps, shares = [], []
    for lane in lanes:
        side = side_of(one, lane)
        product, given = ratios_of(lane.chain.stages, side)
        rolls = circumference(lane, side)
        steps.append(
            step(
                f"{symbol}{side}",
                f"{name} / {rolls.name} * {product}",
                speed,
                rolls,
                *given,
                value=speed_ms * lane.rpm_per_ms,
                unit="rpm",
                words=f"as the {lane.word} wheels ask",
            )
        )
        shares.append(entered(f"s{side}", lane.share, "", "ratios.split"))
    mean = " + ".join(f"{share.name} * {own.symbol}" for share, own in zip(shares, steps, strict=True))
    total = step(symbol, mean, *shares, *steps, value=speed_ms * one.rpm_per_ms(motor), unit="rpm")
    return (*steps, total)


def pull_steps(one: Gearing, torques: Sequence[Given | Step], symbol: str = "F") -> tuple[Step, ...]:
    """Return the pull at the road of motor torques, one for each motor."""
    radii, pulls = [], []
    for lane in one.lanes:
        side, torque = side_of(one, lane), torques[lane.motor]
        name = torque.name if isinstance(torque, Given) else torque.symbol
        product, given = gains_of(lane.chain.stages, side)
        share = [] if lane.share == 1 else [entered(f"s{side}", lane.share, "", "ratios.split")]
        radius = radius_step(lane, side)
        radii.append(radius)
        gain = float(lane.chain.driving_multipliers[-1])
        pulls.append(
            step(
                f"{symbol}{side}",
                " * ".join([name, *(one.name for one in share), product]) + f" / {radius.symbol}",
                torque,
                *share,
                *given,
                radius,
                value=torque.value * gain / radius.value * 1000,
                unit="N",
                words=f"pull of the {lane.word} wheels",
            )
        )
    if len(pulls) == 1:
        return (*radii, *pulls)
    total_n = sum(pull.value for pull in pulls)
    return (*radii, *pulls, step(symbol, " + ".join(p.symbol for p in pulls), *pulls, value=total_n, unit="N"))


def mass_of(body: Body, *, is_laden: bool) -> Given:
    """Return a vehicle's mass."""
    if is_laden:
        return worked("m_laden", float(body.mass_kg), "kg", "brief.vehicle.laden_mass")
    return worked("m", float(body.mass_kg), "kg", "brief.vehicle.kerb_mass")


def rolling_of_body(body: Body) -> Given:
    """Return the rolling resistance of a vehicle's tyres."""
    return worked("C_rr", float(body.crr), "", "brief.vehicle.crr")


def resistance_steps(body: Body, speed: Given) -> tuple[Step, ...]:
    """Return what resists a vehicle on the level, empty, at a speed in km/h."""
    mass, rolls = mass_of(body, is_laden=False), rolling_of_body(body)
    area = worked("CdA", float(body.cda_m2), "m²", "brief.vehicle.cda_m2")
    air = tabled("ρ", AIR_KGM3, "kg/m³", "air at 15 °C")
    rolling_n = mass.value * GRAVITY_MS2 * rolls.value
    drag_n = 0.5 * air.value * area.value * (speed.value / 3.6) ** 2
    rolling = step("F_roll", "m * g * C_rr", mass, GRAVITY, rolls, value=rolling_n, unit="N")
    drag = step("F_drag", f"ρ / 2 * CdA * {speed.name}**2", air, area, speed, value=drag_n, unit="N")
    return (
        rolling,
        drag,
        step("F_resist", "F_roll + F_drag", rolling, drag, value=rolling_n + drag_n, unit="N"),
    )


def grip_steps(
    body: Body,
    balance: Balance,
    pull: FrontPull,
    mu: Given,
    *,
    is_laden: bool,
    is_slowing: bool = False,
    limit_n: float,
) -> tuple[Step, ...]:
    """Return what the tyres grip with load transfer; slowing, load moves forward.

    Args:
        body: For its mass.
        balance: How its weight stands.
        pull: Which part of the force the front tyres make.
        mu: Grip.
        is_laden: Which of the two.
        limit_n: What the program came to.
        is_slowing: Overrun, not drive.
    """
    of = "_laden" if is_laden else ""
    share, height, base = balance_of(balance, is_laden=is_laden)
    lever_value = mu.value * height.value / base.value * (-1 if is_slowing else 1)
    lever = step(
        f"λ{of}",
        f"{'-' if is_slowing else ''}{mu.name} * {height.name} / {base.name}",
        mu,
        height,
        base,
        value=lever_value,
        decimals=4,
        words="load moved to the rear" if not is_slowing else "load moved to the front",
    )
    fronts, front = _front_of(pull, share, lever, of)
    at_front, at_rear = f"{front} + {lever.symbol}", f"1 - {front} - {lever.symbol}"
    part = _front_part(pull, share, lever)
    ways = ["1"]
    if part > 0:
        ways.append(f"{share.name} / {above_nought(at_front, part + lever.value)}")
    if part < 1:
        ways.append(f"(1 - {share.name}) / {above_nought(at_rear, 1 - part - lever.value)}")
    mass = mass_of(body, is_laden=is_laden)
    grip = step(
        f"F_grip{of}",
        f"{mu.name} * {mass.name} * g * min({', '.join(ways)})",
        mu,
        mass,
        GRAVITY,
        share,
        lever,
        *fronts,
        value=limit_n,
        unit="N",
    )
    return (lever, *(one for one in fronts if isinstance(one, Step)), grip)


def above_nought(expression: str, value: float) -> str:
    """Return a divisor, kept above nought where it comes to that: then something else says how much holds."""
    return f"({expression})" if value > LEAST_DIVISOR else f"max({expression}, {LEAST_DIVISOR:g})"


def _front_part(pull: FrontPull, share: Given, lever: Step) -> float:
    least, greatest = (float(np.ravel(end)[0]) for end in (pull.least, pull.greatest))
    return min(max(share.value - lever.value, least), greatest)


def _front_of(pull: FrontPull, share: Given, lever: Step, of: str) -> tuple[tuple[Given | Step, ...], str]:
    """The part of the force that the front tyres make: where a lock lets it shift, that at which both slip together."""
    least, greatest = (float(np.ravel(end)[0]) for end in (pull.least, pull.greatest))
    part = _front_part(pull, share, lever)
    if least == greatest:
        if part in (0.0, 1.0):
            return (), f"{part:g}"
        return (worked(f"p{of}", part, "", "ratios.split"),), f"p{of}"
    front = step(
        f"p{of}",
        f"min(max({share.name} - {lever.symbol}, p_least), p_most)",
        share,
        lever,
        worked("p_least", least, "", "ratios.split"),
        worked("p_most", greatest, "", "ratios.split"),
        value=part,
        decimals=4,
        words="part of the force at the front tyres",
    )
    return (front,), front.symbol


def balance_of(balance: Balance, *, is_laden: bool) -> tuple[Given, Given, Given]:
    """Return front share, height of the centre of gravity, and wheelbase."""
    of = "_laden" if is_laden else ""
    return (
        worked(f"s{of}", float(balance.front_share), "", "brief.masses" if is_laden else "brief.vehicle.front_share"),
        worked(f"h{of}", float(balance.cg_height_mm), "mm", "brief.masses" if is_laden else "brief.vehicle.cg_height"),
        entered("L", float(balance.wheelbase_mm), "mm", "brief.vehicle.wheelbase"),
    )
