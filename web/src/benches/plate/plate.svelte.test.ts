import { describe, expect, it } from 'vitest';
import type { HoleResult, PartResult, PlateResult, SurveyReading } from '../../api/types';
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
const OVER = { ...HOLE, x_mm: -120, angle_deg: 150 };
const RESULT = {
  survey: { holes: [HOLE], holes_turned_over: [OVER] },
  face_survey: { holes: [{ ...HOLE, id: 'M1' }], holes_turned_over: [{ ...OVER, id: 'M1' }] },
} as unknown as PlateResult;
const views = ['engine side', 'gearbox side'].map((called, k) => ({
  side: k === 0 ? 'first' : 'second',
  called,
  drawing: { seen_from: called },
}));
const PARTS = [
  { key: 'plate.plate', hole_table: [{ id: 'H1', kind: 'flange' }], views },
  { key: 'plate.motor_plate', hole_table: [{ id: 'M1', kind: 'motor' }], views },
] as unknown as PartResult[];
const made = () =>
  new PlateState(
    () => RESULT,
    () => PARTS,
  );

describe('PlateState', () => {
  it('turned over, shows the other drawing and the holes as the core has them there, and turns the other way', () => {
    const plate = made();
    expect([plate.drawing?.seen_from, plate.sense]).toEqual(['engine side', 1]);
    plate.turnOver();
    expect([plate.drawing?.seen_from, plate.sense]).toEqual(['gearbox side', -1]);
    expect(plate.hole('H1')).toMatchObject({ x_mm: -120, y_mm: 40, angle_deg: 150 });
    plate.turnOver();
    expect(plate.hole('H1')).toEqual(HOLE);
  });

  it('shows surveyed holes only on a part that has them, and the motor’s own as one looks at its face', () => {
    const plate = made();
    plate.partKey = 'plate.motor_plate';
    expect(plate.holes).toEqual([]);
    plate.asked = 'face';
    expect([plate.drawing, plate.seenFrom]).toEqual([null, 'Looking at the motor’s face']);
    expect(plate.hole('M1')?.x_mm).toBe(-120);
  });

  it('knows the ends of a reading', () => {
    expect(endsOf({ kind: 'inside', a: 'H1', b: 'H2' } as SurveyReading)).toEqual(['H1', 'H2']);
    expect(endsOf({ kind: 'sweep', a: 'B1', towards: 'H2' } as SurveyReading)).toEqual(['B1', 'H2']);
    expect(endsOf({ kind: 'x', a: 'H1', frame: 'square' } as SurveyReading)).toEqual(['H1']);
  });
});
