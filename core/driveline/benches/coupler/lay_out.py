"""The coupler laid out from its own sheet: its hub to be made, and how far apart the faces were chosen to stand."""

from dataclasses import dataclass

from driveline.benches.contract import LaidOut
from driveline.benches.coupler.inputs import CouplerInputs, inputs_of
from driveline.benches.coupler.shaft_inputs import MEASURED, Sized
from driveline.benches.coupler.sheet import CouplerSheet, ShaftKind
from driveline.drawing.hole import PlateHole
from driveline.figures import fig, num
from driveline.flat.holes import bolt_circle_mm
from driveline.flat.outline import CircleEdge
from driveline.parts.made import FlatPart, Stock
from driveline.sheet import positive_of


@dataclass(frozen=True, kw_only=True)
class LaidCoupler(LaidOut):
    """Its sheet unwrapped, and the distance that the plate is to hold."""

    inputs: CouplerInputs
    apart: Sized | None


def lay_out(sheet: CouplerSheet) -> LaidCoupler:
    """Return the bench's parts as far as they go."""
    inputs = inputs_of(sheet)
    hubs = (_hub(inputs), _gearbox_hub(inputs))
    return LaidCoupler(inputs=inputs, apart=inputs.apart, parts=tuple(one for one in hubs if one))


def _gearbox_hub(inputs: CouplerInputs) -> FlatPart | None:
    """The other hub of a flexible coupler; ``None`` until its length, outside and bore are known."""
    jaw, bore_mm = inputs.jaw, inputs.gearbox_shaft.diameter_mm
    if jaw.gearbox_hub is None or jaw.outside_mm is None or bore_mm is None or bore_mm >= jaw.outside_mm:
        return None
    return _turned(
        inputs,
        key="coupler.gearbox_hub",
        title="Coupler hub, gearbox's",
        short="HUB G",
        holes=(_bore(bore_mm),),
        outside_mm=jaw.outside_mm,
        length_mm=jaw.gearbox_hub.mm,
        number="",
        made_to=_gearbox_made_to(inputs),
    )


def _bore(bore_mm: float) -> PlateHole:
    return PlateHole(id="bore", kind="bore", x_mm=0.0, y_mm=0.0, finished_mm=bore_mm, cut_mm=None)


def _turned(
    inputs: CouplerInputs,
    *,
    key: str,
    title: str,
    short: str,
    holes: tuple[PlateHole, ...],
    outside_mm: float,
    length_mm: float,
    number: str,
    made_to: tuple[str, ...],
) -> FlatPart:
    """A hub as it is drawn, seen from its motor's side."""
    edge, hub = CircleEdge(outside_mm / 2), inputs.sheet.hub
    return FlatPart(
        key=key,
        title=title,
        short=short,
        holes=holes,
        edge=edge,
        vertices=edge.vertices,
        thickness_mm=length_mm,
        faces=("MOTOR", "GEARBOX"),
        sides=("motor side", "gearbox side"),
        look_at="gearbox",
        stock=Stock(
            number=number,
            quantity=1,
            material=hub.material,
            made_of=hub.made_of,
            process="turned",
            kerf_mm=0.0,
            sheet_mm=None,
        ),
        made_to=made_to,
    )


def _gearbox_made_to(inputs: CouplerInputs) -> tuple[str, ...]:
    """What the gearbox's hub takes: a spline to be cut by gauge, or a keyway."""
    spline, key = inputs.gearbox_shaft.spline, inputs.gearbox_shaft.key
    lines = ["bore, jaws and face that locate: in one chucking"]
    if inputs.gearbox_shaft.kind is ShaftKind.SPLINED and spline.teeth:
        lines.append(f"spline of {spline.teeth} teeth to suit the shaft: cut to a gauge, not to this drawing")
        if spline.hub_teeth is not None:
            lines.append(f"full teeth {fig(spline.hub_teeth.mm, 'mm')} from its mouth")
    if inputs.gearbox_shaft.kind is ShaftKind.KEYED and key.size is not None:
        lines.append(f"keyway {fig(key.size.width_mm, 'mm')} wide for the gearbox shaft's key")
    return tuple(lines)


def _hub(inputs: CouplerInputs) -> FlatPart | None:
    """The hub seen from its motor's side; ``None`` until its outside, length and bore are known."""
    hub, bore_mm, sheet = inputs.hub, inputs.hub.bore_mm, inputs.sheet
    is_flanged = bool(sheet.bolts.count)  # nothing is bolted to it: its flange is another style's
    outside_mm = (hub.flange_mm if is_flanged else None) or hub.outside_mm
    if outside_mm is None or hub.length is None or bore_mm is None:
        return None
    circle_mm, hole_mm = positive_of(sheet.bolts.circle), positive_of(sheet.bolts.hole)
    holes = [_bore(bore_mm)]
    if sheet.bolts.count and circle_mm and hole_mm and circle_mm + hole_mm < outside_mm:
        xy = bolt_circle_mm(count=sheet.bolts.count, circle_mm=circle_mm, first_at_deg=0.0)
        holes = [
            *(
                PlateHole(id=f"B{k}", kind="flange", x_mm=x, y_mm=y, finished_mm=hole_mm, cut_mm=None)
                for k, (x, y) in enumerate(xy.tolist(), start=1)
            ),
            *holes,
        ]
    return _turned(
        inputs,
        key="coupler.hub",
        title="Coupler hub",
        short="HUB",
        holes=tuple(holes),
        outside_mm=outside_mm,
        length_mm=hub.length.mm,
        number=sheet.hub.part_number,
        made_to=_made_to(inputs, bore_mm),
    )


def _made_to(inputs: CouplerInputs, bore_mm: float) -> tuple[str, ...]:
    """What the hub is turned to: everything that the checks count on and no line shows."""
    hub = inputs.hub
    lines = []
    if hub.fit is not None and hub.fit_name is not None:
        bore = f"{num(hub.fit.bore.least_mm, 'mm', 3)} to {fig(hub.fit.bore.greatest_mm, 'mm', 3)}"
        shaft = f"{num(hub.fit.shaft.least_mm, 'mm', 3)} to {fig(hub.fit.shaft.greatest_mm, 'mm', 3)}"
        on = "on a shaft measured at" if hub.fit.shaft.zone == MEASURED else f"on a shaft {hub.fit.shaft.zone} of"
        lines.append(f"bore Ø{fig(bore_mm, 'mm')} {hub.fit.bore.zone}: {bore}, {on} {shaft}")
    key = inputs.motor_shaft.key
    if inputs.motor_shaft.kind is ShaftKind.KEYED and key.size is not None:
        lines.append(
            f"keyway {fig(key.size.width_mm, 'mm')} wide, {fig(key.size.height_mm - key.size.shaft_depth_mm, 'mm', 1)} "
            "deep beside the key, clearance over it"
        )
    if hub.outside_mm is not None:
        lines.append(f"outside round the bore Ø{fig(hub.outside_mm, 'mm')}")
    if hub.seat_mm is not None:
        lines.append(f"seat {fig(hub.seat_mm, 'mm')} long, square to its shoulder")
    if hub.pilot_depth is not None and hub.pilot_depth.mm > 0:
        lines.append(f"pilot bore {fig(hub.pilot_depth.mm, 'mm')} deep from the gearbox end")
    if hub.hub_rz_um is not None:
        lines.append(f"bore no rougher than Rz {hub.hub_rz_um:g} µm")
    return (*lines, "bore, registers and faces that locate: in one chucking")
