"""The Line: speed, torque and tightest margin at every station, over road speed, for each case of driving."""

from typing import Final, Literal

import numpy as np
from numpy.typing import NDArray

from driveline.arrays import Floats
from driveline.benches.ratios.driving_cases import driving_cases
from driveline.benches.ratios.gearing import Gearing, Lane, lane_slip_nm, peak_nm, radius_m, stage_word
from driveline.checks import TIGHT_SHARE, Result
from driveline.gearing.brief import Brief
from driveline.gearing.chain import Stage, StageKind
from driveline.gearing.design import DesignTorque, design_torques, slip_motor_nm
from driveline.gearing.road import KMH_PER_MS
from driveline.gearing.sweep import Figures, TopSpeedBy
from driveline.results import rounded, rounded_array
from driveline.shafts.coupler import DYNAMIC_FACTOR, CouplerStyle

MOST_SPEEDS: Final = 100
GREATEST_MARGIN_SHOWN: Final = 99.0
BENCH_OF: Final = {"motor": "brief", "wheel": "brief"}
TRUNK: Final = "trunk"
Way = Literal["trunk", "front", "rear"]


class Station(Result):
    """A place on the Line. Torques are at its input; a wheel's are the total of one axle."""

    key: str  # its kind, after "front." or "rear." where the Line has branched
    kind: str
    way: Way
    title: str
    bench: str
    ratio: float
    efficiency: float
    efficiency_is_default: bool
    sense: int | None
    rating_nm: float | None
    greatest_rpm: float | None
    motor_limited_nm: float
    slip_limited_nm: float | None
    overrun_nm: float | None
    wind_up_nm: float | None
    design_nm: float
    governed_by: str
    is_limited: bool  # every limit that is asked of it is known


class Case(Result):
    """Torques and tightest margins of one case of driving; per station a figure per road speed."""

    key: str
    title: str
    about: str
    torque_nm: tuple[list[float | None], ...]
    margin: tuple[list[float | None], ...]
    verdict: tuple[str, ...]  # a letter per road speed: h, t, f; ? while a limit or torque is not known, - out of reach
    road_n: list[float | None]


class Tick(Result):
    """A limit on the slider, where it bites."""

    kmh: float
    text: str


class Line(Result):
    """The driveline over road speed. The trunk's stations come first, then each branch from its split to its wheels."""

    candidate: str
    is_chosen: bool
    speed_kmh: list[float]
    rpm: tuple[list[float], ...]
    stations: tuple[Station, ...]
    cases: tuple[Case, ...]
    ticks: tuple[Tick, ...]
    top_kmh: float
    top_set_by: str


class _Place:
    """A station with what turns it into rows: its lane, and its place in the lane's chain (-1: the motor itself)."""

    def __init__(self, lane: Lane, k: int, stage: Stage, way: Way, design: DesignTorque) -> None:
        self.lane, self.k, self.stage, self.way, self.design = lane, k, stage, way, design
        self.kind = "motor" if k < 0 else "wheel" if k == len(lane.chain.stages) else stage.kind.value

    @property
    def row(self) -> int:
        """Its row in the chain's tables: the motor has the figures of the first stage's input."""
        return max(self.k, 0)

    def station(self) -> Station:
        """What the screen is told of it."""
        stage = self.stage
        return Station(
            key=self.kind if self.way == TRUNK else f"{self.way}.{self.kind}",
            kind=self.kind,
            way=self.way,
            title=stage.title,
            bench=BENCH_OF.get(self.kind, "ratios"),
            ratio=stage.ratio,
            efficiency=stage.efficiency,
            efficiency_is_default=stage.efficiency_is_default,
            sense=stage.sense,
            rating_nm=stage.rating_nm,
            greatest_rpm=stage.greatest_input_rpm,
            motor_limited_nm=self.design.motor_limited_nm,
            slip_limited_nm=self.design.slip_limited_nm,
            overrun_nm=self.design.overrun_nm,
            wind_up_nm=self.design.wind_up_nm,
            design_nm=self.design.design_nm,
            governed_by=self.design.governed_by,
            is_limited=self.kind not in ("coupler", "wheel") and stage.is_limited,
        )


