/** A height that a slider sets, or that goes up and down by itself while somebody looks. */
export class Moving {
  share = $state(0); // of the way: -1 at full droop, 0 at ride height, 1 at the bump stop
  isPlaying = $state(false);
  #began = 0;
  #frame = 0;
  readonly #period = 4200; // ms, there and back

  play(): void {
    this.isPlaying = !this.isPlaying;
    cancelAnimationFrame(this.#frame);
    if (!this.isPlaying) return;
    this.#began = performance.now() - (Math.asin(this.share) / (2 * Math.PI)) * this.#period;
    const step = (now: number): void => {
      if (!this.isPlaying) return;
      this.share = Math.sin((2 * Math.PI * (now - this.#began)) / this.#period);
      this.#frame = requestAnimationFrame(step);
    };
    this.#frame = requestAnimationFrame(step);
  }

  stop(): void {
    this.isPlaying = false;
    cancelAnimationFrame(this.#frame);
  }

  set(share: number): void {
    this.stop();
    this.share = share;
  }
}

/** The row whose height is nearest to that share of its own droop or bump. */
export function rowAt<R extends { height_mm: number }>(rows: readonly R[], share: number): R | undefined {
  const least = Math.min(0, ...rows.map((row) => row.height_mm));
  const most = Math.max(0, ...rows.map((row) => row.height_mm));
  const wanted = share < 0 ? -share * least : share * most;
  let best: R | undefined;
  for (const row of rows) {
    if (!best || Math.abs(row.height_mm - wanted) < Math.abs(best.height_mm - wanted)) best = row;
  }
  return best;
}
