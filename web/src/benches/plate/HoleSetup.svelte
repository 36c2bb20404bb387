<script lang="ts">
  import type { Survey, SurveyResult } from '../../api/types';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import { useReader } from '../../measure/reader';
  import { submits } from '../../lib/submits';
  import ReadingField from '../../measure/ReadingField.svelte';
  import CentreRoutes from './CentreRoutes.svelte';
  import SurveyFile from './SurveyFile.svelte';
  import { framesOf, withFile, withoutHole } from './survey-edits';

  interface Props {
    survey: Survey;
    result: SurveyResult;
    isFace: boolean;
    disabled: boolean;
    change: (write: (survey: Survey) => void) => void;
  }
  let { survey, result, isFace, disabled, change }: Props = $props();
  const reader = useReader();
  const uid = $props.id();
  let diameter = $state('');
  let isBore = $state(false);
  let says = $state('');
  const SIDES = [
    ['engine', 'the engine side'],
    ['gearbox', 'the gearbox side'],
  ] as const;
  const SENSES = [
    ['anticlockwise', 'anticlockwise'],
    ['clockwise', 'clockwise'],
  ] as const;
  const letter = $derived(isBore ? 'B' : 'H');
  const nextId = $derived(
    `${letter}${Math.max(0, ...survey.holes.filter((hole) => hole.id.startsWith(letter)).map((hole) => Number(/\d+$/.exec(hole.id)?.[0] ?? 0))) + 1}`,
  );
  const directions = $derived(
    [...survey.holes.filter((hole) => !hole.is_bore).map((hole) => hole.id), ...framesOf(survey)].map(
      (name) => [name, name] as const,
    ),
  );

  async function add(): Promise<void> {
    const text = diameter.trim();
    says = (await reader.read(text, 'length', null)).problem;
    if (says) return;
    const hole = { id: nextId, diameter: { text, tool: 'caliper' as const }, is_bore: isBore };
    change((next) => next.holes.push(hole));
    if (isBore) diameter = ''; // the next one is a hole again
    isBore = false;
  }
</script>

<section class="px-4 py-3">
  <h2>The holes, in the order in which they are numbered</h2>
  <p class="mt-1 text-[13px] text-ink-dim">
    Number them with a paint pen, one way round. {isFace
      ? 'Look at the motor’s face; the program turns it over for the plate.'
      : 'Which side you look from and which way they run settles which way round the plate is.'} A mirrored plate
    is scrap.
  </p>
  {#if !isFace}
    <ChoiceField
      label="Looked at from"
      value={survey.seen_from}
      options={SIDES}
      {disabled}
      onchange={(side) => change((next) => (next.seen_from = side))}
    />
  {/if}
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
          label="{hole.id}, {hole.is_bore ? 'bore' : 'diameter'}"
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
            onclick={() => change((next) => Object.assign(next, withoutHole(next, hole.id)))}>×</button
          >
        {/if}
      </div>
    {/each}
  </div>
  {#if !disabled}
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
  {/if}
  {#if directions.length > 0}
    <h2 class="mt-4">Which way is up</h2>
    <ChoiceField
      label="Set by"
      value={survey.direction_of ?? directions[0]?.[0]}
      options={directions}
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
  <CentreRoutes survey={result} />
  {#if !disabled}
    <SurveyFile
      {survey}
      {isFace}
      ontake={(read) => change((next) => Object.assign(next, withFile(next, read)))}
    />
  {/if}
  {#if survey.outline}
    <p class="mt-1 text-[13px]">
      The flange’s outline, {survey.outline.points.length} corners in {survey.outline.frame}.
      {#if !disabled}<button
          class="text-brass underline underline-offset-2"
          onclick={() => change((next) => (next.outline = null))}>take it away</button
        >{/if}
    </p>
  {/if}
  {#if !isFace}
    <p class="mt-4 border-l-2 border-brass pl-3 text-[13px] text-ink-dim">
      Before the bell housing is unbolted: gearbox on a stand or jack of its own, vehicle on rated stands,
      never on a jack.
    </p>
  {/if}
</section>
