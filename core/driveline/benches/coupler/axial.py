"""The coupler lengthwise, in each style: its gaps, and the lengths that each hangs on.

Lengths run from the motor's face, at nought, toward the gearbox's, which is so far away as the faces stand apart.
"""

import math
from collections.abc import Iterable
from dataclasses import dataclass, replace
from typing import Final

from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.shaft_inputs import ShaftInputs, Sized
from driveline.benches.coupler.sheet import FloatAt
from driveline.fits.interference import WARM_K
from driveline.fits.jaw import SpiderWay
from driveline.fits.spacing import Gap
from driveline.fits.stackup import Link
from driveline.shafts.coupler import CouplerStyle
from driveline.tables.materials import PlateMaterial, material

TIP_CLEAR_MM: Final = 1.5
FACE_CLEAR_MM: Final = 2.0
STEEL_PER_K: Final = material(PlateMaterial.STEEL).expansion_per_k

APART_NAME: Final = "motor face to gearbox face"

FLOATS: Final[dict[FloatAt | None, tuple[float, float]]] = {  # of the float, from where it was read
    FloatAt.IN: (0.0, 1.0),
    FloatAt.OUT: (-1.0, 0.0),
    FloatAt.MIDDLE: (-0.5, 0.5),
    None: (-1.0, 1.0),
}
Part = tuple[str, float, Sized | None]  # its name, +1 or -1, and how long it is


@dataclass(frozen=True, slots=True, kw_only=True)
class AxialGap:
    """A gap, with what of it is not known."""

    gap: Gap
    title: str
    missing: tuple[str, ...]
    is_sure: bool  # every length in it has limits
    fields: tuple[str, ...]
    limit_is_usual: bool = False
    is_drawn: bool = True  # in the section

    @property
    def is_known(self) -> bool:
        """Whether all its lengths are, besides how far the faces stand apart."""
        return not self.missing


def axial_gaps(inputs: CouplerInputs, style: CouplerStyle) -> tuple[AxialGap, ...]:
    """Return the gaps of a style in the order from motor to gearbox."""
    if style is CouplerStyle.FLEXIBLE:
        return _jaw_gaps(inputs)
    if style is CouplerStyle.CLUTCH:
        return _clutch_gaps(inputs)
    return _hub_gaps(inputs)


def gap_of(
    key: str,
    title: str,
    parts: Iterable[Part],
    *,
    apart: int,
    least_mm: float | None,
    greatest_mm: float | None = math.inf,
    limits: tuple[str, ...] = (),
    fields: tuple[str, ...] = (),
    is_usual: bool = False,
    is_drawn: bool = True,
) -> AxialGap:
    """A gap of signed lengths; a length or limit that is not known is missing, by its name."""
    named = list(parts)
    missing = [name for name, _, one in named if one is None]
    missing += [name for name, one in zip(limits, (least_mm, greatest_mm), strict=False) if one is None]
    links = tuple(Link(name, way * one.mm, one.either_way_mm or 0.0) for name, way, one in named if one is not None)
    return AxialGap(
        gap=Gap(
            key=key,
            links=links,
            sign=apart,
            least_mm=0.0 if least_mm is None else least_mm,
            greatest_mm=math.inf if greatest_mm is None else greatest_mm,
        ),
        title=title,
        missing=tuple(missing),
        is_sure=all(one is None or one.either_way_mm is not None for _, _, one in named),
        fields=fields,
        limit_is_usual=is_usual,
        is_drawn=is_drawn,
    )


def growth_and_float(shaft: ShaftInputs) -> list[tuple[str, Sized | None]]:
    """Return by how much a shaft's end may stand farther out than it was read: by its float, and what it grows warm.

    Read pushed in, it goes out by all of its float; of unsaid place it goes all of it both ways.
    """
    loose_mm = None
    if shaft.end_float_mm is not None:
        least, most = FLOATS[shaft.read_at]
        loose_mm = Sized(shaft.end_float_mm * (most + least) / 2, shaft.end_float_mm * (most - least) / 2)
    grows_mm = None if shaft.stands_out is None else _grows(shaft, shaft.stands_out.mm)
    return [(f"end float of the {shaft.word}", loose_mm), (f"growth of the {shaft.word}", grows_mm)]


def _grows(shaft: ShaftInputs, out_mm: float) -> Sized:
    """Either way, by whichever of warm and cold is farther from room."""
    most_k = max(shaft.span.warmer_k, shaft.span.cold_k(WARM_K))
    return Sized(0.0, STEEL_PER_K * most_k * abs(out_mm))


