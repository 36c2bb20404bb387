<script lang="ts">
  import type { Mount, Sought } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import SeekButton from '../../job/SeekButton.svelte';
  import { Seeker } from '../../job/seeker.svelte';
  import SoughtTable from '../../job/SoughtTable.svelte';
  import { takeBracket } from './edits';

  interface Props {
    mount: number; // counted from 1
    change: (write: (mount: Mount) => void) => void;
  }
  let { mount, change }: Props = $props();
  const seeker = new Seeker(useEditor());

  function take(fields: Sought['fields']): void {
    change((to) => takeBracket(to, fields));
    seeker.found = null;
  }
</script>

<SeekButton {seeker} key="mounts.m{mount}_mend" text="find what would hold" busy="Trying…" />
{#if seeker.found?.fields.length && seeker.isCurrent}
  <SoughtTable label="What would hold" rows={seeker.found.rows} />
  <button
    class="min-h-6 text-[13px] text-brass underline underline-offset-2"
    onclick={() => take(seeker.found?.fields ?? [])}>take the lightest</button
  >
{/if}
