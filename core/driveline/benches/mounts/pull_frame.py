"""The gap that a weld pulls shut, and the frame that is cut."""

from dataclasses import dataclass
from typing import Final

import numpy as np

from driveline.benches.mounts.sheet import CutFrame, Pull, RailShape
from driveline.errors import ImpossibleInput
from driveline.metal.frames import Cell, FrameSection, Strip, frame_section, ratios_of
from driveline.metal.weld_pull import FEWEST, MOST_LEG, Pulled, at_bolt_mm, logs_to_halve, pull_mm, pulled
from driveline.sheet import positive_of, value_of

TILT_DEG: Final = 1.0  # of an upright ear with a fillet on one side: by the rule alone
STOCK_MM: Final = (0.5, 1.0)


@dataclass(frozen=True, kw_only=True)
class PullFound:
    """What a gap comes to."""

    rule_mm: float
    log: Pulled | None  # of as many welds as replace the rule
    closes_mm: float  # that is counted on
    range_mm: tuple[float, float]
    jig_mm: float  # gap that leaves the one wanted
    after_mm: tuple[float, float]  # with the gap that it is jigged at
    more_logs: int | None  # that would halve the range
    leg_is_small: bool  # so that the rule was measured so far


def pull_missing(pull: Pull) -> tuple[str, ...]:
    """Return what a gap lacks, in words."""
    wanted = (
        (pull.gap, "The gap wanted between the ears"),
        (pull.least, "The least gap that will do"),
        (pull.greatest, "The greatest gap that will do"),
        (pull.leg, "The leg of the weld at the ears' foot"),
        (pull.plate, "The thickness of the plate under the ears"),
        (pull.height, "How high the bolt is over the foot"),
    )
    half = (
        f"How far weld {k} of the log closed the gap, and how it tilted the ear"
        for k, one in enumerate(pull.log, start=1)
        if one.closed is None or one.tilt is None
    )
    return (*(text for reading, text in wanted if not positive_of(reading)), *half)


def solve_pull(pull: Pull) -> PullFound | None:
    """Return what the weld does to a gap; ``None`` while something of it is missing."""
    if pull_missing(pull):
        return None
    gap, leg, plate, height = (value_of(one) or 0.0 for one in (pull.gap, pull.leg, pull.plate, pull.height))
    rule = pull_mm(leg_mm=leg, plate_mm=plate, is_lap=pull.is_lap)
    closings = [at_bolt_mm(value_of(one.closed) or 0.0, value_of(one.tilt) or 0.0, height) for one in pull.log]
    log = pulled(closings) if len(closings) >= FEWEST else None
    if log is not None:
        closes, (low, high) = log.mean_mm, log.range_mm
    else:  # the foot closes by the rule; the ear may stay upright or tilt by the customary degree
        low, high = rule, at_bolt_mm(rule, TILT_DEG, height)
        closes = (low + high) / 2
    jig = positive_of(pull.jig) or gap
    return PullFound(
        rule_mm=rule,
        log=log,
        closes_mm=closes,
        range_mm=(low, high),
        jig_mm=gap + closes,
        after_mm=(jig - high, jig - low),
        more_logs=None if log is None else logs_to_halve(log, log.half_width_mm),
        leg_is_small=leg <= MOST_LEG * plate,
    )


@dataclass(frozen=True, kw_only=True)
class StationFound:
    """A place along a cut."""

    name: str
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

    stations: tuple[StationFound, ...]
    missing: tuple[str, ...]

    @property
    def weakest(self) -> StationFound | None:
        """The station that governs."""
        return min(self.stations, key=lambda one: one.least, default=None)


def solve_frame(frame: CutFrame) -> FrameFound:
    """Return what a cut leaves of a frame."""
    old, missing = _section(frame.old, "the rail as it was")
    stations, lacking = [], list(missing)
    if not frame.stations:
        lacking.append("The rail's section at a place along the cut")
    for one in frame.stations:
        new, missing = _section(one, f"the rail at {one.name}")
        lacking += missing
        if old is not None and new is not None:
            stations.append(StationFound(name=one.name, ratios=ratios_of(new, old)))
    return FrameFound(stations=tuple(stations), missing=tuple(lacking))


def _section(shape: RailShape, what: str) -> tuple[FrameSection | None, tuple[str, ...]]:
    breadth, depth, wall = (positive_of(one) for one in (shape.breadth, shape.depth, shape.wall))
    lid, under = value_of(shape.lid), value_of(shape.under)
    under_breadth = positive_of(shape.under_breadth)
    missing = [
        f"{word} of {what}"
        for word, value in (
            ("Breadth", breadth),
            ("Depth", depth),
            ("Wall", wall),
            ("What closes the top, 0 for open,", lid),
            ("The plate below, 0 for none,", under),
        )
        if value is None
    ]
    if under and under_breadth is None:
        missing.append(f"How broad the plate below is, of {what}")
    if missing or breadth is None or depth is None or wall is None or lid is None or under is None:
        return None, tuple(missing)
    if 2 * wall >= breadth or wall + lid >= depth:
        return None, (f"A wall below half of the breadth, of {what}",)
    web = depth - wall - lid
    strips = [
        Strip(x_mm=0.0, y_mm=0.0, breadth_mm=breadth, height_mm=wall),
        Strip(x_mm=0.0, y_mm=wall, breadth_mm=wall, height_mm=web),
        Strip(x_mm=breadth - wall, y_mm=wall, breadth_mm=wall, height_mm=web),
    ]
    if lid:
        strips.append(Strip(x_mm=0.0, y_mm=wall + web, breadth_mm=breadth, height_mm=lid))
    if under and under_breadth is not None:
        left = (breadth - under_breadth) / 2
        strips.append(Strip(x_mm=left, y_mm=-under, breadth_mm=under_breadth, height_mm=under, is_outside=True))
    try:
        return frame_section(strips, _cell(breadth, depth, wall, lid) if lid else None), ()
    except ImpossibleInput as error:
        return None, (f"A section that can be made, of {what}: {error}",)


def _cell(breadth: float, depth: float, wall: float, lid: float) -> Cell:
    left, right, low, high = wall / 2, breadth - wall / 2, wall / 2, depth - lid / 2
    corners = np.array([(left, low), (right, low), (right, high), (left, high)])
    return Cell(corners_mm=corners, walls_mm=np.array([wall, wall, lid, wall]))
