<script lang="ts">
  import type { Quantity } from '../api/types';
  import { useReader } from './reader';

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
  let typed = $state<string | null>(null);
  let problem = $state('');

  async function commit(): Promise<boolean> {
    const wanted = typed?.trim();
    if (wanted === undefined || wanted === text) {
      typed = null;
      return true;
    }
    if (wanted === '') {
      problem = needed;
      if (!needed) onchange('');
    } else {
      problem = (await reader.take({ text: wanted, quantity, unit }, () => onchange(wanted))).problem;
    }
    if (problem) return false; // the text stays for mending
    typed = null;
    return true;
  }

  async function keydown(event: KeyboardEvent & { currentTarget: HTMLInputElement }): Promise<void> {
    const input = event.currentTarget;
    if (event.key === 'Escape') {
      typed = null;
      problem = '';
    }
    if (event.key !== 'Enter') return;
    const inputs = [...(input.closest('table')?.querySelectorAll('input') ?? [])];
    const next = inputs[inputs.indexOf(input) + 1] ?? document.querySelector<HTMLElement>('[data-measure]');
    if (await commit()) next?.focus();
  }
</script>

<input
  class="field-line py-0.5 text-right figures"
  aria-label={label}
  {placeholder}
  aria-invalid={problem ? 'true' : undefined}
  title={problem || undefined}
  autocomplete="off"
  {disabled}
  value={typed ?? text}
  oninput={(event) => (typed = event.currentTarget.value)}
  onfocus={(event) => event.currentTarget.select()}
  onblur={commit}
  onkeydown={keydown}
/>
{#if problem}<p role="alert" class="text-[12px] text-fails">▲ {problem}</p>{/if}
