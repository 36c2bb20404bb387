"""What keeps a hub along its shaft, carries the gearbox's nose, and bounds a bought coupling's speed."""

from collections.abc import Iterator
from typing import Final

from driveline.benches.coupler.inputs import CouplerInputs
from driveline.benches.coupler.needs import CouplerNeeds
from driveline.benches.coupler.sheet import KeptBy, ShaftKind
from driveline.checks import Check
from driveline.figures import fig, num
from driveline.margins import Judge, missing_of, wanted_words
from driveline.shafts.coupler import CouplerStyle
from driveline.working import Working, entered, fixed_working, step, worked

ON_TAPER: Final = (KeptBy.NUT,)
KEEPS: Final = "A key drives and does not hold; a hub that works along its shaft frets it, and meets its neighbour."


def kept_checks(inputs: CouplerInputs, needs: CouplerNeeds, style: CouplerStyle, judge: Judge) -> Iterator[Check]:
    """Return whether the motor's hub stays where it is, and the nose of the gearbox's shaft is carried."""
    yield _kept(inputs, judge)
    yield _nose(inputs, judge)
    if style is CouplerStyle.FLEXIBLE:
        yield _speed(inputs, needs, judge)


def _kept(inputs: CouplerInputs, judge: Judge) -> Check:
    by, kind, fit = inputs.hub.kept_by, inputs.motor_shaft.kind, inputs.hub.fit
    missing = missing_of({"What keeps the hub along the motor's shaft": by})
    is_so: bool | None = None if by is None else by is not KeptBy.NOTHING
    says = "" if by is None else f"By {by.words}."
    if by is KeptBy.FIT:
        if fit is None:
            is_so, missing = None, ("Fit of the hub on the motor shaft",)
        elif fit.greatest_play_mm >= 0:
            is_so, says = False, "Its fit may leave play: it keeps nothing. A screw and washer, or a circlip."
    if by is KeptBy.NUT and kind is not ShaftKind.TAPERED:
        is_so, says = False, "No taper, no nut: say what keeps it."
    if by is KeptBy.NOTHING:
        says = "Nothing keeps it: it will walk. A screw and washer, a circlip, or grub screws."
    return judge.answer(
        is_so=is_so,
        has_catch=by is KeptBy.GRUB,
        key="coupler.kept",
        title="Hub kept along the motor's shaft",
        says=f"{says} Ease and look at them after the first hour." if by is KeptBy.GRUB else says,
        missing=missing,
        inputs=("coupler.hub.kept_by",),
        station="coupler",
        working=fixed_working(KEEPS),
    )


def _nose(inputs: CouplerInputs, judge: Judge) -> Check:
    pilot = inputs.sheet.clutch.pilot_bearing
    says = {
        True: "Its nose runs in a pilot bearing.",
        False: "Its nose hangs free: seal, disc or spline will not last. Bore the hub for a pilot bearing.",
        None: "",
    }[pilot]
    return judge.answer(
        is_so=pilot,
        key="coupler.pilot",
        title="Gearbox shaft's nose is carried",
        says=says,
        missing=missing_of({"A pilot bearing for the nose of the gearbox's shaft: there or not": pilot is not None}),
        inputs=("coupler.clutch.pilot_bearing",),
        station="coupler",
    )


def _speed(inputs: CouplerInputs, needs: CouplerNeeds, judge: Judge) -> Check:
    """A bought coupling's own top speed."""
    stated, rpm = inputs.jaw.greatest_rpm, needs.greatest_rpm
    missing = missing_of({"Top speed of the coupling, by its maker": stated, "Top speed of the motor": rpm})

    def working() -> Working:
        source = "By its maker; the motor's own top speed, since nothing else bounds it out of gear."
        if stated is None or rpm is None:
            return Working(source=source)
        own = step("n_max", "n_c", entered("n_c", stated, "rpm", "coupler.jaw.greatest"), value=stated, unit="rpm")
        turns = step("n", "n_m", worked("n_m", rpm, "rpm", "motor's top speed"), value=rpm, unit="rpm")
        return Working(steps=(own, turns), source=source)

    return judge.check(
        "maker_rating",
        key="coupler.jaw_speed",
        title="Coupling's top speed",
        demand=rpm,
        capacity=stated,
        unit="rpm",
        says=wanted_words(missing)
        if missing
        else f"{num(rpm, 'rpm', 0)} at the motor's top speed, of {fig(stated, 'rpm', 0)}",
        missing=missing,
        inputs=("coupler.jaw.greatest", "brief.motor.greatest_rpm"),
        station="coupler",
        working=working,
    )
