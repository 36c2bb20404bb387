"""What goes to the cutter and the marking-out bench: kerf, nests, engraving, sheets, templates as printed."""

import io
import itertools
import math
from typing import Any
from unittest import TestCase

import ezdxf.filemanagement
import numpy as np
import pypdfium2
from shapely import LineString, Point, Polygon, box
from shapely.ops import unary_union

from driveline.benches.plate.lay_out import lay_out
from driveline.benches.plate.sheet import PlateSheet
from driveline.drawing.dxf import write_dxf
from driveline.drawing.model import Circle, Drawing, Layer, Path, Text
from driveline.drawing.nested import nested_drawing
from driveline.drawing.pdf import write_sheet_pdf
from driveline.drawing.plate import with_revision
from driveline.drawing.svg import write_sheet_svg
from driveline.drawing.template import FOOT_MM, MARGIN_MM, PAPERS, write_template
from driveline.figures import System
from driveline.job.file import REGISTRY, JobFile
from driveline.parts.drawings import cut_drawing, cut_line, nest_of, part_drawings, sheet_drawing
from driveline.parts.made import FlatPart
from driveline.parts.records import Seen
from tests.demo import DEMOS, demo_json, wren_measured_again
from tests.jobs import said

SHEET = wren_measured_again().sheets.plate
DOTS_PER_MM = 12.0


def plate_with(**change: Any) -> PlateSheet:
    data = demo_json("wren")["sheets"]["plate"]
    data["plate"] |= change
    return PlateSheet.model_validate(data)


def part_of(sheet: PlateSheet = SHEET) -> FlatPart:
    (part,) = lay_out(sheet).parts
    return part


def texts(drawing: Drawing) -> list[str]:
    return [said(one.text) for one in drawing.entities if isinstance(one, Text)]


def pages_of(pdf: bytes) -> list[np.ndarray]:
    """Each page as grey levels, from the top, 0 black."""
    document = pypdfium2.PdfDocument(pdf)
    scale = DOTS_PER_MM * 25.4 / 72
    return [np.asarray(page.render(scale=scale, grayscale=True).to_pil()) for page in document]


def dark(page: np.ndarray, left_mm: float, bottom_mm: float, right_mm: float, top_mm: float) -> np.ndarray:
    """Where a window of a page, in mm from its lower left corner, is inked."""
    high = page.shape[0]
    rows = slice(round(high - top_mm * DOTS_PER_MM), round(high - bottom_mm * DOTS_PER_MM))
    return page[rows, round(left_mm * DOTS_PER_MM) : round(right_mm * DOTS_PER_MM)] < 110


