"""The Placement bench: what room there is, how the unit stands in it, how near it comes, and how it gets there."""

from collections.abc import Iterator, Sequence
from dataclasses import dataclass
from functools import cache

import numpy as np

from driveline.benches.contract import Outcome, Paper, Seek, progress_of
from driveline.benches.placement.checks import (
    displaced_check,
    gap_checks,
    keep_clear_check,
    oil_check,
    points_check,
    turning_check,
    way_in_check,
)
from driveline.benches.placement.cut_template import Opening, cut_papers, openings_of
from driveline.benches.placement.cuts import cuts_of
from driveline.benches.placement.gaps import (
    TRAVEL_MM,
    WANTED_MM,
    Gap,
    gaps_of,
    ground_wanted_mm,
)
from driveline.benches.placement.joint_checks import joint_checks
from driveline.benches.placement.lay_out import LaidPlacement, UnitThing, VehicleThing
from driveline.benches.placement.most_room import most_room
from driveline.benches.placement.needs import PlacementNeeds
from driveline.benches.placement.offers import offers_of
from driveline.benches.placement.results import (
    DrawnBody,
    GapFound,
    HangFound,
    OpeningFound,
    PlacementResult,
    PointFound,
    StepOnWay,
    TapeFound,
)
from driveline.benches.placement.room import room_of
from driveline.benches.placement.scans_found import drawn_scan, scans_check, scans_found
from driveline.benches.placement.sheet import BodyShape, Nature, PlacementSheet
from driveline.benches.placement.stands import at_of, frame_of, stands_found, turns_usual
from driveline.benches.placement.views_sheet import views_sheet
from driveline.benches.placement.way_in import FRAMES, WAY_IN_MM, WayIn, solve_way_in
from driveline.checks import Check
from driveline.drawing.model import Drawing
from driveline.figures import fig
from driveline.margins import Judge
from driveline.results import Assumed, DrawnPiece, ToDo
from driveline.sheet import positive_of, value_of
from driveline.space.bodies import Piece
from driveline.space.pose import AS_IS, Placed
from driveline.space.shapes import Box, Cylinder
from driveline.space.solids import hangs
from driveline.space.spots import spot_mm


@dataclass(frozen=True, slots=True, kw_only=True)
class SolvedPlacement:
    """What the benches behind take from the placement."""

    gaps: tuple[Gap, ...]  # of the stand that is chosen


def run(sheet: PlacementSheet, laid: LaidPlacement, needs: PlacementNeeds, judge: Judge) -> Outcome[SolvedPlacement]:
    """Return the placement with its checks, of the stand that is chosen."""
    is_begun = sheet != PlacementSheet()
    placed = laid.chosen.placed if laid.chosen else None
    gaps = gaps_of(sheet, laid, placed) if placed is not None else ()

    @cache
    def way() -> WayIn:
        return solve_way_in(sheet, laid)

    to_do = tuple(_to_do(sheet, laid))
    return Outcome(
        solved=SolvedPlacement(gaps=gaps),
        show=lambda: _result(sheet, laid, needs, gaps, way(), to_do, judge),
        check=lambda: _checks(sheet, laid, needs, gaps, way(), judge) if is_begun else (),
        to_do=to_do,
        progress=progress_of(is_begun=is_begun, is_finished=is_begun and not to_do),
        seeks=() if placed is None else (Seek(key="placement.most_room", run=lambda: most_room(sheet, laid)),),
        papers=() if placed is None or not gaps else (_paper(laid, placed, gaps), *cut_papers(sheet, laid, placed)),
    )


def _paper(laid: LaidPlacement, placed: Placed, gaps: tuple[Gap, ...]) -> Paper:
    def draw(job_name: str, revision: str) -> Drawing:
        return views_sheet(laid, placed, gaps, job_name=job_name, revision=revision)

    return Paper(key="placement.views", title="The unit in its place", draw=draw)


def _checks(
    sheet: PlacementSheet,
    laid: LaidPlacement,
    needs: PlacementNeeds,
    gaps: tuple[Gap, ...],
    way: WayIn,
    judge: Judge,
) -> tuple[Check, ...]:
    chosen = laid.chosen
    usual = turns_usual(sheet, chosen) if chosen else None
    asked = (
        points_check(laid, judge),
        scans_check(laid, judge),
        turning_check(laid, needs, usual, judge),
        oil_check(laid, needs, usual, judge),
    )
    return (
        *gap_checks(sheet, laid, gaps, judge),
        *joint_checks(sheet, laid, needs, judge),
        way_in_check(sheet, way, judge),
        displaced_check(sheet, judge),
        keep_clear_check(sheet, laid, chosen.placed if chosen else None, judge),
        *(one for one in asked if one is not None),
    )


