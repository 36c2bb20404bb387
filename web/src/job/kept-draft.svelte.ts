import type { Sheets } from '../api/types';
import { isoNow } from '../lib/format';
import type { Drafts } from './drafts';

const TYPING_MS = 300; // until what stands in a field is kept on the device

/** What is not saved yet, kept on this device. */
export class KeptDraft {
  isKept = $state(true); // false while this device can't keep it
  readonly #drafts: Drafts;
  readonly #basedOn: () => number;
  #typed: ReturnType<typeof setTimeout> | undefined;

  constructor(drafts: Drafts, basedOn: () => number) {
    this.#drafts = drafts;
    this.#basedOn = basedOn;
  }

  /** Keep sheets, before the server is asked about them. */
  keep(sheets: Sheets): void {
    clearTimeout(this.#typed);
    const draft = { basedOn: this.#basedOn(), at: isoNow(), sheets: $state.snapshot(sheets) as Sheets };
    this.#drafts.keep(draft).then(
      () => (this.isKept = true),
      () => (this.isKept = false),
    );
  }

  /** Keep what stands in a field in a moment, when nothing more is typed. */
  keepSoon(sheets: () => Sheets): void {
    clearTimeout(this.#typed);
    this.#typed = setTimeout(() => this.keep(sheets()), TYPING_MS);
  }

  drop(): void {
    clearTimeout(this.#typed);
    this.#drafts.drop().catch(() => {}); // nothing is lost: what stands there is saved
  }
}
