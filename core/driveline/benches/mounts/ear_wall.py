"""What the checks of a wall under ears share: the ears on it, and what it bears of each load by itself."""

import math
from collections.abc import Callable
from dataclasses import dataclass
from typing import Final

from driveline.benches.mounts.loaded import Loaded
from driveline.metal.ears import Ear
from driveline.sheet import positive_of
from driveline.working import Given, Step, entered, step

PAIR: Final = 2
Bears = tuple[tuple[Step, ...], Step, Step, Step]  # all steps; of them the pull, and the moments about bolt and ears


@dataclass(frozen=True, kw_only=True)
class EarsOn:
    """Ears on the wall of something hollow."""

    one: Loaded
    ear: Ear
    gap_mm: float  # between two
    face: Given  # of a round tube its diameter
    wall: Given
    yields: Given
    is_along_bolt: bool  # what they stand on runs along their bolt; else square to it

    @property
    def is_pair(self) -> bool:
        """Whether there are two."""
        return self.one.mount.sheet.ears.count != 1

    @property
    def over_mm(self) -> float:
        """Along the bolt, over both."""
        return PAIR * self.ear.thickness_mm + self.gap_mm if self.is_pair else self.ear.thickness_mm

    def over_step(self, symbol: str) -> Step:
        """Return how far they reach along the bolt."""
        field = self.one.mount.field
        thick = entered("t_e", self.ear.thickness_mm, "mm", f"{field}.ears.thickness")
        if not self.is_pair:
            return step(symbol, "t_e", thick, value=self.over_mm, unit="mm", decimals=1)
        gap = entered("g", positive_of(self.one.mount.sheet.tube.gap) or 0.0, "mm", f"{field}.tube.gap")
        return step(symbol, "2 * t_e + g", thick, gap, value=self.over_mm, unit="mm", decimals=1)

    def root(self, name: str) -> Given:
        """Return how long an ear is at its foot."""
        return entered(name, self.ear.root_mm, "mm", f"{self.one.mount.field}.ears.root")


@dataclass(frozen=True, slots=True, kw_only=True)
class Face:
    """The wall under ears: what it bears of each load by itself, and the steps to that."""

    ear: Ear
    pull_n: float
    about_bolt_nmm: float
    about_ears_nmm: float  # square to that
    steps: Callable[[], Bears]
    source: str

    def used(self, in_plane_n: float, side_n: float) -> tuple[float, float]:
        """Return the share used by a force in the ears' plane and one across, and what it bears of the first, N."""
        height = self.ear.height_mm
        in_plane = 1 / math.hypot(1 / self.pull_n, height / self.about_bolt_nmm)
        return in_plane_n / in_plane + side_n * height / self.about_ears_nmm, in_plane