def solve_line(one: Gearing, figures: Figures, brief: Brief, *, coupler: CouplerStyle | None, is_chosen: bool) -> Line:
    """Return the Line of one gearing.

    Cases that need a figure which is not known are left out.

    Args:
        one: What stands in the lanes.
        figures: Of this gearing, one row.
        brief: The vehicle and its motors.
        coupler: For the dynamic factor.
        is_chosen: Whether it is the choice or only shown.
    """
    greatest_kmh = one.greatest_kmh
    step_kmh = max(1.0, np.ceil(greatest_kmh * 1.05 / MOST_SPEEDS))
    speed_kmh = np.arange(0, greatest_kmh * 1.05 + step_kmh, step_kmh)
    places = _places(one, brief, coupler)
    stations = tuple(place.station() for place in places)
    rpm = np.stack([_rpm(one, place, speed_kmh / KMH_PER_MS) for place in places])
    in_reach = speed_kmh <= greatest_kmh * (1 + 1e-9)
    top_text = top_set_by(one, figures)
    return Line(
        candidate=one.key,
        is_chosen=is_chosen,
        speed_kmh=rounded(speed_kmh),
        rpm=tuple(rounded_array(rpm, 4).tolist()),
        stations=stations,
        cases=tuple(
            _case(
                key,
                title,
                about,
                _torques(places, motor_nm, is_overrun=key == "overrun"),
                stations,
                rpm,
                places,
                in_reach,
            )
            for key, title, about, motor_nm in driving_cases(one, brief, speed_kmh)
        ),
        ticks=_ticks(one, float(figures.falls_from_kmh[0]), float(figures.top_kmh[0]), top_text),
        top_kmh=float(figures.top_kmh[0]),
        top_set_by=top_text,
    )


def stations_of(one: Gearing, brief: Brief, coupler: CouplerStyle | None) -> tuple[Station, ...]:
    """Return the stations of one gearing with their design torques."""
    return tuple(place.station() for place in _places(one, brief, coupler))


def station_designs(lane: Lane, one: Gearing, brief: Brief, coupler: CouplerStyle | None) -> tuple[DesignTorque, ...]:
    """Return the design torque at each station of a lane, laden: the heaviest axle load governs ratings."""
    is_alone = len(one.lanes) == 1

    def slip_axle_nm(of: Lane) -> float | None:
        return lane_slip_nm(brief, is_front=of.is_front, is_alone=is_alone, rolling=of.rolling)

    others = [slip_axle_nm(o) and slip_motor_nm(o.chain, slip_axle_nm(o) or 0.0) for o in one.lanes if o is not lane]
    return design_torques(
        lane.chain,
        peak_nm=peak_nm(one.motors[lane.motor]),
        dynamic_factor=DYNAMIC_FACTOR[coupler or CouplerStyle.RIGID],
        slip_axle_nm=slip_axle_nm(lane),
        shared=0 if is_alone else lane.shared,
        other_slip_nm=others[0] if others else 0.0,
        overrun_nm=brief.overruns_nm[lane.motor],
        is_locked=one.is_locked,
    )


def _places(one: Gearing, brief: Brief, coupler: CouplerStyle | None) -> list[_Place]:
    found = []
    has_branches = len(one.lanes) > 1
    for n, lane in enumerate(one.lanes):
        designs = station_designs(lane, one, brief, coupler)
        stages = lane.chain.stages
        motor = one.motors[lane.motor]
        motor_stage = Stage(
            kind=StageKind.DRIVE_UNIT,
            title="Motor" if not lane.motor else "Front motor",
            rating_nm=peak_nm(motor),
            greatest_input_rpm=motor.greatest_rpm,
        )
        wheel = Stage(kind=StageKind.AXLE, title="Wheels")
        own: Way = ("front" if lane.is_front else "rear") if has_branches else "trunk"
        for k, stage in enumerate((motor_stage, *stages, wheel), start=-1):
            is_shared = lane.shared > 0 and k < lane.shared
            if is_shared and n:
                continue
            way: Way = "trunk" if is_shared else own
            found.append(_Place(lane, k, stage, way, designs[max(k, 0)]))
    return found


def _rpm(one: Gearing, place: _Place, speed_ms: Floats) -> Floats:
    """Speed at a place. Past a centre differential each side turns as its own wheels do."""
    divisors = place.lane.chain.speed_divisors()
    is_shared = place.k < place.lane.shared
    rpm_per_ms = one.rpm_per_ms(place.lane.motor) if is_shared else place.lane.rpm_per_ms
    rpm: Floats = speed_ms * rpm_per_ms / divisors[place.row]
    return rpm


def _torques(places: list[_Place], motor_nm: tuple[Floats, ...], *, is_overrun: bool) -> Floats:
    """Torque at each place's input for motor torques over road speed, (places, n)."""
    rows = []
    for place in places:
        chain = place.lane.chain
        multipliers = chain.overrun_multipliers() if is_overrun else chain.driving_multipliers()
        rows.append(multipliers[place.row] * motor_nm[place.lane.motor])
    return np.stack(rows)


