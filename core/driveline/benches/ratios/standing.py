"""What the picture of turning and parking shows: which way each thing turns, and the forces on a grade."""

from typing import Literal

from driveline.benches.ratios.gearing import Gearing
from driveline.benches.ratios.needs import RatiosNeeds
from driveline.benches.ratios.safety import wanted_parked_pct
from driveline.benches.ratios.sheet import OilPump, RatiosSheet
from driveline.benches.ratios.turning import kept_must_turn, other_way, sense_to_kept, turns_as_usual
from driveline.checks import Result
from driveline.gearing.parked import standing_on
from driveline.gearing.sheets import Rotation


class Turns(Result):
    """Something that turns, going forward; all but the wheel are seen with the motor's shaft pointing at you."""

    what: str
    way: Rotation | None  # None: not known
    note: str = ""


class ParkedForces(Result):
    """Forces on the laden vehicle on the grade that it must stand on, facing the way that unloads the braked axle."""

    grade_pct: float
    braked_axle: Literal["front", "rear"]
    is_facing_up: bool
    down_n: float
    braked_load_n: float
    other_load_n: float
    hold_n: float


class SafetyView(Result):
    """Both pictures."""

    turns: tuple[Turns, ...]
    parked: ParkedForces | None  # None: not enough is known of the vehicle


def safety_view(one: Gearing | None, needs: RatiosNeeds, sheet: RatiosSheet) -> SafetyView:
    """Return what is drawn; ``one`` is the gearing shown, if there is any yet."""
    return SafetyView(turns=_turns(one, needs, sheet), parked=_parked(needs))


def _turns(one: Gearing | None, needs: RatiosNeeds, sheet: RatiosSheet) -> tuple[Turns, ...]:
    usual, kept = needs.usual_rotation, kept_must_turn(needs, sheet)
    as_usual = turns_as_usual(one, needs, sheet) if one else None
    sense = sense_to_kept(one) if one else None
    motor: Rotation | None = None
    if usual is not None and as_usual is not None:
        motor = usual if as_usual else other_way(usual)
    elif kept is not None and sense is not None:
        motor = kept if sense > 0 else other_way(kept)
    words = {True: "its usual way", False: "against its usual way", None: ""}
    found = [Turns(what="Motor", way=motor, note=words[as_usual])]
    if sheet.turning.oil_pump is not None:
        found.append(Turns(what="Oil", way=motor, note=_oil_words(sheet.turning.oil_pump, as_usual)))
    if kept is not None or sense is not None:
        found.append(Turns(what="Kept shaft", way=kept))
    return tuple(found)


def _oil_words(pump: OilPump, as_usual: bool | None) -> str:
    if pump is OilPump.ONE_WAY:
        return {True: "one way: it pumps", False: "one way: no oil", None: "one way: not known"}[as_usual]
    words = {OilPump.NONE: "splash", OilPump.ELECTRIC: "electric pump", OilPump.EITHER_WAY: "pumps either way"}
    return words[pump]


def _parked(needs: RatiosNeeds) -> ParkedForces | None:
    laden, balance, parking = needs.brief.laden, needs.brief.laden_balance, needs.parking
    if laden is None or balance is None:
        return None
    on_front = parking.handbrake_axle == "front"
    grade_pct = wanted_parked_pct(parking)
    forces = standing_on(
        grade_pct, mass_kg=float(laden.mass_kg), balance=balance, grip=float(needs.brief.grip), on_front=on_front
    )
    return ParkedForces(
        grade_pct=grade_pct,
        braked_axle=parking.handbrake_axle,
        is_facing_up=on_front,
        down_n=forces.down_n,
        braked_load_n=forces.braked_load_n,
        other_load_n=forces.other_load_n,
        hold_n=forces.hold_n,
    )
