"""What scans show: how long they would be in which unit, how their matched points sit, and whether they lie true."""

from collections.abc import Iterator

from driveline.benches.placement.lay_out import LaidPlacement, UnitThing, VehicleThing
from driveline.benches.placement.places import ScanLaid
from driveline.benches.placement.results import DrawnScan, MisfitFound, ScanFound, ScanSize
from driveline.benches.placement.scanned import MM_EACH, label, sizes_words
from driveline.benches.placement.sheet import BodyShape
from driveline.benches.placement.stands import at_of, frame_of
from driveline.benches.placement.workings import scan_working
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge
from driveline.scans.store import facts_of, is_ready
from driveline.space.laying import SAME_UNIT

Thing = VehicleThing | UnitThing


def scans_of(laid: LaidPlacement) -> tuple[Thing, ...]:
    """Return the bodies that are scans, the vehicle's first."""
    things: tuple[Thing, ...] = (*laid.vehicle, *laid.unit)
    return tuple(one for one in things if one.sheet.shape is BodyShape.SCAN)


def drawn_scan(thing: Thing) -> DrawnScan | None:
    """Return a scan as the screen draws it; ``None`` while it can't be laid."""
    scan, laid = thing.sheet.scan, thing.built.scan
    body = thing.built.body
    if laid is None or laid.placed is None or scan.unit is None or scan.file is None or body is None:
        return None
    frame, (least, greatest) = frame_of(laid.placed), body.bounds_mm
    return DrawnScan(
        file=scan.file,
        scale=MM_EACH[scan.unit],
        at_mm=frame.at_mm,
        turn=frame.turn,
        least_mm=at_of(least),
        greatest_mm=at_of(greatest),
    )


def scans_found(laid: LaidPlacement) -> Iterator[ScanFound]:
    """Return every scan as it lies."""
    for thing in scans_of(laid):
        scan, found = thing.sheet.scan, thing.built.scan
        assert found is not None
        ready = scan.file is not None and is_ready(scan.file)
        facts = facts_of(scan.file) if ready and scan.file else None
        yield ScanFound(
            field=thing.field,
            name=thing.sheet.name,
            is_ready=ready,
            scale=MM_EACH[scan.unit] if scan.unit else None,
            triangles=facts.triangles if facts else None,
            sizes=tuple(ScanSize(unit=u.value, length_mm=mm) for u, mm in sizes_words(facts.size)) if facts else (),
            bits=facts.bits if facts else 0,
            notes=facts.notes if facts else (),
            is_laid=found.placed is not None,
            misfits=tuple(_misfits(thing, found)),
            says=_says(found),
        )


def _misfits(thing: Thing, found: ScanLaid) -> Iterator[MisfitFound]:
    if found.by_points is None:
        return
    suspects = {one.key: one.size_mm for one in found.by_points.suspects}
    keys = {label(match, k): k - 1 for k, match in enumerate(thing.sheet.scan.matches, start=1)}
    for one in found.by_points.misfits:
        yield MisfitFound(
            label=one.key,
            field=f"{thing.field}.scan.matches.{keys[one.key]}",
            off_mm=one.size_mm,
            is_suspect=one.key in suspects,
            suspect_by_mm=suspects.get(one.key),
        )


def _says(found: ScanLaid) -> str:
    """What does not fit, in words."""
    by = found.by_points
    if by is None or by.chi_square <= by.limit:
        return ""
    if abs(by.times - 1) > SAME_UNIT:
        return f"The points are {by.times:.3g} times as far apart on the vehicle as on the scan: is its unit right?"
    if len(by.suspects) == 1:
        one = by.suspects[0]
        return f"{one.key} does not fit: the others have it {fig(one.size_mm, 'mm', 0)} away. Measure it again."
    if by.suspects:
        return f"One of {', '.join(one.key for one in by.suspects)} does not fit. Measure them again."
    return "The points do not fit one another. Match one more, and the one that is off can be named."


def scans_check(laid: LaidPlacement, judge: Judge) -> Check | None:
    """Return whether every scan lies true; none where there is no scan."""
    scans = scans_of(laid)
    if not scans:
        return None
    missing = [name for one in scans for name in one.built.missing]
    by_points = [one.built.scan.by_points for one in scans if one.built.scan and one.built.scan.by_points]
    missing += [
        f"{one.sheet.name}: three points on both that show it lies true"
        for one in scans
        if one.built.scan and one.built.scan.placed is not None and one.built.scan.by_points is None
    ]
    worst = max(by_points, key=lambda one: one.chi_square / one.limit, default=None)
    says = " ".join(one for thing in scans if thing.built.scan and (one := _says(thing.built.scan)))
    if worst is not None and not says:
        most = max(one.size_mm for found in by_points for one in found.misfits)
        says = f"No matched point is more than {fig(most, 'mm', 1)} off."

    return judge.check(
        "readings_agree",
        key="placement.scans",
        title="Scans lie true",
        demand=None if worst is None else worst.chi_square / worst.limit,
        capacity=1.0,
        unit="of the limit",
        says=says,
        missing=tuple(missing),
        inputs=tuple(one.field for one in scans),
        working=lambda: scan_working(worst),
    )
