"""The reading to take next, and why that one."""

from itertools import pairwise
from typing import Final

from driveline.checks import Result
from driveline.figures import fig, num
from driveline.network import NetworkResult
from driveline.network.observations import CENTRE
from driveline.survey.readings import index_of
from driveline.survey.sheet import PairReading, Survey

WORTH_WHILE: Final = 0.9  # of the worst uncertainty as it is; less of a gain is not asked for


class NextReading(Result):
    """The reading to take next, and why that one."""

    kind: str
    a: str
    b: str
    why: str
    replaces: int | None = None  # the reading that it takes the place of


def next_reading(survey: Survey, solved: NetworkResult | None) -> NextReading | None:
    """Return the reading to take next; ``None`` when no single one helps enough to ask for it.

    Again the one that does not fit; else what settles a hole, in order; else what covers a reading that nothing
    checks; else what lowers the uncertainty of the worst-known hole by a tenth or more.
    """
    if again := _again(survey, solved):
        return again
    if solved is not None and solved.rival is not None:
        return _between(*solved.rival.pair, why="two shapes fit, and it decides which")
    if solved is None or solved.loose or solved.redundancy <= 0:
        return _in_order(survey, set(solved.loose) if solved else set())
    if covers := [one.cover for one in solved.unchecked if one.cover]:
        return _between(*covers[0], why="it checks a reading that nothing checks")
    sharper = solved.sharpening
    if sharper is None or sharper.then_mm > WORTH_WHILE * sharper.now_mm:
        return None
    of = "the shaft's centre" if sharper.point == CENTRE else sharper.point
    surer = f"±{num(sharper.now_mm, 'mm', 2)} to ±{fig(sharper.then_mm, 'mm', 2)}"
    return _between(*sharper.pair, why=f"it makes {of} surer: {surer}")


def _between(a: str, b: str, *, why: str) -> NextReading:
    a, b = sorted((a, b), key=lambda end: end == CENTRE)
    return NextReading(kind="radius" if b == CENTRE else "inside", a=a, b=b, why=why)


def _again(survey: Survey, solved: NetworkResult | None) -> NextReading | None:
    """The first reading that does not fit, when it can be named."""
    named = [one for one in solved.suspects if one.can_be_named] if solved else []
    index = index_of(named[0].key) if named else None
    reading = None if index is None else survey.readings[index]
    if not isinstance(reading, PairReading):
        return None
    return NextReading(kind=reading.kind, a=reading.a, b=reading.b, why="the last one does not fit", replaces=index)


def _in_order(survey: Survey, loose: set[str]) -> NextReading | None:
    """Radii first, then neighbours, then every second hole, then across; those to a loose point before the rest."""
    taken = {frozenset((r.a, r.b)) for r in survey.readings if isinstance(r, PairReading)}
    ids = [hole.id for hole in survey.holes if not hole.is_bore]
    count = len(ids)
    if count < 2:
        return None
    round_trip = [*ids, ids[0]]
    pairs = [(hole, CENTRE) for hole in ids] + list(pairwise(round_trip))
    pairs += [(ids[k], ids[(k + step) % count]) for step in (2, count // 2) for k in range(count) if step < count]
    open_pairs = [(a, b) for a, b in pairs if a != b and frozenset((a, b)) not in taken]
    open_pairs.sort(key=lambda pair: not set(pair) & loose)
    if not open_pairs:
        return None
    a, b = open_pairs[0]
    return NextReading(kind="radius" if b == CENTRE else "inside", a=a, b=b, why="the next in order")
