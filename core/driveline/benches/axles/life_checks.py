"""How long a propshaft's joints last, and whether its centre bearing bears what bent joints push."""

from collections.abc import Iterator
from typing import Final

from driveline.benches.axles.bars import load_missing
from driveline.benches.axles.even_life import even_life, run_of
from driveline.benches.axles.lines import LineFound
from driveline.benches.axles.needs import AxlesNeeds
from driveline.benches.axles.sheet import JointKind
from driveline.cardan.life import EXPONENT, LEAST_DEG, LIFE_DEG, LIFE_H, LIFE_RPM, centre_force_n, cross_life_h
from driveline.checks import Check
from driveline.figures import fig
from driveline.gearing.road import GRAVITY_MS2
from driveline.margins import Judge, missing_of
from driveline.sheet import positive_of
from driveline.working import Working, entered, step, tabled, worked

CROSSES: Final = (JointKind.CROSS, JointKind.DOUBLE, None)
HALF: Final = 0.5  # of the angle, that each cross of a double joint is bent by
LIVES: Final = (
    "Needle bearings that swing, nine in ten; bent less than 2° counts as 2°. Its maker's own table goes before."
)
PUSHED: Final = (
    "Couples of both joints of the shaft before it, added, and half the weight of the shafts on either side."
)


def life_checks(one: LineFound, needs: AxlesNeeds, judge: Judge) -> Iterator[Check]:
    """Return how long each joint lasts, and whether the bearing between two shafts bears its load and speed."""
    for j, joint in enumerate(one.line.joints):
        if joint.kind in CROSSES:
            yield _life(one, j, judge)
        elif joint.kind is JointKind.CV:
            yield even_life(
                (f"{one.key}.j{j + 1}.life", f"{one.line.name}, joint {j + 1}", one.station),
                (joint.capacity, f"{one.field}.joints.{j}.capacity"),
                run_of(one.line, one.field),
                _angle_deg(one, j),
                (*one.rest_missing, *one.standing_missing),
                judge,
            )
    for j in range(1, len(one.line.joints) - 1):
        yield _pushed(one, j, needs, judge)
        yield _turns(one, j, judge)


def _angle_deg(one: LineFound, j: int) -> float | None:
    """The most that a joint is bent by where its axle stands."""
    return max((float(posed.chain.angles_deg[j]) for posed in one.standing), default=None)


def _life(one: LineFound, j: int, judge: Judge) -> Check:
    joint, line, words = one.line.joints[j], one.line, f"{one.line.name}, joint {j + 1}"
    capacity, run = positive_of(joint.capacity), run_of(line, one.field)
    torque, rpm = run.torque_nm, run.rpm
    bent = _angle_deg(one, j)
    angle = bent if bent is None or joint.kind is not JointKind.DOUBLE else HALF * bent
    lasts = None
    if capacity is not None and torque is not None and rpm is not None and angle is not None:
        lasts = cross_life_h(capacity_nm=capacity, torque_nm=torque, rpm=rpm, angle_deg=angle)
    missing = missing_of(
        {
            f"{words}: what it is": joint.kind,
            f"{words}: its dynamic capacity, by its maker": capacity,
        }
    )

    def working() -> Working:
        if lasts is None or capacity is None or torque is None or rpm is None or angle is None:
            return Working(source=LIVES)
        last = step(
            "L",
            "H * n_0 / n * β_0 / max(β, b) * (C / T)**p",
            tabled("H", LIFE_H, "h", "at which the capacity is stated"),
            tabled("n_0", LIFE_RPM, "rpm", "turning so fast"),
            tabled("β_0", LIFE_DEG, "°", "bent so far"),
            entered("n", rpm, "rpm", f"{one.field}.life_speed"),
            worked("β", angle, "°", "where its axle stands, at the most"),
            tabled("b", LEAST_DEG, "°", "that counts at the least"),
            entered("C", capacity, "N·m", f"{one.field}.joints.{j}.capacity"),
            entered("T", torque, "N·m", f"{one.field}.life_torque"),
            tabled("p", EXPONENT, "", "of needle bearings"),
            value=lasts,
            unit="h",
        )
        return Working(steps=(last,), source=LIVES)

    return judge.check(
        "maker_rating",
        key=f"{one.key}.j{j + 1}.life",
        title=f"{words}: lasts long enough",
        demand=line.life_h,
        capacity=lasts,
        unit="h",
        says="" if lasts is None else f"{fig(lasts, 'h', 0)} in nine of ten.",
        missing=(*one.rest_missing, *one.standing_missing, *missing, *run.missing),
        inputs=(f"{one.field}.joints.{j}.capacity", f"{one.field}.life_torque", f"{one.field}.life_h"),
        station=one.station,
        working=working,
    )


