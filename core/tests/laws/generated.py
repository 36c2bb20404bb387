"""Jobs that could be: the demo's scaled, loaded, re-geared, with their options on and off, filled in and left open."""

import copy
from typing import Any, Final

from hypothesis import strategies as st

from tests.demo import DEMOS, demo_json
from tests.metal.section_files import rectangle

Job = dict[str, Any]


def text(value: float, unit: str) -> dict[str, str]:
    """Return a reading as typed."""
    return {"text": f"{round(value, 4):.6g} {unit}"}


JOBS: Final[dict[str, Job]] = {name: demo_json(name) for name in DEMOS}
_SEAT: Final = {"fit": "H7/h6", "chamfer": {"text": "0.5 mm"}}
SEATED: Final[tuple[list[Job], ...]] = tuple(  # bored with room, through a bore that is wider, and a spigot
    [
        _SEAT | {"size": {"text": f"{size} mm"}, "side": "motor", "kind": kind, "depth": {"text": "5.5 mm"}},
        _SEAT
        | {"size": {"text": "150 mm"}, "side": "gearbox", "kind": "ring", "depth": {"text": "4 mm"}}
        | {"ring_outside": {"text": "150 mm"}, "ring_depth": {"text": "3 mm"}, "ring_inside": {"text": "112 mm"}},
    ]
    for size, kind in ((130, "bore"), (130, "spigot"), (246, "bore"))
)
STANDOFFS: Final = {
    "count": 6,
    "circle": {"text": "220 mm"},
    "hole": {"text": "11 mm"},
    "diameter": {"text": "22 mm", "tool": "caliper"},
    "bored": {"text": "0 mm"},
    "made_of": "steel",
    "fixing": "bolted",
    "length": {"text": "90 mm", "tool": "caliper"},
    "measured": [{"text": f"{90 + 0.01 * k:.2f} mm", "tool": "caliper"} for k in range(6)],
    "joint": {
        "thread": "M10",
        "property_class": "8.8",
        "condition": "oiled",
        "washer": {"text": "2 mm"},
        "tapped": "steel",
        "countersink": {"text": "0 mm"},
        "thread_depth": {"text": "24 mm"},
        "is_blind": True,
        "length": {"text": "30 mm"},
        "depth_behind": {"text": "30 mm"},
    },
}
HUB: Final = {
    "to_face": {"text": "6 mm", "tool": "caliper"},
    "reach": {"text": "21.4 mm", "tool": "caliper"},
    "pilot_depth": {"text": "18 mm", "tool": "depth_gauge"},
    "chamfers": {"text": "1.5 mm"},
    "flange": {"text": "150 mm"},
    "flange_thickness": {"text": "10 mm"},
}
BOLTS: Final[Job] = {
    "count": 6,
    "circle": {"text": "120 mm"},
    "hole": {"text": "9 mm"},
    "joint": {"thread": "M8", "property_class": "10.9", "condition": "oiled", "tapped": "steel"},
}
KEPT_CLUTCH: Final = {
    "flywheel_grip": {"text": "14 mm"},
    "pilot_bearing": True,
    "clamp_n": 4200,
    "friction": 0.3,
    "lining_outside": {"text": "200 mm"},
    "lining_inside": {"text": "130 mm"},
    "faces": 2,
    "flywheel_out": {"text": "80 mm", "tool": "caliper"},
    "stood_at": {"text": "-69.4 mm", "tool": "caliper"},
    "travel": {"text": "1.5 mm"},
}
CRADLE: Final = {
    "cylinder": {"text": "200 mm"},
    "angle": {"text": "120°"},
    "plate": {"text": "10 mm"},
    "width": {"text": "240 mm"},
    "height": {"text": "130 mm"},
    "breadth": {"text": "60 mm"},
    "thickness": {"text": "10 mm"},
    "foot": {"text": "16 mm"},
    "thread": "M12",
    "property_class": "8.8",
    "condition": "oiled",
}
TEETH: Final = {"starts": 3, "length": 40, "hub_teeth": 36}
CORNERS: Final = ("lower_left", "lower_right", "upper_left", "upper_right")
DRAWN: Final = {
    "kind": "outline",
    "rings": [
        {"points": [{"x_mm": x, "y_mm": y} for x, y in ring]} for ring in (rectangle(70, 90), rectangle(70, 90, 5))
    ],
}
PLATED: Final = {
    "kind": "plates",
    "plates": [
        {
            name: text(value, "mm")
            for name, value in zip(("across_1", "up_1", "across_2", "up_2", "thickness"), line, strict=True)
        }
        for line in ((2, 2, 68, 2, 6), (68, 2, 68, 82, 6), (68, 82, 2, 82, 6), (2, 82, 2, 2, 6), (35, 2, 35, 82, 4))
    ],
}
SCALED: Final = (  # what is made larger or smaller, by a factor of its own
    ("brief", "motor", "peak_torque", "Nm"),
    ("brief", "motor", "peak_power", "kW"),
    ("brief", "motor", "continuous_torque", "Nm"),
    ("brief", "motor", "continuous_power", "kW"),
    ("brief", "motor", "overrun_torque", "Nm"),
    ("brief", "motor", "mass", "kg"),
    ("brief", "vehicle", "kerb_mass", "kg"),
    ("brief", "vehicle", "cg_height", "mm"),
    ("ratios", "propshaft", "rating", "Nm"),
    ("ratios", "propshaft", "critical_rpm", "rpm"),
    ("plate", "plate", "thickness", "mm"),
    ("plate", "face", "overhang", "mm"),
    ("plate", "face", "screw_length", "mm"),
    ("plate", "face", "bolt_circle", "mm"),
    ("plate", "face", "plate_hole", "mm"),
)


