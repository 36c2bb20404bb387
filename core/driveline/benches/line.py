"""The Line: speed, torque and tightest margin at every station, over road speed, for each case of driving."""

from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.benches.brief import Brief
from driveline.benches.common import rounded, rounded_array
from driveline.benches.gearing import Gearing, radius_m, shaft_limits, slip_force_n, top_speed
from driveline.chain import Floats, Stage, StageKind, motor_rpm_at
from driveline.checks import TIGHT_SHARE, Result
from driveline.design import DYNAMIC_FACTOR, GRIP_FOR_RATINGS, DesignTorque, design_torques
from driveline.motor import Motor
from driveline.road import KMH_PER_MS, resistance_n
from driveline.sheets.ratios import CouplerStyle
from driveline.tyre import Rolling

MOST_SPEEDS: Final = 100
GREATEST_MARGIN_SHOWN: Final = 99.0
BENCH_OF: Final = {
    "motor": "brief",
    "coupler": "ratios",
    "reduction": "ratios",
    "drive_unit": "ratios",
    "gearbox": "ratios",
    "propshaft": "ratios",
    "final_drive": "ratios",
    "axle": "ratios",
    "wheel": "brief",
}


class Station(Result):
    """A place on the Line. Torques are at its input; a wheel's are the total of one axle."""

    key: str
    title: str
    bench: str
    ratio: float
    efficiency: float
    efficiency_is_default: bool
    rating_nm: float | None
    greatest_rpm: float | None
    motor_limited_nm: float
    slip_limited_nm: float | None
    design_nm: float
    governed_by: str


class Case(Result):
    """Torques and tightest margins of one case of driving; per station a figure per road speed."""

    key: str
    title: str
    about: str
    torque_nm: tuple[list[float | None], ...]
    margin: tuple[list[float | None], ...]
    verdict: tuple[str, ...]  # a letter per road speed: h, t, f; ? while no limit is known, - out of the motor's reach
    road_n: list[float | None]


class Tick(Result):
    """A limit on the slider, where it bites."""

    kmh: float
    text: str


class Line(Result):
    """The driveline over road speed."""

    candidate: str
    is_chosen: bool
    axles: int
    speed_kmh: list[float]
    rpm: tuple[list[float], ...]
    stations: tuple[Station, ...]
    cases: tuple[Case, ...]
    ticks: tuple[Tick, ...]
    top_kmh: float


def solve_line(
    one: Gearing, brief: Brief, motor: Motor, rolling: Rolling, *, coupler: CouplerStyle | None, is_chosen: bool
) -> Line:
    """Return the Line of one gearing.

    Cases that need a figure which is not known are left out.
    """
    top = top_speed(one, brief.kerb, rolling)
    greatest_kmh = float(one.speed_ms[-1]) * KMH_PER_MS
    step_kmh = max(1.0, np.ceil(greatest_kmh * 1.05 / MOST_SPEEDS))
    speed_kmh = np.arange(0, greatest_kmh * 1.05 + step_kmh, step_kmh)
    rpm = motor_rpm_at(
        speed_ms=speed_kmh / KMH_PER_MS,
        overall_ratio=one.chain.overall_ratio,
        rolling_circumference_mm=rolling.circumference_mm,
    )
    station_rpm = one.chain.station_rpm(rpm)
    stations = _stations(one, brief, motor, rolling, coupler)
    cases = _cases(one, brief, motor, rolling, speed_kmh, rpm)
    return Line(
        candidate=one.pick.key,
        is_chosen=is_chosen,
        axles=one.chain.axles,
        speed_kmh=rounded(speed_kmh),
        rpm=tuple(rounded_array(_with_motor(station_rpm), 4).tolist()),
        stations=stations,
        cases=tuple(_case(*case, stations, station_rpm, radius_m(rolling), one.chain.axles) for case in cases),
        ticks=_ticks(one, motor, rolling, top.kmh, top.text),
        top_kmh=top.kmh,
    )


def design_torques_of(
    one: Gearing, brief: Brief, motor: Motor, rolling: Rolling, coupler: CouplerStyle | None
) -> tuple[DesignTorque, ...]:
    """Return the design torque at each stage's input, then at the wheels of one axle."""
    slip_n = slip_force_n(brief, brief.laden or brief.kerb, GRIP_FOR_RATINGS)
    return design_torques(
        one.chain,
        peak_nm=float(motor.peak_nm(one.motor_rpm).max()),
        dynamic_factor=DYNAMIC_FACTOR[coupler or CouplerStyle.RIGID],
        slip_axle_nm=None if slip_n is None else slip_n * radius_m(rolling) / one.chain.axles,
        overrun_nm=brief.overrun_nm,
    )


def _with_motor(rows: Floats) -> Floats:
    """The motor is a station of its own, with the figures of the first stage's input."""
    return np.vstack([rows[:1], rows])


def _stations(
    one: Gearing, brief: Brief, motor: Motor, rolling: Rolling, coupler: CouplerStyle | None
) -> tuple[Station, ...]:
    designs = design_torques_of(one, brief, motor, rolling, coupler)
    peak_nm = float(motor.peak_nm(one.motor_rpm).max())
    ends = {
        "motor": Stage(kind=StageKind.COUPLER, title="Motor", rating_nm=peak_nm, greatest_input_rpm=motor.greatest_rpm),
        "wheel": Stage(kind=StageKind.AXLE, title="Wheels"),
    }
    stages = [
        ("motor", ends["motor"]),
        *((stage.kind.value, stage) for stage in one.chain.stages),
        ("wheel", ends["wheel"]),
    ]
    return tuple(
        Station(
            key=key,
            title=stage.title,
            bench=BENCH_OF[key],
            ratio=stage.ratio,
            efficiency=stage.efficiency,
            efficiency_is_default=stage.efficiency_is_default,
            rating_nm=stage.rating_nm,
            greatest_rpm=stage.greatest_input_rpm,
            motor_limited_nm=design.motor_limited_nm,
            slip_limited_nm=design.slip_limited_nm,
            design_nm=design.design_nm,
            governed_by=design.governed_by,
        )
        for (key, stage), design in zip(stages, (designs[0], *designs), strict=True)
    )


