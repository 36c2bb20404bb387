"""What holds a shaft at its ends: splines in their joints, the joints' own ratings, flange bolts, angle at speed."""

import math
from collections.abc import Iterator
from typing import Final

from driveline.benches.axles.axle_checks import SideFound
from driveline.benches.axles.bar_checks import high_nm
from driveline.benches.axles.bars import differential_missing, load_missing
from driveline.benches.axles.lines import LineFound
from driveline.benches.axles.needs import AxlesNeeds
from driveline.benches.axles.sheet import BarSpline, Flange
from driveline.benches.axles.workings import angle_working
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.joints.circles import circle_checks, circle_place, circle_xy_mm
from driveline.joints.screws import JointFields
from driveline.margins import Judge, missing_of
from driveline.shafts.splines import GUIDE_MPA, WANTED_OF_PITCH, side_pressure_mpa
from driveline.sheet import positive_of, value_of
from driveline.tables.materials import PlateMaterial, material
from driveline.working import Working, entered, step, tabled, worked

SPLINE: Final = "p = 2 T/(z d_m h l ψ), ψ 0.75; the lower end of the guide's range, over the least length engaged."
RATED: Final = "By its maker; the most that comes to this side, launch or reverse."


def end_checks(one: SideFound, needs: AxlesNeeds, judge: Judge) -> Iterator[Check]:
    """Return the checks of both ends of an axle's shaft."""
    torque = high_nm(one)
    lacking = (*load_missing("axle", one.axle.name, one.load, needs), *differential_missing(one.axle))
    for end, joint in (("inner", one.axle.inner), ("outer", one.axle.outer)):
        axle = one.field.rpartition(".")[0]
        yield _rated(one, end, positive_of(joint.rating), torque, (lacking, f"{axle}.{end}.rating"), judge)
        spline: BarSpline = getattr(one.side.bar, f"{end}_spline")
        yield from spline_checks(
            f"{one.key}.{end}_spline",
            f"{one.words}, {end} spline",
            (spline, f"{one.field}.bar.{end}_spline"),
            (torque, lacking, one.station),
            None,
            judge,
        )
    yield _fast(one, judge)
    yield from flange_checks(one.axle.flange, f"{one.words}, inner flange", one, torque, lacking, judge)


def _rated(
    one: SideFound,
    end: str,
    rating: float | None,
    torque: float | None,
    asked: tuple[tuple[str, ...], str],
    judge: Judge,
) -> Check:
    lacking, field = asked
    words = f"{one.words}, {end} joint"

    def working() -> Working:
        if torque is None:
            return Working(source=RATED)
        return Working(
            steps=(step("T", "T_side", worked("T_side", torque, "N·m", "design torque"), value=torque, unit="N·m"),),
            source=RATED,
        )

    return judge.check(
        "maker_rating",
        key=f"{one.key}.{end}_torque",
        title=f"{words}: its torque",
        demand=torque,
        capacity=rating,
        unit="N·m",
        says="" if torque is None else f"{fig(torque, 'N·m', 0)} at the most.",
        missing=(*lacking, *missing_of({f"{words}: the greatest torque that its maker allows": rating})),
        inputs=(field,),
        station=one.station,
        working=working,
    )


def _fast(one: SideFound, judge: Judge) -> Check:
    """A fixed joint that turns fast may be bent less than one that is steered at a walk."""
    laden, empty, travel = value_of(one.axle.laden), value_of(one.axle.empty), one.travel
    angle, worst_mm = None, 0.0
    if travel is not None and laden is not None and empty is not None:
        heights = (0.0, min(laden, travel.end.bump_mm), -min(empty, travel.end.droop_mm))
        angle, worst_mm = max((travel.standing_deg({"": height})[2], height) for height in heights)
    stated = positive_of(one.axle.outer.fast)
    missing = (
        *one.found.missing,
        *missing_of(
            {
                f"{one.axle.name}: how much higher its wheels stand laden": laden,
                f"{one.axle.name}: how much lower they stand empty": empty,
                f"{one.axle.name}: what its outer joints' maker allows at the wanted top speed": stated,
            }
        ),
    )

    def working() -> Working:
        source = "Straight ahead, empty to laden, against the maker's angle at that speed."
        if angle is None or travel is None:
            return Working(source=source)
        shaft, _, spindle = travel.lines_standing(worst_mm)
        return angle_working(angle, (shaft, spindle), "worst of ride, laden and empty", source=source)

    return judge.check(
        "clearance",
        key=f"{one.key}.outer_fast",
        title=f"{one.words}: outer joint's angle at top speed",
        demand=angle,
        capacity=stated,
        unit="°",
        says="" if angle is None else f"{fig(angle, '°', 1)} straight ahead.",
        missing=missing,
        inputs=(f"{one.field.rpartition('.')[0]}.outer.fast",),
        station=one.station,
        working=working,
    )


