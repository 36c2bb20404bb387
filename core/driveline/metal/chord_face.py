"""The face of a hollow rail under what is welded on it: it bends in before the weld gives."""

import math
from dataclasses import dataclass
from typing import Final

from driveline.errors import ImpossibleInput

WIDEST: Final = 0.85  # of the face, up to which its folding governs
ROUND: Final = math.pi / 4  # of a round foot, over a square one as wide


@dataclass(frozen=True, slots=True, kw_only=True)
class ChordFace:
    """What a rail's face bears before it folds in."""

    breadth_share: float  # β, of the foot over the face, as far as it counts
    length_share: float  # η, of the foot along the rail over the face
    pull_n: float
    along_nmm: float  # of a moment that tips the foot along the rail
    across_nmm: float  # of one that tips it across

    def share(self, *, pull_n: float, along_nmm: float, across_nmm: float) -> float:
        """Return how much of it is used, each load 0 or more.

        Source:
            EN 1993-1-8 (7.4), linear in all three, which is cautious.
        """
        return pull_n / self.pull_n + along_nmm / self.along_nmm + across_nmm / self.across_nmm


def chord_face(
    *, face_mm: float, wall_mm: float, foot_along_mm: float, foot_across_mm: float, yield_mpa: float, is_round: bool
) -> ChordFace:
    """Return what the face of a hollow rail bears.

    Args:
        face_mm: From wall to wall.
        wall_mm: Of the rail.
        foot_along_mm: Of what stands on it, along the rail.
        foot_across_mm: The same, across the face; what is wider than 0.85 of it counts as that.
        yield_mpa: Of the rail.
        is_round: A tube stands on it; both sizes are its diameter.

    Raises:
        ImpossibleInput: If a size is not above nought.

    Source:
        Chord face failure, EN 1993-1-8 tables 7.11 and 7.14, k_n = 1, square to the rail:
        N = f t²/(1-β) (2η + 4√(1-β)); M_along = f t² h (1/(2η) + 2/√(1-β) + η/(1-β));
        M_across = f t² (h (1+β)/(2 (1-β)) + √(2 b_0 b (1+β)/(1-β))).
    """
    for name, value in (("face", face_mm), ("wall", wall_mm), ("foot", foot_along_mm), ("foot", foot_across_mm)):
        if not value > 0:
            raise ImpossibleInput(name, value, "above 0")
    beta, eta = min(foot_across_mm / face_mm, WIDEST), foot_along_mm / face_mm
    breadth, once, left = beta * face_mm, yield_mpa * wall_mm**2 * (ROUND if is_round else 1.0), 1 - beta
    return ChordFace(
        breadth_share=beta,
        length_share=eta,
        pull_n=once / left * (2 * eta + 4 * math.sqrt(left)),
        along_nmm=once * foot_along_mm * (1 / (2 * eta) + 2 / math.sqrt(left) + eta / left),
        across_nmm=once
        * (foot_along_mm * (1 + beta) / (2 * left) + math.sqrt(2 * face_mm * breadth * (1 + beta) / left)),
    )
