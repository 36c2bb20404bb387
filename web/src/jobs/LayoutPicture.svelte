<script lang="ts">
  import type { BriefSheet } from '../api/types';

  interface Props {
    layout: BriefSheet['layout'];
  }
  let { layout }: Props = $props();

  // From above, its nose to the left. What is new is filled, what is kept is lined.
  const box = (x: number, width: number, half: number) =>
    `M${x} ${28 - half}h${width}v${2 * half}h${-width}Z`;
  const AXLES = 'M22 10V46 M94 10V46';
  const PICTURES: Record<BriefSheet['layout'] & string, { added: string; kept: string }> = {
    kept_gearbox: { added: box(26, 15, 7), kept: 'M41 22L58 24V32L41 34Z M58 28H89 M89 24h10v8h-10Z' },
    kept_transaxle: {
      added: box(62, 14, 7),
      kept: 'M76 21H84V18H104V38H84V35H76Z',
    },
    propshaft_reduction: { added: box(38, 15, 7) + box(53, 8, 9), kept: 'M61 28H89 M89 24h10v8h-10Z' },
    axle_unit: { added: box(83, 22, 9), kept: '' },
    centre_unit: {
      added: box(48, 20, 9),
      kept: 'M48 28H27 M68 28H89 M89 24h10v8h-10Z M17 24h10v8h-10Z',
    },
    two_units: { added: box(83, 22, 9) + box(11, 22, 9), kept: '' },
  };
  const picture = $derived(PICTURES[layout ?? 'kept_gearbox']);
</script>

<svg viewBox="0 0 116 56" class="w-full fill-none stroke-scribe" aria-hidden="true">
  <path d="M8 14Q4 28 8 42L14 46H104Q110 28 104 10H14Z" class="stroke-scribe-dim" stroke-dasharray="3 3" />
  <path d={AXLES} />
  {#each [22, 94] as x (x)}{#each [5, 45] as y (y)}<rect x={x - 8} {y} width="16" height="6" />{/each}{/each}
  <path d={picture.kept} class="fill-dye" />
  <path d={picture.added} class="fill-brass-lit stroke-none" />
</svg>
