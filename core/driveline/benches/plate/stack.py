"""How far a build-up holds the two faces apart, with the limits of every length in it."""

from driveline.benches.plate.buildup_sheet import BuildKind
from driveline.benches.plate.inputs import PlateInputs, Sized
from driveline.benches.plate.results import StackResult, StackShare
from driveline.fits.stackup import LIMITS_PER_U, Link, stack_up
from driveline.tables.materials import material


def stack_of(inputs: PlateInputs) -> StackResult | None:
    """Return the lengths between the faces, added up; ``None`` while one of them is not known."""
    build, plate = inputs.built, ("plate", inputs.plate.thickness)
    lengths: list[tuple[str, Sized | None]] = [plate]
    if build.is_on_standoffs:
        lengths.append(("motor plate", build.second))
        links = [*_links(lengths), _legs(inputs)]
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
        is_sure=all(length is None or length.u_mm is not None for length in _lengths_between(inputs)),
        shares=tuple(
            StackShare(name=link.name, length_mm=link.length_mm, either_way_mm=link.either_way_mm, share=share)
            for link, share in zip(known, found.shares, strict=True)
        ),
    )


def _lengths_between(inputs: PlateInputs) -> list[Sized | None]:
    """What stands between the faces, as entered."""
    build = inputs.built
    lengths = [inputs.plate.thickness]
    if build.kind is BuildKind.RING:
        return [*lengths, build.ring.thickness]
    if build.is_on_standoffs:
        return [*lengths, build.second, *(build.legs.measured if build.legs.is_measured else [build.legs.ordered])]
    return lengths


def warm_growth_mm(inputs: PlateInputs) -> float | None:
    """Return by how much the faces grow apart when all between them is warm, mm; ``None`` while a material is missing.

    Source:
        Σ α L ΔT over plates, ring and standoffs; the ring is of the plate's material.
    """
    stack, build = stack_of(inputs), inputs.built
    if stack is None or inputs.plate.made_of is None:
        return None
    plate_per_k, legs_mm = material(inputs.plate.made_of).expansion_per_k, 0.0
    legs_per_k = 0.0
    if build.is_on_standoffs:
        if build.legs.made_of is None:
            return None
        legs_mm = next(one.length_mm for one in stack.shares if one.name == "standoffs")
        legs_per_k = material(build.legs.made_of).expansion_per_k
    return inputs.span.warmer_k * (plate_per_k * (stack.nominal_mm - legs_mm) + legs_per_k * legs_mm)


def _links(lengths: list[tuple[str, Sized | None]]) -> list[Link | None]:
    return [Link(name, length.mm, LIMITS_PER_U * (length.u_mm or 0.0)) if length else None for name, length in lengths]


def _legs(inputs: PlateInputs) -> Link | None:
    """The standoffs as one length: the mean as measured once all are, else as ordered."""
    legs = inputs.built.legs
    if legs.is_measured:
        mean_mm = sum(one.mm for one in legs.measured) / len(legs.measured)
        return Link("standoffs", mean_mm, LIMITS_PER_U * max(one.u_mm or 0.0 for one in legs.measured))
    return _links([("standoffs", legs.ordered)])[0]
