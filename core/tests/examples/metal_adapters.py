"""Examples of brackets and mounts: ears bent both ways, short arms, fillets by their walls, modes on a subframe."""

from collections.abc import Callable, Mapping
from typing import Any, Final

import numpy as np

from driveline.held.holds import Hold, rubber
from driveline.held.modes import WHEEL_HOP_HZ, modes_of
from driveline.metal.ears import BENDING, FootStress, foot_lines, foot_stress
from driveline.metal.fillets import Fillet, greatest_leg_mm, wanted_leg_mm
from driveline.metal.sections import arm_stress, box
from driveline.metal.weld_groups import weld_stress
from driveline.metal.welds import THROAT, weld_allowable_mpa
from driveline.space.solids import Weighed, together

Given = Mapping[str, Any]
Found = dict[str, Any]
SHORT_DEPTHS: Final = 3.0


def ear_both_ways(given: Given, _every: Mapping[str, Given]) -> Found:
    root, thick, height = given["foot_width_mm"], given["thickness_mm"], given["hole_height_mm"]
    leg = min(given["leg_mm"], greatest_leg_mm(thick, given["landing_wall_mm"]))
    allowed = weld_allowable_mpa(electrode_tensile_mpa=given["electrode_tensile_mpa"], is_inspected=given["inspected"])
    found: Found = {}
    for case in given["cases"]:
        pull, in_plane, side = (case[name] / given["ears"] for name in ("pull_n", "in_plane_n", "side_n"))
        stress = foot_stress(
            root_mm=root,
            thickness_mm=thick,
            height_mm=height,
            pull_n=pull,
            in_plane_n=in_plane,
            side_n=side,
            short_depths=SHORT_DEPTHS,
        )
        weld = weld_stress(
            foot_lines(root, thick),
            leg_mm=leg,
            force_n=np.array([in_plane, side, pull]),
            at_mm=np.array([0.0, 0.0, height]),
        )
        found[case["name"]] = _ear(stress, given["yield_mpa"], weld.governing_mpa, allowed)
    margins = {name: one["bending_margin"] for name, one in found.items()}
    welds = {name: one["weld_margin"] for name, one in found.items()}
    return {
        "cases": found,
        "throat_counted_mm": THROAT * leg,
        "weld_allowable_mpa": allowed,
        "worst_case": min(margins, key=lambda name: margins[name]),
        "worst_weld_case": min(welds, key=lambda name: welds[name]),
        "holds": all(one["holds"] for one in found.values()),
    }


def _ear(stress: FootStress, yield_mpa: float, weld_mpa: float, allowed_mpa: float) -> Found:
    bending, weld = BENDING * yield_mpa / stress.corner_mpa, allowed_mpa / weld_mpa
    return {
        "direct_mpa": stress.direct_mpa,
        "in_plane_bending_mpa": stress.in_plane_mpa,
        "side_bending_mpa": stress.side_mpa,
        "corner_mpa": stress.corner_mpa,
        "in_plane_only_mpa": stress.direct_mpa + stress.in_plane_mpa,
        "side_only_mpa": stress.direct_mpa + stress.side_mpa,
        "direct_shear_mpa": stress.shear_mpa,
        "corner_with_shear_mpa": stress.with_shear_mpa,
        "bending_margin": bending,
        "yield_margin": yield_mpa / stress.with_shear_mpa,
        "weld_throat_mpa": weld_mpa,
        "weld_margin": weld,
        "holds": bending >= 1 and weld >= 1,
    }


def short_arm(given: Given, _every: Mapping[str, Given]) -> Found:
    section = box(breadth_mm=given["breadth_mm"], depth_mm=given["depth_mm"], wall_mm=given["wall_mm"])
    arms: Found = {}
    half, wall = given["depth_mm"] / 2, given["wall_mm"]
    inner = half - wall
    first = given["breadth_mm"] * half**2 / 2 - (given["breadth_mm"] - 2 * wall) * inner**2 / 2
    for length in given["arms_mm"]:
        is_short = length < SHORT_DEPTHS * given["depth_mm"]
        stress = arm_stress(
            section,
            arm_mm=length,
            upright_n=given["force_n"],
            across_n=0.0,
            axial_n=given["axial_n"],
            offset_mm=given["offset_mm"],
            e_mpa=205_000,
        )
        axial = given["axial_n"] / section.area_mm2
        direct = stress.direct_mpa if is_short else 0.0
        judged = stress.judged_mpa if is_short else stress.combined_mpa
        margin = given["yield_mpa"] / judged
        arms[f"{length:g}"] = {
            "short": is_short,
            "bending_mpa": stress.bending_and_axial_mpa - axial,
            "axial_mpa": axial,
            "torsion_mpa": stress.torsion_mpa,
            "direct_shear_mpa": direct,
            "corner_mpa": stress.combined_mpa,
            "web_mpa": float(np.hypot(axial, np.sqrt(3) * (stress.torsion_mpa + direct))),
            "judged_mpa": judged,
            "without_shear_mpa": stress.bending_and_axial_mpa,
            "web_shear_by_VQ_mpa": given["force_n"] * first / (section.upright_mm4 * 2 * wall),
            "margin": margin,
            "holds": margin >= 1.5,
        }
    return {
        "area_mm2": section.area_mm2,
        "I_mm4": section.upright_mm4,
        "Z_mm3": section.modulus_mm3,
        "enclosed_mm2": 1 / (2 * wall * section.shear_per_nmm),
        "web_area_mm2": section.webs_mm2[0],
        "arms": arms,
    }


