"""How the brackets are welded, on paper to have beside the torch: what, at which gap, in which order."""

from collections.abc import Iterator, Sequence
from typing import Final

from driveline.benches.mounts.brackets import base_mm, section_of
from driveline.benches.mounts.laid import LaidMount
from driveline.benches.mounts.pull import PullFound
from driveline.benches.mounts.sheet import Bracket, CrossMember, MountKind, MountsSheet
from driveline.drawing.model import Drawing, Entity, Layer, Path, Text, Vertex
from driveline.figures import fig, num
from driveline.metal.weld_groups import least_leg_mm
from driveline.sheet import positive_of

WIDTH_MM: Final = 210.0  # A4 upright
HEIGHT_MM: Final = 297.0
BORDER_MM: Final = 12.0
LINE_MM: Final = 6.4
TEXT_MM: Final = 3.0
COLUMNS_MM: Final = (0.0, 46.0, 106.0, 128.0, 150.0)
BOX_MM: Final = 3.4
LONGEST: Final = 92  # letters of a step on one line
CARE: Final = (
    "Drive battery apart and locked off; 12 V battery off; controllers and sensors near the weld out of the vehicle.",
    "Earth clamp beside the weld on bare metal: never so that current goes through a bearing, a joint or the motor.",
    "Fuel, brake lines, loom, rubber and insulation out of the way or shielded; somebody watches for fire for an hour.",
    "Galvanised, painted or oily steel is ground bright; fumes are drawn off. Eyes and skin covered, helpers' too.",
    "On a frame or on what holds an axle: only who is qualified to, and as your local rules ask.",
    "Heat-treated rails are not welded at all.",
)
ORDER: Final = (
    "Try every plate in card, then dry and clamped, with the unit in its place and its weight on the jig.",
    "Set the gap at the jig, shims in. Write down what it measures at the foot and at the bolt.",
    "Tack opposite corners: one, the one across from it, then the other two. Tacks as long as three thicknesses.",
    "Take the shims out and measure, pull square while tacks still give. If it is off, cut the tacks; begin again.",
    "Weld in quarters: a run from a corner to the middle, then the side across from it. Pause until a hand bears it.",
    "Measure at each pause. Stop when the gap goes more than it was expected to.",
    "Finish with the unit out: no spatter, no heat into rubber, seals and windings. Cool in still air, no water.",
    "Measure once more and log it: from three welds on, the shop's own pull replaces the rule.",
    "Look at every weld: toe, throat, undercut, ends. Primer only after that.",
)


def weld_sheet(
    sheet: MountsSheet, mounts: Sequence[LaidMount], pull: PullFound | None, *, job_name: str, revision: str
) -> Drawing:
    """Return the sheet, in mm of paper.

    Args:
        sheet: Of the bench.
        mounts: As laid out.
        pull: What welding does to the ears' gap, where that is known.
        job_name: For its title.
        revision: Which saved one it shows.
    """
    top = HEIGHT_MM - BORDER_MM - 8
    entities: list[Entity] = [_text(0.0, top, f"{job_name}: how the brackets are welded, {revision}", 4.4)]
    at = top - 2 * LINE_MM
    for row in (("bracket", "made of", "leg", "at least", "welds"), *_brackets(mounts, sheet.crosses)):
        entities += [_text(x, at, cell) for x, cell in zip(COLUMNS_MM, row, strict=True)]
        at -= LINE_MM
    at -= LINE_MM / 2
    for line in _gap(sheet, pull):
        entities.append(_text(0.0, at, line))
        at -= LINE_MM
    for title, steps in (("Before", CARE), ("In this order", ORDER)):
        at -= LINE_MM / 2
        entities.append(_text(0.0, at, title, 3.6))
        at -= LINE_MM
        for k, text in enumerate(steps, start=1):
            entities.append(_box(BORDER_MM, at - 1.4))
            for line in _wrapped(f"{k}  {text}"):
                entities.append(_text(BOX_MM + 2.4, at, line))
                at -= LINE_MM
    return Drawing(
        title=f"{job_name}: how the brackets are welded",
        seen_from="side",
        entities=tuple(entities),
        least_x_mm=0.0,
        least_y_mm=0.0,
        greatest_x_mm=WIDTH_MM,
        greatest_y_mm=HEIGHT_MM,
    )


def _brackets(mounts: Sequence[LaidMount], crosses: Sequence[CrossMember]) -> Iterator[tuple[str, str, str, str, str]]:
    for one in mounts:
        if one.arm.is_none or one.sheet.kind is MountKind.ARM:
            continue
        made_of = "not settled" if one.arm.arm is None else one.arm.arm.section.words
        yield _row(one.sheet.name, made_of, one.sheet.bracket)
    for cross in crosses:
        section, _ = section_of(cross.bracket, cross.name) if cross.bracket.kind else (None, ())
        yield _row(f"{cross.name}, ends", "not settled" if section is None else section.words, cross.bracket)


def _row(name: str, made_of: str, bracket: Bracket) -> tuple[str, str, str, str, str]:
    base, leg = base_mm(bracket), positive_of(bracket.leg)
    least = "not known" if base is None else fig(least_leg_mm(base), "mm", 0)
    inspected = {True: "inspected", False: "not inspected", None: "not said"}[bracket.is_inspected]
    return name, made_of, "?" if leg is None else fig(leg, "mm", 0), least, inspected


def _gap(sheet: MountsSheet, pull: PullFound | None) -> Iterator[str]:
    if pull is None:
        yield "Gap between ears: not worked out; what is missing is named on the Weld tab."
        return
    low, high = pull.range_mm
    jig = positive_of(sheet.pull.jig)
    how = f"{pull.log.count} logged welds" if pull.log else "the rule, and a degree of tilt"
    wanted = fig(positive_of(sheet.pull.gap), "mm", 2)
    yield f"Gap wanted at the bolt {wanted}: it closes by {num(low, 'mm', 2)} to {fig(high, 'mm', 2)}, by {how}."
    yield f"Jig at {fig(pull.jig_mm, 'mm', 2)}." if jig is None else f"Jigged at {fig(jig, 'mm', 2)}, as was chosen."


def _wrapped(text: str) -> Iterator[str]:
    line = ""
    for word in text.split(" "):
        if line and len(line) + len(word) + 1 > LONGEST:
            yield line
            line = f"   {word}"
            continue
        line = f"{line} {word}" if line else word
    yield line


def _text(x_mm: float, y_mm: float, text: str, height_mm: float = TEXT_MM) -> Text:
    return Text(x_mm=BORDER_MM + x_mm, y_mm=y_mm, height_mm=height_mm, text=text, part="sheet")


def _box(x_mm: float, y_mm: float) -> Path:
    corners = ((0.0, 0.0), (BOX_MM, 0.0), (BOX_MM, BOX_MM), (0.0, BOX_MM))
    return Path(
        layer=Layer.NOTES, part="sheet", vertices=tuple(Vertex(x_mm=x_mm + x, y_mm=y_mm + y) for x, y in corners)
    )
