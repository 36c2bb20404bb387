"""How sure the headline figures of a gearing are, and which measurement to make better.

Every measured figure is moved by its own standard uncertainty, up and down, all in one sweep.
"""

from collections.abc import Callable
from dataclasses import dataclass, replace
from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.ratios.gearing import Gearing, road_of
from driveline.checks import Result
from driveline.figures import fig
from driveline.gearing.brief import Brief, MeasuredShares
from driveline.gearing.road import Balance, Body, FrontPull
from driveline.gearing.sweep import Figures, Gearings, Road, road_figures
from driveline.results import COVERAGE_95, Assumed, rounded_figure

FIGURES: Final = (
    ("top_kmh", "top speed", "km/h"),
    ("s_0_50", f"0–{fig(50, 'km/h', 0)}", "s"),
    ("s_0_100", f"0–{fig(100, 'km/h', 0)}", "s"),
    ("hill_start_pct", "the laden hill start", "%"),
    ("grade_at_50_pct", f"the grade held at {fig(50, 'km/h', 0)}", "%"),
    ("cruise_rpm", "the motor at cruise", "rpm"),
)


class Share(Result):
    """How much of a figure's spread one measurement makes."""

    what: str
    share: float


class Spread(Result):
    """A figure with its 95 % interval from the measurements, and what makes it wide, the widest first."""

    figure: str
    title: str
    unit: str
    value: float
    plus_minus: float
    shares: tuple[Share, ...]


class SpreadsResult(Result):
    """The spreads of one gearing."""

    spreads: tuple[Spread, ...]
    measure_better: str
    assumed: tuple[Assumed, ...]


@dataclass(frozen=True, slots=True)
class _Input:
    """A measured figure: what it is called, its standard uncertainty, and where it goes."""

    what: str
    u: float
    field: str


def solve_spreads(one: Gearing, brief: Brief, measured: MeasuredShares) -> SpreadsResult:
    """Return the spread of each headline figure.

    Source:
        GUM 5.1: u² = Σ (∂f/∂x u)², by central differences over ±u; the inputs here are independent. Where a figure has
        a kink, as when something else comes to set the top speed, the larger of both sides is taken. Coverage 1.96.
    """
    inputs, assumed = _inputs(brief, measured)
    figures = _moved(one, brief, inputs)
    spreads = [s for key, title, unit in FIGURES if (s := _spread(key, title, unit, figures, inputs))]
    worst = max(spreads, key=lambda s: s.plus_minus / s.value if s.value else 0.0, default=None)
    return SpreadsResult(
        spreads=tuple(spreads),
        measure_better=f"Most of the ± on {worst.title} comes from the {worst.shares[0].what}."
        if worst and worst.shares
        else "",
        assumed=tuple(assumed),
    )


def _inputs(brief: Brief, measured: MeasuredShares) -> tuple[list[_Input], list[Assumed]]:
    found: list[_Input] = []
    assumed: list[Assumed] = []

    def add(what: str, field: str, u: float | None, usual: float, usual_text: str) -> None:
        if u is None:
            assumed.append(Assumed(field=field, text=f"{what} ± {usual_text}"))
        found.append(_Input(what, usual if u is None else u, field))

    if brief.rolling:
        add("rolling circumference", "circumference", brief.rolling.u_mm / brief.rolling.circumference_mm, 0.0, "")
    if brief.kerb:
        add("kerb mass", "kerb", measured.kerb, 0.01, "1 %")
        add("drag area", "cda", None, 0.08, "8 %")
        add("rolling resistance", "crr", None, 0.15, "15 %")
    if brief.laden:
        add("laden mass", "laden", measured.laden, 0.02, "2 %")
    if brief.balance:
        add("front share", "front_share", None, 0.01, "0.01")
        u_mm = measured.cg_height_mm
        add(
            "centre of gravity height",
            "cg_height",
            u_mm and max(u_mm, 20.0),
            20.0,
            f"{fig(20, 'mm')}, however it was taped",
        )
        add("grip", "grip", None, 0.05, "0.05")
    add("motor torque", "torque", measured.motor_torque, 0.03, "3 %")
    return found, assumed


def _moved(one: Gearing, brief: Brief, inputs: list[_Input]) -> Figures:
    """Figures as measured in the first row, then each input up and down."""
    rows = 1 + 2 * len(inputs)

    def column(field: str) -> Floats:
        """Zero but where this input moves, by ±u; (rows, 1)."""
        moves = np.zeros((rows, 1))
        for k, moved in enumerate(inputs):
            if moved.field == field:
                moves[1 + 2 * k], moves[2 + 2 * k] = moved.u, -moved.u
        return moves

    return road_figures(_gearings(one.gearings, column("circumference"), rows), one.motors, _road(brief, column))


def _gearings(nominal: Gearings, circumference: Floats, rows: int) -> Gearings:
    longer = 1 + circumference
    share = (
        np.repeat(np.ravel(edge)[:1], rows)[:, None] for edge in (nominal.front_pull.least, nominal.front_pull.greatest)
    )
    return Gearings(
        rpm_per_ms=nominal.rpm_per_ms / longer,
        pull_per_nm=nominal.pull_per_nm / longer,
        front_pull=FrontPull(*share),
        shaft_limit_ms=nominal.shaft_limit_ms * longer[:, 0],
    )


def _road(brief: Brief, column: Callable[[str], Floats]) -> Road:
    def body(nominal: Body | None, mass: str) -> Body | None:
        if nominal is None:
            return None
        return Body(
            mass_kg=nominal.mass_kg * (1 + column(mass)),
            crr=nominal.crr * (1 + column("crr")),
            cda_m2=nominal.cda_m2 * (1 + column("cda")),
        )

    def balance(nominal: Balance | None) -> Balance | None:
        if nominal is None:
            return None
        return replace(
            nominal,
            front_share=nominal.front_share + column("front_share"),
            cg_height_mm=nominal.cg_height_mm + column("cg_height"),
        )

    return replace(
        road_of(brief),
        kerb=body(brief.kerb, "kerb"),
        laden=body(brief.laden, "laden"),
        balance=balance(brief.balance),
        laden_balance=balance(brief.laden_balance),
        grip=brief.grip + column("grip"),
        motor_torque=1 + column("torque"),
    )


def _spread(key: str, title: str, unit: str, figures: Figures, inputs: list[_Input]) -> Spread | None:
    values = getattr(figures, key)
    value = float(values[0])
    if not np.isfinite(value):
        return None
    up, down = values[1::2] - value, value - values[2::2]
    smooth = np.abs(up + down) / 2
    is_kink = np.abs(up - down) > 0.5 * np.maximum(np.abs(up), np.abs(down))
    moves = np.where(is_kink, np.maximum(np.abs(up), np.abs(down)), smooth)
    if not np.all(np.isfinite(moves)):
        return None
    total = float(np.sum(moves**2))
    if total == 0:
        return Spread(figure=key, title=title, unit=unit, value=value, plus_minus=0.0, shares=())
    order = np.argsort(moves)[::-1][:3]
    return Spread(
        figure=key,
        title=title,
        unit=unit,
        value=value,
        plus_minus=rounded_figure(COVERAGE_95 * total**0.5, 3) or 0.0,
        shares=tuple(
            Share(what=inputs[k].what, share=float(moves[k] ** 2 / total))
            for k in order.tolist()
            if moves[k] ** 2 > 0.01 * total
        ),
    )
