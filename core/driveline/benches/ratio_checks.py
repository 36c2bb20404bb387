"""The checks of a gearing: does it do what is wanted, and does every station bear it."""

from driveline.benches.brief import Brief
from driveline.benches.common import Margins
from driveline.benches.gearing import Gearing, radius_m
from driveline.benches.line import Line, Station
from driveline.chain import StageKind, motor_rpm_at
from driveline.checks import Check, Step, Working
from driveline.design import DYNAMIC_FACTOR, GRIP_FOR_RATINGS, SLIP_SURCHARGE
from driveline.road import KMH_PER_MS, overrun_slip_limit_n
from driveline.sheets.ratios import CouplerStyle, RatiosSheet
from driveline.tyre import Rolling

WET_GRIP = 0.3
RATED_BY = {
    "reduction": "Reduction input torque",
    "drive_unit": "Drive unit input torque",
    "gearbox": "Gearbox input torque",
    "propshaft": "Propshaft torque",
    "final_drive": "Final drive input torque",
    "axle": "Axle torque",
}


def ratio_checks(
    one: Gearing,
    line: Line,
    brief: Brief,
    sheet: RatiosSheet,
    margins: Margins,
    *,
    hill_start_pct: float | None,
    rolling: Rolling,
    is_chosen: bool,
) -> tuple[Check, ...]:
    """Return the checks of a gearing; while none is chosen they are of the one shown."""
    stage_stations = line.stations[1:-1]
    checks = [
        _choice(margins, is_chosen=is_chosen),
        _motor_speed(one, brief, rolling, margins),
        _top_speed(line, brief, margins),
    ]
    checks += [_rating(station, sheet, margins) for station in stage_stations if station.key in RATED_BY]
    checks += [
        _speed(one, k, brief, rolling, margins)
        for k, stage in enumerate(one.chain.stages)
        if stage.kind in (StageKind.GEARBOX, StageKind.PROPSHAFT)
    ]
    checks += [_hill_start(brief, hill_start_pct, margins), _overrun(one, brief, rolling, margins)]
    return tuple(checks)


def _choice(margins: Margins, *, is_chosen: bool) -> Check:
    return margins.check(
        "wanted_performance",
        key="ratios.choice",
        bench="ratios",
        title="Gearing chosen",
        demand=1.0,
        capacity=2.0 if is_chosen else None,
        unit="",
        says="Chosen, with its reason kept."
        if is_chosen
        else "Choose a gearing. What stands here is of the one shown.",
        missing=() if is_chosen else ("Choose a gearing, and say why",),
        inputs=("ratios.choice",),
    )


def _motor_speed(one: Gearing, brief: Brief, rolling: Rolling, margins: Margins) -> Check:
    greatest_rpm = float(one.motor_rpm[-1])
    wanted_kmh = brief.wanted_top_kmh
    needed = wanted_kmh and float(
        motor_rpm_at(
            speed_ms=wanted_kmh / KMH_PER_MS,
            overall_ratio=one.chain.overall_ratio,
            rolling_circumference_mm=rolling.circumference_mm,
        )
    )
    says = (
        f"{needed:.0f} rpm at {wanted_kmh:.0f} km/h; the motor turns {greatest_rpm:.0f}"
        if needed
        else "Say what top speed is wanted, in the Brief."
    )
    steps = (
        ()
        if not needed
        else (
            Step(
                formula="n = v / C × i",
                numbers=f"{wanted_kmh:.1f} km/h / {rolling.circumference_mm:.0f} mm × {one.chain.overall_ratio:.3f}",
                result=f"{needed:.0f} rpm",
            ),
        )
    )
    return margins.check(
        "motor_top_speed",
        key="motor.top_speed",
        bench="ratios",
        title="Motor speed at the wanted top speed",
        demand=needed or None,
        capacity=greatest_rpm,
        unit="rpm",
        says=says,
        station="motor",
        missing=() if needed else ("Wanted top speed",),
        inputs=("brief.wanted.top_speed", "brief.motor.greatest_rpm", "brief.tyre", "ratios.choice"),
        working=Working(steps=steps, source="Without slip: v = n C / i. Past its top speed the rotor is over-sped."),
    )


def _top_speed(line: Line, brief: Brief, margins: Margins) -> Check:
    wanted = brief.wanted_top_kmh
    set_by = next((tick.text for tick in line.ticks if tick.text.startswith("top speed: ")), "").removeprefix(
        "top speed: "
    )
    return margins.check(
        "wanted_performance",
        key="road.top_speed",
        bench="ratios",
        title="Top speed reached",
        demand=wanted,
        capacity=line.top_kmh if brief.kerb else None,
        unit="km/h",
        says=f"{line.top_kmh:.0f} km/h, set by {set_by}" + (f"; {wanted:.0f} wanted" if wanted else ""),
        missing=tuple(
            text for known, text in ((wanted, "Wanted top speed"), (brief.kerb, "Kerb mass and drag area")) if not known
        ),
        inputs=("brief.wanted.top_speed", "brief.vehicle", "brief.motor", "ratios.choice"),
        working=Working(source="Least of motor speed, power against resistance, and every shaft's limit."),
    )


