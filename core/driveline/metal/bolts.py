"""Screws and the joints they hold: stress area, preload, thread engagement, friction, pressure under the head."""

import math
from dataclasses import dataclass
from typing import Any, Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.tables.loader import table

SCATTER: Final = 0.25  # of preload, both ways, tightening by torque
USUAL_SHARE: Final = 0.70  # of proof load: a quarter more leaves the 1.1 that is wanted, and something for the load
STRIPS_AT: Final = 0.5  # of tensile, what a thread's flanks shear at
SHEAR_OF_PROOF: Final = 0.577  # a bolt's shear strength over its proof stress
SETTLED_MM: Final = 0.008  # in thread, under head and at one joint together
STEEL_MODULUS_MPA: Final = 205_000.0
STOCK_MM: Final = (10, 12, 16, 20, 25, 30, 35, 40, 45, 50, 55, 60, 65, 70, 75, 80, 90, 100, 110, 120)


@dataclass(frozen=True, slots=True, kw_only=True)
class Thread:
    """A thread by its standard name."""

    name: str
    diameter_mm: float
    pitch_mm: float
    clearance_mm: float | None  # ISO 273 medium hole, where the standard gives one
    head_mm: float  # of a socket head cap screw: ISO 4762, ASME B18.3
    is_inch: bool

    @property
    def stress_area_mm2(self) -> float:
        """Tensile stress area: ISO 898-1 for metric, ASME B1.1 for inch threads."""
        return math.pi / 4 * (self.diameter_mm - (0.9743 if self.is_inch else 0.9382) * self.pitch_mm) ** 2


@dataclass(frozen=True, slots=True, kw_only=True)
class BoltClass:
    """Strength of a screw."""

    name: str
    proof_mpa: float
    tensile_mpa: float


@dataclass(frozen=True, slots=True, kw_only=True)
class ThreadLimits:
    """The sizes that decide which thread strips: the smallest screw in the widest hole."""

    minor_internal_max_mm: float
    pitch_external_min_mm: float
    major_external_min_mm: float
    pitch_internal_max_mm: float


@dataclass(frozen=True, slots=True, kw_only=True)
class Stripping:
    """What pulls a thread out, and which of the two gives."""

    force_n: float
    is_tapped: bool  # else the screw's own thread


@dataclass(frozen=True, slots=True, kw_only=True)
class Engagement:
    """Length in thread at which the screw breaks before either thread strips."""

    same_strength_mm: float  # were hole and screw of one material
    strength_ratio: float  # J: above 1 the tapped material is the weaker
    least_mm: float


def thread_names() -> tuple[str, ...]:
    """Return the threads that are known, metric coarse first."""
    return tuple(row["name"] for row in table("threads")["threads"])


def thread(name: str) -> Thread:
    """Return a thread by its name, such as ``M10`` or ``3/8-16 UNC``.

    Raises:
        ImpossibleInput: If it is not in the table.
    """
    row: dict[str, Any] | None = next((row for row in table("threads")["threads"] if row["name"] == name), None)
    if row is None:
        raise ImpossibleInput("thread", name, "one of the threads listed, such as M10 or 3/8-16 UNC")
    return Thread(
        name=name,
        diameter_mm=row["diameter_mm"],
        pitch_mm=row["pitch_mm"],
        clearance_mm=row["clearance_mm"],
        head_mm=row["head_mm"],
        is_inch="per_inch" in row,
    )


def bolt_class(name: str, diameter_mm: float) -> BoltClass:
    """Return the strength of a property class or grade at a size.

    Args:
        name: As marked on the head: ``8.8``, ``10.9``, ``12.9``, ``grade_5``, ``grade_8``.
        diameter_mm: Of the thread, above 0.

    Raises:
        ImpossibleInput: If the class is not known at that size.

    Source:
        ISO 898-1 (classes), SAE J429 (grades).
    """
    rows = table("bolt_classes")["classes"]
    row = next((row for row in rows if row["name"] == name and diameter_mm <= row["up_to_mm"]), None)
    if row is None:
        raise ImpossibleInput("property_class", name, "8.8, 10.9, 12.9, grade 5 or grade 8, at a size that it covers")
    return BoltClass(name=name, proof_mpa=row["proof_mpa"], tensile_mpa=row["tensile_mpa"])


