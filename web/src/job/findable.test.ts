import { describe, expect, it } from 'vitest';
import type { Sheets } from '../api/types';
import { entriesOf, fieldsOf, matching, type Found } from './findable';

const found = (kind: Found['kind'], title: string, about = ''): Found => ({
  key: `${kind} ${title}`,
  kind,
  title,
  about,
  place: null,
});

describe('finding', () => {
  const all = [
    found('check', 'Motor screws within proof', 'Adapter plate'),
    found('check', 'Gearbox screws within proof', 'Adapter plate'),
    found('reading', 'H4–H5', 'inside, Adapter plate'),
    found('bench', 'Adapter plate'),
  ];

  it('wants every word, in any order, and puts what begins with them first', () => {
    expect(matching(all, 'proof gear').map((one) => one.title)).toEqual(['Gearbox screws within proof']);
    expect(matching(all, 'adapter')[0]?.kind).toBe('bench');
    expect(matching(all, 'h4 reading')).toHaveLength(1);
    expect(matching(all, 'adapters')[0]?.kind).toBe('bench'); // in the plural too
    expect(matching(all, '  ')).toEqual([]);
  });

  it('knows what a job calls by a name, and tells a body of the unit from one of the vehicle', () => {
    const sheets = {
      placement: {
        bodies: [{ name: 'left rail' }],
        unit: { name: 'Unit 4', bodies: [{ name: 'inverter' }] },
      },
      mounts: { mounts: [{ name: 'left mount', bracket: { landing: {} } }, { name: '' }] },
    } as unknown as Sheets;
    const benches = [
      { key: 'placement', title: 'Placement', letter: 'l' },
      { key: 'mounts', title: 'Mounts', letter: 'm' },
    ];
    const entries = entriesOf(benches, sheets);
    expect(entries.map(({ title, about }) => `${title}: ${about}`)).toEqual([
      'left rail: bodies, Placement',
      'inverter: bodies, Placement',
      'left mount: mounts, Mounts',
    ]);
    const wall = entriesOf(benches.slice(1), {
      mounts: {
        mounts: [{ name: 'left mount', bracket: { wall: { text: '6 mm' }, yield_mpa: 355, tubes: [{}] } }],
      },
    } as unknown as Sheets);
    expect(wall.map(({ title }) => title)).toEqual([
      'left mount',
      'left mount: bracket wall',
      'left mount: bracket yield',
    ]);
    expect(wall[1]?.within).toBe('main [data-part="bracket"] [data-field="wall"]');
    expect(entries[0]?.place?.selector).toContain('[data-field="bodies\\.0"]');
    expect(entries[1]?.place?.selector).toContain('[data-field="unit\\.bodies\\.0"]');
  });

  it('knows the fields of the benches’ forms by what they are called', async () => {
    const fields = await fieldsOf([{ key: 'brief', title: 'Brief', letter: 'b' }]);
    expect(matching(fields, 'kerb mass')[0]?.place).toEqual({
      bench: 'brief',
      selector: expect.stringMatching(/^main \[data-field="kerb_mass"\], /) as unknown,
    });
  });
});
