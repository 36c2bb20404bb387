<script lang="ts">
  import type { RatiosSheet } from '../../api/types';
  import BoxList from './BoxList.svelte';

  interface Props {
    sheet: RatiosSheet;
    isBothDriven: boolean;
    disabled: boolean;
    change: (write: (sheet: RatiosSheet) => void) => void;
  }
  let { sheet, isBothDriven, disabled, change }: Props = $props();
</script>

<BoxList
  field="final_drives"
  title={isBothDriven ? 'Final drives, the same at both axles' : 'Final drives'}
  kind="final_drive"
  noun="a final drive"
  hint="Count teeth: crown wheel over pinion, such as 37/9."
  boxes={sheet.final_drives}
  asks={{ coast: true }}
  {disabled}
  change={(write) => change((next) => write(next.final_drives))}
/>
{#if isBothDriven}
  <BoxList
    title="Front final drives, where they are others"
    kind="final_drive"
    noun="a front final drive"
    hint="None listed: the front axle has the rear one's."
    boxes={sheet.front_final_drives}
    {disabled}
    change={(write) => change((next) => write(next.front_final_drives))}
  />
{/if}
