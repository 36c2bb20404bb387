/** A hand on a view: the unit is dragged or nudged in whole steps, a free eye turned. */
import type { Eye, Point2, Point3 } from './scene';

export interface Held {
  eye: Eye;
  pxPerMm: number;
  stepMm: number;
  title: string;
  onmove: ((byMm: Point3, gesture: string) => void) | null; // of the unit
  onturn: ((roundDeg: number, aboveDeg: number) => void) | undefined; // of the eye
}

const KEYS: Record<string, Point2> = {
  ArrowRight: [1, 0],
  ArrowLeft: [-1, 0],
  ArrowUp: [0, 1],
  ArrowDown: [0, -1],
};
const DEG_PER_KEY = 10;
const DEG_PER_PX = 0.5;

/** So far across the picture and up it, in the scene. */
export function inScene(eye: Eye, across: number, up: number): Point3 {
  return [
    eye.across[0] * across + eye.up[0] * up,
    eye.across[1] * across + eye.up[1] * up,
    eye.across[2] * across + eye.up[2] * up,
  ];
}

export class Hand {
  readonly #at: () => Held;
  #grip: { x: number; y: number; gone: Point2; isUnit: boolean } | null = null;

  constructor(at: () => Held) {
    this.#at = at;
  }

  down(event: PointerEvent, isUnit: boolean): void {
    const { onmove, onturn } = this.#at();
    if (isUnit ? !onmove : !onturn) return;
    event.stopPropagation();
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.#grip = { x: event.clientX, y: event.clientY, gone: [0, 0], isUnit };
  }

  move(event: PointerEvent): void {
    const grip = this.#grip;
    if (!grip) return;
    const { eye, pxPerMm, stepMm, title, onmove, onturn } = this.#at();
    const [dx, dy] = [event.clientX - grip.x, grip.y - event.clientY];
    if (!grip.isUnit) {
      onturn?.(dx * DEG_PER_PX, -dy * DEG_PER_PX);
      this.#grip = { ...grip, x: event.clientX, y: event.clientY };
      return;
    }
    const stepped = (px: number) => Math.round(px / pxPerMm / stepMm) * stepMm;
    const gone: Point2 = [stepped(dx), stepped(dy)];
    const by = inScene(eye, gone[0] - grip.gone[0], gone[1] - grip.gone[1]);
    if (by.some((one) => one !== 0)) onmove?.(by, `drag ${title}`);
    this.#grip = { ...grip, gone };
  }

  up(): void {
    this.#grip = null;
  }

  key(event: KeyboardEvent): void {
    const way = KEYS[event.key];
    if (!way || event.ctrlKey || event.metaKey || event.altKey) return;
    event.preventDefault();
    const { eye, stepMm, title, onmove, onturn } = this.#at();
    if (onturn) onturn(way[0] * DEG_PER_KEY, way[1] * DEG_PER_KEY);
    else onmove?.(inScene(eye, way[0] * stepMm, way[1] * stepMm), `nudge ${title}`);
  }
}
