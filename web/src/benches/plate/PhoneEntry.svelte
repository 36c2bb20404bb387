<script lang="ts">
  import type { SurveyResult } from '../../api/types';
  import { useReader } from '../../measure/reader';
  import BetweenSelects from './BetweenSelects.svelte';
  import FigureKeys from './FigureKeys.svelte';
  import JawPicture from './JawPicture.svelte';
  import { ReadingEntry, type Entered } from './reading-entry.svelte';
  import { isAlongAxis, JAWS, keyed, KIND_WORDS, KINDS, toolWords, type Between } from './readings';
  import SuggestionKey from './SuggestionKey.svelte';
  import ToolSelect from './ToolSelect.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props extends Entered {
    survey: SurveyResult;
    taken: number;
  }
  let { holes, frames, survey, taken, onadd, next }: Props = $props();
  const units = useUnits();
  const entry = new ReadingEntry(useReader(), () => ({ holes, frames, next, onadd }));
  let isInch = $state(units.system.startsWith('us'));
  let echo = $state('');
  const PHONE_KINDS = KINDS.filter((kind) => kind !== 'sweep');
  const last = $derived(survey.readings.at(-1));
  const unit = $derived(isInch ? ' in' : '');
  const says = $derived.by(() => {
    if (entry.says) return `▲ ${entry.says}`;
    if (survey.says[0]) return units.words(survey.says[0]);
    if (next && entry.isSuggested && taken > 0 && next.replaces === null) return units.words(next.why);
    return last ? `${taken} taken. ${last.label}: ${units.words(last.says)}` : '';
  });

  function title({ kind, a, b, edge }: Between): string {
    if (isAlongAxis(kind)) return `${a} ${kind}, ${edge}`;
    return `${a} to ${b === 'C' ? 'the shaft centre' : b}, ${KIND_WORDS[kind]}`;
  }
  async function hear(): Promise<void> {
    echo = entry.says = '';
    const text = entry.text;
    if (!text) return;
    const heard = await entry.hear(text + unit);
    if (text !== entry.text) return; // of a figure that has since grown
    echo = units.heard(heard);
    entry.says = heard.problem;
  }
  function press(key: string): void {
    entry.text = keyed(entry.text, key);
    void hear();
  }
  function keep(): void {
    echo = '';
    void entry.keep((text) => text + unit);
  }
</script>

<section aria-label="One reading at a time" class="bg-card">
  <div class="bg-paper px-4 pt-3 pb-2">
    {#if entry.wanted}
      {@const between = entry.wanted}
      <div class="flex items-start gap-3">
        <div class="min-w-0 flex-1">
          <h2 class="text-lg">{title(between)}, {toolWords(entry.tool)}</h2>
          <p class="text-ink-dim">
            {JAWS[between.kind]}{next?.replaces == null || !entry.isSuggested
              ? ''
              : '; the last one did not fit'}
          </p>
        </div>
        <div class="w-28 shrink-0">
          <JawPicture kind={between.kind} a={between.a} b={between.b} edge={between.edge} />
        </div>
      </div>
      <p class="mt-1 flex min-h-[3.2rem] items-baseline gap-3 border-b-[3px] border-brass" aria-live="polite">
        <output class="figures text-4xl">{entry.text || ' '}</output>
        <span class="text-[15px] text-ink-dim">{isInch ? `in ${echo}` : entry.text ? 'mm ' : ''}</span>
      </p>
    {:else}
      <h2 class="text-lg">Measured well enough: every reading is checked, no single one helps much more.</h2>
    {/if}
    <p class={['mt-1 min-h-5', entry.says ? 'text-fails' : 'text-ink-dim']} role="status">{says}</p>
  </div>
  <div class="border-t border-edge px-4 py-2"><ToolSelect {entry} label="Phone: tool" large /></div>
  {#if entry.wanted}
    <FigureKeys
      {isInch}
      canKeep={entry.text !== ''}
      onpress={press}
      onunit={() => {
        isInch = !isInch;
        void hear();
      }}
      onkeep={keep}
    />
  {/if}
  <details class="border-t border-edge px-4 py-2">
    <summary class="py-1 text-brass underline underline-offset-2">Another pair, or the square</summary>
    <div class="flex flex-wrap gap-3 py-2 text-[16px]">
      <BetweenSelects {entry} kinds={PHONE_KINDS} of="Phone" large />
    </div>
    <SuggestionKey {entry} />
  </details>
</section>
