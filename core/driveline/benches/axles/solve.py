"""The Axles & propshafts bench: shafts ordered once, that neither bind nor shake."""

from collections.abc import Iterator

from driveline.benches.axles.adapters import (
    AdapterFound,
    adapter_checks,
    adapter_doubts,
    adapter_found,
    adapter_part,
    holes_missing,
)
from driveline.benches.axles.axle_checks import SideFound, side_found, standing_doubts, standing_missing, travel_checks
from driveline.benches.axles.bar_checks import bar_checks
from driveline.benches.axles.bars import load_missing, spline_doubts
from driveline.benches.axles.end_checks import end_checks, flange_checks, slip_spline_checks
from driveline.benches.axles.ends import SIDES, end_of, is_on_unit, refused
from driveline.benches.axles.even_life import side_life_checks
from driveline.benches.axles.line_checks import line_checks
from driveline.benches.axles.lines import LineFound, line_found
from driveline.benches.axles.needs import AxlesNeeds
from driveline.benches.axles.order_wanted import bar_wanted
from driveline.benches.axles.parts import USUAL_GRADE_MM_S, bar_part, tube_part
from driveline.benches.axles.results import AxlesResult
from driveline.benches.axles.shakes import shakes_of
from driveline.benches.axles.sheet import Axle, AxlesSheet
from driveline.benches.axles.shown import adapter_shown, axle_shown, line_shown
from driveline.benches.axles.through_travel import travelling
from driveline.benches.axles.turning import TurningLine
from driveline.benches.contract import LaidOut, Outcome, progress_of
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.margins import Judge
from driveline.parts.ordered import OrderedPart
from driveline.results import Assumed, ToDo
from driveline.sheet import positive_of, value_of
from driveline.suspension.travel import OUTER_FIXED_DEG

Sides = tuple[SideFound, SideFound]


def run(sheet: AxlesSheet, _laid: LaidOut, needs: AxlesNeeds, judge: Judge) -> Outcome[None]:
    """Return what the shafts come to."""
    axles = tuple(_sides(axle, k, needs) for k, axle in enumerate(sheet.axles))
    lines = tuple(line_found(line, k, needs) for k, line in enumerate(sheet.lines))
    checks = tuple(_checks(axles, lines, needs, judge))
    adapters = tuple(adapter_found(adapter, k, needs) for k, adapter in enumerate(sheet.adapters))
    checks = (*checks, *(check for one in adapters for check in adapter_checks(one, needs, judge)))
    to_do = tuple(_to_do(sheet, axles, lines, adapters))
    is_begun = bool(sheet.axles or sheet.lines or sheet.adapters)
    turning = TurningLine(sheet=sheet, lines=lines, needs=needs)
    return Outcome(
        solved=None,
        show=lambda: AxlesResult(
            axles=tuple(
                axle_shown(axle, k, sides, checks)
                for k, (axle, sides) in enumerate(zip(sheet.axles, axles, strict=True))
            ),
            lines=tuple(line_shown(one, checks) for one in lines),
            turning=turning.shown(),
            shakes=shakes_of(sheet, turning),
            adapters=tuple(adapter_shown(one, checks) for one in adapters),
            queries=(*_queries(axles, lines), *_adapter_queries(adapters)),
            assumed=(*_assumed(sheet, needs), *turning.assumed()),
            to_do=to_do,
        ),
        check=lambda: checks,
        to_do=to_do,
        progress=progress_of(is_begun=is_begun, is_finished=is_begun and not to_do),
        parts=(*_parts(axles, lines), *(one.part for one in adapters if one.part is not None)),
        ticks=turning.ticks(),
    )


def lay_out(sheet: AxlesSheet) -> LaidOut:
    """Return the adapters that can be drawn so far."""
    found = (adapter_part(adapter, k) for k, adapter in enumerate(sheet.adapters))
    return LaidOut(parts=tuple(part for part in found if part is not None))


def _sides(axle: Axle, k: int, needs: AxlesNeeds) -> Sides:
    found = []
    for name in SIDES:
        end = end_of(axle, name, needs, f"axles.axles.{k}")
        side = getattr(axle, name)
        travel = None
        try:
            travel = None if end.end is None else travelling(end.end, axle.inner, side.bar)
        except ImpossibleInput as error:
            end = refused(end, axle, name, f"axles.axles.{k}.{name}", error)
        found.append(side_found(axle, k, name, end, travel, needs))
    return found[0], found[1]


def _checks(axles: tuple[Sides, ...], lines: tuple[LineFound, ...], needs: AxlesNeeds, judge: Judge) -> Iterator[Check]:
    for sides in axles:
        for one in sides:
            yield from travel_checks(one, judge)
            yield from bar_checks(one, needs, judge)
            yield from end_checks(one, needs, judge)
            yield from side_life_checks(one, judge)
    for line in lines:
        yield from line_checks(line, needs, judge)
        yield from slip_spline_checks(line, needs, judge)
        torque, lacking = (
            line.load.design_nm if line.load else None,
            load_missing("propshaft", line.line.name, line.load, needs),
        )
        for flange, words, where in (
            (line.line.box_flange, "flange at the box", "box_flange"),
            (line.line.pinion_flange, "flange at the pinion", "pinion_flange"),
        ):
            yield from flange_checks(flange, f"{line.line.name}, {words}", line, torque, lacking, judge, where)


