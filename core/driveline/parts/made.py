"""A made part: flat, cut from sheet and seen from either side. Any bench can have some; none is known here by name."""

from dataclasses import dataclass, field
from functools import cached_property
from typing import Final

from driveline.drawing.hole import PlateHole
from driveline.drawing.plate import Bend
from driveline.flat.holes import Disc, Ligament, ligaments
from driveline.flat.outline import Edge, OutlineVertex
from driveline.flat.relief import Cutout
from driveline.flat.seats import Seat, SeatKind
from driveline.parts.records import FrozenReading
from driveline.tables.materials import PlateMaterial

FEWEST_HANDED: Final = 3  # holes: two run neither way round


@dataclass(frozen=True, slots=True, kw_only=True)
class Stock:
    """What a part is cut from, how, and how many."""

    number: str  # stated, else empty: the job's name stands for it
    quantity: int
    material: str  # in words, as stated
    made_of: PlateMaterial | None
    process: str
    kerf_mm: float  # put into the lines; 0 leaves it to the cutter
    sheet_mm: tuple[float, float] | None  # of the stock sheet

    @property
    def words(self) -> str:
        """The material in words."""
        return self.material or (self.made_of.words if self.made_of else "material not stated")


@dataclass(frozen=True, kw_only=True)
class FlatPart:
    """A flat part, seen from its first side."""

    key: str  # a slug, ``bench.part``; releases are kept by it
    title: str
    short: str  # after the number that is engraved; empty for a bench's first part
    holes: tuple[PlateHole, ...]
    edge: Edge
    vertices: tuple[OutlineVertex, ...]
    thickness_mm: float | None
    faces: tuple[str, str]  # what its two sides lie against
    sides: tuple[str, str]  # what they are called
    look_at: str  # what stands where it will, to tell a part from its mirror image: "gearbox"
    stock: Stock
    made_to: tuple[str, ...] = ()  # fits, depths and what else its checks count on, in words
    bends: tuple[Bend, ...] = ()
    labels: tuple[tuple[str, float, float], ...] = ()  # marked beside rows of holes: text, x, y
    sure_mm: dict[str, float | None] = field(default_factory=dict)  # 95 % semi-axis of each hole that was surveyed
    readings: tuple[FrozenReading, ...] = ()  # that it hangs on
    ligament_factor: float = 1.0  # of the larger hole, wanted between two
    seats: tuple[Seat, ...] = ()  # registers, in its first or its other side
    cutouts: tuple[Cutout, ...] = ()  # for what stands out of the faces
    owners: dict[str, str] = field(default_factory=dict)  # of holes and registers: what they are copied from

    @property
    def bench(self) -> str:
        """The bench that it is of."""
        return self.key.split(".")[0]

    @property
    def discs(self) -> tuple[Disc, ...]:
        """Its holes as ligaments count them: a counterbore is a hole, a slot many."""
        return tuple(
            Disc(h.id, x_mm, y_mm, h.takes_mm, is_bore=h.kind == "bore", owner=self.owners.get(h.id, ""))
            for h in self.holes
            for x_mm, y_mm in h.spots_mm
        )

    @property
    def seat_discs(self) -> tuple[Disc, ...]:
        """Its registers as holes, about the bore that they share their middle with."""
        return tuple(
            Disc(seat.id, 0.0, 0.0, seat.keeps_mm, is_bore=True, owner=self.owners.get(seat.id, ""))
            for seat in self.seats
            if not seat.goes_through(self.bore_mm)
        )

    @property
    def bore_mm(self) -> float:
        """Through it for the shaft, finished; 0 for none."""
        return max((hole.finished_mm for hole in self.holes if hole.kind == "bore"), default=0.0)

    @property
    def stock_mm(self) -> float | None:
        """How thick the sheet is that it is cut from: more than it is where spigots are turned on it."""
        if self.thickness_mm is None:
            return None
        spigots = [seat for seat in self.seats if seat.kind is SeatKind.SPIGOT]
        return self.thickness_mm + sum(max((s.out_mm for s in spigots if s.side == k), default=0.0) for k in (0, 1))

    @cached_property
    def ligaments(self) -> tuple[Ligament, ...]:
        """What is left between its holes, the least share of what is wanted first."""
        return ligaments((*self.discs, *self.seat_discs), factor=self.ligament_factor)

    @property
    def is_handed(self) -> bool:
        """Whether its numbered holes tell it from its mirror image."""
        return len(self.drilled) >= FEWEST_HANDED

    @property
    def drilled(self) -> tuple[PlateHole, ...]:
        """Its holes without the bore."""
        return tuple(hole for hole in self.holes if hole.kind != "bore")
