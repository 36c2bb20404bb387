import type { Heard } from './reader';

const NOTHING: Heard = { problem: '', echo: '' };

/**
 * A field that is being typed in. A figure is taken once, however often it is entered while it is looked at: Enter,
 * and then the field is left. What could not be read stays for mending.
 */
export class TypedFigure {
  text = $state<string | null>(null); // null while the field shows what the sheet holds
  heard = $state.raw<Heard>(NOTHING);
  #asked: { text: string; taken: Promise<boolean> } | null = null;

  /** Take what is typed, where it differs from what is `kept`; says whether the field is done with. */
  commit(kept: string, take: (text: string) => Promise<Heard>): Promise<boolean> {
    const text = this.text?.trim();
    if (text === undefined || (text === kept && !this.#asked)) {
      this.text = null;
      return Promise.resolve(true);
    }
    if (this.#asked?.text === text) return this.#asked.taken;
    const asked = { text, taken: this.#take(text, take) };
    this.#asked = asked;
    return asked.taken;
  }

  async #take(text: string, take: (text: string) => Promise<Heard>): Promise<boolean> {
    try {
      this.heard = await take(text);
    } finally {
      if (this.#asked?.text === text) this.#asked = null;
    }
    if (this.heard.problem) return false;
    if (this.text?.trim() === text) this.text = null;
    return true;
  }

  /** Show what the sheet holds again. */
  giveUp(): void {
    this.text = null;
    this.heard = NOTHING;
  }
}
