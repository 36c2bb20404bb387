"""Everything that says whether a mount's bracket is strong enough, and what of it hangs on a change."""

from collections import Counter
from collections.abc import Sequence

from driveline.benches.mounts.arm_checks import arm_checks
from driveline.benches.mounts.bracket_checks import bracket_checks
from driveline.benches.mounts.buckling_checks import buckling_checks
from driveline.benches.mounts.cradle_checks import cradle_checks
from driveline.benches.mounts.ear_face import ear_face_checks
from driveline.benches.mounts.ears_land import ears_land_checks
from driveline.benches.mounts.landing_checks import landing_checks
from driveline.benches.mounts.lands_checks import lands_checks
from driveline.benches.mounts.loaded import Loaded
from driveline.benches.mounts.rail_checks import rail_checks
from driveline.benches.mounts.standoff_checks import standoff_checks
from driveline.benches.mounts.tube_checks import tube_checks
from driveline.checks import Check
from driveline.margins import Judge


def strength_checks(one: Loaded, judge: Judge) -> tuple[Check, ...]:
    """Return the checks of a mount's bracket by itself."""
    return (
        *arm_checks(one, judge),
        *bracket_checks(one, judge),
        *ears_land_checks(one, judge),
        *ear_face_checks(one, judge),
        *tube_checks(one, judge),
        *cradle_checks(one, judge),
        *standoff_checks(one, judge),
        *buckling_checks(one, judge),
        *landing_checks(one, judge),
        *lands_checks(one, judge),
        *rail_checks(one, judge),
    )


def hanging_on_it(tried: Sequence[Sequence[Check]]) -> frozenset[str]:
    """Return the keys of what differs between some ways to make the same part: the rest does not hang on it."""
    found: dict[str, set[tuple[object, ...]]] = {}
    for checks in tried:
        for one in checks:
            figures = (one.verdict, one.demand, one.capacity, one.is_so, one.missing)
            found.setdefault(one.key, set()).add(figures)
    counts = Counter(one.key for checks in tried for one in checks)
    return frozenset(key for key, figures in found.items() if len(figures) > 1 or counts[key] < len(tried))
