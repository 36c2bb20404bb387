"""The Coupler bench: two shaft ends joined; how it fits lengthwise, what it carries, and how it is put together."""

import math
from dataclasses import dataclass, replace
from typing import Final

from driveline.benches.contract import Outcome, Paper, progress_of
from driveline.benches.coupler.axial import FACE_CLEAR_MM, TIP_CLEAR_MM, AxialGap, axial_gaps
from driveline.benches.coupler.checks import strength_checks
from driveline.benches.coupler.engaged import on_shafts, spline_gaps
from driveline.benches.coupler.fit_options import fit_options
from driveline.benches.coupler.gaps import Apart, apart_of, gap_checks, room_mm, window_check, window_of
from driveline.benches.coupler.hub_checks import allowed_parallel_mm, rim_mm
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.lay_out import LaidCoupler
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.results import AtSpeed, CouplerResult, RunoutResult, Slid
from driveline.benches.coupler.runs_out import USUAL_GRADE_MM_S, runs_out_of
from driveline.benches.coupler.section import gap_results, section_of
from driveline.benches.coupler.section_sheet import section_sheet
from driveline.benches.coupler.shaft_inputs import MEASURED
from driveline.benches.coupler.sheet import CouplerSheet, ShaftKind
from driveline.benches.coupler.shuffle import assumed_of, shuffle_of
from driveline.benches.coupler.styles import alternatives, order_of, style_facts
from driveline.checks import Check
from driveline.drawing.model import Drawing
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.fits.interference import Span
from driveline.margins import Judge
from driveline.results import Assumed, ToDo
from driveline.shafts.coupler import CouplerStyle, RunsOut, forgives
from driveline.shafts.elements import SpiderFactors
from driveline.shafts.hubs import balance_grade_mm_s, eccentric_force_n
from driveline.shafts.runout import hub_runout
from driveline.shafts.splines import proposed_module_mm
from driveline.sheet import positive_of
from driveline.tables.materials import material

TRUE_MM: Final = 0.002  # less than a dial tells


@dataclass(frozen=True, slots=True, kw_only=True)
class SolvedCoupler:
    """What the plate takes from it: how far off the chosen distance the faces may stand, and how true it runs."""

    room_mm: float | None
    runs_out: RunsOut


def run(sheet: CouplerSheet, laid: LaidCoupler, needs: CouplerNeeds, judge: Judge) -> Outcome[SolvedCoupler]:
    """Return the coupler with its checks, at the faces' distance as chosen, else as the plate holds them."""
    inputs, style = _spanned(laid.inputs, needs.span), needs.style
    is_begun = sheet != CouplerSheet()
    apart = apart_of(inputs, needs)
    gaps = (*axial_gaps(inputs, style), *spline_gaps(inputs, style)) if style else ()
    to_do = _to_do(inputs, style, gaps)
    checks = _checks(inputs, needs, gaps, apart, judge) if is_begun else ()
    result = _result(sheet, inputs, needs, gaps, apart, to_do)
    return Outcome(
        solved=SolvedCoupler(
            room_mm=room_mm(gaps, apart) if apart.is_chosen else None, runs_out=runs_out_of(inputs, needs, apart)
        ),
        show=lambda: result,
        check=lambda: checks,
        to_do=to_do,
        progress=progress_of(is_begun=is_begun, is_finished=is_begun and style is not None and not to_do),
        parts=laid.parts,
        papers=(_paper(result),) if result.blocks else (),
    )


def _spanned(inputs: CouplerInputs, span: Span) -> CouplerInputs:
    """The sheet with the job's own range of temperatures."""
    return replace(
        inputs,
        motor_shaft=replace(inputs.motor_shaft, span=span),
        gearbox_shaft=replace(inputs.gearbox_shaft, span=span),
        hub=replace(inputs.hub, span=span),
    )


def _result(
    sheet: CouplerSheet,
    inputs: CouplerInputs,
    needs: CouplerNeeds,
    gaps: tuple[AxialGap, ...],
    apart: Apart,
    to_do: tuple[ToDo, ...],
) -> CouplerResult:
    style = needs.style
    return CouplerResult(
        style=style.value if style else None,
        apart_mm=apart.link.length_mm if apart.link else None,
        apart_is_chosen=apart.is_chosen,
        plate_apart_mm=needs.apart.nominal_mm if needs.apart else None,
        gaps=gap_results(gaps, inputs, style, apart) if style else (),
        blocks=section_of(inputs, style, apart) if style else (),
        window=window_of(gaps, apart, needs.apart.nominal_mm if needs.apart else None),
        alternatives=alternatives(inputs, apart) if style is CouplerStyle.FLEXIBLE else (),
        styles=style_facts(style),
        at_speed=_at_speed(inputs, needs, style),
        placed=_placed(inputs),
        shuffle=shuffle_of(inputs, needs, style) if style else None,
        runout=_runout(sheet),
        fits=fit_options(inputs, needs, on_shafts(inputs, style, apart).seat_mm if style else None),
        notes=_notes(inputs, style),
        order=order_of(inputs, style) if style else (),
        queries=inputs.odd,
        assumed=_assumed(inputs, style, gaps),
        to_do=to_do,
    )


