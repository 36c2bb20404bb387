"""Gaps of a nudge, in-process, beside a search over all corners in the same run.

``python bench/placement.py``: 60 bodies round a unit of ten; then a rough floor of up to a million triangles under the
unit, as a scan: first, nudged, and along a way in. The search over corners is what plain NumPy would do, and reads too
large besides: it knows no edges or faces.
"""

import statistics
import sys
import time
from collections.abc import Callable, Sequence

import numpy as np

from driveline.arrays import Floats
from driveline.space.bodies import Body, Piece
from driveline.space.distance import Near
from driveline.space.neighbours import nearest_bodies
from driveline.space.on_surface import nearest_on
from driveline.space.path import PathPart, walk
from driveline.space.pose import AS_IS, Placed, Pose
from driveline.space.shapes import Box, Cylinder, Faces
from driveline.space.surface import LaidSurface, in_blocks
from driveline.space.sweep import Move

ROUNDS = 7
WITHIN_MM = 160.0
SIDES = (60, 200, 700)  # of the mesh's grid: 7 200, 80 000 and 980 000 triangles


def median_ms(run: Callable[[], object], rounds: int = ROUNDS) -> float:
    times = []
    for _ in range(rounds):
        begin = time.process_time()
        run()
        times.append(1e3 * (time.process_time() - begin))
    return statistics.median(times)


def unit(rng: np.random.Generator) -> list[Body]:
    """Ten bodies within half a metre."""
    shapes = [Box((200, 180, 160)) if k % 2 else Cylinder(90, 260) for k in range(10)]
    return [Body(f"u{k}", (Piece(shape, pose(rng, 180)),)) for k, shape in enumerate(shapes)]


def room(rng: np.random.Generator, count: int) -> list[Body]:
    shapes = [Box((900, 60, 100)) if k % 3 else Cylinder(15, 700) for k in range(count)]
    return [Body(f"v{k}", (Piece(shape, pose(rng, 900)),)) for k, shape in enumerate(shapes)]


def pose(rng: np.random.Generator, reach_mm: float) -> Placed:
    x, y, z = rng.uniform(-reach_mm, reach_mm, 3).tolist()
    roll, pitch, yaw = rng.uniform(-180, 180, 3).tolist()
    return Pose(x, y, z, roll, pitch, yaw).placed


def sheet(side: int, rng: np.random.Generator) -> tuple[Floats, Faces]:
    """A rough floor of two triangles a cell, 3 m long: corners and triangles."""
    x, y = np.meshgrid(np.linspace(-1500, 1500, side + 1), np.linspace(-1000, 1000, side + 1), indexing="ij")
    z = 40 * np.sin(x / 130) * np.cos(y / 170) + rng.normal(0, 0.5, x.shape)
    corner = np.arange(side)[:, None] * (side + 1) + np.arange(side)
    a, b, c, d = (corner + step for step in (0, 1, side + 1, side + 2))
    faces = np.concatenate([np.stack([a, c, b], -1).reshape(-1, 3), np.stack([b, c, d], -1).reshape(-1, 3)])
    return np.column_stack([x.ravel(), y.ravel(), z.ravel()]), faces.astype(np.int32)


def corners_apart_mm(corners: Floats, others: Floats) -> float:
    """The nearest two of both."""
    return min(float(np.linalg.norm(others - corner, axis=1).min()) for corner in corners)


def gaps(bodies: Sequence[Body], others: Sequence[Body], move: Placed) -> int:
    moved = [body.moved(move) for body in bodies]
    near = [nearest_bodies(body, other, within_mm=WITHIN_MM) for body in moved for other in others]
    return sum(one is not None for one in near)


def main() -> None:
    rng = np.random.default_rng(4)
    bodies, others = unit(rng), room(rng, 60)
    steps = iter(np.linspace(0, 40, 200))
    nudge = median_ms(lambda: gaps(bodies, others, Pose(x_mm=float(next(steps))).placed))
    every = [piece.corners_mm for body in others for piece in body.pieces]
    brute = median_ms(
        lambda: [corners_apart_mm(piece.corners_mm, one) for b in bodies for piece in b.pieces for one in every]
    )
    sys.stdout.write(f"gaps of a nudge, 10 x 60 bodies   {nudge:8.1f} ms   {nudge / brute:5.2f} of corners alone\n")
    for side in SIDES:
        scan(side, bodies, rng)


def scan(side: int, bodies: Sequence[Body], rng: np.random.Generator) -> None:
    """Ten bodies above a scanned floor: cut into blocks, looked at first, nudged, and brought in by four moves."""
    vertices, faces = sheet(side, rng)
    begin = time.process_time()
    surface = in_blocks(vertices, faces)
    cut = time.process_time() - begin
    floor = LaidSurface(surface, 1.0, AS_IS)
    heights = iter(np.linspace(330.0, 331.0, 2 * ROUNDS))
    pieces = [piece for body in bodies for piece in body.pieces]

    def against() -> list[Near | None]:
        up = Pose(z_mm=float(next(heights))).placed
        return [nearest_on(piece.moved(up), floor, within_mm=WITHIN_MM) for piece in pieces]

    first, warm = median_ms(against, 1), median_ms(against)
    above = [piece.moved(Pose(z_mm=330).placed) for piece in pieces]
    brute = median_ms(lambda: [corners_apart_mm(piece.corners_mm, vertices) for piece in above], 1)
    nose_down = Pose(pitch_deg=12).placed.turn
    moves = [
        Move(np.array([300.0, 0, 0]), np.eye(3), np.zeros(3)),
        Move(np.array([0.0, 0, -150]), nose_down, np.array([0.0, 0, 500])),
        Move(np.array([200.0, 50, 0]), nose_down.T, np.array([300.0, 0, 350])),
        Move(np.array([0.0, 0, -60]), np.eye(3), np.zeros(3)),
    ]
    parts = [PathPart(body=body.moved(Pose(z_mm=520).placed)) for body in bodies]
    path = median_ms(lambda: walk(parts, [PathPart(body=Body("floor", (), floor))], moves, within_mm=100.0), 1)
    sys.stdout.write(
        f"against {len(faces):8d} triangles   cut up {cut:5.2f} s   first {first:7.1f} ms   nudge {warm:7.1f} ms, "
        f"{warm / brute:6.4f} of a vertex search   four moves, two with a turn {path:7.1f} ms\n"
    )


if __name__ == "__main__":
    main()
