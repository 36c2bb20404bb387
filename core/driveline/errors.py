"""What the core raises. A poor design is a result, not an error; these are for what can't be."""

from collections.abc import Sequence


class DrivelineError(Exception):
    """Base of everything the core raises on purpose."""


class ImpossibleInput(DrivelineError, ValueError):
    """A part that can't exist: a wall thicker than its tube, a ratio of zero.

    Value and rule carry figures as sentences do (``fig``), for the reader's units.
    """

    def __init__(self, field: str, value: object, rule: str) -> None:
        super().__init__(field, value, rule)
        self.field, self.value, self.rule = field, value, rule

    def __str__(self) -> str:
        value = self.value
        if isinstance(value, tuple | list):
            value = ", ".join(f"{one:.6g}" if isinstance(one, float) else str(one) for one in value)
        return f"{self.field.removesuffix('_mm')} is {value}; it must be {self.rule}"


class UnreadableMeasurement(DrivelineError, ValueError):
    """Text that can't be read as the quantity its field wants."""

    def __init__(self, text: str, problem: str, fix: str) -> None:
        super().__init__(text, problem, fix)
        self.text, self.problem, self.fix = text, problem, fix

    def __str__(self) -> str:
        return f"{self.problem} {self.fix}"


class NotDrawnYet(DrivelineError, LookupError):
    """A part that can't be drawn: something is still to be measured, or the build-up has no such part."""

    def __init__(self, to_do: str) -> None:
        super().__init__(to_do)
        self.to_do = to_do

    def __str__(self) -> str:
        return f"That part can't be drawn yet: {self.to_do or 'the build-up has none of that name.'}"


class UnknownFeature(DrivelineError, LookupError):
    """A feature that a released part does not have."""

    def __init__(self, feature: str) -> None:
        super().__init__(feature)
        self.feature = feature

    def __str__(self) -> str:
        return f"The released drawing has no {self.feature}. Measure one of its holes."


class NoLetterLeft(DrivelineError, LookupError):
    """A part whose revision letters are used up."""

    def __init__(self, letter: str) -> None:
        super().__init__(letter)
        self.letter = letter

    def __str__(self) -> str:
        return f"Revision {self.letter} is the last there is. Give the part a new number in a copy of the job."


class RecordsFull(DrivelineError):
    """A job that holds as many records of a kind as are taken."""

    def __init__(self, what: str, most: int) -> None:
        super().__init__(what, most)
        self.what, self.most = what, most

    def __str__(self) -> str:
        return (
            f"This job holds {self.most} {self.what}, as many as are taken. Go on in a copy of it; nothing was changed."
        )


def field_path(place: Sequence[object]) -> str:
    """Return where in a job something is wrong, as checks and work to do name their fields: ``brief.tyre.roll_out``.

    Args:
        place: As pydantic has it, from the job or its sheets down.
    """
    parts = [str(part) for part in place]
    return ".".join(parts[1:] if parts[:1] == ["sheets"] else parts)


class NotWantedAnyMore(DrivelineError):
    """A long sum that was given up half way: whoever asked for it has asked for something newer."""
