<script lang="ts">
  import { QueryClient, QueryClientProvider } from '@tanstack/svelte-query';
  import { Router } from 'sv-router';
  import { navigate } from './routes';
  import { provideUnits, Units } from './measure/units.svelte';
  import { provideSession } from './session/session.svelte';
  import SignIn from './session/SignIn.svelte';

  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 2_000 } } });
  const session = provideSession();
  // A link into a shop holds its token after the hash sign, where no server sees it.
  let token = $state(window.location.pathname === '/join' ? window.location.hash.slice(1) : '');
  async function cameIn(): Promise<void> {
    await navigate('/', { replace: true });
    token = '';
  }
  provideUnits(new Units(() => session.me?.units ?? 'metric'));
</script>

<QueryClientProvider client={queries}>
  {#if token && session.isKnown}
    {#await import('./people/JoinPage.svelte') then { default: JoinPage }}
      <JoinPage {token} ondone={() => void cameIn()} />
    {/await}
  {:else if session.me}
    <Router />
  {:else if session.isKnown}
    <SignIn />
  {:else}
    <p class="p-6 text-ink-dim" role="status">Opening the shop…</p>
  {/if}
</QueryClientProvider>