def _paper(result: CouplerResult) -> Paper:
    def draw(job_name: str, revision: str) -> Drawing:
        return section_sheet(result, job_name=job_name, revision=revision)

    return Paper(key="coupler.section", title="Coupler in section", draw=draw)


def _checks(
    inputs: CouplerInputs, needs: CouplerNeeds, gaps: tuple[AxialGap, ...], apart: Apart, judge: Judge
) -> tuple[Check, ...]:
    style = needs.style
    if style is None:
        missing = ("Coupler style",)
        key, title = "coupler.style", "Coupler chosen"
        return (judge.answer(is_so=None, key=key, title=title, missing=missing, inputs=("ratios.coupler",)),)
    found = window_check(window_of(gaps, apart), gaps, apart, judge)
    of_parts = judge.guarding()
    strong = strength_checks(inputs, needs, style, on_shafts(inputs, style, apart), of_parts)
    return (*gap_checks(gaps, apart, of_parts), *((found,) if found else ()), *strong)


def _notes(inputs: CouplerInputs, style: CouplerStyle | None) -> tuple[str, ...]:
    """What looks like a slip but may be meant, and what a counted spline looks like, to order a hub by its name."""
    found, hub, box = [], inputs.hub, inputs.gearbox_shaft
    if inputs.motor_shaft.kind is ShaftKind.KEYED and hub.fit and hub.fit_name and hub.fit.least_play_mm >= 0:
        found.append(f"{hub.fit_name.value} leaves play: the key carries all, and a reversing torque frets it. Meant?")
    zone = inputs.motor_shaft.zone
    if hub.fit_name and zone and hub.fit and hub.fit.shaft.zone != MEASURED and not hub.fit_name.value.endswith(zone):
        found.append(f"The shaft is {zone.value} by its maker, and the bore made for {hub.fit_name.value}. Meant?")
    hub_length = inputs.jaw.gearbox_hub if style is CouplerStyle.FLEXIBLE else hub.length
    if box.kind is ShaftKind.SPLINED and box.spline.length and hub_length and box.spline.length.mm > hub_length.mm:
        over = fig(box.spline.length.mm - hub_length.mm, "mm", 1)
        found.append(f"The gearbox shaft's teeth are {over} longer than the hub: measured over full teeth?")
    for shaft in (inputs.motor_shaft, inputs.gearbox_shaft):
        teeth, outside_mm = shaft.spline.teeth, shaft.diameter_mm
        if shaft.kind is not ShaftKind.SPLINED or teeth is None or outside_mm is None:
            continue
        module_mm = proposed_module_mm(teeth=teeth, outside_mm=outside_mm)
        name = f"The {shaft.word}'s {teeth} teeth over {fig(outside_mm, 'mm')}"
        if module_mm is None:
            found.append(f"{name} are no involute of a usual module: straight-sided, or by pitch. Take a cast of it.")
        else:
            found.append(
                f"{name} look like an involute of module {fig(module_mm, 'mm')}. Try a known hub before ordering."
            )
    return tuple(found)


def _runout(sheet: CouplerSheet) -> RunoutResult | None:
    """What the dial's readings mean; ``None`` until there are enough, round the whole turn."""
    try:
        read = [(one.clock.deg, one.reading.mm) for one in sheet.dial if one.reading is not None]
        found = hub_runout([clock for clock, _ in read], [reading for _, reading in read])
    except ImpossibleInput:
        return None
    screw = found.screw_to_ease({one.name: one.clock.deg for one in sheet.grub_screws})
    high = f"Its high spot is at {fig(found.high_deg, '°', 0)}"
    if found.tir_mm < TRUE_MM:
        says = "It runs true."
    elif not found.is_mostly_eccentric:
        says = "Mostly out of round: no screw mends that. Turn the hub true, or change it."
    elif screw is None:
        says = f"{high}: seat it again, or turn it true on its shaft."
    else:
        says = f"{high}: ease grub screw {screw}, tighten those across, read again."
    return RunoutResult(eccentric_mm=found.eccentric_mm, high_deg=found.high_deg, oval_mm=found.oval_mm, says=says)


def _placed(inputs: CouplerInputs) -> Slid:
    motor, box, face = inputs.jaw.motor_slide, inputs.jaw.gearbox_slide, inputs.hub.to_face
    return Slid(
        motor_slide_mm=motor.mm if motor else None,
        gearbox_slide_mm=box.mm if box else None,
        to_face_mm=face.mm if face else None,
    )


