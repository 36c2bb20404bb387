"""Scans that come in: read alike in every format; what is broken or hostile is refused with the reason, at once."""

import io
import resource
import struct
import tempfile
import zipfile
from concurrent.futures import ProcessPoolExecutor
from multiprocessing import get_context
from pathlib import Path
from typing import NamedTuple
from unittest import TestCase

import numpy as np

from driveline.reading.csv_in import UnreadableFile
from driveline.scans.safely import prepare_safely
from driveline.scans.store import facts_of, is_ready, keep_scans_in, surface_of, view_of
from tests.scans.files import (
    box_mesh,
    obj_bytes,
    ply_bytes,
    ply_head,
    step_bytes,
    stl_bytes,
    text_ply_bytes,
    text_stl_bytes,
)

SHA = "ab" * 32
BOX = box_mesh()


def packed(data: bytes) -> bytes:
    made = io.BytesIO()
    with zipfile.ZipFile(made, "w", zipfile.ZIP_DEFLATED) as archive:
        archive.writestr("scan.stl", data)
    return made.getvalue()


def with_corner(value: float) -> bytes:
    vertices = BOX[0].copy()
    vertices[3, 1] = value
    return stl_bytes(vertices, BOX[1])


def step_bomb() -> bytes:
    """A ball as large as a country beside the box: a mesh of it to a tenth of a mm would never end."""
    last = step_bytes().count(b";\n#") + 1
    ball = (
        "#{0}=CARTESIAN_POINT('',(0.,0.,0.));\n#{1}=DIRECTION('',(0.,0.,1.));\n#{2}=DIRECTION('',(1.,0.,0.));\n"
        "#{3}=AXIS2_PLACEMENT_3D('',#{0},#{1},#{2});\n#{4}=SPHERICAL_SURFACE('',#{3},1.E8);\n"
        "#{5}=CARTESIAN_POINT('',(0.,0.,1.E8));\n#{6}=VERTEX_POINT('',#{5});\n#{7}=VERTEX_LOOP('',#{6});\n"
        "#{8}=FACE_BOUND('',#{7},.T.);\n#{9}=ADVANCED_FACE('',(#{8}),#{4},.T.);\n"
    ).format(*range(last + 1, last + 11))
    face = f"#{last + 10}"
    data = step_bytes().replace(b"ENDSEC;\nEND-ISO", ball.encode() + b"ENDSEC;\nEND-ISO")
    return data.replace(b"CLOSED_SHELL('',(", f"CLOSED_SHELL('',({face},".encode())


STL, OBJ, PLY = stl_bytes(*BOX), obj_bytes(*BOX), ply_bytes(*BOX)
READ = {
    "a.stl": STL,
    "in words.STL": text_stl_bytes(*BOX),
    "a.obj": OBJ,
    "a.ply": PLY,
    "written out.ply": text_ply_bytes(*BOX),
    "a.step": step_bytes(),
    "a.stp": step_bytes(),
}
REFUSED = {
    "an STL that claims 4 billion": (
        "a.stl",
        STL[:80] + struct.pack("<I", 2**32 - 1) + STL[84:],
        "says it has 4294967295",
    ),
    "an STL cut short": ("a.stl", STL[:-30], "holds 11"),
    "an STL of nothing": ("a.stl", bytes(84), "no triangles"),
    "no byte": ("a.stl", b"", "empty"),
    "a corner that is no number": ("a.stl", with_corner(float("nan")), "no number"),
    "a corner without end": ("a.stl", with_corner(float("inf")), "no number"),
    "a stray corner far off": ("a.stl", with_corner(1e9), "reaches 1e+09"),
    "no area": ("a.stl", stl_bytes(np.zeros((3, 3)), np.array([[0, 1, 2]])), "area"),
    "words cut short": ("a.stl", text_stl_bytes(*BOX)[:-40], "cut short"),
    "words without triangles": ("a.stl", b"solid facet\nendsolid\n", "no triangles"),
    "a zip": ("a.stl", packed(bytes(10**8)), "packed"),
    "a zip by its right name": ("a.zip", packed(STL), "no STL, OBJ, PLY or STEP"),
    "another ending": ("a.exe", STL, "no STL, OBJ, PLY or STEP"),
    "no ending": ("scan", STL, "no STL, OBJ, PLY or STEP"),
    "an OBJ by the name of a PLY": ("a.ply", OBJ, "no PLY"),
    "bytes by the name of an OBJ": ("a.obj", STL, "no text"),
    "an OBJ without faces": ("a.obj", b"v 0 0 0\nv 1 0 0\nv 0 1 0\n", "no triangles"),
    "an OBJ with corners that are not there": ("a.obj", b"v 0 0 0\nv 1 0 0\nv 0 1 0\nf 1 2 900000000\n", "a.obj"),
    "an OBJ of words": ("a.obj", b"\nv a b c\nv d e f\n\nf 1 2 3\n", "can't be read"),
    "a PLY that claims a billion": ("a.ply", ply_head(10**9, 10**9, "binary_little_endian") + bytes(64), "million"),
    "a PLY that claims a million corners": (
        "a.ply",
        ply_head(10**6, 12, "binary_little_endian") + PLY.partition(b"end_header\n")[2],
        "its head claims",
    ),
    "a PLY cut short": ("a.ply", PLY[:-9], "its head claims"),
    "a PLY whose faces name corners that are not there": (
        "a.ply",
        ply_head(3, 1, "ascii") + b"0 0 0\n1 0 0\n0 1 0\n3 0 1 77\n",
        "a.ply",
    ),
    "a PLY with fewer lines": ("a.ply", ply_head(500, 500, "ascii") + b"0 0 0 0 0 0 0\n" * 600, "fewer lines"),
    "a PLY with a strange head": ("a.ply", PLY.replace(b"element vertex 8", b"element vertex -8"), "not clear"),
    "a PLY without an end": ("a.ply", PLY[:60], "does not end"),
    "a STEP cut short": ("a.step", step_bytes()[:-30], "cut short"),
    "a STEP that is none": ("a.step", STL, "no STEP"),
    "a STEP of nothing": ("a.step", b"ISO-10303-21;\nDATA;\nENDSEC;\nEND-ISO-10303-21;\n", "a.step"),
    "a STEP bomb": ("a.step", step_bomb(), "more memory or time"),
}


