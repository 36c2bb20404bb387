import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { PlacementResult, PlacementSheet, Stand } from '../../api/types';
import { JobEditor } from '../../job/job-editor.svelte';
import { AN_ANSWER, aJob, MemoryDrafts, serve } from '../../test-support';
import TestJob from '../../TestJob.svelte';
import { moveStand, newStand, newUnitBody, newVehicleBody, standNow, takePlace, takePose } from './edits';
import GapRows from './GapRows.svelte';
import NoneNear from './NoneNear.svelte';
import PointsPanel from './PointsPanel.svelte';
import StandTable from './StandTable.svelte';
import TapeRows from './TapeRows.svelte';
import WayInPanel from './WayInPanel.svelte';

const spot = (x = '', y = '', z = '') => ({ point: null, x: { text: x }, y: { text: y }, z: { text: z } });

function aStand(name: string, at: Stand['at'] = spot('100 mm', '0 mm', '300 mm')): Stand {
  return { ...newStand(name), at };
}
function aSheet(change: Partial<PlacementSheet> = {}): PlacementSheet {
  const sheet = { points: [], tapes: [], bodies: [], none_near: [], stands: [], way_in: [], chosen: null };
  return { ...sheet, ...change } as unknown as PlacementSheet;
}
function aResult(change: Partial<PlacementResult> = {}): PlacementResult {
  const none = { bodies: [], points: [], tapes: [], scans: [], stands: [], offers: [], gaps: [], cuts: [] };
  return {
    ...none,
    openings: [],
    way_in: [],
    to_do: [],
    room: null,
    hangs: null,
    ...change,
  } as PlacementResult;
}
/** Keeps what a panel writes, each time from the sheet that it shows. */
function writing<T>(sheet: T): { written: T[]; change: (write: (next: T) => void) => void } {
  const written: T[] = [];
  const change = (write: (next: T) => void) => {
    const next = structuredClone(sheet);
    write(next);
    written.push(next);
  };
  return { written, change };
}

beforeEach(() => {
  serve({ evaluate: () => ({ json: AN_ANSWER }), measure: () => ({ json: { value: 1, unit: 'mm' } }) });
});
afterEach(() => vi.unstubAllGlobals());

describe('the stand that is worked on', () => {
  it('is the chosen one, or the only one; of two that are not chosen, none', () => {
    const [a, b] = [aStand('as made'), aStand('turned')];
    expect(standNow(aSheet({ stands: [a, b], chosen: 'turned' }))).toBe(b);
    expect(standNow(aSheet({ stands: [a] }))).toBe(a);
    expect(standNow(aSheet({ stands: [a, b] }))).toBeUndefined();
    expect(standNow(aSheet({ stands: [a], chosen: 'gone' }))).toBeUndefined();
  });

  it('is nudged from where it stands on the sheet: the answer to the nudge before may be on its way', () => {
    const sheet = aSheet({ stands: [aStand('as made', spot('110 mm', '8 in', '300 mm'))] });
    moveStand(sheet, [100, 203.2, 300], [10, -1, 0]);
    const { x, y, z } = sheet.stands[0]!.at;
    expect([x?.text, y?.text, z?.text]).toEqual(['120 mm', '202.2 mm', '300 mm']);
  });

  it('stays where it is when it stands at a measured point', () => {
    const sheet = aSheet({ stands: [aStand('as made', { ...spot(), point: 'rear hole' })] });
    const before = structuredClone(sheet.stands);
    moveStand(sheet, [0, 0, 0], [10, 0, 0]);
    expect(sheet.stands).toEqual(before);
  });

  it('takes a pose on offer, and what was sought for it, off its measured point', () => {
    const sheet = aSheet({ stands: [aStand('as made', { ...spot(), point: 'rear hole' })] });
    const pose = { x_mm: 1.004, y_mm: 2, z_mm: 3, roll_deg: 0, pitch_deg: -4, yaw_deg: 180 };
    takePose(sheet, pose as PlacementResult['offers'][number]);
    const stand = sheet.stands[0]!;
    expect(stand.at.point).toBeNull();
    expect([stand.at.x?.text, stand.angles.pitch?.text]).toEqual(['1 mm', '-4 deg']);
    takePlace(sheet, [
      { field: 'placement.stands.0.at.x', text: '12 mm' },
      { field: 'placement.stands.0.name', text: 'no place' },
    ]);
    expect([stand.at.x?.text, stand.name]).toEqual(['12 mm', 'as made']);
  });

  it('begins unsaid: a new body stays, keeps nothing clear, and has no shape', () => {
    expect(newVehicleBody('rail')).toMatchObject({ fate: 'stays', nature: null, shape: null });
    expect(newUnitBody('motor')).toMatchObject({ is_off: false, keeps_clear: false, shape: null });
  });
});

