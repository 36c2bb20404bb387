<script lang="ts">
  import { useUnits } from '../../measure/units.svelte';
  import type { Moving } from './moving.svelte';

  let { moving, height }: { moving: Moving; height: number | undefined } = $props();
  const units = useUnits();
</script>

<div class="flex items-center gap-2 px-3 pb-2 text-[13px]">
  <button
    class="min-h-8 min-w-16 border border-scribe-dim px-2"
    aria-pressed={moving.isPlaying}
    onclick={() => moving.play()}>{moving.isPlaying ? 'stop' : 'let it move'}</button
  >
  <span class="text-scribe-dim">droop</span>
  <input
    class="min-w-0 flex-1 accent-brass-lit"
    type="range"
    min="-1"
    max="1"
    step="0.02"
    value={moving.share}
    aria-label="Height of the wheels"
    aria-valuetext={height === undefined ? '' : units.figure(height, 'mm', 0)}
    oninput={(event) => moving.set(Number(event.currentTarget.value))}
  />
  <span class="text-scribe-dim">bump</span>
  <span class="w-20 text-right figures">{height === undefined ? '' : units.figure(height, 'mm', 0)}</span>
</div>
