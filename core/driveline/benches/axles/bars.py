"""What a bar bears: which torque comes to its side, its shear, its twist, its speed."""

from dataclasses import dataclass
from typing import Final

from driveline.benches.axles.needs import AxlesNeeds, ShaftLoad
from driveline.benches.axles.sheet import Axle, Bar, BarMaterial, BarSpline, DifferentialKind, Tube, Which
from driveline.errors import ImpossibleInput
from driveline.gearing.differential import clutched_high_nm, high_share
from driveline.shafts.bars import BAR_GUIDES_MPA, bar_shear_mpa, bar_twist_deg, critical_rpm
from driveline.sheet import positive_of, value_of
from driveline.tables.materials import PlateMaterial, material

STEEL: Final = material(PlateMaterial.STEEL)
GUIDES_MPA: Final = {
    BarMaterial.MEDIUM_CARBON: BAR_GUIDES_MPA["induction-hardened medium carbon"],
    BarMaterial.ALLOY: BAR_GUIDES_MPA["alloy"],
    BarMaterial.SOFT: BAR_GUIDES_MPA["unhardened"],
}


def load_at(kind: str, which: Which | None, needs: AxlesNeeds) -> ShaftLoad | None:
    """Return what a place on the Line asks; ``None`` where it is not said which of two it is, or there is none."""
    loads = {one.station: one for one in needs.loads}
    if kind in loads:
        return loads[kind]
    return None if which is None else loads.get(f"{which.value}.{kind}")


def load_missing(kind: str, name: str, load: ShaftLoad | None, needs: AxlesNeeds) -> tuple[str, ...]:
    """Return what keeps a load from being known, in words."""
    if load is None:
        branched = any(one.station.endswith(f".{kind}") for one in needs.loads)
        what = f"{name}: which axle it is" if branched else f"{name}: a gearing chosen that has it, at Ratios"
        return (what,)
    if load.design_nm is None:
        return (f"{name}: its design torque, at Ratios",)
    return ()


def side_torque_nm(axle: Axle, whole_nm: float) -> float | None:
    """Return the most that comes to one side of an axle; ``None`` while its differential is not known."""
    match axle.differential:
        case DifferentialKind.OPEN:
            return whole_nm / 2
        case DifferentialKind.LOCKED:
            return whole_nm
        case DifferentialKind.BIAS:
            return None if axle.bias_ratio is None else whole_nm * high_share(axle.bias_ratio)
        case DifferentialKind.CLUTCHES:
            lock = value_of(axle.lock)
            return None if lock is None else clutched_high_nm(whole_nm, lock)
        case _:
            return None


def differential_missing(axle: Axle) -> tuple[str, ...]:
    """Return what of the differential is missing, in words."""
    if axle.differential is None:
        return (f"{axle.name}: how its differential shares torque",)
    if axle.differential is DifferentialKind.BIAS and axle.bias_ratio is None:
        return (f"{axle.name}: the bias ratio of its differential",)
    if axle.differential is DifferentialKind.CLUTCHES and axle.lock is None:
        return (f"{axle.name}: the torque that its clutches hold",)
    return ()


@dataclass(frozen=True, slots=True, kw_only=True)
class Section:
    """A place of a bar that torque shears."""

    what: str
    outside_mm: float
    bore_mm: float
    field: str

    def shear_mpa(self, torque_nm: float) -> float:
        """Return its shear."""
        return bar_shear_mpa(torque_nm, outside_mm=self.outside_mm, inside_mm=self.bore_mm)


def sections_of(bar: Bar, field: str) -> tuple[tuple[Section, ...], tuple[str, ...]]:
    """Return the sections of a bar that are known, and what is missing of the others."""
    bore = value_of(bar.bore)
    sizes = (
        ("bar", positive_of(bar.diameter), f"{field}.diameter", "its bar's diameter"),
        ("inner spline", positive_of(bar.inner_spline.root), f"{field}.inner_spline.root", "inner spline, its root"),
        ("outer spline", positive_of(bar.outer_spline.root), f"{field}.outer_spline.root", "outer spline, its root"),
    )
    missing = [words for _, size, _, words in sizes if size is None]
    if bore is None:
        missing.append("its bore, 0 if it is solid")
    found = [
        Section(what=what, outside_mm=size, bore_mm=bore, field=path)
        for what, size, path, _ in sizes
        if size is not None and bore is not None and bore < size
    ]
    if bore is not None and any(size is not None and bore >= size for _, size, _, _ in sizes):
        missing.append("a bore that is less than its diameter and its spline roots")
    return tuple(found), tuple(missing)


def guide_mpa(bar: Bar | Tube) -> float | None:
    """Return the greatest shear that a bar or tube may see: its maker's, else the guide of its material."""
    if bar.guide_mpa is not None:
        return bar.guide_mpa
    return None if bar.material is None else GUIDES_MPA[bar.material]


def twist_deg(bar: Bar, torque_nm: float) -> float | None:
    """Return how far a bar twists between its seats."""
    length, diameter, bore = positive_of(bar.length), positive_of(bar.diameter), value_of(bar.bore)
    if length is None or diameter is None or bore is None:
        return None
    try:
        return bar_twist_deg(torque_nm, length_mm=length, outside_mm=diameter, inside_mm=bore)
    except ImpossibleInput:
        return None


def spline_doubts(spline: BarSpline, bar: Bar, field: str, words: str) -> list[tuple[str, str]]:
    """Return what can't be of a spline, by its field."""
    outside, root, diameter = positive_of(spline.outside), positive_of(spline.root), positive_of(bar.diameter)
    found = []
    if outside is not None and root is not None and root >= outside:
        found.append((f"{field}.root", f"{words}: its root is not less than its outside. Measure both again."))
    if outside is not None and diameter is not None and diameter > outside:
        found.append(
            (f"{field}.outside", f"{words}: the bar is thicker than its seat, and can't go through the joint.")
        )
    return found


def tube_inside_mm(tube: Tube) -> float | None:
    """Return a tube's inside diameter, 0 of a bar; ``None`` while it is not known or can't be."""
    outside, wall = positive_of(tube.outside), positive_of(tube.wall)
    if outside is None or wall is None or wall > outside / 2:
        return None
    return outside - 2 * wall


def tube_critical_rpm(tube: Tube, longest_mm: float) -> float | None:
    """Return the speed at which a tube would whirl; ``None`` while its sizes are not known."""
    outside, inside = positive_of(tube.outside), tube_inside_mm(tube)
    if outside is None or inside is None or not longest_mm > 0:
        return None
    return critical_rpm(
        length_mm=longest_mm,
        outside_mm=outside,
        inside_mm=inside,
        young_mpa=STEEL.modulus_mpa,
        density_kgm3=STEEL.density_kgm3,
    )
