<script lang="ts">
  import type { Candidate } from '../../api/types';
  import { fixed, whole } from '../../lib/format';
  import Button from '../../lib/ui/Button.svelte';
  import Dialog from '../../lib/ui/Dialog.svelte';

  interface Props {
    candidate: Candidate;
    reason: string;
    onchoose: (reason: string) => void;
    onclose: () => void;
  }
  let { candidate, reason, onchoose, onclose }: Props = $props();
  const uid = $props.id();
  // The dialog is made anew for each candidate, so the first value is the one to start from.
  // svelte-ignore state_referenced_locally
  let why = $state(reason);
</script>

<Dialog
  open
  title="Choose {candidate.key}"
  about="{whole(candidate.top_kmh)} km/h, set by {candidate.top_set_by}; 0–50 in {fixed(
    candidate.s_0_50,
    1,
  )} s; {whole(candidate.cruise_rpm)} rpm at cruise."
  {onclose}
>
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
