<script lang="ts">
  import type { Quantity } from '../api/types';
  import { useReader, type Heard } from './reader';
  import { TypedFigure } from './typed-figure.svelte';
  import { useUnits } from './units.svelte';

  interface Props {
    label: string;
    text: string;
    quantity: Quantity;
    unit?: string | null;
    needed?: string; // what to say when it is emptied; without it, emptying it is fine
    placeholder?: string;
    disabled: boolean;
    onchange: (text: string) => void; // empty when it was emptied
  }
  let {
    label,
    text,
    quantity,
    unit = null,
    needed = '',
    placeholder = '',
    disabled,
    onchange,
  }: Props = $props();
  const reader = useReader();
  const units = useUnits();
  const figure = new TypedFigure();
  const meant = (typed: string) => (unit ? typed : units.meant(typed, quantity));
  const kept = $derived(unit ? text : units.kept(text, quantity));

  async function take(typed: string): Promise<Heard> {
    const wanted = meant(typed);
    if (wanted !== '') return reader.take({ text: wanted, quantity, unit }, () => onchange(wanted));
    if (!needed) onchange('');
    return { problem: needed, echo: '' };
  }
  const commit = () => figure.commit(kept, take);

  function oninput(event: Event & { currentTarget: HTMLInputElement }): void {
    const wanted = event.currentTarget.value.trim();
    figure.text = event.currentTarget.value;
    reader.typing(() => onchange(meant(wanted)));
  }

  async function keydown(event: KeyboardEvent & { currentTarget: HTMLInputElement }): Promise<void> {
    const input = event.currentTarget;
    if (event.key === 'Escape') {
      figure.giveUp();
      reader.typing(null);
    }
    if (event.key !== 'Enter') return;
    const inputs = [...(input.closest('table')?.querySelectorAll('input') ?? [])];
    const next = inputs[inputs.indexOf(input) + 1] ?? document.querySelector<HTMLElement>('[data-measure]');
    if (await commit()) next?.focus();
  }
</script>

<input
  class="min-h-6 field-line py-0.5 text-right figures"
  aria-label={label}
  {placeholder}
  aria-invalid={figure.heard.problem ? 'true' : undefined}
  title={figure.heard.problem || undefined}
  autocomplete="off"
  {disabled}
  value={figure.text ?? kept}
  {oninput}
  onfocus={(event) => event.currentTarget.select()}
  onblur={commit}
  onkeydown={keydown}
/>
{#if figure.heard.problem}<p role="alert" class="text-[12px] text-fails">▲ {figure.heard.problem}</p>{/if}
