"""The places in a layout where something can stand, lane by lane, and what could stand in each.

A lane runs from a motor to the wheels of one axle. Two lanes that a centre differential feeds share their first stages.
Which parts are combined is a matter of dimensions: every dimension has its options, by name; a place that follows a
dimension takes the option's stage.
"""

import math
from dataclasses import dataclass, replace
from typing import Final

from driveline.benches.ratios.needs import PropshaftLimits
from driveline.benches.ratios.sheet import Propshaft, RatiosSheet, Split, SplitKind, UnitFacing
from driveline.gearing.brief import Brief
from driveline.gearing.chain import USUAL_DIRECT_GEAR_EFFICIENCY, USUAL_EFFICIENCY, Stage, StageKind
from driveline.gearing.differential import high_share
from driveline.gearing.layouts import KEPT_BOX, UNITS, has_propshaft
from driveline.gearing.road import Driven
from driveline.gearing.rolling import rolling_of
from driveline.gearing.sheets import Box, Gearbox, Layout, Shaft
from driveline.gearing.tyre import Rolling
from driveline.sheet import positive_of, value_of

SHAFT_SPEED_SHARE: Final = 0.70
COAST_FLANK_SHARE: Final = 0.80  # of a hypoid's rating; makers and texts say 15 to 25 % less
AS_FITTED: Final = "as fitted"
Options = dict[str, tuple[str | None, ...]]


@dataclass(frozen=True, slots=True)
class Dimension:
    """What is varied, as a field of ``Pick``, and the names of its options; ``None`` for nothing there."""

    field: str
    options: tuple[str | None, ...]


@dataclass(frozen=True, slots=True)
class Place:
    """A place in a lane: a fixed stage, or one per option of a dimension; ``None`` where nothing stands."""

    stages: tuple[Stage | None, ...]
    dimension: str | None = None


@dataclass(frozen=True, slots=True, kw_only=True)
class LanePlan:
    """A lane's places from its motor on."""

    is_front: bool
    motor: int  # 0, or 1 for the front one of two
    places: tuple[Place, ...]
    shared: int  # how many leading places the other lane goes through too
    rollings: tuple[Rolling, ...]  # one, or one per option of the tyre dimension


@dataclass(frozen=True, slots=True, kw_only=True)
class Plan:
    """A layout with everything that could stand in it."""

    dimensions: tuple[Dimension, ...]
    lanes: tuple[LanePlan, ...]
    split: Split | None  # what feeds two lanes from one motor

    @property
    def is_locked(self) -> bool:
        """Whether both axles are driven and locked together."""
        return len(self.lanes) > 1 and self.split is not None and self.split.kind is SplitKind.LOCKED

    @property
    def count(self) -> int:
        """How many combinations there are."""
        count = 1
        for dimension in self.dimensions:
            count *= len(dimension.options)
        return count


def plan_of(sheet: RatiosSheet, brief: Brief, rolling: Rolling, measured: tuple[PropshaftLimits, ...] = ()) -> Plan:
    """Return the layout's lanes and dimensions.

    Args:
        sheet: With at least what the layout needs.
        brief: For layout and driven axles.
        rolling: Of the tyre as fitted.
        measured: Propshafts whose joints and tubes were.
    """
    tyres = [rolling_of(option.tyre) for option in sheet.tyres]
    sound = [(option.name, found) for option, found in zip(sheet.tyres, tyres, strict=True) if found]
    dimensions: Options = {"tyre": (AS_FITTED, *(name for name, _ in sound))}
    rollings = (rolling, *(found for _, found in sound))
    if brief.layout is Layout.TWO_UNITS:
        lanes, split = _two_units(sheet, brief, rollings, dimensions)
    else:
        lanes, split = _one_motor(sheet, brief, rollings, dimensions, measured)
    order = ("reduction", "front_reduction", "gear", "transfer", "final_drive", "front_final_drive", "tyre")
    return Plan(
        dimensions=tuple(Dimension(field, dimensions[field]) for field in order if field in dimensions),
        lanes=lanes,
        split=split,
    )


def _two_units(
    sheet: RatiosSheet, brief: Brief, rollings: tuple[Rolling, ...], dimensions: Options
) -> tuple[tuple[LanePlan, ...], Split | None]:
    rear = _boxes_place(sheet.reductions, "reduction", StageKind.DRIVE_UNIT, "Drive unit", sheet, dimensions)
    front = rear
    if sheet.front_reductions:
        front = _boxes_place(
            sheet.front_reductions, "front_reduction", StageKind.DRIVE_UNIT, "Front drive unit", sheet, dimensions
        )
    fronts = (brief.front_rolling,) if brief.front_rolling else rollings
    return (
        LanePlan(is_front=False, motor=0, places=(rear, _axle(sheet, is_front=False)), shared=0, rollings=rollings),
        LanePlan(is_front=True, motor=1, places=(front, _axle(sheet, is_front=True)), shared=0, rollings=fronts),
    ), None