class CutFileTest(TestCase):
    def test_kerf_goes_into_the_lines_both_ways(self) -> None:
        plain, kerfed = (
            cut_drawing(part_of(sheet), "Wren", "first")
            for sheet in (SHEET, plate_with(kerf={"text": "0.8"}, turned=SHEET.plate.turned.model_dump()))
        )
        self.assertAlmostEqual(kerfed.greatest_x_mm - plain.greatest_x_mm, 0.4, delta=0.3)  # the wrong reading moves it

        def radii(drawing: Drawing) -> dict[str, float]:
            return {
                one.part: one.radius_mm
                for one in drawing.entities
                if isinstance(one, Circle) and one.layer is Layer.CUT
            }

        for name, radius_mm in radii(plain).items():
            self.assertAlmostEqual(radii(kerfed)[name], radius_mm - 0.4)
        self.assertTrue(any("kerf of 0.8 mm is in the lines" in text for text in texts(kerfed)))
        self.assertTrue(any("kerf is the cutter's" in text for text in texts(plain)))

    def test_each_side_is_engraved_with_what_it_lies_against(self) -> None:
        engine, gearbox = part_drawings(part_of(), "Wren")
        self.assertIn("THIS SIDE TO MOTOR", texts(engine))
        self.assertNotIn("THIS SIDE TO GEARBOX", texts(engine))
        self.assertIn("THIS SIDE TO GEARBOX", texts(gearbox))
        self.assertIn("WR-101", texts(engine))
        self.assertIn("REV B", texts(with_revision(gearbox, "B")))
        layers = {one.layer for one in engine.entities if isinstance(one, Text) and one.part.startswith("engraved")}
        self.assertEqual(layers, {Layer.MARK})

    def test_engraving_stays_clear_of_holes_and_edge(self) -> None:
        for sheet in (
            SHEET,
            plate_with(bore={"text": "255 mm"}),
            plate_with(part_number="A-VERY-LONG-PART-NUMBER-12345"),
        ):
            part = part_of(sheet)
            engine, _ = part_drawings(part, "Wren")
            lines = [one for one in engine.entities if isinstance(one, Text) and one.part.startswith("engraved")]
            half = max(len(one.text) for one in lines) * 0.62 * 4 / 2
            for one in lines:
                for hole in part.holes:
                    dx = max(abs(one.x_mm - hole.x_mm) - half, 0)
                    dy = max(abs(one.y_mm - hole.y_mm) - 2, 0)
                    self.assertGreater(
                        math.hypot(dx, dy), hole.finished_mm / 2 - 0.01, (sheet.plate.part_number, hole.id)
                    )

    def test_a_nest_is_so_many_of_the_part_side_by_side_and_none_on_another(self) -> None:
        for long, wide in [("1250", "1250"), ("720", "1100")]:
            sheet = plate_with(sheet_long={"text": long}, sheet_wide={"text": wide}, quantity=4)
            part = part_of(sheet)
            nest = nest_of(part)
            assert nest is not None
            nested = nested_drawing(cut_drawing(part, "Wren", "first"), nest, sheet.plate.quantity)
            document = ezdxf.filemanagement.read(io.StringIO(write_dxf(nested)))
            circles = document.modelspace().query("CIRCLE[layer=='CUT']")
            self.assertEqual(len(circles), 4 * 15)
            bores = [c.dxf.center for c in circles if c.dxf.radius > 50]
            apart = min(a.distance(b) for k, a in enumerate(bores) for b in bores[k + 1 :])
            self.assertGreater(apart, min(cut_line(part).width_mm, cut_line(part).height_mm))
            for circle in circles:
                self.assertTrue(10 < circle.dxf.center.x < float(long) - 10)
                self.assertTrue(10 < circle.dxf.center.y < float(wide) - 10)

    def test_the_cut_list_by_hand(self) -> None:
        """Area: shapely's of a fine polygon. Mass: area × 10 mm × 2700. Pierces: the outline and 15 holes."""
        line = cut_line(part_of())
        holes = part_of().holes
        hull = unary_union([Point(h.x_mm, h.y_mm) for h in holes if h.kind != "bore"]).convex_hull
        edge_mm = 1.15 * 1.5 * 12.2
        plate = hull.buffer(edge_mm, quad_segs=2000)
        assert isinstance(plate, Polygon)
        area = plate.area - sum(math.pi / 4 * (h.cut_mm or 0) ** 2 for h in holes)
        self.assertAlmostEqual(line.area_cm2 * 100 / area, 1, places=5)
        self.assertAlmostEqual(line.mass_kg or 0, area * 10 * 2700e-9, places=4)
        self.assertEqual(line.pierces, 16)
        length = plate.exterior.length + sum(math.pi * (h.cut_mm or 0) for h in holes)
        self.assertAlmostEqual(line.cut_length_mm / length, 1, places=5)


class SheetTest(TestCase):
    def test_the_hole_table_is_from_the_centre_and_from_two_edges_of_the_side_shown(self) -> None:
        sides: tuple[tuple[Seen, str, int], ...] = (("first", "engine", 1), ("second", "gearbox", -1))
        for side, words, sign in sides:
            drawing = sheet_drawing(part_of(), "Wren", side=side, revision="B, as released")
            found = texts(drawing)
            hole = next(one for one in part_of().holes if one.id == "H2")
            outline = part_drawings(part_of(), "Wren")[0 if side == "first" else 1]
            for figure in (
                sign * hole.x_mm,
                hole.y_mm,
                sign * hole.x_mm - outline.least_x_mm,
                hole.y_mm - outline.least_y_mm,
            ):
                self.assertIn(f"{figure:.2f}".replace("-", "−"), found)
            self.assertIn("B, as released", found)
            self.assertIn(f"the {words} side", found)
            self.assertNotIn("−0.00", found)

    def test_labels_of_neighbours_never_print_over_each_other(self) -> None:
        drawing = sheet_drawing(part_of(), "Wren", side="first", revision="A")
        upright = sorted(one.x_mm for one in drawing.entities if isinstance(one, Text) and one.turned_deg == 90)
        self.assertEqual(len(upright), 15)
        self.assertGreaterEqual(min(b - a for a, b in zip(upright, upright[1:], strict=False)), 3.2 - 1e-9)
        self.assertTrue(all(10 < x < 268 for x in upright))

    def test_no_leader_or_hole_cuts_a_name(self) -> None:
        for name in DEMOS:
            job = JobFile.model_validate(demo_json(name))
            for part in REGISTRY.parts(job):
                with self.subTest(name, part=part.key):
                    drawing = sheet_drawing(part, name, side="first", revision="A")
                    names = [one for one in drawing.entities if isinstance(one, Text) and one.part == "name"]
                    self.assertEqual(len(names), len(part.holes))
                    half_mm = 0.6 * 2.2 / 2  # of a letter, each way
                    boxes = [
                        box(
                            one.x_mm - half_mm * len(one.text),
                            one.y_mm - 1.1,
                            one.x_mm + half_mm * len(one.text),
                            one.y_mm + 1.1,
                        )
                        for one in names
                    ]
                    lines = [
                        LineString([(v.x_mm, v.y_mm) for v in one.vertices])
                        for one in drawing.entities
                        if isinstance(one, Path) and one.part == "sheet" and one.layer is Layer.NOTES
                    ]
                    crossed = [one.text for one, at in zip(names, boxes, strict=True) if any(map(at.intersects, lines))]
                    self.assertEqual(crossed, [])
                    self.assertFalse(any(a.intersects(b) for a, b in itertools.combinations(boxes, 2)))

    def test_it_is_in_the_readers_units_and_says_what_the_checks_count_on(self) -> None:
        sheet = plate_with(registers=[{"size": {"text": "130 mm"}, "fit": "H7/g6"}])
        drawing = sheet_drawing(part_of(sheet), "Wren", side="first", revision="A")
        for system, limits, unit in (
            (System.METRIC, "130.000 to 130.040", "mm"),
            (System.US, "5.11811 to 5.11969", "in"),
        ):
            text = pypdfium2.PdfDocument(write_sheet_pdf(drawing, system))[0].get_textpage().get_text_bounded()
            self.assertIn(f"bore {limits}", text)
            self.assertIn(f"all sizes: {unit}", text)
        self.assertNotRegex(text, r"\bmm\b")
        self.assertIn("faces flat and parallel", text)

    def test_it_is_an_a3_page_as_pdf_and_svg(self) -> None:
        drawing = sheet_drawing(part_of(), "Wren", side="first", revision="A")
        page = pypdfium2.PdfDocument(write_sheet_pdf(drawing))[0]
        self.assertAlmostEqual(page.get_width() / 72 * 25.4, 420, places=2)
        self.assertIn("Wren: adapter plate", page.get_textpage().get_text_bounded())
        self.assertIn('width="420.000mm"', write_sheet_svg(drawing))


