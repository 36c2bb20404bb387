"""A cradle and its strap as entered: what they are, what loads them, between what torques its bolts are tightened."""

from dataclasses import dataclass
from typing import Final

from driveline.arrays import Floats
from driveline.benches.mounts.holding_sheet import Cradle
from driveline.benches.mounts.loaded import Loaded
from driveline.errors import ImpossibleInput
from driveline.joints.screws import NUT_FACTOR
from driveline.margins import Margins
from driveline.metal.bolts import SCATTER, BoltClass, Thread, bolt_class, preload_n, thread
from driveline.metal.straps import Strap, foot_mpa, leg_n, preload_window, pulled_mpa
from driveline.sheet import positive_of, value_of

PLATES: Final = 2
_WORDS: Final = {
    "cylinder": "diameter of what lies in its cradle",
    "angle": "angle by which its cradle embraces it",
    "breadth": "breadth of its strap",
    "thickness": "thickness of its strap",
    "foot": "how far its strap's bolts stand off the strap",
}
_BOLTS: Final = {
    "thread": "thread of its strap's bolts",
    "property_class": "strength of its strap's bolts",
    "condition": "whether its strap's threads are dry or oiled",
    "tightening": "how its strap's bolts are tightened",
}
_PLATES: Final = {
    "plate": "thickness of its cradle's plates",
    "width": "width of its cradle's plates",
    "height": "height of its cradle, to the cylinder's middle",
}


@dataclass(frozen=True, slots=True, kw_only=True)
class Bolted:
    """The bolts of a strap, one at each foot."""

    size: Thread
    strength: BoltClass
    nut_factor: float
    mean_n: float  # of preload

    @property
    def least_n(self) -> float:
        """Preload at the least."""
        return (1 - SCATTER) * self.mean_n

    @property
    def most_n(self) -> float:
        """Preload at the most."""
        return (1 + SCATTER) * self.mean_n


@dataclass(frozen=True, slots=True, kw_only=True)
class CaseLoad:
    """What a case puts on a cradle, N: along the cylinder, aside, and up or down, each 0 or more."""

    row: int
    along_n: float
    side_n: float
    up_n: float
    down_n: float


@dataclass(frozen=True, slots=True, kw_only=True)
class TorqueWindow:
    """Between what torques its bolts hold the unit and spare the strap; the least may be above the most."""

    least_nm: float
    most_nm: float


def strap_of(cradle: Cradle, name: str) -> tuple[Strap | None, tuple[str, ...]]:
    """Return a mount's strap, or what it lacks."""
    sizes = {word: value_of(getattr(cradle, word)) for word in _WORDS}
    missing = tuple(f"{name}: {_WORDS[word]}" for word, value in sizes.items() if value is None)
    if cradle.friction is None:
        missing = (*missing, f"{name}: friction of its cradle's lining")
    known = {word: value for word, value in sizes.items() if value is not None}
    if missing or cradle.friction is None:
        return None, missing
    try:
        return (
            Strap(
                cylinder_mm=known["cylinder"],
                breadth_mm=known["breadth"],
                thickness_mm=known["thickness"],
                foot_mm=known["foot"],
                half_deg=known["angle"] / 2,
                friction=cradle.friction,
            ),
            (),
        )
    except ImpossibleInput as error:
        return None, (f"{name}: a cradle that can be made; its {error}",)


def bolts_missing(cradle: Cradle, name: str, *, is_tightened: bool = True) -> tuple[str, ...]:
    """Return what its bolts lack; what they are tightened to only where that is asked."""
    asked = [word for word in _BOLTS if is_tightened or word != "tightening"]
    known: dict[str, object] = {word: getattr(cradle, word) for word in asked}
    if is_tightened:
        known["tightening"] = positive_of(cradle.tightening)
    return tuple(f"{name}: {_BOLTS[word]}" for word in asked if known[word] is None)


def plates_missing(cradle: Cradle, name: str) -> tuple[str, ...]:
    """Return what its plates lack."""
    return tuple(f"{name}: {words}" for word, words in _PLATES.items() if not positive_of(getattr(cradle, word)))


def bolted(cradle: Cradle) -> Bolted | None:
    """Return its bolts as they are tightened; ``None`` while that is not known."""
    tightening = positive_of(cradle.tightening)
    if cradle.thread is None or cradle.property_class is None or cradle.condition is None or tightening is None:
        return None
    size, factor = thread(cradle.thread), NUT_FACTOR[cradle.condition]
    return Bolted(
        size=size,
        strength=bolt_class(cradle.property_class.words, size.diameter_mm),
        nut_factor=factor,
        mean_n=preload_n(tightening_nm=tightening, nut_factor=factor, diameter_mm=size.diameter_mm),
    )


def loads_on(one: Loaded) -> tuple[CaseLoad, ...]:
    """Return what each case puts on a mount's cradle, along its own axes; nothing while it is not known."""
    if one.mount.turn is None:
        return ()
    own: Floats = one.forces_n @ one.mount.turn
    return tuple(
        CaseLoad(row=row, along_n=abs(x), side_n=abs(y), up_n=max(z, 0.0), down_n=max(-z, 0.0))
        for row, (x, y, z) in enumerate(own.tolist())
    )


def torque_window(one: Loaded, margins: Margins) -> TorqueWindow | None:
    """Return between what torques its bolts may be tightened; ``None`` while a size or a load is not known."""
    cradle = one.mount.sheet.cradle
    strap, loads = strap_of(cradle, "")[0], loads_on(one)
    if strap is None or not loads or bolts_missing(cradle, "", is_tightened=False):
        return None
    assert cradle.thread and cradle.property_class and cradle.condition
    size = thread(cradle.thread)
    proof_n = bolt_class(cradle.property_class.words, size.diameter_mm).proof_mpa * size.stress_area_mm2
    yields = one.yield_mpa / margins.wanted("bracket_yield")
    found = preload_window(
        strap,
        leg_most_n=min(
            yields / pulled_mpa(strap, 1.0), yields / foot_mpa(strap, 1.0), proof_n / margins.wanted("bolt_proof")
        ),
        loads_n=tuple((load.along_n, load.side_n, load.up_n) for load in loads),
        slip_margin=margins.wanted("friction_joint"),
    )
    per_n = NUT_FACTOR[cradle.condition] * size.diameter_mm / 1000
    return TorqueWindow(least_nm=found.least_n * per_n / (1 - SCATTER), most_nm=found.most_n * per_n / (1 + SCATTER))


def leg_of(bolts: Bolted, load: CaseLoad) -> float:
    """Return the most that a leg of the strap pulls in a case, N."""
    return leg_n(preload_n=bolts.most_n, up_n=load.up_n, side_n=load.side_n)
