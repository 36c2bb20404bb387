"""How the unit is held, as the screen shows it."""

import re
from collections.abc import Iterator
from dataclasses import replace
from typing import Final

import numpy as np

from driveline.arrays import Floats, crossed
from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.carried import Carried, Solved, with_rubber
from driveline.benches.mounts.cases import Case, cases_of, moment_nm, torque_nm, usual_cases
from driveline.benches.mounts.checks import motion_words
from driveline.benches.mounts.cross_loads import outside_mount
from driveline.benches.mounts.frame import FrameFound, StationFound
from driveline.benches.mounts.frame_folds import FoldsFound
from driveline.benches.mounts.laid import LaidMount, questions
from driveline.benches.mounts.needs import MountsNeeds
from driveline.benches.mounts.pull import STOCK_MM, PullFound
from driveline.benches.mounts.rails import Rail
from driveline.benches.mounts.results import (
    At,
    CaseForce,
    CaseFound,
    CrossFound,
    FoldShown,
    FreeFound,
    ModeFound,
    MountFound,
    MountsResult,
    PullShown,
    PulseMet,
    RailShown,
    SpringPoint,
    StationShown,
)
from driveline.benches.mounts.sheet import MountKind, MountsSheet
from driveline.benches.mounts.solids import solid_of
from driveline.benches.mounts.subframe import NOT_IN_IT
from driveline.checks import Check, worst_verdict
from driveline.figures import fig
from driveline.held.balance import held_count
from driveline.held.modes import USUAL_DYNAMIC
from driveline.metal.weld_pull import shim_mm, shim_stack
from driveline.results import Assumed, ToDo
from driveline.space.pose import Placed, move_about, turns_by

EXAGGERATED: Final = 10.0
FACTORS: Final = (0.5, 0.7, 1.0, 1.4, 2.0, 2.8)


def _three(values: Floats) -> At:
    x, y, z = (round(float(one), 3) for one in values)
    return x, y, z


def result_of(
    sheet: MountsSheet,
    needs: MountsNeeds,
    solved: Solved,
    pull: PullFound | None,
    frame: FrameFound,
    checks: tuple[Check, ...],
    to_do: tuple[ToDo, ...],
) -> MountsResult:
    """Return how the unit is held, as the screen shows it."""
    holds = [one.hold for one in solved.mounts if one.hold is not None]
    if solved.answer is None:
        solved = replace(solved, carried=None)
    return MountsResult(
        mounts=tuple(_mount(one, k, solved.carried, checks) for k, one in enumerate(solved.mounts)),
        crosses=tuple(_crosses(solved, checks)),
        free=tuple(
            FreeFound(
                says=motion_words(one.kind, one.direction.tolist()),
                direction=_three(one.direction),
                at_mm=_three(one.at_mm),
            )
            for one in solved.free or ()
        ),
        held=held_count(holds),
        redundant=solved.redundant,
        cases=tuple(_cases(sheet, needs, solved)),
        modes=tuple(
            ModeFound(
                name=one.name,
                frequency_hz=one.frequency_hz,
                shares_pct=tuple(round(float(share), 1) for share in one.shares_pct),
                is_low=one.is_low,
                hops=one.hops,
                met=tuple(_met(one.frequency_hz, needs)),
            )
            for one in solved.modes
        ),
        springs=tuple(_springs(sheet, needs, solved)),
        pull=None if pull is None else _pull(pull),
        old_rail=None if frame.old is None else _rail(frame.old),
        stations=tuple(_stations(frame, checks)),
        queries=tuple(_queries(sheet, solved)),
        assumed=tuple(_assumed(sheet, needs)),
        to_do=to_do,
    )


def _queries(sheet: MountsSheet, solved: Solved) -> Iterator[ToDo]:
    for field, text in questions(solved.mounts, solved.crosses):
        yield ToDo(field=field, text=text)
    if sheet.subframe.is_there:
        yield ToDo(field="mounts.subframe", text=NOT_IN_IT)


def _met(frequency_hz: float, needs: MountsNeeds) -> Iterator[PulseMet]:
    """Where what turns shakes the unit as it would shake by itself."""
    found = [
        PulseMet(what=one.name, times=one.times, speed_kmh=frequency_hz / (one.times * one.rev_s_per_kmh))
        for one in needs.turning
    ]
    yield from sorted(
        (one for one in found if one.speed_kmh <= (needs.wanted_kmh or 0.0)), key=lambda one: one.speed_kmh
    )


