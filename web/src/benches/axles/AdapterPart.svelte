<script lang="ts">
  import type { AdapterShown, FlangeAdapter } from '../../api/types';
  import Fields from '../../measure/Fields.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { ADAPTER, faceForm } from './fields';

  interface Props {
    adapter: FlangeAdapter;
    found: AdapterShown | undefined;
    threads: readonly string[];
    disabled: boolean;
    change: (write: (adapter: FlangeAdapter) => void) => void;
  }
  let { adapter, found, threads, disabled, change }: Props = $props();
  const units = useUnits();
  const FACES = [
    ['shaft', 'To the shaft’s flange'],
    ['away', 'To the box’s or axle’s flange'],
  ] as const;
  const face = $derived(faceForm(threads));
</script>

<Fields form={ADAPTER} from={adapter} {disabled} {change} />
{#each FACES as [name, title], k (name)}
  <div role="group" aria-label={title}>
    <h3 class="mt-2">{title}</h3>
    {#if adapter[name].chord && found?.circles_mm[k] != null}<p class="text-[12.5px] text-ink-dim">
        On a circle of {units.figure(found.circles_mm[k], 'mm', 2)}.
      </p>{/if}
    <Fields form={face} from={adapter[name]} {disabled} change={(write) => change((to) => write(to[name]))} />
  </div>
{/each}
