"""Screws that are pulled and pushed across case by case: the same judgement as of any other, and whether they slip."""

from typing import Final

from driveline.checks import Check
from driveline.figures import fig, num
from driveline.joints.checks import head_check, proof_check, unnamed_checks, void_check
from driveline.joints.depth import clear_check, engagement_check
from driveline.joints.preload_sums import least_steps
from driveline.joints.screws import FRICTION, Loads, Place, Pull, Worked, friction_of, worked_joint
from driveline.joints.sheet import Joint, Tapped
from driveline.joints.strength import stripping_check
from driveline.margins import Judge, missing_of, wanted_words
from driveline.working import Working, entered_or_usual, step, tabled, worked

SLIP: Final = "do not slip"
SLIPS: Final = (
    "Coulomb, screw by screw: friction on what the load leaves of its least preload, against what pushes it across."
)


def pulled_checks(joint: Joint, place: Place, loads: Loads, judge: Judge, *, slips: bool) -> tuple[Check, ...]:
    """Return the checks of screws that cases pull on: far enough in, clear, within proof, head, thread, friction.

    Args:
        joint: As entered.
        place: Where it is.
        loads: The cases; empty while they are not known, with what is missing for them.
        judge: Of the bench.
        slips: Whether what they clamp lies on its friction.

    Source:
        As ``joint_checks``.
    """
    found = worked_joint(joint, place)
    if found is None:
        return unnamed_checks(place, joint, judge, friction=SLIP if slips else None)
    most = loads.most_pulled
    tension = None if most is None else max(most.tension_n, 0.0)
    pulled = (tension, None, loads.missing)
    checks = [engagement_check(place, found, judge)]
    if joint.tapped is not Tapped.NUT:
        checks.append(clear_check(place, joint, judge))
    checks += [proof_check(found, loads, pulled, judge), head_check(found, judge)]
    checks.append(stripping_check(found, tension, loads.missing, judge))
    if slips:
        checks.append(void_check(found, judge, words=SLIP) if found.is_past_proof else _slip(found, loads, judge))
    return tuple(checks)


def _grips_n(found: Worked, pull: Pull) -> float | None:
    """What a screw still grips with in a case."""
    least = found.least_n
    return None if least is None else friction_of(found.joint) * max(least - max(pull.tension_n, 0.0), 0.0)


def _slip(found: Worked, loads: Loads, judge: Judge) -> Check:
    """The case that is worst is the one that uses most of its friction."""

    def used(pull: Pull) -> float:
        grips, across = _grips_n(found, pull), pull.shear_n or 0.0
        return across / grips if grips else float("inf") if across else 0.0

    worst, place = max(loads.pulls, key=used, default=None), found.place
    grips = None if worst is None else _grips_n(found, worst)
    missing = missing_of(
        {
            "Tightening, condition and grip of the screws": found.least_n,
            "Property class: past proof no friction counts": found.strength,
        }
    )
    missing += tuple(one for one in loads.missing if one not in missing)
    says = wanted_words(missing)
    if not missing and worst is not None:
        says = f"{num(worst.shear_n, 'N', 0)} across a screw in {worst.words}; friction holds {fig(grips, 'N', 0)}"
    return judge.check(
        "friction_joint",
        key=f"{judge.bench}.{place.name}_friction",
        title=f"{place.title} {SLIP}",
        demand=None if worst is None else worst.shear_n,
        capacity=grips,
        unit="N",
        says=says,
        missing=missing,
        inputs=(place.fields.joint, *place.fields.load),
        working=lambda: _slip_working(found, worst, grips),
    )


def _slip_working(found: Worked, worst: Pull | None, grips_n: float | None) -> Working:
    steps, joint, field = least_steps(found, found.least_n), found.joint, found.place.fields.joint
    if worst is None or grips_n is None or not steps:
        return Working(steps=steps, source=SLIPS)
    mu = (
        entered_or_usual("μ", friction_of(joint), "", f"{field}.surface", is_usual=True)
        if joint.surface is None
        else tabled("μ", FRICTION[joint.surface], "", joint.surface.words)
    )
    pulled = worked("F_t", max(worst.tension_n, 0.0), "N", f"pulls on it, {worst.words}")
    last = step("H", "μ * max(F_least - F_t, 0)", mu, steps[-1], pulled, value=grips_n, unit="N")
    return Working(steps=(*steps, last), source=SLIPS)
