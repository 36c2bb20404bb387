/** Which jobs of a shop are shown, and which comes first. */
import type { JobLine } from '../api/types';

export type Order = 'touched' | 'open';

/** Jobs that hold every word of what is sought; the last touched first, or the one with most that fails or is open. */
export function shownJobs(
  jobs: readonly JobLine[],
  sought: string,
  order: Order,
  isPutAway: boolean,
): readonly JobLine[] {
  const words = sought.toLowerCase().split(/\s+/).filter(Boolean);
  const found = jobs.filter((job) => {
    const text = `${job.name} ${job.about} ${job.stage} ${job.worst_title} ${job.saved_by}`.toLowerCase();
    return job.is_put_away === isPutAway && words.every((word) => text.includes(word));
  });
  if (order === 'touched') return found;
  return found.toSorted((a, b) => b.fails - a.fails || b.not_known - a.not_known);
}
