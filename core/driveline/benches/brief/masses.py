"""Masses off and on: what each axle carries as it was, as it will be and laden, and the balance that follows."""

import re
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

from driveline.benches.brief.masses_sheet import MassesSheet, MassItem
from driveline.benches.brief.needs import PlacedMass
from driveline.benches.brief.results import Elsewhere, MassesResult, Placed, Standing
from driveline.benches.brief.sheet import Vehicle
from driveline.figures import fig
from driveline.gearing.axle_loads import Load, axle_loads_kg, cg_height_by_lifting_mm, combined
from driveline.gearing.road import Balance
from driveline.results import ToDo, rounded_figure
from driveline.sheet import positive_of, value_of

AXLES_AGREE_SHARE: Final = 0.02
SAME_MASS_SHARE: Final = 0.01  # a stated laden mass this near to what the items make is the same


@dataclass(frozen=True, slots=True, kw_only=True)
class Weights:
    """Masses and balance to calculate with; ``None`` is not known."""

    kerb_kg: float | None
    laden_kg: float | None
    balance: Balance | None
    laden_balance: Balance | None
    queries: tuple[str, ...]
    result: MassesResult


def solve_masses(
    sheet: MassesSheet, vehicle: Vehicle, wheel_centre_mm: float | None, placed: tuple[PlacedMass, ...] = ()
) -> Weights:
    """Return how the vehicle stands with its items off and on.

    Args:
        sheet: Axle weights and items.
        vehicle: Its kerb mass and front share are of the vehicle as weighed: before the items, when there are any.
        wheel_centre_mm: Height of the wheel centres, for a centre of gravity found by lifting.
        placed: What the placement takes off and puts on; while one of them is not weighed, the vehicle isn't either.

    Raises:
        ImpossibleInput: If the items take off more than there is.
    """
    wheelbase_mm = positive_of(vehicle.wheelbase)
    was = _as_it_was(sheet, vehicle, wheelbase_mm, wheel_centre_mm)
    always = [_load(item) for item in sheet.items if not item.only_laden] + [_placed_load(one) for one in placed]
    loads = [_load(item) for item in sheet.items if item.only_laden]
    is_weighed = all(one.mass_kg is not None for one in placed)
    kerb = None if was is None or not is_weighed else combined([was, *always])
    laden = _laden(kerb, loads, positive_of(vehicle.laden_mass))
    states = [("was", "as it was", was if always else None), ("kerb", "as it will be" if always else "kerb", kerb)]
    states.append(("laden", "laden", laden))
    return Weights(
        kerb_kg=kerb.mass_kg if kerb else None,
        laden_kg=laden.mass_kg if laden else positive_of(vehicle.laden_mass),
        balance=_balance(kerb, wheelbase_mm),
        laden_balance=_balance(laden, wheelbase_mm),
        queries=tuple(_queries(sheet, vehicle, kerb, loads)),
        result=MassesResult(
            wheelbase_mm=wheelbase_mm,
            wheel_centre_mm=wheel_centre_mm,
            placed=_drawn(sheet, placed),
            elsewhere=tuple(
                Elsewhere(name=one.name, mass_kg=one.mass_kg, is_on=one.is_on, is_placed=one.at_mm is not None)
                for one in placed
            ),
            standings=tuple(
                _standing(key, title, load, wheelbase_mm, positive_of(sheet.track))
                for key, title, load in states
                if load
            ),
            to_do=tuple(
                ToDo(field="brief.masses.items", text=f"Say where the {item.name.lower()} is: {places} from the datum.")
                for item in sheet.items
                if (places := _places_missing(item))
            ),
        ),
    )


def _load(item: MassItem) -> Load:
    sign = 1.0 if item.is_on else -1.0
    return Load(mass_kg=sign * item.mass.kg, x_mm=value_of(item.x), y_mm=value_of(item.y), z_mm=value_of(item.z))


def _drawn(sheet: MassesSheet, placed: tuple[PlacedMass, ...]) -> tuple[Placed, ...]:
    """Everything whose place is known, for the picture."""
    own = [
        Placed(
            name=item.name,
            mass_kg=item.mass.kg,
            is_on=item.is_on,
            only_laden=bool(item.only_laden),
            x_mm=item.x.mm,
            z_mm=item.z.mm,
        )
        for item in sheet.items
        if item.x and item.z
    ]
    others = [
        Placed(
            name=one.name,
            mass_kg=one.mass_kg,
            is_on=one.is_on,
            only_laden=False,
            x_mm=one.at_mm[0],
            z_mm=one.at_mm[2],
        )
        for one in placed
        if one.mass_kg is not None and one.at_mm is not None
    ]
    return (*own, *others)


def _placed_load(one: PlacedMass) -> Load:
    x, y, z = one.at_mm or (None, None, None)
    return Load(mass_kg=(1.0 if one.is_on else -1.0) * (one.mass_kg or 0.0), x_mm=x, y_mm=y, z_mm=z)


def _places_missing(item: MassItem) -> str:
    return " and ".join(word for word, place in (("forward", item.x), ("height", item.z)) if place is None)


