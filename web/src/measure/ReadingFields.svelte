<script lang="ts" generics="T extends object">
  import type { ReadingSpec } from './reading-specs';
  import ReadingField from './ReadingField.svelte';

  interface Props {
    specs: readonly ReadingSpec<T>[];
    from: T;
    disabled: boolean;
    change: (write: (to: T) => void) => void;
  }
  let { specs, from, disabled, change }: Props = $props();
</script>

{#each specs as spec (spec.label)}
  <ReadingField
    label={spec.label}
    quantity={spec.quantity}
    hint={spec.hint}
    {disabled}
    value={spec.read(from)}
    onchange={(value) => change((to) => spec.write(to, value))}
  />
{/each}
