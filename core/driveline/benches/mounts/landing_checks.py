"""Whether the bolts of a bracket's landing plate hold, and its plate between bolt and arm."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.benches.mounts.bolts import landing_joint, landing_place, landing_worked
from driveline.benches.mounts.brackets import Arm, beside_mm
from driveline.benches.mounts.landings import FIXING, BoltPull, LandingFound, bolt_pulls, landing_of
from driveline.benches.mounts.loaded import Loaded, field_inputs, lacking
from driveline.benches.mounts.sheet import ArmKind, MountKind
from driveline.benches.mounts.sleeve_checks import crush_check
from driveline.checks import Check
from driveline.figures import fig
from driveline.joints.preload_sums import least_steps, proof_step
from driveline.joints.pulled import pulled_checks
from driveline.joints.screws import Loads, Pull, Worked
from driveline.margins import Judge, missing_of
from driveline.metal.bolts import SHEAR_OF_PROOF
from driveline.sheet import positive_of
from driveline.working import Given, Step, Working, entered, step, tabled, worked

PRYING: Final = 1.3  # on the pull of a bolt whose plate bends
LOOSE_N: Final = 1.0
EDGE_FACTOR: Final = 1.5  # hole diameters from a hole's centre to the edge
BOLTED: Final = (
    "Should they slip: elastic about the bolts' middle, all directions at their worst at once; pull times 1.3 for "
    "prying against the least preload; shear on the thread at 0.577 of proof; both as a circle."
)
Worst = tuple[LandingFound, Arm, float, list[BoltPull]]


def landing_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the checks of a landing plate; none where the bracket is welded to the vehicle, or there is none."""
    if one.mount.sheet.kind is MountKind.ARM or one.mount.arm.is_none:
        return
    if one.mount.sheet.bracket.landing.is_there is False:
        return
    yield _bolts(one, judge)
    yield from _screwed(one, judge)
    yield _plate(one, judge)
    yield _edge(one, judge)
    yield crush_check(one, judge)


def _missing(one: Loaded, *asked: str) -> tuple[str, ...]:
    landing, name = one.mount.sheet.bracket.landing, one.mount.sheet.name
    known = {
        "said": (FIXING.format(name), landing.is_there),
        "size": (
            f"{name}: breadth, depth and thickness of its landing plate, and its bolts apart",
            landing_of(landing),
        ),
        "thread": (f"{name}: thread of its landing plate's bolts", landing.thread),
        "property_class": (f"{name}: strength of its landing plate's bolts", landing.property_class),
        "hole": (f"{name}: holes of its landing plate", positive_of(landing.hole)),
    }
    return missing_of(dict(known[word] for word in ("said", *asked)))


def worst_of(one: Loaded) -> Worst | None:
    """Return a landing plate, its arm, how far the load passes beside it, and what its bolts bear in every case."""
    found, arm = landing_of(one.mount.sheet.bracket.landing), one.mount.arm.arm
    offset = None if arm is None else beside_mm(one.mount.sheet.bracket, arm.section)
    if found is None or arm is None or offset is None or not len(one.forces_n):
        return None
    return found, arm, offset, bolt_pulls(found, arm, offset, one.forces_n, one.moments_nmm)


def _screwed(one: Loaded, judge: Judge) -> tuple[Check, ...]:
    """Its bolts as any other screws: far enough in, within proof, head, thread, and whether they slip."""
    worst = worst_of(one)
    pulls = () if worst is None else worst[3]
    loads = Loads(
        motor_kg=None,
        torque_nm=None,
        missing=(*lacking(one, "beside"), *_missing(one, "size")),
        pulls=tuple(
            Pull(words=one.names[each.row], tension_n=PRYING * each.pull_n, shear_n=each.shear_n) for each in pulls
        ),
    )
    place = landing_place(one, landing_of(one.mount.sheet.bracket.landing))
    return pulled_checks(landing_joint(one), place, loads, judge, slips=True)


