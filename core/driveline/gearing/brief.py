"""The vehicle and its motors, ready to calculate with: what gearing takes from the brief."""

from dataclasses import dataclass
from typing import Final

from driveline.gearing.motor import Motor
from driveline.gearing.road import Balance, Body, Driven
from driveline.gearing.sheets import Layout
from driveline.gearing.tyre import Rolling

# On a lower voltage a motor turns less fast too.
BOTH_VOLTAGES: Final = "Both voltages: the battery's under load, and that of the motor's figures"


@dataclass(frozen=True, slots=True, kw_only=True)
class Brief:
    """The brief, ready to calculate with; ``None`` is not known."""

    layout: Layout
    kerb: Body | None
    laden: Body | None
    balance: Balance | None
    laden_balance: Balance | None
    grip: float
    driven: Driven
    rolling: Rolling | None
    front_rolling: Rolling | None  # None: as ``rolling``
    motor: Motor | None
    front_motor: Motor | None  # None: as ``motor``, unless it is not known
    is_front_known: bool  # False: the front unit is another one, and something essential of it is missing
    is_battery_known: bool
    motor_gaps: tuple[str, ...]  # what of the motors leaves their torque unknown somewhere, by name
    overruns_nm: tuple[float | None, float | None]  # of the motor, and of the front one of two
    charge_kw: float | None  # mechanical power that charging holds overrun to
    wanted_top_kmh: float | None
    cruise_kmh: float
    hill_start_pct: float

    @property
    def lasting_gap(self) -> str:
        """What to ask for, by name, where what the motors keep up is not known."""
        return " and ".join(self.motor_gaps) or "Continuous torque and power of the motor"


@dataclass(frozen=True, slots=True, kw_only=True)
class MeasuredShares:
    """Standard uncertainties as measured; ``None``: not stated, and the usual one is taken and shown."""

    kerb: float | None  # of the kerb mass, as a share of it
    laden: float | None
    cg_height_mm: float | None
    motor_torque: float | None  # as a share of it
