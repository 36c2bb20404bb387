/** Pages by address; this file is the only one that knows which router is used. */
import { createRouter } from 'sv-router';
import JobPage from './job/JobPage.svelte';
import JobList from './jobs/JobList.svelte';

export const { navigate, p, route } = createRouter({
  '/': JobList,
  '/shop/:id': () => import('./people/ShopPage.svelte'),
  '/jobs/:id/:bench': JobPage,
});
