<script lang="ts">
  import { typedNumber } from './typed-number';
  import { useUnits } from '../measure/units.svelte';
  interface Props {
    label: string;
    name?: string; // the last word of the field's path, to find it by
    value: number | null | undefined;
    least: number;
    greatest: number;
    onchange: (value: number | null) => void;
    disabled?: boolean;
    hint?: string;
    unit?: string; // metric, in which the number is kept; it is shown and typed in the reader's
  }
  let {
    label,
    name,
    value,
    least,
    greatest,
    onchange,
    disabled = false,
    hint = '',
    unit = '',
  }: Props = $props();
  const units = useUnits();
  const uid = $props.id();
  let typed = $state<string | null>(null);
  let problem = $state('');
  const shown = $derived(
    value === null || value === undefined ? '' : `${Number(units.shown(value, unit).toPrecision(6))}`,
  );

  function commit(): void {
    if (typed === null) return;
    const text = typed.trim();
    const metric = units.metric(typedNumber(text, greatest), unit);
    if (text !== '' && !(metric >= least && metric <= greatest)) {
      problem = `Type a number from ${units.num(least, unit, null)} to ${units.num(greatest, unit, null)}.`;
      return;
    }
    problem = '';
    typed = null;
    onchange(text === '' ? null : metric);
  }
</script>

<div class="grid grid-cols-[minmax(0,1fr)_var(--field-width,9.5rem)] items-baseline gap-x-3">
  <label for="{uid}-input" class="py-1">{label}{unit && `, ${units.symbol(unit)}`}</label>
  <input
    id="{uid}-input"
    data-field={name}
    class="field-line text-right figures"
    inputmode="decimal"
    autocomplete="off"
    {disabled}
    aria-invalid={problem ? 'true' : undefined}
    aria-describedby="{uid}-says"
    value={typed ?? shown}
    oninput={(event) => (typed = event.currentTarget.value)}
    onblur={commit}
    onkeydown={(event) => event.key === 'Enter' && commit()}
  />
  <p id="{uid}-says" class={['col-span-2 text-right text-[12.5px]', problem ? 'text-fails' : 'text-ink-dim']}>
    {#if problem}▲ {problem}{:else if value === null || value === undefined}{units.words(hint)}{/if}
  </p>
</div>
