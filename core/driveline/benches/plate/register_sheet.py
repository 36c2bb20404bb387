"""Registers: what motor and gearbox have to be located by, and what the plate is given for it."""

from typing import Annotated

from pydantic import Field

from driveline.flat.seats import Mate, SeatKind
from driveline.joints.sheet import RegisterFit
from driveline.sheet import Length, Sheet
from driveline.words import Choice


class Facing(Choice):
    """Which side of the plate."""

    MOTOR = "motor", "motor side"
    GEARBOX = "gearbox", "gearbox side"


class OwnRegister(Sheet):
    """What a face has to be located by, as measured."""

    size: Length | None = Field(default=None, description="Its diameter")
    kind: Mate | None = None
    depth: Length | None = Field(default=None, description="How far it stands out of the face, or how deep it is")


class Register(Sheet):
    """A register of the plate, made to a fit."""

    size: Length
    fit: RegisterFit = RegisterFit.H7_G6
    side: Facing | None = None
    kind: SeatKind | None = None
    depth: Annotated[Length | None, Field(description="Of its bore; how far a spigot or ring stands out")] = None
    chamfer: Length | None = Field(default=None, description="At its mouth and at a spigot's end; 0 for none")
    ring_outside: Length | None = Field(default=None, description="Diameter that the ring sits in")
    ring_depth: Length | None = Field(default=None, description="How deep the ring sits in the plate")
    ring_inside: Length | None = Field(default=None, description="What passes through a ring that stands out")
