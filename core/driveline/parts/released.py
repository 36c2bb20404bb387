"""A released part against the part as it stands, and a delivered one against its release."""

import math
from bisect import bisect_left
from collections.abc import Sequence
from dataclasses import dataclass, replace
from functools import lru_cache
from typing import Final

import numpy as np
from shapely import Polygon

from driveline.arrays import Floats
from driveline.checks import TIGHT_SHARE, Verdict
from driveline.drawing.arcs import arc_of
from driveline.drawing.model import Circle, Drawing, Path, Punch, Text, Vertex
from driveline.errors import UnknownFeature
from driveline.figures import fig, num
from driveline.memory import kept
from driveline.parts.made import FlatPart
from driveline.parts.ordered import OrderedPart
from driveline.parts.records import BuildRecords, FrozenReading, FrozenSize, Incoming, Measure, Release
from driveline.parts.results import Feature, FeatureRow, IncomingState, Moved, ReleaseState
from driveline.tables.loader import table

SAME_MM: Final = 0.01  # no cutter keeps closer
ARC_STEP_DEG: Final = 3.0
SHOWN_FEATURES: Final = 8
MOST_PAIRED: Final = 200
MACHINED: Final = ("bore:", "register:")
MADE: Final = ("flange:", "motor:", "standoff:", "register:", "relief:")


def release_state(part: FlatPart, now: Drawing, release: Release) -> ReleaseState:
    """Return a release with what of the part, as drawn now from its first side, has moved since; the most first."""
    moved = [*_moved_holes(release.drawing, now), *_moved_outline(release.drawing, now)]
    moved += _made_otherwise(release.drawing, now, {one.feature for one in moved})
    moved.sort(key=lambda one: -(one.by_mm or 0.0))
    material = (part.stock.material, part.stock.process)
    if release.thickness_mm != part.thickness_mm:
        says = f"thickness was {_mm(release.thickness_mm)}, is {_mm(part.thickness_mm)}"
        moved.append(Moved(feature="thickness", says=says, by_mm=None))
    for name, then, is_now in zip(("material", "process"), (release.material, release.process), material, strict=True):
        if then != is_now:
            says = f"{name} was {then or 'not stated'}, is {is_now or 'not stated'}"
            moved.append(Moved(feature=name, says=says, by_mm=None))
    return ReleaseState(
        letter=release.letter,
        by=release.signed,
        at=release.at,
        side=release.side,
        sha256=release.sha256,
        has_sheet=release.sheet is not None,
        differs=tuple(moved),
        readings_since=_readings_since(release.readings, part.readings),
    )


def ordered_release_state(part: OrderedPart, release: Release) -> ReleaseState:
    """Return a release of an ordered part with what of its order has changed since."""
    moved: list[Moved] = []
    before, after = {one.key: one for one in release.sizes}, {one.key: one for one in part.sizes}
    for key in dict.fromkeys((*before, *after)):
        old, new = before.get(key), after.get(key)
        if old is None or new is None:
            title = new.title if new is not None else old.title if old is not None else key
            moved.append(Moved(feature=title, says=f"{title} is {'new' if old is None else 'gone'}", by_mm=None))
        elif abs(new.mm - old.mm) > SAME_MM:
            says = f"{new.title} was {_mm(old.mm)}, is {_mm(new.mm)}"
            moved.append(Moved(feature=new.title, says=says, by_mm=abs(new.mm - old.mm)))
    sized = {one.title for one in before.values()} | {one.title for one in after.values()}
    then, now = {one.label: one.value for one in release.order}, {one.label: one.value for one in part.lines}
    for label in dict.fromkeys((*then, *now)):
        was, is_now = then.get(label, "not stated"), now.get(label, "not stated")
        if label not in sized and was != is_now:
            moved.append(Moved(feature=label, says=f"{label} was {was}, is {is_now}", by_mm=None))
    moved.sort(key=lambda one: -(one.by_mm or 0.0))
    return ReleaseState(
        letter=release.letter,
        by=release.signed,
        at=release.at,
        side=release.side,
        sha256=release.sha256,
        has_sheet=True,
        differs=tuple(moved),
        readings_since=(),
    )


