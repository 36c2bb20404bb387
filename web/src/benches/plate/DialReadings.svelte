<script lang="ts">
  interface Props {
    /** What the dial read at each place round the turn, as typed. */
    places: { clock: number; text: string }[];
  }
  let { places = $bindable() }: Props = $props();
</script>

<div class="grid grid-cols-4 gap-2">
  {#each places as place (place.clock)}
    <label class="figures text-ink-dim"
      >{place.clock}°<input
        class="field-line text-right figures text-ink"
        inputmode="decimal"
        autocomplete="off"
        aria-label="Dial at {place.clock} degrees clockwise"
        bind:value={place.text}
      /></label
    >
  {/each}
</div>
