"""Ears of a bracket: bearing, tear-out, net section, and their foot bent both ways."""

import math
from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
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
class FootStress:
    """What a force at an ear's hole does at its foot; all at one corner, which is safe."""

    direct_mpa: float
    in_plane_mpa: float
    side_mpa: float
    shear_mpa: float

    @property
    def corner_mpa(self) -> float:
        """Pull and both bendings together: judged on 0.6 of yield."""
        return self.direct_mpa + self.in_plane_mpa + self.side_mpa

    @property
    def with_shear_mpa(self) -> float:
        """The same with direct shear at one place."""
        return math.sqrt(self.corner_mpa**2 + 3 * self.shear_mpa**2)


def foot_stress(
    *,
    root_mm: float,
    thickness_mm: float,
    height_mm: float,
    pull_n: float,
    in_plane_n: float,
    side_n: float,
    short_depths: float = math.inf,
) -> FootStress:
    """Return the stresses at the foot of an ear.

    Args:
        root_mm: Its width there.
        thickness_mm: Of its plate.
        height_mm: From the foot to the hole's middle.
        pull_n: Along its height, either way.
        in_plane_n: Along its width, either way.
        side_n: Across its plate, either way.
        short_depths: Direct shear counts where the ear is shorter than so many of its depth that way.

    Source:
        Beam at its foot, |N|/A + |M_in|/W_in + |M_side|/W_side at one corner; direct shear 1.5 V/A each way. Worked
        example ear-both-ways.
    """
    area = root_mm * thickness_mm
    ways = [(abs(in_plane_n), root_mm), (abs(side_n), thickness_mm)]
    sheared = [force for force, depth in ways if height_mm < short_depths * depth]
    return FootStress(
        direct_mpa=abs(pull_n) / area,
        in_plane_mpa=abs(in_plane_n) * height_mm / (thickness_mm * root_mm**2 / 6),
        side_mpa=abs(side_n) * height_mm / (root_mm * thickness_mm**2 / 6),
        shear_mpa=1.5 * math.hypot(*sheared, 0.0) / area,
    )


def worst_way_n(*, root_mm: float, height_mm: float, in_plane_n: float) -> tuple[float, float]:
    """Return a force in an ear's plane as the pull and the push across its width that stress its foot most, N.

    Which way the ear stands to the force is not said; so the worst is taken.

    Args:
        root_mm: Its width at the foot.
        height_mm: To the hole's middle.
        in_plane_n: The force, 0 or more.

    Source:
        |cos θ|/A + |sin θ| h/W is greatest where tan θ is h A/W = 6 h/b.
    """
    angle = math.atan2(6 * height_mm, root_mm)
    return in_plane_n * math.cos(angle), in_plane_n * math.sin(angle)


def foot_lines(root_mm: float, thickness_mm: float) -> Floats:
    """Return the fillets along both faces of an ear's foot, (2, 2, 2): x along its width, y across its plate.

    Args:
        root_mm: Width at the foot.
        thickness_mm: Of the plate.

    Source:
        Plain geometry.
    """
    x, y = root_mm / 2, thickness_mm / 2
    return np.array([[[-x, -y], [x, -y]], [[-x, y], [x, y]]])


@dataclass(frozen=True, slots=True, kw_only=True)
class EarStress:
    """What an ear comes to: stresses, and margins on what is allowed of yield."""

    bearing_mpa: float
    tear_out_mpa: float
    net_section_mpa: float
    bending_mpa: float  # across, by itself
    margins: dict[str, float]
    allowed: dict[str, float]  # MPa, by the same names

    @property
    def governing(self) -> str:
        """What fails first."""
        return min(self.margins, key=lambda name: self.margins[name])

    @property
    def margin(self) -> float:
        """The least."""
        return self.margins[self.governing]

    @property
    def governing_mpa(self) -> float:
        """The stress that does."""
        return {
            "bearing": self.bearing_mpa,
            "tear-out": self.tear_out_mpa,
            "net section": self.net_section_mpa,
            "bending": self.bending_mpa,
        }[self.governing]

    @property
    def allowed_mpa(self) -> float:
        """What of yield that may come to."""
        return self.allowed[self.governing]


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
        allowed={name: share * yield_mpa for name, _, share in stresses},
    )
