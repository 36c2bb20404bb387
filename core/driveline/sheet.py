"""What all sheets share: nothing unknown is let in, and a reading keeps its text."""

import re
from typing import Annotated, ClassVar, Final, Self

from pydantic import BaseModel, ConfigDict, Field, PrivateAttr, StringConstraints, field_validator, model_validator

from driveline.reading.measure import LEAST_U, Measured, Quantity, Tool, measured

Words = Annotated[str, StringConstraints(max_length=2000, strip_whitespace=True)]
Name = Annotated[str, StringConstraints(min_length=1, max_length=80, strip_whitespace=True)]

_NOT_KEPT: Final = re.compile("[\0\ud800-\udfff]")


def shown(value: object) -> object:
    """Return what came in, or refuse text that no screen shows and no database keeps.

    Raises:
        ValueError: If it is text with a NUL or half of a character in it.
    """
    if isinstance(value, str) and _NOT_KEPT.search(value):
        raise ValueError("A character in it can't be shown or kept. Type it again.")
    return value


class Sheet(BaseModel):
    """Base of every sheet."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False, frozen=True)

    is_wish: ClassVar[bool] = False  # says what is wanted, not what is

    @field_validator("*")
    @classmethod
    def _shown(cls, value: object) -> object:
        return shown(value)


class Reading(Sheet):
    """A measurement as typed. ``unit`` is the unit meant by a bare number; empty means the field's own."""

    quantity: ClassVar[Quantity]
    may_be_negative: ClassVar[bool] = False

    text: Annotated[str, StringConstraints(max_length=60)] = Field(description="As typed, such as 8 1/4 in")
    unit: Annotated[str, StringConstraints(max_length=10)] | None = None
    tool: Tool | None = None
    u: float | None = Field(default=None, ge=LEAST_U, le=1e6, description="Standard uncertainty in the field's unit")
    _measured: Measured = PrivateAttr()

    @model_validator(mode="after")
    def _read(self) -> Self:
        self._measured = measured(self.text, self.quantity, default_unit=self.unit, tool=self.tool, u=self.u)
        if self._measured.value < 0 and not self.may_be_negative:
            raise ValueError(f"“{self.text}” is below zero. Type it without the minus sign.")
        return self

    @property
    def measured(self) -> Measured:
        """The value with its uncertainty."""
        return self.__pydantic_private__["_measured"]  # type: ignore[index,no-any-return]  # ten times as fast as by its name


class LibraryRef(Sheet):
    """The shop's library part that something in a job was copied from, and its revision then."""

    part: Annotated[str, StringConstraints(min_length=1, max_length=40)]
    revision: Annotated[int, Field(ge=1)]


def value_of(reading: Reading | None) -> float | None:
    """Return a reading's value in its field's unit; ``None`` when nothing was entered."""
    return None if reading is None else reading.measured.value


def positive_of(reading: Reading | None) -> float | None:
    """Return a reading's value, or ``None`` when nothing or zero was entered: a size of 0 is not a size."""
    value = value_of(reading)
    return value if value else None


class Length(Reading):
    """A length; mm unless it says otherwise."""

    quantity = Quantity.LENGTH

    @classmethod
    def of_mm(cls, mm: float) -> Self:
        """Return a length as it would be typed: one that is tried, not measured."""
        return cls(text=f"{mm:g} mm")

    @property
    def mm(self) -> float:
        """The length in mm."""
        return self.measured.value

    @property
    def u_mm(self) -> float | None:
        """Its standard uncertainty in mm; ``None`` when neither it nor the tool is stated."""
        return self.measured.u


class VehicleLength(Length):
    """A length of a vehicle: wheelbase, track, roll-out."""

    quantity = Quantity.VEHICLE_LENGTH


class Coordinate(Length):
    """A length along an axis, either way."""

    may_be_negative = True


class Angle(Reading):
    """An angle in degrees, anticlockwise above zero."""

    quantity = Quantity.ANGLE
    may_be_negative = True

    @property
    def deg(self) -> float:
        """The angle in degrees."""
        return self.measured.value


class Slant(Angle):
    """An angle without a side."""

    may_be_negative = False


class Torque(Reading):
    """A torque; N·m unless it says otherwise."""

    quantity = Quantity.TORQUE

    @classmethod
    def of_nm(cls, nm: float) -> Self:
        """Return a torque as it would be typed: one that is tried, not measured."""
        return cls(text=f"{nm:g} N·m")

    @property
    def nm(self) -> float:
        """The torque in N·m."""
        return self.measured.value


class Spin(Reading):
    """A speed of turning, rpm."""

    quantity = Quantity.SPIN

    @property
    def rpm(self) -> float:
        """The speed in rpm."""
        return self.measured.value


class RoadSpeed(Reading):
    """A road speed; km/h unless it says otherwise."""

    quantity = Quantity.ROAD_SPEED

    @property
    def kmh(self) -> float:
        """The speed in km/h."""
        return self.measured.value


class Mass(Reading):
    """A mass; kg unless it says otherwise."""

    quantity = Quantity.MASS

    @property
    def kg(self) -> float:
        """The mass in kg."""
        return self.measured.value


class VehicleMass(Mass):
    """The mass of a vehicle, or of what stands on an axle."""

    quantity = Quantity.VEHICLE_MASS


class Power(Reading):
    """A power; kW unless it says otherwise."""

    quantity = Quantity.POWER

    @property
    def kw(self) -> float:
        """The power in kW."""
        return self.measured.value


class Ratio(Reading):
    """Input speed over output speed: 4.11, or teeth as 37/9."""

    quantity = Quantity.RATIO

    @model_validator(mode="after")
    def _within_reason(self) -> Self:
        if not 0.1 <= self.measured.value <= 50:
            raise ValueError(
                f"A ratio of {self.measured.value:g} is not a driveline's. "
                "Type input turns over output turns, such as 4.11."
            )
        return self

    @property
    def value(self) -> float:
        """The ratio."""
        return self.measured.value
