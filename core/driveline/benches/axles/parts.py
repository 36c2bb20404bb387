"""What is ordered: each bar and each tube with everything that its maker must know."""

from collections.abc import Iterator
from typing import Final

from driveline.benches.axles.axle_checks import SideFound
from driveline.benches.axles.bar_checks import high_nm
from driveline.benches.axles.bars import tube_inside_mm
from driveline.benches.axles.lines import LineFound
from driveline.benches.axles.order_wanted import bar_unsaid, tube_unsaid
from driveline.benches.axles.posing import squared_speed
from driveline.benches.axles.sheet import Bar, BarSpline, JointKind, Tube
from driveline.benches.axles.tube_checks import critical_of, longest_mm
from driveline.drawing.order import OrderLine
from driveline.drawing.turned import TurnedStep, turned_drawing
from driveline.figures import fig, num
from driveline.parts.ordered import OrderedPart, Size
from driveline.shafts.hubs import unbalance_allowed_g_mm
from driveline.sheet import Length, Torque, positive_of, value_of

MOCK_UP: Final = (
    "It is a mock-up: a measuring stick, never for the road. Order a made shaft by what it proved, and clear the mark."
)
USUAL_GRADE_MM_S: Final = 16.0
TURNED_TO_MM: Final = 0.1  # diameters of a bar, either way, unless its maker says otherwise
TUBE_TO_MM: Final = 1.0
TUBE_DIAMETER_TO_MM: Final = 0.5
LONGEST_MM: Final = 10_000.0  # nobody makes one longer


def bar_part(one: SideFound) -> OrderedPart | None:
    """Return a side's bar as it is ordered; ``None`` until its length, diameter and both splines' sizes are known."""
    bar = one.side.bar
    length, diameter, made_to = positive_of(bar.length), positive_of(bar.diameter), value_of(bar.made_to)
    ends = [_spline_step(spline, name) for spline, name in ((bar.inner_spline, "inner"), (bar.outer_spline, "outer"))]
    inner, outer = ends
    if length is None or diameter is None or made_to is None or inner is None or outer is None:
        return None
    if max(length, diameter, inner.diameter_mm, outer.diameter_mm) > LONGEST_MM:
        return None
    between = length - inner.length_mm - outer.length_mm
    if between <= 0:
        return None
    bore = value_of(bar.bore) or 0.0
    steps = (inner, TurnedStep(length_mm=between, diameter_mm=diameter, name="bar"), outer)
    title = f"{one.axle.name}, {one.name} bar"
    left = one.travel.tightest.left_mm + made_to if one.travel and one.travel.tightest else None
    return OrderedPart(
        key=f"{one.key}_bar",
        title=title,
        number=bar.part_number,
        quantity=1,
        material=bar.material.words if bar.material else "not stated",
        drawing=turned_drawing(title, steps, over_all="seat to seat", bore_mm=bore),
        sizes=(
            Size(key="length", title="seat to seat", mm=length, allowed_mm=made_to, left_mm=left, left_of="plunge"),
            Size(key="diameter", title="bar diameter", mm=diameter, allowed_mm=TURNED_TO_MM),
            *_spline_sizes(bar.inner_spline, "inner"),
            *_spline_sizes(bar.outer_spline, "outer"),
        ),
        lines=tuple(_bar_lines(one, length, made_to)),
        asks=(
            "Length is from seat to seat, at room temperature, both seats as drawn.",
            "Splines fit the joints' own races: the form is the one stated, tried in a race before hardening.",
            "Heat treatment and hardness, with depth, on the certificate.",
            "Circlip grooves as stated; no sharp corner at their foot.",
            "Left and right are marked on the bar's end, with the revision letter.",
        ),
        wanted=bar_unsaid(bar, f"{one.field}.bar"),
        guards=f"{one.key}.",
        held_back=MOCK_UP if bar.is_mock_up else "",
    )


def _spline_step(spline: BarSpline, name: str) -> TurnedStep | None:
    outside, length = positive_of(spline.outside), positive_of(spline.length)
    if outside is None or length is None:
        return None
    return TurnedStep(length_mm=length, diameter_mm=outside, name=f"{name} spline", is_splined=True)


def _spline_sizes(spline: BarSpline, name: str) -> Iterator[Size]:
    outside, over_pins = positive_of(spline.outside), positive_of(spline.over_pins)
    if outside is not None:
        yield Size(key=f"{name}_outside", title=f"{name} spline, over its teeth", mm=outside, allowed_mm=TURNED_TO_MM)
    if over_pins is not None:
        yield Size(key=f"{name}_pins", title=f"{name} spline, over pins", mm=over_pins, allowed_mm=TURNED_TO_MM / 2)


def _how(reading: Length | Torque | None) -> str:
    if reading is None:
        return ""
    tool = reading.tool.value if reading.tool else ""
    return ", ".join(part for part in (f"measured: {reading.text}", tool) if part)


