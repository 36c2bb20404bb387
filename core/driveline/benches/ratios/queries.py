"""Questions about gearing figures that look like one of the trade's classic slips. Asked, never acted on."""

from collections.abc import Iterator

from driveline.benches.ratios.sheet import Propshaft, RatiosSheet
from driveline.figures import fig, num
from driveline.gearing.chain import StageKind
from driveline.gearing.layouts import UNITS, has_propshaft
from driveline.gearing.road import Driven
from driveline.gearing.sheets import Box, Layout
from driveline.gearing.slips import MPH_MIX, is_same


def as_it_was_queries(
    *, wanted_kmh: float | None, was_top_kmh: float, motor_nm: tuple[float, float], engine_nm: tuple[float, float]
) -> list[str]:
    """Return what to ask about the wanted speed and the torque against the vehicle as it was.

    Args:
        wanted_kmh: Wanted top speed.
        was_top_kmh: Worked out for the vehicle before.
        motor_nm: Greatest torque of the motor, and what it makes at the wheels from rest.
        engine_nm: The same of the engine, in its lowest gear.
    """
    found = []
    if wanted_kmh and MPH_MIX[0] <= was_top_kmh / wanted_kmh <= MPH_MIX[1]:
        found.append(
            f"It did {fig(was_top_kmh, 'km/h', 0)} before and {num(wanted_kmh, 'km/h', 0)} are wanted: a "
            f"ratio of {was_top_kmh / wanted_kmh:.2f}. Is the wanted speed in mph? Type it with its unit."
        )
    if motor_nm[0] > engine_nm[0] and motor_nm[1] < engine_nm[1]:
        found.append(
            f"{fig(motor_nm[0], 'N·m', 0)} at the motor against {num(engine_nm[0], 'N·m', 0)} at the crank misleads: "
            f"from rest the wheels get {fig(motor_nm[1], 'N·m', 0)}, where the engine's lowest gear "
            f"gave {num(engine_nm[1], 'N·m', 0)}."
        )
    return found


def ratio_queries(sheet: RatiosSheet, layout: Layout, driven: Driven) -> list[str]:
    """Return what to ask: ratios upside down, counted through another part, of direct gear; a layout that can't be."""
    return [*_upside_down(sheet), *_counted_through(sheet, layout), *_not_that_layout(sheet, layout, driven)]


def _not_that_layout(sheet: RatiosSheet, layout: Layout, driven: Driven) -> Iterator[str]:
    """Where figures speak against the layout."""
    has_shaft = sheet.propshaft != Propshaft()
    if layout is Layout.KEPT_GEARBOX and driven is Driven.FRONT and not has_shaft:
        yield (
            "A kept gearbox with a propshaft that drives the front wheels is rare. Are gearbox and final drive in one "
            "casing, with half shafts? Then the layout is the kept transaxle: its mounts bear many times as much."
        )
    if not has_propshaft(layout) and has_shaft:
        yield "Figures of a propshaft are entered, and this layout has none. Which one is right?"
    if layout in UNITS and sheet.gearbox is not None and sheet.gearbox.gears:
        yield "Gears of a kept gearbox are entered, and a drive unit has none behind it. Which one is right?"


def _upside_down(sheet: RatiosSheet) -> Iterator[str]:
    named = [(StageKind.FINAL_DRIVE, box, 1.0) for box in (*sheet.final_drives, *sheet.front_final_drives)]
    named += [(StageKind.REDUCTION, box, 1.0) for box in (*sheet.reductions, *sheet.front_reductions)]
    named += [(StageKind.GEARBOX, box, 0.6) for box in (sheet.gearbox.gears if sheet.gearbox else ())]
    for _, box, least in named:
        if box.ratio.value < least:
            yield (
                f"{box.name}: {box.ratio.value:g} gears up. Was output counted over input? "
                f"Turned over it is {1 / box.ratio.value:.3g}."
            )


def _counted_through(sheet: RatiosSheet, layout: Layout) -> Iterator[str]:
    finals: tuple[Box, ...] = tuple(sheet.final_drives)
    gears = sheet.gearbox.gears if sheet.gearbox else []
    for gear in gears:
        for final in finals:
            if final.ratio.value > 1.5 and is_same(gear.ratio.value, final.ratio.value):
                yield (
                    f"{gear.name} and the final drive {final.name} have the same ratio. Were the wheels counted, "
                    "so that the final drive is in it twice?"
                )
            if gear.ratio.value > 4.5 and any(
                other is not gear and is_same(gear.ratio.value, other.ratio.value * final.ratio.value)
                for other in gears
            ):
                yield f"{gear.name} is another gear times the final drive. Was it counted at the wheels?"
    for box in sheet.reductions:
        if is_same(box.ratio.value, 1.0):
            yield f"{box.name}: a ratio of 1 is direct gear and reduces nothing. Count its low ratio as well."
        for final in finals:
            if layout in (Layout.AXLE_UNIT, Layout.CENTRE_UNIT) and is_same(box.ratio.value, final.ratio.value):
                yield f"{box.name} and the final drive have the same ratio. Is one reduction counted twice?"
