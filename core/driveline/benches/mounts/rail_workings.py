"""Workings of a rail's wall under a bracket, and of a boxed arm's seams."""

import math
from typing import Final

from driveline.benches.mounts.brackets import STEEL, Arm
from driveline.benches.mounts.loaded import Loaded
from driveline.benches.mounts.root_loads import RootLoad
from driveline.benches.mounts.sheet import ArmKind
from driveline.metal.chord_face import ROUND, WIDEST, ChordFace
from driveline.sheet import positive_of
from driveline.working import Given, Step, Working, entered, entered_or_usual, step, tabled, worked

FACE: Final = (
    "Chord face failure, EN 1993-1-8 tables 7.11 and 7.14, square to the rail and not loaded along it; all added. "
    "A foot wider than 0.85 of the face counts as that."
)
SEAM: Final = "V Q/(2 I) both ways and T/(2 A_m), all added; over the throat of the corner's weld."


def face_working(
    one: Loaded, arm: Arm, found: ChordFace, load: RootLoad, share: float, *, across_runs: bool
) -> Working:
    """Return how much of what folds a rail's face in is used."""
    bears = _bears(one, arm, found, across_runs=across_runs)
    ways = (load.bends_across_nmm, load.bends_upright_nmm)
    first, second = ways if across_runs else reversed(ways)
    used = step(
        "s",
        "P / N + m_1 / M_1 + m_2 / M_2",
        worked("P", load.pull_n, "N", f"along the arm, {one.names[load.row]}"),
        worked("m_1", first / 1000, "N·m", "tips it along the rail"),
        worked("m_2", second / 1000, "N·m", "tips it across"),
        *bears[-3:],
        value=share,
        unit="",
        decimals=2,
    )
    return Working(steps=(*bears, used), source=FACE)


def _bears(one: Loaded, arm: Arm, found: ChordFace, *, across_runs: bool) -> tuple[Step, ...]:
    """What the face bears: β, η, and the three loads that each fold it by themselves."""
    bracket, field = one.mount.sheet.bracket, f"{one.mount.field}.bracket"
    sizes = (arm.section.breadth_mm, arm.section.depth_mm)
    along_mm, across_mm = sizes if across_runs else reversed(sizes)
    given = (
        worked("h", along_mm, "mm", "of its foot, along the rail"),
        worked("b", across_mm, "mm", "of its foot, across"),
        entered("b_0", positive_of(bracket.rail.face) or 0.0, "mm", f"{field}.rail.face"),
        entered("t", positive_of(bracket.base) or 0.0, "mm", f"{field}.base"),
        rail_yield(one),
    )
    return bears_steps(found, given, form=ROUND if bracket.kind is ArmKind.TUBE else 1.0)


def rail_yield(one: Loaded) -> Given:
    """Return the yield of a rail: its own, or the usual one."""
    own = one.mount.sheet.bracket.rail.yield_mpa
    at = f"{one.mount.field}.bracket.rail.yield_mpa"
    return entered_or_usual("f", own or STEEL.yield_mpa, "MPa", at, is_usual=own is None)


def bears_steps(
    found: ChordFace, given: tuple[Given | Step, Given | Step, Given, Given, Given], *, form: float
) -> tuple[Step, ...]:
    """Return what a face bears, from h, b, b_0, t and f: the last three steps are N, M_1 and M_2."""
    along, across, face, wall, yielding = given
    form_of = tabled("c", form, "", "foot: π/4 round, 1 square")
    widest = tabled("w", WIDEST, "", "of the face, at most")
    beta = step("β", "min(b / b_0, w)", across, face, widest, value=found.breadth_share, unit="", decimals=3)
    eta = step("η", "h / b_0", along, face, value=found.length_share, unit="", decimals=3)
    shared = (form_of, yielding, wall)
    pull = "c * f * t**2 / (1 - β) * (2 * η + 4 * sqrt(1 - β))"
    tips_along = "c * f * t**2 * h * (1 / (2 * η) + 2 / sqrt(1 - β) + η / (1 - β))"
    tips_across = "c * f * t**2 * (h * (1 + β) / (2 * (1 - β)) + b_0 * sqrt(2 * β * (1 + β) / (1 - β)))"
    return (
        beta,
        eta,
        step("N", pull, *shared, beta, eta, value=found.pull_n, unit="N"),
        step("M_1", tips_along, *shared, along, eta, beta, value=found.along_nmm / 1000, unit="N·m"),
        step("M_2", tips_across, *shared, along, face, beta, value=found.across_nmm / 1000, unit="N·m"),
    )


def seam_working(
    one: Loaded,
    arm: Arm,
    load: RootLoad,
    flows_n_per_mm: tuple[float, float, float],
    sizes_mm: tuple[float, float],
    stress_mpa: float,
) -> Working:
    """Return the stress along the corners of a boxed arm: of its flows, of its wall and the leg that counts."""
    field, section, case = f"{one.mount.field}.bracket", arm.section, one.names[load.row]
    breadth = entered("b", section.breadth_mm, "mm", f"{field}.breadth")
    depth = entered("d", section.depth_mm, "mm", f"{field}.depth")
    wall = entered("t", sizes_mm[0], "mm", f"{field}.wall")
    leg = worked("l", sizes_mm[1], "mm", "of their leg, as far as the wall counts")
    upright = worked("U", load.upright_n, "N", f"upright, {case}")
    across = worked("S", load.across_n, "N", f"across, {case}")
    twist = worked("T", load.twists_nmm / 1000, "N·m", "twists it")
    i_u = worked("I_u", section.upright_mm4, "mm⁴", section.words)
    i_a = worked("I_a", section.across_mm4, "mm⁴", section.words)
    each = (
        ("τ_u", "U * b * t * (d - t) / (4 * I_u) * sqrt(2) / l", (upright, i_u)),
        ("τ_a", "S * d * t * (b - t) / (4 * I_a) * sqrt(2) / l", (across, i_a)),
        ("τ_t", "T / (2 * (b - t) * (d - t)) * sqrt(2) / l", (twist,)),
    )
    parts = tuple(
        step(
            symbol,
            expression,
            *given,
            breadth,
            depth,
            wall,
            leg,
            value=flow * math.sqrt(2) / sizes_mm[1],
            unit="MPa",
            decimals=1,
        )
        for (symbol, expression, given), flow in zip(each, flows_n_per_mm, strict=True)
    )
    last = step("τ", "τ_u + τ_a + τ_t", *parts, value=stress_mpa, unit="MPa", decimals=1)
    return Working(steps=(*parts, last), source=SEAM)
