<script lang="ts">
  import type { SurveyResult } from '../../api/types';
  import Button from '../../lib/ui/Button.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    survey: SurveyResult;
    disabled: boolean;
    onleave: (index: number) => void;
  }
  let { survey, disabled, onleave }: Props = $props();
  const units = useUnits();
  const suspect = $derived(survey.readings.findIndex((one) => one.fit === 'suspect'));

  function measureAgain(label: string): void {
    document.querySelector<HTMLInputElement>(`input[aria-label="Reading ${label}"]`)?.focus();
  }
</script>

<div class="shrink-0 border-t border-edge px-4 py-2 text-[13px]" aria-live="polite">
  {#each survey.says as sentence, k (k)}
    <p class={k === 0 && suspect >= 0 ? 'font-semibold text-fails' : 'text-ink-dim'}>
      {k === 0 && suspect >= 0 ? '▲ ' : ''}{units.words(sentence)}
    </p>
  {/each}
  {#if suspect >= 0 && !disabled}
    {@const label = survey.readings[suspect]?.label ?? ''}
    <p class="mt-1.5 flex gap-2">
      <Button strong onclick={() => measureAgain(label)}>Measure {label} again</Button>
      <Button onclick={() => onleave(suspect)}>Leave it out</Button>
    </p>
  {/if}
  {#if survey.says.length === 0 && survey.redundancy > 0}
    <p class="text-ink-dim">All {survey.readings.length} readings agree, each checked by others.</p>
  {/if}
</div>
