<script lang="ts">
  import type { Clocking } from '../../api/types';
  import { fixed } from '../../lib/format';

  interface Props {
    clocking: Clocking;
    at: number | null; // which of its angles is spoken of
  }
  let { clocking, at }: Props = $props();
</script>

<span
  >{#if at !== null}{fixed(clocking.angle_deg[at] ?? 0, 0)}°: {clocking.closest[at]} nearest, {fixed(
      clocking.share[at],
      2,
    )} of what is wanted{(clocking.share[at] ?? 0) < 1 ? ', barred' : ''}{/if}</span
>
{#if clocking.whatever_angle}<span class="text-brass-lit"
    >{clocking.whatever_angle} too near one another at any angle</span
  >{/if}
<span>best {fixed(clocking.best_turn_deg, 2)}°: {fixed(clocking.best_share, 2)}</span>
