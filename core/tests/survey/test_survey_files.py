"""Survey files: good ones read alike, and thirty-odd bad ones refused with the row and the fix, or mended and said."""

import io
import math
from collections.abc import Callable, Sequence
from unittest import TestCase

import ezdxf.filemanagement
from ezdxf.document import Drawing
from hypothesis import given, settings
from hypothesis import strategies as st

from driveline.reading.csv_in import UnreadableFile
from driveline.reading.dxf_in import GREATEST_BYTES as GREATEST_DXF
from driveline.reading.measure import Tool
from driveline.survey.files import SurveyFile, read_survey_csv, read_survey_dxf
from driveline.survey.files.table import GREATEST_BYTES
from driveline.survey.sheet import Side, Survey
from driveline.survey.solve import solve_survey
from tests.demo import demo_json

EMPTY = Survey()
KNOWN = Survey.model_validate({"holes": [{"id": f"H{k}", "diameter": {"text": "10"}} for k in (1, 2, 3)]})
HEAD = "kind,from,to,reading,unit,tool,u_mm\n"
GOOD = HEAD + "hole,H1,,10.5,,caliper,\nhole,H2,,10.5,,,\ninside,H1,H2,92.4,mm,caliper,0.05\nradius,H1,C,6 1/4,in,,\n"
POINTS = "id,x_mm,y_mm,diameter_mm\nH1,150,0,10.5\nH2,0,150,10.5\nH3,-150,0,12.2\n"
GOOD_FORMS = [  # name, file, readings, first reading in mm
    ("commas", GOOD, 2, 92.4),
    ("semicolons and decimal commas", GOOD.replace(",", ";").replace("92.4", "92,4"), 2, 92.4),
    ("tabs", GOOD.replace(",", "\t"), 2, 92.4),
    ("byte order mark", "\ufeff" + GOOD, 2, 92.4),
    ("other names of columns", GOOD.replace("from,to,reading", "a,b,value"), 2, 92.4),
    ("blank rows and remarks", GOOD.replace("hole,H2", "\n# by the door\nhole,H2"), 2, 92.4),
    ("points", POINTS, 6, 150.0),
    ("points in inches", POINTS.replace("_mm", " (in)").replace("150", "5.90551").replace("10.5", "0.413"), 6, 150.0),
    ("axes", HEAD.strip() + ",frame,edge\nx,H1,,-12.5,,,,square,low\ny,C,,40,,,,,\n", 2, -12.5),
]
BAD_TABLES = [  # name, file, survey, words of the refusal
    ("empty", "", KNOWN, "empty"),
    ("no header", "inside,H1,H2,92.4\n", KNOWN, "names no columns"),
    ("unknown header", "colour,size\nred,9\n", KNOWN, "not known"),
    ("unknown kind", HEAD + "diagonal,H1,H2,92\n", KNOWN, "Row 2: “diagonal” is not a kind"),
    ("unknown hole", HEAD + "inside,H1,H9,92\n", KNOWN, "Row 2: H9 is not among the holes"),
    ("to itself", HEAD + "inside,H1,H1,92\n", KNOWN, "from H1 to itself"),
    ("a name nobody types", HEAD + "inside,H1,=cmd(),92\n", KNOWN, "not a hole's name"),
    ("text for a figure", HEAD + "inside,H1,H2,about 9\n", KNOWN, "Row 2: “about 9” does not start with a number"),
    ("wrong unit", HEAD + "inside,H1,H2,92,kg\n", KNOWN, "unit of mass"),
    ("a unit nobody knows", HEAD + "inside,H1,H2,92,furlong\n", KNOWN, "not a unit known here"),
    ("not a number", HEAD + "inside,H1,H2,nan\n", KNOWN, "does not start with a number"),
    ("huge", HEAD + "inside,H1,H2,99999999\n", KNOWN, "too large"),
    ("farther than any flange", HEAD + "inside,H1,H2,9 m\n", KNOWN, "farther out"),
    ("zero", HEAD + "inside,H1,H2,0\n", KNOWN, "a reading of 0"),
    ("below zero", HEAD + "inside,H1,H2,-92\n", KNOWN, "not a length above zero"),
    ("unknown tool", HEAD + "inside,H1,H2,92,mm,laser\n", KNOWN, "not a tool known here"),
    ("u of nothing", HEAD + "inside,H1,H2,92,mm,,0\n", KNOWN, "not above zero"),
    ("a hole twice", HEAD + "hole,H1,,10\n", KNOWN, "named twice"),
    ("a hole of no size", HEAD + "hole,H7,,0\n", KNOWN, "is no hole's"),
    ("an edge nobody knows", HEAD.strip() + ",edge\nx,H1,,5,,,,top\n", KNOWN, "low, centre or high"),
    ("points: twice", POINTS + "H1,1,1,10\n", EMPTY, "Row 5: H1 comes twice"),
    ("points: one only", "id,x_mm,y_mm\nH1,1,2\n", KNOWN, "fewer than two"),
    ("points: infinite", POINTS.replace("150,0,10.5", "inf,0,10.5"), EMPTY, "Row 2: “inf” is not a figure"),
    ("points: metres away", POINTS.replace("150,0,10.5", "150000,0,10.5"), EMPTY, "farther out"),
    ("points: zero size", POINTS.replace("12.2", "0"), EMPTY, "is no hole's"),
    ("points: size missing", POINTS.replace(",12.2", ","), EMPTY, "no diameter is given"),
    ("points: no y", "id,x_mm,diameter_mm\nH1,1,10\n", EMPTY, "not all there"),
    ("points: a bad name", POINTS.replace("H3", "hole number 3"), EMPTY, "not a hole's name"),
    (
        "too many holes",
        "id,x_mm,y_mm,diameter_mm\n" + "".join(f"P{k},{k},0,5\n" for k in range(80)),
        EMPTY,
        "more than 60",
    ),
    ("too many rows", "id,x_mm,y_mm\n" + "H1,0,0\n" * 6000, EMPTY, "6001 rows"),
]


