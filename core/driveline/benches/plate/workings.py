"""Workings of the plate's checks: readings, metal left, faces, fits, the floor under a sunk head."""

import math
from typing import Final

from driveline.benches.plate.needs import WantedApart
from driveline.benches.plate.parts import EdgeShare
from driveline.benches.plate.results import BuildUpResult, TiltResult
from driveline.figures import fig
from driveline.flat.holes import LEAST_LIGAMENT_MM
from driveline.joints.preload_sums import greatest_steps
from driveline.joints.screws import Place, Worked
from driveline.network.judge import GREATEST_W
from driveline.survey.solve import SurveyResult
from driveline.working import Given, Step, Working, entered, step, tabled, worked

SAME_SHARE: Final = 1e-6  # of w: what two sums of it may differ by


def adjusted_words(survey: SurveyResult) -> str:
    """Return how the readings were brought together, and what was left over."""
    moved = fig(max(survey.last_step_mm or 0.0, 1e-6), "mm", 6)
    return (
        f"Least squares by Levenberg–Marquardt: {survey.steps} steps, the last of no more than {moved}. Put in again, "
        "no reading is off by more than its v."
    )


def readings_agree_working(survey: SurveyResult, worst: float | None, spread: float, field: str) -> Working:
    """Return the reading that stands out most, and how all of them scatter."""
    steps: list[Step] = []
    if worst is not None:
        first = _worst_step(survey, worst, field)
        steps += [first] if isinstance(first, Step) else []
        parts = [f"w / {GREATEST_W:g}"]
        given: list[Given | Step] = [first]
        if survey.chi_square_limit:
            q = worked("Q", survey.chi_square, "", "Σ(v/u)² over all readings")
            limit = tabled("Q_95", survey.chi_square_limit, "", f"χ², 95 %, {survey.redundancy} readings to spare")
            steps.append(step("s", "Q / Q_95", q, limit, value=spread, decimals=2, words="all of them together"))
            parts.append("s")
            given.append(steps[-1])
        steps.append(
            step("d", f"max({', '.join(parts)}, 0)", *given, value=max(worst / GREATEST_W, spread), decimals=2)
        )
    return Working(
        steps=tuple(steps),
        source="Least squares; a reading with |w| above 3.29 is the likeliest mistake (Baarda, 1968). Together "
        "they scatter no more than χ² allows.",
        method=adjusted_words(survey),
    )


def _worst_step(survey: SurveyResult, worst: float, field: str) -> Step | Given:
    """How far what stands out most is off; the size of a hole, which is measured too, has no line of its own."""
    checked = [one for one in survey.readings if one.w is not None]
    reading = max(checked, key=lambda one: abs(one.w or 0.0), default=None)
    if reading is None or abs(reading.w or 0.0) < worst * (1 - SAME_SHARE):
        return worked("w", worst, "", "of the size of a hole, which stands out more than any reading")
    return step(
        "w",
        "abs(Δ) * sqrt(r) / u",
        worked("Δ", reading.off_mm or 0.0, "mm", f"{field}: {reading.label}, off what the others say"),
        worked("r", reading.redundancy or 0.0, "", f"{reading.label}: how far others check it"),
        entered("u", reading.u_mm, "mm", f"{field}: {reading.label}"),
        value=worst,
        decimals=2,
        words=f"of {reading.label}, the largest",
    )


def holes_settled_working(survey: SurveyResult, least: float, *, is_known: bool) -> Working:
    """Return how far the least checked reading is checked."""
    given = worked("h", 1 - least, "", "leverage of the reading that others check least")
    return Working(
        steps=(step("r", "1 - h", given, value=least, decimals=3),) if is_known else (),
        source="Below 0.1 nobody would notice a mistake in the reading.",
        method=adjusted_words(survey) if is_known else "",
    )


def edge_working(worst: EdgeShare | None) -> Working:
    """Return how far from the edge a hole's centre should lie."""
    steps: tuple[Step, ...] = ()
    if worst is not None:
        size = worked("d", worst.size_mm, "mm", f"hole {worst.hole}, as drawn")
        factor = tabled("k", worst.factor, "", "half a bore, or as the plate is cut: plate.plate.process")
        wall = worked("t", worst.wall_mm, "mm", "a wall round a bore, 0 for a hole")
        steps = (step("e", "k * d + t", factor, size, wall, value=worst.wanted_mm, unit="mm", decimals=2),)
    return Working(
        steps=steps,
        source="1.5 d machined, laser or waterjet cut; 2 d plasma or flame cut, to the hole's centre. Round a bore "
        f"a wall as wide as the largest other hole, at least {fig(LEAST_LIGAMENT_MM, 'mm')}.",
    )


