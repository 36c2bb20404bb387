<script lang="ts">
  import type { Mount, MountFound } from '../../api/types';
  import NamedRows from '../../lib/ui/NamedRows.svelte';
  import VerdictMark from '../../lib/ui/VerdictMark.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import BracketPart from './BracketPart.svelte';
  import { mirrored } from '../../measure/mirrored';
  import { newMount, otherWay } from './edits';
  import { cradleForm, EARS, EYE, GRIP, LINK, mountForm, TUBE } from './fields';
  import StressPicture from './StressPicture.svelte';

  interface Props {
    rows: readonly Mount[];
    found: readonly MountFound[];
    points: readonly string[];
    crosses: readonly string[]; // that a mount may stand on
    threads: readonly string[];
    lit: string;
    disabled: boolean;
    onpick: (field: string) => void;
    change: (write: (rows: Mount[]) => void) => void;
  }
  let { rows, found, points, crosses, threads, lit, disabled, onpick, change }: Props = $props();
  const units = useUnits();
  const form = $derived(mountForm(points, crosses));
  const cradle = $derived(cradleForm(threads));
</script>

<NamedRows
  label="Mounts"
  group="mounts"
  prefix="mounts.mounts"
  {rows}
  {lit}
  what="a mount"
  example="left mount"
  none="None yet. Begin with the bosses that the unit has, and the holes that the old engine left."
  {disabled}
  make={newMount}
  twin={(row, name) => ({ ...mirrored(row), name, bracket: otherWay(mirrored(row.bracket)) })}
  {onpick}
  {change}
>
  {#snippet note(k)}
    {@const one = found[k]}
    <span class="text-[12.5px] text-ink-dim">
      {#if one?.missing.length}<span class="text-brass">? unfinished</span>
      {:else if one?.worst_n != null}{units.figure(one.worst_n, 'N', 0)}{/if}
    </span>
    {#if one?.verdict}<VerdictMark verdict={one.verdict} silent />{/if}
  {/snippet}
  {#snippet body(row, k, put)}
    {@const wanted = found[k]?.missing[0]}
    {#if wanted}<p class="text-[12.5px] text-brass">? {units.words(wanted)}</p>{/if}
    <Fields {form} from={row} {disabled} change={put} />
    {#if row.kind === 'arm'}
      <div data-part="bracket">
        <Fields
          form={LINK}
          from={row.bracket}
          {disabled}
          change={(write) => put((to) => write(to.bracket))}
        />
      </div>
      <div data-part="eye"><Fields form={EYE} from={row} {disabled} change={put} /></div>
      <h3 class="mt-2">The ears at its ends, alike</h3>
      {@render ears(row, k, put)}
    {:else if row.kind}
      <BracketPart mount={row} number={k + 1} {threads} {disabled} change={put} />
      <h3 class="mt-2">{row.grip === 'strap' ? 'Its cradle and strap' : 'Its ears'}</h3>
      <Fields form={GRIP} from={row} {disabled} change={put} />
      {#if row.grip === 'strap'}
        <div data-part="cradle">
          <Fields
            form={cradle}
            from={row.cradle}
            {disabled}
            change={(write) => put((to) => write(to.cradle))}
          />
        </div>
      {:else}
        {@render ears(row, k, put)}
      {/if}
    {/if}
  {/snippet}
</NamedRows>

{#snippet ears(row: Mount, k: number, put: (write: (to: Mount) => void) => void)}
  <div data-part="ears">
    <Fields form={EARS} from={row.ears} {disabled} change={(write) => put((to) => write(to.ears))} />
  </div>
  <div data-part="tube">
    <Fields form={TUBE} from={row} {disabled} change={put} />
  </div>
  <StressPicture
    seek="mounts.m{k + 1}_ear"
    text="look at an ear by finite elements"
    label="Stress in an ear of {row.name}"
  />
{/snippet}