def table(text: str, survey: Survey = EMPTY) -> SurveyFile:
    return read_survey_csv(text.encode(), survey=survey, frame="file")


class TableTest(TestCase):
    def test_every_good_form_is_read(self) -> None:
        for name, text, count, first_mm in GOOD_FORMS:
            with self.subTest(name):
                found = table(text, KNOWN if name == "axes" else EMPTY)
                self.assertEqual(len(found.readings), count)
                reading = found.readings[0]
                assert reading.kind != "sweep"
                self.assertAlmostEqual(reading.reading.mm, first_mm, places=2)

    def test_points_named_outline_go_round_the_flange(self) -> None:
        corners = "".join(f"outline,{x},{y},\n" for x, y in [(-160, -160), (160, -160), (0, 170)])
        outline = table(POINTS + corners).outline
        assert outline is not None
        self.assertEqual([(one.x_mm, one.y_mm) for one in outline.points], [(-160, -160), (160, -160), (0, 170)])
        with self.assertRaisesRegex(UnreadableFile, "outline has 1 points"):
            table(POINTS + "outline,1,2,\n")

    def test_what_is_read_is_kept_as_typed_with_its_tool(self) -> None:
        first, second = table(GOOD).readings
        assert first.kind != "sweep" and second.kind != "sweep"
        self.assertEqual((first.reading.text, first.reading.tool, first.reading.u_mm), ("92.4 mm", Tool.CALIPER, 0.05))
        self.assertEqual(second.reading.text, "6 1/4 in")

    def test_every_bad_one_is_refused_with_the_row(self) -> None:
        for name, text, survey, words in BAD_TABLES:
            with self.subTest(name), self.assertRaises(UnreadableFile) as caught:
                table(text, survey)
            self.assertIn(words, str(caught.exception), name)

    def test_bytes_that_are_no_table(self) -> None:
        for data in (b"\x89PNG\0\0", b"a" * (GREATEST_BYTES + 1)):
            with self.assertRaises(UnreadableFile):
                read_survey_csv(data, survey=EMPTY, frame="file")

    @settings(max_examples=60, deadline=None)
    @given(st.one_of(st.binary(max_size=200), st.text(max_size=120).map(lambda text: (HEAD + text).encode())))
    def test_no_bytes_break_it(self, data: bytes) -> None:
        try:
            read_survey_csv(data, survey=KNOWN, frame="file")
        except UnreadableFile as error:
            self.assertTrue(error.problem and error.fix)


