<script lang="ts">
  import { clockTime } from '../lib/format';
  import { benchAddress } from '../routes';
  import { useEditor } from './job-editor.svelte';
  import type { Old } from './old-revision';

  let { old, bench }: { old: Old; bench: string } = $props();
  const editor = useEditor();
</script>

<p
  role="status"
  class="-mx-4 -mb-1.5 flex basis-[calc(100%+2rem)] flex-wrap items-center gap-x-4 bg-[repeating-linear-gradient(135deg,var(--color-brass-wash)_0_14px,var(--color-paper)_14px_28px)] px-4 py-1.5"
>
  <span class="bg-paper px-2 font-semibold">
    Revision {old.version.number} of {old.newest}, as {old.version.author} saved it at {clockTime(
      old.version.saved_at,
    )}{old.version.note ? `: ${old.version.note}` : ''}. To look at, not to change.
  </span>
  <a
    class="min-h-6 bg-paper px-2 text-brass underline underline-offset-2"
    href={benchAddress(editor.job.id, bench)}>Back to the newest</a
  >
</p>