def _bolts(one: Loaded, judge: Judge) -> Check:
    landing, sheet, worst = one.mount.sheet.bracket.landing, one.mount.sheet, worst_of(one)
    share, pull = None, None
    screws = landing_worked(one, landing_of(landing))
    proof_n, least_n = (None, None) if screws is None else (screws.proof_n, screws.least_n)
    if worst is not None and proof_n is not None and least_n is not None:
        shares = [_share(each, proof_n, least_n) for each in worst[3]]
        row = int(np.argmax(shares))
        share, pull = shares[row], worst[3][row]
    says = ""
    if pull is not None:
        says = f"{fig(PRYING * pull.pull_n, 'N', 0)} of pull and {fig(pull.shear_n, 'N', 0)} across, "
        says += f"in {one.names[pull.row]}."

    return judge.check(
        "bolt_proof",
        key=f"{one.key}.landing_bolts",
        title=f"Bolts of {sheet.name}'s landing plate",
        demand=share,
        capacity=1.0,
        unit="",
        says=says,
        missing=(
            *lacking(one, "beside"),
            *_missing(one, "size", "thread", "property_class"),
            *missing_of({f"{sheet.name}: how its landing plate's bolts are tightened, and on what": least_n}),
        ),
        inputs=field_inputs(one, "bracket.landing"),
        working=lambda: (
            Working(source=BOLTED)
            if worst is None or pull is None or screws is None or share is None
            else _bolts_working(worst, pull, screws, share)
        ),
    )


def _share(pull: BoltPull, proof_n: float, least_n: float) -> float:
    """What a bolt bears of what it can, pulled and sheared at once, as a circle."""
    tension = PRYING * pull.pull_n / max(least_n, LOOSE_N)
    return math.hypot(tension, pull.shear_n / (SHEAR_OF_PROOF * proof_n))


def _twisted(found: LandingFound, pull: BoltPull) -> tuple[Given, ...]:
    """The moments of twisted rubber, about the arm, level across it and upright."""
    across, upright = found.apart_mm
    levers = (("Q_a", math.hypot(across, upright) / 2), ("Q_l", upright), ("Q_u", across))
    return tuple(
        worked(name, moment / lever, "N", "of twisted rubber and ears that stand off, as a pair of forces on the bolts")
        for (name, lever), moment in zip(levers, pull.moment_nmm, strict=True)
    )


def _pull_steps(worst: Worst, pull: BoltPull) -> tuple[Step, Step]:
    """What pulls on the bolt that is worst off, and what shears it."""
    found, arm, offset, _ = worst
    length, beside = worked("L", arm.length_mm, "mm", "of the arm"), worked("e", offset, "mm", "load beside it")
    up, over = (
        worked("u", found.apart_mm[1], "mm", "bolts apart, upright"),
        worked("a", found.apart_mm[0], "mm", "across"),
    )
    upright = worked("U", pull.upright_n, "N", "upright at its end")
    across = worked("S", pull.across_n, "N", "across at its end")
    along = worked("P", pull.axial_n, "N", "along it")
    is_twisted = any(pull.moment_nmm)
    turned, level, standing = _twisted(found, pull)
    pulled = step(
        "F_t",
        "P / 4 + U * L / (2 * u) + (S * L + P * e) / (2 * a) + (Q_l + Q_u) / 2"
        if is_twisted
        else "P / 4 + U * L / (2 * u) + (S * L + P * e) / (2 * a)",
        *((level, standing) if is_twisted else ()),
        along,
        upright,
        length,
        up,
        across,
        beside,
        over,
        value=pull.pull_n,
        unit="N",
    )
    sheared = step(
        "F_v",
        "sqrt(S**2 + U**2) / 4 + U * e / (2 * sqrt(a**2 + u**2)) + Q_a / 4"
        if is_twisted
        else "sqrt(S**2 + U**2) / 4 + U * e / (2 * sqrt(a**2 + u**2))",
        *((turned,) if is_twisted else ()),
        across,
        upright,
        beside,
        over,
        up,
        value=pull.shear_n,
        unit="N",
    )
    return pulled, sheared


def _bolts_working(worst: Worst, pull: BoltPull, screws: Worked, share: float) -> Working:
    assert screws.strength is not None and screws.proof_n is not None
    pulled, sheared = _pull_steps(worst, pull)
    least = least_steps(screws, screws.least_n)
    area = next(one for one in least if one.symbol == "A_s")
    proof = proof_step(screws.strength, area, screws.proof_n)
    last = step(
        "s",
        "sqrt((q * F_t / max(F_least, l))**2 + (F_v / (k * F_proof))**2)",
        tabled("q", PRYING, "", "prying"),
        pulled,
        least[-1],
        tabled("l", LOOSE_N, "N", "loose, which is not endless"),
        sheared,
        proof,
        tabled("k", SHEAR_OF_PROOF, "", "shear over proof"),
        value=share,
        unit="",
        decimals=2,
    )
    return Working(steps=(pulled, sheared, *least, proof, last), source=BOLTED)