def _cases(
    one: Gearing, brief: Brief, motor: Motor, rolling: Rolling, speed_kmh: Floats, rpm: Floats
) -> list[tuple[str, str, str, Floats]]:
    """Key, title, meaning and torque at each station's input, wheels last, (stages + 1, n)."""
    in_reach = np.where(rpm <= motor.greatest_rpm * (1 + 1e-9), 1.0, np.nan)
    gain = one.chain.driving_multipliers()[-1] * one.chain.axles
    peak_nm = motor.peak_nm(np.minimum(rpm, motor.greatest_rpm)) * in_reach
    slip_n = slip_force_n(brief, brief.kerb, brief.grip)
    held_nm = peak_nm if slip_n is None else np.minimum(peak_nm, slip_n * radius_m(rolling) / gain)
    driving = [("launch", "Launch", "peak torque, as far as the tyres hold it", held_nm)]
    for key, title, about, body, grade in (
        ("climb", "Climb", f"holding {brief.hill_start_pct:g} % laden", brief.laden, brief.hill_start_pct),
        ("cruise", "Cruise", "steady on the level", brief.kerb, 0.0),
    ):
        if body:
            wheel_nm = resistance_n(body, speed_kmh / KMH_PER_MS, grade) * radius_m(rolling)
            driving.append((key, title, about, wheel_nm / gain * in_reach))
    continuous = motor.continuous_nm(np.minimum(rpm, motor.greatest_rpm))
    if continuous is not None:
        driving.append(("flat_out", "Flat out", "all that the motor keeps up", continuous * in_reach))
    cases = [(key, title, about, one.chain.driving_torque_nm(nm)) for key, title, about, nm in driving]
    if brief.overrun_nm is not None:
        limit_nm = np.minimum(peak_nm, brief.overrun_nm)
        cases.append(
            (
                "overrun",
                "Overrun",
                "slowing on the motor",
                -one.chain.overrun_multipliers()[:, None] * limit_nm[None, :],
            )
        )
    cases.append(
        ("reverse", "Reverse", "launch the other way, at the same torque", -one.chain.driving_torque_nm(held_nm))
    )
    return cases


def _case(
    key: str,
    title: str,
    about: str,
    torque_nm: Floats,
    stations: tuple[Station, ...],
    rpm: Floats,
    wheel_m: float,
    axles: int,
) -> Case:
    rows = _with_motor(torque_nm)
    margins = _margins(stations, rows, _with_motor(rpm))
    return Case(
        key=key,
        title=title,
        about=about,
        torque_nm=_figures(rows, 4),
        margin=_figures(margins, 3),
        verdict=_verdict_letters(margins, np.isfinite(rows)),
        road_n=_figures(rows[-1:] * axles / wheel_m, 4)[0],
    )


def _margins(stations: tuple[Station, ...], torque_nm: Floats, rpm: Floats) -> Floats:
    """Rating over torque or greatest speed over speed, whichever is less; NaN where neither is known or it can't go."""
    ratings = np.array([[station.rating_nm or np.nan] for station in stations])
    speeds = np.array([[station.greatest_rpm or np.nan] for station in stations])
    with np.errstate(divide="ignore", invalid="ignore"):
        tightest: Floats = np.fmin(ratings / np.abs(torque_nm), speeds / rpm)
    return np.where(np.isfinite(tightest + torque_nm), np.minimum(tightest, GREATEST_MARGIN_SHOWN), np.nan)


def _verdict_letters(margins: Floats, in_reach: NDArray[np.bool_]) -> tuple[str, ...]:
    """The ledger's rule on every point of the Line: limits here already hold what is wanted, so 1 is enough."""
    letters = np.select([~in_reach, np.isnan(margins), margins < 1, margins < TIGHT_SHARE], ["-", "?", "f", "t"], "h")
    return tuple("".join(row) for row in letters.tolist())


def _figures(values: Floats, digits: int) -> tuple[list[float | None], ...]:
    """Rows of figures, ``None`` where one is not known."""
    known = np.isfinite(values)
    figures = rounded_array(np.where(known, values, 0.0), digits).astype(object)
    figures[~known] = None
    return tuple(figures.tolist())


def _ticks(one: Gearing, motor: Motor, rolling: Rolling, top_kmh: float, top_text: str) -> tuple[Tick, ...]:
    falls_kmh = float(one.speed_ms[-1]) * KMH_PER_MS * motor.falls_from_rpm() / motor.greatest_rpm
    ticks = [Tick(kmh=falls_kmh, text="torque falls"), Tick(kmh=top_kmh, text=f"top speed: {top_text}")]
    ticks += [Tick(kmh=limit.kmh, text=limit.text) for limit in shaft_limits(one, rolling) if limit.text != top_text]
    motor_kmh = float(one.speed_ms[-1]) * KMH_PER_MS
    if top_text != "motor speed":
        ticks.append(Tick(kmh=motor_kmh, text="motor top speed"))
    return tuple(sorted((tick for tick in ticks if tick.kmh <= motor_kmh * 1.05), key=lambda tick: tick.kmh))