def _bar_lines(one: SideFound, length_mm: float, made_to_mm: float) -> Iterator[OrderLine]:
    bar, travel = one.side.bar, one.travel
    yield OrderLine(label="side", value=one.name)
    yield OrderLine(
        label="seat to seat",
        value=f"{num(length_mm, 'mm', 1)} ± {fig(made_to_mm, 'mm', 1)}",
        how=bar.measured_how or _how(bar.length),
    )
    yield OrderLine(label="bar diameter", value=fig(positive_of(bar.diameter), "mm"), how=_how(bar.diameter))
    bore = value_of(bar.bore)
    yield OrderLine(label="bore", value="solid" if bore == 0 else fig(bore, "mm"), how=_how(bar.bore))
    yield from _spline_lines(bar.inner_spline, "inner")
    yield from _spline_lines(bar.outer_spline, "outer")
    yield OrderLine(label="circlip grooves", value=bar.grooves or "not stated")
    yield OrderLine(label="boots", value=bar.boots or "not stated")
    yield OrderLine(label="material and treatment", value=bar.material.words if bar.material else "not stated")
    yield OrderLine(label="inner joint", value=one.axle.inner.kind.words if one.axle.inner.kind else "not stated")
    yield from _seat_lines(bar)
    torque = high_nm(one)
    yield OrderLine(label="greatest torque", value="not known" if torque is None else fig(torque, "N·m", 0))
    rpm = one.load.rpm if one.load else None
    yield OrderLine(label="greatest speed", value="not known" if rpm is None else fig(rpm, "rpm", 0))
    if travel is None:
        return
    scan = travel.scan
    yield OrderLine(
        label="between joint centres",
        value=f"{num(float(scan.length_mm.min()), 'mm', 1)} to {fig(float(scan.length_mm.max()), 'mm', 1)}",
        how="over all travel, locks and loads",
    )
    yield OrderLine(
        label="travel, ride to bump, droop",
        value=f"{num(travel.end.bump_mm, 'mm', 0)}, {fig(travel.end.droop_mm, 'mm', 0)}",
    )
    angles = f"{num(float(scan.inner_deg.max()), '°', 1)} inner, {fig(float(scan.outer_deg.max()), '°', 1)} outer"
    yield OrderLine(label="greatest angles", value=angles, how="over all travel, locks and loads")


def _seat_lines(bar: Bar) -> Iterator[OrderLine]:
    for label, reading in (
        ("inner joint centre to seat", bar.inner_seat),
        ("outer joint centre to seat", bar.outer_seat),
    ):
        value = value_of(reading)
        yield OrderLine(label=label, value="not known" if value is None else fig(value, "mm", 1), how=_how(reading))


def _spline_lines(spline: BarSpline, name: str) -> Iterator[OrderLine]:
    teeth = f"{spline.teeth} teeth" if spline.teeth else "teeth not counted"
    yield OrderLine(label=f"{name} spline", value=f"{teeth}, {spline.form or 'form not stated'}")
    yield OrderLine(
        label=f"{name} spline, over its teeth", value=fig(positive_of(spline.outside), "mm"), how=_how(spline.outside)
    )
    root = positive_of(spline.root)
    yield OrderLine(
        label=f"{name} spline, root", value="not known" if root is None else fig(root, "mm"), how=_how(spline.root)
    )
    yield OrderLine(
        label=f"{name} spline, length", value=fig(positive_of(spline.length), "mm"), how=_how(spline.length)
    )
    pins, pin = positive_of(spline.over_pins), positive_of(spline.pin)
    value = "not measured" if pins is None or pin is None else f"{fig(pins, 'mm')} over {fig(pin, 'mm')}"
    yield OrderLine(label=f"{name} spline, over pins", value=value, how=_how(spline.over_pins))


def tube_part(one: LineFound, j: int, tube: Tube) -> OrderedPart | None:
    """Return a propshaft as it is ordered; ``None`` until its ends and its tube are known."""
    outside, inside = positive_of(tube.outside), tube_inside_mm(tube)
    if one.swept is None or one.rides_mm is None or outside is None or inside is None:
        return None
    ride = round(float(one.rides_mm[j]), 2)
    if max(ride, outside) > LONGEST_MM:
        return None
    title = f"{one.line.name}, shaft {j + 1}"
    slip = one.slips.get(j)
    drawn, travel = value_of(tube.drawn), value_of(tube.slip)
    left = None
    if slip is not None and drawn is not None and travel is not None:
        left = min(drawn - slip.in_mm, travel - drawn - slip.out_mm)
    return OrderedPart(
        key=f"{one.key}.t{j + 1}_tube",
        title=title,
        number=tube.part_number,
        quantity=1,
        material=tube.material.words if tube.material else "not stated",
        drawing=turned_drawing(
            title,
            (TurnedStep(length_mm=ride, diameter_mm=outside, name="tube"),),
            over_all="joint centre to joint centre at ride height",
            bore_mm=inside,
            has_joints=True,
        ),
        sizes=(
            Size(
                key="length",
                title="joint centre to joint centre",
                mm=ride,
                allowed_mm=TUBE_TO_MM,
                left_mm=left,
                left_of="slip",
            ),
            Size(key="diameter", title="tube diameter", mm=outside, allowed_mm=TUBE_DIAMETER_TO_MM),
        ),
        lines=tuple(_tube_lines(one, j, tube, ride)),
        asks=(
            "Length is from joint centre to joint centre, drawn out as stated.",
            "Yokes are welded as phased, and the slip joint is marked so that it goes together no other way.",
            "Flanges, bolts and registers fit those stated.",
            "Balanced at the greatest speed, to the grade stated, at both ends.",
        ),
        wanted=tube_unsaid(tube, f"{one.field}.tubes.{j}"),
        guards=f"{one.key}.",
        held_back=MOCK_UP if tube.is_mock_up else "",
    )


