/** Which of a bench's parts is looked at, where it has several. */
import type { PartResult } from '../api/types';

export class ShownPart {
  partKey = $state<string | null>(null);
  readonly #parts: () => readonly PartResult[];

  constructor(parts: () => readonly PartResult[]) {
    this.#parts = parts;
  }

  get parts(): readonly PartResult[] {
    return this.#parts();
  }

  get part(): PartResult | null {
    return this.parts.find((one) => one.key === this.partKey) ?? null;
  }
}