def _mount(one: LaidMount, k: int, carried: Carried | None, checks: tuple[Check, ...]) -> MountFound:
    arm, solid = one.arm.arm, solid_of(one)
    own = [check for check in checks if check.key.startswith(f"mounts.m{k + 1}.")]
    return MountFound(
        field=one.field,
        name=one.sheet.name,
        kind=one.sheet.kind.value if one.sheet.kind else None,
        at_mm=None if one.at_mm is None else _three(one.at_mm),
        rail_mm=None if one.rail_mm is None else _three(one.rail_mm),
        stiffness_n_per_mm=None if one.hold is None else _three(np.diag(one.hold.stiffness_n_per_mm)),
        arm_mm=None if arm is None else arm.length_mm,
        section="" if arm is None else arm.section.words,
        pieces=() if solid is None else solid.drawn,
        missing=one.missing,
        cases=() if carried is None else tuple(_force(carried, row, k) for row in range(len(carried.cases))),
        worst="" if carried is None else carried.cases[carried.worst_case(k)].name,
        worst_n=None if carried is None else float(carried.sizes_n[carried.worst_case(k), k]),
        verdict=worst_verdict(own) if own else None,
    )


def _crosses(solved: Solved, checks: tuple[Check, ...]) -> Iterator[CrossFound]:
    for k, one in enumerate(solved.crosses, start=1):
        own = [check for check in checks if re.match(rf"mounts\.x{k}[ab]?\.", check.key)]
        solid, (first, other) = solid_of(outside_mount(one)), one.ends_mm
        yield CrossFound(
            field=one.field,
            name=one.sheet.name,
            section="" if one.member is None else one.member.section.words,
            length_mm=None if one.member is None else one.member.length_mm,
            ends_mm=None if first is None or other is None else (_three(first), _three(other)),
            pieces=() if solid is None else solid.drawn,
            missing=one.missing,
            stand_on_it=tuple(mount.sheet.name for mount in solved.mounts if mount.cross is one),
            verdict=worst_verdict(own) if own else None,
        )


def _force(carried: Carried, row: int, k: int) -> CaseForce:
    shares, force = carried.shares, carried.held.forces_n[row, k]
    return CaseForce(
        case=carried.cases[row].name,
        force_n=_three(force),
        size_n=float(carried.sizes_n[row, k]),
        least_n=None if shares is None else _three(shares.least_n[row, k]),
        greatest_n=None if shares is None else _three(shares.greatest_n[row, k]),
        move_mm=_three(carried.held.mount_moves_mm[row, k]),
        is_bottomed=bool(carried.bottomed[row, k]),
        on_vehicle_n=_three(-force),
        at_root_nm=_at_root_nm(carried.mounts[k], force, carried.held.moments_nmm[row, k]),
    )


def _at_root_nm(mount: LaidMount, force_n: Floats, moment_nmm: Floats) -> float | None:
    """The moment that a bracket hands on, with that of twisted rubber; a link's two ends are pins."""
    if mount.at_mm is None or mount.rail_mm is None or mount.arm.arm is None:
        return None
    return float(np.linalg.norm(crossed(mount.at_mm - mount.rail_mm, force_n) + moment_nmm)) / 1000


def _cases(sheet: MountsSheet, needs: MountsNeeds, solved: Solved) -> Iterator[CaseFound]:
    rows = {case.name: row for row, case in enumerate(solved.carried.cases)} if solved.carried else {}
    nearest = {case.name: found for case, found in solved.nearest}
    left_out = {one.case: one.why for one in sheet.left_out}
    asked = {case.name for case in cases_of(sheet, needs)}
    every: tuple[Case, ...] = (*usual_cases(needs), *(case for case in cases_of(sheet, needs) if case.is_own))
    for case in every:
        row, near = rows.get(case.name), nearest.get(case.name)
        moment = moment_nm(case, sheet, needs)
        carried = solved.carried
        drawn = None if carried is None or row is None else _drawn(carried, row, needs, solved)
        yield CaseFound(
            name=case.name,
            g_xyz=case.g_xyz,
            torque=case.torque.value,
            torque_nm=torque_nm(case, needs),
            moment_nm=None if moment is None else _three(moment),
            is_own=case.is_own,
            is_left_out=case.name in left_out and case.name not in asked,
            why=left_out.get(case.name, ""),
            move_mm=None if carried is None or row is None else _three(carried.held.moves_mm[row]),
            turn_deg=None if carried is None or row is None else _three(np.degrees(carried.held.turns_rad[row])),
            drawn_at_mm=None if drawn is None else _three(drawn.at_mm),
            drawn_turn=None if drawn is None else (_three(drawn.turn[0]), _three(drawn.turn[1]), _three(drawn.turn[2])),
            nearest="" if near is None else f"{near.unit_body} to {near.other}",
            gap_mm=None if near is None else near.gap_mm,
            wanted_mm=None if near is None else near.wanted_mm,
        )


def _drawn(carried: Carried, row: int, needs: MountsNeeds, solved: Solved) -> Placed | None:
    """The unit's place with what it moves made ten times as large."""
    if needs.unit.placed is None or solved.about_mm is None:
        return None
    turn = turns_by(EXAGGERATED * carried.held.turns_rad[[row]])[0]
    shift = EXAGGERATED * carried.held.moves_mm[row]
    return needs.unit.placed.moved(move_about(solved.about_mm, shift_mm=shift, turn=turn))


