"""How sure a margin is, in figures and in words."""

import math
from collections.abc import Iterator, Sequence
from typing import Final

from driveline.checks import Result

MOST_NAMED: Final = 3
MOST_TOLD: Final = 10.0  # as the ledger shows margins: how far above it nobody asks, nor do a few draws tell
LEAST_HALF: Final = 0.0005
ALL_OF_IT: Final = 0.99


class Narrower(Result):
    """A reading that widens a margin's range: how much of the variance is its, and what ± is left without it."""

    what: str
    field: str
    share: float
    left_plus_minus: float


class Sureness(Result):
    """The 95 % range of a check's margin; without one where nothing that moves it carries a ±."""

    check: str
    margin: float
    least: float | None = None
    greatest: float | None = None
    fails_chance: float | None = None
    odds: str = ""  # that it falls short, where the wanted margin lies in its range: "1 in 6"
    narrowers: tuple[Narrower, ...] = ()  # the widest first
    taken_as_exact: tuple[str, ...] = ()  # what moves it and carries no ±, what counts most first
    says: tuple[str, ...] = ()


def range_words(sure: Sureness, wanted: float) -> Iterator[str]:
    """Write a range, the odds where the wanted margin lies in it, and the reading that would narrow it most."""
    least, greatest = sure.least or 0.0, sure.greatest or 0.0
    half = (greatest - least) / 2
    decimals = min(max(-math.floor(math.log10(half)), 0), 3) if half else 3
    if half < LEAST_HALF:
        yield f"The ± of its readings moves it by less than {LEAST_HALF:g}."
    else:
        most = f"{greatest:.{decimals}f}" if greatest < MOST_TOLD else f"more than {MOST_TOLD:.0f}"
        within = f"{least:.{decimals}f} to {most}" if least < MOST_TOLD else most
        yield f"95 % range {within}, by the ± of its readings."
    if sure.odds:
        yield f"Wanted is {wanted:.3f}: about {sure.odds} that it falls short."
    if sure.narrowers and half >= LEAST_HALF:
        widest = sure.narrowers[0]
        if widest.share > ALL_OF_IT:
            yield f"All of that is from {widest.what}: taken twice as well, it is half as wide."
        else:
            yield (
                f"{widest.share * 100:.0f} % of that is from {widest.what}: measured without error, "
                f"±{half:.{decimals + 1}f} would be ±{widest.left_plus_minus:.{decimals + 1}f}."
            )


def left_out_words(exact: Sequence[str], goes_by_usual: bool) -> tuple[str, ...]:
    """Return what a range leaves out, in words, so that nobody takes it for the whole."""
    named = list(exact[:MOST_NAMED])
    if len(exact) > MOST_NAMED:
        named.append(f"{len(exact) - MOST_NAMED} more")
    said = [f"Taken as exact, having no ±: {', '.join(named)}."] if named else []
    if goes_by_usual:
        said.append("Usual values are in use and taken as exact too." if named else "Usual values are taken as exact.")
    return (*said, "The true range is wider.") if said else ()


def odds_words(chance: float) -> str:
    """Return a chance as people say it: 1 in 6, 7 in 10. One of a 95 % range that is reached is 1 in 40 at least."""
    return f"1 in {1 / chance:.0f}" if chance < 0.4 else f"{chance * 10:.0f} in 10"
