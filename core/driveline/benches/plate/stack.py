"""How far a build-up holds the two faces apart, with the limits of every length in it."""

from driveline.benches.plate.buildup_sheet import BuildKind
from driveline.benches.plate.centre import WARM_K
from driveline.benches.plate.results import StackResult, StackShare
from driveline.benches.plate.sheet import PlateSheet
from driveline.fits.stackup import Link, stack_up
from driveline.sheet import Length, positive_of
from driveline.tables.materials import material

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
        is_sure=all(length is None or length.u_mm is not None for length in _lengths_between(sheet)),
        shares=tuple(
            StackShare(name=link.name, length_mm=link.length_mm, either_way_mm=link.either_way_mm, share=share)
            for link, share in zip(known, found.shares, strict=True)
        ),
    )


def _lengths_between(sheet: PlateSheet) -> list[Length | None]:
    """What stands between the faces, as entered."""
    build = sheet.build_up
    lengths = [sheet.plate.thickness]
    if build.kind is BuildKind.RING:
        return [*lengths, build.ring.thickness]
    if build.kind is BuildKind.TWO_PLATES:
        standoffs = build.standoffs
        is_measured = standoffs.measured and len(standoffs.measured) == standoffs.count
        return [*lengths, build.second_thickness, *(standoffs.measured if is_measured else [standoffs.length])]
    return lengths


def warm_growth_mm(sheet: PlateSheet) -> float | None:
    """Return by how much the faces grow apart when all between them is warm, mm; ``None`` while a material is missing.

    Source:
        Σ α L ΔT over plates, ring and standoffs; the ring is of the plate's material.
    """
    stack, build = stack_of(sheet), sheet.build_up
    if stack is None or sheet.plate.made_of is None:
        return None
    plate_per_k, legs_mm = material(sheet.plate.made_of).expansion_per_k, 0.0
    legs_per_k = 0.0
    if build.kind is BuildKind.TWO_PLATES:
        if build.standoffs.made_of is None:
            return None
        legs_mm = next(one.length_mm for one in stack.shares if one.name == "standoffs")
        legs_per_k = material(build.standoffs.made_of).expansion_per_k
    return WARM_K * (plate_per_k * (stack.nominal_mm - legs_mm) + legs_per_k * legs_mm)


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
