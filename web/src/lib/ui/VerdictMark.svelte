<script lang="ts">
  import type { Verdict } from '../../api/types';
  import { VERDICT_WORDS } from '../verdicts';

  interface Props {
    verdict: Verdict;
    onDye?: boolean; // on the blue, where ink would not show
    silent?: boolean; // where the word stands beside it
  }
  let { verdict, onDye = false, silent = false }: Props = $props();
</script>

<svg
  viewBox="0 0 12 12"
  class="inline-block size-[12px] shrink-0"
  role={silent ? 'presentation' : 'img'}
  aria-label={silent ? undefined : VERDICT_WORDS[verdict]}
  aria-hidden={silent}
>
  {#if verdict === 'holds'}
    <rect x="1" y="1" width="10" height="10" class={onDye ? 'fill-scribe' : 'fill-holds'} />
  {:else if verdict === 'tight'}
    <rect
      x="1.5"
      y="1.5"
      width="9"
      height="9"
      fill="none"
      class={onDye ? 'stroke-brass-lit' : 'stroke-brass'}
    />
    <rect x="1.5" y="1.5" width="4.5" height="9" class={onDye ? 'fill-brass-lit' : 'fill-brass'} />
  {:else if verdict === 'fails'}
    <path d="M6 0.5 11.8 11.5H0.2Z" class={onDye ? 'fill-fails-lit' : 'fill-fails'} />
  {:else}
    <rect
      x="1.5"
      y="1.5"
      width="9"
      height="9"
      fill="none"
      stroke-dasharray="2 1.6"
      class={onDye ? 'stroke-scribe-dim' : 'stroke-ink-dim'}
    />
  {/if}
</svg>