@dataclass(frozen=True, slots=True, kw_only=True)
class Bent:
    """A landing plate between its arm and the row of bolts that pulls."""

    force_n: float  # of each of two bolts, with prying
    lever_mm: float
    width_mm: float
    stress_mpa: float
    row: int


def bent_of(one: Loaded) -> Bent | None:
    """Return how the row of bolts that pulls most bends the plate beside the arm; ``None`` where none is past it."""
    sheet, worst = one.mount.sheet, worst_of(one)
    if worst is None:
        return None
    found, arm, _, pulls = worst
    pull = max(pulls, key=lambda each: each.pull_n)
    depth = positive_of(sheet.bracket.depth) or arm.section.depth_mm
    round_arm = sheet.bracket.kind is ArmKind.TUBE
    sizes = (depth if round_arm else positive_of(sheet.bracket.breadth) or arm.section.breadth_mm, depth)
    ways = [
        (max(apart - size, 0.0) / 2, width)
        for apart, size, width in zip(found.apart_mm, sizes, reversed(found.size_mm), strict=True)
    ]
    lever, width = max(ways, key=lambda way: way[0] / way[1])
    if not lever:
        return None
    force = PRYING * pull.pull_n
    stress = 6 * 2 * force * lever / (width * found.thickness_mm**2)
    return Bent(force_n=force, lever_mm=lever, width_mm=width, stress_mpa=stress, row=pull.row)


def _plate(one: Loaded, judge: Judge) -> Check:
    """The plate as a cantilever from the arm's wall to the row of bolts that pulls."""
    sheet, worst, bent = one.mount.sheet, worst_of(one), bent_of(one)
    missing = [*lacking(one, "beside"), *_missing(one, "size")]
    if worst is not None and bent is None:
        missing.append(f"{sheet.name}: bolts of its landing plate that stand beside its arm")

    def working() -> Working:
        source = "Both bolts of a row pull the plate off beside the arm's wall: σ = 6 M/(b t²)."
        if bent is None or worst is None:
            return Working(source=source)
        last = step(
            "σ",
            "6 * 2 * F * l / (b * t**2)",
            worked("F", bent.force_n, "N", f"pull of a bolt with prying, {one.names[bent.row]}"),
            worked("l", bent.lever_mm, "mm", "from the bolts to the arm's wall"),
            worked("b", bent.width_mm, "mm", "of the plate along that wall"),
            entered("t", worst[0].thickness_mm, "mm", f"{one.mount.field}.bracket.landing.thickness"),
            value=bent.stress_mpa,
            unit="MPa",
            decimals=1,
        )
        return Working(steps=(last,), source=source)

    return judge.check(
        "bracket_yield",
        key=f"{one.key}.landing_plate",
        title=f"Landing plate of {sheet.name}",
        demand=None if bent is None else bent.stress_mpa,
        capacity=one.yield_mpa,
        unit="MPa",
        says="" if bent is None else f"{fig(bent.stress_mpa, 'MPa', 0)} beside the arm.",
        missing=tuple(missing),
        inputs=field_inputs(one, "bracket.landing"),
        working=working,
    )


def _edge(one: Loaded, judge: Judge) -> Check:
    landing, sheet = one.mount.sheet.bracket.landing, one.mount.sheet
    found, hole = landing_of(landing), positive_of(landing.hole)
    least = None if found is None else min(found.edges_mm)

    def working() -> Working:
        source = "1.5 hole diameters from a hole's middle to the edge."
        if found is None or least is None:
            return Working(source=source)
        way = found.edges_mm.index(least)
        last = step(
            "c",
            "max((B - a) / 2, 0)",
            worked("B", found.size_mm[way], "mm", "size of the plate that way"),
            worked("a", found.apart_mm[way], "mm", "bolts apart that way"),
            value=max(least, 0.0),
            unit="mm",
            decimals=2,
        )
        return Working(steps=(last,), source=source)

    return judge.check(
        "clearance",
        key=f"{one.key}.landing_edge",
        title=f"Holes of {sheet.name}'s landing plate from its edge",
        demand=None if hole is None else EDGE_FACTOR * hole,
        capacity=None if least is None else max(least, 0.0),
        unit="mm",
        says="" if least is None else f"{fig(least, 'mm', 1)} from the middle of a hole to the nearest edge.",
        missing=_missing(one, "size", "hole"),
        inputs=field_inputs(one, "bracket.landing"),
        working=working,
    )