def _springs(sheet: MountsSheet, needs: MountsNeeds, solved: Solved) -> Iterator[SpringPoint]:
    """What softer or stiffer rubber would do."""
    if solved.carried is None or not solved.modes or not any(one.hold and one.hold.is_rubber for one in solved.mounts):
        return
    for factor in FACTORS:
        found = with_rubber(sheet, needs, solved, factor)
        if found is not None:
            yield SpringPoint(factor=factor, lowest_hz=found[0], greatest_mm=found[1])


def _stations(frame: FrameFound, checks: tuple[Check, ...]) -> Iterator[StationShown]:
    wanted = next((one.wanted_margin for one in checks if one.key == "mounts.frame"), 1.0)
    folds = frame.folds or (None,) * len(frame.stations)
    for one, fold in zip(frame.stations, folds, strict=True):
        yield _station(one, fold, frame.folded, is_short=one.least < wanted)


def _station(one: StationFound, now: FoldsFound | None, was: FoldsFound | None, *, is_short: bool) -> StationShown:
    left = one.ratios
    fold = None
    if now is not None and was is not None:
        fold = FoldShown(
            wall=now.fold.panel.words,
            stress_mpa=now.fold.found.buckling_mpa,
            moment_nm=now.moment_nm,
            was_nm=was.moment_nm,
        )
    return StationShown(
        name=one.name,
        rail=_rail(one.rail),
        area=left["area"],
        i=left["I"],
        across=left["I across"],
        z=left["Z"],
        j=left["J"],
        least=one.least,
        least_is=one.least_is,
        is_short=is_short,
        fold=fold,
    )


def _ring(ring_mm: Floats) -> tuple[tuple[float, float], ...]:
    return tuple((round(float(x), 2), round(float(y), 2)) for x, y in ring_mm)


def _rail(rail: Rail) -> RailShown:
    section = rail.section
    greatest, least, lean = section.principal
    return RailShown(
        plates_mm=tuple(tuple(_ring(ring) for ring in plate) for plate in rail.plates_mm),
        area_mm2=section.area_mm2,
        i_mm4=section.level_mm4,
        j_mm4=section.torsion_mm4,
        greatest_mm4=greatest,
        least_mm4=least,
        lean_deg=lean,
        cells=section.cells,
    )


def _pull(found: PullFound) -> PullShown:
    low, high = found.range_mm
    shims = shim_stack(shim_mm(found.closes_mm, STOCK_MM), STOCK_MM)
    return PullShown(
        rule_mm=found.rule_mm,
        count=0 if found.log is None else found.log.count,
        closes_mm=found.closes_mm,
        low_mm=low,
        high_mm=high,
        jig_mm=found.jig_mm,
        after_low_mm=found.after_mm[0],
        after_high_mm=found.after_mm[1],
        shims=shims,
        more_logs=found.more_logs,
    )


def _assumed(sheet: MountsSheet, needs: MountsNeeds) -> Iterator[Assumed]:
    if any(one.kind is MountKind.RUBBER for one in sheet.mounts):
        if sheet.dynamic is None:
            yield Assumed(field="mounts.dynamic", text=f"shaken rubber is {fig(USUAL_DYNAMIC, '', 1)} times as stiff")
        for k, one in enumerate(sheet.mounts):
            if one.kind is MountKind.RUBBER and not one.is_measured and one.upright_n_per_mm is not None:
                text = f"{one.name}: a catalogue's stiffness"
                yield Assumed(field=f"mounts.mounts.{k}.is_measured", text=text)
    stated = (sheet.inertia.roll_kgm2, sheet.inertia.pitch_kgm2, sheet.inertia.yaw_kgm2)
    if None in stated and needs.unit.inertia_kgm2 is not None and sheet.mounts:
        yield Assumed(field="mounts.inertia", text="the unit's inertia is its envelope's, filled evenly")
    yield from _usual_steel(sheet)


def _usual_steel(sheet: MountsSheet) -> Iterator[Assumed]:
    for k, one in enumerate(sheet.mounts):
        if one.bracket.kind is not None and one.bracket.yield_mpa is None:
            text = f"{one.name}: steel that yields at {fig(STEEL.yield_mpa, 'MPa', 0)}"
            yield Assumed(field=f"mounts.mounts.{k}.bracket.yield_mpa", text=text)
        if one.tube.is_there and one.tube.yield_mpa is None:
            text = f"{one.name}: a tube between its ears that yields at {fig(STEEL.yield_mpa, 'MPa', 0)}"
            yield Assumed(field=f"mounts.mounts.{k}.tube.yield_mpa", text=text)
    for k, cross in enumerate(sheet.crosses):
        if cross.bracket.kind is not None and cross.bracket.yield_mpa is None:
            text = f"{cross.name}: steel that yields at {fig(STEEL.yield_mpa, 'MPa', 0)}"
            yield Assumed(field=f"mounts.crosses.{k}.bracket.yield_mpa", text=text)
