import type { Candidate, RatiosResult } from '../../api/types';

const MOST_COMPARED = 4;

/** Which candidates stand side by side. What each gives comes from the core. */
export class RatiosState {
  readonly #result: () => RatiosResult;
  #picked = $state.raw<readonly string[]>([]);
  hovered = $state<string | null>(null);

  readonly chosen = $derived.by(() => this.#result().candidates.find((one) => one.is_chosen) ?? null);
  /** The chosen one first, then those picked; until some are, the first that nothing beats. */
  readonly compared = $derived.by((): readonly Candidate[] => {
    const { candidates } = this.#result();
    const picked = candidates.filter((one) => this.#picked.includes(one.key));
    const others = picked.length > 0 ? picked : candidates.filter((one) => one.beaten_by === null);
    const rest = others.filter((one) => !one.is_chosen).slice(0, MOST_COMPARED - (this.chosen ? 1 : 0));
    return this.chosen ? [this.chosen, ...rest] : rest;
  });

  constructor(result: () => RatiosResult) {
    this.#result = result;
  }

  isCompared(key: string): boolean {
    return this.compared.some((one) => one.key === key);
  }

  toggle(key: string): void {
    const shown = this.#picked.length > 0 ? this.#picked : this.compared.map((one) => one.key);
    const next = shown.includes(key) ? shown.filter((one) => one !== key) : [...shown, key];
    this.#picked = next.slice(-MOST_COMPARED - 1);
  }
}
