"""The registry: every bench in the order of the work, and the wiring of what one solved to what another needs."""

from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.axles import solve as axles_bench
from driveline.benches.axles.limits import line_limits
from driveline.benches.axles.needs import NO_MOUNTS, UNIT_SHAKES, AxlesNeeds, ShaftLoad, UnitMove
from driveline.benches.axles.results import AxlesResult
from driveline.benches.axles.sheet import AxlesSheet, Which
from driveline.benches.brief import solve as brief_bench
from driveline.benches.brief.needs import BriefNeeds, PlacedMass
from driveline.benches.brief.results import BriefResult
from driveline.benches.brief.sheet import BriefSheet
from driveline.benches.contract import AnyBench, Bench, Given, LaidOut
from driveline.benches.coupler import solve as coupler_bench
from driveline.benches.coupler.lay_out import LaidCoupler
from driveline.benches.coupler.lay_out import lay_out as lay_out_coupler
from driveline.benches.coupler.needs import CouplerNeeds, FacesApart
from driveline.benches.coupler.results import CouplerResult
from driveline.benches.coupler.sheet import CouplerSheet
from driveline.benches.mounts import solve as mounts_bench
from driveline.benches.mounts.needs import HeldUnit, MountsNeeds, SolvedMounts, Turning
from driveline.benches.mounts.results import MountsResult
from driveline.benches.mounts.sheet import MountsSheet
from driveline.benches.placement import solve as placement_bench
from driveline.benches.placement.gaps import around_missing, travel_mm, unit_bodies_missing
from driveline.benches.placement.lay_out import LaidPlacement
from driveline.benches.placement.lay_out import lay_out as lay_out_placement
from driveline.benches.placement.needs import PlacementNeeds
from driveline.benches.placement.results import PlacementResult
from driveline.benches.placement.scanned import scans_there
from driveline.benches.placement.sheet import PlacementSheet
from driveline.benches.placement.stands import outputs_mm
from driveline.benches.plate import solve as plate_bench
from driveline.benches.plate.lay_out import LaidPlate
from driveline.benches.plate.lay_out import lay_out as lay_out_plate
from driveline.benches.plate.needs import PlateNeeds, WantedApart
from driveline.benches.plate.results import PlateResult
from driveline.benches.plate.sheet import PlateSheet
from driveline.benches.plate.stack import stack_of
from driveline.benches.ratios import solve as ratios_bench
from driveline.benches.ratios.needs import PropshaftLimits, RatiosNeeds
from driveline.benches.ratios.results import RatiosResult
from driveline.benches.ratios.sheet import OilPump, RatiosSheet, UnitFacing
from driveline.fits.interference import Span, span_of
from driveline.gearing.layouts import DIFFERENTIAL_IN_CASING, UNITS
from driveline.gearing.sheets import Layout
from driveline.job.around import Around
from driveline.joints.screws import Loads
from driveline.shafts.coupler import forgives
from driveline.sheet import positive_of, value_of
from driveline.space.filled import evenly_filled_kgm2
from driveline.space.spots import Spot, spot_missing, spot_mm


def _brief_needs(given: Given) -> BriefNeeds:
    return BriefNeeds(
        placed=tuple(
            PlacedMass(name=one.name, mass_kg=one.mass_kg, is_on=one.is_on, at_mm=one.at_mm)
            for one in given.laid(PLACEMENT).masses
        )
    )


def _ratios_needs(given: Given) -> RatiosNeeds:
    solved, sheet = given.solved(BRIEF), given.sheet(BRIEF)
    return RatiosNeeds(
        brief=solved.brief,
        motor_wanted=solved.motor_wanted,
        was=sheet.was,
        was_mass_kg=solved.was_mass_kg,
        parking=sheet.parking,
        usual_rotation=sheet.motor.rotation,
        measured=solved.measured,
        propshafts=tuple(
            PropshaftLimits(
                is_front=which is Which.FRONT,
                critical_rpm=found.critical_rpm,
                angle_rpm=found.angle_rpm,
                torque_nm=found.torque_nm,
            )
            for which, found in line_limits(given.sheet(AXLES), given.laid(PLACEMENT).places).items()
        ),
    )


def _placement_needs(given: Given) -> PlacementNeeds:
    turning = given.sheet(RATIOS).turning
    facing, pump = turning.unit_facing, turning.oil_pump
    return PlacementNeeds(
        has_outputs=given.sheet(BRIEF).layout in DIFFERENTIAL_IN_CASING,
        faces_end_for_end=None if facing is None else facing is UnitFacing.END_FOR_END,
        pump_is_one_way=None if pump is None else pump is OilPump.ONE_WAY,
    )


