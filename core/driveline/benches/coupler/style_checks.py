"""What a style alone asks: bolts and weld of a rigid hub, the spider's rating, the kept clutch."""

from driveline.benches.coupler.carriers import DESIGN
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.sheet import Weld
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.joints.circles import circle_checks, circle_place, circle_xy_mm
from driveline.joints.screws import JointFields, Place
from driveline.joints.sheet import Bolts
from driveline.margins import Judge, missing_of, wanted_words
from driveline.metal.welds import THROAT, range_allowed_mpa, ring_shear_mpa, weld_allowable_mpa
from driveline.shafts.elements import SpiderFactors, clutch_torque_nm
from driveline.sheet import Length, positive_of
from driveline.tables.materials import material
from driveline.working import Step, Working, entered, entered_or_usual, step, worked


def bolts_checks(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> list[Check]:
    """Return whether the bolts of the clutch's centre carry the torque by friction."""
    sheet = inputs.sheet
    found = _bolt_circle("bolts", "Bolts of the clutch's centre", sheet.bolts, sheet.hub.flange_thickness, inputs)
    return [*_screws(found, sheet.bolts, needs, judge)]


def flywheel_checks(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> list[Check]:
    """Return whether the flywheel's bolts carry the torque by friction."""
    sheet = inputs.sheet
    found = _bolt_circle(
        "flywheel_bolts", "Bolts of the flywheel", sheet.flywheel_bolts, sheet.clutch.flywheel_grip, inputs
    )
    return [*_screws(found, sheet.flywheel_bolts, needs, judge)]


def _screws(place: Place, bolts: Bolts, needs: CouplerNeeds, judge: Judge) -> tuple[Check, ...]:
    return circle_checks(bolts, place, needs.design_nm, (DESIGN,), judge)


def _bolt_circle(name: str, title: str, bolts: Bolts, grip: Length | None, inputs: CouplerInputs) -> Place:
    fields = JointFields(
        joint=f"coupler.{name}.joint",
        length=f"coupler.{name}.joint.length",
        depth=f"coupler.{name}.joint.depth_behind",
        grip="coupler.hub.flange_thickness" if name == "bolts" else "coupler.clutch.flywheel_grip",
        made_of="coupler.hub.made_of",
        load=(),
        torque=("brief.motor", "ratios"),
    )
    return circle_place(
        bolts,
        circle_xy_mm(bolts.count, positive_of(bolts.circle)),
        name=name,
        title=title,
        fields=fields,
        grip_mm=positive_of(grip),
        made_of=material(inputs.hub.made_of) if inputs.hub.made_of else None,
    )


def weld_checks(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> list[Check]:
    """Return whether a welded hub holds once, and launch after launch; none where nothing is said of a weld."""
    weld = inputs.sheet.weld
    stated = (weld.leg, weld.diameter, weld.electrode_mpa, weld.is_inspected, weld.cycles)
    if all(one is None for one in stated):
        return []
    return [_weld_once(weld, needs, judge), _weld_often(weld, needs, judge)]


def _weld_once(weld: Weld, needs: CouplerNeeds, judge: Judge) -> Check:
    missing = missing_of(
        {
            **_size_of(weld),
            DESIGN: needs.design_nm,
            "Strength of the filler": weld.electrode_mpa,
            "Whether it is inspected": weld.is_inspected,
        }
    )
    shear, allowed = _shear_mpa(weld, needs.design_nm), None
    if weld.electrode_mpa is not None and weld.is_inspected is not None:
        allowed = weld_allowable_mpa(electrode_tensile_mpa=weld.electrode_mpa, is_inspected=weld.is_inspected)
    says = wanted_words(missing)
    if shear is not None and allowed is not None:
        says = f"{fig(shear, 'MPa', 0)} on its throat, of {fig(allowed, 'MPa', 0)}"
    return judge.check(
        "weld",
        key="coupler.weld",
        title="Weld of the hub, once",
        demand=shear,
        capacity=allowed,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=("coupler.weld",),
        station="coupler",
        working=lambda: Working(
            steps=_throat_steps(weld, "τ", ("T", needs.design_nm, "design torque"), shear),
            source="τ = T/(2π r² a), a = 0.707 leg. Allowed 0.30 of the filler's tensile strength, half of that "
            "if nobody inspects it.",
        ),
    )


def _weld_often(weld: Weld, needs: CouplerNeeds, judge: Judge) -> Check:
    missing = missing_of(
        {
            **_size_of(weld),
            DESIGN: needs.design_nm,
            "Overrun torque": needs.overrun_nm,
            "How often it will launch": weld.cycles,
        }
    )
    both_nm = None
    if needs.design_nm is not None and needs.overrun_nm is not None:
        both_nm = needs.design_nm + needs.overrun_nm
    ranged = _shear_mpa(weld, both_nm)
    stands = None if weld.cycles is None else range_allowed_mpa(weld.cycles)
    says = wanted_words(missing)
    if ranged is not None and stands is not None:
        says = f"{fig(ranged, 'MPa', 0)} from launch to overrun, of {fig(stands, 'MPa', 0)} so often"
    return judge.check(
        "weld",
        key="coupler.weld_often",
        title="Weld of the hub, launch after launch",
        demand=ranged,
        capacity=stands,
        unit="MPa",
        says=says,
        missing=missing,
        inputs=("coupler.weld", "brief.motor.overrun_torque"),
        station="coupler",
        working=lambda: Working(
            steps=_throat_steps(weld, "Δτ", ("ΔT", both_nm, "design torque and overrun torque together"), ranged),
            source="EN 1993-1-9, class 36 with slope 3, as for stress across the throat; shear along it is class 80 "
            "with slope 5. The worse is used.",
        ),
    )


def _size_of(weld: Weld) -> dict[str, object]:
    return {"Leg of the weld": positive_of(weld.leg), "Diameter of the weld": positive_of(weld.diameter)}


def _shear_mpa(weld: Weld, torque_nm: float | None) -> float | None:
    leg_mm, diameter_mm = positive_of(weld.leg), positive_of(weld.diameter)
    if torque_nm is None or not leg_mm or not diameter_mm:
        return None
    return ring_shear_mpa(torque_nm=torque_nm, radius_mm=diameter_mm / 2, throat_mm=THROAT * leg_mm)


def _throat_steps(
    weld: Weld, symbol: str, torque: tuple[str, float | None, str], value_mpa: float | None
) -> tuple[Step, ...]:
    leg_mm, diameter_mm, (name, torque_nm, words) = positive_of(weld.leg), positive_of(weld.diameter), torque
    if value_mpa is None or not leg_mm or not diameter_mm or torque_nm is None:
        return ()
    leg = entered("z", leg_mm, "mm", "coupler.weld.leg")
    throat = step("a", "0.707 * z", leg, value=THROAT * leg_mm, unit="mm", decimals=2)
    found = step(
        symbol,
        f"{name} / (2 * pi * (d_w / 2)**2 * a)",
        worked(name, torque_nm, "N·m", words),
        entered("d_w", diameter_mm, "mm", "coupler.weld.diameter"),
        throat,
        value=value_mpa,
        unit="MPa",
        decimals=1,
    )
    return throat, found


def spider_check(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> Check:
    """Return whether the spider's rating bears the torque with its factors."""
    jaw = inputs.jaw
    usual = SpiderFactors()
    factors = SpiderFactors(
        temperature=jaw.temperature or usual.temperature,
        shock=jaw.shock or usual.shock,
        starts=jaw.starts or usual.starts,
    )
    stated = {f"Maker's factor for {name}": getattr(jaw, name) for name in ("temperature", "shock", "starts")}
    missing = missing_of({DESIGN: needs.design_nm, "Rated torque of the spider": jaw.rating_nm, **stated})
    asked = None if needs.design_nm is None else needs.design_nm * factors.product
    says = wanted_words(missing)
    if asked is not None and jaw.rating_nm is not None:
        says = f"{num(asked, 'N·m', 0)} with its factors, of {fig(jaw.rating_nm, 'N·m', 0)}"
        says = f"{says}. {wanted_words(missing)}" if missing else says

    def working() -> Working:
        source = (
            "With a usual factor in place of its maker's it may fail, and never holds. The design torque has the "
            "driveline's shock in it already."
        )
        if asked is None or needs.design_nm is None:
            return Working(source=source)
        given = [
            entered_or_usual(name, value, "", f"coupler.jaw.{field}", is_usual=stated is None)
            for name, value, field, stated in (
                ("k_t", factors.temperature, "temperature", jaw.temperature),
                ("k_s", factors.shock, "shock", jaw.shock),
                ("k_z", factors.starts, "starts", jaw.starts),
            )
        ]
        torque = worked("T", needs.design_nm, "N·m", "design torque")
        found = step("T_spider", "T * k_t * k_s * k_z", torque, *given, value=asked, unit="N·m")
        return Working(steps=(found,), source=source)

    return judge.check(
        "maker_rating",
        key="coupler.spider",
        title="Spider's rating",
        demand=asked,
        capacity=jaw.rating_nm,
        unit="N·m",
        says=says,
        missing=missing,
        inputs=("coupler.jaw.rating", "coupler.jaw.temperature", "coupler.jaw.shock"),
        station="coupler",
        working=working,
    )


def clutch_check(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> Check:
    """Return whether the kept clutch holds the torque."""
    clutch = inputs.clutch
    missing = missing_of(
        {
            DESIGN: needs.design_nm,
            "Clamp load of the clutch": clutch.clamp_n,
            "Friction of its linings": clutch.friction,
            "Outside of its linings": clutch.lining_outside_mm,
            "Inside of its linings": clutch.lining_inside_mm,
            "How many faces rub": clutch.faces,
        }
    )
    held = None
    says = wanted_words(missing)
    outside_mm, inside_mm = clutch.lining_outside_mm, clutch.lining_inside_mm
    if clutch.clamp_n and clutch.friction and clutch.faces and outside_mm and inside_mm is not None:
        mean_mm = (outside_mm + inside_mm) / 4
        held = clutch_torque_nm(
            clamp_n=clutch.clamp_n, friction=clutch.friction, mean_radius_mm=mean_mm, faces=clutch.faces
        )
        if needs.design_nm is not None:
            says = f"slips at {fig(held, 'N·m', 0)}; {num(needs.design_nm, 'N·m', 0)} asked"

    def working() -> Working:
        source = "T = μ F r_m N: what it holds before it slips. Oil on its linings takes most of it away."
        if held is None:
            return Working(source=source)
        found = step(
            "T_slip",
            "μ * F * (D_l + d_l) / 4 * N",
            entered("μ", clutch.friction or 0.0, "", "coupler.clutch.friction"),
            entered("F", clutch.clamp_n or 0.0, "N", "coupler.clutch.clamp_n"),
            entered("D_l", clutch.lining_outside_mm or 0.0, "mm", "coupler.clutch.lining_outside"),
            entered("d_l", clutch.lining_inside_mm or 0.0, "mm", "coupler.clutch.lining_inside"),
            entered("N", float(clutch.faces or 0), "", "coupler.clutch.faces"),
            value=held,
            unit="N·m",
        )
        return Working(steps=(found,), source=source)

    return judge.check(
        "maker_rating",
        key="coupler.clutch",
        title="Clutch holds the torque",
        demand=needs.design_nm,
        capacity=held,
        unit="N·m",
        says=says,
        missing=missing,
        inputs=("coupler.clutch",),
        station="coupler",
        working=working,
    )
