"""Whether each shaft of a line of propshafts turns slowly enough, and bears its torque."""

from collections.abc import Iterator

from driveline.benches.axles.bar_checks import made_check
from driveline.benches.axles.bars import guide_mpa, load_missing, tube_critical_rpm, tube_inside_mm
from driveline.benches.axles.line_workings import tube_working
from driveline.benches.axles.lines import LineFound
from driveline.benches.axles.needs import AxlesNeeds
from driveline.benches.axles.sheet import JointKind, PropLine, Tube
from driveline.benches.axles.workings import whirl_working
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.shafts.bars import MOST_OF_CRITICAL, MOST_OF_CRITICAL_TWO_PIECE, bar_shear_mpa
from driveline.sheet import positive_of
from driveline.working import fixed_working


def tube_checks(one: LineFound, needs: AxlesNeeds, judge: Judge) -> Iterator[Check]:
    """Return the checks of every shaft of a line."""
    for j, tube in enumerate(one.line.tubes):
        guarded = judge.guarding()
        yield _whirl(one, j, tube, guarded)
        yield _half(one, j, tube, judge)
        yield _shear(one, j, tube, needs, guarded)
        yield made_check(
            f"{one.key}.t{j + 1}",
            f"{one.line.name}, shaft {j + 1}",
            f"{one.field}.tubes.{j}.is_mock_up",
            is_mock_up=tube.is_mock_up,
            judge=judge,
        )


def longest_mm(one: LineFound, j: int) -> float | None:
    """Return the longest that a shaft becomes."""
    return None if one.swept is None else float(one.swept.lengths_mm[:, j].max())


def _size_missing(one: LineFound, j: int, tube: Tube) -> tuple[str, ...]:
    words = f"{one.line.name}, shaft {j + 1}"
    known = {f"{words}: its diameter": positive_of(tube.outside), f"{words}: its wall": positive_of(tube.wall)}
    lacking = missing_of(known)
    return lacking or missing_of({f"{words}: a wall of half its diameter at the most": tube_inside_mm(tube)})


def critical_of(one: LineFound, j: int, tube: Tube) -> float | None:
    """Return the speed at which a shaft would whirl, drawn out as far as it goes."""
    longest = longest_mm(one, j)
    return None if longest is None else tube_critical_rpm(tube, longest)


def _whirl(one: LineFound, j: int, tube: Tube, judge: Judge) -> Check:
    critical, share = critical_of(one, j, tube), two_piece_share(one.line)
    return judge.check(
        "shaft_speed",
        key=f"{one.key}.t{j + 1}.whirl",
        title=f"{one.line.name}, shaft {j + 1}: turns well below its critical speed",
        demand=one.rpm,
        capacity=None if critical is None else critical * share,
        unit="rpm",
        says="" if critical is None else f"Whirls at {fig(critical, 'rpm', 0)}, at its longest.",
        missing=(
            *one.joints_missing,
            *_size_missing(one, j, tube),
            *one.travel_missing,
            *one.moves_missing,
            *one.speed_missing,
        ),
        inputs=(f"{one.field}.tubes.{j}", "brief.wanted.top_speed"),
        station=one.station,
        working=lambda: whirl_working(
            longest_mm(one, j), positive_of(tube.outside), tube_inside_mm(tube), critical, share=share
        ),
    )


def two_piece_share(line: PropLine) -> float:
    """Return what of a critical speed counts: a line of two pieces and more keeps farther off."""
    return 1.0 if len(line.tubes) < 2 else MOST_OF_CRITICAL_TWO_PIECE / MOST_OF_CRITICAL


def _half(one: LineFound, j: int, tube: Tube, judge: Judge) -> Check:
    critical, rpm = critical_of(one, j, tube), one.rpm
    meets = critical is not None and rpm is not None and critical / 2 <= rpm
    says = ""
    if critical is not None:
        says = f"{fig(critical / 2, 'rpm', 0)}: {'' if meets else 'not '}reached on the road."
        if meets:
            says = f"{says} Crosses push twice a turn, so it may hum there."
    lacking = (
        *one.joints_missing,
        *_size_missing(one, j, tube),
        *one.travel_missing,
        *one.moves_missing,
        *one.speed_missing,
    )
    has_cross = any(kind.kind in (JointKind.CROSS, None) for kind in one.line.joints)
    return judge.answer(
        is_so=None if lacking else True,
        has_catch=meets and has_cross,
        key=f"{one.key}.t{j + 1}.half",
        title=f"{one.line.name}, shaft {j + 1}: half its critical speed",
        says=says if not lacking else "",
        missing=lacking,
        inputs=(f"{one.field}.tubes.{j}",),
        station=one.station,
        working=fixed_working("Two pushes a turn meet a shaft's first bending at half its critical speed."),
    )


def _shear(one: LineFound, j: int, tube: Tube, needs: AxlesNeeds, judge: Judge) -> Check:
    outside, inside, words = positive_of(tube.outside), tube_inside_mm(tube), f"{one.line.name}, shaft {j + 1}"
    torque = None if one.load is None else one.load.design_nm
    stress = None
    if torque is not None and outside is not None and inside is not None:
        stress = bar_shear_mpa(torque, outside_mm=outside, inside_mm=inside)
    guide = guide_mpa(tube)
    lacking = [*_size_missing(one, j, tube), *load_missing("propshaft", one.line.name, one.load, needs)]
    if guide is None:
        lacking.append(f"{words}: what it is made of")
    return judge.check(
        "bar_shear",
        key=f"{one.key}.t{j + 1}.shear",
        title=f"{words}: its torsion",
        demand=stress,
        capacity=guide,
        unit="MPa",
        says="" if stress is None else f"{fig(stress, 'MPa', 0)} at {fig(torque, 'N·m', 0)}.",
        missing=tuple(lacking),
        inputs=(f"{one.field}.tubes.{j}",),
        station=one.station,
        working=lambda: tube_working(torque, outside, inside, stress, f"{one.field}.tubes.{j}"),
    )
