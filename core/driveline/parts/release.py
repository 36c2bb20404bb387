"""Freezing a part: its drawing, the very bytes for the cutter, and the readings that they hang on."""

import hashlib
from typing import Final

import numpy as np

from driveline.drawing.dxf import write_dxf
from driveline.drawing.plate import with_revision
from driveline.errors import NoLetterLeft
from driveline.network import Turning
from driveline.parts.drawings import cut_drawing, drawing_from, hole_rows, sheet_drawing
from driveline.parts.ordered import MadePart, OrderedPart
from driveline.parts.records import FrozenHole, FrozenLine, FrozenSize, Release, Seen

LETTERS: Final = "ABCDEFGHJKLMNPQRSTUVWXYZ"  # I and O are read as 1 and 0
LONGEST_LETTER: Final = 2


def letter_after(letter: str | None) -> str:
    """Return the revision letter that follows; A where there is none yet, AA after Z.

    Raises:
        NoLetterLeft: After ZZ.
    """
    if letter is None:
        return LETTERS[0]
    if letter == LETTERS[-1] * LONGEST_LETTER:
        raise NoLetterLeft(letter)
    head, last = letter[:-1], letter[-1]
    after = [one for one in LETTERS if one > last]  # I and O, from elsewhere, are followed by J and P
    if after:
        return head + after[0]
    return letter_after(head or None) + LETTERS[0]


def runs_seen_from(part: MadePart, side: Seen) -> Turning | None:
    """Return which way round a part's numbered holes run, seen from a side: what tells it from its mirror image.

    ``None`` of a part that is its own mirror image.
    """
    if isinstance(part, OrderedPart) or not part.is_handed:
        return None
    first = part.drilled[0].kind
    about = np.array([[hole.x_mm, hole.y_mm] for hole in part.drilled if hole.kind == first])
    about = about - about.mean(axis=0)
    following = np.roll(about, -1, axis=0)
    twice_area = float(np.sum(about[:, 0] * following[:, 1] - about[:, 1] * following[:, 0]))
    is_anticlockwise = (twice_area > 0) is (side == "first")
    return Turning.ANTICLOCKWISE if is_anticlockwise else Turning.CLOCKWISE


def release_of(
    part: MadePart, *, job_name: str, after: str | None, side: Seen, by: str, at: str, revision: int, note: str = ""
) -> Release:
    """Return a part as it is released.

    Args:
        part: As drawn from what is saved.
        job_name: For its titles.
        after: The letter that it was released under last; ``None`` when it never was.
        side: The side that the cut file shows.
        by: Who releases it.
        at: When, ISO 8601 with its offset.
        revision: Of the job.
        note: Why, where a check fails and it is released all the same.

    Raises:
        NoLetterLeft: If it was released as ZZ.
    """
    letter = letter_after(after)
    if isinstance(part, OrderedPart):
        return _ordered_release(part, letter, job_name=job_name, by=by, at=at, revision=revision, note=note)
    dxf = write_dxf(with_revision(cut_drawing(part, job_name, side), letter))
    return Release(
        part=part.key,
        letter=letter,
        by=by,
        at=at,
        revision=revision,
        side=side,
        seen_from=part.sides[0 if side == "first" else 1],
        drawing=drawing_from(part, job_name, "first"),
        dxf=dxf,
        sha256=hashlib.sha256(dxf.encode()).hexdigest(),
        sheet=sheet_drawing(part, job_name, side=side, revision=f"{letter}, as released"),
        holes=[FrozenHole.model_validate(row.model_dump()) for row in hole_rows(part)],
        thickness_mm=part.thickness_mm,
        material=part.stock.material,
        process=part.stock.process,
        readings=list(part.readings),
        note=note,
    )


def _ordered_release(
    part: OrderedPart, letter: str, *, job_name: str, by: str, at: str, revision: int, note: str
) -> Release:
    """Freeze an ordered part: its sizes, its lines, its sheet."""
    dxf = write_dxf(part.drawing)
    return Release(
        part=part.key,
        letter=letter,
        by=by,
        at=at,
        revision=revision,
        side="first",
        seen_from=part.drawing.seen_from,
        drawing=part.drawing,
        dxf=dxf,
        sha256=hashlib.sha256(dxf.encode()).hexdigest(),
        sheet=part.sheet(job_name, f"{letter}, as released"),
        sizes=[
            FrozenSize(
                key=one.key,
                title=one.title,
                mm=one.mm,
                allowed_mm=one.allowed_mm,
                left_mm=one.left_mm,
                left_of=one.left_of,
            )
            for one in part.sizes
        ],
        order=[FrozenLine(label=one.label, value=one.value, how=one.how) for one in part.lines],
        material=part.material,
        note=note,
    )
