import type { Line } from '../api/types';

/** Where on the road the Line is read: a case of driving and a place in the core's table of speeds. */
export class OperatingPoint {
  readonly #line: () => Line | null;
  caseKey = $state('cruise');
  #asked = $state<number | null>(null);
  /** Until a speed is asked for: 80 km/h, or as fast as it goes. */
  readonly #wanted = $derived.by(() => this.#asked ?? Math.min(80, this.#line()?.top_kmh ?? 80));

  readonly case = $derived.by(() => {
    const cases = this.#line()?.cases ?? [];
    return cases.find((one) => one.key === this.caseKey) ?? cases[0] ?? null;
  });
  /** The nearest tabulated speed to the one asked for. */
  readonly index = $derived.by(() => {
    const speeds = this.#line()?.speed_kmh ?? [];
    return Math.max(
      0,
      speeds.findLastIndex((speed) => speed <= this.#wanted),
    );
  });
  readonly kmh = $derived.by(() => this.#line()?.speed_kmh[this.index] ?? 0);

  constructor(line: () => Line | null) {
    this.#line = line;
  }

  moveTo(kmh: number): void {
    this.#asked = kmh;
  }
}
