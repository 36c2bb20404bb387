<script lang="ts">
  import type { CouplerResult, CouplerSheet } from '../../api/types';
  import TextField from '../../measure/TextField.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    result: CouplerResult;
    sheet: CouplerSheet;
    disabled: boolean;
    onchoose: (style: string) => void;
    change: (write: (sheet: CouplerSheet) => void) => void;
  }
  let { result, sheet, disabled, onchoose, change }: Props = $props();
  const units = useUnits();
  const uid = $props.id();
</script>

<div class="flex flex-col gap-3 px-4 py-3 text-[13px]">
  <p class="text-ink-dim">
    What you entered for one kind stays when you look at another. Which is chosen sets the shock in every
    design torque.
  </p>
  {#each result.styles as style (style.key)}
    <label
      class="block border border-edge p-2 has-checked:border-brass has-checked:bg-brass-wash has-focus-visible:outline-2 has-focus-visible:outline-brass"
    >
      <span class="flex items-center gap-2 text-[14px] font-semibold">
        <input
          type="radio"
          name="{uid}-style"
          class="accent-brass"
          checked={style.is_chosen}
          {disabled}
          onchange={() => onchoose(style.key)}
        />
        {style.title}
      </span>
      <span class="mt-1 grid grid-cols-[5.5rem_1fr] gap-x-2">
        <span class="text-ink-dim">forgives</span><span class="figures"
          >{units.figure(style.parallel_mm, 'mm', 2)} and {units.figure(style.angle_deg, '°', 2)}</span
        >
        <span class="text-ink-dim">shock</span><span class="figures">× {style.shock}</span>
        <span class="text-ink-dim">gears</span><span>{style.gears}</span>
        <span class="text-ink-dim">wears</span><span>{style.wears}</span>
        <span class="text-ink-dim">asks for</span><span>{style.needs}</span>
        <span class="text-ink-dim">length</span><span>{style.length}</span>
      </span>
    </label>
  {/each}
  <TextField
    label="Chosen because"
    value={sheet.why}
    long
    most={2000}
    {disabled}
    onchange={(why) => change((next) => (next.why = why))}
  />
</div>
