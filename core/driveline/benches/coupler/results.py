"""What the Coupler bench hands out."""

from driveline.checks import Result
from driveline.results import Assumed, ToDo


class GapShare(Result):
    """A length in a gap, and its part of the spread."""

    name: str
    length_mm: float
    either_way_mm: float
    share: float  # of Σt²


class GapResult(Result):
    """A gap at its extremes; ``None`` is not known."""

    key: str
    title: str
    least_wanted_mm: float
    greatest_wanted_mm: float | None  # None: nothing bounds it
    nominal_mm: float | None
    worst_mm: float | None  # either way
    least_mm: float | None  # at the extremes
    greatest_mm: float | None
    likely_mm: float | None
    shares: tuple[GapShare, ...]
    from_mm: float | None  # where it is in the section, along the axis
    to_mm: float | None
    at_mm: float  # and from it


class Block(Result):
    """A body of the section: from the axis at ``inner_mm`` to ``outer_mm``, both sides of it alike."""

    role: str
    title: str
    from_mm: float
    to_mm: float
    inner_mm: float
    outer_mm: float


class WindowResult(Result):
    """How far apart the faces may stand so that every gap holds at every extreme."""

    least_mm: float | None
    greatest_mm: float | None
    least_by: str
    greatest_by: str
    is_open: bool
    middle_mm: float | None
    likely_least_mm: float | None  # by the root of the sum of squares
    likely_greatest_mm: float | None
    tighten: str  # what to take better, and to what, where no distance does
    keeps_present: bool  # the distance that the gaps are judged at now lies in it
    spacer_mm: float | None  # that makes the plate as it stands the middle; below nought it is to be thinner


class SpiderAlternative(Result):
    """A way for the spider, with what it asks."""

    key: str
    title: str
    least_mm: float | None
    greatest_mm: float | None
    is_possible: bool
    suits_apart: bool | None  # the faces as they stand; None: not known


class StyleFacts(Result):
    """A style beside the others, in words."""

    key: str
    title: str
    is_chosen: bool
    shock: float  # dynamic factor
    parallel_mm: float
    angle_deg: float
    gears: str
    wears: str
    needs: str
    length: str


class AtSpeed(Result):
    """What turns, at the motor's top speed."""

    rim_ms: float | None
    hub_kg: float | None
    grade_mm_s: float | None
    force_n: float | None


class ShuffleResult(Result):
    """The line's first modes, with shafts and gearbox as usual."""

    first_hz: float  # the vehicle against the motor: shuffle
    second_hz: float  # the rotor on its coupler
    rigid_second_hz: float  # the same with a rigid coupler
    once_a_turn_rpm: float  # motor speed at which what comes once a turn meets the second
    twice_a_turn_rpm: float


class RunoutResult(Result):
    """Dial readings round the hub: how much is eccentric, how much out of round, and what that asks for."""

    eccentric_mm: float
    high_deg: float  # clock angle of the high spot
    oval_mm: float
    says: str


class FitOption(Result):
    """A fit of the hub beside the others."""

    fit: str
    is_chosen: bool
    holds_nm: float | None  # at its least, bedded in, warm and at speed
    carries_it: bool | None  # the design torque, without any margin; None: not known
    stress_mpa: float  # of the hub at its bore, at its greatest
    yields: bool
    hot_c: float  # to slip on
    is_too_hot: bool


class Slid(Result):
    """Lengths that can be dragged, as entered; ``None`` is not entered."""

    motor_slide_mm: float | None
    gearbox_slide_mm: float | None
    to_face_mm: float | None


class CouplerResult(Result):
    """The coupler."""

    style: str | None
    apart_mm: float | None  # chosen, else as the plate stands
    apart_is_chosen: bool
    plate_apart_mm: float | None
    gaps: tuple[GapResult, ...]
    blocks: tuple[Block, ...]
    window: WindowResult | None
    alternatives: tuple[SpiderAlternative, ...]
    styles: tuple[StyleFacts, ...]
    at_speed: AtSpeed
    placed: Slid
    shuffle: ShuffleResult | None
    runout: RunoutResult | None
    fits: tuple[FitOption, ...]
    notes: tuple[str, ...]
    order: tuple[str, ...]  # of assembly, with its holds
    queries: tuple[ToDo, ...]
    assumed: tuple[Assumed, ...]
    to_do: tuple[ToDo, ...]
