<script lang="ts">
  import { scaleLinear } from 'd3-scale';
  import { line } from 'd3-shape';
  import type { JobResult } from '../../api/types';
  import { whole } from '../../lib/format';

  interface Props {
    motor: NonNullable<JobResult['brief']['motor']>;
    name: string;
    of?: 'motor' | 'engine';
    height?: number;
  }
  let { motor, name, of = 'motor', height = 280 }: Props = $props();
  let width = $state(540);
  const LEFT = 48;
  const bottom = $derived(height - 38);

  const greatest = $derived(motor.rpm.at(-1) ?? 1);
  const x = $derived(scaleLinear([0, greatest], [LEFT, width - 18]));
  const y = $derived(scaleLinear([0, Math.max(...motor.peak_nm) * 1.12], [bottom, 40]));
  const path = $derived(
    (torque: readonly number[]) =>
      line<number>(
        (_, k) => x(motor.rpm[k] ?? 0),
        (nm) => y(nm),
      )([...torque]) ?? '',
  );
</script>

<figure class="on-dye bg-dye text-scribe" bind:clientWidth={width}>
  <figcaption class="sr-only">Torque of {name} against its speed</figcaption>
  <svg {width} {height} role="img" aria-label="Torque of {name} against its speed">
    <text x={LEFT} y="20" class="fill-scribe text-[14px] font-semibold"
      >{name}: torque, N·m, by {of} speed, rpm</text
    >
    {#each y.ticks(5) as nm (nm)}
      <line x1={LEFT} x2={width - 18} y1={y(nm)} y2={y(nm)} class="stroke-dye-grid" />
      <text x={LEFT - 7} y={y(nm) + 4} text-anchor="end" class="fill-scribe-dim figures text-[12px]"
        >{nm}</text
      >
    {/each}
    {#each x.ticks(6) as rpm (rpm)}
      <line x1={x(rpm)} x2={x(rpm)} y1="40" y2={bottom} class="stroke-dye-grid" />
      <text x={x(rpm)} y={bottom + 17} text-anchor="middle" class="fill-scribe-dim figures text-[12px]"
        >{whole(rpm)}</text
      >
    {/each}
    <path d={path(motor.peak_nm)} class="fill-none stroke-brass-lit" stroke-width="2.5" />
    <text x={x(greatest * 0.04)} y={y(motor.peak_nm[0] ?? 0) - 7} class="fill-brass-lit text-[13px]"
      >{of === 'motor' ? 'peak' : ''}</text
    >
    {#if motor.continuous_nm}
      <path d={path(motor.continuous_nm)} class="fill-none stroke-scribe" stroke-width="1.6" />
      <text x={x(greatest * 0.04)} y={y(motor.continuous_nm[0] ?? 0) - 7} class="fill-scribe text-[13px]"
        >continuous</text
      >
    {/if}
  </svg>
</figure>