describe('StandTable', () => {
  const stand = (name: string, change: object = {}) => ({
    field: `placement.stands.${name}`,
    name,
    is_chosen: false,
    missing: [],
    joints: [
      { side: 'left', at: 'ride', angle_deg: 4.24 },
      { side: 'right', at: 'ride', angle_deg: 6 },
      { side: 'left', at: 'bump', angle_deg: 19 },
    ],
    least_gap: 'inverter to left rail',
    least_gap_mm: 12.3,
    lowest_mm: 188,
    turns_usual: true,
    is_oiled: true,
    ...change,
  });

  it('sets ways side by side, says that the pump stops, and chooses', async () => {
    const stands = [
      stand('as made'),
      stand('end for end', { turns_usual: false, is_oiled: false, least_gap_mm: -3 }),
      stand('lengthwise', { joints: [], missing: ['lengthwise: its place'], turns_usual: null }),
    ];
    const chosen: string[] = [];
    const result = aResult({ stands: stands as unknown as PlacementResult['stands'] });
    render(StandTable, { result, hasOutputs: true, disabled: false, onchoose: (name) => chosen.push(name) });
    const [made, other, along] = screen.getAllByRole('row').slice(1);
    expect(made?.textContent).toContain('4.2 / 6.0');
    expect(made?.textContent).toContain('usual way');
    expect(other?.textContent).toContain('oil pump stops');
    expect(along?.textContent).toContain('? lengthwise: its place');
    await fireEvent.click(screen.getByLabelText(/end for end/));
    expect(chosen).toEqual(['end for end']);
  });

  it('has no angles where the unit has no outputs of its own', () => {
    const result = aResult({ stands: [stand('as made')] as unknown as PlacementResult['stands'] });
    render(StandTable, { result, hasOutputs: false, disabled: true, onchoose: () => {} });
    expect(screen.queryByText('angles, °')).toBeNull();
    expect(screen.getByRole<HTMLInputElement>('radio').disabled).toBe(true);
  });
});

describe('NoneNear', () => {
  it('asks only of kinds that no body is of, and takes the answer back', async () => {
    const bodies = [{ ...newVehicleBody('left rail'), nature: 'fixed' as const }];
    const sheet = aSheet({ bodies, none_near: ['hot'] });
    const { written, change } = writing(sheet);
    render(NoneNear, { sheet, disabled: false, change });
    expect(screen.queryByLabelText('No sheet or frame near it')).toBeNull();
    await fireEvent.click(screen.getByLabelText('No steering or brakes near it'));
    await fireEvent.click(screen.getByLabelText('Nothing hot or moving near it'));
    expect(written.map((one) => one.none_near)).toEqual([['hot', 'steering'], []]);
  });
});

describe('TapeRows', () => {
  it('names the tape that does not fit, and by how much', () => {
    const tapes = [{ a: 'A', b: 'B', length: { text: '812 mm' } }];
    const fits = [{ label: 'A to B', off_mm: -12.4, is_wrong: true }];
    render(TapeRows, { tapes, names: ['A', 'B'], fits, disabled: false, change: () => {} });
    expect(screen.getByText(/does not fit the others/).textContent).toMatch(/12\.4\smm\s+short/);
  });

  it('adds one between the newest point and the first', async () => {
    const { written, change } = writing<PlacementSheet['tapes']>([]);
    render(TapeRows, { tapes: [], names: ['A', 'B', 'C'], fits: [], disabled: false, change });
    await fireEvent.click(screen.getByText('add a tape'));
    expect(written[0]).toEqual([{ a: 'C', b: 'A' }]);
  });
});

