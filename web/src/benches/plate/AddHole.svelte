<script lang="ts">
  import type { FlangeHole } from '../../api/types';
  import { submits } from '../../lib/submits';
  import { useReader } from '../../measure/reader';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    holes: readonly FlangeHole[];
    onadd: (hole: FlangeHole) => void;
  }
  let { holes, onadd }: Props = $props();
  const reader = useReader();
  const units = useUnits();
  const uid = $props.id();
  let diameter = $state('');
  let isBore = $state(false);
  let says = $state('');
  const letter = $derived(isBore ? 'B' : 'H');
  const nextId = $derived(
    `${letter}${Math.max(0, ...holes.filter((hole) => hole.id.startsWith(letter)).map((hole) => Number(/\d+$/.exec(hole.id)?.[0] ?? 0))) + 1}`,
  );

  async function add(): Promise<void> {
    const text = units.meant(diameter.trim(), 'length');
    says = (await reader.read(text, 'length', null)).problem;
    if (says) return;
    onadd({ id: nextId, diameter: { text, tool: 'caliper' }, is_bore: isBore });
    if (isBore) diameter = ''; // the next one is a hole again
    isBore = false;
  }
</script>

<form class="flex flex-wrap items-baseline gap-x-3" onsubmit={submits(add)}>
  <label for="{uid}-diameter">{nextId}, diameter</label>
  <input
    id="{uid}-diameter"
    class="field-line w-24 text-right figures"
    required
    autocomplete="off"
    placeholder={isBore ? '118' : '12.5'}
    bind:value={diameter}
  />
  <button class="text-brass underline underline-offset-2">add the hole</button>
  <label class="text-[13px] text-ink-dim"
    ><input type="checkbox" bind:checked={isBore} /> a bore about the shaft</label
  >
</form>
{#if says}<p role="alert" class="text-[13px] text-fails">▲ {says}</p>{/if}
