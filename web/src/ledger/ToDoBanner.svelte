<script lang="ts">
  import type { ToDo } from '../api/types';
  import ToDoList from './ToDoList.svelte';

  interface Props {
    title: string;
    todos: readonly ToDo[];
  }
  let { title, todos }: Props = $props();
</script>

<div class="bg-dye px-4 py-4 text-scribe">
  <h2>{title}</h2>
  <ul class="mt-1 list-disc pl-5"><ToDoList {todos} /></ul>
</div>
