<script lang="ts">
  import { tick } from 'svelte';
  import { useWorkings } from '../ledger/workings';
  import { useUnits } from '../measure/units.svelte';
  import { markWrong } from './go-to';
  import { useEditor } from './job-editor.svelte';

  interface Props {
    bench: string;
  }
  let { bench }: Props = $props();
  const editor = useEditor();
  const workings = useWorkings();
  const units = useUnits();

  // What the server would not take is marked where it stands, on whatever bench is open.
  $effect(() => {
    const fields = editor.problems.map(({ field }) => field);
    void tick().then(() => markWrong(fields, bench));
  });
  const words = (path: string) => path.replaceAll('_', ' ').split('.').join(', ');
</script>

{#if editor.says}
  <div role="alert" class="flex flex-wrap items-baseline gap-x-3 text-fails">
    <span>▲ {editor.says}</span>
    {#each editor.problems as problem, index (index)}
      <button
        class="min-h-6 text-left text-[13px] underline underline-offset-2"
        onclick={() => workings.goTo(problem.field)}
        >{editor.problems.length === 1
          ? 'go there'
          : `${words(problem.field)}: ${units.words(problem.says)}`}</button
      >
    {/each}
  </div>
{/if}
