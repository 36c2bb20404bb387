"""Whether a mount's bracket, its weld and its ears carry the worst case."""

from collections.abc import Iterator
from typing import Final

from driveline.benches.mounts.brackets import beside_mm, counted_leg_mm, walls_mm
from driveline.benches.mounts.ears import EarBolt, ear_bolt_of, ear_share_n, ears_of
from driveline.benches.mounts.foot_checks import foot_checks
from driveline.benches.mounts.holding_sheet import Grip
from driveline.benches.mounts.laid import in_line_mm
from driveline.benches.mounts.landings import landing_thick_mm
from driveline.benches.mounts.loaded import Loaded, field_inputs, lacking, lacking_of
from driveline.benches.mounts.pull import STOCK_MM
from driveline.benches.mounts.sheet import ArmKind, Bracket, MountKind
from driveline.benches.mounts.weld_workings import base_working, weld_working
from driveline.benches.mounts.workings import arm_working, ear_bolt_working, ear_working
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.margins import Judge, missing_of
from driveline.metal.bolts import bolt_class
from driveline.metal.ears import ear_stress
from driveline.metal.fillets import greatest_leg_mm, wanted_leg_mm
from driveline.metal.weld_groups import BASE_SHEAR, E70_MPA, base_shear_mpa
from driveline.metal.weld_pull import shim_mm, shim_stack
from driveline.metal.welds import weld_allowable_mpa
from driveline.sheet import positive_of
from driveline.working import Working, fixed_working

LEGS: Final = (
    "No larger than the thinner wall; no smaller than the thicker wants, 3 mm to 6.4, 5 to 12.7, 6 to 19 and 8 above "
    "(AWS D1.1), nor ever than the thinner wall."
)
CARRIED: Final = "What the mounts carry"
REACH_MM: Final = 1.5  # that a weld fills
MOST_SHIMS_MM: Final = 6.0  # a thicker stack slips and bends its bolts
BOLTED_REACH_MM: Final = 0.25  # half the thinnest shim: more, and bolts draw the bracket askew


def bracket_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the checks of a mount's bracket and ears; of a torque arm those of its ears.

    The legs of a plate on standoffs have their own, ``standoff_checks``.
    """
    if one.mount.sheet.grip is Grip.EARS or one.mount.sheet.kind is MountKind.ARM:
        yield _ears(one, judge)
        yield from foot_checks(one, judge)
        yield _ear_bolt(one, judge)
    if one.mount.arm.is_none:
        return
    yield _reach(one, judge)
    if one.mount.sheet.bracket.kind is not ArmKind.STANDOFFS:
        yield _arm(one, judge)
    yield from root_checks(one, judge)


def root_checks(one: Loaded, judge: Judge) -> Iterator[Check]:
    """Return the checks of the weld at a bracket's root, or at an end of a cross member."""
    yield _weld(one, judge)
    yield _leg(one, judge)
    yield _base(one, judge)


def _ears(one: Loaded, judge: Judge) -> Check:
    sheet = one.mount.sheet
    ear, unknown = ears_of(sheet.ears, sheet.name)
    worst = None
    if ear is not None and sheet.ears.count and one.bolt_axis is not None and len(one.forces_n):
        axis = one.bolt_axis
        loads = zip(one.forces_n, one.twists_nmm, strict=True)
        shares = [ear_share_n(ear, sheet.ears.count, force, moment, axis) for force, moment in loads]
        found = [ear_stress(ear, force_n=force, side_n=side, yield_mpa=one.yield_mpa) for force, side in shares]
        worst = min(range(len(found)), key=lambda row: found[row].margin)
    if worst is None or ear is None or sheet.ears.count is None:
        return judge.check(
            "bracket_yield",
            key=f"{one.key}.ears",
            title=f"Ears of {sheet.name}",
            demand=None,
            capacity=None,
            unit="MPa",
            missing=(*one.missing, *unknown) or (CARRIED,),
            inputs=field_inputs(one, "ears"),
        )
    stress, (in_plane, side) = found[worst], shares[worst]
    return judge.check(
        "weld",  # what is allowed holds the factor already
        key=f"{one.key}.ears",
        title=f"Ears of {sheet.name}",
        demand=stress.governing_mpa,
        capacity=stress.allowed_mpa,
        unit="MPa",
        says=f"{stress.governing.capitalize()} governs, {fig(stress.governing_mpa, 'MPa', 0)}, in {one.names[worst]}.",
        missing=one.missing,
        inputs=field_inputs(one, "ears"),
        working=lambda: ear_working(
            ear, stress, in_plane, side, one.yield_mpa, one.mount.field, is_usual=one.yield_is_usual
        ),
    )


