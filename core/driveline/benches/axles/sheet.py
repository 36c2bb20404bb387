"""The shafts between unit and wheels: where their ends are, what joints and bars they have, and how propshafts run.

Places are from the job's datum, as at Placement.
"""

from typing import Annotated

from pydantic import Field

from driveline.joints.sheet import Bolts
from driveline.shafts.splines import SplineHub
from driveline.sheet import Angle, Coordinate, Length, Mass, Name, RoadSpeed, Sheet, Slant, Spin, Torque, Words
from driveline.space.spots import Spot
from driveline.tables.materials import PlateMaterial
from driveline.words import Choice

ShortWords = Annotated[str, Field(max_length=120)]
Stress = Annotated[float, Field(gt=0, le=3000)]
Rate = Annotated[float, Field(gt=0, le=100_000)]  # N·m a degree


class Which(Choice):
    """Which axle a shaft leads to."""

    REAR = "rear", "rear axle"
    FRONT = "front", "front axle"


class PathKind(Choice):
    """How it is known where a joint goes as the suspension moves."""

    HEIGHTS = "heights", "measured at several heights"
    PIVOTS = "pivots", "on an arm about two pivots"


class Travelled(Sheet):
    """Where a joint's centre goes with the suspension, from ride height."""

    kind: PathKind | None = None
    ride: Spot = Field(default=Spot(), description="Its centre at ride height")
    heights: Annotated[list[Spot], Field(max_length=11)] = Field(default=[], description="Its centre higher and lower")
    pivot_a: Spot = Field(default=Spot(), description="On the line that the arm turns about")
    pivot_b: Spot = Field(default=Spot(), description="Another place on that line")
    bump: Length | None = Field(default=None, description="From ride up to the stop")
    droop: Length | None = Field(default=None, description="From ride down to the stop")
    strap: Length | None = Field(default=None, description="Droop that a limit strap leaves")


class Steered(Sheet):
    """A wheel that steers: two places on its king-pin line, and its locks."""

    pin_top: Spot = Spot()
    pin_bottom: Spot = Spot()
    to_left: Slant | None = Field(default=None, description="Lock of this wheel, steering left")
    to_right: Slant | None = None


class InnerKind(Choice):
    """A joint that takes up length."""

    TRIPOD = "tripod", "plunging tripod"
    BALL = "ball", "plunging ball joint"


class InnerJoint(Sheet):
    """The joint at the unit, which takes up length. Empty figures take the usual ones of its kind."""

    kind: InnerKind | None = None
    angle: Slant | None = Field(default=None, description="Greatest, by its maker")
    plunge: Length | None = Field(default=None, description="Either way from its middle, running straight")
    plunge_bent: Length | None = Field(default=None, description="Either way, at its greatest angle")
    rating: Torque | None = Field(default=None, description="Greatest torque, by its maker")
    capacity: Torque | None = Field(default=None, description="Dynamic, for its life, by its maker")


class OuterJoint(Sheet):
    """The joint at the wheel, whose centre stays."""

    angle: Slant | None = Field(default=None, description="Greatest, by its maker")
    fast: Slant | None = Field(default=None, description="Greatest at the wanted top speed, by its maker")
    rating: Torque | None = Field(default=None, description="Greatest torque, by its maker")
    capacity: Torque | None = Field(default=None, description="Dynamic, for its life, by its maker")


class DifferentialKind(Choice):
    """How the axle's torque comes to its two sides."""

    OPEN = "open"
    BIAS = "bias", "limited slip by a bias ratio"
    CLUTCHES = "clutches", "limited slip by clutches"
    LOCKED = "locked", "locker or spool"


class BarMaterial(Choice):
    """What a bar is made of, and how it is treated."""

    MEDIUM_CARBON = "medium_carbon", "medium carbon, induction hardened"
    ALLOY = "alloy", "alloy, hardened"
    SOFT = "soft", "not hardened"


class BarSpline(Sheet):
    """A spline at a bar's end, as counted and measured."""

    teeth: Annotated[int, Field(ge=4, le=120)] | None = None
    outside: Length | None = Field(default=None, description="Over the teeth")
    root: Length | None = Field(default=None, description="Between them")
    length: Length | None = None
    form: ShortWords = ""
    pin: Length | None = Field(default=None, description="Diameter of the pins it was measured over")
    over_pins: Length | None = None
    engaged: Length | None = Field(default=None, description="Full teeth of both in one another; sliding, at ride")
    hub: SplineHub | None = Field(default=None, description="What it goes into")


class MockUp(Sheet):
    """A cut, sleeved and tacked bar, as it was tried in the vehicle: a measuring stick."""

    sleeve_bore: Length | None = Field(default=None, description="Of the sleeve over the cut")
    runout: Length | None = Field(default=None, description="Whole swing of a dial halfway along, turned on its ends")
    proved: Length | None = Field(default=None, description="Seat to seat, as it fitted")