def preload_n(*, tightening_nm: float, nut_factor: float, diameter_mm: float) -> float:
    """Return the mean preload of a screw tightened by torque, N: F = T/(K d).

    Tightened alike, screws differ by a quarter both ways: judge joints at 0.75 of it, screws at 1.25.

    Args:
        tightening_nm: 0 or more.
        nut_factor: K, some 0.12 to 0.25.
        diameter_mm: Of the thread, above 0.

    Source:
        The usual short form; scatter of tightening by torque as VDI 2230 has it for a torque wrench, about ±25 %.
    """
    return tightening_nm * 1000 / (nut_factor * diameter_mm)


def usual_tightening_nm(*, size: Thread, strength: BoltClass, nut_factor: float) -> float:
    """Return the torque that loads a screw to 70 % of proof, N·m; 75 % and its scatter would pass the wanted 1.1.

    Args:
        size: Of the thread.
        strength: Of the screw.
        nut_factor: K of its thread and head.

    Source:
        T = K F d at F = 0.70 R_p A_s.
    """
    return USUAL_SHARE * strength.proof_mpa * size.stress_area_mm2 * nut_factor * size.diameter_mm / 1000


def thread_limits(size: Thread) -> ThreadLimits:
    """Return the limits of a 6H hole on a 6g screw, from the formulas that the tables are rounded from.

    Source:
        ISO 965-1: es = −(15 + 11 P), T_d2 = 90 P^0.4 d^0.1, T_D2 = 1.32 T_d2, T_D1 = 230 P^0.7,
        T_d = 180 P^(2/3) − 3.15/√P, micrometres. Within 5 µm of the tables for M8. Taken for inch threads too.
    """
    d, p = size.diameter_mm, size.pitch_mm
    allowance_mm = (15 + 11 * p) / 1000
    pitch_tolerance_mm = 0.090 * p**0.4 * d**0.1
    pitch_diameter_mm = d - 0.6495 * p
    return ThreadLimits(
        minor_internal_max_mm=d - 1.0825 * p + 0.230 * p**0.7,
        pitch_external_min_mm=pitch_diameter_mm - allowance_mm - pitch_tolerance_mm,
        major_external_min_mm=d - allowance_mm - (0.180 * p ** (2 / 3) - 0.00315 / math.sqrt(p)),
        pitch_internal_max_mm=pitch_diameter_mm + 1.32 * pitch_tolerance_mm,
    )


def engagement(*, size: Thread, sizes: ThreadLimits, bolt_tensile_mpa: float, tapped_tensile_mpa: float) -> Engagement:
    """Return how far a screw must be in thread to break before a thread strips.

    Args:
        size: The thread.
        sizes: Of the smallest screw in the widest hole.
        bolt_tensile_mpa: Of the screw.
        tapped_tensile_mpa: Of what it is screwed into; above 0.

    Returns:
        Effective length: the point's first pitch and any countersink come on top of it.

    Source:
        Machinery's Handbook, working strength of screw threads: L_e = 2 A_t/[K_n π (1/2 + 0.57735 n (E_s − K_n))],
        J = A_s R_screw/(A_n R_tapped), L = L_e max(1, J).
    """
    if not tapped_tensile_mpa > 0:
        raise ImpossibleInput("tapped_tensile_mpa", tapped_tensile_mpa, "above 0 MPa")
    external, internal = sheared_mm2_per_mm(size, sizes)
    same_mm = 2 * size.stress_area_mm2 / external
    ratio = external * bolt_tensile_mpa / (internal * tapped_tensile_mpa)
    return Engagement(same_strength_mm=same_mm, strength_ratio=ratio, least_mm=same_mm * max(1.0, ratio))


