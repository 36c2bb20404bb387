<script lang="ts">
  import type { PlateSheet } from '../../api/types';
  import type { PlateState, SurveyOf } from './plate.svelte';

  interface Props {
    sheet: PlateSheet;
    plate: PlateState;
    disabled: boolean;
  }
  let { sheet, plate, disabled }: Props = $props();
  const CHOICES: readonly (readonly [SurveyOf, string])[] = [
    ['flange', 'Gearbox flange'],
    ['face', 'Motor face'],
  ];
</script>

{#if sheet.face.survey && !disabled}
  <div class="flex gap-1 px-3 pt-2" role="radiogroup" aria-label="Which face was measured">
    {#each CHOICES as [key, title] (key)}
      <button
        role="radio"
        aria-checked={plate.of === key}
        class={['rounded-sm px-2.5 py-1', plate.of === key ? 'bg-ink text-paper' : 'hover:bg-brass-wash']}
        onclick={() => (plate.asked = key)}>{title}</button
      >
    {/each}
  </div>
{/if}
