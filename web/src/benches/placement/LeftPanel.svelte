<script lang="ts">
  import type { PlacementResult, PlacementSheet } from '../../api/types';
  import { within } from '../../measure/fields';
  import Fields from '../../measure/Fields.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { DISPLACED, roomForm } from './fields';

  interface Props {
    sheet: PlacementSheet;
    result: PlacementResult;
    points: readonly string[];
    disabled: boolean;
    change: (write: (sheet: PlacementSheet) => void) => void;
  }
  let { sheet, result, points, disabled, change }: Props = $props();
  const units = useUnits();
  const room = $derived(within((one: PlacementSheet) => one.room, roomForm(points)));
  const displaced = within((one: PlacementSheet) => one.displaced, DISPLACED);
</script>

<h3>What the swap displaces</h3>
<div data-group="displaced"><Fields form={displaced} from={sheet} {disabled} {change} /></div>
<h3 class="mt-3">Where there is still room</h3>
{#if result.room}
  <p class="bg-brass-wash px-2 py-1 text-[13px]">
    <strong>{result.room.count} boxes</strong>{#if typeof result.room.mass_kg === 'number'}, {units.figure(
        result.room.mass_kg,
        'kg',
        0,
      )}{/if}:
    {result.room.blocks.map((block) => block.counts.join(' × ')).join(' and ')}, along × across × up
  </p>
{/if}
<Fields form={room} from={sheet} {disabled} {change} />
