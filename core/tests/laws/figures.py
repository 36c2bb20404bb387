"""The figures of a job file, each of which can be taken away, and which of them are free to go.

A figure is a leaf of the sheets: a reading with its text, a number, a yes or no, the name of a material, or one of a
list of such. Taking it away leaves the field empty, or the list one shorter.
"""

import copy
import re
from collections.abc import Iterator
from typing import Any, Final

Path = tuple[str | int, ...]

# What is wanted, choices between options, names and notes; and readings that others still judge. Nothing else is free.
FREE: Final = tuple(
    re.compile(pattern)
    for pattern in (
        r"^margins\.",  # what is wanted
        r"^brief\.wanted\.",
        r"\.(wanted_apart|wanted_ligament_factor)$",
        r"^coupler\.(tip_clear|face_clear|jaw\.tip_gap)$",
        r"^placement\.(wanted\.|chosen$)",
        r"^placement\.(points|tapes)\b",  # readings that others still judge
        r"\.scan\.matches\b",
        r"^mounts\.subframe\.is_there$",  # chosen
        r"^mounts\.pull\.(log\b|jig$)",  # readings that others still judge; a gap that is chosen
        r"^mounts\.(mounts|crosses|own_cases|left_out|frame\.stations)\.\d+$",  # what there is, not a figure of it
        r"^mounts\.mounts\.\d+\.(is_measured|is_turned|grip|turning_nm_per_deg|stands_on)$",  # chosen
        r"^mounts\.(mounts|crosses)\.\d+\.bracket\.landing\.shims$",  # chosen
        r"^mounts\.frame\.(old|stations\.\d+)\.(kind$|(plates|rings)\.\d+$)",  # what there is, not a figure of it
        r"^axles\.(axles|lines)\.\d+$",  # what there is, not a figure of it
        r"^axles\.lines\.\d+\.(joints|tubes)\.\d+$",
        r"^axles\.axles\.\d+\.(left|right)\.(outer\.heights\b|outer\.strap$)",  # others judge; a strap is chosen
        r"^axles\.axles\.\d+\.(left|right)\.inner\b",  # empty: the placed unit's
        r"^axles\.axles\.\d+\.(left|right)\.(steers$|bar\.(grooves|boots|measured_how|is_mock_up)$)",
        r"^axles\.lines\.\d+\.tubes\.\d+\.(slips|flanges|is_mock_up)$",
        r"^ratios\.(front_)?propshaft\.critical_rpm$",  # its tube, measured, judges it too
        r"\.is_fitted$",  # chosen
        r"^coupler\.apart$",  # chosen; while it is empty the plate's own distance is judged
        r"^coupler\.weld\b",  # while nothing is said of one, the hub is not welded
        # A face's wanted place is asked for by the builder: no terminals, no window.
        r"^plate\.(face\.terminals_(at|arc)|plate\.terminals_(from|to))$",
        r"^ratios\.(choice|compared)\b",  # choices between options
        r"^ratios\.(coupler|split|clutch\.kind)\b",
        r"^ratios\.(tyres|reductions|front_reductions|final_drives|front_final_drives)\.\d+$",
        r"^ratios\.gearbox\.gears\.\d+$",
        r"^ratios\.gearbox\.rating_at$|\.rating_at$|\.on_coast_flank$|\.more_ratios\b",
        r"^brief\.(layout|driven)$|\.use$|handbrake_axle$",
        r"^brief\.(front_motor|front_tyre)$",  # a unit or tyre like the other one
        r"^plate\.plate\.(process|locating|outline_by|turned|edge_factor|quantity|kerf|sheet_long|sheet_wide)\b",
        r"^plate\.(build_up\.kind|build_up\.ring\.on|build_up\.standoffs\.fixing|build_up\.base\.rows)\b",
        r"^plate\.\w+_joint\.crush_tube$|\.crush_tube$",
        r"^plate\.survey\.(seen_from|numbered|direction_of|direction_at|scaled_frames|outline)\b",  # where angles begin
        r"\.first_at$",
        r"(^|\.)(name|notes|description|reason|about|part_number|material|library|why|left_out|left_out_by|id|key)$",
        r"\.(is_on|only_laden)$",  # what an item is, not a figure of it
        r"^plate\.plate\.bore$",  # designed; while it is empty the register's size is bored, and said so
        r"^brief\.was\b",  # the vehicle before: compared with, judged by nothing
        r"^plate\.survey\.readings\b",  # readings that others still judge
        r"^brief\.tyre\.(code|construction|roll_out_turns|loaded_radius)$",  # one stands in for the other
        r"^brief\.vehicle\.laden_mass$",  # with items the load is judged by them; without, see the law's own test
    )
)
# ENGINEERING gives these a usual value, in use while nothing is stated, and shown as one. Taken away, a figure worse
# than usual is lost to anybody: the law can only ask that the usual one is named.
USUAL: Final = tuple(
    re.compile(pattern)
    for pattern in (
        r"\.efficiency$",
        r"^brief\.vehicle\.(crr|tyre_grip)$",
        r"\.(\w+_)?joint\.(head|tapped_mpa|tightening)$",
        r"^mounts\..*\.screws?\.(head|tapped_mpa|tightening)$",  # the same of landing plates and ears
        r"^brief\.motor\.inertia_kgm2$",
        r"^brief\.temperatures\.",
        r"^placement\.travel$",
        r"^axles\..*\.guide_mpa$",
        r"^axles\.lines\.\d+\.grade_mm_s$",
        r"^mounts\.(dynamic|inertia\b)",
        r"\.bracket\.(rail\.)?yield_mpa$",
        r"^coupler\.\w+_shaft\.key\.bearing_mpa$",
        r"^coupler\.(falls\b|grade_mm_s$|\w+_shaft\.shear_mpa$)",
        r"^coupler\.(allowed_parallel|allowed_angle|stiffness_nm_per_rad)$",
    )
)


def named(path: Path) -> str:
    """Return a path as ``brief.vehicle.kerb_mass``."""
    return ".".join(str(part) for part in path)


def is_free(path: Path) -> bool:
    """Say whether a figure may be taken away to any effect."""
    return any(pattern.search(named(path)) for pattern in (*FREE, *USUAL))


def figures_of(node: Any, path: Path = ()) -> Iterator[Path]:
    """Return the paths of all figures below a place of the sheets."""
    if isinstance(node, dict):
        if "text" in node and path:
            yield path
            if "tool" in node:
                yield (*path, "tool")
            return
        for name, child in node.items():
            yield from figures_of(child, (*path, name))
    elif isinstance(node, list):
        for k, child in enumerate(node):
            yield from figures_of(child, (*path, k))
        if path[-1:] == ("curve",) and node:
            yield (*path, len(node) - 1)  # its end; a point between two is judged by both
    elif node is not None and node != "":
        yield path


def without(sheets: dict[str, Any], path: Path) -> dict[str, Any]:
    """Return the sheets with one figure taken away."""
    changed = copy.deepcopy(sheets)
    place: Any = changed
    for part in path[:-1]:
        place = place[part]
    if isinstance(place, list):
        place.pop(int(path[-1]))
    else:
        place.pop(path[-1])
    return changed
