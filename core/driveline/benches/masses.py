"""Masses off and on: what each axle carries as it was, as it will be and laden, and the balance that follows."""

from dataclasses import dataclass

from driveline.benches.common import Margins, ToDo, rounded_figure
from driveline.checks import Check, Result, Step, Working
from driveline.masses import Load, axle_loads_kg, cg_height_by_lifting_mm, combined
from driveline.road import Balance
from driveline.sheets.base import positive_of, value_of
from driveline.sheets.brief import Vehicle
from driveline.sheets.masses import MassesSheet, MassItem


class Standing(Result):
    """How one state of the vehicle stands; ``None`` is not known."""

    key: str  # was, kerb, laden
    title: str
    mass_kg: float
    front_kg: float | None
    rear_kg: float | None
    front_share: float | None
    left_share: float | None
    cg_height_mm: float | None
    cg_forward_mm: float | None


class Placed(Result):
    """An item where it is known to be, for the drawing."""

    name: str
    mass_kg: float
    is_on: bool
    only_laden: bool
    x_mm: float
    z_mm: float


class MassesResult(Result):
    """The vehicle as it was, as it will be, and laden; a state is left out while its mass is not known."""

    wheelbase_mm: float | None
    wheel_centre_mm: float | None
    standings: tuple[Standing, ...]
    placed: tuple[Placed, ...]
    to_do: tuple[ToDo, ...]


@dataclass(frozen=True, slots=True, kw_only=True)
class Weights:
    """Masses and balance to calculate with; ``None`` is not known."""

    kerb_kg: float | None
    laden_kg: float | None
    balance: Balance | None
    laden_balance: Balance | None
    is_laden_placed: bool
    result: MassesResult


def solve_masses(sheet: MassesSheet, vehicle: Vehicle, wheel_centre_mm: float | None) -> Weights:
    """Return how the vehicle stands with its items off and on.

    Args:
        sheet: Axle weights and items.
        vehicle: Its kerb mass and front share are of the vehicle as weighed: before the items, when there are any.
        wheel_centre_mm: Height of the wheel centres, for a centre of gravity found by lifting.

    Raises:
        ImpossibleInput: If the items take off more than there is.
    """
    wheelbase_mm = positive_of(vehicle.wheelbase)
    was = _as_it_was(sheet, vehicle, wheelbase_mm, wheel_centre_mm)
    always = [_load(item) for item in sheet.items if not item.only_laden]
    loads = [_load(item) for item in sheet.items if item.only_laden]
    kerb = None if was is None else combined([was, *always])
    laden, is_placed = _laden(kerb, loads, value_of(vehicle.laden_mass))
    states = [("was", "as it was", was if always else None), ("kerb", "as it will be" if always else "kerb", kerb)]
    states.append(("laden", "laden", laden))
    return Weights(
        kerb_kg=kerb.mass_kg if kerb else None,
        laden_kg=laden.mass_kg if laden else value_of(vehicle.laden_mass),
        balance=_balance(kerb, wheelbase_mm),
        laden_balance=_balance(laden, wheelbase_mm),
        is_laden_placed=is_placed,
        result=MassesResult(
            wheelbase_mm=wheelbase_mm,
            wheel_centre_mm=wheel_centre_mm,
            placed=tuple(
                Placed(
                    name=item.name,
                    mass_kg=item.mass.kg,
                    is_on=item.is_on,
                    only_laden=item.only_laden,
                    x_mm=item.x.mm,
                    z_mm=item.z.mm,
                )
                for item in sheet.items
                if item.x and item.z
            ),
            standings=tuple(
                _standing(key, title, load, wheelbase_mm, positive_of(sheet.track))
                for key, title, load in states
                if load
            ),
            to_do=tuple(
                ToDo(field="masses.items", text=f"Say where the {item.name.lower()} is: {places} from the datum.")
                for item in sheet.items
                if (places := _places_missing(item))
            ),
        ),
    )


def _load(item: MassItem) -> Load:
    sign = 1.0 if item.is_on else -1.0
    return Load(mass_kg=sign * item.mass.kg, x_mm=value_of(item.x), y_mm=value_of(item.y), z_mm=value_of(item.z))


def _places_missing(item: MassItem) -> str:
    return " and ".join(word for word, place in (("forward", item.x), ("height", item.z)) if place is None)


def _as_it_was(
    sheet: MassesSheet, vehicle: Vehicle, wheelbase_mm: float | None, wheel_centre_mm: float | None
) -> Load | None:
    front_kg, rear_kg = value_of(sheet.front_axle), value_of(sheet.rear_axle)
    weighed_kg = front_kg + rear_kg if front_kg is not None and rear_kg is not None else None
    mass_kg = value_of(vehicle.kerb_mass) or weighed_kg
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


def _laden(kerb: Load | None, loads: list[Load], stated_kg: float | None) -> tuple[Load | None, bool]:
    """The laden vehicle, and whether its load's place is known; else it stands as the empty one does."""
    if kerb is None:
        return None, False
    if loads:
        return combined([kerb, *loads]), True
    if stated_kg is None:
        return None, False
    return Load(mass_kg=stated_kg, x_mm=kerb.x_mm, y_mm=None, z_mm=kerb.z_mm), False


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
        cg_forward_mm=rounded_figure(load.x_mm),
    )


def mass_checks(sheet: MassesSheet, result: MassesResult, margins: Margins) -> tuple[Check, ...]:
    """Return what axles and tyres carry against what they may, laden where that is known; none without ratings."""
    heaviest = result.standings[-1] if result.standings else None
    front_kg = heaviest.front_kg if heaviest else None
    rear_kg = heaviest.rear_kg if heaviest else None
    of_tyres = max(front_kg, rear_kg) / 2 if front_kg is not None and rear_kg is not None else None
    rated = (
        ("front_axle", "Front axle load", front_kg, value_of(sheet.front_axle_rating)),
        ("rear_axle", "Rear axle load", rear_kg, value_of(sheet.rear_axle_rating)),
        ("tyre", "Load on one tyre", of_tyres, value_of(sheet.tyre_rating)),
    )
    state = heaviest.title if heaviest else "laden"
    return tuple(
        margins.check(
            "load_rating",
            key=f"masses.{key}",
            bench="brief",
            title=title,
            demand=load_kg,
            capacity=rating_kg,
            unit="kg",
            says=f"{load_kg:.0f} of {rating_kg:.0f} kg, {state}"
            if load_kg is not None
            else "Give front share, wheelbase and every item's place.",
            station="wheel",
            missing=() if load_kg is not None else ("Axle loads",),
            inputs=("masses", "brief.vehicle"),
            working=Working(
                steps=(Step(formula="front = m x / L, rear = m − front", result=state),),
                source="Moments about the rear wheel centres; a tyre carries half of its axle.",
            ),
        )
        for key, title, load_kg, rating_kg in rated
        if rating_kg is not None
    )