class Refusal(NamedTuple):
    said: str
    left: tuple[str, ...]  # files in the store


def refusals(folder: Path) -> tuple[dict[str, Refusal], int]:
    """What is said of each hostile file, and the most memory in kB that any took."""
    keep_scans_in(folder / "kept")
    told = {}
    for what, (name, data, _) in REFUSED.items():
        source = folder / "incoming"
        source.write_bytes(data)
        try:
            prepare_safely(source, name, SHA, lambda share: None)
            said = "taken"
        except UnreadableFile as error:
            said = str(error)
        left = tuple(path.name for path in (folder / "kept").rglob("*") if path.is_file())
        told[what] = Refusal(said, left)
    return told, resource.getrusage(resource.RUSAGE_CHILDREN).ru_maxrss


class ScansTest(TestCase):
    def setUp(self) -> None:
        folder = tempfile.TemporaryDirectory()
        self.addCleanup(folder.cleanup)
        self.folder = Path(folder.name)
        self.addCleanup(keep_scans_in, keep_scans_in(self.folder / "kept"))

    def brought(self, name: str, data: bytes) -> list[float]:
        source, told = self.folder / "incoming", list[float]()
        source.write_bytes(data)
        prepare_safely(source, name, SHA, told.append)
        return told

    def test_the_same_box_comes_in_by_every_format(self) -> None:
        for name, data in READ.items():
            with self.subTest(name):
                told = self.brought(name, data)
                self.assertEqual((told[-1], sorted(told)), (1.0, told))
                surface = surface_of(SHA)
                assert surface is not None
                corners = surface.corners(0).reshape(-1, 3)
                np.testing.assert_allclose(corners.min(axis=0), BOX[0].min(axis=0), atol=1e-4)
                np.testing.assert_allclose(corners.max(axis=0), BOX[0].max(axis=0), atol=1e-4)
                self.assertEqual((surface.count, facts_of(SHA).triangles), (12, 12))

    def test_what_is_broken_or_hostile_is_refused_at_once_and_leaves_nothing(self) -> None:
        # In a fresh process: one that has run other tests would count their memory as the scan's.
        with ProcessPoolExecutor(1, mp_context=get_context("spawn")) as fresh:
            told, peak_kb = fresh.submit(refusals, self.folder).result()
        for what, (_, _, why) in REFUSED.items():
            with self.subTest(what):
                self.assertIn(why, told[what].said)
                self.assertEqual(told[what].left, ())
        self.assertLess(peak_kb, 500_000)

    def test_triangles_without_an_area_are_left_out_and_said(self) -> None:
        vertices, faces = BOX
        self.brought("a.stl", stl_bytes(vertices, np.vstack([faces, [[0, 0, 1]]])))
        self.assertEqual(facts_of(SHA).notes, ("1 triangles without an area were left out.",))
        self.assertEqual(facts_of(SHA).triangles, 12)

    def test_the_picture_lies_on_the_surface_all_over_it(self) -> None:
        self.brought("a.stl", STL)
        data = view_of(SHA)
        assert data is not None
        least, size = np.frombuffer(data[:24], "<f4").reshape(2, 3)
        count = (len(data) - 24) // 9
        shares = np.frombuffer(data[24 : 24 + 6 * count], "<u2").reshape(-1, 3)
        points, half = least + shares / 65535 * size, np.array([50.0, 30.0, 20.0])
        off = np.abs(np.abs(points) - half).min(axis=1)
        self.assertLess(off.max(), 0.01)
        facing = np.frombuffer(data[24 + 6 * count :], "i1").reshape(-1, 3)
        top = facing[:, 2] > 100
        self.assertAlmostEqual(top.mean(), 100 * 60 / (2 * (100 * 60 + 100 * 40 + 60 * 40)), delta=0.01)
        self.assertLess(len(data), 3_000_000)

    def test_a_hash_that_is_none_reaches_no_file(self) -> None:
        for wrong in ("../../etc", "a" * 63, "A" * 64, ""):
            self.assertFalse(is_ready(wrong))
            self.assertIsNone(surface_of(wrong))
