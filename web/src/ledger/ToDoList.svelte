<script lang="ts">
  import type { ToDo } from '../api/types';
  import { useUnits } from '../measure/units.svelte';
  import { useWorkings } from './workings';

  interface Props {
    todos: readonly ToDo[];
    class?: string; // of each row
  }
  let { todos, class: row = '' }: Props = $props();
  const units = useUnits();
  const workings = useWorkings();
</script>

{#each todos as todo, index (index)}
  <li class={row}>
    <button
      class="min-h-6 text-left underline decoration-1 underline-offset-2"
      onclick={() => workings.goTo(todo.field)}>{units.words(todo.text)}</button
    >
  </li>
{/each}
