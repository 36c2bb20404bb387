<script lang="ts">
  import { answered, client, Refusal } from '../../api/client';
  import type { MotorSheet } from '../../api/types';

  type Points = MotorSheet['curve'];
  interface Props {
    points: Points;
    disabled: boolean;
    onchange: (points: Points) => void;
  }
  let { points, disabled, onchange }: Props = $props();
  const uid = $props.id();
  let says = $state('');
  let notes = $state.raw<readonly string[]>([]);

  async function read(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
    const input = event.currentTarget;
    const file = input.files?.[0];
    if (!file) return;
    says = '';
    notes = [];
    const body = new FormData();
    body.append('file', file);
    try {
      const curve = await answered(
        client.POST('/api/measure/motor-curve', {
          // The schema calls a file's bytes a string; the form carries the file itself.
          body: { file: file.name },
          bodySerializer: () => body,
        }),
      );
      notes = curve.notes;
      onchange(curve.points);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      says = error.message;
    } finally {
      input.value = ''; // so that the same file, mended, can be chosen again
    }
  }
</script>

<div class="mt-1 text-[13px]">
  {#if points.length > 0}
    <p class="flex justify-between gap-2">
      <span>A curve of {points.length} points goes before the peak figures.</span>
      {#if !disabled}<button class="text-brass underline underline-offset-2" onclick={() => onchange([])}
          >take it away</button
        >{/if}
    </p>
  {/if}
  {#if !disabled}
    <label for="{uid}-file" class="text-brass underline underline-offset-2"
      >{points.length > 0 ? 'Read another curve' : 'Read its curve from a CSV file…'}</label
    >
    <input id="{uid}-file" type="file" accept=".csv,.txt,text/csv" class="sr-only" onchange={read} />
    <span class="text-ink-dim">rpm, N·m at peak, N·m for good</span>
  {/if}
  {#each notes as note (note)}<p class="text-ink-dim">{note}</p>{/each}
  {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
</div>
