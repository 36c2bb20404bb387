import { describe, expect, it } from 'vitest';
import { merged, pathKey, sideWords, type Side } from './merging';

const was = {
  brief: { mass: { text: '1200 kg', tool: 'scale' }, tyre: { text: '205/55 R16' } },
  motor: { kind: 'curve', peak: 200, rows: [1, 2] },
  holes: [
    { name: 'H1', d: 8 },
    { name: 'H2', d: 8 },
  ],
};
type Sheet = Omit<typeof was, 'motor'> & { motor: Record<string, unknown> };
const base = was as Sheet;
const change = (edit: (sheet: Sheet) => void) => {
  const next = structuredClone(base);
  edit(next);
  return next;
};

describe('merged', () => {
  it('lays changes of different fields together, whoever made them', () => {
    const mine = change((one) => (one.brief.mass.text = '1180 kg'));
    const theirs = change((one) => (one.brief.tyre.text = '195/65 R15'));
    const both = { mass: { text: '1180 kg', tool: 'scale' }, tyre: { text: '195/65 R15' } };
    for (const { sheets, clashes } of [merged(base, mine, theirs), merged(base, theirs, mine)]) {
      expect(clashes).toEqual([]);
      expect(sheets.brief).toEqual(both);
    }
  });

  it('keeps a change that both made, and what only one changed', () => {
    const mine = change((one) => (one.brief.mass.text = '1180 kg'));
    expect(merged(base, mine, mine)).toEqual({ sheets: mine, clashes: [] });
    expect(merged(base, mine, base).sheets).toEqual(mine);
    expect(merged(base, base, mine).sheets).toEqual(mine);
  });

  it('asks about a field that both changed, whole with its tool, and takes the side that is picked', () => {
    const mine = change((one) => (one.brief.mass.text = '1180 kg'));
    const theirs = change((one) => (one.brief.mass.tool = 'guess'));
    const { clashes, sheets } = merged(base, mine, theirs);
    expect(clashes.map((one) => one.path)).toEqual([['brief', 'mass']]);
    expect(sheets.brief.mass).toEqual(mine.brief.mass);
    const picks = new Map<string, Side>([[pathKey(['brief', 'mass']), 'theirs']]);
    expect(merged(base, mine, theirs, picks).sheets.brief.mass).toEqual(theirs.brief.mass);
  });

  it('takes nothing apart whose kind one of them changed', () => {
    const mine = change((one) => (one.motor.peak = 220));
    const theirs = change((one) => (one.motor = { kind: 'points', at: 3000 }));
    const { clashes, sheets } = merged(base, mine, theirs);
    expect(clashes.map((one) => one.path)).toEqual([['motor']]);
    expect(sheets.motor).toEqual(mine.motor);
  });

  it('tells rows apart by their names: added, changed and taken away on either side', () => {
    const mine = change((one) => (one.holes = [{ name: 'H3', d: 10 }, ...one.holes.slice(0, 1)]));
    const theirs = change((one) => {
      one.holes[0]!.d = 9;
      one.holes.push({ name: 'H4', d: 12 });
    });
    const { sheets, clashes } = merged(base, mine, theirs);
    expect(clashes).toEqual([]);
    expect(sheets.holes).toEqual([
      { name: 'H3', d: 10 },
      { name: 'H1', d: 9 },
      { name: 'H4', d: 12 },
    ]);
  });

  it('asks about a row that one changed and the other took away, and about rows without names', () => {
    const mine = change((one) => one.holes.shift());
    const theirs = change((one) => (one.holes[0]!.d = 9));
    const [clash] = merged(base, mine, theirs).clashes;
    expect([clash?.path, sideWords(clash?.mine)]).toEqual([['holes', 'H1'], 'taken away']);
    expect(merged(base, mine, theirs).sheets.holes).toEqual([{ name: 'H2', d: 8 }]);
    const long = change((one) => (one.motor.rows = [1, 2, 3]));
    const short = change((one) => (one.motor.rows = [1]));
    expect(merged(base, long, short).clashes.map((one) => one.path)).toEqual([['motor', 'rows']]);
  });
});
