<script lang="ts">
  import { readBack } from '../../measure/read-back';

  interface Props {
    label: string;
    text: string;
    unit: string | null;
    disabled: boolean;
    onchange: (text: string) => void;
  }
  let { label, text, unit, disabled, onchange }: Props = $props();
  let typed = $state<string | null>(null);
  let problem = $state('');

  async function commit(): Promise<boolean> {
    const wanted = typed?.trim();
    if (wanted === undefined || wanted === text) {
      typed = null;
      return true;
    }
    problem = (await readBack(wanted, 'length', unit)).problem;
    if (problem) return false; // the text stays for mending
    typed = null;
    onchange(wanted);
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
  aria-label="Reading {label}"
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
