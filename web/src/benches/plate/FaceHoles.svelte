<script lang="ts">
  import type { PlateSheet } from '../../api/types';
  import ReadingInput from '../../measure/ReadingInput.svelte';

  type Face = PlateSheet['face'];
  interface Props {
    face: Face;
    disabled: boolean;
    change: (write: (face: Face) => void) => void;
  }
  let { face, disabled, change }: Props = $props();
  const AXES = ['x', 'y'] as const;
  const nextId = $derived(
    `M${Math.max(0, ...face.holes.map((hole) => Number(/\d+$/.exec(hole.id)?.[0] ?? 0))) + 1}`,
  );
</script>

<table class="w-full text-[13px]" aria-label="Motor holes by coordinates">
  <tbody>
    {#each face.holes as hole, k (hole.id)}
      <tr class="border-t border-edge">
        <td class="figures">{hole.id}</td>
        {#each AXES as axis (axis)}
          <td
            ><ReadingInput
              label="{axis} of {hole.id}"
              quantity="length"
              text={hole[axis].text}
              needed="A figure is needed; take the row away if the hole is not there."
              {disabled}
              onchange={(text) =>
                change((next) => {
                  const changed = next.holes[k];
                  if (changed) changed[axis] = { ...changed[axis], text };
                })}
            /></td
          >
        {/each}
        <td class="w-6 text-right">
          {#if !disabled}<button
              class="px-1 text-ink-dim hover:text-fails"
              aria-label="Take {hole.id} away"
              onclick={() => change((next) => next.holes.splice(k, 1))}>×</button
            >{/if}
        </td>
      </tr>
    {/each}
  </tbody>
</table>
{#if !disabled}
  <p class="text-right text-[13px]">
    <button
      class="text-brass underline underline-offset-2"
      onclick={() => change((next) => next.holes.push({ id: nextId, x: { text: '0' }, y: { text: '0' } }))}
      >add {nextId}, x and y from the shaft</button
    >
  </p>
{/if}
