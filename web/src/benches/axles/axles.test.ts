import { fireEvent, render, screen, within } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import type { AxleShown, LineShown, PropLine, SideShown } from '../../api/types';
import AxleTable from './AxleTable.svelte';
import { lengthen, newAdapter, newAxle, newLine, otherAxle, otherEnd, shorten, twist } from './edits';
import LineTable from './LineTable.svelte';

const lined = () => document.body.textContent?.replace(/\s+/g, ' ') ?? '';

describe('the other axle of the same parts', () => {
  it('has its joints, bars and bolts, and none of its places', () => {
    const rear = newAxle('Rear axle');
    Object.assign(rear, { which: 'rear', laden: { text: '30' }, inner: { rating: { text: '2000 Nm' } } });
    Object.assign(rear.left.bar, { diameter: { text: '28' }, length: { text: '512' }, part_number: 'A-7' });
    rear.left.inner = { x: { text: '100' } };
    rear.left.steers = false;
    const front = otherAxle(rear, otherEnd(rear.name));
    expect(front).toMatchObject({ name: 'Front axle', which: 'front', laden: null, inner: rear.inner });
    expect(front.left.bar).toMatchObject({ diameter: { text: '28' }, part_number: '' });
    expect(front.left.bar.length).toBeUndefined();
    expect(front.left.inner).toEqual(newAxle('').left.inner);
    expect(front.left.steers).toBeNull();
    expect(otherEnd('Front axle')).toBe('Rear axle');
    expect(otherEnd('tag')).toBe('tag, other axle');
  });
});

describe('a line of shafts', () => {
  it('has a shaft less than joints, however it is lengthened and shortened', () => {
    const line = newLine('to the rear');
    expect([line.joints.length, line.tubes.length]).toEqual([2, 1]);
    lengthen(line);
    expect([line.joints.length, line.tubes.length]).toEqual([3, 2]);
    shorten(line);
    shorten(line);
    expect([line.joints.length, line.tubes.length]).toEqual([1, 0]);
  });

  it('keeps with what a yoke was measured when it is twisted anew, and knows no shaft that is not there', () => {
    const line = newLine('to the rear');
    line.tubes[0]!.phasing = { text: '0.02', unit: 'rad', tool: 'inclinometer' };
    twist(line, 0, 87.5);
    twist(line, 4, 10);
    expect(line.tubes.map((tube) => tube.phasing)).toEqual([
      { text: '87.5°', unit: null, tool: 'inclinometer' },
    ]);
  });

  it('begins unsaid, as axles and adapters do', () => {
    expect(newAxle('rear').left).toEqual(newAxle('rear').right);
    expect(newAxle('rear').left.steers).toBeNull();
    expect(newAdapter('to the box').away).toMatchObject({ count: 0, is_tapped: false });
  });
});

describe('LineTable', () => {
  const LINE = {
    field: 'axles.lines.0',
    name: 'to the rear',
    rpm: 2518,
    joints: [
      { kind: 'cross', angle_deg: 4.2, greatest_deg: 9.1, if_cv_rad_s2: 120.4 },
      { kind: null, angle_deg: null, greatest_deg: null, if_cv_rad_s2: null },
    ],
    tubes: [],
    worst_rad_s2: 955.6,
    worst_in: 'launch, laden',
    exact_rad_s2: 640.2,
    rule_rad_s2: 612,
    comfortable_rad_s2: 300,
    most_rad_s2: 1000,
    even: 'tight',
    best_twist: { shaft: 0, phasing_deg: 88.2, left_rad_s2: 14.4 },
    best_tilt: { nose_up_deg: -1.5, left_rad_s2: 40 },
    shim_says: 'A shim of ⟨1|mm|0⟩ under ⟨57|mm|0⟩ of pad is a degree.',
    couples_nm: null,
    missing: [],
  } as unknown as LineShown;

  function show(line: Partial<LineShown>, disabled = false): PropLine[] {
    const written: PropLine[] = [];
    const change = (write: (next: PropLine) => void) => {
      const next = newLine('to the rear');
      write(next);
      written.push(next);
    };
    render(LineTable, { line: { ...LINE, ...line }, disabled, change });
    return written;
  }

  it('has how unevenly the axle is driven, and turns the yoke that makes it even', async () => {
    const written = show({});
    expect(lined()).toContain('956 rad/s² at the axle, launch, laden, at 2 518 rpm');
    expect(lined()).toContain('At ride height 640');
    expect(lined()).toContain('Or the pinion’s nose 1.5° down');
    await fireEvent.click(screen.getByRole('button', { name: 'Turn the yoke' }));
    expect(written[0]?.tubes[0]?.phasing?.text).toBe('88.2°');
  });

  it('has question marks and no bar for what is not known', () => {
    show({
      worst_rad_s2: null,
      worst_in: '',
      exact_rad_s2: null,
      rule_rad_s2: null,
      rpm: null,
      best_twist: null,
      best_tilt: null,
    });
    expect(lined()).toContain('? rad/s² at the axle');
    expect(screen.queryByRole('img')).toBeNull();
    const rows = within(screen.getByRole('table', { name: 'to the rear: joints' })).getAllByRole('row');
    expect(rows[2]?.textContent).toContain('not said');
    expect(rows[2]?.textContent).toContain('?');
  });

  it('only shows, where one may only look', () => {
    show({}, true);
    expect(screen.queryByRole('button', { name: 'Turn the yoke' })).toBeNull();
    expect(lined()).toContain('leave 14 rad/s²');
  });
});

describe('AxleTable', () => {
  const side = (change: object): SideShown =>
    ({
      name: 'left',
      heights: [],
      cases: [],
      mock_up: [],
      worst: '',
      best_bar_mm: null,
      chosen_bar_mm: null,
      left_mm: null,
      strap_mm: null,
      strap_buys_deg: null,
      torque_nm: null,
      twist_deg: null,
      couples_nm: null,
      mass_kg: null,
      radius_either_way_mm: null,
      sideways: [],
      upward: [],
      window: null,
      ...change,
    }) as unknown as SideShown;

  it('tells what is not known from what is none', () => {
    const left = side({
      heights: [{ height_mm: 0, length_mm: 500, inner_deg: 3, outer_deg: 4, plunge_mm: 0 }],
    });
    const axle = { name: 'rear', left, right: side({ name: 'right' }), twist_apart_deg: null };
    render(AxleTable, { axle: axle as unknown as AxleShown });
    const strap = screen.getByText('a strap would hold it that stops it after').closest('tr');
    expect(
      within(strap!)
        .getAllByRole('cell')
        .map((cell) => cell.textContent),
    ).toEqual(['a strap would hold it that stops it after', 'none', '?', 'mm']);
  });

  it('has the bar that leaves most room, what is left at the worst place, and the mock-up', () => {
    const left = side({
      best_bar_mm: 412.34,
      left_mm: 3.2,
      worst: 'at ⟨60|mm|0⟩ of droop',
      mock_up: ['reads ⟨410|mm|0⟩ at its shortest'],
      couples_nm: [12.3, 14],
    });
    const axle = { name: 'rear', left, right: side({ name: 'right' }), twist_apart_deg: 0.42 };
    render(AxleTable, { axle: axle as unknown as AxleShown });
    expect(lined()).toContain('412.3');
    expect(lined()).toContain('left: least plunge is left at 60 mm of droop.');
    expect(lined()).toContain('left mock-up reads 410 mm at its shortest');
    expect(lined()).toContain('The bars’ twists differ by 0.42°.');
  });
});
