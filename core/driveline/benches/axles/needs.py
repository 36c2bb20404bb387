"""What the shafts take from the benches ahead of them."""

from dataclasses import dataclass
from typing import Final

Xyz = tuple[float, float, float]
NO_MOUNTS: Final = "How the unit is held: its mounts"
UNIT_SHAKES: Final = "How the unit shakes on its mounts, at Mounts"


@dataclass(frozen=True, slots=True, kw_only=True)
class UnitMove:
    """How the unit moves on its mounts in a case of load."""

    name: str
    about_mm: Xyz
    shift_mm: Xyz
    turn_rad: Xyz  # as a vector along what it turns about


@dataclass(frozen=True, slots=True, kw_only=True)
class ShaftLoad:
    """What a place on the Line asks of its shaft; what is not known is ``None``."""

    station: str
    design_nm: float | None  # at its input; of an axle both sides together
    overrun_nm: float | None
    rpm: float | None  # at the wanted road speed
    motor_turns: float | None = None  # of its motor, a turn
    vehicle_kgm2: float | None = None  # its mass as an inertia here


@dataclass(frozen=True, slots=True, kw_only=True)
class AxlesNeeds:
    """Where the unit's outputs are, how they move, and what the shafts must bear."""

    points: tuple[tuple[str, Xyz], ...]
    inner_left_mm: Xyz | None
    inner_right_mm: Xyz | None
    moves: tuple[UnitMove, ...]
    moves_missing: tuple[str, ...]
    any_way_mm: float | None  # where no mounts are entered: what placement counts on, which may fail and never holds
    loads: tuple[ShaftLoad, ...]
    rotor_kgm2: float | None = None
    coupler_nm_per_rad: float | None = None  # as stated; ``None`` takes it as stiff
    has_two_motors: bool = False
    wanted_kmh: float | None = None
    gear: str = ""  # that was chosen
    unit_modes_hz: tuple[tuple[str, float], ...] = ()  # how it shakes on its mounts
    unit_modes_missing: tuple[str, ...] = ()
    gears: tuple[tuple[str, float], ...] = ()  # each gear's name, and its ratio over that of the chosen one

    @property
    def has_moves(self) -> bool:
        """Whether there are moves to count on at all; where none are, at rest is the best that can be."""
        return self.any_way_mm is not None or not self.moves_missing
