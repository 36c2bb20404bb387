"""What a search offers, judged by every check of the whole job before it is shown."""

from collections.abc import Mapping, Sequence
from typing import Any, Final

from pydantic import ValidationError

from driveline.benches.contract import Sought, SoughtField, Way
from driveline.checks import WORST_FIRST, Check, Verdict
from driveline.errors import DrivelineError
from driveline.job.registry import JobFileBase, Registry

MOST_TRIED: Final = 12  # whole jobs are evaluated: a second or two of it
NAMED: Final = 3

Checks = Mapping[str, Check]


def sought(registry: Registry, job: JobFileBase, key: str) -> Sought:
    """Return what a search of a bench comes to; what would make any check of the job worse is not offered.

    Raises:
        NotDrawnYet: If there is nothing to search with yet, or no bench has such a search.
    """
    found = registry.sought(job, key)
    if not found.fields and not found.ways:
        return found
    before = _checks(registry, job)
    if not found.ways:
        after = _with(registry, job, found.fields)
        worse = None if after is None else _worse(before, after)
        says = found.says if not worse else f"{found.says} Taken as it is, it makes worse: {_named(worse)}."
        return found.model_copy(update={"says": says})
    return _best_way(registry, job, found, before)


def _best_way(registry: Registry, job: JobFileBase, found: Sought, before: Checks) -> Sought:
    head, *rows = found.rows
    kept, refused, fields, still = list[Way](), list[str](), tuple[SoughtField, ...](), ""
    for way in found.ways[:MOST_TRIED]:
        after = _with(registry, job, way.fields)
        worse = ("it can't be made",) if after is None else _worse(before, after)
        if worse:
            refused.append(f"{way.row[0]}, for it makes worse: {_named(worse)}")
            continue
        kept.append(way)
        if not fields and after is not None:
            fields, still = way.fields, _still(after, found.about)
        if len(kept) == found.most:
            break
    says = found.says if kept else "Nothing that holds by itself leaves the rest of the job as good as it is."
    if refused:
        says += f" Not offered: {'; '.join(refused[:NAMED])}."
    table = (head, *rows, *(way.row for way in kept)) if kept or rows else ()
    return found.model_copy(update={"says": says + still, "fields": fields, "rows": table, "ways": ()})


def _still(after: Checks, about: str) -> str:
    """What of the same part does not hold with the first way either: it does not hang on what was tried."""
    open_ones = [
        one.title for key, one in after.items() if key.startswith(f"{about}.") and one.verdict is not Verdict.HOLDS
    ]
    return f" With the first of them still not: {_named(open_ones)}." if open_ones else ""


def _worse(before: Checks, after: Checks) -> list[str]:
    """The checks that are worse than they were, or new and do not hold."""
    rank = {verdict: k for k, verdict in enumerate(WORST_FIRST)}
    found = []
    for key, check in after.items():
        was = before.get(key)
        is_worse = check.verdict is Verdict.FAILS if was is None else rank[check.verdict] < rank[was.verdict]
        if is_worse:
            found.append(check.title)
    return found


def _named(titles: Sequence[str]) -> str:
    more = len(titles) - NAMED
    return "; ".join(titles[:NAMED]) + (f"; and {more} more" if more > 0 else "")


def _checks(registry: Registry, job: JobFileBase) -> Checks:
    return {check.key: check for check in registry.own_checks(job)}


def _with(registry: Registry, job: JobFileBase, fields: Sequence[SoughtField]) -> Checks | None:
    """The checks with the fields filled in; ``None`` where no such job can be."""
    data = job.model_dump()
    _fill(data["sheets"], fields)
    try:
        return _checks(registry, type(job).model_validate(data))
    except (ValidationError, DrivelineError):
        return None


def _fill(sheets: dict[str, Any], fields: Sequence[SoughtField]) -> None:
    """Type in what is offered: a reading where one stands or a unit is named, else a choice."""
    for one in fields:
        *parents, last = one.field.split(".")
        place: Any = sheets
        for name in parents:
            place = place[int(name)] if isinstance(place, list) else place[name]
        was = place[last]
        is_reading = isinstance(was, dict) or (was is None and " " in one.text)
        place[last] = {**(was or {}), "text": one.text} if is_reading else one.text
