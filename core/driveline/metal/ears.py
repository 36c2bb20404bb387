"""Ears of a bracket: bearing, tear-out, net section and bending across."""

from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput
from driveline.figures import fig

# Of yield, ENGINEERING 13.
BEARING: Final = 0.9
SHEAR: Final = 0.4
NET_TENSION: Final = 0.6
BENDING: Final = 0.6


@dataclass(frozen=True, slots=True, kw_only=True)
class Ear:
    """An ear of plate: a hole near its rounded end, its foot welded or bolted."""

    bolt_mm: float
    hole_mm: float
    thickness_mm: float
    width_mm: float  # across the hole
    edge_mm: float  # from the hole's edge to the plate's edge
    root_mm: float  # width at the foot
    height_mm: float  # from the foot to the hole's middle

    def __post_init__(self) -> None:
        if not self.bolt_mm > 0 or not self.thickness_mm > 0 or not self.edge_mm > 0 or not self.root_mm > 0:
            least = min(self.bolt_mm, self.thickness_mm, self.edge_mm, self.root_mm)
            raise ImpossibleInput("ear", least, "of sizes above 0, its edge beyond its hole")
        if self.hole_mm < self.bolt_mm:
            raise ImpossibleInput(
                "hole", fig(self.hole_mm, "mm"), f"no smaller than its bolt, {fig(self.bolt_mm, 'mm')}"
            )
        if self.width_mm <= self.hole_mm:
            raise ImpossibleInput("width", fig(self.width_mm, "mm"), f"above its hole's {fig(self.hole_mm, 'mm')}")


@dataclass(frozen=True, slots=True, kw_only=True)
class EarStress:
    """What an ear comes to: stresses, and margins on what is allowed of yield."""

    bearing_mpa: float
    tear_out_mpa: float
    net_section_mpa: float
    bending_mpa: float
    margins: dict[str, float]

    @property
    def governing(self) -> str:
        """What fails first."""
        return min(self.margins, key=lambda name: self.margins[name])

    @property
    def margin(self) -> float:
        """The least."""
        return self.margins[self.governing]


def ear_stress(ear: Ear, *, force_n: float, side_n: float, yield_mpa: float) -> EarStress:
    """Return the stresses of one ear.

    Args:
        ear: Its sizes.
        force_n: In its plane, at the hole.
        side_n: Square to it, at the hole: bends it about its thin direction.
        yield_mpa: Of the plate.

    Source:
        Bearing F/(d t), tear-out F/(2 e t) from the hole's edge, net section F/((w - d) t), bending F h/(b t²/6);
        allowed 0.9, 0.4, 0.6 and 0.6 of yield. Worked example ear-bracket.
    """
    thick = ear.thickness_mm
    bearing = force_n / (ear.bolt_mm * thick)
    tear_out = force_n / (2 * ear.edge_mm * thick)
    net = force_n / ((ear.width_mm - ear.hole_mm) * thick)
    bending = side_n * ear.height_mm / (ear.root_mm * thick**2 / 6)
    stresses = (
        ("bearing", bearing, BEARING),
        ("tear-out", tear_out, SHEAR),
        ("net section", net, NET_TENSION),
        ("bending", bending, BENDING),
    )
    return EarStress(
        bearing_mpa=bearing,
        tear_out_mpa=tear_out,
        net_section_mpa=net,
        bending_mpa=bending,
        margins={name: share * yield_mpa / stress if stress > 0 else float("inf") for name, stress, share in stresses},
    )
