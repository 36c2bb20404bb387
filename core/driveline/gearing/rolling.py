"""How far a turn of the wheel takes the vehicle, by every method that was measured."""

from driveline.checks import Result
from driveline.errors import UnreadableMeasurement
from driveline.figures import fig, num
from driveline.gearing.sheets import Tyre, TyreMethod
from driveline.gearing.tyre import (
    Construction,
    Rolling,
    is_plausible,
    methods_disagree,
    read_tyre_code,
    rolling_from_code,
    rolling_from_loaded_radius,
    rolling_from_roll_out,
)
from driveline.results import Notes
from driveline.sheet import positive_of


class TyreFigure(Result):
    """One way to the rolling circumference."""

    method: TyreMethod
    text: str
    circumference_mm: float
    u_mm: float
    used: bool


def rolling_figures(tyre: Tyre, notes: Notes, field: str) -> tuple[tuple[TyreFigure, ...], Rolling | None]:
    """Every method measured, the surest first; implausible ones are queried and never used."""
    found: list[tuple[TyreMethod, Rolling]] = []
    if tyre.roll_out and positive_of(tyre.roll_out):
        u_mm = tyre.roll_out.u_mm or 2.0
        roll_out = rolling_from_roll_out(distance_mm=tyre.roll_out.mm, turns=tyre.roll_out_turns, u_mm=u_mm)
        found.append((TyreMethod.ROLL_OUT, roll_out))
    if loaded_mm := positive_of(tyre.loaded_radius):
        free_mm = positive_of(tyre.free_radius)
        if free_mm is not None and free_mm < loaded_mm:
            notes.queries.append("The free radius is below the loaded one. Measure both again.")
            free_mm = None
        loaded = rolling_from_loaded_radius(
            loaded_radius_mm=loaded_mm, construction=_construction(tyre), free_radius_mm=free_mm
        )
        found.append((TyreMethod.LOADED_RADIUS, loaded))
    if tyre.code:
        try:
            found.append((TyreMethod.CODE, rolling_from_code(read_tyre_code(tyre.code))))
        except UnreadableMeasurement as error:
            notes.queries.append(str(error))
    used = _used(found, tyre.use, notes, field)
    figures = tuple(
        TyreFigure(
            method=method, text=one.method, circumference_mm=one.circumference_mm, u_mm=one.u_mm, used=one is used
        )
        for method, one in found
    )
    return figures, used


def _construction(tyre: Tyre) -> Construction:
    """As the code says, where there is one that can be read."""
    try:
        return read_tyre_code(tyre.code).construction if tyre.code else tyre.construction
    except UnreadableMeasurement:
        return tyre.construction


def _used(found: list[tuple[TyreMethod, Rolling]], use: TyreMethod, notes: Notes, field: str) -> Rolling | None:
    for _, one in found:
        if not is_plausible(one):
            notes.queries.append(
                f"{fig(one.circumference_mm, 'mm', 0)} a turn by {one.method} is no road tyre's "
                f"({num(1200, 'mm', 0)} to {fig(3200, 'mm', 0)}). "
                "Not used; measure again."
            )
    sound = [(method, one) for method, one in found if is_plausible(one)]
    if sound and any(methods_disagree(sound[0][1], other) for _, other in sound[1:]):
        texts = ", ".join(f"{fig(one.circumference_mm, 'mm', 0)} by {one.method}" for _, one in sound)
        notes.queries.append(
            f"The methods differ by more than 2.5 %: {texts}. Was the free diameter taken for the rolling one?"
        )
    wanted = [one for method, one in sound if use in (TyreMethod.BEST, method)]
    notes.need(bool(wanted), field, "Read the tyre's code, or roll the wheel one turn and tape the floor.")
    return wanted[0] if wanted else None


def rolling_of(tyre: Tyre) -> Rolling | None:
    """Return the rolling circumference of another tyre that could be fitted, by its surest method."""
    return rolling_figures(tyre, Notes(), "ratios.tyres")[1]
