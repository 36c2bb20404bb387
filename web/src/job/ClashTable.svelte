<script lang="ts">
  import { pathKey, sideWords, type Clash, type Side } from './merging';

  interface Props {
    clashes: readonly Clash[];
    picks: Map<string, Side>;
    theirName: string;
  }
  let { clashes, picks, theirName }: Props = $props();
  const uid = $props.id();
  const SIDES = ['mine', 'theirs'] as const;
  const inWords = (clash: Clash) => clash.path.map((one) => String(one).replaceAll('_', ' ')).join(' › ');
</script>

<div class="max-h-[46dvh] overflow-auto border-y border-edge">
  {#each clashes as clash, k (pathKey(clash.path))}
    {@const key = pathKey(clash.path)}
    <div role="radiogroup" aria-labelledby="{uid}-{k}-of" class="border-t border-edge py-2 first:border-t-0">
      <p id="{uid}-{k}-of" class="font-semibold">
        {inWords(clash)} <span class="font-normal text-ink-dim">was {sideWords(clash.was)}</span>
      </p>
      {#each SIDES as side (side)}
        <label class="flex min-h-7 items-baseline gap-2">
          <input
            type="radio"
            class="accent-brass"
            name="{uid}-{k}"
            checked={picks.get(key) === side}
            onchange={() => picks.set(key, side)}
          />
          <span class="w-28 shrink-0 text-ink-dim">{side === 'mine' ? 'yours' : theirName}</span>
          <span class="figures">{sideWords(clash[side])}</span>
        </label>
      {/each}
    </div>
  {/each}
</div>
