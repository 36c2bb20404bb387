import type { Check } from '../api/types';

/** What the ledger shows of a job's checks. Verdicts and order come from the core; nothing is judged here. */
export class LedgerState {
  readonly #checks: () => readonly Check[];
  readonly #bench: () => string;
  wholeJob = $state(false);
  openKey = $state<string | null>(null);
  readonly hasOwn = $derived.by(() => this.#checks().some((check) => check.bench === this.#bench()));
  readonly #own = $derived.by(() => this.#checks().filter((check) => check.bench === this.#bench()));
  /** A bench without checks of its own shows the job's. */
  readonly isWhole = $derived(this.wholeJob || !this.hasOwn);
  readonly shown = $derived.by(() => (this.isWhole ? this.#checks() : this.#own));
  readonly needing = $derived(
    this.shown.filter((check) => check.verdict === 'fails' || check.verdict === 'not_known').length,
  );

  /** Takes getters, not values, and so follows the props of the component that made it. */
  constructor(checks: () => readonly Check[], bench: () => string) {
    this.#checks = checks;
    this.#bench = bench;
  }

  toggle(key: string): void {
    this.openKey = this.openKey === key ? null : key;
  }
}
