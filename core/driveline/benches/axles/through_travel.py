"""What a shaft does over all that its wheel and its unit do: length, plunge and angles, and the worst place of each."""

import math
from collections.abc import Mapping
from dataclasses import dataclass
from functools import cached_property
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.axles.ends import AT_REST, End
from driveline.benches.axles.results import TradePoint
from driveline.benches.axles.sheet import Axle, Bar, InnerJoint, InnerKind
from driveline.sheet import positive_of, value_of
from driveline.suspension.envelope import Envelope, best_length_mm, room_mm
from driveline.suspension.travel import (
    INNER_BALL_DEG,
    INNER_BALL_MM,
    INNER_TRIPOD_DEG,
    INNER_TRIPOD_MM,
    OUTER_FIXED_DEG,
    Scan,
    lines_at,
    scan_travel,
)

USUAL: Final = {InnerKind.TRIPOD: (INNER_TRIPOD_DEG, INNER_TRIPOD_MM), InnerKind.BALL: (INNER_BALL_DEG, INNER_BALL_MM)}
LEAST_MM: Final = 1e-9
TRADED_MM: Final = (-30.0, -20.0, -10.0, 0.0, 10.0, 20.0, 30.0)


@dataclass(frozen=True, slots=True, kw_only=True)
class At:
    """A place of a scan, in words, and what it has there."""

    height_mm: float
    lock_deg: float
    move: str
    value: float

    @property
    def is_straight(self) -> bool:
        """Whether the wheel points straight ahead."""
        return self.lock_deg == 0


@dataclass(frozen=True, slots=True, kw_only=True)
class Tightest:
    """A place of a scan with the plunge taken there, what the bar is made to among it, and the plunge that there is."""

    at: At  # its length
    inner_deg: float
    taken_mm: float
    allowed_mm: float

    @property
    def left_mm(self) -> float:
        """What is left; below nought it is past its end."""
        return self.allowed_mm - self.taken_mm


@dataclass(frozen=True, kw_only=True)
class Travelling:
    """A side's shaft over its whole travel."""

    end: End
    scan: Scan
    envelope: Envelope | None
    best_mm: float | None  # centre to centre at mid plunge
    best_bar_mm: float | None  # seat to seat
    chosen_mm: float | None  # centre to centre at mid plunge, of the bar that was chosen
    made_to_mm: float  # the bar's length, either way; 0 while that is not known
    strap_mm: float | None  # the droop down to which its inner joint holds; None: not even at ride

    @property
    def row_at_ride(self) -> int:
        """The row of ride height."""
        return int(np.abs(self.scan.heights_mm).argmin())

    @property
    def lock_ahead(self) -> int:
        """The column of straight ahead."""
        return int(np.abs(self.scan.locks_deg).argmin())

    def ride_deg(self) -> tuple[float, float]:
        """Return the inner and the outer joint's angle at ride, straight ahead, the unit at rest."""
        row, lock = self.row_at_ride, self.lock_ahead
        return float(self.scan.inner_deg[row, lock, 0]), float(self.scan.outer_deg[row, lock, 0])

    def standing_deg(self, heights_mm: Mapping[str, float]) -> tuple[str, float, float]:
        """Return at which of the named heights a joint is bent most, straight ahead, and both joints' angles there.

        Raises:
            ImpossibleInput: If the arc does not reach one of them.
        """
        scan = scan_travel(self.end.corner, np.array(list(heights_mm.values())), np.zeros(1), np.zeros((1, 3)))
        inner, outer = scan.inner_deg[:, 0, 0], scan.outer_deg[:, 0, 0]
        worst = int(np.maximum(inner, outer).argmax())
        return list(heights_mm)[worst], float(inner[worst]), float(outer[worst])

    def lines_at(self, at: At) -> tuple[Floats, Floats, Floats]:
        """Return which way shaft, output and spindle point at a place of the scan, (3,) each."""
        row = self.end.moves.names.index(at.move)
        shift, turn = self.end.moves.shifts_mm[row], self.end.moves.turns[row]
        return lines_at(self.end.corner, height_mm=at.height_mm, lock_deg=at.lock_deg, move_mm=shift, turn=turn)

    def lines_standing(self, height_mm: float) -> tuple[Floats, Floats, Floats]:
        """Return the same at a height from ride, straight ahead, the unit at rest."""
        return lines_at(self.end.corner, height_mm=height_mm, lock_deg=0.0, move_mm=np.zeros(3), turn=np.eye(3))

    def worst_of(self, values: Floats) -> At:
        """Return where values of this scan are greatest."""
        return self.at(int(values.argmax()), values)

    @property
    def middle_mm(self) -> float | None:
        """Centre to centre at mid plunge, of the bar that is judged: the chosen one, else the best."""
        return self.chosen_mm if self.chosen_mm is not None else self.best_mm

    @cached_property
    def tightest(self) -> "Tightest | None":
        """Where the plunge that the joint has is the least share of the plunge taken."""
        if self.envelope is None or self.middle_mm is None:
            return None
        allowed = self.envelope.plunge_at(self.scan.inner_deg).ravel()
        taken = np.abs(self.scan.length_mm.ravel() - self.middle_mm) + self.made_to_mm
        row = int((allowed / np.maximum(taken, LEAST_MM)).argmin())
        return Tightest(
            at=self.at(row, self.scan.length_mm),
            inner_deg=float(self.scan.inner_deg.ravel()[row]),
            taken_mm=float(taken[row]),
            allowed_mm=float(allowed[row]),
        )

    def at(self, flat: int, values: Floats) -> At:
        """Return a place of this scan by its row."""
        row, lock, move = (int(one) for one in np.unravel_index(flat, values.shape))
        return At(
            height_mm=float(self.scan.heights_mm[row]),
            lock_deg=float(self.scan.locks_deg[lock]),
            move=self.end.moves.names[move],
            value=float(values[row, lock, move]),
        )


