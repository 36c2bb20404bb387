"""Reading back what a person typed."""

from ninja import Schema
from pydantic import Field

from driveline.figures import nearest_fraction
from driveline.reading.measure import LENGTHS, Quantity, Tool, inch_text, measured
from fernback.inputs import Input


class Typed(Input):
    """A field's text with what it measures."""

    text: str = Field(max_length=60)
    quantity: Quantity
    unit: str | None = Field(default=None, max_length=10)
    tool: Tool | None = None


class ReadBack(Schema):
    """What the text was read as."""

    value: float
    unit: str
    u: float | None
    inch: str | None
    fraction: str | None
    fraction_error_mm: float | None


def read_back(typed: Typed) -> ReadBack:
    """Return what a typed text was read as.

    Raises:
        UnreadableMeasurement: If it can't be; it says what to type.
    """
    read = measured(typed.text, typed.quantity, default_unit=typed.unit, tool=typed.tool)
    is_length = typed.quantity in LENGTHS
    fraction = nearest_fraction(read.value, 64) if is_length else None
    return ReadBack(
        value=read.value,
        unit=read.unit,
        u=read.u,
        inch=inch_text(read.value) if is_length else None,
        fraction=None if fraction is None else fraction.text,
        fraction_error_mm=None if fraction is None else fraction.error_mm,
    )
