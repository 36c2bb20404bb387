import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { CaseFound, Mount, MountsResult, MountsSheet } from '../../api/types';
import { AN_ANSWER, MemoryDrafts, aJob, serve } from '../../test-support';
import { JobEditor } from '../../job/job-editor.svelte';
import TestJob from '../../TestJob.svelte';
import CarryTable from './CarryTable.svelte';
import CaseTable from './CaseTable.svelte';
import { leaveOut, newMount, takeBracket, takeStations } from './edits';
import { forces, links, madeBodies } from './drawn';
import { BRACKET, BRACKET_SET, landingForm, LEGS, TUBE } from './fields';
import FramePanel from './FramePanel.svelte';
import PullPanel from './PullPanel.svelte';
import SchoolTable from './SchoolTable.svelte';

const asked = (bracket: Partial<Mount['bracket']>) =>
  [...BRACKET, ...BRACKET_SET]
    .filter((spec) => spec.when?.({ ...newMount('a').bracket, ...bracket }) ?? true)
    .map((spec) => spec.name);

function aSheet(change: object = {}): MountsSheet {
  const sheet = {
    mounts: [],
    left_out: [],
    own_cases: [],
    pull: { log: [] },
    frame: { stations: [], old: {} },
  };
  return { ...sheet, ...change } as unknown as MountsSheet;
}

beforeEach(() => {
  serve({ evaluate: () => ({ json: AN_ANSWER }) });
});
afterEach(() => vi.unstubAllGlobals());

describe('a bracket', () => {
  it('is asked only what its kind is made of', () => {
    expect(asked({ kind: null })).toEqual(['kind']);
    expect(asked({ kind: 'none' })).toEqual(['kind']);
    expect(asked({ kind: 'tube' })).not.toContain('breadth');
    expect(asked({ kind: 'box' })).toContain('has_tabs');
    expect(asked({ kind: 'channel' })).toContain('web');
    expect(asked({ kind: 'folded' })).toContain('bend');
    const shelf = asked({ kind: 'gusseted' });
    expect(shelf).toEqual(expect.arrayContaining(['gussets', 'gusset', 'nose', 'depth', 'wall']));
    expect(shelf).not.toContain('web');
  });

  it('asks for its landing plate in place of what it would be welded to', () => {
    expect(asked({ kind: 'box' })).toContain('base');
    expect(asked({ kind: 'box', landing: { is_there: true, screws: {} } })).not.toContain('base');
    const ofLanding = (landing: Mount['bracket']['landing']) =>
      landingForm([])
        .filter((spec) => spec.when?.(landing) ?? true)
        .map((spec) => spec.name);
    expect(ofLanding({ screws: {} })).toEqual(['is_there']);
    expect(ofLanding({ is_there: true, screws: {} })).toEqual(
      expect.arrayContaining(['thread', 'hole', 'across', 'onto_upright']),
    );
    expect(asked({ kind: 'box' })).toContain('root_cut');
    expect(asked({ kind: 'standoffs' })).not.toContain('root_cut');
  });

  it('on standoffs is asked by how much each leg is longer only where the face is stepped', () => {
    const ofLegs = (legs: Mount['bracket']['legs']) =>
      LEGS.filter((spec) => spec.when?.(legs) ?? true).map((spec) => spec.name);
    expect(ofLegs({})).toEqual(['across', 'upright', 'outside', 'wall', 'foot', 'is_stepped']);
    expect(ofLegs({ is_stepped: true })).toContain('upper_left');
  });

  it('asks what its bolt is tightened on only where there are two ears, and its sizes once there is a tube', () => {
    const askedOf = (mount: Mount) =>
      TUBE.filter((spec) => spec.when?.(mount) ?? true).map((spec) => spec.name);
    const mount = newMount('left');
    expect(askedOf({ ...mount, ears: { count: 1, screw: {} } })).toEqual([]);
    expect(askedOf({ ...mount, ears: { count: 2, screw: {} } })).toEqual(['is_there']);
    const clamped = askedOf({ ...mount, ears: { count: 2, screw: {} }, tube: { is_there: true } });
    expect(clamped).toEqual(
      expect.arrayContaining([
        'is_there',
        'gap',
        'outside',
        'yield_mpa',
        'condition',
        'tapped',
        'tightening',
      ]),
    );
  });

  it('takes every size that was found for it', () => {
    const mount = newMount('left');
    mount.bracket.wall = { text: '3', unit: 'mm', tool: 'caliper' };
    takeBracket(mount, [
      { field: 'mounts.mounts.0.bracket.kind', text: 'gusseted' },
      { field: 'mounts.mounts.0.bracket.wall', text: '6 mm' },
      { field: 'mounts.mounts.0.bracket.gusset', text: '6 mm' },
      { field: 'mounts.mounts.0.bracket.leg', text: '5 mm' },
      { field: 'mounts.mounts.0.bracket.legs.wall', text: '4 mm' },
    ]);
    const { kind, wall, gusset, leg, legs } = mount.bracket;
    expect(legs.wall?.text).toBe('4 mm');
    expect([kind, wall?.text, wall?.unit, gusset?.text, leg?.text]).toEqual([
      'gusseted',
      '6 mm',
      null,
      '6 mm',
      '5 mm',
    ]);
  });
});

