<script lang="ts">
  interface Props {
    progress: string;
    title?: string; // of the bench, where its name does not stand beside it
  }
  let { progress, title = '' }: Props = $props();
  const FILL: Record<string, number> = { 'nothing yet': 0, measured: 1, designed: 2, released: 3, proved: 4 };
  const fill = $derived(FILL[progress] ?? 0);
</script>

<svg
  viewBox="0 0 14 14"
  class="size-[14px] shrink-0"
  role="img"
  aria-label={title ? `${title}: ${progress}` : progress}
>
  <circle cx="7" cy="7" r="5.5" class="fill-none stroke-brass" stroke-width="1.2" />
  {#if fill === 1}<path d="M7 1.5a5.5 5.5 0 0 1 0 11Z" class="fill-brass" />{/if}
  {#if fill >= 2}<circle cx="7" cy="7" r="5.5" class="fill-brass" />{/if}
  {#if fill === 3}<circle cx="7" cy="7" r="2.4" class="fill-card" />{/if}
  {#if fill === 4}<path d="M4 7.2 6.2 9.4 10 4.8" class="fill-none stroke-card" stroke-width="1.6" />{/if}
</svg>
