import type { Sheets } from '../api/types';

const MOST = 200;
const GESTURE_MS = 900;

/** The sheets before each step, and after each that was taken back. */
export class Undo {
  #past = $state.raw<readonly Sheets[]>([]);
  #future = $state.raw<readonly Sheets[]>([]);
  #gesture = '';
  #gestureAt = 0;
  readonly canUndo = $derived(this.#past.length > 0);
  readonly canRedo = $derived(this.#future.length > 0);

  /** A step is taken from `before`; steps of one gesture, such as a drag, that follow closely are one. */
  step(before: Sheets, gesture = ''): void {
    const isSame = gesture !== '' && gesture === this.#gesture && Date.now() - this.#gestureAt < GESTURE_MS;
    if (!isSame) this.#past = [...this.#past.slice(-MOST), before];
    this.#gesture = gesture;
    this.#gestureAt = Date.now();
    this.#future = [];
  }

  /** Something else stands on the screen now; what stood there is one step back. */
  replaced(before: Sheets): void {
    this.#past = [...this.#past, before];
  }

  /** What stood there a step before `now`, if any. */
  back(now: Sheets): Sheets | null {
    const before = this.#past.at(-1);
    if (!before) return null;
    this.#past = this.#past.slice(0, -1);
    this.#future = [...this.#future, now];
    return before;
  }

  /** What was taken back last, if any. */
  forward(now: Sheets): Sheets | null {
    const after = this.#future.at(-1);
    if (!after) return null;
    this.#future = this.#future.slice(0, -1);
    this.#past = [...this.#past, now];
    return after;
  }
}