def sheared_mm2_per_mm(size: Thread, sizes: ThreadLimits) -> tuple[float, float]:
    """Return what is sheared in the screw's thread and in the hole's, mm² for each mm of length.

    Args:
        size: The thread.
        sizes: Of the smallest screw in the widest hole.

    Source:
        Machinery's Handbook, working strength of screw threads: π K_n/p (p/2 + 0.57735 (E_s − K_n)) and
        π D_s/p (p/2 + 0.57735 (D_s − E_n)).
    """
    half, minor, major = size.pitch_mm / 2, sizes.minor_internal_max_mm, sizes.major_external_min_mm
    of_screw = math.pi * minor / size.pitch_mm * (half + 0.57735 * (sizes.pitch_external_min_mm - minor))
    of_hole = math.pi * major / size.pitch_mm * (half + 0.57735 * (major - sizes.pitch_internal_max_mm))
    return of_screw, of_hole


def stripping(
    *, size: Thread, sizes: ThreadLimits, engaged_mm: float, bolt_tensile_mpa: float, tapped_tensile_mpa: float
) -> Stripping:
    """Return the force that strips a thread, and whose gives.

    Args:
        size: The thread.
        sizes: Of the smallest screw in the widest hole.
        engaged_mm: Effective length, without point and countersink; 0 or more.
        bolt_tensile_mpa: Of the screw, above 0.
        tapped_tensile_mpa: Of what it is screwed into, above 0.

    Source:
        0.5 × tensile × what is sheared: FED-STD-H28; the weaker of the two threads.
    """
    of_screw, of_hole = sheared_mm2_per_mm(size, sizes)
    screw_n = STRIPS_AT * bolt_tensile_mpa * of_screw * engaged_mm
    hole_n = STRIPS_AT * tapped_tensile_mpa * of_hole * engaged_mm
    return Stripping(force_n=min(screw_n, hole_n), is_tapped=hole_n < screw_n)


def greatest_preload_n(mean_n: float) -> float:
    """Return the preload that tightening by torque may reach, N.

    Args:
        mean_n: As ``preload_n`` gives it.

    Source:
        1.25 × the mean; as VDI 2230 has tightening by torque.
    """
    return (1 + SCATTER) * mean_n


def least_preload_n(mean_n: float, settles_n: float, separating_n: float = 0.0) -> float:
    """Return the preload that is left for certain, N: the least by torque, less what settles and parts; not below 0.

    Args:
        mean_n: As ``preload_n`` gives it.
        settles_n: Lost as the surfaces settle.
        separating_n: What a load from outside takes off the clamp.

    Source:
        0.75 × the mean less the losses, VDI 2230 5.4.2.
    """
    return max((1 - SCATTER) * mean_n - settles_n - separating_n, 0.0)


def proof_load_n(size: Thread, strength: BoltClass) -> float:
    """Return the load that a screw is proved for, N.

    Args:
        size: Of the thread.
        strength: Of the screw.

    Source:
        Proof stress × stress area (ISO 898-1, SAE J429).
    """
    return strength.proof_mpa * size.stress_area_mm2


def quick_engagement_mm(*, size: Thread, bolt_tensile_mpa: float, tapped_tensile_mpa: float) -> float:
    """Return the quick form, which asks for more: 2 A_s/[½ π (d − 0.64952 p)] · max(1, R_screw/R_tapped).

    Args:
        size: Of the thread.
        bolt_tensile_mpa: Of the screw, above 0.
        tapped_tensile_mpa: Of what it is screwed into, above 0.

    Source:
        FED-STD-H28, shear of the internal thread at its pitch cylinder, twice for safety.
    """
    sheared = math.pi / 2 * (size.diameter_mm - 0.64952 * size.pitch_mm)
    return 2 * size.stress_area_mm2 / sheared * max(1.0, bolt_tensile_mpa / tapped_tensile_mpa)


