<script lang="ts">
  import Questions from '../../measure/Questions.svelte';
  import type { PlacementSheet } from '../../api/types';
  import type { BenchProps } from '../../job/benches';
  import { useEditor } from '../../job/job-editor.svelte';
  import Tabs from '../../lib/ui/Tabs.svelte';
  import { layoutHas } from '../../measure/layouts';
  import { useUnits } from '../../measure/units.svelte';
  import { moveStand } from './edits';
  import GapRows from './GapRows.svelte';
  import LeftPanel from './LeftPanel.svelte';
  import PosePanel from './PosePanel.svelte';
  import RoomPanel from './RoomPanel.svelte';
  import type { Point3 } from '../../scene/scene';
  import UnitPanel from './UnitPanel.svelte';
  import Views from './Views.svelte';
  import WayInPanel from './WayInPanel.svelte';

  let { result: all }: BenchProps = $props();
  const editor = useEditor();
  const units = useUnits();
  const result = $derived(all.placement);
  const sheet = $derived(editor.sheets.placement);
  const disabled = $derived(!editor.mayEdit);
  const points = $derived(sheet.points.map((point) => point.name));
  const hasOutputs = $derived(!layoutHas(editor.sheets.brief.layout).propshaft);
  let lit = $state('');
  let played = $state(1);

  const chosen = $derived(result.stands.find((stand) => stand.is_chosen));
  const frames = $derived(result.way_in.flatMap((step) => step.frames));
  const isPlaying = $derived(played < 1 && frames.length > 0);
  const frame = $derived(
    (isPlaying ? frames[Math.round(played * (frames.length - 1))] : chosen?.frame) ?? null,
  );
  const change = (write: (sheet: PlacementSheet) => void, gesture = '') =>
    editor.edit((sheets) => write(sheets.placement), gesture);
  const pick = (field: string) => (lit = field);

  function move(byMm: Point3, gesture: string): void {
    const at = chosen?.frame?.at_mm;
    if (at) change((next) => moveStand(next, at, byMm), gesture);
  }
</script>

{#snippet pose()}<div class="px-4 py-3">
    <PosePanel {sheet} {result} {points} {hasOutputs} {disabled} {change} />
  </div>{/snippet}
{#snippet room()}<div class="px-4 py-3">
    <RoomPanel {sheet} {result} {points} {lit} {disabled} onpick={pick} {change} />
  </div>{/snippet}
{#snippet unit()}<div class="px-4 py-3">
    <UnitPanel {sheet} {result} {hasOutputs} {lit} {disabled} onpick={pick} {change} />
  </div>{/snippet}
{#snippet wayIn()}<div class="px-4 py-3">
    <WayInPanel {sheet} {result} {disabled} {played} onplay={(at) => (played = at)} {change} />
  </div>{/snippet}
{#snippet left()}<div class="px-4 py-3">
    <LeftPanel {sheet} {result} {points} {disabled} {change} />
  </div>{/snippet}

<div class="flex h-full flex-col md:flex-row">
  <div class="order-2 min-h-0 shrink-0 md:order-1 md:w-[21rem]">
    <Tabs
      label="Placement"
      close
      opensAt={result.stands.length > 0 ? '' : 'room'}
      tabs={[
        { key: 'pose', title: 'Pose', panel: pose },
        { key: 'room', title: 'Room', panel: room },
        { key: 'unit', title: 'Unit', panel: unit },
        { key: 'way', title: 'Way in', panel: wayIn },
        { key: 'left', title: 'Left over', panel: left },
      ]}
    />
  </div>
  <div class="order-1 flex min-w-0 flex-1 flex-col md:order-2 md:overflow-y-auto">
    <div class="h-[440px] shrink-0">
      {#if result.bodies.some((body) => body.pieces.length > 0 || body.scan)}
        <Views {result} {frame} {isPlaying} {lit} onpick={pick} onmove={disabled ? null : move} />
      {:else}
        <p class="h-full bg-dye px-6 py-10 text-scribe-dim">
          The room and the unit are drawn here as soon as their first bodies have sizes and places.
          {units.words(result.to_do[0]?.text ?? '')}
        </p>
      {/if}
    </div>
    <Questions texts={result.queries.map((one) => one.text)} />
    <div class="px-4 py-3">
      <GapRows {result} {lit} onpick={pick} />
      {#if result.assumed.length > 0}
        <p class="mt-2 text-[13px] text-ink-dim">
          Taken as usual: {units.words(result.assumed.map((one) => one.text).join('; '))}.
        </p>
      {/if}
    </div>
  </div>
</div>
