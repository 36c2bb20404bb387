import { describe, expect, it } from 'vitest';
import type { JobLine } from '../api/types';
import { shownJobs } from './sorting';

const job = (name: string, more: Partial<JobLine> = {}) =>
  ({
    name,
    about: 'a light van',
    stage: 'brief designed',
    worst_title: '',
    saved_by: 'owner',
    fails: 0,
    not_known: 0,
    is_put_away: false,
    ...more,
  }) as JobLine;
const names = (jobs: readonly JobLine[]) => jobs.map((one) => one.name);
const JOBS = [
  job('Wren', { not_known: 3 }),
  job('Plover', { about: 'a coupé', fails: 2 }),
  job('Dunlin', { is_put_away: true }),
  job('Avocet', { fails: 2, not_known: 1 }),
];

describe('the jobs that are shown', () => {
  it('are those not put away, in the order in which they were touched', () => {
    expect(names(shownJobs(JOBS, '', 'touched', false))).toEqual(['Wren', 'Plover', 'Avocet']);
    expect(names(shownJobs(JOBS, '', 'touched', true))).toEqual(['Dunlin']);
  });

  it('begin with what needs somebody most', () => {
    expect(names(shownJobs(JOBS, '', 'open', false))).toEqual(['Avocet', 'Plover', 'Wren']);
  });

  it('hold every word that is sought, wherever it stands', () => {
    expect(names(shownJobs(JOBS, ' VAN  owner', 'touched', false))).toEqual(['Wren', 'Avocet']);
    expect(names(shownJobs(JOBS, 'tram', 'touched', false))).toEqual([]);
  });
});
