import { fireEvent, render, screen } from '@testing-library/svelte';
import { describe, expect, it } from 'vitest';
import type { CouplerResult, CouplerSheet } from '../../api/types';
import ApartPanel from './ApartPanel.svelte';
import SpiderWays from './SpiderWays.svelte';

type Window = NonNullable<CouplerResult['window']>;
const OPEN = {
  is_open: true,
  least_mm: 10.2,
  greatest_mm: 11.4,
  likely_least_mm: 10,
  likely_greatest_mm: 11.6,
  middle_mm: 10.7,
  spacer_mm: 0.7,
  keeps_present: false,
  tighten: '',
} as Window;

function apart(window: Window | null, result: Partial<CouplerResult> = {}, disabled = false): CouplerSheet[] {
  const written: CouplerSheet[] = [];
  const sheet = { apart: { text: '10 mm', tool: 'caliper' } } as CouplerSheet;
  const change = (write: (next: CouplerSheet) => void) => {
    const next = structuredClone(sheet);
    write(next);
    written.push(next);
  };
  const whole = { window, plate_apart_mm: 10, apart_is_chosen: true, ...result } as CouplerResult;
  render(ApartPanel, { result: whole, sheet, disabled, change });
  return written;
}
const text = () => document.body.textContent?.replace(/\s+/g, ' ') ?? '';

describe('how far apart the faces stand', () => {
  it('has the window, what the plate holds now, and takes the middle by one press', async () => {
    const written = apart(OPEN);
    expect(text()).toContain('10.20 mm to 11.40 mm keeps every gap');
    expect(text()).toContain('holds 10.00 mm: a spacer of 0.70 mm');
    await fireEvent.click(screen.getByRole('button', { name: /^Take/ }));
    expect(written[0]?.apart).toMatchObject({ text: '10.7 mm', tool: 'caliper' });
  });

  it('offers nothing where the chosen distance keeps every gap, or where one may only look', () => {
    apart({ ...OPEN, keeps_present: true });
    expect(screen.queryByRole('button', { name: /^Take/ })).toBeNull();
    document.body.innerHTML = '';
    apart(OPEN, {}, true);
    expect(screen.queryByRole('button', { name: /^Take/ })).toBeNull();
  });

  it('says what to take better where no distance does', () => {
    apart({ ...OPEN, is_open: false, middle_mm: null, tighten: 'Take the tip to ± ⟨0.1|mm|1⟩.' });
    expect(text()).toContain('No distance keeps every gap. Take the tip to ± 0.1 mm.');
  });

  it('says that it is still to come', () => {
    apart(null);
    expect(text()).toContain('once every length of its gaps is known');
  });
});

describe('SpiderWays', () => {
  it('sets the ways side by side: which fits as the faces stand, and which is none at all', () => {
    const alternatives = [
      { key: 'a', title: 'both in', is_possible: true, least_mm: 9, greatest_mm: 12, suits_apart: true },
      { key: 'b', title: 'one out', is_possible: true, least_mm: 14, greatest_mm: 15, suits_apart: false },
      {
        key: 'c',
        title: 'both out',
        is_possible: false,
        least_mm: null,
        greatest_mm: null,
        suits_apart: null,
      },
    ];
    render(SpiderWays, { result: { alternatives } as unknown as CouplerResult });
    const rows = screen.getAllByRole('row').map((row) => row.textContent?.replace(/\s+/g, ' ').trim());
    expect(rows[1]).toBe('both in9.0 … 12.0fits');
    expect(rows[2]).toContain('does not fit');
    expect(rows[3]).toBe('both outnone–');
  });
});
