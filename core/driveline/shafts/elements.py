"""What a spider and a clutch carry."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True, kw_only=True)
class SpiderFactors:
    """By which a spider's rating is eaten up; its maker's, else the usual ones."""

    temperature: float = 1.2
    shock: float = 1.0  # the design torque has it in it
    starts: float = 1.0

    @property
    def product(self) -> float:
        """All of them."""
        return self.temperature * self.shock * self.starts


def clutch_torque_nm(*, clamp_n: float, friction: float, mean_radius_mm: float, faces: int) -> float:
    """Return what a clutch holds before it slips, N·m.

    Args:
        clamp_n: Of its cover, 0 or more.
        friction: Of the linings.
        mean_radius_mm: Of the linings, above 0.
        faces: That rub: two for one disc.

    Source:
        T = μ F r_m N.
    """
    return friction * clamp_n * mean_radius_mm / 1000 * faces
