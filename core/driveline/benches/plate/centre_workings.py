"""Workings of whether motor and gearbox stand on one axis, and of fits."""

from driveline.benches.plate.centre import Offset
from driveline.figures import fig, num
from driveline.working import Step, Working, entered, step, worked


def offset_steps(off: Offset) -> tuple[Step, ...]:
    """Return what the offset of both axes adds up from, the whole of it last."""
    plays = [worked(f"P_{k + 1}", mm, "mm", "plate.plate.registers") for k, mm in enumerate(off.plays_mm)]
    steps: list[Step] = []
    names, given = ["c", "u"], []
    if plays:
        half = step(
            "e_play",
            f"({' + '.join(one.name for one in plays)}) / 2",
            *plays,
            value=off.play_mm,
            unit="mm",
            decimals=3,
            words="half of every greatest play, warm",
        )
        steps, given, names = [half], [half], ["e_play", *names]
    total = step(
        "e",
        " + ".join(names),
        *given,
        entered("c", off.concentricity_mm, "mm", "plate.plate.concentricity"),
        worked("u", off.centre_u_mm, "mm", "plate.survey.readings"),
        value=off.total_mm,
        unit="mm",
        decimals=3,
    )
    return (*steps, total)


def on_centre_working(off: Offset, warm_k: float) -> Working:
    """Return how far both axes may be apart."""
    return Working(
        steps=offset_steps(off),
        source="Registers and dowels locate; clearance bolts never do. An aluminium plate grows away from steel, by "
        f"(α − α_steel) d over {fig(warm_k, 'K')}. Usual parallel allowances: rigid {num(0.05, 'mm')}, clutch or "
        f"spline {num(0.1, 'mm')}, flexible {fig(0.25, 'mm')}.",
    )
