import type { Candidate, Cloud, Pick, RatiosResult } from '../../api/types';

const MOST_COLUMNS = 4;
const MOST_PINNED = 3;
const FIELDS = [
  'reduction',
  'front_reduction',
  'gear',
  'transfer',
  'final_drive',
  'front_final_drive',
  'tyre',
] as const satisfies readonly (keyof Pick)[];

export function isSamePick(one: Pick, other: Pick): boolean {
  return FIELDS.every((field) => (one[field] ?? null) === (other[field] ?? null));
}

/** A point of the trade plot. */
export interface TradePoint {
  pick: Pick;
  name: string;
  topKmh: number;
  launchS: number | null;
  cruiseRpm: number;
  isBeaten: boolean;
  does: number; // a bit per must
}

export function tradePoints(cloud: Cloud | null | undefined): TradePoint[] {
  if (!cloud) return [];
  return cloud.picks.map((numbers, k) => {
    const pick: Pick = {};
    cloud.options.forEach((option, at) => {
      pick[option.field as keyof Pick] = option.names[numbers[at] ?? 0] ?? null;
    });
    return {
      pick,
      name: cloud.names[k] ?? '',
      topKmh: cloud.top_kmh[k] ?? 0,
      launchS: cloud.s_0_50[k] ?? null,
      cruiseRpm: cloud.cruise_rpm[k] ?? 0,
      isBeaten: cloud.is_beaten[k] ?? true,
      does: cloud.does[k] ?? 0,
    };
  });
}

/** Returns the pins with one more, or without it; a fourth takes the place of the oldest. */
export function togglePin(pins: readonly Pick[], pick: Pick): Pick[] {
  const rest = pins.filter((one) => !isSamePick(one, pick));
  return rest.length < pins.length ? rest : [...pins, pick].slice(-MOST_PINNED);
}

/** What the trade is looked at through: filters, the point under the pointer, and the columns side by side. */
export class RatiosState {
  readonly #result: () => RatiosResult;
  hovered = $state<string | null>(null);
  wanted = $state.raw<readonly string[]>([]);

  readonly shown = $derived.by(() => this.#result().candidates[0] ?? null);
  readonly points = $derived.by(() => tradePoints(this.#result().cloud));
  readonly #mask = $derived.by(() =>
    this.#result().musts.reduce(
      (mask, must, k) => (this.wanted.includes(must.key) ? mask | (1 << k) : mask),
      0,
    ),
  );
  /** Points that do all that is ticked. */
  readonly kept = $derived.by(() => this.points.filter((point) => this.#does(point.does)));
  /** The chosen one (or the one shown) first, then the pins; until there are some, others that nothing beats. */
  readonly compared = $derived.by((): readonly Candidate[] => {
    const [first, ...others] = this.#result().candidates;
    if (!first) return [];
    const pinned = others.filter((one) => one.is_pinned);
    const rest = pinned.length > 0 ? pinned : others.filter((one) => one.beaten_by === null);
    return [first, ...rest.slice(0, MOST_COLUMNS - 1)];
  });

  constructor(result: () => RatiosResult) {
    this.#result = result;
  }

  #does(bits: number): boolean {
    return (bits & this.#mask) === this.#mask;
  }

  /** Whether a candidate does all that is ticked. */
  isKept(candidate: Candidate): boolean {
    const point = this.points.find((one) => isSamePick(one.pick, candidate.pick));
    return point === undefined || this.#does(point.does);
  }

  /** What a pick is called: the core's own words for it. */
  nameOf(pick: Pick): string {
    const known = this.#result().candidates.find((one) => isSamePick(one.pick, pick));
    return known?.key ?? this.points.find((one) => isSamePick(one.pick, pick))?.name ?? '';
  }

  doesMust(candidate: Candidate | null, at: number): boolean | null {
    const point = candidate && this.points.find((one) => isSamePick(one.pick, candidate.pick));
    return point ? (point.does & (1 << at)) !== 0 : null;
  }

  toggleMust(key: string): void {
    const rest = this.wanted.filter((one) => one !== key);
    this.wanted = rest.length < this.wanted.length ? rest : [...this.wanted, key];
  }
}
