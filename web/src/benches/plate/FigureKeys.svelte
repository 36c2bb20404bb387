<script lang="ts">
  interface Props {
    isInch: boolean;
    canKeep: boolean;
    onpress: (key: string) => void;
    onunit: () => void;
    onkeep: () => void;
  }
  let { isInch, canKeep, onpress, onunit, onkeep }: Props = $props();
  // Decimal keys in millimetres, fractions in inches: the last column follows the unit.
  const DIGITS = ['7', '8', '9', '4', '5', '6', '1', '2', '3', '0', '.', '⌫'] as const;
  const FRACTIONS = ['1/2', '1/4', '1/8', '1/16'] as const;
</script>

<div class="grid grid-cols-4 gap-2 p-3">
  {#each FRACTIONS as fraction, row (fraction)}
    {#each DIGITS.slice(3 * row, 3 * row + 3) as key (key)}
      <button
        class="h-[3.25rem] rounded-sm border border-edge bg-paper figures text-xl active:bg-brass-wash"
        aria-label={key === '⌫' ? 'delete' : key}
        onclick={() => onpress(key)}>{key}</button
      >
    {/each}
    <button
      class="h-[3.25rem] rounded-sm border border-edge bg-paper figures text-xl active:bg-brass-wash disabled:opacity-40"
      disabled={!isInch}
      onclick={() => onpress(fraction)}>{fraction}</button
    >
  {/each}
  <button class="h-[3.5rem] rounded-sm border border-ink bg-paper" onclick={onunit}
    >{isInch ? 'inch' : 'mm'}</button
  >
  <button
    class="col-span-3 h-[3.5rem] rounded-sm bg-ink text-lg text-paper disabled:opacity-40"
    disabled={!canKeep}
    onclick={onkeep}>Keep, next</button
  >
</div>
