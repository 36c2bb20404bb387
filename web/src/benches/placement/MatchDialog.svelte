<script lang="ts">
  import type { ScanSheet } from '../../api/types';
  import Dialog from '../../lib/ui/Dialog.svelte';
  import ScanCanvas from '../../scans/ScanCanvas.svelte';
  import { pictureOf, type Painted } from '../../scans/picture';
  import { MatchHand } from './match-hand.svelte';
  import { VIEW_TITLES, type ViewKey } from '../../scene/scene';
  import { UPRIGHT } from '../../scene/scan-scene';

  interface Props {
    name: string;
    scan: ScanSheet;
    file: string;
    scale: number; // mm in one unit of the file
    onclose: () => void;
    change: (write: (scan: ScanSheet) => void) => void;
  }
  let { name, scan, file, scale, onclose, change }: Props = $props();
  const KEYS: readonly ViewKey[] = ['side', 'top', 'rear', 'free'];
  let row = $state(0);
  let width = $state(600);
  let height = $state(400);
  let found: Painted | null = null;

  const turn = $derived(UPRIGHT[scan.up ?? 'z'] ?? []);
  const picture = $derived(pictureOf(file));
  const hand = new MatchHand(
    () => ({ picture, turn, scale, width, height }),
    (x, y) => take(x, y),
  );
  const marks = $derived(hand.marks(scan.matches));
  const called = (k: number) => scan.matches[k]?.at.point ?? `point ${k + 1}`;

  function take(x: number, y: number): void {
    const which = found?.which[Math.round(y) * Math.round(width) + Math.round(x)] ?? -1;
    if (!picture || which < 0) return;
    const at = [0, 1, 2].map((k) => (picture.points[3 * which + k] ?? 0) * scale);
    const within = Math.max(1 / hand.onto.pxPerMm, picture.spacing * scale, 0.01).toFixed(2); // no finer than it is drawn
    const read = (k: number) => ({ text: `${(at[k] ?? 0).toFixed(1)} ±${within} mm` });
    change((next) => {
      const match = next.matches[row] ?? { at: { point: null } };
      Object.assign(match, { x: read(0), y: read(1), z: read(2) });
      if (!next.matches[row]) next.matches.push(match);
    });
    row += 1;
  }
</script>

<Dialog
  open
  title="Points on {name}"
  about="Turn the scan until a point stands clear, then click it, or go there with the arrow keys and press Enter. It is taken to the nearest point of the picture: a figure from the scanner’s own program is surer."
  {onclose}
>
  <div class="flex flex-wrap items-center gap-x-4 gap-y-1 text-[13px]">
    {#each KEYS as key (key)}
      <button
        class={['min-h-6 underline-offset-2', hand.view === key ? 'font-semibold' : 'text-brass underline']}
        aria-pressed={hand.view === key}
        onclick={() => (hand.view = key)}>{VIEW_TITLES[key]}</button
      >
    {/each}
    <button class="min-h-6 min-w-8 border border-edge" aria-label="Nearer" onclick={() => hand.zoom(1.4)}
      >+</button
    >
    <button class="min-h-6 min-w-8 border border-edge" aria-label="Farther" onclick={() => hand.zoom(1 / 1.4)}
      >−</button
    >
    <label
      >next is
      <select class="field-line !w-auto" bind:value={row}>
        {#each scan.matches.keys() as k (k)}<option value={k}>{called(k)}</option>{/each}
        <option value={scan.matches.length}>a new point</option>
      </select></label
    >
  </div>
  <div class="on-dye relative h-[46vh] bg-dye" bind:clientWidth={width} bind:clientHeight={height}>
    <ScanCanvas {file} onto={hand.rows} {width} {height} onpainted={(now) => (found = now)} />
    <!-- svelte-ignore a11y_no_noninteractive_tabindex, a11y_no_noninteractive_element_interactions -->
    <svg
      {width}
      {height}
      class="absolute inset-0 touch-none"
      role="application"
      tabindex="0"
      aria-label="The scan. Arrow keys move the cross, Enter takes the point, with Shift they turn it"
      onkeydown={(event) => hand.key(event)}
      onpointerdown={(event) => hand.down(event)}
      onpointermove={(event) => hand.move(event)}
      onpointerup={(event) => hand.up(event)}
      onwheel={(event) => hand.wheel(event)}
    >
      <path
        d="M{hand.x - 9} {hand.y}h18M{hand.x} {hand.y - 9}v18"
        class="stroke-brass-lit"
        stroke-width="1.4"
      />
      {#each marks as mark (mark.k)}
        <circle cx={mark.x} cy={mark.y} r="5" class="fill-none stroke-scribe" stroke-width="1.6" />
        <text x={mark.x + 8} y={mark.y - 6} class="fill-scribe plot-label text-[12.5px]"
          >{called(mark.k)}</text
        >
      {/each}
    </svg>
  </div>
  <ul class="text-[13px]">
    {#each scan.matches as match, k (k)}
      <li class="figures">
        {called(k)}: {[match.x, match.y, match.z].map((one) => (one ? one.text : '?')).join('  ')}
      </li>
    {/each}
  </ul>
</Dialog>
