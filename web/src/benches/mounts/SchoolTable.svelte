<script lang="ts">
  import { useEditor } from '../../job/job-editor.svelte';
  import SeekButton from '../../job/SeekButton.svelte';
  import { Seeker } from '../../job/seeker.svelte';
  import { useUnits } from '../../measure/units.svelte';

  const seeker = new Seeker(useEditor());
  const units = useUnits();
  const rows = $derived(seeker.isCurrent ? (seeker.found?.rows ?? []) : []);
</script>

<h3 class="mt-3">Held otherwise</h3>
<SeekButton {seeker} key="mounts.schools" text="compare hard mounts, and one mount fewer" busy="Trying…" />
{#if rows.length > 0}
  <table class="w-full text-[13px]" aria-label="Held otherwise">
    <thead class="text-ink-dim">
      <tr>
        {#each rows[0]?.slice(0, -1) ?? [] as head, k (k)}
          <th class={['font-normal', k > 0 && 'pl-2 text-right']}>{head}</th>
        {/each}
      </tr>
    </thead>
    <tbody>
      {#each rows.slice(1) as row (row[0])}
        <tr class="border-t border-edge">
          <td class="pt-1">{row[0]}</td>
          {#each row.slice(1, -1) as cell, k (k)}
            <td class="pt-1 pl-2 text-right figures whitespace-nowrap">{units.words(cell)}</td>
          {/each}
        </tr>
        <tr><td class="pb-1 text-[12.5px] text-ink-dim" colspan="4">{units.words(row.at(-1) ?? '')}</td></tr>
      {/each}
    </tbody>
  </table>
{/if}