def _mm(value: float | None) -> str:
    return "not known" if value is None else fig(value, "mm")


def _rounds(drawing: Drawing) -> dict[str, Circle]:
    """The finished circle of each hole: of one cut small, the one it is machined to."""
    found: dict[str, Circle] = {}
    for entity in drawing.entities:
        if isinstance(entity, Circle) and entity.part != "outline":
            best = found.get(entity.part)
            if best is None or (best.layer.value == "CUT" and entity.radius_mm > best.radius_mm):
                found[entity.part] = entity
    return found


def _name(part: str) -> str:
    return part.split(":")[-1]


def _moved_holes(then: Drawing, now: Drawing) -> list[Moved]:
    before, after = _rounds(then), _rounds(now)
    moved = []
    for part in [*before, *(part for part in after if part not in before)]:
        old, new = before.get(part), after.get(part)
        if old is None or new is None:
            says = f"{_name(part)} is {'new' if old is None else 'gone'}"
            moved.append(Moved(feature=_name(part), says=says, by_mm=None))
            continue
        by_mm = math.hypot(new.x_mm - old.x_mm, new.y_mm - old.y_mm)
        if by_mm > SAME_MM:
            moved.append(Moved(feature=_name(part), says=f"{_name(part)} moved {fig(by_mm, 'mm', 2)}", by_mm=by_mm))
        grown_mm = 2 * (new.radius_mm - old.radius_mm)
        if abs(grown_mm) > SAME_MM:
            says = f"{_name(part)} was Ø{fig(2 * old.radius_mm, 'mm', 2)}, is Ø{fig(2 * new.radius_mm, 'mm', 2)}"
            moved.append(Moved(feature=_name(part), says=says, by_mm=abs(grown_mm)))
    return moved


def _made_otherwise(then: Drawing, now: Drawing, told: set[str]) -> list[Moved]:
    """Threads, counterbores, fits and depths stand in words beside what they are of; slots and reliefs are paths."""
    before, after = _making(then), _making(now)
    moved = []
    for part in [*before, *(part for part in after if part not in before)]:
        name, old, new = _name(part), before.get(part), after.get(part)
        if name in told or old == new:
            continue
        if old is None or new is None:
            says = f"{name} is {'new' if old is None else 'gone'}"
        elif old.words != new.words:
            says = f"{name} was “{old.words}”, is “{new.words}”"
        else:
            says = f"{name} is of another shape"
        moved.append(Moved(feature=name, says=says, by_mm=None))
    return moved


@dataclass(frozen=True, slots=True, kw_only=True)
class _Making:
    """What is said of a hole, register or relief, and its outline where it is no circle."""

    words: str
    corners: tuple[tuple[float, float], ...]


def _making(drawing: Drawing) -> dict[str, _Making]:
    found: dict[str, _Making] = {}
    for entity in drawing.entities:
        if isinstance(entity, Punch | Circle) or not entity.part.startswith(MADE):
            continue
        one = found.setdefault(entity.part, _Making(words="", corners=()))
        if isinstance(entity, Text):
            found[entity.part] = replace(one, words=f"{one.words} {entity.text}".strip())
        else:
            corners = tuple((round(v.x_mm, 1), round(v.y_mm, 1)) for v in entity.vertices)
            found[entity.part] = replace(one, corners=one.corners + corners)
    return found


def _moved_outline(then: Drawing, now: Drawing) -> list[Moved]:
    before, after = _polygon(then), _polygon(now)
    if before is None or after is None:
        return []
    by_mm = float(before.exterior.hausdorff_distance(after.exterior))
    if by_mm <= 0.05:
        return []
    return [Moved(feature="outline", says=f"outline moved up to {fig(by_mm, 'mm', 2)}", by_mm=by_mm)]


def _polygon(drawing: Drawing) -> Polygon | None:
    outline = next((one for one in drawing.entities if isinstance(one, Path) and one.part == "outline"), None)
    return None if outline is None else _enclosed(tuple((v.x_mm, v.y_mm, v.bulge) for v in outline.vertices))


@lru_cache(maxsize=64)  # a frozen outline is compared again with every keystroke
def _enclosed(vertices: tuple[tuple[float, float, float], ...]) -> Polygon | None:
    corners = _flat([Vertex(x_mm=x, y_mm=y, bulge=bulge) for x, y, bulge in vertices])
    return None if len(corners) < 3 else Polygon(corners)


