"""Other ways to hold the same unit, side by side: every mount hard, or one mount fewer."""

from collections.abc import Iterator
from dataclasses import dataclass, replace
from typing import Final

from driveline.benches.contract import Sought
from driveline.benches.mounts.carried import Solved, greatest_move_mm, solve_held
from driveline.benches.mounts.checks import motion_words
from driveline.benches.mounts.needs import MountsNeeds
from driveline.benches.mounts.sheet import Mount, MountKind, MountsSheet
from driveline.figures import fig

HEAD: Final = ("", "lowest", "moves", "most", "")


@dataclass(frozen=True, kw_only=True)
class School:
    """A way to hold the unit; what is empty is not known, or held not at all."""

    name: str
    free: str = ""  # what it could still do
    lowest_hz: float | None = None
    farthest_mm: float | None = None
    most_n: float | None = None
    most_on: str = ""
    most_in: str = ""
    is_shared_by_chance: bool = False  # how stiff all really is decides what each carries

    @property
    def row(self) -> tuple[str, ...]:
        """Its line of the table."""
        if self.free or self.most_n is None:
            return self.name, "–", "–", "–", f"It could {self.free}." if self.free else "Not known."
        chance = "; how stiff all really is decides the shares" if self.is_shared_by_chance else ""
        return (
            self.name,
            _or_dash(self.lowest_hz, "Hz", 1),
            _or_dash(self.farthest_mm, "mm", 1),
            fig(self.most_n, "N", 0),
            f"on {self.most_on}, {self.most_in}{chance}",
        )


def _or_dash(value: float | None, unit: str, decimals: int) -> str:
    return "–" if value is None else fig(value, unit, decimals)


def schools_sought(sheet: MountsSheet, needs: MountsNeeds, solved: Solved) -> Sought:
    """Return the ways side by side, as a table."""
    found = tuple(schools_of(sheet, needs, solved))
    says = "Brackets and places as they are. Hard mounts let little move and pass every shake on; rubber wants room."
    return Sought(says=says, fields=(), rows=(HEAD, *(one.row for one in found)))


def schools_of(sheet: MountsSheet, needs: MountsNeeds, solved: Solved) -> Iterator[School]:
    """Return how the unit would be held otherwise, the way it is held first; nothing while that is not known."""
    if solved.carried is None:
        return
    yield _school("as it is", solved, needs)
    if any(one.kind is MountKind.RUBBER for one in sheet.mounts):
        yield _tried("every mount hard", [_hard(one) for one in sheet.mounts], sheet, needs)
    for gone in sheet.mounts if len(sheet.mounts) > 1 else ():
        yield _tried(f"without {gone.name}", [one for one in sheet.mounts if one is not gone], sheet, needs)


def _hard(one: Mount) -> Mount:
    if one.kind is not MountKind.RUBBER:
        return one
    return one.model_copy(update={"kind": MountKind.HARD, "holds_x": True, "holds_y": True, "holds_z": True})


def _tried(name: str, mounts: list[Mount], sheet: MountsSheet, needs: MountsNeeds) -> School:
    tried, alone = sheet.model_copy(update={"mounts": mounts}), replace(needs, around=None)
    return _school(name, solve_held(tried, alone), alone)


def _school(name: str, solved: Solved, needs: MountsNeeds) -> School:
    carried, about = solved.answer, solved.about_mm
    free = ", ".join(motion_words(one.kind, one.direction.tolist()) for one in solved.free or ())
    if carried is None or about is None:
        return School(name=name, free=free)
    sizes = carried.sizes_n
    row, mount = (int(one) for one in divmod(int(sizes.argmax()), sizes.shape[1]))
    farthest = greatest_move_mm(carried, needs, about)
    return School(
        name=name,
        lowest_hz=solved.modes[0].frequency_hz if solved.modes else None,
        farthest_mm=None if farthest is None else farthest[0],
        most_n=float(sizes[row, mount]),
        most_on=solved.mounts[mount].sheet.name,
        most_in=carried.cases[row].name,
        is_shared_by_chance=carried.shares is not None,
    )