def drawn(holes: Sequence[tuple[float, float, float]], unit: int = 4) -> Drawing:
    document = ezdxf.filemanagement.new("R2010")
    document.header["$INSUNITS"] = unit
    for x, y, diameter in holes:
        document.modelspace().add_circle((x, y), diameter / 2)
    return document


def data_of(document: Drawing) -> bytes:
    stream = io.StringIO()
    document.write(stream)
    return stream.getvalue().encode()


def dxf(data: bytes, survey: Survey = EMPTY, seen_from: Side = Side.ENGINE) -> SurveyFile:
    return read_survey_dxf(data, survey=survey, frame="drawing", seen_from=seen_from)


RING = [(120 * math.cos(math.radians(a)), 120 * math.sin(math.radians(a)), 10.0 + a / 100) for a in (10, 70, 160, 250)]


def with_circle(x: float, y: float, diameter: float) -> bytes:
    return data_of(drawn([*RING, (x, y, diameter)]))


def crowded() -> bytes:
    document = drawn(RING)
    for k in range(5200):
        document.modelspace().add_point((k, 0))
    return data_of(document)


def blocks_in_blocks() -> bytes:
    """A block of a circle, ten of it in the next, and so on: 10 to the twelfth circles, were they opened."""
    document = drawn([])
    document.blocks.new("BOMB").add_circle((0, 0), 5)
    for level in range(12):
        outer = document.blocks.new(f"BOMB{level}")
        for _ in range(10):
            outer.add_blockref("BOMB" if level == 0 else f"BOMB{level - 1}", (0, 0))
    document.modelspace().add_blockref("BOMB11", (0, 0))
    return data_of(document)


BAD_DRAWINGS: list[tuple[str, Callable[[], bytes], str]] = [
    ("a hole of no size", lambda: with_circle(0, 0, 0), "is no hole's"),
    ("a circle a mile away", lambda: with_circle(1_600_000, 0, 10), "out of all measure"),
    ("no circles", lambda: data_of(drawn([])), "fewer than two circles"),
    ("one hole", lambda: data_of(drawn(RING[:1])), "fewer than two circles"),
    ("bores only", lambda: data_of(drawn([(0, 0, 200), (300, 0, 200)])), "fewer than two bolt holes"),
    ("too many entities", crowded, "entities"),
    ("in light years", lambda: data_of(drawn(RING, 19)), "unit"),
    ("cut short", lambda: data_of(drawn(RING))[:3000], "can't be read"),
    ("blocks in blocks", blocks_in_blocks, "fewer than two circles"),
]


