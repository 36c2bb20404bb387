import ast
import io
import json
import math
import subprocess
import sys
import tempfile
from pathlib import Path
from unittest import TestCase
from xml.etree import ElementTree

import ezdxf
import ezdxf.filemanagement
from ezdxf.entities.lwpolyline import LWPolyline
from hypothesis import given
from hypothesis import strategies as st

from driveline.drawing.dxf import write_dxf
from driveline.drawing.model import Circle, Drawing, Layer, Vertex, reflected_entity
from driveline.drawing.model import Path as PathEntity
from driveline.drawing.svg import path_data, write_svg
from driveline.figures import written
from driveline.job.evaluate import evaluate
from tests.demo import FOLDER, demo_job, plate_parts, wren_measured_again

CORE = Path(__file__).parents[2] / "driveline"
ALLOWED = {
    "driveline",
    "numpy",
    "skfem",
    "scipy",
    "shapely",
    "fcl",
    "trimesh",
    "cascadio",
    "pydantic",
    "ezdxf",
    "reportlab",
} | set(sys.stdlib_module_names)


def plate(side: str) -> Drawing:
    (part,) = plate_parts(evaluate(wren_measured_again()))
    return part.views[0 if side == "engine" else 1].drawing


def circles(drawing: Drawing, layer: Layer) -> list[Circle]:
    return [one for one in drawing.entities if isinstance(one, Circle) and one.layer is layer]


class DxfTest(TestCase):
    def test_read_again_it_is_the_cores_plate_within_a_micrometre(self) -> None:
        drawing = plate("engine")
        document = ezdxf.filemanagement.read(io.StringIO(write_dxf(drawing)))
        self.assertEqual(document.dxfversion, "AC1024")  # R2010
        self.assertEqual(document.units, ezdxf.units.MM)
        found = sorted(
            (c.dxf.center.x, c.dxf.center.y, c.dxf.radius) for c in document.modelspace().query("CIRCLE[layer=='CUT']")
        )
        wanted = sorted((c.x_mm, c.y_mm, c.radius_mm) for c in circles(drawing, Layer.CUT))
        self.assertEqual(len(found), 15)  # 8 flange, 6 motor, the bore
        for one, other in zip(found, wanted, strict=True):
            for figure, expected in zip(one, other, strict=True):
                self.assertAlmostEqual(figure, expected, delta=0.001)
        (outline,) = document.modelspace().query("LWPOLYLINE")
        self.assertTrue(isinstance(outline, LWPolyline) and outline.closed)

    def test_its_holes_are_the_hole_tables(self) -> None:
        (part,) = plate_parts(evaluate(wren_measured_again()))
        drawn = {one.part.split(":")[1]: one for one in circles(plate("engine"), Layer.CUT)}
        for row in part.hole_table:
            self.assertAlmostEqual(drawn[row.id].x_mm, row.x_mm)
            self.assertAlmostEqual(2 * drawn[row.id].radius_mm, row.cut_mm or 0)

    def test_from_the_gearbox_side_it_is_the_mirror_image_and_says_so(self) -> None:
        engine, gearbox = plate("engine"), plate("gearbox")
        for one, other in zip(circles(engine, Layer.CUT), circles(gearbox, Layer.CUT), strict=True):
            self.assertEqual((one.x_mm, one.y_mm), (-other.x_mm, other.y_mm))
        self.assertIn("Seen from the gearbox side", write_dxf(gearbox))
        self.assertNotIn("Seen from the engine side", write_dxf(gearbox))


class PathTest(TestCase):
    @given(st.floats(-0.99, 0.99).filter(lambda bulge: abs(bulge) > 0.01))
    def test_turned_over_twice_a_path_is_itself(self, bulge: float) -> None:
        vertices = (Vertex(x_mm=0, y_mm=0, bulge=bulge), Vertex(x_mm=10, y_mm=0), Vertex(x_mm=10, y_mm=10))
        path = PathEntity(layer=Layer.CUT, part="p", vertices=vertices)
        self.assertEqual(reflected_entity(reflected_entity(path)), path)

    def test_a_quarter_arc_in_svg_has_its_radius_and_way_round(self) -> None:
        # Anticlockwise from (10, 5) to (0, 15) about (0, 5): bulge tan(90°/4).
        quarter = (Vertex(x_mm=10, y_mm=5, bulge=math.tan(math.pi / 8)), Vertex(x_mm=0, y_mm=15))
        data = path_data(PathEntity(layer=Layer.CUT, part="p", vertices=quarter, closed=False))
        self.assertEqual(data, "M10.0000 -5.0000A10.0000 10.0000 0 0 0 0.0000 -15.0000")

    def test_svg_is_sound_and_at_full_size(self) -> None:
        drawing = plate("engine")
        root = ElementTree.fromstring(write_svg(drawing))
        width_mm = float(root.attrib["width"].removesuffix("mm"))
        self.assertAlmostEqual(width_mm, drawing.greatest_x_mm - drawing.least_x_mm + 20, places=2)
        self.assertAlmostEqual(float(root.attrib["viewBox"].split()[2]), width_mm)


class CommandLineTest(TestCase):
    def run_core(self, *arguments: str) -> subprocess.CompletedProcess[str]:
        return subprocess.run(
            [sys.executable, "-m", "driveline", *arguments], capture_output=True, text=True, cwd=CORE.parent
        )

    def test_check_prints_what_evaluate_gives_and_exits_1_while_one_fails(self) -> None:
        done = self.run_core("check", str(FOLDER / "wren.fernback.json"))
        self.assertEqual(done.returncode, 1)
        printed, plain = json.loads(done.stdout), written(evaluate(demo_job("wren")).model_dump_json())
        self.assertGreater(len(printed.pop("workings")), 50)
        self.assertTrue(printed == json.loads(plain))  # their difference would be too long to read

    def test_a_file_that_is_no_job_is_refused_with_the_field(self) -> None:
        with tempfile.NamedTemporaryFile("w", suffix=".json") as file:
            file.write('{"name": "x", "sheets": {"brief": {"tyre": {"roll_out": {"text": "far"}}}}}')
            file.flush()
            done = self.run_core("check", file.name)
        self.assertEqual(done.returncode, 2)
        self.assertIn("brief.tyre.roll_out", done.stderr)

    def test_draw_writes_a_dxf_that_opens(self) -> None:
        with tempfile.TemporaryDirectory() as folder:
            out = Path(folder) / "plate.dxf"
            done = self.run_core("draw", str(FOLDER / "wren.fernback.json"), "plate.plate", "--dxf", str(out))
            self.assertEqual(done.returncode, 0)
            self.assertGreater(len(ezdxf.filemanagement.readfile(out).modelspace()), 20)

    def test_schema_is_json(self) -> None:
        self.assertIn("properties", json.loads(self.run_core("schema").stdout))


class ImportsTest(TestCase):
    def test_the_core_imports_no_web_no_database_and_no_clock(self) -> None:
        for path in CORE.rglob("*.py"):
            for node in ast.walk(ast.parse(path.read_text())):
                names = [alias.name for alias in node.names] if isinstance(node, ast.Import) else []
                names += [node.module or ""] if isinstance(node, ast.ImportFrom) else []
                for name in names:
                    root = name.split(".")[0]
                    self.assertIn(
                        root, ALLOWED - {"random", "time", "datetime", "socket", "sqlite3"}, f"{path.name}: {name}"
                    )