class Bar(Sheet):
    """The bar between two joints."""

    part_number: ShortWords = ""
    length: Length | None = Field(default=None, description="Seat to seat, as it is made")
    made_to: Length | None = Field(default=None, description="Either way")
    diameter: Length | None = None
    bore: Length | None = Field(default=None, description="0 for a solid bar")
    inner_seat: Length | None = Field(default=None, description="From the inner joint's centre to the bar's seat")
    outer_seat: Length | None = Field(default=None, description="From the outer joint's centre to the bar's seat")
    inner_spline: BarSpline = BarSpline()
    outer_spline: BarSpline = BarSpline()
    material: BarMaterial | None = None
    guide_mpa: Stress | None = Field(default=None, description="Greatest shear its maker allows")
    range_mpa: Stress | None = Field(default=None, description="Shear from launch to overrun its maker allows")
    grooves: ShortWords = Field(default="", description="Circlip grooves: where, how wide")
    boots: ShortWords = ""
    measured_how: ShortWords = ""
    is_mock_up: bool = Field(default=False, description="Cut, sleeved and tacked: a measuring stick")
    mock_up: MockUp = MockUp()


class AxleSide(Sheet):
    """One side of an axle."""

    inner: Spot = Field(default=Spot(), description="Inner joint's centre; empty takes the placed unit's output")
    outer: Travelled = Travelled()
    steers: bool | None = None
    steered: Steered = Steered()
    bar: Bar = Bar()


class Flange(Bolts):
    """Bolts that hold a shaft's flange; both flanges are of steel."""

    is_bolted: bool | None = Field(default=None, description="No: it is held by a spline, a circlip or otherwise")
    grip: Length | None = Field(default=None, description="Thickness of what they clamp")


class Axle(Sheet):
    """The two shafts of a driven axle."""

    name: Name
    which: Which | None = None
    differential: DifferentialKind | None = None
    bias_ratio: Annotated[float, Field(ge=1, le=20)] | None = None
    lock: Torque | None = Field(default=None, description="That its clutches hold before they slip")
    laden: Length | None = Field(default=None, description="Laden, its wheels stand higher than at ride by this")
    empty: Length | None = Field(default=None, description="Empty, lower by this")
    life_h: Annotated[float, Field(gt=0, le=1e6)] | None = Field(default=None, description="Its joints are to last")
    life_torque: Torque | None = Field(default=None, description="A side, that it runs with on the mean")
    life_speed: Spin | None = Field(default=None, description="That they turn with then")
    inner: InnerJoint = InnerJoint()
    outer: OuterJoint = OuterJoint()
    flange: Flange = Field(default=Flange(), description="Of the inner joints, to the unit's outputs")
    left: AxleSide = AxleSide()
    right: AxleSide = AxleSide()


class JointKind(Choice):
    """A joint of a propshaft."""

    CROSS = "cross", "cross with two yokes"
    CV = "cv", "constant-velocity (CV) joint"
    DOUBLE = "double", "double cross"
    RUBBER = "rubber", "rubber coupling"


class PropJoint(Sheet):
    """A joint of a propshaft."""

    at: Spot = Field(default=Spot(), description="Its centre at ride height")
    kind: JointKind | None = None
    angle: Slant | None = Field(default=None, description="Greatest, by its maker")
    rating: Torque | None = Field(default=None, description="Greatest torque, by its maker")
    capacity: Torque | None = Field(default=None, description="Dynamic, for its life, by its maker")
    nm_per_deg: Rate | None = Field(default=None, description="Of a rubber coupling: torque that turns it a degree")
    grease: ShortWords = Field(default="", description="What grease, how often")


class Direction(Sheet):
    """Which way a shaft's line points, going toward the axle."""

    falls: Angle | None = Field(default=None, description="Down is above zero")
    left: Angle | None = Field(default=None, description="To the vehicle's left is above zero")


class Tube(Sheet):
    """A shaft between two joints."""

    part_number: ShortWords = ""
    outside: Length | None = None
    wall: Length | None = Field(default=None, description="Half the diameter for a solid bar")
    phasing: Angle | None = Field(
        default=None, description="Its yokes' twist, right-handed toward the axle; 0 with inner ears in line"
    )
    material: BarMaterial | None = None
    guide_mpa: Stress | None = None
    mass: Mass | None = None
    slips: bool = False
    slip_spline: BarSpline = BarSpline()
    slip: Length | None = Field(default=None, description="Travel of its slip joint, shut to fully drawn")
    drawn: Length | None = Field(default=None, description="How far it is drawn out at ride height")
    flanges: ShortWords = ""
    is_mock_up: bool = False
    runs: Direction = Field(default=Direction(), description="Its own line, by inclinometer and in plan")
    centres: Length | None = Field(default=None, description="Between its joints' centres, along it")


class AxlePath(Choice):
    """How a live axle goes up and down."""

    STRAIGHT = "straight", "straight up and down, as was seen"
    MEASURED = "measured", "by an arc of its own, as measured"


class AxleAt(Sheet):
    """Where a live axle's pinion joint was found at a height, from ride."""

    up: Coordinate | None = Field(default=None, description="Above ride; below: minus")
    ahead: Coordinate | None = Field(default=None, description="Nearer the box; farther: minus")
    nose: Angle | None = Field(default=None, description="Its nose turned up; down: minus")


