"""What placement takes from the benches ahead of it."""

from dataclasses import dataclass


@dataclass(frozen=True, slots=True, kw_only=True)
class PlacementNeeds:
    """What the layout and the gearing say of the unit."""

    has_outputs: bool  # drives the wheels of an axle through its own differential
    faces_end_for_end: bool | None  # as the gearing counts it; None: not said
    pump_is_one_way: bool | None  # a pump that its gears drive, which stops pumping against its usual way
