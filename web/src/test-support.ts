/** What tests of the screen share: a job, an answer of the core, and a server that answers as told. */
import type { Draft, Drafts } from './job/drafts';
import { vi } from 'vitest';
import type { Answer, Check, Job, Line, Sheets } from './api/types';

export function aCheck(change: Partial<Check> = {}): Check {
  return {
    key: 'gearbox.torque',
    bench: 'ratios',
    title: 'Gearbox input torque',
    demand: 294,
    is_so: null,
    has_catch: false,
    guards_release: false,
    holds_release: false,
    capacity: 320,
    unit: 'N·m',
    wanted_margin: 1,
    wanted_is_default: true,
    wanted_kind: 'maker_rating',
    says: '294 of 320 N·m, set by the motor',
    missing: [],
    inputs: ['brief.motor', 'ratios.gearbox'],
    station: 'gearbox',
    margin: 1.09,
    verdict: 'tight',
    rank: 2e6,
    ...change,
  };
}

export function aLine(): Line {
  const rows = [0, 1, 2].map((row) => [0, 1, 2, 3].map((k) => (row + 1) * k * 100));
  return {
    candidate: '3rd · 4.11',
    is_chosen: true,
    speed_kmh: [0, 20, 40, 60],
    rpm: rows,
    stations: ['motor', 'coupler', 'wheel'].map((key) => ({
      key,
      kind: key,
      way: 'trunk' as const,
      sense: 1,
      title: key,
      bench: key === 'motor' ? 'brief' : 'ratios',
      ratio: 1,
      efficiency: 1,
      efficiency_is_default: false,
      rating_nm: null,
      greatest_rpm: null,
      motor_limited_nm: 1,
      slip_limited_nm: null,
      overrun_nm: 1,
      wind_up_nm: 0,
      design_nm: 1,
      governed_by: 'motor',
      is_limited: false,
    })),
    cases: ['launch', 'cruise'].map((key) => ({
      key,
      title: key,
      about: '',
      torque_nm: rows,
      margin: [
        [1.5, 1.2, 1.05, 0.9],
        [null, null, null, null],
        [null, null, null, null],
      ],
      verdict: ['hhtf', '????', '????'],
      road_n: [1, 2, 3, 4],
    })),
    ticks: [{ kmh: 40, text: 'torque falls', is_limit: true }],
    top_kmh: 50,
    top_set_by: 'drag',
  };
}

/** Sheets with only what a test looks at; the rest of them is not read. */
export function someSheets(kerbMass: string): Sheets {
  return { brief: { vehicle: { kerb_mass: { text: kerbMass } } } } as Sheets;
}

export function aJob(change: Partial<Job> = {}): Job {
  return {
    id: 'job-1',
    name: 'Wren',
    about: '',
    shop: 'Saltmarsh Motor Works',
    may_edit: true,
    version: {
      number: 3,
      author: 'owner',
      saved_at: '2026-01-02T09:00:00Z',
      note: '',
      worst: 'tight',
      sheets: someSheets('1080 kg'),
    },
    benches: [{ key: 'brief', title: 'Brief', letter: 'b' }],
    ...change,
  };
}

export const AN_ANSWER = {
  read: null,
  answer: { keys: {}, line: null, parts: {}, checks: {}, benches: [] } as unknown as Answer,
};

/** What the screen makes of that answer. */
export const A_RESULT = { line: null, parts: {}, checks: [], benches: [] };

type Route = (body: unknown) => { status?: number; json: unknown; after?: Promise<void> | undefined };

/** Answers calls whose method and address contain a key of `routes`; returns the bodies that were sent, in order. */
export function serve(routes: Record<string, Route>): { path: string; body: unknown }[] {
  const sent: { path: string; body: unknown }[] = [];
  vi.stubGlobal('fetch', async (request: Request) => {
    const path = `${request.method} ${new URL(request.url).pathname}`;
    const text = await request.text();
    const body: unknown = text ? JSON.parse(text) : null;
    sent.push({ path, body });
    const key = Object.keys(routes).find((part) => path.includes(part));
    const answer = key ? routes[key]!(body) : { status: 404, json: { says: 'no such place' } };
    const { status = 200, json, after } = answer;
    await after; // an answer that is long in coming
    return new Response(JSON.stringify(json), { status, headers: { 'Content-Type': 'application/json' } });
  });
  return sent;
}

/** Drafts in memory, as they would be on the device. */
export class MemoryDrafts implements Drafts {
  kept: Draft | null = null;
  keep(draft: Draft): Promise<void> {
    this.kept = draft;
    return Promise.resolve();
  }
  drop(): Promise<void> {
    this.kept = null;
    return Promise.resolve();
  }
}
