<script lang="ts">
  import type { MountsResult } from '../../api/types';
  import VerdictMark from '../../lib/ui/VerdictMark.svelte';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    mounts: MountsResult['mounts'];
    picked: string; // case
    lit: string;
    onpick: (field: string) => void;
    oncase: (name: string) => void;
  }
  let { mounts, picked, lit, onpick, oncase }: Props = $props();
  const units = useUnits();
  const of = (mount: MountsResult['mounts'][number]) => mount.cases.find((one) => one.case === picked);
  const mm = (at: readonly number[] | undefined) => (at ? Math.hypot(...at) : null);
</script>

<table class="w-full text-[13px]" aria-label="What each mount carries">
  <thead class="text-ink-dim">
    <tr>
      <th class="w-5"></th>
      <th class="text-left font-normal">mount</th>
      <th class="text-right font-normal">{picked}, {units.symbol('N')}</th>
      <th class="hidden pl-2 text-right font-normal md:table-cell">at its root, {units.symbol('N·m')}</th>
      <th class="pl-2 text-right font-normal">moves, {units.symbol('mm')}</th>
      <th class="pl-3 text-right font-normal">most, {units.symbol('N')}</th>
      <th class="pl-2 text-left font-normal">in</th>
    </tr>
  </thead>
  <tbody>
    {#each mounts as mount (mount.field)}
      {@const now = of(mount)}
      <tr class={['border-t border-edge', mount.field === lit && 'bg-brass-wash']}>
        <td
          >{#if mount.verdict}<VerdictMark verdict={mount.verdict} silent />{/if}</td
        >
        <td class="py-1"
          ><button class="min-h-6 text-left" onclick={() => onpick(mount.field)}>{mount.name}</button></td
        >
        <td class="text-right figures">{now ? units.num(now.size_n, 'N', 0) : '–'}</td>
        <td class="hidden pl-2 text-right figures md:table-cell">{units.num(now?.at_root_nm, 'N·m', 0)}</td>
        <td class="pl-2 text-right figures"
          >{units.num(mm(now?.move_mm), 'mm', 1)}{now?.is_bottomed ? ' ▮' : ''}</td
        >
        <td class="pl-3 text-right figures font-semibold">{units.num(mount.worst_n, 'N', 0)}</td>
        <td class="pl-2"
          >{#if mount.worst}<button
              class="min-h-6 text-left text-brass underline underline-offset-2"
              onclick={() => oncase(mount.worst)}>{mount.worst}</button
            >{/if}</td
        >
      </tr>
    {:else}
      <tr><td></td><td class="py-1 text-ink-dim" colspan="6">No mount is entered yet.</td></tr>
    {/each}
  </tbody>
</table>
