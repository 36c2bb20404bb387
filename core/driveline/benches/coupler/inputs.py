"""What the coupler bench is worked out from: its sheet unwrapped once, in mm, N·m and degrees; ``None`` is not entered.

What can't be, such as a hub smaller than its bore, counts as not entered and is asked about by name.
"""

from dataclasses import dataclass

from driveline.benches.coupler.shaft_inputs import ShaftInputs, Sized, ask, shaft_inputs, sized
from driveline.benches.coupler.sheet import (
    CouplerSheet,
    FitFriction,
    HeatLimit,
    KeptBy,
)
from driveline.fits.interference import USUAL_SPAN, Span
from driveline.fits.jaw import SpiderWay
from driveline.fits.limits import Fit
from driveline.joints.sheet import RegisterFit
from driveline.results import ToDo
from driveline.sheet import positive_of, value_of
from driveline.tables.materials import PlateMaterial


@dataclass(frozen=True, slots=True, kw_only=True)
class HubInputs:
    """The hub on the motor's shaft."""

    made_of: PlateMaterial | None
    outside_mm: float | None
    length: Sized | None
    seat_mm: float | None
    to_face: Sized | None
    fit_name: RegisterFit | None
    bore_mm: float | None  # nominal
    fit: Fit | None
    hub_rz_um: float | None
    shaft_rz_um: float | None
    put_on: FitFriction | None
    beside: HeatLimit | None
    kept_by: KeptBy | None
    reach: Sized | None
    pilot_depth: Sized | None
    chamfers_mm: float | None
    flange_mm: float | None
    span: Span = USUAL_SPAN  # of the job


@dataclass(frozen=True, slots=True, kw_only=True)
class JawInputs:
    """A jaw coupling."""

    motor_hub: Sized | None  # the hub's own length
    gearbox_hub: Sized | None
    engaged_mm: float | None
    gap_least_mm: float | None
    gap_greatest_mm: float | None
    way: SpiderWay | None
    motor_slide: Sized | None
    gearbox_slide: Sized | None
    tip_gap_mm: float | None
    cut_off: Sized | None
    rating_nm: float | None
    temperature: float | None
    shock: float | None
    starts: float | None
    greatest_rpm: float | None
    outside_mm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class ClutchInputs:
    """A clutch that is kept."""

    clamp_n: float | None
    friction: float | None
    lining_outside_mm: float | None
    lining_inside_mm: float | None
    faces: int | None
    flywheel_out: Sized | None
    stood_at: Sized | None
    travel_mm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class CouplerInputs:
    """The whole sheet."""

    sheet: CouplerSheet  # for the joint of its bolts, which is unwrapped where it is worked out
    motor_shaft: ShaftInputs
    gearbox_shaft: ShaftInputs
    hub: HubInputs
    jaw: JawInputs
    clutch: ClutchInputs
    apart: Sized | None
    tip_clear_mm: float | None
    face_clear_mm: float | None
    runout_mm: float | None
    stiffness_nm_per_rad: float | None
    odd: tuple[ToDo, ...]  # what can't be, with the field to mend


def inputs_of(sheet: CouplerSheet) -> CouplerInputs:
    """Return the bench's sheet, unwrapped, and what in it can't be."""
    odd: list[ToDo] = []
    motor, gearbox = (shaft_inputs(getattr(sheet, name), name, odd) for name in ("motor_shaft", "gearbox_shaft"))
    hub = _hub(sheet, motor, odd)
    return CouplerInputs(
        sheet=sheet,
        motor_shaft=motor,
        gearbox_shaft=gearbox,
        hub=hub,
        jaw=_jaw(sheet, odd),
        clutch=_clutch(sheet, odd),
        apart=sized(sheet.apart),
        tip_clear_mm=value_of(sheet.tip_clear),
        face_clear_mm=value_of(sheet.face_clear),
        runout_mm=value_of(sheet.runout),
        stiffness_nm_per_rad=sheet.stiffness_nm_per_rad,
        odd=tuple(odd),
    )


