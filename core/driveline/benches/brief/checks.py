"""Masses and axle loads against what axles and tyres may carry."""

from driveline.benches.brief.masses_sheet import MassesSheet
from driveline.benches.brief.results import MassesResult, Standing
from driveline.benches.brief.sheet import Vehicle
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.margins import Judge, wanted_words
from driveline.sheet import positive_of, value_of
from driveline.working import Step, Working, entered, step, tabled, worked


def mass_checks(sheet: MassesSheet, vehicle: Vehicle, result: MassesResult, judge: Judge) -> tuple[Check, ...]:
    """Return what axles and tyres carry laden against what they may, and whether every axle stays on the ground.

    Nothing is asked before the first figure of axles, items or ratings is there.
    """
    standing = {one.key: one for one in result.standings}
    laden, wheelbase_mm = standing.get("laden"), positive_of(vehicle.wheelbase)
    missing = _places_wanted(sheet, vehicle, laden)
    rated = (
        ("front_axle", "Front axle load", laden.front_kg if laden else None, sheet.front_axle_rating, missing),
        ("rear_axle", "Rear axle load", laden.rear_kg if laden else None, sheet.rear_axle_rating, missing),
        ("tyre", "Load on one tyre", _on_one_tyre_kg(laden), sheet.tyre_rating, _sides_wanted(sheet, laden, missing)),
    )
    is_begun = bool(sheet.items or sheet.front_axle or vehicle.front_share or any(one[3] for one in rated))
    checks = [
        _load_check(key, title, load_kg, value_of(rating), wanted, laden, wheelbase_mm, judge)
        for key, title, load_kg, rating, wanted in rated
        if is_begun
    ]
    if is_begun:
        for key, title in (("kerb", "empty"), ("laden", "laden")):
            one = standing.get(key)
            checks.append(_grounded(key, title, one, _places_wanted(sheet, vehicle, one), wheelbase_mm, judge))
    return tuple(checks)


def _load_check(
    key: str,
    title: str,
    load_kg: float | None,
    rating_kg: float | None,
    missing: tuple[str, ...],
    laden: Standing | None,
    wheelbase_mm: float | None,
    judge: Judge,
) -> Check:
    missing += () if rating_kg is not None else (f"{title.removesuffix(' load')} rating",)
    says = wanted_words(missing)
    if load_kg is not None and load_kg < 0:
        says = f"{fig(load_kg, 'kg', 0)}: it lifts off and the vehicle tips over, laden"
    elif load_kg is not None and rating_kg is not None and not missing:
        says = f"{num(load_kg, 'kg', 0)} of {fig(rating_kg, 'kg', 0)}, laden"
    return judge.check(
        "load_rating",
        key=f"masses.{key}",
        title=title,
        demand=load_kg,
        capacity=rating_kg if rating_kg is not None or load_kg is None or load_kg >= 0 else 0.0,
        unit="kg",
        says=says,
        station="wheel",
        missing=missing,
        inputs=("brief.masses", "brief.vehicle"),
        working=lambda: Working(
            steps=_load_steps(key, laden, wheelbase_mm, load_kg),
            source="Moments about the rear wheel centres; the heavier side carries its share of an axle.",
        ),
    )


def _axle_steps(one: Standing | None, wheelbase_mm: float | None) -> tuple[Step, ...]:
    if one is None or one.front_kg is None or one.rear_kg is None or one.cg_forward_mm is None or not wheelbase_mm:
        return ()
    mass = worked("m", one.mass_kg, "kg", "brief.masses")
    front = step(
        "m_front",
        "m * x / L",
        mass,
        worked("x", one.cg_forward_mm, "mm", "brief.masses: centre of gravity forward of the rear wheels"),
        entered("L", wheelbase_mm, "mm", "brief.vehicle.wheelbase"),
        value=one.front_kg,
        unit="kg",
    )
    return front, step("m_rear", "m - m_front", mass, front, value=one.rear_kg, unit="kg")


def _load_steps(
    key: str, laden: Standing | None, wheelbase_mm: float | None, load_kg: float | None
) -> tuple[Step, ...]:
    steps = _axle_steps(laden, wheelbase_mm)
    if not steps or laden is None or load_kg is None:
        return ()
    front, rear = steps
    if key == "front_axle":
        return (front,)
    if key == "rear_axle":
        return steps
    share, where = laden.left_share, "brief.masses.left_side"
    left = (
        tabled("s_left", 0.5, "", "half: the sides are not weighed")
        if share is None
        else worked("s_left", share, "", where)
    )
    one = step("m_tyre", "max(m_front, m_rear) * max(s_left, 1 - s_left)", front, rear, left, value=load_kg, unit="kg")
    return (*steps, one)


def _grounded(
    key: str,
    title: str,
    one: Standing | None,
    missing: tuple[str, ...],
    wheelbase_mm: float | None,
    judge: Judge,
) -> Check:
    """An axle that carries less than nothing lifts off: the vehicle tips over as it stands."""
    front_kg, rear_kg = (one.front_kg, one.rear_kg) if one else (None, None)
    stands, says = None, wanted_words(missing)
    if front_kg is not None and rear_kg is not None:
        stands = front_kg > 0 and rear_kg > 0
        over = "backwards: the front lifts" if front_kg <= 0 else "forwards: the rear lifts"
        says = (
            f"{fig(front_kg, 'kg', 0)} in front, {num(rear_kg, 'kg', 0)} behind" if stands else f"It tips over {over}."
        )
    return judge.answer(
        is_so=stands,
        key=f"masses.stands_{key}",
        title=f"Stands on all wheels, {title}",
        says=says,
        station="wheel",
        missing=() if stands is not None else missing,
        inputs=("brief.masses", "brief.vehicle"),
        working=lambda: Working(steps=_axle_steps(one, wheelbase_mm), source="Moments about the wheel centres."),
    )


def _on_one_tyre_kg(laden: Standing | None) -> float | None:
    """The heavier side of the heavier axle; half of it, at best, while the sides are not known."""
    if laden is None or laden.front_kg is None or laden.rear_kg is None:
        return None
    heavier = 0.5 if laden.left_share is None else max(laden.left_share, 1 - laden.left_share)
    return max(laden.front_kg, laden.rear_kg) * heavier


def _places_wanted(sheet: MassesSheet, vehicle: Vehicle, laden: Standing | None) -> tuple[str, ...]:
    """What keeps the laden axle loads from being known."""
    if laden is None:
        return ("Laden mass",) if vehicle.kerb_mass or sheet.front_axle else ("Kerb mass",)
    if laden.front_kg is not None:
        return ()
    unplaced = [item.name for item in sheet.items if item.x is None]
    if unplaced:
        return tuple(f"Where the {name.lower()} is, forward of the rear wheels" for name in unplaced)
    if positive_of(vehicle.wheelbase) is None:
        return ("Wheelbase",)
    if vehicle.front_share is None and (sheet.front_axle is None or sheet.rear_axle is None):
        return ("Front share of the weight: weigh each axle",)
    return ("The load as items with their places, under Masses",)


def _sides_wanted(sheet: MassesSheet, laden: Standing | None, missing: tuple[str, ...]) -> tuple[str, ...]:
    """What keeps the share of the left and right wheels from being known, on top of the axle loads."""
    if missing or laden is None or laden.left_share is not None:
        return missing
    if sheet.left_side is None or positive_of(sheet.track) is None:
        return ("Weight on the left wheels, and the track",)
    astray = [item.name.lower() for item in sheet.items if item.y is None]
    return tuple(f"How far left of the middle the {name} is" for name in astray[:2])