def slip_spline_checks(one: LineFound, needs: AxlesNeeds, judge: Judge) -> Iterator[Check]:
    """Return the checks of the splines that take up a line's length, drawn out as far as they go."""
    torque = None if one.load is None else one.load.design_nm
    lacking = load_missing("propshaft", one.line.name, one.load, needs)
    for j, tube in enumerate(one.line.tubes):
        if tube.slips:
            unknown = (*one.joints_missing, *one.moves_missing, *one.travel_missing, *one.wind_missing)
            slip = None if unknown else one.slips.get(j)
            drawn = None if slip is None else slip.out_mm
            yield from spline_checks(
                f"{one.key}.t{j + 1}.slip_spline",
                f"{one.line.name}, shaft {j + 1}, slip spline",
                (tube.slip_spline, f"{one.field}.tubes.{j}.slip_spline"),
                (torque, lacking, one.station),
                math.nan if drawn is None else drawn,
                judge,
            )


def spline_checks(
    key: str,
    words: str,
    of: tuple[BarSpline, str],
    asked: tuple[float | None, tuple[str, ...], str | None],
    drawn_mm: float | None,
    judge: Judge,
) -> Iterator[Check]:
    """Return whether a spline's flanks bear the torque, and whether enough of it is engaged.

    Args:
        key: Of its checks.
        words: Of it.
        of: The spline, and its field.
        asked: Torque, what keeps that from being known, and the station.
        drawn_mm: By how much it is drawn out from where it was measured; not a number where that is not known.
        judge: Of the bench.
    """
    (spline, field), (torque, lacking, station) = of, asked
    outside, root, length, engaged = (
        positive_of(one) for one in (spline.outside, spline.root, spline.length, spline.engaged)
    )
    missing = _spline_missing(spline, words, drawn_mm)
    least = None if engaged is None or length is None else min(engaged, length)
    if drawn_mm is not None:
        least = None if least is None or math.isnan(drawn_mm) else max(least - drawn_mm, 0.0)
    holds = None if missing else _spline_holds_nm(spline, least)

    yield judge.check(
        "key_fit",
        key=key,
        title=f"{words}: bears its torque",
        demand=torque,
        capacity=holds,
        unit="N·m",
        says="" if holds is None else f"{fig(holds, 'N·m', 0)} over {fig(least, 'mm', 1)} engaged.",
        missing=(*lacking, *missing),
        inputs=(field,),
        station=station,
        working=lambda: _spline_working(spline, field, least, holds),
    )
    wanted = None if outside is None or root is None else WANTED_OF_PITCH * (outside + root) / 2

    yield judge.check(
        "clearance",
        key=f"{key}_engaged",
        title=f"{words}: engaged far enough",
        demand=wanted,
        capacity=least,
        unit="mm",
        says="" if least is None else f"{num(least, 'mm', 1)} at the least; {fig(wanted, 'mm', 1)} wanted.",
        missing=tuple(name for name in missing if "teeth, counted" not in name and "hardened" not in name),
        inputs=(field,),
        station=station,
        working=lambda: _engaged_working(spline, field, wanted),
    )


def _spline_missing(spline: BarSpline, words: str, drawn_mm: float | None) -> tuple[str, ...]:
    known: dict[str, object] = {
        f"{words}: teeth, counted": spline.teeth,
        f"{words}: over its teeth": positive_of(spline.outside),
        f"{words}: between them": positive_of(spline.root),
        f"{words}: length of its full teeth": positive_of(spline.length),
        f"{words}: how much of both is in one another": positive_of(spline.engaged),
        f"{words}: hardened or not, sliding or not": spline.hub,
    }
    if drawn_mm is not None:
        known[f"{words}: how far travel draws it out"] = True if not math.isnan(drawn_mm) else None
    return missing_of(known)


