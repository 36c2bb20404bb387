<script lang="ts">
  import type { Snippet } from 'svelte';
  import type { HTMLButtonAttributes } from 'svelte/elements';

  interface Props extends HTMLButtonAttributes {
    strong?: boolean; // the one thing to do next
    children: Snippet;
  }
  let { strong = false, children, type = 'button', class: more = '', ...rest }: Props = $props();
</script>

<button
  {type}
  class={[
    'rounded-sm border px-3 py-1.5 whitespace-nowrap disabled:opacity-45',
    strong
      ? 'border-ink bg-ink text-paper enabled:hover:border-brass enabled:hover:bg-brass'
      : 'border-ink bg-paper text-ink enabled:hover:bg-brass-wash',
    more,
  ]}
  {...rest}>{@render children()}</button
>
