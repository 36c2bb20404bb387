<script lang="ts">
  import type { SideShown } from '../../api/types';

  interface Props {
    sides: readonly SideShown[];
    load: string;
    lock: number; // place among the locks
  }
  let { sides, load = $bindable(), lock = $bindable() }: Props = $props();
  const loads = $derived([...new Set(sides.flatMap((side) => side.cases.map((one) => one.load)))]);
  const locks = $derived(
    sides
      .map((side) => [...new Set(side.cases.map((one) => one.lock_deg))])
      .reduce((longest, own) => (own.length > longest.length ? own : longest), []),
  );
  const words = (deg: number) =>
    deg === 0 ? 'ahead' : `${Math.abs(deg).toFixed(0)}° ${deg > 0 ? 'left' : 'right'}`;
</script>

<div class="flex flex-wrap items-center gap-x-4 gap-y-1 px-3 pb-2 text-[13px]">
  {#if loads.length > 1}
    <label class="flex items-center gap-2"
      ><span class="text-scribe-dim">the unit</span>
      <select
        aria-label="Load on the unit"
        class="min-h-8 border border-scribe-dim bg-dye px-1 text-scribe"
        bind:value={load}
      >
        {#each loads as one (one)}<option value={one}>{one}</option>{/each}
      </select></label
    >
  {/if}
  {#if locks.length > 1}
    <label class="flex flex-1 items-center gap-2"
      ><span class="text-scribe-dim">steering</span>
      <input
        class="min-w-0 flex-1 accent-brass-lit"
        type="range"
        min="0"
        max={locks.length - 1}
        step="1"
        value={lock < 0 ? locks.indexOf(0) : lock}
        aria-label="Lock of the wheels"
        aria-valuetext={words(locks[lock] ?? 0)}
        oninput={(event) => (lock = Number(event.currentTarget.value))}
      />
      <span class="w-20 text-right figures">{words(locks[lock] ?? 0)}</span></label
    >
  {/if}
</div>
