"""What the brief comes to."""

from driveline.checks import Result
from driveline.gearing.road import Driven
from driveline.gearing.rolling import TyreFigure
from driveline.results import Assumed, ToDo


class MotorPlot(Result):
    """The motor's torque against speed."""

    rpm: list[float]
    peak_nm: list[float | None]  # None past what is known of it
    continuous_nm: list[float | None] | None


class Standing(Result):
    """How one state of the vehicle stands; ``None`` is not known."""

    key: str  # was, kerb, laden
    title: str
    mass_kg: float
    front_kg: float | None
    rear_kg: float | None
    front_share: float | None
    left_share: float | None
    cg_height_mm: float | None
    cg_forward_mm: float | None


class Placed(Result):
    """An item where it is known to be, for the drawing."""

    name: str
    mass_kg: float
    is_on: bool
    only_laden: bool
    x_mm: float
    z_mm: float


class Elsewhere(Result):
    """A mass that is entered on another bench."""

    name: str
    mass_kg: float | None
    is_on: bool
    is_placed: bool


class MassesResult(Result):
    """The vehicle as it was, as it will be, and laden; a state is left out while its mass is not known."""

    wheelbase_mm: float | None
    wheel_centre_mm: float | None
    standings: tuple[Standing, ...]
    placed: tuple[Placed, ...]
    elsewhere: tuple[Elsewhere, ...]
    to_do: tuple[ToDo, ...]


class BriefResult(Result):
    """What the brief comes to."""

    driven: Driven  # as the layout leaves it
    tyres: tuple[TyreFigure, ...]
    rolling_circumference_mm: float | None
    rolling_method: str | None
    queries: tuple[str, ...]
    motor: MotorPlot | None
    masses: MassesResult
    assumed: tuple[Assumed, ...]
    to_do: tuple[ToDo, ...]
