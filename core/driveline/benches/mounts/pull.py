"""The gap that a weld pulls shut."""

from dataclasses import dataclass
from typing import Final

from driveline.benches.mounts.sheet import Pull
from driveline.metal.weld_pull import FEWEST, MOST_LEG, Pulled, at_bolt_mm, logs_to_halve, pull_mm, pulled
from driveline.sheet import positive_of, value_of

TILT_DEG: Final = 1.0  # of an upright ear with a fillet on one side: by the rule alone
STOCK_MM: Final = (0.5, 1.0)


@dataclass(frozen=True, kw_only=True)
class PullFound:
    """What a gap comes to."""

    rule_mm: float
    log: Pulled | None  # of as many welds as replace the rule
    closes_mm: float  # that is counted on
    range_mm: tuple[float, float]
    jig_mm: float  # gap that leaves the one wanted
    after_mm: tuple[float, float]  # with the gap that it is jigged at
    more_logs: int | None  # that would halve the range
    leg_is_small: bool  # so that the rule was measured so far


def pull_missing(pull: Pull) -> tuple[str, ...]:
    """Return what a gap lacks, in words."""
    wanted = (
        (pull.gap, "The gap wanted between the ears"),
        (pull.least, "The least gap that will do"),
        (pull.greatest, "The greatest gap that will do"),
        (pull.leg, "The leg of the weld at the ears' foot"),
        (pull.plate, "The thickness of the plate under the ears"),
        (pull.height, "How high the bolt is over the foot"),
    )
    half = (
        f"How far weld {k} of the log closed the gap, and how it tilted the ear"
        for k, one in enumerate(pull.log, start=1)
        if one.closed is None or one.tilt is None
    )
    return (*(text for reading, text in wanted if not positive_of(reading)), *half)


def solve_pull(pull: Pull) -> PullFound | None:
    """Return what the weld does to a gap; ``None`` while something of it is missing."""
    if pull_missing(pull):
        return None
    gap, leg, plate, height = (value_of(one) or 0.0 for one in (pull.gap, pull.leg, pull.plate, pull.height))
    rule = pull_mm(leg_mm=leg, plate_mm=plate, is_lap=pull.is_lap)
    closings = [at_bolt_mm(value_of(one.closed) or 0.0, value_of(one.tilt) or 0.0, height) for one in pull.log]
    log = pulled(closings) if len(closings) >= FEWEST else None
    if log is not None:
        closes, (low, high) = log.mean_mm, log.range_mm
    else:  # the foot closes by the rule; the ear may stay upright or tilt by the customary degree
        low, high = rule, at_bolt_mm(rule, TILT_DEG, height)
        closes = (low + high) / 2
    jig = positive_of(pull.jig) or gap
    return PullFound(
        rule_mm=rule,
        log=log,
        closes_mm=closes,
        range_mm=(low, high),
        jig_mm=gap + closes,
        after_mm=(jig - high, jig - low),
        more_logs=None if log is None else logs_to_halve(log, log.half_width_mm),
        leg_is_small=leg <= MOST_LEG * plate,
    )