def face_tilt_working(tilt: TiltResult | None, fixing: str | None) -> Working:
    """Return how the plane through the standoffs' ends leans."""
    steps: tuple[Step, ...] = ()
    if tilt is not None:
        slope, at = math.tan(math.radians(tilt.tilt_deg)), math.radians(tilt.high_at_deg)
        measured = "plate.build_up.standoffs.measured"
        steps = (
            step(
                "φ",
                "atan(sqrt(a**2 + b**2))",
                worked("a", slope * math.cos(at), "", f"{measured}: slope along x of the plane that fits best"),
                worked("b", slope * math.sin(at), "", f"{measured}: slope along y"),
                value=tilt.tilt_deg,
                unit="°",
                decimals=3,
                words=f"rocks by {fig(tilt.rock_mm, 'mm', 3)}",
            ),
        )
    return Working(
        steps=steps,
        source="Least-squares plane through the ends, z = c + a x + b y. Usual angular allowances: rigid 0.05, clutch "
        "or spline 0.1, flexible 0.5°.",
        note="Welded standoffs pull as they cool: measure after welding, face to length, measure again."
        if fixing == "welded"
        else "",
    )


def faces_apart_working(
    built: BuildUpResult,
    wanted: WantedApart,
    growth_mm: float | None,
    off_mm: float | None,
    warm_k: float,
) -> Working:
    """Return how far the faces come to stand from where they are asked for."""
    apart, wanted_mm = built.apart, wanted.mm
    steps: tuple[Step, ...] = ()
    if apart is not None and wanted_mm is not None and off_mm is not None:
        lengths = [worked(f"l_{k}", one.length_mm, "mm", one.name) for k, one in enumerate(apart.shares, start=1)]
        limits = [worked(f"t_{k}", one.either_way_mm, "mm", one.name) for k, one in enumerate(apart.shares, start=1)]
        sums = _sum_step("L", lengths, apart.nominal_mm)
        worst = _sum_step("t", limits, apart.worst_mm)
        grows = worked("g_warm", growth_mm or 0.0, "mm", f"Σ α l over all of them, {fig(warm_k, 'K')} warmer")
        off = step(
            "e",
            "max(abs(L - L_wanted), abs(L - L_wanted + g_warm)) + t",
            sums,
            entered("L_wanted", wanted_mm, "mm", wanted.field),
            grows,
            worst,
            value=off_mm,
            unit="mm",
            decimals=2,
        )
        steps = (sums, worst, off)
    return Working(
        steps=steps,
        source="Worst case over all lengths. How far off it may be is what the coupler's gaps leave; asked for here, "
        f"± {fig(0.5, 'mm')} is taken as usual.",
        note=""
        if apart is None
        else f"Most likely ± {fig(apart.likely_mm, 'mm', 2)}, were they independent and centred. Of the spread, "
        + ", ".join(f"{100 * one.share:.0f} % is {one.name}" for one in apart.shares)
        + ".",
    )


def _sum_step(symbol: str, parts: list[Given], value_mm: float) -> Step:
    return step(symbol, " + ".join(one.name for one in parts), *parts, value=value_mm, unit="mm", decimals=2)


def floor_working(
    worked_on: Worked | None,
    place: Place,
    *,
    depth_mm: float | None,
    field: str,
    floor_mm: float | None,
    greatest_n: float | None,
    sheared_mm: float | None,
    wanted_mm: float | None,
) -> Working:
    """Return the plate left under a sunk head, and what is wanted there."""
    steps: list[Step] = []
    if depth_mm is not None and floor_mm is not None:
        thick = worked("t", floor_mm + depth_mm, "mm", place.fields.grip)
        deep = entered("z", depth_mm, "mm", field)
        steps.append(step("floor", "t - z", thick, deep, value=floor_mm, unit="mm", decimals=1))
    if worked_on is not None and wanted_mm is not None:
        d = tabled("d", worked_on.size.diameter_mm, "mm", worked_on.size.name)
        if sheared_mm is None or place.material is None:
            steps.append(step("floor_wanted", "0.5 * d", d, value=wanted_mm, unit="mm", decimals=2))
        else:
            greatest = greatest_steps(worked_on, greatest_n)
            head = worked("d_head", worked_on.head_mm, "mm", f"{place.fields.joint}.head")
            metal = tabled("S_y", place.material.yield_mpa, "MPa", "the plate's metal, at least")
            last = step(
                "floor_wanted",
                "max(0.5 * d, F_great / (pi * d_head * 0.4 * S_y))",
                d,
                greatest[-1],
                head,
                metal,
                value=wanted_mm,
                unit="mm",
                decimals=2,
            )
            steps += [*greatest, last]
    return Working(
        steps=tuple(steps),
        source="The head must not shear through: 0.4 of the plate's yield round its rim; half a diameter customary.",
    )