def _scaled(draw: st.DrawFn, sheets: Job) -> None:
    from driveline.reading.measure import Quantity, read_value

    kinds = {
        "Nm": Quantity.TORQUE,
        "kW": Quantity.POWER,
        "kg": Quantity.MASS,
        "mm": Quantity.LENGTH,
        "rpm": Quantity.SPIN,
    }
    for *parents, name, unit in SCALED:
        place = sheets
        for parent in parents:
            place = place.get(parent) or {}
        if place.get(name):
            factor = draw(st.sampled_from((1.0, 1.0, 0.6, 0.85, 1.2, 1.8)))
            value = read_value(place[name]["text"], kinds[unit])
            place[name] = {**place[name], **text(value * factor, unit)}


def _motor(draw: st.DrawFn, motor: Job) -> None:
    how = draw(st.sampled_from(("as it is", "curve", "taper", "voltages")))
    if how == "curve":
        motor["curve"] = [
            {"rpm": 0, "peak_nm": 235, "continuous_nm": 120},
            {"rpm": 3000, "peak_nm": 235, "continuous_nm": 120},
            {"rpm": 6000, "peak_nm": 140, "continuous_nm": 70},
            {"rpm": 9000, "peak_nm": 85, "continuous_nm": 40},
        ]
        motor["greatest_rpm"] = {"text": "9000 rpm"}
        for name in ("peak_torque", "peak_power", "continuous_torque", "continuous_power"):
            motor.pop(name, None)
    if how == "taper":
        motor.update(taper_from={"text": "6000 rpm"}, taper_to={"text": "20 Nm"})
    if how == "voltages":
        motor.update(rated_bus_v=350, bus_v=draw(st.sampled_from((200, 320, 350))))
    if draw(st.booleans()):
        motor["battery_power"] = draw(st.sampled_from(({"text": "25 kW"}, {"text": "120 kW"})))
    if draw(st.booleans()):
        motor["charge_power"] = {"text": "30 kW"}


def _gearbox(draw: st.DrawFn, ratios: Job) -> None:
    ratios["gearbox"]["use"] = draw(st.sampled_from(("left_in_one", "shifted", None)))
    ratios["choice"]["gear"] = draw(st.sampled_from([gear["name"] for gear in ratios["gearbox"]["gears"]]))
    if ratios.get("reductions"):
        ratios["choice"]["reduction"] = draw(st.sampled_from((None, "1.75 box")))
        ratios["reductions"][0].update(mass={"text": "18 kg"}, reverses=draw(st.sampled_from((True, False, None))))
    ratios["coupler"] = draw(st.sampled_from(("flexible", "rigid", "clutch", None)))
    ratios["clutch"] = {
        "greatest_rpm": {"text": "7000 rpm"},
        "flywheel_diameter": {"text": "240 mm"},
        "flywheel_limit_mpa": 60,
    }