def _as_it_was(
    sheet: MassesSheet, vehicle: Vehicle, wheelbase_mm: float | None, wheel_centre_mm: float | None
) -> Load | None:
    front_kg, rear_kg = positive_of(sheet.front_axle), positive_of(sheet.rear_axle)
    weighed_kg = front_kg + rear_kg if front_kg is not None and rear_kg is not None else None
    mass_kg = positive_of(vehicle.kerb_mass) or weighed_kg
    if not mass_kg:
        return None
    share = vehicle.front_share
    if share is None and weighed_kg and front_kg is not None:
        share = front_kg / weighed_kg
    left_kg, track_mm = value_of(sheet.left_side), positive_of(sheet.track)
    height_mm = value_of(vehicle.cg_height)
    if height_mm is None and wheelbase_mm and wheel_centre_mm and sheet.lift_angle and sheet.lift_gain:
        height_mm = cg_height_by_lifting_mm(
            gained_kg=sheet.lift_gain.kg,
            wheelbase_mm=wheelbase_mm,
            mass_kg=mass_kg,
            lift_deg=abs(sheet.lift_angle.deg),
            wheel_centre_mm=wheel_centre_mm,
        )
    return Load(
        mass_kg=mass_kg,
        x_mm=share * wheelbase_mm if share is not None and wheelbase_mm else None,
        y_mm=None if left_kg is None or track_mm is None else (left_kg / mass_kg - 0.5) * track_mm,
        z_mm=height_mm,
    )


def _laden(kerb: Load | None, loads: list[Load], stated_kg: float | None) -> Load | None:
    """The laden vehicle: with its items; what a stated mass has beyond them stands nobody knows where."""
    if kerb is None or (not loads and stated_kg is None):
        return None
    placed = combined([kerb, *loads])
    beyond_kg = max((stated_kg or 0.0) - placed.mass_kg, 0.0)
    if loads and beyond_kg <= SAME_MASS_SHARE * placed.mass_kg:
        return placed
    return combined([placed, Load(mass_kg=beyond_kg, x_mm=None, y_mm=None, z_mm=None)])


LOADS: Final = re.compile(
    r"\b(people|persons?|passengers?|driver|crew|occupants?|bags?|luggage|baggage|load|cargo|shopping|dogs?|tools?)\b",
    re.I,
)


def _load_queries(sheet: MassesSheet) -> Iterator[str]:
    """What goes by the name of a load and is counted empty too: nobody said which it is."""
    for item in sheet.items:
        if item.is_on and item.only_laden is None and LOADS.search(item.name):
            yield (
                f"{item.name}: is it of the vehicle, there when it is empty too, or load, counted laden only? "
                "Say put on, or load."
            )


def _queries(sheet: MassesSheet, vehicle: Vehicle, kerb: Load | None, loads: list[Load]) -> Iterator[str]:
    """Figures that contradict one another: both are named, and neither is believed more."""
    yield from _load_queries(sheet)
    kerb_kg, laden_kg = positive_of(vehicle.kerb_mass), positive_of(vehicle.laden_mass)
    front_kg, rear_kg = positive_of(sheet.front_axle), positive_of(sheet.rear_axle)
    if kerb is not None and laden_kg is not None:
        placed_kg = combined([kerb, *loads]).mass_kg
        if laden_kg < kerb.mass_kg:
            empty = fig(kerb.mass_kg, "kg", 0)
            yield f"Laden {fig(laden_kg, 'kg', 0)} is below the {empty} of it empty. Which one is right?"
        elif loads and abs(laden_kg - placed_kg) > SAME_MASS_SHARE * placed_kg:
            made = fig(placed_kg, "kg", 0)
            yield f"Laden {fig(laden_kg, 'kg', 0)} is stated; its items make {made}. Which one is right?"
    if front_kg is None or rear_kg is None:
        return
    weighed_kg = front_kg + rear_kg
    if kerb_kg is not None and abs(weighed_kg - kerb_kg) > AXLES_AGREE_SHARE * kerb_kg:
        stated = fig(kerb_kg, "kg", 0)
        yield f"The axles weighed {fig(weighed_kg, 'kg', 0)} together; {stated} is stated. Which one is right?"
    share = vehicle.front_share
    if share is not None and abs(front_kg / weighed_kg - share) > AXLES_AGREE_SHARE:
        yield f"The axles' weights make a front share of {front_kg / weighed_kg:.2f}; {share:g} is stated."


def _balance(load: Load | None, wheelbase_mm: float | None) -> Balance | None:
    if load is None or load.x_mm is None or load.z_mm is None or not wheelbase_mm:
        return None
    share = load.x_mm / wheelbase_mm
    if not 0 < share < 1:
        return None
    return Balance(front_share=share, cg_height_mm=load.z_mm, wheelbase_mm=wheelbase_mm)


def _standing(key: str, title: str, load: Load, wheelbase_mm: float | None, track_mm: float | None) -> Standing:
    axles = axle_loads_kg(load, wheelbase_mm) if wheelbase_mm else None
    front_kg, rear_kg = axles or (None, None)
    return Standing(
        key=key,
        title=title,
        mass_kg=load.mass_kg,
        front_kg=front_kg,
        rear_kg=rear_kg,
        front_share=None if front_kg is None else front_kg / load.mass_kg,
        left_share=0.5 + load.y_mm / track_mm if load.y_mm is not None and track_mm else None,
        cg_height_mm=rounded_figure(load.z_mm),
        cg_forward_mm=rounded_figure(load.x_mm, 12),
    )