def _ear_bolt(one: Loaded, judge: Judge) -> Check:
    """The bolt through the ears: sheared in as many planes as there are ears, pulled by what goes along it."""
    sheet, axis = one.mount.sheet, one.bolt_axis
    diameter, count, strength = positive_of(sheet.ears.bolt), sheet.ears.count, sheet.ears.bolt_class
    missing = missing_of(
        {
            f"{sheet.name}: the bolt of its ears": diameter,
            f"{sheet.name}: how many ears take its bolt": count,
            f"{sheet.name}: strength on the head of its bolt": strength,
        }
    )
    found: EarBolt | None = None
    if diameter is not None and count and axis is not None and len(one.forces_n):
        every = [ear_bolt_of(diameter, count, force, axis, row) for row, force in enumerate(one.forces_n)]
        found = max(every, key=lambda each: each.stress_mpa)
    proof = None if strength is None or diameter is None else bolt_class(strength.words, diameter).proof_mpa
    says = ""
    if found is not None:
        says = f"{fig(found.in_plane_n, 'N', 0)} across it in {one.names[found.row]}, threads in the plane of shear."
    return judge.check(
        "bolt_proof",
        key=f"{one.key}.ear_bolt",
        title=f"Bolt through the ears of {sheet.name}",
        demand=None if found is None else found.stress_mpa,
        capacity=proof,
        unit="MPa",
        says=says,
        missing=(*one.missing, *missing),
        inputs=field_inputs(one, "ears.bolt", "ears.bolt_class"),
        working=lambda: Working() if found is None or not count else ear_bolt_working(found, count, one.mount.field),
    )


def _reach(one: Loaded, judge: Judge) -> Check:
    sheet, arm = one.mount.sheet, one.mount.arm.arm
    cut, landing = positive_of(sheet.bracket.length), sheet.bracket.landing
    thick, unsaid = landing_thick_mm(landing, sheet.name)
    missing = list(one.mount.arm.missing)
    missing += [] if one.mount.at_mm is not None else list(one.mount.missing)
    missing += [] if cut is not None else [f"{sheet.name}: the length that its bracket is cut to"]
    missing += unsaid
    shims = (positive_of(landing.shims) or 0.0) if landing.is_there else 0.0
    ears = in_line_mm(sheet)
    off = None if cut is None or arm is None or thick is None else cut + thick + ears - arm.length_mm
    says = ""
    if off is not None and arm is not None and cut is not None:
        on_plate = f", on a plate of {fig((thick or 0.0) - shims, 'mm', 1)}" if landing.is_there else ""
        on_shims = f" and shims of {fig(shims, 'mm', 1)}" if shims else ""
        on_shims += f", its ears {fig(ears, 'mm', 1)} more" if ears else ""
        far = fig(arm.length_mm, "mm", 1)
        end = "the mount" if not one.mount.off_mm.any() else "where its ears stand"
        says = f"Cut to {fig(cut, 'mm', 1)}{on_plate}{on_shims}; it is {far} from the vehicle to {end}."
        says += _shim_words(shims - off) if landing.is_there and abs(off) > BOLTED_REACH_MM else ""
    return judge.answer(
        is_so=None if off is None else abs(off) <= (BOLTED_REACH_MM if landing.is_there else REACH_MM),
        key=f"{one.key}.reach",
        title=f"Bracket of {sheet.name} reaches",
        says=says,
        missing=tuple(dict.fromkeys(missing)),
        inputs=field_inputs(one, "bracket", "ears.stands", "ears.height"),
        working=fixed_working("Distance of both places, against the length that is cut, its plate and its ears."),
    )


def _shim_words(thick_mm: float) -> str:
    """What stack brings a plate that is bolted on to where it must be."""
    if thick_mm > MOST_SHIMS_MM:
        return f" {fig(thick_mm, 'mm', 1)} short: that is no work for shims. Cut another, or stand it elsewhere."
    stack = shim_stack(shim_mm(thick_mm, STOCK_MM), STOCK_MM) if thick_mm > 0 else ()
    if not stack:
        return f" {fig(-thick_mm, 'mm', 1)} too long: no shim mends that." if thick_mm < 0 else ""
    listed = ", ".join(f"{stack.count(one)} of {fig(one, 'mm', 1)}" for one in sorted(set(stack), reverse=True))
    return f" Shims of {fig(sum(stack), 'mm', 1)} between the plate and the vehicle fill it: {listed}."