def _rating(station: Station, sheet: RatiosSheet, margins: Margins) -> Check:
    factor = DYNAMIC_FACTOR[sheet.coupler or CouplerStyle.RIGID]
    motor_step = Step(
        formula="T_motor × f carried forward by i·η",
        numbers=f"f {factor:g}",
        result=f"{station.motor_limited_nm:.0f} N·m",
    )
    slip = station.slip_limited_nm
    slip_step = Step(
        formula="slip torque carried back / (i·η) × 1.2",
        numbers=f"μ {GRIP_FOR_RATINGS:g}, × {SLIP_SURCHARGE:g}",
        result="not known" if slip is None else f"{slip:.0f} N·m",
    )
    note = f"Governed by the {station.governed_by}."
    if sheet.coupler is None:
        note += " Coupler not chosen: 1.5 for a rigid one is taken."
    if station.efficiency_is_default:
        note += f" Efficiency {station.efficiency:g} is the usual figure."
    rating = station.rating_nm
    return margins.check(
        "maker_rating",
        key=f"{station.key}.torque",
        bench="ratios",
        title=RATED_BY[station.key],
        demand=station.design_nm,
        capacity=rating,
        unit="N·m",
        says=f"{station.design_nm:.0f} of {rating:.0f} N·m, set by the {station.governed_by}"
        if rating
        else f"Look up its rating or ask the maker. It sees {station.design_nm:.0f} N·m.",
        station=station.key,
        missing=() if rating else (f"Rating of the {station.title.lower()}",),
        inputs=("brief.motor", "brief.vehicle", "ratios.coupler", f"ratios.{station.key}"),
        working=Working(
            steps=(
                motor_step,
                slip_step,
                Step(formula="design torque, the lesser", result=f"{station.design_nm:.0f} N·m"),
            ),
            source="Design torque along the line; never below the overrun torque.",
            note=note,
        ),
    )


def _speed(one: Gearing, k: int, brief: Brief, rolling: Rolling, margins: Margins) -> Check:
    stage = one.chain.stages[k]
    is_shaft = stage.kind is StageKind.PROPSHAFT
    wanted = brief.wanted_top_kmh
    wheel_rpm = wanted and wanted / KMH_PER_MS * 60_000 / rolling.circumference_mm
    rpm = wheel_rpm and float(wheel_rpm * one.chain.overall_ratio / one.chain.speed_divisors()[k])
    limit = stage.greatest_input_rpm and stage.greatest_input_rpm / (0.7 if is_shaft else 1.0)
    name = "critical speed" if is_shaft else "greatest input speed"
    says = f"{rpm:.0f} rpm at {wanted:.0f} km/h" if rpm and wanted else "Say what top speed is wanted."
    return margins.check(
        "shaft_speed" if is_shaft else "maker_rating",
        key=f"{stage.kind.value}.speed",
        bench="ratios",
        title="Propshaft against its critical speed" if is_shaft else "Gearbox input speed",
        demand=rpm or None,
        capacity=limit,
        unit="rpm",
        says=f"{says}; {name} {limit:.0f}" if limit else f"{says}. Find the {name} to finish this check.",
        station=stage.kind.value,
        missing=() if limit and rpm else (name.capitalize() if rpm else "Wanted top speed",),
        inputs=("brief.wanted.top_speed", "brief.tyre", f"ratios.{stage.kind.value}", "ratios.choice"),
        working=Working(
            steps=() if not rpm else (Step(formula="n = v / C × i after this stage", result=f"{rpm:.0f} rpm"),),
            source="Run a propshaft at 0.70 of its critical speed or less."
            if is_shaft
            else "Maker's limit at the gearbox input.",
        ),
    )


def _hill_start(brief: Brief, held_pct: float | None, margins: Margins) -> Check:
    known = brief.laden is not None
    held = "any grade" if held_pct is None else f"{held_pct:.0f} %"
    return margins.check(
        "wanted_performance",
        key="road.hill_start",
        bench="ratios",
        title="Laden hill start",
        demand=brief.hill_start_pct,
        capacity=(999.0 if held_pct is None else held_pct) if known else None,
        unit="%",
        says=f"starts on {held}; {brief.hill_start_pct:.0f} % wanted"
        if known
        else "Give the laden mass to finish this check.",
        station="wheel",
        missing=() if known else ("Laden mass",),
        inputs=("brief.vehicle.laden_mass", "brief.motor", "brief.wanted.hill_start_pct", "ratios.choice"),
        working=Working(
            steps=(
                Step(
                    formula="F = m g (C_rr cosθ + sinθ), tanθ = grade",
                    result="" if held_pct is None else f"{held_pct:.1f} %",
                ),
            ),
            source="Peak torque at standstill, held to what the tyres grip with load transfer.",
        ),
    )


def _overrun(one: Gearing, brief: Brief, rolling: Rolling, margins: Margins) -> Check:
    asked = brief.overrun_nm
    force = asked and float(asked * one.chain.overrun_multipliers()[-1] * one.chain.axles / radius_m(rolling))
    grip = (
        brief.kerb
        and brief.balance
        and overrun_slip_limit_n(mass_kg=brief.kerb.mass_kg, balance=brief.balance, driven=brief.driven, mu=WET_GRIP)
    )
    missing = tuple(
        text
        for known, text in (
            (asked, "Greatest overrun torque of the motor"),
            (grip, "Kerb mass, front share, height and wheelbase"),
        )
        if not known
    )
    return margins.check(
        "grip",
        key="road.overrun_wet",
        bench="ratios",
        title="Overrun grip on a wet road",
        demand=force or None,
        capacity=grip or None,
        unit="N",
        says=f"Still wanted: {missing[0].lower()}."
        if missing
        else f"slows with {force:.0f} N; the driven tyres hold {grip:.0f} N on μ 0.3",
        station="wheel",
        missing=missing,
        inputs=("brief.motor.overrun_torque", "brief.vehicle", "ratios.choice"),
        working=Working(
            steps=() if missing else (Step(formula="F = T_overrun × i / η / r", result=f"{force:.0f} N"),),
            source="Rear μ m g (1−s)/(1 + μ h/L), front μ m g s/(1 − μ h/L), all μ m g.",
            note="A locked rear axle spins the vehicle round.",
        ),
    )
