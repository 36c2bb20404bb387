"""Flange adapters: turned discs between a shaft's flange and the box's or axle's, two bolt circles on one centre."""

import math
from collections.abc import Iterator
from dataclasses import dataclass
from typing import Final

from driveline.arrays import Floats
from driveline.benches.axles.bars import load_at, load_missing
from driveline.benches.axles.needs import AxlesNeeds, ShaftLoad
from driveline.benches.axles.sheet import AdapterFace, FlangeAdapter
from driveline.checks import Check
from driveline.drawing.hole import PlateHole
from driveline.figures import fig
from driveline.flat.outline import CircleEdge
from driveline.joints.circles import circle_checks, circle_place, circle_xy_mm
from driveline.joints.screws import JointFields
from driveline.margins import Judge, missing_of
from driveline.metal.bolts import thread
from driveline.parts.ligament import ligament_check
from driveline.parts.made import FlatPart, Stock
from driveline.sheet import Length, positive_of, value_of
from driveline.tables.materials import PlateMaterial, material
from driveline.working import Working, entered, fixed_working, step, worked

EDGE_FACTOR: Final = 1.5  # hole diameters from a hole's centre to a turned edge
AGREE_MM: Final = 0.5  # between a circle as stated and as it follows from two neighbours
LEAST_HOLES: Final = 3
FACES: Final = (("shaft", "S", "the shaft's flange"), ("away", "A", "the box's or axle's flange"))


@dataclass(frozen=True, slots=True, kw_only=True)
class AdapterFound:
    """A flange adapter as far as it is known."""

    adapter: FlangeAdapter
    key: str
    field: str
    load: ShaftLoad | None
    part: FlatPart | None

    def face(self, name: str) -> AdapterFace:
        """Return one of its two faces."""
        face: AdapterFace = getattr(self.adapter, name)
        return face


def circle_mm(face: AdapterFace) -> float | None:
    """Return a bolt circle's diameter: as stated, else from one hole to the next; ``None`` while neither is known.

    Source:
        The chord of n holes: D = c / sin(π/n).
    """
    return positive_of(face.circle) or _from_chord_mm(face)


def _from_chord_mm(face: AdapterFace) -> float | None:
    chord = positive_of(face.chord)
    return None if chord is None or face.count < LEAST_HOLES else chord / math.sin(math.pi / face.count)


def xy_of(adapter: FlangeAdapter, name: str) -> Floats:
    """Return the places of a face's screws, seen from the shaft's side, (n, 2)."""
    face: AdapterFace = getattr(adapter, name)
    first_deg = 90.0 if name == "shaft" else 90.0 + (value_of(adapter.turned) or 0.0)
    return circle_xy_mm(face.count, circle_mm(face), first_deg)


def adapter_part(adapter: FlangeAdapter, k: int) -> FlatPart | None:
    """Return an adapter as it is turned and drilled; ``None`` until its outside, thickness and holes are known."""
    outside, thickness = positive_of(adapter.outside), positive_of(adapter.thickness)
    holes = [hole for name, letter, _ in FACES for hole in _holes(adapter, name, letter)]
    if outside is None or thickness is None or not holes or holes_missing(adapter):
        return None
    bore = positive_of(adapter.bore)
    if bore is not None:
        holes.append(PlateHole(id="bore", kind="bore", x_mm=0.0, y_mm=0.0, finished_mm=bore, cut_mm=None))
    edge = CircleEdge(outside / 2)
    return FlatPart(
        key=f"axles.f{k + 1}",
        title=f"Flange adapter, {adapter.name}",
        short=f"F{k + 1}",
        holes=tuple(holes),
        edge=edge,
        vertices=edge.vertices,
        thickness_mm=thickness,
        faces=("SHAFT", "AWAY"),
        sides=("shaft's side", "far side"),
        look_at="shaft",
        stock=Stock(
            number=adapter.part_number,
            quantity=1,
            material="",
            made_of=adapter.made_of,
            process="turned",
            kerf_mm=0.0,
            sheet_mm=None,
        ),
        made_to=tuple(_made_to(adapter)),
    )


def _holes(adapter: FlangeAdapter, name: str, letter: str) -> Iterator[PlateHole]:
    face: AdapterFace = getattr(adapter, name)
    hole = positive_of(face.hole)
    if hole is None:
        return
    for k, (x, y) in enumerate(xy_of(adapter, name).tolist(), start=1):
        yield PlateHole(id=f"{letter}{k}", kind="flange", x_mm=x, y_mm=y, finished_mm=hole, cut_mm=None)


