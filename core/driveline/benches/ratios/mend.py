"""What to change when the gearing does not do what it must: the nearest one that does, or the ratio that would."""

from typing import Final

import numpy as np
from numpy.typing import NDArray

from driveline.benches.ratios.gearing import Sweep, pick_key
from driveline.benches.ratios.sheet import Pick
from driveline.checks import Result
from driveline.figures import fig, num
from driveline.gearing.brief import Brief
from driveline.gearing.road import KMH_PER_MS
from driveline.gearing.sweep import Figures

SPEED_IN_HAND: Final = 1.05


class Alternative(Result):
    """Another that does all it must, best in one thing, and what it costs against the one shown."""

    best_in: str  # quickest, fastest, calmest
    key: str
    pick: Pick
    costs: str


class Mend(Result):
    """A way out. ``pick`` is empty when nothing listed does it all, and ``text`` then says what would."""

    text: str
    key: str | None
    pick: Pick | None


WORDS: Final = {
    "reduction": "reduction",
    "front_reduction": "front unit",
    "gear": "gear",
    "transfer": "range",
    "final_drive": "final drive",
    "front_final_drive": "front final drive",
    "tyre": "tyre",
}


def mend_of(
    sweep: Sweep,
    shown: int,
    does: NDArray[np.int64],
    beaten: NDArray[np.int64],
    figures: Figures,
    *,
    musts_count: int,
    brief: Brief,
) -> Mend | None:
    """Return what mends the gearing shown; ``None`` when it does all it must."""
    everything = (1 << musts_count) - 1
    if int(does[shown]) == everything:
        return None
    able = np.nonzero(does == everything)[0]
    if able.size:
        numbers = sweep.option_numbers(able)
        changed = (numbers != sweep.option_numbers(np.array([shown]))).sum(axis=1)
        # Fewest parts changed, then one that nothing beats, then the quickest.
        best = int(able[np.lexsort((np.nan_to_num(figures.s_0_50[able], nan=1e9), beaten[able] >= 0, changed))[0]])
        return Mend(
            text=_difference(sweep, shown, best, figures), key=pick_key(sweep.pick(best)), pick=sweep.pick(best)
        )
    return _needed_ratio(sweep, shown, figures, brief)


def alternatives_of(
    sweep: Sweep, shown: int, does: NDArray[np.int64], figures: Figures, *, musts_count: int
) -> tuple[Alternative, ...]:
    """Return the quickest, the fastest and the calmest of those that do all they must, the one shown left out."""
    able = np.nonzero(does == (1 << musts_count) - 1)[0]
    if not able.size:
        return ()
    launch = np.nan_to_num(figures.s_0_50[able], nan=1e9)
    best = {
        "quickest": int(able[np.lexsort((figures.cruise_rpm[able], launch.round(2)))[0]]),
        "fastest": int(able[np.lexsort((launch, -figures.top_kmh[able].round(0)))[0]]),
        "calmest at cruise": int(able[np.lexsort((launch, figures.cruise_rpm[able].round(0)))[0]]),
    }
    found: dict[int, str] = {}
    for word, row in best.items():
        if row != shown:
            found[row] = f"{found[row]} and {word}" if row in found else word
    return tuple(
        Alternative(
            best_in=word, key=pick_key(sweep.pick(row)), pick=sweep.pick(row), costs=_costs(figures, shown, row)
        )
        for row, word in found.items()
    )


def _costs(figures: Figures, shown: int, row: int) -> str:
    apart = (
        (figures.s_0_50, "s", 1, f" to {num(50, 'km/h', 0)}"),
        (figures.top_kmh, "km/h", 0, ""),
        (figures.cruise_rpm, "rpm", 0, " at cruise"),
        (figures.hill_start_pct, "%", 0, " of hill"),
    )
    told = []
    for figure, unit, decimals, words in apart:
        by = float(figure[row] - figure[shown])
        if np.isfinite(by) and abs(by) >= 0.5 * 10.0**-decimals:
            told.append(f"{fig(by, unit, decimals, signed=True)}{words}")
    return ", ".join(told) or "the same in all"


def _difference(sweep: Sweep, shown: int, best: int, figures: Figures) -> str:
    now, then = sweep.pick(shown), sweep.pick(best)
    changes = [
        f"{word} {getattr(then, field)}" if getattr(then, field) else f"no {word}"
        for field, word in WORDS.items()
        if getattr(now, field) != getattr(then, field)
    ]
    return f"{' and '.join(changes).capitalize()} does it: {fig(figures.top_kmh[best], 'km/h', 0)}."


def _needed_ratio(sweep: Sweep, shown: int, figures: Figures, brief: Brief) -> Mend | None:
    wanted = brief.wanted_top_kmh
    motor = brief.motor
    if wanted is None or motor is None or figures.top_kmh[shown] >= wanted:
        return None
    now_per_ms = float(sweep.gearings.rpm_per_ms[shown, 0])
    needed_per_ms = motor.greatest_rpm / SPEED_IN_HAND / (wanted / KMH_PER_MS)
    if needed_per_ms >= now_per_ms:
        return None  # not for want of motor speed
    lane = sweep.gearing(shown, (motor,) * sweep.gearings.rpm_per_ms.shape[1]).lanes[0]
    share = needed_per_ms / now_per_ms
    final = next((s for s in lane.chain.stages if s.kind.value == "final_drive"), None)
    text = f"Nothing listed does it. An overall ratio of {lane.chain.overall_ratio * share:.2f} or less would reach "
    text += f"{fig(wanted, 'km/h', 0)} with 5 % of motor speed in hand"
    text += f": a final drive of {final.ratio * share:.2f} or less with all else as it is." if final else "."
    return Mend(text=text, key=None, pick=None)
