<script lang="ts">
  import Button from '../lib/ui/Button.svelte';
  import { p } from '../routes';
  import { useSession } from '../session/session.svelte';
  import YouDialog from '../session/YouDialog.svelte';

  const session = useSession();
  let isYou = $state(false);
</script>

<header class="flex flex-wrap items-center gap-x-4 gap-y-1 border-b border-edge px-5 py-2.5">
  <span class="text-lg font-bold">Fernback</span>
  {#each session.me?.shops ?? [] as place (place.shop_id)}
    <span class="text-ink-dim">
      {place.shop}
      {#if place.role === 'owner'}
        <a
          class="inline-block min-h-6 text-[13px] text-brass underline underline-offset-2"
          href={p('/shop/:id', { params: { id: String(place.shop_id) } })}
          aria-label="People of {place.shop}">people</a
        >
      {/if}
    </span>
  {/each}
  <span class="ml-auto"><Button onclick={() => (isYou = true)}>{session.me?.name}</Button></span>
  <Button onclick={() => session.signOut()}>Sign out</Button>
</header>
<YouDialog open={isYou} onclose={() => (isYou = false)} />
