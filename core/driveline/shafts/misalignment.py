"""What a coupler has to forgive: how far two shafts are apart, at what angle, and both together."""

from dataclasses import dataclass

from driveline.errors import ImpossibleInput


@dataclass(frozen=True, slots=True, kw_only=True)
class Budget:
    """Everything that puts two shafts off one line, against what their coupler forgives.

    Source:
        A coupler that is used up by half in offset has half of its angle left: parallel/allowed + angle/allowed ≤ 1.
    """

    plays_mm: tuple[float, ...]  # greatest diametral play of each register or dowel
    concentricity_mm: float
    centre_u_mm: float
    runout_mm: float = 0.0  # total indicated, of the hub on its shaft
    drop_mm: float = 0.0  # by which what carries the motor sinks
    angle_deg: float
    allowed_parallel_mm: float
    allowed_angle_deg: float

    def __post_init__(self) -> None:
        if not (self.allowed_parallel_mm > 0 and self.allowed_angle_deg > 0):
            allowed = (self.allowed_parallel_mm, self.allowed_angle_deg)
            raise ImpossibleInput("allowed", allowed, "above 0 both ways")

    @property
    def play_mm(self) -> float:
        """Half of every play: how far they let the axes part."""
        return sum(self.plays_mm) / 2

    @property
    def parallel_mm(self) -> float:
        """How far the axes may be apart."""
        return self.play_mm + self.concentricity_mm + self.centre_u_mm + self.runout_mm / 2 + self.drop_mm

    @property
    def used(self) -> float:
        """Part of the coupler's forgiveness that is used up; above 1 is too much."""
        return self.parallel_mm / self.allowed_parallel_mm + self.angle_deg / self.allowed_angle_deg

    @property
    def parallel_left_mm(self) -> float:
        """Offset that the coupler still forgives at this angle; never below 0."""
        return max(self.allowed_parallel_mm * (1 - self.angle_deg / self.allowed_angle_deg), 0.0)
