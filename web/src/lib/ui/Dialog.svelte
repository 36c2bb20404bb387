<script lang="ts">
  import { Dialog } from 'bits-ui';
  import type { Snippet } from 'svelte';

  interface Props {
    open: boolean;
    title: string;
    about?: string;
    onclose: () => void;
    first?: string; // selector of what is focused at once, where that is not the first field
    children: Snippet;
  }
  let { open, title, about = '', onclose, first = '', children }: Props = $props();
  function focusFirst(event: Event): void {
    const wanted = first ? document.querySelector<HTMLElement>(first) : null;
    if (!wanted) return;
    event.preventDefault();
    wanted.focus();
  }
</script>

<Dialog.Root {open} onOpenChange={(isOpen) => !isOpen && onclose()}>
  <Dialog.Portal>
    <Dialog.Overlay class="fixed inset-0 z-40 bg-dye-deep/60" />
    <Dialog.Content
      onOpenAutoFocus={focusFirst}
      class="fixed top-1/2 left-1/2 z-50 flex max-h-[90dvh] w-[min(44rem,94vw)] -translate-x-1/2 -translate-y-1/2 flex-col gap-4 overflow-auto border-t-4 border-brass bg-paper p-6 shadow-2xl"
    >
      <Dialog.Title class="text-lg font-semibold">{title}</Dialog.Title>
      {#if about}<Dialog.Description class="text-ink-dim">{about}</Dialog.Description>{/if}
      {@render children()}
    </Dialog.Content>
  </Dialog.Portal>
</Dialog.Root>
