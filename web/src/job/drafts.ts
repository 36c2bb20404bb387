/** Edits that are not saved yet, kept on this device, each tab's by itself, so that a closed page loses nothing. */
import type { Sheets } from '../api/types';
import { uuid } from '../lib/uuid';

export interface Draft {
  basedOn: number;
  at: string;
  sheets: Sheets;
}

/** Where one person's drafts of one job are kept. What can't be kept is refused, so that it can be said. */
export interface Drafts {
  keep(draft: Draft): Promise<void>;
  drop(): Promise<void>;
}

const STORE = 'drafts';
const TAB = 'fernback:tab';
const LEASE = 'fernback:draft:';
const TRIES = 10; // for a tab that is being reloaded to let its lease go
const WAIT_MS = 50;

let opened: Promise<IDBDatabase> | null = null;
function database(): Promise<IDBDatabase> {
  opened ??= new Promise((resolve, reject) => {
    const asked = indexedDB.open('fernback', 1);
    asked.onupgradeneeded = () => asked.result.createObjectStore(STORE);
    asked.onsuccess = () => resolve(asked.result);
    asked.onerror = () => reject(asked.error ?? new Error('no storage'));
    asked.onblocked = () => reject(new Error('storage is in use'));
  });
  opened.catch(() => (opened = null)); // asked for anew the next time
  return opened;
}

async function inStore<T>(
  mode: IDBTransactionMode,
  act: (store: IDBObjectStore) => IDBRequest<T>,
): Promise<T> {
  const transaction = (await database()).transaction(STORE, mode);
  const asked = act(transaction.objectStore(STORE));
  return new Promise((resolve, reject) => {
    transaction.oncomplete = () => resolve(asked.result);
    transaction.onabort = transaction.onerror = () => reject(transaction.error ?? new Error('not kept'));
  });
}

/** Holds a lease until this page goes; false where another tab holds it. Without leases all tabs are one. */
function leased(tab: string): Promise<boolean> {
  if (!navigator.locks) return Promise.resolve(true);
  return new Promise((resolve) => {
    void navigator.locks.request(LEASE + tab, { ifAvailable: true }, (lock) => {
      resolve(lock !== null);
      return lock ? new Promise(() => {}) : undefined;
    });
  });
}

function remembered(): string | null {
  try {
    return sessionStorage.getItem(TAB);
  } catch {
    return null;
  }
}

/** This tab's name: the same after a reload, another in a tab that was copied from it. */
async function named(): Promise<string> {
  const before = remembered();
  for (let k = 0; before && k < TRIES; k += 1) {
    if (await leased(before)) return before;
    await new Promise((resolve) => setTimeout(resolve, WAIT_MS));
  }
  const tab = uuid();
  await leased(tab);
  try {
    sessionStorage.setItem(TAB, tab);
  } catch {
    // This tab keeps its name only until it is reloaded; its draft is then one that nobody holds.
  }
  return tab;
}

let own: Promise<string> | null = null;
/** This tab's name, the same until it is closed. */
export const thisTab = () => (own ??= named());

/** The tabs that are open, by their leases. */
async function held(): Promise<ReadonlySet<string>> {
  const found = (await navigator.locks?.query())?.held ?? [];
  return new Set(found.map((lock) => lock.name?.replace(LEASE, '') ?? ''));
}

function isDraft(value: unknown): value is Draft {
  const draft = value as Partial<Draft> | null | undefined;
  return typeof draft?.basedOn === 'number' && typeof draft.at === 'string' && Boolean(draft.sheets);
}

/** The drafts of a job on this device, and the one to go on with: this tab's, else the newest that no tab holds. */
export async function openDrafts(
  jobId: string,
  username: string,
): Promise<{ drafts: Drafts; draft: Draft | null }> {
  const tab = await thisTab();
  const key = [username, jobId, tab];
  const drafts: Drafts = {
    keep: async (draft) => void (await inStore('readwrite', (store) => store.put(draft, key))),
    drop: async () => void (await inStore('readwrite', (store) => store.delete(key))),
  };
  try {
    const range = IDBKeyRange.bound([username, jobId], [username, jobId, []]);
    const keys = await inStore('readonly', (store) => store.getAllKeys(range));
    const kept: unknown[] = await inStore('readonly', (store) => store.getAll(range));
    const open = await held();
    const found = keys.flatMap((at, k) => {
      const [draft, holder] = [kept[k], String((at as string[])[2])];
      return isDraft(draft) && (holder === tab || !open.has(holder)) ? [{ draft, holder, at }] : [];
    });
    const mine = found.find((one) => one.holder === tab);
    const first = mine ?? found.toSorted((a, b) => b.draft.at.localeCompare(a.draft.at))[0];
    if (!first) return { drafts, draft: null };
    if (first !== mine) {
      await drafts.keep(first.draft); // ours before it is no longer theirs
      await inStore('readwrite', (store) => store.delete(first.at));
    }
    return { drafts, draft: first.draft };
  } catch {
    return { drafts, draft: null }; // that it can't be kept is said at the first edit
  }
}
