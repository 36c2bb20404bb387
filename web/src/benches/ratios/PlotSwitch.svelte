<script lang="ts" module>
  export type Plot = 'torque' | 'climb';
</script>

<script lang="ts">
  let { plot = $bindable() }: { plot: Plot } = $props();
  const PLOTS = [
    ['torque', 'torque'],
    ['climb', 'hills'],
  ] as const;
</script>

<div
  role="radiogroup"
  aria-label="Plot"
  class="on-dye flex bg-dye pt-1 pl-3 text-[12.5px] md:absolute md:top-1.5 md:right-3 md:bg-transparent md:p-0"
>
  {#each PLOTS as [key, title] (key)}
    <button
      role="radio"
      aria-checked={plot === key}
      class={[
        'rounded-sm px-2 py-0.5',
        plot === key ? 'bg-scribe text-dye' : 'text-scribe-dim hover:text-scribe',
      ]}
      onclick={() => (plot = key)}>{title}</button
    >
  {/each}
</div>