def _result(
    sheet: PlacementSheet,
    laid: LaidPlacement,
    needs: PlacementNeeds,
    gaps: tuple[Gap, ...],
    way: WayIn,
    to_do: tuple[ToDo, ...],
    judge: Judge,
) -> PlacementResult:
    placed = laid.chosen.placed if laid.chosen else None
    openings = () if placed is None else tuple(openings_of(sheet, laid, placed))
    cuts = () if placed is None else tuple(cuts_of(sheet, laid, placed))
    return PlacementResult(
        bodies=(*(_drawn(one) for one in laid.vehicle), *(_drawn(one) for one in laid.unit)),
        points=tuple(_points(laid)),
        tapes=tuple(
            TapeFound(label=fit.key, off_mm=-fit.v_mm, is_wrong=fit.key == laid.points.wrong)
            for fit in laid.points.fits
        ),
        scans=tuple(scans_found(laid)),
        stands=tuple(stands_found(sheet, laid, needs, gaps)),
        offers=tuple(offers_of(sheet, laid, gaps)),
        gaps=tuple(_gap(gap, judge) for gap in gaps),
        cuts=tuple(one for one in cuts if one.field not in [other.thing.field for other in openings]),
        openings=tuple(_opening(one) for one in openings),
        way_in=tuple(_steps(way)),
        room=room_of(sheet, laid),
        hangs=_hangs(sheet),
        queries=tuple(_queries(sheet)),
        assumed=tuple(_assumed(sheet)),
        to_do=to_do,
    )


def _opening(one: Opening) -> OpeningFound:
    left, low, right, high = one.outline.bounds
    size = (right - left, high - low)
    return OpeningFound(name=one.thing.sheet.name, paper=one.key, size_mm=size, middle_mm=at_of(one.middle_mm))


def _drawn(thing: VehicleThing | UnitThing) -> DrawnBody:
    is_unit, sheet = isinstance(thing, UnitThing), thing.sheet
    pieces = thing.built.body.pieces if thing.built.body else ()
    return DrawnBody(
        field=thing.field,
        name=sheet.name,
        is_unit=is_unit,
        nature=thing.sheet.nature.value if isinstance(thing, VehicleThing) and thing.sheet.nature else None,
        fate=thing.sheet.fate.value if isinstance(thing, VehicleThing) else "after" if sheet.after_step else "stays",
        keeps_clear=isinstance(thing, UnitThing) and thing.sheet.keeps_clear,
        is_off=isinstance(thing, UnitThing) and thing.sheet.can_come_off and thing.sheet.is_off,
        pieces=() if sheet.shape is BodyShape.SCAN else tuple(_piece(piece) for piece in pieces),
        scan=drawn_scan(thing),
    )


def _piece(piece: Piece) -> DrawnPiece:
    is_round = isinstance(piece.shape, Cylinder)
    assert isinstance(piece.shape, Box | Cylinder)
    return DrawnPiece(kind="round" if is_round else "box", corners_mm=tuple(at_of(one) for one in piece.corners_mm))


def _hangs(sheet: PlacementSheet) -> HangFound | None:
    eye, cg = (spot_mm(spot, {}) for spot in (sheet.unit.eye, sheet.unit.cg))
    if eye is None or cg is None or cg[2] >= eye[2]:
        return None
    found = hangs(eye_mm=eye, cg_mm=cg)
    return HangFound(tilted_deg=found.tilted_deg, nose_down_deg=found.nose_down_deg, left_down_deg=found.left_down_deg)


def _points(laid: LaidPlacement) -> Iterator[PointFound]:
    found = laid.points
    for name, at in found.mm.items():
        says = ""
        if name in found.loose:
            says = "Not fixed yet: tape it to one point more, or give a coordinate."
        elif name in found.two_places:
            says = "The tapes leave two places, one to either side: say roughly where it is."
        is_fixed = not says
        yield PointFound(
            name=name, at_mm=at_of(at) if is_fixed else None, u_mm=found.u_mm[name] if is_fixed else None, says=says
        )


