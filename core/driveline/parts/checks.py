"""Released and delivered parts: still as released, and accepted when they came back."""

from collections.abc import Sequence

from driveline.checks import Check, Verdict
from driveline.figures import fig
from driveline.margins import Judge
from driveline.parts.records import BuildRecords, Release
from driveline.parts.results import IncomingState, PartResult, ReleaseState
from driveline.working import Fact, Working, entered, fixed_working, step, worked


def release_checks(parts: Sequence[PartResult], records: BuildRecords, judge: Judge) -> tuple[Check, ...]:
    """Return whether parts that were released are still as released, and whether what came back was accepted."""
    drawn = {part.key for part in parts}
    own = [one for one in records.releases if one.part.split(".")[0] == judge.bench]
    gone = {one.part: one for one in own if one.part not in drawn}  # the newest of each comes last
    checks = [_no_longer_drawn(one, judge) for one in gone.values()]
    for part in parts:
        if part.released is not None:
            checks.append(_as_released(part, part.released, judge))
        if part.incoming:
            checks.append(_delivered(part, part.incoming[0], judge))
        elif part.order is not None:
            checks.append(_not_delivered(part, judge))
    return tuple(checks)


def _key(word: str, part: str) -> str:
    bench, name = part.split(".", 1)
    return f"{bench}.{word}_{name}"


def _no_longer_drawn(release: Release, judge: Judge) -> Check:
    """A changed build-up may be meant, so it does not fail; but somebody may be making that part."""
    return judge.answer(
        is_so=True,
        missing=("Whether it is still being made, and for what",),
        key=_key("released", release.part),
        title=f"{release.part.split('.')[-1].replace('_', ' ').capitalize()} as released {release.letter}",
        says=f"released {release.letter} by {release.signed}, and no longer part of this build; is it being made?",
        inputs=(judge.bench,),
        working=fixed_working(f"Frozen at release, SHA-256 {release.sha256[:12]}…"),
    )


def _as_released(part: PartResult, state: ReleaseState, judge: Judge) -> Check:
    first = ", ".join(one.says for one in state.differs[:3])
    more = f" and {len(state.differs) - 3} more" if len(state.differs) > 3 else ""
    since = f"; since then {state.readings_since[0]}" if state.readings_since else ""
    says = f"as released {state.letter} by {state.by}"
    if state.differs:
        says = f"differs from released {state.letter}: {first}{more}{since}"
    return judge.answer(
        is_so=not state.differs,
        key=_key("released", part.key),
        title=f"{part.title} as released {state.letter}",
        says=says,
        inputs=(judge.bench,),
        working=lambda: Working(
            steps=(
                *(Fact("drawing", one.says) for one in state.differs[:12]),
                *(Fact("reading", one) for one in state.readings_since[:8]),
            ),
            source=f"Frozen at release, SHA-256 {state.sha256[:12]}…; what is cut is what was released.",
            note="Release it anew, or take the change back. A part cut from the old drawing is told by its letter.",
        ),
    )


def _not_delivered(part: PartResult, judge: Judge) -> Check:
    """What is ordered from a maker goes on the road when it came and was measured; until then it is not known."""
    return judge.answer(
        is_so=None,
        key=_key("delivered", part.key),
        title=f"{part.title} as delivered",
        says="",
        missing=(f"{part.title}: the made one, measured when it came",),
        inputs=(judge.bench,),
        working=fixed_working("Road hold: only made shafts that came back and were measured go on the road."),
    )


def _delivered(part: PartResult, state: IncomingState, judge: Judge) -> Check:
    off = [row for row in state.rows if row.verdict == Verdict.FAILS]
    says = f"{state.letter} accepted by {state.by}" if state.accepted else f"{state.letter} not accepted: {state.why}"
    if off:
        says += f"; {off[0].feature} is {fig(off[0].off_mm, 'mm', 2, signed=True)} off"
    return judge.answer(
        is_so=state.accepted,
        key=_key("delivered", part.key),
        title=f"{part.title} as delivered",
        says=says,
        inputs=(judge.bench,),
        working=lambda: Working(
            steps=tuple(
                step(
                    "off",
                    "x - x_drawn",
                    entered("x", row.measured_mm, "mm", f"measured: {row.feature}"),
                    worked("x_drawn", row.expected_mm, "mm", f"as drawn, ± {fig(row.allowed_mm, 'mm')}"),
                    value=row.off_mm,
                    unit="mm",
                    decimals=2,
                    words=row.feature,
                )
                for row in state.rows
            ),
            source="Measured on delivery, against the released drawing; ISO 2768-m where none is given.",
        ),
    )
