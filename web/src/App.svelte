<script lang="ts">
  import { QueryClient, QueryClientProvider } from '@tanstack/svelte-query';
  import { Router } from 'sv-router';
  import './routes';
  import { provideUnits, Units } from './measure/units.svelte';
  import { provideSession } from './session/session.svelte';
  import SignIn from './session/SignIn.svelte';

  const queries = new QueryClient({ defaultOptions: { queries: { retry: false, staleTime: 2_000 } } });
  const session = provideSession();
  provideUnits(new Units(() => session.me?.units ?? 'metric'));
</script>

<QueryClientProvider client={queries}>
  {#if session.me}
    <Router />
  {:else if session.isKnown}
    <SignIn />
  {:else}
    <p class="p-6 text-ink-dim" role="status">Opening the shop…</p>
  {/if}
</QueryClientProvider>
