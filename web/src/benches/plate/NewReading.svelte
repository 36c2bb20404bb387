<script lang="ts">
  import { useReader } from '../../measure/reader';
  import BetweenSelects from './BetweenSelects.svelte';
  import JawPicture from './JawPicture.svelte';
  import { ReadingEntry, type Entered } from './reading-entry.svelte';
  import { JAWS, KINDS } from './readings';
  import SuggestionKey from './SuggestionKey.svelte';
  import SweepForm from './SweepForm.svelte';
  import ToolSelect from './ToolSelect.svelte';
  import { useUnits } from '../../measure/units.svelte';

  let { holes, frames, next, onadd }: Entered = $props();
  const units = useUnits();
  const entry = new ReadingEntry(useReader(), () => ({ holes, frames, next, onadd }));
  const between = $derived(entry.between);

  function add(event: SubmitEvent): void {
    event.preventDefault();
    void entry.keep((text) => units.meant(text, 'length'));
  }
</script>

<div class="border-t-2 border-brass bg-card px-3 py-2">
  <form onsubmit={add} aria-label="New reading">
    <div class="flex items-center gap-1.5">
      <BetweenSelects {entry} kinds={KINDS} />
      {#if between.kind !== 'sweep'}
        <input
          data-measure
          class="field-line text-right figures text-[15px]"
          aria-label={entry.isAxis
            ? `New reading, ${between.a} ${between.kind}`
            : `New reading, ${between.a} to ${between.b}`}
          aria-invalid={entry.says ? 'true' : undefined}
          placeholder="4 1/8 in"
          autocomplete="off"
          required
          bind:value={entry.text}
        />
        <button class="shrink-0 rounded-sm bg-ink px-2 py-1 text-paper" aria-label="Keep the reading"
          >↵</button
        >
      {/if}
    </div>
    {#if between.kind !== 'sweep'}
      <div class="mt-1 flex items-center gap-2 text-[12.5px] text-ink-dim">
        <div class="w-[6.2rem] shrink-0">
          <JawPicture kind={between.kind} a={between.a} b={between.b} edge={between.edge} />
        </div>
        <div class="min-w-0 flex-1">
          <div class="flex items-baseline gap-2">
            <ToolSelect {entry} label="Tool" />
            {#if entry.isAxis}
              <input
                class="field-line w-20"
                aria-label="Name of the square or trace"
                value={between.frame}
                onchange={(e) => entry.choose({ frame: e.currentTarget.value.trim() || 'square' })}
              />
            {/if}
          </div>
          <p class={['min-h-[1.1rem]', entry.says && 'text-fails']} role={entry.says ? 'alert' : undefined}>
            {entry.says
              ? `▲ ${entry.says}`
              : next && entry.isSuggested
                ? `suggested: ${units.words(next.why)}`
                : JAWS[between.kind]}
          </p>
          <SuggestionKey {entry} />
        </div>
      </div>
    {/if}
  </form>
  {#if between.kind === 'sweep'}<SweepForm {holes} {onadd} />{/if}
</div>
