import type { HoleResult, PartResult, PlateResult, SurveyReading, SurveyResult } from '../../api/types';
import { otherSide, sideWords, viewOf, type SideSeen } from '../../parts/sides';

export type SurveyOf = 'flange' | 'face';

/** What is pointed at on the plate bench, which part and survey is looked at, and from which side. */
export class PlateState {
  side = $state<SideSeen>('first');
  asked = $state<SurveyOf>('flange');
  partKey = $state<string | null>(null);
  hoveredReading = $state<number | null>(null);
  pickedHole = $state<string | null>(null);
  readonly #result: () => PlateResult;
  readonly #parts: () => readonly PartResult[];

  readonly parts = $derived.by(() => this.#parts());
  readonly part = $derived(this.parts.find((one) => one.key === this.partKey) ?? this.parts[0] ?? null);
  /** A survey of the motor's face that was taken away is no longer looked at. */
  readonly of = $derived.by((): SurveyOf => (this.#result().face_survey ? this.asked : 'flange'));
  /** The readings that are looked at: the flange's, or those of the motor's own face. */
  readonly survey = $derived.by((): SurveyResult => {
    const { survey, face_survey: face } = this.#result();
    return this.of === 'face' && face ? face : survey;
  });
  readonly isFace = $derived(this.of === 'face');
  readonly drawing = $derived.by(() => {
    if (this.isFace || !this.part) return null;
    return viewOf(this.part, this.side);
  });
  /** What the eye looks at, in words. */
  readonly seenFrom = $derived.by(() => {
    if (this.isFace) return 'Looking at the motor’s face';
    return `Seen from ${sideWords(this.part, this.side)}`;
  });
  /** Surveyed holes as the eye on this side has them; none where the part has none of them. */
  readonly holes = $derived.by((): readonly HoleResult[] => {
    if (!this.isFace && this.part && !this.part.hole_table.some((hole) => hole.kind === 'flange')) return [];
    return this.side === 'first' && !this.isFace ? this.survey.holes : this.survey.holes_turned_over;
  });
  /** Which way the motor turns, as drawn, when its clocking angle grows. */
  readonly sense = $derived(this.side === 'first' ? 1 : -1);

  constructor(result: () => PlateResult, parts: () => readonly PartResult[]) {
    this.#result = result;
    this.#parts = parts;
  }

  hole(id: string): HoleResult | undefined {
    return this.holes.find((hole) => hole.id === id);
  }

  turnOver(): void {
    this.side = otherSide(this.side);
  }
}

/** The points a reading goes between. */
export function endsOf(reading: SurveyReading): readonly string[] {
  if ('b' in reading) return [reading.a, reading.b];
  return 'towards' in reading ? [reading.a, reading.towards] : [reading.a];
}
