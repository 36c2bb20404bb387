import { describe, expect, it } from 'vitest';
import type { Survey, SurveyRead, SurveyReading, SurveyResult } from '../../api/types';
import { arcPath, onArc } from './motor-ring';
import { chosen, readingOf, type Between } from './readings';
import { framesOf, keptReadings, withFile, withoutHole } from './survey-edits';

const IDS = ['H1', 'H2', 'H3'];
const BETWEEN: Between = { kind: 'inside', a: 'H1', b: 'H2', frame: 'square', edge: 'centre' };
const pair = (a: string, b: string, text = '90'): SurveyReading =>
  readingOf({ ...BETWEEN, a, b }, text, 'caliper')!;

describe('a new reading', () => {
  it('never goes from a hole to itself, and a radius always to the shaft', () => {
    expect(chosen(BETWEEN, { a: 'H2' }, IDS)).toMatchObject({ a: 'H2', b: 'H1' });
    expect(chosen(BETWEEN, { kind: 'radius' }, IDS).b).toBe('C');
    expect(chosen({ ...BETWEEN, kind: 'x', a: 'C' }, { kind: 'outside' }, IDS)).toMatchObject({
      a: 'H1',
      b: 'H2',
    });
  });

  it('keeps its edge and frame along a square, and its pair otherwise', () => {
    expect(readingOf({ ...BETWEEN, kind: 'y', a: 'C', edge: 'low' }, '40', 'square')).toMatchObject({
      kind: 'y',
      a: 'C',
      frame: 'square',
      edge: 'low',
      reading: { text: '40', tool: 'square' },
    });
    expect(pair('H1', 'H2')).not.toHaveProperty('frame');
    expect(readingOf({ ...BETWEEN, kind: 'sweep' }, '1', 'caliper')).toBeNull();
  });
});

describe('changes to a survey', () => {
  const survey = {
    holes: IDS.map((id) => ({ id, diameter: { text: '10' }, is_bore: false })),
    readings: [pair('H1', 'H2'), pair('H2', 'H3'), readingOf({ ...BETWEEN, kind: 'x' }, '5', 'caliper')!],
    direction_of: 'H1',
  } as unknown as Survey;

  it('puts a reading that was asked for again in the place of the one that did not fit', () => {
    const asked = { kind: 'inside', a: 'H2', b: 'H3', why: '', replaces: 1 } as SurveyResult['next_reading'];
    const kept = keptReadings(survey.readings, pair('H2', 'H3', '88'), asked);
    expect(kept).toHaveLength(3);
    expect(kept[1]).toMatchObject({ reading: { text: '88' } });
    expect(keptReadings(survey.readings, pair('H1', 'H3'), asked)).toHaveLength(4);
  });

  it('takes a hole away with all that hangs on it', () => {
    const left = withoutHole(survey, 'H1');
    expect(left.holes.map((hole) => hole.id)).toEqual(['H2', 'H3']);
    expect(left.readings).toHaveLength(1);
    expect(left.direction_of).toBeNull();
  });

  it('lets a file read again replace what it gave before, and leaves the rest', () => {
    expect(framesOf(survey)).toEqual(['square']);
    const read = {
      holes: [],
      readings: [readingOf({ ...BETWEEN, kind: 'x', a: 'H2' }, '7', 'caliper')],
      outline: null,
    } as unknown as SurveyRead;
    const after = withFile(survey, read);
    expect(after.readings).toHaveLength(3);
    expect(after.readings.at(-1)).toMatchObject({ a: 'H2', reading: { text: '7' } });
  });
});

describe('the terminals’ arc', () => {
  it('lies mirrored when the plate is turned over', () => {
    const [seen, over] = [onArc(30, 100, 1), onArc(30, 100, -1)];
    expect(over.x).toBeCloseTo(-seen.x);
    expect(over.y).toBeCloseTo(seen.y);
    expect(arcPath(0, 270, 10, 1)).toMatch(/ 0 1 1 /);
    expect(arcPath(0, 90, 10, -1)).toMatch(/ 0 0 0 /);
  });
});
