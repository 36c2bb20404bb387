<script lang="ts">
  import type { PairReading, SurveyResult } from '../../api/types';
  import { readBack } from '../../measure/read-back';

  interface Props {
    survey: SurveyResult;
    taken: number;
    onadd: (reading: PairReading) => void;
    onskip: () => void;
    next: SurveyResult['next_reading'];
  }
  let { survey, taken, onadd, onskip, next }: Props = $props();
  let text = $state('');
  let isInch = $state(false);
  let echo = $state('');
  let says = $state('');
  const KEYS = [
    '7',
    '8',
    '9',
    ' 1/2',
    '4',
    '5',
    '6',
    ' 1/4',
    '1',
    '2',
    '3',
    ' 1/8',
    '0',
    '.',
    '⌫',
    ' 1/16',
  ] as const;
  const JAWS: Record<string, string> = {
    inside: 'jaws inside both holes, nearest edges',
    outside: 'jaws over both holes, farthest edges',
    distance: 'centre to centre',
    radius: "from the shaft's centre to the hole's",
  };
  const KINDS = ['inside', 'outside', 'distance', 'radius'] as const;
  const last = $derived(survey.readings.at(-1));
  const typed = $derived(isInch && text ? `${text} in` : text);

  function press(key: (typeof KEYS)[number]): void {
    text = key === '⌫' ? text.slice(0, -1) : (text + key).trimStart();
    void hear();
  }
  async function hear(): Promise<void> {
    if (!typed) {
      echo = says = '';
      return;
    }
    const heard = await readBack(typed, 'length', null, 'caliper');
    echo = heard.echo;
    says = heard.problem;
  }
  async function keep(): Promise<void> {
    await hear();
    if (says || !typed || !next) return;
    const kind = KINDS.find((one) => one === next.kind) ?? 'inside';
    onadd({
      kind,
      a: next.a,
      b: next.b,
      reading: { text: typed, tool: 'caliper' },
      left_out: false,
      why: '',
    });
    text = echo = '';
  }
</script>

<section aria-label="One reading at a time" class="bg-card">
  <div class="bg-paper px-4 pt-3 pb-2">
    {#if next}
      <h2 class="text-lg">
        {next.a} to {next.b === 'C' ? 'the shaft centre' : next.b}, {next.kind}, caliper
      </h2>
      <p class="text-ink-dim">
        {JAWS[next.kind]}{next.replaces === null ? '' : '; the last one did not fit'}
      </p>
      <p class="mt-1 flex min-h-[3.2rem] items-baseline gap-3 border-b-[3px] border-brass" aria-live="polite">
        <output class="figures text-4xl">{text || ' '}</output>
        <span class="text-[15px] text-ink-dim">{isInch ? 'in ' : text ? 'mm ' : ''}{isInch ? echo : ''}</span>
      </p>
    {:else}
      <h2 class="text-lg">Every pair in order is measured.</h2>
    {/if}
    <p class={['mt-1 min-h-5', says ? 'text-fails' : 'text-ink-dim']} role="status">
      {#if says}▲ {says}{:else if survey.says[0]}{survey.says[0]}{:else if last}{taken} taken. {last.label}: {last.says}{/if}
    </p>
  </div>
  {#if next}
    <div class="grid grid-cols-4 gap-2 p-3">
      {#each KEYS as key (key)}
        <button
          class="h-[3.25rem] rounded-sm border border-edge bg-paper figures text-xl active:bg-brass-wash"
          aria-label={key === '⌫' ? 'delete' : key.trim()}
          onclick={() => press(key)}>{key.trim()}</button
        >
      {/each}
      <button class="h-[3.5rem] rounded-sm border border-ink bg-paper" onclick={onskip}>skip</button>
      <button
        class="h-[3.5rem] rounded-sm border border-ink bg-paper"
        onclick={() => {
          isInch = !isInch;
          void hear();
        }}>{isInch ? 'inch' : 'mm'}</button
      >
      <button
        class="col-span-2 h-[3.5rem] rounded-sm bg-ink text-lg text-paper disabled:opacity-40"
        disabled={!text}
        onclick={keep}>Keep, next</button
      >
    </div>
  {/if}
</section>