def _spline_holds_nm(spline: BarSpline, engaged_mm: float | None) -> float | None:
    outside, root = positive_of(spline.outside), positive_of(spline.root)
    if engaged_mm is None or not (spline.teeth and outside and root and spline.hub) or root >= outside:
        return None
    if engaged_mm <= 0:
        return 0.0
    per_nm = side_pressure_mpa(
        torque_nm=1.0,
        teeth=spline.teeth,
        mean_mm=(outside + root) / 2,
        height_mm=(outside - root) / 2,
        engaged_mm=engaged_mm,
    )
    return GUIDE_MPA[spline.hub] / per_nm


def _engaged_working(spline: BarSpline, field: str, wanted_mm: float | None) -> Working:
    source = "Engaged at least 0.8 of the pitch diameter, taken halfway up the teeth."
    outside, root = positive_of(spline.outside), positive_of(spline.root)
    if wanted_mm is None or outside is None or root is None:
        return Working(source=source)
    d_a, d_f = entered("d_a", outside, "mm", f"{field}.outside"), entered("d_f", root, "mm", f"{field}.root")
    last = step("l_w", "0.8 * (d_a + d_f) / 2", d_a, d_f, value=wanted_mm, unit="mm", decimals=1)
    return Working(steps=(last,), source=source)


def _spline_working(spline: BarSpline, field: str, engaged_mm: float | None, holds_nm: float | None) -> Working:
    outside, root = positive_of(spline.outside), positive_of(spline.root)
    if holds_nm is None or engaged_mm is None or not (spline.teeth and outside and root and spline.hub):
        return Working(source=SPLINE)
    d_a, d_f = entered("d_a", outside, "mm", f"{field}.outside"), entered("d_f", root, "mm", f"{field}.root")
    mean = step("d_m", "(d_a + d_f) / 2", d_a, d_f, value=(outside + root) / 2, unit="mm", decimals=2)
    height = step("h", "(d_a - d_f) / 2", d_a, d_f, value=(outside - root) / 2, unit="mm", decimals=2)
    last = step(
        "T_spline",
        "p_g * z * d_m * h * l_e * ψ / 2",
        tabled("p_g", GUIDE_MPA[spline.hub], "MPa", spline.hub.words),
        entered("z", float(spline.teeth), "", f"{field}.teeth"),
        mean,
        height,
        worked("l_e", engaged_mm, "mm", "engaged at the least"),
        tabled("ψ", 0.75, "", "three in four teeth bear"),
        value=holds_nm,
        unit="N·m",
    )
    return Working(steps=(mean, height, last), source=SPLINE)


def flange_checks(
    flange: Flange,
    words: str,
    one: SideFound | LineFound,
    torque: float | None,
    lacking: tuple[str, ...],
    judge: Judge,
    where: str = "flange",
) -> Iterator[Check]:
    """Return whether a flange's bolts carry the torque; none where it is said that there are none."""
    field = f"{one.field.rpartition('.')[0] if isinstance(one, SideFound) else one.field}.{where}"
    name = f"{one.key.removeprefix('axles.').replace('.', '_')}_{where}"
    if flange.is_bolted is None:
        yield judge.answer(
            is_so=None,
            key=f"axles.{name}_bolts",
            title=f"{words}: held by bolts or otherwise",
            missing=(f"{words}: whether bolts hold it",),
            inputs=(f"{field}.is_bolted",),
            station=one.station,
        )
        return
    if not flange.is_bolted:
        return
    place = circle_place(
        flange,
        circle_xy_mm(flange.count, positive_of(flange.circle)),
        name=name,
        title=f"{words}: bolts",
        fields=JointFields(
            joint=f"{field}.joint",
            length=f"{field}.joint.length",
            depth=f"{field}.joint.depth_behind",
            grip=f"{field}.grip",
            made_of=f"{field}.joint",
            load=(),
            torque=("ratios",),
        ),
        grip_mm=positive_of(flange.grip),
        made_of=material(PlateMaterial.STEEL),
    )
    yield from circle_checks(flange, place, torque, lacking, judge)
