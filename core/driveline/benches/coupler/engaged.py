"""How much of either shaft is in its hub: where both have full teeth, key or seat, at the worst of all limits.

Each end is a sum of named lengths from the motor's face, or from the shaft's own tip where the hub slides on it.
"""

from collections.abc import Mapping
from dataclasses import dataclass

from driveline.benches.coupler.axial import (
    APART_NAME,
    AxialGap,
    Part,
    gap_of,
    growth_and_float,
    motor_stub,
)
from driveline.benches.coupler.gaps import Apart
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.shaft_inputs import ShaftInputs, Sized
from driveline.benches.coupler.sheet import ShaftKind
from driveline.fits.engagement import Ends, FullForm, engaged, overlap_ways
from driveline.fits.stackup import Link
from driveline.shafts.coupler import CouplerStyle
from driveline.shafts.splines import WANTED_OF_PITCH

Lengths = Mapping[str, Sized | None]
WAYS = (  # in the order of ``overlap_ways``: its key, and its title
    ("shaft", "Full teeth of the {shaft} are long enough"),
    ("past", "Teeth of the hub short of the end of those of the {shaft}"),
    ("", "Spline engaged on the {shaft}"),
    ("hub", "Full teeth in the hub on the {shaft} are long enough"),
)


@dataclass(frozen=True, slots=True, kw_only=True)
class Meeting:
    """Full form of a shaft's end and of its hub."""

    shaft: FullForm
    hub: FullForm
    lengths: Lengths

    @property
    def is_known(self) -> bool:
        """Whether every length is, with its limits."""
        return all(one is not None and one.either_way_mm is not None for one in self.lengths.values())


@dataclass(frozen=True, slots=True, kw_only=True)
class OnShafts:
    """How much of each shaft is in its hub for certain; ``None`` while a length or its ± is not known."""

    motor_mm: float | None  # of its key or teeth
    seat_mm: float | None  # of the motor hub's seat
    gearbox_mm: float | None


def on_shafts(inputs: CouplerInputs, style: CouplerStyle, apart: Apart) -> OnShafts:
    """Return what of either shaft's key, teeth and seat is in its hub at the worst of all limits."""
    motor, box = inputs.motor_shaft, inputs.gearbox_shaft
    return OnShafts(
        motor_mm=_least_mm(meeting(inputs, motor, style), apart),
        seat_mm=_least_mm(_seat(inputs, style), apart),
        gearbox_mm=None if style is CouplerStyle.CLUTCH else _least_mm(meeting(inputs, box, style), apart),
    )


def _least_mm(both: Meeting, apart: Apart) -> float | None:
    is_hanging = any(APART_NAME in one for one in overlap_ways(both.shaft, both.hub))
    if not both.is_known or (is_hanging and (apart.link is None or not apart.is_sure)):
        return None
    links = {name: Link(name, one.mm, one.either_way_mm or 0.0) for name, one in both.lengths.items() if one}
    if is_hanging and apart.link is not None:
        links[APART_NAME] = Link(APART_NAME, apart.link.length_mm, apart.link.either_way_mm)
    return engaged(links, both.shaft, both.hub).least_mm


def meeting(inputs: CouplerInputs, shaft: ShaftInputs, style: CouplerStyle) -> Meeting:
    """Return the full form of a shaft's key or teeth, and that of its hub."""
    is_motor = shaft.name == "motor_shaft"
    if style is not CouplerStyle.FLEXIBLE and not is_motor:
        return _on_fixed_gearbox(inputs, style)
    lengths: dict[str, Sized | None] = {}
    mouth = _mouth(inputs, shaft, style, lengths)
    if shaft.kind is ShaftKind.SPLINED:
        return _splined(inputs, shaft, mouth, lengths)
    lengths |= {"tip to its key": shaft.key.starts, "key": shaft.key.length}
    hub: FullForm = _seat_form(inputs, shaft, mouth, lengths)
    key = FullForm({"tip to its key": 1}, {"tip to its key": 1, "key": 1})
    return Meeting(shaft=key, hub=hub, lengths=lengths)


def _mouth(
    inputs: CouplerInputs, shaft: ShaftInputs, style: CouplerStyle, lengths: dict[str, Sized | None]
) -> dict[str, int]:
    """Where the hub's mouth stands, from the shaft's tip toward its machine."""
    name = "motor" if shaft.name == "motor_shaft" else "gearbox"
    if style is CouplerStyle.FLEXIBLE:
        jaw, slide, length = inputs.jaw, f"{name} hub before its tip", f"length of the {name}'s hub"
        lengths[length] = jaw.motor_hub if name == "motor" else jaw.gearbox_hub
        lengths[slide] = jaw.motor_slide if name == "motor" else jaw.gearbox_slide
        return {length: 1, slide: -1}
    tip, back = "tip of the motor shaft from its face", "motor face to the hub's back"
    lengths |= {tip: motor_stub(inputs).stands_out, back: inputs.hub.to_face}
    return {tip: 1, back: -1}


