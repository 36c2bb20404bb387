"""What would make a bracket hold: thicker, welded heavier, boxed; tried and compared by mass and by what is cut."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from itertools import product
from typing import Final

from driveline.benches.contract import Sought, SoughtField
from driveline.benches.mounts.bracket_checks import Loaded, bracket_checks
from driveline.benches.mounts.brackets import STEEL, arm_of
from driveline.benches.mounts.buckling_checks import buckling_checks
from driveline.benches.mounts.patterns import parts_of
from driveline.benches.mounts.sheet import ArmKind, Mount, MountsSheet
from driveline.checks import Verdict
from driveline.figures import fig
from driveline.margins import Judge
from driveline.parts.drawings import cut_line
from driveline.sheet import Length

WALLS_MM: Final = (3.0, 4.0, 5.0, 6.0, 8.0, 10.0, 12.0)
LEGS_MM: Final = (4.0, 5.0, 6.0, 8.0, 10.0, 12.0)
SHOWN: Final = 5
HEAD: Final = ("", "leg", "mass", "cut", "")
ARM_PLATES: Final = ("side", "top", "fold", "shelf", "gusset")
KG_PER_MM3: Final = STEEL.density_kgm3 * 1e-9
SIZED: Final = ("arm", "weld", "base", "walls", "fatigue")


@dataclass(frozen=True, kw_only=True)
class _Way:
    kind: ArmKind
    wall_mm: float
    leg_mm: float
    kg: float
    words: str
    cut_mm: float | None  # of all its plates; None where it is sawn from stock

    @property
    def row(self) -> tuple[str, ...]:
        """Its line of the table."""
        cut = "sawn" if self.cut_mm is None else fig(self.cut_mm / 1000, "m", 2)
        return self.words, fig(self.leg_mm, "mm", 0), fig(self.kg, "kg", 2), cut, ""


def mend_sought(one: Loaded, judge: Judge) -> Sought:
    """Return the lightest brackets of the sizes that it has which hold everything asked of them."""
    field = f"{one.mount.field}.bracket"
    ways = sorted(_ways(one, judge), key=lambda way: (way.kg, way.leg_mm))
    if not ways:
        says = "Nothing does with walls and a leg of 12 mm or less: make it deeper or shorter, or move a mount nearer."
        return Sought(says=says, fields=())
    best = ways[0]
    return Sought(
        says="These hold under the loads of now, the lightest first. A stiffer bracket draws a little more.",
        rows=(HEAD, *(way.row for way in ways[:SHOWN])),
        fields=(
            SoughtField(field=f"{field}.kind", text=best.kind.value),
            SoughtField(field=f"{field}.wall", text=f"{best.wall_mm:g} mm"),
            SoughtField(field=f"{field}.leg", text=f"{best.leg_mm:g} mm"),
            *(
                SoughtField(field=f"{field}.{name}", text=one.text)
                for name, one in _gusset(best.kind, best.wall_mm).items()
            ),
        ),
    )


def _ways(one: Loaded, judge: Judge) -> Iterator[_Way]:
    bracket = one.mount.sheet.bracket
    is_open = bracket.kind in (ArmKind.CHANNEL, ArmKind.FOLDED, ArmKind.GUSSETED)
    kinds = [bracket.kind, ArmKind.BOX] if is_open else [bracket.kind]
    for kind, wall in product(kinds, WALLS_MM):
        tried = bracket.model_copy(update={"kind": kind, "wall": _length(wall), **_gusset(kind, wall)})
        laid = arm_of(tried, "", one.mount.rail_mm, one.mount.at_mm)
        if kind is None or laid.arm is None:
            continue
        for leg in LEGS_MM:
            sheet = one.mount.sheet.model_copy(update={"bracket": tried.model_copy(update={"leg": _length(leg)})})
            if _holds(replace(one, mount=replace(one.mount, sheet=sheet, arm=laid)), judge):
                kg = laid.arm.volume_mm3 * KG_PER_MM3
                words = laid.arm.section.words
                yield _Way(kind=kind, wall_mm=wall, leg_mm=leg, kg=kg, words=words, cut_mm=_cut_mm(sheet))
                break


def _cut_mm(mount: Mount) -> float | None:
    """The length of all cuts that its arm takes; nothing of what is sawn, or not as long as it will be yet."""
    every = parts_of(MountsSheet(mounts=[mount]))
    plates = [cut_line(part) for part in every if part.key.split("_")[-1] in ARM_PLATES]
    return sum(one.cut_length_mm * one.quantity for one in plates) if plates else None


def _gusset(kind: ArmKind | None, wall_mm: float) -> dict[str, Length]:
    """Gussets are tried as thick as their shelf."""
    return {"gusset": _length(wall_mm)} if kind is ArmKind.GUSSETED else {}


def _length(mm: float) -> Length:
    return Length(text=f"{mm:g} mm")


def _holds(one: Loaded, judge: Judge) -> bool:
    """Whether every check that hangs on the sizes tried does."""
    every = (*bracket_checks(one, judge), *buckling_checks(one, judge))
    asked = [check for check in every if check.key.removeprefix(f"{one.key}.") in SIZED]
    return all(check.verdict is Verdict.HOLDS for check in asked)