def friction_torque_nm(*, count: int, preload_n: float, circle_mm: float, mu: float) -> float:
    """Return the torque that a clamped face carries by friction, N·m: n μ F D/2.

    Args:
        count: Screws.
        preload_n: Of each, 0 or more.
        circle_mm: Diameter through their centres.
        mu: Friction of the faces.

    Source:
        T = n μ F D/2, Coulomb.
    """
    return count * mu * preload_n * circle_mm / 2000


def mean_radius_mm(xy_mm: Floats) -> float:
    """Return how far screws stand from their centroid on the mean, mm.

    Args:
        xy_mm: Their places, (n, 2).

    Source:
        Friction of alike screws turns about their centroid, Σ r / n (statics).
    """
    about = np.asarray(xy_mm) - np.mean(xy_mm, axis=0)
    return float(np.hypot(*about.T).mean())


def shear_allowable_mpa(proof_mpa: float) -> float:
    """Return the shear stress that a screw or dowel may bear, MPa: 0.577 × proof (von Mises).

    Args:
        proof_mpa: Above 0.

    Source:
        τ = σ/√3, von Mises.
    """
    return SHEAR_OF_PROOF * proof_mpa


def shear_forces_n(
    xy_mm: Floats, *, torque_nm: float, force_n: tuple[float, float] = (0.0, 0.0)
) -> tuple[Floats, Floats]:
    """Return the centroid of fitted screws or dowels, (2,), mm, and what each of them bears, (n, 2), N.

    Only fitted ones share like this: in clearance holes one of them bears first.

    Args:
        xy_mm: Where they are, (n, 2), mm; not all in one place.
        torque_nm: In the plane, anticlockwise.
        force_n: In the plane, at the centroid.

    Raises:
        ImpossibleInput: If all stand in one place.

    Source:
        V/n and T r_i/Σr_j² about the centroid, added as vectors (Shigley, bolted joints in shear).
    """
    xy = np.asarray(xy_mm, dtype=float)
    centroid: Floats = xy.mean(axis=0)
    about = xy - centroid
    second_mm2 = float((about**2).sum())
    if not second_mm2 > 0:
        raise ImpossibleInput("holes", len(xy), "two or more in different places")
    across = np.column_stack([-about[:, 1], about[:, 0]])
    forces: Floats = torque_nm * 1000 * across / second_mm2 + np.array(force_n) / len(xy)
    return centroid, forces


def embedding_loss_n(*, size: Thread, grip_mm: float) -> float:
    """Return the preload that settles away after tightening, N: what surfaces flatten over what the screw stretches.

    The screw is taken as its stress area over the grip and half a diameter at either end, the clamped parts as stiff:
    short screws lose most.

    Args:
        size: The thread.
        grip_mm: What is clamped; above 0.

    Raises:
        ImpossibleInput: If nothing is clamped.

    Source:
        Settling by VDI 2230-1, f_Z = 3 µm in the thread, 3 under the head, 2 at the joint, surfaces of Rz 10 to 40.
    """
    if not grip_mm > 0:
        raise ImpossibleInput("grip_mm", fig(grip_mm, "mm"), "above 0")
    stretched_mm = grip_mm + size.diameter_mm
    return SETTLED_MM * STEEL_MODULUS_MPA * size.stress_area_mm2 / stretched_mm


def head_pressure_mpa(*, force_n: float, bears_mm: float, hole_mm: float) -> float:
    """Return the pressure under a head or washer, MPa.

    Args:
        force_n: Of the screw, 0 or more.
        bears_mm: Diameter of head or washer.
        hole_mm: Under it; above 0, below ``bears_mm``.

    Raises:
        ImpossibleInput: If what bears is no larger than its hole.

    Source:
        p = F/A of the ring.
    """
    if not bears_mm > hole_mm > 0:
        raise ImpossibleInput("head", fig(bears_mm, "mm"), f"larger than its hole, {fig(hole_mm, 'mm')}")
    return force_n / (math.pi / 4 * (bears_mm**2 - hole_mm**2))
