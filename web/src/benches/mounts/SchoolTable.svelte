<script lang="ts">
  import { useEditor } from '../../job/job-editor.svelte';
  import SeekButton from '../../job/SeekButton.svelte';
  import { Seeker } from '../../job/seeker.svelte';
  import SoughtTable from '../../job/SoughtTable.svelte';

  const seeker = new Seeker(useEditor());
  const rows = $derived(seeker.isCurrent ? (seeker.found?.rows ?? []) : []);
</script>

<h3 class="mt-3">Held otherwise</h3>
<SeekButton {seeker} key="mounts.schools" text="compare hard mounts, and one mount fewer" busy="Trying…" />
{#if rows.length > 0}<SoughtTable label="Held otherwise" {rows} />{/if}
