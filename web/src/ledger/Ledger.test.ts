import { render, screen, within } from '@testing-library/svelte';
import { describe, expect, it, vi } from 'vitest';
import type { Sureness, WrittenWorking } from '../api/types';
import { aCheck } from '../test-support';
import Ledger from './Ledger.svelte';
import { workingsContext } from './workings';

const CHECKS = [
  aCheck({
    key: 'plate.readings',
    bench: 'plate',
    title: 'Flange readings agree',
    verdict: 'fails',
    margin: 0.16,
  }),
  aCheck({
    key: 'final_drive.torque',
    title: 'Final drive',
    verdict: 'not_known',
    margin: null,
    missing: ['Rating'],
  }),
  aCheck(),
];

const WORKING: WrittenWorking = {
  key: 'gearbox.input_torque',
  bench: 'ratios',
  title: 'Gearbox input torque',
  says: '',
  steps: [
    {
      symbol: 'T_shock',
      words: 'the motor’s peak with its shock',
      formula: 'T_peak × f',
      put: [
        {
          text: '235 N·m',
          origin: 'entered',
          where: 'brief: motor, peak torque',
          field: 'brief.motor.peak_torque',
        },
        { text: ' × ', origin: null, where: '', field: '' },
        { text: '1.5', origin: 'usual', where: 'ratios: coupler', field: 'ratios.coupler' },
      ],
      result: '294 N·m',
    },
  ],
  method: '',
  note: '',
  source: 'Design torque along the line.',
};
const SURENESS: Sureness = {
  check: 'gearbox.torque',
  margin: 1.09,
  least: 1.0,
  greatest: 1.18,
  fails_chance: 0.03,
  odds: '1 in 33',
  narrowers: [
    { what: 'motor peak torque', field: 'brief.motor.peak_torque', share: 0.9, left_plus_minus: 0.03 },
  ],
  taken_as_exact: [],
  says: ['95 % range 1.00 to 1.18, by the ± of its readings.'],
};
const goTo = vi.fn();

function show(
  bench: string,
  pinned: typeof CHECKS | null = null,
  known: readonly Sureness[] | null = [],
): void {
  const ranges = {
    found: known ?? [],
    state: known ? ('answered' as const) : ('unanswered' as const),
  };
  const workings = { of: () => Promise.resolve(WORKING), ranges, sheet: () => '/sheet.pdf', goTo };
  render(Ledger, {
    props: { checks: CHECKS, pinned, bench, benchTitle: 'Ratios' },
    context: workingsContext(workings),
  });
}

describe('Ledger', () => {
  it('tells each verdict by word, and how many need somebody', () => {
    show('ratios');
    expect(screen.getByRole('status').textContent).toContain('1 of 2 needs you');
    expect(screen.getByRole('button', { name: /Final drive Not known/ })).toBeTruthy();
    expect(screen.getByRole('button', { name: /Gearbox input torque 1\.09 Tight/ })).toBeTruthy();
    expect(screen.queryByText('Flange readings agree')).toBeNull();
  });

  it('opens a check to its working', async () => {
    show('ratios');
    const row = screen.getByRole('button', { name: /Gearbox input torque/ });
    row.click();
    const item = row.closest('li')!;
    const usual = await within(item).findByRole('button', { name: '1.5 (usual)' });
    expect(item.textContent).toContain('Tshock = Tpeak × f');
    expect(item.textContent).toContain('= 294 N·m');
    usual.click();
    expect(goTo).toHaveBeenCalledWith('ratios.coupler');
    expect(item.textContent).toMatch(/Margin 1\.09, wanted\s+1\.00 \(the usual figure\)/);
    expect(within(item).getByText(/Hangs on: brief.motor, ratios.gearbox/)).toBeTruthy();
    expect(row.getAttribute('aria-expanded')).toBe('true');
  });

  it('shows the range and the odds on the row, and leads to what would narrow it', async () => {
    show('ratios', null, [SURENESS]);
    const row = screen.getByRole('button', { name: /Gearbox input torque 1\.09 ±0\.09/ });
    expect(row.textContent).toContain('Tight: 1 in 33 that it falls short.');
    row.click();
    expect(await screen.findByText(/95 % range 1\.00 to 1\.18/)).toBeTruthy();
    screen.getByRole('button', { name: 'Go to motor peak torque' }).click();
    expect(goTo).toHaveBeenCalledWith('brief.motor.peak_torque');
  });

  it('says so where no range can be had', async () => {
    show('ratios', null, null);
    screen.getByRole('button', { name: /Gearbox input torque/ }).click();
    expect(await screen.findByText(/can't be had now/)).toBeTruthy();
  });

  it('shows the whole job when asked, and where a bench has no checks of its own', async () => {
    show('ratios');
    screen.getByRole('button', { name: 'whole job' }).click();
    expect(await screen.findByText('Flange readings agree')).toBeTruthy();
  });

  it('shows the whole job on the brief', () => {
    show('brief');
    expect(screen.getByRole('heading').textContent).toContain('whole job');
    expect(screen.getAllByRole('listitem')).toHaveLength(3);
  });

  it('puts the pinned figure before the present one where they differ', () => {
    show('ratios', [aCheck({ margin: 1.4, verdict: 'holds' })]);
    expect(screen.getByRole('button', { name: /Gearbox input torque 1\.40 → 1\.09/ })).toBeTruthy();
  });
});
