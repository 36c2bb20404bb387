"""Whether the line would shuffle or hum: its first modes seen from the motor, with this coupler and a rigid one."""

from typing import Final

from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.results import ShuffleResult
from driveline.figures import fig
from driveline.results import Assumed
from driveline.shafts.coupler import CouplerStyle
from driveline.shafts.torsional import chain_modes_hz

GEARBOX_KGM2: Final = 0.01
SHAFTS_NM_PER_RAD: Final = 6000.0  # at the wheels, both half shafts with their tyres
COUPLER_NM_PER_RAD: Final = {
    CouplerStyle.RIGID: 2.0e5,
    CouplerStyle.SPLINE: 2.0e5,
    CouplerStyle.FLEXIBLE: 3.0e3,
    CouplerStyle.CLUTCH: 1.0e3,
}
TURN_S: Final = 60.0
LEAST: Final = 1e-6


def shuffle_of(inputs: CouplerInputs, needs: CouplerNeeds, style: CouplerStyle) -> ShuffleResult | None:
    """Return the first modes; ``None`` while rotor, vehicle or gearing is not known.

    Source:
        Rotor, gearbox and vehicle as inertias on coupler and shafts as springs, all carried to the motor's shaft: an
        inertia behind a ratio i over i², a spring likewise.
    """
    rotor, vehicle, ratio = needs.rotor_kgm2, needs.vehicle_kgm2, needs.overall_ratio
    if rotor is None or vehicle is None or ratio is None:
        return None
    if not all(LEAST < one < 1 / LEAST for one in (rotor, vehicle, ratio)):  # no driveline's: nothing to say
        return None
    own, shafts = inputs.stiffness_nm_per_rad or COUPLER_NM_PER_RAD[style], SHAFTS_NM_PER_RAD / ratio**2
    modes = chain_modes_hz([rotor, GEARBOX_KGM2, vehicle], [own, shafts])
    rigid = chain_modes_hz([rotor, GEARBOX_KGM2, vehicle], [COUPLER_NM_PER_RAD[CouplerStyle.RIGID], shafts])
    return ShuffleResult(
        first_hz=modes[0],
        second_hz=modes[1],
        rigid_second_hz=rigid[1],
        once_a_turn_rpm=TURN_S * modes[1],
        twice_a_turn_rpm=TURN_S * modes[1] / 2,
    )


def assumed_of(inputs: CouplerInputs, style: CouplerStyle) -> list[Assumed]:
    """Return the usual values in its sums."""
    found = [
        Assumed(
            field="coupler",
            text=f"gearbox inertia {fig(GEARBOX_KGM2, 'kg·m²')}, half shafts and tyres "
            f"{fig(SHAFTS_NM_PER_RAD, 'N·m', 0)} a radian",
        )
    ]
    if not inputs.stiffness_nm_per_rad:
        text = f"stiffness of the coupler {fig(COUPLER_NM_PER_RAD[style], 'N·m', 0)} a radian"
        found.append(Assumed(field="coupler.stiffness_nm_per_rad", text=text))
    return found