def _one_motor(
    sheet: RatiosSheet,
    brief: Brief,
    rollings: tuple[Rolling, ...],
    dimensions: Options,
    measured: tuple[PropshaftLimits, ...],
) -> tuple[tuple[LanePlan, ...], Split | None]:
    trunk = _trunk(sheet, brief.layout, dimensions)
    is_both = brief.driven is Driven.BOTH and not sheet.split.front_hubs_free
    split = sheet.split if brief.driven is Driven.BOTH else None
    lanes = []
    if is_both or brief.driven is not Driven.FRONT:
        branch = _branch(
            sheet, brief.layout, dimensions, is_front=False, split=split if is_both else None, measured=measured
        )
        lanes.append(LanePlan(is_front=False, motor=0, places=trunk + branch, shared=len(trunk), rollings=rollings))
    if is_both or brief.driven is Driven.FRONT:
        branch = _branch(
            sheet, brief.layout, dimensions, is_front=True, split=split if is_both else None, measured=measured
        )
        fronts = (brief.front_rolling,) if brief.front_rolling and is_both else rollings
        lanes.append(LanePlan(is_front=True, motor=0, places=trunk + branch, shared=len(trunk), rollings=fronts))
    return tuple(lanes), split


def _trunk(sheet: RatiosSheet, layout: Layout, dimensions: Options) -> tuple[Place, ...]:
    places = []
    if layout in UNITS:
        unit = _boxes_place(sheet.reductions, "reduction", StageKind.DRIVE_UNIT, "Drive unit", sheet, dimensions)
        return (unit, *_transfer(sheet, layout, dimensions))
    places.append(Place((Stage(kind=StageKind.COUPLER, title="Coupler"),)))
    if sheet.reductions:
        place = _boxes_place(sheet.reductions, "reduction", StageKind.REDUCTION, "Reduction", sheet, dimensions)
        dimensions["reduction"] = (None, *dimensions["reduction"])
        places.append(Place((None, *place.stages), "reduction"))
    if layout in KEPT_BOX and sheet.gearbox:
        gears = sheet.gearbox.gears
        dimensions["gear"] = tuple(gear.name for gear in gears)
        places.append(Place(tuple(_gear_stage(gear, sheet.gearbox) for gear in gears), "gear"))
    return (*places, *_transfer(sheet, layout, dimensions))


def _transfer(sheet: RatiosSheet, layout: Layout, dimensions: Options) -> tuple[Place, ...]:
    """A transfer box with its ranges, ahead of the propshafts; none where nothing goes along the vehicle."""
    if not sheet.transfer.ranges or not has_propshaft(layout):
        return ()
    return (_boxes_place(sheet.transfer.ranges, "transfer", StageKind.TRANSFER, "Transfer box", sheet, dimensions),)


def _branch(
    sheet: RatiosSheet,
    layout: Layout,
    dimensions: Options,
    *,
    is_front: bool,
    split: Split | None,
    measured: tuple[PropshaftLimits, ...],
) -> tuple[Place, ...]:
    if layout is Layout.AXLE_UNIT:
        return (_axle(sheet, is_front=False),)  # one driven front axle is described by the only axle's fields
    own = is_front and split is not None
    shaft = (sheet.front_propshaft or Propshaft()) if own else sheet.propshaft
    shares = _shares(split, is_front=is_front) if split else (1.0, None)
    boxes, field = sheet.final_drives, "final_drive"
    if own and sheet.front_final_drives:
        boxes, field = sheet.front_final_drives, "front_final_drive"
    if layout is Layout.KEPT_TRANSAXLE and sheet.turning.unit_facing is UnitFacing.END_FOR_END:
        boxes = [box.model_copy(update={"on_coast_flank": True}) for box in boxes]
    final = _boxes_place(boxes, field, StageKind.FINAL_DRIVE, "Final drive", sheet, dimensions)
    if not has_propshaft(layout):
        return (final, _axle(sheet, is_front=False))
    found = next((one for one in measured if one.is_front is own), None)
    return (Place((_propshaft_stage(shaft, shares, found),)), final, _axle(sheet, is_front=own))


def _shares(split: Split, *, is_front: bool) -> tuple[float, float | None]:
    """Usual and greatest share of the torque at one side of a centre differential."""
    front = split.front_share or 0.5
    usual = front if is_front else 1 - front
    if split.kind is SplitKind.OPEN:
        return usual, None
    bias = split.bias_ratio if split.kind is SplitKind.LIMITED_SLIP else None
    return usual, 1.0 if bias is None else max(usual, high_share(bias))