def _case(
    key: str,
    title: str,
    about: str,
    torque_nm: Floats,
    stations: tuple[Station, ...],
    rpm: Floats,
    places: list[_Place],
    in_reach: NDArray[np.bool_],
) -> Case:
    margins = _margins(stations, torque_nm, rpm)
    road_n = sum(
        row / radius_m(place.lane.rolling)
        for row, place in zip(torque_nm, places, strict=True)
        if place.kind == "wheel"
    )
    return Case(
        key=key,
        title=title,
        about=about,
        torque_nm=_figures(torque_nm, 4),
        margin=_figures(np.where(in_reach, margins, np.nan), 3),
        verdict=_verdict_letters(margins, torque_nm, in_reach, np.array([one.is_limited for one in stations])),
        road_n=_figures(np.atleast_2d(road_n), 4)[0],
    )


def _margins(stations: tuple[Station, ...], torque_nm: Floats, rpm: Floats) -> Floats:
    """Rating over torque or greatest speed over speed, whichever is less; NaN where neither is known or it can't go."""
    ratings = _known([station.rating_nm for station in stations])
    speeds = _known([station.greatest_rpm for station in stations])
    with np.errstate(divide="ignore", invalid="ignore"):
        tightest: Floats = np.fmin(ratings / np.abs(torque_nm), speeds / rpm)
    return np.where(np.isfinite(tightest), np.minimum(tightest, GREATEST_MARGIN_SHOWN), np.nan)


def _known(limits: list[float | None]) -> Floats:
    """A column of limits, NaN where one is not known."""
    return np.array([[np.nan if limit is None else limit] for limit in limits])


def _verdict_letters(
    margins: Floats, torque_nm: Floats, in_reach: NDArray[np.bool_], is_limited: NDArray[np.bool_]
) -> tuple[str, ...]:
    """The ledger's rule on every point of the Line: the worst of what is asked of a station, unknown included.

    Limits here already hold what is wanted, so that 1 is enough.
    """
    is_unknown = np.isnan(margins) | np.isnan(torque_nm) | ~is_limited[:, None]
    letters = np.select(
        [np.broadcast_to(~in_reach, margins.shape), margins < 1, is_unknown, margins < TIGHT_SHARE],
        ["-", "f", "?", "t"],
        "h",
    )
    return tuple("".join(row) for row in letters.tolist())


def _figures(values: Floats, digits: int) -> tuple[list[float | None], ...]:
    """Rows of figures, ``None`` where one is not known."""
    known = np.isfinite(values)
    figures = rounded_array(np.where(known, values, 0.0), digits).astype(object)
    figures[~known] = None
    return tuple(figures.tolist())


def shaft_limits(one: Gearing) -> tuple[Tick, ...]:
    """Return the road speed at which each stage reaches its greatest input speed."""
    found = []
    for n, lane in enumerate(one.lanes):
        divisors = lane.chain.speed_divisors().tolist()
        for k, (stage, divisor) in enumerate(zip(lane.chain.stages, divisors, strict=False)):
            if stage.greatest_input_rpm is None or (n and k < lane.shared):
                continue
            word = "propshaft 0.7 critical" if stage.kind is StageKind.PROPSHAFT else f"{stage_word(stage.kind)} limit"
            side = f"{lane.word} " if len(one.lanes) > 1 and k >= lane.shared else ""
            kmh = KMH_PER_MS * stage.greatest_input_rpm * divisor / lane.rpm_per_ms
            found.append(Tick(kmh=kmh, text=f"{side}{word}"))
    return tuple(found)


def top_set_by(one: Gearing, figures: Figures) -> str:
    """Return in words what sets the top speed."""
    cause = TopSpeedBy(int(figures.top_by[0]))
    if cause is TopSpeedBy.SHAFT:
        return min(shaft_limits(one), key=lambda tick: tick.kmh).text
    return "motor speed" if cause is TopSpeedBy.MOTOR else "drag"


def _ticks(one: Gearing, falls_kmh: float, top_kmh: float, top_text: str) -> tuple[Tick, ...]:
    is_whole = all(motor.peak_known_rpm >= motor.greatest_rpm for motor in one.motors)
    ticks = [Tick(kmh=top_kmh, text=f"{'top speed' if is_whole else 'top speed at best'}: {top_text}")]
    if is_whole:
        ticks.append(Tick(kmh=falls_kmh, text="torque falls"))
    ticks += [limit for limit in shaft_limits(one) if limit.text != top_text]
    if top_text != "motor speed":
        ticks.append(Tick(kmh=one.greatest_kmh, text="motor top speed"))
    return tuple(sorted((tick for tick in ticks if tick.kmh <= one.greatest_kmh * 1.05), key=lambda tick: tick.kmh))
