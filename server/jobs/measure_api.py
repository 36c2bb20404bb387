"""Reading what a person types, as they type it."""

from django.http import HttpRequest
from ninja import Router, Schema
from pydantic import Field

from driveline.measure import Quantity, Tool, inch_text, measured, nearest_fraction
from fernback.problems import Problem
from jobs.schemas import Input

router = Router(tags=["measure"])


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


@router.post("", response={200: ReadBack, 422: Problem}, operation_id="measure_read")
def read_typed(request: HttpRequest, payload: Typed) -> ReadBack:  # noqa: ARG001 - ninja passes it
    """Read a measurement as typed; a refusal says what is wrong and what to type."""
    read = measured(payload.text, payload.quantity, default_unit=payload.unit, tool=payload.tool)
    is_length = payload.quantity is Quantity.LENGTH
    fraction = nearest_fraction(read.value, 64) if is_length else None
    return ReadBack(
        value=read.value,
        unit=read.unit,
        u=read.u,
        inch=inch_text(read.value) if is_length else None,
        fraction=fraction and fraction.text,
        fraction_error_mm=fraction and fraction.error_mm,
    )
