"""The engine that comes out: its torque, and what it did through each gear."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.gearing.motor import RAD_S_PER_RPM

IDLE_SHARE: Final = 0.15  # of top speed: below it the clutch slips


@dataclass(frozen=True, slots=True, kw_only=True)
class Engine:
    """Torque over speed. Below the first speed it can't run: there the clutch slips."""

    rpm: Floats
    torque_nm: Floats

    @property
    def peak_nm(self) -> float:
        """Greatest torque at the crank, N·m."""
        return float(self.torque_nm.max())

    @property
    def greatest_rpm(self) -> float:
        """Fastest that it runs."""
        return float(self.rpm[-1])

    def at(self, rpm: Floats) -> Floats:
        """Return torque at each speed, N·m; the first point's below it, NaN above the top speed."""
        return np.where(rpm <= self.greatest_rpm * (1 + 1e-9), np.interp(rpm, self.rpm, self.torque_nm), np.nan)


def engine_from_points(rpm: Floats, torque_nm: Floats) -> Engine:
    """Return an engine from a measured curve, linear between its points.

    Args:
        rpm: (n,), in any order; two or more.
        torque_nm: (n,), at each of them.

    Raises:
        ImpossibleInput: If there are fewer than two points or a speed comes twice.

    Source:
        As measured; straight between points.
    """
    order = np.argsort(rpm)
    if len(order) < 2 or np.any(np.diff(rpm[order]) <= 0):
        raise ImpossibleInput("was.curve", len(order), "two points or more, no speed twice")
    return Engine(rpm=rpm[order], torque_nm=torque_nm[order])


def engine_from_peaks(
    *, peak_nm: float, peak_nm_rpm: float, peak_kw: float, peak_kw_rpm: float, greatest_rpm: float
) -> Engine:
    """Return an engine from its peak figures, as brochures give them.

    Args:
        peak_nm: Greatest torque.
        peak_nm_rpm: Speed at which it is made; below ``peak_kw_rpm``.
        peak_kw: Greatest power.
        peak_kw_rpm: Speed at which it is made.
        greatest_rpm: Fastest that the engine runs; not below ``peak_kw_rpm``.

    Returns:
        A curve drawn through both peaks: a parabola with its top at the greatest torque, passing the torque that the
        greatest power takes. Between the peaks real engines lie within some 5 % of it; low down it is a guess.

    Raises:
        ImpossibleInput: If the figures contradict each other.

    Source:
        T = T_max − (T_max − T_P)·((n − n_T)/(n_P − n_T))², T_P = P/ω: the usual parabola through both peaks.
    """
    at_power_nm = peak_kw * 1000 / (peak_kw_rpm * RAD_S_PER_RPM)
    if not 0 < peak_nm_rpm < peak_kw_rpm <= greatest_rpm:
        raise ImpossibleInput(
            "was.peak_torque_at", fig(peak_nm_rpm, "rpm"), "below the speed of peak power, and that not above top"
        )
    if at_power_nm > peak_nm:
        raise ImpossibleInput(
            "was.peak_power",
            fig(peak_kw, "kW"),
            f"no more than {fig(peak_nm, 'N·m')} make at {fig(peak_kw_rpm, 'rpm')}",
        )
    rpm = np.union1d(np.linspace(IDLE_SHARE * greatest_rpm, greatest_rpm, 60), [peak_nm_rpm, peak_kw_rpm])
    fall_nm = (peak_nm - at_power_nm) * ((rpm - peak_nm_rpm) / (peak_kw_rpm - peak_nm_rpm)) ** 2
    return Engine(rpm=rpm, torque_nm=np.maximum(peak_nm - fall_nm, 0.0))


def wheel_torques_nm(
    engine: Engine, *, overall_ratios: Floats, efficiency: float, circumference_mm: float, speed_ms: Floats
) -> Floats:
    """Return torque at the driven wheels in each gear, (gears, n), N·m; NaN past the engine's top speed.

    Below its slowest speed the engine is held there and the clutch slips.

    Args:
        engine: Its curve.
        overall_ratios: (gears,), final drive included; above 0.
        efficiency: Crank to wheels, above 0 to 1.
        circumference_mm: That the driven tyre rolls in a turn.
        speed_ms: (n,), of the road.

    Source:
        T_w = T(n) i η; n = 60 v i/C.
    """
    rpm = speed_ms[None, :] * 60_000 / circumference_mm * overall_ratios[:, None]
    torque_nm: Floats = engine.at(np.maximum(rpm, engine.rpm[0])) * overall_ratios[:, None] * efficiency
    return torque_nm
