<script lang="ts">
  import type { InvitationLine } from '../api/types';
  import { dayTime } from '../lib/format';

  interface Props {
    links: readonly InvitationLine[];
    onwithdraw: (id: number) => void;
  }
  let { links, onwithdraw }: Props = $props();
</script>

{#if links.length}
  <h2 class="mt-8 mb-2 font-semibold">Links that nobody used yet</h2>
  <ul class="border-t border-edge">
    {#each links as one (one.id)}
      <li class="flex flex-wrap items-center gap-x-4 border-b border-edge py-2">
        <span class="w-28">{one.role}</span>
        <span class="text-ink-dim"
          >made by {one.made_by || 'the machine'}, until {dayTime(one.expires_at)}</span
        >
        <button
          class="ml-auto min-h-6 text-[13px] text-brass underline underline-offset-2"
          aria-label="Withdraw the link for one {one.role}"
          onclick={() => onwithdraw(one.id)}>withdraw</button
        >
      </li>
    {/each}
  </ul>
{/if}