def envelope_of(joint: InnerJoint) -> Envelope | None:
    """Return what the inner joint takes up: its maker's figures, else at best the usual ones of its kind."""
    usual = USUAL[joint.kind] if joint.kind else (None, None)
    angle, plunge = positive_of(joint.angle) or usual[0], positive_of(joint.plunge) or usual[1]
    if angle is None or plunge is None:
        return None
    bent = value_of(joint.plunge_bent)
    return Envelope(((0.0, plunge), (angle, plunge if bent is None else min(bent, plunge))))


def outer_limit_deg(axle: Axle) -> float:
    """Return the outer joint's greatest angle: its maker's, else the usual one."""
    return positive_of(axle.outer.angle) or OUTER_FIXED_DEG


def seats_mm(bar: Bar) -> float | None:
    """Return what both joints add to a bar between their centres."""
    inner, outer = value_of(bar.inner_seat), value_of(bar.outer_seat)
    return None if inner is None or outer is None else inner + outer


def travelling(end: End, joint: InnerJoint, bar: Bar) -> Travelling:
    """Return what a side's shaft does."""
    scan = _scanned(end, end.heights_mm(end.droop_mm))
    envelope, seats, length = envelope_of(joint), seats_mm(bar), positive_of(bar.length)
    chosen = None if length is None or seats is None else length + seats
    best = best_bar = strap = None
    if envelope is not None:
        allowed = envelope.plunge_at(scan.inner_deg)
        best = best_length_mm(scan.length_mm, allowed)
        best_bar = None if seats is None else best - seats
        strap = _strap_mm(end, envelope, chosen)
    return Travelling(
        end=end,
        scan=scan,
        envelope=envelope,
        best_mm=best,
        best_bar_mm=best_bar,
        chosen_mm=chosen,
        made_to_mm=value_of(bar.made_to) or 0.0,
        strap_mm=strap,
    )


def _scanned(end: End, heights_mm: Floats) -> Scan:
    return scan_travel(end.corner, heights_mm, end.locks_deg, end.moves.shifts_mm, end.moves.turns)


def _strap_mm(end: End, envelope: Envelope, chosen_mm: float | None) -> float | None:
    """The deepest droop, in whole mm, down to which no angle or plunge of the inner joint is past its limit."""
    heights = end.heights_mm(end.unstrapped_mm)
    scan = _scanned(end, heights)
    allowed = envelope.plunge_at(scan.inner_deg)
    from_top = heights.argsort()[::-1]
    for many in range(len(heights), 0, -1):
        rows = from_top[:many]
        if heights[rows].min() > 0:
            return None
        lengths, plunge = scan.length_mm[rows], allowed[rows]
        length = best_length_mm(lengths, plunge) if chosen_mm is None else chosen_mm
        is_within = float(scan.inner_deg[rows].max()) <= envelope.angle_deg
        if is_within and room_mm(lengths, plunge, length_mm=length) >= 0:
            return float(math.floor(-heights[rows].min()))
    return None


def place_words(at: At) -> tuple[str, ...]:
    """Return what is said of a place beside its height: lock and load."""
    found = []
    if not at.is_straight:
        found.append("left lock" if at.lock_deg > 0 else "right lock")
    if at.move != AT_REST:
        found.append(at.move)
    return tuple(found)


def traded(end: End, envelope: Envelope, way: Floats) -> tuple[TradePoint, ...]:
    """Return what moving the unit along a direction, (3,), makes of a side, the unit at rest."""
    heights = end.heights_mm(end.droop_mm, many=21)
    shifts = np.outer(TRADED_MM, way)
    scan = scan_travel(end.corner, heights, end.locks_deg, shifts)
    allowed = envelope.plunge_at(scan.inner_deg)
    found = []
    for k, by in enumerate(TRADED_MM):
        lengths, plunge = scan.length_mm[:, :, k], allowed[:, :, k]
        length = best_length_mm(lengths, plunge)
        left = room_mm(lengths, plunge, length_mm=length)
        greatest = float(scan.inner_deg[:, :, k].max())
        found.append(TradePoint(by_mm=by, greatest_deg=round(greatest, 2), left_mm=round(left, 2)))
    return tuple(found)
