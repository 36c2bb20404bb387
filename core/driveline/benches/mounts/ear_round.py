"""The wall of a round tube under ears that stand on it by themselves."""

from typing import Final

from driveline.benches.mounts.ear_wall import Bears, EarsOn, Face
from driveline.errors import ImpossibleInput
from driveline.metal.round_chord import ACROSS, ALONG, STANDS, RoundChord, round_chord
from driveline.working import entered, step, tabled

ROUND: Final = (
    "Plates on a round tube, EN 1993-1-8 table 7.3, k_p = 1; aside two as a pair of pulls. Which way the force in "
    "their plane goes is not said: the worst way is taken, 1/√(1/N² + 1/F_b²)."
)


def on_round(on: EarsOn) -> Face:
    """Return what the wall of a round tube bears under ears.

    Raises:
        ImpossibleInput: If there is one ear, which bears nothing aside, or the tube is not one that the rule is for.
    """
    if not on.is_pair:
        raise ImpossibleInput("ears", 1, "two on a round tube: one by itself bears nothing aside")
    apart = on.gap_mm + on.ear.thickness_mm
    bears = round_chord(
        outside_mm=on.face.value,
        wall_mm=on.wall.value,
        plate_mm=on.ear.root_mm,
        count=2,
        apart_mm=apart,
        is_along=not on.is_along_bolt,
        yield_mpa=on.yields.value,
    )
    return Face(
        ear=on.ear,
        pull_n=bears.pull_n,
        about_bolt_nmm=bears.in_plane_nmm,
        about_ears_nmm=bears.aside_nmm,
        steps=lambda: _steps(on, bears, apart),
        source=ROUND,
    )


def _steps(on: EarsOn, bears: RoundChord, apart_mm: float) -> Bears:
    field = on.one.mount.field
    outside, root = on.face, on.root("h")
    share = step("η", "h / b_0", root, outside, value=bears.share, unit="", decimals=3)
    first, second = ACROSS if on.is_along_bolt else ALONG
    figures = (tabled("k_1", first, "", "of the table"), tabled("k_2", second, "", "of the table"))
    form = "(k_1 + k_2 * min(η, 1)**2)" if on.is_along_bolt else "k_1 * (1 + k_2 * η)"
    one = step("N_1", f"f * t**2 * {form}", on.yields, on.wall, *figures, share, value=bears.plate_n, unit="N")
    pull = step("N", "2 * N_1", one, value=bears.pull_n, unit="N")
    stands = tabled("k_3", STANDS if on.is_along_bolt else 1.0, "", "across the tube a half, along it the whole")
    in_plane = step("M_1", "N * h * k_3", pull, root, stands, value=bears.in_plane_nmm / 1000, unit="N·m")
    thick = entered("t_e", on.ear.thickness_mm, "mm", f"{field}.ears.thickness")
    gap = entered("g", on.gap_mm, "mm", f"{field}.tube.gap")
    apart = step("a", "g + t_e", gap, thick, value=apart_mm, unit="mm", decimals=1)
    aside = step("M_2", "N_1 * a", one, apart, value=bears.aside_nmm / 1000, unit="N·m")
    return (share, one, pull, in_plane, apart, aside), pull, in_plane, aside