def _tube_lines(one: LineFound, j: int, tube: Tube, ride_mm: float) -> Iterator[OrderLine]:
    ends = [joint.kind.words if joint.kind else "not stated" for joint in one.line.joints[j : j + 2]]
    for way, joint, words in zip(("box", "axle"), one.line.joints[j : j + 2], ends, strict=True):
        label, grease = f"joint toward the {way}", f"grease: {joint.grease}" if joint.grease else ""
        yield OrderLine(label=label, value=words, how=grease)
        rating = positive_of(joint.rating)
        value = "not stated" if rating is None else fig(rating, "N·m", 0)
        yield OrderLine(label=f"{label}, greatest torque", value=value, how=_how(joint.rating))
    yield OrderLine(
        label="joint centre to joint centre",
        value=f"{num(ride_mm, 'mm', 1)} ± {fig(TUBE_TO_MM, 'mm', 1)}",
        how="at ride height",
    )
    yield OrderLine(
        label="tube",
        value=f"{fig(positive_of(tube.outside), 'mm')} × {fig(positive_of(tube.wall), 'mm')} wall",
        how=_how(tube.outside),
    )
    yield OrderLine(label="material", value=tube.material.words if tube.material else "not stated")
    yield OrderLine(label="flanges", value=tube.flanges or "not stated")
    crosses = [joint.kind is JointKind.CROSS for joint in one.line.joints[j : j + 2]]
    if all(crosses):
        phasing = value_of(tube.phasing)
        said = (
            "not stated"
            if phasing is None
            else "inner ears in line"
            if phasing == 0
            else f"{fig(phasing, '°', 1, signed=True)}, right-handed toward the axle"
        )
        yield OrderLine(label="phasing", value=said)
    slip = one.slips.get(j)
    if slip is not None:
        value = f"{num(slip.in_mm, 'mm', 1)} in, {fig(slip.out_mm, 'mm', 1)} out"
        yield OrderLine(label="slip from ride height", value=value, how="over all travel and loads")
        yield OrderLine(
            label="slip joint's travel, drawn at ride",
            value=f"{fig(value_of(tube.slip), 'mm')}, {fig(value_of(tube.drawn), 'mm')}",
            how=_how(tube.slip),
        )
    yield from _tube_duty_lines(one, j, tube)


def _tube_duty_lines(one: LineFound, j: int, tube: Tube) -> Iterator[OrderLine]:
    longest, critical = longest_mm(one, j), critical_of(one, j, tube)
    yield OrderLine(label="longest, and whirls at", value=f"{fig(longest, 'mm', 1)}, {fig(critical, 'rpm', 0)}")
    load = one.load
    torque, rpm = (None, None) if load is None else (load.design_nm, load.rpm)
    yield OrderLine(label="greatest torque", value="not known" if torque is None else fig(torque, "N·m", 0))
    yield OrderLine(label="greatest speed", value="not known" if rpm is None else fig(rpm, "rpm", 0))
    if one.swept is not None and one.posed:
        angles = one.swept.angles_deg[:, j : j + 2].max(axis=0)
        yield OrderLine(
            label="greatest joint angles",
            value=f"{num(float(angles[0]), '°', 1)}, {fig(float(angles[1]), '°', 1)}",
            how="over all travel and loads",
        )
    mass, grade = value_of(tube.mass), one.line.grade_mm_s or USUAL_GRADE_MM_S
    balance = f"ISO 21940-11 G{grade:g}"
    if mass and rpm:
        uneven = unbalance_allowed_g_mm(grade_mm_s=grade, mass_kg=mass, rpm=rpm) / 2
        balance = f"{balance}: {uneven:.0f} g·mm at each end"
    yield OrderLine(label="balance", value=balance, how="" if one.line.grade_mm_s else "the usual grade of road shafts")
    if one.at_ride is not None and rpm is not None and not one.twist_missing:
        uneven_rad = float(one.drives[0, -1]) * squared_speed(rpm)
        yield OrderLine(label="left at the driven end", value=fig(uneven_rad, "rad/s²", 0), how="exact, at ride height")