def _line(draw: st.DrawFn, sheets: Job) -> None:
    ratios, brief = sheets["ratios"], sheets["brief"]
    if ratios.get("gearbox"):
        _gearbox(draw, ratios)
    if brief["layout"] == "kept_transaxle":
        ratios["turning"]["unit_facing"] = draw(st.sampled_from(("as_made", "end_for_end", None)))
    elif ratios.get("gearbox") and draw(st.booleans()):
        _transfer(draw, ratios)
    if ratios.get("propshaft") and draw(st.booleans()):
        ratios["propshaft"].update(joint_rpm={"text": "4400 rpm"}, critical_rpm={"text": "7000 rpm"})
    for box in (*ratios.get("reductions", ()), *ratios["final_drives" if "final_drives" in ratios else "reductions"]):
        if draw(st.booleans()):
            box.update(sheds={"text": "2 kW"}, greatest_rpm={"text": "9500 rpm"}, rating={"text": "420 Nm"})
    if brief["layout"] == "centre_unit":
        ratios["split"] = draw(
            st.sampled_from(
                (
                    {"kind": "open"},
                    {"kind": "locked"},
                    {"kind": "limited_slip", "bias_ratio": 2.5},
                    {"kind": "open", "front_share": 0.4},
                )
            )
        )
        ratios["front_axle_rating"] = {"text": "7000 Nm"}
        ratios["front_propshaft"] = {
            "rating": {"text": "1900 Nm"},
            "critical_rpm": {"text": "5000 rpm"},
            "joint_rpm": {"text": "4000 rpm"},
        }
    if brief["layout"] == "axle_unit" and draw(st.booleans()):
        brief["layout"] = "two_units"
        ratios["choice"] = None
        ratios["front_axle_rating"] = {"text": "1500 Nm"}
        if draw(st.booleans()):
            brief["front_motor"] = copy.deepcopy(brief["motor"])
            brief["front_motor"].pop("battery_power", None)
    brief["parking"] = draw(
        st.sampled_from(
            (
                {"pawl": True, "pawl_rating": {"text": "500 Nm"}, "handbrake_held_pct": 24},
                {"pawl": False, "handbrake_held_pct": 30},
                {},
            )
        )
    )


def _transfer(draw: st.DrawFn, ratios: Job) -> None:
    ratios["transfer"] = {
        "ranges": [
            {"name": "high", "ratio": {"text": "1.2"}, "rating": {"text": "900 Nm"}},
            {"name": "low", "ratio": {"text": "2.6"}},
        ],
        "use": draw(st.sampled_from(("left_in_one", "shifted", None))),
        "in_one_casing": draw(st.sampled_from((True, False, None))),
    }
    ratios["choice"]["transfer"] = draw(st.sampled_from(("high", "low")))


def _masses(draw: st.DrawFn, sheets: Job) -> None:
    masses = sheets["brief"].setdefault("masses", {})
    items = masses.setdefault("items", [])
    if draw(st.booleans()):
        for k, item in enumerate(items):
            item.setdefault("y", {"text": f"{40 * (-1) ** k} mm"})
        far = draw(st.sampled_from(("500 mm", "-300 mm", "-1500 mm")))
        load = {"mass": {"text": "350 kg"}, "x": {"text": far}, "y": {"text": "60 mm"}, "z": {"text": "800 mm"}}
        items.append({"name": "Load", "only_laden": True, **load})
        sheets["brief"]["vehicle"]["laden_mass"] = None
    if draw(st.booleans()):
        masses.update(left_side={"text": "520 kg"}, track={"text": "1300 mm"})
    masses.update(
        front_axle_rating={"text": "850 kg"}, rear_axle_rating={"text": "1050 kg"}, tyre_rating={"text": "500 kg"}
    )