def _moves(shaft: ShaftInputs, way: float) -> list[Part]:
    return [(name, way, length) for name, length in growth_and_float(shaft)]


def _tip(shaft: ShaftInputs, way: float) -> Part:
    return (f"tip of the {shaft.word} from its face", way, shaft.stands_out)


def _clear(inputs: CouplerInputs) -> tuple[float, bool]:
    return (TIP_CLEAR_MM, True) if inputs.tip_clear_mm is None else (inputs.tip_clear_mm, False)


def _face_clear(inputs: CouplerInputs) -> tuple[float, bool]:
    return (FACE_CLEAR_MM, True) if inputs.face_clear_mm is None else (inputs.face_clear_mm, False)


def _hub_gaps(inputs: CouplerInputs) -> tuple[AxialGap, ...]:
    hub, motor = inputs.hub, inputs.motor_shaft
    face_mm, face_usual = _face_clear(inputs)
    return (
        gap_of(
            "hub_back",
            "Hub clear of the motor's face",
            [("motor face to the hub's back", 1.0, hub.to_face), *_moves(motor, 1.0)],
            apart=0,
            least_mm=face_mm,
            is_usual=face_usual,
            fields=("coupler.hub.to_face", "coupler.face_clear"),
        ),
        _seat_gap(inputs),
        _tip_gap(inputs, [("motor face to the hub's back", -1.0, hub.to_face), ("hub over all", -1.0, hub.length)]),
    )


def _seat_gap(inputs: CouplerInputs) -> AxialGap:
    hub = inputs.hub
    return gap_of(
        "seat",
        "Motor shaft through the hub's seat",
        [_tip(inputs.motor_shaft, 1.0), ("motor face to the hub's back", -1.0, hub.to_face)],
        apart=0,
        least_mm=hub.seat_mm,
        limits=("Length of the hub's seat",),
        fields=("coupler.motor_shaft.reading", "coupler.hub.to_face", "coupler.hub.seat"),
    )


def _tip_gap(inputs: CouplerInputs, hub_parts: list[Part]) -> AxialGap:
    clear_mm, is_usual = _clear(inputs)
    box, hub = inputs.gearbox_shaft, inputs.hub
    return gap_of(
        "tip",
        "Gearbox shaft's tip clear of the hub",
        [
            *hub_parts,
            ("depth of the pilot bore", 1.0, hub.pilot_depth),
            _tip(box, -1.0),
            *_moves(inputs.motor_shaft, -1.0),
            *_moves(box, -1.0),
        ],
        apart=1,
        least_mm=clear_mm,
        is_usual=is_usual,
        fields=("coupler.hub.pilot_depth", "coupler.gearbox_shaft.reading", "coupler.tip_clear"),
    )


def _jaw_gaps(inputs: CouplerInputs) -> tuple[AxialGap, ...]:
    jaw, motor, box = inputs.jaw, motor_stub(inputs), inputs.gearbox_shaft
    face_mm, face_usual = _face_clear(inputs)
    slides = (("motor", motor, jaw.motor_slide, jaw.motor_hub), ("gearbox", box, jaw.gearbox_slide, jaw.gearbox_hub))
    is_cut = _way_asked(inputs)  # till then nobody knows where the motor shaft's tip will be
    found = []
    for name, shaft, slide, length in slides:
        field = f"coupler.jaw.{name}_slide"
        own = "coupler.hub.length" if name == "motor" else "coupler.jaw.hub_length"
        is_inside = shaft.stands_out is not None and shaft.stands_out.mm <= 0  # a bell-housing: no face in the way
        if not is_inside:
            found.append(
                gap_of(
                    f"{name}_hub_back",
                    f"Hub clear of the {name}'s face",
                    [
                        _tip(shaft, 1.0),
                        (f"{name} hub before its tip", 1.0, slide),
                        (f"length of the {name}'s hub", -1.0, length),
                        *_moves(shaft, 1.0),
                        *(is_cut if name == "motor" else ()),
                    ],
                    apart=0,
                    least_mm=face_mm,
                    is_usual=face_usual,
                    fields=(field, own, "coupler.face_clear"),
                )
            )
        found.append(
            gap_of(
                f"{name}_engaged",
                f"Hub far enough on the {name}'s shaft",
                [(f"length of the {name}'s hub", 1.0, length), (f"{name} hub before its tip", -1.0, slide)],
                apart=0,
                least_mm=jaw.engaged_mm,
                limits=("Least length of a hub on its shaft",),
                fields=(field, own, "coupler.jaw.engaged"),
            )
        )
    tips = [_tip(motor, -1.0), _tip(box, -1.0), *_moves(motor, -1.0), *_moves(box, -1.0)]
    before: list[Part] = [
        ("motor hub before its tip", -1.0, jaw.motor_slide),
        ("gearbox hub before its tip", -1.0, jaw.gearbox_slide),
    ]
    found.append(
        gap_of(
            "spider",
            "Gap between the hubs, for the spider",
            [*tips, *before, *is_cut],
            apart=1,
            least_mm=jaw.gap_least_mm,
            greatest_mm=jaw.gap_greatest_mm,
            limits=("Least gap between the hubs", "Greatest gap between the hubs"),
            fields=("coupler.jaw.gap_least", "coupler.jaw.gap_greatest", "coupler.jaw.motor_slide"),
        )
    )
    return (*found, *_core_gaps(inputs, tips))


