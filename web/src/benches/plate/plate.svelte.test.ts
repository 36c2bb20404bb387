import { describe, expect, it } from 'vitest';
import type { HoleResult, PlateResult, SurveyReading } from '../../api/types';
import { endsOf, PlateState } from './plate.svelte';

const HOLE: HoleResult = {
  id: 'H1',
  x_mm: 120,
  y_mm: 40,
  diameter_mm: 12,
  is_loose: false,
  is_bore: false,
  major_mm: 0.2,
  minor_mm: 0.1,
  angle_deg: 30,
};
const RESULT = {
  survey: { holes: [HOLE] },
  face_survey: { holes: [{ ...HOLE, id: 'M1' }] },
  parts: [
    {
      key: 'plate',
      hole_table: [{ id: 'H1', kind: 'flange' }],
      engine_side: { seen_from: 'engine side' },
      gearbox_side: { seen_from: 'gearbox side' },
    },
    {
      key: 'motor_plate',
      hole_table: [{ id: 'M1', kind: 'motor' }],
      engine_side: { seen_from: 'engine side' },
    },
  ],
} as unknown as PlateResult;

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

  it('shows surveyed holes only on a part that has them, and the motor’s own as one looks at its face', () => {
    const plate = new PlateState(() => RESULT);
    plate.partKey = 'motor_plate';
    expect(plate.holes).toEqual([]);
    plate.of = 'face';
    expect([plate.drawing, plate.seenFrom]).toEqual([null, 'Looking at the motor’s face']);
    expect(plate.hole('M1')?.x_mm).toBe(-120);
  });

  it('knows the ends of a reading', () => {
    expect(endsOf({ kind: 'inside', a: 'H1', b: 'H2' } as SurveyReading)).toEqual(['H1', 'H2']);
    expect(endsOf({ kind: 'sweep', a: 'B1', towards: 'H2' } as SurveyReading)).toEqual(['B1', 'H2']);
    expect(endsOf({ kind: 'x', a: 'H1', frame: 'square' } as SurveyReading)).toEqual(['H1']);
  });
});
