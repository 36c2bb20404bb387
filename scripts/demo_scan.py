"""Writes the demo's scan: the floor of a pickup's cab from below, with both rails, as a hand-held scanner brings it.

``python scripts/demo_scan.py``: invented shapes, noise, holes, a few stray bits. In mm, y up, from the scanner's own
origin. Says where the rails' holes are on it.
"""

import sys
from pathlib import Path

import numpy as np

from driveline.arrays import Floats
from driveline.space.pose import Placed, Pose

OUT = Path(__file__).parents[1] / "server" / "jobs" / "demo" / "bittern-floor.ply"
STEP_MM = 14.0
NOISE_MM = 0.25
UP = np.array([[1.0, 0, 0], [0, 0, 1], [0, -1, 0]])  # the scanner has y up
SCANNER = Pose(-212, 96, 340, 1.2, -0.8, 14).placed
HOLES = {
    "left rail, A hole": (1480, 385, 455),
    "left rail, C hole": (380, 384, 457),
    "right rail, A hole": (1480, -386, 456),
    "right rail, C hole": (380, -385, 455),
}


def profile() -> Floats:
    """Across the vehicle, y and z: up the left rail's inner side, over the floor with its tunnel, down the right."""
    corners = [(420, 400), (350, 400), (350, 510), (420, 510), (430, 742), (150, 744), (118, 772), (-118, 772)]
    corners += [(-150, 744), (-430, 742), (-420, 510), (-350, 510), (-350, 400), (-420, 400)]
    points = [np.array(corners[0], dtype=float)]
    for a, b in zip(corners, corners[1:], strict=False):
        start, end = np.array(a, dtype=float), np.array(b, dtype=float)
        count = max(round(float(np.linalg.norm(end - start)) / STEP_MM), 1)
        points += [start + (end - start) * k / count for k in range(1, count + 1)]
    return np.array(points)


def floor() -> tuple[Floats, Floats]:
    """Corners and triangles in the vehicle's axes."""
    across, along = profile(), np.arange(300.0, 1561.0, STEP_MM)
    y, z = (np.broadcast_to(one, (len(along), len(across))).copy() for one in across.T)
    x = np.broadcast_to(along[:, None], y.shape)
    is_floor = z > 700
    for middle in (620.0, 900.0, 1180.0):  # pressed stiffeners, 9 mm down
        z -= is_floor * 9.0 * np.clip(2.2 - np.abs(x - middle) / 14, 0, 1)
    z -= is_floor * 26.0 * np.clip(2 - np.hypot(x - 1010, y - 96) / 30, 0, 1)  # a bracket's foot beside the tunnel
    vertices = np.stack([x, y, z], -1).reshape(-1, 3)
    corner = np.arange(len(along) - 1)[:, None] * len(across) + np.arange(len(across) - 1)
    a, b, c, d = (corner + k for k in (0, 1, len(across), len(across) + 1))
    faces = np.concatenate([np.stack([a, b, c], -1).reshape(-1, 3), np.stack([b, d, c], -1).reshape(-1, 3)])
    return vertices, faces


def main() -> None:
    """Write it."""
    rng = np.random.default_rng(15)
    vertices, faces = floor()
    middles = vertices[faces].mean(axis=1)
    marks = np.array([(x, 350.0 * np.sign(y), z) for x, y, z in HOLES.values()])
    bare = [*((one, 11.0) for one in marks), *((middles[k], 34.0) for k in rng.integers(0, len(middles), 9))]
    kept = np.ones(len(faces), dtype=bool)
    for middle, radius in bare:
        kept &= np.linalg.norm(middles - middle, axis=1) > radius
    vertices = vertices + rng.normal(0, NOISE_MM, vertices.shape)
    stray = rng.uniform((320, -340, 470), (1500, 340, 600), (6, 3))  # dust in the scanner's light
    bits = (stray[:, None] + rng.normal(0, 3, (6, 3, 3))).reshape(-1, 3)
    away = np.abs(stray[:, 1]) > 250
    bits = bits.reshape(6, 3, 3)[away].reshape(-1, 3)
    faces = np.vstack([faces[kept], np.arange(len(bits)).reshape(-1, 3) + len(vertices)])
    used, faces = np.unique(faces, return_inverse=True)
    on_scan = Placed(UP @ SCANNER.turn, UP @ SCANNER.at_mm)
    placed = on_scan.points(np.vstack([vertices, bits])[used])
    rows = np.zeros(len(faces.reshape(-1, 3)), dtype=[("count", "u1"), ("corners", "<3u2")])
    rows["count"], rows["corners"] = 3, faces.reshape(-1, 3)
    head = (
        f"ply\nformat binary_little_endian 1.0\nelement vertex {len(placed)}\nproperty float x\nproperty float y\n"
        f"property float z\nelement face {len(rows)}\nproperty list uchar ushort vertex_indices\nend_header\n"
    )
    OUT.write_bytes(head.encode() + placed.astype("<f4").tobytes() + rows.tobytes())
    for name, at in HOLES.items():
        found = on_scan.points(np.array(at, dtype=float)) + rng.normal(0, 0.3, 3)
        sys.stdout.write(f"{name}: {' '.join(f'{value:.1f}' for value in found)}\n")


if __name__ == "__main__":
    main()
