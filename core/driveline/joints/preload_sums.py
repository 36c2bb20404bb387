"""Sums of a screw's preload and of what pulls on it, that several workings share."""

from typing import Final

from driveline.gearing.road import GRAVITY_MS2
from driveline.joints.screws import (
    NUT_FACTOR,
    Loads,
    Place,
    Worked,
)
from driveline.metal.bolts import (
    SETTLED_MM,
    STEEL_MODULUS_MPA,
    BoltClass,
    Thread,
)
from driveline.sheet import value_of
from driveline.working import Given, Step, entered, step, tabled, worked

BUMP_G: Final = 3.0
WORST_WAY: Final = (
    "The worst direction of the moment, sought for every screw by itself: from 360 directions on, by Newton's steps to "
    "the last digit; q is its y/Σy² there."
)


def diameter_of(size: Thread) -> Given:
    """Return the diameter of a thread."""
    return tabled("d", size.diameter_mm, "mm", f"{size.name}")


def pitch_of(size: Thread) -> Given:
    """Return the pitch of a thread."""
    return tabled("p", size.pitch_mm, "mm", f"pitch of {size.name}")


def stress_area_step(size: Thread) -> Step:
    """Return the tensile stress area of a thread."""
    factor = "0.9743" if size.is_inch else "0.9382"
    d, p = diameter_of(size), pitch_of(size)
    return step("A_s", f"pi / 4 * (d - {factor} * p)**2", d, p, value=size.stress_area_mm2, unit="mm²", decimals=1)


def proof_step(strength: BoltClass, area: Step, proof_n: float) -> Step:
    """Return what a screw is proved for."""
    proof = tabled("R_p", strength.proof_mpa, "MPa", f"proof of {strength.name}")
    return step("F_proof", "R_p * A_s", proof, area, value=proof_n, unit="N")


def preload_steps(worked_on: Worked) -> tuple[Step, ...]:
    """Return the mean preload, F, and where none is stated the tightening torque that it comes of; empty if unknown."""
    size, strength, joint = worked_on.size, worked_on.strength, worked_on.joint
    tightening_nm, condition = worked_on.result.tightening_nm, joint.condition
    if worked_on.preload_n is None or tightening_nm is None or condition is None:
        return ()
    d, field = diameter_of(size), worked_on.place.fields.joint
    nut = tabled("K", NUT_FACTOR[condition], "", f"{condition.value} thread and head")
    torque: Given | Step = entered("T", tightening_nm, "N·m", f"{field}.tightening")
    before: tuple[Step, ...] = ()
    if worked_on.result.tightening_is_usual and strength is not None:
        area = stress_area_step(size)
        proof = tabled("R_p", strength.proof_mpa, "MPa", f"proof of {strength.name}")
        torque = step(
            "T",
            "0.70 * R_p * A_s * K * d",
            proof,
            area,
            nut,
            d,
            value=tightening_nm,
            unit="N·m",
            decimals=1,
            words="for 70 % of proof, as none is stated",
        )
        before = (area, torque)
    return (*before, step("F", "T / (K * d)", torque, nut, d, value=worked_on.preload_n, unit="N", words="on the mean"))


def greatest_steps(worked_on: Worked, greatest_n: float | None) -> tuple[Step, ...]:
    """Return the preload that tightening by torque may reach; empty if unknown."""
    steps = preload_steps(worked_on)
    if not steps or greatest_n is None:
        return ()
    return (*steps, step("F_great", "1.25 * F", steps[-1], value=greatest_n, unit="N", words="tightening scatters"))


def least_steps(worked_on: Worked, least_n: float | None) -> tuple[Step, ...]:
    """Return the preload that is left for certain; empty if unknown."""
    steps = preload_steps(worked_on)
    place, size = worked_on.place, worked_on.size
    if not steps or least_n is None or worked_on.settles_n is None or place.grip_mm is None:
        return ()
    found = next((one for one in steps if one.symbol == "A_s"), None)
    area = found or stress_area_step(size)
    first = () if found else (area,)
    settles = step(
        "F_settle",
        "δ * E * A_s / (t_grip + w + d)",
        tabled("δ", SETTLED_MM, "mm", "VDI 2230-1: 3 µm in thread, 3 under the head, 2 at the joint"),
        tabled("E", STEEL_MODULUS_MPA, "MPa", "steel"),
        area,
        worked("t_grip", place.grip_mm, "mm", place.fields.grip),
        entered("w", value_of(worked_on.joint.washer) or 0.0, "mm", f"{place.fields.joint}.washer"),
        diameter_of(size),
        value=worked_on.settles_n,
        unit="N",
        words="lost as the surfaces settle",
    )
    least = step("F_least", "max(0.75 * F - F_settle, 0)", steps[-1], settles, value=least_n, unit="N")
    return (*steps, *first, settles, least)


def pull_steps(place: Place, loads: Loads, tension_n: float | None) -> tuple[Step, ...]:
    """Return what the worst case, or the overhung motor in a bump, pulls on one screw; empty if unknown."""
    if (most := loads.most_pulled) is not None:
        pulled = worked("F_t", most.tension_n, "N", f"on the screw that is worst off, {most.words}")
        return (step("F_pull", "max(F_t, 0)", pulled, value=max(most.tension_n, 0.0), unit="N"),)
    if not place.hangs or tension_n is None or loads.motor_kg is None or place.lever_mm is None:
        return ()
    moment_nm = loads.motor_kg * GRAVITY_MS2 * BUMP_G * place.lever_mm / 1000
    moment = step(
        "M",
        "m * g * bump * h",
        worked("m", loads.motor_kg, "kg", place.fields.load[0]),
        tabled("g", GRAVITY_MS2, "m/s²", "standard gravity"),
        tabled("bump", BUMP_G, "", "a customary bump, not a code"),
        worked("h", place.lever_mm, "mm", place.fields.load[-1]),
        value=moment_nm,
        unit="N·m",
    )
    share = tension_n / (moment_nm * 1000) if moment_nm else 0.0
    q = worked("q", share, "1/mm", "the screws' places: y/Σy² in the worst direction")
    return moment, step("F_pull", "M * q", moment, q, value=tension_n, unit="N", words="on the farthest screw")