def _gap(gap: Gap, judge: Judge) -> GapFound:
    judged = judge.check("clearance", key="", title="", demand=gap.wanted_mm, capacity=gap.least_mm, unit="mm")
    return GapFound(
        unit_body=gap.unit.sheet.name,
        unit_field=gap.unit.field,
        other=gap.other.sheet.name if gap.other else "ground",
        other_field=gap.other.field if gap.other else "placement.clearance_was",
        nature=gap.nature,
        gap_mm=gap.gap_mm,
        least_mm=gap.least_mm,
        wanted_mm=gap.wanted_mm,
        verdict=judged.verdict,
        on_unit_mm=at_of(gap.near.on_first_mm),
        on_other_mm=at_of(gap.near.on_second_mm),
    )


def _steps(way: WayIn) -> Iterator[StepOnWay]:
    done = way.start or AS_IS
    shares = np.linspace(0.0, 1.0, FRAMES + 1).tolist()
    for move, found in zip(way.moves, way.steps, strict=True):
        near = found.near
        yield StepOnWay(
            step=found.step,
            gap_mm=None if near is None else max(near.gap_mm - found.sure_mm, 0.0),
            part=found.part,
            to=found.to,
            contact_at=found.contact_at,
            frames=tuple(frame_of(move.part(share).holding(done)) for share in shares),
        )
        done = move.part(1.0).holding(done)


def _queries(sheet: PlacementSheet) -> Iterator[ToDo]:
    names = {point.name for point in sheet.points}
    for k, tape in enumerate(sheet.tapes):
        for end in (tape.a, tape.b):
            if end not in names:
                yield ToDo(field=f"placement.tapes.{k}", text=f"{end} is no point of the list. Add it, or rename it.")
    for k, body in enumerate(sheet.bodies):
        travel = body.travel
        moves = any(value_of(one) for one in (travel.up, travel.down, travel.aside))
        if moves and body.nature in (Nature.FIXED, Nature.HOT):
            text = f"{body.name} goes with the wheels, and is said to be {body.nature.words}. Which one is right?"
            yield ToDo(field=f"placement.bodies.{k}", text=text)
    eye, cg = (spot_mm(spot, {}) for spot in (sheet.unit.eye, sheet.unit.cg))
    if eye is not None and cg is not None and cg[2] >= eye[2]:
        text = "Lifted there it turns over: its centre of gravity is above the eye. Measure both again."
        yield ToDo(field="placement.unit.eye", text=text)
    seen: set[str] = set()
    for k, point in enumerate(sheet.points):
        if point.name in seen:
            yield ToDo(field=f"placement.points.{k}.name", text=f"Two points are called {point.name}. Rename one.")
        seen.add(point.name)


def _assumed(sheet: PlacementSheet) -> Iterator[Assumed]:
    if sheet.travel is None:
        yield Assumed(field="placement.travel", text=f"mounts let the unit move {fig(TRAVEL_MM, 'mm')} any way")
    for nature in Nature:
        if positive_of(getattr(sheet.wanted, nature.value)) is None:
            text = f"{fig(WANTED_MM[nature], 'mm')} to {nature.words}"
            yield Assumed(field=f"placement.wanted.{nature.value}", text=text)
    if positive_of(sheet.clearance_was) is None:
        yield Assumed(field="placement.clearance_was", text=f"{fig(ground_wanted_mm(sheet), 'mm')} to the ground")
    if positive_of(sheet.wanted.way_in) is None:
        yield Assumed(field="placement.wanted.way_in", text=f"{fig(WAY_IN_MM, 'mm')} on the way in")


def _to_do(sheet: PlacementSheet, laid: LaidPlacement) -> Iterator[ToDo]:
    wanted: Sequence[tuple[bool, str, str]] = (
        (bool(sheet.bodies), "placement.bodies", "Enter what stands round the room: rails, floor, steering, exhaust."),
        (bool(sheet.unit.bodies), "placement.unit.bodies", "Enter the unit's envelope as boxes and cylinders."),
        (
            sheet.weighs_in is not None,
            "placement.weighs_in",
            "Say whether the unit's mass, and what comes off for it, is in the Brief's masses already.",
        ),
        (bool(sheet.stands), "placement.stands", "Say where the unit stands, and which way round."),
        (not sheet.stands or laid.chosen is not None, "placement.chosen", "Choose which way the unit stands."),
    )
    yield from (ToDo(field=field, text=text) for known, field, text in wanted if not known)
    for field, thing in [(one.field, one.built) for one in laid.vehicle] + [
        (one.field, one.built) for one in laid.unit
    ]:
        if thing.missing:
            yield ToDo(field=field, text=f"Still wanted of {thing.missing[0]}.")
    if laid.chosen is not None and laid.chosen.missing:
        yield ToDo(field=laid.chosen.field, text=f"Still wanted of {laid.chosen.missing[0]}.")
    yield from _queries(sheet)
