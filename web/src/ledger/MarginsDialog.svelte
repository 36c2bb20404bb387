<script lang="ts">
  import { createQuery } from '@tanstack/svelte-query';
  import { answered, client } from '../api/client';
  import { margins } from '../api/tables.json';
  import type { WantedMargins } from '../api/types';
  import { useEditor } from '../job/job-editor.svelte';
  import { clockTime, fixed } from '../lib/format';
  import Dialog from '../lib/ui/Dialog.svelte';

  interface Props {
    shown: string; // the kind that is asked about
    onclose: () => void;
  }
  let { shown, onclose }: Props = $props();
  const editor = useEditor();
  type Kind = keyof typeof margins;
  const KINDS = Object.keys(margins) as Kind[];
  const stated = $derived<WantedMargins>(editor.sheets.margins);
  const [LEAST, MOST] = [0.01, 10];
  let says = $state('');
  const changes = createQuery(() => ({
    queryKey: ['margin-changes', editor.job.id, editor.number],
    queryFn: () =>
      answered(
        client.GET('/api/jobs/{job_id}/margin-changes', { params: { path: { job_id: editor.job.id } } }),
      ),
  }));
  const lastOf = (kind: Kind) => changes.data?.find((one) => one.kind === kind);

  function want(kind: Kind, text: string): void {
    const margin = text.trim() === '' ? null : Number(text.replace(',', '.'));
    if (margin !== null && !(margin >= LEAST && margin <= MOST)) {
      says = `${margins[kind].title}: type a number from ${LEAST} to ${MOST}, or leave it empty for the usual one.`;
      return;
    }
    says = '';
    editor.edit((sheets) => (sheets.margins[kind] = margin));
  }
  function because(kind: Kind, why: string): void {
    editor.edit((sheets) => {
      const others = Object.entries(sheets.margins.reasons ?? {}).filter(([other]) => other !== kind);
      sheets.margins.reasons = Object.fromEntries(why ? [...others, [kind, why]] : others);
    });
  }
</script>

<Dialog
  open
  title="Wanted margins"
  about="What each kind of check asks for. Empty takes the usual figure. A smaller margin wants a reason that you would give to an inspector."
  first="[data-margin={shown}]"
  {onclose}
>
  <table class="text-[13px]" aria-label="Wanted margins">
    <thead class="text-ink-dim">
      <tr>
        <th class="text-left font-normal">of</th>
        <th class="w-16 text-right font-normal">usual</th>
        <th class="w-20 text-right font-normal">wanted</th>
        <th class="pl-3 text-left font-normal">why</th>
      </tr>
    </thead>
    <tbody>
      {#each KINDS as kind (kind)}
        {@const { title, usual } = margins[kind]}
        {@const last = lastOf(kind)}
        <tr class={['border-t border-edge align-baseline', kind === shown && 'bg-brass-wash']}>
          <td class="py-1.5">{title}</td>
          <td class="text-right figures text-ink-dim">{fixed(usual, 2)}</td>
          <td>
            <input
              class="min-h-6 field-line text-right figures"
              aria-label="Wanted: {title}"
              inputmode="decimal"
              data-margin={kind}
              placeholder={fixed(usual, 2)}
              disabled={!editor.mayEdit}
              value={stated[kind] ?? ''}
              onchange={(event) => want(kind, event.currentTarget.value)}
            />
          </td>
          <td class="pl-3">
            <input
              class="min-h-6 field-line"
              aria-label="Why: {title}"
              maxlength="2000"
              disabled={!editor.mayEdit}
              value={stated.reasons?.[kind] ?? ''}
              onchange={(event) => because(kind, event.currentTarget.value.trim())}
            />
            {#if last}<p class="text-[12px] text-ink-dim">
                {last.margin === null ? 'back to the usual' : fixed(last.margin, 2)} by {last.author}, rev {last.version},
                {clockTime(last.saved_at)}
              </p>{/if}
          </td>
        </tr>
      {/each}
    </tbody>
  </table>
  {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
</Dialog>
