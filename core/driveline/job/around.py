"""What stands round the unit and its brackets, as the mounts ask it of the placement."""

from collections.abc import Callable
from functools import cached_property
from typing import Final

from driveline.arrays import Floats
from driveline.benches.mounts.needs import MetOnTheWay, NearBracket, NearestMoved
from driveline.benches.placement.beside import STILL_MM, BracketBody, beside_of
from driveline.benches.placement.gaps import Gap, tightest_moved
from driveline.benches.placement.lay_out import LaidPlacement
from driveline.benches.placement.sheet import PlacementSheet
from driveline.benches.placement.way_in import way_past
from driveline.memory import key_of
from driveline.space.bodies import Body
from driveline.space.pose import Placed

LEAST_WANTED_MM: Final = 10.0
NEAR_MM: Final = 25.0  # beyond what is wanted, with the unit moved by a load: of no interest


class Around:
    """What stands round the unit where it is placed; told apart by the sheet that says so."""

    def __init__(self, sheet: PlacementSheet, laid: LaidPlacement, find_at_rest: Callable[[], tuple[Gap, ...]]) -> None:
        self._sheet, self._laid, self._find_at_rest = sheet, laid, find_at_rest

    def __reduce__(self) -> tuple[type[str], tuple[str]]:
        return str, (key_of(self._sheet),)

    def least_share(self, move_mm: float) -> float:
        """Return what the tightest gap's share of what is wanted can be at the least, no point moved farther."""
        shares = ((one.gap_mm - move_mm) / one.wanted_mm for one in self._at_rest)
        return min(shares, default=1.0 + (NEAR_MM - move_mm) / LEAST_WANTED_MM)

    @cached_property
    def _at_rest(self) -> tuple[Gap, ...]:
        return self._find_at_rest()

    def nearest(self, move: Placed, move_mm: float) -> NearestMoved | None:
        """Return what is tightest for its wanted gap with the unit moved from its place, no point of it farther."""
        chosen = self._laid.chosen
        if chosen is None or chosen.placed is None:
            return None
        placed = chosen.placed.moved(move)
        gap = tightest_moved(self._sheet, self._laid, self._at_rest, placed, move_mm=move_mm, near_mm=NEAR_MM)
        if gap is None:
            return None
        other = gap.other.sheet.name if gap.other else "the ground"
        return NearestMoved(unit_body=gap.unit.sheet.name, other=other, gap_mm=gap.gap_mm, wanted_mm=gap.wanted_mm)

    def beside(
        self, whole: Body, off_root: Body, *, roots_mm: tuple[Floats, ...], tip_mm: Floats | None
    ) -> NearBracket:
        """Return what a bracket stands on, and what it comes nearest to for what is wanted.

        Args:
            whole: Its outside.
            off_root: Without its root, to be held against what a scan shows.
            roots_mm: Where it is welded or bolted to the vehicle.
            tip_mm: Where it holds the unit, if it does itself.
        """
        bracket = BracketBody(whole=whole, off_root=off_root, roots_mm=roots_mm, tip_mm=tip_mm)
        stands_on, gaps = beside_of(self._sheet, self._laid, bracket)
        if not gaps:
            return NearBracket(stands_on=stands_on, other="", gap_mm=None, wanted_mm=STILL_MM)
        first = gaps[0]
        return NearBracket(
            stands_on=stands_on,
            other=first.other,
            gap_mm=first.gap_mm,
            wanted_mm=first.wanted_mm,
            taken_mm=first.taken_mm,
        )

    def met_by(self, bracket: Body) -> MetOnTheWay:
        """Return whether the unit meets a bracket that is there before it."""
        past = way_past(self._sheet, self._laid, bracket)
        met = next((one for one in past.steps if one.contact_at is not None), None)
        step, part = (None, "") if met is None else (met.step, met.part)
        return MetOnTheWay(step=step, part=part, missing=past.missing)
