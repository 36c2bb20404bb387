"""What still goes into a region: boxes of one size, and what they weigh."""

from driveline.benches.placement.lay_out import LaidPlacement
from driveline.benches.placement.results import PackedBlock, RoomFound
from driveline.benches.placement.sheet import PlacementSheet
from driveline.benches.placement.stands import at_of
from driveline.sheet import positive_of, value_of
from driveline.space.packing import packed
from driveline.space.spots import spot_mm


def room_of(sheet: PlacementSheet, laid: LaidPlacement) -> RoomFound | None:
    """Return how many boxes go into the stated region, and how they lie; ``None`` while a size is not given."""
    room = sheet.room
    corner, gap_mm = spot_mm(room.corner, laid.places), value_of(room.gap)
    sizes = [positive_of(one) for one in (room.length, room.width, room.height)]
    box = [positive_of(one) for one in (room.box_length, room.box_width, room.box_height)]
    known = [one for one in (*sizes, *box) if one is not None]
    if corner is None or gap_mm is None or len(known) < 6:
        return None
    blocks = packed(
        room_mm=(known[0], known[1], known[2]),
        box_mm=(known[3], known[4], known[5]),
        gap_mm=gap_mm,
        may_stand=room.may_stand,
    )
    count, kg = sum(block.count for block in blocks), value_of(room.box_mass)
    return RoomFound(
        corner_mm=at_of(corner),
        size_mm=(known[0], known[1], known[2]),
        count=count,
        mass_kg=None if kg is None else count * kg,
        blocks=tuple(
            PackedBlock(at_mm=at_of(corner + block.at_mm), counts=block.counts, box_mm=block.box_mm) for block in blocks
        ),
    )
