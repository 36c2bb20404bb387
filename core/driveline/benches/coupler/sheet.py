"""The coupler bench: two shaft ends, and what joins them. Each style keeps its own figures when another is tried."""

from typing import Annotated

from pydantic import Field, StringConstraints

from driveline.fits.jaw import SpiderWay
from driveline.joints.sheet import Bolts, PropertyClass, RegisterFit
from driveline.shafts.keys import KeyEnds
from driveline.shafts.splines import SplineHub
from driveline.sheet import Angle, Coordinate, Length, Name, Ratio, Sheet, Slant, Spin, Torque, Words
from driveline.tables.materials import PlateMaterial
from driveline.words import Choice

Factor = Annotated[float, Field(ge=1, le=5)]
Stress = Annotated[float, Field(gt=0, le=2500)]
Rough = Annotated[float, Field(ge=0, le=200)]


class ShaftKind(Choice):
    """How a shaft's end takes a hub."""

    KEYED = "keyed"
    SPLINED = "splined"
    TAPERED = "tapered"


class ShaftZone(Choice):
    """Tolerance zone of a shaft that was not measured, as its maker states it."""

    G6 = "g6"
    H6 = "h6"
    H7 = "h7"
    K6 = "k6"
    N6 = "n6"
    P6 = "p6"
    S6 = "s6"


class Tip(Choice):
    """Where a shaft's tip is, seen from its machine's face."""

    STANDS_OUT = "stands_out", "stands out of its face"
    RECESSED = "recessed", "behind its face"


class FloatAt(Choice):
    """Where in a shaft's end float its tip was read."""

    IN = "in", "pushed in"
    MIDDLE = "middle", "in the middle of it"
    OUT = "out", "drawn out"


class Key(Sheet):
    """A parallel key; its section is the standard's where it is not measured."""

    length: Length | None = None
    ends: KeyEnds | None = None
    starts: Length | None = Field(default=None, description="Shaft's tip to the near end of its key")
    width: Length | None = None
    height: Length | None = None
    shaft_depth: Length | None = Field(default=None, description="How deep it sits in the shaft")
    bearing_mpa: Stress | None = Field(default=None, description="What its flanks may bear, one way")


class Taper(Sheet):
    """A tapered seat with its nut."""

    length: Length | None = None
    one_in: Annotated[float, Field(ge=3, le=100)] | None = Field(default=None, description="On the diameter")
    nut: Annotated[str, Field(max_length=20)] | None = None
    nut_class: PropertyClass | None = Field(default=None, description="Strength of the shaft's thread, as of a screw")
    tightening: Torque | None = None


class Spline(Sheet):
    """A spline as counted and measured; its outside is the shaft's diameter."""

    teeth: Annotated[int, Field(ge=4, le=120)] | None = None
    root: Length | None = Field(default=None, description="Diameter at the roots")
    length: Length | None = Field(default=None, description="Of full teeth")
    starts: Length | None = Field(default=None, description="Tip to the first full tooth")
    hub: SplineHub | None = Field(default=None, description="What it goes into")
    hub_teeth: Length | None = Field(default=None, description="Full teeth of that, from its mouth")


class ShaftEnd(Sheet):
    """A shaft's end."""

    kind: ShaftKind | None = None
    diameter: Length | None = None
    zone: ShaftZone | None = Field(default=None, description="Of its diameter by its maker; a measured one needs none")
    bore: Length | None = Field(default=None, description="Of a hollow shaft; 0 for a solid one")
    tip: Tip | None = None
    reading: Length | None = Field(default=None, description="Face to tip as read, over a bar where there is one")
    bar: Length | None = Field(default=None, description="Thickness of that bar, for a tip behind its face; 0 for none")
    end_float: Length | None = Field(default=None, description="End to end; 0 for none")
    read_at: FloatAt | None = Field(default=None, description="Where in its end float the tip was read")
    play: Length | None = Field(default=None, description="Of its bearings, felt across at its tip; 0 for none")
    least: Length | None = Field(
        default=None, description="Least diameter behind its seat, at a fillet or groove; its own where none is less"
    )
    shear_mpa: Stress | None = Field(default=None, description="Greatest shear that its steel may bear, by its maker")
    key: Key = Key()
    taper: Taper = Taper()
    spline: Spline = Spline()


class FitFriction(Choice):
    """How a hub is put on; it sets the friction of the fit."""

    HEATED = "heated"
    DEGREASED = "degreased", "heated, degreased"
    OILED = "oiled", "pressed, oiled"


class KeptBy(Choice):
    """What keeps a hub from working along its shaft."""

    NUT = "nut", "the nut of its taper"
    SCREW = "screw", "a screw and washer into the shaft's end"
    CIRCLIP = "circlip", "a circlip"
    GRUB = "grub", "grub screws on the key and beside it"
    FIT = "fit", "its interference fit"
    NOTHING = "nothing", "nothing"


class HeatLimit(Choice):
    """What must not get hot while a warm hub goes on."""

    HARDENED = "hardened", "hardened parts"
    SEALS = "seals", "a seal or bearing close by"


