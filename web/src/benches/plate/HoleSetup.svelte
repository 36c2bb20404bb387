<script lang="ts">
  import type { PlateSheet } from '../../api/types';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import { readBack } from '../../measure/read-back';
  import ReadingField from '../../measure/ReadingField.svelte';

  type Survey = PlateSheet['survey'];
  interface Props {
    survey: Survey;
    disabled: boolean;
    change: (write: (survey: Survey) => void) => void;
  }
  let { survey, disabled, change }: Props = $props();
  const uid = $props.id();
  let diameter = $state('');
  let says = $state('');
  const SIDES = [
    ['engine side', 'the engine side'],
    ['gearbox side', 'the gearbox side'],
  ] as const;
  const SENSES = [
    ['anticlockwise', 'anticlockwise'],
    ['clockwise', 'clockwise'],
  ] as const;
  const nextId = $derived(
    `H${Math.max(0, ...survey.holes.map((hole) => Number(/\d+$/.exec(hole.id)?.[0] ?? 0))) + 1}`,
  );

  async function add(event: SubmitEvent): Promise<void> {
    event.preventDefault();
    const text = diameter.trim();
    says = (await readBack(text, 'length', null)).problem;
    if (says) return;
    const id = nextId;
    change((next) => next.holes.push({ id, diameter: { text, tool: 'caliper' } }));
  }

  function remove(id: string): void {
    change((next) => {
      next.holes = next.holes.filter((hole) => hole.id !== id);
      next.readings = next.readings.filter(
        (reading) => reading.a !== id && !('b' in reading && reading.b === id),
      );
      if (next.direction_of === id) next.direction_of = null;
    });
  }
</script>

<section class="px-4 py-3">
  <h2>The holes, in the order in which they are numbered</h2>
  <p class="mt-1 text-[13px] text-ink-dim">
    Number them with a paint pen, one way round. Which side you look from and which way they run settles which
    way round the plate is: a mirrored plate is scrap.
  </p>
  <ChoiceField
    label="Looked at from"
    value={survey.seen_from}
    options={SIDES}
    {disabled}
    onchange={(side) => change((next) => (next.seen_from = side))}
  />
  <ChoiceField
    label="Numbers run"
    value={survey.numbered}
    options={SENSES}
    {disabled}
    onchange={(sense) => change((next) => (next.numbered = sense))}
  />
  <div class="mt-2 flex flex-col">
    {#each survey.holes as hole, k (hole.id)}
      <div class="grid grid-cols-[1fr_1.5rem] items-start">
        <ReadingField
          label="{hole.id}, diameter"
          quantity="length"
          {disabled}
          value={hole.diameter}
          onchange={(value) =>
            change((next) => {
              const changed = next.holes[k];
              if (value && changed) changed.diameter = value;
            })}
        />
        {#if !disabled}
          <button
            class="pt-1 text-ink-dim hover:text-fails"
            aria-label="Take {hole.id} and its readings away"
            onclick={() => remove(hole.id)}>×</button
          >
        {/if}
      </div>
    {/each}
  </div>
  {#if !disabled}
    <form class="flex items-baseline gap-3" onsubmit={add}>
      <label for="{uid}-diameter">{nextId}, diameter</label>
      <input
        id="{uid}-diameter"
        class="field-line w-28 text-right figures"
        required
        autocomplete="off"
        placeholder="12.5"
        bind:value={diameter}
      />
      <button class="text-brass underline underline-offset-2">add the hole</button>
    </form>
    {#if says}<p role="alert" class="text-[13px] text-fails">▲ {says}</p>{/if}
  {/if}
  {#if survey.holes.length > 0}
    <h2 class="mt-4">Which way is up</h2>
    <ChoiceField
      label="Set by hole"
      value={survey.direction_of ?? survey.holes[0]?.id}
      options={survey.holes.map((hole) => [hole.id, hole.id] as const)}
      {disabled}
      onchange={(id) => change((next) => (next.direction_of = id))}
    />
    <ReadingField
      label="It lies at, from 3 o'clock"
      quantity="angle"
      {disabled}
      value={survey.direction_at}
      onchange={(value) => value && change((next) => (next.direction_at = value))}
    />
  {/if}
  <p class="mt-4 border-l-2 border-brass pl-3 text-[13px] text-ink-dim">
    Before the bell housing is unbolted: gearbox on a stand or jack of its own, vehicle on rated stands, never
    on a jack.
  </p>
</section>
