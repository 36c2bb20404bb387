"""The coupler in section: its bodies and gaps along the axis, as they would stand."""

from collections.abc import Sequence
from dataclasses import dataclass
from typing import Final

from driveline.benches.coupler.axial import AxialGap, motor_stub
from driveline.benches.coupler.gaps import Apart, stack_of
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.results import Block, GapResult, GapShare
from driveline.benches.coupler.shaft_inputs import Sized
from driveline.fits.stackup import Link
from driveline.shafts.coupler import CouplerStyle

SHAFT_MM: Final = 30.0  # drawn so thick while nobody measured it
DEEP_MM: Final = 24.0  # of a machine that is seen behind its face
FACE_MM: Final = 64.0  # and so far from the axis
WALL_MM: Final = 8.0
INSIDE_MM: Final = 60.0  # of a bell-housing past the shaft's tip, while no hub says how long it is
WIDER: Final = 1.7  # a hub over its shaft, while it is not known
SPIDER_OF: Final = 0.92


@dataclass(frozen=True, slots=True)
class _Drawn:
    """The lengths that the section is drawn by; what is not known is drawn at nought or left out."""

    apart: float
    motor_tip: float
    box_tip: float
    motor_d: float
    box_d: float


def section_of(inputs: CouplerInputs, style: CouplerStyle, apart: Apart) -> tuple[Block, ...]:
    """Return the bodies of a style; empty while nothing says how far apart the faces stand or where the tips are."""
    motor, box = motor_stub(inputs), inputs.gearbox_shaft
    if apart.link is None or motor.stands_out is None or box.stands_out is None:
        return ()
    drawn = _Drawn(
        apart=apart.link.length_mm,
        motor_tip=motor.stands_out.mm,
        box_tip=apart.link.length_mm - box.stands_out.mm,
        motor_d=motor.diameter_mm or SHAFT_MM,
        box_d=box.diameter_mm or SHAFT_MM,
    )
    front = drawn.apart  # of what the gearbox's shaft comes out of: its face, or the wall behind its bell-housing
    if box.stands_out.mm <= 0:
        front = drawn.box_tip + (inputs.jaw.gearbox_hub.mm + WALL_MM if inputs.jaw.gearbox_hub else INSIDE_MM)
    blocks = [
        _block("machine", "Motor", -DEEP_MM, 0.0, drawn.motor_d / 2, FACE_MM),
        _block("machine", "Gearbox", front, front + DEEP_MM, drawn.box_d / 2, FACE_MM),
        _block("shaft", "Motor shaft", -DEEP_MM, drawn.motor_tip, 0.0, drawn.motor_d / 2),
        _block("shaft", "Gearbox shaft", drawn.box_tip, front + DEEP_MM, 0.0, drawn.box_d / 2),
    ]
    if front > drawn.apart:
        blocks.append(_block("machine", "Bell-housing", drawn.apart, front, FACE_MM - WALL_MM, FACE_MM))
    if style is CouplerStyle.FLEXIBLE:
        return (*blocks, *_jaw_blocks(inputs, drawn))
    if style is CouplerStyle.CLUTCH:
        return (*blocks, *_clutch_blocks(inputs, drawn))
    return (*blocks, *_hub_blocks(inputs, drawn, is_rigid=style is CouplerStyle.RIGID))


def _block(role: str, title: str, start: float, end: float, inner: float, outer: float) -> Block:
    return Block(role=role, title=title, from_mm=start, to_mm=end, inner_mm=inner, outer_mm=max(outer, inner))


def _mm(length: Sized | None) -> float:
    return length.mm if length else 0.0


def _hub_blocks(inputs: CouplerInputs, drawn: _Drawn, *, is_rigid: bool) -> list[Block]:
    hub = inputs.hub
    if hub.length is None:
        return []
    back = _mm(hub.to_face)
    end = back + hub.length.mm
    outside = (hub.outside_mm or WIDER * drawn.motor_d) / 2
    solid = max(end - _mm(hub.pilot_depth), back)
    blocks = [
        _block("hub", "Hub", back, solid, drawn.motor_d / 2, outside),
        _block("hub", "", solid, end, drawn.box_d / 2 + 1, outside),
    ]
    if hub.flange_mm is not None:
        thick = inputs.sheet.hub.flange_thickness
        blocks.append(_block("hub", "", end - (thick.mm if thick else 8.0), end, outside, hub.flange_mm / 2))
    if is_rigid and hub.reach is not None:
        blocks.append(_block("centre", "Clutch centre", end, end + hub.reach.mm, drawn.box_d / 2, outside * 0.8))
    return blocks


