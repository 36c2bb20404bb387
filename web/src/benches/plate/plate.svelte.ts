import type { HoleResult, PlateResult, SurveyReading } from '../../api/types';

export type SideSeen = 'engine' | 'gearbox';

/** What is pointed at on the plate bench, and which side it is seen from. */
export class PlateState {
  side = $state<SideSeen>('engine');
  hoveredReading = $state<number | null>(null);
  pickedHole = $state<string | null>(null);
  readonly #result: () => PlateResult;

  readonly drawing = $derived.by(() =>
    this.side === 'engine' ? this.#result().engine_side : this.#result().gearbox_side,
  );
  /** The holes as the eye on this side has them. */
  readonly holes = $derived.by((): readonly HoleResult[] => {
    const { holes } = this.#result().survey;
    if (this.side === 'engine') return holes;
    return holes.map((hole) => ({
      ...hole,
      x_mm: -hole.x_mm,
      angle_deg: hole.angle_deg === null ? null : 180 - (hole.angle_deg ?? 0),
    }));
  });
  /** Which way the motor turns, as drawn, when its clocking angle grows. */
  readonly sense = $derived(this.side === 'engine' ? 1 : -1);

  constructor(result: () => PlateResult) {
    this.#result = result;
  }

  hole(id: string): HoleResult | undefined {
    return this.holes.find((hole) => hole.id === id);
  }

  turnOver(): void {
    this.side = this.side === 'engine' ? 'gearbox' : 'engine';
  }
}

/** The points a reading goes between. */
export function endsOf(reading: SurveyReading): readonly string[] {
  return 'b' in reading ? [reading.a, reading.b] : [reading.a];
}
