<script lang="ts">
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import Fields from '../../measure/Fields.svelte';
  import { holeForm, type HoleMade } from './fields';

  interface Props {
    holes: readonly HoleMade[];
    names: readonly string[]; // patterns, then holes
    threads: readonly string[];
    disabled: boolean;
    change: (write: (holes: HoleMade[]) => void) => void;
  }
  let { holes, names, threads, disabled, change }: Props = $props();
  const form = $derived(holeForm(threads));
  const PATTERNS: Record<string, string> = {
    motor: 'all of the motor’s',
    flange: 'all of the gearbox’s',
    standoff: 'all of the standoffs’',
  };
  const free = $derived(names.filter((name) => !holes.some((hole) => hole.which === name)));
</script>

<section>
  <h2>Holes by what holds them</h2>
  <p class="text-[12.5px] text-ink-dim">Clearance holes for screws, but for these.</p>
  {#each holes as hole, k (k)}
    <fieldset class="mt-2 border-l-4 border-edge pl-3" aria-label="How {hole.which} is made">
      <p class="flex items-baseline justify-between">
        <b>{PATTERNS[hole.which] ?? hole.which}</b>
        {#if !disabled}
          <button
            class="min-h-6 text-[13px] text-brass underline underline-offset-2"
            onclick={() => change((next) => next.splice(k, 1))}>as the others</button
          >
        {/if}
      </p>
      <Fields
        {form}
        from={hole}
        {disabled}
        change={(write) =>
          change((next) => {
            const to = next[k];
            if (to) write(to);
          })}
      />
    </fieldset>
  {/each}
  {#if !disabled}
    <ChoiceField
      label="Made otherwise"
      value={null}
      none="choose which"
      options={free.map((name) => [name, PATTERNS[name] ?? name] as const)}
      {disabled}
      onchange={(which) => change((next) => next.push({ which }))}
    />
  {/if}
</section>
