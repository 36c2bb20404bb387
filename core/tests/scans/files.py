"""Scan files of every kind, made from triangles."""

import struct

import numpy as np

from driveline.arrays import Floats
from driveline.space.shapes import Box, Faces


def box_mesh(size_mm: tuple[float, float, float] = (100.0, 60.0, 40.0)) -> tuple[Floats, Faces]:
    """A closed box about the origin."""
    box = Box(size_mm)
    return box.corners_mm, box.faces


def stl_bytes(vertices: Floats, faces: Faces) -> bytes:
    """A binary STL."""
    rows = np.zeros(len(faces), dtype=[("normal", "<3f4"), ("corners", "<9f4"), ("attributes", "<u2")])
    rows["corners"] = vertices[faces].reshape(-1, 9)
    return bytes(80) + struct.pack("<I", len(faces)) + rows.tobytes()


def text_stl_bytes(vertices: Floats, faces: Faces) -> bytes:
    """An STL written out in words."""
    lines = ["solid part"]
    for corners in vertices[faces]:
        lines += [" facet normal 0 0 0", "  outer loop"]
        lines += [f"   vertex {x:.6g} {y:.6g} {z:.6g}" for x, y, z in corners]
        lines += ["  endloop", " endfacet"]
    return ("\n".join([*lines, "endsolid part"]) + "\n").encode()


def obj_bytes(vertices: Floats, faces: Faces) -> bytes:
    """An OBJ that names a file of materials, as most do."""
    lines = ["# a part", "mtllib part.mtl"]
    lines += [f"v {x:.6g} {y:.6g} {z:.6g}" for x, y, z in vertices]
    lines += ["f " + " ".join(str(k + 1) for k in face) for face in faces]
    return ("\n".join(lines) + "\n").encode()


def ply_head(vertices: int, faces: int, form: str) -> bytes:
    """The head of a PLY."""
    return (
        f"ply\nformat {form} 1.0\nelement vertex {vertices}\nproperty float x\nproperty float y\nproperty float z\n"
        f"element face {faces}\nproperty list uchar int vertex_indices\nend_header\n"
    ).encode()


def ply_bytes(vertices: Floats, faces: Faces) -> bytes:
    """A binary PLY."""
    rows = np.zeros(len(faces), dtype=[("count", "u1"), ("corners", "<3i4")])
    rows["count"], rows["corners"] = 3, faces
    body = vertices.astype("<f4").tobytes() + rows.tobytes()
    return ply_head(len(vertices), len(faces), "binary_little_endian") + body


def text_ply_bytes(vertices: Floats, faces: Faces) -> bytes:
    """A PLY written out."""
    lines = [f"{x:.6g} {y:.6g} {z:.6g}" for x, y, z in vertices]
    lines += ["3 " + " ".join(str(k) for k in face) for face in faces]
    return ply_head(len(vertices), len(faces), "ascii") + ("\n".join(lines) + "\n").encode()


def unit(way: Floats) -> list[float]:
    """A direction."""
    found: list[float] = (way / np.linalg.norm(way)).tolist()
    return found


def step_bytes(size_mm: tuple[float, float, float] = (100.0, 60.0, 40.0)) -> bytes:
    """A STEP of a box in mm, faces bounded by loops of points."""
    vertices, rows = box_mesh(size_mm)[0], list[str]()

    def add(text: str) -> str:
        rows.append(f"#{len(rows) + 1}={text};")
        return f"#{len(rows)}"

    points = [add(f"CARTESIAN_POINT('',({x:.4f},{y:.4f},{z:.4f}))") for x, y, z in vertices]
    faces = []
    for corners in ((0, 1, 3, 2), (4, 6, 7, 5), (0, 4, 5, 1), (2, 3, 7, 6), (0, 2, 6, 4), (1, 5, 7, 3)):
        loop = add(f"POLY_LOOP('',({','.join(points[k] for k in corners)}))")
        bound = add(f"FACE_OUTER_BOUND('',{loop},.T.)")
        a, b, c = (vertices[k] for k in corners[:3])
        normal, along = np.cross(b - a, c - b), b - a
        z, x = (add(f"DIRECTION('',({i:.6f},{j:.6f},{k:.6f}))") for i, j, k in (unit(normal), unit(along)))
        frame = add(f"AXIS2_PLACEMENT_3D('',{points[corners[0]]},{z},{x})")
        plane = add(f"PLANE('',{frame})")
        faces.append(add(f"FACE_SURFACE('',({bound}),{plane},.T.)"))
    shell = add(f"CLOSED_SHELL('',({','.join(faces)}))")
    solid = add(f"FACETED_BREP('',{shell})")
    mm = add("(LENGTH_UNIT()NAMED_UNIT(*)SI_UNIT(.MILLI.,.METRE.))")
    rad = add("(NAMED_UNIT(*)PLANE_ANGLE_UNIT()SI_UNIT($,.RADIAN.))")
    sr = add("(NAMED_UNIT(*)SI_UNIT($,.STERADIAN.)SOLID_ANGLE_UNIT())")
    context = add(
        "(GEOMETRIC_REPRESENTATION_CONTEXT(3)"
        f"GLOBAL_UNIT_ASSIGNED_CONTEXT(({mm},{rad},{sr}))REPRESENTATION_CONTEXT('',''))"
    )
    shape = add(f"FACETED_BREP_SHAPE_REPRESENTATION('',({solid}),{context})")
    application = add("APPLICATION_CONTEXT('automotive design')")
    add(f"APPLICATION_PROTOCOL_DEFINITION('international standard','automotive_design',2000,{application})")
    of_product = add(f"PRODUCT_CONTEXT('',{application},'mechanical')")
    product = add(f"PRODUCT('part','part','',({of_product}))")
    formation = add(f"PRODUCT_DEFINITION_FORMATION('','',{product})")
    of_definition = add(f"PRODUCT_DEFINITION_CONTEXT('part definition',{application},'design')")
    definition = add(f"PRODUCT_DEFINITION('design','',{formation},{of_definition})")
    defined = add(f"PRODUCT_DEFINITION_SHAPE('','',{definition})")
    add(f"SHAPE_DEFINITION_REPRESENTATION({defined},{shape})")
    head = (
        "ISO-10303-21;\nHEADER;\nFILE_DESCRIPTION((''),'2;1');\nFILE_NAME('','2026-01-01T00:00:00',(''),(''),'','','');\n"
        "FILE_SCHEMA(('AUTOMOTIVE_DESIGN { 1 0 10303 214 1 1 1 1 }'));\nENDSEC;\nDATA;\n"
    )
    return (head + "\n".join(rows) + "\nENDSEC;\nEND-ISO-10303-21;\n").encode()
