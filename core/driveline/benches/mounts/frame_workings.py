"""The sums behind the checks of a cut frame."""

from driveline.benches.mounts.frame import StationFound
from driveline.benches.mounts.frame_folds import FoldsFound
from driveline.benches.mounts.panel_workings import PANEL, panel_steps
from driveline.working import Working, entered, step, worked


def frame_working(found: StationFound | None) -> Working:
    """Return what is left at the weakest station."""
    source = "A, I, Z by its plates, J by its cells' middle lines or Σ b t³/3 of what closes nothing; new against old."
    if found is None:
        return Working(source=source)
    names = {"area": "a", "I": "i", "Z": "z", "J": "j", "I across": "s"}
    given = [worked(names[name], value, "", f"{name}, new over old") for name, value in found.ratios.items()]
    least = step("k", "min(a, i, z, j, s)", *given, value=found.least, unit="", decimals=3)
    return Working(steps=(least,), source=source)


def folds_working(now: FoldsFound, yield_mpa: float) -> Working:
    """Return the bending moment at which a wall of a cut rail folds."""
    steps = panel_steps(now.fold, entered("R", yield_mpa, "MPa", "mounts.frame.yield_mpa"))
    folds = steps[-1]
    modulus = worked("Z", now.modulus_mm3, "mm³", f"at {now.name}")
    last = step("M", f"{folds.symbol} * Z", folds, modulus, value=now.moment_nm, unit="N·m")
    source = f"{PANEL} Each wall as if it were all in compression; of a round one γ 0.605 E t/r (NASA SP-8007)."
    return Working(steps=(*steps, last), source=source)