def holes_missing(adapter: FlangeAdapter) -> tuple[str, ...]:
    """Return what of its holes is not known, in words."""
    lacking = list[str]()
    for name, _, words in FACES:
        face: AdapterFace = getattr(adapter, name)
        lacking += missing_of(
            {
                f"{adapter.name}: how many screws go to {words}": face.count or None,
                f"{adapter.name}: the circle of the screws to {words}, or one to the next": circle_mm(face),
                f"{adapter.name}: diameter of the holes to {words}": positive_of(face.hole),
            }
        )
    name = adapter.name
    lacking += missing_of(
        {
            f"{name}: how far its far holes are turned from the near ones, 0 in line": value_of(adapter.turned),
            f"{name}: its bore, 0 for none": value_of(adapter.bore),
        }
    )
    return tuple(lacking)


def _made_to(adapter: FlangeAdapter) -> Iterator[str]:
    for name, letter, words in FACES:
        face: AdapterFace = getattr(adapter, name)
        register = positive_of(face.register_size)
        if register is not None:
            yield f"register to {words}: Ø {fig(register, 'mm')}, both registers in one chucking"
        if face.is_tapped:
            thread = face.joint.thread or "thread not stated"
            yield f"{letter} holes tapped {thread}"
    yield "faces parallel within 0.05 mm; runout of both registers 0.05 mm at most"


def adapter_found(adapter: FlangeAdapter, k: int, needs: AxlesNeeds) -> AdapterFound:
    """Return an adapter with what it must carry."""
    return AdapterFound(
        adapter=adapter,
        key=f"axles.f{k + 1}",
        field=f"axles.adapters.{k}",
        load=load_at("propshaft", adapter.which, needs),
        part=adapter_part(adapter, k),
    )


def adapter_doubts(one: AdapterFound) -> Iterator[tuple[str, str]]:
    """Return what can't be of an adapter, by its field."""
    outside, bore = positive_of(one.adapter.outside), positive_of(one.adapter.bore)
    for name, _, words in FACES:
        face, field = one.face(name), f"{one.field}.{name}"
        stated, from_chord = positive_of(face.circle), _from_chord_mm(face)
        if stated is not None and from_chord is not None and abs(stated - from_chord) > AGREE_MM:
            measured = f"from one hole to the next it is {fig(from_chord, 'mm', 1)}"
            yield (
                f"{field}.circle",
                f"{one.adapter.name}: the circle to {words} is stated, and {measured}. Measure again.",
            )
        circle, hole = circle_mm(face), positive_of(face.hole) or 0.0
        if circle is not None and outside is not None and circle + hole >= outside:
            yield (
                f"{field}.circle",
                f"{one.adapter.name}: the holes to {words} break out of its edge. Measure both again.",
            )
        if circle is not None and bore is not None and circle - hole <= bore:
            yield (
                f"{field}.circle",
                f"{one.adapter.name}: the holes to {words} break into its bore. Measure both again.",
            )


def adapter_checks(one: AdapterFound, needs: AxlesNeeds, judge: Judge) -> Iterator[Check]:
    """Return every check of an adapter."""
    for name, _, words in FACES:
        yield from _screws(one, name, words, needs, judge)
    yield ligament_check(
        () if one.part is None else one.part.ligaments,
        judge,
        key=f"{one.key}.ligament",
        title=f"{one.adapter.name}: enough is left between its holes",
        missing=(*holes_missing(one.adapter), *_size_missing(one)),
        inputs=(one.field,),
    )
    yield _edge(one, judge)
    yield _centred(one, judge)


def _size_missing(one: AdapterFound) -> tuple[str, ...]:
    name = one.adapter.name
    return missing_of(
        {
            f"{name}: its outside diameter": positive_of(one.adapter.outside),
            f"{name}: its thickness": positive_of(one.adapter.thickness),
        }
    )


