<script lang="ts">
  import type { PlacementResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: PlacementResult;
    hasOutputs: boolean;
    disabled: boolean;
    onchoose: (name: string) => void;
  }
  let { result, hasOutputs, disabled, onchoose }: Props = $props();
  const units = useUnits();
  const angles = (stand: PlacementResult['stands'][number]) => {
    const ride = stand.joints.filter((joint) => joint.at === 'ride');
    return ride.length === 2 ? ride.map((joint) => units.num(joint.angle_deg, '°', 1)).join(' / ') : '–';
  };
</script>

<table class="w-full text-[13px]" aria-label="Which way round">
  <thead class="text-ink-dim">
    <tr>
      <th class="text-left font-normal">which way round</th>
      {#if hasOutputs}<th class="text-right font-normal">angles, °</th>{/if}
      <th class="text-right font-normal">least gap</th>
      <th class="text-right font-normal">above ground</th>
      <th class="pl-2 text-left font-normal">{hasOutputs ? 'motor' : ''}</th>
    </tr>
  </thead>
  <tbody>
    {#each result.stands as stand (stand.field)}
      <tr class={['border-t border-edge align-top', stand.is_chosen && 'bg-brass-wash']}>
        <td class="py-1">
          <label class="flex items-baseline gap-2">
            <input
              type="radio"
              name="stand"
              {disabled}
              checked={stand.is_chosen}
              onchange={() => onchoose(stand.name)}
            />
            <span
              >{stand.name}
              {#if stand.least_gap}<span class="block text-[12px] text-ink-dim">{stand.least_gap}</span
                >{/if}</span
            ></label
          >
          {#if stand.missing.length > 0}<p class="text-brass">? {stand.missing[0]}</p>{/if}
        </td>
        {#if hasOutputs}<td class="py-1 text-right figures">{angles(stand)}</td>{/if}
        <td class={['py-1 text-right', (stand.least_gap_mm ?? 0) < 0 && 'text-fails']}>
          <span class="figures">{units.num(stand.least_gap_mm, 'mm', 1)}</span>
        </td>
        <td class="py-1 text-right figures">{units.num(stand.lowest_mm, 'mm', 0)}</td>
        <td class="py-1 pl-2"
          >{#if hasOutputs && typeof stand.turns_usual === 'boolean'}{stand.turns_usual
              ? 'usual way'
              : 'against its way'}{#if stand.is_oiled === false}<span class="block text-fails"
                >oil pump stops</span
              >{/if}{/if}</td
        >
      </tr>
    {/each}
  </tbody>
</table>