def _core_gaps(inputs: CouplerInputs, tips: list[Part]) -> list[AxialGap]:
    """What the spider's core asks of the shafts' tips."""
    jaw = inputs.jaw
    if jaw.way is SpiderWay.DRILLED:
        least_mm, is_usual = (TIP_CLEAR_MM * 2, True) if jaw.tip_gap_mm is None else (jaw.tip_gap_mm, False)
        title, field = "Shaft tips clear of one another in the spider", "coupler.jaw.tip_gap"
        return [gap_of("tips", title, tips, apart=1, least_mm=least_mm, is_usual=is_usual, fields=(field,))]
    found = []
    for name, slide in (("motor", jaw.motor_slide), ("gearbox", jaw.gearbox_slide)):
        title = f"{name.capitalize()} shaft's tip short of the spider"
        fields = (f"coupler.jaw.{name}_slide", "coupler.jaw.way")
        part: Part = (f"{name} hub before its tip", 1.0, slide)
        found.append(gap_of(f"{name}_tip", title, [part, *_way_asked(inputs)], apart=0, least_mm=0.0, fields=fields))
    return found


def _way_asked(inputs: CouplerInputs) -> list[Part]:
    if inputs.jaw.way is not None:
        return []
    return [("Whether the spider is kept whole or drilled, or the shaft cut", 1.0, None)]


def motor_stub(inputs: CouplerInputs) -> ShaftInputs:
    """Return the motor's shaft as it will be: cut, where the spider's way asks for it."""
    shaft, cut = inputs.motor_shaft, inputs.jaw.cut_off
    if inputs.jaw.way is not SpiderWay.CUT or shaft.stands_out is None:
        return shaft
    if cut is None:
        return replace_stub(shaft, None)
    limits = None
    if shaft.stands_out.either_way_mm is not None and cut.either_way_mm is not None:
        limits = shaft.stands_out.either_way_mm + cut.either_way_mm
    return replace_stub(shaft, Sized(shaft.stands_out.mm - cut.mm, limits))


def replace_stub(shaft: ShaftInputs, stub: Sized | None) -> ShaftInputs:
    """Return a shaft that stands out so far."""
    return replace(shaft, stands_out=stub)


def _clutch_gaps(inputs: CouplerInputs) -> tuple[AxialGap, ...]:
    clutch, hub = inputs.clutch, inputs.hub
    face_mm, face_usual = _face_clear(inputs)
    travel_mm = clutch.travel_mm
    return (
        gap_of(
            "hub_back",
            "Hub clear of the motor's face",
            [("motor face to the hub's back", 1.0, hub.to_face), *_moves(inputs.motor_shaft, 1.0)],
            apart=0,
            least_mm=face_mm,
            is_usual=face_usual,
            fields=("coupler.hub.to_face", "coupler.face_clear"),
        ),
        gap_of(
            "friction_face",
            "Friction face where it stood",
            [
                ("motor face to the friction face", -1.0, clutch.flywheel_out),
                ("bell-housing face to the friction face, as it was", -1.0, clutch.stood_at),
                *_moves(inputs.motor_shaft, -1.0),
            ],
            apart=1,
            least_mm=None if travel_mm is None else -travel_mm,
            greatest_mm=travel_mm,
            limits=("What the release bearing forgives, either way",),
            fields=("coupler.clutch.flywheel_out", "coupler.clutch.stood_at", "coupler.clutch.travel"),
        ),
        _seat_gap(inputs),
        _tip_gap(inputs, [("motor face to the friction face", -1.0, clutch.flywheel_out)]),
    )
