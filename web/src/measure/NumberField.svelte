<script lang="ts">
  interface Props {
    label: string;
    value: number | null | undefined;
    least: number;
    greatest: number;
    onchange: (value: number | null) => void;
    disabled?: boolean;
    hint?: string;
  }
  let { label, value, least, greatest, onchange, disabled = false, hint = '' }: Props = $props();
  const uid = $props.id();
  let typed = $state<string | null>(null);
  let problem = $state('');

  function commit(): void {
    if (typed === null) return;
    const text = typed.replace(/\s/g, '').replace(',', '.').replace('−', '-');
    const number = Number(text);
    if (text !== '' && !(number >= least && number <= greatest)) {
      problem = `Type a number from ${least} to ${greatest}.`;
      return;
    }
    problem = '';
    typed = null;
    onchange(text === '' ? null : number);
  }
</script>

<div class="grid grid-cols-[minmax(0,1fr)_var(--field-width,9.5rem)] items-baseline gap-x-3">
  <label for="{uid}-input" class="py-1">{label}</label>
  <input
    id="{uid}-input"
    class="field-line text-right figures"
    inputmode="decimal"
    autocomplete="off"
    {disabled}
    aria-invalid={problem ? 'true' : undefined}
    aria-describedby="{uid}-says"
    value={typed ?? value ?? ''}
    oninput={(event) => (typed = event.currentTarget.value)}
    onblur={commit}
    onkeydown={(event) => event.key === 'Enter' && commit()}
  />
  <p id="{uid}-says" class={['col-span-2 text-right text-[12.5px]', problem ? 'text-fails' : 'text-ink-dim']}>
    {#if problem}▲ {problem}{:else if value === null || value === undefined}{hint}{/if}
  </p>
</div>
