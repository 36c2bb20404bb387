<script lang="ts">
  import Button from '../../lib/ui/Button.svelte';
  import Dialog from '../../lib/ui/Dialog.svelte';

  interface Props {
    label: string;
    onleave: (why: string) => void;
    onclose: () => void;
  }
  let { label, onleave, onclose }: Props = $props();
  const uid = $props.id();
  const USUAL = ['does not fit the others', 'jaws slipped', 'read off the wrong hole', 'burr in the hole'];
  let why = $state('does not fit the others');
</script>

<Dialog
  open
  title="Leave {label} out"
  about="It stays in the list, struck through, and comes back when you say so."
  {onclose}
>
  <form
    class="flex flex-col gap-3"
    onsubmit={(event) => {
      event.preventDefault();
      onleave(why.trim());
    }}
  >
    <label for="{uid}-why">Why?</label>
    <input id="{uid}-why" class="field-line" required maxlength="2000" list="{uid}-usual" bind:value={why} />
    <datalist id="{uid}-usual"
      >{#each USUAL as one (one)}<option value={one}></option>{/each}</datalist
    >
    <div class="flex gap-3">
      <Button strong type="submit">Leave it out</Button>
      <Button onclick={onclose}>Keep it in</Button>
    </div>
  </form>
</Dialog>
