"""How a bench's parts stand: as drawn now, against what was released and what came back."""

from collections.abc import Sequence

from driveline.parts.drawings import cut_line, hole_rows, part_drawings
from driveline.parts.ordered import MadePart, OrderedPart
from driveline.parts.records import BuildRecords, Seen
from driveline.parts.released import features_of, incoming_states, ordered_release_state, release_state
from driveline.parts.results import LigamentResult, OrderShown, PartResult, PartView

SHOWN_LIGAMENTS = 6


def part_state(part: MadePart, *, job_name: str, records: BuildRecords) -> PartResult:
    """Return a part as drawn now, with its newest release and its deliveries."""
    if isinstance(part, OrderedPart):
        return _ordered_state(part, records)
    drawings = part_drawings(part, job_name)
    sides: tuple[Seen, Seen] = ("first", "second")
    release = records.newest(part.key)
    return PartResult(
        key=part.key,
        title=part.title,
        look_at=part.look_at,
        is_handed=part.is_handed,
        views=tuple(
            PartView(side=side, called=called, drawing=drawing)
            for side, called, drawing in zip(sides, part.sides, drawings, strict=True)
        ),
        hole_table=hole_rows(part),
        ligaments=tuple(
            LigamentResult(a=one.between[0], b=one.between[1], left_mm=one.left_mm, wanted_mm=one.wanted_mm)
            for one in part.ligaments[:SHOWN_LIGAMENTS]
        ),
        cut=cut_line(part),
        released=release and release_state(part, drawings[0], release),
        incoming=incoming_states(records, part.key),
        features=features_of(release) if release else (),
    )


def _ordered_state(part: OrderedPart, records: BuildRecords) -> PartResult:
    release = records.newest(part.key)
    return PartResult(
        key=part.key,
        title=part.title,
        look_at="",
        is_handed=False,
        views=(PartView(side="first", called="the side", drawing=part.drawing),),
        hole_table=(),
        ligaments=(),
        cut=None,
        order=OrderShown(
            number=part.number,
            quantity=part.quantity,
            material=part.material,
            lines=part.lines,
            asks=part.asks,
            wanted=part.wanted,
        ),
        guards=part.guards,
        held_back=part.held_back,
        released=release and ordered_release_state(part, release),
        incoming=incoming_states(records, part.key),
        features=features_of(release) if release else (),
    )


def are_released(parts: Sequence[PartResult]) -> bool:
    """Say whether there are parts, and every one stands as it was released."""
    return bool(parts) and all(part.released is not None and not part.released.differs for part in parts)


def are_accepted(parts: Sequence[PartResult]) -> bool:
    """Say whether every part's newest release was accepted on delivery."""
    return all(
        bool(part.incoming) and part.incoming[0].accepted and part.incoming[0].letter == part.released.letter
        for part in parts
        if part.released
    )
