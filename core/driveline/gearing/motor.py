"""A motor's torque against speed: peak and continuous, from points or from its peak figures.

A curve is drawn as far as it can be from what is stated, which flatters where something is left out: ``known_to_rpm``
says how far it is to be believed.
"""

from collections.abc import Sequence
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.errors import ImpossibleInput

RAD_S_PER_RPM: Final = np.pi / 30
SAME_SPEED_SHARE: Final = 0.995


@dataclass(frozen=True, slots=True, kw_only=True)
class PeakFigures:
    """Torque up to a power limit: min(T, P/ω), then a straight taper to the top speed when one is given."""

    torque_nm: float
    power_kw: float | None = None
    taper_from_rpm: float | None = None
    taper_to_nm: float | None = None

    @property
    def known_to_rpm(self) -> float:
        """Speed up to which the torque is known: at rest alone without a power, not past a taper that lacks its end."""
        if self.power_kw is None or (self.taper_from_rpm is None) > (self.taper_to_nm is None):
            return 0.0
        return np.inf if self.taper_from_rpm is None or self.taper_to_nm is not None else self.taper_from_rpm

    def at(self, rpm: Floats, greatest_rpm: float) -> Floats:
        """Return torque in N·m at each speed; the top speed is where the taper ends."""
        flat = self._untapered(rpm)
        if self.taper_from_rpm is None or self.taper_to_nm is None or self.taper_from_rpm >= greatest_rpm:
            return flat
        start_nm = float(self._untapered(np.array([self.taper_from_rpm]))[0])
        tapered = np.interp(rpm, [self.taper_from_rpm, greatest_rpm], [start_nm, self.taper_to_nm])
        return np.where(rpm > self.taper_from_rpm, np.minimum(flat, tapered), flat)

    def _untapered(self, rpm: Floats) -> Floats:
        if self.power_kw is None:
            return np.full_like(rpm, self.torque_nm)
        return np.minimum(self.torque_nm, self.power_kw * 1000 / np.maximum(rpm * RAD_S_PER_RPM, 1e-9))

    def with_voltage(self, factor: float) -> "PeakFigures":
        """Return the figures with the speed axis and the power scaled together."""
        return replace(
            self,
            power_kw=None if self.power_kw is None else self.power_kw * factor,
            taper_from_rpm=None if self.taper_from_rpm is None else self.taper_from_rpm * factor,
        )


@dataclass(frozen=True, slots=True, kw_only=True)
class CurvePoints:
    """Torque at stated speeds, linear between them and level below the first."""

    rpm: tuple[float, ...]
    torque_nm: tuple[float, ...]

    def __post_init__(self) -> None:
        if len(self.rpm) != len(self.torque_nm) or not self.rpm:
            raise ImpossibleInput("curve", len(self.rpm), "a point or more, each with a speed and a torque")
        if any(later <= earlier for earlier, later in zip(self.rpm, self.rpm[1:], strict=False)):
            raise ImpossibleInput("curve", self.rpm, "in order of rising speed, no speed twice")

    @property
    def known_to_rpm(self) -> float:
        """Speed of the last point; past it the curve is drawn level."""
        return self.rpm[-1]

    def at(self, rpm: Floats, greatest_rpm: float) -> Floats:  # noqa: ARG002 - the same call as PeakFigures.at
        """Return torque in N·m at each speed."""
        return np.interp(rpm, self.rpm, self.torque_nm)

    def with_voltage(self, factor: float) -> "CurvePoints":
        """Return the curve with its speed axis scaled."""
        return replace(self, rpm=tuple(rpm * factor for rpm in self.rpm))


FALLS_AT: Final = np.linspace(0.0, 1.0, 400)


