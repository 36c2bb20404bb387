<script lang="ts">
  import type { Check, PartResult } from '../api/types';
  import { useEditor } from '../job/job-editor.svelte';
  import { clockTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';
  import CutFacts from './CutFacts.svelte';
  import DeliveryDialog from './DeliveryDialog.svelte';
  import { fetchFile } from './files';
  import HoleTable from './HoleTable.svelte';
  import OrderFacts from './OrderFacts.svelte';
  import ReleaseDialog from './ReleaseDialog.svelte';
  import { releasedFile } from './releases';

  import { useUnits } from '../measure/units.svelte';
  interface Props {
    checks: readonly Check[];
    of: { readonly parts: readonly PartResult[]; readonly part: PartResult | null; partKey: string | null }; // part: that is drawn
    disabled: boolean;
  }
  let { checks, of, disabled }: Props = $props();
  const units = useUnits();
  const editor = useEditor();
  let releasing = $state.raw<PartResult | null>(null);
  let receiving = $state.raw<PartResult | null>(null);
</script>

<div class="flex flex-col gap-4 px-3 py-3 text-[13px]">
  {#each of.parts as part (part.key)}
    {@const { cut, released } = part}
    <section aria-label={part.title}>
      <div class="flex items-baseline justify-between gap-2">
        <h2 class="text-[14px]">{part.title}</h2>
        {#if of.parts.length > 1}
          <button class="text-brass underline underline-offset-2" onclick={() => (of.partKey = part.key)}
            >look at it</button
          >
        {/if}
      </div>
      {#if cut}<CutFacts {cut} />{/if}
      {#if part.order}<OrderFacts {part} order={part.order} />{/if}
      {#if released}
        <div class={['mt-2 border-l-4 pl-2', released.differs.length > 0 ? 'border-fails' : 'border-holds']}>
          <p>
            <strong>Released {released.letter}</strong>, {clockTime(released.at)} by {released.by}{cut
              ? `, ${released.side} side`
              : ''}
          </p>
          {#if released.differs.length > 0}
            <p class="font-semibold text-fails">▲ Differs from released {released.letter}:</p>
            <ul class="figures">
              {#each released.differs as moved, index (index)}<li>{units.words(moved.says)}</li>{/each}
            </ul>
            {#each released.readings_since as since (since)}<p>
                Reading since: <span class="figures">{units.words(since)}</span>
              </p>{/each}
          {:else}
            <p>As released; SHA-256 <span class="figures">{released.sha256.slice(0, 12)}…</span></p>
          {/if}
          <p>
            <button
              class="text-brass underline underline-offset-2"
              onclick={() => fetchFile(editor, releasedFile(part, released.letter))}
              >{cut ? 'the file as released' : 'its outline as released'}</button
            >
            {#if released.has_sheet}
              · <button
                class="text-brass underline underline-offset-2"
                onclick={() =>
                  fetchFile(editor, releasedFile(part, released.letter, '-sheet.pdf', units.system))}
                >its sheet</button
              >
              {#if cut}·
                <button
                  class="text-brass underline underline-offset-2"
                  onclick={() =>
                    fetchFile(editor, releasedFile(part, released.letter, '-holes.csv', units.system))}
                  >its holes</button
                >{/if}
            {/if}
          </p>
        </div>
        {#each part.incoming as delivery (delivery.at)}
          <p class="mt-1">
            {delivery.letter} delivered {clockTime(delivery.at)}: {delivery.accepted
              ? 'accepted'
              : '▲ turned down'} by {delivery.by}{delivery.why ? `, “${delivery.why}”` : ''}
          </p>
        {/each}
      {/if}
      {#if part.held_back}<p class="border-tight mt-2 border-l-4 pl-2">{part.held_back}</p>{/if}
      {#if !disabled && !part.held_back}
        <p class="mt-2 flex gap-2">
          <Button strong={!released || released.differs.length > 0} onclick={() => (releasing = part)}
            >{released ? 'Release anew…' : 'Release…'}</Button
          >
          {#if released}<Button onclick={() => (receiving = part)}>Check a delivered one…</Button>{/if}
        </p>
      {/if}
    </section>
  {:else}
    <p class="text-ink-dim">Parts are listed here as soon as they can be drawn.</p>
  {/each}
</div>
{#if of.part && of.part.hole_table.length > 0}<HoleTable part={of.part} />{/if}
{#if releasing}<ReleaseDialog part={releasing} {checks} onclose={() => (releasing = null)} />{/if}
{#if receiving?.released}
  <DeliveryDialog part={receiving} released={receiving.released} onclose={() => (receiving = null)} />
{/if}
