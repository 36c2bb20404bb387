"""Build records of a job: what was released to be made, and what came back. Never edited, only added to."""

import hashlib
from typing import Annotated, Final, Literal

from pydantic import Field, StringConstraints

from driveline.drawing.model import Drawing
from driveline.errors import RecordsFull
from driveline.sheet import Length, Sheet, Words

MOST_HOLES: Final = 400
MOST_RELEASES: Final = 100  # taken at the door; what was kept before is read beyond it
MOST_DELIVERIES: Final = 200
READ_BEYOND: Final = 5  # times as many, so that a job that holds more already stays readable
PartKey = Annotated[str, StringConstraints(pattern=r"^[a-z][a-z0-9_]*(\.[a-z][a-z0-9_]*)+$", max_length=80)]
Letter = Annotated[str, StringConstraints(pattern=r"^[A-Z]{1,2}$")]
Person = Annotated[str, StringConstraints(min_length=1, max_length=150)]
Sha256 = Annotated[str, StringConstraints(pattern=r"^[0-9a-f]{64}$")]
Moment = Annotated[str, StringConstraints(pattern=r"^\d{4}-\d\d-\d\dT\d\d:\d\d(:\d\d(\.\d+)?)?(Z|[+-]\d\d:\d\d)$")]
Seen = Literal["first", "second"]


class FrozenReading(Sheet):
    """A survey reading as it stood."""

    label: Annotated[str, StringConstraints(max_length=60)]
    kind: Annotated[str, StringConstraints(max_length=20)]
    value_mm: float
    left_out: bool = False


class FrozenHole(Sheet):
    """A line of the hole table as it stood."""

    id: Annotated[str, StringConstraints(max_length=20)]
    kind: Annotated[str, StringConstraints(max_length=20)]
    x_mm: float
    y_mm: float
    radius_mm: float
    angle_deg: float
    left_mm: float
    bottom_mm: float
    finished_mm: float
    cut_mm: float | None = None
    made: Annotated[str, StringConstraints(max_length=60)]
    sure_mm: float | None = None


class FrozenSize(Sheet):
    """A size of an ordered part as it stood."""

    key: Annotated[str, StringConstraints(max_length=40)]
    title: Annotated[str, StringConstraints(max_length=80)]
    mm: float
    allowed_mm: float
    left_mm: float | None = None
    left_of: Annotated[str, StringConstraints(max_length=40)] = ""


class FrozenLine(Sheet):
    """A line of an order as it stood."""

    label: Annotated[str, StringConstraints(max_length=120)]
    value: Annotated[str, StringConstraints(max_length=400)]
    how: Annotated[str, StringConstraints(max_length=400)] = ""


class Brought(Sheet):
    """That a record came with a job file: it was not signed here."""

    by: Person = Field(description="Who brought the file")
    at: Moment
    file_sha256: Sha256


class Signed(Sheet):
    """A record with whose it is."""

    by: Person
    at: Moment
    brought: Brought | None = None

    @property
    def signed(self) -> str:
        """Whose it is, in words; what came with a file only says so."""
        if self.brought is None:
            return self.by
        return f"{self.by}, by a file that {self.brought.by} brought; not signed here"


class Release(Signed):
    """A part as it was released: its drawing, the very bytes for the cutter, and the readings that it hung on."""

    part: PartKey
    letter: Letter
    revision: Annotated[int, Field(ge=1)] = Field(description="Revision of the job that it was drawn from")
    side: Seen = Field(description="The side that the cut file shows, confirmed when it was released")
    seen_from: Annotated[str, StringConstraints(max_length=40)] = Field(default="", description="That side, in words")
    drawing: Drawing = Field(description="From its first side, without kerf")
    dxf: Annotated[str, StringConstraints(max_length=400_000)]
    sha256: Sha256
    sheet: Drawing | None = Field(default=None, description="Dimensioned, from the same side; not kept in old releases")
    holes: Annotated[list[FrozenHole], Field(max_length=MOST_HOLES)] = []
    sizes: Annotated[list[FrozenSize], Field(max_length=40, description="Of a part that is ordered")] = []
    order: Annotated[list[FrozenLine], Field(max_length=60, description="Of a part that is ordered")] = []
    thickness_mm: float | None = None
    material: Words = ""
    process: Annotated[str, StringConstraints(max_length=20)] = ""
    readings: Annotated[list[FrozenReading], Field(max_length=1000)] = []
    note: Words = ""

    @property
    def is_whole(self) -> bool:
        """Whether its cut file is the very one that its hash was taken of."""
        return hashlib.sha256(self.dxf.encode()).hexdigest() == self.sha256


class Measure(Sheet):
    """A feature of a delivered part, measured."""

    kind: Literal["diameter", "inside", "outside", "distance", "thickness", "size"]
    a: Annotated[str, StringConstraints(max_length=40)] = ""
    b: Annotated[str, StringConstraints(max_length=12)] = ""
    reading: Length


class Incoming(Signed):
    """A delivered part, measured against its release and signed for."""

    part: PartKey
    letter: Letter
    runs_as_drawn: bool = Field(description="Engraved side up, the holes are numbered as on the drawing: not mirrored")
    measures: Annotated[list[Measure], Field(max_length=60)] = []
    accepted: bool
    why: Words = ""


class BuildRecords(Sheet):
    """All releases and deliveries, in order."""

    releases: Annotated[list[Release], Field(max_length=READ_BEYOND * MOST_RELEASES)] = []
    incoming: Annotated[list[Incoming], Field(max_length=READ_BEYOND * MOST_DELIVERIES)] = []

    def brought(self, came: Brought) -> "BuildRecords":
        """Return them marked as what came with a job file, whatever they say of themselves."""
        return BuildRecords(
            releases=[one.model_copy(update={"brought": came}) for one in self.releases],
            incoming=[one.model_copy(update={"brought": came}) for one in self.incoming],
        )

    def require_room_for_release(self) -> None:
        """Refuse one more release where there are as many as are taken.

        Raises:
            RecordsFull: If so.
        """
        if len(self.releases) >= MOST_RELEASES:
            raise RecordsFull("releases", MOST_RELEASES)

    def require_room_for_delivery(self) -> None:
        """Refuse one more delivery where there are as many as are taken.

        Raises:
            RecordsFull: If so.
        """
        if len(self.incoming) >= MOST_DELIVERIES:
            raise RecordsFull("deliveries", MOST_DELIVERIES)

    def newest(self, part: str) -> Release | None:
        """Return the newest release of a part."""
        return next((one for one in reversed(self.releases) if one.part == part), None)
