"""Survey readings as the network takes them: which observations each makes, and which of them a finding is about."""

from typing import Final

import numpy as np

from driveline.network import (
    Direction,
    Hole,
    IndicatorSweep,
    Kind,
    Network,
    Observation,
    Turning,
    indicator_sweep,
)
from driveline.network.observations import CENTRE
from driveline.reading.measure import TOOL_U_MM, Tool
from driveline.survey.sheet import AxisReading, PairReading, Survey, SurveyReading, SweepReading, SweepTurned

UNSTATED_U_MM: Final = {Kind.RADIUS: 0.3, Kind.X: 0.3, Kind.Y: 0.3}  # a combination square's transfer
CALIPER_U_MM: Final = 0.05
POINTED_U_MM: Final = 2.0  # how well the clock's start is laid towards a hole
HELD_U_MM: Final = 1e-3  # the shaft's centre is the sweep's own, by what a sweep is
EDGES: Final = {"low": -1, "centre": 0, "high": 1}
AT_BORE: Final = "bore for the shaft"  # a frame's name, and its observations' key
LEAST_DIAL: Final = 3


def network_of(survey: Survey, used: list[int]) -> Network:
    """Return the network of the readings with these numbers."""
    bore = _standing_bore(survey, used)
    return Network(
        holes=tuple(Hole(hole.id, hole.diameter.mm, hole.diameter.u_mm, hole.is_bore) for hole in survey.holes),
        observations=(*(one for k in used for one in _observations(survey.readings[k], k)), *bore),
        numbered=survey.numbered,
        direction=Direction(_direction_of(survey, used), survey.direction_at.deg),
        scaled_frames=tuple(survey.scaled_frames),
        pointed=(
            *((f"sweep {k}", one.towards) for k in used if isinstance(one := survey.readings[k], SweepReading)),
            *((AT_BORE, one.a) for one in bore if one.key.endswith(".to")),
        ),
    )


def _standing_bore(survey: Survey, used: list[int]) -> tuple[Observation, ...]:
    """The first bore about the shaft, where it is said how true they are and no dial says where they lie."""
    bore = next((hole.id for hole in survey.holes if hole.is_bore), None)
    hole = next((hole.id for hole in survey.holes if not hole.is_bore), None)
    true_mm = None if survey.bore_true is None else survey.bore_true.mm
    swept = any(isinstance(one := survey.readings[k], SweepReading) and one.a == bore for k in used)
    if bore is None or hole is None or not true_mm or swept:
        return ()
    return _at_centre(AT_BORE, AT_BORE, bore, hole, (0.0, 0.0), true_mm)


def usable(survey: Survey) -> list[int]:
    """Return the numbers of the readings that say where something is and are not left out."""
    return [k for k, one in enumerate(survey.readings) if not one.left_out and _says_where(one)]


def index_of(key: str) -> int | None:
    """Return which reading an observation is of; ``None`` for a diameter."""
    head = key.split(".")[0]
    return int(head) if head.isdigit() else None


def u_mm_of(reading: SurveyReading) -> tuple[float, bool]:
    """Return a reading's standard uncertainty, and whether it is a default: neither it nor the tool was stated."""
    if isinstance(reading, SweepReading):
        return sweep_u_mm(reading), False
    stated = reading.reading.u_mm
    if stated is not None:
        return stated, False
    return UNSTATED_U_MM.get(Kind(reading.kind), CALIPER_U_MM), True


def sweep_u_mm(reading: SweepReading) -> float:
    """Return how well a sweep finds the offset, along either axis: u √(2/n), u the dial's or what the fit leaves.

    Args:
        reading: With three places or more, else its dial's u stands for it.

    Source:
        σ √(2/n) for either axis, least squares of a cosine at n even places.
    """
    dial_mm = TOOL_U_MM[Tool.INDICATOR]
    if not _says_where(reading):
        return dial_mm
    left_mm = _sweep(reading).residual_mm
    return max(dial_mm, left_mm) * float(np.sqrt(2 / len(reading.dial)))


def sweep_offset_mm(reading: SweepReading) -> tuple[float, float]:
    """Return where a swept bore's or spigot's centre is from the shaft's, along and across the clock's start.

    In a bore the plunger reaches farthest, and reads least, where the bore's centre lies; round a spigot it reads most.

    Args:
        reading: With three places or more, not all on one side.

    Source:
        r(φ) = r₀ ± (x cos φ + y sin φ), least squares.
    """
    swept = _sweep(reading)
    sense = -1.0 if reading.surface == "bore" else 1.0
    return sense * swept.x_mm, sense * swept.y_mm


def _sweep(reading: SweepReading) -> IndicatorSweep:
    turn = 1.0 if reading.runs is Turning.ANTICLOCKWISE else -1.0
    return indicator_sweep([turn * one.clock.deg for one in reading.dial], [one.reading.mm for one in reading.dial])


def _says_where(reading: SurveyReading) -> bool:
    """A sweep under a standing dial finds what the part turned about, not the shaft's centre."""
    if not isinstance(reading, SweepReading):
        return True
    clocks = {round(one.clock.deg % 360, 3) for one in reading.dial}
    return reading.turned is SweepTurned.DIAL and len(clocks) >= LEAST_DIAL


def _direction_of(survey: Survey, used: list[int]) -> str:
    """The stated hole or frame, unless all readings in that frame are left out; else the first hole."""
    readings = [survey.readings[k] for k in used]
    frames = {one.frame for one in readings if isinstance(one, AxisReading)}
    ids = {hole.id for hole in survey.holes}
    stated = survey.direction_of
    return stated if stated and stated in ids | frames else survey.holes[0].id


def _observations(reading: SurveyReading, k: int) -> tuple[Observation, ...]:
    if isinstance(reading, SweepReading):
        return _sweep_observations(reading, k)
    u_mm, _ = u_mm_of(reading)
    kind, value_mm = Kind(reading.kind), reading.reading.mm
    if isinstance(reading, PairReading):
        return (Observation(key=str(k), kind=kind, a=reading.a, b=reading.b, value_mm=value_mm, u_mm=u_mm),)
    edge = EDGES[reading.edge]
    return (
        Observation(key=str(k), kind=kind, a=reading.a, value_mm=value_mm, u_mm=u_mm, frame=reading.frame, edge=edge),
    )


def _sweep_observations(reading: SweepReading, k: int) -> tuple[Observation, ...]:
    """A frame of the clock's own: the shaft at its origin, the swept centre at the offset, a hole on its axis."""
    return _at_centre(str(k), f"sweep {k}", reading.a, reading.towards, sweep_offset_mm(reading), sweep_u_mm(reading))


def _at_centre(
    key: str, frame: str, bore: str, towards: str, off_mm: tuple[float, float], u_mm: float
) -> tuple[Observation, ...]:
    """In a frame whose x axis runs from the shaft's centre towards a hole: the shaft at its origin, a bore beside."""
    places = [
        ("cx", Kind.X, CENTRE, 0.0, HELD_U_MM),
        ("cy", Kind.Y, CENTRE, 0.0, HELD_U_MM),
        ("x", Kind.X, bore, off_mm[0], u_mm),
        ("y", Kind.Y, bore, off_mm[1], u_mm),
        ("to", Kind.Y, towards, 0.0, POINTED_U_MM),
    ]
    return tuple(
        Observation(key=f"{key}.{name}", kind=kind, a=a, value_mm=value_mm, u_mm=u, frame=frame)
        for name, kind, a, value_mm, u in places
    )