def _most_bent(one: LineFound, j: int, torque_nm: float, length_mm: float) -> tuple[float, str, float, float] | None:
    """The side force of every way that it stands and is driven at its greatest, in which, and both joints' angles."""
    found = []
    for posed in one.posed:
        before, at = (float(angle) for angle in posed.chain.angles_deg[j - 1 : j + 1])
        force = centre_force_n(torque_nm=torque_nm, before_deg=before, at_deg=at, length_mm=length_mm)
        found.append((force, posed.name, before, at))
    return max(found, default=None)


def _pushed(one: LineFound, j: int, needs: AxlesNeeds, judge: Judge) -> Check:
    line, words = one.line, f"{one.line.name}, bearing {j}"
    torque, rating = None if one.load is None else one.load.design_nm, line.bearing.rating_n
    masses = [positive_of(tube.mass) for tube in line.tubes[j - 1 : j + 1]]
    length = None if one.rides_mm is None else float(one.rides_mm[j - 1])
    most = None if torque is None or not length else _most_bent(one, j, torque, length)
    weight_n = sum(mass or 0.0 for mass in masses) / 2 * GRAVITY_MS2
    force = None if most is None else most[0] + weight_n
    missing = missing_of(
        {
            f"{words}: the greatest side force that its maker allows": rating,
            f"{line.name}: the mass of the shafts on either side of bearing {j}": None not in masses,
        }
    )

    def working() -> Working:
        if most is None or force is None or torque is None or length is None:
            return Working(source=PUSHED)
        couples, where, before, at = most
        pushed = step(
            "F_c",
            "T * (tan(β_1) + sin(β_2)) / L",
            worked("T", torque, "N·m", "design torque of the propshaft, at Ratios"),
            worked("β_1", before, "°", f"joint {j}, {where}"),
            worked("β_2", at, "°", f"joint {j + 1}"),
            worked("L", length, "mm", "from the one to the other"),
            value=couples,
            unit="N",
        )
        both = worked("m", sum(mass or 0.0 for mass in masses), "kg", "of both shafts")
        g = tabled("g", GRAVITY_MS2, "m/s²", "standard gravity")
        weight = step("W", "m / 2 * g", both, g, value=weight_n, unit="N")
        whole = step("F", "F_c + W", pushed, weight, value=force, unit="N")
        return Working(steps=(pushed, weight, whole), source=PUSHED)

    return judge.check(
        "maker_rating",
        key=f"{one.key}.bearing{j}.force",
        title=f"{words}: what bent joints push",
        demand=force,
        capacity=rating,
        unit="N",
        says="" if most is None else f"{fig(force, 'N', 0)}, twice a turn, {most[1]}.",
        missing=(
            *one.ends_missing,
            *one.standing_missing,
            *one.moves_missing,
            *one.wind_missing,
            *load_missing("propshaft", line.name, one.load, needs),
            *missing,
        ),
        inputs=(f"{one.field}.bearing", f"{one.field}.tubes"),
        station=one.station,
        working=working,
    )


def _turns(one: LineFound, j: int, judge: Judge) -> Check:
    words, greatest = f"{one.line.name}, bearing {j}", positive_of(one.line.bearing.greatest)
    missing = missing_of({f"{words}: the top speed that its maker allows": greatest})

    def working() -> Working:
        if one.rpm is None:
            return Working()
        turns = worked("n_s", one.rpm, "rpm", "of the propshaft at the wanted top speed, at Ratios")
        whole = tabled("i", 1.0, "", "it turns with the shaft")
        return Working(steps=(step("n", "i * n_s", whole, turns, value=one.rpm, unit="rpm"),))

    return judge.check(
        "maker_rating",
        key=f"{one.key}.bearing{j}.speed",
        title=f"{words}: its speed",
        demand=one.rpm,
        capacity=greatest,
        unit="rpm",
        says="" if one.rpm is None else f"{fig(one.rpm, 'rpm', 0)} at the wanted top speed.",
        missing=(*one.speed_missing, *missing),
        inputs=(f"{one.field}.bearing",),
        station=one.station,
        working=working,
    )