describe('a landing plate', () => {
  it('that was found is bolted on with all its sizes', () => {
    const mount = newMount('left');
    const at = 'mounts.mounts.0.bracket.landing';
    takeBracket(mount, [
      { field: `${at}.breadth`, text: '128 mm' },
      { field: `${at}.thread`, text: 'M8' },
      { field: `${at}.property_class`, text: '10.9' },
      { field: `${at}.shims`, text: '1 mm' },
      { field: `${at}.screws.condition`, text: 'oiled' },
      { field: `${at}.screws.tightening`, text: '68 N·m' },
    ]);
    const { condition, tightening } = mount.bracket.landing.screws;
    expect([condition, tightening?.text]).toEqual(['oiled', '68 N·m']);
    const { is_there, breadth, thread, property_class, shims } = mount.bracket.landing;
    expect([is_there, breadth?.text, thread, property_class, shims]).toEqual([
      true,
      '128 mm',
      'M8',
      '10.9',
      undefined,
    ]);
    expect(mount.bracket.breadth).toBeUndefined();
  });
});

describe('a case of load', () => {
  const CASES = [
    {
      name: 'launch',
      g_xyz: [0, 0, -1],
      torque: 'launch',
      torque_nm: 2150.4,
      is_left_out: false,
      is_own: false,
      why: '',
    },
    {
      name: 'jack',
      g_xyz: [0, 0.5, -1],
      torque: 'none',
      torque_nm: null,
      is_left_out: false,
      is_own: true,
      why: '',
    },
  ] as unknown as CaseFound[];

  it('is left out by a reason alone, and asked again without one', async () => {
    const written: MountsSheet[] = [];
    const sheet = aSheet({ left_out: [{ case: 'launch', why: 'old' }] });
    const change = (write: (next: MountsSheet) => void) => {
      const next = structuredClone(sheet);
      write(next);
      written.push(next);
    };
    render(CaseTable, { cases: CASES, picked: 'launch', disabled: false, onpick: () => {}, change });
    const field = screen.getByLabelText('left out, because');
    await fireEvent.change(field, { target: { value: ' never drives off a ramp ' } });
    await fireEvent.change(field, { target: { value: '  ' } });
    expect(written.map((one) => one.left_out)).toEqual([
      [{ case: 'launch', why: 'never drives off a ramp' }],
      [],
    ]);
  });

  it('of one’s own can’t be left out, only taken away', () => {
    render(CaseTable, { cases: CASES, picked: 'jack', disabled: false, onpick: () => {}, change: () => {} });
    expect(screen.queryByLabelText('left out, because')).toBeNull();
    expect(screen.getByText('2 150')).toBeTruthy();
  });

  it('replaces a reason and does not add another', () => {
    const sheet = aSheet({ left_out: [{ case: 'launch', why: 'a' }] });
    leaveOut(sheet, 'launch', 'b');
    expect(sheet.left_out).toEqual([{ case: 'launch', why: 'b' }]);
  });
});

