<script lang="ts">
  import type { BriefSheet, RatiosSheet } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { layoutHas } from '../../measure/layouts';
  import { ratings, SPLIT, TRANSFER } from './fields';

  interface Props {
    sheet: RatiosSheet;
    layout: BriefSheet['layout'];
    isBothDriven: boolean;
    disabled: boolean;
    change: (write: (sheet: RatiosSheet) => void) => void;
  }
  let { sheet, layout, isBothDriven, disabled, change }: Props = $props();
</script>

<div class="flex flex-col gap-6">
  <section>
    <h3>What each bears</h3>
    <Fields form={ratings(layout, isBothDriven)} from={sheet} {disabled} {change} />
  </section>
  {#if layoutHas(layout).propshaft && sheet.transfer.ranges.length > 0}
    <section data-part="transfer">
      <h3>The transfer box</h3>
      <Fields
        form={TRANSFER}
        from={sheet.transfer}
        {disabled}
        change={(write) => change((next) => write(next.transfer))}
      />
    </section>
  {/if}
  {#if isBothDriven && layout !== 'two_units'}
    <section>
      <h3>Between front and rear</h3>
      <Fields
        form={SPLIT}
        from={sheet.split}
        {disabled}
        change={(write) => change((next) => write(next.split))}
      />
    </section>
  {/if}
</div>
