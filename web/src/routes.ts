/** Pages by address; this file is the only one that knows which router is used. */
import { createRouter } from 'sv-router';
import JobPage from './job/JobPage.svelte';
import JobList from './jobs/JobList.svelte';

export const { navigate, p, route } = createRouter({
  '/': JobList,
  '/shop/:id': () => import('./people/ShopPage.svelte'),
  '/jobs/:id/:bench': JobPage,
  '/jobs/:id/as-saved/:number/:bench': JobPage,
});

/** Where a bench of a job is, as it is or as an old revision has it. */
export function benchAddress(id: string, bench: string, number?: number) {
  return number === undefined
    ? p('/jobs/:id/:bench', { params: { id, bench } })
    : p('/jobs/:id/as-saved/:number/:bench', { params: { id, bench, number: String(number) } });
}

/** Open a bench of a job, as it is or as an old revision has it. */
export async function openJob(id: string, bench: string, number?: number, replace = false): Promise<void> {
  if (number === undefined) await navigate('/jobs/:id/:bench', { params: { id, bench }, replace });
  else
    await navigate('/jobs/:id/as-saved/:number/:bench', {
      params: { id, bench, number: String(number) },
      replace,
    });
}
