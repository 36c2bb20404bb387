<script lang="ts">
  import type { CentreRoute, SurveyResult } from '../../api/types';
  import { useUnits } from '../../measure/units.svelte';

  interface Props {
    survey: SurveyResult;
  }
  let { survey }: Props = $props();
  const units = useUnits();
  const side = (route: CentreRoute) => (route.apart_mm === null ? 'does not settle it alone' : '');
</script>

<section class="mt-4 text-[13px]">
  <h2 class="text-[14px]">The shaft’s centre</h2>
  {#if survey.centre_u_mm !== null}
    <p>
      Known to ± <span class="figures">{units.figure(2 * survey.centre_u_mm, 'mm', 2)}</span> against the holes.
    </p>
  {:else}
    <p class="text-ink-dim">
      Not settled yet. Three ways there: radii to three holes or more; a square dropped on both sides of the
      shaft (x and y, low and high edge of C); a dial on the shaft, swept round a bore.
    </p>
  {/if}
  {#if survey.routes.length > 0}
    <table class="mt-1 w-full" aria-label="The shaft's centre, route by route">
      <thead class="text-ink-dim">
        <tr>
          <th class="text-left font-normal">by itself</th><th class="text-right font-normal">x</th><th
            class="text-right font-normal">y</th
          ><th class="text-right font-normal">± 95 %</th>
        </tr>
      </thead>
      <tbody>
        {#each survey.routes as route, index (index)}
          <tr class="border-t border-edge">
            <td class="py-0.5">{route.name} <span class="text-ink-dim">({route.readings})</span></td>
            {#if route.apart_mm === null}
              <td colspan="3" class="text-right text-ink-dim">{side(route)}</td>
            {:else}
              <td class="text-right figures"
                >{units.figure(route.x_mm, 'mm', 2, { signed: true, bare: true })}</td
              >
              <td class="text-right figures"
                >{units.figure(route.y_mm, 'mm', 2, { signed: true, bare: true })}</td
              >
              <td class="text-right figures text-ink-dim">{units.num(route.sure_mm, 'mm', 2)}</td>
            {/if}
          </tr>
        {/each}
      </tbody>
    </table>
    <p class="text-ink-dim">{units.symbol('mm')} from where all of them together put it.</p>
  {/if}
</section>
