"""How long joints last that turn evenly: those of half shafts, and of a propshaft."""

from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

from driveline.benches.axles.axle_checks import SideFound, standing_heights_mm, standing_missing
from driveline.benches.axles.sheet import Axle, PropLine
from driveline.cardan.life import EVEN_EXPONENT, EVEN_FAST_H, EVEN_SLOW_H, LIFE_RPM, SLOW_EXPONENT, even_life_h
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.sheet import Torque, positive_of
from driveline.working import Working, entered, step, tabled, worked

EVENLY: Final = (
    "Palmgren's cube law with the factors of balls in grooves, nine joints in ten; of a tripod cautious. Its maker's "
    "own table goes before."
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Run:
    """What a shaft runs with on the mean, and for how long it is to last."""

    torque_nm: float | None
    rpm: float | None
    hours: float | None
    field: str
    missing: tuple[str, ...]


def run_of(sheet: Axle | PropLine, field: str) -> Run:
    """Return what an axle's shafts, or a propshaft, run with on the mean."""
    torque, rpm = positive_of(sheet.life_torque), positive_of(sheet.life_speed)
    missing = missing_of(
        {
            f"{sheet.name}: the torque that it runs with on the mean": torque,
            f"{sheet.name}: the speed that it turns with then": rpm,
            f"{sheet.name}: the hours that it is to last": sheet.life_h,
        }
    )
    return Run(torque_nm=torque, rpm=rpm, hours=sheet.life_h, field=field, missing=missing)


def side_life_checks(one: SideFound, judge: Judge) -> Iterator[Check]:
    """Return how long both joints of a half shaft last, at the worst of ride, laden and empty."""
    axle = one.field.rpartition(".")[0]
    run = run_of(one.axle, axle)
    bent_deg = list[tuple[float, float]]()
    if one.travel is not None:
        for height in standing_heights_mm(one, one.travel).values():
            _, inner, outer = one.travel.standing_deg({"": height})
            bent_deg.append((inner, outer))
    for end, joint, column in (("inner", one.axle.inner, 0), ("outer", one.axle.outer, 1)):
        angle = max((both[column] for both in bent_deg), default=None)
        yield even_life(
            (f"{one.key}.{end}_life", f"{one.words}, {end} joint", one.station),
            (joint.capacity, f"{axle}.{end}.capacity"),
            run,
            angle,
            (*one.found.missing, *standing_missing(one.axle)),
            judge,
        )


def even_life(
    what: tuple[str, str, str | None],
    capacity: tuple[Torque | None, str],
    run: Run,
    angle_deg: float | None,
    missing: tuple[str, ...],
    judge: Judge,
) -> Check:
    """Return how long a joint lasts.

    Args:
        what: The check's key, the joint in words, and its station.
        capacity: Its dynamic torque capacity, and where that is entered.
        run: What it runs with.
        angle_deg: That it is bent by.
        missing: What keeps the angle from being known.
        judge: Of the bench.
    """
    (key, words, station), (stated, field) = what, capacity
    bears, lasts = positive_of(stated), None
    if bears is not None and run.torque_nm is not None and run.rpm is not None and angle_deg is not None:
        lasts = even_life_h(capacity_nm=bears, torque_nm=run.torque_nm, rpm=run.rpm, angle_deg=angle_deg)
    missing += missing_of({f"{words}: its dynamic capacity, by its maker": bears})
    return judge.check(
        "maker_rating",
        key=key,
        title=f"{words}: lasts long enough",
        demand=run.hours,
        capacity=lasts,
        unit="h",
        says="" if lasts is None else f"{fig(lasts, 'h', 0)} in nine of ten.",
        missing=(*missing, *run.missing),
        inputs=(field, f"{run.field}.life_torque", f"{run.field}.life_h"),
        station=station,
        working=lambda: _working(bears, field, run, angle_deg, lasts),
    )


def _working(bears_nm: float | None, field: str, run: Run, angle_deg: float | None, lasts_h: float | None) -> Working:
    if bears_nm is None or run.torque_nm is None or run.rpm is None or angle_deg is None or lasts_h is None:
        return Working(source=EVENLY)
    n = entered("n", run.rpm, "rpm", f"{run.field}.life_speed")
    bent = worked("β", angle_deg, "°", "where it stands, at the most")
    factor = step("A", "(1 - sin(β)) * cos(β)**2", bent, value=_factor(bears_nm, run, lasts_h), unit="", decimals=3)
    given = (
        factor,
        entered("C", bears_nm, "N·m", field),
        entered("T", run.torque_nm, "N·m", f"{run.field}.life_torque"),
        tabled("p", float(EVEN_EXPONENT), "", "of balls"),
    )
    slow = run.rpm <= LIFE_RPM
    at_one = tabled("H", EVEN_SLOW_H if slow else EVEN_FAST_H, "h", "at the speed of 1 rpm")
    one_rpm = tabled("n_1", 1.0, "rpm", "for which H is stated")
    power = tabled("q", SLOW_EXPONENT if slow else 1.0, "", "to 1000 rpm" if slow else "above 1000 rpm")
    expression = "H * (n_1 / n)**q * (A * C / T)**p"
    last = step("L", expression, at_one, one_rpm, n, power, *given, value=lasts_h, unit="h")
    return Working(steps=(factor, last), source=EVENLY)


def _factor(bears_nm: float, run: Run, lasts_h: float) -> float:
    """What the angle leaves of the capacity, as it went into the life."""
    assert run.torque_nm is not None and run.rpm is not None
    straight = even_life_h(capacity_nm=bears_nm, torque_nm=run.torque_nm, rpm=run.rpm, angle_deg=0.0)
    return float((lasts_h / straight) ** (1 / EVEN_EXPONENT))
