<script lang="ts">
  import type { MassesResult, MassesSheet } from '../../api/types';
  import { percent } from '../../lib/format';
  import Fields from '../../measure/Fields.svelte';
  import { LIFTED, LOAD_RATINGS, WEIGHED } from './fields';
  import MassItems from './MassItems.svelte';
  import MassPlot from './MassPlot.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: MassesResult;
    sheet: MassesSheet;
    queries: readonly string[];
    disabled: boolean;
    change: (write: (sheet: MassesSheet) => void) => void;
  }
  let { result, sheet, queries, disabled, change }: Props = $props();
  const units = useUnits();
</script>

<MassPlot {result} />
<div class="flex flex-col gap-5 px-5 py-3">
  <table class="w-full text-[13px]" aria-label="How it stands">
    <thead class="text-ink-dim">
      <tr>
        <th class="text-left font-normal"></th>
        <th class="text-right font-normal">{units.symbol('kg')}</th>
        <th class="text-right font-normal">front {units.symbol('kg')}</th>
        <th class="text-right font-normal">rear {units.symbol('kg')}</th>
        <th class="text-right font-normal">front share</th>
        <th class="text-right font-normal">left share</th>
        <th class="text-right font-normal">c.g. height, {units.symbol('mm')}</th>
      </tr>
    </thead>
    <tbody>
      {#each result.standings as standing (standing.key)}
        <tr class={['border-t border-edge', standing.key === 'kerb' && 'bg-brass-wash font-semibold']}>
          <td class="py-1">{standing.title}</td>
          <td class="text-right figures">{units.num(standing.mass_kg, 'kg', 0)}</td>
          <td class="text-right figures">{units.num(standing.front_kg, 'kg', 0)}</td>
          <td class="text-right figures">{units.num(standing.rear_kg, 'kg', 0)}</td>
          <td class="text-right figures">{percent(standing.front_share)}</td>
          <td class="text-right figures">{percent(standing.left_share)}</td>
          <td class="text-right figures">{units.num(standing.cg_height_mm, 'mm', 0)}</td>
        </tr>
      {:else}
        <tr
          ><td colspan="7" class="text-ink-dim">Weigh each axle on a level floor, or give the kerb mass.</td
          ></tr
        >
      {/each}
    </tbody>
  </table>
  {#if result.elsewhere.length > 0}
    <p class="text-[13px]">
      From Placement:
      {#each result.elsewhere as one, k (k)}
        {k > 0 ? '; ' : ''}{one.name}
        {typeof one.mass_kg === 'number' ? units.figure(one.mass_kg, 'kg', 0) : '(not weighed)'}
        {one.is_on ? 'on' : 'off'}{one.is_placed ? '' : ', its place not known'}
      {/each}.
    </p>
  {/if}
  <MassItems
    items={sheet.items}
    {queries}
    {disabled}
    change={(write) => change((next) => write(next.items))}
  />
  <div class="grid gap-x-7 gap-y-4 [--field-width:6rem] lg:grid-cols-2">
    <section>
      <h3>Weighed as it was</h3>
      <Fields form={WEIGHED} from={sheet} {disabled} {change} />
      <p class="mt-2 text-[12.5px] text-ink-dim">
        Lifting an axle for the height: on stands, wheels chocked, nobody under it.
      </p>
      <Fields form={LIFTED} from={sheet} {disabled} {change} />
    </section>
    <section>
      <h3>What may stand on them</h3>
      <Fields form={LOAD_RATINGS} from={sheet} {disabled} {change} />
    </section>
  </div>
</div>
