"""Which way each figure acts on each check: more of it never a better margin, or never a worse one.

``WORSE`` and ``BETTER`` name a figure and the checks, by the beginning of their keys, whose margin more of it may only
lower or only raise. What a figure does not name it may move either way, or not at all.
"""

from dataclasses import dataclass
from typing import Final


@dataclass(frozen=True, slots=True)
class Way:
    """A figure, its unit, and the checks whose margin more of it may only lower (or only raise)."""

    field: str  # such as brief.motor.mass
    unit: str  # empty for a plain number
    checks: tuple[str, ...]
    only_raises: bool = False


WORSE: Final = (
    Way("brief.motor.peak_torque", "Nm", ("plate.motor_friction", "plate.flange_friction", "plate.standoff_friction")),
    Way(
        "brief.motor.peak_torque",
        "Nm",
        (
            "gearbox.torque",
            "reduction.torque",
            "drive_unit.torque",
            "propshaft.torque",
            "axle.torque",
            "rear.",
            "front.",
        ),
    ),
    Way("brief.wanted.top_speed", "km/h", ("motor.", "propshaft.", "rear.propshaft", "final_drive", "road.top_speed")),
    Way("brief.vehicle.kerb_mass", "kg", ("road.top_speed", "road.cruise", "masses.front", "masses.rear")),
    Way("brief.motor.overrun_torque", "Nm", ("road.overrun", "gearbox.torque", "axle.torque", "rear.", "front.")),
    Way("brief.motor.mass", "kg", ("plate.",)),
    Way("brief.motor.greatest_rpm", "rpm", ("gearbox.speed", "reduction.speed", "clutch.speed", "flywheel.")),
    Way("brief.vehicle.cda_m2", "", ("road.top_speed", "road.cruise")),
    Way("brief.vehicle.crr", "", ("road.top_speed", "road.cruise", "road.hill_start")),
    Way("plate.face.overhang", "mm", ("plate.",)),
    Way("brief.motor.peak_torque", "Nm", ("coupler.motor_joint", "coupler.gearbox_joint", "coupler.spider")),
    Way("brief.motor.greatest_rpm", "rpm", ("coupler.spun", "coupler.motor_joint")),
    Way("coupler.motor_shaft.end_float", "mm", ("coupler.gap_spider", "coupler.gap_motor_hub_back")),
    Way("coupler.jaw.temperature", "", ("coupler.spider",)),
    Way("coupler.jaw.outside", "mm", ("coupler.spun",)),
    Way("coupler.hub.hub_rz_um", "", ("coupler.motor_joint",)),
    Way("coupler.runout", "mm", ("coupler.runout",)),
    Way("mounts.mounts.0.tube.inside", "mm", ("mounts.m1.tube",)),
    Way("mounts.mounts.0.ears.thickness", "mm", ("mounts.m1.tube_length",)),
    Way("placement.travel", "mm", ("placement.gap_",)),
    Way("placement.bodies.2.travel.up", "mm", ("placement.gap_steering",)),
    Way("placement.unit.bodies.0.width", "mm", ("placement.gap_",)),
    Way("placement.bodies.0.width", "mm", ("placement.gap_fixed",)),
    Way("plate.plate.concentricity", "mm", ("plate.on_centre", "plate.misalignment")),
    Way("plate.plate.register_plays.0", "mm", ("plate.on_centre", "plate.misalignment")),
    Way("plate.motor_joint.countersink", "mm", ("plate.motor_engagement",)),
    Way("plate.motor_joint.washer", "mm", ("plate.motor_engagement",)),
    Way("plate.face.screw_length", "mm", ("plate.screw_clear",)),
    Way("plate.face.counterbore_depth", "mm", ("plate.counterbore_floor",)),
    Way("plate.build_up.standoffs.length", "mm", ("plate.standoff_legs", "plate.lean")),
    Way("ratios.clutch.flywheel_diameter", "mm", ("flywheel.",)),
    Way("brief.masses.items.0.mass", "kg", ("masses.rear_axle",)),  # of a load; see the test
    Way("axles.axles.0.left.outer.droop", "mm", ("axles.a1.left.inner", "axles.a1.left.outer", "axles.a1.left.plunge")),
    Way("axles.axles.0.left.bar.made_to", "mm", ("axles.a1.left.plunge",)),
    Way("axles.axles.0.left.bar.bore", "mm", ("axles.a1.left.shear", "axles.a1.left.range")),
    Way("brief.motor.peak_torque", "Nm", ("axles.a1.left.shear", "axles.a1.right.range", "axles.l1.t1.shear")),
    Way("brief.wanted.top_speed", "km/h", ("axles.a1.left.whirl", "axles.l1.even", "axles.l1.middle", "axles.l1.t1.")),
    Way("axles.lines.0.life_torque", "Nm", ("axles.l1.j1.life", "axles.l1.j2.life")),
    Way("axles.lines.0.life_speed", "rpm", ("axles.l1.j1.life", "axles.l1.j2.life")),
    Way("axles.lines.0.life_h", "", ("axles.l1.j1.life", "axles.l1.j2.life")),
    Way("axles.axles.0.life_torque", "Nm", ("axles.a1.left.inner_life", "axles.a1.left.outer_life")),
    Way("axles.axles.0.life_speed", "rpm", ("axles.a1.left.inner_life", "axles.a1.right.outer_life")),
    Way("mounts.mounts.0.ears.thickness", "mm", ("mounts.m1.ears_land",)),
    Way("mounts.mounts.0.tube.gap", "mm", ("mounts.m1.ears_land",)),
    Way("mounts.mounts.1.bracket.landing.screws.head", "mm", ("mounts.m2.landing_room",)),
    Way("mounts.mounts.1.bracket.leg", "mm", ("mounts.m2.landing_room",)),
    Way("mounts.crosses.0.bracket.landing.screws.head", "mm", ("mounts.x1a.landing_room", "mounts.x1b.landing_room")),
    Way("mounts.mounts.2.bracket.beside", "mm", ("mounts.m3.strut",)),
    Way("mounts.mounts.2.eye.bore", "mm", ("mounts.m3.eye",)),
    Way("mounts.mounts.2.ears.height", "mm", ("mounts.m3.ear_face",)),
    Way("axles.lines.0.droop", "mm", ("axles.l1.slip", "axles.l1.j1.reach", "axles.l1.j2.reach", "axles.l1.t1.whirl")),
)
BETTER: Final = (
    Way("mounts.mounts.0.tube.outside", "mm", ("mounts.m1.tube",), only_raises=True),
    Way("mounts.mounts.0.bracket.base", "mm", ("mounts.m1.rail_face",), only_raises=True),
    Way("mounts.mounts.0.bracket.seam", "mm", ("mounts.m1.seams",), only_raises=True),
    Way("mounts.mounts.0.ears.screw.head", "mm", ("mounts.m1.ear_head",), only_raises=True),
    Way("mounts.mounts.0.ears.screw.length", "mm", ("mounts.m1.ear_engagement",), only_raises=True),
    Way("mounts.mounts.1.bracket.landing.across", "mm", ("mounts.m2.landing_room",), only_raises=True),
    Way("mounts.crosses.0.bracket.leg", "mm", ("mounts.x1a.weld", "mounts.x1b.fatigue"), only_raises=True),
    Way("mounts.mounts.2.eye.outside", "mm", ("mounts.m3.eye",), only_raises=True),
    Way("mounts.mounts.2.ears.on", "mm", ("mounts.m3.ear_face",), only_raises=True),
    Way("mounts.mounts.2.bracket.leg", "mm", ("mounts.m3.weld", "mounts.m3.fatigue"), only_raises=True),
    Way("axles.lines.0.joints.0.capacity", "Nm", ("axles.l1.j1.life",), only_raises=True),
    Way("axles.axles.0.outer.capacity", "Nm", ("axles.a1.left.outer_life",), only_raises=True),
    Way("axles.axles.0.inner.angle", "°", ("axles.a1.left.inner", "axles.a1.left.plunge"), only_raises=True),
    Way("axles.axles.0.inner.plunge", "mm", ("axles.a1.left.plunge", "axles.a1.right.plunge"), only_raises=True),
    Way("axles.axles.0.inner.plunge_bent", "mm", ("axles.a1.left.plunge",), only_raises=True),
    Way("axles.axles.0.left.bar.outer_spline.root", "mm", ("axles.a1.left.shear",), only_raises=True),
    Way("axles.lines.0.tubes.0.slip", "mm", ("axles.l1.slip",), only_raises=True),
    Way("axles.lines.0.tubes.0.outside", "mm", ("axles.l1.t1.whirl", "axles.l1.t1.shear"), only_raises=True),
    Way("coupler.motor_shaft.key.length", "mm", ("coupler.motor_joint",), only_raises=True),
    Way("coupler.motor_shaft.key.bearing_mpa", "", ("coupler.motor_joint",), only_raises=True),
    Way("coupler.jaw.rating", "Nm", ("coupler.spider",), only_raises=True),
    Way("plate.plate.thickness", "mm", ("plate.lean", "plate.counterbore_floor"), only_raises=True),
    Way("plate.face.depth_behind", "mm", ("plate.screw_clear",), only_raises=True),
    Way("plate.motor_joint.thread_depth", "mm", ("plate.motor_engagement", "plate.screw_clear"), only_raises=True),
    Way("plate.flange_joint.thread_depth", "mm", ("plate.flange_engagement",), only_raises=True),
    Way("plate.motor_joint.head", "mm", ("plate.motor_head",), only_raises=True),
    Way("plate.build_up.standoffs.diameter", "mm", ("plate.standoff_legs", "plate.lean"), only_raises=True),
    Way("ratios.propshaft.rating", "Nm", ("propshaft.torque", "rear.propshaft.torque"), only_raises=True),
    Way("ratios.propshaft.critical_rpm", "rpm", ("propshaft.speed", "rear.propshaft.speed"), only_raises=True),
    Way("ratios.propshaft.joint_rpm", "rpm", ("propshaft.joint", "rear.propshaft.joint"), only_raises=True),
    Way("ratios.gearbox.rating", "Nm", ("gearbox.torque",), only_raises=True),
    Way("ratios.gearbox.greatest_rpm", "rpm", ("gearbox.speed",), only_raises=True),
    Way("ratios.axle_rating", "Nm", ("axle.torque", "rear.axle.torque"), only_raises=True),
    Way("brief.masses.front_axle_rating", "kg", ("masses.front_axle",), only_raises=True),
    Way("brief.masses.rear_axle_rating", "kg", ("masses.rear_axle",), only_raises=True),
    Way("brief.masses.tyre_rating", "kg", ("masses.tyre",), only_raises=True),
    Way("brief.motor.continuous_torque", "Nm", ("road.cruise",), only_raises=True),
    Way("brief.motor.peak_power", "kW", ("road.top_speed",), only_raises=True),
    Way("brief.motor.battery_power", "kW", ("road.top_speed", "road.cruise"), only_raises=True),
    Way("brief.vehicle.tyre_grip", "", ("road.hill_start", "road.overrun_dry", "parked.handbrake"), only_raises=True),
    Way("brief.parking.handbrake_held_pct", "", ("parked.handbrake",), only_raises=True),
    Way("brief.parking.pawl_rating", "Nm", ("parked.pawl",), only_raises=True),
)
WAYS: Final = (*WORSE, *BETTER)
