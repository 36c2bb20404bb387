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
    toolWords,
    type Between,
  } from './readings';

  interface Props {
    holes: readonly FlangeHole[];
    survey: SurveyResult;
    taken: number;
    onadd: (reading: SurveyReading) => void;
    next: SurveyResult['next_reading'];
  }
  let { holes, survey, taken, onadd, next }: Props = $props();
  const reader = useReader();
  let text = $state('');
  let isInch = $state(false);
  let echo = $state('');
  let says = $state('');
  let other = $state<Between | null>(null);
  // Decimal keys in millimetres, fractions in inches: the last column follows the unit.
  const DIGITS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '0', '.', '⌫'] as const;
  const FRACTIONS = ['1/2', '1/4', '1/8', '1/16'] as const;
  const PHONE_KINDS = KINDS.filter((kind) => kind !== 'sweep');
  const ids = $derived(holes.map((hole) => hole.id));
  const between = $derived<Between | null>(
    other ??
      (next ? { kind: kindOf(next.kind), a: next.a, b: next.b, frame: 'square', edge: 'centre' } : null),
  );
  const last = $derived(survey.readings.at(-1));
  const typed = $derived(isInch && text ? `${text} in` : text);
  const tool = $derived<Tool>(between && isAlongAxis(between.kind) ? 'square' : 'caliper');

  function press(key: string): void {
    if (key === '⌫') text = text.slice(0, -1);
    else
      text = (
        FRACTIONS.some((one) => one === key) ? `${text.replace(/\s*\d+\/\d*$/, '')} ${key}` : text + key
      ).trimStart();
    void hear();
  }
  async function hear(): Promise<void> {
    echo = says = '';
    const wanted = typed;
    if (!wanted) return;
    const heard = await reader.read(wanted, 'length', null, tool);
    if (wanted !== typed) return; // of a figure that has since grown
    echo = heard.echo;
    says = heard.problem;
  }
  async function keep(): Promise<void> {
    const [taken, shown, wanted, by] = [between, text, typed, tool];
    if (!taken || !wanted) return;
    text = echo = says = ''; // the next figure may be keyed while this one is looked at
    says = (await reader.read(wanted, 'length', null, by)).problem;
    if (says) {
      text = shown;
      return;
    }
    const reading = readingOf(taken, wanted, by);
    if (reading) onadd(reading);
    other = null;
  }
  function choose(part: Partial<Between>): void {
    const start = between ?? {
      kind: 'inside',
      a: ids[0] ?? '',
      b: ids[1] ?? '',
      frame: 'square',
      edge: 'centre',
    };
    other = chosen(start, part, ids);
  }
</script>

<section aria-label="One reading at a time" class="bg-card">
  <div class="bg-paper px-4 pt-3 pb-2">
    {#if between}
      <div class="flex items-start gap-3">
        <div class="min-w-0 flex-1">
          <h2 class="text-lg">
            {between.a}{isAlongAxis(between.kind)
              ? ` ${between.kind}, ${between.edge}`
              : ` to ${between.b === 'C' ? 'the shaft centre' : between.b}, ${KIND_WORDS[between.kind]}`}, {toolWords(
              tool,
            )}
          </h2>
          <p class="text-ink-dim">
            {JAWS[between.kind]}{next?.replaces == null || other ? '' : '; the last one did not fit'}
          </p>
        </div>
        <div class="w-28 shrink-0">
          <JawPicture kind={between.kind} a={between.a} b={between.b} edge={between.edge} />
        </div>
      </div>
      <p class="mt-1 flex min-h-[3.2rem] items-baseline gap-3 border-b-[3px] border-brass" aria-live="polite">
        <output class="figures text-4xl">{text || ' '}</output>
        <span class="text-[15px] text-ink-dim">{isInch ? 'in ' : text ? 'mm ' : ''}{isInch ? echo : ''}</span>
      </p>
    {:else}
      <h2 class="text-lg">Measured well enough: every reading is checked, no single one helps much more.</h2>
    {/if}
    <p class={['mt-1 min-h-5', says ? 'text-fails' : 'text-ink-dim']} role="status">
      {#if says}▲ {says}{:else if survey.says[0]}{survey
          .says[0]}{:else if next && !other && taken > 0 && next.replaces === null}{next.why}{:else if last}{taken}
        taken. {last.label}: {last.says}{/if}
    </p>
  </div>
  {#if between}
    <div class="grid grid-cols-4 gap-2 p-3">
      {#each [0, 1, 2, 3] as row (row)}
        {#each DIGITS.slice(3 * row, 3 * row + 3) as key (key)}
          <button
            class="h-[3.25rem] rounded-sm border border-edge bg-paper figures text-xl active:bg-brass-wash"
            aria-label={key === '⌫' ? 'delete' : key}
            onclick={() => press(key)}>{key}</button
          >
        {/each}
        {@const fraction = FRACTIONS[row] ?? '1/2'}
        <button
          class="h-[3.25rem] rounded-sm border border-edge bg-paper figures text-xl active:bg-brass-wash disabled:opacity-40"
          disabled={!isInch}
          onclick={() => press(fraction)}>{fraction}</button
        >
      {/each}
      <button
        class="h-[3.5rem] rounded-sm border border-ink bg-paper"
        onclick={() => {
          isInch = !isInch;
          void hear();
        }}>{isInch ? 'inch' : 'mm'}</button
      >
      <button
        class="col-span-3 h-[3.5rem] rounded-sm bg-ink text-lg text-paper disabled:opacity-40"
        disabled={!text}
        onclick={keep}>Keep, next</button
      >
    </div>
  {/if}
  <details class="border-t border-edge px-4 py-2">
    <summary class="py-1 text-brass underline underline-offset-2">Another pair, or the square</summary>
    <div class="flex flex-wrap gap-3 py-2 text-[16px]">
      <select
        class="field-line w-32"
        aria-label="Phone: kind of reading"
        value={between?.kind ?? 'inside'}
        onchange={(e) => choose({ kind: kindOf(e.currentTarget.value) })}
      >
        {#each PHONE_KINDS as kind (kind)}<option value={kind}>{KIND_WORDS[kind]}</option>{/each}
      </select>
      <select
        class="field-line w-20 figures"
        aria-label="Phone: from hole"
        value={between?.a}
        onchange={(e) => choose({ a: e.currentTarget.value })}
      >
        {#if between && isAlongAxis(between.kind)}<option value="C">C</option>{/if}
        {#each ids as id (id)}<option>{id}</option>{/each}
      </select>
      {#if between && isAlongAxis(between.kind)}
        <select
          class="field-line w-24"
          aria-label="Phone: which edge"
          value={between.edge}
          onchange={(e) => choose({ edge: edgeOf(e.currentTarget.value) })}
        >
          <option>centre</option><option>low</option><option>high</option>
        </select>
      {:else if between && between.kind !== 'radius'}
        <select
          class="field-line w-20 figures"
          aria-label="Phone: to hole"
          value={between.b}
          onchange={(e) => choose({ b: e.currentTarget.value })}
        >
          {#each ids.filter((id) => id !== between.a) as id (id)}<option>{id}</option>{/each}
        </select>
      {/if}
    </div>
  </details>
</section>
