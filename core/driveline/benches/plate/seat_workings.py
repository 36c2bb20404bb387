"""The workings of a register's checks: its metal, how it sits, and what was measured against the fit."""

from collections.abc import Sequence

from driveline.benches.plate.inputs import RegisterInputs, Sized
from driveline.figures import fig
from driveline.fits.limits import fit_within
from driveline.flat.seats import (
    BEHIND_MM,
    LEAST_FLOOR_MM,
    LEAST_REACH_MM,
    LEAST_WALL_MM,
    Mate,
    MetalLeft,
    Seat,
    SeatKind,
)
from driveline.working import Fact, Given, Step, Working, entered, step, tabled, worked


def metal_working(seat: Seat | None, left: Sequence[MetalLeft] | None, bore_mm: float | None) -> Working:
    """Return what metal a register leaves, place by place."""
    steps: list[Step | Fact] = []
    if seat is not None and bore_mm is not None and left is not None:
        steps.append(Fact("Bore through the plate", f"Ø {fig(bore_mm, 'mm')}"))
        steps.append(Fact("Register", f"Ø {fig(seat.size_mm, 'mm')}, {seat.kind.words}"))
        last_first = enumerate(reversed(left), start=1)  # what is judged comes last
        steps += [_left_step(one, f"a_{k}") for k, one in last_first]
    spigot_mm, ring_mm = LEAST_WALL_MM[SeatKind.SPIGOT], LEAST_WALL_MM[SeatKind.RING]
    return Working(
        steps=tuple(steps),
        source=f"Half the difference of diameters, and of lengths; workshop rule: {fig(spigot_mm, 'mm')} of wall to "
        f"a spigot, {fig(ring_mm, 'mm')} to a ring, {fig(LEAST_FLOOR_MM, 'mm')} of floor.",
    )


def _left_step(one: MetalLeft, symbol: str) -> Step:
    name = "d" if one.is_radial else "t"
    given = [
        worked(f"{name}_{k}", mm, "mm", "diameter, as entered" if one.is_radial else "as entered")
        for k, mm in enumerate((one.from_mm, *one.less_mm))
    ]
    sums = " - ".join(each.name for each in given)
    sums = f"max(({sums}) / 2, 0)" if one.is_radial else f"max({sums}, 0)"
    return step(symbol, sums, *given, value=max(one.left_mm, 0.0), unit="mm", decimals=2, words=one.where)


def sits_working(seat: Seat | None, own_mm: float | None, behind: float | None, held: float | None) -> Working:
    """Return how far spigot and bore are in one another, and what is free past the end."""
    steps: tuple[Step, ...] = ()
    if seat is not None and own_mm is not None and behind is not None and held is not None:
        depth = entered("t", seat.depth_mm, "mm", "plate.plate.registers")
        own = worked("t_o", own_mm, "mm", "of what it meets, as measured")
        chamfer = entered("c", seat.chamfer_mm, "mm", "plate.plate.registers")
        straight = max(held, 0.0)
        sums = "max(min(t, t_o) - 2 * c, 0)"
        steps = (
            step(
                "l", sums, depth, own, chamfer, value=straight, unit="mm", decimals=2, words="straight in one another"
            ),
            _behind_step(seat, depth, own, behind),
        )
        if held / LEAST_REACH_MM < behind / BEHIND_MM:
            steps = steps[::-1]  # what is judged comes last
    return Working(
        steps=steps,
        source=f"Workshop rule: {fig(LEAST_REACH_MM, 'mm')} straight in one another, {fig(BEHIND_MM, 'mm')} free past "
        "the end, so that the faces meet and not the spigot.",
    )


def _behind_step(seat: Seat, depth: Given, own: Given, behind: float) -> Step:
    free = max(behind, 0.0)
    if seat.mate is Mate.BORE:
        return step("b", "max(t_o - t, 0)", own, depth, value=free, unit="mm", decimals=2, words="free past the end")
    deep = worked("t_b", behind + own.value, "mm", "how deep the bore is; through the plate, its thickness")
    return step("b", "max(t_b - t_o, 0)", deep, own, value=free, unit="mm", decimals=2, words="free past the end")


def matches_working(register: RegisterInputs, size: Sized | None, meets: Mate | None) -> Working:
    """Return the least and the greatest play against what was measured."""
    found, steps = fit_within(register.size_mm, register.fit.value), list[Step]()
    if found is not None and size is not None and meets is not None:
        own = found.bore if meets is Mate.SPIGOT else found.shaft
        least, most = (
            tabled(f"d_{k}", mm, "mm", f"{own.zone} of the register, ISO 286-2")
            for k, mm in enumerate((own.least_mm, own.greatest_mm), start=1)
        )
        measured = worked("d_o", size.mm, "mm", "of what it meets, as measured")
        for symbol, one in (("p_1", least), ("p_2", most)):
            sums = f"{one.name} - d_o" if meets is Mate.SPIGOT else f"d_o - {one.name}"
            play = one.value - size.mm if meets is Mate.SPIGOT else size.mm - one.value
            steps.append(step(symbol, sums, one, measured, value=play, unit="mm", decimals=3, words="play"))
    return Working(
        steps=tuple(steps),
        source="ISO 286-2 for the register; what it meets as measured, with its ± as sure as 95 %.",
    )
