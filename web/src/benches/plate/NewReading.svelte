<script lang="ts">
  import type { FlangeHole, SurveyReading, SurveyResult, Tool } from '../../api/types';
  import { useReader } from '../../measure/reader';
  import JawPicture from './JawPicture.svelte';
  import {
    chosen,
    edgeOf,
    isAlongAxis,
    JAWS,
    KIND_WORDS,
    kindOf,
    KINDS,
    readingOf,
    TOOLS,
    type Between,
  } from './readings';
  import SweepForm from './SweepForm.svelte';

  interface Props {
    holes: readonly FlangeHole[];
    frames: readonly string[];
    next: SurveyResult['next_reading'];
    onadd: (reading: SurveyReading) => void;
  }
  let { holes, frames, next, onadd }: Props = $props();
  const reader = useReader();
  const uid = $props.id();
  let text = $state('');
  let tool = $state<Tool>('caliper');
  let override = $state<Between | null>(null);
  let says = $state('');

  const ids = $derived(holes.map((hole) => hole.id));
  const suggested = $derived<Between>({
    kind: kindOf(next?.kind ?? 'inside'),
    a: next?.a ?? ids[0] ?? '',
    b: next?.b ?? ids[1] ?? 'C',
    frame: frames[0] ?? 'square',
    edge: 'centre',
  });
  const between = $derived(override ?? suggested);
  const isAxis = $derived(isAlongAxis(between.kind));

  function choose(part: Partial<Between>): void {
    override = chosen(between, part, ids);
    if (part.kind && isAlongAxis(part.kind)) tool = 'square';
  }

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const [taken, wanted, by] = [{ ...between }, text.trim(), tool];
    if (!wanted) return;
    text = says = ''; // the next figure may be typed while this one is looked at
    says = (await reader.read(isAxis ? wanted.replace(/^-/, '') : wanted, 'length', null, by)).problem;
    if (says) {
      text = wanted;
      return;
    }
    const reading = readingOf(taken, wanted, by);
    if (reading) onadd(reading);
    override = isAlongAxis(taken.kind) ? { ...taken, a: ids[ids.indexOf(taken.a) + 1] ?? taken.a } : null;
  }
</script>

<div class="border-t-2 border-brass bg-card px-3 py-2">
  <form onsubmit={add} aria-label="New reading">
    <div class="flex items-center gap-1.5">
      <select
        class="field-line w-[5.6rem]"
        aria-label="Kind of reading"
        value={between.kind}
        onchange={(e) => choose({ kind: kindOf(e.currentTarget.value) })}
      >
        {#each KINDS as kind (kind)}<option value={kind}>{KIND_WORDS[kind]}</option>{/each}
      </select>
      {#if between.kind !== 'sweep'}
        <select
          class="field-line w-14 figures"
          aria-label="From hole"
          value={between.a}
          onchange={(e) => choose({ a: e.currentTarget.value })}
        >
          {#if isAxis}<option value="C">C</option>{/if}
          {#each ids as id (id)}<option>{id}</option>{/each}
        </select>
        {#if isAxis}
          <select
            class="field-line w-16"
            aria-label="Which edge"
            value={between.edge}
            onchange={(e) => choose({ edge: edgeOf(e.currentTarget.value) })}
          >
            <option>centre</option><option>low</option><option>high</option>
          </select>
        {:else}
          <select
            class="field-line w-14 figures"
            aria-label="To hole"
            disabled={between.kind === 'radius'}
            value={between.b}
            onchange={(e) => choose({ b: e.currentTarget.value })}
          >
            {#if between.kind === 'radius'}<option>C</option>{/if}
            {#each ids.filter((id) => id !== between.a) as id (id)}<option>{id}</option>{/each}
          </select>
        {/if}
        <input
          id="{uid}-text"
          data-measure
          class="field-line text-right figures text-[15px]"
          aria-label={isAxis
            ? `New reading, ${between.a} ${between.kind}`
            : `New reading, ${between.a} to ${between.b}`}
          aria-invalid={says ? 'true' : undefined}
          placeholder="4 1/8 in"
          autocomplete="off"
          required
          bind:value={text}
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
            <label for="{uid}-tool" class="whitespace-nowrap">with a</label>
            <select id="{uid}-tool" class="field-line w-32" bind:value={tool}>
              {#each TOOLS as [one, words] (one)}<option value={one}>{words}</option>{/each}
            </select>
            {#if isAxis}
              <input
                class="field-line w-20"
                aria-label="Name of the square or trace"
                value={between.frame}
                onchange={(e) => choose({ frame: e.currentTarget.value.trim() || 'square' })}
              />
            {/if}
          </div>
          <p class={['min-h-[1.1rem]', says && 'text-fails']} role={says ? 'alert' : undefined}>
            {says ? `▲ ${says}` : next && !override ? `suggested: ${next.why}` : JAWS[between.kind]}
          </p>
        </div>
      </div>
    {/if}
  </form>
  {#if between.kind === 'sweep'}<SweepForm {holes} {onadd} />{/if}
</div>
