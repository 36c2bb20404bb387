<script lang="ts">
  import { useEditor } from '../../job/job-editor.svelte';
  import SeekButton from '../../job/SeekButton.svelte';
  import { Seeker } from '../../job/seeker.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    seek: string; // what is asked for
    text: string;
    label: string; // of what is drawn
  }
  let { seek, text, label }: Props = $props();
  const seeker = new Seeker(useEditor());
  const units = useUnits();
  const picture = $derived(seeker.isCurrent ? seeker.found?.picture : null);
  const STEPS = 8;

  const box = $derived.by(() => {
    const xs = picture?.patches.flatMap((one) => one.x_mm) ?? [];
    const ys = picture?.patches.flatMap((one) => one.y_mm) ?? [];
    if (xs.length === 0) return null;
    const [left, right, low, high] = [Math.min(...xs), Math.max(...xs), Math.min(...ys), Math.max(...ys)];
    return { left, low, width: right - left, height: high - low };
  });
  /** From dye to brass by shares of the peak, as a contour plot's steps. */
  function shade(mpa: number): string {
    const step = Math.min(Math.floor((STEPS * mpa) / (picture?.peak_mpa ?? 1)), STEPS - 1) / (STEPS - 1);
    const mix = (a: number, b: number) => Math.round(a + (b - a) * step);
    return `rgb(${mix(29, 232)} ${mix(52, 181)} ${mix(116, 88)})`;
  }
  const corners = (patch: { x_mm: number[]; y_mm: number[] }) =>
    patch.x_mm.map((x, k) => `${x},${-(patch.y_mm[k] ?? 0)}`).join(' ');
</script>

<SeekButton {seeker} key={seek} {text} busy="Working it out…" />
{#if picture && box}
  <svg
    class="mt-1 h-52 w-full bg-dye"
    viewBox="{box.left - 4} {-(box.low + box.height) - 4} {box.width + 8} {box.height + 8}"
    role="img"
    aria-label="{label}, at most {units.figure(picture.peak_mpa, 'MPa', 0)}"
  >
    {#each picture.patches as patch, k (k)}
      <polygon
        points={corners(patch)}
        fill={shade(patch.mpa)}
        stroke={shade(patch.mpa)}
        stroke-width="0.15"
      />
    {/each}
  </svg>
  <p class="text-[12.5px] text-ink-dim">
    Brightest: {units.figure(picture.peak_mpa, 'MPa', 0)}; each step an eighth of it.
  </p>
{/if}
