"""What the Ratios bench hands out."""

from driveline.benches.ratios.as_it_was import WasResult
from driveline.benches.ratios.candidates import Candidate, Climb, Cloud, Must
from driveline.benches.ratios.mend import Alternative, Mend
from driveline.benches.ratios.spreads import SpreadsResult
from driveline.benches.ratios.standing import SafetyView
from driveline.checks import Result
from driveline.results import ToDo


class RatiosResult(Result):
    """The candidates, with what they are drawn against."""

    count: int
    unbeaten: int
    candidates: tuple[Candidate, ...]  # chosen, pinned, those that nothing beats, others: as many as are shown whole
    cloud: Cloud | None
    musts: tuple[Must, ...]
    not_judged: tuple[str, ...]  # what it must do besides, for which a figure is still missing
    speed_kmh: list[float]
    resistance_nm: list[float] | None
    hill_resistance_nm: list[float] | None
    slip_nm: float | None
    cruise_kmh: float
    wanted_top_kmh: float | None
    chosen: str | None
    reason: str
    climb: Climb | None
    was: WasResult | None
    spreads: SpreadsResult | None
    mend: Mend | None
    alternatives: tuple[Alternative, ...]
    queries: tuple[str, ...]
    safety: SafetyView
    to_do: tuple[ToDo, ...]