def _plate(draw: st.DrawFn, plate: Job) -> None:
    sheet, face = plate["plate"], plate["face"]
    for name in ("motor_joint", "flange_joint"):
        plate[name].update(
            countersink={"text": "0.5 mm"},
            thread_depth={"text": "20 mm"},
            is_blind=draw(st.booleans()),
            surface=draw(st.sampled_from((None, "blasted", "plated"))),
            length={"text": "40 mm"},
            depth_behind={"text": "26 mm"},
        )
    face["depth_behind"] = {"text": draw(st.sampled_from(("14 mm", "22 mm")))}
    sheet["bore"] = draw(st.sampled_from((None, {"text": "110 mm"}, {"text": "260 mm"})))
    if draw(st.booleans()):
        face.update(counterbore={"text": "18 mm"}, counterbore_depth={"text": draw(st.sampled_from(("4 mm", "12 mm")))})
    located = draw(st.sampled_from(("plays", "fits", "pressed", "seats", "dowels")))
    if located in ("fits", "pressed"):
        sheet["register_plays"] = []
        fit = "H7/g6" if located == "fits" else "H7/s6"
        sheet["registers"] = [{"size": {"text": "130 mm"}, "fit": fit}, {"size": {"text": "60 mm"}, "fit": fit}]
    if located == "seats":
        sheet.update(register_plays=[], registers=draw(st.sampled_from(SEATED)))
        size, depth = {"text": "129.98 mm", "tool": "micrometer"}, {"text": "5 mm"}
        face.update(register_size=size, register_kind="spigot", register_depth=depth)
        plate["flange_register"] = {"size": {"text": "150.01 mm", "tool": "micrometer"}, "kind": "bore", "depth": depth}
    if located == "dowels":
        sheet.update(locating="dowels", dowel_size={"text": "10 mm"}, dowel_fit="H7/n6")
    kind = draw(st.sampled_from(("one_plate", "one_plate", "two_plates", "ring")))
    build = plate.setdefault("build_up", {})
    build["kind"] = kind
    build["wanted_apart"] = draw(st.sampled_from((None, {"text": "10 mm"}, {"text": "114 mm"})))
    sheet["thickness"] = {**sheet["thickness"], "tool": "caliper"}
    if kind == "two_plates":
        build["standoffs"] = copy.deepcopy(STANDOFFS)
        build["second_thickness"] = {"text": "12 mm", "tool": "caliper"}
    if kind == "ring":
        build["ring"] = {"thickness": {"text": "8 mm", "tool": "caliper"}, "inside": {"text": "200 mm"}}


def _coupler(draw: st.DrawFn, coupler: Job) -> None:
    coupler["hub"].update(copy.deepcopy(HUB), fit=draw(st.sampled_from(("H7/g6", "H7/k6", "H7/s6"))))
    coupler["bolts"] = copy.deepcopy(BOLTS)
    coupler["clutch"] = copy.deepcopy(KEPT_CLUTCH)
    coupler["flywheel_bolts"] = copy.deepcopy(BOLTS)
    coupler["apart"] = draw(st.sampled_from((None, {"text": "10.7 mm"}, {"text": "12 mm", "tool": "caliper"})))
    coupler["jaw"]["way"] = draw(st.sampled_from(("spider_kept", "spider_drilled", "shaft_cut")))
    coupler["jaw"]["cut_off"] = {"text": "3 mm", "tool": "caliper"}
    coupler["gearbox_shaft"]["spline"]["starts"] = {"text": "4 mm", "tool": "caliper"}
    if draw(st.booleans()):
        coupler["weld"] = {
            "leg": text(draw(st.floats(2, 8)), "mm"),
            "diameter": text(62, "mm"),
            "electrode_mpa": 482,
            "is_inspected": draw(st.booleans()),
            "cycles": 100_000,
        }
    coupler["motor_shaft"]["zone"] = draw(st.sampled_from((None, "g6", "k6", "s6")))
    if draw(st.booleans()):
        coupler["motor_shaft"]["diameter"] = text(35, "mm")  # nobody measured it
    kind = draw(st.sampled_from(("keyed", "keyed", "tapered", "splined")))
    coupler["motor_shaft"].update(
        kind=kind,
        taper={"length": text(40, "mm"), "one_in": 10, "nut": "M12", "tightening": text(80, "Nm")},
        spline={
            "teeth": 26,
            "root": text(32, "mm"),
            "hub": "hardened",
            **{name: {**text(mm, "mm"), "tool": "caliper"} for name, mm in TEETH.items()},
        },
    )