def _parts(axles: tuple[Sides, ...], lines: tuple[LineFound, ...]) -> Iterator[OrderedPart]:
    found = [bar_part(one) for sides in axles for one in sides]
    found += [tube_part(line, j, tube) for line in lines for j, tube in enumerate(line.line.tubes)]
    yield from (part for part in found if part is not None)


def _queries(axles: tuple[Sides, ...], lines: tuple[LineFound, ...]) -> Iterator[ToDo]:
    """What can't be, by its field."""
    for sides in axles:
        for one in sides:
            doubts = [*one.found.doubts]
            bar, field = one.side.bar, f"{one.field}.bar"
            doubts += spline_doubts(bar.inner_spline, bar, f"{field}.inner_spline", f"{one.words}, inner spline")
            doubts += spline_doubts(bar.outer_spline, bar, f"{field}.outer_spline", f"{one.words}, outer spline")
            outer = one.side.outer
            strap, droop = value_of(outer.strap), value_of(outer.droop)
            doubts += [*standing_doubts(one)]
            if strap is not None and droop is not None and strap > droop:
                doubts.append(
                    (f"{one.field}.outer.strap", f"{one.words}: a strap longer than the droop holds nothing.")
                )
            yield from (ToDo(field=path, text=text) for path, text in doubts)
    for line in lines:
        yield from (ToDo(field=path, text=f"{line.line.name}: {text}") for path, text in line.doubts)


def _adapter_queries(adapters: tuple[AdapterFound, ...]) -> Iterator[ToDo]:
    for one in adapters:
        yield from (ToDo(field=path, text=text) for path, text in adapter_doubts(one))


def _assumed(sheet: AxlesSheet, needs: AxlesNeeds) -> Iterator[Assumed]:
    for k, axle in enumerate(sheet.axles):
        field, joint = f"axles.axles.{k}", axle.inner
        if joint.kind is not None and (positive_of(joint.angle) is None or positive_of(joint.plunge) is None):
            yield Assumed(field=f"{field}.inner", text=f"{axle.name}: a {joint.kind.words}'s usual angle and plunge")
        if joint.plunge_bent is None:
            yield Assumed(field=f"{field}.inner.plunge_bent", text=f"{axle.name}: whole plunge at any angle")
        if positive_of(axle.outer.angle) is None:
            text = f"{axle.name}: outer joints bend {fig(OUTER_FIXED_DEG, '°', 0)}"
            yield Assumed(field=f"{field}.outer.angle", text=text)
        if needs.any_way_mm is not None and (is_on_unit(axle.left) or is_on_unit(axle.right)):
            text = f"{axle.name}: the unit moves {fig(needs.any_way_mm, 'mm', 1)} any way, as no mounts are entered"
            yield Assumed(field="mounts.mounts", text=text)
    for k, line in enumerate(sheet.lines):
        if line.grade_mm_s is None and line.tubes:
            text = f"{line.name}: balanced to G{USUAL_GRADE_MM_S:g}"
            yield Assumed(field=f"axles.lines.{k}.grade_mm_s", text=text)
        if needs.any_way_mm is not None:
            text = f"{line.name}: the unit moves {fig(needs.any_way_mm, 'mm', 1)} any way, as no mounts are entered"
            yield Assumed(field="mounts.mounts", text=text)


def _to_do(
    sheet: AxlesSheet, axles: tuple[Sides, ...], lines: tuple[LineFound, ...], adapters: tuple[AdapterFound, ...]
) -> Iterator[ToDo]:
    for one in adapters:
        if one.part is None:
            wanted = (*holes_missing(one.adapter), f"{one.adapter.name}: its outside and its thickness")
            yield ToDo(field=one.field, text=f"Still wanted of {wanted[0]}.")
    if not sheet.axles and not sheet.lines:
        yield ToDo(field="axles.axles", text="Enter the shafts: an axle with two, or a line of propshafts.")
        return
    for sides in axles:
        for side in sides:
            lacking = (*side.found.missing, *standing_missing(side.axle))
            if lacking:
                yield ToDo(field=side.field, text=f"Still wanted of {lacking[0]}.")
            elif bar_part(side) is None:
                sizes = bar_wanted(side.side.bar, f"{side.field}.bar")
                words = "; ".join(each.text for each in sizes) or "splines shorter than the bar"
                text = f"For the order of {side.words}'s bar: {words}."
                yield ToDo(field=sizes[0].field if sizes else f"{side.field}.bar", text=text)
    for line in lines:
        lacking = (*line.ends_missing, *line.twist_missing, *line.travel_missing, *line.standing_missing)
        if lacking:
            yield ToDo(field=line.field, text=f"Still wanted of {lacking[0]}.")
