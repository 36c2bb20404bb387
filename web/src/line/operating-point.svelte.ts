import type { Line } from '../api/types';

/** Where on the road the Line is read: a case of driving and a place in the core's table of speeds. */
export class OperatingPoint {
  readonly #line: () => Line | null;
  caseKey = $state('cruise');
  #wanted = $state(80);

  readonly case = $derived.by(() => {
    const cases = this.#line()?.cases ?? [];
    return cases.find((one) => one.key === this.caseKey) ?? cases[0] ?? null;
  });
  /** The nearest tabulated speed to the one asked for. */
  readonly index = $derived.by(() => {
    const speeds = this.#line()?.speed_kmh ?? [];
    const after = speeds.findIndex((speed) => speed >= this.#wanted);
    return after < 0 ? Math.max(0, speeds.length - 1) : after;
  });
  readonly kmh = $derived.by(() => this.#line()?.speed_kmh[this.index] ?? 0);

  constructor(line: () => Line | null) {
    this.#line = line;
  }

  moveTo(kmh: number): void {
    this.#wanted = kmh;
  }
}
