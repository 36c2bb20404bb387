"""The ears of a mount and the bolt through them as bodies in the scene."""

from typing import Final

import numpy as np

from driveline.arrays import Floats
from driveline.benches.mounts.ears import EAR_WORDS
from driveline.benches.mounts.holding_sheet import EarsStand
from driveline.benches.mounts.laid import LaidMount, has_ears
from driveline.margins import missing_of
from driveline.sheet import positive_of
from driveline.space.bodies import Piece, cylinder_between
from driveline.space.pose import AS_IS
from driveline.space.shapes import Hull

PAIR: Final = 2
ACROSS_WASHER: Final = 2.0  # of the bolt's diameter
PAST_EARS: Final = 1.0  # of the bolt's diameter at either end: washer and head, or washer, nut and a thread or two
LEAST_SQUARE: Final = 0.1  # of the bolt's way that is square to its ears: with less, no such ears can be made
SIDES: Final = ((-0.5, -0.5), (-0.5, 0.5), (0.5, -0.5), (0.5, 0.5))


def ear_solid_missing(mount: LaidMount) -> tuple[str, ...]:
    """Return what keeps the outside of a mount's ears and their bolt from being known; nothing of a mount without."""
    if not has_ears(mount.sheet):
        return ()
    sheet, name = mount.sheet, mount.sheet.name
    sizes = {word: positive_of(getattr(sheet.ears, at)) for at, word in EAR_WORDS.items()}
    known: dict[str, object] = {f"{name}: {word}": size for word, size in sizes.items()}
    known[f"{name}: how many ears take its bolt"] = sheet.ears.count
    known[f"{name}: where on its bracket its ears stand"] = sheet.ears.stands
    has_gap = sheet.ears.count == 1 or positive_of(sheet.tube.gap) is not None
    known[f"{name}: the gap between its ears, welded"] = has_gap
    known[f"{name}: its bolt's way, which lies along its ears"] = mount.turn is None or _across(mount) is not None
    return missing_of(known)


def ear_pieces(mount: LaidMount) -> tuple[Piece, ...]:
    """Return ears and bolt where they stand; none of a mount without, or while a size of them is wanted.

    An ear is as wide all along as its wider end, as high as its round end; the bolt as thick as its washers.
    """
    across, at, ears = _across(mount), mount.at_mm, mount.sheet.ears
    if not has_ears(mount.sheet) or across is None or at is None or ear_solid_missing(mount):
        return ()
    size = {name: positive_of(getattr(ears, name)) or 0.0 for name in EAR_WORDS}
    bolt, thick, width = size["bolt"], size["thickness"], size["width"]
    way = _way(mount)
    plane = np.cross(way, across)
    foot, top = at - way * size["height"], at + way * (size["hole"] / 2 + size["edge"])
    ends = ((foot, max(size["root"], width)), (top, width))
    aside = ((positive_of(mount.sheet.tube.gap) or 0.0) + thick) / 2 if ears.count == PAIR else 0.0
    found = []
    for middle in sorted({aside, -aside}):
        corners = [
            end + plane * wide * side + across * (middle + thick * flat) for end, wide in ends for side, flat in SIDES
        ]
        found.append(Piece(Hull(np.array(corners)), AS_IS))
    reach = across * (aside + thick / 2 + PAST_EARS * bolt)
    return *found, cylinder_between(at - reach, at + reach, ACROSS_WASHER * bolt / 2)


def _way(mount: LaidMount) -> Floats:
    """From foot to hole, unit, (3,)."""
    stands, arm = mount.sheet.ears.stands, mount.arm.arm
    if stands is EarsStand.END and arm is not None:
        return np.asarray(arm.turn[:, 0])
    return np.array([0.0, 0.0, -1.0 if stands is EarsStand.UNDER else 1.0])


def _across(mount: LaidMount) -> Floats | None:
    """Square to the ears, unit, (3,): the bolt's way as far as it is square to theirs."""
    if mount.turn is None:
        return None
    bolt, way = mount.turn[:, 0], _way(mount)
    square = bolt - way * float(bolt @ way)
    size = float(np.linalg.norm(square))
    return None if size < LEAST_SQUARE else np.asarray(square / size)