def _flat(vertices: Sequence[Vertex]) -> Floats:
    points: list[tuple[float, float]] = []
    for start, end in zip(vertices, [*vertices[1:], vertices[0]], strict=True):
        points.append((start.x_mm, start.y_mm))
        if not start.bulge:
            continue
        arc = arc_of(start, end)
        steps = max(int(abs(arc.sweep_deg) / ARC_STEP_DEG), 1)
        for k in range(1, steps):
            angle = math.radians(arc.start_deg + arc.sweep_deg * k / steps)
            points.append((arc.x_mm + arc.radius_mm * math.cos(angle), arc.y_mm + arc.radius_mm * math.sin(angle)))
    return np.array(points)


def _readings_since(then: Sequence[FrozenReading], now: Sequence[FrozenReading]) -> tuple[str, ...]:
    said = []
    for k, reading in enumerate(now):
        old = then[k] if k < len(then) else None
        name = f"{reading.label} {reading.kind}"
        if old is None or (old.label, old.kind) != (reading.label, reading.kind):
            said.append(f"{name}: {fig(reading.value_mm, 'mm', 2)}, taken since")
        elif abs(old.value_mm - reading.value_mm) > 1e-6:
            said.append(f"{name}: was {num(old.value_mm, 'mm', 2)}, is {fig(reading.value_mm, 'mm', 2)}")
        elif old.left_out != reading.left_out:
            said.append(f"{name}: {'left out' if reading.left_out else 'taken back in'} since")
    if len(then) > len(now):
        said.append(f"{len(then) - len(now)} readings fewer than then")
    return tuple(said)


def general_tolerance_mm(size_mm: float) -> float:
    """Return what a size may be off either way where the drawing gives no tolerance: ISO 2768-1, class m."""
    data = table("general_tolerances")
    at = min(bisect_left(data["to_mm"], size_mm), len(data["to_mm"]) - 1)
    return float(data["either_way_mm"][at])


def features_of(release: Release) -> tuple[Feature, ...]:
    """Return what is worth measuring on a delivered part: the long distances first, then what its fit hangs on."""
    return _features(release)


@kept(64)  # it was frozen, and is asked for at every keystroke
def _features(release: Release) -> tuple[Feature, ...]:
    if release.sizes:
        return tuple(_feature(release, "size", one.key, "") for one in release.sizes)
    rounds = _rounds(release.drawing)
    holes = {_name(part): circle for part, circle in rounds.items() if not part.startswith(MACHINED)}
    picked = _farthest_pairs(holes)
    kinds = [("inside", a, b) for a, b in picked]
    kinds += [("diameter", _name(part), "") for part in rounds if part.startswith(MACHINED)]
    kinds += [("thickness", "", "")] if release.thickness_mm else []
    return tuple(_feature(release, kind, a, b) for kind, a, b in kinds)


def _farthest_pairs(holes: dict[str, Circle]) -> list[tuple[str, str]]:
    """Pairs of holes, the farthest apart first, every hole once, so that none goes unmeasured by chance of order.

    Of very many holes only those farthest out are paired: what is far from the middle is far from something.
    """
    places = np.array([[hole.x_mm, hole.y_mm] for hole in holes.values()]).reshape(-1, 2)
    if len(places) < 2:
        return []
    out = np.argsort(-np.hypot(*(places - places.mean(axis=0)).T), kind="stable")[:MOST_PAIRED]
    kept = np.sort(out)
    names, places = [list(holes)[k] for k in kept.tolist()], places[kept]
    one, other = np.triu_indices(len(kept), k=1)
    apart = np.hypot(*(places[one] - places[other]).T)
    picked: list[tuple[str, str]] = []
    taken: set[int] = set()
    for k in np.argsort(-apart, kind="stable").tolist():
        i, j = int(one[k]), int(other[k])
        if i not in taken and j not in taken:
            picked.append((names[i], names[j]))
            taken |= {i, j}
        if len(picked) == SHOWN_FEATURES:
            break
    return picked


