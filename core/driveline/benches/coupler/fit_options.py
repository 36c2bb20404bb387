"""The usual fits of the hub side by side: what each holds, how it stresses the hub, what heat it asks for."""

from dataclasses import replace

from driveline.benches.coupler.carriers import FIT_FRICTION
from driveline.benches.coupler.fit_sums import fit_sums
from driveline.benches.coupler.hub_checks import GREATEST_C
from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.results import FitOption
from driveline.fits.interference import ROOM_C, bore_stress_mpa, heating_k, held_torque_nm
from driveline.joints.sheet import RegisterFit
from driveline.tables.materials import material


def fit_options(inputs: CouplerInputs, needs: CouplerNeeds, within_mm: float | None) -> tuple[FitOption, ...]:
    """Return every usual bore on the motor's shaft; none before shaft and hub are known. No score: a person chooses.

    ``within_mm`` of the seat is on the shaft for certain.
    """
    shaft, hub = inputs.motor_shaft, inputs.hub
    if shaft.diameter_mm is None or hub.made_of is None or hub.outside_mm is None:
        return ()
    found, bores = [], set[str]()
    for name in sorted(RegisterFit, key=lambda each: each is not hub.fit_name):
        bore = name.value.partition("/")[0]
        if bore in bores:  # the shaft is as it is: only the bore is still to be made
            continue
        bores.add(bore)
        tried = replace(hub, fit_name=name, fit=shaft.fit_in(name, hub.bore_mm))
        sums, _ = fit_sums(shaft, tried, needs.greatest_rpm)
        if sums is None:
            return ()
        made = material(hub.made_of)
        hot_c = ROOM_C
        if sums.greatest_mm > 0:
            hot_c += heating_k(
                interference_mm=sums.greatest_mm, joint_mm=shaft.diameter_mm, expansion_per_k=made.expansion_per_k
            )
        stress_mpa = bore_stress_mpa(
            pressure_mpa=sums.greatest_mpa, joint_mm=shaft.diameter_mm, outside_mm=hub.outside_mm
        )
        holds_nm = None
        if within_mm is not None and hub.put_on is not None:
            holds_nm = held_torque_nm(
                pressure_mpa=sums.least_mpa,
                joint_mm=shaft.diameter_mm,
                length_mm=max(within_mm, 0.0),
                friction=FIT_FRICTION[hub.put_on],
            )
        found.append(
            FitOption(
                fit=name.value,
                is_chosen=name is hub.fit_name,
                holds_nm=holds_nm,
                carries_it=None if holds_nm is None or needs.design_nm is None else holds_nm >= needs.design_nm,
                stress_mpa=stress_mpa,
                yields=stress_mpa > made.yield_mpa,
                hot_c=hot_c,
                is_too_hot=hub.beside is not None and hot_c > GREATEST_C[hub.beside],
            )
        )
    return tuple(found)
