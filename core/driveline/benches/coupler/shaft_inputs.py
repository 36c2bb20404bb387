"""A shaft of the coupler bench, unwrapped: its size with its limits, its key, taper or spline."""

from dataclasses import dataclass
from typing import Final

from driveline.benches.coupler.sheet import (
    FloatAt,
    ShaftEnd,
    ShaftKind,
    ShaftZone,
    Tip,
)
from driveline.fits.interference import USUAL_SPAN, Span
from driveline.fits.limits import Fit, Limits, limits_within
from driveline.fits.stackup import LIMITS_PER_U
from driveline.joints.sheet import PropertyClass, RegisterFit
from driveline.metal.bolts import Thread, thread
from driveline.reading.measure import is_in_inches
from driveline.results import ToDo
from driveline.shafts.keys import KeyEnds, KeySize, inch_key, standard_key
from driveline.shafts.splines import SplineHub
from driveline.sheet import Length, positive_of, value_of

MEASURED: Final = "as measured"
NEAR_MM: Final = 0.1  # of a whole millimetre, which its bore is then made to


@dataclass(frozen=True, slots=True)
class Sized:
    """A length with its limits either way, where those are known."""

    mm: float
    either_way_mm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class KeyInputs:
    """A key; its section is the standard's where ``is_standard``."""

    size: KeySize | None
    is_standard: bool
    length_mm: float | None
    length: Sized | None
    starts: Sized | None
    ends: KeyEnds | None
    bearing_mpa: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class TaperInputs:
    """A taper and its nut."""

    length_mm: float | None
    one_in: float | None
    nut: Thread | None
    nut_class: PropertyClass | None
    tightening_nm: float | None


@dataclass(frozen=True, slots=True, kw_only=True)
class SplineInputs:
    """A spline."""

    teeth: int | None
    root_mm: float | None
    length: Sized | None
    starts: Sized | None
    hub: SplineHub | None
    hub_teeth: Sized | None


@dataclass(frozen=True, slots=True, kw_only=True)
class ShaftInputs:
    """A shaft's end. ``name`` is its field in the sheet."""

    name: str
    kind: ShaftKind | None
    diameter_mm: float | None
    either_way_mm: float | None  # of its diameter, where it was measured
    zone: ShaftZone | None
    bore_mm: float | None
    stands_out: Sized | None  # below nought behind its face
    end_float_mm: float | None
    read_at: FloatAt | None  # where in it the tip was read
    play_mm: float | None
    least_mm: float | None
    shear_mpa: float | None
    key: KeyInputs
    taper: TaperInputs
    spline: SplineInputs
    span: Span = USUAL_SPAN  # of the job

    @property
    def field(self) -> str:
        """Its path."""
        return f"coupler.{self.name}"

    @property
    def limits(self) -> Limits | None:
        """Of its diameter: as measured, else by its maker's zone; else not known."""
        if self.diameter_mm is None:
            return None
        if self.either_way_mm is not None:
            least, greatest = self.diameter_mm - self.either_way_mm, self.diameter_mm + self.either_way_mm
            return Limits(zone=MEASURED, least_mm=least, greatest_mm=greatest)
        return None if self.zone is None else limits_within(self.diameter_mm, self.zone.value)

    def bore_for(self, stated_mm: float | None) -> float | None:
        """Return the nominal bore that a hub is made to: as stated, else the shaft's own, to a whole mm where near."""
        if stated_mm is not None or self.diameter_mm is None:
            return stated_mm
        whole_mm = float(round(self.diameter_mm))
        return whole_mm if abs(self.diameter_mm - whole_mm) <= NEAR_MM else self.diameter_mm

    def fit_in(self, name: RegisterFit, bore_mm: float | None) -> Fit | None:
        """Return the fit of this shaft, as it is, in a bore of a fit's zone; ``None`` while that is not known."""
        nominal_mm, shaft = self.bore_for(bore_mm), self.limits
        bore = None if nominal_mm is None else limits_within(nominal_mm, name.value.partition("/")[0])
        return None if bore is None or shaft is None else Fit(bore=bore, shaft=shaft)

    @property
    def word(self) -> str:
        """As a sentence has it."""
        return "motor shaft" if self.name == "motor_shaft" else "gearbox shaft"


def sized(length: Length | None) -> Sized | None:
    """Return a length with its limits."""
    if length is None:
        return None
    return Sized(length.mm, None if length.u_mm is None else LIMITS_PER_U * length.u_mm)


def exact_unless_stated(length: Length | None) -> Sized | None:
    """A bought part's length: exact where nobody measured it."""
    found = sized(length)
    return None if found is None else Sized(found.mm, found.either_way_mm or 0.0)


def ask(odd: list[ToDo], field: str, text: str) -> None:
    """Note what can't be, with the field to mend."""
    odd.append(ToDo(field=field, text=text))


