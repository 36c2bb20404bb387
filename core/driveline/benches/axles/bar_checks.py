"""Whether a bar carries its torque, and is a bar that may go on the road."""

from collections.abc import Iterator

from driveline.benches.axles.axle_checks import SideFound
from driveline.benches.axles.bars import (
    STEEL,
    Section,
    differential_missing,
    guide_mpa,
    load_missing,
    sections_of,
    side_torque_nm,
)
from driveline.benches.axles.needs import AxlesNeeds
from driveline.benches.axles.workings import range_working, shear_working, whirl_working
from driveline.checks import Check
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.shafts.bars import critical_rpm
from driveline.sheet import positive_of, value_of
from driveline.working import fixed_working


def bar_checks(one: SideFound, needs: AxlesNeeds, judge: Judge) -> Iterator[Check]:
    """Return the checks of one side's bar."""
    guarded = judge.guarding()
    yield _shear(one, needs, guarded)
    yield _range(one, needs, guarded)
    yield _whirl(one, judge)
    yield made_check(one.key, one.words, f"{one.field}.bar.is_mock_up", is_mock_up=one.side.bar.is_mock_up, judge=judge)


def worst_section(sections: tuple[Section, ...]) -> Section | None:
    """Return the section that shears most, whatever the torque."""
    return max(sections, key=lambda section: section.shear_mpa(1.0), default=None)


def high_nm(one: SideFound) -> float | None:
    """Return the most that comes to this side."""
    whole = None if one.load is None else one.load.design_nm
    return None if whole is None else side_torque_nm(one.axle, whole)


def _common_missing(one: SideFound, needs: AxlesNeeds) -> tuple[str, ...]:
    _, missing = sections_of(one.side.bar, f"{one.field}.bar")
    return (
        *(f"{one.words}: {text}" for text in missing),
        *load_missing("axle", one.axle.name, one.load, needs),
        *differential_missing(one.axle),
    )


def _shear(one: SideFound, needs: AxlesNeeds, judge: Judge) -> Check:
    bar, sections = one.side.bar, sections_of(one.side.bar, f"{one.field}.bar")[0]
    torque, section, guide = high_nm(one), worst_section(sections), guide_mpa(bar)
    stress = None if torque is None or section is None else section.shear_mpa(torque)
    lacking = [*_common_missing(one, needs)]
    if guide is None:
        lacking.append(f"{one.words}: what its bar is made of")
    says = ""
    if stress is not None and section is not None:
        says = f"{fig(stress, 'MPa', 0)} in the {section.what}, at {fig(torque, 'N·m', 0)}."
    return judge.check(
        "bar_shear",
        key=f"{one.key}.shear",
        title=f"{one.words}: bar and splines in torsion",
        demand=stress,
        capacity=guide,
        unit="MPa",
        says=says,
        missing=tuple(lacking),
        inputs=(f"{one.field}.bar", one.field.rpartition(".")[0] + ".differential"),
        station=one.station,
        working=lambda: shear_working(one.axle, one.load, section, torque),
    )


def _range(one: SideFound, needs: AxlesNeeds, judge: Judge) -> Check:
    sections = sections_of(one.side.bar, f"{one.field}.bar")[0]
    torque, section, allowed = high_nm(one), worst_section(sections), one.side.bar.range_mpa
    back = None if one.load is None or one.load.overrun_nm is None else side_torque_nm(one.axle, one.load.overrun_nm)
    lacking = [*_common_missing(one, needs)]
    if one.load is not None and one.load.overrun_nm is None:
        lacking.append(f"{one.axle.name}: its torque on overrun, at Ratios")
    if allowed is None:
        lacking.append(f"{one.words}: the range of shear, launch to overrun, that its maker allows")
    span = None
    if torque is not None and section is not None:
        span = section.shear_mpa(torque + (back or 0.0))
    return judge.check(
        "bar_shear",
        key=f"{one.key}.range",
        title=f"{one.words}: launch to overrun, again and again",
        demand=span,
        capacity=allowed,
        unit="MPa",
        says=""
        if span is None or section is None
        else f"{fig(span, 'MPa', 0)} from one to the other, in the {section.what}.",
        missing=tuple(lacking),
        inputs=(f"{one.field}.bar.range_mpa",),
        station=one.station,
        working=lambda: range_working(section, torque, back),
    )


def _whirl(one: SideFound, judge: Judge) -> Check:
    bar, travel = one.side.bar, one.travel
    rpm = None if one.load is None else one.load.rpm
    diameter, bore = positive_of(bar.diameter), value_of(bar.bore)
    critical, longest = None, None
    if travel is not None and diameter is not None and bore is not None:
        longest = float(travel.scan.length_mm.max())
        try:
            critical = critical_rpm(
                length_mm=longest,
                outside_mm=diameter,
                inside_mm=bore,
                young_mpa=STEEL.modulus_mpa,
                density_kgm3=STEEL.density_kgm3,
            )
        except ImpossibleInput:
            critical = None
    lacking = (
        *one.found.missing,
        *missing_of(
            {
                f"{one.words}: its bar's diameter": diameter,
                f"{one.words}: its bore, 0 if it is solid": bore,
                "Wanted top speed, and a gearing chosen": rpm,
            }
        ),
    )
    return judge.check(
        "shaft_speed",
        key=f"{one.key}.whirl",
        title=f"{one.words}: turns well below its critical speed",
        demand=rpm,
        capacity=critical,
        unit="rpm",
        says="" if critical is None else f"Whirls at {fig(critical, 'rpm', 0)}.",
        missing=lacking,
        inputs=(f"{one.field}.bar.diameter", "brief.wanted.top_speed"),
        station=one.station,
        working=lambda: whirl_working(longest, diameter, bore, critical),
    )


def made_check(key: str, words: str, field: str, *, is_mock_up: bool, judge: Judge) -> Check:
    """Return whether a shaft is a made one: a mock-up is a measuring stick, and never for the road."""
    return judge.answer(
        is_so=not is_mock_up,
        key=f"{key}.made",
        title=f"{words}: a made shaft, no mock-up",
        says="A measuring stick: it proves length and clearance at walking pace, off the road. Never for the road."
        if is_mock_up
        else "To be made as ordered.",
        inputs=(field,),
        working=fixed_working(
            "A cut, sleeved and welded bar has lost its heat treatment and is neither true nor balanced."
        ),
    )
