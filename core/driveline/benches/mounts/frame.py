"""The frame that is cut: what is left of it at each place along the cut, and what would make it whole again."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import product
from typing import Final

from driveline.benches.contract import Sought, SoughtField
from driveline.benches.mounts.brackets import STEEL
from driveline.benches.mounts.frame_folds import FoldsFound, folds_of
from driveline.benches.mounts.rails import Rail, rail_of
from driveline.benches.mounts.sheet import CutFrame, CutStation, RailKind
from driveline.figures import fig
from driveline.metal.frames import ratios_of
from driveline.sheet import Length, positive_of, value_of

PLATES_MM: Final = (0.0, 3.0, 4.0, 5.0, 6.0, 8.0, 10.0, 12.0)
SHOWN: Final = 4
DOUBLERS_MM: Final = (0.0, 3.0, 4.0, 5.0, 6.0)  # on each of its own walls
HEAD: Final = ("", "walls", "closed by", "below", "a metre", "left", "")
MM3_A_METRE: Final = 1000.0


@dataclass(frozen=True, kw_only=True)
class StationFound:
    """A place along a cut."""

    name: str
    rail: Rail
    ratios: dict[str, float]

    @property
    def least_is(self) -> str:
        """Which figure has lost most."""
        return min(self.ratios, key=lambda name: self.ratios[name])

    @property
    def least(self) -> float:
        """What is left of it."""
        return self.ratios[self.least_is]


@dataclass(frozen=True, kw_only=True)
class FrameFound:
    """A frame along its cut, as far as it is known."""

    old: Rail | None
    stations: tuple[StationFound, ...]
    missing: tuple[str, ...]
    folded: FoldsFound | None = None  # as it was
    folds: tuple[FoldsFound | None, ...] = ()  # at each place, none where it is not known
    folds_missing: tuple[str, ...] = ()  # beside what is missing of the sections

    @property
    def weakest(self) -> StationFound | None:
        """The station that governs."""
        return min(self.stations, key=lambda one: one.least, default=None)

    @property
    def folds_first(self) -> FoldsFound | None:
        """The place at which a wall folds at the least moment."""
        return min((one for one in self.folds if one), key=lambda one: one.moment_nm, default=None)


def solve_frame(frame: CutFrame) -> FrameFound:
    """Return what a cut leaves of a frame."""
    old, missing = rail_of(frame.old, "the rail as it was")
    stations, lacking = [], list(missing)
    if not frame.stations:
        lacking.append("The rail's section at a place along the cut")
    for one in frame.stations:
        new, missing = rail_of(one, f"the rail at {one.name}", frame.old)
        lacking += missing
        if old is not None and new is not None:
            stations.append(StationFound(name=one.name, rail=new, ratios=_left(new, old)))
    found = FrameFound(old=old, stations=tuple(stations), missing=tuple(lacking))
    return _with_folds(found, frame.yield_mpa)


def _with_folds(found: FrameFound, yield_mpa: float | None) -> FrameFound:
    if yield_mpa is None:
        return replace(found, folds_missing=("Yield of the rail's steel",))
    was = None if found.old is None else folds_of(found.old, "the rail as it was", yield_mpa)
    every = tuple(folds_of(one.rail, one.name, yield_mpa) for one in found.stations)
    alone = [station.name for station, one in zip(found.stations, every, strict=True) if one is None]
    if found.old is not None and was is None:
        alone.insert(0, "the rail as it was")
    missing = tuple(f"Plates that meet, at {name}: when a drawn one or a flat bar folds is not known" for name in alone)
    return replace(found, folded=was, folds=every, folds_missing=missing)


def _left(new: Rail, old: Rail) -> dict[str, float]:
    sideways = new.section.sideways_mm4 / old.section.sideways_mm4
    return {**ratios_of(new.section, old.section), "I across": sideways}


@dataclass(frozen=True, slots=True, kw_only=True)
class _Way:
    station: int
    name: str
    wall_mm: float
    lid_mm: float
    under_mm: float
    under_breadth_mm: float
    kg_per_m: float
    least: float

    @property
    def row(self) -> tuple[str, ...]:
        """Its line of the table."""
        return (
            self.name,
            fig(self.wall_mm, "mm", 0),
            fig(self.lid_mm, "mm", 0) if self.lid_mm else "open",
            fig(self.under_mm, "mm", 0) if self.under_mm else "none",
            fig(self.kg_per_m, "kg", 1),
            fig(100 * self.least, "%", 0),
            "",
        )

    @property
    def fields(self) -> Iterator[SoughtField]:
        """What to type."""
        at = f"mounts.frame.stations.{self.station}"
        yield SoughtField(field=f"{at}.wall", text=f"{self.wall_mm:g} mm")
        yield SoughtField(field=f"{at}.lid", text=f"{self.lid_mm:g} mm")
        yield SoughtField(field=f"{at}.under", text=f"{self.under_mm:g} mm")
        yield SoughtField(field=f"{at}.under_breadth", text=f"{self.under_breadth_mm:g} mm")


def frame_sought(frame: CutFrame, wanted: float) -> Sought:
    """Return what plates would leave each place along the cut as strong as is wanted, the lightest first."""
    old, _ = rail_of(frame.old, "")
    rows, fields, beaten = list[tuple[str, ...]](), list[SoughtField](), list[str]()
    for k, one in enumerate(frame.stations):
        if old is None or one.kind not in (RailKind.TROUGH, RailKind.CHANNEL):
            continue
        ways = sorted(_ways(k, one, old, wanted, frame.yield_mpa), key=lambda way: (way.kg_per_m, -way.least))
        if not ways:
            beaten.append(one.name)
            continue
        rows += [way.row for way in ways[:SHOWN]]
        fields += ways[0].fields
    says = "Plates that leave all of it as much as is wanted, the lightest first; walls as doubled by a plate on each. "
    says += "Taper their ends: no weld square across a flange. Who approves the cut approves these."
    if frame.is_heat_treated:
        says += " Of heat-treated steel: bolt them on, weld nothing."
    if not rows and not beaten:
        says = "Tried of troughs and channels alone: plates that are drawn one by one are thickened one by one."
    if beaten:
        none = f"No plate of {fig(PLATES_MM[-1], 'mm', 0)} or less does at {', '.join(beaten)}: leave more depth."
        says = f"{says} {none}" if rows else none
    return Sought(says=says, fields=tuple(fields), rows=(HEAD, *rows) if rows else ())


def _ways(k: int, one: CutStation, old: Rail, wanted: float, yield_mpa: float | None) -> Iterator[_Way]:
    """No thinner than what is there already."""
    lid_mm, under_mm = value_of(one.lid) or 0.0, value_of(one.under) or 0.0
    breadth, wall_mm = positive_of(one.breadth), positive_of(one.wall)
    if breadth is None or wall_mm is None:
        return
    under_breadth = positive_of(one.under_breadth) or breadth
    before, _ = rail_of(one.model_copy(update=_plated(wall_mm, lid_mm, under_mm, under_breadth)), "")
    for doubler, lid, under in product(DOUBLERS_MM, {lid_mm, *PLATES_MM}, {under_mm, *PLATES_MM}):
        if lid < lid_mm or under < under_mm:
            continue
        wall = wall_mm + doubler
        new, _ = rail_of(one.model_copy(update=_plated(wall, lid, under, under_breadth)), "")
        if new is None or before is None or not _makes_up(new, old, wanted, yield_mpa):
            continue
        added = (new.section.area_mm2 - before.section.area_mm2) * MM3_A_METRE * STEEL.density_kgm3 * 1e-9
        yield _Way(
            station=k,
            name=one.name,
            wall_mm=wall,
            lid_mm=lid,
            under_mm=under,
            under_breadth_mm=under_breadth,
            kg_per_m=added,
            least=min(_left(new, old).values()),
        )


def _makes_up(new: Rail, old: Rail, wanted: float, yield_mpa: float | None) -> bool:
    """Whether a section has all that is wanted; how its walls fold is left out while the steel is not known."""
    if min(_left(new, old).values()) < wanted:
        return False
    if yield_mpa is None:
        return True
    now, was = folds_of(new, "", yield_mpa), folds_of(old, "", yield_mpa)
    return now is not None and was is not None and now.moment_nm >= wanted * was.moment_nm


def _plated(wall_mm: float, lid_mm: float, under_mm: float, breadth_mm: float) -> dict[str, Length]:
    sizes = {"wall": wall_mm, "lid": lid_mm, "under": under_mm, "under_breadth": breadth_mm}
    return {name: Length.of_mm(size) for name, size in sizes.items()}