describe('the picture', () => {
  const piece = { kind: 'box', corners_mm: [[0, 0, 0]] };
  const mounts = [
    {
      field: 'mounts.mounts.0',
      name: 'left',
      verdict: 'fails',
      at_mm: [0, 0, 0],
      rail_mm: [0, 200, 0],
      pieces: [piece],
      cases: [{ case: 'launch', size_n: 1000, force_n: [0, 0, 1000], on_vehicle_n: [0, 0, -1000] }],
    },
    { field: 'mounts.mounts.1', name: 'arm', at_mm: [0, 0, 0], rail_mm: [50, 0, 0], pieces: [], cases: [] },
  ] as unknown as MountsResult['mounts'];
  const launch = { name: 'launch' } as CaseFound;

  it('draws a bracket as a body and a link as a line, neither twice', () => {
    expect(madeBodies({ mounts, crosses: [] }).map((one) => [one.field, one.fate])).toEqual([
      ['mounts.mounts.0', 'made'],
    ]);
    expect(links(mounts).map((one) => one.key)).toEqual(['arm mounts.mounts.1']);
  });

  it('has the force on the unit at its mount, and on the vehicle at the bracket’s root the other way', () => {
    const [up] = forces(mounts, launch, false, String);
    const [down] = forces(mounts, launch, true, String);
    expect([up?.from, up?.to, up?.isBad, up?.text]).toEqual([[0, 0, 0], [0, 0, 260], true, '1000']);
    expect([down?.from, down?.to]).toEqual([
      [0, 200, 0],
      [0, 200, -260],
    ]);
    expect(forces(mounts, undefined, false, String)).toEqual([]);
  });
});

describe('CarryTable', () => {
  it('has the picked case beside the worst, marks a bush that bottoms, and leads to either', async () => {
    const mounts = [
      {
        field: 'mounts.mounts.0',
        name: 'left',
        verdict: 'tight',
        worst: 'wheels locked',
        worst_n: 8503.2,
        cases: [{ case: 'launch', size_n: 3000, move_mm: [3, 4, 0], is_bottomed: true }],
      },
    ] as unknown as MountsResult['mounts'];
    const [rows, cases]: [string[], string[]] = [[], []];
    render(CarryTable, {
      mounts,
      picked: 'launch',
      lit: '',
      onpick: (field) => rows.push(field),
      oncase: (name) => cases.push(name),
    });
    expect(screen.getByText('3 000')).toBeTruthy();
    expect(screen.getByText(/5\.0 ▮/)).toBeTruthy();
    await fireEvent.click(screen.getByText('left'));
    await fireEvent.click(screen.getByText('wheels locked'));
    expect([rows, cases]).toEqual([['mounts.mounts.0'], ['wheels locked']]);
  });

  it('says so while there is none', () => {
    render(CarryTable, { mounts: [], picked: '', lit: '', onpick: () => {}, oncase: () => {} });
    expect(screen.getByText('No mount is entered yet.')).toBeTruthy();
  });
});

