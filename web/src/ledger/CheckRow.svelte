<script lang="ts">
  import type { Check, WrittenWorking } from '../api/types';
  import type { System } from '../measure/figures';
  import { useWorkings } from './workings';
  import HowSure from './HowSure.svelte';
  import WorkingSheet from './WorkingSheet.svelte';
  import { fixed } from '../lib/format';
  import VerdictMark from '../lib/ui/VerdictMark.svelte';
  import { VERDICT_WORDS } from '../lib/verdicts';
  import { useUnits } from '../measure/units.svelte';

  interface Props {
    check: Check;
    before: Check | undefined; // of the pinned design
    isOpen: boolean;
    ontoggle: () => void;
    onmargin: (kind: string) => void;
  }
  let { check, before, isOpen, ontoggle, onmargin }: Props = $props();
  const units = useUnits();
  const workings = useWorkings();
  let working = $state.raw<WrittenWorking | null>(null);
  let asked = 0;

  /** The newest question's answer counts; the one before stays till then. */
  async function load(key: string, system: System): Promise<void> {
    const own = ++asked;
    const found = await workings.of(key, system);
    if (own === asked) working = found;
  }
  $effect(() => {
    if (isOpen) void load(check.key, units.system);
  });
  const figure = (one: Check) =>
    one.unit && one.margin !== null ? (one.margin >= 10 ? '10+' : fixed(one.margin, 2)) : '';
  const range = $derived(workings.ranges.found.find((one) => one.check === check.key));
  /** Half of its 95 % range, where that shows beside a margin of two decimals. */
  const plusMinus = $derived.by(() => {
    if (!range || typeof range.least !== 'number' || typeof range.greatest !== 'number') return '';
    const half = (range.greatest - range.least) / 2;
    return half < 0.005 || range.margin >= 10 ? '' : `±${fixed(half, 2)}`;
  });
</script>

<li class="border-b border-edge">
  <button
    class="w-full px-4 py-2 text-left hover:bg-paper"
    aria-expanded={isOpen}
    data-check={check.key}
    onclick={ontoggle}
  >
    <span class="flex items-center gap-2">
      <VerdictMark verdict={check.verdict} silent />
      <span class="font-semibold">{check.title}</span>
      <span class={['ml-auto figures', check.verdict === 'fails' && 'text-fails']}>
        {#if before && figure(before) !== figure(check)}<span class="text-ink-dim"
            >{figure(before)} →&nbsp;</span
          >{/if}{figure(check)}{#if plusMinus}<span class="text-[13px] text-ink-dim">&nbsp;{plusMinus}</span
          >{/if}
      </span>
    </span>
    <span class="ml-5 block text-[13px] text-ink-dim"
      ><span class={check.verdict === 'fails' ? 'text-fails' : 'text-ink'}
        >{VERDICT_WORDS[check.verdict]}{range?.odds ? `: ${range.odds} that it falls short` : ''}.</span
      >
      {units.words(check.says)}</span
    >
  </button>
  {#if isOpen}
    <div class="mr-3 mb-3 ml-9 bg-paper p-3 text-[13px]">
      {#if working}<WorkingSheet {working} goTo={workings.goTo} />{/if}
      {#if check.is_so === null || check.is_so === undefined}<p class="mt-2">
          Margin {check.margin === null ? 'not known' : fixed(check.margin, 2)}, wanted
          <button
            class="min-h-6 text-brass underline underline-offset-2"
            aria-label="wanted {fixed(check.wanted_margin, 2)}: open the wanted margins"
            onclick={() => onmargin(check.wanted_kind)}>{fixed(check.wanted_margin, 2)}</button
          >{check.wanted_is_default ? ' (the usual figure)' : ''}.
        </p>{/if}
      {#if check.margin !== null}<HowSure {range} />{/if}
      {#if check.missing.length > 0}<p class="mt-1">
          Still wanted: {units.words(check.missing.join('; '))}.
        </p>{/if}
      <p class="mt-1 text-ink-dim">Hangs on: {check.inputs.join(', ').replaceAll('_', ' ')}.</p>
      <p class="mt-1">
        <a
          class="text-brass underline underline-offset-2"
          href={workings.sheet(check.key, units.system)}
          download>calculation sheet (PDF) of the saved version</a
        >
      </p>
    </div>
  {/if}
</li>
