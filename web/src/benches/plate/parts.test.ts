import { fireEvent, render, screen, within } from '@testing-library/svelte';
import { afterEach, describe, expect, it, vi } from 'vitest';
import type { PartResult } from '../../api/types';
import { JobEditor } from '../../job/job-editor.svelte';
import { MemoryDrafts, aCheck, aJob, AN_ANSWER, serve } from '../../test-support';
import TestJob from '../../TestJob.svelte';
import DeliveryDialog from '../../parts/DeliveryDialog.svelte';
import { aPart, CUT, aRelease, READ } from './plate-fixtures';
import PartsPanel from '../../parts/PartsPanel.svelte';
import ReleaseDialog from '../../parts/ReleaseDialog.svelte';

const onclose = vi.fn();
const FAILING = aCheck({
  key: 'plate.readings_agree',
  bench: 'plate',
  title: 'Flange readings agree',
  verdict: 'fails',
  guards_release: true,
  holds_release: true,
});
const ROW = {
  feature: 'thickness',
  expected_mm: 10,
  measured_mm: 10.4,
  off_mm: 0.4,
  allowed_mm: 0.2,
  verdict: 'fails',
};
type Answers = Parameters<typeof serve>[0];

function screenOf(part: unknown, props: Record<string, unknown>, answers: Answers = {}) {
  onclose.mockClear();
  localStorage.clear(); // or the edits of the test before come back
  const sent = serve({
    ...answers,
    evaluate: () => ({ json: AN_ANSWER }),
    'POST /api/measure': () => ({ json: READ }),
  });
  const editor = new JobEditor(aJob(), 'fabricator', new MemoryDrafts(), null);
  const given = { editor, part, props: { onclose, ...props } };
  render(TestJob as never, { props: given } as never);
  return {
    editor,
    calls: (path: string) => sent.filter((call) => call.path.includes(path)).map((call) => call.body),
  };
}
const button = (name: string) => screen.getByRole<HTMLButtonElement>('button', { name });
const check = (name: string | RegExp) => fireEvent.click(screen.getByRole('radio', { name }));

afterEach(() => vi.unstubAllGlobals());

describe('ReleaseDialog', () => {
  const dialog = (checks = [aCheck()], answers: Answers = {}) =>
    screenOf(ReleaseDialog, { part: aPart(), checks }, answers);

  it('asks for the side and for the way the numbers run, with both pictures', async () => {
    const { calls } = dialog([], { '/releases': () => ({ status: 201, json: { letter: 'B' } }) });
    expect(screen.getAllByRole('img', { name: /Adapter plate from the/ })).toHaveLength(2);
    expect(button('Release it').disabled).toBe(true);
    await check(/from the gearbox side/);
    expect(button('Release it').disabled).toBe(true);
    await check('clockwise');
    await fireEvent.click(button('Release it'));
    await vi.waitFor(() => expect(onclose).toHaveBeenCalledOnce());
    expect(calls('/releases')).toEqual([
      { based_on: 3, part: 'plate.plate', side: 'second', confirmed_runs: 'clockwise', despite: '' },
    ]);
  });

  it('wants a reason while a check of the plate fails, and lists what is not known', async () => {
    const unknown = aCheck({
      key: 'plate.screw_clear',
      bench: 'plate',
      title: 'Screw clear',
      verdict: 'not_known',
      guards_release: true,
    });
    const elsewhere = aCheck({ key: 'gearbox.torque', verdict: 'fails', title: 'Gearbox input torque' });
    const { calls } = dialog([FAILING, unknown, elsewhere], {
      '/releases': () => ({ status: 201, json: { letter: 'B' } }),
    });
    expect(screen.getByText(/Flange readings agree:/)).toBeTruthy();
    expect(screen.getByText(/Screw clear:/)).toBeTruthy();
    expect(screen.queryByText(/Gearbox input torque/)).toBeNull();
    await check(/from the engine side/);
    await check('anticlockwise');
    expect(button('Release it').disabled).toBe(true);
    await fireEvent.input(screen.getByLabelText(/Why is it released/), { target: { value: 'Card only.' } });
    await fireEvent.click(button('Release it'));
    await vi.waitFor(() => expect(calls('/releases')[0]).toMatchObject({ despite: 'Card only.' }));
  });

  it('shows what the server holds it for, and stays open', async () => {
    dialog([], { '/releases': () => ({ status: 409, json: { says: 'One of them is mirrored.' } }) });
    await check(/from the engine side/);
    await check('clockwise');
    await fireEvent.click(button('Release it'));
    expect((await screen.findByRole('alert')).textContent).toContain('One of them is mirrored.');
    expect(onclose).not.toHaveBeenCalled();
  });

  it('saves edits first, and releases the revision that makes', async () => {
    const { editor, calls } = dialog([], {
      '/versions': () => ({
        status: 201,
        json: { number: 4, author: 'fabricator', saved_at: '2026-01-02T10:00:00Z' },
      }),
      '/releases': () => ({ status: 201, json: { letter: 'B' } }),
    });
    editor.edit((sheets) => (sheets.brief.vehicle.kerb_mass = { text: '1100 kg' }));
    await check(/from the engine side/);
    await check('anticlockwise');
    await fireEvent.click(button('Release it'));
    await vi.waitFor(() => expect(calls('/releases')[0]).toMatchObject({ based_on: 4 }));
  });
});