def fillets(given: Given, _every: Mapping[str, Given]) -> Found:
    found: Found = {}
    for one in given["welds"]:
        weld = Fillet(
            leg_mm=one["leg_mm"],
            walls_mm=(one["wall_1_mm"], one["wall_2_mm"]),
            yields_mpa=(one["wall_1_yield_mpa"], one["wall_2_yield_mpa"]),
            fillets_on=(one["fillets_on_wall_1"], one["fillets_on_wall_2"]),
            electrode_mpa=given["electrode_tensile_mpa"],
            is_inspected=given["inspected"],
            force_n_per_mm=one["force_per_mm_n"],
        )
        carried, force = weld.carries_n_per_mm, weld.force_n_per_mm
        found[one["name"]] = {
            "leg_counted_mm": weld.counted_mm,
            "throat_counted_mm": weld.throat_mm,
            "throat_mpa": weld.throat_mpa,
            "throat_margin": carried["throat"] / force,
            "base_shear_mpa": {"wall_1": weld.base_mpa(0), "wall_2": weld.base_mpa(1)},
            "base_margin": {name: carried[name] / force for name in ("wall_1", "wall_2")},
            "least_leg_mm": wanted_leg_mm(*weld.walls_mm),
            "greatest_leg_mm": greatest_leg_mm(*weld.walls_mm),
            "leg_not_below_least": weld.is_large_enough,
            "leg_not_above_wall": weld.is_small_enough,
            "carries_n_per_mm": carried[weld.governing],
            "governing": weld.governing,
            "margin": weld.margin,
            "holds": weld.margin >= 1 and weld.is_large_enough and weld.is_small_enough,
        }
    return {"welds": found, "holds": all(one["holds"] for one in found.values())}


def _mount(one: Given) -> Hold:
    return rubber(
        one["name"],
        np.array(one["at_mm"], dtype=float),
        np.array(one["stiffness_n_per_mm"], dtype=float),
        turn=np.eye(3),
        bracket_n_per_mm=np.array(one["bracket_n_per_mm"], dtype=float),
    )


def rubber_modes(given: Given, _every: Mapping[str, Given]) -> Found:
    body = together(
        [
            Weighed(
                one["mass_kg"],
                np.array(one["cg_mm"], dtype=float),
                np.array(one["inertia_about_own_cg_kgm2"], dtype=float),
            )
            for one in given["moving"]
        ]
    )
    dynamic = given["dynamic_over_static"]
    holds = [_mount(one) for one in given["mounts"]]
    alone = sum(np.array(one["inertia_about_own_cg_kgm2"], dtype=float) for one in given["moving"])

    def frequencies(mounts: list[Hold], inertia: Any, times: float) -> list[float]:
        modes = modes_of(mounts, mass_kg=body.kg, cg_mm=body.cg_mm, inertia_kgm2=inertia, dynamic=times)
        return [mode.frequency_hz for mode in modes]

    modes = modes_of(holds, mass_kg=body.kg, cg_mm=body.cg_mm, inertia_kgm2=body.inertia_kgm2, dynamic=dynamic)
    stiff = [
        Hold(
            name=one.name,
            at_mm=one.at_mm,
            stiffness_n_per_mm=one.stiffness_n_per_mm,
            directions=one.directions,
            is_rubber=True,
        )
        for one in holds
    ]
    return {
        "mass_kg": body.kg,
        "cg_mm": body.cg_mm.tolist(),
        "inertia_about_cg_kgm2": body.inertia_kgm2.tolist(),
        "mounts": [
            {
                "name": one.name,
                "dynamic_n_per_mm": np.diag(one.shaken(dynamic).stiffness_n_per_mm).tolist(),
                "static_n_per_mm": np.diag(one.stiffness_n_per_mm).tolist(),
            }
            for one in holds
        ],
        "frequencies_hz": [mode.frequency_hz for mode in modes],
        "mode_names": [mode.name for mode in modes],
        "greatest_share_pct": [float(mode.shares_pct.max()) for mode in modes],
        "below_8_hz": [mode.is_low for mode in modes],
        "in_wheel_hop_band": [WHEEL_HOP_HZ[0] <= mode.frequency_hz <= WHEEL_HOP_HZ[1] for mode in modes],
        "wrong_ways": {
            "bracket_stiffened_too_hz": frequencies(stiff, body.inertia_kgm2, dynamic),
            "parallel_axes_left_out_hz": frequencies(holds, alone, dynamic),
            "static_hz": frequencies(holds, body.inertia_kgm2, 1.0),
        },
    }


ADAPTERS: Final[dict[str, Callable[[Given, Mapping[str, Given]], Found]]] = {
    "ear-both-ways": ear_both_ways,
    "short-arm-shear": short_arm,
    "fillet-by-walls": fillets,
    "modes-rubber-dynamic-bracket-static": rubber_modes,
}
