<script lang="ts">
  import { fixed } from '../../lib/format';
  import Button from '../../lib/ui/Button.svelte';
  import Dialog from '../../lib/ui/Dialog.svelte';
  import type { TradePoint } from './ratios.svelte';

  import { useUnits } from '../../measure/units.svelte';
  interface Props {
    name: string;
    point: TradePoint | null;
    reason: string;
    onchoose: (reason: string) => void;
    onclose: () => void;
  }
  let { name, point, reason, onchoose, onclose }: Props = $props();
  const units = useUnits();
  const uid = $props.id();
  // The dialog is made anew for each gearing, so the first value is the one to start from.
  // svelte-ignore state_referenced_locally
  let why = $state(reason);
  const about = $derived(
    point
      ? `${units.figure(point.topKmh, 'km/h', 0)}; 0–${units.num(50, 'km/h', 0)} in ${fixed(point.launchS, 1)} s; ${units.figure(point.cruiseRpm, 'rpm', 0)} at cruise.`
      : '',
  );
</script>

<Dialog open title="Choose {name}" {about} {onclose}>
  <form
    class="flex flex-col gap-3"
    onsubmit={(event) => {
      event.preventDefault();
      onchoose(why.trim());
    }}
  >
    <label for="{uid}-why">Why this one? It is kept with the job, for whoever asks in a year.</label>
    <textarea id="{uid}-why" class="field-line" rows="2" required maxlength="2000" bind:value={why}
    ></textarea>
    <div class="flex gap-3">
      <Button strong type="submit">Choose it</Button>
      <Button onclick={onclose}>Not yet</Button>
    </div>
  </form>
</Dialog>