def _placement(draw: st.DrawFn, placement: Job) -> None:
    """Bodies nearer and farther, of every kind and fate; the unit moved, turned and grown."""
    for body in placement["bodies"]:
        _moved_body(draw, body)
    for body in placement["unit"]["bodies"]:
        body.update(draw(st.sampled_from(({}, {"can_come_off": True}, {"can_come_off": True, "is_off": True}))))
    stand = placement["stands"][0]
    for axis in ("x", "y", "z"):
        by = draw(st.one_of(st.just(0.0), st.floats(-120, 120)))
        stand["at"][axis] = text(float(stand["at"][axis]["text"].split()[0]) + by, "mm")
    stand["angles"]["pitch"] = text(draw(st.one_of(st.just(0.0), st.floats(-40, 40))), "deg")
    placement["none_near"] = draw(st.lists(st.sampled_from(("fixed", "hot", "steering")), unique=True, max_size=3))
    if draw(st.booleans()):
        placement["clearance_was"] = text(draw(st.floats(90, 260)), "mm")
        placement["travel"] = text(draw(st.sampled_from((0, 3, 25))), "mm")


def _moved_body(draw: st.DrawFn, body: Job) -> None:
    if draw(st.booleans()):
        body["nature"] = draw(st.sampled_from(("fixed", "hot", "steering", None)))
    if draw(st.booleans()):
        body["fate"] = draw(st.sampled_from(("stays", "after", "off", "cut")))
        body["after_step"] = draw(st.sampled_from((None, 1, 2)))
    if draw(st.booleans()):
        body["travel"] = {way: text(draw(st.sampled_from((0, 12, 60))), "mm") for way in ("up", "down", "aside")}
    if "at" in body and draw(st.booleans()):
        body["at"][draw(st.sampled_from("xyz"))] = text(draw(st.floats(-500, 700)), "mm")


def _mounts(draw: st.DrawFn, mounts: Job) -> None:
    """Mounts of every kind, and the frame; the other way round."""
    for mount in mounts.get("mounts", []):
        _mount(draw, mount)
        if draw(st.booleans()) and mount.get("bracket"):
            _bracket(draw, mount["bracket"])
    for cross in mounts.get("crosses", []):
        if draw(st.booleans()):
            _bracket(draw, cross["bracket"])
    if draw(st.booleans()):
        mounts["output_turns"] = draw(st.sampled_from(("clockwise", "anticlockwise", None)))
    if draw(st.integers(0, 3)) == 0 and mounts.get("mounts"):
        at = {axis: text(draw(st.floats(-300, 300)), "mm") for axis in "xyz"}
        mounts["subframe"] = {"is_there": True, "mass": text(draw(st.floats(8, 60)), "kg"), "cg": at}
    for station in mounts.get("frame", {}).get("stations", []):
        if draw(st.booleans()):
            station.update(draw(st.sampled_from(({"kind": "channel"}, {"kind": "tube"}, PLATED, DRAWN))))
    if draw(st.booleans()) and "pull" in mounts:
        mounts["pull"]["log"] = mounts["pull"]["log"][: draw(st.integers(0, 4))]


