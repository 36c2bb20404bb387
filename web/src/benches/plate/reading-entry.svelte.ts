import type { FlangeHole, SurveyReading, SurveyResult, Tool } from '../../api/types';
import type { Heard, Reader } from '../../measure/reader';
import { chosen, isAlongAxis, kindOf, readingOf, type Between } from './readings';

/** What a reading is entered into: the holes there are, and where a reading that was read goes. */
export interface Entered {
  holes: readonly FlangeHole[];
  frames: readonly string[];
  next: SurveyResult['next_reading'];
  onadd: (reading: SurveyReading) => void;
}

/** One reading being entered, at the desk or on a phone: what it goes between, its figure, and with what it is taken. */
export class ReadingEntry {
  text = $state('');
  says = $state('');
  #override = $state.raw<Between | null>(null);
  #tool = $state<Tool | null>(null);
  readonly #reader: Reader;
  readonly #entered: () => Entered;

  readonly ids = $derived.by(() => this.#entered().holes.map((hole) => hole.id));
  readonly isSuggested = $derived(this.#override === null);
  /** What the program would have measured next, where somebody measures something else; taken by a key. */
  readonly offered = $derived.by((): Between | null => (this.#override === null ? null : this.#suggested()));
  /** What is suggested, or was chosen over it; null where nothing more is worth measuring. */
  readonly wanted = $derived.by((): Between | null => this.#override ?? this.#suggested());
  /** The same, and where nothing is worth measuring any two holes. */
  readonly between = $derived.by(() => this.wanted ?? this.#start());
  readonly isAxis = $derived(isAlongAxis(this.between.kind));
  readonly tool = $derived<Tool>(this.#tool ?? (this.isAxis ? 'square' : 'caliper'));

  constructor(reader: Reader, entered: () => Entered) {
    this.#reader = reader;
    this.#entered = entered;
  }

  #start(): Between {
    const [a = '', b = 'C'] = this.ids;
    return { kind: 'inside', a, b, frame: this.#entered().frames[0] ?? 'square', edge: 'centre' };
  }

  #suggested(): Between | null {
    const { next } = this.#entered();
    return next ? { ...this.#start(), kind: kindOf(next.kind), a: next.a, b: next.b } : null;
  }

  choose(part: Partial<Between>): void {
    this.#override = chosen(this.between, part, this.ids);
  }

  /** Take what the program suggests again, from now on. */
  takeSuggestion(): void {
    this.#override = null;
  }

  takeWith(tool: Tool): void {
    this.#tool = tool;
  }

  /** What the core makes of a figure. Along an axis it may be below nought. */
  hear(text: string): Promise<Heard> {
    return this.#reader.read(this.isAxis ? text.replace(/^-/, '') : text, 'length', null, this.tool);
  }

  /** Keep a figure, as it is `meant`; the next may be typed while this one is looked at. */
  async keep(meant: (text: string) => string): Promise<void> {
    const [taken, typed, by] = [{ ...this.between }, this.text.trim(), this.tool];
    if (!typed) return;
    const wanted = meant(typed);
    const heard = this.hear(wanted);
    this.text = this.says = '';
    this.says = (await heard).problem;
    if (this.says) {
      this.text = typed;
      return;
    }
    const reading = readingOf(taken, wanted, by);
    if (reading) this.#entered().onadd(reading);
    if (!this.#override) return; // the next suggestion comes by itself
    const next = this.ids[this.ids.indexOf(taken.a) + 1] ?? taken.a;
    if (isAlongAxis(taken.kind)) this.#override = { ...taken, a: next }; // along a square it goes hole by hole
  }
}
