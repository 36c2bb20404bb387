"""What an order of a bar or a tube still lacks, and where it is entered: what it can't be drawn without comes first."""

from collections.abc import Iterator, Mapping

from driveline.benches.axles.sheet import Bar, BarSpline, Tube
from driveline.figures import fig
from driveline.results import ToDo
from driveline.shafts.spline_forms import spline_forms
from driveline.sheet import positive_of, value_of


def bar_wanted(bar: Bar, field: str) -> tuple[ToDo, ...]:
    """Return what a bar can't be drawn without.

    Args:
        bar: As entered.
        field: Of it.
    """
    ends = (("inner", bar.inner_spline), ("outer", bar.outer_spline))
    needed = {
        "length": ("its length, seat to seat", positive_of(bar.length)),
        "made_to": ("what its length is made to, either way", value_of(bar.made_to)),
        "diameter": ("its diameter", positive_of(bar.diameter)),
    }
    for name, spline in ends:
        needed[f"{name}_spline.outside"] = (f"{name} spline, over its teeth", positive_of(spline.outside))
        needed[f"{name}_spline.length"] = (f"{name} spline, how long", positive_of(spline.length))
    return tuple(_lacking(needed, field))


def bar_unsaid(bar: Bar, field: str) -> tuple[ToDo, ...]:
    """Return what the maker of a bar would have to ask; a form that teeth and diameter speak for is named."""
    ends = (("inner", bar.inner_spline), ("outer", bar.outer_spline))
    asked: dict[str, tuple[str, object]] = {
        "bore": ("its bore, 0 for a solid bar", value_of(bar.bore)),
        "material": ("its material and treatment", bar.material),
        "grooves": ("its circlip grooves", bar.grooves or None),
        "boots": ("its boots", bar.boots or None),
        "part_number": ("its part number", bar.part_number or None),
    }
    for name, spline in ends:
        at = f"{name}_spline"
        asked[f"{at}.teeth"] = (f"{name} spline, how many teeth", spline.teeth)
        asked[f"{at}.form"] = (f"{name} spline, its form{_proposed(spline)}", spline.form or None)
        asked[f"{at}.root"] = (f"{name} spline, diameter at its root", positive_of(spline.root))
        asked[f"{at}.over_pins"] = (f"{name} spline, over pins", positive_of(spline.over_pins))
    return tuple(_lacking(asked, field))


def tube_unsaid(tube: Tube, field: str) -> tuple[ToDo, ...]:
    """Return what the maker of a propshaft would have to ask."""
    asked: dict[str, tuple[str, object]] = {
        "material": ("its material", tube.material),
        "flanges": ("its flanges", tube.flanges or None),
        "part_number": ("its part number", tube.part_number or None),
        "mass": ("its mass, for its balance", value_of(tube.mass)),
    }
    return tuple(_lacking(asked, field))


def _proposed(spline: BarSpline) -> str:
    outside_mm = positive_of(spline.outside)
    if spline.teeth is None or outside_mm is None:
        return ""
    forms = spline_forms(teeth=spline.teeth, outside_mm=outside_mm)
    counted = f"{spline.teeth} teeth on {fig(outside_mm, 'mm')}"
    return f": {counted} would be {' or '.join(forms)}" if forms else f": {counted} is no standard one of 30°"


def _lacking(asked: Mapping[str, tuple[str, object]], field: str) -> Iterator[ToDo]:
    for name, (words, value) in asked.items():
        if value is None:
            yield ToDo(field=f"{field}.{name}", text=words)
