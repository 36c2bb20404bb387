import { render, screen, within } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import { aCheck } from '../test-support';
import Ledger from './Ledger.svelte';

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

function show(bench: string, pinned: typeof CHECKS | null = null): void {
  render(Ledger, { checks: CHECKS, pinned, bench, benchTitle: 'Ratios' });
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
    expect(await within(item).findByText(/T_motor × f/)).toBeTruthy();
    expect(within(item).getByText(/Margin 1\.09, wanted 1\.00 \(the usual figure\)/)).toBeTruthy();
    expect(within(item).getByText(/Hangs on: brief.motor, ratios.gearbox/)).toBeTruthy();
    expect(row.getAttribute('aria-expanded')).toBe('true');
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
