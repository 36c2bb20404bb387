"""Wanted margins of a job, and checks that ask for them."""

from collections.abc import Mapping, Sequence
from dataclasses import dataclass, replace
from typing import Annotated, Final, Literal, get_args

from pydantic import Field

from driveline.checks import Check
from driveline.sheet import Sheet, Words
from driveline.working import MakeWorking, Working

Margin = Annotated[float, Field(gt=0, le=10)]
MarginKind = Literal[
    "maker_rating",
    "motor_top_speed",
    "shaft_speed",
    "grip",
    "wanted_performance",
    "load_rating",
    "clearance",
    "readings_agree",
    "friction_joint",
    "bolt_proof",
    "bracket_yield",
    "key_fit",
    "weld",
    "natural_frequency",
    "frame_left",
    "buckling",
    "bar_shear",
    "joint_excitation",
]


class WantedMargins(Sheet):
    """What each kind of check asks for; empty takes the usual figure, shown as a default."""

    maker_rating: Margin | None = None
    motor_top_speed: Margin | None = None
    shaft_speed: Margin | None = None
    grip: Margin | None = None
    wanted_performance: Margin | None = None
    load_rating: Margin | None = None
    clearance: Margin | None = None
    readings_agree: Margin | None = None
    friction_joint: Margin | None = None
    bolt_proof: Margin | None = None
    bracket_yield: Margin | None = None
    key_fit: Margin | None = None
    weld: Margin | None = None
    natural_frequency: Margin | None = None
    frame_left: Margin | None = None
    buckling: Margin | None = None
    bar_shear: Margin | None = None
    joint_excitation: Margin | None = None
    reasons: Annotated[dict[MarginKind, Words], Field(max_length=len(get_args(MarginKind)))] = {}


USUAL_MARGINS: Final[dict[MarginKind, float]] = {
    "maker_rating": 1.0,
    "motor_top_speed": 1.05,
    "shaft_speed": 1 / 0.70,
    "grip": 1.0,
    "wanted_performance": 1.0,
    "load_rating": 1.05,
    "clearance": 1.0,
    "readings_agree": 1.0,
    "friction_joint": 1.5,
    "bolt_proof": 1.1,
    "bracket_yield": 1.5,
    "key_fit": 1.3,
    "weld": 1.0,
    "natural_frequency": 1.0,
    "frame_left": 1.0,
    "buckling": 2.0,
    "bar_shear": 1.0,
    "joint_excitation": 1.0,
}


MARGIN_TITLES: Final[dict[MarginKind, str]] = {
    "maker_rating": "A maker's rating, over the design torque or speed",
    "motor_top_speed": "Motor's top speed, over its speed at the wanted road speed",
    "shaft_speed": "A shaft's critical speed, over its speed",
    "grip": "What the tyres hold, over what they must",
    "wanted_performance": "What the vehicle does, over what is wanted",
    "load_rating": "Axle and tyre ratings, over their loads",
    "clearance": "A clearance or allowance, over what is needed of it",
    "readings_agree": "How far readings may disagree, over how far they do",
    "friction_joint": "What a clamped joint carries by friction, over what it must",
    "bolt_proof": "A screw's proof load, over preload and load",
    "bracket_yield": "Yield of a bracket, leg, sleeve or spun hub, over its stress",
    "key_fit": "What a key, fit, taper or spline carries, over the design torque",
    "natural_frequency": "The lowest natural frequency on the mounts, over what is wanted",
    "frame_left": "What a cut frame's section has left, over what it had",
    "buckling": "What a strut or a wall buckles at, over its load",
    "bar_shear": "A bar's or tube's greatest shear, over its stress: the guide holds the factor",
    "joint_excitation": "How unevenly joints may drive, over how they do",
    "weld": "What a weld is allowed, over its stress: the allowance holds the factor",
}


def margins_for_screens() -> dict[str, dict[str, str | float]]:
    """Return what each wanted margin is called, and its usual value."""
    return {kind: {"title": title, "usual": USUAL_MARGINS[kind]} for kind, title in MARGIN_TITLES.items()}


class Margins:
    """Wanted margins of a job, each with whether it is the usual figure."""

    def __init__(self, stated: WantedMargins) -> None:
        self._stated: dict[str, float | None] = stated.model_dump()

    def wanted(self, kind: MarginKind) -> float:
        """Return the margin that the job wants of a kind of check."""
        stated = self._stated[kind]
        return USUAL_MARGINS[kind] if stated is None else stated

    def is_usual(self, kind: MarginKind) -> bool:
        """Say whether the job leaves that margin at the usual figure."""
        return self._stated[kind] is None


@dataclass(frozen=True, slots=True)
class Judge:
    """Makes the checks of one bench, each with the margin that the job wants of its kind."""

    bench: str
    margins: Margins
    guards_release: bool = False

    def guarding(self) -> "Judge":
        """Return the same whose checks hold back a part's release while they fail."""
        return replace(self, guards_release=True)

    def check(
        self,
        kind: MarginKind,
        *,
        key: str,
        title: str,
        demand: float | None,
        capacity: float | None,
        unit: str,
        says: str = "",
        missing: tuple[str, ...] = (),
        inputs: tuple[str, ...] = (),
        station: str | None = None,
        working: MakeWorking = Working,
    ) -> Check:
        """Return a check of figures. It says what is still wanted where its own words do not, figures or none."""
        return Check(
            key=key,
            bench=self.bench,
            title=title,
            demand=demand,
            capacity=capacity,
            unit=unit,
            wanted_margin=self.margins.wanted(kind),
            wanted_is_default=self.margins.is_usual(kind),
            wanted_kind=kind,
            says=with_wanted(says, missing),
            missing=missing,
            inputs=inputs,
            station=station,
            guards_release=self.guards_release,
        ).with_working(working)

    def answer(
        self,
        *,
        is_so: bool | None,
        key: str,
        title: str,
        says: str = "",
        has_catch: bool = False,
        missing: tuple[str, ...] = (),
        inputs: tuple[str, ...] = (),
        station: str | None = None,
        working: MakeWorking = Working,
    ) -> Check:
        """Return a check of a question with a yes or a no; ``None`` is not known and ``missing`` says what to do."""
        return Check(
            key=key,
            bench=self.bench,
            title=title,
            demand=None,
            capacity=None,
            is_so=is_so,
            has_catch=has_catch,
            unit="",
            wanted_margin=1.0,
            says=says or wanted_words(missing),
            missing=missing,
            inputs=inputs,
            station=station,
            guards_release=self.guards_release,
        ).with_working(working)


def missing_of(known: Mapping[str, object]) -> tuple[str, ...]:
    """Return the names of what is not known: ``None``, or ``False`` for what was to be settled. Nought is known."""
    return tuple(name for name, value in known.items() if value is None or value is False)


ASKS: Final = ("Still wanted", "to finish this check", "Say ", "Give ", "Measure ", "Choose ")


def with_wanted(says: str, missing: Sequence[str]) -> str:
    """Return what a check says, with the first thing that is missing unless it asks for something already."""
    if not missing or any(words in says for words in ASKS):
        return says
    return f"{says.rstrip('.')}. {wanted_words(missing)}" if says else wanted_words(missing)


def wanted_words(missing: Sequence[str]) -> str:
    """Return the first thing that is missing, as a sentence; empty where nothing is."""
    return f"Still wanted: {missing[0][0].lower()}{missing[0][1:]}." if missing else ""
