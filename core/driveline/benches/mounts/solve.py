"""The Mounts bench: how the unit is held, what each mount carries, how it moves and shakes, and what holds it."""

from collections.abc import Iterator
from functools import cache, partial

from driveline.benches.contract import LaidOut, Outcome, Paper, Seek, progress_of
from driveline.benches.mounts.carried import Solved, solve_held
from driveline.benches.mounts.cases import WHICH_WAY
from driveline.benches.mounts.checks import held_missing, mounts_checks
from driveline.benches.mounts.ear_picture import ear_sought
from driveline.benches.mounts.ears import ears_of
from driveline.benches.mounts.fixings import fixing_sought
from driveline.benches.mounts.frame import frame_sought, solve_frame
from driveline.benches.mounts.holding_sheet import Grip
from driveline.benches.mounts.laid import LaidMount
from driveline.benches.mounts.landing_picture import landing_sought, may_be_pictured
from driveline.benches.mounts.loaded import loaded
from driveline.benches.mounts.mend import mend_sought
from driveline.benches.mounts.needs import HeldMove, MountsNeeds, SolvedMounts
from driveline.benches.mounts.patterns import parts_of
from driveline.benches.mounts.pull import PullFound, solve_pull
from driveline.benches.mounts.schools import schools_sought
from driveline.benches.mounts.sheet import MountKind, MountsSheet
from driveline.benches.mounts.shown import result_of
from driveline.benches.mounts.standoff_picture import standoff_sought
from driveline.benches.mounts.subframe import with_subframe
from driveline.benches.mounts.weld_sheet import weld_sheet
from driveline.checks import Check
from driveline.drawing.model import Drawing
from driveline.margins import Judge
from driveline.results import ToDo


def lay_out(sheet: MountsSheet) -> LaidOut:
    """Return the parts that are cut for the brackets."""
    return LaidOut(parts=parts_of(sheet))


def run(sheet: MountsSheet, laid: LaidOut, needs: MountsNeeds, judge: Judge) -> Outcome[SolvedMounts]:
    """Return how the unit is held."""
    is_begun = sheet != MountsSheet()
    needs = with_subframe(sheet.subframe, needs)
    solved = solve_held(sheet, needs)
    pull, frame = solve_pull(sheet.pull), solve_frame(sheet.frame)
    to_do = tuple(_to_do(sheet, needs, solved))

    @cache
    def checks() -> tuple[Check, ...]:
        return tuple(mounts_checks(sheet, needs, solved, pull, frame, judge)) if is_begun else ()

    return Outcome(
        solved=SolvedMounts(
            moves=tuple(_moves(solved)),
            missing=held_missing(sheet, needs, solved),
            modes_hz=tuple((one.name, one.frequency_hz) for one in solved.modes),
        ),
        show=lambda: result_of(sheet, needs, solved, pull, frame, checks(), to_do),
        check=checks,
        to_do=to_do,
        progress=progress_of(is_begun=is_begun, is_finished=is_begun and not to_do),
        parts=laid.parts,
        papers=(_paper(sheet, solved.mounts, pull),) if _has_paper(solved) else (),
        seeks=tuple(_seeks(sheet, needs, solved, judge)),
    )


def _has_paper(solved: Solved) -> bool:
    """Whether anything is welded."""
    return bool(solved.crosses) or any(one.arm.arm for one in solved.mounts)


def _paper(sheet: MountsSheet, mounts: tuple[LaidMount, ...], pull: PullFound | None) -> Paper:
    def draw(job_name: str, revision: str) -> Drawing:
        return weld_sheet(sheet, mounts, pull, job_name=job_name, revision=revision)

    return Paper(key="mounts.welding", title="How the brackets are welded", draw=draw)


def _moves(solved: Solved) -> Iterator[HeldMove]:
    carried = solved.answer
    if carried is None or solved.about_mm is None:
        return
    held = carried.held
    for row, case in enumerate(carried.cases):
        yield HeldMove(
            name=case.name, about_mm=solved.about_mm, shift_mm=held.moves_mm[row], turn_rad=held.turns_rad[row]
        )


def _seeks(sheet: MountsSheet, needs: MountsNeeds, solved: Solved, judge: Judge) -> Iterator[Seek]:
    """Other ways to hold the unit; what would make a bracket hold; an ear's stress by finite elements."""
    if sheet.frame.is_cut:
        wanted = judge.margins.wanted("frame_left")
        yield Seek(key="mounts.frame_mend", run=partial(frame_sought, sheet.frame, wanted))
    if solved.answer is None:
        return
    yield Seek(key="mounts.schools", run=partial(schools_sought, sheet, needs, solved))
    missing = held_missing(sheet, needs, solved)
    on_yield = judge.margins.wanted("bracket_yield")
    for k, mount in enumerate(solved.mounts):
        if mount.arm.arm is not None:
            one = loaded(mount, k, solved.answer, missing)
            yield Seek(key=f"mounts.m{k + 1}_mend", run=partial(mend_sought, one, judge))
            yield Seek(key=f"mounts.m{k + 1}_fixing", run=partial(fixing_sought, one, judge))
            if may_be_pictured(one):
                yield Seek(key=f"mounts.m{k + 1}_landing", run=partial(landing_sought, one, on_yield))
            if mount.arm.arm.legs is not None:
                yield Seek(key=f"mounts.m{k + 1}_plate", run=partial(standoff_sought, one, on_yield))
        if mount.sheet.grip is not Grip.EARS:
            continue
        if mount.sheet.kind is not MountKind.ARM and ears_of(mount.sheet.ears, mount.sheet.name)[0] is not None:
            one = loaded(mount, k, solved.answer, missing)
            yield Seek(key=f"mounts.m{k + 1}_ear", run=partial(ear_sought, one, on_yield))


def _to_do(sheet: MountsSheet, needs: MountsNeeds, solved: Solved) -> Iterator[ToDo]:
    if not sheet.mounts:
        yield ToDo(field="mounts.mounts", text="Enter where the unit is held: a name for each mount.")
        return
    for cross in solved.crosses:
        if cross.missing:
            yield ToDo(field=cross.field, text=f"Still wanted of {cross.missing[0]}.")
    for one in solved.mounts:
        if one.missing:
            yield ToDo(field=one.field, text=f"Still wanted of {one.missing[0]}.")
    lacking = [
        text for text in held_missing(sheet, needs, solved) if not any(text in one.missing for one in solved.mounts)
    ]
    if lacking:
        field = "mounts.output_turns" if lacking[0] == WHICH_WAY else "mounts.mounts"
        yield ToDo(field=field, text=f"Still wanted: {lacking[0][0].lower()}{lacking[0][1:]}.")
