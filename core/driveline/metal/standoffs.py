"""A plate that legs hold off a face: how its load goes down each leg, of whatever lengths they are."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats, crossed
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.metal.beams import top_stiffness
from driveline.metal.sections import Section
from driveline.space.pose import cross_matrix

LEAST_LEG_MM: Final = 1.0
ROUND_SHEAR: Final = 2.0  # greatest shear of a thin round tube over its mean; of a bar 4/3
SPREAD: Final = 0.6  # of the distance between legs, over which a load beside nothing spreads in a plate


@dataclass(frozen=True, kw_only=True)
class Legs:
    """Legs side by side. x runs along them to the plate; their tops lie in the plane x = 0."""

    places_mm: Floats  # (n, 2): y level across, z upright
    lengths_mm: Floats  # (n,)
    section: Section  # round, of each
    e_mpa: float

    def __post_init__(self) -> None:
        if not float(self.lengths_mm.min()) >= LEAST_LEG_MM:
            raise ImpossibleInput("leg", fig(float(self.lengths_mm.min()), "mm"), f"{fig(LEAST_LEG_MM, 'mm')} or more")
        apart = np.linalg.norm(self.places_mm[:, None] - self.places_mm[None], axis=2)
        least = float(apart[~np.eye(len(apart), dtype=bool)].min())
        if not least > self.section.depth_mm:
            raise ImpossibleInput("legs", fig(least, "mm"), f"apart by more than {fig(self.section.depth_mm, 'mm')}")

    @property
    def reach(self) -> Floats:
        """The move and turn of each top for a shift and small turn of the plate, (n, 6, 6)."""
        found = np.tile(np.eye(6), (len(self.places_mm), 1, 1))
        for one, (y, z) in zip(found, self.places_mm, strict=True):
            one[:3, 3:] = -cross_matrix(np.array([0.0, y, z]))
        return found

    @property
    def stiffness(self) -> Floats:
        """Of each top by itself, its foot held, (n, 6, 6), N/mm, N and N·mm."""
        return top_stiffness(self.section, self.lengths_mm, self.e_mpa)

    def plate(self) -> Floats:
        """What the plate is held with, (6, 6)."""
        reach = self.reach
        found: Floats = (reach.transpose(0, 2, 1) @ self.stiffness @ reach).sum(axis=0)
        return found


@dataclass(frozen=True, kw_only=True)
class LegEnds:
    """What each leg bears, force N then moment N·mm, a row each load and leg, (c, n, 6)."""

    tops: Floats
    feet: Floats


def leg_ends(legs: Legs, forces_n: Floats, at_mm: Floats, moments_nmm: Floats | None = None) -> LegEnds:
    """Return what goes down each leg.

    Args:
        legs: Them.
        forces_n: On the plate, (c, 3).
        at_mm: Where, from the middle of the legs' tops, (3,).
        moments_nmm: That act beside them, (c, 3).

    Source:
        Stiffness of a rigid plate on beams that are held at both ends, K q = load; 12 E I/L³, 6 E I/L², 4 E I/L, E A/L
        and G J/L of each. Legs of one length then sway in a double curve, F L/(2 n) at each end.
    """
    turning = crossed(at_mm, forces_n)
    loads = np.hstack([forces_n, turning if moments_nmm is None else turning + moments_nmm])
    moves = np.linalg.solve(legs.plate(), loads.T).T
    tops = np.einsum("nij,njk,ck->cni", legs.stiffness, legs.reach, moves)
    feet = tops.copy()
    # The foot lies a leg's length behind: F_y there turns about z, F_z about y the other way.
    feet[..., 5] += tops[..., 1] * legs.lengths_mm
    feet[..., 4] -= tops[..., 2] * legs.lengths_mm
    return LegEnds(tops=tops, feet=feet)


def flexibility_at(legs: Legs, at_mm: Floats) -> tuple[Floats, Floats]:
    """Return how far a place on the plate moves for a force there, mm/N, and turns for a moment, rad/N·mm, (3, 3).

    Args:
        legs: Them.
        at_mm: As in ``leg_ends``, (3,).

    Source:
        B K⁻¹ Bᵀ.
    """
    reach = np.hstack([np.eye(3), -cross_matrix(at_mm)])
    gives = np.asarray(np.linalg.inv(legs.plate()), dtype=np.float64)
    return np.asarray(reach @ gives @ reach.T, dtype=np.float64), gives[3:, 3:]


@dataclass(frozen=True, slots=True, kw_only=True)
class LegStress:
    """The end of a leg that is stressed most."""

    row: int  # of the load
    leg: int
    is_top: bool
    axial_n: float  # below nought: pushed
    moment_nmm: float
    torque_nmm: float
    shear_n: float
    normal_mpa: float
    shear_mpa: float
    combined_mpa: float


def leg_stress(legs: Legs, ends: LegEnds) -> LegStress:
    """Return the greatest stress of all legs under all loads.

    Args:
        legs: Them.
        ends: What they bear.

    Source:
        |N|/A + M r/I, T r/J + 2 V/A, √(σ² + 3 τ²).
    """
    section = legs.section
    both = np.stack([ends.tops, ends.feet])
    moment = np.hypot(both[..., 4], both[..., 5])
    shear_force = np.hypot(both[..., 1], both[..., 2])
    normal = np.abs(both[..., 0]) / section.area_mm2 + moment / section.modulus_mm3
    shear = np.abs(both[..., 3]) * section.shear_per_nmm + ROUND_SHEAR * shear_force / section.area_mm2
    combined = np.sqrt(normal**2 + 3 * shear**2)
    end, row, leg = (int(one) for one in np.unravel_index(int(combined.argmax()), combined.shape))
    at = (end, row, leg)
    return LegStress(
        row=row,
        leg=leg,
        is_top=end == 0,
        axial_n=float(both[at][0]),
        moment_nmm=float(moment[at]),
        torque_nmm=float(abs(both[at][3])),
        shear_n=float(shear_force[at]),
        normal_mpa=float(normal[at]),
        shear_mpa=float(shear[at]),
        combined_mpa=float(combined[at]),
    )


@dataclass(frozen=True, slots=True, kw_only=True)
class PlateStress:
    """Where a plate on legs is bent most."""

    row: int  # of the load
    where: str
    moment_nmm: float
    width_mm: float  # that bears it
    stress_mpa: float


def plate_stress(
    legs: Legs, ends: LegEnds, *, size_mm: tuple[float, float], thickness_mm: float, root_mm: float, at_mm: Floats
) -> PlateStress:
    """Return the greatest bending of the plate that the legs carry.

    Args:
        legs: Them.
        ends: What they bear.
        size_mm: Of the plate, across and upright.
        thickness_mm: Of it.
        root_mm: Breadth of what stands on its middle.
        at_mm: Where that is, from the middle of the legs' tops, (3,).

    Raises:
        ImpossibleInput: If a size is not above nought.

    Source:
        Statics of the plate cut level and upright through its load, which what stands there spreads evenly, each over
        the width that bears it: what stands there and 0.6 of the span, no wider than the plate; and beside a leg its
        own moment over its diameter and twice the thickness. σ = 6 M/(b t²). Held against finite elements in the tests,
        and never below them.
    """
    if not min(*size_mm, thickness_mm, root_mm) > 0:
        raise ImpossibleInput("plate", fig(min(*size_mm, thickness_mm, root_mm), "mm"), "of sizes above 0")
    tops, ways = ends.tops, list[tuple[str, Floats, float]]()
    for axis, words in ((0, "cut upright through its load"), (1, "cut level through its load")):
        off = legs.places_mm[:, axis] - float(at_mm[1 + axis])
        # About the cut's own line: F_x at y turns about z, at z about y, with the leg's own moment.
        turning, sense = (5, -1.0) if axis == 0 else (4, 1.0)
        each = sense * off * tops[..., 0] + tops[..., turning]
        span = float(np.ptp(legs.places_mm[:, axis]))
        width = min(root_mm + SPREAD * span, size_mm[1 - axis])
        # Half the load, a quarter of its breadth off the cut; what is broader than the span bears on the legs.
        spread = sense * tops[..., 0].sum(axis=1) * min(root_mm, span) / 8
        for side, way in ((off > 0, 1.0), (off <= 0, -1.0)):
            ways.append((words, np.abs(each[:, side].sum(axis=1) - way * spread), width))
    own = np.hypot(tops[..., 4], tops[..., 5]).max(axis=1)
    ways.append(("beside a leg", own, legs.section.depth_mm + 2 * thickness_mm))
    words, moments, width = max(ways, key=lambda way: float(way[1].max()) / way[2])
    row = int(moments.argmax())
    moment = float(moments[row])
    return PlateStress(
        row=row, where=words, moment_nmm=moment, width_mm=width, stress_mpa=6 * moment / (width * thickness_mm**2)
    )


def four_places_mm(across_mm: float, upright_mm: float) -> Floats:
    """Return the places of four legs about their middle, anticlockwise from the lower first one, (4, 2).

    Args:
        across_mm: From leg to leg.
        upright_mm: The same, the other way.

    Source:
        Plain geometry.
    """
    x, y = across_mm / 2, upright_mm / 2
    return np.array([[-x, -y], [x, -y], [x, y], [-x, y]])
