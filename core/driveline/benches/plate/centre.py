"""How far motor and gearbox may be off one axis: every play, cold and warm, and how well the centre is known."""

import math
from dataclasses import dataclass
from typing import Final

from driveline.benches.plate.buildup_sheet import BuildKind
from driveline.benches.plate.inputs import PlateInputs, RegisterInputs
from driveline.benches.plate.seats import play_of
from driveline.benches.plate.sheet import Locating
from driveline.fits.limits import fit_within
from driveline.joints.sheet import RegisterFit
from driveline.margins import missing_of
from driveline.survey.solve import SurveyResult
from driveline.tables.materials import PlateMaterial, material

INDICATED_U_MM: Final = 0.01  # dial indicator
FACES: Final = {BuildKind.ONE_PLATE: 2, BuildKind.RING: 3, BuildKind.TWO_PLATES: 2, BuildKind.BASE: 0}


@dataclass(frozen=True, slots=True, kw_only=True)
class Offset:
    """How far the two axes may be apart, and what it adds up from; at best, while something is missing."""

    plays_mm: tuple[float, ...]  # of each register or dowel, at most, warm; diametral
    concentricity_mm: float
    centre_u_mm: float
    missing: tuple[str, ...]

    @property
    def play_mm(self) -> float:
        """Half of every play."""
        return sum(self.plays_mm) / 2

    @property
    def total_mm(self) -> float:
        """Their sum."""
        return self.play_mm + self.concentricity_mm + self.centre_u_mm


def offset_of(inputs: PlateInputs, survey: SurveyResult, face_survey: SurveyResult | None) -> Offset:
    """Return how far motor and gearbox may be off one axis.

    Registers locate where every face that is crossed has one; their plays grow as an aluminium plate gets warmer than
    the steel it is fitted to. Dowels are reamed after indicating: their own play is what is left.
    """
    plate = inputs.plate
    is_indicated = plate.locating is Locating.DOWELS
    plays_mm = _dowel_plays_mm(inputs) if is_indicated else _register_plays_mm(inputs)
    known = [play for play in plays_mm if play is not None]
    survey_mm = INDICATED_U_MM if is_indicated else _centre_u_mm(survey, face_survey)
    faces = FACES[inputs.built.kind]
    missing = missing_of(
        {
            "How the plate is located: registers, or dowels reamed after indicating": plate.locating
            is not Locating.NOT_CHOSEN,
            "Size and fit of the dowels": not is_indicated or bool(plays_mm),
            f"Play or fit of the register on each of {faces} faces": is_indicated or _located(inputs) >= faces,
            "What the plate is made of, and a register's size, for its play when warm": len(known) == len(plays_mm),
            **({} if is_indicated else _measured(inputs)),
            "Machined concentricity of the plate": plate.concentricity_mm,
            "A flange survey that settles the shaft's centre": survey_mm,
        }
    )
    return Offset(
        plays_mm=tuple(known),
        concentricity_mm=plate.concentricity_mm or 0.0,
        centre_u_mm=survey_mm or 0.0,
        missing=missing,
    )


def warm_play_mm(made_of: PlateMaterial | None, size_mm: float | None, warmer_k: float) -> float | None:
    """Return by how much a register's play in the plate grows when both are warm, on steel, mm; ``None``: not known."""
    if made_of is None or size_mm is None:
        return None
    unlike = material(made_of).expansion_per_k - material(PlateMaterial.STEEL).expansion_per_k
    return max(unlike, 0.0) * warmer_k * size_mm


def _register_plays_mm(inputs: PlateInputs) -> list[float | None]:
    """Greatest diametral play of each register, warm; a measured one is taken to be of the largest register."""
    plate = inputs.plate
    sizes = [inputs.face.register_mm, plate.bore_mm or None]
    largest_mm = max((size for size in sizes if size is not None), default=None)
    grows_mm = warm_play_mm(plate.made_of, largest_mm, inputs.span.warmer_k)
    plays: list[float | None] = [
        None if grows_mm is None else play_mm + grows_mm for play_mm in plate.register_plays_mm
    ]
    warmer_k = inputs.span.warmer_k
    return plays + [_play_mm(inputs, one, warmer_k) for one in plate.registers]


def _play_mm(inputs: PlateInputs, register: RegisterInputs, warmer_k: float) -> float | None:
    """Greatest play of a register, warm: of its fit, or against what was measured where that is more."""
    by_fit_mm = fit_play_mm(inputs.plate.made_of, register.size_mm, register.fit, warmer_k)
    grows_mm, play = warm_play_mm(inputs.plate.made_of, register.size_mm, warmer_k), play_of(inputs, register)
    if by_fit_mm is None or grows_mm is None or play is None:
        return None
    return max(by_fit_mm, play.greatest_mm + grows_mm)


def _measured(inputs: PlateInputs) -> dict[str, bool]:
    """A fit counts on what it meets being of its size: worn or odd ones are not."""
    numbered = enumerate(inputs.plate.registers, start=1)
    plays = {number: play_of(inputs, register) for number, register in numbered}
    return {
        f"What register {number} meets, as measured with its ±": play is None or play.is_sure
        for number, play in plays.items()
    }


def _located(inputs: PlateInputs) -> int:
    """How many faces are located: two registers on one side locate one."""
    sides = [register.side for register in inputs.plate.registers]
    return len(inputs.plate.register_plays_mm) + len({one for one in sides if one}) + sides.count(None)


def _dowel_plays_mm(inputs: PlateInputs) -> list[float | None]:
    size_mm, chosen = inputs.plate.dowel_mm, inputs.plate.dowel_fit
    if size_mm is None or chosen is None:
        return []
    return [fit_play_mm(inputs.plate.made_of, size_mm, chosen, inputs.span.warmer_k)]


def fit_play_mm(made_of: PlateMaterial | None, size_mm: float, chosen: RegisterFit, warmer_k: float) -> float | None:
    """Return the greatest play of a fit when warm, mm; ``None``: not known."""
    found, grows_mm = fit_within(size_mm, chosen.value), warm_play_mm(made_of, size_mm, warmer_k)
    if found is None or grows_mm is None:
        return None
    return max(found.greatest_play_mm + grows_mm, 0.0)


def _centre_u_mm(survey: SurveyResult, face_survey: SurveyResult | None) -> float | None:
    """How well both patterns are known about their shafts: the motor's own survey, where there is one, adds to it."""
    flange_mm = survey.centre_u_mm if survey.is_settled else None
    if face_survey is None or flange_mm is None:
        return flange_mm
    face_mm = face_survey.centre_u_mm if face_survey.is_settled else None
    return None if face_mm is None else math.hypot(flange_mm, face_mm)
