"""A part that is ordered by its sizes: a bar, a tube. It has no holes and no sides, and is measured by its sizes."""

from dataclasses import dataclass
from typing import Literal

from driveline.checks import Result
from driveline.drawing.model import Drawing
from driveline.drawing.order import OrderLine, order_sheet
from driveline.figures import written
from driveline.parts.made import FlatPart
from driveline.results import ToDo


@dataclass(frozen=True, slots=True, kw_only=True)
class Size:
    """A size that it is measured by when it comes, and what goes wrong if it is off."""

    key: str
    title: str
    mm: float
    allowed_mm: float
    left_mm: float | None = None  # room that being off takes from
    left_of: str = ""  # what that is: "plunge"


@dataclass(frozen=True, kw_only=True)
class OrderedPart:
    """A part as its maker is to make it."""

    key: str  # a slug, ``bench.part``
    title: str
    number: str
    quantity: int
    material: str
    drawing: Drawing  # to scale, from the side
    sizes: tuple[Size, ...]
    lines: tuple[OrderLine, ...]  # everything that its maker must know
    asks: tuple[str, ...]  # what its maker must confirm
    wanted: tuple[ToDo, ...] = ()  # what its maker would have to ask, and where it is entered
    guards: str = ""  # checks whose keys begin so hold back its release; empty: all that do of its bench
    held_back: str = ""  # why it may not be released, where it may not

    @property
    def bench(self) -> str:
        """The bench that it is of."""
        return self.key.split(".")[0]

    def sheet(self, job_name: str, revision: str) -> Drawing:
        """Return its order sheet."""
        head = (("part number", self.number or "not given"), ("revision", revision), ("quantity", str(self.quantity)))
        missing = "; ".join(one.text for one in self.wanted)
        asks = (*self.asks, f"Not stated yet: {missing}.") if missing else self.asks
        return order_sheet(f"{job_name}: {self.title.lower()}", self.drawing, head, self.lines, asks)

    def order(self, job_name: str, revision: str) -> "Order":
        """Return it as data, for a maker who reads it in."""
        return Order(
            job=job_name,
            part=self.key,
            title=self.title,
            number=self.number,
            revision=revision,
            quantity=self.quantity,
            material=self.material,
            sizes=tuple(
                OrderedSize(key=one.key, title=one.title, mm=one.mm, either_way_mm=one.allowed_mm) for one in self.sizes
            ),
            lines=tuple(
                OrderLine(label=one.label, value=written(one.value), how=written(one.how)) for one in self.lines
            ),
            to_confirm=tuple(written(one) for one in self.asks),
        )


class OrderedSize(Result):
    """A size that the part is measured by when it comes."""

    key: str
    title: str
    mm: float
    either_way_mm: float


class Order(Result):
    """An order of a turned part, NAME.order.json; what is written in words is metric."""

    format: Literal["fernback-order"] = "fernback-order"
    version: Literal[1] = 1
    job: str
    part: str
    title: str
    number: str
    revision: str
    quantity: int
    material: str
    sizes: tuple[OrderedSize, ...]
    lines: tuple[OrderLine, ...]
    to_confirm: tuple[str, ...]


MadePart = FlatPart | OrderedPart
