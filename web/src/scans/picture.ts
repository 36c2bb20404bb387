/** A scan's picture: points on its surface, drawn flat into pixels. It measures nothing. */
import { SvelteMap } from 'svelte/reactivity';

export interface ScanPicture {
  points: Float32Array; // x, y, z of each, in the file's own unit
  facing: Int8Array; // x, y, z of each, in 127ths
  least: readonly number[];
  size: readonly number[];
  spacing: number; // between neighbours, about, in the file's unit
}
export interface Onto {
  /** px across, px down and mm toward the eye: each a row of four over x, y, z, 1. */
  rows: readonly (readonly number[])[];
  toward: readonly number[]; // of the eye, in the file's axes
}
export interface Painted {
  pixels: Uint8ClampedArray<ArrayBuffer>; // RGBA
  which: Int32Array; // the point at each pixel, or -1
}

const HEAD_BYTES = 24;
const POINT_BYTES = 9;
const GREATEST = 65535;
const FULL = 127;

/** Reads the bytes that the server sends: least and size, then places in 16 bits, then facing in 8. */
export function decoded(bytes: ArrayBuffer): ScanPicture {
  const head = new Float32Array(bytes, 0, 6);
  const [least, size] = [Array.from(head.subarray(0, 3)), Array.from(head.subarray(3))];
  const count = Math.floor((bytes.byteLength - HEAD_BYTES) / POINT_BYTES);
  const shares = new Uint16Array(bytes, HEAD_BYTES, 3 * count);
  const points = new Float32Array(3 * count);
  for (let k = 0; k < points.length; k++)
    points[k] = (least[k % 3] ?? 0) + ((shares[k] ?? 0) / GREATEST) * (size[k % 3] ?? 0);
  return {
    points,
    facing: new Int8Array(bytes, HEAD_BYTES + 6 * count, 3 * count),
    least,
    size,
    spacing: spacingOf(points),
  };
}

const SAMPLES = 400;

/** Neighbours on the surface come one after the other, mostly: the middle of the steps between them. */
function spacingOf(points: Float32Array): number {
  const count = points.length / 3;
  const steps: number[] = [];
  for (let n = 0; n < SAMPLES; n++) {
    const k = 3 * Math.floor((n * (count - 1)) / SAMPLES);
    const along = (axis: number) => (points[k + 3 + axis] ?? 0) - (points[k + axis] ?? 0);
    steps.push(Math.hypot(along(0), along(1), along(2)));
  }
  return steps.toSorted((a, b) => a - b)[SAMPLES / 2] ?? 0;
}

/** Paints the points into pixels, the nearest to the eye on top, the brighter the more they face it. */
export function painted(
  picture: ScanPicture,
  { rows, toward }: Onto,
  width: number,
  height: number,
  { ink, ground }: { ink: readonly number[]; ground: readonly number[] },
): Painted {
  const pixels = new Uint8ClampedArray(4 * width * height);
  const which = new Int32Array(width * height).fill(-1);
  const depth = new Float32Array(width * height).fill(-Infinity);
  const { points, facing } = picture;
  const [ax = 0, ay = 0, az = 0, a0 = 0, bx = 0, by = 0, bz = 0, b0 = 0, cx = 0, cy = 0, cz = 0, c0 = 0] =
    rows.flat();
  const [ex = 0, ey = 0, ez = 0] = toward;
  for (let k = 0; k < points.length; k += 3) {
    const [x, y, z] = [points[k] ?? 0, points[k + 1] ?? 0, points[k + 2] ?? 0];
    const px = Math.round(ax * x + ay * y + az * z + a0);
    const py = Math.round(bx * x + by * y + bz * z + b0);
    if (px < 0 || py < 0 || px >= width - 1 || py >= height - 1) continue;
    const near = cx * x + cy * y + cz * z + c0;
    const faces =
      Math.abs(ex * (facing[k] ?? 0) + ey * (facing[k + 1] ?? 0) + ez * (facing[k + 2] ?? 0)) / FULL;
    for (const at of [
      py * width + px,
      py * width + px + 1,
      (py + 1) * width + px,
      (py + 1) * width + px + 1,
    ]) {
      if (near <= (depth[at] ?? 0)) continue;
      depth[at] = near;
      which[at] = k / 3;
      const bright = 0.18 + 0.72 * faces;
      for (let c = 0; c < 3; c++)
        pixels[4 * at + c] = (ground[c] ?? 0) + bright * ((ink[c] ?? 0) - (ground[c] ?? 0));
      pixels[4 * at + 3] = 255;
    }
  }
  return { pixels, which };
}

const kept = new SvelteMap<string, ScanPicture | null>();

/** A scan's picture by its hash; `null` while it is fetched, or where it can't be had. */
export function pictureOf(sha256: string): ScanPicture | null {
  return kept.get(sha256) ?? null;
}

/** Fetches a picture that is not here yet. */
export async function fetchPicture(sha256: string): Promise<void> {
  if (kept.has(sha256)) return;
  kept.set(sha256, null);
  const answer = await fetch(`/api/scans/view/${sha256}`).catch(() => null);
  if (answer?.ok) kept.set(sha256, decoded(await answer.arrayBuffer()));
  else kept.delete(sha256); // asked again when it is wanted again
}
