"""Where is the shaft's centre, by more than one route: each route alone, against all of them together."""

from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.checks import Result
from driveline.network import NetworkResult, solve_network
from driveline.network.align import laid_over
from driveline.network.datum import ellipses
from driveline.network.observations import CENTRE
from driveline.survey.readings import network_of, usable
from driveline.survey.sheet import AxisReading, PairReading, Survey, SurveyReading, SweepReading

RADII: Final = "radii from the holes"
SQUARES: Final = "square, trace or tangents"
SWEEPS: Final = "indicator sweep"


class CentreRoute(Result):
    """The shaft's centre by one route, from where all readings together put it; as seen from the survey's side."""

    name: str
    readings: int
    x_mm: float | None  # None: this route alone does not settle it
    y_mm: float | None
    apart_mm: float | None
    sure_mm: float | None  # 95 %


def centre_routes(survey: Survey, whole: NetworkResult) -> tuple[CentreRoute, ...]:
    """Return the routes to the shaft's centre side by side; none where there are fewer than two."""
    used = usable(survey)
    to_centre = {k: route for k in used if (route := _route_of(survey.readings[k]))}
    names = [name for name in (RADII, SQUARES, SWEEPS) if name in to_centre.values()]
    if len(names) < 2 or whole.loose:
        return ()
    rest = [k for k in used if k not in to_centre]
    return tuple(_route(survey, whole, name, rest, [k for k, of in to_centre.items() if of == name]) for name in names)


def _route_of(reading: SurveyReading) -> str | None:
    if isinstance(reading, PairReading):
        return RADII if CENTRE in (reading.a, reading.b) else None
    if isinstance(reading, SweepReading):
        return SWEEPS
    return SQUARES if isinstance(reading, AxisReading) and reading.a == CENTRE else None


def _route(survey: Survey, whole: NetworkResult, name: str, rest: list[int], own: list[int]) -> CentreRoute:
    solved = solve_network(network_of(survey, sorted([*rest, *own])))
    if CENTRE in solved.loose:
        return CentreRoute(name=name, readings=len(own), x_mm=None, y_mm=None, apart_mm=None, sure_mm=None)
    held = [hole.id for hole in survey.holes if hole.id not in solved.loose]
    x_mm, y_mm = _centre_seen(solved, whole, held)
    return CentreRoute(
        name=name,
        readings=len(own),
        x_mm=x_mm,
        y_mm=y_mm,
        apart_mm=float(np.hypot(x_mm, y_mm)),
        sure_mm=ellipses(solved.mean_mm2[None])[0].major_mm,
    )


def _centre_seen(solved: NetworkResult, whole: NetworkResult, held: list[str]) -> tuple[float, float]:
    """Where one solution has the shaft when its holes are laid on those of another."""
    laid = laid_over(_places(solved, held), _places(whole, held))
    return float(laid.shift_mm[0]), float(laid.shift_mm[1])  # the shaft is at 0, 0 of its own solution


def _places(solved: NetworkResult, held: list[str]) -> Floats:
    points = {point.id: (point.x_mm, point.y_mm) for point in solved.points}
    return np.array([points[name] for name in held])
