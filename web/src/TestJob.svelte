<script lang="ts" generics="P extends Record<string, unknown>">
  // For tests only: a part of the screen with the job that it edits, as JobScreen gives it.
  import type { Component } from 'svelte';
  import { provideEditor, type JobEditor } from './job/job-editor.svelte';
  import { provideWorkings } from './ledger/workings';
  import { provideUnits, Units } from './measure/units.svelte';

  interface Props {
    editor: JobEditor;
    part: Component<P>;
    props: P;
  }
  let { editor, part: Part, props }: Props = $props();
  provideEditor(() => editor);
  provideUnits(new Units());
  const nothing = () => Promise.resolve(null);
  provideWorkings({
    of: nothing,
    ranges: { found: [], state: 'asked' },
    sheet: () => '',
    goTo: () => {},
  });
</script>

<Part {...props} />
