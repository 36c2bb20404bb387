<script lang="ts">
  import type { Order } from './sorting';

  interface Props {
    sought: string;
    order: Order;
    isPutAway: boolean;
    hasPutAway: boolean;
  }
  let { sought = $bindable(), order = $bindable(), isPutAway = $bindable(), hasPutAway }: Props = $props();
</script>

<div class="mb-2 flex flex-wrap items-center gap-x-5 gap-y-2">
  <input
    class="field-line w-64"
    type="search"
    placeholder="look for a job"
    aria-label="Look for a job"
    bind:value={sought}
  />
  <label class="flex items-center gap-2 text-[13px] text-ink-dim">
    first
    <select class="field-line w-auto text-ink" bind:value={order}>
      <option value="touched">the last touched</option>
      <option value="open">what needs somebody most</option>
    </select>
  </label>
  {#if hasPutAway}
    <label class="flex items-center gap-2 text-[13px]">
      <input type="checkbox" class="accent-brass" bind:checked={isPutAway} /> those put away
    </label>
  {/if}
</div>
