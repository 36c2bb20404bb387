<script lang="ts">
  import type { CouplerResult, CouplerSheet } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import FitTable from './FitTable.svelte';
  import { HUB_FIT, HUB_MADE, styleGroups } from './fields';

  interface Props {
    sheet: CouplerSheet;
    style: string | null;
    fits: CouplerResult['fits'];
    threads: readonly string[];
    disabled: boolean;
    change: (write: (sheet: CouplerSheet) => void) => void;
  }
  let { sheet, style, fits, threads, disabled, change }: Props = $props();
</script>

<div class="flex flex-col gap-5 px-4 py-3">
  {#each styleGroups(style, threads) as { title, form } (title)}
    <section>
      <h2>{title}</h2>
      <Fields {form} from={sheet} {disabled} {change} />
    </section>
  {/each}
  <section data-group="hub">
    <h2>Hub on the motor’s shaft</h2>
    <Fields form={HUB_MADE} from={sheet} {disabled} {change} />
  </section>
  <section>
    <h2>How it is put on</h2>
    <p class="text-[13px] text-ink-dim">
      A hot hub burns: gloves and face shield. The key is in its way before anything is warmed.
    </p>
    <Fields form={HUB_FIT} from={sheet} {disabled} {change} />
    {#if fits.length > 0}
      <FitTable
        {fits}
        {disabled}
        onchoose={(fit) => change((next) => (next.hub.fit = fit as CouplerSheet['hub']['fit']))}
      />
    {/if}
  </section>
</div>
