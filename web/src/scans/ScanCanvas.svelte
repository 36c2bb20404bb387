<script lang="ts">
  import { fetchPicture, painted, pictureOf, type Onto, type Painted } from './picture';

  interface Props {
    file: string; // SHA-256
    onto: Onto;
    width: number;
    height: number;
    isPale?: boolean; // behind the unit, which is the brighter
    onpainted?: (found: Painted) => void;
  }
  let { file, onto, width, height, isPale = false, onpainted }: Props = $props();
  const INK = [169, 185, 234];
  const INK_PALE = [80, 104, 172];
  const GROUND = [19, 38, 92];
  let canvas = $state<HTMLCanvasElement>();
  const picture = $derived(pictureOf(file));

  $effect(() => void fetchPicture(file));
  $effect(() => {
    const pen = canvas?.getContext('2d');
    const [w, h] = [Math.round(width), Math.round(height)];
    if (!pen || w < 2 || h < 2) return;
    pen.clearRect(0, 0, w, h);
    if (!picture) return;
    const found = painted(picture, onto, w, h, { ink: isPale ? INK_PALE : INK, ground: GROUND });
    pen.putImageData(new ImageData(found.pixels, w, h), 0, 0);
    onpainted?.(found);
  });
</script>

<canvas
  bind:this={canvas}
  width={Math.round(width)}
  height={Math.round(height)}
  class="pointer-events-none absolute inset-0"
></canvas>
