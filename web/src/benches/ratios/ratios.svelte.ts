import type { Candidate, RatiosResult } from '../../api/types';

const MOST_COMPARED = 4;

/** Which candidates stand side by side. What each gives comes from the core. */
export class RatiosState {
  readonly #result: () => RatiosResult;
  #picked = $state.raw<readonly string[]>([]);
  hovered = $state<string | null>(null);

  readonly chosen = $derived.by(() => this.#result().candidates.find((one) => one.is_chosen) ?? null);
  /** The chosen one first, then those picked last; until some are, the first that nothing beats. */
  readonly compared = $derived.by((): readonly Candidate[] => {
    const { candidates } = this.#result();
    const picked = this.#picked.flatMap((key) => candidates.filter((one) => one.key === key));
    const others = picked.length > 0 ? picked : candidates.filter((one) => one.beaten_by === null);
    const room = MOST_COMPARED - (this.chosen ? 1 : 0);
    const rest = others.filter((one) => !one.is_chosen);
    const shown = picked.length > 0 ? rest.slice(-room) : rest.slice(0, room);
    return this.chosen ? [this.chosen, ...shown] : shown;
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
    this.#picked = next;
  }
}
