"""What a line of propshafts lets the gearing count on: the speed at which the first of its shafts would whirl."""

import numpy as np

from driveline.benches.axles.ends import STILL
from driveline.benches.axles.line_checks import two_piece_share
from driveline.benches.axles.lines import joints_missing, swept_of, travel_missing, tube_critical_rpm
from driveline.benches.axles.sheet import AxlesSheet, PropLine, Which
from driveline.errors import ImpossibleInput
from driveline.space.spots import Points, spot_mm


def critical_limits(sheet: AxlesSheet, points: Points) -> dict[Which | None, float | None]:
    """Return the least critical speed of each axle's line, rpm; ``None`` while it is not known.

    The unit's moves on its mounts come later in the work and are left out: the bench's own check counts them.
    """
    found: dict[Which | None, float | None] = {}
    for line in sheet.lines:
        critical = _critical_rpm(line, points)
        if line.which in found:
            before = found[line.which]
            critical = None if critical is None or before is None else min(critical, before)
        found[line.which] = critical
    return found


def _critical_rpm(line: PropLine, points: Points) -> float | None:
    if joints_missing(line, points) or travel_missing(line):
        return None
    try:
        lengths = swept_of(line, np.array([spot_mm(one.at, points) for one in line.joints]), STILL).lengths_mm.max(
            axis=0
        )
    except ImpossibleInput:
        return None
    criticals = [tube_critical_rpm(tube, float(one)) for tube, one in zip(line.tubes, lengths, strict=True)]
    known = [one for one in criticals if one is not None]
    return min(known) * two_piece_share(line) if known and len(known) == len(criticals) else None
