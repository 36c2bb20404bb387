"""Whether an axle's shafts neither bind nor run too bent, side by side, through all travel."""

from collections.abc import Iterator
from dataclasses import dataclass

from driveline.benches.axles.bars import load_at
from driveline.benches.axles.ends import FoundEnd
from driveline.benches.axles.needs import AxlesNeeds, ShaftLoad
from driveline.benches.axles.sheet import Axle, AxleSide
from driveline.benches.axles.through_travel import At, Travelling, outer_limit_deg, place_words
from driveline.benches.axles.workings import angle_working, plunge_working
from driveline.checks import Check
from driveline.figures import fig
from driveline.margins import Judge, missing_of
from driveline.sheet import positive_of, value_of
from driveline.suspension.travel import RUNNING_MOST_DEG, RUNNING_WANTED_DEG
from driveline.working import Working


@dataclass(frozen=True, slots=True, kw_only=True)
class SideFound:
    """One side of an axle, as far as it is known."""

    axle: Axle
    side: AxleSide
    name: str  # left, right
    key: str  # of its checks
    field: str
    found: FoundEnd
    travel: Travelling | None
    load: ShaftLoad | None

    @property
    def words(self) -> str:
        """Which side of which axle."""
        return f"{self.axle.name}, {self.name}"

    @property
    def station(self) -> str | None:
        """The place on the Line that it hangs on."""
        return None if self.load is None else self.load.station


def side_found(
    axle: Axle, k: int, name: str, found: FoundEnd, travel: Travelling | None, needs: AxlesNeeds
) -> SideFound:
    """Return a side with what it is called."""
    return SideFound(
        axle=axle,
        side=getattr(axle, name),
        name=name,
        key=f"axles.a{k + 1}.{name}",
        field=f"axles.axles.{k}.{name}",
        found=found,
        travel=travel,
        load=load_at("axle", axle.which, needs),
    )


def height_words(at: At) -> str:
    """Return a place of the scan in a sentence."""
    height = "at ride height"
    if round(at.height_mm, 1):
        height = f"{fig(abs(at.height_mm), 'mm', 0)} {'up' if at.height_mm > 0 else 'down'}"
    return ", ".join((height, *place_words(at)))


def travel_checks(one: SideFound, judge: Judge) -> Iterator[Check]:
    """Return the checks of one side's travel."""
    yield _ride(one, judge)
    yield _inner(one, judge)
    yield _plunge(one, judge.guarding())
    yield _outer(one, judge)


def _angle_missing(one: SideFound) -> tuple[str, ...]:
    """A usual limit is a guess: what is past it fails, what is within it is not known till the maker's is stated."""
    name = f"{one.axle.name}: greatest angle of its inner joints, by their maker"
    return missing_of({name: positive_of(one.axle.inner.angle)})


def _envelope_missing(one: SideFound) -> tuple[str, ...]:
    joint, travel = one.axle.inner, one.travel
    known = {
        f"{one.axle.name}: plunge of its inner joints, running straight": positive_of(joint.plunge),
        f"{one.axle.name}: plunge that is left at their greatest angle": value_of(joint.plunge_bent),
    }
    missing = (*_angle_missing(one), *missing_of(known))
    if travel is not None and travel.envelope is not None and travel.envelope.is_past(travel.scan.inner_deg):
        missing += (f"{one.words}: plunge past the inner joint's greatest angle, which its maker does not state",)
    return missing


def _standing(one: SideFound) -> tuple[str, float, float] | None:
    """At which height the shaft stands most bent while it is driven, and how bent: what is not given is left out."""
    return None if one.travel is None else one.travel.standing_deg(standing_heights_mm(one, one.travel))


def standing_heights_mm(one: SideFound, travel: Travelling) -> dict[str, float]:
    """Return the heights at which a side stands while it is driven, by name: one that is not given counts as ride."""
    laden, empty = value_of(one.axle.laden) or 0.0, value_of(one.axle.empty) or 0.0
    return {"at ride height": 0.0, "laden": min(laden, travel.end.bump_mm), "empty": -min(empty, travel.end.droop_mm)}


def standing_missing(axle: Axle) -> tuple[str, ...]:
    """Return what keeps the heights at which an axle stands from being known, in words."""
    return missing_of(
        {
            f"{axle.name}: how much higher its wheels stand laden": value_of(axle.laden),
            f"{axle.name}: how much lower they stand empty": value_of(axle.empty),
        }
    )


def standing_doubts(one: SideFound) -> Iterator[tuple[str, str]]:
    """Return what can't be of the heights at which an axle stands, by its field."""
    laden, empty = value_of(one.axle.laden), value_of(one.axle.empty)
    bump, droop = value_of(one.side.outer.bump), value_of(one.side.outer.droop)
    field = one.field.rpartition(".")[0]
    if laden is not None and bump is not None and laden > bump:
        yield f"{field}.laden", f"{one.words}: laden it would stand above its bump stop. Measure both again."
    if empty is not None and droop is not None and empty > droop:
        yield f"{field}.empty", f"{one.words}: empty it would hang below its droop. Measure both again."