@dataclass(frozen=True, slots=True, kw_only=True)
class Motor:
    """A motor as the chain sees it. Past ``greatest_rpm`` it gives nothing: it is not to be turned faster."""

    peak: PeakFigures | CurvePoints
    greatest_rpm: float
    continuous: PeakFigures | CurvePoints | None = None
    inertia_kgm2: float | None = None
    greatest_mechanical_kw: float | None = None  # what the battery lets through
    shared_kw: float | None = None  # of one battery that feeds several motors: what all of them have together
    stated_peak_nm: float | None = None  # where it is stated beside a curve: strength goes by the greater
    is_voltage_known: bool = True  # False: speeds and power past standstill hang on a voltage that is not stated

    @property
    def peak_known_rpm(self) -> float:
        """Speed up to which the peak torque is known, at most the top speed, rpm."""
        return self._known_rpm(self.peak)

    @property
    def continuous_known_rpm(self) -> float:
        """Speed up to which the continuous torque is known, rpm; below 0 where it is not stated."""
        return -1.0 if self.continuous is None else min(self._known_rpm(self.continuous), self.peak_known_rpm)

    def _known_rpm(self, curve: PeakFigures | CurvePoints) -> float:
        known_rpm = curve.known_to_rpm if self.is_voltage_known else 0.0
        # The last point of a data sheet's curve is the top speed, rounded.
        return self.greatest_rpm if known_rpm >= SAME_SPEED_SHARE * self.greatest_rpm else known_rpm

    def peak_nm(self, rpm: Floats) -> Floats:
        """Return peak torque at each speed, N·m; 0 past the top speed."""
        return self._limited(self.peak, rpm)

    def continuous_nm(self, rpm: Floats) -> Floats | None:
        """Return continuous torque at each speed, never above the peak, N·m; ``None`` when not known."""
        if self.continuous is None:
            return None
        return np.minimum(self._limited(self.continuous, rpm), self._limited(self.peak, rpm))

    def _limited(self, curve: PeakFigures | CurvePoints, rpm: Floats) -> Floats:
        torque_nm = curve.at(rpm, self.greatest_rpm)
        if self.greatest_mechanical_kw is not None:
            omega = np.maximum(rpm * RAD_S_PER_RPM, 1e-9)
            torque_nm = np.minimum(torque_nm, self.greatest_mechanical_kw * 1000 / omega)
        return np.where(rpm > self.greatest_rpm * (1 + 1e-9), 0.0, torque_nm)

    def falls_from_rpm(self) -> float:
        """Return the speed from which peak torque falls by more than 2 % of its greatest."""
        rpm = FALLS_AT * self.greatest_rpm
        torque_nm = self.peak_nm(rpm)
        below = np.nonzero(torque_nm < 0.98 * torque_nm.max())[0]
        after_peak = below[below > int(torque_nm.argmax())]
        return float(rpm[after_peak[0]]) if after_peak.size else self.greatest_rpm


def sharing_nm(motors: Sequence[Motor], torques_nm: Sequence[Floats], rpm: Sequence[Floats]) -> tuple[Floats, ...]:
    """Return the torques of motors on one battery, all turned down alike where together they would take too much, N·m.

    Args:
        motors: One or more.
        torques_nm: What each would give by itself, all of one shape.
        rpm: The speed of each.

    Source:
        Σ T ω ≤ P of the battery; all in proportion.
    """
    shared_kw = motors[0].shared_kw
    if len(motors) < 2 or shared_kw is None:
        return tuple(torques_nm)
    taken_kw = sum(nm * n * RAD_S_PER_RPM / 1000 for nm, n in zip(torques_nm, rpm, strict=True))
    turned_down = np.minimum(1.0, shared_kw / np.maximum(taken_kw, 1e-9))
    return tuple(nm * turned_down for nm in torques_nm)


def at_bus_voltage(motor: Motor, *, bus_v: float, rated_v: float) -> Motor:
    """Return the motor on another bus voltage.

    Speed axis and power scale together. The top speed never rises above the rated one: the rotor is
    built for that, and past it a magnet motor's back-EMF could not be held by its controller.

    Args:
        motor: With its curves at ``rated_v``.
        bus_v: Voltage under load; above 0.
        rated_v: Voltage that the curves were taken at; above 0.

    Raises:
        ImpossibleInput: If a voltage is not above 0.
    """
    if not (bus_v > 0 and rated_v > 0):
        raise ImpossibleInput("bus_v", bus_v, "above 0 V, as must the rated voltage")
    factor = bus_v / rated_v
    return replace(
        motor,
        peak=motor.peak.with_voltage(factor),
        continuous=motor.continuous and motor.continuous.with_voltage(factor),
        greatest_rpm=motor.greatest_rpm * min(factor, 1.0),
    )