def _screws(one: AdapterFound, name: str, words: str, needs: AxlesNeeds, judge: Judge) -> tuple[Check, ...]:
    face, field = _screwed(one, name), f"{one.field}.{name}"
    made_of = PlateMaterial.STEEL if face.is_tapped else one.adapter.made_of
    place = circle_place(
        face,
        xy_of(one.adapter, name),
        name=f"{one.key.split('.')[1]}_{name}",
        title=f"{one.adapter.name}: screws to {words}",
        fields=JointFields(
            joint=f"{field}.joint",
            length=f"{field}.joint.length",
            depth=f"{field}.joint.depth_behind",
            grip=f"{field}.flange" if face.is_tapped else f"{one.field}.thickness",
            made_of=f"{one.field}.made_of",
            load=(),
            torque=("ratios",),
        ),
        grip_mm=positive_of(face.flange if face.is_tapped else one.adapter.thickness),
        made_of=None if made_of is None else material(made_of),
    )
    lacking = load_missing("propshaft", one.adapter.name, one.load, needs)
    torque = None if one.load is None else one.load.design_nm
    return circle_checks(face, place, torque, lacking, judge)


def _screwed(one: AdapterFound, name: str) -> AdapterFace:
    """A face as its screws see it: tapped, they clamp the shaft's flange and stand in the adapter's own thread."""
    face = one.face(name)
    if not face.is_tapped:
        return face
    joint = face.joint.model_copy(
        update={"thread_depth": face.joint.thread_depth or one.adapter.thickness, "is_blind": bool(face.joint.is_blind)}
    )
    size = thread(joint.thread) if joint.thread else None
    hole_mm = None if size is None else size.clearance_mm or size.diameter_mm
    through = None if hole_mm is None else Length(text=f"{hole_mm:g} mm")
    return face.model_copy(update={"joint": joint, "hole": through})


def _edge(one: AdapterFound, judge: Judge) -> Check:
    outside = positive_of(one.adapter.outside)
    sizes = {name: (circle_mm(one.face(name)), positive_of(one.face(name).hole)) for name, _, _ in FACES}
    found = [
        (outside / 2 - circle / 2, EDGE_FACTOR * hole, name, circle, hole)
        for name, (circle, hole) in sizes.items()
        if outside is not None and circle is not None and hole is not None
    ]
    worst = min(found, key=lambda each: each[0] / each[1], default=None)

    def working() -> Working:
        source = "1.5 hole diameters from a hole's centre to a turned edge."
        if worst is None or outside is None:
            return Working(source=source)
        last = step(
            "e",
            "max((D - D_b) / 2, 0)",
            entered("D", outside, "mm", f"{one.field}.outside"),
            worked("D_b", worst[3], "mm", "the bolt circle"),
            value=max(worst[0], 0.0),
            unit="mm",
            decimals=2,
        )
        return Working(steps=(last,), source=source)

    return judge.check(
        "clearance",
        key=f"{one.key}.edge",
        title=f"{one.adapter.name}: its holes are far enough from its edge",
        demand=None if worst is None else worst[1],
        capacity=None if worst is None else max(worst[0], 0.0),
        unit="mm",
        says=""
        if worst is None
        else f"{fig(worst[0], 'mm', 1)} from the centres of the holes to its edge; {fig(worst[1], 'mm', 1)} wanted.",
        missing=(*holes_missing(one.adapter), *_size_missing(one)),
        inputs=(f"{one.field}.outside",),
        working=working,
    )


def _centred(one: AdapterFound, judge: Judge) -> Check:
    """Bolts do not centre: without a register on both faces the shaft runs out."""
    registers = [value_of(one.face(name).register_size) for name, _, _ in FACES]
    is_bare = any(one == 0 for one in registers)
    lacking = tuple(
        f"{one.adapter.name}: register to {words}, 0 where there is none"
        for (_, _, words), register in zip(FACES, registers, strict=True)
        if register is None
    )
    says = "A register on either face centres it." if not lacking else ""
    if is_bare:
        says = "No register on one face: screws in clearance holes do not centre a shaft. Turn one, or fit dowels."
    return judge.answer(
        is_so=False if is_bare else None if lacking else True,
        key=f"{one.key}.centred",
        title=f"{one.adapter.name}: a register centres it on both faces",
        says=says,
        missing=() if is_bare else lacking,
        inputs=tuple(f"{one.field}.{name}.register_size" for name, _, _ in FACES),
        working=fixed_working("Both registers turned in one chucking; a shaft 0.1 mm out at 4000 rpm shakes at G42."),
    )
