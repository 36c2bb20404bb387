import { fireEvent, render, screen } from '@testing-library/svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Mount, MountsResult } from '../../api/types';
import { AN_ANSWER, MemoryDrafts, aJob, serve } from '../../test-support';
import { JobEditor } from '../../job/job-editor.svelte';
import type { FieldSpec } from '../../measure/fields';
import TestJob from '../../TestJob.svelte';
import { CROSS, crossEnds, type CrossMember } from './cross-fields';
import CrossList from './CrossList.svelte';
import { STATION, type Station } from './cut-fields';
import { madeBodies } from './drawn';
import { newCross, newMount, newStation } from './edits';
import { mountForm } from './fields';

const asked = <T>(form: readonly FieldSpec<T>[], of: T) =>
  form.filter((spec) => spec.when?.(of) ?? true).map((spec) => spec.label);

const found = (change: object = {}): MountsResult['crosses'][number] => ({
  field: 'mounts.crosses.0',
  name: 'rear tube',
  section: 'tube',
  length_mm: 700,
  ends_mm: null,
  pieces: [],
  missing: [],
  stand_on_it: [],
  verdict: null,
  ...change,
});

beforeEach(() => {
  serve({ evaluate: () => ({ json: AN_ANSWER }) });
});
afterEach(() => vi.unstubAllGlobals());

describe('a cross member', () => {
  it('is asked for both its ends, and for a breadth only as a box', () => {
    const cross = newCross('rear tube');
    expect(asked(crossEnds([]), cross).filter((label) => label.endsWith('forward'))).toHaveLength(2);
    expect(asked(CROSS, { ...cross.bracket, kind: 'tube' })).not.toContain('Across, level');
    expect(asked(CROSS, { ...cross.bracket, kind: 'box' })).toContain('Across, level');
  });

  it('is asked what it is welded to until it is bolted', () => {
    const { bracket } = newCross('rear tube');
    const welded = asked(CROSS, bracket);
    expect(welded).toEqual(
      expect.arrayContaining(['Thickness of what they are welded to', 'The rail’s face, from wall to wall']),
    );
    const bolted = asked(CROSS, { ...bracket, landing: { is_there: true, screws: {} } });
    expect(bolted).not.toContain('Thickness of what they are welded to');
    expect(bolted).toContain('Yield of what it is bolted to');
  });

  const list = (row: MountsResult['crosses'][number]) => {
    const rows: CrossMember[] = [newCross('rear tube')];
    const editor = new JobEditor(aJob(), 'fabricator', new MemoryDrafts(), null);
    const props = {
      rows,
      found: [row],
      points: [],
      threads: [],
      lit: 'mounts.crosses.0',
      disabled: false,
      onpick: vi.fn(),
      change: vi.fn(),
    };
    render(TestJob, { props: { editor, part: CrossList as never, props } });
    return props;
  };

  it('says what it lacks before that nothing stands on it, then what does', async () => {
    list(found({ missing: ['rear tube: its one end on the vehicle: up'] }));
    expect(await screen.findByText(/its one end on the vehicle: up/)).toBeTruthy();
    expect(screen.queryByText(/Nothing stands on it yet/)).toBeNull();
  });

  it('is no use without a mount, and names those that it bears', async () => {
    list(found());
    expect(await screen.findByText(/Nothing stands on it yet/)).toBeTruthy();
    list(found({ stand_on_it: ['left ear', 'right ear'] }));
    expect(await screen.findByText(/On it stand left ear and right ear/)).toBeTruthy();
  });

  it('comes into the list by its name', async () => {
    const { change } = list(found());
    await fireEvent.input(screen.getByLabelText('Name of a cross member'), {
      target: { value: 'front tube' },
    });
    await fireEvent.click(screen.getByRole('button', { name: 'add a cross member' }));
    const rows: CrossMember[] = [];
    (change.mock.calls[0]?.[0] as (rows: CrossMember[]) => void)(rows);
    expect(rows.map((row) => row.name)).toEqual(['front tube']);
  });

  it('stands in the scene as it is made', () => {
    const piece = { kind: 'round', corners_mm: [] } as MountsResult['crosses'][number]['pieces'][number];
    const bodies = madeBodies({ mounts: [], crosses: [found({ pieces: [piece] }), found()] });
    expect(bodies.map((one) => [one.name, one.fate])).toEqual([['rear tube', 'made']]);
  });
});

describe('a mount', () => {
  const spec = (crosses: readonly string[], mount: Mount) =>
    mountForm([], crosses).find((one) => one.name === 'stands_on' && (one.when?.(mount) ?? true));

  it('is asked what it stands on once there is something, and can be set back on the vehicle', () => {
    const mount = { ...newMount('left'), kind: 'rubber' as const, stands_on: null };
    expect(spec([], mount)).toBeUndefined();
    const field = spec(['rear tube'], mount);
    if (field?.kind !== 'choice') throw new Error('no choice');
    expect(field.options(mount)).toEqual([
      ['', 'the vehicle'],
      ['rear tube', 'rear tube'],
    ]);
    field.write(mount, 'rear tube');
    expect(mount.stands_on).toBe('rear tube');
    field.write(mount, '');
    expect(mount.stands_on).toBeNull();
  });

  it('bolted straight on a cross member has no place of its own on the vehicle', () => {
    const mount: Mount = { ...newMount('left'), kind: 'rubber', stands_on: 'rear tube' };
    const labels = (kind: 'none' | 'box') =>
      asked(mountForm([], ['rear tube']), { ...mount, bracket: { ...mount.bracket, kind } });
    expect(labels('none')).not.toContain('On the vehicle, up');
    expect(labels('box')).toContain('On the vehicle, up');
  });
});

describe('a place along a cut', () => {
  it('begins as a notch, whose plates are asked for their side once they have a thickness', () => {
    const notch = newStation('notch') as Station;
    expect(asked(STATION, notch)).toEqual([
      'It is',
      'Notch, deep',
      'Cut from',
      'What closes the notch, thick',
      'Plates on its upright walls, thick',
    ]);
    expect(asked(STATION, { ...notch, plated: { text: '5 mm', unit: null } } as Station)).toContain(
      'They lie',
    );
  });

  it('of a section of its own is asked for that alone', () => {
    const own = asked(STATION, { ...newStation('notch'), kind: 'trough' } as Station);
    expect(own).toEqual(expect.arrayContaining(['Breadth', 'Depth', 'Wall']));
    expect(own).not.toContain('Notch, deep');
  });
});
