"""How far a build-up holds the two faces apart, with the limits of every length in it."""

from driveline.benches.plate_results import StackResult, StackShare
from driveline.sheets.base import Length, positive_of
from driveline.sheets.buildup import BuildKind
from driveline.sheets.plate import PlateSheet
from driveline.stackup import Link, stack_up

LIMITS_PER_U = 3**0.5  # a tolerance ± t was taken as u = t/√3


def stack_of(sheet: PlateSheet) -> StackResult | None:
    """Return the lengths between the faces, added up; ``None`` while one of them is not known."""
    build, plate = sheet.build_up, ("plate", sheet.plate.thickness)
    lengths: list[tuple[str, Length | None]] = [plate]
    if build.kind is BuildKind.TWO_PLATES:
        lengths.append(("motor plate", build.second_thickness))
        links = [*_links(lengths), _legs(sheet)]
    elif build.kind is BuildKind.RING:
        links = _links([*lengths, ("ring", build.ring.thickness)])
    elif build.kind is BuildKind.ONE_PLATE:
        links = _links(lengths)
    else:
        return None
    known = [link for link in links if link is not None]
    if len(known) < len(links):
        return None
    found = stack_up(known)
    return StackResult(
        nominal_mm=found.nominal_mm,
        worst_mm=found.worst_mm,
        likely_mm=found.likely_mm,
        shares=tuple(
            StackShare(name=link.name, length_mm=link.length_mm, either_way_mm=link.either_way_mm, share=share)
            for link, share in zip(known, found.shares, strict=True)
        ),
    )


def _links(lengths: list[tuple[str, Length | None]]) -> list[Link | None]:
    return [
        Link(name, length.mm, LIMITS_PER_U * (length.u_mm or 0.0)) if length is not None and length.mm else None
        for name, length in lengths
    ]


def _legs(sheet: PlateSheet) -> Link | None:
    """The standoffs as one length: the mean as measured once all are, else as ordered."""
    standoffs = sheet.build_up.standoffs
    measured = standoffs.measured
    if measured and len(measured) == standoffs.count:
        mean_mm = sum(one.mm for one in measured) / len(measured)
        return Link("standoffs", mean_mm, LIMITS_PER_U * max(one.u_mm or 0.0 for one in measured))
    ordered = standoffs.length if positive_of(standoffs.length) else None
    return _links([("standoffs", ordered)])[0]
