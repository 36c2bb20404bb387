<script lang="ts">
  import type { Bench } from '../api/types';
  import Dialog from '../lib/ui/Dialog.svelte';

  interface Props {
    open: boolean;
    benches: readonly Bench[];
    onclose: () => void;
  }
  let { open, benches, onclose }: Props = $props();
  const KEYS = $derived([
    [
      benches.map((bench) => `g ${bench.letter}`).join(', '),
      `go to ${benches.map((bench) => bench.title).join(', ')}`,
    ],
    ['/', 'find a job, bench, part, check, field or reading'],
    ['m', 'add a measurement'],
    ['u', 'show every figure in the next units: metric, US, US in 64ths, British'],
    ['Alt+W', 'in a field: who changed it, when, and from what'],
    ['p', 'pin this design and compare what follows with it'],
    ['Ctrl+Z, Ctrl+Shift+Z', 'undo, redo'],
    ['Ctrl+S', 'save'],
    ['Enter', 'keep what is typed and go to the next'],
    ['Esc', 'leave a field as it was'],
  ] as const);
</script>

<Dialog {open} title="Keys" {onclose}>
  <dl class="grid grid-cols-[auto_1fr] gap-x-6 gap-y-1.5">
    {#each KEYS as [key, does] (key)}
      <dt class="figures">{key}</dt>
      <dd>{does}</dd>
    {/each}
  </dl>
  <p class="text-ink-dim">
    Type measurements as you read them: <span class="figures">8 1/4 in</span>,
    <span class="figures">8-1/4"</span>,
    <span class="figures">1' 2 1/2"</span>, <span class="figures">209,55 mm</span>,
    <span class="figures">30 thou</span>, <span class="figures">209.5 ±0.1</span>. A bare number takes the
    field's unit.
  </p>
  <p class="text-ink-dim">
    Fernback checks arithmetic, not workmanship. Vehicle alterations, high voltage and brakes fall under your
    local codes and licensed people.
  </p>
</Dialog>