describe('DeliveryDialog', () => {
  const dialog = (answers: Answers = {}) =>
    screenOf(
      DeliveryDialog,
      { part: aPart(), released: aRelease() },
      { '/judge': () => ({ json: [ROW] }), ...answers },
    );
  const measure = (feature: string, value: string) =>
    fireEvent.change(screen.getByLabelText(`Measured ${feature}`), { target: { value } });

  it('compares each measure as it is typed, and marks what is out', async () => {
    const { calls } = dialog();
    await fireEvent.input(screen.getByLabelText('Measured thickness'), { target: { value: '10.4' } });
    await measure('thickness', '10.4');
    await vi.waitFor(() => expect(screen.getByText('+0.40')).toBeTruthy());
    expect(screen.getByRole('img', { name: 'Fails' })).toBeTruthy();
    expect(calls('/judge')[0]).toEqual({
      measures: [{ kind: 'thickness', a: '', b: '', reading: { text: '10.4', tool: 'caliper' } }],
    });
  });

  it('can not be decided before somebody looked which way the numbers run', async () => {
    const { calls } = dialog({ '/deliveries': () => ({ status: 201, json: [] }) });
    expect([button('Accept it').disabled, button('Turn it down').disabled]).toEqual([true, true]);
    await check(/the other way/);
    await fireEvent.input(screen.getByLabelText(/^Remark/), { target: { value: 'Mirrored.' } });
    await fireEvent.click(button('Turn it down'));
    await vi.waitFor(() => expect(onclose).toHaveBeenCalledOnce());
    expect(calls('/deliveries')[0]).toEqual({
      measures: [],
      runs_as_drawn: false,
      accepted: false,
      why: 'Mirrored.',
    });
  });

  it('shows what it is held for', async () => {
    dialog({ '/deliveries': () => ({ status: 409, json: { says: 'Measure at least one feature.' } }) });
    await check('as drawn');
    await fireEvent.click(button('Accept it'));
    expect((await screen.findByRole('alert')).textContent).toContain('Measure at least one feature.');
  });
});

describe('PartsPanel', () => {
  const panel = (parts: PartResult[], disabled = false) => {
    const props = { checks: [], of: { parts, part: parts[0] ?? null, partKey: null }, disabled };
    return screenOf(PartsPanel, props);
  };
  const region = () => within(screen.getByRole('region', { name: 'Adapter plate' }));

  it('lists what is cut, and asks for what is not known', () => {
    panel([aPart()]);
    expect(region().getByText(/2 × 341 × 339 × 10.0 mm/)).toBeTruthy();
    expect(region().getByText('1.91 kg')).toBeTruthy();
    expect(button('Release…')).toBeTruthy();
    expect(screen.queryByRole('button', { name: /delivered/ })).toBeNull();
  });

  it('says so where mass and sheet can not be told', () => {
    panel([aPart({ cut: { ...CUT, mass_kg: null, per_sheet: null } })]);
    expect([region().getByText('material?'), region().getByText('its size?')]).toHaveLength(2);
  });

  it('tells a part that is as released from one that differs, with what moved and which reading came since', () => {
    panel([aPart({ released: aRelease() })]);
    expect(region().getByText(/As released; SHA-256/)).toBeTruthy();
    document.body.innerHTML = '';
    const moved = { feature: 'H5', says: 'H5 moved 0.66 mm', by_mm: 0.66 };
    panel([aPart({ released: aRelease({ differs: [moved], readings_since: ['H4–H5 inside: was 96.47'] }) })]);
    expect(region().getByText('▲ Differs from released A:')).toBeTruthy();
    expect(region().getByText('H5 moved 0.66 mm')).toBeTruthy();
    expect(region().getByText('H4–H5 inside: was 96.47')).toBeTruthy();
  });

  it('keeps deliveries in sight, and lets a viewer only look', () => {
    const delivery = {
      letter: 'A',
      by: 'owner',
      at: '2026-01-05T09:00:00Z',
      accepted: false,
      why: 'bent',
      rows: [],
    };
    panel([aPart({ released: aRelease(), incoming: [delivery] })], true);
    expect(region().getByText(/▲ turned down by owner, “bent”/)).toBeTruthy();
    expect(screen.queryByRole('button', { name: /Release/ })).toBeNull();
  });
});