describe('FramePanel', () => {
  const box = [
    [0, 0],
    [70, 0],
    [70, 110],
    [0, 110],
  ];
  const rail = { plates_mm: [[box]], cells: 1 };
  const stations = [
    {
      ...{ name: 'notch', rail, area: 0.9, i: 0.8, across: 0.7, z: 0.74, j: 0.4 },
      ...{ least: 0.4, least_is: 'J', is_short: true },
      fold: { wall: 'side', stress_mpa: 212, moment_nm: 9100, was_nm: 13580 },
    },
  ];
  const old = { kind: 'trough', plates: [] };
  const CUT = { is_cut: true, old, stations: [{ name: 'notch', ...old }] };
  function shown(frame: object, change: (write: (sheet: MountsSheet) => void) => void = () => {}): void {
    const editor = new JobEditor(aJob(), 'fabricator', new MemoryDrafts(), null);
    const result = { stations: 'is_cut' in frame ? stations : [], old_rail: null };
    const props = { sheet: aSheet({ frame }), result, disabled: false, change };
    render(TestJob, { props: { editor, part: FramePanel as never, props } });
  }

  it('asks nothing of a frame that is not cut', () => {
    shown({ stations: [], old });
    expect(screen.queryByText(/approved by a licensed engineer/)).toBeNull();
  });

  it('of one that is cut has what is left at each place, its section drawn, and who must approve it', () => {
    shown(CUT);
    expect(screen.getByText(/^J\s40/).className).toContain('text-fails');
    expect(screen.getByRole('img', { name: /Section of notch, 70 × 110\smm/ })).toBeTruthy();
    expect(screen.getByText(/^side folds at 212\sMPa, 9\s100\sN·m/)).toBeTruthy();
    expect(screen.getByText(/approved by a licensed engineer/)).toBeTruthy();
    expect(screen.getByLabelText('Take notch away')).toBeTruthy();
  });

  it('asks of plates their ends in place of breadth and depth', () => {
    shown({ ...CUT, old: { kind: 'plates', plates: [{}] }, stations: [] });
    expect(screen.getByRole('table', { name: 'Plates of the rail as it was' })).toBeTruthy();
    expect(screen.queryByLabelText('Breadth')).toBeNull();
  });

  it('takes plates that make up for it into the place they are for, and no other field', () => {
    const frame = aSheet({ frame: structuredClone(CUT) }).frame;
    takeStations(frame, [
      { field: 'mounts.frame.stations.0.lid', text: '8 mm' },
      { field: 'mounts.frame.stations.0.wall', text: '7 mm' },
      { field: 'mounts.frame.stations.3.lid', text: '9 mm' },
      { field: 'mounts.frame.stations.0.name', text: 'other' },
    ]);
    const [notch] = frame.stations;
    expect([notch?.name, notch?.lid?.text, notch?.wall?.text]).toEqual(['notch', '8 mm', '7 mm']);
  });
});

describe('PullPanel', () => {
  it('has the gap to jig at first, the shims for it, and how many welds more would halve the range', () => {
    const pull = { jig_mm: 57.3, low_mm: 0.4, high_mm: 1.1, count: 0, shims: [1, 0.5], more_logs: 3 };
    const editor = new JobEditor(aJob(), 'fabricator', new MemoryDrafts(), null);
    const props = { sheet: aSheet(), result: { pull, mounts: [] }, disabled: false, change: () => {} };
    render(TestJob, { props: { editor, part: PullPanel as never, props } });
    expect(screen.getByText(/^Jig at/).textContent).toMatch(/57\.30\smm/);
    const all = screen
      .getByText(/^Jig at/)
      .closest('p')
      ?.textContent?.replace(/\s+/g, ' ');
    expect(all).toContain('by the rule');
    expect(all).toContain('Shim the jig with 1.0 mm + 0.5 mm');
    expect(all).toContain('3 more logged welds');
  });
});

describe('SchoolTable', () => {
  const ROWS = [
    ['', 'lowest', 'moves', 'most', ''],
    ['as it is', '⟨32.1|Hz|1⟩', '⟨9.4|mm|1⟩', '⟨12284|N|0⟩', 'on torque arm, wheels locked'],
    ['without torque arm', '–', '–', '–', 'It could turn about a line that runs across.'],
  ];

  it('is asked for, and sets the ways side by side', async () => {
    const sent = serve({
      evaluate: () => ({ json: AN_ANSWER }),
      seek: () => ({ json: { says: 'Places as they are.', fields: [], picture: null, rows: ROWS } }),
    });
    const editor = new JobEditor(aJob(), 'fabricator', new MemoryDrafts(), null);
    render(TestJob, { props: { editor, part: SchoolTable as never, props: {} } });
    expect(screen.queryByRole('table')).toBeNull();
    await fireEvent.click(screen.getByRole('button', { name: /one mount fewer/ }));
    await vi.waitFor(() => expect(screen.getByRole('table')).toBeTruthy());
    expect(sent.some((one) => one.path.endsWith('/seek/mounts.schools'))).toBe(true);
    const rows = screen.getAllByRole('row').map((row) => row.textContent?.replace(/\s+/g, ' ').trim());
    expect(rows[1]).toContain('as it is');
    expect(rows[2]).toBe('on torque arm, wheels locked');
    expect(rows[4]).toContain('It could turn about a line');
  });
});
