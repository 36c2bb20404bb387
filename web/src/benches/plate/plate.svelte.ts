import type { HoleResult, PartResult, PlateResult, SurveyReading, SurveyResult } from '../../api/types';

export type SideSeen = 'engine' | 'gearbox';
export type SurveyOf = 'flange' | 'face';

/** What is pointed at on the plate bench, which part and survey is looked at, and from which side. */
export class PlateState {
  side = $state<SideSeen>('engine');
  of = $state<SurveyOf>('flange');
  partKey = $state<string | null>(null);
  hoveredReading = $state<number | null>(null);
  pickedHole = $state<string | null>(null);
  readonly #result: () => PlateResult;

  readonly part = $derived.by((): PartResult | null => {
    const { parts } = this.#result();
    return parts.find((one) => one.key === this.partKey) ?? parts[0] ?? null;
  });
  /** The readings that are looked at: the flange's, or those of the motor's own face. */
  readonly survey = $derived.by((): SurveyResult => {
    const { survey, face_survey: face } = this.#result();
    return this.of === 'face' && face ? face : survey;
  });
  readonly isFace = $derived(this.of === 'face');
  readonly drawing = $derived.by(() => {
    if (this.isFace || !this.part) return null;
    return this.side === 'engine' ? this.part.engine_side : this.part.gearbox_side;
  });
  /** What the eye looks at, in words. */
  readonly seenFrom = $derived.by(() => {
    if (this.isFace) return 'Looking at the motor’s face';
    const seen = this.drawing?.seen_from ?? `${this.side} side`;
    return seen === 'above' || seen === 'below' ? `Seen from ${seen}` : `Seen from the ${seen}`;
  });
  /** Surveyed holes as the eye on this side has them; none where the part has none of them. */
  readonly holes = $derived.by((): readonly HoleResult[] => {
    const { holes } = this.survey;
    if (!this.isFace && this.part && !this.part.hole_table.some((hole) => hole.kind === 'flange')) return [];
    if (this.side === 'engine' && !this.isFace) return holes;
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
  if ('b' in reading) return [reading.a, reading.b];
  return 'towards' in reading ? [reading.a, reading.towards] : [reading.a];
}
