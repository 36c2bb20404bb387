/** A job as it was saved once: looked at on the benches, never changed. */
import { answered, client } from '../api/client';
import type { Job, Sheets, VersionLine } from '../api/types';
import type { Drafts } from './drafts';

/** Nothing is edited, so nothing is kept. */
const NO_DRAFTS: Drafts = { keep: () => Promise.resolve(), drop: () => Promise.resolve() };

/** The job with an old revision in the newest one's place. */
export async function asSaved(job: Job, number: number) {
  const path = { job_id: job.id, number };
  const call = client.GET('/api/jobs/{job_id}/versions/{number}', { params: { path } });
  // The client's types make a list of three of a place; it is one all the same.
  const version = (await answered(call)) as unknown as VersionLine & { sheets: Sheets };
  return {
    job: { ...job, may_edit: false, version },
    old: { version, newest: job.version.number },
    drafts: NO_DRAFTS,
    draft: null,
  };
}

export interface Old {
  version: VersionLine;
  newest: number;
}