class Hub(Sheet):
    """The hub on the motor's shaft."""

    part_number: Annotated[str, StringConstraints(max_length=30, strip_whitespace=True)] = ""
    made_of: PlateMaterial | None = None
    material: Words = ""
    outside: Length | None = Field(default=None, description="Round its bore")
    length: Length | None = Field(default=None, description="Over all")
    seat: Length | None = Field(default=None, description="What of it bears on the shaft")
    to_face: Length | None = Field(default=None, description="Motor face to the hub's back")
    bore: Length | None = Field(default=None, description="Nominal size of its bore; empty: of the shaft")
    fit: RegisterFit | None = Field(default=None, description="Bore, then the shaft that it was made for")
    hub_rz_um: Rough | None = None
    shaft_rz_um: Rough | None = None
    put_on: FitFriction | None = None
    beside: HeatLimit | None = None
    kept_by: KeptBy | None = Field(default=None, description="Along the motor's shaft")
    reach: Length | None = Field(
        default=None, description="Hub end to the far end of its spline, over the gearbox shaft"
    )
    pilot_depth: Length | None = Field(
        default=None, description="Of the bore that the gearbox shaft's tip enters; 0: none"
    )
    chamfers: Length | None = Field(default=None, description="Of both spline ends together")
    flange: Length | None = Field(default=None, description="Outside of its flange")
    flange_thickness: Length | None = None


class Weld(Sheet):
    """A fillet round the hub."""

    leg: Length | None = None
    diameter: Length | None = Field(default=None, description="Of the weld")
    electrode_mpa: Stress | None = Field(default=None, description="Tensile strength of the filler")
    is_inspected: bool | None = None
    cycles: Annotated[float, Field(gt=0, le=1e9)] | None = Field(default=None, description="Launches in its life")


class Jaw(Sheet):
    """Two hubs and a spider."""

    hub_length: Length | None = Field(default=None, description="Of the hub on the gearbox's shaft")
    engaged: Length | None = Field(default=None, description="Least of a hub on its shaft")
    gap_least: Length | None = Field(
        default=None, description="Between the hubs' inner faces, with the spider's end play"
    )
    gap_greatest: Length | None = None
    way: SpiderWay | None = None
    motor_slide: Coordinate | None = Field(default=None, description="Motor hub's inner face before its shaft's tip")
    gearbox_slide: Coordinate | None = Field(
        default=None, description="Gearbox hub's inner face before its shaft's tip"
    )
    tip_gap: Length | None = Field(default=None, description="Least between shaft tips in a drilled spider")
    cut_off: Length | None = Field(default=None, description="What is cut off the motor's shaft")
    rating: Torque | None = Field(default=None, description="Of the spider, as its maker states it")
    temperature: Factor | None = None
    shock: Factor | None = None
    starts: Factor | None = None
    outside: Length | None = None
    greatest: Spin | None = Field(default=None, description="Top speed of the coupling, by its maker")


class KeptClutch(Sheet):
    """The clutch that is kept."""

    clamp_n: Annotated[float, Field(gt=0, le=100_000)] | None = Field(default=None, description="Of its cover")
    friction: Annotated[float, Field(gt=0.05, le=1)] | None = None
    lining_outside: Length | None = None
    lining_inside: Length | None = None
    faces: Annotated[int, Field(ge=1, le=12)] | None = Field(default=None, description="That rub: two for one disc")
    flywheel_out: Length | None = Field(default=None, description="Motor face to the friction face")
    stood_at: Coordinate | None = Field(default=None, description="Bell-housing face to the friction face, as it was")
    travel: Length | None = Field(default=None, description="What the release bearing forgives, either way")
    flywheel_grip: Length | None = Field(default=None, description="Thickness of the flywheel under its bolts")
    pilot_bearing: bool | None = Field(
        default=None, description="Carries the nose of the gearbox's shaft, whatever the style"
    )


class RunoutReading(Sheet):
    """What a still dial reads on the hub's rim, at a mark on the hub; plunger in is plus."""

    clock: Angle
    reading: Coordinate | None = None  # None: not read yet


class GrubScrew(Sheet):
    """A grub screw of the hub."""

    name: Name
    clock: Angle


class FallPoint(Sheet):
    """What of its allowances a coupling still has at a speed."""

    speed: Spin | None = None
    share: Ratio | None = Field(default=None, description="Of those standing still: 0.75 is three quarters")


class CouplerSheet(Sheet):
    """Both shafts, and what joins them. The style is chosen with the gearing, which hangs on it."""

    motor_shaft: ShaftEnd = ShaftEnd()
    gearbox_shaft: ShaftEnd = ShaftEnd()
    hub: Hub = Hub()
    bolts: Bolts = Bolts()
    weld: Weld = Weld()
    jaw: Jaw = Jaw()
    clutch: KeptClutch = KeptClutch()
    flywheel_bolts: Bolts = Field(default=Bolts(), description="Of the flywheel on the motor's hub")
    apart: Length | None = Field(default=None, description="Motor face to gearbox face, as chosen here")
    tip_clear: Length | None = Field(default=None, description="Least between a shaft's tip and the hub")
    face_clear: Length | None = Field(default=None, description="Least between a hub and a machine's face")
    allowed_parallel: Length | None = Field(default=None, description="By the coupling's maker")
    allowed_angle: Slant | None = Field(default=None, description="By the coupling's maker")
    stiffness_nm_per_rad: Annotated[float, Field(gt=1, le=1e7)] | None = None
    dial: Annotated[list[RunoutReading], Field(max_length=36)] = []
    grub_screws: Annotated[list[GrubScrew], Field(max_length=8)] = []
    runout: Length | None = Field(default=None, description="Total reading on the seated hub")
    face_runout: Length | None = Field(default=None, description="Total reading on its face, end float held")
    face_sweep: Length | None = Field(default=None, description="Diameter on which its face was read")
    falls: Annotated[list[FallPoint], Field(max_length=12)] = Field(
        default=[], description="How its allowances fall with speed, by its maker"
    )
    grade_mm_s: Annotated[float, Field(ge=0.4, le=100)] | None = Field(default=None, description="Balance grade wanted")
    launches: Annotated[float, Field(gt=0, le=1e9)] | None = Field(default=None, description="In its life")
    why: Words = ""