describe('PointsPanel', () => {
  it('asks roughly how high a point lies that tapes leave in two places, and reads the answer', async () => {
    const points = [{ name: 'A', near: { point: null } }];
    const sheet = aSheet({ points });
    const found = { name: 'A', says: 'Tapes leave two places for it.', at_mm: null, u_mm: null };
    const { written, change } = writing(sheet);
    const result = aResult({ points: [found] as unknown as PlacementResult['points'] });
    render(PointsPanel, { sheet, result, disabled: false, change });
    const field = screen.getByLabelText('Roughly how high A is');
    await fireEvent.input(field, { target: { value: '20 in' } });
    await fireEvent.keyDown(field, { key: 'Enter' });
    await vi.waitFor(() => expect(written.at(-1)?.points[0]?.near.z).toEqual({ text: '20 in' }));
  });
});

describe('WayInPanel', () => {
  const steps = [
    { contact_at: 0.4, part: 'rear ear', to: 'tail bracket', gap_mm: null },
    { contact_at: null, part: 'motor', to: 'floor', gap_mm: 7.25 },
    { contact_at: null, part: '', to: '', gap_mm: null },
  ] as unknown as PlacementResult['way_in'];
  const moves = [{ way: 'up' }, { way: 'forward' }, { turn: 'nose_up' }] as PlacementSheet['way_in'];

  it('says of each move what it meets, what it passes, or that nothing is near', () => {
    const [sheet, result] = [aSheet({ way_in: moves }), aResult({ way_in: steps })];
    render(WayInPanel, { sheet, result, disabled: false, played: 1, onplay: () => {}, change: () => {} });
    expect(screen.getByText(/rear ear meets tail bracket after 40/)).toBeTruthy();
    expect(screen.getByText(/motor passes floor by/).textContent).toMatch(/7\.3\smm|7\.2\smm/);
    expect(screen.getByText('nothing near')).toBeTruthy();
  });

  it('plays only where there is a way, and adds a move that goes up', async () => {
    const sheet = aSheet();
    const { written, change } = writing(sheet);
    const props = { sheet, result: aResult(), disabled: false, played: 1, onplay: () => {}, change };
    render(WayInPanel, props);
    expect(screen.queryByLabelText('Play it back')).toBeNull();
    await fireEvent.click(screen.getByText('add a move'));
    expect(written[0]?.way_in).toEqual([{ way: 'up', note: '' }]);
  });
});

describe('GapRows', () => {
  const gap = (change: object) => ({
    unit_field: 'u0',
    unit_body: 'inverter',
    other_field: 'b0',
    other: 'left rail',
    verdict: 'holds',
    gap_mm: 41,
    least_mm: 31,
    wanted_mm: 25,
    ...change,
  });
  function show(result: PlacementResult): string[] {
    const picked: string[] = [];
    const editor = new JobEditor(aJob(), 'fabricator', new MemoryDrafts(), null);
    const props = { result, lit: '', onpick: (field: string) => picked.push(field) };
    render(TestJob, { props: { editor, part: GapRows as never, props } });
    return picked;
  }

  it('has overlaps in words, and leads to the body that is in the way', async () => {
    const gaps = [
      gap({ verdict: 'fails', gap_mm: -3.52, least_mm: -13.5 }),
      gap({ other: 'ground', other_field: '' }),
    ];
    const picked = show(aResult({ gaps: gaps as unknown as PlacementResult['gaps'] }));
    expect(screen.getByText(/overlap 3\.5/)).toBeTruthy();
    await fireEvent.click(screen.getByText('inverter – left rail'));
    expect(picked).toEqual(['b0']);
  });

  it('says what is cut: of a floor an opening with its template, of a rail a stretch', () => {
    const openings = [
      { name: 'floor', paper: 'placement.cut_1', size_mm: [83, 139], middle_mm: [1271, 0, 516] },
    ];
    const cuts = [{ name: 'rail', field: 'b1', from_mm: 100, to_mm: 176, axis: 'length' }];
    show(
      aResult({ openings: openings as PlacementResult['openings'], cuts: cuts as PlacementResult['cuts'] }),
    );
    expect(screen.getByText('print its template')).toBeTruthy();
    expect(screen.getByText('rail').closest('p')?.textContent?.replace(/\s+/g, ' ')).toContain('76 mm');
  });
});
