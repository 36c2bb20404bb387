"""What every body that comes in has in common."""

from ninja import Schema
from pydantic import ConfigDict, field_validator

from driveline.sheet import shown


class Input(Schema):
    """Base of every body: nothing unknown, no NaN."""

    model_config = ConfigDict(extra="forbid", allow_inf_nan=False)

    @field_validator("*")
    @classmethod
    def _shown(cls, value: object) -> object:
        return shown(value)
