<script lang="ts">
  import type { Mount, Sought } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import SeekButton from '../../job/SeekButton.svelte';
  import { Seeker } from '../../job/seeker.svelte';
  import SoughtTable from '../../job/SoughtTable.svelte';
  import { takeBracket } from './edits';

  interface Props {
    seek: string; // what is sought
    text: string;
    label: string; // of what is found
    take: string; // what is done with it
    change: (write: (mount: Mount) => void) => void;
  }
  let { seek, text, label, take, change }: Props = $props();
  const seeker = new Seeker(useEditor());

  function taken(fields: Sought['fields']): void {
    change((to) => takeBracket(to, fields));
    seeker.found = null;
  }
</script>

<SeekButton {seeker} key={seek} {text} busy="Trying…" />
{#if seeker.found?.rows.length && seeker.isCurrent}
  <SoughtTable {label} rows={seeker.found.rows} />
  {#if seeker.found.fields.length > 0}
    <button
      class="min-h-6 text-[13px] text-brass underline underline-offset-2"
      onclick={() => taken(seeker.found?.fields ?? [])}>{take}</button
    >
  {/if}
{/if}
