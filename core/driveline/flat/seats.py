"""Registers as metal: what each takes out of a plate, or stands out of it by, and what is left round it."""

from dataclasses import dataclass
from typing import Final

from driveline.words import Choice

LEAST_FLOOR_MM: Final = 3.0  # of plate under a bore that does not go through
LEAST_REACH_MM: Final = 3.0  # of the straight parts of spigot and bore in one another, else it only seems to locate
BEHIND_MM: Final = 0.5  # free past the end of a spigot, so that the faces meet and not it
SAME_MM: Final = 0.01  # diameters nearer than this are one


class SeatKind(Choice):
    """What a plate has for a register."""

    BORE = "bore", "a bore in the plate"
    SPIGOT = "spigot", "a spigot turned on the plate"
    RING = "ring", "a separate ring"


class Mate(Choice):
    """What it meets: the register of the motor's or the gearbox's own face."""

    SPIGOT = "spigot", "stands out: a spigot"
    BORE = "bore", "is sunk: a bore"


LEAST_WALL_MM: Final = {SeatKind.BORE: 0.0, SeatKind.SPIGOT: 5.0, SeatKind.RING: 3.0}


@dataclass(frozen=True, slots=True, kw_only=True)
class Ring:
    """A ring that is pressed into a bore of the plate."""

    outside_mm: float  # where it sits
    depth_mm: float  # how deep
    inside_mm: float | None  # what passes through it; about a spigot the register's own size


@dataclass(frozen=True, slots=True, kw_only=True)
class Seat:
    """A register in a flat part."""

    id: str  # such as ``R1``
    side: int  # of the part: 0 the first, 1 the other
    kind: SeatKind
    mate: Mate
    size_mm: float
    depth_mm: float  # of a bore; how far a spigot or ring stands out
    chamfer_mm: float
    ring: Ring | None = None
    fit: str = ""

    @property
    def hole_mm(self) -> float:
        """Diameter that it takes out of the plate; of a spigot 0."""
        if self.kind is SeatKind.SPIGOT:
            return 0.0
        return self.ring.outside_mm if self.ring else self.size_mm

    @property
    def into_mm(self) -> float:
        """How deep it goes into the plate."""
        if self.kind is SeatKind.SPIGOT:
            return 0.0
        return self.ring.depth_mm if self.ring else self.depth_mm

    @property
    def out_mm(self) -> float:
        """How far it stands out of the plate's face."""
        return self.depth_mm if self.mate is Mate.BORE else 0.0

    @property
    def keeps_mm(self) -> float:
        """Diameter inside which no other hole may come."""
        return max(self.size_mm, self.hole_mm)

    def goes_through(self, bore_mm: float) -> bool:
        """Return whether the bore through the plate is what it sits in."""
        return self.kind is not SeatKind.SPIGOT and abs(self.hole_mm - bore_mm) <= SAME_MM


@dataclass(frozen=True, slots=True, kw_only=True)
class MetalLeft:
    """A place where a register needs metal: a length less others, or half the difference of two diameters."""

    where: str
    from_mm: float
    less_mm: tuple[float, ...]
    is_radial: bool
    wanted_mm: float
    way_out: str

    @property
    def left_mm(self) -> float:
        """What is left there; below 0: there is none."""
        left = self.from_mm - sum(self.less_mm)
        return left / 2 if self.is_radial else left


def metal_left(seat: Seat, *, bore_mm: float, thickness_mm: float, other_into_mm: float) -> tuple[MetalLeft, ...]:
    """Return what metal a register leaves and needs in its plate, the worst first.

    Args:
        seat: The register.
        bore_mm: Through the plate, finished; 0 for none.
        thickness_mm: Of the plate.
        other_into_mm: How deep registers go in from the other side, without those that go through.

    Source:
        Sums of radii and of lengths; least walls and floor by workshop practice, since what is thinner springs under
        the tool or is pushed in by what it locates.
    """
    through = seat.goes_through(bore_mm)
    ring, found = seat.ring, []
    if seat.kind is not SeatKind.SPIGOT and not through:
        found.append(
            MetalLeft(
                where="beside the bore",
                from_mm=seat.hole_mm,
                less_mm=(bore_mm,),
                is_radial=True,
                wanted_mm=SAME_MM,
                way_out=_past_the_bore(seat),
            )
        )
        found.append(
            MetalLeft(
                where="of floor",
                from_mm=thickness_mm,
                less_mm=(seat.into_mm, other_into_mm),
                is_radial=False,
                wanted_mm=LEAST_FLOOR_MM,
                way_out="bore it shallower, take a thicker plate, or bore right through",
            )
        )
    if seat.kind is SeatKind.SPIGOT:
        way_out = "bore the plate smaller, or put a second plate on this side"
        found.append(_wall(seat, seat.size_mm, bore_mm, "of wall round the bore", way_out))
    elif ring is not None and seat.mate is Mate.SPIGOT:
        way_out = "seat the ring on a larger diameter"
        found.append(_wall(seat, ring.outside_mm, seat.size_mm, "of ring round the spigot", way_out))
    elif ring is not None:
        outside_mm, way_out = min(seat.size_mm, ring.outside_mm), "make the ring's inside smaller, or ream dowels"
        found.append(_wall(seat, outside_mm, ring.inside_mm or 0.0, "of ring", way_out))
    return tuple(sorted(found, key=lambda one: one.left_mm - one.wanted_mm))


def _wall(seat: Seat, outside_mm: float, inside_mm: float, where: str, way_out: str) -> MetalLeft:
    return MetalLeft(
        where=where,
        from_mm=outside_mm,
        less_mm=(inside_mm,),
        is_radial=True,
        wanted_mm=LEAST_WALL_MM[seat.kind],
        way_out=way_out,
    )


def _past_the_bore(seat: Seat) -> str:
    if seat.kind is SeatKind.RING:
        return "seat the ring in the bore itself, or on a larger diameter"
    return "press a ring into the bore, put a second plate on this side, or bore the plate smaller"


def held_mm(seat: Seat, mate_depth_mm: float) -> float:
    """Return how much of spigot and bore are straight in one another; below 0: they don't reach.

    Source:
        The shorter of both, less the chamfer at the mouth and at the spigot's end.
    """
    return min(seat.depth_mm, mate_depth_mm) - 2 * seat.chamfer_mm


def behind_mm(seat: Seat, mate_depth_mm: float, *, through_mm: float | None) -> float:
    """Return what is free past the spigot's end.

    Args:
        seat: The register.
        mate_depth_mm: How far the other's spigot stands out, or how deep its bore is.
        through_mm: Thickness of the plate, where the register goes right through it.

    Source:
        Depth of the bore less length of the spigot.
    """
    if seat.mate is Mate.BORE:
        return mate_depth_mm - seat.depth_mm
    return (seat.depth_mm if through_mm is None else through_mm) - mate_depth_mm
