<script lang="ts">
  import type { Survey, SurveyResult } from '../../api/types';
  import ChoiceField from '../../measure/ChoiceField.svelte';
  import Fields from '../../measure/Fields.svelte';
  import ReadingField from '../../measure/ReadingField.svelte';
  import AddHole from './AddHole.svelte';
  import CentreRoutes from './CentreRoutes.svelte';
  import { BORE_STANDS, DIRECTION, NUMBERED, SEEN } from './fields';
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
  const directions = $derived(
    [...survey.holes.filter((hole) => !hole.is_bore).map((hole) => hole.id), ...framesOf(survey)].map(
      (name) => [name, name] as const,
    ),
  );
</script>

<section class="px-4 py-3">
  <h2>The holes, in the order in which they are numbered</h2>
  <p class="mt-1 text-[13px] text-ink-dim">
    Number them with a paint pen, one way round. {isFace
      ? 'Look at the motor’s face; the program turns it over for the plate.'
      : 'Which side you look from and which way they run settles which way round the plate is.'} A mirrored plate
    is scrap.
  </p>
  <Fields form={isFace ? NUMBERED : SEEN} from={survey} {disabled} {change} />
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
    <AddHole holes={survey.holes} onadd={(hole) => change((next) => next.holes.push(hole))} />
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
    <Fields form={DIRECTION} from={survey} {disabled} {change} />
    <Fields form={BORE_STANDS} from={survey} {disabled} {change} />
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
