"""Whether a cut frame is as strong as it was, may be welded, and is approved."""

from collections.abc import Iterator

from driveline.benches.mounts.frame import FrameFound
from driveline.benches.mounts.frame_workings import folds_working, frame_working
from driveline.benches.mounts.sheet import CutFrame
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge
from driveline.working import Working, fixed_working


def frame_checks(cut: CutFrame, frame: FrameFound, judge: Judge) -> Iterator[Check]:
    """Return the checks of a cut frame; none of one that is left whole."""
    if cut.is_cut is False:
        return
    if cut.is_cut is None:
        yield judge.answer(
            is_so=None,
            key="mounts.frame",
            title="No frame is weakened",
            missing=("Whether a frame or rail is cut",),
            inputs=("mounts.frame.is_cut",),
        )
        return
    weakest = frame.weakest
    says = ""
    if weakest is not None:
        says = f"{weakest.least_is} is least at {weakest.name}: {fig(100 * weakest.least, '%', 0)} of what it was."
    yield judge.check(
        "frame_left",
        key="mounts.frame",
        title="Frame as strong where it is cut",
        demand=1.0,
        capacity=None if weakest is None else weakest.least,
        unit="",
        says=says,
        missing=frame.missing,
        inputs=("mounts.frame",),
        working=lambda: frame_working(weakest, frame.old),
    )
    yield _folds(cut, frame, judge)
    yield judge.answer(
        is_so=None if cut.is_heat_treated is None else not cut.is_heat_treated,
        key="mounts.frame_heat",
        title="Rail may be welded",
        says="A heat-treated rail loses its strength beside a weld: bolt to it." if cut.is_heat_treated else "",
        missing=() if cut.is_heat_treated is not None else ("Whether the rail is heat-treated",),
        inputs=("mounts.frame.is_heat_treated",),
        working=fixed_working("Maker's body-building guide; heat-treated rails are not welded."),
    )
    by, on = cut.approved_by.strip(), cut.approved_on.strip()
    yield judge.answer(
        is_so=True if by and on else None,
        key="mounts.frame_approved",
        title="Cut frame approved",
        says=f"By {by}, {on}." if by and on else "",
        missing=() if by and on else ("Approval by a licensed engineer or as your authority requires: who, and when",),
        inputs=("mounts.frame.approved_by", "mounts.frame.approved_on"),
        working=fixed_working("A cut frame is approved by a licensed engineer, or as the authority requires."),
    )


def _folds(cut: CutFrame, frame: FrameFound, judge: Judge) -> Check:
    was, now = frame.folded, frame.folds_first
    says = ""
    if was is not None and now is not None:
        stress = fig(now.fold.found.buckling_mpa, "MPa", 0)
        says = f"The {now.fold.panel.words} at {now.name} at {stress}: {fig(now.moment_nm, 'N·m', 0)} of bending, "
        says += f"{fig(was.moment_nm, 'N·m', 0)} as it was."
    return judge.check(
        "frame_left",
        key="mounts.frame_folds",
        title="Walls of the cut frame fold no sooner than they did",
        demand=None if was is None else was.moment_nm,
        capacity=None if now is None else now.moment_nm,
        unit="N·m",
        says=says,
        missing=tuple(dict.fromkeys((*frame.missing, *frame.folds_missing))),
        inputs=("mounts.frame",),
        working=lambda: (
            Working() if was is None or now is None or cut.yield_mpa is None else folds_working(now, cut.yield_mpa)
        ),
    )
