"""A whole bench: its sheet, its part, its check, its result, and the line that registers it."""

from driveline.benches.contract import Bench, Given, LaidOut, Outcome, progress_of
from driveline.checks import Result
from driveline.drawing.hole import PlateHole
from driveline.flat.outline import CircleEdge
from driveline.job.benches import RATIOS
from driveline.margins import Judge, missing_of
from driveline.parts.made import FlatPart, Stock
from driveline.results import ToDo
from driveline.shafts.coupler import CouplerStyle
from driveline.sheet import Length, Sheet, positive_of

STOCK = Stock(number="", quantity=1, material="", made_of=None, process="laser", kerf_mm=0.0, sheet_mm=None)


class ShelfSheet(Sheet):
    """What is entered."""

    width: Length | None = None


class ShelfResult(Result):
    """What is shown."""

    width_mm: float | None
    coupler: CouplerStyle | None


def lay_out(sheet: ShelfSheet) -> LaidOut:
    width_mm = positive_of(sheet.width)
    if width_mm is None:
        return LaidOut(to_do=(ToDo(field="shelf.width", text="Measure how wide the shelf may be."),))
    edge = CircleEdge(width_mm / 2)
    places = ((0.3, 0.0), (-0.2, 0.25), (-0.2, -0.25))
    holes = tuple(
        PlateHole(id=f"E{k + 1}", kind="shelf", x_mm=x * width_mm, y_mm=y * width_mm, finished_mm=9.0, cut_mm=9.0)
        for k, (x, y) in enumerate(places)
    )
    shelf = FlatPart(
        key="shelf.top",
        title="Shelf",
        short="SHELF",
        holes=holes,
        edge=edge,
        vertices=edge.vertices,
        thickness_mm=5.0,
        faces=("CONTROLLER", "FRAME"),
        sides=("above", "below"),
        look_at="frame",
        stock=STOCK,
    )
    return LaidOut(parts=(shelf,))


def run(sheet: ShelfSheet, laid: LaidOut, coupler: CouplerStyle | None, judge: Judge) -> Outcome[None]:
    width_mm = positive_of(sheet.width)
    wide = judge.check(
        "clearance",
        key="shelf.width",
        title="Shelf wide enough",
        demand=200.0,
        capacity=width_mm,
        unit="mm",
        missing=missing_of({"Width of the shelf": width_mm}),
        inputs=("shelf.width",),
    )
    return Outcome(
        solved=None,
        show=lambda: ShelfResult(width_mm=width_mm, coupler=coupler),
        check=lambda: (wide.model_copy(update={"guards_release": True}),),
        to_do=laid.to_do,
        progress=progress_of(is_begun=width_mm is not None, is_finished=bool(laid.parts)),
        parts=laid.parts,
    )


def needs(given: Given) -> CouplerStyle | None:
    return given.solved(RATIOS).coupler


SHELF = Bench[ShelfSheet, LaidOut, CouplerStyle | None, None](
    key="shelf",
    title="Shelf",
    word="shelf",
    letter="s",
    sheet=ShelfSheet,
    result=ShelfResult,
    lay_out=lay_out,
    needs=needs,
    run=run,
)