def _mount(draw: st.DrawFn, mount: Job) -> None:
    """Softer and harder, elsewhere, with less travel; by ears or a strap."""
    if draw(st.booleans()):
        mount["upright_n_per_mm"] = draw(st.floats(60, 9000))
    if draw(st.booleans()) and "travel" in mount:
        mount["travel"] = text(draw(st.floats(1, 20)), "mm")
    if mount.get("kind") == "rubber" and draw(st.booleans()):
        mount["turning_nm_per_deg"] = draw(st.floats(1, 200))
    if draw(st.booleans()):
        axis = draw(st.sampled_from("xyz"))
        mount["boss"][axis] = text(draw(st.floats(-300, 300)), "mm")
    if draw(st.booleans()):
        mount.update(kind="hard", holds_x=draw(st.booleans()), holds_y=draw(st.booleans()), holds_z=True)
    if draw(st.integers(0, 3)) == 0 and mount.get("kind") != "arm":
        grips = {"friction": draw(st.floats(0.1, 0.4)), "tightening": text(draw(st.floats(5, 60)), "Nm")}
        mount.update(grip="strap", cradle={**CRADLE, **grips})
    if "tube" in mount and draw(st.booleans()):
        mount["tube"]["is_there"] = draw(st.sampled_from((True, False, None)))
        mount["tube"]["length"] = text(draw(st.floats(43, 61)), "mm")


def _legs(draw: st.DrawFn) -> Job:
    """Of a plate on standoffs, on a flat face or a stepped one."""
    legs = {"across": 100, "upright": 90, "outside": draw(st.floats(15, 45)), "foot": draw(st.floats(20, 90))}
    longer = {corner: text(draw(st.floats(-20, 60)), "mm") for corner in CORNERS}
    sizes = {name: text(size, "mm") for name, size in legs.items()}
    return {**sizes, **longer, "wall": text(draw(st.floats(2, 7)), "mm"), "is_stepped": draw(st.booleans())}


def _bracket(draw: st.DrawFn, bracket: Job) -> None:
    """Thinner, its weld looked at or not, to either side, bolted through anything."""
    bracket["wall"] = text(draw(st.floats(1.5, 12)), "mm")
    bracket["is_inspected"] = draw(st.booleans())
    bracket["lies_to"] = draw(st.sampled_from((None, "front", "rear", "left", "right")))
    if draw(st.integers(0, 3)) == 0:
        bracket.update(kind="standoffs", breadth=text(150, "mm"), depth=text(140, "mm"), legs=_legs(draw))
    if bracket.get("landing"):
        bracket["landing"]["is_there"] = draw(st.sampled_from((True, False, None)))
        bracket["landing"]["through"] = draw(st.sampled_from((None, "solid", "sleeves", "hollow")))


@st.composite
def jobs(draw: st.DrawFn) -> Job:
    """Draw a job file that its model takes."""
    name = draw(st.sampled_from(("wren", "wren", "bittern", "plover", "dunlin", "avocet", "redstart")))
    job = copy.deepcopy(JOBS[name])
    job.pop("build", None)
    sheets = job["sheets"]
    _scaled(draw, sheets)
    _motor(draw, sheets["brief"]["motor"])
    _line(draw, sheets)
    _masses(draw, sheets)
    if "placement" in sheets and draw(st.booleans()):
        _placement(draw, sheets["placement"])
    if draw(st.booleans()):
        _mounts(draw, sheets.get("mounts", {}))
    if name == "wren":
        if draw(st.booleans()):  # put right, so that other checks come to the fore
            sheets["plate"]["survey"]["readings"][11]["reading"]["text"] = "96.47"
        _plate(draw, sheets["plate"])
        _coupler(draw, sheets["coupler"])
    return job


def _full_placement(field: str, placement: Job) -> None:
    if field == "placement.travel":
        placement["travel"] = text(8, "mm")
    if field.startswith("placement.bodies.2.travel"):
        placement["bodies"][2]["travel"] = {way: text(5, "mm") for way in ("up", "down", "aside")}


def _axles_apart() -> list[Job]:
    """The rear axle of one of the demo's jobs, its inner joints on no unit."""
    axles: list[Job] = copy.deepcopy(JOBS["plover"]["sheets"]["axles"]["axles"])
    for axle in axles:
        for side, y in (("left", 145), ("right", -145)):
            axle[side]["inner"] = {"x": text(-10, "mm"), "y": text(y, "mm"), "z": text(302, "mm")}
    return axles


BOXED_AND_BOLTED = ("mounts.mounts.1.", "mounts.mounts.2.", "mounts.mounts.0.bracket.seam")


