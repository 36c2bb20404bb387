<script lang="ts">
  import type { CaseFound, MountsSheet } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';
  import { leaveOut } from './edits';

  interface Props {
    cases: readonly CaseFound[];
    picked: string;
    disabled: boolean;
    onpick: (name: string) => void;
    change: (write: (sheet: MountsSheet) => void) => void;
  }
  let { cases, picked, disabled, onpick, change }: Props = $props();
  const units = useUnits();
  const g = (one: CaseFound) => one.g_xyz.map((value) => (value === 0 ? '·' : String(value))).join('  ');
</script>

<p class="text-[12.5px] text-ink-dim">
  Customary starting points, no code: inertia on the unit in g, forward, left and up. Leave one out only with
  a reason.
</p>
<table class="w-full text-[13px]" aria-label="Cases of load">
  <thead class="text-ink-dim">
    <tr>
      <th class="text-left font-normal">case</th>
      <th class="text-right font-normal">g</th>
      <th class="pl-2 text-right font-normal">leaves it, {units.symbol('N·m')}</th>
    </tr>
  </thead>
  <tbody>
    {#each cases as one, index (index)}
      <tr class={['border-t border-edge', one.name === picked && 'bg-brass-wash']}>
        <td class="py-1">
          <button
            class={['min-h-6 text-left', one.is_left_out && 'text-ink-dim line-through']}
            aria-pressed={one.name === picked}
            onclick={() => onpick(one.name)}>{one.name}</button
          >
        </td>
        <td class="text-right figures whitespace-pre">{g(one)}</td>
        <td class="pl-2 text-right figures">
          {one.torque === 'none' ? '' : one.torque_nm == null ? '?' : units.num(one.torque_nm, 'N·m', 0)}
        </td>
      </tr>
      {#if one.name === picked && !one.is_own && !disabled}
        <tr class="bg-brass-wash"
          ><td colspan="3" class="pb-1">
            <label class="flex items-baseline gap-2"
              ><span class="shrink-0 text-ink-dim">left out, because</span>
              <input
                class="field-line"
                maxlength="200"
                value={one.why}
                placeholder="empty: it is asked"
                onchange={(event) => {
                  const why = event.currentTarget.value.trim();
                  change((next) => leaveOut(next, one.name, why || null));
                }}
              /></label
            >
          </td></tr
        >
      {/if}
    {/each}
  </tbody>
</table>
