"""The whole line as inertias on springs, seen from the wheels: at what speeds it would shuffle or hum, and its play."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from functools import cached_property
from typing import Final

from driveline.benches.axles.bars import load_at, tube_inside_mm, twist_deg
from driveline.benches.axles.lines import LineFound
from driveline.benches.axles.needs import AxlesNeeds, ShaftLoad
from driveline.benches.axles.results import GearTurning, Meeting, TurningShown
from driveline.benches.axles.sheet import AxlesSheet, JointKind
from driveline.figures import fig
from driveline.gearing.stations import Tick
from driveline.margins import missing_of
from driveline.results import Assumed
from driveline.shafts.bars import bar_twist_deg
from driveline.shafts.torsional import chain_modes_hz
from driveline.sheet import positive_of, value_of

TWICE_A_TURN: Final = 2
PER_MINUTE: Final = 60.0
LEAST_KMH: Final = 3.0  # below it nothing is driven for long
SHUFFLE: Final = "the vehicle rocks against the rotor"
WHEELS: Final = "the wheels swing between shafts and tyres"
LEAST: Final = 1e-9  # of any driveline's inertias and springs
DEG_PER_RAD: Final = 180 / math.pi


@dataclass(frozen=True, kw_only=True)
class TurningLine:
    """What of the line turns and gives."""

    sheet: AxlesSheet
    lines: tuple[LineFound, ...]
    needs: AxlesNeeds

    @cached_property
    def axles(self) -> tuple[ShaftLoad, ...]:
        """Every driven axle."""
        return tuple(one for one in self.needs.loads if one.station.endswith("axle"))

    def shown(self) -> TurningShown:
        """Return its modes in each gear, where joints and motor meet them, and the play at the motor."""
        play = value_of(self.sheet.turning.play)
        turns = self.axles[0].motor_turns if self.axles else None
        return TurningShown(
            missing=self.missing,
            gears=self.gears,
            meets=self.meets,
            play_deg=play,
            play_at_motor_deg=None if play is None or turns is None else play * turns,
        )

    def ticks(self) -> tuple[Tick, ...]:
        """Return the road speeds, in the gear that was chosen, at which something pushes one of its modes."""
        return tuple(
            Tick(kmh=one.kmh, text=one.short, is_limit=False) for one in self.meets if one.gear == self.needs.gear
        )

    def assumed(self) -> Iterator[Assumed]:
        """Return what is taken for granted in its modes."""
        if not self.gears:
            return
        if self.needs.coupler_nm_per_rad is None:
            yield Assumed(field="coupler.stiffness_nm_per_rad", text="the coupler taken as stiff beside the shafts")
        yield Assumed(field="axles.turning", text="gears and joints without inertia, both driven axles as one")

    @cached_property
    def missing(self) -> tuple[str, ...]:
        """What keeps its modes from being known, in words."""
        own, needs = self.sheet.turning, self.needs
        lacking = list(
            missing_of(
                {
                    "Inertia of the rotor, at Brief": needs.rotor_kgm2 or None,
                    "Inertia of a driven wheel": own.wheel_kgm2,
                    "Torque that turns a tyre a degree": own.tyre_nm_per_deg,
                    "Wanted top speed, at Brief": needs.wanted_kmh,
                }
            )
        )
        if not self.axles:
            return (*lacking, "A gearing chosen, at Ratios")
        if needs.has_two_motors:
            return (*lacking, "One motor: two that turn apart are not worked out")
        if any(one.vehicle_kgm2 is None or one.motor_turns is None for one in self.axles):
            lacking.append("The vehicle's mass, at Brief")
        for axle in self.axles:
            lacking += self._missing_to(axle)
        return tuple(dict.fromkeys(lacking))

    def _missing_to(self, axle: ShaftLoad) -> Iterator[str]:
        if self._shaft_to(axle) is not None:
            line = self._line_to(axle)
            if line is None or tubes_rad_per_nm(line) is None:
                name = "Propshaft" if line is None else line.line.name
                yield f"{name}: places of its joints, sizes of its tubes, stiffness of its rubber couplings"
        if self._half_shafts_nm_per_rad(axle) is None:
            yield "Torque that turns a half shaft a degree, or both bars of the axle"

    def _shaft_to(self, axle: ShaftLoad) -> ShaftLoad | None:
        way = axle.station.removesuffix("axle")
        return next((one for one in self.needs.loads if one.station == f"{way}propshaft"), None)

    def _line_to(self, axle: ShaftLoad) -> LineFound | None:
        shaft = self._shaft_to(axle)
        return next((one for one in self.lines if shaft is not None and one.load == shaft), None)

    def _half_shafts_nm_per_rad(self, axle: ShaftLoad) -> float | None:
        """Both sides of an axle: its bars where they are entered, else what is stated."""
        bars = next((one for one in self.sheet.axles if load_at("axle", one.which, self.needs) == axle), None)
        if bars is not None:
            twists = [twist_deg(side.bar, 1.0) for side in (bars.left, bars.right)]
            known = [DEG_PER_RAD / one for one in twists if one]
            return sum(known) if len(known) == len(twists) else None
        stated = self.sheet.turning.half_shaft_nm_per_deg
        return None if stated is None else 2 * stated * DEG_PER_RAD

    def _spring_nm_per_rad(self, motor_turns: float) -> float:
        """From rotor to wheels, seen from the wheels; of two driven axles both beside each other."""
        behind = 0.0
        for axle in self.axles:
            gives = 1 / (self._half_shafts_nm_per_rad(axle) or math.inf)
            line, final = self._line_to(axle), self._final(axle)
            if line is not None and final is not None:
                gives += (tubes_rad_per_nm(line) or 0.0) / final**2
            behind += 1 / gives
        if self.needs.coupler_nm_per_rad is None:
            return behind
        return 1 / (1 / behind + 1 / (self.needs.coupler_nm_per_rad * motor_turns**2))

    def _final(self, axle: ShaftLoad) -> float | None:
        """Turns of the propshaft a turn of its axle."""
        shaft = self._shaft_to(axle)
        if shaft is None or not shaft.motor_turns or not axle.motor_turns:
            return None
        return axle.motor_turns / shaft.motor_turns

    @cached_property
    def gears(self) -> tuple[GearTurning, ...]:
        """Its modes in each gear; none while they are not known."""
        return () if self.missing else tuple(self._gears(*self._masses))

    @cached_property
    def _masses(self) -> tuple[float, float, float]:
        """Wheels and vehicle as inertias, kg·m², and all tyres as a spring, N·m/rad."""
        own, many = self.sheet.turning, 2 * len(self.axles)
        vehicle = (self.axles[0].vehicle_kgm2 if self.axles else None) or 0.0
        return (own.wheel_kgm2 or 0.0) * many, vehicle, (own.tyre_nm_per_deg or 0.0) * DEG_PER_RAD * many

    def _gears(self, wheels: float, vehicle: float, tyres: float) -> Iterator[GearTurning]:
        for name, share in self.needs.gears or (("", 1.0),):
            turns = (self.axles[0].motor_turns or 0.0) * share
            spring, rotor = self._spring_nm_per_rad(turns), (self.needs.rotor_kgm2 or 0.0) * turns**2
            if not all(LEAST < one < 1 / LEAST for one in (rotor, wheels, vehicle, spring, tyres)):
                return  # no driveline's: nothing to say
            shuffle, swing = chain_modes_hz([rotor, wheels, vehicle], [spring, tyres])
            yield GearTurning(
                gear=name, motor_turns=turns, shuffle_hz=shuffle, wheels_hz=swing, nm_per_deg=spring / DEG_PER_RAD
            )

    @cached_property
    def meets(self) -> tuple[Meeting, ...]:
        """Where what pushes so often a turn meets a mode, on the road."""
        return tuple(self._meets())

    def _meets(self) -> Iterator[Meeting]:
        wheel_rpm, wanted = (self.axles[0].rpm if self.axles else None), self.needs.wanted_kmh
        if not wheel_rpm or wanted is None:
            return
        for gear in self.gears:
            for what, pushes in self._pushes(gear):
                for hz, mode, word in ((gear.shuffle_hz, SHUFFLE, "shuffle"), (gear.wheels_hz, WHEELS, "wheels")):
                    kmh = hz * PER_MINUTE / pushes / wheel_rpm * wanted
                    if LEAST_KMH <= kmh <= wanted:
                        text = f"{what} push at {fig(hz, 'Hz', 1)}: {mode}"
                        yield Meeting(gear=gear.gear, kmh=kmh, text=text, short=f"{what} meet {word}")

    def _pushes(self, gear: GearTurning) -> Iterator[tuple[str, float]]:
        """What pushes, and how often a turn of the wheels."""
        if self.sheet.turning.steps_a_turn:
            yield "motor’s steps", self.sheet.turning.steps_a_turn * gear.motor_turns
        finals = [self._final(axle) for axle in self.axles if _has_cross(self._line_to(axle))]
        if finals and finals[0]:
            yield "joints", TWICE_A_TURN * finals[0]


def tubes_rad_per_nm(one: LineFound) -> float | None:
    """Return how far a line of propshafts twists, its tubes and rubber couplings one after another."""
    rides = one.rides_mm
    if rides is None:
        return None
    whole = 0.0
    for tube, ride in zip(one.line.tubes, rides.tolist(), strict=True):
        outside, inside = positive_of(tube.outside), tube_inside_mm(tube)
        if outside is None or inside is None:
            return None
        whole += math.radians(bar_twist_deg(1.0, length_mm=ride, outside_mm=outside, inside_mm=inside))
    rubbers = [joint.nm_per_deg for joint in one.line.joints if joint.kind is JointKind.RUBBER]
    known = [rate for rate in rubbers if rate]
    return None if len(known) < len(rubbers) else whole + sum(1 / (rate * DEG_PER_RAD) for rate in known)


def _has_cross(line: LineFound | None) -> bool:
    return line is not None and any(joint.kind in (JointKind.CROSS, None) for joint in line.line.joints)
