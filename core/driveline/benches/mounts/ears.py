"""The ears that take a mount's bolt, and that bolt."""

import math
from dataclasses import dataclass
from typing import Final

from driveline.arrays import Floats
from driveline.benches.mounts.holding_sheet import Ears
from driveline.errors import ImpossibleInput
from driveline.figures import fig
from driveline.metal.ears import Ear
from driveline.sheet import positive_of

THREAD_SHARE: Final = 0.78  # of a bolt's whole section, where its thread is sheared


def ears_of(ears: Ears, name: str) -> tuple[Ear | None, tuple[str, ...]]:
    """Return the ears of a mount, or what they lack."""
    sizes = {word: positive_of(getattr(ears, word)) for word in EAR_WORDS}
    missing = tuple(f"{name}: {EAR_WORDS[word]}" for word, size in sizes.items() if size is None)
    if ears.count is None:
        missing = (f"{name}: how many ears take its bolt", *missing)
    if missing:
        return None, missing
    known = {word: size for word, size in sizes.items() if size is not None}
    rounded = known["hole"] / 2 + known["edge"]
    if known["height"] < rounded:
        size = fig(rounded, "mm")
        return None, (f"{name}: ears at least as high as they are round past their hole, {size}",)
    try:
        return Ear(**{f"{word}_mm": size for word, size in known.items()}), ()
    except ImpossibleInput as error:
        return None, (f"{name}: ears that can be made; {error}",)


EAR_WORDS: Final = {
    "bolt": "the bolt of its ears",
    "hole": "the hole of its ears",
    "thickness": "the thickness of its ears",
    "width": "the width of its ears across the hole",
    "edge": "what its ears have from hole to edge",
    "root": "the width of its ears at the foot",
    "height": "the height of its ears to the hole",
}


def ear_share_n(ear: Ear, count: int, force_n: Floats, moment_nmm: Floats, bolt_axis: Floats) -> tuple[float, float]:
    """Return what one ear bears in its plane and across it.

    Args:
        ear: Its sizes.
        count: Of ears that share it.
        force_n: On the mount, (3,).
        moment_nmm: About its bolt, of rubber that is twisted: taken as a force at the hole that does as much at the
            foot, (3,).
        bolt_axis: Square to the ears, unit, (3,).
    """
    side = abs(float(force_n @ bolt_axis))
    in_plane = math.sqrt(max(float(force_n @ force_n) - side**2, 0.0))
    twisted = abs(float(moment_nmm @ bolt_axis)) / ear.height_mm
    return (in_plane + twisted) / count, side / count


@dataclass(frozen=True, slots=True, kw_only=True)
class EarBolt:
    """The bolt through a mount's ears in a case."""

    row: int
    diameter_mm: float
    in_plane_n: float
    along_n: float
    stress_mpa: float


def ear_bolt_of(diameter_mm: float, count: int, force_n: Floats, bolt_axis: Floats, row: int) -> EarBolt:
    """Return what a bolt bears that goes through ears.

    Args:
        diameter_mm: Of its thread.
        count: Of ears, and of the planes in which it is sheared.
        force_n: On the mount, (3,).
        bolt_axis: Unit, (3,).
        row: Of the case.

    Source:
        √(σ² + 3 τ²) on the thread's section.
    """
    area_mm2 = THREAD_SHARE * math.pi / 4 * diameter_mm**2
    along = abs(float(force_n @ bolt_axis))
    in_plane = math.sqrt(max(float(force_n @ force_n) - along**2, 0.0))
    stress = math.sqrt((along / area_mm2) ** 2 + 3 * (in_plane / (count * area_mm2)) ** 2)
    return EarBolt(row=row, diameter_mm=diameter_mm, in_plane_n=in_plane, along_n=along, stress_mpa=stress)