def full_job(field: str) -> Job:
    """Return a demo job with everything filled in that a figure needs to act on a check."""
    if field.startswith("mounts.crosses."):
        return _on_a_cross_tube()
    return _boxed_and_bolted() if field.startswith(BOXED_AND_BOLTED) else _filled(field)


def _on_a_cross_tube() -> Job:
    """Bittern, the welds of its cross tube smaller than the wall."""
    job = copy.deepcopy(JOBS["bittern"])
    job["sheets"]["mounts"]["crosses"][0]["bracket"]["leg"] = text(3, "mm")
    return job


def _boxed_and_bolted() -> Job:
    """Plover, its torque arm bent a little and its eyes' welds smaller than the tube's wall."""
    job = copy.deepcopy(JOBS["plover"])
    job["sheets"]["mounts"]["mounts"][2]["bracket"].update(beside=text(10, "mm"), leg=text(3, "mm"))
    return job


def _filled(field: str) -> Job:
    job = copy.deepcopy(JOBS["wren"])
    job.pop("build", None)
    sheets = job["sheets"]
    sheets["axles"]["axles"] = _axles_apart()
    sheets["plate"]["survey"]["readings"][11]["reading"]["text"] = "96.47"
    sheets["brief"]["vehicle"].update(crr=0.012, tyre_grip=0.3 if field.endswith("tyre_grip") else 0.9)
    sheets["brief"]["motor"]["overrun_torque"] = text(400 if "overrun" in field else 60, "Nm")
    if field == "brief.motor.continuous_torque":
        sheets["brief"]["motor"]["continuous_power"] = text(80, "kW")
    if field in ("brief.motor.peak_power", "brief.motor.battery_power", "brief.vehicle.cda_m2", "brief.vehicle.crr"):
        sheets["brief"]["motor"].update(peak_power=text(28, "kW"), battery_power=text(100, "kW"))
        sheets["brief"]["vehicle"].update(cda_m2=1.6)
    if field == "brief.motor.battery_power":
        sheets["brief"]["motor"].update(peak_power=text(90, "kW"), battery_power=text(8, "kW"))
    sheets["brief"]["parking"] = {"pawl": True, "pawl_rating": text(2000, "Nm"), "handbrake_held_pct": 20}
    sheets["ratios"].update(
        coupler="clutch",
        clutch={"greatest_rpm": text(8000, "rpm"), "flywheel_diameter": text(240, "mm"), "flywheel_limit_mpa": 60},
    )
    sheets["ratios"]["choice"]["reduction"] = "1.75 box" if field == "brief.motor.greatest_rpm" else None
    if field.startswith("coupler."):
        sheets["ratios"]["coupler"] = "flexible"
    _full_placement(field, sheets["placement"])
    if field == "coupler.motor_shaft.key.length":
        sheets["coupler"]["motor_shaft"]["key"]["length"] = text(20, "mm")
    if field == "coupler.hub.hub_rz_um":
        sheets["coupler"]["hub"]["fit"] = "H7/s6"
        sheets["coupler"]["motor_shaft"].update(diameter=text(35, "mm"), zone="s6")
        sheets["coupler"]["motor_shaft"]["key"]["bearing_mpa"] = 1
    plate = sheets["plate"]
    plate["face"].update(depth_behind=text(18, "mm"), counterbore=text(18, "mm"), counterbore_depth=text(2, "mm"))
    if field.endswith("motor_joint.thread_depth"):
        plate["motor_joint"].update(is_blind=True, thread_depth=text(6, "mm"))
    if field.endswith("flange_joint.thread_depth"):
        plate["flange_joint"].update(thread_depth=text(8, "mm"))
    if "standoffs" in field or field.endswith("second_thickness"):
        plate["face"].pop("counterbore")
        plate["face"].pop("counterbore_depth")
        standoffs = {**copy.deepcopy(STANDOFFS), "measured": []}
        plate["plate"]["bore"] = text(110, "mm")
        plate["build_up"] = {
            "kind": "two_plates",
            "second_thickness": text(12, "mm"),
            "standoffs": standoffs,
        }
    return job
