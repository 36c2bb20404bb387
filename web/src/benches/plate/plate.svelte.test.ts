import { describe, expect, it } from 'vitest';
import type { HoleResult, PlateResult, SurveyReading } from '../../api/types';
import { endsOf, PlateState } from './plate.svelte';

const HOLE = {
  id: 'H1',
  x_mm: 120,
  y_mm: 40,
  diameter_mm: 12,
  is_loose: false,
  major_mm: 0.2,
  minor_mm: 0.1,
  angle_deg: 30,
};
const RESULT = {
  survey: { holes: [HOLE] as HoleResult[] },
  engine_side: { seen_from: 'engine side' },
  gearbox_side: { seen_from: 'gearbox side' },
} as PlateResult;

describe('PlateState', () => {
  it('turned over, shows the other drawing, its holes and ellipses mirrored, and turns the other way', () => {
    const plate = new PlateState(() => RESULT);
    expect([plate.drawing?.seen_from, plate.sense]).toEqual(['engine side', 1]);
    plate.turnOver();
    expect([plate.drawing?.seen_from, plate.sense]).toEqual(['gearbox side', -1]);
    expect(plate.hole('H1')).toMatchObject({ x_mm: -120, y_mm: 40, angle_deg: 150 });
    plate.turnOver();
    expect(plate.hole('H1')).toEqual(HOLE);
  });

  it('knows the ends of a reading', () => {
    expect(endsOf({ kind: 'inside', a: 'H1', b: 'H2' } as SurveyReading)).toEqual(['H1', 'H2']);
    expect(endsOf({ kind: 'x', a: 'H1', frame: 'square' } as SurveyReading)).toEqual(['H1']);
  });
});
