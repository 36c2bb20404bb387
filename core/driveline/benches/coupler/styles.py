"""The four styles side by side, the order of putting one together, and what the spider's ways ask."""

from typing import Final

from driveline.benches.coupler.axial import motor_stub
from driveline.benches.coupler.gaps import Apart
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.results import SpiderAlternative, StyleFacts
from driveline.benches.coupler.shaft_inputs import Sized
from driveline.fits.jaw import JawRoom, SpiderWay, face_window
from driveline.shafts.coupler import ANGLE_ALLOWANCE_DEG, DYNAMIC_FACTOR, PARALLEL_ALLOWANCE_MM, CouplerStyle

TITLES: Final = {
    CouplerStyle.RIGID: "rigid hub, clutch centre",
    CouplerStyle.FLEXIBLE: "flexible jaw with spider",
    CouplerStyle.CLUTCH: "flywheel and clutch kept",
    CouplerStyle.SPLINE: "direct spline",
}
_FACTS: Final = {  # gears, wears, needs, length
    CouplerStyle.RIGID: (
        "left in one, or shifted standing",
        "nothing, if it runs true",
        "lathe, dial, perhaps a welder",
        "shortest",
    ),
    CouplerStyle.FLEXIBLE: (
        "left in one, or shifted standing",
        "the spider",
        "lathe or bought hubs",
        "two hubs and a spider",
    ),
    CouplerStyle.CLUTCH: (
        "shifted as before",
        "linings and release bearing",
        "lathe, balancing",
        "longest and heaviest",
    ),
    CouplerStyle.SPLINE: (
        "left in one, or shifted standing",
        "the spline, if it is out of line",
        "broach or wire cutter",
        "short",
    ),
}


def style_facts(chosen: CouplerStyle | None) -> tuple[StyleFacts, ...]:
    """Return every style with what sets it apart: no score, the choice is a person's."""
    return tuple(
        StyleFacts(
            key=style.value,
            title=TITLES[style],
            is_chosen=style is chosen,
            shock=DYNAMIC_FACTOR[style],
            parallel_mm=PARALLEL_ALLOWANCE_MM[style],
            angle_deg=ANGLE_ALLOWANCE_DEG[style],
            gears=_FACTS[style][0],
            wears=_FACTS[style][1],
            needs=_FACTS[style][2],
            length=_FACTS[style][3],
        )
        for style in CouplerStyle
    )


def alternatives(inputs: CouplerInputs, apart: Apart) -> tuple[SpiderAlternative, ...]:
    """Return how far apart the faces may stand for each of the spider's ways; empty while a length is missing."""
    jaw, motor, box = inputs.jaw, inputs.motor_shaft.stands_out, inputs.gearbox_shaft.stands_out
    if motor is None or box is None or jaw.motor_hub is None or jaw.gearbox_hub is None:
        return ()
    if jaw.engaged_mm is None or jaw.gap_least_mm is None or jaw.gap_greatest_mm is None:
        return ()
    room = JawRoom(
        hub_lengths_mm=(jaw.motor_hub.mm, jaw.gearbox_hub.mm),
        hub_to_face_least_mm=inputs.face_clear_mm if inputs.face_clear_mm is not None else 2.0,
        hub_engaged_least_mm=jaw.engaged_mm,
        gap_least_mm=jaw.gap_least_mm,
        gap_greatest_mm=jaw.gap_greatest_mm,
        tip_gap_least_mm=jaw.tip_gap_mm if jaw.tip_gap_mm is not None else 3.0,
    )
    either_way_mm = apart.link.either_way_mm if apart.link else 0.0
    found = []
    for way in SpiderWay:
        stub: Sized | None = motor
        if way is SpiderWay.CUT:
            stub = None if jaw.cut_off is None else _cut(motor, jaw.cut_off)
        if stub is None:
            continue
        faces = face_window(
            way,
            ((stub.mm, stub.either_way_mm or 0.0), (box.mm, box.either_way_mm or 0.0)),
            room,
            apart_either_way_mm=either_way_mm,
        )
        is_known = faces.least_mm != float("inf")
        found.append(
            SpiderAlternative(
                key=way.value,
                title=way.words,
                least_mm=max(faces.least_mm, 0.0) if is_known else None,
                greatest_mm=faces.greatest_mm if is_known else None,
                is_possible=faces.is_possible,
                suits_apart=None
                if apart.link is None
                else faces.is_possible and faces.least_mm <= apart.link.length_mm <= faces.greatest_mm,
            )
        )
    return tuple(found)


def _cut(stub: Sized, off: Sized) -> Sized:
    limits = None if stub.either_way_mm is None or off.either_way_mm is None else stub.either_way_mm + off.either_way_mm
    return Sized(stub.mm - off.mm, limits)


def order_of(inputs: CouplerInputs, style: CouplerStyle) -> tuple[str, ...]:
    """Return the order of putting it together, with the holds in it."""
    stub = motor_stub(inputs)
    keyed = stub.kind is not None and stub.kind.value == "keyed"
    shrunk = inputs.hub.fit is not None and inputs.hub.fit.least_play_mm < 0
    steps = ["Both shafts clean and free of burrs; try the hub's bore on a gauge, not on the shaft."]
    if keyed:
        steps.append("HOLD: the key is in its way, and its height checked, before anything is warmed.")
    if shrunk:
        steps += [
            "Warm the hub through in an oven or on a plate, by thermometer; gloves, face shield; the shaft stays cold.",
            "Seat it to the shoulder in one go and hold it there till it bites: a few seconds are all there is.",
            "HOLD: cold to the hand before the grub screw, the dial or anything else.",
        ]
    steps.append("Dial on the hub's rim and face, turned by hand: write down the total reading.")
    if style is CouplerStyle.RIGID:
        steps += [
            "Centre in its register on the hub, both turned in one chucking: bolts clamp it, they do not place it.",
            "If it is welded: tack opposite, dial, weld in short runs opposite one another, dial again when cold.",
        ]
    if style is CouplerStyle.FLEXIBLE:
        steps.append("Spider in dry. Push the motor up until the gap between the hubs is as drawn, and measure it.")
    if style is CouplerStyle.CLUTCH:
        steps += [
            "Flywheel bolts to torque with locking; dial on the friction face.",
            "HOLD: the disc is centred on the pilot before the cover is tightened.",
        ]
    steps += [
        "A full turn by hand after every screw is tightened: if it binds, stop and find out why.",
        "First spin at low voltage, wheels off the ground and nobody in line; listen, then look at every screw again.",
    ]
    return tuple(steps)
