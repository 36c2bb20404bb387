<script lang="ts">
  import type { SweepReading } from '../../api/types';
  import { useReader } from '../../measure/reader';
  import { useUnits } from '../../measure/units.svelte';
  import { submits } from '../../lib/submits';
  import Button from '../../lib/ui/Button.svelte';
  import DialReadings from './DialReadings.svelte';

  interface Props {
    holes: readonly { id: string; is_bore: boolean }[];
    onadd: (reading: SweepReading) => void;
  }
  let { holes, onadd }: Props = $props();
  const reader = useReader();
  const units = useUnits();
  const PLACES = [0, 90, 180, 270];
  const bores = $derived(holes.filter((hole) => hole.is_bore));
  const others = $derived(holes.filter((hole) => !hole.is_bore));
  let places = $state(PLACES.map((clock) => ({ clock, text: '' })));
  let chosenBore = $state('');
  let chosenTowards = $state('');
  const bore = $derived(chosenBore || (bores[0]?.id ?? ''));
  const towards = $derived(chosenTowards || (others[0]?.id ?? ''));
  let surface = $state<SweepReading['surface']>('bore');
  let turned = $state<SweepReading['turned']>('dial');
  let says = $state('');

  async function add(): Promise<void> {
    const read = places
      .filter((place) => place.text.trim() !== '')
      .map(({ clock, text }) => ({ clock, text: units.meant(text.trim(), 'length') }));
    if (read.length < 3) {
      says = 'Read the dial at three places or more round the turn.';
      return;
    }
    for (const place of read) {
      const heard = await reader.read(place.text.replace(/^[+-]/, ''), 'length', null, 'indicator');
      if (heard.problem) {
        says = `At ${place.clock}°: ${heard.problem}`;
        return;
      }
    }
    says = '';
    onadd({
      kind: 'sweep',
      a: bore,
      towards,
      runs: 'clockwise',
      surface,
      turned,
      dial: read.map(({ clock, text }) => ({
        clock: { text: `${clock} deg` },
        reading: { text },
      })),
      left_out: false,
      why: '',
      left_out_by: '',
    });
    places = PLACES.map((clock) => ({ clock, text: '' }));
  }
</script>

{#if bores.length === 0}
  <p class="mt-1 text-[13px]">
    Add the bore that the dial goes round under “Holes”, marked as a bore, and measure from its edge to two
    holes or more.
  </p>
{:else}
  <form class="mt-1 flex flex-col gap-1.5 text-[13px]" onsubmit={submits(add)} aria-label="New dial sweep">
    <div class="flex flex-wrap items-baseline gap-x-2">
      <label
        >round <select
          class="field-line w-16 figures"
          value={bore}
          onchange={(e) => (chosenBore = e.currentTarget.value)}
        >
          {#each bores as hole (hole.id)}<option value={hole.id}>{hole.id}</option>{/each}
        </select></label
      >
      <label
        >0° towards <select
          class="field-line w-16 figures"
          value={towards}
          onchange={(e) => (chosenTowards = e.currentTarget.value)}
        >
          {#each others as hole (hole.id)}<option value={hole.id}>{hole.id}</option>{/each}
        </select></label
      >
      <label
        >a <select
          class="field-line w-20"
          value={surface}
          onchange={(e) => (surface = e.currentTarget.value === 'spigot' ? 'spigot' : 'bore')}
        >
          <option value="bore">bore</option><option value="spigot">spigot</option>
        </select></label
      >
    </div>
    <label
      >what turned <select
        class="field-line w-56"
        value={turned}
        onchange={(e) => (turned = e.currentTarget.value === 'part' ? 'part' : 'dial')}
      >
        <option value="dial">the dial, with the shaft</option>
        <option value="part">the part, under a standing dial</option>
      </select></label
    >
    <DialReadings bind:places />
    <p class="flex items-center justify-between gap-2 text-ink-dim">
      clockwise as you look; plunger in reads above zero
      <Button strong type="submit" aria-label="Keep the sweep">Keep</Button>
    </p>
    {#if says}<p role="alert" class="text-fails">▲ {says}</p>{/if}
  </form>
{/if}
