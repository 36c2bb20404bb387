<script lang="ts">
  import type { LibraryPart } from '../api/types';
  import Button from '../lib/ui/Button.svelte';
  import { summary } from './library';

  interface Props {
    parts: readonly LibraryPart[];
    ontake: (part: LibraryPart) => void;
    onretire: (part: LibraryPart) => void;
  }
  let { parts, ontake, onretire }: Props = $props();
</script>

<table class="w-full text-[13px]" aria-label="Parts in the library">
  <tbody>
    {#each parts as part (part.id)}
      <tr class="border-t border-edge">
        <td class="py-1.5 font-semibold">{part.name}</td>
        <td class="figures">{summary(part)}</td>
        <td class="text-ink-dim">{part.source}</td>
        <td class="text-right whitespace-nowrap">
          <Button onclick={() => ontake(part)} aria-label="Take {part.name}">Take</Button>
          <button
            class="px-1 text-ink-dim hover:text-fails"
            aria-label="Retire {part.name} from the library"
            title="No longer offered; jobs keep their copies"
            onclick={() => onretire(part)}>×</button
          >
        </td>
      </tr>
    {:else}
      <tr
        ><td class="text-ink-dim"
          >None yet. Enter one in a job, then keep it here with where its figures are from.</td
        ></tr
      >
    {/each}
  </tbody>
</table>
