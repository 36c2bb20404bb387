"""Freezing a part: its drawing, the very bytes for the cutter, and the readings that they hang on."""

import hashlib
from typing import Final

import numpy as np

from driveline.benches.plate.drawings import cut_drawing, drawing_from, hole_rows, sheet_drawing
from driveline.benches.plate.layout import Part
from driveline.benches.plate.solve import solve_parts
from driveline.drawing.dxf import write_dxf
from driveline.drawing.plate import with_revision
from driveline.errors import NoLetterLeft
from driveline.job.file import JobFile
from driveline.network import Turning
from driveline.parts.records import FrozenHole, PartKey, Release, Seen
from driveline.parts.released import frozen_readings

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


def runs_seen_from(part: Part, side: Seen) -> Turning:
    """Return which way round a part's numbered holes run, seen from a side: what tells it from its mirror image."""
    first = part.drilled[0].kind
    about = np.array([[hole.x_mm, hole.y_mm] for hole in part.drilled if hole.kind == first])
    about = about - about.mean(axis=0)
    following = np.roll(about, -1, axis=0)
    twice_area = float(np.sum(about[:, 0] * following[:, 1] - about[:, 1] * following[:, 0]))
    is_anticlockwise = (twice_area > 0) is (side == "engine")
    return Turning.ANTICLOCKWISE if is_anticlockwise else Turning.CLOCKWISE


def release_of(job: JobFile, *, part: PartKey, side: Seen, by: str, at: str, revision: int, note: str = "") -> Release:
    """Return a part of a job as it is released.

    Args:
        job: As saved, with its records: the next letter follows from them.
        part: Which part.
        side: The side that the cut file shows.
        by: Who releases it.
        at: When, ISO 8601 with its offset.
        revision: Of the job.
        note: Why, where a check fails and it is released all the same.

    Raises:
        NotDrawnYet: If that part can't be drawn.
        NoLetterLeft: If it was released as ZZ.
    """
    plate = job.sheets.plate
    solved = solve_parts(plate)
    found = solved.part(part)
    newest = job.build.newest(part)
    letter = letter_after(newest.letter if newest else None)
    sure = {hole.id: hole.major_mm for hole in solved.survey.result.holes}
    dxf = write_dxf(with_revision(cut_drawing(plate, found, job.name, side), letter))
    return Release(
        part=part,
        letter=letter,
        by=by,
        at=at,
        revision=revision,
        side=side,
        drawing=drawing_from(plate, found, job.name, "engine"),
        dxf=dxf,
        sha256=hashlib.sha256(dxf.encode()).hexdigest(),
        sheet=sheet_drawing(plate, found, job.name, side=side, revision=f"{letter}, as released"),
        holes=[FrozenHole.model_validate(row.model_dump()) for row in hole_rows(found, sure)],
        thickness_mm=found.thickness_mm,
        material=plate.plate.material,
        process=plate.plate.process.value,
        readings=frozen_readings(solved.survey.result),
        note=note,
    )
