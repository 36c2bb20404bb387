<script lang="ts">
  import type { LineShown, PropLine } from '../../api/types';
  import Button from '../../lib/ui/Button.svelte';
  import { useUnits } from '../../measure/units.svelte';
  import { twist } from './edits';
  import EvenBar from './EvenBar.svelte';
  import TubeTable from './TubeTable.svelte';

  interface Props {
    line: LineShown;
    disabled: boolean;
    change: (write: (line: PropLine) => void) => void;
  }
  let { line, disabled, change }: Props = $props();
  const units = useUnits();
  const KINDS: Record<string, string> = {
    cross: 'cross',
    cv: 'CV joint',
    double: 'double cross',
    rubber: 'rubber coupling',
  };
  const best = $derived(line.best_twist);
  const tilt = $derived(line.best_tilt);
  const whole = (value: number | null) => (value === null ? '?' : Math.round(value).toString());
</script>

<p>
  <span class="figures text-[26px] font-semibold">{whole(line.worst_rad_s2)}</span>
  <span class="text-ink-dim"
    >rad/s² at the axle{line.worst_in ? `, ${line.worst_in}` : ''}{line.rpm
      ? `, at ${units.figure(line.rpm, 'rpm', 0)}`
      : ''}</span
  >
</p>
<p class="text-[13px] text-ink-dim">
  At ride height {whole(line.exact_rad_s2)}, by the rule of small angles {whole(line.rule_rad_s2)}.
</p>
<EvenBar {line} />
{#if best}
  <p class="mt-2 flex flex-wrap items-center gap-3 border-l-4 border-brass pl-3">
    <span>
      Twisted to <strong class="figures">{best.phasing_deg.toFixed(1)}°</strong>, the yokes of shaft {best.shaft +
        1}
      leave <strong class="figures">{whole(best.left_rad_s2)}</strong> rad/s².
    </span>
    {#if !disabled}<Button strong onclick={() => change((to) => twist(to, best.shaft, best.phasing_deg))}
        >Turn the yoke</Button
      >{/if}
  </p>
{/if}
{#if tilt}
  <p class="mt-1 text-[13px]">
    Or the pinion’s nose {Math.abs(tilt.nose_up_deg)}° {tilt.nose_up_deg > 0 ? 'up' : 'down'}, by shims:
    {whole(tilt.left_rad_s2)} rad/s². {units.words(line.shim_says)}
  </p>
{/if}
<table class="mt-3 w-full text-[13px]" aria-label="{line.name}: joints">
  <thead class="text-ink-dim">
    <tr>
      <th class="text-left font-normal">joint</th>
      <th class="text-left font-normal">kind</th>
      <th class="text-right font-normal">at ride, °</th>
      <th class="text-right font-normal">at the most, °</th>
      <th class="text-right font-normal">were it a CV joint, rad/s²</th>
    </tr>
  </thead>
  <tbody>
    {#each line.joints as joint, k (k)}
      <tr class="border-t border-edge">
        <td class="py-1">{k + 1}</td>
        <td>{KINDS[joint.kind ?? ''] ?? 'not said'}</td>
        <td class="text-right figures">{joint.angle_deg?.toFixed(2) ?? '?'}</td>
        <td class="text-right figures">{joint.greatest_deg?.toFixed(1) ?? '?'}</td>
        <td class="text-right figures">{joint.if_cv_rad_s2 === null ? '–' : whole(joint.if_cv_rad_s2)}</td>
      </tr>
    {/each}
  </tbody>
</table>
<TubeTable {line} />
{#if line.couples_nm}
  <p class="mt-2 text-[13px] text-ink-dim">
    Its first joint pushes twice a turn, at the greatest torque: {units.figure(line.couples_nm[0], 'N·m', 0)} on
    the box’s bearings, {units.figure(line.couples_nm[1], 'N·m', 0)} across the shaft behind it.
  </p>
{/if}
