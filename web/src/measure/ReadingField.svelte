<script lang="ts">
  import type { Quantity, Reading } from '../api/types';
  import { useReader, type Heard } from './reader';
  import { TypedFigure } from './typed-figure.svelte';
  import { useUnits } from '../measure/units.svelte';

  interface Props {
    label: string;
    name?: string; // the last word of the field's path, to find it by
    value: Reading | null | undefined;
    quantity: Quantity;
    onchange: (value: Reading | null) => void;
    disabled?: boolean;
    hint?: string; // how to measure it, shown while it is empty
  }
  let { label, name, value, quantity, onchange, disabled = false, hint = '' }: Props = $props();
  const units = useUnits();
  const uid = $props.id();
  const reader = useReader();
  const figure = new TypedFigure();

  const meant = (text: string) => (value?.unit ? text : units.meant(text, quantity));
  const kept = $derived(value && !value.unit ? units.kept(value.text, quantity) : (value?.text ?? ''));

  async function take(typed: string): Promise<Heard> {
    if (typed !== '') {
      const text = meant(typed);
      const asked = { text, quantity, unit: value?.unit ?? null };
      return reader.take(asked, () => onchange({ ...value, text }));
    }
    onchange(null);
    return { problem: '', echo: '' };
  }
  const commit = () => figure.commit(kept, take);

  function oninput(event: Event & { currentTarget: HTMLInputElement }): void {
    const text = event.currentTarget.value;
    figure.text = text;
    reader.typing(() => onchange(text.trim() === '' ? null : { ...value, text: meant(text.trim()) }));
  }

  function keydown(event: KeyboardEvent): void {
    if (event.altKey && event.key.toLowerCase() === 'w') {
      event.preventDefault();
      reader.whose(label, () => onchange({ ...value, text: `${value?.text ?? ''} ?` }));
    }
    if (event.key === 'Enter') void commit();
    if (event.key === 'Escape') {
      figure.giveUp();
      reader.typing(null);
    }
  }
</script>

<div class="grid grid-cols-[minmax(0,1fr)_var(--field-width,9.5rem)] items-baseline gap-x-3">
  <label for="{uid}-input" class="py-1">{label}</label>
  <input
    id="{uid}-input"
    data-field={name}
    class="field-line text-right figures"
    autocomplete="off"
    {disabled}
    aria-invalid={figure.heard.problem ? 'true' : undefined}
    aria-describedby="{uid}-says"
    value={figure.text ?? kept}
    placeholder={hint ? '' : '–'}
    {oninput}
    onblur={commit}
    onkeydown={keydown}
  />
  <p
    id="{uid}-says"
    class={['col-span-2 text-right text-[12.5px]', figure.heard.problem ? 'text-fails' : 'text-ink-dim']}
    role={figure.heard.problem ? 'alert' : undefined}
  >
    {#if figure.heard.problem}▲ {figure.heard.problem}{:else if figure.heard.echo}{units.heard(
        figure.heard,
      )}{:else if !value && hint}{units.words(hint)}{/if}
  </p>
</div>
