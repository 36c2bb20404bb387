<script lang="ts" generics="B extends VehicleBody | UnitBody">
  import type { ScanFound, UnitBody, VehicleBody } from '../../api/types';
  import NamedRows from '../../lib/ui/NamedRows.svelte';
  import type { Form } from '../../measure/fields';
  import Fields from '../../measure/Fields.svelte';
  import AlongRows from './AlongRows.svelte';
  import ScanPart from './ScanPart.svelte';

  interface Props {
    label: string;
    group: string; // its field's last word
    rows: readonly B[];
    form: Form<B>;
    points: readonly string[];
    scans: readonly ScanFound[];
    lit: string; // field of the body that is open
    prefix: string; // of its fields
    example: string;
    disabled: boolean;
    missing: (field: string) => string;
    note: (row: B) => string;
    make: (name: string) => B;
    onpick: (field: string) => void;
    change: (write: (rows: B[]) => void) => void;
  }
  let { form, points, scans, prefix, disabled, missing, note: noteOf, ...list }: Props = $props();
</script>

<NamedRows {...list} {prefix} {disabled} what="a body">
  {#snippet note(k, row)}
    {@const wanted = missing(`${prefix}.${k}`)}
    <span class={['text-[12.5px]', wanted ? 'text-brass' : 'text-ink-dim']}>{wanted || noteOf(row)}</span>
  {/snippet}
  {#snippet body(row, k, put)}
    <Fields {form} from={row} {disabled} change={put} />
    {#if row.shape === 'round' || row.shape === 'rail'}
      <AlongRows
        name={row.name}
        along={row.along}
        {points}
        {disabled}
        change={(write) => put((next) => write(next.along))}
      />
    {:else if row.shape === 'scan'}
      <ScanPart
        name={row.name}
        scan={row.scan}
        found={scans.find((one) => one.field === `${prefix}.${k}`)}
        {points}
        {disabled}
        change={(write) => put((next) => write(next.scan))}
      />
    {/if}
  {/snippet}
</NamedRows>