def _boxes_place(
    boxes: list[Box], field: str, kind: StageKind, title: str, sheet: RatiosSheet, dimensions: Options
) -> Place:
    options = [option for box in boxes for option in _settings(box)]
    dimensions[field] = tuple(option.name for option in options)
    stages = (box_stage(option, kind, f"{title} {option.ratio.value:.2f}") for option in options)
    if kind is StageKind.DRIVE_UNIT:
        turned = sheet.turning.unit_facing is UnitFacing.END_FOR_END
        stages = (replace(stage, sense=-stage.sense if turned and stage.sense else stage.sense) for stage in stages)
    return Place(tuple(stages), field)


def _settings(box: Box) -> list[Box]:
    """A box with several internal ratios is an option each."""
    more = [box.model_copy(update={"ratio": ratio, "name": f"{box.name} at {ratio.text}"}) for ratio in box.more_ratios]
    return [box, *more]


def rating_at_input_nm(box: Box | Gearbox, *, ratio: float, efficiency: float) -> float | None:
    """Return a rating as input torque: one stated for the output is taken back through the box, T_in = T_out/(i η)."""
    rating_nm = value_of(box.rating)
    if rating_nm is None or box.rating_at is Shaft.INPUT:
        return rating_nm
    return rating_nm / (ratio * efficiency)


def box_stage(box: Box, kind: StageKind, title: str, usual: float | None = None) -> Stage:
    """Return a box as a stage of the chain, its rating at its input and less what a coast flank costs."""
    efficiency = box.efficiency or usual or USUAL_EFFICIENCY[kind]
    rating_nm = rating_at_input_nm(box, ratio=box.ratio.value, efficiency=efficiency)
    return Stage(
        kind=kind,
        title=title,
        ratio=box.ratio.value,
        efficiency=efficiency,
        efficiency_is_default=box.efficiency is None,
        sense=None if box.reverses is None else -1 if box.reverses else 1,
        rating_nm=rating_nm * COAST_FLANK_SHARE if rating_nm is not None and box.on_coast_flank else rating_nm,
        greatest_input_rpm=positive_of(box.greatest_rpm),
        sheds_kw=positive_of(box.sheds),
    )


def _gear_stage(gear: Box, gearbox: Gearbox) -> Stage:
    usual = USUAL_DIRECT_GEAR_EFFICIENCY if gear.ratio.value == 1 else None
    stage = box_stage(gear, StageKind.GEARBOX, f"Gearbox, {gear.name}", usual)
    rating_nm = rating_at_input_nm(gearbox, ratio=stage.ratio, efficiency=stage.efficiency)
    return replace(
        stage,
        sense=1 if gear.reverses is None else stage.sense,  # a forward gear keeps the sense unless it says otherwise
        rating_nm=rating_nm if stage.rating_nm is None else stage.rating_nm,
        greatest_input_rpm=stage.greatest_input_rpm or positive_of(gearbox.greatest_rpm),
    )


def _propshaft_stage(shaft: Propshaft, shares: tuple[float, float | None], measured: PropshaftLimits | None) -> Stage:
    """A propshaft: its maker's figures, and those of its shafts and joints as measured; the stricter governs."""
    critical_rpm, joint_rpm = positive_of(shaft.critical_rpm), positive_of(shaft.joint_rpm)
    rating_nm, angle_rpm = value_of(shaft.rating), None
    if measured is not None:
        stated = [rpm for rpm in (critical_rpm, measured.critical_rpm) if rpm]
        critical_rpm = min(stated) if measured.critical_rpm else None
        angle_rpm = measured.angle_rpm
        if rating_nm is not None and measured.torque_nm is not None:
            rating_nm = min(rating_nm, measured.torque_nm)
    speeds = (critical_rpm and critical_rpm * SHAFT_SPEED_SHARE, joint_rpm, angle_rpm)
    limits = [rpm for rpm in speeds if rpm and math.isfinite(rpm)]
    return Stage(
        kind=StageKind.PROPSHAFT,
        title="Propshaft",
        efficiency=USUAL_EFFICIENCY[StageKind.PROPSHAFT],
        efficiency_is_default=True,
        share=shares[0],
        strength_share=shares[1],
        rating_nm=rating_nm,
        greatest_input_rpm=min(limits, default=None),
        critical_rpm=critical_rpm,
        joint_rpm=joint_rpm,
        angle_rpm=angle_rpm,
    )


def _axle(sheet: RatiosSheet, *, is_front: bool) -> Place:
    rating = sheet.front_axle_rating if is_front else sheet.axle_rating
    return Place(
        (
            Stage(
                kind=StageKind.AXLE,
                title="Axle",
                efficiency=USUAL_EFFICIENCY[StageKind.AXLE],
                efficiency_is_default=True,
                rating_nm=value_of(rating),
            ),
        )
    )