def _jaw_blocks(inputs: CouplerInputs, drawn: _Drawn) -> list[Block]:
    jaw = inputs.jaw
    if jaw.motor_hub is None or jaw.gearbox_hub is None:
        return []
    outside = (jaw.outside_mm or WIDER * max(drawn.motor_d, drawn.box_d)) / 2
    front = drawn.motor_tip + _mm(jaw.motor_slide)
    back = drawn.box_tip - _mm(jaw.gearbox_slide)
    return [
        _block("hub", "Motor hub", front - jaw.motor_hub.mm, front, drawn.motor_d / 2, outside),
        _block("hub", "Gearbox hub", back, back + jaw.gearbox_hub.mm, drawn.box_d / 2, outside),
        _block("spider", "Spider", front, max(back, front), 0.0, SPIDER_OF * outside),
    ]


def _clutch_blocks(inputs: CouplerInputs, drawn: _Drawn) -> list[Block]:
    clutch, hub = inputs.clutch, inputs.hub
    if clutch.flywheel_out is None:
        return []
    face, outside = clutch.flywheel_out.mm, (clutch.lining_outside_mm or 200.0) / 2 + 15
    thick = 20.0
    blocks = [_block("hub", "Flywheel", face - thick, face, drawn.motor_d / 2, outside)]
    if hub.length is not None:
        back = _mm(hub.to_face)
        blocks.append(
            _block("hub", "Hub", back, face - thick, drawn.motor_d / 2, (hub.outside_mm or WIDER * drawn.motor_d) / 2)
        )
    blocks.append(_block("centre", "Disc and cover", face, face + 30, drawn.box_d / 2, outside * 0.95))
    return blocks


def gap_results(
    gaps: Sequence[AxialGap], inputs: CouplerInputs, style: CouplerStyle, apart: Apart
) -> tuple[GapResult, ...]:
    """Return the gaps with what they come to, and where they are in the section."""
    places = _places(inputs, style, apart)
    return tuple(_result(one, apart, places.get(one.gap.key)) for one in gaps if one.is_drawn)


def _result(asked: AxialGap, apart: Apart, place: tuple[float, float, float] | None) -> GapResult:
    stack, gap = stack_of(asked, apart), asked.gap
    links = [*gap.links]
    if gap.sign and apart.link is not None:
        links.append(Link(apart.link.name, gap.sign * apart.link.length_mm, apart.link.either_way_mm))
    return GapResult(
        key=gap.key,
        title=asked.title,
        least_wanted_mm=gap.least_mm,
        greatest_wanted_mm=None if gap.greatest_mm == float("inf") else gap.greatest_mm,
        nominal_mm=stack.nominal_mm if stack else None,
        worst_mm=stack.worst_mm if stack else None,
        least_mm=stack.nominal_mm - stack.worst_mm if stack else None,
        greatest_mm=stack.nominal_mm + stack.worst_mm if stack else None,
        likely_mm=stack.likely_mm if stack else None,
        shares=tuple(
            GapShare(name=link.name, length_mm=link.length_mm, either_way_mm=link.either_way_mm, share=share)
            for link, share in zip(links, stack.shares, strict=True)
        )
        if stack
        else (),
        from_mm=place[0] if place else None,
        to_mm=place[1] if place else None,
        at_mm=place[2] if place else 0.0,
    )


def _places(inputs: CouplerInputs, style: CouplerStyle, apart: Apart) -> dict[str, tuple[float, float, float]]:
    """Where each gap is: from, to, and how far from the axis its bar is drawn."""
    motor, box = motor_stub(inputs), inputs.gearbox_shaft
    if apart.link is None or motor.stands_out is None or box.stands_out is None:
        return {}
    tip, box_tip = motor.stands_out.mm, apart.link.length_mm - box.stands_out.mm
    hub, jaw = inputs.hub, inputs.jaw
    if style is CouplerStyle.FLEXIBLE:
        length, other = _mm(jaw.motor_hub), _mm(jaw.gearbox_hub)
        front, back = tip + _mm(jaw.motor_slide), box_tip - _mm(jaw.gearbox_slide)
        return {
            "motor_hub_back": (0.0, front - length, 42.0),
            "gearbox_hub_back": (back + other, apart.link.length_mm, 42.0),
            "motor_engaged": (front - length, min(front, tip), -8.0),
            "gearbox_engaged": (max(back, box_tip), back + other, -8.0),
            "spider": (front, back, 52.0),
            "tips": (tip, box_tip, 5.0),
        }
    end = _mm(inputs.clutch.flywheel_out) if style is CouplerStyle.CLUTCH else _mm(hub.to_face) + _mm(hub.length)
    far = end + (_mm(hub.reach) if style is CouplerStyle.RIGID else 0.0)
    starts = box_tip + _mm(box.spline.starts)
    return {
        "hub_back": (0.0, _mm(hub.to_face), 42.0),
        "seat": (_mm(hub.to_face), tip, -8.0),
        "tip": (end - _mm(hub.pilot_depth), box_tip, 5.0),
        "spline": (starts, far, -20.0),
        "friction_face": (end, apart.link.length_mm, 60.0),
    }
