<script lang="ts">
  import type { Link } from '../api/types';
  import { dayTime } from '../lib/format';
  import Button from '../lib/ui/Button.svelte';
  import Dialog from '../lib/ui/Dialog.svelte';

  import Squares from './Squares.svelte';

  let { link, onclose }: { link: Link; onclose: () => void } = $props();
  const uid = $props.id();
  let says = $state('');
  async function copy(): Promise<void> {
    try {
      await navigator.clipboard.writeText(link.link);
      says = 'Copied.';
    } catch {
      document.querySelector<HTMLInputElement>(`#${CSS.escape(`${uid}-link`)}`)?.select();
      says = 'This browser does not let a page copy. It is marked: press Ctrl+C.';
    }
  }
</script>

<Dialog
  open
  title="A link for one {link.role}"
  about="Send it to whom it is for, or let them look at the square with their phone. It works once, until {dayTime(
    link.expires_at,
  )}, and is not shown again."
  {onclose}
>
  <label for="{uid}-link" class="text-ink-dim">The link</label>
  <input
    id="{uid}-link"
    class="field-line figures"
    readonly
    value={link.link}
    onfocus={(event) => event.currentTarget.select()}
  />
  <div class="flex flex-wrap items-start gap-5">
    <Squares rows={link.squares} label="The link as a QR code" />
    <div class="flex flex-col gap-3">
      <Button strong onclick={() => void copy()}>Copy the link</Button>
      <Button onclick={onclose}>Done</Button>
      {#if says}<p role="status" class="max-w-56 text-[13px]">{says}</p>{/if}
    </div>
  </div>
</Dialog>
