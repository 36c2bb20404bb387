import { getContext, setContext } from 'svelte';
import type { Quantity } from '../api/types';
import type { Heard } from './reader';
import { figure, keptIn, meantIn, shownIn, SYSTEMS, written, type FigureStyle, type System } from './figures';

const KEY = Symbol('units');

export const SYSTEM_WORDS: Record<System, string> = {
  metric: 'metric',
  us: 'US, inch',
  us_fractions: 'US, 1/64 in',
  british: 'British mix',
};

/**
 * In whose units every figure is shown. A person's own are kept; `u` shows another for a look. What was typed stays as
 * typed, save in a look.
 */
export class Units {
  readonly #own: () => System;
  #looked = $state<System | null>(null);

  readonly system = $derived.by(() => this.#looked ?? this.#own());
  readonly isLook = $derived(this.#looked !== null);

  constructor(own: () => System = () => 'metric') {
    this.#own = own;
  }

  /** The next of the systems; back at a person's own the look is over. */
  cycle(): void {
    const next = SYSTEMS[(SYSTEMS.indexOf(this.system) + 1) % SYSTEMS.length] ?? 'metric';
    this.#looked = next === this.#own() ? null : next;
  }

  endLook(): void {
    this.#looked = null;
  }

  /** A sentence of the core's with its figures written. */
  words(text: string): string {
    return written(text, this.system);
  }

  /** What the core made of a typed text, a length in inches too. */
  heard({ echo, inch, fraction }: Heard): string {
    const isInch = this.symbol('mm') !== 'mm';
    const inches = inch && fraction ? `${isInch ? '' : ` = ${inch}`} ≈ ${fraction}` : '';
    return this.words(echo) + inches;
  }

  /** A metric figure with its symbol; null and undefined are a dash. */
  figure(
    value: number | null | undefined,
    unit: string,
    decimals: number | null,
    style: FigureStyle = {},
  ): string {
    return value === null || value === undefined ? '–' : figure(value, unit, decimals, this.system, style);
  }

  /** The same without its symbol, for a table whose head names it. */
  num(value: number | null | undefined, unit: string, decimals: number | null): string {
    return this.figure(value, unit, decimals, { bare: true });
  }

  symbol(unit: string): string {
    return this.system === 'us_fractions' && unit === 'mm' ? 'in' : shownIn(unit, this.system).symbol;
  }

  /** A metric value in the units shown, as a plot's ticks want it. */
  shown(value: number, unit: string): number {
    return value * shownIn(unit, this.system).factor;
  }

  metric(shown: number, unit: string): number {
    return shown / shownIn(unit, this.system).factor;
  }

  /** A length that was typed: as it was, save in a look. */
  typed(text: string, valueMm: number): string {
    return this.isLook ? this.figure(valueMm, 'mm', 2) : text;
  }

  /** What is meant by a text that is typed now: see `meantIn`. */
  meant(text: string, quantity: Quantity): string {
    return meantIn(text, quantity, this.system);
  }

  /** A kept text as it is shown: see `keptIn`. */
  kept(text: string, quantity: Quantity): string {
    return keptIn(text, quantity, this.system);
  }
}

let page: Units | null = null;

export function provideUnits(units: Units): void {
  page = units;
  setContext(KEY, units);
}

/** A refusal's words in the page's units: it is read once, where no component stands by. */
export function pageWords(text: string): string {
  return (page ?? new Units()).words(text);
}

export function useUnits(): Units {
  return getContext<Units | undefined>(KEY) ?? new Units(); // for a component that is mounted by itself
}