def shaft_inputs(end: ShaftEnd, name: str, odd: list[ToDo]) -> ShaftInputs:
    """Return a shaft, unwrapped, and note what of it can't be."""
    field, diameter_mm, bore_mm = f"coupler.{name}", positive_of(end.diameter), value_of(end.bore)
    if diameter_mm is not None and bore_mm is not None and bore_mm >= diameter_mm:
        ask(odd, f"{field}.bore", "A shaft's bore as wide as the shaft leaves nothing of it. Measure both again.")
        bore_mm = None
    spline, root_mm = end.spline, positive_of(end.spline.root)
    if root_mm is not None and diameter_mm is not None and root_mm >= diameter_mm:
        ask(odd, f"{field}.spline.root", "A spline's roots can't be wider than its outside. Measure both again.")
        root_mm = None
    return ShaftInputs(
        name=name,
        kind=end.kind,
        diameter_mm=diameter_mm,
        either_way_mm=None if end.diameter is None or end.diameter.u_mm is None else LIMITS_PER_U * end.diameter.u_mm,
        zone=end.zone,
        bore_mm=bore_mm,
        stands_out=_stands_out(end),
        end_float_mm=value_of(end.end_float),
        read_at=end.read_at,
        play_mm=value_of(end.play),
        least_mm=positive_of(end.least),
        shear_mpa=end.shear_mpa,
        key=_key(end, field, diameter_mm, odd),
        taper=_taper(end, field, diameter_mm, odd),
        spline=SplineInputs(
            teeth=spline.teeth,
            root_mm=root_mm,
            length=sized(spline.length),
            starts=sized(spline.starts),
            hub=spline.hub,
            hub_teeth=sized(spline.hub_teeth),
        ),
    )


def _stands_out(end: ShaftEnd) -> Sized | None:
    """The tip over its face: a reading over a bar has the bar's thickness in it."""
    reading = sized(end.reading)
    bar = sized(end.bar) if end.tip is Tip.RECESSED else Sized(0.0, 0.0)
    if bar is not None and bar.mm == 0:
        bar = Sized(0.0, 0.0)
    if reading is None or bar is None or end.tip is None:
        return None
    limits = None
    if reading.either_way_mm is not None and bar.either_way_mm is not None:
        limits = reading.either_way_mm + bar.either_way_mm
    way = -1.0 if end.tip is Tip.RECESSED else 1.0
    return Sized(way * (reading.mm - bar.mm), limits)


def _key(end: ShaftEnd, field: str, diameter_mm: float | None, odd: list[ToDo]) -> KeyInputs:
    key = end.key
    measured = tuple(positive_of(one) for one in (key.width, key.height, key.shaft_depth))
    size = None
    if all(measured):
        width, height, depth = (float(one or 0.0) for one in measured)
        if diameter_mm is not None and width >= diameter_mm:
            ask(odd, f"{field}.key.width", "A key can't be as wide as its shaft. Measure both again.")
        elif depth >= height:
            ask(
                odd, f"{field}.key.shaft_depth", "A key must stand out of the shaft: it sits less deep than it is high."
            )
        else:
            size = KeySize(width_mm=width, height_mm=height, shaft_depth_mm=depth)
    elif not any(measured) and diameter_mm is not None:
        is_inch = end.diameter is not None and is_in_inches(end.diameter.text)
        size = inch_key(diameter_mm) if is_inch else standard_key(diameter_mm)
    length_mm = positive_of(key.length)
    if size is not None and length_mm is not None and key.ends is KeyEnds.ROUND and length_mm <= size.width_mm:
        ask(odd, f"{field}.key.length", "A key with round ends must be longer than it is wide.")
        length_mm = None
    return KeyInputs(
        size=size,
        is_standard=not any(measured),
        length_mm=length_mm,
        length=exact_unless_stated(key.length) if length_mm is not None else None,
        starts=sized(key.starts),
        ends=key.ends,
        bearing_mpa=key.bearing_mpa,
    )


def _taper(end: ShaftEnd, field: str, diameter_mm: float | None, odd: list[ToDo]) -> TaperInputs:
    taper, length_mm = end.taper, positive_of(end.taper.length)
    if length_mm and taper.one_in and diameter_mm and length_mm / taper.one_in >= diameter_mm:
        ask(odd, f"{field}.taper.length", "The taper would come to a point before its end. Measure it again.")
        length_mm = None
    nut = None
    if taper.nut is not None:
        try:
            nut = thread(taper.nut)
        except ValueError:
            ask(odd, f"{field}.taper.nut", f"{taper.nut} is not a thread known here. Take one such as M16.")
    return TaperInputs(
        length_mm=length_mm,
        one_in=taper.one_in,
        nut=nut,
        nut_class=taper.nut_class,
        tightening_nm=value_of(taper.tightening),
    )
