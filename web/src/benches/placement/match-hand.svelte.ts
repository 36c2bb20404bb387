/** A hand on a scan's picture: it turns, shifts and nears it, and carries a cross that takes a point. */
import type { ScanMatch } from '../../api/types';
import type { Onto, ScanPicture } from '../../scans/picture';
import { ontoOf } from '../../scene/scan-scene';
import { EYES, eyeAt, flat, type Eye, type Point3, type Scale, type ViewKey } from '../../scene/scene';

interface Held {
  picture: ScanPicture | null;
  turn: readonly (readonly number[])[];
  scale: number; // mm in one unit of the file
  width: number;
  height: number;
}

const ROOM = 0.92; // of the picture is filled
const DEG_PER_PX = 0.5;
const STEP_PX = 4;
const STILL_PX = 4; // a press that moved less is a click
const WHEEL = 1.15;
const ARROWS: Record<string, readonly [number, number]> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

export class MatchHand {
  view = $state<ViewKey>('free');
  x = $state(300);
  y = $state(200);
  #round = $state(35);
  #above = $state(28);
  #near = $state(1);
  #shift = $state<readonly [number, number]>([0, 0]);
  #grip: { x: number; y: number; moved: number } | null = null;
  readonly #at: () => Held;
  readonly #take: (x: number, y: number) => void;

  constructor(at: () => Held, take: (x: number, y: number) => void) {
    this.#at = at;
    this.#take = take;
  }

  get #eye(): Eye {
    return this.view === 'free' ? eyeAt(this.#round, this.#above) : EYES[this.view];
  }

  /** Millimetres to pixels: the whole scan fills the picture, times how near it was brought. */
  get onto(): Scale {
    const { picture, turn, scale, width, height } = this.#at();
    const eye = this.#eye;
    const corners = cornersOf(picture, scale).map((one) => flat(stood(one, turn), eye));
    const [xs, ys] = [corners.map((one) => one[0]), corners.map((one) => one[1])];
    const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    const fits = Math.min(width / Math.max(right - left, 1), height / Math.max(high - low, 1));
    const pxPerMm = fits * ROOM * this.#near;
    const [dx, dy] = this.#shift;
    return {
      pxPerMm,
      toX: (mm) => width / 2 + dx + (mm - (left + right) / 2) * pxPerMm,
      toY: (mm) => height / 2 + dy - (mm - (low + high) / 2) * pxPerMm,
    };
  }

  get rows(): Onto {
    const { turn, scale } = this.#at();
    return ontoOf(turn, [0, 0, 0], scale, this.#eye, this.onto);
  }

  /** Where the points that have their figures stand in the picture; only plain millimetres are drawn. */
  marks(matches: readonly ScanMatch[]): { k: number; x: number; y: number }[] {
    const { turn } = this.#at();
    const [eye, onto] = [this.#eye, this.onto];
    return matches.flatMap((match, k) => {
      const [x, y, z] = [match.x, match.y, match.z].map((one) => plainMm(one?.text));
      if (x == null || y == null || z == null) return [];
      const [across, up] = flat(stood([x, y, z], turn), eye);
      return [{ k, x: onto.toX(across), y: onto.toY(up) }];
    });
  }

  zoom(times: number): void {
    const { width, height } = this.#at();
    const [dx, dy] = this.#shift;
    const near = Math.min(Math.max(this.#near * times, 0.5), 40);
    const by = near / this.#near;
    // About the cross: what it stands on stays there.
    const [cx, cy] = [this.x - width / 2, this.y - height / 2];
    this.#shift = [cx + (dx - cx) * by, cy + (dy - cy) * by];
    this.#near = near;
  }

  wheel(event: WheelEvent): void {
    event.preventDefault();
    this.#cross(event);
    this.zoom(event.deltaY < 0 ? WHEEL : 1 / WHEEL);
  }

  down(event: PointerEvent): void {
    (event.currentTarget as Element).setPointerCapture(event.pointerId);
    this.#grip = { x: event.clientX, y: event.clientY, moved: 0 };
  }

  move(event: PointerEvent): void {
    if (!this.#grip) return this.#cross(event);
    const [dx, dy] = [event.clientX - this.#grip.x, event.clientY - this.#grip.y];
    const moved = this.#grip.moved + Math.abs(dx) + Math.abs(dy);
    this.#grip = { x: event.clientX, y: event.clientY, moved };
    if (moved <= STILL_PX) return;
    if (this.view === 'free' && !event.shiftKey) this.#turn(dx * DEG_PER_PX, dy * DEG_PER_PX);
    else this.#shift = [this.#shift[0] + dx, this.#shift[1] + dy];
  }

  up(event: PointerEvent): void {
    const isClick = this.#grip !== null && this.#grip.moved <= STILL_PX;
    this.#grip = null;
    if (!isClick) return;
    this.#cross(event);
    this.#take(this.x, this.y);
  }

  key(event: KeyboardEvent): void {
    const way = ARROWS[event.key];
    if (way) {
      event.preventDefault();
      if (event.shiftKey) this.#turn(way[0] * 10, way[1] * 10);
      else [this.x, this.y] = [this.x + way[0] * STEP_PX, this.y + way[1] * STEP_PX];
    } else if (event.key === 'Enter') {
      event.preventDefault();
      this.#take(this.x, this.y);
    } else if (event.key === '+' || event.key === '-') {
      this.zoom(event.key === '+' ? 1.4 : 1 / 1.4);
    }
  }

  #turn(roundDeg: number, aboveDeg: number): void {
    this.#round = (this.#round - roundDeg) % 360;
    this.#above = Math.max(-89, Math.min(89, this.#above + aboveDeg));
  }

  #cross(event: MouseEvent): void {
    const box = (event.currentTarget as Element).getBoundingClientRect();
    [this.x, this.y] = [event.clientX - box.left, event.clientY - box.top];
  }
}

function plainMm(text: string | undefined): number | null {
  const found = /^(-?\d+(?:\.\d+)?)(?: mm)?$/.exec(text ?? '');
  return found ? Number(found[1]) : null;
}

function stood(point: Point3, turn: readonly (readonly number[])[]): Point3 {
  const [x = 0, y = 0, z = 0] = turn.map((row) =>
    row.reduce((sum, one, k) => sum + one * (point[k] ?? 0), 0),
  );
  return [x, y, z];
}

function cornersOf(picture: ScanPicture | null, scale: number): Point3[] {
  const [least, size] = [picture?.least ?? [0, 0, 0], picture?.size ?? [1, 1, 1]];
  const end = (k: number, isFar: number) => ((least[k] ?? 0) + isFar * (size[k] ?? 0)) * scale;
  return [0, 1].flatMap((x) =>
    [0, 1].flatMap((y) => [0, 1].map((z): Point3 => [end(0, x), end(1, y), end(2, z)])),
  );
}