def _at_speed(inputs: CouplerInputs, needs: CouplerNeeds, style: CouplerStyle | None) -> AtSpeed:
    outside_mm = rim_mm(inputs, style) if style else None
    rpm, hub = needs.greatest_rpm, inputs.hub
    hub_kg = grade = force_n = None
    if hub.made_of and hub.outside_mm and hub.length and inputs.motor_shaft.diameter_mm:
        area_mm2 = math.pi / 4 * (hub.outside_mm**2 - inputs.motor_shaft.diameter_mm**2)
        hub_kg = area_mm2 * hub.length.mm * 1e-9 * material(hub.made_of).density_kgm3
    if inputs.runout_mm is not None and rpm is not None:
        grade = balance_grade_mm_s(eccentric_mm=inputs.runout_mm / 2, rpm=rpm)
        if hub_kg is not None:
            force_n = eccentric_force_n(mass_kg=hub_kg, eccentric_mm=inputs.runout_mm / 2, rpm=rpm)
    return AtSpeed(
        rim_ms=None if outside_mm is None or rpm is None else outside_mm / 2000 * rpm * math.pi / 30,
        hub_kg=hub_kg,
        grade_mm_s=grade,
        force_n=force_n,
    )


def _assumed(inputs: CouplerInputs, style: CouplerStyle | None, gaps: tuple[AxialGap, ...]) -> tuple[Assumed, ...]:
    keys = {one.gap.key for one in gaps if one.limit_is_usual}
    found = []
    if "tip" in keys:
        found.append(Assumed(field="coupler.tip_clear", text=f"shaft tip {fig(TIP_CLEAR_MM, 'mm')} clear of the hub"))
    if "tips" in keys:
        found.append(Assumed(field="coupler.jaw.tip_gap", text=f"shaft tips {fig(2 * TIP_CLEAR_MM, 'mm')} apart"))
    if keys & {"hub_back", "motor_hub_back", "gearbox_hub_back"}:
        found.append(Assumed(field="coupler.face_clear", text=f"hub {fig(FACE_CLEAR_MM, 'mm')} clear of a face"))
    for shaft in (inputs.motor_shaft, inputs.gearbox_shaft):
        if shaft.kind is ShaftKind.KEYED and shaft.key.bearing_mpa is None and inputs.hub.made_of is not None:
            text = f"key of the {shaft.word} bears what its hub yields at"
            found.append(Assumed(field=f"{shaft.field}.key.bearing_mpa", text=text))
    if style is CouplerStyle.FLEXIBLE:
        found += _factors_assumed(inputs)
    if style is not None:
        found += assumed_of(inputs, style)
        found += _forgiveness_assumed(inputs, style)
    return tuple(found)


def _forgiveness_assumed(inputs: CouplerInputs, style: CouplerStyle) -> list[Assumed]:
    sheet, found = inputs.sheet, []
    if positive_of(sheet.allowed_parallel) is None:
        text = f"{fig(allowed_parallel_mm(inputs, style), 'mm')} of offset forgiven"
        found.append(Assumed(field="coupler.allowed_parallel", text=text))
    if positive_of(sheet.allowed_angle) is None:
        text = f"{fig(forgives(style).angle_deg, '°')} of angle forgiven"
        found.append(Assumed(field="coupler.allowed_angle", text=text))
    if not sheet.falls:
        text = "what it forgives falls to half at the motor's top speed"
        found.append(Assumed(field="coupler.falls", text=text))
    if sheet.grade_mm_s is None:
        found.append(Assumed(field="coupler.grade_mm_s", text=f"balanced to G{USUAL_GRADE_MM_S:g}"))
    return found


def _factors_assumed(inputs: CouplerInputs) -> list[Assumed]:
    usual = SpiderFactors()
    return [
        Assumed(field=f"coupler.jaw.{name}", text=f"factor for {name} {getattr(usual, name):g}")
        for name in ("temperature", "shock", "starts")
        if getattr(inputs.jaw, name) is None
    ]


def _to_do(inputs: CouplerInputs, style: CouplerStyle | None, gaps: tuple[AxialGap, ...]) -> tuple[ToDo, ...]:
    motor, box = inputs.motor_shaft, inputs.gearbox_shaft
    wanted = [
        (style is not None, "ratios.coupler", "Choose the kind of coupler."),
        (motor.kind is not None, "coupler.motor_shaft.kind", "Say how the motor's shaft takes a hub."),
        (motor.diameter_mm is not None, "coupler.motor_shaft.diameter", "Measure the motor's shaft."),
        (
            motor.stands_out is not None,
            "coupler.motor_shaft.reading",
            "Measure how far the motor's shaft stands out of its face.",
        ),
        (box.diameter_mm is not None, "coupler.gearbox_shaft.diameter", "Measure the gearbox's shaft."),
        (
            box.stands_out is not None,
            "coupler.gearbox_shaft.reading",
            "Lay a bar over the bell-housing and measure down to the shaft's tip.",
        ),
        (
            not any(one.missing for one in gaps),
            gaps[0].fields[0] if gaps else "coupler.hub.length",
            "Give the lengths that the gaps below still want.",
        ),
    ]
    return inputs.odd + tuple(ToDo(field=field, text=text) for known, field, text in wanted if not known)