def _held_unit(sheet: PlacementSheet, laid: LaidPlacement) -> HeldUnit:
    pieces = [
        piece for one in laid.unit_on if one.built.body and not one.sheet.keeps_clear for piece in one.built.body.pieces
    ]
    mass = positive_of(sheet.unit.mass)
    return HeldUnit(
        placed=laid.chosen.placed if laid.chosen else None,
        mass_kg=mass,
        cg_mm=spot_mm(sheet.unit.cg, {}),
        inertia_kgm2=None if mass is None else evenly_filled_kgm2(pieces, mass_kg=mass),
        farthest_mm=np.vstack([piece.corners_mm for piece in pieces]) if pieces else None,
        missing=unit_bodies_missing(laid),
        eye_mm=spot_mm(sheet.unit.eye, {}),
        eye_missing=() if sheet.unit.eye == Spot() else spot_missing(sheet.unit.eye, {}, "The unit's lifting eye"),
    )


ONCE: Final = 1  # a turn: what is out of balance or out of round
TWICE: Final = 2  # a cross joint that is bent


def _turning(given: Given) -> tuple[Turning, ...]:
    """What turns with the road speed; front and rear alike, so that each stands there once."""
    wanted, found = given.solved(BRIEF).brief.wanted_top_kmh, dict[str, Turning]()
    for one in given.solved(RATIOS).shafts:
        if not one.rpm or not wanted:
            continue
        turns = one.rpm / 60 / wanted
        is_axle = one.station.endswith("axle")
        name, times = ("wheels", ONCE) if is_axle else ("propshaft", TWICE)
        found.setdefault(name, Turning(name=name, rev_s_per_kmh=turns, times=times))
        if one.motor_turns:
            found.setdefault("motor", Turning(name="motor", rev_s_per_kmh=turns * one.motor_turns, times=ONCE))
    return tuple(found.values())


def _mounts_needs(given: Given) -> MountsNeeds:
    sheet, laid, leaving = given.sheet(PLACEMENT), given.laid(PLACEMENT), given.solved(RATIOS).leaving
    return MountsNeeds(
        unit=_held_unit(sheet, laid),
        launch_nm=leaving.launch_nm,
        overrun_nm=leaving.overrun_nm,
        locked_nm=leaving.locked_nm,
        torque_unsaid=leaving.unsaid,
        turns_wheels=leaving.turns_wheels,
        turning=_turning(given),
        wanted_kmh=given.solved(BRIEF).brief.wanted_top_kmh,
        points=_points(laid),
        around=Around(sheet, laid, lambda: given.solved(PLACEMENT).gaps) if sheet.bodies else None,
        around_missing=around_missing(sheet, laid),
        counted_travel_mm=travel_mm(sheet),
        counted_is_usual=value_of(sheet.travel) is None,
    )


def _axles_needs(given: Given) -> AxlesNeeds:
    placement, laid, held = given.sheet(PLACEMENT), given.laid(PLACEMENT), given.solved(MOUNTS)
    turns_wheels = given.sheet(BRIEF).layout in DIFFERENTIAL_IN_CASING
    outputs = outputs_mm(placement, laid, laid.chosen) if laid.chosen is not None and turns_wheels else None
    left, right = (None, None) if outputs is None else sorted((_xyz(one) for one in outputs), key=lambda at: -at[1])
    has_mounts = bool(given.sheet(MOUNTS).mounts)
    return AxlesNeeds(
        points=_points(laid),
        inner_left_mm=left,
        inner_right_mm=right,
        moves=tuple(
            UnitMove(
                name=one.name,
                about_mm=_xyz(one.about_mm),
                shift_mm=_xyz(one.shift_mm),
                turn_rad=_xyz(one.turn_rad),
            )
            for one in held.moves
        ),
        moves_missing=held.missing if has_mounts else (NO_MOUNTS,),
        any_way_mm=None if has_mounts else travel_mm(placement),
        unit_modes_hz=held.modes_hz,
        unit_modes_missing=() if held.modes_hz else (UNIT_SHAKES,),
        loads=tuple(
            ShaftLoad(
                station=one.station,
                design_nm=one.design_nm,
                overrun_nm=one.overrun_nm,
                rpm=one.rpm,
                motor_turns=one.motor_turns,
                vehicle_kgm2=one.vehicle_kgm2,
            )
            for one in given.solved(RATIOS).shafts
        ),
        rotor_kgm2=given.sheet(BRIEF).motor.inertia_kgm2,
        coupler_nm_per_rad=given.sheet(COUPLER).stiffness_nm_per_rad,
        has_two_motors=given.sheet(BRIEF).layout is Layout.TWO_UNITS,
        wanted_kmh=given.solved(BRIEF).brief.wanted_top_kmh,
        gear=given.solved(RATIOS).gear,
        gears=given.solved(RATIOS).gears,
    )


def _points(laid: LaidPlacement) -> tuple[tuple[str, tuple[float, float, float]], ...]:
    return tuple((name, _xyz(at)) for name, at in laid.places.items())


def _xyz(at: Floats) -> tuple[float, float, float]:
    x, y, z = (float(one) for one in at)
    return x, y, z