def _splined(
    inputs: CouplerInputs, shaft: ShaftInputs, mouth: dict[str, int], lengths: dict[str, Sized | None]
) -> Meeting:
    first, teeth, own = "tip to the first full tooth", f"full teeth of the {shaft.word}", "full teeth in its hub"
    chamfers = inputs.hub.chamfers_mm
    sized = None if chamfers is None else Sized(chamfers, 0.0)
    lengths |= {first: shaft.spline.starts, teeth: shaft.spline.length, own: shaft.spline.hub_teeth, CHAMFERS: sized}
    end = {**mouth, CHAMFERS: -1}
    return Meeting(
        shaft=FullForm({first: 1}, {first: 1, teeth: 1}), hub=FullForm({**end, own: -1}, end), lengths=lengths
    )


CHAMFERS = "chamfers of both ends"


def _on_fixed_gearbox(inputs: CouplerInputs, style: CouplerStyle) -> Meeting:
    """The gearbox's shaft in a hub that stands on the motor's, from the motor's face."""
    hub, box = inputs.hub, inputs.gearbox_shaft
    lengths: dict[str, Sized | None] = {
        "motor face to the hub's back": hub.to_face,
        "hub over all": hub.length,
        "tip of the gearbox shaft from its face": box.stands_out,
    }
    for shaft in (inputs.motor_shaft, box):
        lengths |= dict(growth_and_float(shaft))
    far = {"motor face to the hub's back": 1, "hub over all": 1}
    if style is CouplerStyle.RIGID:  # without a clutch centre the hub's own spline ends where the hub does
        lengths["hub end to its spline's far end"] = hub.reach
        far["hub end to its spline's far end"] = 1
    far |= {name: 1 for name, _ in growth_and_float(inputs.motor_shaft)}
    tip = {APART_NAME: 1, "tip of the gearbox shaft from its face": -1}
    tip |= {name: -1 for name, _ in growth_and_float(box)}
    found = _splined(inputs, box, far, lengths)
    return Meeting(
        shaft=FullForm({**tip, **found.shaft.start}, {**tip, **found.shaft.end}), hub=found.hub, lengths=lengths
    )


def _seat(inputs: CouplerInputs, style: CouplerStyle) -> Meeting:
    """The motor's shaft in the hub's seat."""
    shaft = motor_stub(inputs)
    lengths: dict[str, Sized | None] = {}
    mouth = _mouth(inputs, shaft, style, lengths)
    hub = _seat_form(inputs, shaft, mouth, lengths)
    return Meeting(shaft=FullForm({}, {**mouth}), hub=hub, lengths=lengths)


def _seat_form(
    inputs: CouplerInputs, shaft: ShaftInputs, mouth: dict[str, int], lengths: dict[str, Sized | None]
) -> FullForm:
    """The bore that bears: the motor hub's seat; of the gearbox's hub all of it."""
    if shaft.name == "motor_shaft":
        lengths["hub's seat"] = None if inputs.hub.seat_mm is None else Sized(inputs.hub.seat_mm, 0.0)
        return FullForm({**mouth, "hub's seat": -1}, mouth)
    length = "length of the gearbox's hub"
    return FullForm({name: way for name, way in mouth.items() if name != length}, mouth)


def spline_gaps(inputs: CouplerInputs, style: CouplerStyle) -> tuple[AxialGap, ...]:
    """Return, for each splined shaft, the four lengths of which the engagement is the least."""
    found: list[AxialGap] = []
    for shaft in (inputs.motor_shaft, inputs.gearbox_shaft):
        is_motor = shaft.name == "motor_shaft"
        if style is CouplerStyle.CLUTCH and not is_motor:
            continue
        if shaft.kind is not ShaftKind.SPLINED and (is_motor or style is CouplerStyle.FLEXIBLE):
            continue
        found += _gaps_of(meeting(inputs, shaft, style), shaft)
    return tuple(found)


def _gaps_of(both: Meeting, shaft: ShaftInputs) -> list[AxialGap]:
    wanted_mm = None if shaft.diameter_mm is None else WANTED_OF_PITCH * shaft.diameter_mm
    gaps = []
    start = "" if shaft.name == "gearbox_shaft" else "motor_"
    for way, (key, title) in zip(overlap_ways(both.shaft, both.hub), WAYS, strict=True):
        gaps.append(
            gap_of(
                f"{start}spline{'_' + key if key else ''}",
                title.format(shaft=shaft.word),
                _parts(way, both.lengths),
                apart=way.get(APART_NAME, 0),
                least_mm=wanted_mm,
                limits=(f"Diameter of the {shaft.word} over its spline",),
                fields=(f"{shaft.field}.spline", "coupler.hub.chamfers", f"{shaft.field}.reading"),
                is_drawn=bool(way.get(APART_NAME)) and not key,
            )
        )
    return gaps


def _parts(way: Ends, lengths: Lengths) -> list[Part]:
    return [(name, float(sign), lengths[name]) for name, sign in way.items() if name != APART_NAME]
