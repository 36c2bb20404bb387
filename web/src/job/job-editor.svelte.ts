import { getContext, setContext } from 'svelte';
import { answered, client, Refusal } from '../api/client';
import type { FieldProblem, Job, JobResult, Sheets, Typed, VersionLine } from '../api/types';
import { heardOf, provideReader, Reader, type Heard } from '../measure/reader';
import type { Draft, Drafts } from './drafts';
import { Evaluation, evaluatedBeside, type Found } from './evaluation.svelte';
import { KeptDraft } from './kept-draft.svelte';
import type { Path } from './merging';
import { Undo } from './undo.svelte';
import { changedPath } from './whose';

const KEY = Symbol('job');
const PAUSE_MS = 40; // while a gesture goes on
const AGAIN_MS = 3000; // until a server that was away is asked again
const AWAY = [0, 502, 503, 504]; // no answer, or none of its own

export type SaveState = 'saved' | 'unsaved' | 'saving' | 'conflict' | 'refused';

/** Somebody else's save that came between. */
export interface Theirs {
  number: number;
  author: string;
  savedAt: string;
  sheets: Sheets;
}

/**
 * A job on the screen: its sheets as edited, what follows from them, and how they stand against what is saved.
 * Every edit is evaluated by the core at once; nothing is calculated here.
 */
export class JobEditor {
  readonly job: Job;
  readonly #username: string;
  readonly #kept: KeptDraft;
  readonly #undo = new Undo();
  readonly #evaluation: Evaluation;
  readonly reader = new Reader(
    (typed, write) => this.#take(typed, write),
    (write) => this.#typing(write),
    (label, write) => (this.asked = { label, path: changedPath(this.sheets, this.#after(write)) }),
  );
  sheets = $state.raw<Sheets>()!;
  problems = $state.raw<readonly FieldProblem[]>([]);
  says = $state('');
  state = $state<SaveState>('saved');
  number = $state(0);
  savedAt = $state('');
  savedBy = $state('');
  theirs = $state.raw<Theirs | null>(null);
  asked = $state.raw<{ label: string; path: Path } | null>(null); // the field of which somebody asks who changed it
  came = $state.raw<VersionLine | null>(null); // somebody else's save that was heard of
  restoredFrom = $state<string | null>(null);
  note = $state(''); // of the next save
  isAway = $state(false); // the server does not answer; it is asked again by itself
  pinned = $state.raw<JobResult | null>(null);
  #trial: { sheets: Sheets } | null = null; // edits go here while it is found out what would follow
  #taking: Promise<void> = Promise.resolve();
  #timer: ReturnType<typeof setTimeout> | undefined;
  #again: ReturnType<typeof setTimeout> | undefined;
  #saving: Promise<boolean> | null = null;

  readonly isDirty = $derived(this.state !== 'saved');

  readonly isOld: boolean; // a revision of before is looked at

  constructor(job: Job, username: string, drafts: Drafts, draft: Draft | null, isOld = false) {
    this.job = job;
    this.#evaluation = new Evaluation(job.id);
    this.isOld = isOld;
    this.#username = username;
    this.#kept = new KeptDraft(drafts, () => this.number);
    this.sheets = job.version.sheets;
    this.#saved(job.version);
    if (draft && job.may_edit) this.#restore(draft.sheets, draft.basedOn, draft.at);
    void this.#evaluate();
  }

  get username(): string {
    return this.#username;
  }

  get mayEdit(): boolean {
    return this.job.may_edit;
  }

  get result(): JobResult | null {
    return this.#evaluation.result;
  }

  /** False while this device can't keep what is not saved. */
  get isKept(): boolean {
    return this.#kept.isKept;
  }

  get canUndo(): boolean {
    return this.#undo.canUndo;
  }

  get canRedo(): boolean {
    return this.#undo.canRedo;
  }

  #restore(sheets: Sheets, basedOn: number, at: string): void {
    const newest = this.job.version;
    this.#undo.replaced(this.sheets);
    this.sheets = sheets;
    this.state = 'unsaved';
    this.restoredFrom = at;
    if (basedOn !== newest.number) {
      this.number = basedOn;
      this.#collide({
        number: newest.number,
        author: newest.author,
        savedAt: newest.saved_at,
        sheets: newest.sheets,
      });
    }
  }

  /**
   * Change the sheets; the change is one step of undo. Changes of one `gesture`, such as a drag, that follow
   * closely count as one step.
   */
  edit(change: (sheets: Sheets) => void, gesture = ''): void {
    if (!this.mayEdit) return;
    const next = structuredClone(this.#trial?.sheets ?? this.sheets);
    change(next);
    if (this.#trial) {
      this.#trial.sheets = next;
      return;
    }
    if (JSON.stringify(next) === JSON.stringify(this.sheets)) return;
    this.#keep(next, gesture);
    this.#evaluateSoon(gesture === '' ? 0 : PAUSE_MS);
  }

  #keep(next: Sheets, gesture = ''): void {
    this.#undo.step(this.sheets, gesture);
    this.#hold(next);
  }

