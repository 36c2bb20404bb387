<script lang="ts">
  import type { Candidate } from '../../api/types';
  import { fixed, percent, whole } from '../../lib/format';

  interface Props {
    compared: readonly Candidate[];
    cruiseKmh: number;
    mayEdit: boolean;
    onchoose: (candidate: Candidate) => void;
    onhover: (key: string | null) => void;
  }
  let { compared, cruiseKmh, mayEdit, onchoose, onhover }: Props = $props();

  const grade = (pct: number | null | undefined) =>
    pct === null || pct === undefined ? '–' : pct < 1 ? 'level only' : `1 in ${fixed(100 / pct, 1)}`;
  const seconds = (value: number | null | undefined) =>
    value === null || value === undefined ? 'not reached' : `${fixed(value, 1)} s`;

  const rows = $derived<readonly [string, (one: Candidate) => string][]>([
    ['top speed, km/h', (one) => whole(one.top_kmh)],
    ['set by', (one) => one.top_set_by],
    ['0–50 km/h', (one) => seconds(one.s_0_50)],
    ['0–100 km/h', (one) => seconds(one.s_0_100)],
    ['starts laden on', (one) => grade(one.hill_start_pct)],
    [
      'launch at the wheels, N·m',
      (one) => whole(one.launch_wheel_nm) + (one.launch_held_by_tyres ? ', slips' : ''),
    ],
    ['torque falls from, km/h', (one) => whole(one.falls_from_kmh)],
    [`motor at ${whole(cruiseKmh)} km/h, rpm`, (one) => whole(one.cruise_rpm)],
    ['of continuous torque', (one) => percent(one.cruise_share)],
    ['held at 50, continuous', (one) => grade(one.grade_at_50_pct)],
    ['overall ratio', (one) => fixed(one.overall_ratio, 2)],
  ]);
</script>

<div class="shrink-0 overflow-x-auto">
  <table class="w-full min-w-[30rem] text-[13px]" aria-label="Gearings side by side">
    <thead>
      <tr>
        <th class="px-4 py-1.5 text-left font-normal text-ink-dim">side by side</th>
        {#each compared as one (one.key)}
          <th
            class={['px-2 py-1.5 text-right', one.is_chosen ? 'bg-brass-wash text-brass' : 'font-normal']}
            onmouseenter={() => onhover(one.key)}
            onmouseleave={() => onhover(null)}>{one.key}</th
          >
        {/each}
      </tr>
    </thead>
    <tbody>
      <tr class="border-t border-edge">
        <td class="px-4 py-1.5 text-ink-dim">{mayEdit ? 'take one, with a reason' : ''}</td>
        {#each compared as one (one.key)}
          <td class={['px-2 py-1.5 text-right', one.is_chosen && 'bg-brass-wash']}>
            {#if mayEdit}
              <button
                class="text-brass underline underline-offset-2"
                aria-label="{one.is_chosen ? 'Change the reason for' : 'Choose'} {one.key}"
                onclick={() => onchoose(one)}>{one.is_chosen ? 'reason' : 'choose'}</button
              >
            {/if}
          </td>
        {/each}
      </tr>
      {#each rows as [title, figure] (title)}
        <tr class="border-t border-edge">
          <th scope="row" class="px-4 py-[2px] text-left font-normal whitespace-nowrap">{title}</th>
          {#each compared as one (one.key)}
            <td
              class={[
                'px-2 text-right',
                one.is_chosen && 'bg-brass-wash',
                title === 'set by' ? 'text-[12.5px] leading-4' : 'figures whitespace-nowrap',
              ]}>{figure(one)}</td
            >
          {/each}
        </tr>
      {/each}
    </tbody>
  </table>
</div>