def _apart_mm(one: Circle, other: Circle) -> float:
    return math.hypot(one.x_mm - other.x_mm, one.y_mm - other.y_mm)


def _feature(release: Release, kind: str, a: str, b: str) -> Feature:
    expected_mm = expected_of(release, kind, a, b)
    if kind == "size":
        size = _size(release, a)
        return Feature(kind=kind, a=a, b=b, title=size.title, expected_mm=size.mm, allowed_mm=size.allowed_mm)
    title = {"diameter": f"Ø {a}", "thickness": "thickness"}.get(kind, f"{a}–{b} {kind}")
    return Feature(
        kind=kind, a=a, b=b, title=title, expected_mm=expected_mm, allowed_mm=general_tolerance_mm(expected_mm)
    )


def expected_of(release: Release, kind: str, a: str, b: str) -> float:
    """Return what a release has a feature at, mm.

    Raises:
        UnknownFeature: If it has no such hole, or no thickness.
    """
    if kind == "size":
        return _size(release, a).mm
    if kind == "thickness":
        if release.thickness_mm is None:
            raise UnknownFeature("thickness")
        return release.thickness_mm
    rounds = {_name(part): circle for part, circle in _rounds(release.drawing).items()}
    for name in (a,) if kind == "diameter" else (a, b):
        if name not in rounds:
            raise UnknownFeature(f"hole {name}" if name else "hole without a name")
    if kind == "diameter":
        return 2 * rounds[a].radius_mm
    apart_mm, both_mm = _apart_mm(rounds[a], rounds[b]), rounds[a].radius_mm + rounds[b].radius_mm
    return apart_mm + {"inside": -both_mm, "outside": both_mm}.get(kind, 0.0)


def _size(release: Release, key: str) -> FrozenSize:
    for one in release.sizes:
        if one.key == key:
            return one
    raise UnknownFeature(f"size {key}")


def _means(release: Release, measure: Measure, off_mm: float) -> str:
    """What a size that is off takes from the room that was left."""
    size = _size(release, measure.a) if measure.kind == "size" else None
    if size is None or size.left_mm is None or abs(off_mm) <= SAME_MM:
        return ""
    after = size.left_mm - abs(off_mm)
    if after < 0:
        return f"{size.left_of} runs out by {fig(-after, 'mm', 1)}: {fig(size.left_mm, 'mm', 1)} was left"
    return f"takes {fig(abs(off_mm), 'mm', 1)} of the {fig(size.left_mm, 'mm', 1)} {size.left_of} that was left"


def judged(release: Release, measures: Sequence[Measure]) -> tuple[FeatureRow, ...]:
    """Return a delivered part's measures against its release.

    Raises:
        UnknownFeature: If one names a hole that the release does not have.
    """
    rows = []
    for one in measures:
        feature = _feature(release, one.kind, one.a, one.b)
        off_mm = one.reading.mm - feature.expected_mm
        rows.append(
            FeatureRow(
                feature=feature.title,
                expected_mm=feature.expected_mm,
                measured_mm=one.reading.mm,
                off_mm=off_mm,
                allowed_mm=feature.allowed_mm,
                verdict=_verdict(abs(off_mm), feature.allowed_mm),
                means=_means(release, one, off_mm),
            )
        )
    return tuple(rows)


def _verdict(off_mm: float, allowed_mm: float) -> Verdict:
    if off_mm * TIGHT_SHARE <= allowed_mm:
        return Verdict.HOLDS
    return Verdict.TIGHT if off_mm <= allowed_mm else Verdict.FAILS


def incoming_states(records: BuildRecords, part: str) -> tuple[IncomingState, ...]:
    """Return the deliveries of a part, the newest first."""
    return tuple(
        state
        for one in reversed(records.incoming)
        if one.part == part and (state := _incoming_state(records, one)) is not None
    )


def _incoming_state(records: BuildRecords, one: Incoming) -> IncomingState | None:
    release = next((r for r in records.releases if (r.part, r.letter) == (one.part, one.letter)), None)
    if release is None:
        return None
    return IncomingState(
        letter=one.letter,
        by=one.signed,
        at=one.at,
        accepted=one.accepted,
        why=one.why,
        rows=judged(release, one.measures),
    )
