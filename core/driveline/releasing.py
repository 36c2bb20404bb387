"""Freezing a part: its drawing, the very bytes for the cutter, and the readings that they hang on."""

import hashlib
from typing import Final

from driveline.benches.plate import solve_parts
from driveline.benches.plate_drawings import cut_drawing, part_drawings
from driveline.benches.released import frozen_readings
from driveline.drawing.dxf import write_dxf
from driveline.drawing.plate import with_revision
from driveline.errors import ImpossibleInput
from driveline.sheets.build import PartKey, Release, Seen
from driveline.sheets.job import JobFile

LETTERS: Final = "ABCDEFGHJKLMNPQRSTUVWXYZ"  # I and O are read as 1 and 0


def letter_after(letter: str | None) -> str:
    """Return the revision letter that follows; A where there is none yet, AA after Z."""
    if letter is None:
        return LETTERS[0]
    head, last = letter[:-1], LETTERS.index(letter[-1])
    if last + 1 < len(LETTERS):
        return head + LETTERS[last + 1]
    return letter_after(head or None) + LETTERS[0]


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
        ImpossibleInput: If that part can't be drawn.
    """
    plate, solved = job.sheets.plate, solve_parts(job.sheets.plate)
    found = next((one for one in solved.parts if one.key == part), None)
    if found is None:
        raise ImpossibleInput("part", part, "a part that is drawn")
    newest = job.build.newest(part)
    letter = letter_after(newest.letter if newest else None)
    dxf = write_dxf(with_revision(cut_drawing(plate, found, job.name, side), letter))
    return Release(
        part=part,
        letter=letter,
        by=by,
        at=at,
        revision=revision,
        side=side,
        drawing=part_drawings(plate, found, job.name)[0],
        dxf=dxf,
        sha256=hashlib.sha256(dxf.encode()).hexdigest(),
        thickness_mm=found.thickness_mm,
        material=plate.plate.material,
        process=plate.plate.process.value,
        readings=frozen_readings(solved.survey.result),
        note=note,
    )