def _ride(one: SideFound, judge: Judge) -> Check:
    found = _standing(one)
    where, angles = ("", None) if found is None else (found[0], found[1:])
    says = ""
    if angles is not None:
        says = f"{fig(angles[0], '°', 1)} at the unit, {fig(angles[1], '°', 1)} at the wheel, {where}"
        says = (
            f"{says}; up to {fig(RUNNING_MOST_DEG, '°', 0)} wears them."
            if max(angles) > RUNNING_WANTED_DEG
            else f"{says}."
        )
    return judge.check(
        "clearance",
        key=f"{one.key}.ride",
        title=f"{one.words}: runs straight enough, empty to laden",
        demand=None if angles is None else max(angles),
        capacity=RUNNING_WANTED_DEG,
        unit="°",
        says=says,
        missing=(*one.found.missing, *standing_missing(one.axle)),
        inputs=(f"{one.field}.outer", f"{one.field}.inner", one.field.rpartition(".")[0] + ".laden"),
        station=one.station,
        working=lambda: _ride_working(one, angles, where),
    )


def _ride_working(one: SideFound, angles: tuple[float, float] | None, where: str) -> Working:
    if angles is None or one.travel is None:
        return angle_working(None, None, where)
    shaft, output, spindle = one.travel.lines_standing(standing_heights_mm(one, one.travel)[where])
    return angle_working(max(angles), (shaft, output if angles[0] >= angles[1] else spindle), where)


def _travel_working(one: SideFound, at: At | None, *, is_inner: bool) -> Working:
    if at is None or one.travel is None:
        return angle_working(None, None, "")
    shaft, output, spindle = one.travel.lines_at(at)
    return angle_working(at.value, (shaft, output if is_inner else spindle), height_words(at))


def _inner(one: SideFound, judge: Judge) -> Check:
    travel = one.travel
    at = travel.worst_of(travel.scan.inner_deg) if travel else None
    limit = travel.envelope.angle_deg if travel and travel.envelope else None
    return judge.check(
        "clearance",
        key=f"{one.key}.inner",
        title=f"{one.words}: inner joint's angle through all travel",
        demand=None if at is None else at.value,
        capacity=limit,
        unit="°",
        says="" if at is None else f"{fig(at.value, '°', 1)} {height_words(at)}{_strap_words(one)}.",
        missing=(*one.found.missing, *_angle_missing(one)),
        inputs=(f"{one.field}.outer", one.field.rpartition(".")[0] + ".inner"),
        station=one.station,
        working=lambda: _travel_working(one, at, is_inner=True),
    )


def _strap_words(one: SideFound) -> str:
    travel = one.travel
    if (
        travel is None
        or travel.envelope is None
        or travel.worst_of(travel.scan.inner_deg).value <= travel.envelope.angle_deg
    ):
        return ""
    if travel.strap_mm is None:
        return "; no strap mends it: it is past its limit at ride height too"
    if travel.strap_mm >= travel.end.droop_mm:
        return ""
    return f"; a strap that stops it {fig(travel.strap_mm, 'mm', 0)} down would hold it"


def plunge_missing(one: SideFound) -> tuple[str, ...]:
    """Return what keeps the plunge that is left from being known."""
    bar = one.side.bar
    return (
        *one.found.missing,
        *_envelope_missing(one),
        *missing_of(
            {
                f"{one.words}: inner joint's centre to the bar's seat": value_of(bar.inner_seat),
                f"{one.words}: outer joint's centre to the bar's seat": value_of(bar.outer_seat),
                f"{one.words}: the bar's length, chosen": positive_of(bar.length),
                f"{one.words}: what its length is made to": value_of(bar.made_to),
            }
        ),
    )


def _plunge(one: SideFound, judge: Judge) -> Check:
    travel, says = one.travel, ""
    tightest = None if travel is None else travel.tightest
    if travel is not None and tightest is not None:
        how = "left" if tightest.left_mm >= 0 else "too little"
        says = f"{fig(abs(tightest.left_mm), 'mm', 1)} {how} {height_words(tightest.at)}"
        if travel.chosen_mm is not None and travel.best_mm is not None:
            off = travel.chosen_mm - travel.best_mm
            says = f"{says}; the bar is {fig(abs(off), 'mm', 1)} {'longer' if off > 0 else 'shorter'} than is best"
        says = f"{says}."
    return judge.check(
        "clearance",
        key=f"{one.key}.plunge",
        title=f"{one.words}: plunge within its window",
        demand=None if tightest is None else tightest.taken_mm,
        capacity=None if tightest is None else tightest.allowed_mm,
        unit="mm",
        says=says,
        missing=plunge_missing(one),
        inputs=(f"{one.field}.bar.length", f"{one.field}.outer"),
        station=one.station,
        working=lambda: plunge_working(travel, f"{one.field}.bar.made_to"),
    )


def _outer_missing(one: SideFound) -> tuple[str, ...]:
    name = f"{one.axle.name}: greatest angle of its outer joints, by their maker"
    return missing_of({name: positive_of(one.axle.outer.angle)})


def _outer(one: SideFound, judge: Judge) -> Check:
    travel = one.travel
    at = travel.worst_of(travel.scan.outer_deg) if travel else None
    return judge.check(
        "clearance",
        key=f"{one.key}.outer",
        title=f"{one.words}: outer joint's angle through all travel",
        demand=None if at is None else at.value,
        capacity=outer_limit_deg(one.axle),
        unit="°",
        says="" if at is None else f"{fig(at.value, '°', 1)} {height_words(at)}.",
        missing=(*one.found.missing, *_outer_missing(one)),
        inputs=(f"{one.field}.outer", f"{one.field}.steered"),
        station=one.station,
        working=lambda: _travel_working(one, at, is_inner=False),
    )