def _hub(sheet: CouplerSheet, motor: ShaftInputs, odd: list[ToDo]) -> HubInputs:
    hub, outside_mm = sheet.hub, positive_of(sheet.hub.outside)
    length, seat_mm = sized(hub.length), positive_of(hub.seat)
    if outside_mm is not None and motor.diameter_mm is not None and outside_mm <= motor.diameter_mm:
        ask(odd, "coupler.hub.outside", "The hub is no wider than its bore. Measure both again.")
        outside_mm = None
    if length is not None and seat_mm is not None and seat_mm > length.mm:
        ask(odd, "coupler.hub.seat", "The seat is longer than the hub that it is in. Measure both again.")
        seat_mm = None
    flange_mm = positive_of(hub.flange)
    circle_mm = positive_of(sheet.bolts.circle)
    if circle_mm is not None and flange_mm is not None and circle_mm >= flange_mm:
        ask(odd, "coupler.bolts.circle", "The bolt circle lies outside the hub's flange. Measure both again.")
        flange_mm = None
    return HubInputs(
        made_of=hub.made_of,
        outside_mm=outside_mm,
        length=length,
        seat_mm=seat_mm,
        to_face=sized(hub.to_face),
        fit_name=hub.fit,
        fit=None if hub.fit is None else motor.fit_in(hub.fit, positive_of(hub.bore)),
        bore_mm=motor.bore_for(positive_of(hub.bore)),
        hub_rz_um=hub.hub_rz_um,
        shaft_rz_um=hub.shaft_rz_um,
        put_on=hub.put_on,
        beside=hub.beside,
        kept_by=hub.kept_by,
        reach=sized(hub.reach),
        pilot_depth=sized(hub.pilot_depth),
        chamfers_mm=value_of(hub.chamfers),
        flange_mm=flange_mm,
    )


def _jaw(sheet: CouplerSheet, odd: list[ToDo]) -> JawInputs:
    jaw, lengths = sheet.jaw, (sized(sheet.hub.length), sized(sheet.jaw.hub_length))
    engaged_mm, least_mm, greatest_mm = (value_of(one) for one in (jaw.engaged, jaw.gap_least, jaw.gap_greatest))
    if engaged_mm is not None and any(length is not None and engaged_mm > length.mm for length in lengths):
        ask(odd, "coupler.jaw.engaged", "A hub can't be engaged over more than its length.")
        engaged_mm = None
    if least_mm is not None and greatest_mm is not None and least_mm > greatest_mm:
        ask(odd, "coupler.jaw.gap_greatest", "The greatest hub gap is below the least. Look both up again.")
        greatest_mm = None
    return JawInputs(
        motor_hub=lengths[0],
        gearbox_hub=lengths[1],
        engaged_mm=engaged_mm,
        gap_least_mm=least_mm,
        gap_greatest_mm=greatest_mm,
        way=jaw.way,
        motor_slide=sized(jaw.motor_slide),
        gearbox_slide=sized(jaw.gearbox_slide),
        tip_gap_mm=value_of(jaw.tip_gap),
        cut_off=sized(jaw.cut_off),
        rating_nm=value_of(jaw.rating),
        temperature=jaw.temperature,
        shock=jaw.shock,
        starts=jaw.starts,
        greatest_rpm=jaw.greatest.rpm if jaw.greatest else None,
        outside_mm=positive_of(jaw.outside),
    )


def _clutch(sheet: CouplerSheet, odd: list[ToDo]) -> ClutchInputs:
    clutch = sheet.clutch
    outside_mm, inside_mm = positive_of(clutch.lining_outside), value_of(clutch.lining_inside)
    if outside_mm is not None and inside_mm is not None and inside_mm >= outside_mm:
        ask(odd, "coupler.clutch.lining_inside", "The linings' inside is as wide as their outside. Measure both again.")
        inside_mm = None
    return ClutchInputs(
        clamp_n=clutch.clamp_n,
        friction=clutch.friction,
        lining_outside_mm=outside_mm,
        lining_inside_mm=inside_mm,
        faces=clutch.faces,
        flywheel_out=sized(clutch.flywheel_out),
        stood_at=sized(clutch.stood_at),
        travel_mm=value_of(clutch.travel),
    )
