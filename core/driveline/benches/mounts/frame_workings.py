"""The sums behind the checks of a cut frame."""

from typing import Final

import numpy as np

from driveline.benches.mounts.frame import StationFound
from driveline.benches.mounts.frame_folds import FoldsFound
from driveline.benches.mounts.panel_workings import PANEL, panel_steps
from driveline.benches.mounts.rails import Rail
from driveline.working import Given, Step, Working, entered, step, worked

CORNERS: Final = 4
PARTS: Final = (("a", "A"), ("i", "I"), ("z", "Z"), ("j", "J"), ("s", "S"))  # in the order of the ratios; S lies across
IN_ORDER: Final = "AyIZxS"  # a step uses those before it
LEFT: Final = (
    "A, I, Z and S, across, by its plates; J by its cells' middle lines, or Σ b t³/3 of what closes nothing; new "
    "against old."
)


def frame_working(found: StationFound | None, old: Rail | None) -> Working:
    """Return what is left at the weakest station."""
    if found is None or old is None:
        return Working(source=LEFT)
    was, now = _section("o", "as it was", old), _section("n", f"at {found.name}", found.rail)
    ratios = tuple(
        step(name, f"{part}_n / {part}_o", now[part], was[part], value=value, unit="", decimals=3)
        for (name, part), value in zip(PARTS, found.ratios.values(), strict=True)
    )
    least = step("k", "min(a, i, z, j, s)", *ratios, value=found.least, unit="", decimals=3)
    known = (section[part] for section in (was, now) for part in IN_ORDER if part in section)
    shown = (one for one in known if isinstance(one, Step))
    return Working(steps=(*shown, *ratios, least), source=LEFT)


def _section(suffix: str, where: str, rail: Rail) -> dict[str, Given | Step]:
    """A, I, Z, J and I across of a section: from its plates where these are rectangles that stand square."""
    made, strips = rail.section, _strips(rail)
    figures = {
        "A": (made.area_mm2, "mm²"),
        "I": (made.level_mm4, "mm⁴"),
        "Z": (made.modulus_mm3, "mm³"),
        "J": (made.torsion_mm4, "mm⁴"),
        "S": (made.sideways_mm4, "mm⁴"),
    }
    found: dict[str, Given | Step] = {
        part: worked(f"{part}_{suffix}", value, unit, where) for part, (value, unit) in figures.items()
    }
    if strips is None:
        return found
    every = range(1, len(strips) + 1)
    given = {
        name: [worked(f"{name}_{k}", strip[column], "mm", f"plate {k}, {where}") for k, strip in enumerate(strips, 1)]
        for column, name in enumerate("bhxy")
    }
    b, h, x, y = given.values()
    area = step(f"A_{suffix}", " + ".join(f"b_{k} * h_{k}" for k in every), *b, *h, value=made.area_mm2, unit="mm²")
    steps: dict[str, Given | Step] = {"A": area}
    ways = (("I", "y", "h", "b", y, made.centroid_mm[1]), ("S", "x", "b", "h", x, made.centroid_mm[0]))
    for part, at, deep, wide, places, middle in ways:
        moments = " + ".join(f"b_{k} * h_{k} * {at}_{k}" for k in every)
        mean = step(
            f"{at}_{suffix}", f"({moments}) / A_{suffix}", *b, *h, *places, area, value=middle, unit="mm", decimals=2
        )
        each = (f"{wide}_{k} * {deep}_{k}**3 / 12 + b_{k} * h_{k} * ({at}_{k} - {at}_{suffix})**2" for k in every)
        steps[at] = mean
        steps[part] = step(
            f"{part}_{suffix}", " + ".join(each), *b, *h, *places, mean, value=figures[part][0], unit="mm⁴"
        )
    fibre = worked("f", made.level_mm4 / made.modulus_mm3, "mm", f"to the farther fibre, {where}")
    steps["Z"] = step(f"Z_{suffix}", f"I_{suffix} / f", steps["I"], fibre, value=made.modulus_mm3, unit="mm³")
    return {**found, **steps}


def _strips(rail: Rail) -> list[tuple[float, float, float, float]] | None:
    """Breadth, height and middle of each plate; ``None`` where one is no rectangle that stands square."""
    found = list[tuple[float, float, float, float]]()
    for rings in rail.plates_mm:
        low, high = rings[0].min(axis=0), rings[0].max(axis=0)
        if len(rings) != 1 or len(rings[0]) != CORNERS or not np.isin(rings[0], (low, high)).all():
            return None
        (b, h), (x, y) = high - low, (low + high) / 2
        found.append((float(b), float(h), float(x), float(y)))
    return found if found and not rail.section.product_mm4 else None


def folds_working(now: FoldsFound, yield_mpa: float) -> Working:
    """Return the bending moment at which a wall of a cut rail folds."""
    steps = panel_steps(now.fold, entered("R", yield_mpa, "MPa", "mounts.frame.yield_mpa"))
    folds = steps[-1]
    modulus = worked("Z", now.modulus_mm3, "mm³", f"at {now.name}")
    last = step("M", f"{folds.symbol} * Z", folds, modulus, value=now.moment_nm, unit="N·m")
    source = f"{PANEL} Each wall as if it were all in compression; of a round one γ 0.605 E t/r (NASA SP-8007)."
    return Working(steps=(*steps, last), source=source)
