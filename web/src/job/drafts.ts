/** Edits that are not saved yet, kept on this device so that a closed page loses nothing. */
import type { Sheets } from '../api/types';

export interface Draft {
  basedOn: number;
  at: string;
  sheets: Sheets;
}

const key = (jobId: string, username: string) => `fernback:draft:${username}:${jobId}`;

export function readDraft(jobId: string, username: string): Draft | null {
  try {
    const draft: Partial<Draft> = JSON.parse(localStorage.getItem(key(jobId, username)) ?? 'null') ?? {};
    if (typeof draft.basedOn !== 'number' || !draft.sheets || !draft.at) return null;
    return { basedOn: draft.basedOn, at: draft.at, sheets: draft.sheets };
  } catch {
    return null;
  }
}

export function keepDraft(jobId: string, username: string, draft: Draft): void {
  try {
    localStorage.setItem(key(jobId, username), JSON.stringify(draft));
  } catch {
    // A full or forbidden store: the page still warns before it is left with unsaved edits.
  }
}

export function dropDraft(jobId: string, username: string): void {
  localStorage.removeItem(key(jobId, username));
}