class TemplateTest(TestCase):
    def test_the_check_scales_measure_100_mm_on_every_page(self) -> None:
        for paper in PAPERS:
            for page in pages_of(write_template(part_drawings(part_of(), "Wren")[0], paper=paper)):
                along = dark(page, MARGIN_MM - 2, MARGIN_MM + 3.7, MARGIN_MM + 103, MARGIN_MM + 4.3).any(axis=0)
                places = np.nonzero(along)[0] / DOTS_PER_MM
                self.assertAlmostEqual(places.max() - places.min(), 100.3, delta=0.2)  # and the line's own 0.3
                foot = MARGIN_MM + FOOT_MM
                up = dark(page, MARGIN_MM - 6.3, foot - 2, MARGIN_MM - 5.7, foot + 103).any(axis=1)
                places = np.nonzero(up)[0] / DOTS_PER_MM
                self.assertAlmostEqual(places.max() - places.min(), 100.3, delta=0.2)

    def test_holes_are_as_far_apart_on_the_page_as_on_the_plate(self) -> None:
        """The crosses in two holes of one sheet, found as the middles of the rings round them."""
        drawing = part_drawings(part_of(), "Wren")[0]
        pages = pages_of(write_template(drawing, paper="a4"))
        inner_x, inner_y = 210 - 2 * MARGIN_MM, 297 - 2 * MARGIN_MM - FOOT_MM
        left, bottom = drawing.least_x_mm - 5, drawing.least_y_mm - 5
        rows = math.ceil((drawing.greatest_y_mm + 5 - bottom - 10) / (inner_y - 10))
        columns = math.ceil((drawing.greatest_x_mm + 5 - left - 10) / (inner_x - 10))
        self.assertEqual(len(pages), rows * columns)
        seen = 0
        for k, page in enumerate(pages):
            off_x, off_y = left + (k % columns) * (inner_x - 10), bottom + (rows - 1 - k // columns) * (inner_y - 10)
            for hole in part_of().holes:
                x, y = hole.x_mm - off_x, hole.y_mm - off_y
                if hole.kind == "bore" or not (12 < x < inner_x - 12 and 12 < y < inner_y - 12):
                    continue
                at_x, at_y, reach = MARGIN_MM + x, MARGIN_MM + FOOT_MM + y, hole.finished_mm / 2 + 0.5
                ring = dark(page, at_x - reach, at_y - reach, at_x + reach, at_y + reach)
                up, across = np.nonzero(ring)
                middle_x, middle_y = (across.max() + across.min() + 1) / 2, (up.max() + up.min() + 1) / 2
                self.assertAlmostEqual(middle_x / DOTS_PER_MM, reach, delta=0.12, msg=hole.id)
                self.assertAlmostEqual(middle_y / DOTS_PER_MM, reach, delta=0.12, msg=hole.id)
                wide = (across.max() - across.min()) / DOTS_PER_MM
                self.assertAlmostEqual(wide, hole.finished_mm + 0.3, delta=0.2, msg=hole.id)
                seen += 1
        self.assertGreaterEqual(seen, 12)

    def test_every_page_names_itself_and_its_side(self) -> None:
        document = pypdfium2.PdfDocument(write_template(part_drawings(part_of(), "Wren")[1], paper="letter"))
        for k, page in enumerate(document):
            text = page.get_textpage().get_text_bounded()
            self.assertIn("seen from the gearbox side", text)
            self.assertIn(f"sheet {'AB'[k // 2]}{k % 2 + 1} of B2", text)