def _coupler_needs(given: Given) -> CouplerNeeds:
    ratios, stack = given.solved(RATIOS), stack_of(given.laid(PLATE).inputs)
    return CouplerNeeds(
        style=ratios.coupler,
        design_nm=ratios.coupler_load.design_nm,
        overrun_nm=ratios.coupler_load.overrun_nm,
        greatest_rpm=ratios.coupler_load.greatest_rpm,
        rotor_kgm2=given.sheet(BRIEF).motor.inertia_kgm2,
        vehicle_kgm2=ratios.coupler_load.vehicle_kgm2,
        overall_ratio=ratios.coupler_load.overall_ratio,
        span=_span(given),
        apart=None
        if stack is None
        else FacesApart(nominal_mm=stack.nominal_mm, worst_mm=stack.worst_mm, is_sure=stack.is_sure),
    )


def _span(given: Given) -> Span:
    stated = given.sheet(BRIEF).temperatures
    return span_of(coldest_c=stated.coldest_c, warmest_c=stated.warmest_c)


def _plate_needs(given: Given) -> PlateNeeds:
    ratios, motor_kg = given.solved(RATIOS), value_of(given.sheet(BRIEF).motor.mass)
    casing = ratios.casing
    coupler, laid = given.sheet(COUPLER), given.laid(COUPLER)
    stated = (positive_of(coupler.allowed_parallel), positive_of(coupler.allowed_angle))
    return PlateNeeds(
        coupler=None
        if ratios.coupler is None
        else forgives(ratios.coupler, parallel_mm=stated[0], angle_deg=stated[1]),
        runs_out=given.solved(COUPLER).runs_out,
        wanted_apart=None
        if laid.apart is None
        else WantedApart(mm=laid.apart.mm, either_way_mm=given.solved(COUPLER).room_mm, field="coupler.apart"),
        motor=Loads(
            motor_kg=None if motor_kg is None or casing.hung_kg is None else motor_kg + casing.hung_kg,
            torque_nm=casing.torque_nm,
            missing=casing.missing,
            hung=casing.hung,
        ),
        driving=casing.driving,
        overrun=casing.overrun,
        span=_span(given),
    )


def _has_joined_shafts(given: Given) -> bool:
    """Whether a motor is joined to something: a drive unit comes with its gears."""
    return given.sheet(BRIEF).layout not in UNITS


BRIEF: Final = Bench[BriefSheet, LaidOut, BriefNeeds, brief_bench.SolvedBrief](
    key="brief",
    title="Brief",
    word="brief",
    letter="b",
    sheet=BriefSheet,
    result=BriefResult,
    lay_out=lambda _sheet: LaidOut(),
    needs=_brief_needs,
    run=brief_bench.run,
)
RATIOS: Final = Bench[RatiosSheet, LaidOut, RatiosNeeds, ratios_bench.SolvedRatios](
    key="ratios",
    title="Ratios",
    word="gearing",
    letter="r",
    sheet=RatiosSheet,
    result=RatiosResult,
    lay_out=lambda _sheet: LaidOut(),
    needs=_ratios_needs,
    run=ratios_bench.run,
)
PLACEMENT: Final = Bench[PlacementSheet, LaidPlacement, PlacementNeeds, placement_bench.SolvedPlacement](
    key="placement",
    title="Placement",
    word="placement",
    letter="p",
    sheet=PlacementSheet,
    result=PlacementResult,
    lay_out=lay_out_placement,
    needs=_placement_needs,
    run=placement_bench.run,
    leans_on=scans_there,
)
COUPLER: Final = Bench[CouplerSheet, LaidCoupler, CouplerNeeds, coupler_bench.SolvedCoupler](
    key="coupler",
    title="Coupler",
    word="coupler",
    letter="c",
    sheet=CouplerSheet,
    result=CouplerResult,
    lay_out=lay_out_coupler,
    needs=_coupler_needs,
    run=coupler_bench.run,
    is_in_layout=_has_joined_shafts,
)
PLATE: Final = Bench[PlateSheet, LaidPlate, PlateNeeds, None](
    key="plate",
    title="Adapter plate",
    word="adapter plate",
    letter="a",
    sheet=PlateSheet,
    result=PlateResult,
    lay_out=lay_out_plate,
    needs=_plate_needs,
    run=plate_bench.run,
    is_in_layout=_has_joined_shafts,
)
MOUNTS: Final = Bench[MountsSheet, LaidOut, MountsNeeds, SolvedMounts](
    key="mounts",
    title="Mounts",
    word="mounts",
    letter="m",
    sheet=MountsSheet,
    result=MountsResult,
    lay_out=mounts_bench.lay_out,
    needs=_mounts_needs,
    run=mounts_bench.run,
)
AXLES: Final = Bench[AxlesSheet, LaidOut, AxlesNeeds, None](
    key="axles",
    title="Axles & propshafts",
    word="shafts",
    letter="x",
    sheet=AxlesSheet,
    result=AxlesResult,
    lay_out=axles_bench.lay_out,
    needs=_axles_needs,
    run=axles_bench.run,
)
BENCHES: Final[tuple[AnyBench, ...]] = (BRIEF, RATIOS, PLACEMENT, COUPLER, PLATE, MOUNTS, AXLES)