class DrawingTest(TestCase):
    def test_holes_are_numbered_round_from_three_oclock_in_a_frame(self) -> None:
        found = dxf(data_of(drawn([*reversed(RING), (0, 0, 130.0)])))
        self.assertEqual([hole.id for hole in found.holes], ["H1", "H2", "H3", "H4", "B1"])
        self.assertTrue(found.holes[-1].is_bore)
        first = found.readings[0]
        assert first.kind == "x"
        self.assertAlmostEqual(first.reading.mm, RING[0][0], places=3)
        self.assertIn("No closed outline", " ".join(found.notes))

    def test_inches_centimetres_and_no_unit(self) -> None:
        for unit, per_mm, words in [(1, 25.4, "turned into"), (5, 10.0, "turned into"), (0, 1.0, "states no unit")]:
            found = dxf(data_of(drawn([(x / per_mm, y / per_mm, d / per_mm) for x, y, d in RING], unit)))
            self.assertAlmostEqual(found.holes[0].diameter.mm, RING[0][2], places=2)
            self.assertIn(words, " ".join(found.notes))

    def test_circles_about_one_centre_are_one_hole(self) -> None:
        found = dxf(data_of(drawn([*RING, (RING[0][0], RING[0][1], 18.0)])))
        self.assertEqual(len(found.holes), 4)
        self.assertIn("smallest was taken", " ".join(found.notes))

    def test_an_outline_of_a_polyline_or_of_loose_lines_and_arcs(self) -> None:
        document = drawn(RING)
        bulged = [(-150, -150, 0), (150, -150, 1), (150, 150, 0), (-150, 150, 0)]
        document.modelspace().add_lwpolyline(bulged, format="xyb", close=True)
        outline = dxf(data_of(document)).outline
        assert outline is not None
        self.assertAlmostEqual(max(point.x_mm for point in outline.points), 300, delta=0.1)
        loose = drawn(RING)
        for start, end in [((-150, -150), (150, -150)), ((150, 150), (-150, 150)), ((-150, 150), (-150, -150))]:
            loose.modelspace().add_line(start, end)
        loose.modelspace().add_arc((150, 0), 150, -90, 90)
        again = dxf(data_of(loose)).outline
        assert again is not None
        self.assertAlmostEqual(max(point.x_mm for point in again.points), 300, delta=0.1)

    def test_drawn_from_the_other_side_it_is_turned_over(self) -> None:
        found = dxf(data_of(drawn(RING)), seen_from=Side.GEARBOX)
        xs = sorted(one.reading.mm for one in found.readings if one.kind == "x")
        for mm, (x, _, _) in zip(xs, sorted(RING, key=lambda hole: -hole[0]), strict=True):
            self.assertAlmostEqual(mm, -x, places=3)

    def test_it_is_matched_to_the_holes_that_are_measured(self) -> None:
        wren = Survey.model_validate(demo_json("wren")["sheets"]["plate"]["survey"])
        holes = [hole for hole in solve_survey(wren).result.holes if hole.id != "C"]
        turn = math.radians(77)
        seen = [
            (
                h.x_mm * math.cos(turn) - h.y_mm * math.sin(turn) + 40,
                h.x_mm * math.sin(turn) + h.y_mm * math.cos(turn),
                10,
            )
            for h in holes
        ]
        found = dxf(data_of(drawn(seen)), wren)
        self.assertEqual(found.holes, ())
        by_name = {one.a: one.reading.mm for one in found.readings if one.kind == "x"}
        for hole, (x, _, _) in zip(holes, seen, strict=True):
            self.assertAlmostEqual(by_name[hole.id], x, places=3)
        for change, words in [
            (seen[:-1], "has 7 bolt holes"),
            ([(x * 1.2, y, d) for x, y, d in seen], "miss the measured"),
        ]:
            with self.assertRaisesRegex(UnreadableFile, words):
                dxf(data_of(drawn(change)), wren)

    def test_every_bad_drawing_is_refused(self) -> None:
        for name, make, words in BAD_DRAWINGS:
            with self.subTest(name), self.assertRaises(UnreadableFile) as caught:
                dxf(make())
            self.assertIn(words, str(caught.exception), name)

    def test_bytes_that_are_no_drawing(self) -> None:
        for data in (b"", b"\0\1\2", b"0\nSECTION\n" * 30_000, b"a" * (GREATEST_DXF + 1), b"0\n" * 450_000):
            with self.assertRaises(UnreadableFile):
                dxf(data)

    def test_a_table_that_is_closed_twice(self) -> None:
        closed = b"  0\nENDTAB\n"
        self.assertIn(closed, GOOD_DXF)
        with self.assertRaisesRegex(UnreadableFile, "can't be read as a DXF"):
            dxf(GOOD_DXF.replace(closed, closed * 2))

    @settings(max_examples=40, deadline=None)
    @given(st.binary(max_size=300), st.integers(0, 4000), st.integers(1, 400))
    def test_no_damage_breaks_it(self, junk: bytes, at: int, length: int) -> None:
        data = bytearray(GOOD_DXF)
        data[at * 4 : at * 4 + length] = junk
        try:
            dxf(bytes(data))
        except UnreadableFile as error:
            self.assertTrue(error.problem)


GOOD_DXF = data_of(drawn(RING))
