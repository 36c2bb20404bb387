<script lang="ts">
  import type { MountsResult } from '../../api/types';
  import NamedRows from '../../lib/ui/NamedRows.svelte';
  import VerdictMark from '../../lib/ui/VerdictMark.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { CROSS, crossEnds, type CrossMember } from './cross-fields';
  import { newCross } from './edits';
  import { landingForm } from './fields';

  interface Props {
    rows: readonly CrossMember[];
    found: MountsResult['crosses'];
    points: readonly string[];
    threads: readonly string[];
    lit: string;
    disabled: boolean;
    onpick: (field: string) => void;
    change: (write: (rows: CrossMember[]) => void) => void;
  }
  let { rows, found, points, threads, lit, disabled, onpick, change }: Props = $props();
  const units = useUnits();
  const ends = $derived(crossEnds(points));
  const landing = $derived(landingForm(threads));
</script>

<NamedRows
  label="Cross members"
  group="crosses"
  prefix="mounts.crosses"
  {rows}
  {lit}
  what="a cross member"
  example="rear cross tube"
  {disabled}
  make={newCross}
  {onpick}
  {change}
>
  {#snippet note(k)}
    {@const one = found[k]}
    <span class="text-[12.5px] text-ink-dim">
      {#if one?.missing.length}<span class="text-brass">? unfinished</span>
      {:else if one?.length_mm != null}{units.figure(one.length_mm, 'mm', 0)}{/if}
    </span>
    {#if one?.verdict}<VerdictMark verdict={one.verdict} silent />{/if}
  {/snippet}
  {#snippet body(row, k, put)}
    {@const one = found[k]}
    {#if one?.missing[0]}<p class="text-[12.5px] text-brass">? {units.words(one.missing[0])}</p>
    {:else if one?.stand_on_it.length === 0}<p class="text-[12.5px] text-brass">
        ? Nothing stands on it yet: say so at each mount that does.
      </p>{:else if one}<p class="text-[12.5px] text-ink-dim">
        On it stand {one.stand_on_it.join(' and ')}.
      </p>{/if}
    <Fields form={ends} from={row} {disabled} change={put} />
    <div data-part="bracket">
      <Fields form={CROSS} from={row.bracket} {disabled} change={(write) => put((to) => write(to.bracket))} />
      <div data-part="landing">
        <Fields
          form={landing}
          from={row.bracket.landing}
          {disabled}
          change={(write) => put((to) => write(to.bracket.landing))}
        />
      </div>
    </div>
  {/snippet}
</NamedRows>
