<script lang="ts">
  import type { PlacementSheet } from '../../api/types';
  import { NATURES } from './fields';

  interface Props {
    sheet: PlacementSheet;
    disabled: boolean;
    change: (write: (sheet: PlacementSheet) => void) => void;
  }
  let { sheet, disabled, change }: Props = $props();
  const WORDS = {
    fixed: 'No sheet or frame near it',
    hot: 'Nothing hot or moving near it',
    steering: 'No steering or brakes near it',
  } as const;
  const open = $derived(NATURES.filter(([key]) => !sheet.bodies.some((body) => body.nature === key)));

  function say(key: (typeof NATURES)[number][0], isNone: boolean): void {
    change((next) => {
      next.none_near = next.none_near.filter((one) => one !== key);
      if (isNone) next.none_near.push(key);
    });
  }
</script>

<div data-group="none_near" class="text-[13px]">
  {#each open as [key] (key)}
    <label class="flex min-h-7 items-center gap-2">
      <input
        type="checkbox"
        {disabled}
        checked={sheet.none_near.includes(key)}
        onchange={(event) => say(key, event.currentTarget.checked)}
      />
      {WORDS[key]}
    </label>
  {/each}
</div>
