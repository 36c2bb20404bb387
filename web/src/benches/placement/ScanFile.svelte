<script lang="ts">
  import type { Scan, ScanFound, ScanSheet } from '../../api/types';
  import { useEditor } from '../../job/job-editor.svelte';
  import FilePick from '../../measure/FilePick.svelte';
  import { ScanOnItsWay } from '../../scans/bring.svelte';
  import { useSession } from '../../session/session.svelte';

  interface Props {
    scan: ScanSheet;
    found: ScanFound | undefined;
    disabled: boolean;
    take: (scan: Scan) => void;
  }
  let { scan, found, disabled, take }: Props = $props();
  const editor = useEditor();
  const session = useSession();
  const way = new ScanOnItsWay();
  const shopId = $derived(session.me?.shops.find((place) => place.shop === editor.job.shop)?.shop_id ?? 0);
  const share = $derived(way.step === 'sending' ? way.sent : way.done);

  async function bring(file: File): Promise<void> {
    const ready = await way.bring(file, shopId);
    if (ready) take(ready);
  }
</script>

<div class="mt-2 text-[13px]">
  {#if scan.file}
    <p>
      <strong>{scan.name || 'scan'}</strong>{#if found?.triangles}<span class="text-ink-dim"
          >, {found.triangles.toLocaleString('en-GB').replaceAll(',', ' ')} triangles{found.bits
            ? `, ${found.bits} loose bits`
            : ''}</span
        >{/if}
    </p>
    {#each found?.notes ?? [] as note, index (index)}<p class="text-ink-dim">{note}</p>{/each}
    {#if found && !found.is_ready}
      <p class="text-brass">? This shop’s store does not hold it: bring it again.</p>
    {/if}
  {/if}
  {#if way.step !== 'idle'}
    <p role="status">
      {way.step === 'sending' ? 'Bringing' : 'Making ready'}
      {way.name}: {Math.round(100 * share)} %
    </p>
    <progress class="h-1.5 w-full accent-brass" value={share} max="1" aria-label="{way.name} on its way"
    ></progress>
  {:else if !disabled}
    <p>
      <FilePick
        label={scan.file ? 'bring another file' : 'bring its file: STL, OBJ, PLY or STEP'}
        accept=".stl,.obj,.ply,.step,.stp"
        take={bring}
      />
    </p>
  {/if}
  {#if way.says}<p role="alert" class="text-fails">▲ {way.says}</p>{/if}
</div>