  /**
   * Enter a figure just typed: the core reads it back in the answer to the change, and only what it could read is kept.
   * One figure waits for the one before.
   */
  async #take(typed: Typed, write: () => void): Promise<Heard> {
    const before = this.#taking;
    let done = () => {};
    this.#taking = new Promise((resolve) => (done = resolve));
    await before;
    try {
      return await this.#tried(typed, write);
    } finally {
      done();
    }
  }

  async #tried(typed: Typed, write: () => void): Promise<Heard> {
    const base = this.sheets;
    const next = this.#after(write);
    this.#kept.keep(next);
    try {
      const answer = await this.#ask(next, typed);
      this.#keep(this.sheets === base ? next : this.#after(write));
      if (!answer || this.sheets !== next) void this.#evaluate();
      return heardOf(answer?.read);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      if (error.fields.some(({ field }) => field === 'text' || this.#isEntered(field))) {
        if (this.#evaluation.isBehind) void this.#evaluate(); // what was being worked out when this was asked
        return { problem: error.fields[0]?.says ?? error.message, echo: '' };
      }
      this.#keep(next); // a figure that can be read, though what follows from it can't be: nothing typed is lost
      this.#refused(error);
      return { problem: '', echo: '' };
    }
  }

  /** Whether a field is one of a sheet, by its path, and not a figure that something is worked out from. */
  #isEntered(field: string): boolean {
    return ['margins', ...this.job.benches.map(({ key }) => key)].some((key) => field.startsWith(`${key}.`));
  }

  /** The sheets as they would be after some edits, which are not kept. */
  #after(write: () => void): Sheets {
    const trial = { sheets: this.sheets };
    this.#trial = trial;
    try {
      write();
    } finally {
      this.#trial = null;
    }
    return trial.sheets;
  }

  /** Take back the last step, once the figure just typed is in the sheets: it is the last step then. */
  async takeBack(): Promise<void> {
    await this.reader.settled();
    this.undo();
  }

  undo(): void {
    const before = this.#undo.back(this.sheets);
    if (before) this.#show(before);
  }

  redo(): void {
    const after = this.#undo.forward(this.sheets);
    if (after) this.#show(after);
  }

  #show(sheets: Sheets): void {
    this.#hold(sheets);
    this.#evaluateSoon(0);
  }

  #hold(sheets: Sheets): void {
    this.sheets = sheets;
    if (this.state !== 'conflict') this.state = 'unsaved';
    this.#kept.keep(sheets);
  }

  /** Keep what stands in a field as well, half a figure included; null puts it back as it was. */
  #typing(write: (() => void) | null): void {
    if (!this.mayEdit) return;
    if (write) this.#kept.keepSoon(() => this.#after(write));
    else if (this.state === 'saved') this.#kept.drop();
    else this.#kept.keep(this.sheets);
  }

  #evaluateSoon(afterMs: number): void {
    clearTimeout(this.#timer);
    this.#timer = setTimeout(() => void this.#evaluate(), afterMs);
  }

  /** Ask again what follows: something that is not in the sheets, such as a release, has changed. */
  async refresh(): Promise<void> {
    await this.#evaluate();
  }

  async #evaluate(): Promise<void> {
    try {
      await this.#ask(this.sheets, null);
    } catch (error) {
      if (!this.result) await this.#showSaved();
      this.#refused(error);
    }
  }

  /** Sheets of a draft that nothing follows from are mended over what was saved: never over an empty bench. */
  async #showSaved(): Promise<void> {
    const { sheets } = this.job.version;
    if (sheets === this.sheets) return;
    await this.#ask(sheets, null).catch(() => null); // what is wrong with the draft is said
  }

  /** Ask what follows from sheets; null where another question came after this one. */
  async #ask(sheets: Sheets, typed: Typed | null): Promise<Found | null> {
    clearTimeout(this.#timer);
    const found = await this.#evaluation.ask(sheets, typed);
    if (!found) return null;
    this.problems = [];
    this.says = '';
    this.isAway = false;
    return found;
  }

  #refused(error: unknown): void {
    if (!(error instanceof Refusal)) throw error;
    this.says = error.message;
    this.problems = error.fields;
    this.isAway = AWAY.includes(error.status);
    clearTimeout(this.#again);
    if (this.isAway) this.#again = setTimeout(() => void this.#evaluate(), AGAIN_MS);
  }

  /**
   * Save what is on the screen, figures just typed included; true when all of it is saved. While another save is
   * under way it waits for that one, and then saves what has been edited since.
   */
  async save(): Promise<boolean> {
    await this.reader.settled();
    while (this.#saving) await this.#saving;
    if (!this.mayEdit || this.state === 'saved') return this.state === 'saved';
    this.#saving = this.#send();
    try {
      return await this.#saving;
    } finally {
      this.#saving = null;
    }
  }

  async #send(): Promise<boolean> {
    this.state = 'saving';
    const sheets = this.sheets;
    const body = { based_on: this.number, sheets, note: this.note.trim() };
    try {
      const path = { job_id: this.job.id };
      this.#saved(await answered(client.POST('/api/jobs/{job_id}/versions', { params: { path }, body })));
    } catch (error) {
      if (error instanceof Refusal && error.status === 409) {
        await this.#fetchTheirs();
      } else {
        this.state = 'refused';
        this.#refused(error);
      }
      return false;
    }
    this.note = '';
    if (this.sheets === sheets) this.#kept.drop();
    else this.#show(this.sheets);
    return true;
  }

  /** Take note of what is newest on the server: shown at once where no edit stands in the way, else said. */
  async heardOf(newest: VersionLine, isTyping: boolean): Promise<void> {
    if (newest.number <= this.number || this.state === 'saving' || this.state === 'conflict') return;
    if (this.isDirty) {
      this.came = newest;
      return;
    }
    if (isTyping) return; // half a figure may stand in a field; the next time, then
    const { version } = await this.#newest();
    if (this.isDirty || version.number <= this.number) return;
    this.#undo.replaced(this.sheets);
    this.sheets = version.sheets;
    this.#saved(version);
    this.came = newest;
    void this.#evaluate();
  }

  /** Fetch theirs, to choose field by field. */
  async lookAtBoth(): Promise<void> {
    try {
      await this.#fetchTheirs();
    } catch (error) {
      this.#refused(error);
    }
  }

  #saved(version: { number: number; saved_at: string; author: string }): void {
    this.number = version.number;
    this.savedAt = version.saved_at;
    this.savedBy = version.author;
    this.state = 'saved';
    this.came = null;
    this.says = '';
    this.restoredFrom = null;
  }

  async #newest(): Promise<Job> {
    return answered(client.GET('/api/jobs/{job_id}', { params: { path: { job_id: this.job.id } } }));
  }

  async #fetchTheirs(): Promise<void> {
    const { version } = await this.#newest();
    this.#collide({
      number: version.number,
      author: version.author,
      savedAt: version.saved_at,
      sheets: version.sheets,
    });
  }

  #collide(theirs: Theirs): void {
    this.theirs = theirs;
    this.state = 'conflict';
    this.came = null;
  }

  /** The sheets that these edits started from. */
  async startedFrom(): Promise<Sheets> {
    const path = { job_id: this.job.id, number: this.number };
    const found = await answered(client.GET('/api/jobs/{job_id}/versions/{number}', { params: { path } }));
    return found.sheets;
  }

  /** Go on from theirs with mine laid over them; mine alone are one undo away, and nothing is saved yet. */
  layOver(sheets: Sheets): void {
    if (!this.theirs) return;
    this.number = this.theirs.number;
    this.theirs = null;
    this.state = 'unsaved';
    this.restoredFrom = null;
    this.#undo.replaced(this.sheets);
    this.#show(sheets);
  }

  /** Save these sheets over theirs; theirs stays in the history. */
  async keepMine(): Promise<void> {
    if (!this.theirs) return;
    this.number = this.theirs.number;
    this.theirs = null;
    this.state = 'unsaved';
    await this.save();
  }

  /** Show theirs; these sheets are one undo away. */
  takeTheirs(): void {
    const { theirs } = this;
    if (!theirs) return;
    this.theirs = null;
    this.#undo.replaced(this.sheets);
    this.sheets = theirs.sheets;
    this.#saved({ number: theirs.number, saved_at: theirs.savedAt, author: theirs.author });
    this.#kept.drop();
    void this.#evaluate();
  }

  /** Go back to what is saved; the edits are one undo away. */
  discard(): void {
    this.edit((sheets) => Object.assign(sheets, structuredClone(this.job.version.sheets)));
    this.restoredFrom = null;
    this.state = 'saved'; // offered only before the first save, so these are the newest
    this.#kept.drop();
  }

  /** Pin what follows from other sheets, a saved revision's, to compare with what is on the screen. */
  async pinSheets(sheets: Sheets): Promise<void> {
    this.pinned = await evaluatedBeside(this.job.id, sheets);
  }

  togglePin(): void {
    this.pinned = this.pinned ? null : this.result;
  }

  /** Stop what is still under way, when the page goes. */
  leave(): void {
    clearTimeout(this.#timer);
    clearTimeout(this.#again);
    this.#evaluation.leave();
  }
}

export function provideEditor(editor: () => JobEditor): void {
  setContext(KEY, editor);
  provideReader(() => editor().reader);
}

/** Returns the job being edited; a getter, since the page may open another. */
export function useEditor(): JobEditor {
  const editor = getContext<(() => JobEditor) | undefined>(KEY);
  if (!editor) throw new Error('useEditor outside JobPage.svelte');
  return editor();
}
