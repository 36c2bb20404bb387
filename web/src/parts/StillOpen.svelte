<script lang="ts">
  import type { Check } from '../api/types';
  import VerdictMark from '../lib/ui/VerdictMark.svelte';
  import { useUnits } from '../measure/units.svelte';

  let { checks }: { checks: readonly Check[] } = $props();
  const units = useUnits();
</script>

<p class="font-semibold">Still open</p>
{#each checks as check (check.key)}
  <p class="flex items-baseline gap-2">
    <VerdictMark verdict={check.verdict} />
    {check.title}: {units.words(check.says)}
  </p>
{/each}
