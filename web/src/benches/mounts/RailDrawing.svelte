<script lang="ts">
  import { answered, client, sent } from '../../api/client';
  import type { MountsSheet, SectionRead } from '../../api/types';
  import Button from '../../lib/ui/Button.svelte';
  import FilePick from '../../measure/FilePick.svelte';

  type Rail = MountsSheet['frame']['old'];
  interface Props {
    name: string;
    rail: Rail;
    disabled: boolean;
    change: (write: (rail: Rail) => void) => void;
  }
  let { name, rail, disabled, change }: Props = $props();
  const LONGEST_NAME = 40;
  let found = $state.raw<{ file: string; read: SectionRead } | null>(null);

  async function read(file: File): Promise<void> {
    found = null;
    found = {
      file: file.name,
      read: await answered(client.POST('/api/measure/section-file', sent({ file }))),
    };
  }
  const hollows = (count: number) => (count === 1 ? 'one hollow' : `${count || 'no'} hollows`);
  function take({ file, read: { rings } }: NonNullable<typeof found>): void {
    change((to) => {
      to.rings = rings;
      to.drawing = file.slice(0, LONGEST_NAME);
    });
    found = null;
  }
</script>

<p class="mt-1 text-[12.5px] text-ink-dim">
  {#if rail.rings.length > 0}From {rail.drawing || 'a drawing'}, with {hollows(
      rail.rings.length - 1,
    )}.{:else}A DXF of the section alone, its outside and each hollow closed.{/if} Which of its walls fold, a drawing
  does not say.
</p>
{#if !disabled}
  <FilePick label="Read the section of {name}…" accept=".dxf" take={read} />
  {#if found}
    {@const one = found}
    <div class="mt-1 bg-brass-wash px-2 py-1.5 text-[13px]" role="status">
      <p>{one.file}: one section, {hollows(one.read.rings.length - 1)}.</p>
      {#each one.read.notes as note, index (index)}<p class="text-ink-dim">{note}</p>{/each}
      <p class="mt-1 flex gap-2">
        <Button strong onclick={() => take(one)}>Take it</Button><Button onclick={() => (found = null)}
          >Not this</Button
        >
      </p>
    </div>
  {/if}
{/if}
