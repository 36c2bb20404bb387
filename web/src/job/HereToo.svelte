<script lang="ts">
  import { onDestroy } from 'svelte';
  import { useEditor } from './job-editor.svelte';
  import { Together } from './together.svelte';

  let { bench }: { bench: string } = $props(); // the one that is open here
  const editor = useEditor();
  const together = new Together(editor, () => bench);
  onDestroy(() => together.leave());

  const titles = $derived(new Map(editor.job.benches.map(({ key, title }) => [key, title])));
  const says = $derived(
    together.others
      .map((one) => `${one.is_me ? 'you, in another tab' : one.name}: ${titles.get(one.bench) ?? one.bench}`)
      .join('; '),
  );
</script>

{#if says}
  <span class="flex items-center gap-1.5 text-[13px] text-ink-dim" role="status">
    <svg viewBox="0 0 10 10" class="size-[10px]" aria-hidden="true">
      <circle cx="5" cy="5" r="4" class="fill-none stroke-brass" stroke-width="1.6" />
    </svg>
    here too: {says}
  </span>
{/if}
