<script lang="ts">
  import type { Sheets } from '../api/types';
  import { differences } from './differences';

  interface Props {
    ours: Sheets;
    theirs: Sheets;
    heads: readonly [string, string];
  }
  let { ours, theirs, heads }: Props = $props();
  const found = $derived(differences(ours, theirs));
</script>

<div class="max-h-[50dvh] overflow-auto border-y border-edge">
  <table class="w-full text-[13px]">
    <thead class="sticky top-0 bg-paper text-left text-ink-dim">
      <tr
        ><th class="py-1 font-normal">field</th>
        {#each heads as head (head)}<th class="font-normal">{head}</th>{/each}</tr
      >
    </thead>
    <tbody>
      {#each found as one (one.path)}
        <tr class="border-t border-edge align-top">
          <td class="py-1 pr-3">{one.path}</td>
          <td class="pr-3 figures">{one.ours}</td>
          <td class="figures">{one.theirs}</td>
        </tr>
      {:else}
        <tr><td colspan="3" class="py-2">Both hold the same figures.</td></tr>
      {/each}
    </tbody>
  </table>
</div>