class CentreBearing(Sheet):
    """What carries a line between two of its shafts."""

    rating_n: Annotated[float, Field(gt=0, le=1e6)] | None = Field(default=None, description="Greatest side force")
    greatest: Spin | None = Field(default=None, description="Top speed, by its maker")


class PropLine(Sheet):
    """A line of propshafts, from the box to an axle."""

    name: Name
    which: Which | None = None
    joints: Annotated[list[PropJoint], Field(max_length=5)] = Field(default=[], description="From the box on")
    tubes: Annotated[list[Tube], Field(max_length=4)] = Field(default=[], description="One between each two joints")
    box: Direction = Field(default=Direction(), description="The box's output line")
    pinion: Direction = Field(default=Direction(), description="The line of the axle's pinion")
    zero: Angle | None = Field(default=None, description="What the inclinometer reads on level ground; empty: 0")
    is_fixed: bool | None = Field(default=None, description="The axle's housing is bolted to the vehicle")
    bump: Length | None = Field(default=None, description="Of the axle, where the propshaft joins it")
    droop: Length | None = None
    goes: AxlePath | None = Field(default=None, description="Of a sprung axle")
    arc: Annotated[list[AxleAt], Field(max_length=9)] = Field(default=[], description="Of a sprung axle, as measured")
    laden: Length | None = Field(default=None, description="Laden, the axle stands higher than at ride by this")
    empty: Length | None = Field(default=None, description="Empty, lower by this")
    winds_up: Slant | None = Field(default=None, description="Pinion nose up, under launch, as seen or stated")
    winds_down: Slant | None = Field(default=None, description="Pinion nose down: overrun, reverse or brakes, the most")
    pinion_ahead: Length | None = Field(default=None, description="Pinion's joint from the axle's centre, along it")
    pinion_above: Coordinate | None = Field(default=None, description="And square to it, up; 0 where level with it")
    wind_nm_per_deg: Rate | None = Field(default=None, description="Axle torque that winds its springs up a degree")
    box_flange: Flange = Flange()
    pinion_flange: Flange = Flange()
    has_hoop: bool | None = Field(default=None, description="A loop catches the shaft if its front joint breaks")
    grade_mm_s: Annotated[float, Field(gt=0, le=100)] | None = Field(default=None, description="Balance grade G")
    bearing: CentreBearing = Field(default=CentreBearing(), description="Of each place between two shafts")
    life_h: Annotated[float, Field(gt=0, le=1e6)] | None = Field(
        default=None, description="That its crosses are to last"
    )
    life_torque: Torque | None = Field(default=None, description="That it runs with on the mean")
    life_speed: Spin | None = Field(default=None, description="That it turns with then")


class AdapterFace(Bolts):
    """One face of a flange adapter: the screws to a flange, and what centres it there."""

    chord: Length | None = Field(default=None, description="From one hole to the next, centre to centre")
    is_tapped: bool = Field(default=False, description="Its holes are tapped; the hole's diameter is the drill's")
    flange: Length | None = Field(
        default=None, description="Thickness of the flange that its screws clamp, where the adapter is tapped"
    )
    register_size: Length | None = Field(default=None, description="Diameter of its register; 0 where there is none")


class FlangeAdapter(Sheet):
    """A turned disc between a shaft's flange and that of the box or axle."""

    name: Name
    which: Which | None = None
    shaft: AdapterFace = AdapterFace()
    away: AdapterFace = Field(default=AdapterFace(), description="To the box's or axle's flange")
    turned: Angle | None = Field(
        default=None, description="Of its far holes from the near ones, anticlockwise, seen from the shaft"
    )
    outside: Length | None = None
    thickness: Length | None = None
    bore: Length | None = Field(default=None, description="Right through; 0 for none")
    made_of: PlateMaterial | None = None
    part_number: ShortWords = ""


class LineTurns(Sheet):
    """What turns with the line, and what gives in it, beside the shafts themselves."""

    wheel_kgm2: Annotated[float, Field(gt=0, le=100)] | None = Field(
        default=None, description="Inertia of a driven wheel with tyre and brake"
    )
    tyre_nm_per_deg: Rate | None = Field(default=None, description="Torque that turns a tyre a degree on its rim")
    half_shaft_nm_per_deg: Rate | None = Field(
        default=None, description="Of an axle whose bars are not entered: torque that turns a half shaft a degree"
    )
    shakes_at: RoadSpeed | None = Field(default=None, description="A road speed at which it shakes or hums")
    play: Slant | None = Field(
        default=None, description="Free turn at a wheel, the motor held and the other wheel down"
    )
    steps_a_turn: Annotated[int, Field(ge=2, le=400)] | None = Field(
        default=None, description="Torque steps of the motor in a turn, by its maker"
    )


class AxlesSheet(Sheet):
    """Everything about the shafts between unit and wheels."""

    axles: Annotated[list[Axle], Field(max_length=2)] = []
    lines: Annotated[list[PropLine], Field(max_length=3)] = []
    adapters: Annotated[list[FlangeAdapter], Field(max_length=6)] = []
    turning: LineTurns = LineTurns()
    notes: Words = ""