def _arm(one: Loaded, judge: Judge) -> Check:
    sheet, arm = one.mount.sheet, one.mount.arm.arm
    known = [max(row, key=lambda at: at.stress.judged_mpa) for row in one.stresses]
    worst = max(range(len(known)), key=lambda row: known[row].stress.judged_mpa, default=None)
    most = None if worst is None else known[worst]
    stress = None if most is None else most.stress
    says = ""
    if stress is not None and worst is not None and arm is not None and most is not None:
        from_root = arm.length_mm - most.lever_mm
        where = f"{fig(from_root, 'mm', 0)} from its root" if from_root > 0 else "at its root"
        says = f"{fig(stress.judged_mpa, 'MPa', 0)} {where} in {one.names[worst]}, {most.section.words}."
        if not arm.section.is_closed:
            says = f"{says} Open, it twists {fig(stress.twist_deg, '°', 1)}: boxed it would not."

    def working() -> Working:
        if most is None or worst is None or arm is None:
            return Working()
        offset = beside_mm(sheet.bracket, most.section) or 0.0
        return arm_working(arm, most, (one.forces_n[worst], one.moments_nmm[worst]), offset)

    return judge.check(
        "bracket_yield",
        key=f"{one.key}.arm",
        title=f"Bracket of {sheet.name}",
        demand=None if stress is None else stress.judged_mpa,
        capacity=one.yield_mpa,
        unit="MPa",
        says=says,
        missing=lacking(one, "beside"),
        inputs=field_inputs(one, "bracket"),
        working=working,
    )


def _weld(one: Loaded, judge: Judge) -> Check:
    bracket = one.mount.sheet.bracket
    worst, stress = one.weld or (None, None)
    allowed = weld_allowable_mpa(electrode_tensile_mpa=E70_MPA, is_inspected=bool(bracket.is_inspected))
    says = ""
    if stress is not None and worst is not None:
        says = f"{fig(stress.governing_mpa, 'MPa', 0)} on the throat in {one.names[worst]}."
        leg, counted = positive_of(bracket.leg), counted_leg_mm(bracket)
        if leg is not None and counted is not None and counted < leg:
            says = f"{says} Its leg counts {fig(counted, 'mm', 1)}, as thick as the thinner wall."
    return judge.check(
        "weld",
        key=f"{one.key}.weld",
        title=f"Weld of {one.mount.bracket_words}",
        demand=None if stress is None else stress.governing_mpa,
        capacity=allowed,
        unit="MPa",
        says=says,
        missing=lacking(one, "leg", "base", "is_inspected", "beside"),
        inputs=field_inputs(one, "bracket"),
        working=lambda: (
            Working() if stress is None else weld_working(stress, allowed, is_inspected=bool(bracket.is_inspected))
        ),
    )


def _thinnest(bracket: Bracket) -> tuple[float | None, str]:
    """How thick the thinner of both walls beside the weld is, and in which field."""
    own, base = walls_mm(bracket)
    if own is None or base is None:
        return None, "base"
    return min((own, "wall"), (base, "landing.thickness" if bracket.landing.is_there else "base"))


def _leg(one: Loaded, judge: Judge) -> Check:
    """Neither too small for the thicker wall, which chills it, nor too large for the thinner, which it melts."""
    bracket = one.mount.sheet.bracket
    leg, walls = positive_of(bracket.leg), walls_mm(bracket)
    known = [one for one in walls if one is not None]
    missing = (*one.mount.arm.missing, *lacking_of(one, "leg", "base"))
    is_so, says = None, ""
    if leg is not None and known:
        most = greatest_leg_mm(*known)
        least = wanted_leg_mm(*known)
        is_so = False if leg > most else None if len(known) < 2 else leg >= least
        range_words = f"{num(least, 'mm', 1)} to {fig(most, 'mm', 1)}"
        says = f"A leg of {fig(leg, 'mm', 1)}; {range_words} between these walls."
    return judge.answer(
        is_so=is_so,
        key=f"{one.key}.leg",
        title=f"Leg of the weld of {one.mount.bracket_words}",
        says=says,
        missing=missing if is_so is None else (),
        inputs=field_inputs(one, "bracket.leg", "bracket.wall", "bracket.base"),
        working=fixed_working(LEGS),
    )


def _base(one: Loaded, judge: Judge) -> Check:
    sheet = one.mount.sheet
    base, base_field = _thinnest(sheet.bracket)
    stress = one.weld[1] if one.weld else None
    shear = None if stress is None or base is None else base_shear_mpa(stress, thickness_mm=base)
    return judge.check(
        "weld",
        key=f"{one.key}.base",
        title=f"What {one.mount.bracket_words} is welded to",
        demand=shear,
        capacity=BASE_SHEAR * one.yield_mpa,
        unit="MPa",
        says="" if shear is None else f"{fig(shear, 'MPa', 0)} beside the weld.",
        missing=lacking(one, "leg", "base", "beside"),
        inputs=field_inputs(one, "bracket"),
        working=lambda: (
            Working()
            if stress is None or shear is None or base is None
            else base_working(
                stress, shear, (base, base_field), one.yield_mpa, one.mount.field, is_usual=one.yield_is_usual
            )
        ),
    )
