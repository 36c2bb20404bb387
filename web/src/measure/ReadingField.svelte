<script lang="ts">
  import type { Quantity, Reading } from '../api/types';
  import { useReader, type Heard } from './reader';

  interface Props {
    label: string;
    value: Reading | null | undefined;
    quantity: Quantity;
    onchange: (value: Reading | null) => void;
    disabled?: boolean;
    hint?: string; // how to measure it, shown while it is empty
  }
  let { label, value, quantity, onchange, disabled = false, hint = '' }: Props = $props();
  const uid = $props.id();
  const reader = useReader();
  let typed = $state<string | null>(null); // null while the field shows what the sheet holds
  let heard = $state.raw<Heard | null>(null);
  const shown = $derived(typed ?? value?.text ?? '');

  async function commit(): Promise<void> {
    if (typed === null) return;
    const text = typed.trim();
    if (text === '') {
      typed = heard = null;
      onchange(null);
      return;
    }
    if (text === value?.text) {
      typed = null;
      return;
    }
    const asked = { text, quantity, unit: value?.unit ?? null };
    heard = await reader.take(asked, () => onchange({ ...value, text }));
    if (!heard.problem && typed?.trim() === text) typed = null; // else the text stays for mending
  }

  function keydown(event: KeyboardEvent): void {
    if (event.key === 'Enter') void commit();
    if (event.key === 'Escape') typed = heard = null;
  }
</script>

<div class="grid grid-cols-[minmax(0,1fr)_var(--field-width,9.5rem)] items-baseline gap-x-3">
  <label for="{uid}-input" class="py-1">{label}</label>
  <input
    id="{uid}-input"
    class="field-line text-right figures"
    autocomplete="off"
    {disabled}
    aria-invalid={heard?.problem ? 'true' : undefined}
    aria-describedby="{uid}-says"
    value={shown}
    placeholder={hint ? '' : '–'}
    oninput={(event) => (typed = event.currentTarget.value)}
    onblur={commit}
    onkeydown={keydown}
  />
  <p
    id="{uid}-says"
    class={['col-span-2 text-right text-[12.5px]', heard?.problem ? 'text-fails' : 'text-ink-dim']}
    role={heard?.problem ? 'alert' : undefined}
  >
    {#if heard?.problem}▲ {heard.problem}{:else if heard?.echo}{heard.echo}{:else if !value && hint}{hint}{/if}
  </p>
</div>
