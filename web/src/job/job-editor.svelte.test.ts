import { flushSync } from 'svelte';
import { afterEach, beforeEach, describe, expect, it, vi } from 'vitest';
import type { Job, Typed } from '../api/types';
import { A_RESULT, aCheck, aJob, aLine, AN_ANSWER, MemoryDrafts, serve, someSheets } from '../test-support';
import type { Draft } from './drafts';
import { JobEditor } from './job-editor.svelte';

const mass = (editor: JobEditor) => editor.sheets.brief.vehicle.kerb_mass?.text;
const setMass = (editor: JobEditor, text: string, gesture = '') =>
  editor.edit((sheets) => (sheets.brief.vehicle.kerb_mass = { text }), gesture);
const saved = (number: number) => ({
  number,
  author: 'fabricator',
  saved_at: '2026-01-02T10:00:00Z',
  note: '',
  worst: 'tight',
});

let device = new MemoryDrafts();

function open(
  job: Job = aJob(),
  draft: Draft | null = device.kept,
): { editor: JobEditor; close: () => void } {
  let editor: JobEditor | undefined;
  const close = $effect.root(() => {
    editor = new JobEditor(job, 'fabricator', device, draft);
  });
  flushSync();
  return { editor: editor!, close };
}

describe('JobEditor', () => {
  beforeEach(() => {
    device = new MemoryDrafts();
    vi.useFakeTimers();
  });
  afterEach(() => {
    vi.useRealTimers();
    vi.unstubAllGlobals();
  });

  it('evaluates an edit at once, and only the last of a burst', async () => {
    const sent = serve({ evaluate: () => ({ json: AN_ANSWER }) });
    const { editor, close } = open();
    for (const text of ['1100 kg', '1110 kg', '1120 kg']) setMass(editor, text);
    await vi.advanceTimersByTimeAsync(100);
    const masses = sent
      .slice(1)
      .map(
        ({ body }) =>
          (body as { sheets: ReturnType<typeof someSheets> }).sheets.brief.vehicle.kerb_mass?.text,
      );
    expect(masses).toEqual(['1120 kg']);
    expect(editor.result).toEqual(A_RESULT);
    close();
  });

  it('asks only for the pieces that it does not have, and puts them together', async () => {
    const check = (key: string, rank: number) => aCheck({ key, rank });
    const answers = [
      {
        keys: { brief: 'a', plate: 'b', line: 'c', motion: 'e' },
        line: aLine(),
        motion: aLine(),
        checks: { brief: [check('late', 2)] },
      },
      {
        keys: { brief: 'a', plate: 'd', line: 'f', motion: 'e' },
        line: { ...aLine(), candidate: '2nd · 4.11' },
        checks: { plate: [check('first', 1)] },
      },
    ].map((one, k) => ({ read: null, answer: { parts: {}, benches: [], brief: { k }, ...one } }));
    delete (answers[1]!.answer as { brief?: object }).brief;
    const sent = serve({ evaluate: () => ({ json: answers.shift() }) });
    const { editor, close } = open();
    await vi.advanceTimersByTimeAsync(100);
    setMass(editor, '1100 kg');
    await vi.advanceTimersByTimeAsync(100);
    expect(sent.map(({ body }) => (body as { have: object }).have)).toEqual([
      {},
      { brief: 'a', plate: 'b', line: 'c', motion: 'e' },
    ]);
    expect(editor.result?.checks.map(({ key }) => key)).toEqual(['first', 'late']);
    expect([editor.result?.line?.candidate, editor.result?.brief]).toEqual(['2nd · 4.11', { k: 0 }]);
    expect(editor.result?.line).toEqual({ ...aLine(), candidate: '2nd · 4.11' });
    close();
  });

  it('enters a figure by the call that works out what follows, and keeps none that can not be read', async () => {
    const read = { value: 1100, unit: 'kg', u: null, inch: null, fraction: null, fraction_error_mm: null };
    const refusal = { says: 'No such mass.', fields: [{ field: 'text', says: 'No such mass.' }] };
    const sent = serve({
      evaluate: (body) =>
        (body as { typed: Typed | null }).typed?.text === 'far'
          ? { status: 422, json: refusal }
          : { json: { ...AN_ANSWER, read } },
    });
    const { editor, close } = open();
    await vi.advanceTimersByTimeAsync(100);
    const take = (text: string) =>
      editor.reader.take({ text, quantity: 'mass', unit: null }, () => setMass(editor, text));
    expect(await take('far')).toEqual({ problem: 'No such mass.', echo: '' });
    expect([mass(editor), editor.canUndo]).toEqual(['1080 kg', false]);
    const both = [take('1100 kg'), take('1200 kg')]; // the second waits for the first
    expect((await Promise.all(both))[0]).toMatchObject({ problem: '', echo: '= ⟨1100|kg|g⟩' });
    expect([mass(editor), sent.length]).toEqual(['1200 kg', 4]);
    editor.undo();
    expect(mass(editor)).toBe('1100 kg');
    close();
  });

  it('saves once more what was edited while a save was under way', async () => {
    let release: () => void = () => undefined;
    const held = new Promise<void>((resolve) => (release = resolve));
    let number = 3;
    const sent = serve({
      evaluate: () => ({ json: AN_ANSWER }),
      versions: () => ({ status: 201, json: saved(++number), after: number === 4 ? held : undefined }),
    });
    const { editor, close } = open();
    setMass(editor, '1100 kg');
    const first = editor.save();
    await vi.advanceTimersByTimeAsync(10);
    setMass(editor, '1200 kg');
    const second = editor.save();
    release();
    expect([await first, await second]).toEqual([true, true]);
    const kept = sent.filter(({ path }) => path.includes('versions')).map(({ body }) => body);
    expect(kept).toMatchObject([
      { based_on: 3, sheets: { brief: { vehicle: { kerb_mass: { text: '1100 kg' } } } } },
      { based_on: 4, sheets: { brief: { vehicle: { kerb_mass: { text: '1200 kg' } } } } },
    ]);
    expect(editor.state).toBe('saved');
    close();
  });

  it('undoes and redoes, a drag as one step', () => {
    serve({ evaluate: () => ({ json: AN_ANSWER }) });
    const { editor, close } = open();
    setMass(editor, '1100 kg');
    for (const text of ['1', '2', '3']) setMass(editor, text, 'drag');
    editor.undo();
    expect(mass(editor)).toBe('1100 kg');
    editor.undo();
    expect(mass(editor)).toBe('1080 kg');
    expect(editor.canUndo).toBe(false);
    editor.redo();
    editor.redo();
    expect(mass(editor)).toBe('3');
    expect(editor.canRedo).toBe(false);
    close();
  });

  it('takes an edit that changes nothing for none', () => {
    serve({ evaluate: () => ({ json: AN_ANSWER }) });
    const { editor, close } = open();
    setMass(editor, '1080 kg');
    expect([editor.state, editor.canUndo]).toEqual(['saved', false]);
    close();
  });

  it('keeps edits on the device until they are saved', async () => {
    serve({ evaluate: () => ({ json: AN_ANSWER }), versions: () => ({ status: 201, json: saved(4) }) });
    const first = open();
    setMass(first.editor, '1100 kg');
    expect(device.kept?.basedOn).toBe(3);
    const second = open();
    expect([mass(second.editor), second.editor.state]).toEqual(['1100 kg', 'unsaved']);
    expect(second.editor.restoredFrom).not.toBeNull();
    await second.editor.save();
    expect([second.editor.state, second.editor.number]).toEqual(['saved', 4]);
    expect(device.kept).toBeNull();
    first.close();
    second.close();
  });

  it('puts the saved sheets back, with the edits one undo away', () => {
    serve({ evaluate: () => ({ json: AN_ANSWER }) });
    void device.keep({
      basedOn: 3,
      at: '2026-01-02T08:00:00Z',
      sheets: someSheets('900 kg'),
    });
    const { editor, close } = open();
    editor.discard();
    expect([mass(editor), editor.state, device.kept]).toEqual(['1080 kg', 'saved', null]);
    editor.undo();
    expect([mass(editor), editor.state]).toEqual(['900 kg', 'unsaved']);
    close();
  });

  it('saves against the revision that it started from', async () => {
    const sent = serve({
      evaluate: () => ({ json: AN_ANSWER }),
      versions: () => ({ status: 201, json: saved(4) }),
    });
    const { editor, close } = open();
    setMass(editor, '1100 kg');
    await editor.save();
    const body = sent.find(({ path }) => path.includes('versions'))?.body as { based_on: number };
    expect(body.based_on).toBe(3);
    close();
  });

  it('shows both versions when somebody saved in between, and goes on from either', async () => {
    const theirs = { ...aJob().version, number: 4, sheets: someSheets('1200 kg') };
    const routes = {
      evaluate: () => ({ json: AN_ANSWER }),
      versions: (body: unknown) =>
        (body as { based_on: number }).based_on === 4
          ? { status: 201, json: saved(5) }
          : { status: 409, json: { says: 'owner saved revision 4', newest: 4, newest_by: 'owner' } },
      'GET /api/jobs/job-1': () => ({ json: aJob({ version: theirs }) }),
    };
    serve(routes);
    const mine = open();
    setMass(mine.editor, '1100 kg');
    await mine.editor.save();
    expect(mine.editor.state).toBe('conflict');
    expect(mine.editor.theirs?.sheets).toEqual(someSheets('1200 kg'));
    await mine.editor.keepMine();
    expect([mine.editor.state, mine.editor.number, mass(mine.editor)]).toEqual(['saved', 5, '1100 kg']);
    mine.close();

    device = new MemoryDrafts();
    const other = open();
    setMass(other.editor, '1100 kg');
    await other.editor.save();
    other.editor.takeTheirs();
    expect([other.editor.state, other.editor.number, mass(other.editor)]).toEqual(['saved', 4, '1200 kg']);
    other.editor.undo();
    expect(mass(other.editor)).toBe('1100 kg');
    other.close();
  });

  it('meets a draft of an older revision as a conflict', () => {
    serve({ evaluate: () => ({ json: AN_ANSWER }) });
    void device.keep({
      basedOn: 2,
      at: '2026-01-02T08:00:00Z',
      sheets: someSheets('900 kg'),
    });
    const { editor, close } = open();
    expect([editor.state, editor.theirs?.number, mass(editor)]).toEqual(['conflict', 3, '900 kg']);
    close();
  });

  it('keeps the last answer and says which field to mend when one is refused', async () => {
    let isRefusing = false;
    const refusal = { says: 'too short', fields: [{ field: 'brief.motor', says: 'too short' }] };
    serve({ evaluate: () => (isRefusing ? { status: 422, json: refusal } : { json: AN_ANSWER }) });
    const { editor, close } = open();
    await vi.advanceTimersByTimeAsync(100);
    isRefusing = true;
    setMass(editor, '1 kg');
    await vi.advanceTimersByTimeAsync(100);
    expect([editor.says, editor.problems[0]?.field]).toEqual(['too short', 'brief.motor']);
    expect(editor.result).toEqual(A_RESULT);
    close();
  });

  it('says that the server is away, and loses nothing', async () => {
    vi.stubGlobal('fetch', () => Promise.reject(new TypeError('network')));
    const { editor, close } = open();
    setMass(editor, '1100 kg');
    expect(await editor.save()).toBe(false);
    expect(editor.says).toContain('does not answer');
    expect(device.kept?.sheets).toEqual(someSheets('1100 kg'));
    close();
  });

  it('asks a server that was away again by itself', async () => {
    let isAway = true;
    serve({ evaluate: () => ({ json: AN_ANSWER }) });
    const there = globalThis.fetch;
    vi.stubGlobal('fetch', (...asked: Parameters<typeof fetch>) =>
      isAway ? Promise.reject(new TypeError('network')) : there(...asked),
    );
    const { editor, close } = open();
    setMass(editor, '1100 kg');
    await vi.advanceTimersByTimeAsync(100);
    expect([editor.isAway, editor.result]).toEqual([true, null]);
    isAway = false;
    await vi.advanceTimersByTimeAsync(4000);
    expect([editor.isAway, editor.says, editor.result]).toEqual([false, '', A_RESULT]);
    close();
  });

  it('keeps a figure on the device before the server has read it, half a one included', async () => {
    vi.stubGlobal('fetch', () => new Promise(() => {})); // a server that never answers
    const { editor, close } = open();
    const write = (text: string) => () => setMass(editor, text);
    editor.reader.typing(write('11'));
    await vi.advanceTimersByTimeAsync(500);
    expect(device.kept?.sheets).toEqual(someSheets('11'));
    void editor.reader.take({ text: '1100 kg', quantity: 'mass' } as Typed, write('1100 kg'));
    await vi.advanceTimersByTimeAsync(1);
    expect(device.kept?.sheets).toEqual(someSheets('1100 kg'));
    expect(mass(editor)).toBe('1080 kg'); // until it is read
    editor.reader.typing(null);
    await vi.advanceTimersByTimeAsync(1);
    expect(device.kept).toBeNull();
    close();
  });

  it('says when the device keeps nothing', async () => {
    serve({ evaluate: () => ({ json: AN_ANSWER }) });
    device.keep = () => Promise.reject(new Error('full'));
    const { editor, close } = open();
    expect(editor.isKept).toBe(true);
    setMass(editor, '1100 kg');
    await vi.advanceTimersByTimeAsync(1);
    expect(editor.isKept).toBe(false);
    close();
  });

  it('opens a draft that nothing follows from over what was saved, to be mended', async () => {
    const refusal = {
      says: 'not a mass',
      fields: [{ field: 'brief.vehicle.kerb_mass', says: 'not a mass' }],
    };
    const isDraft = (body: unknown) =>
      JSON.stringify((body as { sheets: unknown }).sheets) === JSON.stringify(someSheets('1 1/'));
    serve({ evaluate: (body) => (isDraft(body) ? { status: 422, json: refusal } : { json: AN_ANSWER }) });
    const draft = { basedOn: 3, at: '2026-01-02T08:00:00Z', sheets: someSheets('1 1/') };
    const { editor, close } = open(aJob(), draft);
    await vi.advanceTimersByTimeAsync(100);
    expect([mass(editor), editor.result, editor.says]).toEqual(['1 1/', A_RESULT, 'not a mass']);
    close();
  });

  it('lets a viewer change nothing', async () => {
    const sent = serve({ evaluate: () => ({ json: AN_ANSWER }) });
    const { editor, close } = open(aJob({ may_edit: false }));
    setMass(editor, '1100 kg');
    await editor.save();
    expect(mass(editor)).toBe('1080 kg');
    expect(sent.some(({ path }) => path.includes('versions'))).toBe(false);
    close();
  });
});
