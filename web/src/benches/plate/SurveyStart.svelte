<script lang="ts">
  let { isFace }: { isFace: boolean } = $props();
</script>

<div class="flex-1 px-4 py-4 text-ink-dim">
  <h2 class="text-ink">
    {isFace ? 'Where the motor’s holes are' : 'Where the flange holes are'}
  </h2>
  <p class="mt-1">
    Caliper jaws inside two holes, nearest edges; type what it says, Enter, next. Take more than are just
    enough: a wrong one then shows itself before metal is cut.
  </p>
  <svg viewBox="0 0 240 80" class="mt-3 w-full max-w-64 fill-none stroke-ink" aria-hidden="true">
    <circle cx="50" cy="50" r="20" /><circle cx="190" cy="50" r="20" />
    <path d="M70 50V14H78V50M170 50V14H162V50M70 14H170" class="stroke-brass" stroke-width="3" />
  </svg>
</div>
