import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { MassItem } from '../../api/types';
import { serve } from '../../test-support';
import MassItems from './MassItems.svelte';
import OldGears from './OldGears.svelte';

const READ = { value: 120, unit: 'kg', u: null, inch: null, fraction: null };
const press = async (name: string) => fireEvent.click(screen.getByText(name));
const type = (label: string, value: string) =>
  fireEvent.input(screen.getByLabelText(label), { target: { value } });
const valueOf = (label: string) => screen.getByLabelText<HTMLInputElement>(label).value;

function writing<T>(rows: T): { written: T[]; change: (write: (next: T) => void) => void } {
  const written: T[] = [];
  const change = (write: (next: T) => void) => {
    const next = structuredClone(rows);
    write(next);
    written.push(next);
  };
  return { written, change };
}

afterEach(() => vi.unstubAllGlobals());

describe('MassItems', () => {
  const ITEMS: MassItem[] = [{ name: 'engine', mass: { text: '148 kg' }, is_on: false, only_laden: false }];

  it('adds an item that is put on, once its mass is read', async () => {
    serve({ measure: () => ({ json: READ }) });
    const { written, change } = writing(ITEMS);
    render(MassItems, { items: ITEMS, disabled: false, change });
    await type('Name of an item', ' battery box ');
    await type('Mass of an item', '120 kg');
    await press('add an item');
    await vi.waitFor(() => expect(written).toHaveLength(1));
    expect(written[0]?.[1]).toEqual({
      name: 'battery box',
      mass: { text: '120 kg' },
      is_on: true,
      only_laden: null,
    });
    expect(valueOf('Name of an item')).toBe('');
  });

  it('keeps what was typed where it can’t be read, and says how to type it', async () => {
    serve({ measure: () => ({ status: 422, json: { says: 'Type it like 1480 kg.', fields: [] } }) });
    const { written, change } = writing(ITEMS);
    render(MassItems, { items: ITEMS, disabled: false, change });
    await type('Name of an item', 'seat');
    await type('Mass of an item', 'heavy');
    await press('add an item');
    await vi.waitFor(() => expect(screen.getByRole('alert').textContent).toContain('Type it like'));
    expect([written.length, valueOf('Mass of an item'), valueOf('Name of an item')]).toEqual([
      0,
      'heavy',
      'seat',
    ]);
  });

  it('makes an item one that is off, on, or a load', async () => {
    const { written, change } = writing(ITEMS);
    render(MassItems, { items: ITEMS, disabled: false, change });
    const kind = screen.getByLabelText<HTMLSelectElement>('Off or on: engine');
    expect(kind.value).toBe('off');
    await fireEvent.change(kind, { target: { value: 'load' } });
    expect(written[0]?.[0]).toMatchObject({ is_on: true, only_laden: true });
  });

  it('asks of a load by its name whether it is one, until it is said', async () => {
    const people = { name: 'two people and bags', mass: { text: '180 kg' }, is_on: true, only_laden: null };
    const { written, change } = writing([people]);
    const queries = ['two people and bags: is it of the vehicle, or load?'];
    render(MassItems, { items: [people], queries, disabled: false, change });
    const kind = screen.getByLabelText<HTMLSelectElement>('Off or on: two people and bags');
    expect(kind.value).toBe('unsaid');
    await fireEvent.change(kind, { target: { value: 'on' } });
    expect(written[0]?.[0]).toMatchObject({ is_on: true, only_laden: false });
  });

  it('only shows, where one may only look', () => {
    render(MassItems, { items: ITEMS, disabled: true, change: () => {} });
    expect(screen.queryByText('add an item')).toBeNull();
    expect(screen.getByLabelText<HTMLSelectElement>('Off or on: engine').disabled).toBe(true);
  });
});

describe('OldGears', () => {
  const GEARS = [
    { name: '1st', ratio: { text: '3.69' } },
    { name: '2nd', ratio: { text: '2.1' } },
  ];
  beforeEach(() => {
    serve({ measure: () => ({ json: { ...READ, value: 1.4, unit: '' } }) });
  });

  it('names the next gear, and takes away the last alone', async () => {
    const { written, change } = writing(GEARS);
    render(OldGears, { gears: GEARS, disabled: false, change });
    await type('Ratio of an old gear', '1.4');
    await press('add its next gear');
    await vi.waitFor(() => expect(written).toHaveLength(1));
    expect(written[0]?.[2]).toEqual({ name: '3rd', ratio: { text: '1.4' } });
    expect(screen.getAllByRole('button', { name: /old .*away/i })).toHaveLength(1);
  });
});
