<script lang="ts">
  import { Refusal } from '../api/client';

  interface Props {
    label: string;
    accept: string;
    take: (file: File) => Promise<void>; // what the server refuses is said here
    strong?: boolean;
  }
  let { label, accept, take, strong = false }: Props = $props();
  const uid = $props.id();
  let says = $state('');

  async function pick(event: Event & { currentTarget: HTMLInputElement }): Promise<void> {
    const input = event.currentTarget;
    const file = input.files?.[0];
    if (!file) return;
    says = '';
    try {
      await take(file);
    } catch (error) {
      if (!(error instanceof Refusal)) throw error;
      const field = error.fields[0];
      says = `${file.name}: ${error.message}${field ? ` ${field.field}: ${field.says}` : ''} Nothing was changed.`;
    } finally {
      input.value = ''; // so that the same file, mended, can be chosen again
    }
  }
</script>

<label
  for="{uid}-file"
  class={strong
    ? 'rounded-sm border border-ink px-3 py-1.5 hover:bg-brass-wash'
    : 'text-brass underline underline-offset-2'}>{label}</label
>
<input id="{uid}-file" type="file" {accept} class="sr-only" onchange={pick} />
{#if says}<p role="alert" class="basis-full text-fails">▲ {says}</p>{/if}
